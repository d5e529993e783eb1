import type { Vessel } from "./scale";

export const KINDS: { kind: string; title: string; one: string }[] = [
  { kind: "pan", title: "Pans and tins", one: "pan or tin" },
  { kind: "mould", title: "Moulds", one: "mould" },
  { kind: "scoop", title: "Scoops and spoons", one: "scoop or spoon" },
  { kind: "cup", title: "Cups", one: "set of cups" },
  { kind: "pieces", title: "Free pieces", one: "free piece" },
  { kind: "cake", title: "Cakes", one: "cake" },
  { kind: "box", title: "Boxes", one: "box" },
];

/** A shape's name, and the measures that a drawing starts from. */
export const SHAPES: Record<string, { name: string; start: Partial<Vessel> }> = {
  "pan/rectangle": { name: "Oblong or square", start: { length_mm: 200, width_mm: 200, depth_mm: 30 } },
  "pan/round": { name: "Round, ring or frame", start: { diameter_mm: 200, depth_mm: 30 } },
  "pan/tube": { name: "Round with a tube", start: { diameter_mm: 220, inner_diameter_mm: 60, depth_mm: 60 } },
  "pan/loaf": {
    name: "Sloping loaf tin",
    start: { length_mm: 200, width_mm: 90, rim_length_mm: 225, rim_width_mm: 115, depth_mm: 60 },
  },
  "mould/weighed": {
    name: "Any shape, by the water that one cavity holds",
    start: { water_g: 10, cavities: 12 },
  },
  "mould/hemisphere": { name: "Half ball", start: { radius_mm: 15, cavities: 24 } },
  "mould/dome": { name: "Flat dome", start: { base_radius_mm: 15, height_mm: 10, cavities: 24 } },
  "mould/half-egg": { name: "Half egg", start: { length_mm: 40, width_mm: 28, depth_mm: 14, cavities: 12 } },
  "mould/cone": {
    name: "Cone or cylinder",
    start: { rim_radius_mm: 15, floor_radius_mm: 10, height_mm: 18, cavities: 20 },
  },
  "mould/pyramid": {
    name: "Pyramid or sloping block",
    start: {
      rim_length_mm: 30,
      rim_width_mm: 30,
      floor_length_mm: 20,
      floor_width_mm: 20,
      height_mm: 16,
      cavities: 20,
    },
  },
  "mould/bar": { name: "Bar", start: { length_mm: 100, width_mm: 30, depth_mm: 12, cavities: 6 } },
  "scoop/level": { name: "Scoop or spoon, levelled", start: { volume_ml: 15 } },
  "scoop/ball": { name: "Baller, by its ball", start: { diameter_mm: 28 } },
  "cup/paper": { name: "Paper cups", start: { volume_ml: 15, count: 24 } },
  "pieces/ball": { name: "Pieces of a weight", start: { piece_g: 12 } },
  "cake/round": {
    name: "Round cake",
    start: { diameter_mm: 180, height_mm: 80, fillings: 2, filling_mm: 6, coat_mm: 5 },
  },
  "cake/rectangle": {
    name: "Oblong cake",
    start: { length_mm: 240, width_mm: 160, height_mm: 60, fillings: 1, filling_mm: 6, coat_mm: 5 },
  },
  "box/box": { name: "Box", start: { length_mm: 110, width_mm: 110, depth_mm: 30 } },
};

export const MEASURE_NAMES: Record<string, string> = {
  length_mm: "Length",
  width_mm: "Width",
  depth_mm: "Depth",
  diameter_mm: "Across",
  inner_diameter_mm: "Tube across",
  corner_mm: "Rounded corner",
  lining_mm: "Lining, thick",
  usable_depth_mm: "Fill no deeper than",
  rim_length_mm: "Length at the rim",
  rim_width_mm: "Width at the rim",
  floor_length_mm: "Length at the floor",
  floor_width_mm: "Width at the floor",
  radius_mm: "Half across",
  base_radius_mm: "Half across at the rim",
  rim_radius_mm: "Half across at the rim",
  floor_radius_mm: "Half across at the floor",
  height_mm: "Height",
  filling_mm: "Each filling",
  coat_mm: "Coat",
  water_g: "Water in one cavity, g",
  volume_ml: "Holds, ml",
  piece_g: "Each, g",
  cavities: "Cavities",
  count: "Cups",
  fillings: "Fillings",
};
