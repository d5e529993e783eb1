import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { outline, profileOf, SPONGE, type Vessel } from "../fit";
import { BOWL, heightOfShare, LAYER_FILLS, slicePath } from "./bowlShape";
import { tintColour } from "./tints";

type Piece = Schemas["DrawnPiece"];
type Part = Piece["parts"][number];

/** A finished piece in millimetres: it stands on its base, at the bottom of its box. */
export type Shape = { widthMm: number; heightMm: number; drawing: ReactNode };

const EDGE = {
  className: "fill-none stroke-soot/40",
  strokeWidth: 1,
  vectorEffect: "non-scaling-stroke",
} as const;
const VESSEL = {
  className: "fill-none stroke-rim",
  strokeWidth: 2,
  vectorEffect: "non-scaling-stroke",
} as const;
/** A cup by its volume: 0.7 as wide at its base as at its rim, 1.1 times the rim's radius high. A judgement. */
const CUP = { base: 0.7, height: 1.1 };

/** The finished piece cut through, as its vessel shapes it. */
export function shapeOf(piece: Piece, vessel: Vessel): Shape {
  switch (vessel.kind) {
    case "pan":
      return piece.sides_mm ? block(piece, piece.sides_mm) : tin(piece, vessel);
    case "cake":
      return cake(piece, vessel);
    case "cup":
      return cup(piece, vessel);
    case "mould":
      return cast(piece, vessel);
    default:
      return ball(piece, piece.sides_mm?.[0] ?? 1);
  }
}

const partsOf = (piece: Piece, ...roles: string[]) => piece.parts.filter((part) => roles.includes(part.role));
const colourOf = (part: Part | undefined) => (part ? tintColour(part.tint) : "none");
const coatMm = (piece: Piece) => partsOf(piece, "coat").reduce((sum, part) => sum + (part.mm ?? 0), 0);

/** What lies on top: a flat drop of its volume; its height is added to the piece. */
function onTop(piece: Piece, middle: number, base: number): { rise: number; drawing: ReactNode } {
  const [part] = partsOf(piece, "topping");
  if (!part) return { rise: 0, drawing: null };
  const wide = 10 * ((6 * part.each_ml) / (Math.PI * 0.5)) ** (1 / 3);
  return {
    rise: wide / 2,
    drawing: <ellipse cx={middle} cy={base - wide / 4} rx={wide / 2} ry={wide / 4} fill={colourOf(part)} />,
  };
}

function block(piece: Piece, [width = 1, , height = 1]: readonly number[]): Shape {
  const coat = coatMm(piece);
  const top = onTop(piece, width / 2, 0);
  return {
    widthMm: width,
    heightMm: height + top.rise,
    drawing: (
      <g transform={`translate(0 ${top.rise})`}>
        {top.drawing}
        <rect width={width} height={height} fill={colourOf(partsOf(piece, "coat")[0])} />
        {partsOf(piece, "layer").map((part) => (
          <rect
            key={part.name}
            x={coat}
            width={width - 2 * coat}
            y={height - coat - (part.to_mm ?? 0)}
            height={(part.to_mm ?? 0) - (part.from_mm ?? 0)}
            fill={colourOf(part)}
          />
        ))}
        <rect width={width} height={height} {...EDGE} />
      </g>
    ),
  };
}

function tin(piece: Piece, vessel: Vessel): Shape {
  const base = vessel.diameter_mm ?? vessel.length_mm ?? 1;
  const rim = vessel.shape === "loaf" ? (vessel.rim_length_mm ?? base) : base;
  const depth = vessel.depth_mm ?? 1;
  const half = (y: number) => (base + ((rim - base) * y) / depth) / 2;
  const at = (y: number) => depth - y;
  const middle = rim / 2;
  return {
    widthMm: rim,
    heightMm: depth,
    drawing: (
      <>
        {partsOf(piece, "layer").map((part) => {
          const [from, to] = [part.from_mm ?? 0, part.to_mm ?? 0];
          const path = `M${middle - half(from)} ${at(from)}H${middle + half(from)}L${middle + half(to)} ${at(to)}H${middle - half(to)}Z`;
          return <path key={part.name} d={path} fill={colourOf(part)} />;
        })}
        <path
          d={`M${middle - half(depth)} 0L${middle - half(0)} ${depth}H${middle + half(0)}L${middle + half(depth)} 0`}
          {...VESSEL}
        />
      </>
    ),
  };
}

function ball(piece: Piece, across: number): Shape {
  const middle = across / 2;
  const rolled = partsOf(piece, "rolling")[0];
  const inside = middle - coatMm(piece) - (rolled ? 0.6 : 0);
  const core = partsOf(piece, "core")[0];
  return {
    widthMm: across,
    heightMm: across,
    drawing: (
      <>
        <circle
          cx={middle}
          cy={middle}
          r={middle}
          fill={colourOf(partsOf(piece, "coat")[0] ?? rolled ?? partsOf(piece, "centre")[0])}
        />
        <circle cx={middle} cy={middle} r={inside} fill={colourOf(partsOf(piece, "centre")[0])} />
        {core && <circle cx={middle} cy={middle} r={radiusOf(core.each_ml)} fill={colourOf(core)} />}
        {rolled && (
          <circle
            cx={middle}
            cy={middle}
            r={middle - 0.6}
            fill="none"
            stroke={colourOf(rolled)}
            strokeWidth="1.6"
            strokeDasharray="1.1 1.3"
          />
        )}
        <circle cx={middle} cy={middle} r={middle} {...EDGE} />
      </>
    ),
  };
}

/** The radius of a ball of a volume in mm. */
const radiusOf = (ml: number) => 10 * ((3 * ml) / (4 * Math.PI)) ** (1 / 3);

/** What came out of a mould stands on its closed side; two halves stand joined. */
function cast(piece: Piece, vessel: Vessel): Shape {
  const profile = profileOf(vessel);
  const centre = profile.halfWidth(0);
  const shell = partsOf(piece, "shell")[0];
  const wall = shell?.mm ?? 0;
  const floor = profile.depth - wall;
  const fillings = partsOf(piece, "filling");
  const inner = (from: number, to: number) => outline(centre, (y) => profile.inside(y, wall), from, to);
  const half = (isFilled: boolean) => (
    <>
      <path
        d={outline(centre, (y) => profile.halfWidth(y), 0, profile.depth)}
        fill={shell ? colourOf(shell) : "var(--color-sheet)"}
      />
      {shell && <path d={inner(piece.cap_mm, floor)} className="fill-ground" />}
      {isFilled &&
        fillings.map((part) => (
          <path
            key={part.name}
            d={inner(part.to_mm ?? 0, Math.min(part.from_mm ?? floor, floor))}
            fill={colourOf(part)}
          />
        ))}
      <path d={outline(centre, (y) => profile.halfWidth(y), 0, profile.depth)} {...EDGE} />
    </>
  );
  if (!piece.halves) {
    const top = onTop(piece, centre, 0);
    return {
      widthMm: 2 * centre,
      heightMm: profile.depth + top.rise,
      drawing: (
        <g transform={`translate(0 ${top.rise})`}>
          {top.drawing}
          <g transform={`translate(0 ${profile.depth}) scale(1 -1)`}>{half(true)}</g>
        </g>
      ),
    };
  }
  const joined = (
    <>
      <g transform={`translate(0 ${profile.depth}) scale(1 -1)`}>{half(!piece.lower_half_only)}</g>
      <g transform={`translate(0 ${profile.depth})`}>{half(true)}</g>
    </>
  );
  const isLong = centre > profile.depth * 1.1;
  return isLong
    ? {
        widthMm: 2 * profile.depth,
        heightMm: 2 * centre,
        drawing: <g transform={`translate(${2 * profile.depth} 0) rotate(90)`}>{joined}</g>,
      }
    : { widthMm: 2 * centre, heightMm: 2 * profile.depth, drawing: joined };
}

function cup(piece: Piece, vessel: Vessel): Shape {
  const shares = 1 + CUP.base + CUP.base ** 2;
  const rim = 10 * ((3 * (vessel.volume_ml ?? 1)) / (Math.PI * CUP.height * shares)) ** (1 / 3);
  const height = rim * CUP.height;
  const half = (y: number) => rim * (CUP.base + ((1 - CUP.base) * y) / height);
  const shell = partsOf(piece, "shell")[0];
  const wall = shell?.mm ?? 0;
  const fillings = partsOf(piece, "filling");
  const top = onTop(piece, rim, 0);
  let level = wall;
  return {
    widthMm: 2 * rim,
    heightMm: height + top.rise,
    drawing: (
      <g transform={`translate(0 ${top.rise})`}>
        {shell && <path d={tapered(rim, half, height, 0, height, 0)} fill={colourOf(shell)} />}
        {fillings.map((part) => {
          const from = level;
          level = Math.min(height - piece.cap_mm, level + (part.each_ml / (vessel.volume_ml || 1)) * height);
          return (
            <path key={part.name} d={tapered(rim, half, height, from, level, wall)} fill={colourOf(part)} />
          );
        })}
        <path d={tapered(rim, half, height, 0, height, 0)} {...EDGE} />
        {top.drawing}
      </g>
    ),
  };
}

/** A slice of a cup between two levels (mm above its base), a wall in from its side. */
function tapered(
  middle: number,
  half: (y: number) => number,
  height: number,
  from: number,
  to: number,
  wall: number,
): string {
  const [low, high] = [half(from) - wall, half(to) - wall];
  return `M${middle - high} ${height - to}H${middle + high}L${middle + low} ${height - from}H${middle - low}Z`;
}

function cake(piece: Piece, vessel: Vessel): Shape {
  const coat = partsOf(piece, "coat")[0];
  const thick = coat?.mm ?? vessel.coat_mm ?? 0;
  const across = vessel.diameter_mm ?? vessel.length_mm ?? 1;
  const height = vessel.height_mm ?? 1;
  const fillings = vessel.fillings ?? 1;
  const filling = vessel.filling_mm ?? 0;
  const crumb = (height - fillings * filling) / (fillings + 1);
  const between = partsOf(piece, "filling", "centre")[0];
  return {
    widthMm: across + 2 * thick,
    heightMm: height + thick,
    drawing: (
      <>
        <rect width={across + 2 * thick} height={height + thick} fill={coat ? colourOf(coat) : SPONGE} />
        <rect x={thick} y={thick} width={across} height={height} fill={SPONGE} />
        {Array.from({ length: fillings }, (_, i) => thick + crumb + i * (crumb + filling)).map((y) => (
          <rect key={y} x={thick} y={y} width={across} height={filling} fill={colourOf(between)} />
        ))}
        <rect width={across + 2 * thick} height={height + thick} {...EDGE} />
      </>
    ),
  };
}

const BOWL_MM = 44;

/** A mix without a form: a small bowl with its layers, of no size. */
export function bowlOf(layers: readonly Schemas["LayerShare"][]): Shape {
  const [wide, high] = [2 * BOWL.rim, BOWL.height];
  let sum = 0;
  return {
    widthMm: BOWL_MM,
    heightMm: (BOWL_MM * high) / wide,
    drawing: (
      <g transform={`scale(${BOWL_MM / wide})`}>
        {layers.map(({ code, share }) => {
          const from = heightOfShare(FULL_SHARE * sum);
          sum += share;
          return (
            <path
              key={code}
              d={slicePath(from, heightOfShare(FULL_SHARE * sum), BOWL.rim, high)}
              fill={LAYER_FILLS[code]?.fill}
            />
          );
        })}
        <path d={slicePath(0, high, BOWL.rim, high)} {...VESSEL} />
      </g>
    ),
  };
}

/** How full the small bowl is drawn. */
const FULL_SHARE = 0.8;
