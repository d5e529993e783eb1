import { cavityPlan, panPlan, profileOf, type Vessel } from "./scale";

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
