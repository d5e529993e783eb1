import type { Schemas } from "../../api/client";
import { fineMass, length, useUnits } from "../../units/units";
import { type Band, FILLINGS, ScaledFigure, SectionDrawing, SHELL } from "../fit";
import { type Answer, type Asked, ROLE_WORDS } from "./words";

type Props = {
  asked: Asked;
  answer: Answer;
  vessel: Schemas["VesselFile"];
};

/** The piece cut through, true to scale: what lies in what, each part by its name. */
export function ConfectionSection({ asked, answer, vessel }: Props) {
  if (vessel.kind === "pieces" || vessel.kind === "scoop") return <Ball answer={answer} />;
  const shell = asked.parts.find((part) => part.role === "shell");
  const worked = answer.parts.find((part) => part.role === "shell");
  const bands = answer.parts
    .filter((part) => part.from_mm !== null && part.to_mm !== null && part.from_mm !== part.to_mm)
    .map((part): Band => ({ from: part.from_mm ?? 0, to: part.to_mm ?? 0, name: part.name }));
  const top = Math.min(...bands.map((band) => Math.min(band.from, band.to)), Number.POSITIVE_INFINITY);
  const isCavity = vessel.kind === "mould" || vessel.kind === "cup";
  const above = isCavity && Number.isFinite(top) ? top : 0;
  const headroom = shell?.headroom_mm ?? Math.min(above, USUAL_ABOVE_MM);
  return (
    <SectionDrawing
      vessel={vessel}
      fit={null}
      walls={{ wall: worked?.mm ?? 0, cap: above - headroom > NOTHING_MM ? above - headroom : 0, headroom }}
      bands={bands}
      boxPx={[430, 210]}
    />
  );
}

/** Of what is empty or closed above a filling, the part that is drawn as room where nobody said. */
const USUAL_ABOVE_MM = 0.5;

const NOTHING_MM = 0.05;

/** A ball or free piece: what is inside, the centre round it, its coats. */
function Ball({ answer }: { answer: Answer }) {
  const units = useUnits();
  const whole = answer.outside?.sides_mm[0] ?? 1;
  const coats = answer.parts.filter((part) => part.role === "coat" || part.role === "rolling");
  const coatMm = coats.reduce((sum, part) => sum + (part.mm ?? 0), 0);
  const core = answer.parts.find((part) => part.role === "core");
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
      })),
    { x: middle + inside * 0.6, y: middle, text: `centre ${length(2 * inside, units)}` },
    ...(core ? [{ x: middle, y: middle + coreMm * 0.3, text: `core ${fineMass(core.each_g, units)}` }] : []),
  ];
  const alt = `In section: a ball ${length(whole, units)} across: ${answer.parts.map((part) => `${ROLE_WORDS[part.role].toLowerCase()} ${part.name}`).join(", ")}.`;
  return (
    <ScaledFigure
      widthMm={whole}
      heightMm={whole}
      boxPx={[430, 210]}
      alt={alt}
      labels={labels}
      caption="Cut through"
    >
      {coatMm > 0 && <circle cx={middle} cy={middle} r={middle} className={SHELL} />}
      <circle cx={middle} cy={middle} r={inside} fill={FILLINGS[0]} />
      {coreMm > 0 && <circle cx={middle} cy={middle} r={coreMm / 2} fill={FILLINGS[3]} />}
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
