import { useMatch } from "react-router";
import type { Schemas } from "./client";

type Parts = Schemas["ConfectionAsk"]["parts"];

/** The recipes that a confection is made of, in order, each once. */
export function mixesOf(parts: Parts): number[] {
  return [...new Set(parts.flatMap((part) => part.of.recipe_id ?? []))];
}

/** Address of a place of a thread: of a confection for one of its mixes, or of the mix alone. */
export function placeOf(place: string, mix: number, confection: number | null): string {
  if (confection === null) return `/recipes/${mix}/${place}`;
  return `/confections/${confection}${place === "fit" ? "" : `/${place}`}?mix=${mix}`;
}

/** Address of the Stove for a confection, all its mixes: it opens where one stands, or where one begins. */
export const stoveOf = (confection: number): string => `/confections/${confection}/stove`;

/** The confection whose thread is open, by the address; null on the thread of a mix alone. */
export function useOpenConfection(): number | null {
  const id = Number(useMatch("/confections/:id/*")?.params.id);
  return Number.isInteger(id) ? id : null;
}
