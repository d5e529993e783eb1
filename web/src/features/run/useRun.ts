import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Schemas } from "../../api/client";
import { withEvents } from "../../api/echo";
import { useHeld } from "../../api/outbox";
import { batchQueries } from "../../api/queries";

/** How often one looks what another device did in the same run. */
export const FOLLOW_MS = 5000;

/** A run with all that happened, also what this browser has not sent yet. */
export function useRun(batch: number) {
  const held = useHeld();
  const { data, error } = useQuery({
    ...batchQueries.one(batch),
    enabled: Number.isInteger(batch),
    staleTime: 0,
    refetchInterval: FOLLOW_MS,
  });
  const run = useMemo(() => {
    if (!data) return undefined;
    const waiting = held.flatMap((entry) =>
      entry.kind === "event" && entry.batch === batch ? [entry.event] : [],
    );
    return withEvents(data, waiting);
  }, [data, held, batch]);
  return { run, error };
}

type Live = Schemas["Live"];

/** What is happening, carried on by its own forecast for `lostS` in which the server did not answer. */
export function carriedOn(live: Live, lostS: number): Live {
  const { forecast } = live;
  if (lostS <= 0 || forecast?.in_s == null) return live;
  const later = (s: number | null) => (s === null ? null : s - lostS);
  const left = forecast.in_s - lostS;
  const isCalled = live.timed && forecast.phase !== "to-boil" && left <= 0;
  return {
    ...live,
    urgent: live.urgent || isCalled,
    forecast: {
      ...forecast,
      due: forecast.due || isCalled,
      in_s: Math.max(0, left),
      low_s: later(forecast.low_s),
      high_s: later(forecast.high_s),
      end_low_s: later(forecast.end_low_s),
      end_high_s: later(forecast.end_high_s),
      curve: forecast.curve.map(([s = 0, c = 0]) => [s - lostS, c]).filter(([s = 0]) => s >= 0),
    },
  };
}
