import type { Schemas } from "../../api/client";

export type Making = Schemas["Making"];

/** How many days a making has left, in words. */
export function daysText(days: number): string {
  if (days < 0) return `${-days} ${days === -1 ? "day" : "days"} past its best`;
  if (days === 0) return "its last day";
  return `${days} ${days === 1 ? "day" : "days"} left`;
}

/** A day as the person's own locale writes it. */
export function dayText(day: string): string {
  return new Date(`${day}T12:00:00`).toLocaleDateString(undefined, { day: "numeric", month: "long" });
}

export const MOVE_WORDS: Record<string, string> = {
  eaten: "eaten",
  given: "given",
  "thrown-away": "thrown away",
  frozen: "into the freezer",
  thawed: "out of the freezer",
};
