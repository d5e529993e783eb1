import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";

type Props = { batch: number; changes: readonly Schemas["NextChange"][]; title?: string };

/** The changes that are worth trying next, computed from the verdict; one press makes one a version. */
export function NextChanges({ batch, changes, title = "Worth trying next" }: Props) {
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: (number: number) =>
      dataOf(
        client.POST("/api/batches/{batch_id}/versions", {
          params: { path: { batch_id: batch } },
          body: { number },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["recipes"] }),
  });
  if (changes.length === 0 && !make.data) return null;
  return (
    <section
      aria-label={title}
      className="mt-3 rounded-lg border-[1.5px] border-butter-rim bg-butter px-3 py-2"
    >
      <h2 className="font-bold">{title}</h2>
      <ul>
        {changes.map((change, number) => (
          <li key={change.words} className="flex flex-wrap items-center justify-between gap-x-3 py-1">
            <span className="min-w-48 flex-1">
              <b>{change.words}</b>
              <span className="block text-[0.9375rem] text-ash">{change.because}</span>
            </span>
            <Button disabled={make.isPending} onClick={() => make.mutate(number)}>
              Save as the next version
            </Button>
          </li>
        ))}
      </ul>
      <p role="status">
        {make.data && (
          <>
            Version {make.data.version} is kept: {make.data.name}.{" "}
            <Link to={`/recipes/${make.data.recipe_id}/formula`} className="font-bold text-rim underline">
              Open the recipe
            </Link>{" "}
            <Link to={`/recipes/${make.data.recipe_id}/stove`} className="font-bold text-rim underline">
              Make it again with this change
            </Link>
          </>
        )}
        {make.error?.message}
      </p>
    </section>
  );
}
