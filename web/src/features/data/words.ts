import { fixed } from "../../units/units";

/** A size as people say it. */
export function sizeText(bytes: number): string {
  if (bytes >= 1e9) return `${fixed(bytes / 1e9, 1)} GB`;
  return bytes >= 1e6 ? `${fixed(bytes / 1e6, 1)} MB` : `${Math.max(1, Math.round(bytes / 1e3))} kB`;
}
