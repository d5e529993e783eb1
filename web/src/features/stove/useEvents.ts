import { useCallback } from "react";
import { newKey, tell } from "../../api/outbox";
import { serverMoment } from "../../api/serverTime";

export type Happen = (kind: string, data?: Record<string, unknown>) => void;

/** Tell what happens at the stove in a batch: it is kept in this browser until the server has it. */
export function useEvents(batch: number): Happen {
  return useCallback(
    (kind, data = {}) =>
      tell({
        kind: "event",
        batch,
        event: { client_key: newKey(), at: serverMoment(), kind, data },
      }),
    [batch],
  );
}
