import type { Schemas } from "../../api/client";
import { fineMass, type Units } from "../../units/units";

/** What goes in at a task, with its weights. */
export function takesText(takes: Schemas["TaskAnswer"]["takes"] | undefined, units: Units): string {
  return (takes ?? []).map((take) => `${fineMass(take.g, units)} ${take.name}`).join(", ");
}
