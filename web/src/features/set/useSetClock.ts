import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { newKey, tell } from "../../api/outbox";
import { batchQueries } from "../../api/queries";
import { serverMoment } from "../../api/serverTime";
import { numberIn, type Units, useUnits } from "../../units/units";
import { SETS, useRun, useUsualProbe } from "../run";

export type Shape = "slab" | "bowl" | "stirred" | "small";
/** Where and how it sets, as typed. */
export type Asked = {
  state: string;
  shape: Shape;
  thickness: string;
  mass: string;
  /** Of a small body: its volume, ml, and its whole surface, cm². */
  volume: string;
  area: string;
  from: string;
  place: string;
  base: string;
  cover: string;
};
/** What was seen so long after the start: a temperature, or a cue that was passed or not. */
export type Correction = Schemas["CorrectionIn"];
type Ask = Schemas["SetAskIn"];

/** How what sets is shaped, where a confection or a fit says it. */
export type Body = {
  thickness_mm: number | null;
  volume_ml?: number | null;
  area_cm2?: number | null;
  bowl_kg?: number | null;
};

const RECENT_MS = 3 * 86_400_000;

/** The batch whose mass may be setting: the newest of the recipe that runs or ended in the last days. */
export function batchThatSets(batches: Schemas["Batch"][], recipe: number): number | null {
  const since = Date.now() - RECENT_MS;
  const found = batches.find(
    (batch) => batch.recipe_id === recipe && (batch.ended_at === null || Date.parse(batch.ended_at) > since),
  );
  return found?.id ?? null;
}

/**
 * What the Set page asks: the clock that runs for a batch, kept with it and the same on every device; or, once
 * something is changed, what would be, until one goes back to it or puts the mass in anew.
 */
export function useSetClock(
  stored: Schemas["StoredRecipe"],
  places: Schemas["PlacesOut"],
  body: Body | null,
  batch: number | null,
) {
  const units = useUnits();
  const probe = useUsualProbe();
  const { run } = useRun(batch ?? Number.NaN);
  const live = useQuery({ ...batchQueries.live(batch ?? 0), enabled: batch !== null, retry: false });
  const running = run?.state.set ?? null;
  const startedMs = run ? Date.parse(run.batch.started_at) : 0;
  const [draft, setDraft] = useState<Asked | null>(null);
  const [tried, setTried] = useState<Correction[]>([]);
  const [problem, setProblem] = useState("");
  const start = places.usual[stored.recipe.use ?? ""];
  const from_c = live.data?.true_c ?? start?.from_c ?? 0;
  const usual = askedOf(
    {
      state: "",
      place: "",
      ...start,
      from_c: Math.round(from_c),
      thickness_mm: start?.thickness_mm ?? null,
      ...body,
    },
    units,
  );
  const kept = running && askedOf(running.ask, units);
  const asked = draft ?? kept ?? usual;
  // Another state of the same mass is another question to the clock that runs; anything else is another clock.
  const follows = kept !== null && JSON.stringify({ ...kept, state: asked.state }) === JSON.stringify(asked);
  const happen = (id: number, what: Schemas["EventIn"]["what"]) =>
    tell({ kind: "event", batch: id, event: { client_key: newKey(), at: serverMoment(), what } });
  return {
    asked,
    ask: running && follows ? { ...running.ask, state: asked.state } : askOf(asked, units),
    seen: running && follows ? running.seen : tried,
    sinceMs: running && follows ? startedMs + 1000 * running.since_s : null,
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
      if (follows && batch !== null) happen(batch, { kind: "set-seen", ...correction, state: asked.state });
      else setTried((before) => [...before, correction]);
    },
    /** Start the timer: the clock is kept with its batch, which begins at its set step where none runs. */
    start: async () => {
      setProblem("");
      try {
        const id = batch ?? (await startAtSet(stored.id, probe));
        happen(id, { kind: "set-start", start: askOf(asked, units) });
        setDraft(null);
        setTried([]);
        return id;
      } catch (error) {
        setProblem(error instanceof ApiError ? error.message : "Hearth Bowl is not answering. Try again.");
        return null;
      }
    },
  };
}

async function startAtSet(recipe: number, probe: string): Promise<number> {
  const plan = await dataOf(client.POST("/api/batches/plan", { body: { recipe_id: recipe } }));
  const at = plan.steps.findIndex((step) => SETS.has(step.key));
  const from_step = at < 0 ? plan.steps.length - 1 : at;
  const body = { recipe_id: recipe, probe_id: probe, from_step };
  return (await dataOf(client.POST("/api/batches", { body }))).batch.id;
}

const inOwn = (c: number, units: Units) => (units.temperature === "F" ? c * 1.8 + 32 : c);
const text = (value: number | null | undefined) => (value == null ? "" : String(Math.round(value * 10) / 10));

function askOf(asked: Asked, units: Units): Ask {
  const from = numberIn(asked.from) ?? Number.NaN;
  const grams = numberIn(asked.mass);
  const kilos = grams === undefined ? null : grams / 1000;
  return {
    state: asked.state,
    from_c: units.temperature === "F" ? (from - 32) / 1.8 : from,
    place: asked.place,
    base: asked.base || null,
    cover: asked.cover,
    thickness_mm: asked.shape === "slab" ? (numberIn(asked.thickness) ?? null) : null,
    bowl_kg: asked.shape === "bowl" || asked.shape === "stirred" ? kilos : null,
    volume_ml: asked.shape === "small" ? (numberIn(asked.volume) ?? null) : null,
    area_cm2: asked.shape === "small" ? (numberIn(asked.area) ?? null) : null,
    stirred: asked.shape === "stirred",
  };
}

function askedOf(ask: Ask, units: Units): Asked {
  return {
    state: ask.state,
    shape:
      ask.volume_ml != null ? "small" : ask.thickness_mm != null ? "slab" : ask.stirred ? "stirred" : "bowl",
    thickness: text(ask.thickness_mm),
    volume: text(ask.volume_ml),
    area: text(ask.area_cm2),
    mass: text(ask.bowl_kg == null ? null : ask.bowl_kg * 1000),
    from: text(inOwn(ask.from_c, units)),
    place: ask.place,
    base: ask.base ?? "",
    cover: ask.cover ?? "none",
  };
}

/** What the page asks and does: see `useSetClock`. */
export type SetClock = ReturnType<typeof useSetClock>;
