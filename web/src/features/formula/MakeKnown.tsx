import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Line, type Schemas } from "../../api/client";
import { larderQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { PhraseList } from "../../ui/Phrase";

type Props = {
  name: string;
  library: Schemas["LibraryOut"];
  onKnown: (ingredient: Line["ingredient"], kind: string) => void;
};

/** An ingredient that is missed is made known where it is missed: its name, what it is like, its allergens by name. */
export function MakeKnown({ name, library, onKnown }: Props) {
  const queries = useQueryClient();
  const [like, setLike] = useState<string | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const similar = library.ingredients.find((row) => row.key === like);
  const usual = similar ? namesOf(similar) : "";
  const make = useMutation({
    mutationFn: () => {
      const allergens = (typed ?? usual).split(",").flatMap((one) => one.trim() || []);
      return dataOf(client.POST("/api/larder/known", { body: { name, like: like ?? "", allergens } }));
    },
    onSuccess: async (item) => {
      await queries.invalidateQueries({ queryKey: larderQuery.queryKey });
      if (item.ingredient) onKnown(item.ingredient, item.ingredient.kind);
    },
  });
  const wrong = make.error instanceof ApiError ? make.error.problem.errors[0] : null;
  return (
    <form
      className="mt-2 grid gap-2 border-line border-t pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        make.mutate();
      }}
    >
      <p className="text-[1.0625rem] leading-[1.9]">
        Make <b dir="auto">{name}</b> known. Most similar to{" "}
        <PhraseList
          label="It is like"
          text={similar?.name ?? "choose what"}
          after="."
          value={like ?? ""}
          options={library.ingredients.map((row) => ({ value: row.key, text: row.name }))}
          onPick={(key) => {
            setLike(key);
            setTyped(null);
          }}
        />
      </p>
      {similar && (
        <>
          <TextField
            label="Its allergens, by name (pecan, wheat, milk)"
            placeholder="none"
            autoComplete="off"
            value={typed ?? usual}
            problem={wrong ? `${wrong.message}: ${wrong.allowed}` : null}
            onChange={(event) => setTyped(event.target.value)}
          />
          {similar.hurts.length > 0 && (
            <p className="text-[0.9375rem]">
              Like {similar.name.toLowerCase()}: {similar.hurts.join(", ")}.
            </p>
          )}
          <p className="text-[0.875rem] text-ash">
            Check its packet label and correct the figures in the Larder.
          </p>
          <Button type="submit" look="filled" disabled={make.isPending}>
            Add to the bowl
          </Button>
        </>
      )}
    </form>
  );
}

/** An ingredient's allergens by name: nuts and cereals by their own. */
function namesOf({ allergens, allergens_named }: Schemas["IngredientOut"]): string {
  const groups = allergens.filter((group) => group !== "nuts" && group !== "gluten");
  return [...allergens_named, ...groups].join(", ");
}
