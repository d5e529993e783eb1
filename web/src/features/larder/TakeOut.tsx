import { useMutation, useQueryClient } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";
import { larderQuery } from "../../api/queries";
import { Button } from "../../ui/Button";

/** Take an ingredient out of the larder. */
export function TakeOut({ label, onDone }: { label: string; onDone: () => void }) {
  const queries = useQueryClient();
  const out = useMutation({
    mutationFn: () => dataOf(client.POST("/api/larder/take-out", { body: { label } })),
    onSuccess: () => {
      onDone();
      return queries.invalidateQueries({ queryKey: larderQuery.queryKey });
    },
  });
  return (
    <Button disabled={out.isPending} onClick={() => out.mutate()}>
      Remove from larder
    </Button>
  );
}
