import type { Lengths } from "../../units/units";
import type { Dimension } from "./ScaledFigure";
import { panPlan, profileOf, type Vessel } from "./scale";

const of = (value: number | null | undefined) => value ?? 0;

/** Where a vessel's measures lie in its drawings, in mm: from above, and cut through with the rim on top. */
export function dimensionsOf(vessel: Vessel, lengthOf: Lengths): { plan: Dimension[]; section: Dimension[] } {
  const mm = (name: keyof Vessel & string) => lengthOf(of(vessel[name] as number | null));
  const across = (name: keyof Vessel & string, y: number, x1: number, x2: number): Dimension => ({
    name,
    text: mm(name),
    from: [x1, y],
    to: [x2, y],
  });
  const down = (name: keyof Vessel & string, x: number, y1: number, y2: number): Dimension => ({
    name,
    text: mm(name),
    from: [x, y1],
    to: [x, y2],
  });
  if (vessel.kind === "pan" || vessel.kind === "cake" || vessel.kind === "box") {
    const { length, width, isRound } = panPlan(vessel);
    const high = vessel.kind === "cake" ? "height_mm" : "depth_mm";
    const section = [down(high, length * 0.72, 0, of(vessel[high]))];
    if (isRound) {
      const plan = [across("diameter_mm", width * 0.3, 0.02 * length, 0.98 * length)];
      if (vessel.shape === "tube") {
        const half = of(vessel.inner_diameter_mm) / 2;
        plan.push(across("inner_diameter_mm", width / 2, length / 2 - half, length / 2 + half));
      }
      return { plan, section };
    }
    if (vessel.shape !== "loaf")
      return {
        plan: [across("length_mm", width * 0.2, 0, length), down("width_mm", length * 0.75, 0, width)],
        section,
      };
    const inX = (length - of(vessel.length_mm)) / 2;
    const inY = (width - of(vessel.width_mm)) / 2;
    return {
      plan: [
        across("rim_length_mm", width * 0.06, 0, length),
        down("rim_width_mm", length * 0.93, 0, width),
        across("length_mm", width * 0.4, inX, length - inX),
        down("width_mm", length * 0.62, inY, width - inY),
      ],
      section,
    };
  }
  const profile = profileOf(vessel);
  const half = profile.halfWidth(0);
  const depth = profile.depth;
  switch (vessel.shape) {
    case "hemisphere":
      return { plan: [], section: [across("radius_mm", 1, half, 2 * half)] };
    case "dome":
      return {
        plan: [],
        section: [across("base_radius_mm", 1, half, 2 * half), down("height_mm", half, 0, depth)],
      };
    case "cone": {
      const floor = of(vessel.floor_radius_mm);
      return {
        plan: [],
        section: [
          across("rim_radius_mm", 1, half, 2 * half),
          across("floor_radius_mm", depth - 0.5, half, half + floor),
          down("height_mm", half * 0.8, 0, depth),
        ],
      };
    }
    case "half-egg":
      return {
        plan: [
          across("length_mm", of(vessel.width_mm) / 2, 0, 2 * half),
          down("width_mm", half * 1.3, of(vessel.width_mm) * 0.05, of(vessel.width_mm) * 0.95),
        ],
        section: [down("depth_mm", half, 0, depth)],
      };
    case "bar":
      return {
        plan: [
          across("length_mm", of(vessel.width_mm) * 0.3, 0, 2 * half),
          down("width_mm", half * 1.6, 0, of(vessel.width_mm)),
        ],
        section: [down("depth_mm", half, 0, depth)],
      };
    case "pyramid": {
      const inX = (of(vessel.rim_length_mm) - of(vessel.floor_length_mm)) / 2;
      const inY = (of(vessel.rim_width_mm) - of(vessel.floor_width_mm)) / 2;
      const [length, width] = [of(vessel.rim_length_mm), of(vessel.rim_width_mm)];
      return {
        plan: [
          across("rim_length_mm", 0, 0, length),
          down("rim_width_mm", length, 0, width),
          across("floor_length_mm", width * 0.45, inX, length - inX),
          down("floor_width_mm", length * 0.55, inY, width - inY),
        ],
        section: [down("height_mm", half, 0, depth)],
      };
    }
    default:
      return { plan: [], section: [] };
  }
}
