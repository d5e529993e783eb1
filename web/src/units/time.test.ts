import { expect, it } from "vitest";
import { spanText } from "./time";

it("a stretch of time names its unit once, and one figure where its ends agree", () => {
  expect(spanText(5, 5)).toBe("5 s");
  expect(spanText(480, 490)).toBe("8 min");
  expect(spanText(300, 540)).toBe("5–9 min");
  expect(spanText(1140, 4500)).toBe("19–75 min");
  expect(spanText(4 * 3600, 12 * 3600)).toBe("4–12 h");
  expect(spanText(7 * 86_400, 28 * 86_400)).toBe("7–28 days");
});
