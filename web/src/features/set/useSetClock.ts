import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { newKey, tell } from "../../api/outbox";
import { batchQueries } from "../../api/queries";
import { serverMoment } from "../../api/serverTime";
import { numberIn, type Units, useUnits } from "../../units/units";
import { useUsualProbe } from "../stove/Probe";
import { useRun } from "../stove/useRun";

export type Shape = "slab" | "bowl";
/** Where and how it sets, as typed. */
export type Asked = {
  state: string;
  shape: Shape;
  thickness: string;
  mass: string;
  from: string;
  place: string;
  base: string;
  cover: string;
};
/** What was seen so long after the start: a temperature, or a cue that was passed or not. */
export type Correction = { after_s: number; now_c?: number; passed?: boolean };
type Ask = ReturnType<typeof askOf>;
type Run = Schemas["RunOut"];
type Kept = Correction & { state: string };
type Running = { sinceMs: number; ask: Ask; seen: Kept[] };

const STATE_OF_USE: Record<string, string> = {
  roll: "roll",
  cut: "cut",
  "fill-shell": "unmould",
  pipe: "pipe",
};
const RECENT_MS = 3 * 86_400_000;

/** The batch whose mass may be setting: the newest of the recipe that runs or ended in the last days. */
export function batchThatSets(batches: Schemas["BatchOut"][], recipe: number): number | null {
  const since = Date.now() - RECENT_MS;
  const found = batches.find(
    (batch) => batch.recipe_id === recipe && (batch.ended_at === null || Date.parse(batch.ended_at) > since),
  );
  return found?.id ?? null;
}

/** The clock that was started for a batch with what was seen since, from all that happened in it. */
function runningOf(run: Run | undefined): Running | null {
  const told = run?.events.filter((event) => event.kind === "set") ?? [];
  const at = told.findLastIndex((event) => typeof event.data.start === "object" && event.data.start !== null);
  const start = told[at];
  if (!start) return null;
  const ask = start.data.start as Ask;
  const seen = told.slice(at + 1).flatMap(({ data }) => {
    if (typeof data.after_s !== "number") return [];
    const row: Kept = {
      after_s: data.after_s,
      state: typeof data.state === "string" ? data.state : ask.state,
    };
    if (typeof data.now_c === "number") row.now_c = data.now_c;
    if (typeof data.passed === "boolean") row.passed = data.passed;
    return [row];
  });
  return { sinceMs: Date.parse(start.at), ask, seen };
}

/** What was seen, for a state: a reading counts for each, a cue only for the state that it was of. */
const seenFor = ({ seen }: Running, wanted: string): Correction[] =>
  seen.filter((row) => row.now_c !== undefined || row.state === wanted).map(({ state, ...row }) => row);

/**
 * What the Set page asks: the clock that runs for a batch, kept with it and the same on every device; or, once
 * something is changed, what would be, until one goes back to it or puts the mass in anew.
 */
export function useSetClock(
  stored: Schemas["StoredRecipeOut"],
  thickness: number | null,
  batch: number | null,
) {
  const units = useUnits();
  const probe = useUsualProbe();
  const { run } = useRun(batch ?? Number.NaN);
  const live = useQuery({ ...batchQueries.live(batch ?? 0), enabled: batch !== null, retry: false });
  const running = runningOf(run);
  const [draft, setDraft] = useState<Asked | null>(null);
  const [tried, setTried] = useState<Correction[]>([]);
  const [problem, setProblem] = useState("");
  const usual: Asked = {
    state: STATE_OF_USE[stored.recipe.use ?? ""] ?? "roll",
    shape: "slab",
    thickness: String(thickness ?? 16),
    mass: "",
    from: String(Math.round(inOwn(live.data?.true_c ?? 36, units))),
    place: "fridge",
    base: "",
    cover: "film",
  };
  const kept = running && askedOf(running.ask, units);
  const asked = draft ?? kept ?? usual;
  // Another state of the same mass is another question to the clock that runs; anything else is another clock.
  const follows = kept !== null && JSON.stringify({ ...kept, state: asked.state }) === JSON.stringify(asked);
  const happen = (id: number, data: Record<string, unknown>) =>
    tell({
      kind: "event",
      batch: id,
      event: { client_key: newKey(), at: serverMoment(), kind: "set", data },
    });
  return {
    asked,
    ask: running && follows ? { ...running.ask, state: asked.state } : askOf(asked, units),
    seen: running && follows ? seenFor(running, asked.state) : tried,
    sinceMs: running && follows ? running.sinceMs : null,
    /** Whether another clock than the one on the page runs. */
    isWhatIf: running !== null && !follows,
    problem,
    change: (part: Partial<Asked>) => {
      setDraft({ ...asked, ...part });
      setTried([]);
    },
    backToRunning: () => {
      setDraft(null);
      setTried([]);
    },
    see: (correction: Correction) => {
      if (follows && batch !== null) happen(batch, { ...correction, state: asked.state });
      else setTried((before) => [...before, correction]);
    },
    /** It goes in now: the clock is kept with its batch, which begins at its set step where none runs. */
    start: async () => {
      setProblem("");
      try {
        const id = batch ?? (await startAtSet(stored.id, probe));
        happen(id, { start: askOf(asked, units) });
        setDraft(null);
        setTried([]);
        return id;
      } catch (error) {
        setProblem(error instanceof ApiError ? error.message : "The application does not answer: try again.");
        return null;
      }
    },
  };
}

async function startAtSet(recipe: number, probe: string): Promise<number> {
  const plan = await dataOf(client.POST("/api/batches/plan", { body: { recipe_id: recipe } }));
  const at = plan.steps.findIndex((step) => step.key === "set");
  const from_step = at < 0 ? plan.steps.length - 1 : at;
  const body = { recipe_id: recipe, choices: {}, probe_id: probe, from_step };
  return (await dataOf(client.POST("/api/batches", { body }))).batch.id;
}

const inOwn = (c: number, units: Units) => (units.temperature === "F" ? c * 1.8 + 32 : c);
const text = (value: number | null | undefined) => (value == null ? "" : String(Math.round(value * 10) / 10));

function askOf(asked: Asked, units: Units) {
  const from = numberIn(asked.from) ?? inOwn(36, units);
  const grams = numberIn(asked.mass);
  return {
    state: asked.state,
    from_c: units.temperature === "F" ? (from - 32) / 1.8 : from,
    place: asked.place,
    base: asked.base || null,
    cover: asked.cover,
    thickness_mm: asked.shape === "slab" ? (numberIn(asked.thickness) ?? null) : null,
    bowl_kg: asked.shape === "bowl" ? (grams === undefined ? null : grams / 1000) : null,
  };
}

function askedOf(ask: Ask, units: Units): Asked {
  return {
    state: ask.state,
    shape: ask.bowl_kg == null ? "slab" : "bowl",
    thickness: text(ask.thickness_mm),
    mass: text(ask.bowl_kg == null ? null : ask.bowl_kg * 1000),
    from: text(inOwn(ask.from_c, units)),
    place: ask.place,
    base: ask.base ?? "",
    cover: ask.cover,
  };
}
