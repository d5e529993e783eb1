import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef } from "react";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { recipeQueries } from "../../api/queries";
import { keepsAlive, useSaver } from "../../api/useSaver";

const PAUSE_MS = 150;

/** Saves a recipe as it is made; who reads it meanwhile waits for that. */
export function useSaving(stored: Schemas["StoredRecipe"]) {
  const queries = useQueryClient();
  const revision = useRef(stored.revision);
  const savedText = useRef(JSON.stringify(stored.recipe));
  const store = useCallback(
    async (recipe: Recipe) => {
      const body = { revision: revision.current, recipe };
      const params = { path: { recipe_id: stored.id } };
      const sent = dataOf(
        client.PUT("/api/recipes/{recipe_id}", { params, body, keepalive: keepsAlive(body) }),
      );
      const done = sent.then(
        () => undefined,
        () => undefined,
      );
      pendingSaves.set(stored.id, done);
      const answer = await sent.finally(() => pendingSaves.delete(stored.id));
      revision.current = answer.revision;
      savedText.current = JSON.stringify(recipe);
      queries.setQueryData(recipeQueries.one(stored.id).queryKey, answer);
      queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
    },
    [queries, stored.id],
  );
  const saver = useSaver(store, PAUSE_MS);
  const { save: give, drop, isRunning } = saver;

  const save = useCallback(
    (recipe: Recipe) => {
      if (JSON.stringify(recipe) === savedText.current && !isRunning()) void drop();
      else give(recipe);
    },
    [drop, give, isRunning],
  );

  return { ...saver, save };
}
