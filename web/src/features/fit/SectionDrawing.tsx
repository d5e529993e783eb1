import { ScaledFigure } from "./ScaledFigure";
import { type FitAnswer, profileOf, type Vessel } from "./scale";

type Walls = { wall: number; cap: number; headroom: number };
type Props = { vessel: Vessel; fit: FitAnswer | null; walls: Walls | null };

const SLICES = 48;

/** The vessel cut through, to scale: the filling's level, and in a shell its wall, cap and headroom. */
export function SectionDrawing({ vessel, fit, walls }: Props) {
  return vessel.kind === "pan" ? (
    <PanSection vessel={vessel} thickness={fit?.thickness_mm ?? 0} />
  ) : (
    <CavitySection vessel={vessel} walls={walls} headroom={walls?.headroom ?? 0} />
  );
}

function PanSection({ vessel, thickness }: { vessel: Vessel; thickness: number }) {
  const depth = vessel.depth_mm ?? 1;
  const base = vessel.diameter_mm ?? vessel.length_mm ?? 1;
  const rim = vessel.shape === "loaf" ? (vessel.rim_length_mm ?? base) : base;
  const half = (height: number) => (base + ((rim - base) * height) / depth) / 2;
  const centre = rim / 2;
  const y = (height: number) => depth - height;
  const walls = `M${centre - half(depth)} 0L${centre - half(0)} ${depth}H${centre + half(0)}L${centre + half(depth)} 0`;
  const filling = `M${centre - half(0)} ${depth}H${centre + half(0)}L${centre + half(thickness)} ${y(thickness)}H${centre - half(thickness)}Z`;
  const alt = `In section: ${Number(thickness.toFixed(1))} mm of filling in a pan ${depth} mm deep.`;
  return (
    <Section width={rim} height={depth} alt={alt}>
      <path d={filling} className="fill-[#d99f5c]" />
      {vessel.shape === "tube" && (
        <rect
          x={centre - (vessel.inner_diameter_mm ?? 0) / 2}
          width={vessel.inner_diameter_mm ?? 0}
          y="0"
          height={depth}
          className="fill-ground stroke-rim"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path d={walls} fill="none" className="stroke-rim" strokeWidth="3" vectorEffect="non-scaling-stroke" />
    </Section>
  );
}

function CavitySection({
  vessel,
  walls,
  headroom,
}: {
  vessel: Vessel;
  walls: Walls | null;
  headroom: number;
}) {
  const profile = profileOf(vessel);
  const wall = walls?.wall ?? 0;
  const cap = walls?.cap ?? 0;
  const centre = profile.halfWidth(0);
  const outer = outline(centre, (y) => profile.halfWidth(y), 0, profile.depth);
  const inner = (from: number) => outline(centre, (y) => profile.inside(y, wall), from, profile.depth - wall);
  const alt = `In section: a cavity ${Number((2 * centre).toFixed(1))} mm across and ${Number(profile.depth.toFixed(1))} mm deep, wall ${wall} mm, cap ${cap} mm, headroom ${headroom} mm${vessel.shape === "weighed" ? "; drawn as the half ball of equal volume" : ""}.`;
  return (
    <Section width={2 * centre} height={profile.depth} alt={alt} weighed={vessel.shape === "weighed"}>
      <path d={outer} className={wall > 0 ? "fill-[#4b2a22]" : "fill-sheet"} />
      {wall > 0 && <path d={inner(0)} className="fill-[#4b2a22]" />}
      <path d={inner(cap)} className="fill-sheet" />
      <path d={inner(cap + headroom)} className="fill-[#d99f5c]" />
      {wall > 0 && (
        <path
          d={inner(0)}
          fill="none"
          className="stroke-[#8a6250]"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={outer}
        fill="none"
        className="stroke-rim"
        strokeWidth="2.5"
        vectorEffect="non-scaling-stroke"
      />
    </Section>
  );
}

function outline(centre: number, half: (y: number) => number, from: number, to: number): string {
  if (to <= from) return "";
  const right: string[] = [];
  const left: string[] = [];
  for (let i = 0; i <= SLICES; i++) {
    const share = 1 - (1 - i / SLICES) ** 2;
    const y = from + (to - from) * share;
    right.push(`${(centre + half(y)).toFixed(3)} ${y.toFixed(3)}`);
    left.unshift(`${(centre - half(y)).toFixed(3)} ${y.toFixed(3)}`);
  }
  return `M${[...right, ...left].join("L")}Z`;
}

type SectionProps = {
  width: number;
  height: number;
  alt: string;
  weighed?: boolean;
  children: React.ReactNode;
};

function Section({ width, height, alt, weighed, children }: SectionProps) {
  const caption = weighed ? "Cut through, as the half ball of equal volume" : "Cut through";
  return (
    <ScaledFigure widthMm={width} heightMm={height} boxPx={[560, 170]} alt={alt} caption={caption}>
      {children}
    </ScaledFigure>
  );
}
