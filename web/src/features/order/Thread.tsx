import { Button } from "../../ui/Button";
import { Popover, PopoverClose } from "../../ui/Popover";
import { clockOf, dayOf, spokenMinutes } from "../../units/time";
import { TaskDetails } from "./TaskDetails";
import { GAP, LANE, NIGHT, nowAt, ROW, type Row, type Strand } from "./threadShape";
import type { Follow } from "./useOrder";

type Props = {
  strand: Strand;
  name: string | null;
  follow: Follow;
  onLeaveOut: (confectionId: number) => void;
};

/** One cook's strand: what hands do, one under the other; what waits leaves it to the left and comes back. */
export function Thread({ strand, name, follow, onLeaveOut }: Props) {
  const width = LANE * (strand.lanes + 1) + 18;
  const x = width - 10;
  const mark = nowAt(strand.rows);
  return (
    <section aria-label={name ?? "Tasks, in order"} className="min-w-0">
      {name && <h3 className="font-bold text-ash">{name}</h3>}
      <div className="relative" style={{ paddingLeft: width }}>
        <svg
          width={width}
          height={strand.height}
          className="absolute top-0 left-0 overflow-visible"
          role="img"
          aria-label={`${strand.loops.length} rests hang on this strand; the list beside it says each`}
        >
          <line
            x1={x}
            x2={x}
            y1={0}
            y2={strand.height}
            strokeWidth={2}
            strokeDasharray="2 5"
            className="stroke-rim-pale"
          />
          {strand.loops.map((loop) => (
            <path
              key={loop.id}
              d={loopPath(x, loop.from, loop.to, loop.lane)}
              fill="none"
              strokeWidth={loop.state === "running" ? 2.5 : 1.5}
              strokeDasharray={loop.state === "running" ? undefined : "1.5 4"}
              strokeLinecap="round"
              className={
                loop.state === "running"
                  ? "stroke-copper"
                  : loop.state === "done"
                    ? "stroke-line"
                    : "stroke-rim"
              }
            >
              <title>{loop.title}</title>
            </path>
          ))}
          {strand.rows.map(
            (row) =>
              row.kind === "job" && (
                <rect
                  key={row.state.task.id}
                  x={x - 5}
                  y={row.y + 6}
                  width={10}
                  height={ROW - 12}
                  className={
                    row.state.state === "done"
                      ? "fill-line-strong"
                      : row.state.state === "running"
                        ? "fill-copper"
                        : "fill-rim"
                  }
                />
              ),
          )}
          {mark !== null && (
            <>
              <line x1={0} x2={width} y1={mark} y2={mark} strokeWidth={2} className="stroke-copper" />
              <circle cx={x} cy={mark} r={6} className="fill-copper" />
            </>
          )}
        </svg>
        <ol>
          {strand.rows.map((row) => (
            <RowOf
              key={keyOf(row)}
              row={row}
              isNow={row.y === mark}
              follow={follow}
              onLeaveOut={onLeaveOut}
            />
          ))}
        </ol>
      </div>
    </section>
  );
}

function keyOf(row: Row): string {
  return row.kind === "job" ? row.state.task.id : `${row.kind}${row.y}`;
}

function loopPath(x: number, from: number, to: number, lane: number): string {
  const out = x - 10 - LANE * (lane + 1);
  const bend = Math.min(10, (to - from) / 2);
  return `M ${x - 5} ${from} H ${out + bend} Q ${out} ${from} ${out} ${from + bend} V ${to - bend} Q ${out} ${to} ${out + bend} ${to} H ${x - 5}`;
}

type RowProps = { row: Row; isNow: boolean } & Pick<Props, "follow" | "onLeaveOut">;

function RowOf({ row, isNow, follow, onLeaveOut }: RowProps) {
  if (row.kind === "day" || row.kind === "ready")
    return (
      <li
        style={{ height: row.kind === "day" ? GAP : NIGHT }}
        className={`flex items-center font-bold text-[0.875rem] ${row.kind === "day" ? "text-ash" : "border-soot border-b-2"}`}
      >
        {row.kind === "day" ? dayOf(row.at) : `${clockOf(row.at)}, everything is ready`}
      </li>
    );
  if (row.kind !== "job")
    return (
      <li
        style={{ height: row.kind === "night" ? NIGHT : GAP }}
        className={`flex items-center gap-2 text-[0.8125rem] text-ash ${row.kind === "night" ? "font-bold" : ""}`}
      >
        {row.kind === "night" ? <>the night; then {dayOf(row.to)}</> : <>{spokenMinutes(row.minutes)} free</>}
      </li>
    );
  const { task, state, confection_id: confection } = row.state;
  const due = follow.order.now_tasks.includes(task.id);
  const resting = row.rests
    .map((rest) => `${rest.task.title}, until ${clockOf(rest.task.ends_at)}`)
    .join("; ");
  return (
    <li
      style={{ height: ROW }}
      aria-current={due ? "step" : undefined}
      className={`flex items-center gap-3 border-line border-b ${state === "done" ? "text-ash" : ""} ${isNow ? "border-t-2 border-t-copper" : ""}`}
    >
      <time
        dateTime={task.starts_at}
        className={`w-18 shrink-0 whitespace-nowrap text-right tabular-nums ${due ? "font-bold text-copper" : ""}`}
      >
        {clockOf(task.starts_at)}
      </time>
      <Popover
        label={task.title}
        className="w-96"
        trigger={
          <button
            type="button"
            className="on-paper relative min-h-11 min-w-0 flex-1 overflow-hidden rounded-md px-1 text-left leading-tight underline-offset-4 hover:underline"
          >
            <span className={`block truncate ${state === "ahead" ? "font-bold" : ""}`}>
              {state === "done" && <span aria-hidden="true">✓ </span>}
              {task.title}
              {state === "done" && <span className="sr-only">, done</span>}
              {task.moved && state === "ahead" && (
                <span className="ml-1.5 rounded bg-butter px-1 font-normal text-[0.8125rem]">moved</span>
              )}
            </span>
            <span className="block truncate text-[0.8125rem] text-ash">
              {minutesOf(task)} min{resting && `; then ${resting}`}
            </span>
          </button>
        }
      >
        <TaskDetails
          state={row.state}
          leaveOut={task.for.length === 1 && confection !== null ? () => onLeaveOut(confection) : null}
          follow={follow}
          close={PopoverClose}
        />
      </Popover>
      {due && (
        <Button
          aria-label={`${task.title}: done`}
          disabled={follow.isBusy}
          onClick={() => follow.happened(task.id, "done")}
        >
          Done
        </Button>
      )}
    </li>
  );
}

function minutesOf(task: { starts_at: string; ends_at: string }): number {
  return Math.round((new Date(task.ends_at).getTime() - new Date(task.starts_at).getTime()) / 60_000);
}
