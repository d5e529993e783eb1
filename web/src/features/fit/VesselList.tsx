import type { Schemas } from "../../api/client";
import { cavityPlan, measuresText, panPlan, profileOf, type Vessel } from "./scale";

type Stored = Schemas["StoredVesselOut"];
type Props = { vessels: Stored[]; chosen: number | null; onChoose: (vessel: Stored) => void };

/** The person's pans and moulds, each with its own outline. */
export function VesselList({ vessels, chosen, onChoose }: Props) {
  return (
    <div>
      {(["pan", "mould"] as const).map((kind) => (
        <fieldset key={kind} className="mt-2">
          <legend className="text-[13px] text-ash">{kind === "pan" ? "Pans and tins" : "Moulds"}</legend>
          {vessels
            .filter((stored) => stored.vessel.kind === kind)
            .map((stored) => (
              <label
                key={stored.id}
                className="flex min-h-13 cursor-pointer items-center gap-3 border-line border-b px-1 has-checked:bg-rim-faint has-focus-visible:outline-3 has-focus-visible:outline-rim"
              >
                <input
                  type="radio"
                  name="vessel"
                  className="size-4 shrink-0 accent-rim"
                  checked={stored.id === chosen}
                  onChange={() => onChoose(stored)}
                />
                <Outline vessel={stored.vessel} />
                <span className="min-w-0 leading-tight">
                  <span dir="auto" className="block truncate">
                    {stored.name}
                  </span>
                  <span className="block text-[13px] text-ash">{measuresText(stored.vessel)}</span>
                </span>
              </label>
            ))}
        </fieldset>
      ))}
    </div>
  );
}

/** A vessel's outline in small: from above for a pan, cut through for a cavity. */
function Outline({ vessel }: { vessel: Vessel }) {
  const look = { className: "fill-sheet stroke-rim", strokeWidth: 1.8 };
  if (vessel.kind === "pan") {
    const { length, width, isRound } = panPlan(vessel);
    const scale = 30 / Math.max(length, width);
    return (
      <svg aria-hidden="true" viewBox="0 0 34 34" className="size-9 shrink-0">
        {isRound ? (
          <circle cx="17" cy="17" r="15" {...look} />
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
    </svg>
  );
}
