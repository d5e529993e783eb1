/** By how much this browser's clock is behind the server's, ms; what the server last said counts. */
let behindMs = 0;

/** Take the moment that an answer of the server carries. */
export function noteServerTime(now: string): void {
  behindMs = Date.parse(now) - Date.now();
}

/** Now, by the server's clock, ms. */
export const serverNow = (): number => Date.now() + behindMs;

/** Now, by the server's clock, as the API takes moments. */
export const serverMoment = (): string => new Date(serverNow()).toISOString();
