import type { ComponentType, ReactNode } from "react";
import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { clockOf, momentText, spokenMinutes } from "../../units/time";
import { useUnits } from "../../units/units";
import { stoveOf } from "./stoveOf";
import { takesText } from "./takesText";
import type { TaskState } from "./threadShape";
import type { Follow } from "./useOrder";

type Props = {
  state: TaskState;
  /** Leaves out the confection that the job is of; null where it serves several. */
  leaveOut: (() => void) | null;
  follow: Follow;
  close: ComponentType<{ asChild: boolean; children: ReactNode }>;
};

/** One job close up: when, why there, how far it may slip, and what happened of it. */
export function TaskDetails({ state, leaveOut, follow, close: Close }: Props) {
  const { task } = state;
  const units = useUnits();
  const stove = stoveOf(follow.occasionId, state);
  const why = task.because.split("; ");
  return (
    <div className="grid gap-2">
      <h3 className="font-bold">{task.title}</h3>
      <p>
        {momentText(task.starts_at)} to {clockOf(task.ends_at)}
        {state.began_at && `; begun ${clockOf(state.began_at)}`}
        {state.ended_at && `, done ${clockOf(state.ended_at)}`}
      </p>
      {(task.takes ?? []).length > 0 && (
        <p>
          Goes in: <b className="tabular-nums">{takesText(task.takes, units)}</b>
        </p>
      )}
      <p>Why here: {why.join("; ")}.</p>
      <p>
        {task.slack_min > 0
          ? `Can wait ${spokenMinutes(task.slack_min)} while the rest stays as planned.`
          : "No time to spare: something follows at once."}
      </p>
      <p className="text-ash text-sm">
        How long it takes is ours until your kitchen has shown it.
        {task.holds.length > 0 && ` Leaves ${task.holds.join(", ")} on tools.`}
      </p>
      <div className="flex flex-wrap gap-2">
        {state.state === "ahead" && (
          <Close asChild>
            <Button onClick={() => follow.happened(task.id, "begun")}>Start task</Button>
          </Close>
        )}
        {state.state !== "done" && (
          <Close asChild>
            <Button look="filled" onClick={() => follow.happened(task.id, "done")}>
              Done
            </Button>
          </Close>
        )}
        {state.state !== "ahead" && (
          <Close asChild>
            <Button onClick={() => follow.happened(task.id, "undone")}>Undo done</Button>
          </Close>
        )}
      </div>
      {leaveOut && state.state === "ahead" && (
        <Close asChild>
          <Button look="plain" onClick={leaveOut}>
            Leave this confection out
          </Button>
        </Close>
      )}
      {stove && (
        <Link
          to={stove}
          className="inline-flex min-h-11 items-center font-bold text-rim underline underline-offset-4"
        >
          Make it at the Stove
        </Link>
      )}
    </div>
  );
}
