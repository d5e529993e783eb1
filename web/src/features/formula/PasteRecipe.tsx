import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Choice } from "../../ui/Field";
import { useUnits } from "../../units/units";
import { amountText, ingredientName } from "./words";

type Read = Schemas["WrittenRecord"];

/** Read a recipe as people write it: paste it, see every doubt, then take it in. */
export function PasteRecipe({ library }: { library: Schemas["LibraryOut"] | undefined }) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const [measure, setMeasure] = useState(units.measure);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const read = useMutation({
    mutationFn: () => dataOf(client.POST("/api/recipes/read", { body: { text, measure } })),
  });
  const take = useMutation({
    mutationFn: (found: Read) => dataOf(client.POST("/api/recipes", { body: { recipe: found.recipe } })),
    onSuccess: (stored) => {
      queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
      setOpen(false);
      navigate(`/recipes/${stored.id}/formula`);
    },
  });
  return (
    <Dialog
      title="Read a recipe"
      open={open}
      onOpenChange={setOpen}
      trigger={<Button>Paste a recipe</Button>}
    >
      <div className="grid gap-4 md:grid-cols-2">
        <form
          className="grid content-start gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            read.mutate();
          }}
        >
          <label className="block text-[0.9375rem]">
            <span className="mb-0.5 block text-ash text-sm">
              A title, one ingredient a line, then the method; or a page's JSON-LD
            </span>
            <textarea
              dir="auto"
              rows={12}
              value={text}
              onChange={(event) => setText(event.target.value)}
              className="w-full rounded-md border-[1.5px] border-line-strong bg-sheet p-2"
            />
          </label>
          <label className="text-[0.9375rem] text-ash">
            or a file{" "}
            <input
              type="file"
              accept=".txt,.json,.md,text/plain,application/json"
              className="min-h-11 file:mr-3 file:min-h-11 file:rounded-lg file:border-[1.5px] file:border-rim file:bg-sheet file:px-3 file:font-bold file:text-rim"
              onChange={async (event) => setText((await event.target.files?.[0]?.text()) ?? text)}
            />
          </label>
          <Choice
            label="Spoons and cups are"
            value={measure}
            onChange={(event) => setMeasure(event.target.value)}
          >
            <option value="metric">metric</option>
            <option value="us">US</option>
            <option value="imperial">imperial</option>
            <option value="au">Australian</option>
          </Choice>
          {read.error && (
            <p role="alert" className="text-copper">
              {read.error.message}
            </p>
          )}
          <Button
            type="submit"
            look={read.data ? "outlined" : "filled"}
            disabled={!text.trim() || read.isPending}
          >
            Read it
          </Button>
        </form>
        {read.data && (
          <Found found={read.data} library={library}>
            <Button
              look="filled"
              disabled={take.isPending}
              onClick={() => read.data && take.mutate(read.data)}
            >
              Take it as a new recipe
            </Button>
          </Found>
        )}
      </div>
    </Dialog>
  );
}

type FoundProps = { found: Read; library: Schemas["LibraryOut"] | undefined; children: React.ReactNode };

function Found({ found, library, children }: FoundProps) {
  const family = library?.families.find((row) => row.key === found.recipe.family)?.name;
  return (
    <div className="grid content-start gap-3" aria-live="polite">
      <h3 dir="auto" className="font-bold">
        {found.recipe.name} <span className="font-normal text-ash">{family}</span>
      </h3>
      <ul>
        {found.recipe.lines.map((line, position) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position
          <li key={position} className="flex justify-between gap-3 border-line border-b py-1">
            <span>{ingredientName(line, library)}</span>
            <span className="whitespace-nowrap">
              {line.proposed && <span className="text-[0.8125rem] text-ash">ours: </span>}
              <strong>{amountText(line)}</strong>
            </span>
          </li>
        ))}
      </ul>
      {found.unsure.length > 0 && (
        <div className="rounded-lg border-[1.5px] border-butter-rim bg-butter p-3">
          <h4 className="font-bold">Not sure of</h4>
          <ul>
            {found.unsure.map((doubt) => (
              <li key={`${doubt.line} ${doubt.why}`} className="mt-1">
                <span className="text-[0.8125rem] text-ash">
                  line {doubt.line}, “{doubt.text}”
                </span>
                <br />
                {doubt.why}
              </li>
            ))}
          </ul>
        </div>
      )}
      {children}
    </div>
  );
}
