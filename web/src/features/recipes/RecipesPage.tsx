import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { client, dataOf, type Recipe } from "../../api/client";
import { libraryQuery, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Skeleton } from "../../ui/Skeleton";
import { WaysIn } from "../begin";
import { bowlOf, Counter } from "../counter";
import { MadeList, useMade } from "./MadeList";
import { MixBelow } from "./MixBelow";

/** Recipes: all of them, found by name, family, ingredient or allergen; copied, taken out as a file, deleted. */
export function RecipesPage() {
  const queries = useQueryClient();
  const [words, setWords] = useState("");
  const [gone, setGone] = useState<{ name: string; recipe: Recipe } | null>(null);
  const { data: library } = useQuery(libraryQuery);
  const { data, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["recipes-found", words.trim()],
    staleTime: 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal, pageParam }) =>
      dataOf(client.POST("/api/recipes/find", { body: { words: words.trim(), after: pageParam }, signal })),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.after,
  });
  const made = useMade(words.trim());
  const refresh = async () => {
    await queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
    await queries.invalidateQueries({ queryKey: ["recipes-found"] });
  };
  const back = useMutation({
    mutationFn: (recipe: Recipe) => dataOf(client.POST("/api/recipes", { body: { recipe } })),
    onSuccess: async () => {
      setGone(null);
      await refresh();
    },
  });
  if (!data) return <Skeleton />;
  const recipes = data.pages.flatMap((page) => page.recipes).filter((row) => row.made_into === null);
  const isEmpty = recipes.length === 0 && made.made.length === 0;
  const families = new Map(library?.families.map((row) => [row.key, row.name]));
  return (
    <main className="mx-auto w-full max-w-[80rem] px-6 py-4 max-md:px-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="font-display font-semibold text-3xl">{headingOf(made)}</h1>
        <p className="flex flex-wrap items-center gap-x-5">
          <Link
            to="/read"
            className="inline-flex min-h-11 items-center rounded-md bg-rim px-4 font-bold text-sheet hover:bg-rim-deep"
          >
            Read a card
          </Link>
          <Link to="/new" className="inline-flex min-h-11 items-center text-rim underline">
            Start from a suggested recipe
          </Link>
          <Link to="/shared" className="inline-flex min-h-11 items-center text-rim underline">
            Import a shared file
          </Link>
        </p>
      </div>
      <div className="mt-2 max-w-md">
        <TextField
          label="Find by name, family, ingredient, allergen or verdict"
          type="search"
          autoComplete="off"
          maxLength={200}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      {gone && (
        <p role="status" className="mt-2 flex flex-wrap items-center gap-3">
          “{gone.name}” is deleted.
          <Button disabled={back.isPending} onClick={() => back.mutate(gone.recipe)}>
            Restore recipe
          </Button>
        </p>
      )}
      {isEmpty && words.trim() && <p className="mt-3">No recipe has all of these words.</p>}
      {isEmpty && !words.trim() && (
        <section className="mt-3 max-w-xl">
          <p>There is no recipe yet. Begin in the way that suits what you have:</p>
          <WaysIn />
        </section>
      )}
      <MadeList found={made} onGone={refresh} />
      {[recipes.filter((row) => !row.put_away), recipes.filter((row) => row.put_away)].map(
        (rows) =>
          rows[0] && (
            <section key={rows[0].put_away ? "away" : "here"} className="mt-2">
              <h2 className="mt-5 font-bold text-ash">{rows[0].put_away ? "Archived mixes" : "Mixes"}</h2>
              <Counter
                toScale={false}
                label={rows[0].put_away ? "Archived mixes" : "Mixes"}
                things={rows.map((row) => ({
                  key: row.id,
                  shape: bowlOf(row.layers),
                  below: () => (
                    <MixBelow
                      row={row}
                      family={families.get(row.family) ?? ""}
                      onMoved={refresh}
                      onGone={async (recipe) => {
                        setGone({ name: row.name, recipe });
                        await refresh();
                      }}
                    />
                  ),
                }))}
              />
            </section>
          ),
      )}
      {hasNextPage && (
        <p className="mt-3">
          <Button disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
            Show more recipes
          </Button>
        </p>
      )}
    </main>
  );
}

/** How many things can be made, and how many of them with what is in stock. */
function headingOf({ made, hasNextPage }: ReturnType<typeof useMade>): React.ReactNode {
  if (made.length === 0) return "Recipes";
  const ready = made.filter((row) => row.lacks?.length === 0).length;
  return (
    <>
      {made.length}
      {hasNextPage && " and more"} {made.length === 1 ? "recipe" : "recipes"}
      {ready > 0 && (
        <span className="text-rim">
          ; {ready} {ready === 1 ? "needs" : "need"} no shopping
        </span>
      )}
    </>
  );
}
