import { useState } from "react";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Popover } from "../../ui/Popover";
import { clockText } from "../../units/time";
import { numberIn } from "../../units/units";
import { changeTimer, type RunningTimer, startTimer, useTimers } from "./useTimers";

const LONGEST_MIN = 60 * 24 * 60;

/** Timers that run, large, and a new one: the server keeps their moments, whatever this browser's clock says. */
export function Clocks({ batch }: { batch: number | null }) {
  const timers = useTimers();
  return (
    <div className="flex max-w-full items-stretch overflow-x-auto">
      {timers.map((timer) => (
        <Popover
          key={timer.key}
          label={timer.name}
          className="at-stove"
          trigger={
            <button
              type="button"
              className={`min-h-16 shrink-0 border-line border-r px-5 py-2 text-left ${timer.leftS < 0 ? "bg-copper-pale text-copper" : ""}`}
            >
              <span className="block font-display font-semibold text-[1.875rem] leading-none">
                {leftText(timer)}
              </span>
              <span className="block text-[0.9375rem]">{nameText(timer)}</span>
            </button>
          }
        >
          <TimerKeys timer={timer} />
        </Popover>
      ))}
      <NewClock batch={batch} />
    </div>
  );
}

/** The next clock, for pages that do not show them large: a clock is never out of sight. */
export function RimClock({ className }: { className: string }) {
  const timers = useTimers();
  const [next, ...others] = timers;
  if (!next) return null;
  return (
    <Popover
      label="Timers"
      align="end"
      className="at-stove w-[27rem]"
      trigger={
        <button
          type="button"
          className={`flex min-h-11 items-center gap-2 whitespace-nowrap rounded-md px-3 text-[0.9375rem] max-sm:px-2 ${className} ${next.leftS < 0 ? "bg-copper-pale font-bold text-copper" : "bg-butter text-soot"}`}
        >
          <b className="font-display text-[1.125rem]">{leftText(next)}</b>
          <span className="max-w-40 truncate max-sm:hidden">{nameText(next)}</span>
          {others.length > 0 && <span className="max-sm:sr-only">and {others.length} more</span>}
        </button>
      }
    >
      <ul className="grid gap-3">
        {timers.map((timer) => (
          <li key={timer.key}>
            <p className={timer.leftS < 0 ? "text-copper" : ""}>
              <b className="font-display text-[1.375rem]">{leftText(timer)}</b> {nameText(timer)}
            </p>
            <TimerKeys timer={timer} />
          </li>
        ))}
      </ul>
    </Popover>
  );
}

const leftText = (timer: RunningTimer) => `${timer.leftS < 0 ? "+" : ""}${clockText(timer.leftS)}`;
const nameText = (timer: RunningTimer) =>
  `${timer.name}${timer.leftS < 0 ? ", overdue" : timer.isPaused ? ", paused" : ""}${timer.waits ? ", not sent yet" : ""}`;

function TimerKeys({ timer }: { timer: RunningTimer }) {
  const keys: [string, Parameters<typeof changeTimer>[1]][] = [
    ["1 min more", { more_s: 60 }],
    ["5 min more", { more_s: 300 }],
    [timer.isPaused ? "Go on" : "Pause", { paused: !timer.isPaused }],
    ["Stop it", { stopped: true }],
  ];
  return (
    <div className="flex flex-wrap gap-2">
      {keys.map(([words, change]) => (
        <Button
          key={words}
          aria-label={`${words}: ${timer.name}`}
          onClick={() => changeTimer(timer.key, change)}
        >
          {words}
        </Button>
      ))}
    </div>
  );
}

function NewClock({ batch }: { batch: number | null }) {
  const [name, setName] = useState("");
  const [minutes, setMinutes] = useState("10");
  const [open, setOpen] = useState(false);
  const wanted = numberIn(minutes) ?? 0;
  const fits = wanted > 0 && wanted <= LONGEST_MIN;
  return (
    <Popover
      label="A new timer"
      className="at-stove"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="min-h-16 shrink-0 px-5 py-2 font-bold text-[1.0625rem] text-rim">
          Start a timer
        </button>
      }
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!fits) return;
          startTimer(name.trim() || "Timer", 60 * wanted, batch);
          setOpen(false);
        }}
      >
        <TextField
          label="For what"
          value={name}
          maxLength={60}
          placeholder="Trays, second chill"
          onChange={(e) => setName(e.target.value)}
        />
        <NumberField label="Minutes" value={minutes} onChange={(e) => setMinutes(e.target.value)} />
        {wanted > LONGEST_MIN && <p role="alert">Up to {LONGEST_MIN} minutes, which is 60 days.</p>}
        <Button type="submit" look="filled" disabled={!fits}>
          Start timer
        </Button>
      </form>
    </Popover>
  );
}
