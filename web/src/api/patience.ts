const FIRST_MS = 2000;
const LONGEST_MS = 30_000;

/** Waits for a number of milliseconds. */
export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Rests between tries that fail: each is twice as long as the one before, up to half a minute. */
export class Patience {
  private nextMs = FIRST_MS;

  constructor(private readonly wait: (ms: number) => Promise<void> = pause) {}

  /** Wait before the next try. */
  async rest(): Promise<void> {
    const ms = this.nextMs;
    this.nextMs = Math.min(LONGEST_MS, 2 * ms);
    await this.wait(ms);
  }

  /** A try went well: the next rest is a short one. */
  reset(): void {
    this.nextMs = FIRST_MS;
  }
}
