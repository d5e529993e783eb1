import type { Recipe, Schemas } from "../../api/client";

export type Step = Recipe["steps"][number];
export type Own = Schemas["OwnStep"];

/** The steps with one of the cook's own in the place of those that stand in an act. */
export function withStep(steps: readonly Step[], own: Own, step: Step): Step[] {
  const [first = steps.length] = own.steps;
  const kept = steps.filter((one, position) => one.place === "moved" || !own.steps.includes(position));
  return kept.toSpliced(first, 0, step);
}

/** The steps without those that stand in an act: ours counts again. */
export function withoutSteps(steps: readonly Step[], positions: readonly number[]): Step[] {
  return steps.filter((_, position) => !positions.includes(position));
}

/** The steps without the temperatures of those that stand in an act. */
export function withoutTemperature(steps: readonly Step[], own: Own): Step[] {
  return steps.map((step, position) => (own.steps.includes(position) ? { ...step, to_c: null } : step));
}

/** The steps with an act after another one: a step that was added says so itself, of an act of ours it is a step. */
export function withMove(steps: readonly Step[], own: Own, after: string): Step[] {
  if (own.is_added)
    return steps.map((step, position) =>
      own.steps.includes(position) ? { ...step, place: "after", act: after } : step,
    );
  const kept = steps.filter((step) => step.place !== "moved" || step.act !== own.act);
  return [...kept, { ...ownStep(own.act, "moved", ""), after }];
}

/** A step of the cook's own, about one of our acts. */
export function ownStep(act: string, place: NonNullable<Step["place"]>, text: string): Step {
  return { text, kind: null, to_c: null, minutes: null, ingredients: [], place, act, after: "" };
}
