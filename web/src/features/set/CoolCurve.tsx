import type { Schemas } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import type { Units } from "../../units/units";

type Props = {
  clock: Schemas["SetClock"];
  seen: Schemas["CorrectionIn"][];
  sinceMs: number | null;
  units: Units;
};

const WIDTH = 560;
const HEIGHT = 260;
const LEFT = 46;
const BOTTOM = 30;

/** The warmest point over time, where it counts as cool with its band, and what was read. */
export function CoolCurve({ clock, seen, sinceMs, units }: Props) {
  if (clock.curve.length < 2) return null;
  const end = Math.max(...clock.curve.map(([m = 0]) => m), clock.cool_min[2] ?? 0, 10);
  const temperatures = clock.curve.map(([, c = 0]) => c);
  const high = Math.max(...temperatures) + 2;
  const low = Math.min(clock.cool_c, ...temperatures) - 3;
  const x = (minutes: number) => LEFT + ((WIDTH - LEFT - 8) * minutes) / end;
  const y = (c: number) => 8 + ((HEIGHT - 8 - BOTTOM) * (high - c)) / (high - low);
  const own = (c: number) => Math.round(units.temperature === "F" ? c * 1.8 + 32 : c);
  const nowMin = sinceMs === null ? null : (serverNow() - sinceMs) / 60_000;
  const [first = 0, , last = 0] = clock.cool_min;
  const every = [5, 10, 15, 30, 60, 120, 240].find((step) => end / step <= 8) ?? 480;
  const ticks = Array.from({ length: Math.floor(end / every) + 1 }, (_, i) => i * every);
  const alt = `Cooling from ${own(temperatures[0] ?? 0)} degrees: cool between ${Math.round(first)} and ${Math.round(last)} minutes.`;
  return (
    <svg role="img" aria-label={alt} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full">
      <rect
        x={x(first)}
        width={Math.max(2, x(last) - x(first))}
        y="8"
        height={HEIGHT - 8 - BOTTOM}
        className="fill-butter-deep/40"
      />
      <line
        x1={LEFT}
        x2={WIDTH - 8}
        y1={y(clock.cool_c)}
        y2={y(clock.cool_c)}
        className="stroke-rim"
        strokeDasharray="6 4"
      />
      <text x={WIDTH - 10} y={y(clock.cool_c) - 5} textAnchor="end" fontSize="13" className="fill-rim">
        cool at {own(clock.cool_c)}°
      </text>
      <polyline
        points={clock.curve.map(([m = 0, c = 0]) => `${x(m).toFixed(1)},${y(c).toFixed(1)}`).join(" ")}
        fill="none"
        className="stroke-copper"
        strokeWidth="3"
      />
      {seen.map(
        (row) =>
          row.now_c != null && (
            <circle
              key={row.after_s}
              cx={x(row.after_s / 60)}
              cy={y(row.now_c)}
              r="6"
              className="fill-sheet stroke-soot"
              strokeWidth="2.5"
            />
          ),
      )}
      {nowMin !== null && nowMin < end && (
        <g>
          <line
            x1={x(nowMin)}
            x2={x(nowMin)}
            y1="8"
            y2={HEIGHT - BOTTOM}
            className="stroke-soot"
            strokeWidth="2"
          />
          <text x={x(nowMin) + 5} y="20" fontSize="13" className="fill-soot font-bold">
            now
          </text>
        </g>
      )}
      {ticks.map((minute) => (
        <text
          key={minute}
          x={x(minute)}
          y={HEIGHT - 8}
          textAnchor="middle"
          fontSize="13"
          className="fill-ash"
        >
          {minute} min
        </text>
      ))}
      {[high - 2, clock.cool_c].map((c) => (
        <text key={c} x={LEFT - 6} y={y(c) + 4} textAnchor="end" fontSize="13" className="fill-ash">
          {own(c)}°
        </text>
      ))}
    </svg>
  );
}
