import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { occasionsQuery } from "../../api/queries";
import { keepsAlive, useSaver } from "../../api/useSaver";

export type OccasionAsk = Schemas["OccasionAsk"];

const PAUSE_MS = 400;

/** An occasion as it is made: shown at once, saved soon after, never over another's. */
export function useOccasion(stored: Schemas["StoredOccasion"]) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<OccasionAsk>(stored.asked);
  const now = useRef(asked);
  const revision = useRef(stored.revision);
  const store = useCallback(
    async (next: OccasionAsk) => {
      const body = { revision: revision.current, asked: next };
      const params = { path: { occasion_id: stored.id } };
      const answer = await dataOf(
        client.PUT("/api/occasions/{occasion_id}", { params, body, keepalive: keepsAlive(body) }),
      );
      revision.current = answer.revision;
    },
    [stored.id],
  );
  const { saving, save, flush, drop } = useSaver(store, PAUSE_MS);
  const change = useCallback(
    (part: Partial<OccasionAsk>) => {
      now.current = { ...now.current, ...part };
      setAsked(now.current);
      save(now.current);
    },
    [save],
  );
  useEffect(
    () => () => {
      queries.invalidateQueries({ queryKey: occasionsQuery.queryKey });
    },
    [queries],
  );
  return { asked, said: saving.message, change, flush, drop };
}
