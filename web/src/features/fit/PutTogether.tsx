import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { GoesInto } from "../formula";

type Props = { id: number; kind: string; flush: () => Promise<void> };

/** What a mass goes into, and the way from one mass in a vessel to a piece with all its parts. */
export function PutTogether({ id, kind, flush }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const make = useMutation({
    mutationFn: async () => {
      await flush();
      return dataOf(
        client.POST("/api/recipes/{recipe_id}/fit/confection", { params: { path: { recipe_id: id } } }),
      );
    },
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey });
      navigate(`/confections/${made.id}`);
    },
  });
  const more = MORE[kind];
  if (!more) return null;
  return (
    <section aria-label="Put together" className="mt-3 border-line border-t pt-2 print:hidden">
      <GoesInto id={id} />
      <Button className="mt-2 w-full" disabled={make.isPending} onClick={() => make.mutate()}>
        Put more into it: {more}
      </Button>
      {make.error && (
        <p role="alert" className="mt-1 text-copper">
          {make.error.message}
        </p>
      )}
    </section>
  );
}

const MORE: Readonly<Record<string, string>> = {
  pan: "layers, a coat, toppings",
  mould: "fillings, nuts, toppings",
  cup: "fillings, a top, toppings",
  scoop: "a core, a coat, toppings",
  pieces: "a core, a coat, toppings",
  cake: "its coat, toppings",
};
