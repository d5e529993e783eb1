/** Steps at which a mix sets. */
export const SETS: ReadonlySet<string> = new Set(["set", "half-set", "rest"]);
