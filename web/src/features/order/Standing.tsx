import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { clockOf, momentText, nearMomentText, spokenMinutes } from "../../units/time";
import { stoveOf } from "./stoveOf";
import type { TaskState } from "./threadShape";
import type { Follow } from "./useOrder";

const THEN = 5;

/** What to do now, what rests meanwhile, what comes then. */
export function Standing({ follow }: { follow: Follow }) {
  const { order } = follow;
  const named = (id: string) => order.tasks.find((one) => one.task.id === id);
  const now = order.now_tasks.flatMap((id) => named(id) ?? []);
  const waits = order.waits.flatMap((id) => named(id) ?? []);
  const ahead = order.tasks.filter((one) => one.state === "ahead" && one.task.attended && !now.includes(one));
  const first = now[0] ?? ahead[0];
  const isDone =
    order.tasks.length > 0 && order.tasks.every((one) => one.state === "done" || !one.task.attended);
  return (
    <div aria-live="polite">
      {isDone ? (
        <p className="font-display font-semibold text-2xl">Everything is done.</p>
      ) : (
        first && <Now one={first} isNow={now.length > 0} follow={follow} />
      )}
      {now.slice(1).map((one) => (
        <p key={one.task.id} className="flex items-center justify-between gap-3 border-line border-b py-1">
          <span>
            And: <b>{one.task.title}</b>
          </span>
          <Button
            aria-label={`${one.task.title}: done`}
            disabled={follow.isBusy}
            onClick={() => follow.happened(one.task.id, "done")}
          >
            Done
          </Button>
        </p>
      ))}
      {waits.length > 0 && (
        <section className="mt-3">
          <h3 className="font-bold">Waiting</h3>
          <ul>
            {waits.map((one) => (
              <li
                key={one.task.id}
                className="flex items-center justify-between gap-3 border-line border-b py-1"
              >
                <span>
                  {one.task.title}{" "}
                  <span className="text-ash">until {nearMomentText(one.task.ends_at, order.now)}</span>
                </span>
                <Button
                  look="plain"
                  aria-label={`Finished already: ${one.task.title}`}
                  onClick={() => follow.happened(one.task.id, "done")}
                >
                  Finished already
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="mt-3">
        <h3 className="font-bold">Then</h3>
        <ol>
          {ahead
            .filter((one) => one !== first)
            .slice(0, THEN)
            .map((one) => (
              <li key={one.task.id} className="flex justify-between gap-3 border-line border-b py-1.5">
                <span>{one.task.title}</span>
                <b className="whitespace-nowrap">{nearMomentText(one.task.starts_at, order.now)}</b>
              </li>
            ))}
        </ol>
      </section>
    </div>
  );
}

function Now({ one, isNow, follow }: { one: TaskState; isNow: boolean; follow: Follow }) {
  const { task } = one;
  const late = follow.order.late.includes(task.id);
  const stove = stoveOf(follow.occasionId, one);
  return (
    <div className="border-line border-b pb-3">
      <p className="font-bold text-copper">
        {isNow ? `Now, ${clockOf(follow.order.now)}` : `Next, ${momentText(task.starts_at)}`}
        {late && "; it should have begun"}
      </p>
      <h2 className="font-display font-semibold text-2xl leading-tight">{task.title}</h2>
      <p className="mt-1 text-ash">
        {nearMomentText(task.starts_at, follow.order.now)} to {clockOf(task.ends_at)};{" "}
        {task.because.split("; ")[0]}.{" "}
        {task.slack_min > 0 ? `Can wait ${spokenMinutes(task.slack_min)}.` : "No time to spare."}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        {stove && one.state === "ahead" && (
          <Link
            to={stove}
            className="col-span-2 flex min-h-16 items-center justify-center rounded-lg bg-rim px-4 font-bold text-[1.125rem] text-sheet"
          >
            Make it at the Stove
          </Link>
        )}
        <Button
          className={`min-h-16 text-[1.0625rem] ${one.state === "ahead" ? "" : "col-span-2"}`}
          look={stove && one.state === "ahead" ? "outlined" : "filled"}
          disabled={follow.isBusy}
          onClick={() => follow.happened(task.id, "done")}
        >
          Done
        </Button>
        {one.state === "ahead" && (
          <Button
            className="min-h-16 text-[1.0625rem]"
            disabled={follow.isBusy}
            onClick={() => follow.happened(task.id, "begun")}
          >
            Start task
          </Button>
        )}
      </div>
    </div>
  );
}
