import type { Schemas } from "../../api/client";
import { numberIn } from "../../units/units";
import type { Vessel } from "./scale";

/** What is asked of a vessel, as typed: an empty field asks nothing. */
export type Asked = {
  thickness_mm: string;
  pieces: string;
  piece_length_mm: string;
  piece_width_mm: string;
  trim_mm: string;
  kerf_mm: string;
  wall_mm: string;
  cap_mm: string;
  headroom_mm: string;
  mass_g: string;
  loss_pct: string;
  shell: string;
  halves: boolean;
};

export const USUAL: Asked = {
  thickness_mm: "",
  pieces: "",
  piece_length_mm: "",
  piece_width_mm: "",
  trim_mm: "0",
  kerf_mm: "0",
  wall_mm: "2",
  cap_mm: "1.5",
  headroom_mm: "0.5",
  mass_g: "",
  loss_pct: "5",
  shell: "dark60",
  halves: false,
};

/** The ask as the server takes it, with only what applies to this kind of vessel. */
export function askFor(vessel: Vessel, asked: Asked): Schemas["AskIn"] {
  const pieces = numberIn(asked.pieces);
  const both = {
    pieces: pieces === undefined ? undefined : Math.round(pieces),
    mass_g: numberIn(asked.mass_g),
    loss_pct: numberIn(asked.loss_pct),
    halves: false,
  };
  if (vessel.kind === "pan") {
    const length = numberIn(asked.piece_length_mm);
    const width = numberIn(asked.piece_width_mm) ?? length;
    const piece_mm = length !== undefined && width !== undefined ? [length, width] : undefined;
    return {
      ...both,
      thickness_mm: numberIn(asked.thickness_mm),
      trim_mm: numberIn(asked.trim_mm),
      kerf_mm: numberIn(asked.kerf_mm),
      piece_mm,
    };
  }
  return {
    ...both,
    shell: asked.shell,
    wall_mm: numberIn(asked.wall_mm),
    cap_mm: numberIn(asked.cap_mm),
    headroom_mm: numberIn(asked.headroom_mm),
    halves: asked.halves,
  };
}
