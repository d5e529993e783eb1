import type { ReactNode } from "react";
import { scaleBar } from "./scale";

type Props = {
  widthMm: number;
  heightMm: number;
  boxPx: [number, number];
  alt: string;
  caption: string;
  children: ReactNode;
};

const MARGIN_PX = 4;
const BAR_ROOM_PX = 24;

/** A drawing in millimetres with a bar that says how long they are. Children draw in mm. */
export function ScaledFigure({ widthMm, heightMm, boxPx, alt, caption, children }: Props) {
  const [boxWidth, boxHeight] = boxPx;
  const pxPerMm = Math.min(
    (boxWidth - 2 * MARGIN_PX) / widthMm,
    (boxHeight - BAR_ROOM_PX - 2 * MARGIN_PX) / heightMm,
  );
  const barMm = scaleBar(widthMm);
  const left = (boxWidth - widthMm * pxPerMm) / 2;
  const bottom = heightMm * pxPerMm + MARGIN_PX;
  return (
    <figure>
      <svg
        role="img"
        aria-label={alt}
        viewBox={`0 0 ${boxWidth} ${bottom + BAR_ROOM_PX}`}
        className="mx-auto block w-full"
        preserveAspectRatio="xMidYMid meet"
      >
        <g transform={`translate(${left} ${MARGIN_PX}) scale(${pxPerMm})`}>{children}</g>
        <g transform={`translate(${boxWidth / 2} ${bottom + 10})`} className="stroke-soot" strokeWidth="1.5">
          <path d={`M${(-barMm * pxPerMm) / 2} -3v6m0 -3h${barMm * pxPerMm}m0 -3v6`} fill="none" />
          <text x={(barMm * pxPerMm) / 2 + 8} y="4.5" fontSize="13" className="fill-ash stroke-none">
            {barMm} mm
          </text>
        </g>
      </svg>
      <figcaption className="text-center text-[13px] text-ash">{caption}</figcaption>
    </figure>
  );
}
