import { type ReactNode, useEffect, useRef, useState } from "react";
import { length, useUnits } from "../../units/units";
import type { Shape } from "./pieces";

/** One thing on the counter: its piece, drawn, above its name and what is worth knowing. */
export type OnCounter = {
  key: number;
  shape: Shape | null;
  /** What stands below the board. It is told how much smaller than the others the piece is drawn, if it is. */
  below: (smaller: string) => ReactNode;
};

const MOST_PX_PER_MM = 3.9;
/** What stands on a board: as high and wide as a large bonbon or egg. Larger things are drawn smaller. */
const MOST_HIGH_MM = 50;
const MOST_WIDE_MM = 50;
const LEAST_CELL_PX = 222;
/** On a phone two things stand side by side. */
const LEAST_PAIR_PX = 290;
const RULER_MM = [0, 10, 20, 30, 40];
const SMALLER: readonly (readonly [number, string])[] = [
  [1, ""],
  [2, "drawn at half size"],
  [4, "drawn at a quarter"],
  [8, "drawn at an eighth"],
  [16, "drawn at a sixteenth"],
];

type Props = {
  label: string;
  things: readonly OnCounter[];
  /** Whether what stands there is drawn to scale. */
  toScale?: boolean;
};

/** The pieces themselves, cut through to one scale, on boards with a ruler. */
export function Counter({ label, things, toScale = true }: Props) {
  const list = useRef<HTMLUListElement>(null);
  const { columns, pxPerMm } = useBoard(list);
  return (
    <ul
      ref={list}
      aria-label={label}
      className="grid gap-y-5 pl-11 max-sm:pl-10"
      style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
    >
      {things.map((thing, position) => (
        <Standing
          key={thing.key}
          thing={thing}
          ruled={toScale && position % columns === 0}
          pxPerMm={pxPerMm}
        />
      ))}
    </ul>
  );
}

type StandingProps = { thing: OnCounter; ruled: boolean; pxPerMm: number };

function Standing({ thing, ruled, pxPerMm }: StandingProps) {
  const drawn = thing.shape;
  const [less, words] = SMALLER.find(
    ([by]) => drawn && drawn.heightMm / by <= MOST_HIGH_MM && drawn.widthMm / by <= MOST_WIDE_MM,
  ) ?? [16, drawn ? "drawn at a sixteenth" : ""];
  const scale = pxPerMm / less;
  return (
    <li className={`min-w-0 ${ruled ? "" : "[contain-intrinsic-size:auto_19rem] [content-visibility:auto]"}`}>
      <div
        className="relative -mr-px flex items-end border-line border-b-[5px]"
        style={{ height: MOST_HIGH_MM * pxPerMm + 8 }}
      >
        {ruled && <Ruler pxPerMm={pxPerMm} />}
        {drawn && (
          <svg
            aria-hidden="true"
            width={drawn.widthMm * scale}
            height={drawn.heightMm * scale}
            viewBox={`0 0 ${drawn.widthMm} ${drawn.heightMm}`}
            className="ml-1.5 overflow-visible"
          >
            {drawn.drawing}
          </svg>
        )}
      </div>
      <div className="pr-4 pt-1.5 pl-1.5">{thing.below(words)}</div>
    </li>
  );
}

/** A ruler at the left end of a board. */
function Ruler({ pxPerMm }: { pxPerMm: number }) {
  const units = useUnits();
  return (
    <svg
      aria-hidden="true"
      width="34"
      height={MOST_HIGH_MM * pxPerMm}
      className="absolute bottom-0 -left-11 max-sm:-left-10 overflow-visible text-ash"
    >
      <g transform={`translate(1 ${MOST_HIGH_MM * pxPerMm})`} className="fill-ash stroke-ash" fontSize="11">
        <path d={`M0 0V${-40 * pxPerMm}`} />
        {RULER_MM.map((mm) => (
          <g key={mm} transform={`translate(0 ${-mm * pxPerMm})`}>
            <path d={`M0 0h${mm % 20 === 0 ? 8 : 5}`} />
            {mm > 0 && mm % 20 === 0 && (
              <text x="11" y="4" stroke="none">
                {length(mm, units)}
              </text>
            )}
          </g>
        ))}
      </g>
    </svg>
  );
}

type Board = { columns: number; pxPerMm: number };

/** How many things stand side by side in the room that there is, and to which scale. */
function useBoard(list: React.RefObject<HTMLElement | null>): Board {
  const [board, setBoard] = useState(() =>
    boardOf(Math.min(window.innerWidth, MOST_WIDE_PAGE_PX) - BESIDE_PX),
  );
  useEffect(() => {
    const element = list.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setBoard(boardOf(entry.contentRect.width));
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [list]);
  return board;
}

function boardOf(widthPx: number): Board {
  const text = Number.parseFloat(getComputedStyle(document.documentElement).fontSize) / USUAL_TEXT_PX || 1;
  const columns = Math.max(
    widthPx > LEAST_PAIR_PX * text ? 2 : 1,
    Math.floor(widthPx / (LEAST_CELL_PX * text)),
  );
  return { columns, pxPerMm: Math.min(MOST_PX_PER_MM, (widthPx / columns - 10) / MOST_WIDE_MM) };
}

/** Text of another size needs more or less room for the words below. */
const USUAL_TEXT_PX = 16;
const MOST_WIDE_PAGE_PX = 1280;
/** What stands beside the boards: the page's margins and the ruler. */
const BESIDE_PX = 92;
