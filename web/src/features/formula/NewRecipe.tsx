import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { libraryQuery, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { PasteRecipe } from "./PasteRecipe";
import { USES } from "./words";

/** Start a recipe from a family's usual proportions, balanced by the core for its use; or read one. */
export function NewRecipe() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: library } = useQuery(libraryQuery);
  const [family, setFamily] = useState("cream-ganache");
  const [use, setUse] = useState("roll");
  const [chocolate, setChocolate] = useState("dark60");
  const uses = library?.families.find((row) => row.key === family)?.uses ?? [];
  const chosenUse = uses.includes(use) ? use : (uses[0] ?? null);
  const start = useMutation({
    mutationFn: () =>
      dataOf(client.POST("/api/recipes/start", { body: { family, use: chosenUse, chocolate } })),
    onSuccess: (stored) => {
      queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
      navigate(`/recipes/${stored.id}/formula`);
    },
  });
  return (
    <div className="mt-3 border-line border-t pt-3">
      <h2 className="mb-2 font-bold">Start a new one with our proportions</h2>
      <div className="grid gap-2">
        <Choice label="What it is" value={family} onPick={(value) => setFamily(value)}>
          {library?.families.map((row) => (
            <Option key={row.key} value={row.key}>
              {row.name}
            </Option>
          ))}
        </Choice>
        <Choice label="What it is for" value={chosenUse ?? ""} onPick={(value) => setUse(value)}>
          {uses.map((key) => (
            <Option key={key} value={key}>
              {USES[key] ?? key}
            </Option>
          ))}
        </Choice>
        <Choice label="Chocolate" value={chocolate} onPick={(value) => setChocolate(value)}>
          {library?.ingredients
            .filter((row) => row.kind === "chocolate" || row.kind === "compound")
            .map((row) => (
              <Option key={row.key} value={row.key}>
                {row.name}
              </Option>
            ))}
        </Choice>
        <Button disabled={start.isPending || !library} onClick={() => start.mutate()}>
          Start it
        </Button>
        {start.error && (
          <p role="alert" className="text-copper">
            {start.error.message}
          </p>
        )}
        <PasteRecipe library={library} />
      </div>
    </div>
  );
}
