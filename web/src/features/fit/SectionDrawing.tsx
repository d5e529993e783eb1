import { fineMass, useLength, useUnits } from "../../units/units";
import { type Dimension, type Label, type Pressed, ScaledFigure } from "./ScaledFigure";
import { FILLINGS, type FitAnswer, isByVolume, profileOf, type Vessel } from "./scale";

export type Walls = { wall: number; cap: number; headroom: number };

/** A layer or filling in a drawing: its two levels (mm) and its name. In a pan they count from the base, in a cavity
 * from the rim. */
export type Band = { from: number; to: number; name: string; part?: number; colour?: string };

type Props = {
  vessel: Vessel;
  fit: FitAnswer | null;
  walls: Walls;
  bands?: Band[];
  /** The shell's place among the parts, where its wall can be pressed. */
  shell?: number | null;
  shellColour?: string;
  /** Of a cake the places of its coat and its filling among the parts, and their colours. */
  cake?: { coat?: number; filling?: number; coatColour?: string; fillingColour?: string };
  parts?: Pressed;
  dimensions?: Dimension[];
  active?: string | null;
  boxPx?: [number, number];
};

const SLICES = 48;
/** The colour of a cake's layers: whatever they are, they are not ours. */
export const SPONGE = "#d3a964";
export const SHELL = "fill-[#4b2a22]";

/** The vessel cut through, to scale: levels, layers, and in a shell its wall, cap and headroom. */
export function SectionDrawing(props: Props) {
  switch (props.vessel.kind) {
    case "pan":
    case "box":
      return <PanSection {...props} />;
    case "cake":
      return <CakeSection {...props} />;
    case "pieces":
      return props.fit ? <BallSection {...props} fit={props.fit} /> : null;
    case "scoop":
      return props.fit ? <BallSection {...props} fit={props.fit} /> : <CavitySection {...props} />;
    default:
      return <CavitySection {...props} />;
  }
}

function PanSection({ vessel, fit, bands = [], ...frame }: Props) {
  const mm = useLength();
  const depth = vessel.depth_mm ?? 1;
  const thickness = bands.at(-1)?.to ?? fit?.thickness_mm ?? 0;
  const base = vessel.diameter_mm ?? vessel.length_mm ?? 1;
  const rim = vessel.shape === "loaf" ? (vessel.rim_length_mm ?? base) : base;
  const half = (height: number) => (base + ((rim - base) * height) / depth) / 2;
  const centre = rim / 2;
  const y = (height: number) => depth - height;
  const walls = `M${centre - half(depth)} 0L${centre - half(0)} ${depth}H${centre + half(0)}L${centre + half(depth)} 0`;
  const layer = (from: number, to: number) =>
    `M${centre - half(from)} ${y(from)}H${centre + half(from)}L${centre + half(to)} ${y(to)}H${centre - half(to)}Z`;
  const layers = bands.length > 0 ? bands : [{ from: 0, to: thickness, name: "" }];
  const told = bands.map((band) => `${band.name} ${mm(band.to - band.from)}`).join(", ");
  const alt = `In section: ${mm(thickness)} of filling in a pan ${mm(depth)} deep${vessel.usable_depth_mm != null ? `, filled no deeper than ${mm(vessel.usable_depth_mm)}` : ""}${told && `: ${told} from the base up`}.`;
  const labels: Label[] = bands
    .map((band) => ({
      x: centre + half(band.to) * 0.9,
      y: y((band.from + band.to) / 2),
      text: `${short(band.name)} ${mm(band.to - band.from)}`,
      part: band.part,
    }))
    .reverse();
  return (
    <Section width={rim} height={depth} alt={alt} labels={labels} {...frame}>
      {thickness > 0 &&
        layers.map((band, position) => (
          <path
            key={`${band.name}${band.from}`}
            d={layer(band.from, band.to)}
            fill={("colour" in band && band.colour) || FILLINGS[position % FILLINGS.length]}
            {...drawnPart(frame.parts, "part" in band ? band.part : undefined)}
          />
        ))}
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
      {vessel.usable_depth_mm != null && vessel.usable_depth_mm < depth && (
        <line
          x1={centre - half(vessel.usable_depth_mm)}
          x2={centre + half(vessel.usable_depth_mm)}
          y1={y(vessel.usable_depth_mm)}
          y2={y(vessel.usable_depth_mm)}
          className="stroke-rim"
          strokeDasharray="5 4"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path d={walls} fill="none" className="stroke-rim" strokeWidth="3" vectorEffect="non-scaling-stroke" />
    </Section>
  );
}

/** What makes a drawn part answer a press; by keyboard its word beside the drawing does. */
export function drawnPart(parts: Pressed | undefined, part: number | undefined) {
  if (!parts || part === undefined) return {};
  return { onClick: () => parts.onPress(part), cursor: "pointer", "aria-hidden": true } as const;
}

const short = (name: string) => (name.length > 24 ? `${name.slice(0, 23)}…` : name);

function CavitySection({ vessel, walls, bands = [], shell, shellColour, ...frame }: Props) {
  const mm = useLength();
  const profile = profileOf(vessel);
  const { wall, cap, headroom } = walls;
  const centre = profile.halfWidth(0);
  const outer = outline(centre, (y) => profile.halfWidth(y), 0, profile.depth);
  const inner = (from: number, to = profile.depth - wall) =>
    outline(centre, (y) => profile.inside(y, wall), from, to);
  const byVolume = isByVolume(vessel);
  const alt = `In section: a cavity ${mm(2 * centre)} across and ${mm(profile.depth)} deep, wall ${mm(wall)}, cap ${mm(cap)}, headroom ${mm(headroom)}${bands.map((band) => `, ${band.name} ${mm(band.from - band.to)}`).join("")}${byVolume ? "; drawn as the half ball of equal volume" : ""}.`;
  const right = (y: number, share = 0.85) => centre + profile.inside(y, wall) * share;
  const fillTop = cap + headroom;
  const fillDepth = profile.depth - wall - fillTop;
  const labels: Label[] = [];
  if (cap > 0) labels.push({ x: right(cap / 2), y: cap / 2, text: `cap ${mm(cap)}`, part: shell });
  if (headroom > 0)
    labels.push({
      x: right(cap + headroom / 2),
      y: cap + headroom / 2,
      text: `headroom ${mm(headroom)}`,
      part: shell,
    });
  if (bands.length > 0)
    for (const band of [...bands].reverse())
      labels.push({
        x: right((band.from + band.to) / 2, 0.7),
        y: (band.from + band.to) / 2,
        text: `${short(band.name)} ${mm(band.from - band.to)}`,
        part: band.part,
      });
  else if (fillDepth > 0)
    labels.push({
      x: right(fillTop + fillDepth / 2, 0.7),
      y: fillTop + fillDepth / 2,
      text: `filling ${mm(fillDepth)}`,
    });
  if (wall > 0)
    labels.push({
      x: centre + (profile.halfWidth(profile.depth * 0.8) + profile.inside(profile.depth * 0.8, wall)) / 2,
      y: profile.depth * 0.8,
      text: `wall ${mm(wall)}`,
      part: shell,
    });
  return (
    <Section
      width={2 * centre}
      height={profile.depth}
      alt={alt}
      byVolume={byVolume}
      labels={frame.dimensions ? [] : labels}
      {...frame}
    >
      <path
        d={outer}
        className={wall > 0 ? SHELL : "fill-sheet"}
        style={wall > 0 && shellColour ? { fill: shellColour } : undefined}
        {...drawnPart(frame.parts, shell ?? undefined)}
      />
      {wall > 0 && (
        <path d={inner(0)} className={SHELL} style={shellColour ? { fill: shellColour } : undefined} />
      )}
      <path d={inner(cap)} className="fill-sheet" />
      {bands.length > 0 ? (
        bands.map((band, position) => (
          <path
            key={`${band.name}${band.from}`}
            d={inner(band.to, Math.min(band.from, profile.depth - wall))}
            fill={band.colour ?? FILLINGS[position % FILLINGS.length]}
            {...drawnPart(frame.parts, band.part)}
          />
        ))
      ) : (
        <path d={inner(fillTop)} fill={FILLINGS[0]} />
      )}
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

/** A rolled piece cut through: a core, the filling round it, its coat. */
function BallSection({ fit, ...frame }: Props & { fit: FitAnswer }) {
  const units = useUnits();
  const mm = useLength();
  const ball = fit.ball_mm ?? 1;
  const coat = fit.shell ? coatOf(fit, ball) : 0;
  const core = fit.core_g ? ball * ((fit.core_g / (fit.piece_g ?? 1)) * 1.05) ** (1 / 3) : 0;
  const whole = ball + 2 * coat;
  const middle = whole / 2;
  const alt = `In section: a ball ${mm(ball)} across${core ? `, a core of ${fineMass(fit.core_g ?? 0, units)} in it` : ""}${coat ? `, a coat of ${mm(coat)} round it` : ""}.`;
  const labels: Label[] = [{ x: middle + ball * 0.3, y: middle, text: `ball ${mm(ball)}` }];
  if (coat)
    labels.unshift({
      x: middle + (ball + coat) / 2.83,
      y: middle - (ball + coat) / 2.83,
      text: `coat ${mm(coat)}`,
    });
  if (core)
    labels.push({
      x: middle + core * 0.2,
      y: middle + core * 0.3,
      text: `core ${fineMass(fit.core_g ?? 0, units)}`,
    });
  return (
    <Section width={whole} height={whole} alt={alt} labels={labels} {...frame}>
      {coat > 0 && <circle cx={middle} cy={middle} r={middle} className={SHELL} />}
      <circle cx={middle} cy={middle} r={ball / 2} fill={FILLINGS[0]} />
      {core > 0 && <circle cx={middle} cy={middle} r={core / 2} fill={FILLINGS[3]} />}
      <circle
        cx={middle}
        cy={middle}
        r={middle}
        className="fill-none stroke-rim"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </Section>
  );
}

/** The coat's thickness of a ball from its grams, for the drawing. */
function coatOf(fit: FitAnswer, ball: number): number {
  const volume = ((fit.shell?.shell_g ?? 0) / 1.28) * 1000;
  return ((ball ** 3 + (6 * volume) / Math.PI) ** (1 / 3) - ball) / 2;
}

function CakeSection({ vessel, fit, cake = {}, ...frame }: Props) {
  const mm = useLength();
  const across = vessel.diameter_mm ?? vessel.length_mm ?? 1;
  const height = vessel.height_mm ?? 1;
  const coat = fit?.cake?.coat_mm ?? vessel.coat_mm ?? 0;
  const fillings = vessel.fillings ?? 1;
  const thick = vessel.filling_mm ?? 0;
  const crumb = (height - fillings * thick) / (fillings + 1);
  const alt = `In section: a cake ${mm(across)} across and ${mm(height)} high, ${fillings} fillings of ${mm(thick)}, a coat of ${mm(coat)}.`;
  const labels: Label[] = [
    { x: coat + across * 0.8, y: coat / 2, text: `coat ${mm(coat)}`, part: cake.coat },
    { x: coat + across * 0.8, y: coat + crumb + thick / 2, text: `filling ${mm(thick)}`, part: cake.filling },
  ];
  return (
    <Section
      width={across + 2 * coat}
      height={height + coat}
      alt={alt}
      labels={frame.dimensions ? [] : labels}
      {...frame}
    >
      <rect width={across + 2 * coat} height={height + coat} fill={cake.coatColour ?? FILLINGS[0]} />
      <rect x={coat} y={coat} width={across} height={height} fill={SPONGE} />
      {Array.from({ length: fillings }, (_, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: fillings are equal and stay in place
          key={i}
          x={coat}
          y={coat + crumb + i * (crumb + thick)}
          width={across}
          height={thick}
          fill={cake.fillingColour ?? FILLINGS[0]}
        />
      ))}
      <rect
        width={across + 2 * coat}
        height={height + coat}
        className="fill-none stroke-rim"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </Section>
  );
}

export function outline(centre: number, half: (y: number) => number, from: number, to: number): string {
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

type SectionProps = Pick<Props, "dimensions" | "active" | "boxPx" | "parts"> & {
  width: number;
  height: number;
  alt: string;
  byVolume?: boolean;
  labels?: Label[];
  children: React.ReactNode;
};

function Section({
  width,
  height,
  byVolume,
  boxPx = [560, 170],
  alt,
  labels,
  dimensions,
  active,
  parts,
  children,
}: SectionProps) {
  return (
    <ScaledFigure
      widthMm={width}
      heightMm={height}
      boxPx={boxPx}
      alt={alt}
      labels={labels}
      dimensions={dimensions}
      active={active}
      parts={parts}
      caption={byVolume ? "Cross-section, as the half ball of equal volume" : "Cross-section"}
    >
      {children}
    </ScaledFigure>
  );
}
