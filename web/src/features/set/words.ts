import { clockOf, dayOf, isSameDay, timeText } from "../../units/time";
import type { Units } from "../../units/units";

/** A name within a sentence. */
export const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** To a minute below an hour, then to five. */
export function minutesText(minutes: number | undefined): string {
  const value = Math.max(0, minutes ?? 0);
  return timeText(60 * (value < 60 ? Math.round(value) : 5 * Math.round(value / 5)));
}
export const degrees = (c: number, units: Units) =>
  units.temperature === "F" ? `${Math.round(c * 1.8 + 32)} °F` : `${Math.round(c)} °C`;

/** Minutes below two hours, then hours, then days: a rest is no stopwatch. */
export function hoursText(minutes: number | undefined): string {
  const value = minutes ?? 0;
  if (value < 120) return `${Math.round(value / 5) * 5} min`;
  if (value < 48 * 60) return `${Math.round(value / 60)} h`;
  return `${Math.round(value / 1440)} days`;
}

/** A moment of the day, with its day where that is another one. */
export function momentText(ms: number, nowMs: number): string {
  const [moment, now] = [new Date(ms), new Date(nowMs)];
  const time = clockOf(moment);
  if (isSameDay(moment, now)) return time;
  return `${time} on ${dayOf(moment, "weekday")}`;
}

const FIVE_MIN_MS = 300_000;

/** A moment that was forecast, to five minutes. */
export const aboutMomentText = (ms: number, nowMs: number) =>
  momentText(FIVE_MIN_MS * Math.round(ms / FIVE_MIN_MS), nowMs);
