import type { Schemas } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import { momentText } from "../../units/time";

/** In which order to work, so that what is free of nuts stays so; and from when on each may be finished. */
export function WorkOrder({ plan }: { plan: Schemas["WorkedOccasion"] }) {
  return (
    <section aria-label="In this order" className="mt-4">
      <h3 className="font-bold">In this order</h3>
      <ol className="mt-1 text-[0.9375rem]">
        {plan.order.map((step, position) => {
          const from = plan.finish_from?.[step.row];
          return (
            <li key={step.row} className="border-line border-b py-1">
              {step.change_over && <b className="block text-copper">{step.change_over}</b>}
              {position + 1}. <span dir="auto">{step.name}</span>
              {step.holds.length > 0 ? `: ${step.holds.join(", ")}` : ": no nuts, no peanuts"}
              {from && <span className="block text-ash">{finishWords(from)}</span>}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** From when on it may be finished; a day that is past is not offered any more. */
function finishWords(from: string): string {
  return Date.parse(from) > serverNow()
    ? `Finish it from ${momentText(from)} on, so that it keeps`
    : "It keeps until then, whenever you finish it";
}
