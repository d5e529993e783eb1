import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { rememberBefore } from "../formula";

type Props = { id: number; recipe: number; flush: () => Promise<void> };

/** Button that makes the batch's grams the recipe's own amounts; the Formula page can undo it. */
export function UseAmounts({ id, recipe, flush }: Props) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const use = useMutation({
    mutationFn: async () => {
      await flush();
      await pendingSaves.get(recipe);
      const before = await queries.fetchQuery({ ...recipeQueries.one(recipe), staleTime: 0 });
      const params = { path: { confection_id: id } };
      const body = { recipe_id: recipe, revision: before.revision };
      const after = await dataOf(client.PUT("/api/confections/{confection_id}/amounts", { params, body }));
      return { before, after };
    },
    onSuccess: ({ before, after }) => {
      rememberBefore(recipe, before.recipe);
      queries.setQueryData(recipeQueries.one(recipe).queryKey, after);
      navigate(`/recipes/${recipe}/formula`);
    },
  });
  return (
    <>
      <Button
        look="plain"
        className="text-[0.9375rem] print:hidden"
        disabled={use.isPending}
        onClick={() => use.mutate()}
      >
        Use these amounts in the recipe
      </Button>
      {use.error && (
        <p role="alert" className="text-copper">
          {use.error.message}
        </p>
      )}
    </>
  );
}
