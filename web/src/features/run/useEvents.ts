import { useCallback } from "react";
import type { Schemas } from "../../api/client";
import { newKey, tell } from "../../api/outbox";
import { serverMoment } from "../../api/serverTime";

export type Happening = Schemas["EventIn"]["what"];
export type Happen = (what: Happening) => void;

/** Tell what happens at the stove in a batch: it is kept in this browser until the server has it. */
export function useEvents(batch: number): Happen {
  return useCallback(
    (what) => tell({ kind: "event", batch, event: { client_key: newKey(), at: serverMoment(), what } }),
    [batch],
  );
}
