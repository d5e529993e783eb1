import { expect, it } from "vitest";
import { ownStep, withoutSteps, withoutTemperature, withStep } from "./ownSteps";

const STEPS = ["Chop.", "Boil to 118 °C.", "Keep it boiling.", "Pour."].map((text, at) => ({
  ...ownStep("", "instead", text),
  to_c: at === 1 ? 118 : null,
}));
const BOIL = { act: "boil", steps: [1, 2], may_leave_out: false };

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
