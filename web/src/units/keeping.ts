import type { Schemas } from "../api/client";

type Keeping = Pick<Schemas["KeepingAnswer"], "where" | "days_low" | "days_high">;

/** Days and place, as they are spoken. */
export function keepingText({ where, days_low, days_high }: Keeping): string {
  const place =
    { fridge: "in the fridge", cool: "in a cool place", room: "at room temperature" }[where] ?? where;
  return `${days_low} to ${days_high} days ${place}`;
}
