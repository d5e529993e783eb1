import type { Schemas } from "../../api/client";

/** Where a task is made at the Stove: in the amounts of its confection, where it serves no other. */
export const stoveOf = ({ recipe_id, confection_id, task }: Schemas["TaskState"]): string =>
  task.for.length === 1 && confection_id !== null
    ? `/recipes/${recipe_id}/stove?for=${confection_id}`
    : `/recipes/${recipe_id}/stove`;
