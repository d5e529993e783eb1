/** The bowl's inside in section: half its width at a height, and heights between which areas are true to mass. */

export const BOWL = { height: 300, floor: 80, rim: 205 };
const SLICES = 500;

/** Half the width at a height above the floor. */
export function halfWidth(height: number): number {
  const share = Math.min(1, Math.max(0, height / BOWL.height));
  return BOWL.floor + (BOWL.rim - BOWL.floor) * share ** 0.62;
}

const AREAS = (() => {
  const areas = [0];
  const slice = BOWL.height / SLICES;
  for (let i = 0; i < SLICES; i++) areas.push((areas[i] ?? 0) + 2 * halfWidth((i + 0.5) * slice) * slice);
  return areas;
})();

/** The height below which a share (0 to 1) of the bowl's area lies. */
export function heightOfShare(share: number): number {
  const full = AREAS[SLICES] ?? 1;
  const wanted = Math.min(1, Math.max(0, share)) * full;
  let low = 0;
  let high = SLICES;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((AREAS[middle] ?? 0) < wanted) low = middle;
    else high = middle;
  }
  const a = AREAS[low] ?? 0;
  const b = AREAS[high] ?? full;
  return ((low + (b > a ? (wanted - a) / (b - a) : 0)) * BOWL.height) / SLICES;
}

/** The outline of the bowl's inside between two heights, as an SVG path; y grows downwards from `top`. */
export function slicePath(from: number, to: number, centre: number, bottom: number): string {
  const steps = 24;
  const points: string[] = [];
  for (let i = 0; i <= steps; i++) {
    const height = from + (to - from) * (i / steps) ** 2;
    points.push(`${(centre + halfWidth(height)).toFixed(1)} ${(bottom - height).toFixed(1)}`);
  }
  for (let i = steps; i >= 0; i--) {
    const height = from + (to - from) * (i / steps) ** 2;
    points.push(`${(centre - halfWidth(height)).toFixed(1)} ${(bottom - height).toFixed(1)}`);
  }
  return `M${points.join("L")}Z`;
}

const SIZES_G = [100, 250, 500, 750, 1000, 1500, 2000, 3000, 5000, 7500, 10000, 20000, 50000, 100000];

/** The bowl taken for a mass: the next size up, so that a level rises and falls within one bowl. */
export function bowlSize(grams: number): number {
  return SIZES_G.find((size) => grams <= size * 0.93) ?? grams / 0.93;
}

/** Colours of the bowl's layers, and of words upon them. */
export const LAYER_FILLS: Record<string, { fill: string; text: string }> = {
  water: { fill: "#bcd2ea", text: "#1b2130" },
  crystals: { fill: "#eef1f5", text: "#1b2130" },
  cocoa: { fill: "#4b2a22", text: "#ffffff" },
  milk: { fill: "#e6ddc6", text: "#1b2130" },
  solids: { fill: "#b98d55", text: "#1b2130" },
  "milk-fat": { fill: "#f2da87", text: "#1b2130" },
  "cocoa-butter": { fill: "#d99f5c", text: "#1b2130" },
  "other-fat": { fill: "#dccb74", text: "#1b2130" },
  alcohol: { fill: "#d8c6e2", text: "#1b2130" },
};
