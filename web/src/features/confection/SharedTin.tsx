import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { MassField } from "../../ui/QuantityField";
import { fixed, mass, numberIn, type Units } from "../../units/units";
import type { Asked } from "./words";

type Props = {
  stored: Schemas["StoredConfection"];
  asked: Asked;
  recipes: Schemas["RecipeInList"][];
  units: Units;
  flush: () => Promise<void>;
  onTaken: (answer: Schemas["StoredConfection"]) => void;
};

/** One tin of condensed milk shared between two layers, each by its own ratio, so that both set alike. */
export function SharedTin({ stored, asked, recipes, units, flush, onTaken }: Props) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("");
  const [done, setDone] = useState(false);
  const fudges = new Set(recipes.filter((row) => row.family === OF_A_TIN).map((row) => row.id));
  const layers = asked.parts.filter((part) => part.role === "layer" && fudges.has(part.of.recipe_id ?? 0));
  const tin_g = numberIn(typed) ?? null;
  const share = useMutation({
    mutationFn: () => dataOf(client.POST("/api/confections/shared-tin", { body: { asked, tin_g } })),
    onSuccess: () => setDone(false),
  });
  const take = useMutation({
    mutationFn: async () => {
      await flush();
      const params = { path: { confection_id: stored.id } };
      const { revision } = queries.getQueryData(confectionQueries.one(stored.id).queryKey) ?? stored;
      return dataOf(
        client.PUT("/api/confections/{confection_id}/shared-tin", { params, body: { revision, tin_g } }),
      );
    },
    onSuccess: async (answer) => {
      onTaken(answer);
      setDone(true);
      await queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey });
      await queries.invalidateQueries({ queryKey: ["confection-worked"] });
    },
  });
  if (layers.length < 2) return null;
  const error = share.error ?? take.error;
  return (
    <details className="mt-3 border-line border-t pt-1">
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-rim">
        Share one tin between both layers
      </summary>
      <form
        className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          share.mutate();
        }}
      >
        <MassField label="The tin" placeholder="a usual tin" value={typed} onMass={setTyped} />
        <Button type="submit" disabled={share.isPending}>
          Share the tin
        </Button>
      </form>
      {error && (
        <p role="alert" className="mt-1 text-copper">
          {error.message}
        </p>
      )}
      {share.data && !error && (
        <div aria-live="polite" className="mt-2">
          <ul>
            {share.data.layers.map((layer) => (
              <li key={layer.position}>
                <b>{layer.name}</b>: {mass(layer.tin_g, units)} of the tin, {mass(layer.make_g, units)} in
                all; {setText(layer)}
              </li>
            ))}
          </ul>
          {done ? (
            <p className="mt-1 font-bold">Amounts used. The recipes before are saved as versions.</p>
          ) : (
            <Button look="filled" className="mt-2" disabled={take.isPending} onClick={() => take.mutate()}>
              Change both recipes
            </Button>
          )}
        </div>
      )}
    </details>
  );
}

/** The family whose recipes begin with a tin. */
const OF_A_TIN = "condensed-milk-fudge";

function setText({ index, index_before, moves }: Schemas["LayerOfTin"]): string {
  if (index === null || index_before === null) return "its firmness is unknown.";
  const now = `sets at ${fixed(index, 1)}`;
  return moves ? `${now}, before at ${fixed(index_before, 1)}: its amounts change.` : `${now} unchanged.`;
}
