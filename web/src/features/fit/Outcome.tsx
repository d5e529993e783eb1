import type { ReactNode } from "react";
import type { Recipe, Schemas } from "../../api/client";
import { mass, type Units } from "../../units/units";
import type { FitAnswer, Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  fit: FitAnswer;
  recipe: Recipe;
  library: Schemas["LibraryOut"] | undefined;
  units: Units;
  take: ReactNode;
};

const mm = (value: number) => `${Number(value.toFixed(1))} mm`;
const count = (value: number, one: string, many: string) => `${value} ${value === 1 ? one : many}`;

/** The one sentence of a fit. */
export function FitSentence({ vessel, fit, units }: Pick<Props, "vessel" | "fit" | "units">) {
  const pieces = fit.pieces === null ? null : count(fit.pieces, "piece", "pieces");
  const tail = pieces && fit.piece_g !== null ? `${pieces} of ${grams(fit.piece_g)}` : null;
  const lead =
    vessel.kind === "pan"
      ? `${mass(fit.batch_g, units)} stand ${mm(fit.thickness_mm ?? 0)} thick`
      : `${mass(fit.batch_g, units)} of filling`;
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

/** The grams of each line, and where the rest goes: everything made is accounted for. */
export function Outcome({ vessel, fit, recipe, library, units, take }: Props) {
  const name = (ingredient: Recipe["lines"][number]["ingredient"]) =>
    typeof ingredient === "string"
      ? (library?.ingredients.find((row) => row.key === ingredient)?.name ?? ingredient)
      : ingredient.name;
  const { shell } = fit;
  return (
    <div>
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
      {take}
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 text-[15px]">
        <Row term="Ends in the vessel" value={grams(fit.filling_g)} />
        <Row term="Stays in bowl, bag and knife" value={grams(fit.loss_g)} />
        {fit.left_over_g > 0.05 && <Row term="Left over" value={grams(fit.left_over_g)} />}
        {fit.offcut_g !== null && <Row term="Offcuts" value={grams(fit.offcut_g)} />}
        {fit.grid && <Row term="Cut" value={`${fit.grid[0]} × ${fit.grid[1]}`} />}
        {fit.piece_mm && (
          <Row term="Each piece" value={`${mm(fit.piece_mm[0] ?? 0)} × ${mm(fit.piece_mm[1] ?? 0)}`} />
        )}
        {shell && (
          <>
            <Row
              term="One piece"
              value={[
                `${grams(shell.shell_g)} shell`,
                shell.cap_g > 0 ? `${grams(shell.cap_g)} cap` : null,
                `${grams(shell.fill_g)} filling`,
              ]
                .filter(Boolean)
                .join(" + ")}
            />
            <Row term={`${name(shell.ingredient)}, kept on all`} value={grams(shell.total_g)} />
            <Row term="to have melted (the rest drains back)" value={grams(shell.melt_g)} />
          </>
        )}
        {fit.halves !== null && <Row term="Halves" value={String(fit.halves)} />}
        {vessel.kind === "mould" && fit.pours !== null && (
          <Row term="Mould filled" value={count(fit.pours, "time", "times")} />
        )}
      </dl>
      {fit.notes.map((note) => (
        <p key={note} className="mt-2 text-[14px]">
          {note}
        </p>
      ))}
      <p className="mt-2 text-[13px] text-ash">
        Volumes are exact for the shape; a mix weighs within 3.5 % of what is reckoned, shells as even as your
        hand.
      </p>
    </div>
  );
}

function times(scale: number): string {
  return `${scale >= 10 ? scale.toFixed(0) : Number(scale.toFixed(2))} ×`;
}

function Row({ term, value }: { term: string; value: string }) {
  return (
    <>
      <dt className="text-ash">{term}</dt>
      <dd className="text-right">{value}</dd>
    </>
  );
}
