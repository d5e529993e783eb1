import type { Schemas } from "../api/client";

/** A value on its scale: the stretch that is good, the band of the estimate, the value as an upright mark. */
export function Gauge({ gauge, alarmed }: { gauge: Schemas["Gauge"]; alarmed: boolean }) {
  const width = gauge.scale_high - gauge.scale_low;
  const at = (value: number) => Math.min(100, Math.max(0, (100 * (value - gauge.scale_low)) / width));
  const low = at(gauge.low);
  const good =
    gauge.good_low === null || gauge.good_high === null ? null : [at(gauge.good_low), at(gauge.good_high)];
  return (
    <svg aria-hidden="true" viewBox="0 0 100 12" preserveAspectRatio="none" className="mt-1 block h-3 w-full">
      <line
        x1="0"
        x2="100"
        y1="6"
        y2="6"
        className="stroke-line"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
      {good && (
        <rect x={good[0]} width={Number(good[1]) - Number(good[0])} y="2" height="8" className="fill-good" />
      )}
      <rect
        x={low}
        width={Math.max(0.5, at(gauge.high) - low)}
        y="4.5"
        height="3"
        className="fill-line-strong"
      />
      <rect
        x={at(gauge.value) - 0.6}
        width="1.2"
        y="0"
        height="12"
        className={alarmed ? "fill-copper" : "fill-soot"}
      />
    </svg>
  );
}
