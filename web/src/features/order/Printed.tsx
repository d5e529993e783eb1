import { clockOf, dayOf, isSameDay, momentText } from "../../units/time";
import { useUnits } from "../../units/units";
import { takesText } from "./takesText";
import type { TaskState } from "./threadShape";

/** So many lines fit on one sheet at the usual size. */
const MANY = 28;

type Props = { tasks: readonly TaskState[]; cooks: number };

/** The order on one sheet to hang up: what is still to be done, with a box to tick, and what rests meanwhile. */
export function Printed({ tasks, cooks }: Props) {
  const units = useUnits();
  const ahead = tasks.filter((one) => one.task.attended && one.state !== "done");
  const rests = tasks.filter(
    (one) => !one.task.attended && one.state !== "done" && one.task.job !== "soften",
  );
  const restOf = (id: string) => rests.filter((one) => one.task.after.some((after) => after.id === id));
  return (
    <table
      className={`mt-2 hidden w-full leading-tight print:table ${ahead.length > MANY ? "text-[8.5pt]" : "text-[10.5pt]"}`}
    >
      <caption className="sr-only">Still to do</caption>
      <tbody>
        {ahead.map((one, position) => {
          const before = ahead[position - 1];
          const resting = restOf(one.task.id);
          return [
            (!before || !isSameDay(before.task.starts_at, one.task.starts_at)) && (
              <tr key={`day ${one.task.id}`}>
                <th colSpan={4} scope="colgroup" className="pt-2 pb-0.5 text-left">
                  {dayOf(one.task.starts_at)}
                </th>
              </tr>
            ),
            <tr key={one.task.id} className="break-inside-avoid border-line border-t align-top">
              <td className="w-6 py-0.5">☐</td>
              <td className="w-20 py-0.5 text-right font-bold tabular-nums">{clockOf(one.task.starts_at)}</td>
              <td className="w-[48%] py-0.5 pl-3">
                {cooks > 1 && `${(one.task.cook ?? 0) + 1}: `}
                {one.task.title}
                <span className="block text-[9pt]">{takesText(one.task.takes, units)}</span>
              </td>
              <td className="py-0.5 pl-3 text-[9pt]">
                {resting
                  .map((rest) => `${rest.task.title}, until ${momentText(rest.task.ends_at)}`)
                  .join("; ")}
              </td>
            </tr>,
          ];
        })}
      </tbody>
    </table>
  );
}
