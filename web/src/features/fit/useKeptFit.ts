import { useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { keptFitQuery } from "../../api/queries";
import { keepsAlive, useSaver } from "../../api/useSaver";

const PAUSE_MS = 400;

/** Keeps the fit of a recipe as it is made. */
export function useKeptFit(id: number) {
  const queries = useQueryClient();
  const store = useCallback(
    async (body: Schemas["KeptFitIn"]) => {
      const params = { path: { recipe_id: id } };
      const answer = await dataOf(
        client.PUT("/api/recipes/{recipe_id}/fit", { params, body, keepalive: keepsAlive(body) }),
      );
      queries.setQueryData(keptFitQuery(id).queryKey, answer);
    },
    [id, queries],
  );
  return useSaver(store, PAUSE_MS);
}
