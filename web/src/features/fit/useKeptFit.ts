import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { keptFitQuery } from "../../api/queries";

export type KeptFit = Omit<Schemas["KeptFitIn"], "ask"> & { ask: Schemas["AskIn"] };

const PAUSE_MS = 400;
const RETRY_MS = 2000;

/** Keeps the fit of a recipe as it is made; says how that goes, and tries again until it is stored. */
export function useKeptFit(id: number) {
  const queries = useQueryClient();
  const wanted = useRef<KeptFit | null>(null);
  const timer = useRef<number | undefined>(undefined);
  const running = useRef<Promise<void> | null>(null);
  const [said, setSaid] = useState("Saved");

  const put = useCallback(async () => {
    while (wanted.current) {
      const kept = wanted.current;
      wanted.current = null;
      try {
        const answer = await dataOf(
          client.PUT("/api/recipes/{recipe_id}/fit", {
            params: { path: { recipe_id: id } },
            body: kept as never,
            keepalive: true,
          }),
        );
        queries.setQueryData(keptFitQuery(id).queryKey, answer);
        if (!wanted.current) setSaid("Saved");
      } catch (error) {
        if (error instanceof ApiError && error.status < 500) {
          setSaid(`Not saved: ${error.problem.detail}`);
          continue;
        }
        wanted.current ??= kept;
        setSaid("Not saved yet: the application does not answer. Trying again.");
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  }, [id, queries]);

  /** Store at once what waits; done when it is stored. */
  const flush = useCallback(() => {
    window.clearTimeout(timer.current);
    running.current ??= put().finally(() => {
      running.current = null;
    });
    return running.current;
  }, [put]);

  const keep = useCallback(
    (kept: KeptFit) => {
      window.clearTimeout(timer.current);
      wanted.current = kept;
      setSaid("Saving");
      timer.current = window.setTimeout(flush, PAUSE_MS);
    },
    [flush],
  );

  useEffect(() => {
    const leave = () => void flush();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [flush]);

  return { said, keep, flush };
}
