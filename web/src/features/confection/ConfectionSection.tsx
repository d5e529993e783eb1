import type { Schemas } from "../../api/client";
import { fineMass, length, useUnits } from "../../units/units";
import { tintColour } from "../counter";
import { type Band, drawnPart, type Pressed, ScaledFigure, SectionDrawing } from "../fit";
import { type Answer, type PartAsk, ROLE_WORDS } from "./words";

type Drawn = { parts: readonly Pick<PartAsk, "role">[] };

type Props = {
  /** What is drawn of what was put together: the role of each part. */
  asked: Drawn;
  answer: Answer;
  /** The tint of each part of the answer. */
  tints: readonly Schemas["Tint"][];
  vessel: Schemas["VesselFile"];
  /** Which part is asked for, and what happens when another is pressed. */
  parts: Pressed;
};

/** The piece cut through, true to scale: what lies in what, each part by its name; pressed, a part is asked for. */
export function ConfectionSection({ asked, answer, tints, vessel, parts }: Props) {
  const colours = tints.map(tintColour);
  if (vessel.kind === "pieces" || vessel.kind === "scoop")
    return <Ball answer={answer} colours={colours} parts={parts} />;
  if (vessel.kind === "pan" && answer.outside?.kind === "block")
    return <Block answer={answer} colours={colours} parts={parts} />;
  const shellAt = asked.parts.findIndex((part) => part.role === "shell");
  const worked = answer.parts.find((part) => part.role === "shell");
  const bands = answer.parts.flatMap((part, position): Band[] =>
    part.from_mm !== null && part.to_mm !== null && part.from_mm !== part.to_mm
      ? [{ from: part.from_mm, to: part.to_mm, name: part.name, part: position, colour: colours[position] }]
      : [],
  );
  const top = Math.min(...bands.map((band) => Math.min(band.from, band.to)), Number.POSITIVE_INFINITY);
  const isCavity = vessel.kind === "mould" || vessel.kind === "cup";
  const above = isCavity && Number.isFinite(top) ? top : 0;
  const cap = Math.min(answer.cap_mm ?? 0, above);
  return (
    <SectionDrawing
      vessel={vessel}
      fit={null}
      walls={{ wall: worked?.mm ?? 0, cap: cap > NOTHING_MM ? cap : 0, headroom: above - cap }}
      bands={bands}
      shell={shellAt < 0 ? null : shellAt}
      shellColour={colourOf(answer, colours, "shell")}
      cake={{
        coat: placeOf(asked, "coat"),
        filling: placeOf(asked, "filling") ?? placeOf(asked, "centre"),
        coatColour: colourOf(answer, colours, "coat"),
        fillingColour: colourOf(answer, colours, "filling") ?? colourOf(answer, colours, "centre"),
      }}
      parts={parts}
      boxPx={[430, 210]}
    />
  );
}

/** The place of the first part of a role; undefined where there is none. */
function placeOf(asked: Drawn, role: string): number | undefined {
  const at = asked.parts.findIndex((part) => part.role === role);
  return at < 0 ? undefined : at;
}

/** The colour of the first part of a role; undefined where there is none. */
function colourOf(answer: Answer, colours: readonly string[], role: string): string | undefined {
  return colours[answer.parts.findIndex((part) => part.role === role)];
}

const NOTHING_MM = 0.05;

type PieceProps = { answer: Answer; colours: readonly string[]; parts: Pressed };

/** A cut piece: its layers in the coat that it is dipped in. */
function Block({ answer, colours, parts }: PieceProps) {
  const units = useUnits();
  const [width = 1, , height = 1] = answer.outside?.sides_mm ?? [];
  const placed = answer.parts.map((part, position) => ({ ...part, position }));
  const coats = placed.filter((part) => part.role === "coat");
  const coat = coats.reduce((sum, part) => sum + (part.mm ?? 0), 0);
  const layers = placed.filter((part) => part.role === "layer");
  const thick = (part: { from_mm: number | null; to_mm: number | null }) =>
    (part.to_mm ?? 0) - (part.from_mm ?? 0);
  const labels = [
    ...coats.slice(0, 1).map((part) => ({
      x: width - coat / 2,
      y: coat / 2,
      text: `coat ${length(coat, units)}`,
      part: part.position,
    })),
    ...layers.toReversed().map((part) => ({
      x: (width - coat) * 0.92,
      y: height - coat - ((part.from_mm ?? 0) + (part.to_mm ?? 0)) / 2,
      text: `${part.name} ${length(thick(part), units)}`,
      part: part.position,
    })),
  ];
  const alt = `In section: a piece ${length(width, units)} wide and ${length(height, units)} high: ${layers.map((part) => `${part.name} ${length(thick(part), units)}`).join(", ")} from the base up.`;
  return (
    <ScaledFigure
      widthMm={width}
      heightMm={height}
      boxPx={[430, 170]}
      alt={alt}
      labels={labels}
      parts={parts}
      caption="One piece, cut through"
    >
      {coat > 0 && (
        <rect
          width={width}
          height={height}
          fill={colours[coats[0]?.position ?? 0]}
          {...drawnPart(parts, coats[0]?.position)}
        />
      )}
      {layers.map((part) => (
        <rect
          key={part.position}
          x={coat}
          width={width - 2 * coat}
          y={height - coat - (part.to_mm ?? 0)}
          height={thick(part)}
          fill={colours[part.position]}
          {...drawnPart(parts, part.position)}
        />
      ))}
      <rect
        width={width}
        height={height}
        className="fill-none stroke-rim"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </ScaledFigure>
  );
}

/** A ball or free piece: what is inside, the centre round it, its coats. */
function Ball({ answer, colours, parts }: PieceProps) {
  const units = useUnits();
  const whole = answer.outside?.sides_mm[0] ?? 1;
  const placed = answer.parts.map((part, position) => ({ ...part, position }));
  const coats = placed.filter((part) => part.role === "coat" || part.role === "rolling");
  const coatMm = coats.reduce((sum, part) => sum + (part.mm ?? 0), 0);
  const core = placed.find((part) => part.role === "core");
  const centre = placed.find((part) => part.role === "centre");
  const coreMm = core ? 20 * ((3 * core.each_ml) / (4 * Math.PI)) ** (1 / 3) : 0;
  const middle = whole / 2;
  const inside = whole / 2 - coatMm;
  const labels = [
    ...coats
      .filter((part) => part.mm !== null)
      .map((part) => ({
        x: middle + (inside + coatMm / 2) * 0.7,
        y: middle - (inside + coatMm / 2) * 0.7,
        text: `${ROLE_WORDS[part.role].toLowerCase()} ${length(part.mm ?? 0, units)}`,
        part: part.position,
      })),
    {
      x: middle + inside * 0.6,
      y: middle,
      text: `centre ${length(2 * inside, units)}`,
      part: centre?.position,
    },
    ...(core
      ? [
          {
            x: middle,
            y: middle + coreMm * 0.3,
            text: `core ${fineMass(core.each_g, units)}`,
            part: core.position,
          },
        ]
      : []),
  ];
  const alt = `In section: a ball ${length(whole, units)} across: ${answer.parts.map((part) => `${ROLE_WORDS[part.role].toLowerCase()} ${part.name}`).join(", ")}.`;
  return (
    <ScaledFigure
      widthMm={whole}
      heightMm={whole}
      boxPx={[430, 210]}
      alt={alt}
      labels={labels}
      parts={parts}
      caption="Cross-section"
    >
      {coatMm > 0 && (
        <circle
          cx={middle}
          cy={middle}
          r={middle}
          fill={colours[coats[0]?.position ?? 0]}
          {...drawnPart(parts, coats[0]?.position)}
        />
      )}
      <circle
        cx={middle}
        cy={middle}
        r={inside}
        fill={colours[centre?.position ?? 0]}
        {...drawnPart(parts, centre?.position)}
      />
      {coreMm > 0 && (
        <circle
          cx={middle}
          cy={middle}
          r={coreMm / 2}
          fill={colours[core?.position ?? 0]}
          {...drawnPart(parts, core?.position)}
        />
      )}
      <circle
        cx={middle}
        cy={middle}
        r={middle}
        className="fill-none stroke-rim"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </ScaledFigure>
  );
}
