import type { Schemas } from "../../api/client";

export type Making = Schemas["Making"];

/** How many days a making has left, in words. */
export function daysText(days: number): string {
  if (days < 0) return `${-days} ${days === -1 ? "day" : "days"} past its best`;
  if (days === 0) return "its last day";
  return `${days} ${days === 1 ? "day" : "days"} left`;
}

export const MOVE_WORDS: Record<string, string> = {
  eaten: "eaten",
  given: "given",
  "thrown-away": "thrown away",
  frozen: "into the freezer",
  thawed: "out of the freezer",
};
