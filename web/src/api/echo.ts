import type { Schemas } from "./client";

type Run = Schemas["Run"];
type State = Schemas["RunState"];
type What = Schemas["EventIn"]["what"];

/**
 * A run with events that the server has not answered yet: they count at once. The server folds what it has into the
 * run's state; this echoes only what is on its way, until its answer comes.
 */
export function withEvents(run: Run, events: Schemas["EventIn"][]): Run {
  const there = new Set(run.events.map((event) => event.client_key));
  const added = events.filter((event) => !there.has(event.client_key));
  if (added.length === 0) return run;
  const startedMs = Date.parse(run.batch.started_at);
  const state = added.reduce(
    (now, { at, what }) => echoed(now, what, Math.max(0, (Date.parse(at) - startedMs) / 1000), run),
    run.state,
  );
  const ended = added.find(({ what }) => what.kind === "end");
  const batch = {
    ...run.batch,
    step: state.step,
    probe_id: state.probe_id,
    verdict: state.verdict?.words ?? run.batch.verdict,
    ended_at: run.batch.ended_at ?? ended?.at ?? null,
  };
  return { ...run, batch, state, events: [...run.events, ...(added as Run["events"])] };
}

function echoed(state: State, what: What, atS: number, run: Run): State {
  switch (what.kind) {
    case "step":
      return {
        ...state,
        step: what.step,
        step_since_s: atS,
        step_from_c: what.c ?? null,
        cue: null,
        ask: null,
        calls_seen_s: {},
        step_done: false,
      };
    case "step-done":
      return { ...state, step_done: true };
    case "gate":
      if (what.gate === "wrong") return state;
      return run.steps[state.step]?.key === what.key ? { ...state, [what.gate]: what.answer } : state;
    case "call-seen":
      return { ...state, calls_seen_s: { ...state.calls_seen_s, [what.words]: atS } };
    case "weight":
      return { ...state, weighed_g: { ...state.weighed_g, [what.position]: what.g } };
    case "spill":
    case "note":
      return {
        ...state,
        amounts_g: state.amounts_g.map((grams, position) => what.amounts_g?.[position] ?? grams),
      };
    case "probe":
      return { ...state, probe_id: what.probe_id };
    case "set-start":
      return { ...state, set: { since_s: atS, ask: what.start as Schemas["SetAsk"], seen: [] } };
    case "set-seen":
      return state.set
        ? { ...state, set: { ...state.set, seen: [...state.set.seen, what as Schemas["SetSeen"]] } }
        : state;
    case "verdict":
      return { ...state, verdict: what as Schemas["Judgement"] };
    case "mend":
      return { ...state, mended: [...state.mended, what as Schemas["Mended"]] };
    case "yield":
      return { ...state, weighed_out: what as Schemas["Yielded"] };
    case "end":
      return { ...state, ended_s: atS };
    default:
      return state;
  }
}
