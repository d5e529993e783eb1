import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { assortmentsQuery } from "../../api/queries";

export type Asked = Schemas["AssortmentIn"];

const PAUSE_MS = 400;
const RETRY_MS = 2000;

/** An assortment as it is made: shown at once, saved soon after, never over another's. */
export function useAssortment(stored: Schemas["StoredAssortmentOut"]) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<Asked>(stored.asked as Asked);
  const [said, setSaid] = useState("Saved");
  const revision = useRef(stored.revision);
  const wanted = useRef<Asked | null>(null);
  const running = useRef<Promise<void> | null>(null);
  const timer = useRef<number | undefined>(undefined);

  const put = useCallback(async () => {
    while (wanted.current) {
      const next = wanted.current;
      wanted.current = null;
      try {
        const answer = await dataOf(
          client.PUT("/api/assortments/{assortment_id}", {
            params: { path: { assortment_id: stored.id } },
            body: { revision: revision.current, asked: next },
            keepalive: true,
          }),
        );
        revision.current = answer.revision;
        if (!wanted.current) setSaid("Saved");
      } catch (error) {
        if (error instanceof ApiError && error.status === 409) {
          setSaid("Not saved: it was changed elsewhere. Reload to see that.");
        } else if (error instanceof ApiError && error.status < 500) {
          setSaid(`Not saved: ${error.problem.detail}`);
        } else {
          wanted.current ??= next;
          setSaid("Not saved yet: the application does not answer. Trying again.");
          await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        }
      }
    }
  }, [stored.id]);

  const flush = useCallback(() => {
    window.clearTimeout(timer.current);
    running.current ??= put().finally(() => {
      running.current = null;
    });
    return running.current;
  }, [put]);

  const change = useCallback(
    (part: Partial<Asked>) => {
      setAsked((now) => {
        const next = { ...now, ...part };
        wanted.current = next;
        return next;
      });
      setSaid("Saving");
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(flush, PAUSE_MS);
    },
    [flush],
  );

  /** Forget what is not saved yet: it is about to be deleted. */
  const drop = useCallback(async () => {
    window.clearTimeout(timer.current);
    wanted.current = null;
    await running.current;
  }, []);

  useEffect(() => {
    const leave = () => void flush();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
      queries.invalidateQueries({ queryKey: assortmentsQuery.queryKey });
    };
  }, [flush, queries]);

  return { asked, said, change, flush, drop };
}
