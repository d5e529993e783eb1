import type { Schemas } from "../../api/client";
import { mass, useUnits } from "../../units/units";
import { ROLE_WORDS, type Role } from "../confection";
import type { Whole } from "./words";

type Props = {
  whole: Whole;
  answer: Schemas["ConfectionAnswer"];
  library: Schemas["LibraryOut"] | undefined;
  chosen: number | null;
  onPress: (part: number | null) => void;
};

/** The parts of what is made, in the order of making, with what is weighed of each. */
export function PartsOfCard({ whole, answer, library, chosen, onPress }: Props) {
  const units = useUnits();
  const names = new Map(library?.ingredients.map((row) => [row.key, row.name]));
  return (
    <section aria-label="Parts" className="mt-3">
      <h3 className="font-bold">Parts, in order</h3>
      <ol>
        {whole.parts.map((part, position) => {
          const worked = answer.parts[position];
          const steps = part.of.recipe?.steps?.length ?? 0;
          return (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the order of making
              key={position}
              className={`border-line border-b py-1 ${chosen === position ? "bg-rim-faint" : ""}`}
            >
              <button
                type="button"
                aria-pressed={chosen === position}
                onClick={() => onPress(position)}
                className="flex min-h-11 w-full items-center justify-between gap-3 text-left hover:bg-rim-faint"
              >
                <span dir="auto">
                  <b>{ROLE_WORDS[part.role as Role]}</b> {worked?.name}
                </span>
                {worked && <span className="whitespace-nowrap">{mass(worked.make_g, units)}</span>}
              </button>
              {worked && worked.weigh.length > 1 && (
                <p className="text-[0.9375rem] text-ash">
                  {worked.weigh
                    .map(
                      (row) => `${names.get(row.ingredient) ?? row.ingredient} ${mass(row.amount_g, units)}`,
                    )
                    .join(", ")}
                  {steps > 0 && `. ${steps === 1 ? "One step" : `${steps} steps`} of its method.`}
                </p>
              )}
            </li>
          );
        })}
      </ol>
      {whole.steps.length > 0 && (
        <p className="mt-1 text-[0.9375rem] text-ash">
          Then: {whole.steps.map((step) => step.text).join(" · ")}
        </p>
      )}
    </section>
  );
}
