import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { newKey, tell } from "../../api/outbox";
import { BY_HAND } from "../../api/probes";
import { batchQueries } from "../../api/queries";
import { serverMoment } from "../../api/serverTime";
import { placeOf } from "../../api/thread";
import type { Happening } from "../run";
import { asLeft, noteBack, noteLeft } from "./left";

type Run = Schemas["Run"];
export type RunAct = Schemas["RunAct"];

/** The line of a run as it is now, also by what the server has not heard yet: its acts, and where one stands in it. */
export function lineNow(run: Run): { acts: RunAct[]; at: number } {
  const { step, step_done } = run.state;
  const isOver = run.batch.ended_at !== null;
  const acts = run.line.map((act): RunAct => {
    if (act.batch_id !== run.batch.id || act.step === null) return asLeft(act);
    const isDone = isOver || act.step < step || (act.step === step && step_done);
    return { ...act, state: isDone ? "done" : act.step === step ? "now" : "ahead" };
  });
  return { acts, at: acts.findIndex((act) => act.batch_id === run.batch.id && act.step === step) };
}

/** The act that comes after the one of now: the next that is not begun, else any before it; null at the end. */
export function nextAct({ acts, at }: { acts: RunAct[]; at: number }): RunAct | null {
  const ahead = acts.map((act, position) => ({ act, position })).filter(({ act }) => act.state === "ahead");
  return (ahead.find(({ position }) => position > at) ?? ahead[0])?.act ?? null;
}

/** Where a run goes to: an act of another mix, or of another confection of the day. */
export type Elsewhere = Pick<RunAct, "recipe_id" | "batch_id" | "step" | "key" | "state"> & {
  confection_id?: number;
  /** The occasion whose number of pieces is made; as the run has it where unsaid. */
  occasion_id?: number;
  /** The acts of the task that is gone to: a run that is begun for it opens at the first of them. */
  acts?: string[];
};

/** Goes to an act elsewhere: its batch is begun where it is not, and the thermometer goes with the cook. */
export function useElsewhere(run: Run) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: async ({ act, leave }: { act: Elsewhere; leave: Happening | null }) => {
      const probe_id = run.batch.probe_id;
      if (act.recipe_id === null) return;
      const confection_id = act.confection_id ?? run.batch.confection_id;
      if (act.batch_id === null) {
        const choices = confection_id === run.batch.confection_id ? run.choices : {};
        const occasion_id = act.occasion_id ?? run.occasion_id;
        const body = { recipe_id: act.recipe_id, confection_id, occasion_id, choices, probe_id };
        const begun = await dataOf(client.POST("/api/batches", { body }));
        const first = begun.line.find((one) => act.acts?.includes(one.act_id) && one.step !== null);
        if (first && first.step !== begun.batch.step)
          say(begun.batch.id, { kind: "step", step: first.step ?? 0, key: first.key, c: null });
      } else {
        noteBack(act.batch_id);
        if (act.state === "ahead" && act.step !== null)
          say(act.batch_id, { kind: "step", step: act.step, key: act.key, c: null });
        if (probe_id !== BY_HAND) say(act.batch_id, { kind: "probe", probe_id });
      }
      if (leave) {
        say(run.batch.id, leave);
        noteLeft(run.batch.id, leave.kind === "end" ? run.steps.length : run.state.step);
      }
      if (probe_id !== BY_HAND && leave?.kind !== "end")
        say(run.batch.id, { kind: "probe", probe_id: BY_HAND });
      await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey });
      navigate(placeOf("stove", act.recipe_id, confection_id));
    },
  });
}

function say(batch: number, what: Happening) {
  tell({ kind: "event", batch, event: { client_key: newKey(), at: serverMoment(), what } });
}
