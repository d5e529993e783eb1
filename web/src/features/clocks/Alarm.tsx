import { useEffect, useRef } from "react";
import { beep, say } from "../../ui/sound";
import { useTimers } from "./useTimers";

const AGAIN_MS = 20_000;
const RINGS = 6;

/** Rings when a clock is over, on whatever page one is, and again until it is stopped or given more time. */
export function Alarm() {
  const overdue = useTimers().filter((timer) => timer.leftS < 0 && !timer.isPaused);
  const rung = useRef(new Map<string, { times: number; last: number }>());
  const keys = overdue.map((timer) => timer.key).join();
  useEffect(() => {
    for (const key of rung.current.keys()) if (!keys.split(",").includes(key)) rung.current.delete(key);
  }, [keys]);
  const due = overdue.filter((timer) => {
    const before = rung.current.get(timer.key);
    return !before || (before.times < RINGS && Date.now() - before.last > AGAIN_MS);
  });
  useEffect(() => {
    if (due.length === 0) return;
    for (const timer of due) {
      const before = rung.current.get(timer.key);
      rung.current.set(timer.key, { times: (before?.times ?? 0) + 1, last: Date.now() });
      if (!before) say(`${timer.name}: time is up.`);
    }
    beep();
  });
  if (overdue.length === 0) return null;
  return (
    <p role="alert" className="sr-only">
      {overdue.map((timer) => `${timer.name}: time is up.`).join(" ")}
    </p>
  );
}
