/** The places along the thread of one recipe, in the order of the work. */
export const PLACES = [
  { key: "formula", name: "Formula" },
  { key: "fit", name: "Fit" },
  { key: "stove", name: "Stove" },
  { key: "set", name: "Set" },
  { key: "keep", name: "Keep" },
] as const;

export type KnotPlace = { key: string; name: string; to: string };

/** The places beside the thread; a phone shows the first four at once. */
export const BESIDE = [
  { to: "/", name: "Today" },
  { to: "/recipes", name: "Recipes" },
  { to: "/occasions", name: "Occasions" },
  { to: "/shelf", name: "Shelf" },
  { to: "/larder", name: "Larder" },
  { to: "/daybook", name: "Daybook" },
] as const;
