import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiError, client, dataOf, type Problem, type Schemas } from "../../api/client";
import { Sure } from "../../ui/Sure";
import { day } from "./moments";

type Props = { batch: number; photographs: readonly Schemas["Photograph"][] };

/** Photographs of a batch: kept beside its data, made smaller, with nothing of where they were taken in them. */
export function Photographs({ batch, photographs }: Props) {
  const queries = useQueryClient();
  const anew = () => queries.invalidateQueries({ queryKey: ["batches", batch, "page"] });
  const keep = useMutation({
    mutationFn: async (file: File) => {
      const answer = await fetch(`/api/batches/${batch}/photographs`, {
        method: "POST",
        headers: { "Content-Type": file.type || "image/jpeg" },
        body: file,
      });
      if (!answer.ok) throw new ApiError(answer.status, (await answer.json()) as Problem);
    },
    onSuccess: anew,
  });
  const remove = useMutation({
    mutationFn: (id: number) =>
      dataOf(client.DELETE("/api/photographs/{photograph_id}", { params: { path: { photograph_id: id } } })),
    onSuccess: anew,
  });
  return (
    <section aria-label="Photographs" className="mt-3 print:hidden">
      <ul className="flex flex-wrap gap-3">
        {photographs.map((one) => (
          <li key={one.id} className="w-44">
            <a href={`/api/photographs/${one.id}`}>
              <img
                src={`/api/photographs/${one.id}`}
                alt={`The batch on ${day(one.at)}`}
                width={one.width_px}
                height={one.height_px}
                className="h-auto w-44 rounded-md"
              />
            </a>
            <Sure
              words="Delete photograph"
              goes="Delete this photograph and its file?"
              onSure={() => remove.mutate(one.id)}
            />
          </li>
        ))}
      </ul>
      <label className="inline-flex min-h-11 cursor-pointer items-center font-bold text-rim underline">
        Add a photograph
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="sr-only"
          onChange={(event) => event.target.files?.[0] && keep.mutate(event.target.files[0])}
        />
      </label>
      <span role="status" className="pl-3 text-[0.9375rem] text-ash">
        {keep.isPending && "Saving the photograph"}
        {keep.error?.message}
      </span>
    </section>
  );
}
