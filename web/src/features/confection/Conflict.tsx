import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import type { Asked } from "./words";

type Props = { stored: Schemas["StoredConfection"]; asked: Asked; message: string };

/** Choice after another window saved first: use its version, or keep this one as a copy. */
export function Conflict({ stored, asked, message }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: () => dataOf(client.POST("/api/confections", { body: asked })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey, exact: true });
      navigate(`/confections/${made.id}`);
    },
  });
  return (
    <div role="alert" className="mt-2 rounded-md border-[1.5px] border-butter-rim bg-butter p-3">
      <p>{message}</p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
          Keep mine as a copy
        </Button>
        <Button
          onClick={() =>
            queries.resetQueries({ queryKey: confectionQueries.one(stored.id).queryKey, exact: true })
          }
        >
          Use the other version
        </Button>
      </p>
    </div>
  );
}
