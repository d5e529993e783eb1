import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { settingsQuery } from "../api/queries";

export const G_PER_OZ = 28.349523125;
const MM_PER_IN = 25.4;

/** How the person reads figures. Grams, millimetres and °C are what the maths uses. */
export type Units = { mass: "g" | "oz"; length: "mm" | "in"; temperature: "C" | "F"; measure: string };

export function useUnits(): Units {
  const { data } = useQuery(settingsQuery);
  return useMemo(
    () => ({
      mass: data?.mass_unit === "oz" ? "oz" : "g",
      length: data?.length_unit === "in" ? "in" : "mm",
      temperature: data?.temperature_unit === "F" ? "F" : "C",
      measure: data?.measure ?? "metric",
    }),
    [data],
  );
}

/** A figure with as many digits as a kitchen can use. */
export function figure(value: number): string {
  const size = Math.abs(value);
  if (size >= 100) return value.toFixed(0);
  if (size >= 10) return String(Number(value.toFixed(1)));
  return String(Number(value.toFixed(2)));
}

export function mass(grams: number, units: Units): string {
  if (units.mass === "oz") return `${figure(grams / G_PER_OZ)} oz`;
  return grams >= 10 ? `${Math.round(grams)} g` : `${Number(grams.toFixed(1))} g`;
}

/** A mass as fine as a piece wants it: tenths of a gram below 100 g. */
export function fineMass(grams: number, units: Units): string {
  if (units.mass === "oz") return `${figure(grams / G_PER_OZ)} oz`;
  return `${grams >= 100 ? grams.toFixed(0) : grams.toFixed(1)} g`;
}

export function length(mm: number, units: Units): string {
  return `${figureOfLength(mm, units)} ${units.length}`;
}

/** How lengths are written for the person. */
export function useLength(): Lengths {
  const units = useUnits();
  return (...mm) => `${mm.map((one) => figureOfLength(one, units)).join(" × ")} ${units.length}`;
}

/** Some lengths beside each other, with their unit once. */
export type Lengths = (...mm: number[]) => string;

/** The bare figure of a length in the person's unit. */
export function figureOfLength(mm: number, units: Units): string {
  return String(Number(units.length === "in" ? (mm / MM_PER_IN).toFixed(2) : mm.toFixed(1)));
}

/** What was typed of a length, in mm, as fine as a hundredth. */
export function mmIn(typed: number, units: Units): number {
  return units.length === "in" ? Number((typed * MM_PER_IN).toFixed(2)) : typed;
}

/** The bare figure of a mass in the person's unit. */
export function figureOfMass(grams: number, units: Units): string {
  return String(Number(units.mass === "oz" ? (grams / G_PER_OZ).toFixed(2) : grams.toFixed(1)));
}

/** What was typed of a mass, in g, as fine as a hundredth. */
export function gramsIn(typed: number, units: Units): number {
  return units.mass === "oz" ? Number((typed * G_PER_OZ).toFixed(2)) : typed;
}

export function temperature(celsius: number, units: Units): string {
  return units.temperature === "F"
    ? `${Math.round(celsius * 1.8 + 32)} °F`
    : `${Number(celsius.toFixed(1))} °C`;
}

/** A figure as typed, a comma or a point in it; undefined where there is none. */
export function numberIn(text: string): number | undefined {
  const plain = text.trim().replace(",", ".");
  return plain === "" || Number.isNaN(Number(plain)) ? undefined : Number(plain);
}
