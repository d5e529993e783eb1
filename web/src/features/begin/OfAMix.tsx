import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { confectionQueries, recipeQueries, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { PhraseList } from "../../ui/Phrase";

/** A piece of a mix that is there already: which mix, in which form. */
export function OfAMix() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: recipes } = useQuery(recipeQueries.list);
  const { data: vessels } = useQuery(vesselsQuery);
  const { data: options } = useQuery(confectionQueries.options);
  const [recipe, setRecipe] = useState<number | null>(null);
  const [vessel, setVessel] = useState<number | null>(null);
  const making = (vessels?.vessels ?? []).filter((row) => row.vessel.kind in (options?.roles ?? {}));
  const chosen = recipes?.recipes.find((row) => row.id === recipe) ?? recipes?.recipes[0];
  const form = making.find((row) => row.id === vessel) ?? making[0];
  const create = useMutation({
    mutationFn: () => {
      if (!chosen || !form || !options) throw new Error("nothing is chosen");
      const roles = options.roles[form.vessel.kind] ?? [];
      const role = INNER.find((one) => roles.includes(one)) ?? "centre";
      const shell = options.usual.shell;
      const parts = [
        ...(form.vessel.kind === "mould" && shell ? [shell] : []),
        { role, of: { recipe_id: chosen.id } },
      ];
      const body = { name: chosen.name, form: { vessel: form.id }, parts };
      return dataOf(client.POST("/api/confections", { body }));
    },
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey });
      navigate(`/confections/${made.id}`);
    },
  });
  if (!chosen || !form) return null;
  return (
    <section className="mt-4 border-line border-t pt-3">
      <h2 className="font-bold">Or make something of a mix you have</h2>
      <p className="mt-1 text-[1.25rem] leading-relaxed">
        Make{" "}
        <PhraseList
          label="Recipe"
          text={chosen.name}
          value={String(chosen.id)}
          options={(recipes?.recipes ?? []).map((row) => ({ value: String(row.id), text: row.name }))}
          onPick={(id) => setRecipe(Number(id))}
        />{" "}
        in{" "}
        <PhraseList
          label="Form"
          text={form.name}
          value={String(form.id)}
          options={making.map((row) => ({ value: String(row.id), text: row.name }))}
          onPick={(id) => setVessel(Number(id))}
        />{" "}
        <Button disabled={create.isPending} onClick={() => create.mutate()}>
          Make this
        </Button>
        {create.error && (
          <span role="alert" className="block text-copper">
            {create.error.message}
          </span>
        )}
      </p>
    </section>
  );
}

const INNER = ["layer", "centre", "filling"] as const;
