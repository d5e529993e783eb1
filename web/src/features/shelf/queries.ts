import { queryOptions } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";

/** What was made and lies there. */
export const shelfQuery = queryOptions({
  queryKey: ["shelf"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/shelf", { signal })),
  staleTime: 0,
});

/** How the confections of a recipe are kept, and what lies there of them. */
export const keepQuery = (id: number) =>
  queryOptions({
    queryKey: ["shelf", "of-recipe", id],
    queryFn: ({ signal }) =>
      dataOf(client.GET("/api/recipes/{recipe_id}/keep", { params: { path: { recipe_id: id } }, signal })),
    staleTime: 0,
  });

export const labelSheetsQuery = queryOptions({
  queryKey: ["label-sheets"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/label-sheets", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
});
