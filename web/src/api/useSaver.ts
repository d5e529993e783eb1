import { useCallback, useEffect, useRef, useState } from "react";
import { pause } from "./patience";
import { type Queue, type Saving, storeWaiting } from "./saving";

export type { Saving };

/** What a browser still sends of a page that is left, all requests together. */
const KEPT_ALIVE_BYTES = 60_000;

/** Whether a body may be sent while its page is left: larger ones a browser refuses. */
export const keepsAlive = (body: unknown): boolean =>
  new TextEncoder().encode(JSON.stringify(body)).length < KEPT_ALIVE_BYTES;

/**
 * Stores what is made as it is made: one save at a time, the newest state last, never over another's, and again until
 * it is stored.
 *
 * @param store sends one state; throws an ApiError for a refusal.
 */
export function useSaver<T>(store: (value: T) => Promise<void>, pauseMs: number) {
  /** What waits; a save that ends while what is shown is ahead says nothing. */
  const queue = useRef<Queue<T>>({ wanted: null, ahead: false, failed: false });
  const running = useRef<Promise<void> | null>(null);
  const timer = useRef<number | undefined>(undefined);
  const [saving, setSaving] = useState<Saving>({ state: "saved", message: "Saved" });

  const put = useCallback(() => storeWaiting(queue.current, store, setSaving, pause), [store]);

  /** Store at once what waits; done when it is stored. */
  const flush = useCallback((): Promise<void> => {
    window.clearTimeout(timer.current);
    running.current ??= put().finally(() => {
      running.current = null;
    });
    return running.current;
  }, [put]);

  const say = useCallback((next: Saving) => {
    setSaving((now) => (now.state === "conflict" ? now : next));
  }, []);

  /** Say at once that what is shown is not what is stored. */
  const touch = useCallback(() => {
    queue.current.ahead = true;
    say({ state: "saving", message: "Saving" });
  }, [say]);

  const refuse = useCallback((message: string) => say({ state: "refused", message }), [say]);

  const save = useCallback(
    (value: T) => {
      window.clearTimeout(timer.current);
      queue.current.ahead = false;
      queue.current.wanted = { value };
      say({ state: "saving", message: "Saving" });
      timer.current = window.setTimeout(flush, pauseMs);
    },
    [flush, pauseMs, say],
  );

  /** Forget what is not stored yet: it is as it was, or about to be deleted. */
  const drop = useCallback(async () => {
    window.clearTimeout(timer.current);
    queue.current.ahead = false;
    queue.current.failed = false;
    queue.current.wanted = null;
    await running.current;
    say({ state: "saved", message: "Saved" });
  }, [say]);

  useEffect(() => {
    const leave = () => {
      if (queue.current.wanted) void flush();
    };
    const ask = (event: BeforeUnloadEvent) => {
      if (queue.current.failed) event.preventDefault(); // the browser asks whether it shall be lost
    };
    window.addEventListener("pagehide", leave);
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("beforeunload", ask);
      leave();
    };
  }, [flush]);

  const isRunning = useCallback(() => running.current !== null, []);
  return { saving, save, touch, refuse, flush, drop, isRunning };
}
