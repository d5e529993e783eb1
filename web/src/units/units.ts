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

/** Writers of numbers, by their digits. Kept, because making one takes longer than writing a hundred numbers. */
const writers = new Map<string, Intl.NumberFormat>();

/** A number with at most and at least this many decimals, in English whatever the browser speaks. */
export function decimal(value: number, most: number, least = 0): string {
  const digits = `${least}-${most}`;
  let writer = writers.get(digits);
  if (!writer) {
    const options = { maximumFractionDigits: most, minimumFractionDigits: least, useGrouping: false };
    writer = new Intl.NumberFormat("en-GB", options);
    writers.set(digits, writer);
  }
  return writer.format(value);
}

/** A number with exactly this many decimals. */
export const fixed = (value: number, digits: number): string => decimal(value, digits, digits);

/** A figure with as many digits as a kitchen can use. */
export function figure(value: number): string {
  const size = Math.abs(value);
  return decimal(value, size >= 100 ? 0 : size >= 10 ? 1 : 2);
}

export function mass(grams: number, units: Units): string {
  if (units.mass === "oz") return `${figure(grams / G_PER_OZ)} oz`;
  return `${decimal(grams, grams >= 10 ? 0 : 1)} g`;
}

/** A mass as fine as a piece wants it: tenths of a gram below 100 g. */
export function fineMass(grams: number, units: Units): string {
  if (units.mass === "oz") return `${figure(grams / G_PER_OZ)} oz`;
  return `${fixed(grams, grams >= 100 ? 0 : 1)} g`;
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
  return units.length === "in" ? decimal(mm / MM_PER_IN, 2) : decimal(mm, 1);
}

/** What was typed of a length, in mm, as fine as a hundredth. */
export function mmIn(typed: number, units: Units): number {
  return units.length === "in" ? Number((typed * MM_PER_IN).toFixed(2)) : typed;
}

/** The bare figure of a mass in the person's unit. */
export function figureOfMass(grams: number, units: Units): string {
  return units.mass === "oz" ? decimal(grams / G_PER_OZ, 2) : decimal(grams, 1);
}

/** What was typed of a mass, in g, as fine as a hundredth. */
export function gramsIn(typed: number, units: Units): number {
  return units.mass === "oz" ? Number((typed * G_PER_OZ).toFixed(2)) : typed;
}

type OwnUnit = { name: string; shown: (value: number) => string; kept: (typed: number) => number };

/** How a figure in one of our units is named, shown and typed in the person's own. */
export function ownUnit(unit: string, units: Units): OwnUnit {
  if (unit === "mm")
    return {
      name: units.length,
      shown: (mm) => figureOfLength(mm, units),
      kept: (typed) => mmIn(typed, units),
    };
  if (unit === "g")
    return {
      name: units.mass,
      shown: (grams) => figureOfMass(grams, units),
      kept: (typed) => gramsIn(typed, units),
    };
  if (unit === "°C" && units.temperature === "F")
    return {
      name: "°F",
      shown: (celsius) => decimal(celsius * 1.8 + 32, 0),
      kept: (typed) => Number(((typed - 32) / 1.8).toFixed(2)),
    };
  return { name: unit, shown: (value) => decimal(value, 6), kept: (typed) => typed };
}

export function temperature(celsius: number, units: Units): string {
  return units.temperature === "F" ? `${Math.round(celsius * 1.8 + 32)} °F` : `${decimal(celsius, 1)} °C`;
}

/** What a step aims at: a band, or its middle where it is a degree wide; empty where it aims at none. */
export function aim(target_c: readonly number[] | null, shown: (celsius: number) => string): string {
  const [low, high] = target_c ?? [];
  if (low === undefined || high === undefined) return "";
  return high - low > 1 ? `${shown(low)} to ${shown(high)}` : shown((low + high) / 2);
}

/** A figure as typed, a comma or a point in it; undefined where there is none. */
export function numberIn(text: string): number | undefined {
  const plain = text.trim().replace(",", ".");
  return plain === "" || Number.isNaN(Number(plain)) ? undefined : Number(plain);
}
