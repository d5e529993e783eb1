import type { Schemas } from "../../api/client";
import { useNarrow } from "../../ui/useNarrow";
import { decimal, mass, type Units } from "../../units/units";
import { BOWL, bowlSize, halfWidth, heightOfShare, LAYER_FILLS, slicePath } from "../counter";

type Layer = Schemas["Layer"];

const WIDTH = 560;
const NARROW_WIDTH = 444;
const CENTRE = 222;
const BOTTOM = 326;
const INSIDE_FROM_PX = 17;
const LABEL_GAP_PX = 18;
const SHOWN_FROM_G = 0.05;

type Props = { layers: Layer[]; grams: number; kept: { name: string; grams: number } | null; units: Units };

/** The bowl in section: areas are true to mass; the dashed line is the level of the last kept version. */
export function Bowl({ layers, grams, kept, units }: Props) {
  const narrow = useNarrow();
  const size = bowlSize(Math.max(grams, kept?.grams ?? 0));
  const shown = layers.filter((layer) => layer.grams >= SHOWN_FROM_G);
  let sum = 0;
  const strata = shown.map((layer) => {
    const from = heightOfShare(sum / size);
    sum += layer.grams;
    const to = heightOfShare(sum / size);
    const label = narrow ? (SHORT[layer.code] ?? layer.label) : layer.label;
    return { layer, from, to, text: `${label}, ${share(layer.grams, grams)}` };
  });
  const outside = spread(strata.filter(({ from, to }) => to - from < INSIDE_FROM_PX));
  const keptAt = kept ? heightOfShare(kept.grams / size) : null;
  const moved = kept !== null && Math.abs(kept.grams - grams) > 0.5;
  const alt = `The bowl holds ${mass(grams, units)}: ${strata.map(({ text }) => text).join("; ")}.`;
  return (
    <>
      <svg
        role="img"
        aria-label={alt}
        viewBox={`0 0 ${narrow ? NARROW_WIDTH : WIDTH} 336`}
        className="strata mx-auto block max-h-[400px] w-full"
      >
        {strata.map(({ layer, from, to }) => (
          <path
            key={layer.code}
            d={slicePath(from, to, CENTRE, BOTTOM)}
            fill={LAYER_FILLS[layer.code]?.fill}
            stroke="#ffffff"
            strokeWidth="1"
          />
        ))}
        <BowlRim />
        {keptAt !== null && moved && (
          <g>
            <line
              x1={CENTRE - halfWidth(keptAt)}
              x2={CENTRE + halfWidth(keptAt)}
              y1={BOTTOM - keptAt}
              y2={BOTTOM - keptAt}
              stroke="#1b2130"
              strokeWidth="1.6"
              strokeDasharray="3 5"
            />
            <text x={CENTRE - halfWidth(keptAt) + 6} y={BOTTOM - keptAt - 5} fontSize="12" fill="#1b2130">
              {kept?.name}
            </text>
          </g>
        )}
        {strata.map(({ layer, from, to, text }) =>
          to - from >= INSIDE_FROM_PX ? (
            <text
              key={layer.code}
              x={CENTRE}
              y={BOTTOM - (from + to) / 2 + 5}
              textAnchor="middle"
              fontSize={narrow ? 16.5 : text.length > 34 ? 13 : 14.5}
              fill={LAYER_FILLS[layer.code]?.text}
            >
              {text}
            </text>
          ) : null,
        )}
        {!narrow &&
          outside.map(({ layer, from, to, text, y }) => {
            const edge = CENTRE + halfWidth((from + to) / 2) - 14;
            return (
              <g key={layer.code}>
                <path
                  d={`M${edge} ${BOTTOM - (from + to) / 2}L${CENTRE + 212} ${y}H${CENTRE + 218}`}
                  fill="none"
                  stroke="#1b2130"
                />
                <text x={CENTRE + 221} y={y + 4} fontSize="12.5" fill="#1b2130">
                  {SHORT[layer.code] ?? layer.label} {text.split(", ").at(-1)}
                </text>
              </g>
            );
          })}
      </svg>
      {narrow && outside.length > 0 && (
        <p className="mb-2 text-center text-[0.8125rem]">
          Thin layers: {outside.map(({ text }) => text.replace(", ", " ")).join("; ")}
        </p>
      )}
    </>
  );
}

const SHORT: Record<string, string> = {
  solids: "Other solids",
  water: "Water phase",
  "cocoa-butter": "Cocoa butter",
};

function share(part: number, whole: number): string {
  const pct = (100 * part) / whole;
  return `${decimal(pct, pct >= 9.5 ? 0 : 1)} %`;
}

type Stratum = { layer: Layer; from: number; to: number; text: string };

/** Give thin layers a label beside the bowl, none upon another. */
function spread(strata: Stratum[]): (Stratum & { y: number })[] {
  let above = Number.POSITIVE_INFINITY;
  return strata.map((stratum) => {
    const y = Math.min(BOTTOM - (stratum.from + stratum.to) / 2, above - LABEL_GAP_PX);
    above = y;
    return { ...stratum, y };
  });
}

function BowlRim() {
  const left: string[] = [];
  const right: string[] = [];
  for (let i = 0; i <= 20; i++) {
    const height = BOWL.height * (i / 20) ** 2;
    const half = halfWidth(height) + 4;
    left.push(`${CENTRE - half} ${BOTTOM - height}`);
    right.push(`${CENTRE + half} ${BOTTOM - height}`);
  }
  const top = BOTTOM - BOWL.height;
  const lip = halfWidth(BOWL.height) + 4;
  return (
    <g stroke="#1c3f8f" strokeWidth="7" strokeLinecap="round" strokeLinejoin="round" fill="none">
      <path d={`M${left.reverse().join("L")}L${right.join("L")}`} />
      <path d={`M${CENTRE - lip - 9} ${top}h16M${CENTRE + lip - 7} ${top}h16`} strokeWidth="9" />
    </g>
  );
}
