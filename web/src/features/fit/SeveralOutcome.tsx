import type { Recipe, Schemas } from "../../api/client";
import { fineMass, length, mass, type Units } from "../../units/units";
import { ToWeigh } from "./Outcome";

export type PartOutcome = {
  recipe: Recipe;
  batch_g: number;
  loss_g: number;
  scale: number;
  amounts_g: number[];
  says: string;
};

type Props = { parts: PartOutcome[]; library: Schemas["LibraryOut"] | undefined; units: Units };

/** What to weigh of each recipe in a vessel. */
export function SeveralOutcome({ parts, library, units }: Props) {
  return (
    <ol className="mt-2">
      {parts.map((part, position) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a part is its position
        <li key={position} className="border-line border-t py-1">
          <details open={position === 0}>
            <summary className="min-h-11 cursor-pointer py-1.5">
              <b dir="auto">{part.recipe.name}</b>, {mass(part.batch_g, units)}
              <span className="block text-[0.875rem] text-ash">
                {part.says}, {fineMass(part.loss_g, units)} lost
              </span>
            </summary>
            <ToWeigh fit={part} recipe={part.recipe} library={library} units={units} />
          </details>
        </li>
      ))}
    </ol>
  );
}

/** A layer's or filling's levels in words. */
export function levelsText(from: number, to: number, each: string, units: Units): string {
  return `${length(Math.abs(to - from), units)} deep${each}`;
}
