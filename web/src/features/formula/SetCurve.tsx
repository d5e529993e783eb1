import { temperature, type Units } from "../../units/units";

const WIDTH = 340;
const HEIGHT = 120;
const LEFT = 46;
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
  const x = (celsius: number) => LEFT + ((WIDTH - LEFT - 8) * celsius) / last;
  const y = (index: number) => 8 + (HEIGHT - 26) * (1 - index / HIGHEST);
  const path = points.map(([c = 0, index = 0]) => `${x(c).toFixed(1)} ${y(index).toFixed(1)}`).join("L");
  const at = (celsius: number) => points.find(([c]) => c === celsius)?.[1] ?? 0;
  const alt = [5, 14, 20, 25, 30].map((c) => `${temperature(c, units)} ${at(c).toFixed(1)}`).join(", ");
  return (
    <svg
      role="img"
      aria-label={`Set from fridge to hand: ${alt}`}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
    >
      {NAMES.map(([index, name]) => (
        <g key={name}>
          <line x1={LEFT} x2={WIDTH - 8} y1={y(index)} y2={y(index)} className="stroke-line" />
          <text x={LEFT - 5} y={y(index) + 4} textAnchor="end" fontSize="12" className="fill-ash">
            {name}
          </text>
        </g>
      ))}
      <path d={`M${path}`} fill="none" className="stroke-rim" strokeWidth="2.5" />
      {[0, 10, 20, 30].map((celsius) => (
        <text
          key={celsius}
          x={x(celsius)}
          y={HEIGHT - 2}
          textAnchor="middle"
          fontSize="12"
          className="fill-ash"
        >
          {temperature(celsius, units)}
        </text>
      ))}
    </svg>
  );
}
