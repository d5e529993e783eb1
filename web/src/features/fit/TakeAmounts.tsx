import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { rememberBefore } from "../formula";

/** Take a fit's grams for the recipe's own; the bench can undo it. */
export function TakeAmounts({ stored, amounts }: { stored: Schemas["StoredRecipe"]; amounts: number[] }) {
  const { id, recipe } = stored;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async () => {
      await pendingSaves.get(id);
      const { revision } = queries.getQueryData(recipeQueries.one(id).queryKey) ?? stored;
      return dataOf(
        client.PUT("/api/recipes/{recipe_id}", {
          params: { path: { recipe_id: id } },
          body: { revision, recipe: withAmounts(recipe, amounts) },
        }),
      );
    },
    onSuccess: (answer) => {
      rememberBefore(id, recipe);
      queries.setQueryData(recipeQueries.one(id).queryKey, answer);
      navigate(`/recipes/${id}/formula`);
    },
  });
  return (
    <>
      <Button
        look="filled"
        className="mt-3 w-full print:hidden"
        disabled={take.isPending}
        onClick={() => take.mutate()}
      >
        Take these amounts
      </Button>
      {take.error && (
        <p role="alert" className="mt-2 text-copper">
          {take.error.message}
        </p>
      )}
    </>
  );
}

/** The recipe with a fit's grams, as a scale can weigh them. */
function withAmounts(recipe: Recipe, amounts: number[]): Recipe {
  const weighed = (value: number) => Number(value.toFixed(value >= 10 ? 0 : 1));
  return {
    ...recipe,
    lines: recipe.lines.map((line, position) => ({
      ...line,
      amount: weighed(amounts[position] ?? 0),
      amount_high: null,
      unit: "g",
    })),
  };
}
