import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { mass, type Units } from "../../units/units";
import { Outline } from "../fit";
import type { Asked } from "./words";

type Props = {
  asked: Asked;
  vessels: Schemas["StoredVessel"][];
  units: Units;
  onUse: (asked: Asked) => void;
};

/** What the same batch makes of the other tins and moulds, the best suited first. */
export function OtherVessels({ asked, vessels, units, onUse }: Props) {
  const [open, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: ["other-vessels", asked],
    enabled: open,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/confections/vessels", { body: asked, signal })),
  });
  return (
    <details
      className="mt-2 border-line border-t print:hidden"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-11 cursor-pointer py-2.5 font-bold text-rim">
        Other tins and moulds that would fit
      </summary>
      <ul>
        {data?.vessels.map((row) => {
          const stored = vessels.find((one) => one.id === row.vessel_id);
          const { asked: there, as_deep } = row;
          return (
            stored && (
              <li
                key={row.vessel_id}
                className="flex flex-wrap items-center gap-x-3 border-line border-b py-0.5 text-[0.9375rem]"
              >
                <Outline vessel={stored.vessel} />
                <span className="min-w-0 flex-1">
                  <b dir="auto">{stored.name}</b>: {row.says}
                </span>
                {there && (
                  <Button look="plain" aria-label={`Use ${stored.name}`} onClick={() => onUse(there)}>
                    Use {NOUNS[stored.vessel.kind] ?? "this"}
                  </Button>
                )}
                {as_deep && row.as_deep_g !== null && (
                  <Button
                    look="plain"
                    aria-label={`Same depth in ${stored.name}: ${mass(row.as_deep_g, units)}`}
                    onClick={() => onUse(as_deep)}
                  >
                    Same depth: {mass(row.as_deep_g, units)}
                  </Button>
                )}
              </li>
            )
          );
        })}
      </ul>
    </details>
  );
}

const NOUNS: Readonly<Record<string, string>> = {
  pan: "this tin",
  mould: "this mould",
  cup: "these cups",
  scoop: "this scoop",
  pieces: "this size",
};
