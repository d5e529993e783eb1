import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { LengthField } from "../../ui/LengthField";
import { NumberField } from "../../ui/NumberField";
import { numberIn } from "../../units/units";

export type Layer = Schemas["KeptLayer"];
export type Filling = Schemas["KeptFilling"];
type Part = Layer | Filling;
type Props<P extends Part> = {
  kind: "layer" | "filling";
  parts: P[];
  recipeId: number;
  problem: Schemas["Problem"] | null;
  /** The amount of what is added: as the first, beside the recipe itself, or as one more. */
  start: P["amount"];
  added: P["amount"];
  onChange: (parts: P[]) => void;
  children: (props: AmountProps<P>) => React.ReactNode;
};

const MOST = { layer: 6, filling: 4 };
const WORDS = {
  layer: { add: "Add a layer", first: "at the base", last: "on top" },
  filling: { add: "Add a filling", first: "at the mould's floor", last: "under the cap" },
};

/** Several recipes in one vessel: layers of a slab, or fillings stacked in a cavity. */
function SeveralRecipes<P extends Part>(props: Props<P>) {
  const { kind, parts, recipeId, problem, start, added, onChange, children } = props;
  const { data } = useQuery(recipeQueries.list);
  const recipes = data?.recipes ?? [];
  const change = (position: number, part: Partial<P>) =>
    onChange(parts.map((row, at) => (at === position ? { ...row, ...part } : row)));
  const add = () => {
    const other = recipes.find((row) => row.id !== recipeId)?.id ?? recipeId;
    const first = { recipe_id: recipeId, amount: start } as P;
    onChange([...(parts.length > 0 ? parts : [first]), { recipe_id: other, amount: added } as P]);
  };
  const swap = (position: number) => {
    const moved = [...parts];
    moved.splice(position - 1, 2, parts[position] as P, parts[position - 1] as P);
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
                  onChange={(event) =>
                    change(position, { recipe_id: Number(event.target.value) } as Partial<P>)
                  }
                >
                  {recipes.map((row) => (
                    <option key={row.id} value={row.id}>
                      {row.name}
                    </option>
                  ))}
                </Choice>
              </div>
              {children({
                amount: part.amount,
                at: problemOf(problem, `${kind}s`, position),
                onAmount: (amount) =>
                  change(position, { amount: { ...part.amount, ...amount } } as Partial<P>),
              })}
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

type AmountProps<P extends Part> = {
  amount: P["amount"];
  at: string | null;
  onAmount: (amount: Partial<P["amount"]>) => void;
};
const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);
const typed = (text: string) => numberIn(text) || null;

const NO_LAYER: Layer["amount"] = { thickness_mm: null, mass_g: null, share: null };
const A_SHARE: Layer["amount"] = { ...NO_LAYER, share: 1 };

type LayersProps = Pick<Props<Layer>, "parts" | "recipeId" | "problem" | "onChange">;

/** Layers of a slab; one of which nothing is said shares what is left. */
export function Layers(props: LayersProps) {
  return (
    <SeveralRecipes {...props} kind="layer" start={A_SHARE} added={A_SHARE}>
      {({ amount, at, onAmount }) => {
        const only = (name: keyof Layer["amount"], text: string) => {
          const value = typed(text);
          onAmount(value ? { ...NO_LAYER, [name]: value } : A_SHARE);
        };
        return (
          <>
            <LengthField
              label="Thick"
              placeholder={amount.mass_g ? "" : "the rest"}
              value={shown(amount.thickness_mm)}
              problem={at}
              onLength={(mm) => only("thickness_mm", mm)}
            />
            <NumberField
              label="or use up, g"
              value={shown(amount.mass_g)}
              onChange={(event) => only("mass_g", event.target.value)}
            />
            <NumberField
              label="or share"
              value={shown(amount.share)}
              onChange={(event) => only("share", event.target.value)}
            />
          </>
        );
      }}
    </SeveralRecipes>
  );
}

const GIVES_WAY: Filling["amount"] = {
  ml: null,
  mm: null,
  share_pct: null,
  on_top: false,
  overrun_pct: null,
  texture: "soft",
  lumps: false,
};

type FillingsProps = Pick<Props<Filling>, "parts" | "recipeId" | "problem" | "onChange">;

/** Fillings stacked in a cavity or cup; one of which nothing is said gives way. */
export function Fillings(props: FillingsProps) {
  return (
    <SeveralRecipes {...props} kind="filling" start={GIVES_WAY} added={{ ...GIVES_WAY, ml: 1 }}>
      {({ amount, at, onAmount }) => {
        const only = (name: "ml" | "mm" | "share_pct", text: string) =>
          onAmount({ ml: null, mm: null, share_pct: null, [name]: typed(text) });
        return (
          <>
            <NumberField
              label="Each, ml"
              placeholder={amount.mm || amount.share_pct ? "" : "gives way"}
              value={shown(amount.ml)}
              problem={at}
              onChange={(event) => only("ml", event.target.value)}
            />
            <LengthField label="or deep" value={shown(amount.mm)} onLength={(mm) => only("mm", mm)} />
            <NumberField
              label="or share, %"
              value={shown(amount.share_pct)}
              onChange={(event) => only("share_pct", event.target.value)}
            />
            <NumberField
              label="Air whipped in, %"
              value={shown(amount.overrun_pct)}
              onChange={(event) => onAmount({ overrun_pct: numberIn(event.target.value) ?? null })}
            />
            <Choice
              label="It is"
              value={amount.on_top ? "top" : amount.lumps ? "lumps" : amount.texture}
              onChange={(event) => onAmount(bodyOf(event.target.value))}
            >
              <option value="soft">soft</option>
              <option value="firm">firm</option>
              <option value="crunchy">crunchy</option>
              <option value="lumps">whole pieces</option>
              <option value="top">piped on top</option>
            </Choice>
          </>
        );
      }}
    </SeveralRecipes>
  );
}

/** What a filling is: whole pieces are crunchy, what is piped on top is soft and goes by ml. */
function bodyOf(value: string): Partial<Filling["amount"]> {
  if (value === "lumps") return { lumps: true, on_top: false, texture: "crunchy" };
  if (value === "top") return { lumps: false, on_top: true, texture: "soft", mm: null, share_pct: null };
  return { lumps: false, on_top: false, texture: value as Filling["amount"]["texture"] };
}

function problemOf(problem: Schemas["Problem"] | null, list: string, position: number): string | null {
  const found = problem?.errors.find((error) => error.path.includes(list) && error.path.includes(position));
  return found ? `${found.message}: ${found.allowed}` : null;
}
