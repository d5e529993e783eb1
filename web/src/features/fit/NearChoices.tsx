import { useQuery } from "@tanstack/react-query";
import { client, dataOf, type Recipe } from "../../api/client";
import { Button } from "../../ui/Button";
import { length, type Units, useUnits } from "../../units/units";
import type { AskIn } from "./ask";
import type { FitAnswer, Vessel } from "./scale";

type Props = {
  recipe: Recipe;
  vessel: Vessel;
  ask: AskIn;
  onMass: (grams: number) => void;
  onPieces: (pieces: number) => void;
};

/** Whole packs, eggs and moulds near the ask, with what they do to it. */
export function NearChoices({ recipe, vessel, ask, onMass, onPieces }: Props) {
  const units = useUnits();
  const { data } = useQuery({
    queryKey: ["near", recipe, vessel, ask],
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/fit/near", {
          body: { recipe, vessel, ask },
          signal,
        }),
      ),
  });
  if (!data || data.choices.length === 0) return null;
  return (
    <section aria-label="Near choices" className="mt-3 border-line border-t pt-2 print:hidden">
      <h3 className="font-bold">Whole packs and moulds near it</h3>
      <ul>
        {data.choices.map((choice) => (
          <li key={choice.says} className="flex items-center gap-3 border-line border-b py-0.5">
            <span className="min-w-0 flex-1 text-[0.9375rem]">
              {choice.says}: {outcome(choice.fit, units)}
              <span className="text-ash">
                {" "}
                ({choice.change > 0 ? "+" : "−"}
                {Math.abs(choice.change * 100).toFixed(0)} %)
              </span>
            </span>
            <Button
              look="plain"
              aria-label={`Ask for ${choice.says}`}
              onClick={() =>
                choice.says.includes("mould") && choice.fit.pieces
                  ? onPieces(choice.fit.pieces)
                  : onMass(Number(choice.batch_g.toFixed(1)))
              }
            >
              Ask for that
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function outcome(fit: FitAnswer, units: Units): string {
  if (fit.thickness_mm !== null) return `${length(fit.thickness_mm, units)} thick`;
  if (fit.cake) return `a coat of ${length(fit.cake.coat_mm, units)}`;
  return `${fit.pieces} pieces`;
}
