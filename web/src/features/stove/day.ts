import type { Schemas } from "../../api/client";
import { isLeft } from "./left";
import type { RunAct } from "./useLine";

export type RunDay = Schemas["RunDay"];
export type DayTask = Schemas["DayTask"];

/** The task of the day that an act of a confection stands in. */
export function taskOf(day: RunDay | null, confection: number | null, act: RunAct | undefined) {
  const isOfIt = (task: DayTask) =>
    task.confection_id === confection && task.acts.includes(act?.act_id ?? "");
  return day?.tasks.find(isOfIt) ?? null;
}

/** What the running order has hands do next, if that is another confection's: null where the run goes on by itself. */
export function nextElsewhere(
  day: RunDay | null,
  confection: number | null,
  here: RunAct | undefined,
  next: RunAct | null,
): DayTask | null {
  const now = taskOf(day, confection, here);
  if (!day || !now) return null;
  if (next && now.acts.includes(next.act_id)) return null;
  const then = day.tasks.find(
    (task) => task !== now && task.attended && task.state !== "done" && !isLeft(task),
  );
  return then && then.confection_id !== confection && then.recipe_id !== null ? then : null;
}

/** An act of the day's task, as a run goes to it. */
export const placeIn = (day: RunDay, task: DayTask) => ({
  ...task,
  occasion_id: day.occasion_id,
  state: task.state === "running" ? ("now" as const) : task.state,
});
