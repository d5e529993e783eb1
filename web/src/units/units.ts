import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { settingsQuery } from "../api/queries";

export const G_PER_OZ = 28.349523125;

/** How the person reads figures. Grams and °C are what the maths uses. */
export type Units = { mass: "g" | "oz"; temperature: "C" | "F"; measure: string };

export function useUnits(): Units {
  const { data } = useQuery(settingsQuery);
  return useMemo(
    () => ({
      mass: data?.mass_unit === "oz" ? "oz" : "g",
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
