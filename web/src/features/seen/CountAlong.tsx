import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf } from "../../api/client";
import { Button } from "../../ui/Button";
import { mass, useUnits } from "../../units/units";

const STALE_MS = 120_000;
const EVERY_MS = 700;
/** A spoon of something poured. */
const SPOON_G = 15;
/** Nearer than this it is all in. */
const ALL_IN_G = 1.5;

type Props = {
  name: string;
  grams: number;
  onDone: (grams: number) => void;
};

/** The dose poured by the scale, which counts along and says when to stop; or spoon by spoon. */
export function CountAlong({ name, grams, onDone }: Props) {
  const units = useUnits();
  const scales = useQuery({
    queryKey: ["scales"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/scales", { signal })),
    refetchInterval: EVERY_MS,
    staleTime: 0,
  });
  const [from, setFrom] = useState<number | null>(null);
  const [byHand, setByHand] = useState(0);
  const scale = scales.data?.scales[0];
  const isNow = scale !== undefined && Date.parse(scales.data?.now ?? "") - Date.parse(scale.at) < STALE_MS;
  const added = from !== null && isNow ? Math.max(0, scale.g - from) : byHand;
  const left = grams - added;
  const share = Math.min(1, added / grams);
  const isOver = left < -ALL_IN_G;
  const isIn = left <= ALL_IN_G && !isOver;
  return (
    <div className="mt-2 rounded-lg border-[1.5px] border-line-strong bg-ground p-3">
      <p aria-live="polite" className="font-display font-semibold text-[1.75rem] leading-tight">
        {isOver
          ? `Stop: ${mass(-left, units)} too much`
          : isIn
            ? "That is all of it"
            : `${mass(left, units)} ${added > 0 ? "more" : ""} ${name}`}
      </p>
      <svg
        viewBox="0 0 300 18"
        className="mt-1 block w-full"
        role="img"
        aria-label={`${Math.round(100 * share)} per cent is in`}
      >
        <rect x="0" y="4" width="300" height="10" className="fill-rim-faint" />
        <rect x="0" y="4" width={300 * share} height="10" className={isOver ? "fill-copper" : "fill-rim"} />
        <line x1="299" x2="299" y1="0" y2="18" className="stroke-soot" strokeWidth="2" />
      </svg>
      <p className="text-[0.9375rem] text-ash">
        {from !== null && isNow
          ? `The scale counts: ${mass(added, units)} of ${mass(grams, units)} are in.`
          : isNow
            ? "Put the bowl on the scale first; it counts from there. A spoon at a time, stirring."
            : "No scale speaks: count by spoons. A spoon at a time, stirring."}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {isNow && from === null && (
          <Button look="filled" className="min-h-16 text-[1.125rem]" onClick={() => setFrom(scale.g)}>
            Count on the scale
          </Button>
        )}
        {from === null && (
          <Button
            className="min-h-16 text-[1.0625rem]"
            disabled={isIn}
            onClick={() => setByHand((now) => Math.min(grams, now + Math.min(SPOON_G, grams - now)))}
          >
            A spoon is in
          </Button>
        )}
        <Button
          look={from !== null || isIn ? "filled" : "outlined"}
          className="min-h-16 text-[1.0625rem]"
          disabled={added <= 0}
          onClick={() => onDone(Math.round(added * 10) / 10)}
        >
          {isIn ? "It came together" : `It came together with ${mass(added, units)}`}
        </Button>
      </div>
    </div>
  );
}
