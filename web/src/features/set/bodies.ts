import { useQueries, useQuery } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { numberIn } from "../../units/units";
import type { Asked, Body } from "./useSetClock";

/** How a mass is shaped in a confection: its slowest body. */
export type ConfectionBody = { id: number; name: string; body: Body; says: string };

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
    const body = worked[position]?.data?.answer.body;
    if (!body) return [];
    const { thickness_mm, volume_ml, area_cm2 } = body;
    const says =
      thickness_mm !== null
        ? `${round(thickness_mm)} mm thick`
        : `${round(volume_ml ?? 0)} ml each, ${round(area_cm2 ?? 0)} cm² of surface`;
    return [{ id: row.id, name: row.asked.name, body: { thickness_mm, volume_ml, area_cm2 }, says }];
  });
}

const text = (value: number | null | undefined) => (value == null ? "" : String(round(value)));

/** A body as the page asks it. */
export const shapeOf = (body: Body): Partial<Asked> =>
  body.thickness_mm !== null
    ? { shape: "slab", thickness: text(body.thickness_mm) }
    : { shape: "small", volume: text(body.volume_ml), area: text(body.area_cm2) };

/** Whether what is asked is shaped as a body. */
export const isShaped = (asked: Asked, body: Body): boolean =>
  body.thickness_mm !== null
    ? asked.shape === "slab" && numberIn(asked.thickness) === round(body.thickness_mm)
    : asked.shape === "small" && numberIn(asked.volume) === round(body.volume_ml ?? 0);
