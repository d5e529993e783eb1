import type { Query, QueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { pause } from "../api/patience";
import { BUILD, BUILD_HEADER } from "./build";
import { noteKitchen } from "./kitchen";
import { forget, keep, lastOf } from "./store";

/** What is of this moment only, or no business of a device that may be lost. */
const NEVER = new Set<unknown>(["live", "trace", "data", "pairing"]);
/** What is answered so late is not answered: a machine that is switched off says nothing at all. */
const PATIENCE_MS = 12_000;
/** Of answers that come one after the other, as one types, the first and the last are kept. */
const SETTLED_MS = 400;
const KNOCK_MS = 3000;
const KNOCK_AT = "/api/pairing/me";

let isNewer = false;
/** By question, of when the answer is that is shown now, where it is not of now. */
const old = new Map<string, number>();
let asOf: number | null = null;
let knocking = false;
let onBack: () => void = () => undefined;
const listeners = new Set<() => void>();

function changed(): void {
  asOf = old.size > 0 ? Math.min(...old.values()) : null;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Of when the oldest is that is shown because the server does not answer, ms; null: all is of now. */
export const useAsOf = (): number | null => useSyncExternalStore(subscribe, () => asOf);

/** Whether the server has pages of another build than these. */
export const useIsNewer = (): boolean => useSyncExternalStore(subscribe, () => isNewer);

/** Take note that the server has other pages. */
export function noteNewer(): void {
  isNewer = true;
  changed();
}

/** Ask the server; a question that is not answered in time is an error, as is one that cannot be asked. */
export async function askServer(request: Request): Promise<Response> {
  const late = request.method === "GET" ? [AbortSignal.timeout(PATIENCE_MS)] : [];
  const answer = await fetch(request, { signal: AbortSignal.any([request.signal, ...late]) });
  await noted(answer);
  return answer;
}

/** What every answer tells besides: of which build the pages are, and whether this device is still let in. */
async function noted(answer: Response): Promise<void> {
  noteKitchen(answer);
  const build = answer.headers.get(BUILD_HEADER);
  if (build && BUILD && build !== BUILD && !isNewer) noteNewer();
  if (answer.status !== 401) return;
  // this device was let go: what it did and has not sent stays, and is sent once it is in again
  await forget();
  location.assign("/pair");
}

/** Whether an error is no answer at all, not one that refuses. */
const isSilence = (error: unknown): boolean =>
  error instanceof TypeError || (error instanceof DOMException && error.name === "TimeoutError");

const waiting = new Map<string, number>();

/** Keep an answer at once, and those that come soon after it once no newer one comes. */
function keepSoon(question: string, data: () => unknown): void {
  const earlier = waiting.get(question);
  const put = () => {
    if (!old.has(question)) void keep(question, data());
  };
  const settled = () => {
    waiting.delete(question);
    if (earlier !== undefined) put();
  };
  window.clearTimeout(earlier);
  if (earlier === undefined) put();
  waiting.set(question, window.setTimeout(settled, SETTLED_MS));
}

/** Keep what the server says in this browser; where it says nothing, show what it said last. */
export function keepAnswers(queries: QueryClient): void {
  onBack = () => void queries.invalidateQueries();
  queries.getQueryCache().subscribe((event) => {
    const { query } = event;
    if (event.type !== "updated" || query.queryKey.some((part: unknown) => NEVER.has(part))) return;
    if (event.action.type === "success") {
      if (event.action.manual !== true && old.delete(query.queryHash)) changed();
      keepSoon(query.queryHash, () => query.state.data);
    } else if (event.action.type === "error" && isSilence(event.action.error)) void fallBack(queries, query);
  });
}

async function fallBack(queries: QueryClient, query: Query): Promise<void> {
  if (query.state.data !== undefined) {
    isOld(query.queryHash, query.state.dataUpdatedAt);
    return;
  }
  const last = await lastOf(query.queryHash);
  if (last === undefined || query.state.data !== undefined) return;
  isOld(query.queryHash, last.at);
  queries.setQueryData(query.queryKey, last.data, { updatedAt: last.at });
}

/**
 * Ask; where nothing answers, give the last answer, and say that it is of then.
 *
 * @param place what is asked about: of it the last answer alone is kept, with what was asked.
 */
export async function orLast<T>(place: string, asked: unknown, ask: () => Promise<T>): Promise<T> {
  const body = JSON.stringify(asked);
  try {
    const answer = await ask();
    if (old.delete(place)) changed();
    keepSoon(place, () => ({ body, answer }));
    return answer;
  } catch (error) {
    const last = isSilence(error) ? await lastOf(place) : undefined;
    const known = last?.data as { body: string; answer: T } | undefined;
    if (last === undefined || known?.body !== body) throw error;
    isOld(place, last.at);
    return known.answer;
  }
}

function isOld(question: string, at: number): void {
  old.set(question, Math.min(at, old.get(question) ?? at));
  changed();
  void knock();
}

/** Knock until the server answers again; then everything that is shown is asked anew. */
async function knock(): Promise<void> {
  if (knocking) return;
  knocking = true;
  while (old.size > 0) {
    await pause(KNOCK_MS);
    try {
      await noted(await fetch(KNOCK_AT, { signal: AbortSignal.timeout(PATIENCE_MS) }));
      old.clear();
      changed();
      onBack();
    } catch {
      // not yet
    }
  }
  knocking = false;
}
