import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { ReactNode } from "react";

export type Tick = { at: number; label: string };
export type Point = readonly number[];
type Span = [number, number];

/** A chart's scales and frame, for what is drawn in it. */
export type Plane = {
  x: (value: number) => number;
  y: (value: number) => number;
  left: number;
  right: number;
  top: number;
  bottom: number;
  /** The path of a line through points (x, y). */
  path: (points: readonly Point[]) => string;
};

type Props = {
  alt: string;
  width: number;
  height: number;
  /** What the axes span. */
  x: Span;
  y: Span;
  xTicks: Tick[];
  yTicks: Tick[];
  /** Whether a line goes across at each mark of the upright axis. */
  ruled?: boolean;
  fontSize?: number;
  margin?: { left: number; right: number; top: number; bottom: number };
  children: (plane: Plane) => ReactNode;
};

const MARGIN = { left: 46, right: 8, top: 8, bottom: 30 };

/** The one line chart: its scales, axes and words; trace, cooling and set curves are drawn into it. */
export function LineChart(props: Props) {
  const { alt, width, height, x, y, xTicks, yTicks, ruled, fontSize = 13, margin = MARGIN, children } = props;
  const [left, right] = [margin.left, width - margin.right];
  const [top, bottom] = [margin.top, height - margin.bottom];
  const across = scaleLinear(x, [left, right]);
  const up = scaleLinear(y, [bottom, top]);
  const draw = line<Point>(
    ([first = 0]) => across(first),
    ([, second = 0]) => up(second),
  ).digits(1);
  const plane = {
    x: across,
    y: up,
    left,
    right,
    top,
    bottom,
    path: (points: readonly Point[]) => draw(points) ?? "",
  };
  return (
    <svg role="img" aria-label={alt} viewBox={`0 0 ${width} ${height}`} className="block w-full">
      {yTicks.map(({ at, label }) => (
        <g key={at}>
          {ruled && <line x1={left} x2={right} y1={up(at)} y2={up(at)} className="stroke-line" />}
          <text
            x={left - 7}
            y={up(at) + fontSize / 3}
            textAnchor="end"
            fontSize={fontSize}
            className="fill-ash"
          >
            {label}
          </text>
        </g>
      ))}
      {xTicks.map(({ at, label }) => (
        <text
          key={at}
          x={across(at)}
          y={height - margin.bottom / 3}
          textAnchor="middle"
          fontSize={fontSize}
          className="fill-ash"
        >
          {label}
        </text>
      ))}
      {children(plane)}
    </svg>
  );
}

type LevelProps = { plane: Plane; at: number; label: string; className: string; text: string };

/** A level across the chart, with its words at the right. */
export function Level({ plane, at, label, className, text }: LevelProps) {
  const y = plane.y(at);
  return (
    <g>
      <line
        x1={plane.left}
        x2={plane.right}
        y1={y}
        y2={y}
        className={className}
        strokeWidth="2"
        strokeDasharray="8 5"
      />
      <text x={plane.right - 4} y={y - 6} textAnchor="end" fontSize="14" className={text}>
        {label}
      </text>
    </g>
  );
}

type DotProps = { plane: Plane; at: Point; label?: string };

/** Something that was read or marked. */
export function Dot({ plane, at: [x = 0, y = 0], label }: DotProps) {
  return (
    <g>
      <circle cx={plane.x(x)} cy={plane.y(y)} r="7" className="fill-sheet stroke-soot" strokeWidth="2.5" />
      {label && (
        <text x={plane.x(x) + 12} y={plane.y(y) + 20} fontSize="14" className="fill-soot">
          {label}
        </text>
      )}
    </g>
  );
}

/** Round steps of an axis, the finest of those offered that gives no more than `most` marks. */
export function stepsTo(end: number, offered: readonly number[], most: number): number[] {
  const every = offered.find((step) => end / step <= most) ?? offered.at(-1) ?? end;
  return Array.from({ length: Math.floor(end / every) + 1 }, (_, i) => i * every);
}
