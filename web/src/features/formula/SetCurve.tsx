import { LineChart } from "../../ui/LineChart";
import { fixed, temperature, type Units } from "../../units/units";

const HIGHEST = 5;
const NAMES = [
  [0.25, "pours"],
  [1.05, "glazes"],
  [2.1, "pipes"],
  [3, "rolls"],
  [3.95, "cuts"],
] as const;

/** How firmly it stands from the fridge to the hand. */
export function SetCurve({ points, units }: { points: number[][]; units: Units }) {
  const last = points.at(-1)?.[0] ?? 38;
  const at = (celsius: number) => points.find(([c]) => c === celsius)?.[1] ?? 0;
  const alt = [5, 14, 20, 25, 30].map((c) => `${temperature(c, units)} ${fixed(at(c), 1)}`).join(", ");
  return (
    <LineChart
      alt={`Set from fridge to hand: ${alt}`}
      width={340}
      height={120}
      x={[0, last]}
      y={[0, HIGHEST]}
      xTicks={[0, 10, 20, 30].map((celsius) => ({ at: celsius, label: temperature(celsius, units) }))}
      yTicks={NAMES.map(([index, name]) => ({ at: index, label: name }))}
      ruled
      fontSize={12}
      margin={{ left: 46, right: 8, top: 8, bottom: 18 }}
    >
      {(plane) => <path d={plane.path(points)} fill="none" className="stroke-rim" strokeWidth="2.5" />}
    </LineChart>
  );
}
