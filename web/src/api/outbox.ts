import type { QueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { isKitchenSaid, kitchen, whenKitchenSaid } from "../offline";
import { ApiError, client, dataOf, type Schemas } from "./client";
import { withEvents } from "./echo";
import { Patience } from "./patience";
import { batchQueries, timersQuery } from "./queries";

/** Something that happened here and that the server is to be told. */
export type Told =
  | { kind: "event"; batch: number; event: Schemas["EventIn"] }
  | { kind: "reading"; probe: string; c: number; at: string }
  | { kind: "timer"; start: Schemas["NewTimerIn"] & { key: string; at: string } }
  | {
      kind: "timer-change";
      timer: string;
      change: Schemas["ChangeTimerIn"] & { change_key: string; at: string };
    };
type Entry = Told & { id: string; kitchen?: string };

/** What is sent within this time needs no word. */
const LATE_MS = 1500;

const PREFIX = "hearth-bowl-told-";
const PATIENCE_MS = 8000;
/** An answer that says "our mistake" so often is no passing trouble: the entry waits aside, the rest goes on. */
const MOST_MISTAKES = 3;

let queries: QueryClient | null = null;
let held: readonly Entry[] = [];
let refused = "";
let count = 0;
let flushing = false;
const listeners = new Set<() => void>();

/** A key of this browser's own; `randomUUID` is there only where the page came by a safe way. */
export const newKey = (): string =>
  crypto.randomUUID?.() ?? `${Date.now()}-${Math.random().toString(36).slice(2)}`;

/** What the browser's storage would not take, full or forbidden as it is: kept for as long as the page is open. */
const spare = new Map<string, string>();

function keep(place: string, told: Told): void {
  try {
    localStorage.setItem(place, JSON.stringify({ ...told, kitchen: kitchen() }));
  } catch {
    spare.set(place, JSON.stringify({ ...told, kitchen: kitchen() }));
  }
}

/** Each entry has its own place in the browser's storage, so that two windows never overwrite each other's. */
function read(): readonly Entry[] {
  const places = [...Object.keys(localStorage), ...spare.keys()].filter((place) => place.startsWith(PREFIX));
  return places.sort().flatMap((place) => {
    try {
      return [{ ...JSON.parse(spare.get(place) ?? localStorage.getItem(place) ?? ""), id: place } as Entry];
    } catch {
      return [];
    }
  });
}

function forget(place: string): void {
  spare.delete(place);
  localStorage.removeItem(place);
}

function changed(): void {
  held = read().filter(isOfThisKitchen);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keep what happened in this browser, then tell the server; without a connection it waits, across reloads too. */
export function tell(told: Told): void {
  count += 1;
  const place = `${PREFIX}${Date.now().toString().padStart(15, "0")}-${count.toString().padStart(6, "0")}-${newKey()}`;
  keep(place, told);
  changed();
  void flush();
}

/** Send what waits from before, and let the answers go into what the page knows. Called once, at the start. */
export function startOutbox(client: QueryClient): void {
  queries = client;
  held = read().filter(isOfThisKitchen);
  whenKitchenSaid(() => {
    changed();
    void flush();
  });
  window.addEventListener("storage", () => {
    changed();
    void flush(); // another window may have closed before its own was sent
  });
  void flush();
}

/** Entries that the server failed at, by how often; once set aside they are tried again when the page is next opened. */
const mistakes = new Map<string, number>();
const isAside = (entry: Entry) => (mistakes.get(entry.id) ?? 0) >= MOST_MISTAKES;

async function flush(): Promise<void> {
  if (flushing) return;
  flushing = true;
  const patience = new Patience();
  for (let entry = next(); entry; entry = next()) {
    try {
      await hearWhose();
      if (!isOfThisKitchen(entry)) continue;
      await send(entry);
      patience.reset();
    } catch (error) {
      if (waits(error)) {
        if (error instanceof ApiError && error.status === 500) {
          mistakes.set(entry.id, (mistakes.get(entry.id) ?? 0) + 1);
          if (isAside(entry)) refused = error.message;
          changed();
        }
        await patience.rest();
        continue;
      }
      if (entry.kind !== "timer-change" && error instanceof Error) refused = error.message; // else: stopped elsewhere
    }
    forget(entry.id);
    changed();
    await settle(entry);
  }
  flushing = false;
}

const next = (): Entry | undefined => held.find((entry) => !isAside(entry) && isOfThisKitchen(entry));

/** History in another kitchen, the demo's perhaps, waits until the browser is in that one again. */
const isOfThisKitchen = (entry: Entry): boolean => !entry.kitchen || entry.kitchen === kitchen();

/** Hear whose kitchen it is before anything is told. */
async function hearWhose(): Promise<void> {
  if (!isKitchenSaid()) await client.GET("/api/pairing/me");
}

/** Answers that say "not now": too slow, too often, or not let in (again). */
const NOT_NOW = new Set([401, 408, 429]);

/** Whether what could not be told may be told later: no answer, or one that says so. */
const waits = (error: unknown): boolean =>
  !(error instanceof ApiError) || error.status >= 500 || NOT_NOW.has(error.status);

async function send(entry: Entry): Promise<void> {
  const sending = { keepalive: true, signal: AbortSignal.timeout(PATIENCE_MS) };
  if (entry.kind === "event") {
    const params = { path: { batch_id: entry.batch } };
    await dataOf(
      client.POST("/api/batches/{batch_id}/events", { params, body: { events: [entry.event] }, ...sending }),
    );
    queries?.setQueryData(
      batchQueries.one(entry.batch).queryKey,
      (run) => run && withEvents(run, [entry.event]),
    );
  } else if (entry.kind === "reading") {
    const params = { path: { probe_id: entry.probe } };
    const body = { readings: [{ c: entry.c, at: entry.at }] };
    await dataOf(client.POST("/api/probes/{probe_id}/readings", { params, body, ...sending }));
  } else if (entry.kind === "timer") {
    takeTimer(await dataOf(client.POST("/api/timers", { body: entry.start, ...sending })));
  } else {
    const params = { path: { timer_key: entry.timer } };
    const timer = await dataOf(
      client.POST("/api/timers/{timer_key}", { params, body: entry.change, ...sending }),
    );
    takeTimer(timer, entry.change.stopped);
  }
}

function takeTimer(timer: Schemas["Timer"], stopped = false): void {
  queries?.setQueryData(timersQuery.queryKey, (list) => {
    if (!list) return list;
    const others = list.timers.filter((row) => row.key !== timer.key);
    return { ...list, timers: stopped ? others : [...others, timer] };
  });
}

/** Ask the server again for what an entry has changed. */
async function settle(entry: Entry): Promise<void> {
  if (entry.kind === "event") {
    void queries?.invalidateQueries({ queryKey: batchQueries.one(entry.batch).queryKey });
    void queries?.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
  } else if (entry.kind !== "reading") {
    void queries?.invalidateQueries({ queryKey: timersQuery.queryKey });
  }
}

/** Whether an entry has waited for so long that one should know of it. */
export const isLate = (entry: Entry): boolean =>
  Date.now() - Number(entry.id.slice(PREFIX.length).split("-")[0]) > LATE_MS;

/** What waits in this browser, the oldest first. */
export const useHeld = (): readonly Entry[] => useSyncExternalStore(subscribe, () => held);

/** Why the server would not keep the last thing that it refused; empty where it refused nothing. */
export const useRefused = (): string => useSyncExternalStore(subscribe, () => refused);
