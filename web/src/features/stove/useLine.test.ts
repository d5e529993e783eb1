import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { noteBack, noteLeft } from "./left";
import { lineNow, nextAct, type RunAct } from "./useLine";

function act(act_id: string, batch_id: number | null, step: number | null, state: RunAct["state"]): RunAct {
  const rest = { key: "", title: act_id, part: "", minutes: null, attended: true, recipe_id: 1, turn: null };
  return { ...rest, act_id, batch_id, step, state } as RunAct;
}

const LINE = [
  act("temper", 7, 0, "done"),
  act("shell", 7, 1, "now"),
  act("m1.warm", null, null, "ahead"),
  act("fill", 7, 2, "ahead"),
];

function run(step: number, step_done: boolean, ended: string | null = null): Schemas["Run"] {
  const batch = { id: 7, ended_at: ended };
  return { batch, state: { step, step_done }, line: LINE } as unknown as Schemas["Run"];
}

describe("the line of a run", () => {
  it("goes on with the other mix before the next act of its own", () => {
    const now = lineNow(run(1, false));
    expect(now.at).toBe(1);
    expect(nextAct(now)?.act_id).toBe("m1.warm");
  });
  it("counts what this browser has done before the server has heard of it", () => {
    const states = lineNow(run(2, false)).acts.map((one) => one.state);
    expect(states).toEqual(["done", "done", "ahead", "now"]);
    expect(lineNow(run(1, true)).acts[1]?.state).toBe("done");
  });
  it("does not go to a mix again that this browser has just ended, whatever the server said before", () => {
    const other = act("m1.warm", 8, 0, "ahead");
    const stale = { ...run(1, false), line: LINE.map((one) => (one.act_id === "m1.warm" ? other : one)) };
    expect(nextAct(lineNow(stale))?.act_id).toBe("m1.warm");
    noteLeft(8, 1);
    expect(nextAct(lineNow(stale))?.act_id).toBe("fill");
    noteBack(8);
    expect(nextAct(lineNow(stale))?.act_id).toBe("m1.warm");
  });
  it("comes back to what was left out, and ends when all is done", () => {
    expect(nextAct(lineNow(run(2, false)))?.act_id).toBe("m1.warm");
    const over = lineNow(run(2, false, "2026-08-14T12:00:00Z"));
    expect(nextAct({ ...over, acts: over.acts.filter((one) => one.batch_id === 7) })).toBeNull();
  });
});
