import type { Line, Schemas } from "../../api/client";
import { decimal } from "../../units/units";

/** The words of stages; others are shown as they were written. */
export const STAGES: Record<string, string> = {
  warm: "Warm together",
  "pour-over": "Pour over",
  melt: "Melt",
  boil: "Boil",
  "stir-in-cool": "Stir in once cooled",
  "fold-in": "Fold in",
  late: "Late",
  "": "In the bowl",
};

export const USES: Record<string, string> = {
  pour: "for pouring",
  glaze: "for glazing",
  dollop: "for dolloping",
  pipe: "for piping",
  whip: "for whipping",
  "fill-shell": "for filling shells",
  "coat-cake": "for coating a cake",
  roll: "for rolling",
  cut: "for cutting",
  frame: "for cutting in a frame",
  model: "for modelling",
  drink: "for a drink",
};

export const DOES: Record<string, string> = {
  sauce: "pours",
  glaze: "glazes",
  pipe: "pipes",
  roll: "rolls",
  cut: "cuts",
  hard: "hard",
};

export const LIQUIDS: Record<string, string> = {
  cream: "cream",
  "condensed-milk": "condensed milk",
  butter: "butter",
};

const PLURALS: Record<string, string> = {
  tin: "tins",
  bar: "bars",
  piece: "pieces",
  pinch: "pinches",
  cup: "cups",
};

export function ingredientName(line: Line, library: Schemas["LibraryOut"] | undefined): string {
  const { ingredient } = line;
  if (typeof ingredient !== "string") return ingredient.name;
  return library?.ingredients.find((row) => row.key === ingredient)?.name ?? ingredient;
}

/** An amount as it stands in its field: `214 g`, `2.5 cups`, `2 to 3 tbsp`. */
export function amountText(line: Line): string {
  const trim = (value: number) => decimal(value, value >= 100 ? 1 : 2);
  const range =
    line.amount_high === null || line.amount_high === undefined ? "" : ` to ${trim(line.amount_high)}`;
  const unit = line.amount > 1 || range ? (PLURALS[line.unit] ?? line.unit) : line.unit;
  return `${trim(line.amount)}${range} ${unit}`;
}

const STEPS: Record<string, number> = {
  kg: 0.01,
  l: 0.01,
  lb: 0.05,
  oz: 0.1,
  tsp: 0.25,
  tbsp: 0.25,
  cup: 0.25,
};

/** A sensible step for the arrows: fine for small weights, a quarter for spoons, one for what is counted. */
export function stepOf(line: Line): number {
  const own = STEPS[line.unit];
  if (own) return own;
  if (line.unit === "g" || line.unit === "ml") return line.amount < 10 ? 0.1 : 1;
  return 1;
}

export function stepped(line: Line, steps: number): number {
  const step = stepOf(line);
  return Math.max(0, Number((Math.round(line.amount / step + steps) * step).toFixed(3)));
}
