const LETTER = new Set(["US", "CA", "MX", "PH", "CL", "CO", "VE"]);

/** The paper that is usual where the person lives. */
export function usualPaper(): "a4" | "letter" {
  const region = new Intl.Locale(navigator.language).maximize().region;
  return region !== undefined && LETTER.has(region) ? "letter" : "a4";
}
