import { queryOptions } from "@tanstack/react-query";
import { client, dataOf } from "./client";
import { pendingSaves } from "./pendingSaves";

export const libraryQuery = queryOptions({
  queryKey: ["library"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/ingredients", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
});

export const settingsQuery = queryOptions({
  queryKey: ["settings"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/settings", { signal })),
});

export const recipeQueries = {
  list: queryOptions({
    queryKey: ["recipes"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/recipes", { signal })),
  }),
  one: (id: number) =>
    queryOptions({
      queryKey: ["recipes", id],
      queryFn: async ({ signal }) => {
        await pendingSaves.get(id);
        return dataOf(
          client.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: id } }, signal }),
        );
      },
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 0,
    }),
  versions: (id: number) =>
    queryOptions({
      queryKey: ["recipes", id, "versions"],
      queryFn: ({ signal }) =>
        dataOf(
          client.GET("/api/recipes/{recipe_id}/versions", { params: { path: { recipe_id: id } }, signal }),
        ),
    }),
};

export const larderQuery = queryOptions({
  queryKey: ["larder"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/larder", { signal })),
});

export const vesselsQuery = queryOptions({
  queryKey: ["vessels"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/vessels", { signal })),
});
