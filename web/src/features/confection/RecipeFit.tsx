import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, Navigate, useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { confectionQueries, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { NotThere } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";

/** Fit of a recipe: leads to the confection that it goes into; of several one is chosen, and another can be made. */
export function RecipeFit({ id }: { id: number }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const stored = useQuery(recipeQueries.one(id));
  const made = useQuery({ ...confectionQueries.list, staleTime: 0 });
  const make = useMutation({
    mutationFn: () =>
      dataOf(client.POST("/api/recipes/{recipe_id}/confection", { params: { path: { recipe_id: id } } })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey });
      void queries.invalidateQueries({ queryKey: recipeQueries.one(id).queryKey });
      navigate(`/confections/${made.id}`, { replace: true });
    },
  });
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || (!made.data && !made.error)) return <Skeleton />;
  const into = (made.data?.confections ?? []).filter((row) =>
    row.asked.parts.some((part) => part.of.recipe_id === id),
  );
  const only = stored.data.made_into ?? (into.length === 1 ? into[0]?.id : null);
  if (only != null) return <Navigate to={`/confections/${only}`} replace />;
  const { name } = stored.data.recipe;
  return (
    <main className="mx-auto w-full max-w-2xl flex-1 px-5 py-6 max-md:px-3">
      <h1 dir="auto" className="font-display font-semibold text-[1.625rem] leading-tight">
        {name}
      </h1>
      {into.length > 0 ? (
        <>
          <p className="mt-2">This mix goes into {into.length} confections. Which one do you want to fit?</p>
          <ul className="mt-2">
            {into.map((row) => (
              <li key={row.id} className="border-line border-t">
                <Link
                  to={`/confections/${row.id}`}
                  className="flex min-h-13 items-center font-bold text-lg text-rim underline"
                >
                  {row.asked.name}
                </Link>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mt-2">This mix has no tin, mould or size yet.</p>
      )}
      <Button
        look={into.length > 0 ? "outlined" : "filled"}
        className="mt-3"
        disabled={make.isPending}
        onClick={() => make.mutate()}
      >
        {into.length > 0 ? "Make something else of it" : "Choose a tin or mould"}
      </Button>
      {make.error && (
        <p role="alert" className="mt-2 text-copper">
          {make.error.message}
        </p>
      )}
    </main>
  );
}
