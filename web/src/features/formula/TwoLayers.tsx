import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { numberIn } from "../../units/units";
import type { BenchState } from "./useBench";

/** One tin for two layers, each by its own ratio: this recipe and another share it. */
export function TwoLayers({ id, state }: { id: number; state: BenchState }) {
  const [other, setOther] = useState("");
  const [tin, setTin] = useState("397");
  const { data: list } = useQuery(recipeQueries.list);
  const alike = (list?.recipes ?? []).filter((row) => row.family === "condensed-milk-fudge" && row.id !== id);
  const split = useMutation({
    mutationFn: async () => {
      const second = await dataOf(
        client.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: Number(other) } } }),
      );
      const body = { first: state.recipe, second: second.recipe, tin_g: numberIn(tin) ?? 0 };
      return dataOf(client.POST("/api/two-layers", { body }));
    },
  });
  if (!alike.length) return null;
  return (
    <form
      className="grid gap-2 border-line border-t pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        split.mutate();
      }}
    >
      <h3 className="font-bold">Two layers from one tin</h3>
      <Choice label="The other layer" value={other} onChange={(event) => setOther(event.target.value)}>
        <option value="">choose…</option>
        {alike.map((row) => (
          <option key={row.id} value={row.id}>
            {row.name}
          </option>
        ))}
      </Choice>
      <NumberField label="The tin, g" value={tin} onChange={(event) => setTin(event.target.value)} />
      <Button type="submit" disabled={!other || split.isPending}>
        Split it
      </Button>
      {split.error && (
        <p role="alert" className="text-copper text-sm">
          {split.error.message}
        </p>
      )}
      {split.data && (
        <div aria-live="polite">
          <p>
            Of the tin {Math.round(split.data.first_tin_g)} g go into this layer,{" "}
            {Math.round(split.data.second_tin_g)} g into the other: layers of one mass, each by its own ratio.
          </p>
          <Button look="filled" className="mt-2" onClick={() => split.data && state.change(split.data.first)}>
            Take this layer's amounts
          </Button>
        </div>
      )}
    </form>
  );
}
