import type { Schemas } from "../../api/client";
import type { Mark } from "./TraceChart";

type Run = Schemas["Run"];

/** A title within a sentence. */
export const lower = (title: string) => title.charAt(0).toLowerCase() + title.slice(1);

const STEP_MARKS = new Set(["warm", "boil", "join", "cool-still", "pour", "stir-in-cool", "late"]);

/** What is marked on a trace: the cook's own marks, and where the steps that matter began. */
export function marksOf(run: Run, startedMs: number): Mark[] {
  return run.events.flatMap(({ at, what }) => {
    const seconds = Math.max(0, (Date.parse(at) - startedMs) / 1000);
    if (what.kind === "mark") return [{ at: seconds, c: what.c, name: what.name }];
    if (what.kind !== "step" || !STEP_MARKS.has(what.key)) return [];
    const title = run.steps.find((step) => step.key === what.key)?.title ?? "";
    return [{ at: seconds, c: what.c, name: lower(title) }];
  });
}
