import { useMutation, useQueryClient } from "@tanstack/react-query";
import { client, dataOf, type Schemas } from "../../api/client";
import { settingsQuery } from "../../api/queries";

/** The kitchen and the units, changed: shown at once, kept soon after. */
export function useSettings() {
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (settings: Schemas["Settings"]) => dataOf(client.PUT("/api/settings", { body: settings })),
    onMutate: (settings) => queries.setQueryData(settingsQuery.queryKey, settings),
    // the sentences of the core are in one's own units, and what is worked out is of this kitchen
    onSuccess: () => queries.invalidateQueries(),
    onError: () => queries.invalidateQueries({ queryKey: settingsQuery.queryKey }),
  });
  return { save };
}
