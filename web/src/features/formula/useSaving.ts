import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { recipeQueries } from "../../api/queries";

export type Saving = { state: "saved" | "saving" | "waiting" | "conflict" | "refused"; message: string };

const PAUSE_MS = 150;
const RETRY_MS = 2000;

/** Saves a recipe as it is made: one save at a time, the newest state last, and never over another's. */
export function useSaving(stored: Schemas["StoredRecipeOut"]) {
  const queries = useQueryClient();
  const revision = useRef(stored.revision);
  const savedText = useRef(JSON.stringify(stored.recipe));
  const wanted = useRef<Recipe | null>(null);
  const running = useRef<Promise<void> | null>(null);
  const timer = useRef<number | undefined>(undefined);
  /** Whether what is shown is ahead of what was given to save: a save that ends meanwhile says nothing. */
  const ahead = useRef(false);
  const [saving, setSaving] = useState<Saving>({ state: "saved", message: "Saved" });

  const put = useCallback(async () => {
    while (wanted.current) {
      const recipe = wanted.current;
      wanted.current = null;
      try {
        const answer = await dataOf(
          client.PUT("/api/recipes/{recipe_id}", {
            params: { path: { recipe_id: stored.id } },
            body: { revision: revision.current, recipe },
            keepalive: true,
          }),
        );
        revision.current = answer.revision;
        savedText.current = JSON.stringify(recipe);
        queries.setQueryData(recipeQueries.one(stored.id).queryKey, answer);
        if (!wanted.current && !ahead.current) setSaving({ state: "saved", message: "Saved" });
      } catch (error) {
        if (error instanceof ApiError && error.status === 409) {
          setSaving({ state: "conflict", message: error.problem.detail });
          return;
        }
        if (error instanceof ApiError && error.status < 500) {
          setSaving({ state: "refused", message: `Not saved: ${error.problem.detail}` });
          return;
        }
        wanted.current ??= recipe;
        setSaving({
          state: "waiting",
          message: "Not saved yet: the application does not answer. Trying again.",
        });
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
  }, [queries, stored.id]);

  const flush = useCallback(() => {
    window.clearTimeout(timer.current);
    if (!running.current) {
      running.current = put().finally(() => {
        running.current = null;
        pendingSaves.delete(stored.id);
        queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
      });
      pendingSaves.set(stored.id, running.current);
    }
    return running.current;
  }, [put, queries, stored.id]);

  const say = useCallback((next: Saving) => {
    setSaving((now) => (now.state === "conflict" ? now : next));
  }, []);

  /** Say at once that what is shown is not what is stored. */
  const touch = useCallback(() => {
    ahead.current = true;
    say({ state: "saving", message: "Saving" });
  }, [say]);

  const refuse = useCallback((message: string) => say({ state: "refused", message }), [say]);

  const save = useCallback(
    (recipe: Recipe) => {
      window.clearTimeout(timer.current);
      ahead.current = false;
      if (JSON.stringify(recipe) === savedText.current && !running.current) {
        wanted.current = null;
        say({ state: "saved", message: "Saved" });
        return;
      }
      wanted.current = recipe;
      say({ state: "saving", message: "Saving" });
      timer.current = window.setTimeout(flush, PAUSE_MS);
    },
    [flush, say],
  );

  useEffect(() => {
    const leave = () => wanted.current && flush();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [flush]);

  return { saving, save, touch, refuse, flush };
}
