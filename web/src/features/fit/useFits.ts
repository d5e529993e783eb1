import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { fineMass, type Units } from "../../units/units";
import type { AskIn } from "./ask";
import type { Band } from "./SectionDrawing";
import { levelsText, type PartOutcome } from "./SeveralOutcome";
import type { Filling, Layer } from "./SeveralRecipes";
import type { Vessel } from "./scale";

/** The fit of one recipe to one vessel. */
export function useFit(recipe: Recipe, vessel: Vessel | null, ask: AskIn | null, enabled: boolean) {
  return useQuery({
    queryKey: ["fit", recipe, vessel, ask],
    enabled: enabled && vessel !== null && ask !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => {
      if (!vessel) throw new Error("no vessel");
      return dataOf(client.POST("/api/fit", { body: { recipe, vessel, ask }, signal }));
    },
  });
}

type Slab = Schemas["LayeredSlab"];
type Stack = Schemas["Stack"];
/** What several recipes make of a vessel, with the recipes that it was worked out for. */
type Several = { slab: Slab | null; stack: Stack | null; recipes: Recipe[] };

/** The fit of several recipes to one vessel, each read as it is stored. */
export function useSeveral(vessel: Vessel | null, ask: AskIn | null, layers: Layer[], fillings: Filling[]) {
  const parts = vessel?.kind === "pan" ? layers : fillings;
  const ids = [...new Set(parts.map((part) => part.recipe_id))];
  const stored = useQueries({ queries: ids.map((id) => recipeQueries.one(id)) });
  const read = new Map(ids.map((id, position) => [id, stored[position]?.data?.recipe]));
  const ready = parts.length > 0 && [...read.values()].every((recipe) => recipe !== undefined);
  const recipesOf = (rows: { recipe_id: number }[]) => rows.flatMap((row) => read.get(row.recipe_id) ?? []);
  const withRecipe = <A>(part: { recipe_id: number; amount: A }) => {
    const recipe = read.get(part.recipe_id);
    return recipe ? [{ recipe, amount: part.amount }] : [];
  };
  const found = useQuery({
    queryKey: ["fit-several", vessel, ask, parts, ready && recipesOf(parts)],
    enabled: ready && vessel !== null && ask !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async ({ signal }): Promise<Several> => {
      if (!vessel) throw new Error("no vessel");
      const recipes = recipesOf(parts);
      if (vessel.kind === "pan") {
        const body = { vessel, ask, layers: layers.flatMap(withRecipe) };
        const slab = await dataOf(client.POST("/api/fit/layers", { body, signal }));
        return { slab, stack: null, recipes };
      }
      const body = { vessel, ask, fillings: fillings.flatMap(withRecipe) };
      const stack = await dataOf(client.POST("/api/fit/stack", { body, signal }));
      return { slab: null, stack, recipes };
    },
  });
  // An answer that is kept on the page while the next is fetched counts only for as many parts of the same kind.
  const isForNow =
    found.data?.recipes.length === parts.length && (found.data?.slab !== null) === (vessel?.kind === "pan");
  return { data: isForNow ? found.data : undefined, error: found.error };
}

/** The levels of layers or fillings, for the drawing. */
export function bandsOf(found: Several | undefined): Band[] {
  const rows = found?.slab?.layers ?? found?.stack?.fillings ?? [];
  return rows.map((row, position) => ({
    from: row.from_mm,
    to: row.to_mm,
    name: found?.recipes[position]?.name ?? "",
  }));
}

/** What is drawn from above of layers or fillings. */
export function cutsOf(found: Several | undefined) {
  const nothing = { grid: null, piece_mm: null, places_mm: null, halves: null };
  if (found?.slab) return { ...nothing, pieces: null, ...found.slab.cut, marks: found.slab.marks };
  return found?.stack ? { ...nothing, pieces: found.stack.pieces } : null;
}

/** What is weighed of each recipe. */
export function outcomesOf(found: Several | undefined, units: Units): PartOutcome[] {
  if (!found) return [];
  const { slab, stack, recipes } = found;
  const withOutcome = <R extends { from_mm: number; to_mm: number }>(rows: R[], more: (row: R) => string) =>
    rows.flatMap((row, position) => {
      const recipe = recipes[position];
      return recipe ? [{ ...row, recipe, says: levelsText(row.from_mm, row.to_mm, more(row), units) }] : [];
    });
  return [
    ...withOutcome(slab?.layers ?? [], () => ""),
    ...withOutcome(stack?.fillings ?? [], (filling) => `, ${fineMass(filling.each_g, units)} in each cavity`),
  ];
}
