import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { length, mass, type Units } from "../../units/units";
import type { AskIn } from "./ask";
import type { FitAnswer } from "./scale";

type Props = {
  recipe: Recipe;
  fit: FitAnswer;
  ask: AskIn;
  chosen: number | null;
  vessels: Schemas["StoredVessel"][];
  units: Units;
  onTake: (id: number, part: { mass_g: string; thickness_mm: string }) => void;
};

/** Which of one's vessels suits this batch, and what the same depth takes in another. */
export function OtherVessels({ recipe, fit, ask, chosen, vessels, units, onTake }: Props) {
  const [open, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: ["other-vessels", recipe, fit.batch_g, fit.thickness_mm, ask],
    enabled: open,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/fit/vessels", {
          body: { recipe, batch_g: fit.batch_g, depth_mm: fit.thickness_mm, ask },
          signal,
        }),
      ),
  });
  return (
    <details
      className="border-line border-t print:hidden"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-11 cursor-pointer py-2.5 font-bold text-rim">
        What other vessel suits this batch?
      </summary>
      <ul>
        {data?.vessels
          .filter((row) => row.vessel_id !== chosen)
          .map((row) => (
            <li
              key={row.vessel_id}
              className="flex flex-wrap items-center gap-x-3 border-line border-b py-0.5 text-[0.9375rem]"
            >
              <span className="min-w-0 flex-1">
                <b dir="auto" className="font-bold">
                  {vessels.find((stored) => stored.id === row.vessel_id)?.name}
                </b>
                : {row.says}
              </span>
              {row.fits && (
                <Button
                  look="plain"
                  onClick={() => onTake(row.vessel_id, { mass_g: fit.batch_g.toFixed(1), thickness_mm: "" })}
                >
                  Put it there
                </Button>
              )}
              {row.same_depth_g !== null && fit.thickness_mm !== null && (
                <Button
                  look="plain"
                  onClick={() =>
                    onTake(row.vessel_id, {
                      mass_g: "",
                      thickness_mm: Number(fit.thickness_mm?.toFixed(2)).toString(),
                    })
                  }
                >
                  {length(fit.thickness_mm, units)} deep there: {mass(row.same_depth_g, units)}
                </Button>
              )}
            </li>
          ))}
      </ul>
    </details>
  );
}
