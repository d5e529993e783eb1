import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError } from "./client";

export type Saving = { state: "saved" | "saving" | "waiting" | "conflict" | "refused"; message: string };

const FIRST_RETRY_MS = 2000;
const LONGEST_RETRY_MS = 30_000;
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
  const wanted = useRef<{ value: T } | null>(null);
  const running = useRef<Promise<void> | null>(null);
  const timer = useRef<number | undefined>(undefined);
  /** Whether what is shown is ahead of what was given to save: a save that ends meanwhile says nothing. */
  const ahead = useRef(false);
  /** Whether something waits that could not be stored: it is in this page alone. */
  const failed = useRef(false);
  const [saving, setSaving] = useState<Saving>({ state: "saved", message: "Saved" });

  const put = useCallback(async () => {
    let waitMs = FIRST_RETRY_MS;
    while (wanted.current) {
      const next = wanted.current;
      wanted.current = null;
      try {
        await store(next.value);
        failed.current = false;
        waitMs = FIRST_RETRY_MS;
        if (!wanted.current && !ahead.current) setSaving({ state: "saved", message: "Saved" });
      } catch (error) {
        failed.current = false;
        if (error instanceof ApiError && error.status === 409) {
          setSaving({ state: "conflict", message: error.problem.detail });
          return;
        }
        if (error instanceof ApiError && error.status < 500) {
          setSaving({ state: "refused", message: `Not saved: ${error.problem.detail}` });
          continue;
        }
        wanted.current ??= next;
        failed.current = true;
        const why = error instanceof ApiError ? error.problem.detail : "the application does not answer.";
        setSaving({ state: "waiting", message: `Not saved yet: ${why} Trying again.` });
        await new Promise((resolve) => setTimeout(resolve, waitMs));
        waitMs = Math.min(LONGEST_RETRY_MS, 2 * waitMs);
      }
    }
  }, [store]);

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
    ahead.current = true;
    say({ state: "saving", message: "Saving" });
  }, [say]);

  const refuse = useCallback((message: string) => say({ state: "refused", message }), [say]);

  const save = useCallback(
    (value: T) => {
      window.clearTimeout(timer.current);
      ahead.current = false;
      wanted.current = { value };
      say({ state: "saving", message: "Saving" });
      timer.current = window.setTimeout(flush, pauseMs);
    },
    [flush, pauseMs, say],
  );

  /** Forget what is not stored yet: it is as it was, or about to be deleted. */
  const drop = useCallback(async () => {
    window.clearTimeout(timer.current);
    ahead.current = false;
    failed.current = false;
    wanted.current = null;
    await running.current;
    say({ state: "saved", message: "Saved" });
  }, [say]);

  useEffect(() => {
    const leave = () => {
      if (wanted.current) void flush();
    };
    const ask = (event: BeforeUnloadEvent) => {
      if (failed.current) event.preventDefault(); // the browser asks whether it shall be lost
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
