import type { Schemas } from "../../api/client";
import { mass, type Units } from "../../units/units";

type Props = { plan: Schemas["PourPlan"]; name: string; units: Units };

const TASKS = { shell: "shells", cap: "caps and seams", dip: "dip" } as const;

/** The pours of one chocolate in the order that needs least in the pot. */
export function PourOrder({ plan, name, units }: Props) {
  return (
    <section aria-label={name} className="mt-4">
      <h3 className="font-bold">{name}</h3>
      <p className="text-[0.9375rem]">
        Melt {mass(plan.start_g, units)}
        {plan.refilled_g > 0 && `, later ${mass(plan.refilled_g, units)} more`}. {mass(plan.kept_g, units)}{" "}
        stays on the pieces, {mass(plan.back_g, units)} comes back
        {plan.turns > 0 && `; moulds are poured ${plan.turns} ${plan.turns === 1 ? "time" : "times"}`}.{" "}
        {plan.notes.join(" ")}
      </p>
      <ol className="mt-1 text-[0.9375rem]">
        {plan.pours.map((pour, position) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a pour is its position
            key={position}
            className="flex justify-between gap-3 border-line border-b py-1"
          >
            <span>
              {pour.refill_g > 0.5 && <b>Melt in {mass(pour.refill_g, units)}. </b>}
              {position + 1}. <span dir="auto">{pour.name}</span>: {TASKS[pour.task]}
              {pour.cavities > 0 && ` (turn ${pour.turn} of ${pour.mould}, ${pour.cavities} filled)`}
            </span>
            <span className="whitespace-nowrap text-ash">{mass(pour.pot_before_g, units)} in the pot</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
