import { expect, it } from "vitest";
import { ownStep, withMove, withoutSteps, withoutTemperature, withStep } from "./ownSteps";

const STEPS = ["Chop.", "Boil to 118 °C.", "Keep it boiling.", "Pour."].map((text, at) => ({
  ...ownStep("", "instead", text),
  to_c: at === 1 ? 118 : null,
}));
const BOIL = {
  act: "boil",
  steps: [1, 2],
  is_added: false,
  may_leave_out: false,
  earlier: null,
  later: null,
};

it("one step of one's own takes the place of all that stood in an act", () => {
  const found = withStep(STEPS, BOIL, ownStep("boil", "instead", "Boil it my way."));
  expect(found.map((step) => step.text)).toEqual(["Chop.", "Boil it my way.", "Pour."]);
});

it("a step about an act that had none comes last, and goes again", () => {
  const found = withStep(STEPS, { ...BOIL, steps: [] }, ownStep("tap", "left-out", "Tap"));
  expect(found.at(-1)?.act).toBe("tap");
  expect(withoutSteps(found, [4])).toEqual(STEPS);
});

it("the usual temperature comes back without losing a word", () => {
  const found = withoutTemperature(STEPS, BOIL);
  expect(found.map((step) => step.to_c)).toEqual([null, null, null, null]);
  expect(found.map((step) => step.text)).toEqual(STEPS.map((step) => step.text));
});

it("an act of ours is moved once, and keeps its place when it is put in other words", () => {
  const once = withMove(STEPS, { ...BOIL, act: "roast" }, "weigh");
  const again = withMove(once, { ...BOIL, act: "roast" }, "warm");
  expect(again.slice(STEPS.length)).toEqual([{ ...ownStep("roast", "moved", ""), after: "warm" }]);
  const worded = withStep(again, { ...BOIL, steps: [4] }, ownStep("roast", "instead", "Roast them dark."));
  expect(worded.map((step) => step.place)).toContain("moved");
});

it("a step of one's own goes where it is moved to, with its words", () => {
  const found = withMove(STEPS, { ...BOIL, steps: [2], is_added: true }, "warm");
  expect(found[2]).toEqual({ ...STEPS[2], place: "after", act: "warm" });
  expect(found).toHaveLength(STEPS.length);
});
