import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { batchQueries } from "../../api/queries";

type Event = Schemas["EventIn"];

const RETRY_MS = 2000;
const keyOf = (batch: number) => `hearth-bowl-events-${batch}`;

function kept(batch: number): Event[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(batch)) ?? "[]");
  } catch {
    return [];
  }
}

/** What happens at the stove, kept in this browser until the server has it: a lost connection loses nothing. */
export function useEvents(batch: number) {
  const queries = useQueryClient();
  const [waiting, setWaiting] = useState(() => kept(batch).length);
  const running = useRef(false);

  const flush = useCallback(async () => {
    if (running.current) return;
    running.current = true;
    try {
      for (let events = kept(batch); events.length > 0; events = kept(batch)) {
        try {
          await dataOf(
            client.POST("/api/batches/{batch_id}/events", {
              params: { path: { batch_id: batch } },
              body: { events: events.slice(0, 100) },
              keepalive: true,
            }),
          );
          const sent = new Set(events.slice(0, 100).map((event) => event.client_key));
          localStorage.setItem(
            keyOf(batch),
            JSON.stringify(kept(batch).filter((e) => !sent.has(e.client_key))),
          );
          setWaiting(kept(batch).length);
          await queries.invalidateQueries({ queryKey: batchQueries.one(batch).queryKey });
          await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
        } catch (error) {
          if (error instanceof ApiError && error.status >= 400 && error.status < 500) {
            localStorage.removeItem(keyOf(batch));
            setWaiting(0);
            return;
          }
          await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        }
      }
    } finally {
      running.current = false;
    }
  }, [batch, queries]);

  useEffect(() => {
    void flush();
  }, [flush]);

  const happen = useCallback(
    (kind: string, data: Record<string, unknown> = {}) => {
      const event: Event = {
        client_key: crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`,
        at: new Date().toISOString(),
        kind,
        data,
      };
      localStorage.setItem(keyOf(batch), JSON.stringify([...kept(batch), event]));
      setWaiting(kept(batch).length);
      void flush();
      return event.client_key;
    },
    [batch, flush],
  );
  return { happen, waiting };
}
