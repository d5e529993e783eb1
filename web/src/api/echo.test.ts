import { describe, expect, it } from "vitest";
import type { Schemas } from "./client";
import { withEvents } from "./echo";

type What = Schemas["EventIn"]["what"];

const RUN = {
  batch: { step: 0, probe_id: "stick", verdict: [], ended_at: null, started_at: "2026-08-20T18:00:00Z" },
  steps: [{ key: "warm" }, { key: "join" }],
  events: [],
  state: {
    step: 0,
    step_since_s: 0,
    step_from_c: null,
    cue: null,
    ask: null,
    calls_seen_s: {},
    amounts_g: [200, 100],
    weighed_g: {},
    probe_id: "stick",
    set: null,
    verdict: null,
    ended_s: null,
  },
} as unknown as Schemas["Run"];

const having = (...whats: What[]) =>
  withEvents(
    RUN,
    whats.map((what, n) => ({ client_key: `k${n}`, at: `2026-08-20T18:0${n + 1}:00Z`, what })),
  );

describe("what is on its way to the server counts at once", () => {
  it("goes to a step, afresh", () => {
    const run = having(
      { kind: "gate", key: "warm", gate: "cue", answer: "yes" },
      { kind: "call-seen", words: "Off the heat" },
      { kind: "step", step: 1, key: "join", c: 41 },
    );
    expect(run.state).toMatchObject({
      step: 1,
      step_since_s: 180,
      step_from_c: 41,
      cue: null,
      calls_seen_s: {},
    });
    expect(run.batch.step).toBe(1);
  });

  it("keeps an answer for the open step alone", () => {
    expect(having({ kind: "gate", key: "warm", gate: "ask", answer: "no" }).state.ask).toBe("no");
    expect(having({ kind: "gate", key: "join", gate: "ask", answer: "no" }).state.ask).toBeNull();
  });

  it("weighs, and moves what is still to go in", () => {
    const { state } = having(
      { kind: "weight", position: 0, g: 215 },
      { kind: "note", text: "", amounts_g: { 1: 107.5 } },
    );
    expect(state.weighed_g).toEqual({ 0: 215 });
    expect(state.amounts_g).toEqual([200, 107.5]);
  });

  it("starts the set clock anew, without what was seen before", () => {
    const start = { state: "cut", from_c: 40, place: "fridge" } as Schemas["SetStartedIn"]["start"];
    const { state } = having(
      { kind: "set-start", start },
      { kind: "set-seen", after_s: 600, now_c: 30 },
      { kind: "set-start", start },
    );
    expect(state.set?.since_s).toBe(180);
    expect(state.set?.seen).toEqual([]);
  });

  it("ends once, with its verdict", () => {
    const run = having({ kind: "end" }, { kind: "verdict", words: ["silky"] });
    expect(run.batch.ended_at).toBe("2026-08-20T18:01:00Z");
    expect(run.batch.verdict).toEqual(["silky"]);
  });

  it("counts nothing twice that the server has", () => {
    const event = { client_key: "k0", at: "2026-08-20T18:01:00Z", what: { kind: "end" } as What };
    const run = { ...RUN, events: [event] } as unknown as Schemas["Run"];
    expect(withEvents(run, [event])).toBe(run);
  });
});
