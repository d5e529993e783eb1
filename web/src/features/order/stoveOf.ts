import type { Schemas } from "../../api/client";
import { placeOf, stoveOf as stoveFor } from "../../api/thread";

/** Address where a task of an occasion is made at the Stove: in the occasion's number, where it serves no other; null
 * for what is done elsewhere. */
export function stoveOf(occasion: number, { recipe_id, confection_id, task }: Schemas["TaskState"]) {
  const isOfOne = task.for.length === 1 && confection_id !== null && task.acts.length > 0;
  if (!isOfOne) return recipe_id === null ? null : placeOf("stove", recipe_id, null);
  if (recipe_id === null) return `${stoveFor(confection_id)}?occasion=${occasion}`;
  return `${placeOf("stove", recipe_id, confection_id)}&occasion=${occasion}`;
}
