import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { matchPath, useLocation } from "react-router";
import { batchQueries, confectionQueries, recipeQueries } from "../api/queries";

const PRODUCT = "Hearth Bowl";
/** Titles of the pages that are of nothing in particular, by their address. */
const PAGES: readonly (readonly [string, string])[] = [
  ["/new", "Start a recipe"],
  ["/read", "Read a recipe card"],
  ["/recipes", "Recipes"],
  ["/shared", "Import a shared file"],
  ["/occasions", "Occasions"],
  ["/occasions/:id/order", "Running order"],
  ["/shelf", "Shelf"],
  ["/larder", "Larder"],
  ["/daybook", "Daybook"],
  ["/daybook/laid-over", "Compare batches"],
  ["/daybook/kitchen", "Learned from your kitchen"],
  ["/see/*", "What do you see?"],
  ["/pairing", "Other devices"],
  ["/thermometers", "Thermometers"],
  ["/data", "Your data"],
  ["/notices", "Notices"],
];
const PLACES: Readonly<Record<string, string>> = {
  formula: "Formula",
  fit: "Fit",
  stove: "Stove",
  set: "Set",
  keep: "Keep",
  card: "Recipe card",
  compare: "Compare",
};

/** Gives the document the title of its page: what it is about, then the place. Returns what it is about. */
export function useTitle(): string {
  const { pathname } = useLocation();
  const idOf = (pattern: string) => Number(matchPath(pattern, pathname)?.params.id);
  const recipe = idOf("/recipes/:id/:place");
  const confection = idOf("/confections/:id/*");
  const batch = idOf("/daybook/:id");
  const ofRecipe = useQuery({ ...recipeQueries.one(recipe), enabled: Number.isInteger(recipe) });
  const ofConfection = useQuery({
    ...confectionQueries.one(confection),
    enabled: Number.isInteger(confection),
  });
  const ofBatch = useQuery({ ...batchQueries.one(batch), enabled: Number.isInteger(batch) });
  const name = ofConfection.data?.asked.name ?? ofRecipe.data?.recipe.name ?? ofBatch.data?.batch.name;
  const title = titleOf(pathname, name);
  useEffect(() => {
    document.title = title === null ? PRODUCT : `${title} · ${PRODUCT}`;
  }, [title]);
  return name ?? "";
}

/** The title of an address; null for Today. */
function titleOf(pathname: string, name: string | undefined): string | null {
  if (pathname === "/") return null;
  const page = PAGES.find(([pattern]) => matchPath(pattern, pathname));
  if (page) return page[1];
  const thread = matchPath("/:of/:id/:place", pathname) ?? matchPath("/:of/:id", pathname);
  const place = thread?.params.of === "daybook" ? "Batch" : (PLACES[placeIn(pathname)] ?? "Fit");
  return name === undefined ? place : `${name}: ${place}`;
}

const placeIn = (pathname: string) => pathname.split("/")[3] ?? "fit";
