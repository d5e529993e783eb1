import { memo } from "react";
import type { Schemas } from "../../api/client";
import { Dot, Level, LineChart, type Plane, stepsTo } from "../../ui/LineChart";
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
const MARGIN = { left: 56, right: 30, top: 14, bottom: 34 };
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
  const shown = (c: number) => `${Math.round(units.temperature === "F" ? c * 1.8 + 32 : c)}°`;
  const degrees = Array.from({ length: 20 }, (_, i) => Math.ceil(low / 20) * 20 + i * 20).filter(
    (c) => c < high - 2,
  );
  const [targetLow, targetHigh] = step.target_c ?? [];
  const goal = targetLow === undefined || targetHigh === undefined ? null : (targetLow + targetHigh) / 2;
  const last = trace?.stretches.at(-1)?.at(-1);
  const alt = last
    ? `Temperature from the start of the run: ${shown(Number(last[1]))} now${goal === null ? "" : `, the target is ${shown(goal)}`}.`
    : "No temperature yet.";
  const minutes = stepsTo(endS / 60, STEPS_MIN, isNarrow ? 4 : 8);
  return (
    <LineChart
      alt={alt}
      width={width}
      height={height}
      x={[0, endS]}
      y={[low, high]}
      xTicks={minutes.map((minute) => ({ at: minute * 60, label: minute === 0 ? "start" : `${minute} min` }))}
      yTicks={degrees.map((c) => ({ at: c, label: shown(c) }))}
      ruled
      fontSize={15}
      margin={MARGIN}
    >
      {(plane) => {
        const { x, y } = plane;
        return (
          <>
            {stepSince && goal !== null && step.heat !== "work" && (
              <g>
                <path d={corridor(stepSince, usualS, goal, plane)} className="fill-rim-pale/60" />
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
                  x={plane.left}
                  width={plane.right - plane.left}
                  y={y(targetHigh)}
                  height={Math.max(6, y(targetLow) - y(targetHigh))}
                  className="fill-butter-deep/50"
                />
                <text
                  x={plane.left + 6}
                  y={y(targetLow) - y(targetHigh) > ROOM_FOR_WORDS ? y(targetHigh) + 17 : y(targetHigh) - 6}
                  fontSize="15"
                  className="fill-soot font-bold"
                >
                  {step.call || step.heat === "cool" || step.heat === "work" ? "here" : "off the heat here"}
                </text>
              </g>
            )}
            {step.ceiling_c !== null && step.ceiling_c < high && (
              <Level
                plane={plane}
                at={step.ceiling_c}
                label={`never above ${shown(step.ceiling_c)}`}
                className="stroke-copper"
                text="fill-copper"
              />
            )}
            {trace?.stretches.map((stretch) => (
              <path
                key={stretch[0]?.[0]}
                d={plane.path(stretch)}
                fill="none"
                className="stroke-copper"
                strokeWidth="3.5"
                strokeLinejoin="round"
              />
            ))}
            {forecast && forecast.curve.length > 0 && (
              <path
                d={plane.path(forecast.curve.map(([s = 0, c = 0]) => [nowS + s, c]))}
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
                <Dot
                  key={`${mark.at}${mark.name}`}
                  plane={plane}
                  at={[mark.at, mark.c ?? low]}
                  label={mark.name}
                />
              ))}
            {last && <circle cx={x(Number(last[0]))} cy={y(Number(last[1]))} r="9" className="fill-copper" />}
          </>
        );
      }}
    </LineChart>
  );
});

function span({ trace, step, stepSince }: Props): [number, number] {
  const values = [20, ...(step.target_c ?? [])];
  if (step.ceiling_c !== null && (step.target_c?.[1] ?? 0) > step.ceiling_c - 25) values.push(step.ceiling_c);
  if (trace?.low_c != null) values.push(trace.low_c, trace.high_c ?? trace.low_c);
  if (stepSince) values.push(stepSince.c);
  return [Math.min(...values) - 4, Math.max(...values, 40) + 9];
}

function corridor(since: { at: number; c: number }, usualS: number, goal: number, plane: Plane): string {
  const bend = (share: number) => since.c + (goal - since.c) * (1 - (1 - share) ** 2);
  const shares = Array.from({ length: 13 }, (_, i) => i / 12);
  const edge = (offset: number) => shares.map((share) => [since.at + usualS * share, bend(share) + offset]);
  return `${plane.path([...edge(CORRIDOR_C), ...edge(-CORRIDOR_C).reverse()])}Z`;
}
