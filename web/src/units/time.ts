/** Seconds as a cook reads them: 45 s, 3 min 10 s, 2 h 05 min. */
export function timeText(seconds: number): string {
  const s = Math.round(Math.abs(seconds));
  if (s < 60) return `${s} s`;
  if (s < 3600) {
    const rest = s % 60;
    return rest === 0 || s >= 600 ? `${Math.round(s / 60)} min` : `${Math.floor(s / 60)} min ${rest} s`;
  }
  return `${Math.floor(s / 3600)} h ${String(Math.floor((s % 3600) / 60)).padStart(2, "0")} min`;
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

/** A moment on the kitchen's clock, in the person's own words: Fri 14 Aug, 19:30. */
export function momentText(moment: string): string {
  const at = new Date(moment);
  const day = at.toLocaleDateString(undefined, { weekday: "short", day: "numeric", month: "short" });
  return `${day}, ${at.toLocaleTimeString(undefined, { hour: "2-digit", minute: "2-digit" })}`;
}
