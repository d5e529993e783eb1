import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { keepsAlive, useSaver } from "../../api/useSaver";
import type { Asked } from "./words";

const PAUSE_MS = 400;
const MOST_UNDO = 100;

/** A confection as it is put together: shown at once, saved soon after, never over another's; each change can go back. */
export function useConfection(stored: Schemas["StoredConfection"]) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<Asked>(stored.asked);
  const [past, setPast] = useState<Asked[]>([]);
  const now = useRef(asked);
  const revision = useRef(stored.revision);
  const store = useCallback(
    async (next: Asked) => {
      const body = { revision: revision.current, asked: next };
      const params = { path: { confection_id: stored.id } };
      const answer = await dataOf(
        client.PUT("/api/confections/{confection_id}", { params, body, keepalive: keepsAlive(body) }),
      );
      revision.current = answer.revision;
      queries.setQueryData(confectionQueries.one(stored.id).queryKey, answer);
      void queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey, exact: true });
    },
    [queries, stored.id],
  );
  const { saving, save, drop, flush } = useSaver(store, PAUSE_MS);
  const put = useCallback(
    (next: Asked) => {
      now.current = next;
      setAsked(next);
      save(next);
    },
    [save],
  );
  const change = useCallback(
    (part: Partial<Asked>) => {
      const before = now.current;
      setPast((list) => [...list.slice(-MOST_UNDO), before]);
      put({ ...before, ...part });
    },
    [put],
  );
  /** What was changed and stored elsewhere than here. */
  const accept = useCallback(
    (answer: Schemas["StoredConfection"]) => {
      const before = now.current;
      setPast((list) => [...list.slice(-MOST_UNDO), before]);
      now.current = answer.asked;
      revision.current = answer.revision;
      setAsked(answer.asked);
      queries.setQueryData(confectionQueries.one(answer.id).queryKey, answer);
    },
    [queries],
  );
  const undo = useCallback(() => {
    const last = past.at(-1);
    if (!last) return;
    setPast((list) => list.slice(0, -1));
    put(last);
  }, [past, put]);
  return { asked, saving, change, undo, canUndo: past.length > 0, drop, flush, accept };
}
