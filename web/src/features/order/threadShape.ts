import type { Schemas } from "../../api/client";

export type TaskState = Schemas["TaskState"];

export const ROW = 52;
export const GAP = 26;
export const NIGHT = 34;
export const LANE = 13;
const FREE_MIN = 30;

/** One line of a cook's strand: a job, or the time until the next one. */
export type Row =
  | { kind: "job"; y: number; state: TaskState; rests: TaskState[] }
  | { kind: "free"; y: number; minutes: number }
  | { kind: "night"; y: number; to: Date }
  | { kind: "day"; y: number; at: Date }
  | { kind: "ready"; y: number; at: Date };

/** A rest that leaves the strand at one row and comes back at another, in a lane of its own. */
export type Loop = { id: string; title: string; from: number; to: number; lane: number; state: string };

export type Strand = {
  cook: number;
  rows: Row[];
  loops: Loop[];
  height: number;
  lanes: number;
  /** How many jobs that are done are folded away. */
  folded: number;
};

const LAST_DONE = 2;

/** A cook's strand: jobs one under the other, nights folded, rests as loops that never cross a label.
 *  Of what is done only the last is shown where the rest is folded. */
export function strandOf(tasks: readonly TaskState[], cook: number, readyAt: string, fold: boolean): Strand {
  const all = tasks.filter((one) => one.task.attended && one.task.cook === cook);
  const done = all.filter((one) => one.state === "done").length;
  const folded = fold && done < all.length ? Math.max(0, done - LAST_DONE) : 0;
  const own = all.slice(folded);
  const rows: Row[] = [];
  const at = new Map<string, { top: number; bottom: number }>();
  let y = 0;
  if (own[0]) {
    rows.push({ kind: "day", y, at: new Date(own[0].task.starts_at) });
    y += GAP;
  }
  own.forEach((state, position) => {
    const before = own[position - 1];
    if (before) {
      const [from, to] = [new Date(before.task.ends_at), new Date(state.task.starts_at)];
      const minutes = (to.getTime() - from.getTime()) / 60_000;
      const kind = from.toDateString() === to.toDateString() ? "free" : "night";
      if (minutes >= FREE_MIN || kind === "night") {
        rows.push(kind === "night" ? { kind, y, to } : { kind, y, minutes });
        y += kind === "night" ? NIGHT : GAP;
      }
    }
    rows.push({ kind: "job", y, state, rests: [] });
    at.set(state.task.id, { top: y, bottom: y + ROW });
    y += ROW;
  });
  rows.push({ kind: "ready", y, at: new Date(readyAt) });
  y += NIGHT;
  const loops = loopsOf(tasks, at, y - NIGHT / 2);
  for (const row of rows)
    if (row.kind === "job")
      row.rests = tasks.filter(
        (one) => !one.task.attended && one.task.job !== "soften" && begins(one, tasks) === row.state.task.id,
      );
  const lanes = Math.max(0, ...loops.map((loop) => loop.lane + 1));
  return { cook, rows, loops, height: y, lanes, folded };
}

/** The job with hands after which a rest begins: the last one before it, along other rests. */
function begins(rest: TaskState, tasks: readonly TaskState[]): string | null {
  const before = rest.task.after.map((after) => tasks.find((one) => one.task.id === after.id));
  const last = before
    .filter((one): one is TaskState => one !== undefined)
    .sort((a, b) => b.task.ends_at.localeCompare(a.task.ends_at))[0];
  if (!last) return null;
  return last.task.attended ? last.task.id : begins(last, tasks);
}

/** The first job with hands that waits for a rest, along other rests. */
function ends(rest: TaskState, tasks: readonly TaskState[]): string | null {
  const after = tasks
    .filter((one) => one.task.after.some((row) => row.id === rest.task.id))
    .sort((a, b) => a.task.starts_at.localeCompare(b.task.starts_at))[0];
  if (!after) return null;
  return after.task.attended ? after.task.id : ends(after, tasks);
}

function loopsOf(
  tasks: readonly TaskState[],
  at: ReadonlyMap<string, { top: number; bottom: number }>,
  height: number,
): Loop[] {
  const found = tasks
    .filter((one) => !one.task.attended && one.task.job !== "soften")
    .flatMap((rest) => {
      const [first, last] = [at.get(begins(rest, tasks) ?? ""), at.get(ends(rest, tasks) ?? "")];
      if (!first && (!last || rest.state === "done")) return [];
      const [from, to] = [first ? first.bottom - 8 : 0, last ? last.top + 8 : height];
      return to > from
        ? [{ id: rest.task.id, title: rest.task.title, from, to, lane: 0, state: rest.state }]
        : [];
    })
    .sort((a, b) => a.to - a.from - (b.to - b.from));
  const lanes: Loop[][] = [];
  for (const loop of found) {
    let lane = lanes.findIndex((rows) => rows.every((row) => row.to <= loop.from || row.from >= loop.to));
    if (lane < 0) lane = lanes.push([]) - 1;
    loop.lane = lane;
    lanes[lane]?.push(loop);
  }
  return found;
}

/** Where the strand stands now: after the last row whose job is done or running. */
export function nowAt(rows: readonly Row[]): number | null {
  const jobs = rows.filter((row) => row.kind === "job");
  const open = jobs.find((row) => row.state.state !== "done");
  return open && open !== jobs[0] ? open.y : null;
}
