import { useId } from "react";
import { useLength } from "../../units/units";
import { type Dimension, ScaledFigure } from "./ScaledFigure";
import { cavityGrid, cavityPlan, type FitAnswer, panPlan, type Vessel } from "./scale";

const GAP_SHARE = 0.28;

type Props = {
  vessel: Vessel;
  fit: Cuts | null;
  kerf: number;
  dimensions?: Dimension[];
  active?: string | null;
  boxPx?: [number, number];
};

/** What is drawn of a fit from above. */
export type Cuts = Pick<FitAnswer, "grid" | "piece_mm" | "places_mm" | "halves" | "pieces">;

/** The vessel from above, to scale, with the cut of a slab or the cavities that are filled. */
export function PlanDrawing(props: Props) {
  const { kind } = props.vessel;
  if (kind === "mould" || kind === "cup") return <MouldPlan {...props} />;
  if (kind === "pan" || kind === "cake" || kind === "box") return <PanPlan {...props} />;
  return null;
}

function PanPlan({ vessel, fit, kerf, ...frame }: Props) {
  const mm = useLength();
  const within = useId();
  const { length, width, isRound } = panPlan(vessel);
  const edge = frame.dimensions ? 0 : Math.max(length, width) * 0.04;
  const cut = fit?.grid
    ? `, cut ${fit.grid[0]} by ${fit.grid[1]}`
    : fit?.places_mm
      ? `, ${fit.places_mm.length} pieces cut of it`
      : "";
  const alt = `From above: ${isRound ? `${mm(length)} across` : `${mm(length)} by ${mm(width)}`}${cut}.`;
  const fill = vessel.kind === "box" ? "fill-sheet" : "fill-[#e2c08c]";
  return (
    <Frame width={length + 2 * edge} height={width + 2 * edge} alt={alt} {...frame}>
      <g transform={`translate(${edge} ${edge})`}>
        {isRound ? (
          <>
            <circle
              className={`${fill} stroke-rim`}
              {...circle(length)}
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            />
            {vessel.shape === "tube" && (
              <circle
                cx={length / 2}
                cy={length / 2}
                r={(vessel.inner_diameter_mm ?? 0) / 2}
                className="fill-ground stroke-rim"
                strokeWidth="2"
                vectorEffect="non-scaling-stroke"
              />
            )}
          </>
        ) : (
          <RectanglePan vessel={vessel} length={length} width={width} fill={fill} />
        )}
        <clipPath id={within}>
          <rect width={length} height={width} rx={isRound ? length / 2 : (vessel.corner_mm ?? 0)} />
        </clipPath>
        <g clipPath={`url(#${within})`}>
          <CutLines fit={fit} kerf={kerf} length={length} width={width} />
        </g>
      </g>
    </Frame>
  );
}

const circle = (across: number) => ({ cx: across / 2, cy: across / 2, r: across / 2 });

type RectangleProps = { vessel: Vessel; length: number; width: number; fill: string };

function RectanglePan({ vessel, length, width, fill }: RectangleProps) {
  const line = { strokeWidth: "2", vectorEffect: "non-scaling-stroke" } as const;
  const inner = vessel.shape === "loaf" ? { l: vessel.length_mm ?? 0, w: vessel.width_mm ?? 0 } : null;
  return (
    <>
      <rect
        width={length}
        height={width}
        rx={vessel.corner_mm ?? 0}
        className={`${fill} stroke-rim`}
        {...line}
      />
      {inner && (
        <rect
          x={(length - inner.l) / 2}
          y={(width - inner.w) / 2}
          width={inner.l}
          height={inner.w}
          className="fill-none stroke-rim"
          strokeDasharray="4 4"
          {...line}
        />
      )}
    </>
  );
}

/** Where the edges of pieces lie along a side: both sides of a cut that has a width. */
function edges(pieces: number, piece: number, kerf: number): number[] {
  const found = new Set<number>();
  for (let i = 0; i < pieces; i++) for (const edge of [0, piece]) found.add(i * (piece + kerf) + edge);
  return [...found];
}

type CutProps = { fit: Cuts | null; kerf: number; length: number; width: number };

function CutLines({ fit, kerf, length, width }: CutProps) {
  if (!fit?.piece_mm) return null;
  const [p = 0, q = 0] = fit.piece_mm;
  const look = {
    className: "fill-none stroke-soot",
    strokeWidth: 1,
    vectorEffect: "non-scaling-stroke" as const,
  };
  if (!fit.grid)
    return (
      <g>
        {fit.places_mm?.map(([x = 0, y = 0]) => (
          <rect key={`${x},${y}`} x={x} y={y} width={p} height={q} {...look} />
        ))}
      </g>
    );
  const [nx = 0, ny = 0] = fit.grid;
  const across = nx * p + (nx - 1) * kerf;
  const down = ny * q + (ny - 1) * kerf;
  const left = (length - across) / 2;
  const top = (width - down) / 2;
  const marks: React.ReactNode[] = [];
  const line = { className: "stroke-soot", strokeWidth: 1, vectorEffect: "non-scaling-stroke" as const };
  for (const x of edges(nx, p, kerf))
    marks.push(<line key={`x${x}`} x1={left + x} x2={left + x} y1={top} y2={top + down} {...line} />);
  for (const y of edges(ny, q, kerf))
    marks.push(<line key={`y${y}`} x1={left} x2={left + across} y1={top + y} y2={top + y} {...line} />);
  return <g>{marks}</g>;
}

function MouldPlan({ vessel, fit, ...frame }: Props) {
  if (frame.dimensions) return <CavityPlan vessel={vessel} {...frame} />;
  return <MouldCavities vessel={vessel} fit={fit} />;
}

/** One cavity from above, with its measures. */
function CavityPlan({ vessel, ...frame }: Pick<Props, "vessel" | "dimensions" | "active" | "boxPx">) {
  const mm = useLength();
  const { length, width, isRound } = cavityPlan(vessel);
  const look = { className: "fill-[#e2c08c] stroke-rim", strokeWidth: 2 } as const;
  const line = { vectorEffect: "non-scaling-stroke" as const };
  const floor = { l: vessel.floor_length_mm ?? 0, w: vessel.floor_width_mm ?? 0 };
  return (
    <Frame
      width={length}
      height={width}
      alt={`One cavity from above: ${mm(length)} by ${mm(width)}.`}
      {...frame}
    >
      {isRound ? (
        <ellipse cx={length / 2} cy={width / 2} rx={length / 2} ry={width / 2} {...look} {...line} />
      ) : (
        <rect width={length} height={width} {...look} {...line} />
      )}
      {vessel.shape === "pyramid" && (
        <rect
          x={(length - floor.l) / 2}
          y={(width - floor.w) / 2}
          width={floor.l}
          height={floor.w}
          className="fill-none stroke-rim"
          strokeDasharray="4 4"
          {...line}
        />
      )}
    </Frame>
  );
}

function MouldCavities({ vessel, fit }: Pick<Props, "vessel" | "fit">) {
  const count = vessel.cavities ?? vessel.count ?? 1;
  const { columns, rows } = cavityGrid(count);
  const { length, width, isRound } = cavityPlan(vessel);
  const gap = Math.min(length, width) * GAP_SHARE;
  const pitchX = length + gap;
  const pitchY = width + gap;
  const filled = Math.min(count, (fit?.halves ?? fit?.pieces ?? count) as number);
  const alt = `From above: ${count} cavities, ${filled} of them filled in the first pour; how they stand in your mould may differ.`;
  return (
    <Frame width={columns * pitchX + gap} height={rows * pitchY + gap} alt={alt}>
      <rect
        width={columns * pitchX + gap}
        height={rows * pitchY + gap}
        rx={gap}
        className="fill-sheet stroke-rim"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
      {Array.from({ length: count }, (_, i) => {
        const x = gap + (i % columns) * pitchX;
        const y = gap + Math.floor(i / columns) * pitchY;
        const look = {
          className: `${i < filled ? "fill-[#e2c08c]" : "fill-ground"} stroke-rim`,
          strokeWidth: 1.5,
          vectorEffect: "non-scaling-stroke" as const,
        };
        return isRound ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: cavities are equal and stay in place
          <ellipse key={i} cx={x + length / 2} cy={y + width / 2} rx={length / 2} ry={width / 2} {...look} />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: cavities are equal and stay in place
          <rect key={i} x={x} y={y} width={length} height={width} {...look} />
        );
      })}
    </Frame>
  );
}

type FrameProps = Pick<Props, "dimensions" | "active" | "boxPx"> & {
  width: number;
  height: number;
  alt: string;
  children: React.ReactNode;
};

function Frame({ width, height, boxPx = [560, 250], ...rest }: FrameProps) {
  return <ScaledFigure widthMm={width} heightMm={height} boxPx={boxPx} caption="From above" {...rest} />;
}
