import type { Schemas } from "../../api/client";
import { type Lengths, mmIn, type Units } from "../../units/units";

export type Vessel = Schemas["VesselFile"];
export type FitAnswer = Schemas["Fit"];

const of = (value: number | null | undefined) => value ?? 0;

/** One cavity in section: half its width at a depth below the rim, and the same inside a wall. All in mm. */
export type Profile = {
  depth: number;
  halfWidth: (y: number) => number;
  inside: (y: number, wall: number) => number;
};

const WEIGHED_WALL_FACTOR = 1.08;

function round(radius: number): Profile {
  const arc = (r: number, y: number) => Math.sqrt(Math.max(0, r * r - y * y));
  return { depth: radius, halfWidth: (y) => arc(radius, y), inside: (y, wall) => arc(radius - wall, y) };
}

/** The half ball of a volume, as which a vessel is drawn whose shape nobody measured. */
function halfBall(volumeMl: number): Profile {
  const half = round(((3 * volumeMl * 1000) / (2 * Math.PI)) ** (1 / 3));
  return { ...half, inside: (y, wall) => half.inside(y, wall * WEIGHED_WALL_FACTOR) };
}

function tapered(rim: number, floor: number, height: number): Profile {
  const slope = (rim - floor) / height;
  const inset = Math.hypot(1, slope);
  const at = (y: number) => floor + slope * (height - y);
  return {
    depth: height,
    halfWidth: (y) => Math.max(0, at(y)),
    inside: (y, wall) => (y > height - wall ? 0 : Math.max(0, at(y) - wall * inset)),
  };
}

/** The profile of a mould's cavity, cup or scoop, along its length where it has one. */
export function profileOf(vessel: Vessel): Profile {
  if (vessel.kind === "scoop" && vessel.diameter_mm) return round(vessel.diameter_mm / 2);
  switch (vessel.shape) {
    case "hemisphere":
      return round(of(vessel.radius_mm));
    case "dome": {
      const a = of(vessel.base_radius_mm);
      const h = of(vessel.height_mm);
      const r = (a * a + h * h) / (2 * h);
      const arc = (radius: number, y: number) => Math.sqrt(Math.max(0, radius ** 2 - (r - h + y) ** 2));
      return { depth: h, halfWidth: (y) => arc(r, y), inside: (y, wall) => arc(r - wall, y) };
    }
    case "half-egg": {
      const a = of(vessel.length_mm) / 2;
      const c = of(vessel.depth_mm);
      const arc = (x: number, z: number, y: number) => x * Math.sqrt(Math.max(0, 1 - (y / z) ** 2));
      return { depth: c, halfWidth: (y) => arc(a, c, y), inside: (y, wall) => arc(a - wall, c - wall, y) };
    }
    case "cone":
      return tapered(of(vessel.rim_radius_mm), of(vessel.floor_radius_mm), of(vessel.height_mm));
    case "pyramid":
      return tapered(of(vessel.rim_length_mm) / 2, of(vessel.floor_length_mm) / 2, of(vessel.height_mm));
    case "bar":
      return tapered(of(vessel.length_mm) / 2, of(vessel.length_mm) / 2, of(vessel.depth_mm));
    default:
      return halfBall(of(vessel.water_g) || of(vessel.volume_ml));
  }
}

/** Whether a vessel is drawn as the half ball of its volume, for want of measures. */
export function isByVolume(vessel: Vessel): boolean {
  return (
    vessel.shape === "weighed" || vessel.kind === "cup" || (vessel.kind === "scoop" && !vessel.diameter_mm)
  );
}

/** How one cavity looks from above: its length and width at the rim in mm, and whether it is round. */
export function cavityPlan(vessel: Vessel): { length: number; width: number; isRound: boolean } {
  if (vessel.shape === "half-egg")
    return { length: of(vessel.length_mm), width: of(vessel.width_mm), isRound: true };
  if (vessel.shape === "bar")
    return { length: of(vessel.length_mm), width: of(vessel.width_mm), isRound: false };
  if (vessel.shape === "pyramid")
    return { length: of(vessel.rim_length_mm), width: of(vessel.rim_width_mm), isRound: false };
  const across = 2 * profileOf(vessel).halfWidth(0);
  return { length: across, width: across, isRound: true };
}

/** Rows and columns that come nearest to a mould's usual oblong. */
export function cavityGrid(count: number): { columns: number; rows: number } {
  let best = { columns: count, rows: 1 };
  for (let rows = 1; rows * rows <= count; rows++)
    if (count % rows === 0) best = { columns: count / rows, rows };
  const isStrip = best.columns > 4 * best.rows && count > 6;
  if (!isStrip) return best;
  const rows = Math.floor(Math.sqrt(count));
  return { columns: Math.ceil(count / rows), rows };
}

/** A pan, cake or box from above in mm, a loaf at its rim. */
export function panPlan(vessel: Vessel): { length: number; width: number; isRound: boolean } {
  if (vessel.shape === "round" || vessel.shape === "tube")
    return { length: of(vessel.diameter_mm), width: of(vessel.diameter_mm), isRound: true };
  return {
    length: vessel.shape === "loaf" ? of(vessel.rim_length_mm) : of(vessel.length_mm),
    width: vessel.shape === "loaf" ? of(vessel.rim_width_mm) : of(vessel.width_mm),
    isRound: false,
  };
}

/** The colours of fillings laid on each other, the first as a filling alone. */
export const FILLINGS = ["#d99f5c", "#7b4a3a", "#ead7b0", "#a8694a", "#c9a3a0", "#b9b27c"];

/** A round length for a scale bar that takes about a quarter of a width. */
export function scaleBar(widthMm: number, units: Units): number {
  const wanted = widthMm / 4;
  const round = units.length === "in" ? [2, 1, 0.5, 0.2, 0.1].map((inches) => mmIn(inches, units)) : ROUND_MM;
  return round.find((length) => length <= wanted) ?? round.at(-1) ?? 1;
}

const ROUND_MM = [100, 50, 20, 10, 5, 2, 1];

const PLAIN: Record<string, (vessel: Vessel, mm: Lengths) => string> = {
  scoop: (vessel, mm) =>
    vessel.diameter_mm ? `ball of ${mm(vessel.diameter_mm)}` : `${of(vessel.volume_ml)} ml, level`,
  cup: (vessel) => `${vessel.count ?? 1} of ${of(vessel.volume_ml)} ml`,
  pieces: (vessel) => `${of(vessel.piece_g)} g each, before a coat`,
  cake: (vessel, mm) =>
    `${vessel.shape === "rectangle" ? mm(of(vessel.length_mm), of(vessel.width_mm)) : mm(of(vessel.diameter_mm))}, ${mm(of(vessel.height_mm))} high`,
  box: (vessel, mm) => `${mm(of(vessel.length_mm), of(vessel.width_mm))}, ${mm(of(vessel.depth_mm))} deep`,
};

/** The measures of a vessel in words, its lengths as `lengthOf` writes them. */
export function measuresText(vessel: Vessel, lengthOf: Lengths): string {
  const mm = (...values: (number | null | undefined)[]) => lengthOf(...values.map(of));
  const plain = PLAIN[vessel.kind];
  if (plain) return plain(vessel, lengthOf);
  if (vessel.kind === "pan") {
    switch (vessel.shape) {
      case "round":
        return `${mm(vessel.diameter_mm)} across, ${mm(vessel.depth_mm)} deep`;
      case "tube":
        return `${mm(vessel.diameter_mm)} across, tube ${mm(vessel.inner_diameter_mm)}, ${mm(vessel.depth_mm)} deep`;
      case "loaf":
        return `base ${mm(vessel.length_mm, vessel.width_mm)}, rim ${mm(vessel.rim_length_mm, vessel.rim_width_mm)}, ${mm(vessel.depth_mm)} deep`;
      default:
        return `${mm(vessel.length_mm, vessel.width_mm)}, ${mm(vessel.depth_mm)} deep`;
    }
  }
  const each =
    vessel.shape === "weighed"
      ? `${vessel.water_g} g of water each`
      : `${mm(2 * profileOf(vessel).halfWidth(0))} across, ${mm(profileOf(vessel).depth)} deep`;
  return `${vessel.cavities} of ${each}`;
}
