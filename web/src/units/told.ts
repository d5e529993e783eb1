import type { Schemas } from "../api/client";
import { fixed } from "./units";

type Keeping = Pick<Schemas["KeepingAnswer"], "where" | "days_low" | "days_high">;

/** Days and place, as they are spoken. */
export function keepingText({ where, days_low, days_high }: Keeping): string {
  const place =
    { fridge: "in the fridge", cool: "in a cool place", room: "at room temperature" }[where] ?? where;
  return `${days_low} to ${days_high} days ${place}`;
}

/** What a thing holds for those who may not eat it. */
export function containsText(names: readonly string[], what = "it"): string {
  return names.length > 0 ? `Contains ${names.join(", ")}` : `No allergen that ${what} is known for`;
}

/** What one costs; where something in it has no price it costs at least that. */
export function costText({ per_piece, unpriced }: Schemas["PieceCost"]): string {
  return `${fixed(per_piece, 2)}${unpriced.length > 0 ? " at least" : ""}`;
}
