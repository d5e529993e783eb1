import { queryOptions } from "@tanstack/react-query";
import { client, dataOf, type Schemas } from "./client";
import { pendingSaves } from "./pendingSaves";
import { noteServerTime } from "./serverTime";

const PATIENCE_MS = 4000;

/** A question about now that is not answered in time is asked again, not waited for. */
const inTime = (signal: AbortSignal) => AbortSignal.any([signal, AbortSignal.timeout(PATIENCE_MS)]);

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

export const shapesQuery = queryOptions({
  queryKey: ["shapes"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/vessels/shapes", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
});

export const occasionsQuery = queryOptions({
  queryKey: ["occasions"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/occasions", { signal })),
});

const ORDER_EVERY_MS = 20_000;

export const orderQueries = {
  one: (id: number) =>
    queryOptions({
      queryKey: ["order", id],
      staleTime: 0,
      refetchInterval: ORDER_EVERY_MS,
      queryFn: ({ signal }) =>
        dataOf(
          client.GET("/api/occasions/{occasion_id}/order", { params: { path: { occasion_id: id } }, signal }),
        ),
    }),
};

export const confectionQueries = {
  list: queryOptions({
    queryKey: ["confections"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/confections", { signal })),
  }),
  options: queryOptions({
    queryKey: ["confections", "options"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/confections/options", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
  }),
  one: (id: number) =>
    queryOptions({
      queryKey: ["confections", id],
      queryFn: ({ signal }) =>
        dataOf(
          client.GET("/api/confections/{confection_id}", { params: { path: { confection_id: id } }, signal }),
        ),
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 0,
    }),
};

export const batchQueries = {
  list: queryOptions({
    queryKey: ["batches"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/batches", { signal })),
  }),
  one: (id: number) =>
    queryOptions({
      queryKey: ["batches", id],
      queryFn: ({ signal }) =>
        dataOf(client.GET("/api/batches/{batch_id}", { params: { path: { batch_id: id } }, signal })),
    }),
  toLookAt: queryOptions({
    queryKey: ["batches", "to-look-at"],
    queryFn: ({ signal }) => dataOf(client.GET("/api/batches/to-look-at", { signal })),
    staleTime: 0,
  }),
  page: (id: number) =>
    queryOptions({
      queryKey: ["batches", id, "page"],
      queryFn: ({ signal }) =>
        dataOf(client.GET("/api/batches/{batch_id}/page", { params: { path: { batch_id: id } }, signal })),
      staleTime: 0,
    }),
  plan: (body: Schemas["PlanBatchIn"]) =>
    queryOptions({
      queryKey: ["batch-plan", body],
      queryFn: ({ signal }) => dataOf(client.POST("/api/batches/plan", { body, signal })),
    }),
  /** Today's tasks of the running order that a run is made for. */
  day: (id: number) =>
    queryOptions({
      queryKey: ["batches", id, "day"],
      staleTime: 0,
      refetchInterval: ORDER_EVERY_MS,
      queryFn: ({ signal }) =>
        dataOf(client.GET("/api/batches/{batch_id}/day", { params: { path: { batch_id: id } }, signal })),
    }),
  unanswered: (id: number) =>
    queryOptions({
      queryKey: ["batches", id, "unanswered"],
      queryFn: ({ signal }) =>
        dataOf(
          client.GET("/api/batches/{batch_id}/unanswered", { params: { path: { batch_id: id } }, signal }),
        ),
    }),
  live: (id: number) =>
    queryOptions({
      queryKey: ["batches", id, "live"],
      queryFn: async ({ signal }) => {
        const params = { path: { batch_id: id } };
        const answer = client.GET("/api/batches/{batch_id}/live", { params, signal: inTime(signal) });
        const live = await dataOf(answer);
        noteServerTime(live.now);
        return live;
      },
      gcTime: 0,
    }),
  trace: (id: number) =>
    queryOptions({
      queryKey: ["batches", id, "trace"],
      queryFn: ({ signal }) => {
        const params = { path: { batch_id: id } };
        return dataOf(client.GET("/api/batches/{batch_id}/trace", { params, signal: inTime(signal) }));
      },
      gcTime: 0,
    }),
};

export const choicesQuery = queryOptions({
  queryKey: ["choices"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/batches/choices", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
});

export const probesQuery = queryOptions({
  queryKey: ["probes"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/probes", { signal })),
  staleTime: 0,
});

export const timersQuery = queryOptions({
  queryKey: ["timers"],
  queryFn: async ({ signal }) => {
    const list = await dataOf(client.GET("/api/timers", { signal: inTime(signal) }));
    noteServerTime(list.now);
    return list;
  },
});

export const placesQuery = queryOptions({
  queryKey: ["places"],
  queryFn: ({ signal }) => dataOf(client.GET("/api/set/places", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
});
