import { describe, expect, it } from "vitest";
import { nowAt, strandOf, type TaskState } from "./threadShape";

type Given = {
  id: string;
  from: string;
  to: string;
  attended?: boolean;
  after?: string[];
  state?: TaskState["state"];
  cook?: number;
};

function task({ id, from, to, attended = true, after = [], state = "ahead", cook = 0 }: Given): TaskState {
  return {
    state,
    began_at: null,
    ended_at: null,
    recipe_id: null,
    confection_id: null,
    task: {
      id,
      confection: 0,
      for: [0],
      job: attended ? "roll" : "set",
      title: id,
      starts_at: `2026-08-${from}`,
      ends_at: `2026-08-${to}`,
      attended,
      cook: attended ? cook : null,
      uses: {},
      vessel: null,
      holds: [],
      recipe: null,
      acts: [],
      takes: [],
      after: after.map((key) => ({ id: key, least_min: 0, most_min: null })),
      because: "",
      slack_min: 0,
      held_by: "",
      moved: false,
    },
  };
}

const READY = "2026-08-14T19:30";
const DAY = [
  task({ id: "join", from: "13T20:00", to: "13T20:30", state: "done" }),
  task({ id: "set", from: "13T20:30", to: "14T08:00", attended: false, after: ["join"] }),
  task({ id: "chill", from: "14T08:00", to: "14T09:00", attended: false, after: ["set"] }),
  task({ id: "other", from: "14T10:00", to: "14T10:20" }),
  task({ id: "roll", from: "14T11:00", to: "14T11:30", after: ["chill"] }),
];

describe("a cook's strand", () => {
  it("folds the night and tells what is free", () => {
    expect(strandOf(DAY, 0, READY, false).rows.map((row) => row.kind)).toEqual([
      "day",
      "job",
      "night",
      "job",
      "free",
      "job",
      "ready",
    ]);
  });

  it("lets a rest leave after its job and come back where hands are needed, along other rests", () => {
    const { loops, rows } = strandOf(DAY, 0, READY, false);
    const [join, roll] = ["join", "roll"].map((id) =>
      rows.find((row) => row.kind === "job" && row.state.task.id === id),
    );
    expect(loops.map((loop) => loop.id).sort()).toEqual(["chill", "set"]);
    for (const loop of loops) {
      expect(loop.from).toBeGreaterThan(join?.y ?? 0);
      expect(loop.to).toBeGreaterThan(roll?.y ?? 0);
    }
  });

  it("gives loops that run beside each other lanes of their own", () => {
    const { loops } = strandOf(DAY, 0, READY, false);
    expect(new Set(loops.map((loop) => loop.lane)).size).toBe(loops.length);
  });

  it("marks now before the first job that is not done, and keeps cooks apart", () => {
    const { rows } = strandOf(DAY, 0, READY, false);
    expect(nowAt(rows)).toBe(rows.find((row) => row.kind === "job" && row.state.task.id === "other")?.y);
    expect(strandOf(DAY, 1, READY, false).rows.map((row) => row.kind)).toEqual(["ready"]);
  });

  it("folds what is done but the last of it", () => {
    const many = Array.from({ length: 6 }, (_, at) =>
      task({ id: `done${at}`, from: `13T1${at}:00`, to: `13T1${at}:20`, state: "done" }),
    );
    const { rows, folded } = strandOf([...many, ...DAY.slice(3)], 0, READY, true);
    expect(folded).toBe(4);
    expect(rows.filter((row) => row.kind === "job").length).toBe(4);
  });
});
