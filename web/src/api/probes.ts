/** The simulated probe that comes with the kitchen. */
export const STAND_IN = "stand-in";
/** Readings that the cook types. */
export const BY_HAND = "by-hand";
const NAMES: Record<string, string> = { [STAND_IN]: "Simulated probe", [BY_HAND]: "Readings by hand" };

/** What a thermometer is called: those that come with the kitchen have names of their own. */
export const probeName = (id: string, name: string = id): string => NAMES[id] ?? name;
/** Whether a thermometer comes with the kitchen. */
export const isOurs = (id: string): boolean => id in NAMES;
