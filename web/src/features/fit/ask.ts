import type { Schemas } from "../../api/client";
import { numberIn } from "../../units/units";
import type { Vessel } from "./scale";

const TEXTS = [
  "thickness_mm",
  "mass_g",
  "loss_pct",
  "loss_g",
  "pieces",
  "spares",
  "piece_length_mm",
  "piece_width_mm",
  "trim_mm",
  "kerf_mm",
  "wall_mm",
  "cap_mm",
  "headroom_mm",
  "coat_mm",
  "coated",
  "dip_bowl_mm",
  "core_g",
  "overrun_pct",
  "mix_g_per_cup",
  "mug_mm",
  "colours",
] as const;

export type TextName = (typeof TEXTS)[number];

/** What is asked of a vessel, as typed: an empty field asks nothing, an empty shell is the kind's usual. */
export type Asked = Record<TextName, string> & { shell: string; rolling: string; halves: boolean };

export const USUAL: Asked = {
  thickness_mm: "",
  mass_g: "",
  loss_pct: "5",
  loss_g: "",
  pieces: "",
  spares: "",
  piece_length_mm: "",
  piece_width_mm: "",
  trim_mm: "0",
  kerf_mm: "0",
  wall_mm: "2",
  cap_mm: "1.5",
  headroom_mm: "0.5",
  coat_mm: "",
  coated: "",
  dip_bowl_mm: "",
  core_g: "",
  overrun_pct: "",
  mix_g_per_cup: "",
  mug_mm: "",
  colours: "",
  shell: "",
  rolling: "",
  halves: false,
};

const ALWAYS: TextName[] = ["mass_g", "loss_pct", "loss_g", "overrun_pct"];
const COUNTED: TextName[] = [...ALWAYS, "pieces", "spares"];
const DIPPED: TextName[] = ["coat_mm", "coated", "dip_bowl_mm"];
const WALLS: TextName[] = ["wall_mm", "cap_mm", "headroom_mm"];

/** Which of the questions apply to which kind of vessel. */
const APPLIES: Record<string, TextName[]> = {
  pan: [...COUNTED, ...DIPPED, "thickness_mm", "piece_length_mm", "piece_width_mm", "trim_mm", "kerf_mm"],
  mould: [...COUNTED, ...WALLS, "mix_g_per_cup", "mug_mm", "colours"],
  cup: [...COUNTED, "wall_mm"],
  scoop: [...COUNTED, ...DIPPED, "core_g"],
  pieces: [...COUNTED, ...DIPPED, "core_g"],
  cake: ALWAYS,
};

const WHOLE = new Set<TextName>(["pieces", "spares", "coated", "colours"]);

/** The chocolate of a vessel's shell or coat; a mould has one unless it is said otherwise. */
export function shellOf(vessel: Vessel, asked: Asked): string {
  if (vessel.kind === "cake") return "none";
  return asked.shell || (vessel.kind === "mould" ? "dark60" : "none");
}

/** The ask as the server takes it, with only what applies to this kind of vessel. */
export function askFor(vessel: Vessel, asked: Asked): Schemas["AskIn"] {
  const ask: Record<string, unknown> = {};
  for (const name of APPLIES[vessel.kind] ?? ALWAYS) {
    const value = numberIn(asked[name]);
    if (value !== undefined) ask[name] = WHOLE.has(name) ? Math.round(value) : value;
  }
  const length = ask.piece_length_mm;
  const width = ask.piece_width_mm ?? length;
  delete ask.piece_length_mm;
  delete ask.piece_width_mm;
  if (length !== undefined) ask.piece_mm = [length, width];
  const shell = shellOf(vessel, asked);
  ask.shell = shell;
  if (shell === "none") for (const name of DIPPED) delete ask[name];
  if (vessel.kind === "mould") ask.halves = asked.halves;
  if (!ask.halves) delete ask.colours;
  if ((vessel.kind === "scoop" || vessel.kind === "pieces") && asked.rolling) ask.rolling = asked.rolling;
  if (ask.pieces === undefined) delete ask.spares;
  return ask as Schemas["AskIn"];
}

/** What was asked, as it is typed again. */
export function askedFrom(ask: Schemas["AskOut"] | null | undefined): Asked {
  if (!ask) return USUAL;
  const asked: Asked = { ...USUAL, loss_pct: "5", trim_mm: "0", kerf_mm: "0" };
  const given = ask as Record<string, unknown>;
  for (const name of TEXTS) if (typeof given[name] === "number") asked[name] = String(given[name]);
  const [length, width] = ask.piece_mm ?? [];
  if (length !== undefined) asked.piece_length_mm = String(length);
  if (width !== undefined && width !== length) asked.piece_width_mm = String(width);
  return { ...asked, shell: ask.shell ?? "", rolling: ask.rolling ?? "", halves: ask.halves ?? false };
}
