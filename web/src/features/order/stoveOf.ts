import type { Schemas } from "../../api/client";
import { placeOf } from "../../api/thread";

/** Address where a task is made at the Stove: in the amounts of its confection, where it serves no other. */
export const stoveOf = ({ recipe_id, confection_id, task }: Schemas["TaskState"]): string =>
  placeOf("stove", recipe_id ?? 0, task.for.length === 1 ? confection_id : null);
