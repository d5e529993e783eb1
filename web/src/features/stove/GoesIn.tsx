import type { Schemas } from "../../api/client";
import { mass, type Units } from "../../units/units";

type Take = Schemas["StepTake"];

/** The grams that go in at a step and are no line of the recipe: chocolate round it, a topping, a core. */
export function GoesIn({ takes, units }: { takes: readonly Take[]; units: Units }) {
  if (takes.length === 0) return null;
  return (
    <ul aria-label="Add now" className="mt-2 border-line border-y py-1">
      {takes.map((take) => (
        <li
          key={take.name}
          className="flex flex-wrap items-baseline justify-between gap-x-4 text-[1.0625rem]"
        >
          <span>{take.name}</span>
          <span className="font-display font-semibold text-[1.25rem] tabular-nums">
            {gramsOf(take, units)}
          </span>
        </li>
      ))}
    </ul>
  );
}

function gramsOf({ g, seed_g }: Take, units: Units): string {
  if (seed_g == null || seed_g <= 0) return mass(g, units);
  return `${mass(g, units)}, ${mass(seed_g, units)} of it as seed`;
}
