import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { numberIn } from "../../units/units";

export type Part = Schemas["KeptLayerIn"];
type Props = {
  kind: "layer" | "filling";
  parts: Part[];
  recipeId: number;
  problem: Schemas["Problem"] | null;
  onChange: (parts: Part[]) => void;
};

const MOST = { layer: 6, filling: 4 };
const WORDS = {
  layer: { add: "Add a layer", first: "at the base", last: "on top" },
  filling: { add: "Add a filling", first: "at the mould's floor", last: "under the cap" },
};

/** Several recipes in one vessel: layers of a slab, or fillings stacked in a cavity. */
export function SeveralRecipes({ kind, parts, recipeId, problem, onChange }: Props) {
  const { data } = useQuery(recipeQueries.list);
  const recipes = data?.recipes ?? [];
  const change = (position: number, part: Partial<Part>) =>
    onChange(parts.map((row, at) => (at === position ? { ...row, ...part } : row)));
  const add = () => {
    const other = recipes.find((row) => row.id !== recipeId)?.id ?? recipeId;
    const amount = kind === "layer" ? { share: 1 } : {};
    const start = parts.length > 0 ? parts : [{ recipe_id: recipeId, ...amount }];
    onChange([
      ...start,
      { recipe_id: other, ...(kind === "layer" ? { share: 1 } : { ml: 1 }) } as Part,
    ] as Part[]);
  };
  const swap = (position: number) => {
    const moved = [...parts];
    moved.splice(position - 1, 2, parts[position] as Part, parts[position - 1] as Part);
    onChange(moved);
  };
  const words = WORDS[kind];
  return (
    <div className="mt-2 border-line border-t pt-1 print:hidden">
      {parts.length > 0 && (
        <ol className="grid gap-2">
          {parts.map((part, position) => (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: a part is its position
              key={position}
              className="grid grid-cols-3 items-end gap-x-3 gap-y-1 border-line border-b pb-2"
            >
              <div className="col-span-3">
                <Choice
                  label={`${position + 1}, ${position === 0 ? words.first : position === parts.length - 1 ? words.last : "between"}`}
                  value={part.recipe_id}
                  onChange={(event) => change(position, { recipe_id: Number(event.target.value) })}
                >
                  {recipes.map((row) => (
                    <option key={row.id} value={row.id}>
                      {row.name}
                    </option>
                  ))}
                </Choice>
              </div>
              {kind === "layer" ? (
                <LayerAmount
                  part={part}
                  at={problemOf(problem, "layers", position)}
                  onChange={(p) => change(position, p)}
                />
              ) : (
                <FillingAmount
                  part={part}
                  at={problemOf(problem, "fillings", position)}
                  onChange={(p) => change(position, p)}
                />
              )}
              <div className="col-span-3 flex gap-2">
                {position > 0 && (
                  <Button look="plain" onClick={() => swap(position)}>
                    {kind === "layer" ? "Further down" : "Nearer the floor"}
                  </Button>
                )}
                <Button
                  look="plain"
                  onClick={() => onChange(parts.length <= 2 ? [] : parts.filter((_, at) => at !== position))}
                >
                  Leave it out
                </Button>
              </div>
            </li>
          ))}
        </ol>
      )}
      {parts.length < MOST[kind] && (
        <Button look="plain" onClick={add}>
          {words.add}
        </Button>
      )}
    </div>
  );
}

type AmountProps = { part: Part; at: string | null; onChange: (part: Partial<Part>) => void };
const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);

function LayerAmount({ part, at, onChange }: AmountProps) {
  return (
    <>
      <NumberField
        label="Thick, mm"
        placeholder={part.mass_g ? "" : "the rest"}
        value={shown(part.thickness_mm)}
        problem={at}
        onChange={(event) => onChange(layerAmount({ thickness_mm: numberIn(event.target.value) }))}
      />
      <NumberField
        label="or use up, g"
        value={shown(part.mass_g)}
        onChange={(event) => onChange(layerAmount({ mass_g: numberIn(event.target.value) }))}
      />
      <NumberField
        label="or share"
        value={shown(part.share)}
        onChange={(event) => onChange(layerAmount({ share: numberIn(event.target.value) }))}
      />
    </>
  );
}

/** One of the three is asked; with none the layer shares what is left. */
function layerAmount(amount: Partial<Part>): Partial<Part> {
  const given = Object.values(amount).some((value) => Number(value) > 0);
  return { thickness_mm: undefined, mass_g: undefined, share: undefined, ...(given ? amount : { share: 1 }) };
}

function FillingAmount({ part, at, onChange }: AmountProps) {
  return (
    <>
      <NumberField
        label="Each, ml"
        placeholder={part.mm || part.share_pct ? "" : "gives way"}
        value={shown(part.ml)}
        problem={at}
        onChange={(event) =>
          onChange({ ml: numberIn(event.target.value) || undefined, mm: undefined, share_pct: undefined })
        }
      />
      <NumberField
        label="or deep, mm"
        value={shown(part.mm)}
        onChange={(event) =>
          onChange({ mm: numberIn(event.target.value) || undefined, ml: undefined, share_pct: undefined })
        }
      />
      <NumberField
        label="or share, %"
        value={shown(part.share_pct)}
        onChange={(event) =>
          onChange({ share_pct: numberIn(event.target.value) || undefined, ml: undefined, mm: undefined })
        }
      />
      <NumberField
        label="Air whipped in, %"
        value={shown(part.overrun_pct)}
        onChange={(event) => onChange({ overrun_pct: numberIn(event.target.value) })}
      />
      <Choice
        label="It is"
        value={part.on_top ? "top" : part.lumps ? "lumps" : (part.texture ?? "soft")}
        onChange={(event) => {
          const { value } = event.target;
          const lumps = value === "lumps";
          const on_top = value === "top";
          const texture = lumps ? "crunchy" : on_top ? "soft" : (value as Part["texture"]);
          onChange({ lumps, on_top, texture, ...(on_top ? { mm: undefined, share_pct: undefined } : {}) });
        }}
      >
        <option value="soft">soft</option>
        <option value="firm">firm</option>
        <option value="crunchy">crunchy</option>
        <option value="lumps">whole pieces</option>
        <option value="top">piped on top</option>
      </Choice>
    </>
  );
}

function problemOf(problem: Schemas["Problem"] | null, list: string, position: number): string | null {
  const found = problem?.errors.find((error) => error.path.includes(list) && error.path.includes(position));
  return found ? `${found.message}: ${found.allowed}` : null;
}
