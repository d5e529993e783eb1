import type { Recipe, Schemas } from "../../api/client";
import { decimal, fineMass, fixed, length, mass, type Units } from "../../units/units";
import type { FitAnswer, Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  fit: FitAnswer;
  recipe: Recipe;
  library: Schemas["LibraryOut"] | undefined;
  units: Units;
};

const count = (value: number, one: string, many: string) => `${value} ${value === 1 ? one : many}`;

/** The one sentence of a fit. */
export function FitSentence({ vessel, fit, units }: Pick<Props, "vessel" | "fit" | "units">) {
  return <Sentence lead={leadOf(vessel, fit, units)} tail={tailOf(fit, units)} />;
}

/** A sentence set large, its second half in blue. */
export function Sentence({ lead, tail }: { lead: string; tail: string | null }) {
  return (
    <h2
      aria-live="polite"
      className="min-h-[66px] font-display font-semibold text-[1.6875rem] leading-[1.15]"
    >
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

function leadOf(vessel: Vessel, fit: FitAnswer, units: Units): string {
  const batch = `Make ${mass(fit.batch_g, units)}`;
  if (fit.thickness_mm !== null) return `${batch}, ${length(fit.thickness_mm, units)} thick`;
  if (fit.cake) return `${batch} for the cake`;
  return vessel.kind === "mould" || vessel.kind === "cup" ? `${batch} of filling` : batch;
}

function tailOf(fit: FitAnswer, units: Units): string | null {
  if (fit.cake)
    return `${fineMass(fit.cake.filling_g, units)} to fill, ${fineMass(fit.cake.coat_g, units)} to coat ${length(fit.cake.coat_mm, units)}`;
  if (fit.pieces === null || fit.piece_g === null) return null;
  return `${count(fit.pieces, "piece", "pieces")} of ${fineMass(fit.piece_g, units)}`;
}

export type NameOf = (ingredient: Recipe["lines"][number]["ingredient"]) => string;

function nameIn(library: Props["library"]): NameOf {
  return (ingredient) =>
    typeof ingredient === "string"
      ? (library?.ingredients.find((row) => row.key === ingredient)?.name ?? ingredient)
      : ingredient.name;
}

type Weighed = Pick<FitAnswer, "amounts_g" | "scale">;

/** The grams of each line. */
export function ToWeigh({ fit, recipe, library, units }: Omit<Props, "vessel" | "fit"> & { fit: Weighed }) {
  const name = nameIn(library);
  return (
    <table className="w-full">
      <caption className="pt-1 pb-0.5 text-left text-[0.8125rem] text-ash">
        To weigh, {times(fit.scale)} the recipe
      </caption>
      <tbody>
        {recipe.lines.map((line, position) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position
          <tr key={position} className="border-line border-b">
            <th scope="row" className="text-left font-normal">
              {name(line.ingredient)}
            </th>
            <td className="whitespace-nowrap py-0.5 text-right font-bold text-[1.375rem]">
              {mass(fit.amounts_g[position] ?? 0, units)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Where everything that is made goes, and what one piece is. */
export function Account({ vessel, fit, library, units }: Omit<Props, "recipe">) {
  const { shell, later, drink } = fit;
  const [p = 0, q = 0] = fit.piece_mm ?? [];
  const [sx = 0, sy = 0] = fit.spacing_mm ?? [];
  const dipped = shell !== null && fit.cavity === null;
  const over = (value: number | null | undefined) => (value && value > 0.05 ? fineMass(value, units) : null);
  const rows: [string, string | null][] = [
    [
      `Ends in the ${vessel.kind === "pieces" || vessel.kind === "scoop" ? "pieces" : vessel.kind}`,
      fineMass(fit.filling_g, units),
    ],
    ["Boils off first", over(fit.evaporated_g)],
    ["Stays in bowl, bag and knife", fineMass(fit.loss_g, units)],
    ["Left over", over(fit.left_over_g)],
    ["Offcuts", fit.offcut_g === null ? null : fineMass(fit.offcut_g, units)],
    ["Cut", fit.grid ? `${fit.grid[0]} × ${fit.grid[1]}` : null],
    ["Each piece", fit.piece_mm ? `${length(p, units)} × ${length(q, units)}` : null],
    ["From one topping to the next", fit.grid ? `${length(sx, units)}, ${length(sy, units)}` : null],
    ["Ball across", fit.ball_mm === null ? null : length(fit.ball_mm, units)],
    ["Rolling coat of one", over(fit.rolling_g)],
    [dipped ? "Coat of one piece" : "Shell of one piece", shell ? fineMass(shell.shell_g, units) : null],
    ["Foot and drips of one", over(shell?.foot_g)],
    ["Cap of one piece", over(shell?.cap_g)],
    ["Filling of one piece", shell && !dipped ? fineMass(shell.fill_g, units) : null],
    ["Film in the seam of one", over(shell?.seam_g)],
    ["Halves", fit.halves === null ? null : String(fit.halves)],
    ["Spares among them", fit.spares ? String(fit.spares) : null],
    ["Foils or papers", vessel.kind === "mould" && fit.pieces ? String(fit.pieces) : null],
    ["Mould filled", vessel.kind === "mould" && fit.pours ? count(fit.pours, "time", "times") : null],
    ["Empty in the last pour", fit.spare_cavities ? count(fit.spare_cavities, "cavity", "cavities") : null],
    ["Mix in one piece", drink ? fineMass(drink.mix_g, units) : null],
    ["Cups of milk it flavours", drink?.cups ? fixed(drink.cups, 1) : null],
    [
      "Into the mug",
      drink?.fits_mug === false ? "it is wider than the mug" : drink?.fits_mug ? "it goes" : null,
    ],
    [
      dipped ? "Stays on those dipped now" : "Chocolate kept on all",
      shell ? fineMass(shell.total_g, units) : null,
    ],
    ["Chocolate to have melted", shell ? fineMass(shell.melt_g, units) : null],
    ["Dipped now", dipped && later ? String(shell.pieces) : null],
    ["Dipped later", later ? `${later.pieces}, melt ${fineMass(later.melt_g, units)} then` : null],
  ];
  const notes = shell
    ? [
        `${nameIn(library)(shell.ingredient)} for the ${dipped ? "coats" : "shells"}; what is melted and not kept ${dipped ? "stays in the bowl" : "drains back"}.`,
        ...fit.notes,
      ]
    : fit.notes;
  return (
    <div className="mt-3 border-line border-t pt-2">
      <dl className="gap-x-8 text-[0.9375rem] lg:columns-2">
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
      <p className="mt-1.5 text-[0.875rem]">{notes.join(" ")}</p>
      <p className="mt-1 text-[0.8125rem] text-ash">
        Volumes are exact for the shape; a mix weighs within 3.5 % of what is reckoned, shells as even as your
        hand.
      </p>
    </div>
  );
}

function times(scale: number): string {
  return `${decimal(scale, scale >= 10 ? 0 : 2)} ×`;
}
