import { Link } from "react-router";
import { clockOf } from "../../units/time";
import type { DayTask, RunDay } from "./day";

type Props = { day: RunDay; here: DayTask | null; onGo: (task: DayTask) => void };

/** The rest of the day by the running order, of every confection: pressed, a task is gone to. */
export function DayOfOrder({ day, here, onGo }: Props) {
  const left = day.tasks.filter((task) => task !== here && task.state !== "done");
  if (left.length === 0) return null;
  return (
    <section aria-label="Rest of the day" className="border-line border-t pt-2 pb-3">
      <h2 className="pl-2 font-bold text-[1rem]">
        Rest of the day:{" "}
        <Link to={`/occasions/${day.occasion_id}/order`} dir="auto" className="text-rim underline">
          {day.name}
        </Link>
      </h2>
      <ul>
        {left.map((task) => (
          <li key={task.id}>
            <TaskOfDay task={task} onGo={onGo} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function TaskOfDay({ task, onGo }: { task: DayTask; onGo: (task: DayTask) => void }) {
  const words = (
    <>
      <span className="w-16 flex-none text-[0.875rem] text-ash">
        {task.state === "running" ? (task.attended ? "begun" : "waiting") : clockOf(task.starts_at)}
      </span>
      <span className="min-w-0 flex-1">
        {task.title}
        {!task.title.includes(task.confection) && (
          <span dir="auto" className="block text-[0.875rem] text-ash">
            {task.confection}
          </span>
        )}
      </span>
    </>
  );
  const look = "flex w-full items-baseline gap-2 px-2 py-1.5 text-left text-[1rem] leading-tight";
  if (!task.attended || task.recipe_id === null) return <p className={look}>{words}</p>;
  return (
    <button type="button" className={`${look} min-h-11! hover:bg-rim-faint`} onClick={() => onGo(task)}>
      {words}
    </button>
  );
}
