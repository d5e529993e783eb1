import type { Schemas } from "../../api/client";

type Rgb = readonly [number, number, number];

/** Colours of a mix by its share of dry cocoa: white chocolate and cream first, dark chocolate last. A judgement. */
const BY_COCOA: readonly (readonly [number, Rgb])[] = [
  [0, [239, 226, 192]],
  [0.03, [206, 158, 110]],
  [0.08, [150, 98, 66]],
  [0.16, [104, 62, 43]],
  [0.3, [68, 37, 30]],
];
const BROWNED: Rgb = [201, 133, 58];
const NUT: Rgb = [184, 138, 84];
const FRUIT: Rgb = [186, 78, 84];

/** The colour of a part, by what is in it. */
export function tintColour({ cocoa, fruit, nut, browned }: Schemas["Tint"]): string {
  const plain = browned && cocoa < 0.02 ? BROWNED : byCocoa(cocoa);
  const red = blend(plain, FRUIT, Math.min(0.85, fruit * 1.6));
  return `rgb(${blend(red, NUT, Math.min(0.8, nut)).map(Math.round).join(" ")})`;
}

function byCocoa(share: number): Rgb {
  const at = BY_COCOA.findIndex(([level]) => level >= share);
  const [high, dark] = BY_COCOA[at < 0 ? BY_COCOA.length - 1 : at] as (typeof BY_COCOA)[number];
  const [low, pale] = BY_COCOA[Math.max(0, (at < 0 ? BY_COCOA.length : at) - 1)] as (typeof BY_COCOA)[number];
  return high <= low ? dark : blend(pale, dark, Math.min(1, (share - low) / (high - low)));
}

function blend(from: Rgb, to: Rgb, share: number): Rgb {
  const [r, g, b] = from.map((value, i) => value + ((to[i] ?? value) - value) * share);
  return [r ?? 0, g ?? 0, b ?? 0];
}
