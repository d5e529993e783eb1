import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { confectionQueries, recipeQueries, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { PhraseList } from "../../ui/Phrase";
import { Skeleton } from "../../ui/Skeleton";
import { WaysIn } from "../begin";

/** Confections: everything that is put together to be eaten. */
export function ConfectionsPage() {
  const { data } = useQuery({ ...confectionQueries.list, staleTime: 0 });
  const { data: vessels } = useQuery(vesselsQuery);
  if (!data || !vessels) return <Skeleton />;
  const nameOf = new Map(vessels.vessels.map((row) => [row.id, row.name]));
  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">Confections</h1>
      <p className="mt-1 max-w-prose text-[1.0625rem] text-ash">
        What is made to be eaten: a form with its shell, layers, fillings, core, coat and what goes on top.
      </p>
      <NewConfection />
      <Link to="/shared" className="inline-flex min-h-11 items-center text-rim underline">
        Open what someone sent
      </Link>
      {data.confections.length === 0 && (
        <section className="mt-3 max-w-xl">
          <p>There is none yet. Begin in the way that suits what you have:</p>
          <WaysIn />
        </section>
      )}
      <ul className="mt-3">
        {data.confections.map(({ id, asked }) => (
          <li key={id} className="border-line border-b">
            <Link
              to={`/confections/${id}`}
              className="flex min-h-14 flex-wrap items-baseline justify-between gap-x-6 py-2 hover:bg-rim-faint"
            >
              <b dir="auto" className="text-[1.125rem]">
                {asked.name}
              </b>
              <span className="text-[0.9375rem] text-ash">
                {asked.form.pieces !== null && `${asked.form.pieces} in `}
                {nameOf.get(asked.form.vessel) ?? "a vessel that is gone"},{" "}
                {asked.parts.length === 1 ? "one part" : `${asked.parts.length} parts`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** A new one: of a recipe, in a vessel. */
function NewConfection() {
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
    <p className="mt-3 text-[1.25rem] leading-relaxed">
      Put together{" "}
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
      <Button look="filled" disabled={create.isPending} onClick={() => create.mutate()}>
        Begin with it
      </Button>
      {create.error && (
        <span role="alert" className="block text-copper">
          {create.error.message}
        </span>
      )}
    </p>
  );
}

const INNER = ["layer", "centre", "filling"] as const;
