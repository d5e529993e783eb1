import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { libraryQuery, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { WaysIn } from "../begin";
import { Send } from "../sharing";
import { MadeList, useMade } from "./MadeList";

type Row = Schemas["FoundRecipe"];

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
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="font-display font-semibold text-3xl">Recipes</h1>
        <p className="flex flex-wrap gap-x-5">
          <Link to="/read" className="inline-flex min-h-11 items-center font-bold text-rim underline">
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
              <h2 className="mt-4 font-bold text-ash">{rows[0].put_away ? "Archived" : "Mixes"}</h2>
              <ul>
                {rows.map((row) => (
                  <RecipeRow
                    key={row.id}
                    row={row}
                    family={families.get(row.family) ?? ""}
                    onMoved={refresh}
                    onGone={async (recipe) => {
                      setGone({ name: row.name, recipe });
                      await refresh();
                    }}
                  />
                ))}
              </ul>
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

type RowProps = {
  row: Row;
  family: string;
  onMoved: () => Promise<void>;
  onGone: (recipe: Recipe) => Promise<void>;
};

function RecipeRow({ row, family, onMoved, onGone }: RowProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const path = { recipe_id: row.id };
  const copy = useMutation({
    mutationFn: () => dataOf(client.POST("/api/recipes/{recipe_id}/copy", { params: { path } })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
      navigate(`/recipes/${made.id}/formula`);
    },
  });
  const move = useMutation({
    mutationFn: () =>
      dataOf(
        client.PUT("/api/recipes/{recipe_id}/put-away", { params: { path }, body: { away: !row.put_away } }),
      ),
    onSuccess: onMoved,
  });
  const remove = useMutation({
    mutationFn: async () => {
      const { recipe } = await dataOf(client.GET("/api/recipes/{recipe_id}", { params: { path } }));
      await dataOf(client.DELETE("/api/recipes/{recipe_id}", { params: { path } }));
      return recipe;
    },
    onSuccess: onGone,
  });
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-line border-b py-2">
      <div className="min-w-64 flex-1">
        <Link
          to={`/recipes/${row.id}/formula`}
          className="inline-flex min-h-11 items-center font-bold text-[1.125rem] text-rim underline-offset-4 hover:underline"
        >
          <span dir="auto">{row.name}</span>
        </Link>
        <p className="text-[0.9375rem] text-ash">
          {family}. {row.ingredients.slice(0, MOST_NAMED).join(", ")}
          {row.ingredients.length > MOST_NAMED && ` and ${row.ingredients.length - MOST_NAMED} more`}.
        </p>
        <p className="text-[0.9375rem]">
          {row.allergens.length > 0 ? `Contains ${row.allergens.join(", ")}` : "None of the listed allergens"}
          {row.not_known > 0 && `; not complete: ${row.not_known} not known yet`}.
        </p>
        {(copy.error ?? remove.error) && (
          <p role="alert" className="text-copper">
            {(copy.error ?? remove.error)?.message}
          </p>
        )}
      </div>
      <Button
        look="plain"
        aria-label={`Copy ${row.name}`}
        disabled={copy.isPending}
        onClick={() => copy.mutate()}
      >
        Copy
      </Button>
      <Link
        to={`/recipes/${row.id}/card`}
        aria-label={`Card of ${row.name}`}
        className="inline-flex min-h-11 items-center px-3 font-bold text-[0.9375rem] text-rim underline-offset-4 hover:underline"
      >
        Card
      </Link>
      <Button
        look="plain"
        aria-label={`${row.put_away ? "Restore recipe" : "Archive recipe"} ${row.name}`}
        disabled={move.isPending}
        onClick={() => move.mutate()}
      >
        {row.put_away ? "Restore recipe" : "Archive recipe"}
      </Button>
      <Send kind="recipes" id={row.id} name={row.name} />
      <Sure
        words="Delete"
        goes={`“${row.name}” goes, with its versions and its fit; confections that hold it miss it.`}
        disabled={remove.isPending}
        onSure={() => remove.mutate()}
      />
    </li>
  );
}

const MOST_NAMED = 6;
