import { queryOptions, useQuery } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";

/** As what this device is let in. */
export const meQuery = queryOptions({
  queryKey: ["pairing", "me"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/pairing/me", { signal })),
  staleTime: 60_000,
});

/** Whether the house is answered, and who is let in. */
export const pairingQuery = queryOptions({
  queryKey: ["pairing"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/pairing", { signal })),
  staleTime: 0,
});

/** Whether this device only helps: it sees and ticks. */
export function useHelps(): boolean {
  const { data } = useQuery(meQuery);
  return data?.role === "helper";
}
