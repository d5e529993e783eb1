import { useQueries, useQuery } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { numberIn } from "../../units/units";
import type { Asked, Body } from "./useSetClock";

/** Shape in which a mix sets for a confection: its slowest body, or the bowl that it is portioned from. */
export type ConfectionBody = { key: string; id: number; name: string; body: Body; says: string };

const round = (value: number) => Math.round(value * 10) / 10;

/** The bodies of all confections that a recipe goes into; undefined until they are known. */
export function useBodies(recipe: number): ConfectionBody[] | undefined {
  const list = useQuery(confectionQueries.list);
  const found = (list.data?.confections ?? []).filter((row) =>
    row.asked.parts.some((part) => part.of.recipe_id === recipe),
  );
  const worked = useQueries({
    queries: found.map(({ asked }) => ({
      queryKey: ["confection-worked", asked],
      retry: false,
      queryFn: () => dataOf(client.POST("/api/confections/work-out", { body: asked })),
    })),
  });
  if ((!list.data && !list.error) || worked.some((one) => one.isPending)) return undefined;
  return found.flatMap((row, position) => {
    const answer = worked[position]?.data?.answer;
    if (!answer) return [];
    const { thickness_mm, volume_ml, area_cm2 } = answer.body;
    const says =
      thickness_mm !== null
        ? `${round(thickness_mm)} mm thick`
        : `${round(volume_ml ?? 0)} ml each, ${round(area_cm2 ?? 0)} cm² of surface`;
    const pieces = { key: `${row.id}`, id: row.id, name: row.asked.name, says };
    const inPieces = { ...pieces, body: { thickness_mm, volume_ml, area_cm2 } };
    const centre = row.asked.parts.findIndex(
      (part) => part.role === "centre" && part.of.recipe_id === recipe,
    );
    if (centre < 0 || answer.outside?.kind !== "ball") return [inPieces];
    const bowl_kg = (answer.parts[centre]?.make_g ?? 0) / 1000;
    const inBowl = {
      ...pieces,
      key: `${row.id} bowl`,
      name: `the bowl, for ${row.asked.name}`,
      says: BEFORE,
    };
    return [{ ...inBowl, body: { thickness_mm: null, bowl_kg } }, inPieces];
  });
}

const BEFORE = "the mix sets before it is portioned";

const text = (value: number | null | undefined) => (value == null ? "" : String(round(value)));

/** A body as the page asks it. */
export function shapeOf(body: Body): Partial<Asked> {
  if (body.bowl_kg != null) return { shape: "bowl", mass: text(1000 * body.bowl_kg) };
  return body.thickness_mm !== null
    ? { shape: "slab", thickness: text(body.thickness_mm) }
    : { shape: "small", volume: text(body.volume_ml), area: text(body.area_cm2) };
}

/** Whether what is asked is shaped as a body. */
export function isShaped(asked: Asked, body: Body): boolean {
  if (body.bowl_kg != null)
    return asked.shape === "bowl" && numberIn(asked.mass) === round(1000 * body.bowl_kg);
  return body.thickness_mm !== null
    ? asked.shape === "slab" && numberIn(asked.thickness) === round(body.thickness_mm)
    : asked.shape === "small" && numberIn(asked.volume) === round(body.volume_ml ?? 0);
}
