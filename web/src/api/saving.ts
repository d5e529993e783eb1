import { ApiError } from "./client";
import { Patience } from "./patience";

export type Saving = { state: "saved" | "saving" | "waiting" | "conflict" | "refused"; message: string };

/** What waits to be stored, whether what is shown is ahead of it, and whether a save of it failed. */
export type Queue<T> = { wanted: { value: T } | null; ahead: boolean; failed: boolean };

/**
 * Stores what waits, one at a time and the newest last, and tries a failed save again until it is stored.
 *
 * @param store sends one state; throws an ApiError for a refusal.
 * @param rest waits so many milliseconds before the next try.
 */
export async function storeWaiting<T>(
  queue: Queue<T>,
  store: (value: T) => Promise<void>,
  say: (saving: Saving) => void,
  rest: (ms: number) => Promise<void>,
): Promise<void> {
  const patience = new Patience(rest);
  while (queue.wanted) {
    const next = queue.wanted;
    queue.wanted = null;
    try {
      await store(next.value);
      queue.failed = false;
      patience.reset();
      if (!queue.wanted && !queue.ahead) say({ state: "saved", message: "Saved" });
    } catch (error) {
      queue.failed = false;
      if (error instanceof ApiError && error.status === 409) {
        say({ state: "conflict", message: error.problem.detail });
        return;
      }
      if (error instanceof ApiError && error.status < 500) {
        say({ state: "refused", message: `Not saved: ${error.problem.detail}` });
        continue;
      }
      queue.wanted ??= next;
      queue.failed = true;
      const why = error instanceof ApiError ? error.problem.detail : "Hearth Bowl is not answering.";
      say({ state: "waiting", message: `Not saved yet: ${why} Trying again.` });
      await patience.rest();
    }
  }
}
