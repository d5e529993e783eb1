const WIDE = 132;
const HIGH = 34;

/** A trace in small: minutes across, degrees up. */
export function Sketch({ points }: { points: readonly number[][] }) {
  if (points.length < 2)
    return <span className="inline-block h-[2.125rem] w-[8.25rem] shrink-0" aria-hidden="true" />;
  const minutes = points.map(([minute = 0]) => minute);
  const degrees = points.map(([, c = 0]) => c);
  const [from, to] = [Math.min(...minutes), Math.max(...minutes)];
  const [low, high] = [Math.min(...degrees, 15), Math.max(...degrees, 60)];
  const x = (minute: number) => (WIDE * (minute - from)) / Math.max(1, to - from);
  const y = (c: number) => HIGH - 2 - ((HIGH - 4) * (c - low)) / Math.max(1, high - low);
  const path = points.map(
    ([minute = 0, c = 0], i) => `${i ? "L" : "M"}${x(minute).toFixed(1)} ${y(c).toFixed(1)}`,
  );
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="h-[2.125rem] w-[8.25rem] shrink-0"
      role="img"
      aria-label={`Trace: up to ${Math.round(high)} °C in ${Math.round(to)} minutes`}
    >
      <path d={path.join("")} fill="none" className="stroke-copper" strokeWidth="2" strokeLinejoin="round" />
    </svg>
  );
}
