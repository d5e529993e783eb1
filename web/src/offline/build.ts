/** Which build of the pages this is, as the build wrote it into `index.html`; empty while one develops. */
export const BUILD: string =
  (typeof document !== "undefined" &&
    document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content) ||
  "";

/** The header by which the server says whose kitchen it is: the demo's and one's own may come by the same address. */
export const KITCHEN_HEADER = "Hearth-Bowl-Kitchen";

/** The header by which the server says of which build its pages are. */
export const BUILD_HEADER = "Hearth-Bowl-Pages";
