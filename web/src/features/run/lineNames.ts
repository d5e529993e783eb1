import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { libraryQuery } from "../../api/queries";

/** What each line of a run's recipe is called. */
export function useLineNames(run: Schemas["Run"]): (position: number) => string {
  const { data: library } = useQuery(libraryQuery);
  return (position) => {
    const ingredient = run.recipe.lines[position]?.ingredient;
    if (typeof ingredient !== "string") return ingredient?.name ?? "";
    return library?.ingredients.find((row) => row.key === ingredient)?.name ?? ingredient;
  };
}
