import type { Schemas } from "../../api/client";

type RunAct = Schemas["RunAct"];

/** Steps at which this browser left batches as done, by the batch: the server's word on another mix may be older. */
const left = new Map<number, number>();

/** Notes that a batch was left with a step done; at its end, with all of them. */
export const noteLeft = (batch: number, step: number) => void left.set(batch, step);

/** Forgets it: somebody goes back to the batch. */
export const noteBack = (batch: number) => void left.delete(batch);

/** Whether this browser left a batch with a step of it done. */
export function isLeft({ batch_id, step }: Pick<RunAct, "batch_id" | "step">): boolean {
  const upTo = batch_id === null ? undefined : left.get(batch_id);
  return upTo !== undefined && step !== null && step <= upTo;
}

/** An act as it stands by what this browser knows of its batch too. */
export const asLeft = (act: RunAct): RunAct => (isLeft(act) ? { ...act, state: "done" } : act);
