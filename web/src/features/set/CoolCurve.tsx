import type { Schemas } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import { Dot, Level, LineChart, stepsTo } from "../../ui/LineChart";
import type { Units } from "../../units/units";

type Props = {
  clock: Schemas["SetClock"];
  seen: Schemas["CorrectionIn"][];
  sinceMs: number | null;
  units: Units;
};

const STEPS_MIN = [5, 10, 15, 30, 60, 120, 240, 480];

/** The warmest point over time, where it counts as cool with its band, and what was read. */
export function CoolCurve({ clock, seen, sinceMs, units }: Props) {
  if (clock.curve.length < 2) return null;
  const end = Math.max(...clock.curve.map(([m = 0]) => m), clock.cool_min[2] ?? 0, 10);
  const temperatures = clock.curve.map(([, c = 0]) => c);
  const high = Math.max(...temperatures) + 2;
  const low = Math.min(clock.cool_c, ...temperatures) - 3;
  const own = (c: number) => Math.round(units.temperature === "F" ? c * 1.8 + 32 : c);
  const nowMin = sinceMs === null ? null : (serverNow() - sinceMs) / 60_000;
  const [first = 0, , last = 0] = clock.cool_min;
  return (
    <LineChart
      alt={`Cooling from ${own(temperatures[0] ?? 0)} degrees: cool between ${Math.round(first)} and ${Math.round(last)} minutes.`}
      width={560}
      height={260}
      x={[0, end]}
      y={[low, high]}
      xTicks={stepsTo(end, STEPS_MIN, 8).map((minute) => ({ at: minute, label: `${minute} min` }))}
      yTicks={[high - 2, clock.cool_c].map((c) => ({ at: c, label: `${own(c)}°` }))}
    >
      {(plane) => (
        <>
          <rect
            x={plane.x(first)}
            width={Math.max(2, plane.x(last) - plane.x(first))}
            y={plane.top}
            height={plane.bottom - plane.top}
            className="fill-butter-deep/40"
          />
          <Level
            plane={plane}
            at={clock.cool_c}
            label={`cool at ${own(clock.cool_c)}°`}
            className="stroke-rim"
            text="fill-rim"
          />
          <path d={plane.path(clock.curve)} fill="none" className="stroke-copper" strokeWidth="3" />
          {seen.map(
            (row) =>
              row.now_c != null && <Dot key={row.after_s} plane={plane} at={[row.after_s / 60, row.now_c]} />,
          )}
          {nowMin !== null && nowMin < end && (
            <g>
              <line
                x1={plane.x(nowMin)}
                x2={plane.x(nowMin)}
                y1={plane.top}
                y2={plane.bottom}
                className="stroke-soot"
                strokeWidth="2"
              />
              <text x={plane.x(nowMin) + 5} y="20" fontSize="13" className="fill-soot font-bold">
                now
              </text>
            </g>
          )}
        </>
      )}
    </LineChart>
  );
}
