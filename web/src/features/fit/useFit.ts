import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { client, dataOf, type Recipe } from "../../api/client";
import type { AskIn } from "./ask";
import type { Vessel } from "./scale";

/** The fit of one recipe to one vessel. */
export function useFit(recipe: Recipe, vessel: Vessel | null, ask: AskIn | null) {
  return useQuery({
    queryKey: ["fit", recipe, vessel, ask],
    enabled: vessel !== null && ask !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => {
      if (!vessel) throw new Error("no vessel");
      return dataOf(client.POST("/api/fit", { body: { recipe, vessel, ask }, signal }));
    },
  });
}
