import type { Schemas } from "../../api/client";
import { fineMass, length, useUnits } from "../../units/units";
import { type Band, drawnPart, FILLINGS, type Pressed, ScaledFigure, SectionDrawing, SHELL } from "../fit";
import { type Answer, type PartAsk, ROLE_WORDS } from "./words";

type Drawn = { parts: readonly Pick<PartAsk, "role">[] };

type Props = {
  /** What is drawn of what was put together: the role of each part. */
  asked: Drawn;
  answer: Answer;
  vessel: Schemas["VesselFile"];
  /** Which part is asked for, and what happens when another is pressed. */
  parts: Pressed;
};

/** The piece cut through, true to scale: what lies in what, each part by its name; pressed, a part is asked for. */
export function ConfectionSection({ asked, answer, vessel, parts }: Props) {
  if (vessel.kind === "pieces" || vessel.kind === "scoop") return <Ball answer={answer} parts={parts} />;
  const shellAt = asked.parts.findIndex((part) => part.role === "shell");
  const worked = answer.parts.find((part) => part.role === "shell");
  const bands = answer.parts.flatMap((part, position): Band[] =>
    part.from_mm !== null && part.to_mm !== null && part.from_mm !== part.to_mm
      ? [{ from: part.from_mm, to: part.to_mm, name: part.name, part: position }]
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
      cake={{ coat: placeOf(asked, "coat"), filling: placeOf(asked, "filling") ?? placeOf(asked, "centre") }}
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

const NOTHING_MM = 0.05;

/** A ball or free piece: what is inside, the centre round it, its coats. */
function Ball({ answer, parts }: { answer: Answer; parts: Pressed }) {
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
          className={SHELL}
          {...drawnPart(parts, coats[0]?.position)}
        />
      )}
      <circle cx={middle} cy={middle} r={inside} fill={FILLINGS[0]} {...drawnPart(parts, centre?.position)} />
      {coreMm > 0 && (
        <circle
          cx={middle}
          cy={middle}
          r={coreMm / 2}
          fill={FILLINGS[3]}
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
