import type { KeyboardEvent, ReactNode } from "react";
import { useNarrow } from "../../ui/useNarrow";
import { length, useUnits } from "../../units/units";
import { scaleBar } from "./scale";

/** A word beside the drawing with a line to a place in it (mm); pressed, it asks for its part. */
export type Label = { x: number; y: number; text: string; part?: number | null };

/** Which part of what is drawn is asked for, and what happens when one is pressed. */
export type Pressed = { chosen: number | null; onPress: (part: number) => void };

/** A measure drawn between two places (mm); the one that is being typed stands out. */
export type Dimension = { name: string; text: string; from: [number, number]; to: [number, number] };

type Props = {
  widthMm: number;
  heightMm: number;
  boxPx: [number, number];
  alt: string;
  caption: string;
  labels?: Label[];
  dimensions?: Dimension[];
  active?: string | null;
  parts?: Pressed;
  children: ReactNode;
};

const MARGIN_PX = 4;
const BAR_ROOM_PX = 24;
/** Beside the drawing: the line to a label, and a letter of it. */
const LINE_PX = 30;
const LETTER_PX = 7;
const LEAST_LABEL_PX = 150;
const LABEL_STEP_PX = 17;
/** A word that is pressed has room for a finger. */
const PRESSED_STEP_PX = 34;
const DIMENSION_ROOM_PX = 26;
const NARROW_PX = 320;
/** In a narrower box the drawing takes the left margin too. */
const ROOMY_PX = 500;

/** A drawing in millimetres with a bar that says how long they are. Children draw in mm. */
export function ScaledFigure(props: Props) {
  const {
    widthMm,
    heightMm,
    boxPx,
    alt,
    caption,
    labels = [],
    dimensions = [],
    active,
    parts,
    children,
  } = props;
  const units = useUnits();
  const isNarrow = useNarrow(1023);
  const [boxWidth, boxHeight] = isNarrow ? [Math.min(NARROW_PX, boxPx[0]), boxPx[1]] : boxPx;
  const plainSide = dimensions.length > 0 ? DIMENSION_ROOM_PX : MARGIN_PX;
  const longest = Math.max(0, ...labels.map((label) => label.text.length));
  const right = labels.length > 0 ? Math.max(LEAST_LABEL_PX, LINE_PX + LETTER_PX * longest) : plainSide;
  const leftSide = isNarrow || boxWidth < ROOMY_PX ? plainSide : right;
  const top = dimensions.length > 0 ? DIMENSION_ROOM_PX : MARGIN_PX;
  const pxPerMm = Math.min(
    (boxWidth - leftSide - right) / widthMm,
    (boxHeight - BAR_ROOM_PX - top - MARGIN_PX - (dimensions.length > 0 ? DIMENSION_ROOM_PX : 0)) / heightMm,
  );
  const barMm = scaleBar(widthMm, units);
  const left = leftSide + (boxWidth - leftSide - right - widthMm * pxPerMm) / 2;
  const bottom = heightMm * pxPerMm + top + (dimensions.length > 0 ? DIMENSION_ROOM_PX : 0);
  const step = parts ? PRESSED_STEP_PX : LABEL_STEP_PX;
  const tall = Math.max(bottom, top + labels.length * step + MARGIN_PX);
  const at = (x: number, y: number): [number, number] => [left + x * pxPerMm, top + y * pxPerMm];
  return (
    <figure className="print:max-w-md">
      <svg
        role={parts ? "group" : "img"}
        aria-label={alt}
        viewBox={`0 0 ${boxWidth} ${tall + BAR_ROOM_PX}`}
        className="mx-auto block w-full"
        preserveAspectRatio="xMidYMid meet"
      >
        <g transform={`translate(${left} ${top}) scale(${pxPerMm})`}>{children}</g>
        <Labels
          labels={labels}
          at={at}
          x={left + widthMm * pxPerMm + 18}
          bottom={tall}
          parts={parts}
          step={step}
        />
        <Dimensions dimensions={dimensions} at={at} active={active ?? null} />
        <g
          transform={`translate(${parts ? left + (widthMm * pxPerMm) / 2 : boxWidth / 2} ${bottom + 10})`}
          className="stroke-soot"
          strokeWidth="1.5"
        >
          <path d={`M${(-barMm * pxPerMm) / 2} -3v6m0 -3h${barMm * pxPerMm}m0 -3v6`} fill="none" />
          <text x={(barMm * pxPerMm) / 2 + 8} y="4.5" fontSize="13" className="fill-ash stroke-none">
            {length(barMm, units)}
          </text>
        </g>
      </svg>
      <figcaption className="text-center text-[0.8125rem] text-ash">{caption}</figcaption>
    </figure>
  );
}

/** What makes a drawn thing a button. */
function pressable(onPress: () => void, label: string) {
  return {
    role: "button",
    tabIndex: 0,
    "aria-label": label,
    className: "cursor-pointer outline-offset-2",
    onClick: onPress,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      onPress();
    },
  } as const;
}

type Place = (x: number, y: number) => [number, number];

type LabelsProps = { labels: Label[]; at: Place; x: number; bottom: number; step: number; parts?: Pressed };

function Labels({ labels, at, x, bottom, step, parts }: LabelsProps) {
  let last = Number.NEGATIVE_INFINITY;
  const room = bottom - step / 2 - (labels.length - 1) * step;
  return (
    <g fontSize="13">
      {labels.map((label, position) => {
        const [fromX, fromY] = at(label.x, label.y);
        const wanted = Math.min(fromY, room + position * step);
        const y = Math.max(wanted, last + step, step / 2);
        last = y;
        const part = label.part ?? null;
        const press = parts && part !== null ? () => parts.onPress(part) : null;
        return (
          <g key={label.text}>
            <path d={`M${fromX} ${fromY}L${x - 6} ${y}`} className="stroke-ash" strokeWidth="1" />
            <circle cx={fromX} cy={fromY} r="2" className="fill-soot" />
            <g {...(press ? pressable(press, `Ask for ${label.text}`) : {})}>
              {press && (
                <rect
                  x={x - 4}
                  y={y - step / 2 + 1}
                  width={LETTER_PX * label.text.length + 12}
                  height={step - 2}
                  rx="5"
                  className={part === parts?.chosen ? "fill-rim-pale" : "fill-transparent"}
                />
              )}
              <text
                x={x}
                y={y + 4.5}
                className={press ? "fill-rim font-bold underline decoration-dotted" : "fill-soot"}
              >
                {label.text}
              </text>
            </g>
          </g>
        );
      })}
    </g>
  );
}

type DimensionsProps = { dimensions: Dimension[]; at: Place; active: string | null };

function Dimensions({ dimensions, at, active }: DimensionsProps) {
  return (
    <g fontSize="13">
      {dimensions.map((dimension) => {
        const [x1, y1] = at(...dimension.from);
        const [x2, y2] = at(...dimension.to);
        const isActive = dimension.name === active;
        const long = Math.hypot(x2 - x1, y2 - y1) || 1;
        const [nx, ny] = [((y1 - y2) / long) * 4, ((x2 - x1) / long) * 4];
        const upright = Math.abs(x2 - x1) < Math.abs(y2 - y1);
        return (
          <g
            key={dimension.name}
            className={isActive ? "stroke-copper" : "stroke-rim"}
            data-active={isActive}
          >
            <path
              d={`M${x1 - nx} ${y1 - ny}l${2 * nx} ${2 * ny}M${x2 - nx} ${y2 - ny}l${2 * nx} ${2 * ny}M${x1} ${y1}L${x2} ${y2}`}
              strokeWidth={isActive ? 3 : 1.5}
            />
            <text
              x={(x1 + x2) / 2 + (upright ? 6 : 0)}
              y={(y1 + y2) / 2 + (upright ? 4 : -5)}
              textAnchor={upright ? "start" : "middle"}
              className={`stroke-sheet ${isActive ? "fill-copper font-bold" : "fill-soot"}`}
              paintOrder="stroke"
              strokeWidth="4"
            >
              {dimension.text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
