import { describe, expect, it } from "vitest";
import { type DayTask, nextElsewhere, type RunDay, taskOf } from "./day";
import type { RunAct } from "./useLine";

function task(id: string, confection_id: number, acts: string[], rest: Partial<DayTask> = {}): DayTask {
  const where = { recipe_id: 3, batch_id: null, step: null, key: "", confection: "Comet eggs" };
  const starts_at = "2026-08-14T10:00:00";
  return { id, confection_id, acts, title: id, starts_at, attended: true, state: "ahead", ...where, ...rest };
}

const act = (act_id: string) => ({ act_id }) as RunAct;
const day = (...tasks: DayTask[]): RunDay => ({ occasion_id: 1, name: "Open evening", tasks });

describe("a day of the running order at the stove", () => {
  const join = task("join", 5, ["m0.warm", "m0.join"], { state: "running" });
  const shells = task("shells", 6, ["shell.1"]);
  it("goes on with the task that it is in before it leaves for another confection", () => {
    expect(nextElsewhere(day(join, shells), 5, act("m0.warm"), act("m0.join"))).toBeNull();
    expect(nextElsewhere(day(join, shells), 5, act("m0.join"), act("m0.cool"))).toBe(shells);
  });
  it("stays where the order has its own confection next, or nothing that is done at the stove", () => {
    const own = task("fill", 5, ["m0.fill"]);
    expect(nextElsewhere(day(join, own, shells), 5, act("m0.join"), act("m0.fill"))).toBeNull();
    const wash = task("wash", 6, [], { recipe_id: null });
    expect(nextElsewhere(day(join, wash), 5, act("m0.join"), act("m0.fill"))).toBeNull();
  });
  it("passes over what is done and what only waits", () => {
    const set = task("set", 6, ["set"], { attended: false });
    const over = { ...shells, state: "done" as const };
    expect(nextElsewhere(day(join, over, set), 5, act("m0.join"), act("m0.fill"))).toBeNull();
  });
  it("is left alone by a run that is of no task today", () => {
    expect(taskOf(day(shells), 5, act("m0.join"))).toBeNull();
    expect(nextElsewhere(day(shells), 5, act("m0.join"), act("m0.fill"))).toBeNull();
  });
});
