import type { Schemas } from "../../api/client";
import { SlidingRule } from "../../ui/SlidingRule";
import { fixed } from "../../units/units";
import { DOES, LIQUIDS } from "./words";

type Props = {
  rule: Schemas["RatioRule"] | null;
  problem: string | null;
  onSlide: (ratio: number) => void;
  onSettled: () => void;
};

/** Chocolate to cream as a ruler to slide along; its zones are computed for this chocolate and liquid. */
export function RatioRule({ rule, problem, onSlide, onSettled }: Props) {
  if (!rule)
    return (
      <p className="text-ash">
        A ratio is shown once there is chocolate with cream, condensed milk or butter in the bowl.
      </p>
    );
  const liquid = LIQUIDS[rule.liquid] ?? rule.liquid;
  const at = (ratio: number) => `${(100 * (ratio - rule.low)) / (rule.high - rule.low)}%`;
  const step = rule.high - rule.low > 6 ? 1 : 0.5;
  const ticks = range(Math.ceil(rule.low / step) * step, rule.high, step);
  const small = range(Math.ceil(rule.low / 0.1) * 0.1, rule.high, rule.high - rule.low > 6 ? 0.5 : 0.1);
  const now = rule.zones.find((zone) => rule.ratio >= zone.low && rule.ratio <= zone.high);
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h2 className="font-bold">
          Chocolate to {liquid}
          {rule.to_all_liquid !== null && (
            <span className="pl-2 font-normal text-[0.875rem]">
              ({fixed(rule.to_all_liquid, 2)} to 1 with all its liquid)
            </span>
          )}
        </h2>
        <p className="text-[0.8125rem] text-ash">{movesText(rule, liquid)}</p>
      </div>
      <div className="px-3">
        <div className="relative mt-1 h-5 text-[0.875rem]" aria-hidden="true">
          {rule.zones.map((zone) =>
            (zone.high - zone.low) / (rule.high - rule.low) < 0.07 ? null : (
              <span
                key={zone.texture}
                className={`-translate-x-1/2 absolute ${zone === now ? "font-bold" : ""}`}
                style={{ left: at((zone.low + zone.high) / 2) }}
              >
                {DOES[zone.texture]}
              </span>
            ),
          )}
        </div>
        <SlidingRule
          label={`Chocolate to ${liquid}`}
          valueText={`${fixed(rule.ratio, 2)} to 1${now ? `, ${DOES[now.texture]}` : ""}`}
          value={rule.ratio}
          low={rule.low}
          high={rule.high}
          step={0.01}
          disabled={rule.moves === null}
          onSlide={onSlide}
          onSettled={onSettled}
          thumb={
            <span className="relative block h-17 w-11">
              <svg aria-hidden="true" viewBox="0 0 44 68" className="absolute inset-0 fill-copper">
                <path d="M22 15L13 2h18z" />
                <rect x="20.75" y="10" width="2.5" height="34" />
              </svg>
            </span>
          }
        >
          <span className="relative block h-17">
            <span className="absolute top-4 block h-6 w-full overflow-hidden rounded bg-rim-faint">
              {rule.zones.map((zone) => (
                <span
                  key={zone.texture}
                  className={`absolute block h-6 border-sheet border-x-2 ${zone === now ? "bg-rim" : "bg-rim-pale"}`}
                  style={{ left: at(zone.low), width: `calc(${at(zone.high)} - ${at(zone.low)})` }}
                />
              ))}
            </span>
            {small.map((tick) => (
              <span
                key={tick}
                className="absolute top-11 h-1 w-px bg-line-strong"
                style={{ left: at(tick) }}
              />
            ))}
            {ticks.map((tick) => (
              <span key={tick} className="absolute top-11 h-2 w-px bg-soot" style={{ left: at(tick) }}>
                <span className="-translate-x-1/2 absolute top-2 text-[0.75rem] text-ash">
                  {fixed(tick, 1)}
                </span>
              </span>
            ))}
          </span>
        </SlidingRule>
      </div>
      <p className="flex items-baseline justify-between gap-4">
        <span className={`text-sm ${problem ? "text-copper" : "text-ash"}`}>{problem ?? ""}</span>
        <strong className="text-[1.375rem] text-copper">{fixed(rule.ratio, 2)} : 1</strong>
      </p>
    </>
  );
}

function range(from: number, to: number, step: number): number[] {
  const count = Math.max(0, Math.floor((to - from) / step + 1e-9) + 1);
  return Array.from({ length: count }, (_, i) => Number((from + i * step).toFixed(4)));
}

function movesText(rule: Schemas["RatioRule"], liquid: string): string {
  const pins = rule.pinned.map((name) => name.charAt(0).toLowerCase() + name.slice(1)).join(", ");
  if (rule.moves === null) return `Every amount is pinned (${pins}): unpin one`;
  if (rule.moves === "liquid") return `The chocolate is pinned, so the ${liquid} changes`;
  return pins ? `Slide: the unpinned chocolate changes` : "Slide: the chocolate changes";
}
