import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { containsText, costText, keepingText } from "../../units/told";
import { figure, figureOfLength, length, mass, type Units } from "../../units/units";
import { type Answer, ROLE_WORDS } from "./words";

type Props = {
  answer: Answer;
  cost: Schemas["PieceCost"] | null;
  units: Units;
};
type WeighProps = Omit<Props, "cost"> & {
  nameOf: (key: string) => string;
  /** What can be done with the amounts of a part, by its place. */
  action?: (position: number) => ReactNode;
};

/** Amounts to weigh and to melt, part by part. */
export function ToWeigh({ answer, nameOf, units, action }: WeighProps) {
  return (
    <div>
      <h2 className="font-bold text-lg">To weigh</h2>
      {answer.parts.map((part, position) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the order of making
          key={position}
          className="mt-1"
        >
          <p className="flex justify-between gap-3 text-[0.9375rem] text-ash">
            <span dir="auto">
              {ROLE_WORDS[part.role]}: {part.name}
            </span>
            {part.weigh.length > 1 && <span className="whitespace-nowrap">{mass(part.make_g, units)}</span>}
          </p>
          <ul>
            {part.weigh.map((row) => (
              <li key={row.ingredient} className="flex justify-between gap-3 border-line border-b py-0.5">
                <span dir="auto">{nameOf(row.ingredient)}</span>
                <b className="whitespace-nowrap text-[1.25rem]">{mass(row.amount_g, units)}</b>
              </li>
            ))}
          </ul>
          {action?.(position)}
        </div>
      ))}
      {answer.chocolate.length > 0 && (
        <>
          <h2 className="mt-3 font-bold text-lg">Chocolate to melt</h2>
          <ul>
            {answer.chocolate.map((row) => (
              <li key={row.ingredient} className="border-line border-b py-0.5">
                <span className="flex justify-between gap-3">
                  <span>{nameOf(row.ingredient)}</span>
                  <b className="whitespace-nowrap text-[1.25rem]">{mass(row.melt_g, units)}</b>
                </span>
                {row.back_g > 0.5 && (
                  <span className="block text-[0.875rem] text-ash">
                    {mass(row.kept_g, units)} on the pieces, {mass(row.back_g, units)} left in the bowl
                  </span>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** What follows for the one who eats and keeps it. */
export function WhatFollows({ answer, cost, units }: Props) {
  const { per_piece: piece } = answer;
  const sum = (name: "evaporated_g" | "loss_g") =>
    answer.parts.reduce((total, part) => total + part[name], 0);
  const over = (grams: number) => (grams > 0.05 ? mass(grams, units) : null);
  const [along, across] = answer.piece_mm ?? [];
  return (
    <div>
      <h2 className="font-bold text-lg">Keeps {keepingText(answer.keeping)}</h2>
      <p className="text-[0.9375rem] text-ash">
        Limited by {answer.keeping.part}: {answer.keeping.because}. A guide for home use; local food rules
        decide.
      </p>
      <h2 className="mt-3 font-bold text-lg">{containsText(answer.allergens)}</h2>
      {answer.not_known.length > 0 && (
        <p className="rounded bg-butter px-2 py-1">
          Incomplete: {answer.not_known.join(", ")} {answer.not_known.length === 1 ? "is" : "are"} unknown.
          Confirm {answer.not_known.length === 1 ? "it" : "them"} in the recipe.
        </p>
      )}
      <ul className="text-[0.9375rem]">
        {answer.allergens_named.map((row) => (
          <li key={`${row.group}${row.name}`} className="border-line border-b py-0.5">
            <b>{row.name}</b> <span className="text-ash">from {row.from.join(", ")}</span>
          </li>
        ))}
      </ul>
      <dl className="mt-3 text-[0.9375rem]">
        {(
          [
            ["A piece weighs", mass(piece.g, units)],
            ["Energy", `${Math.round(piece.energy_kcal)} kcal`],
            ["Sugar", mass(piece.sugar_g, units)],
            ["Fat", mass(piece.fat_g, units)],
            ["Alcohol", piece.alcohol_g > 0.005 ? `${figure(piece.alcohol_g)} g` : null],
            ["A piece costs", cost ? costText(cost) : null],
            [
              "Each piece, cut",
              along === undefined || across === undefined
                ? null
                : `${figureOfLength(along, units)} × ${length(across, units)}`,
            ],
            ["Mould filled", answer.pours === null ? null : timesText(answer.pours)],
            ["Boils off", over(sum("evaporated_g"))],
            ["Stays in bowl, bag and knife", over(sum("loss_g"))],
            ...answer.extras.map((extra): [string, string] => [
              `${extra.name}, to have ready`,
              String(extra.count),
            ]),
            ...answer.left_over.map((row): [string, string] => [
              `Left of ${row.name}`,
              `${mass(row.g, units)}${row.would_make > 0 ? `, ${row.would_make} more` : ""}`,
            ]),
          ] as [string, string | null][]
        ).map(
          ([term, value]) =>
            value && (
              <div key={term} className="flex justify-between gap-4 border-line border-b py-0.5">
                <dt dir="auto">{term}</dt>
                <dd className="whitespace-nowrap font-bold">{value}</dd>
              </div>
            ),
        )}
      </dl>
      {answer.cautions.map((caution) => (
        <p
          key={caution.code}
          className="mt-2 rounded-md bg-copper-pale px-3 py-2 text-[0.9375rem] text-copper"
        >
          {caution.message}
        </p>
      ))}
      {answer.notes.map((note) => (
        <p key={note} className="mt-2 text-[0.9375rem] text-ash">
          {note}
        </p>
      ))}
    </div>
  );
}

const timesText = (count: number) => (count === 1 ? "once" : `${count} times`);
