import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { grams } from "./Outcome";
import type { Band } from "./SectionDrawing";
import { levelsText, type PartOutcome } from "./SeveralOutcome";
import type { Part } from "./SeveralRecipes";
import type { Vessel } from "./scale";

/** The fit of one recipe to one vessel. */
export function useFit(
  recipe: Recipe,
  vessel: Vessel | null,
  ask: Schemas["AskIn"] | null,
  enabled: boolean,
) {
  return useQuery({
    queryKey: ["fit", recipe, vessel, ask],
    enabled: enabled && vessel !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/fit", { body: { recipe, vessel: vessel as never, ask: ask as never }, signal }),
      ),
  });
}

type Slab = Schemas["SlabOut"];
type Stack = Schemas["StackOut"];

/** The fit of several recipes to one vessel, each read as it is stored. */
export function useSeveral(vessel: Vessel | null, ask: Schemas["AskIn"] | null, parts: Part[]) {
  const ids = [...new Set(parts.map((part) => part.recipe_id))];
  const stored = useQueries({ queries: ids.map((id) => recipeQueries.one(id)) });
  const recipes = parts.map((part) => stored[ids.indexOf(part.recipe_id)]?.data?.recipe);
  const ready = parts.length > 0 && recipes.every((recipe) => recipe !== undefined);
  const found = useQuery({
    queryKey: ["fit-several", vessel, ask, parts, recipes],
    enabled: ready && vessel !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async ({ signal }) => {
      const rows = parts.map(({ recipe_id: _, ...amount }, position) => ({
        ...amount,
        recipe: recipes[position],
      }));
      if (vessel?.kind === "pan") {
        const layers = rows.map(({ recipe, thickness_mm, mass_g, share }) => ({
          recipe,
          thickness_mm,
          mass_g,
          share,
        }));
        const body = { vessel, ask, layers } as never;
        return { slab: await dataOf<Slab>(client.POST("/api/fit/layers", { body, signal })), stack: null };
      }
      const fillings = rows.map(({ thickness_mm: _t, mass_g: _m, share: _s, ...filling }) => filling);
      const body = { vessel, ask, fillings } as never;
      return { slab: null, stack: await dataOf<Stack>(client.POST("/api/fit/stack", { body, signal })) };
    },
  });
  const isForNow =
    (found.data?.slab?.layers ?? found.data?.stack?.fillings)?.length === parts.length &&
    (found.data?.slab !== null) === (vessel?.kind === "pan");
  return {
    data: isForNow ? found.data : undefined,
    error: found.error,
    names: recipes.map((recipe) => recipe?.name ?? ""),
    recipes: recipes as Recipe[],
  };
}

/** The levels of layers or fillings, for the drawing. */
export function bandsOf(slab: Slab | null, stack: Stack | null, names: string[]): Band[] {
  const rows = slab?.layers ?? stack?.fillings ?? [];
  return rows.map((row, position) => ({ from: row.from_mm, to: row.to_mm, name: names[position] ?? "" }));
}

/** What is drawn from above of layers or fillings. */
export function cutsOf(slab: Slab | null, stack: Stack | null) {
  if (slab) return { ...slab, halves: null };
  return stack ? { grid: null, piece_mm: null, places_mm: null, halves: null, pieces: stack.pieces } : null;
}

/** What is weighed of each recipe. */
export function outcomesOf(slab: Slab | null, stack: Stack | null, recipes: Recipe[]): PartOutcome[] {
  const layers = (slab?.layers ?? []).map((layer, position) => ({
    ...layer,
    recipe: recipes[position] as Recipe,
    says: levelsText(layer.from_mm, layer.to_mm, ""),
  }));
  const fillings = (stack?.fillings ?? []).map((filling, position) => ({
    ...filling,
    recipe: recipes[position] as Recipe,
    says: levelsText(filling.from_mm, filling.to_mm, `, ${grams(filling.each_g)} in each cavity`),
  }));
  return [...layers, ...fillings];
}
