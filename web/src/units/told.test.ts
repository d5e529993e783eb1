import { describe, expect, it } from "vitest";
import { containsText, costText, keepingText } from "./told";

describe("what is told of a piece", () => {
  it("names its allergens, or says that none is known", () => {
    expect(containsText(["milk", "hazelnut"])).toBe("Contains milk, hazelnut");
    expect(containsText([])).toBe("No allergen that it is known for");
    expect(containsText([], "a box")).toBe("No allergen that a box is known for");
  });
  it("costs at least so much where a price is missing", () => {
    expect(costText({ batch: 9, per_piece: 0.256, unpriced: [] })).toBe("0.26");
    expect(costText({ batch: 9, per_piece: 0.256, unpriced: ["Salt"] })).toBe("0.26 at least");
  });
  it("keeps so many days at its place", () => {
    expect(keepingText({ where: "fridge", days_low: 3, days_high: 7 })).toBe("3 to 7 days in the fridge");
    expect(keepingText({ where: "room", days_low: 30, days_high: 60 })).toBe(
      "30 to 60 days at room temperature",
    );
  });
});
