const FORGET_MS = 60_000;

/** By how much this browser's clock is behind the server's, ms, and when that was found. */
let behind = { ms: 0, found: Number.NEGATIVE_INFINITY };

/** Take the moment that an answer carries: it was late by its way here, so of a minute's answers the quickest counts. */
export function noteServerTime(now: string): void {
  const ms = Date.parse(now) - Date.now();
  const found = performance.now();
  if (ms > behind.ms || found - behind.found > FORGET_MS) behind = { ms, found };
}

/** Now, by the server's clock, ms. */
export const serverNow = (): number => Date.now() + behind.ms;

/** Now, by the server's clock, as the API takes moments. */
export const serverMoment = (): string => new Date(serverNow()).toISOString();
