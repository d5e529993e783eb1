import type { Recipe, Schemas } from "../../api/client";
import { mass, type Units } from "../../units/units";
import type { FitAnswer, Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  fit: FitAnswer;
  recipe: Recipe;
  library: Schemas["LibraryOut"] | undefined;
  units: Units;
};

const mm = (value: number) => `${Number(value.toFixed(1))} mm`;
const count = (value: number, one: string, many: string) => `${value} ${value === 1 ? one : many}`;

/** The one sentence of a fit. */
export function FitSentence({ vessel, fit, units }: Pick<Props, "vessel" | "fit" | "units">) {
  const pieces = fit.pieces === null ? null : count(fit.pieces, "piece", "pieces");
  const tail = pieces && fit.piece_g !== null ? `${pieces} of ${grams(fit.piece_g)}` : null;
  const lead =
    vessel.kind === "pan"
      ? `Make ${mass(fit.batch_g, units)}, ${mm(fit.thickness_mm ?? 0)} thick`
      : `Make ${mass(fit.batch_g, units)} of filling`;
  return (
    <h2 aria-live="polite" className="min-h-[66px] font-display font-semibold text-[27px] leading-[1.15]">
      {lead}
      {tail && (
        <>
          , <br />
          <span className="text-rim">{tail}</span>
        </>
      )}
    </h2>
  );
}

const grams = (value: number) => `${value >= 100 ? value.toFixed(0) : value.toFixed(1)} g`;

type NameOf = (ingredient: Recipe["lines"][number]["ingredient"]) => string;

function nameIn(library: Props["library"]): NameOf {
  return (ingredient) =>
    typeof ingredient === "string"
      ? (library?.ingredients.find((row) => row.key === ingredient)?.name ?? ingredient)
      : ingredient.name;
}

/** The grams of each line. */
export function ToWeigh({ fit, recipe, library, units }: Omit<Props, "vessel">) {
  const name = nameIn(library);
  return (
    <table className="w-full">
      <caption className="pt-1 pb-0.5 text-left text-[13px] text-ash">
        To weigh, {times(fit.scale)} the recipe
      </caption>
      <tbody>
        {recipe.lines.map((line, position) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position
          <tr key={position} className="border-line border-b">
            <th scope="row" className="text-left font-normal">
              {name(line.ingredient)}
            </th>
            <td className="whitespace-nowrap py-0.5 text-right font-bold text-[22px]">
              {mass(fit.amounts_g[position] ?? 0, units)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Where everything that is made goes, and what one piece is. */
export function Account({ vessel, fit, library }: Pick<Props, "vessel" | "fit" | "library">) {
  const { shell } = fit;
  const [p = 0, q = 0] = fit.piece_mm ?? [];
  const rows: [string, string | null][] = [
    [`Ends in the ${vessel.kind}`, grams(fit.filling_g)],
    ["Stays in bowl, bag and knife", grams(fit.loss_g)],
    ["Left over", fit.left_over_g > 0.05 ? grams(fit.left_over_g) : null],
    ["Offcuts", fit.offcut_g === null ? null : grams(fit.offcut_g)],
    ["Cut", fit.grid ? `${fit.grid[0]} × ${fit.grid[1]}` : null],
    ["Each piece", fit.piece_mm ? `${mm(p)} × ${mm(q)}` : null],
    ["Shell of one piece", shell ? grams(shell.shell_g) : null],
    ["Cap of one piece", shell && shell.cap_g > 0 ? grams(shell.cap_g) : null],
    ["Filling of one piece", shell ? grams(shell.fill_g) : null],
    ["Halves", fit.halves === null ? null : String(fit.halves)],
    ["Mould filled", vessel.kind === "mould" && fit.pours ? count(fit.pours, "time", "times") : null],
    ["Chocolate kept on all", shell ? grams(shell.total_g) : null],
    ["Chocolate to have melted", shell ? grams(shell.melt_g) : null],
  ];
  const notes = shell
    ? [
        `${nameIn(library)(shell.ingredient)} for the shells; what is melted and not kept drains back.`,
        ...fit.notes,
      ]
    : fit.notes;
  return (
    <div className="mt-3 border-line border-t pt-2">
      <dl className="gap-x-8 text-[15px] md:columns-2">
        {rows.map(
          ([term, value]) =>
            value && (
              <div key={term} className="flex justify-between gap-4 py-0.5">
                <dt className="text-ash">{term}</dt>
                <dd className="whitespace-nowrap">{value}</dd>
              </div>
            ),
        )}
      </dl>
      <p className="mt-1.5 text-[14px]">{notes.join(" ")}</p>
      <p className="mt-1 text-[13px] text-ash">
        Volumes are exact for the shape; a mix weighs within 3.5 % of what is reckoned, shells as even as your
        hand.
      </p>
    </div>
  );
}

function times(scale: number): string {
  return `${scale >= 10 ? scale.toFixed(0) : Number(scale.toFixed(2))} ×`;
}
