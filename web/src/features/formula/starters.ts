import type { Schemas } from "../../api/client";

/** Proportions to begin a recipe with: ours, usual for the family and use, to be changed at once. */
export const STARTERS: Schemas["RecipeIn"][] = [
  {
    name: "New dark ganache",
    family: "cream-ganache",
    use: "roll",
    lines: [
      { ingredient: "cream35", amount: 200, unit: "g", stage: "warm" },
      { ingredient: "dark60", amount: 400, unit: "g", stage: "pour-over" },
    ],
  },
  {
    name: "New white ganache",
    family: "cream-ganache",
    use: "pipe",
    lines: [
      { ingredient: "cream35", amount: 150, unit: "g", stage: "warm" },
      { ingredient: "white28", amount: 375, unit: "g", stage: "pour-over" },
    ],
  },
  {
    name: "New condensed-milk fudge",
    family: "condensed-milk-fudge",
    use: "cut",
    lines: [
      { ingredient: "condensed_sweet", amount: 397, unit: "g", stage: "warm" },
      { ingredient: "dark55", amount: 400, unit: "g", stage: "melt" },
    ],
  },
];
