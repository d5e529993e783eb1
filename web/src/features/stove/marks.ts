import type { Schemas } from "../../api/client";
import type { Mark } from "./TraceChart";

type Run = Schemas["RunOut"];

/** A title within a sentence. */
export const lower = (title: string) => title.charAt(0).toLowerCase() + title.slice(1);

const STEP_MARKS = new Set(["warm", "boil", "join", "cool-still", "pour", "stir-in-cool", "late"]);

/** What is marked on a trace: the cook's own marks, and where the steps that matter began. */
export function marksOf(run: Run, startedMs: number): Mark[] {
  return run.events
    .filter(
      (event) => event.kind === "mark" || (event.kind === "step" && STEP_MARKS.has(String(event.data.key))),
    )
    .map((event) => ({
      at: Math.max(0, (Date.parse(event.at) - startedMs) / 1000),
      c: typeof event.data.c === "number" ? event.data.c : null,
      name:
        event.kind === "mark"
          ? String(event.data.name)
          : lower(run.steps.find((step) => step.key === event.data.key)?.title ?? ""),
    }));
}
