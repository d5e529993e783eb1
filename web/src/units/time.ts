/** Seconds as a cook reads them: 45 s, 3 min 10 s, 2 h 5 min, 4 h. */
export function timeText(seconds: number): string {
  const s = Math.round(Math.abs(seconds));
  if (s < 60) return `${s} s`;
  if (s < 3600) {
    const rest = s % 60;
    return rest === 0 || s >= 600 ? `${Math.round(s / 60)} min` : `${Math.floor(s / 60)} min ${rest} s`;
  }
  const minutes = Math.floor((s % 3600) / 60);
  return `${Math.floor(s / 3600)} h${minutes > 0 ? ` ${minutes} min` : ""}`;
}

const SPANS = [
  { s: 86_400, from: 172_800, name: "days" },
  { s: 3600, from: 7200, name: "h" },
  { s: 60, from: 60, name: "min" },
  { s: 1, from: 0, name: "s" },
];

/** A stretch of time between two ends, its unit said once: 5–9 min, 4–12 h; one figure where the ends agree. */
export function spanText(lowS: number, highS: number): string {
  const unit = SPANS.find(({ from }) => highS >= from) ?? SPANS[3];
  const [low, high] = [lowS, highS].map((s) => Math.round(s / (unit?.s ?? 1)));
  if (low === 0) return timeText(highS);
  return low === high ? `${high} ${unit?.name}` : `${low}–${high} ${unit?.name}`;
}

/** A running clock: 3:12, or 1:02:09. */
export function clockText(seconds: number): string {
  const s = Math.floor(Math.abs(seconds));
  const two = (value: number) => String(value).padStart(2, "0");
  const hours = Math.floor(s / 3600);
  return hours > 0
    ? `${hours}:${two(Math.floor((s % 3600) / 60))}:${two(s % 60)}`
    : `${Math.floor(s / 60)}:${two(s % 60)}`;
}

/** To five seconds, or to a minute beyond ten: a forecast is no stopwatch. */
export function aboutText(seconds: number): string {
  return timeText(seconds < 600 ? 5 * Math.round(seconds / 5) : 60 * Math.round(seconds / 60));
}

const english = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat("en-GB", options);

/** Writers of days, in English whatever the browser speaks. Kept, because making one takes long. */
const DAYS = {
  short: english({ weekday: "short", day: "numeric", month: "short" }),
  long: english({ weekday: "long", day: "numeric", month: "long" }),
  weekday: english({ weekday: "long" }),
  date: english({ day: "numeric", month: "long" }),
  dated: english({ day: "numeric", month: "long", year: "numeric" }),
  month: english({ month: "long", year: "numeric" }),
};
const CLOCK = new Intl.DateTimeFormat(undefined, { hour: "numeric", minute: "2-digit" });

/** A moment on the kitchen's clock: Fri 14 Aug, 19:30. */
export function momentText(moment: string | Date): string {
  return `${DAYS.short.format(new Date(moment))}, ${clockOf(moment)}`;
}

/** The time of day of a moment. */
export function clockOf(moment: string | Date): string {
  return CLOCK.format(new Date(moment));
}

/** A time of day as it is kept, such as 08:00, on the person's clock. */
export function timeOfDay(kept: string): string {
  return clockOf(`2000-01-01T${kept === "24:00" ? "00:00" : kept}`);
}

/** The day of a moment: Friday 14 August; or as another of the writers has it. A day alone is that day everywhere. */
export function dayOf(moment: string | Date, as: keyof typeof DAYS = "long"): string {
  const isDayAlone = typeof moment === "string" && moment.length === "2026-08-14".length;
  return DAYS[as].format(new Date(isDayAlone ? `${moment}T12:00` : moment));
}

/** A moment with its day only where that is another than the day of now. */
export function nearMomentText(moment: string, now: string): string {
  return isSameDay(moment, now) ? clockOf(moment) : momentText(moment);
}

export function isSameDay(one: string | Date, other: string | Date): boolean {
  return new Date(one).toDateString() === new Date(other).toDateString();
}

/** Minutes as they are spoken: 45 min, 2 h, 2 h 15 min, 1 day 3 h. */
export function spokenMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const [days, hours, rest] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  return [days && `${days} day${days > 1 ? "s" : ""}`, hours && `${hours} h`, rest && `${rest} min`]
    .filter(Boolean)
    .join(" ");
}
