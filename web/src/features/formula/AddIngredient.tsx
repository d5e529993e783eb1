import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Line, type Schemas } from "../../api/client";
import { larderQuery } from "../../api/queries";
import { TextField } from "../../ui/Field";
import { Popover } from "../../ui/Popover";
import { MakeKnown } from "./MakeKnown";

type Props = {
  library: Schemas["LibraryOut"] | undefined;
  onAdd: (ingredient: Line["ingredient"], kind: string) => void;
};
type Found = { key: string; name: string; kind: string; ingredient: Line["ingredient"] };

const MOST_SHOWN = 40;

/** Find an ingredient by name and put it in the bowl. */
export function AddIngredient({ library, onAdd }: Props) {
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState("");
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const { data: larder } = useQuery(larderQuery);
  const own = (larder?.items ?? []).flatMap(({ ingredient }): Found[] =>
    ingredient
      ? [{ key: `own ${ingredient.name}`, name: ingredient.name, kind: ingredient.kind, ingredient }]
      : [],
  );
  const shelf = (library?.ingredients ?? []).map(
    ({ key, name, kind }): Found => ({ key, name, kind, ingredient: key }),
  );
  const found = [...own, ...shelf].filter((row) => {
    const text = `${row.name} ${row.key} ${row.kind}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const near = useQuery({
    queryKey: ["ingredients-near", wanted.trim()],
    enabled: found.length === 0 && wanted.trim() !== "",
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/ingredients/near", { body: { words: wanted.trim() }, signal })),
  });
  const perhaps = (near.data?.keys ?? []).flatMap((key) => shelf.filter((row) => row.key === key));
  const add = (row: Found) => {
    setOpen(false);
    setWanted("");
    onAdd(row.ingredient, row.kind);
  };
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label="Add an ingredient"
      trigger={
        <button
          type="button"
          className="min-h-11 pl-12 text-left text-rim underline-offset-4 hover:underline"
        >
          Add an ingredient
        </button>
      }
    >
      <TextField
        label="Name of the ingredient"
        autoFocus
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter" && found[0]) add(found[0]);
        }}
      />
      <Names rows={found.slice(0, MOST_SHOWN)} onPick={add} />
      {found.length === 0 && (
        <>
          <p className="mt-2 text-sm">
            {perhaps.length > 0 ? "Perhaps:" : "No ingredient in the library has that name."}
          </p>
          <Names rows={perhaps} onPick={add} />
          {library && wanted.trim() !== "" && (
            <MakeKnown
              name={wanted.trim()}
              library={library}
              onKnown={(ingredient, kind) => add({ key: wanted, name: wanted, kind, ingredient })}
            />
          )}
        </>
      )}
      {found.length > MOST_SHOWN && (
        <p className="mt-2 text-ash text-sm">
          and {found.length - MOST_SHOWN} more: type a part of the name.
        </p>
      )}
    </Popover>
  );
}

function Names({ rows, onPick }: { rows: Found[]; onPick: (row: Found) => void }) {
  return (
    <ul className="mt-2 max-h-72 overflow-auto">
      {rows.map((row) => (
        <li key={row.key}>
          <button
            type="button"
            onClick={() => onPick(row)}
            className="min-h-11 w-full rounded-md px-2 text-left hover:bg-rim-faint"
          >
            {row.name}
          </button>
        </li>
      ))}
    </ul>
  );
}
