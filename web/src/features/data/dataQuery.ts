import { queryOptions } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";

/** Where the data lies, how large it is, what is kept of it, and what was noticed when it was opened. */
export const dataQuery = queryOptions({
  queryKey: ["data"],
  staleTime: 0,
  queryFn: ({ signal }) => dataOf(client.GET("/api/data", { signal })),
});
