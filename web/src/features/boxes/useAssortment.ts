import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { assortmentsQuery } from "../../api/queries";
import { keepsAlive, useSaver } from "../../api/useSaver";

export type AssortmentAsk = Schemas["AssortmentAsk"];

const PAUSE_MS = 400;

/** An assortment as it is made: shown at once, saved soon after, never over another's. */
export function useAssortment(stored: Schemas["StoredAssortment"]) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<AssortmentAsk>(stored.asked);
  const now = useRef(asked);
  const revision = useRef(stored.revision);
  const store = useCallback(
    async (next: AssortmentAsk) => {
      const body = { revision: revision.current, asked: next };
      const params = { path: { assortment_id: stored.id } };
      const answer = await dataOf(
        client.PUT("/api/assortments/{assortment_id}", { params, body, keepalive: keepsAlive(body) }),
      );
      revision.current = answer.revision;
    },
    [stored.id],
  );
  const { saving, save, flush, drop } = useSaver(store, PAUSE_MS);
  const change = useCallback(
    (part: Partial<AssortmentAsk>) => {
      now.current = { ...now.current, ...part };
      setAsked(now.current);
      save(now.current);
    },
    [save],
  );
  useEffect(
    () => () => {
      queries.invalidateQueries({ queryKey: assortmentsQuery.queryKey });
    },
    [queries],
  );
  return { asked, said: saving.message, change, flush, drop };
}
