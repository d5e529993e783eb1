import { memo } from "react";
import type { Schemas } from "../../api/client";
import { useNarrow } from "../../ui/useNarrow";
import type { Units } from "../../units/units";

type Step = Schemas["Step"];
export type Mark = { at: number; c: number | null; name: string };
type Props = {
  trace: Schemas["Trace"] | undefined;
  forecast: Schemas["Forecast"] | null;
  step: Step;
  stepSince: { at: number; c: number } | null;
  nowS: number;
  marks: Mark[];
  units: Units;
};

const WIDE: [number, number] = [820, 470];
const NARROW: [number, number] = [420, 330];
const LEFT = 56;
const RIGHT = 30;
const BOTTOM = 34;
const TOP = 14;
/** The corridor's length where a batch of an earlier version does not say how long its steps take. */
const UNTOLD_MIN = 10;
const CORRIDOR_C = 4;
const ROOM_FOR_WORDS = 24;
const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240];

/** The plan a corridor, the past a line, the forecast dotted; ceilings, targets and marks in words. */
export const TraceChart = memo(function TraceChart(props: Props) {
  const { trace, forecast, step, stepSince, nowS, marks, units } = props;
  const isNarrow = useNarrow();
  const [width, height] = isNarrow ? NARROW : WIDE;
  const [least = UNTOLD_MIN, most = least] = step.usual_min ?? [];
  const usualS = 60 * Math.min((least + most) / 2, 60);
  const endS = Math.max(nowS + Math.max(60, forecast?.in_s ?? 0) * 1.15, (stepSince?.at ?? 0) + usualS, 300);
  const [low, high] = span(props);
  const x = (s: number) => LEFT + ((width - LEFT - RIGHT) * s) / endS;
  const y = (c: number) => TOP + ((height - TOP - BOTTOM) * (high - c)) / (high - low);
  const shown = (c: number) => `${Math.round(units.temperature === "F" ? c * 1.8 + 32 : c)}°`;
  const every = STEPS_MIN.find((minutes) => endS / 60 / minutes <= (isNarrow ? 4 : 8)) ?? 480;
  const minutes = Array.from({ length: Math.floor(endS / 60 / every) + 1 }, (_, i) => i * every);
  const degrees = Array.from({ length: 20 }, (_, i) => Math.ceil(low / 20) * 20 + i * 20).filter(
    (c) => c < high - 2,
  );
  const [targetLow, targetHigh] = step.target_c ?? [];
  const goal = targetLow === undefined || targetHigh === undefined ? null : (targetLow + targetHigh) / 2;
  const last = trace?.stretches.at(-1)?.at(-1);
  const alt = last
    ? `Temperature from the start of the run: ${shown(Number(last[1]))} now${goal === null ? "" : `, the target is ${shown(goal)}`}.`
    : "No temperature yet.";
  return (
    <svg role="img" aria-label={alt} viewBox={`0 0 ${width} ${height}`} className="block w-full">
      {degrees.map((c) => (
        <g key={c}>
          <line x1={LEFT} x2={width - 8} y1={y(c)} y2={y(c)} className="stroke-line" />
          <text x={LEFT - 8} y={y(c) + 5} textAnchor="end" fontSize="15" className="fill-ash">
            {shown(c)}
          </text>
        </g>
      ))}
      {minutes.map((minute) => (
        <text
          key={minute}
          x={x(minute * 60)}
          y={height - 10}
          textAnchor="middle"
          fontSize="15"
          className="fill-ash"
        >
          {minute === 0 ? "start" : `${minute} min`}
        </text>
      ))}
      {stepSince && goal !== null && step.heat !== "work" && (
        <g>
          <path d={corridor(stepSince, usualS, goal, x, y)} className="fill-rim-pale/60" />
          <text
            x={x(stepSince.at + usualS * 0.55)}
            y={y(stepSince.c + (goal - stepSince.c) * 0.55) + (goal > stepSince.c ? 40 : -28)}
            fontSize="15"
            className="fill-rim"
          >
            plan
          </text>
        </g>
      )}
      {targetLow !== undefined && targetHigh !== undefined && (
        <g>
          <rect
            x={LEFT}
            width={width - LEFT - 8}
            y={y(targetHigh)}
            height={Math.max(6, y(targetLow) - y(targetHigh))}
            className="fill-butter-deep/50"
          />
          <text
            x={LEFT + 6}
            y={y(targetLow) - y(targetHigh) > ROOM_FOR_WORDS ? y(targetHigh) + 17 : y(targetHigh) - 6}
            fontSize="15"
            className="fill-soot font-bold"
          >
            {step.call || step.heat === "cool" || step.heat === "work" ? "here" : "off the heat here"}
          </text>
        </g>
      )}
      {step.ceiling_c !== null && step.ceiling_c < high && (
        <g>
          <line
            x1={LEFT}
            x2={width - 8}
            y1={y(step.ceiling_c)}
            y2={y(step.ceiling_c)}
            className="stroke-copper"
            strokeWidth="2"
            strokeDasharray="8 5"
          />
          <text
            x={width - 12}
            y={y(step.ceiling_c) - 6}
            textAnchor="end"
            fontSize="15"
            className="fill-copper"
          >
            never above {shown(step.ceiling_c)}
          </text>
        </g>
      )}
      {trace?.stretches.map((stretch) => (
        <polyline
          key={stretch[0]?.[0]}
          points={stretch.map(([s = 0, c = 0]) => `${x(s).toFixed(1)},${y(c).toFixed(1)}`).join(" ")}
          fill="none"
          className="stroke-copper"
          strokeWidth="3.5"
          strokeLinejoin="round"
        />
      ))}
      {forecast && forecast.curve.length > 0 && (
        <polyline
          points={forecast.curve
            .map(([s = 0, c = 0]) => `${x(nowS + s).toFixed(1)},${y(c).toFixed(1)}`)
            .join(" ")}
          fill="none"
          className="stroke-copper"
          strokeWidth="3"
          strokeDasharray="2 8"
          strokeLinecap="round"
        />
      )}
      {forecast?.low_s != null && forecast.high_s != null && forecast.high_s > 0 && goal !== null && (
        <line
          x1={x(nowS + forecast.low_s)}
          x2={x(nowS + Math.min(forecast.high_s, endS - nowS))}
          y1={y(goal) + 14}
          y2={y(goal) + 14}
          className="stroke-soot"
          strokeWidth="2"
        />
      )}
      {marks
        .filter((mark) => mark.c !== null || mark.at > 20)
        .map((mark) => (
          <g key={`${mark.at}${mark.name}`}>
            <circle
              cx={x(mark.at)}
              cy={mark.c === null ? height - BOTTOM : y(mark.c)}
              r="7"
              className="fill-sheet stroke-soot"
              strokeWidth="2.5"
            />
            <text
              x={x(mark.at) + 12}
              y={mark.c === null ? height - BOTTOM - 12 : y(mark.c) + 20}
              fontSize="14"
              className="fill-soot"
            >
              {mark.name}
            </text>
          </g>
        ))}
      {last && <circle cx={x(Number(last[0]))} cy={y(Number(last[1]))} r="9" className="fill-copper" />}
    </svg>
  );
});

function span({ trace, step, stepSince }: Props): [number, number] {
  const values = [20, ...(step.target_c ?? [])];
  if (step.ceiling_c !== null && (step.target_c?.[1] ?? 0) > step.ceiling_c - 25) values.push(step.ceiling_c);
  if (trace?.low_c != null) values.push(trace.low_c, trace.high_c ?? trace.low_c);
  if (stepSince) values.push(stepSince.c);
  return [Math.min(...values) - 4, Math.max(...values, 40) + 9];
}

function corridor(
  since: { at: number; c: number },
  usualS: number,
  goal: number,
  x: (s: number) => number,
  y: (c: number) => number,
): string {
  const bend = (share: number) => since.c + (goal - since.c) * (1 - (1 - share) ** 2);
  const shares = Array.from({ length: 13 }, (_, i) => i / 12);
  const edge = (offset: number) =>
    shares.map((share) => `${x(since.at + usualS * share).toFixed(1)} ${y(bend(share) + offset).toFixed(1)}`);
  return `M${[...edge(CORRIDOR_C), ...edge(-CORRIDOR_C).reverse()].join("L")}Z`;
}
