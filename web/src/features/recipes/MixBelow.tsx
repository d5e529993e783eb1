import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Sure } from "../../ui/Sure";
import { mass, useUnits } from "../../units/units";
import { Send } from "../sharing";
import { Actions } from "./Actions";

type Props = {
  row: Schemas["FoundRecipe"];
  family: string;
  onMoved: () => Promise<void>;
  onGone: (recipe: Recipe) => Promise<void>;
};

/** The name of a mix, what is in it, and what can be done with it. */
export function MixBelow({ row, family, onMoved, onGone }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const units = useUnits();
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
    <>
      <div className="flex flex-wrap items-start justify-between gap-x-1">
        <Link
          to={`/recipes/${row.id}/formula`}
          className="min-w-0 flex-1 py-1 font-bold text-[1.125rem] text-rim leading-tight underline-offset-4 [overflow-wrap:anywhere] hover:underline"
        >
          <span dir="auto">{row.name}</span>
        </Link>
        <Actions of={row.name} failed={copy.error ?? move.error ?? remove.error}>
          <Button look="plain" disabled={copy.isPending} onClick={() => copy.mutate()}>
            Copy recipe
          </Button>
          <Link
            to={`/recipes/${row.id}/card`}
            className="inline-flex min-h-11 items-center px-3 font-bold text-rim underline-offset-4 hover:underline"
          >
            Card
          </Link>
          <Button look="plain" disabled={move.isPending} onClick={() => move.mutate()}>
            {row.put_away ? "Restore recipe" : "Archive recipe"}
          </Button>
          <Send kind="recipes" id={row.id} name={row.name} />
          <Sure
            words="Delete"
            goes={`Delete “${row.name}”, with its saved versions? Recipes that use this mix will miss it.`}
            disabled={remove.isPending}
            onSure={() => remove.mutate()}
          />
        </Actions>
      </div>
      <p className="text-[0.9375rem] text-ash leading-snug">
        {family}, {mass(row.mass_g, units)}
      </p>
      <p className="text-[0.9375rem] text-ash leading-snug">
        {row.allergens.length > 0 ? row.allergens.join(", ") : "none of the listed allergens"}
        {row.not_known > 0 && `; incomplete: ${row.not_known} unknown`}
      </p>
    </>
  );
}
