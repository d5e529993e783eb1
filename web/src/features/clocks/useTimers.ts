import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { isLate, newKey, tell, useHeld } from "../../api/outbox";
import { timersQuery } from "../../api/queries";
import { serverMoment, serverNow } from "../../api/serverTime";

const POLL_MS = 5000;

/** A clock as it runs here: `leftS` is below 0 when it is overdue, `waits` while the server does not know of it. */
export type RunningTimer = {
  key: string;
  batch: number | null;
  name: string;
  leftS: number;
  isPaused: boolean;
  waits: boolean;
};
type Kept = {
  key: string;
  batch: number | null;
  name: string;
  endsMs: number;
  pausedS: number | null;
  waits: boolean;
};
export type TimerChange = { more_s?: number; paused?: boolean; stopped?: boolean };

/** Every clock, the next first, by the server's clock; what waits to be sent counts already. */
export function useTimers(): RunningTimer[] {
  const { data } = useQuery({ ...timersQuery, refetchInterval: POLL_MS });
  const held = useHeld();
  const timers = new Map<string, Kept>();
  for (const { key, batch_id, name, ends_at, is_paused, left_s } of data?.timers ?? [])
    timers.set(key, {
      key,
      name,
      batch: batch_id,
      endsMs: Date.parse(ends_at),
      pausedS: is_paused ? left_s : null,
      waits: false,
    });
  for (const entry of held) {
    if (entry.kind === "timer") {
      const { key, name, seconds, batch_id = null, at } = entry.start;
      const endsMs = Date.parse(at) + 1000 * seconds;
      timers.set(key, { key, name, batch: batch_id, endsMs, pausedS: null, waits: isLate(entry) });
    } else if (entry.kind === "timer-change") {
      const timer = timers.get(entry.timer);
      if (timer) timers.set(entry.timer, { ...changed(timer, entry.change), waits: isLate(entry) });
      if (entry.change.stopped) timers.delete(entry.timer);
    }
  }
  useSeconds(timers.size > 0);
  const now = serverNow();
  return [...timers.values()]
    .map(({ key, batch, name, endsMs, pausedS, waits }) => ({
      key,
      batch,
      name,
      leftS: pausedS ?? (endsMs - now) / 1000,
      isPaused: pausedS !== null,
      waits,
    }))
    .sort((a, b) => a.leftS - b.leftS);
}

/** What a change that was not sent yet does to a timer, as the server will do it. */
function changed(timer: Kept, change: Schemas["ChangeTimerIn"] & { at: string }): Kept {
  const at = Date.parse(change.at);
  let { endsMs, pausedS } = timer;
  if (change.more_s != null) {
    if (pausedS !== null) pausedS += change.more_s;
    else endsMs = (change.more_s > 0 ? Math.max(endsMs, at) : endsMs) + 1000 * change.more_s;
  }
  if (change.paused === true && pausedS === null) pausedS = (endsMs - at) / 1000;
  else if (change.paused === false && pausedS !== null) {
    endsMs = at + 1000 * pausedS;
    pausedS = null;
  }
  return { ...timer, endsMs, pausedS };
}

export function startTimer(name: string, seconds: number, batch: number | null): void {
  tell({ kind: "timer", start: { name, seconds, batch_id: batch, key: newKey(), at: serverMoment() } });
}

export function changeTimer(key: string, change: TimerChange): void {
  tell({ kind: "timer-change", timer: key, change: { ...change, change_key: newKey(), at: serverMoment() } });
}

/** Draw anew twice a second, for clocks. */
export function useSeconds(on: boolean): void {
  const [, setTick] = useState(0);
  useEffect(() => {
    if (!on) return;
    const tick = window.setInterval(() => setTick((now) => now + 1), 500);
    return () => window.clearInterval(tick);
  }, [on]);
}
