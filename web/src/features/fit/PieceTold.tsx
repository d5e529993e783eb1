import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { client, dataOf, type Recipe } from "../../api/client";
import { containsText, costText, keepingText } from "../../units/told";
import { figure, mass, type Units } from "../../units/units";
import type { AskIn } from "./ask";
import type { Vessel } from "./scale";

type Props = { recipe: Recipe; vessel: Vessel; ask: AskIn | null; pieces: number | null; units: Units };

/** What is to be told of one piece of a fit: as of any confection, shell and coat counted in. */
export function PieceTold({ recipe, vessel, ask, pieces, units }: Props) {
  const { data: piece } = useQuery({
    queryKey: ["fit-piece", recipe, vessel, ask],
    enabled: ask !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/fit/piece", { body: { recipe, vessel, ask }, signal })),
  });
  if (!piece) return null;
  const { per_piece, keeping, cost } = piece;
  const told = [
    `${mass(per_piece.g, units)} ${pieces === null ? "in all" : "a piece"}, ${Math.round(per_piece.energy_kcal)} kcal`,
    per_piece.alcohol_g > 0.005 && `${figure(per_piece.alcohol_g)} g alcohol`,
    cost && `costs ${costText(cost)}`,
  ].filter(Boolean);
  return (
    <section aria-label="To tell of a piece" className="mt-3 border-line border-t pt-2 text-[0.9375rem]">
      <p>{told.join(", ")}.</p>
      <p>
        <b>{containsText(piece.allergens_named.map((one) => one.name))}.</b> Keeps {keepingText(keeping)}, by{" "}
        {keeping.part}; local food rules decide.
      </p>
      {piece.cautions.map((caution) => (
        <p key={caution.code} className="mt-1.5 rounded-md bg-copper-pale px-3 py-2 text-copper">
          {caution.message}
        </p>
      ))}
    </section>
  );
}
