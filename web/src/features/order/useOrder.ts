import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { orderQueries } from "../../api/queries";

export type Order = Schemas["RunningOrder"];

/** What one can do with an order that is followed. */
export type Follow = {
  order: Order;
  isBusy: boolean;
  occasionId: number;
  happened: (task: string, what: "begun" | "done" | "undone") => void;
};

/** The order of an occasion as it stands; planned again when something is late, or when what it was planned for has changed. */
export function useOrder(occasionId: number) {
  const queries = useQueryClient();
  const query = orderQueries.one(occasionId);
  const found = useQuery(query);
  const params = { path: { occasion_id: occasionId } };
  const keep = (order: Order) => queries.setQueryData(query.queryKey, order);
  const plan = useMutation({
    mutationFn: async (effort: "quick" | "best") =>
      dataOf(client.POST("/api/occasions/{occasion_id}/order", { params, body: { effort } })),
    onSuccess: keep,
  });
  const happened = useMutation({
    mutationFn: (body: { task: string; what: string }) =>
      dataOf(client.POST("/api/occasions/{occasion_id}/order/happened", { params, body })),
    onSuccess: (order) => {
      keep(order);
      if (order.is_off || plan.isPending) plan.mutate("best");
    },
  });
  const forget = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/occasions/{occasion_id}/order", { params })),
    onSuccess: () => plan.mutate("best"),
  });
  const settle = useMutation({
    mutationFn: () => dataOf(client.POST("/api/occasions/{occasion_id}/order/settle", { params })),
    onSuccess: (order) => {
      plan.reset();
      keep(order);
    },
  });
  const { mutate } = plan;
  const staleSince = found.data?.is_stale ? found.data.planned_at : null;
  useEffect(() => {
    if (staleSince !== null) mutate("best");
  }, [staleSince, mutate]);
  return { order: found.data, error: found.error, plan, settle, happened, forget };
}

/** The order of an occasion to be followed from another page; nothing while it is fetched, or where none was planned. */
export function useFollowed(occasionId: number): Follow | null {
  const { order, plan, happened } = useOrder(occasionId);
  if (!order || order.tasks.length === 0) return null;
  return {
    order,
    occasionId,
    isBusy: plan.isPending || happened.isPending,
    happened: (task, what) => happened.mutate({ task, what }),
  };
}
