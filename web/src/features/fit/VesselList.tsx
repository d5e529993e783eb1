import type { Schemas } from "../../api/client";
import { Radio, RadioGroup } from "../../ui/Radio";
import { useLength } from "../../units/units";
import { cavityPlan, measuresText, panPlan, profileOf, type Vessel } from "./scale";
import { VesselForm } from "./VesselForm";
import { KINDS } from "./vesselShapes";

type Stored = Schemas["StoredVessel"];
type Props = {
  vessels: Stored[];
  chosen: number | null;
  onChoose: (id: number | null) => void;
  flush: () => Promise<void>;
};

/** What the person owns to pour and portion with, each with its own outline; one more is added here. */
export function VesselList({ vessels, chosen, onChoose, flush }: Props) {
  const mm = useLength();
  return (
    <RadioGroup label="Made in" value={String(chosen ?? "")} onPick={(id) => onChoose(Number(id))}>
      <VesselForm stored={null} onDone={(id) => onChoose(id)} flush={flush} />
      {KINDS.filter(({ kind }) => kind !== "box").map(({ kind, title }) => {
        const own = vessels.filter((stored) => stored.vessel.kind === kind);
        if (own.length === 0) return null;
        return (
          <fieldset key={kind} className="mt-2 min-w-0">
            <legend className="text-[0.8125rem] text-ash">{title}</legend>
            {own.map((stored) => (
              <div
                key={stored.id}
                className="flex items-center border-line border-b has-data-[state=checked]:bg-rim-faint"
              >
                <Radio value={String(stored.id)} className="min-h-13 min-w-0 flex-1 gap-3 px-1">
                  <Outline vessel={stored.vessel} />
                  <span className="min-w-0 leading-tight">
                    <span dir="auto" className="block truncate">
                      {stored.name}
                    </span>
                    <span className="block text-[0.8125rem] text-ash">
                      {measuresText(stored.vessel, mm)}
                      {stored.owned > 1 && `, ${stored.owned} owned`}
                    </span>
                  </span>
                </Radio>
                {stored.id === chosen && <VesselForm stored={stored} onDone={onChoose} flush={flush} />}
              </div>
            ))}
          </fieldset>
        );
      })}
    </RadioGroup>
  );
}

/** A vessel's outline in small: from above for a pan, cut through for a cavity. */
export function Outline({ vessel }: { vessel: Vessel }) {
  const look = { className: "fill-sheet stroke-rim", strokeWidth: 1.8 };
  if (vessel.kind === "pieces")
    return (
      <svg aria-hidden="true" viewBox="0 0 34 34" className="size-9 shrink-0">
        <circle cx="17" cy="17" r="11" {...look} />
      </svg>
    );
  if (vessel.kind === "pan" || vessel.kind === "cake" || vessel.kind === "box") {
    const { length, width, isRound } = panPlan(vessel);
    const scale = 30 / Math.max(length, width);
    return (
      <svg aria-hidden="true" viewBox="0 0 34 34" className="size-9 shrink-0">
        {isRound ? (
          <>
            <circle cx="17" cy="17" r="15" {...look} />
            {(vessel.kind === "cake" || vessel.shape === "tube") && (
              <circle cx="17" cy="17" r="5" {...look} />
            )}
          </>
        ) : (
          <rect
            x={17 - (length * scale) / 2}
            y={17 - (width * scale) / 2}
            width={length * scale}
            height={width * scale}
            rx="2"
            {...look}
          />
        )}
      </svg>
    );
  }
  const profile = profileOf(vessel);
  const scale = 30 / Math.max(cavityPlan(vessel).length, profile.depth);
  const points = Array.from({ length: 21 }, (_, i) => {
    const y = profile.depth * (1 - (1 - i / 20) ** 2);
    return [profile.halfWidth(y) * scale, 6 + y * scale] as const;
  });
  const path = [
    ...points.map(([x, y]) => `${17 + x} ${y}`),
    ...points.reverse().map(([x, y]) => `${17 - x} ${y}`),
  ];
  return (
    <svg aria-hidden="true" viewBox="0 0 34 34" className="size-9 shrink-0">
      <path d={`M${path.join("L")}Z`} {...look} />
      {vessel.kind === "scoop" && <path d="M32 6h-2" {...look} />}
    </svg>
  );
}
