import type { Schemas } from "../../api/client";
import { length, mass, type Units } from "../../units/units";

export type Asked = Schemas["ConfectionAsk"];
export type PartAsk = Schemas["PartAsk"];
export type Answer = Schemas["ConfectionAnswer"];
export type Role = PartAsk["role"];

export const ROLE_WORDS: Record<Role, string> = {
  layer: "Layer",
  filling: "Filling",
  centre: "Centre",
  core: "Core",
  shell: "Shell",
  coat: "Coat",
  rolling: "Rolled in",
  topping: "On top",
};

export const AMOUNT_WORDS: Record<string, { text: string; unit: string }> = {
  g_each: { text: "by grams a piece", unit: "g" },
  ml_each: { text: "by millilitres a piece", unit: "ml" },
  mm: { text: "by its thickness", unit: "mm" },
  share_pct: { text: "by its share of the room", unit: "%" },
  mass_g: { text: "use up a weight", unit: "g" },
};

/** How much of a part, in words; what it means to say nothing depends on its role. */
export function amountText(part: PartAsk, units: Units): string {
  if (part.g_each !== null) return `${mass(part.g_each, units)} a piece`;
  if (part.ml_each !== null) return `${part.ml_each} ml a piece`;
  if (part.mm !== null) return length(part.mm, units);
  if (part.share_pct !== null) return `${part.share_pct} % of the room`;
  if (part.mass_g !== null) return `${mass(part.mass_g, units)} weighed`;
  return UNSAID[part.role] ?? "usual amount";
}

const UNSAID: Partial<Record<Role, string>> = {
  layer: "fills the rest",
  filling: "fills the rest",
  centre: "by its size",
  coat: "usual thickness",
  rolling: "usual amount",
  topping: "one each",
};

/** What may be taken away again: nothing, or what is as it was. */
export const NO_AMOUNT = { g_each: null, ml_each: null, mm: null, share_pct: null, mass_g: null } as const;
