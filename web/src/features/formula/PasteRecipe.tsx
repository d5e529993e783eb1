import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf, type Line, type Recipe, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Dialog } from "../../ui/Dialog";
import { Option } from "../../ui/OptionList";
import { mass, useUnits } from "../../units/units";
import { OtherReadings } from "./OtherReadings";
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
    mutationFn: (recipe: Recipe) => dataOf(client.POST("/api/recipes", { body: { recipe } })),
    onSuccess: (stored) => {
      queries.invalidateQueries({ queryKey: recipeQueries.list.queryKey, exact: true });
      setOpen(false);
      navigate(`/recipes/${stored.id}/formula`);
    },
  });
  const together = useMutation({
    mutationFn: () => dataOf(client.POST("/api/confections/take-in", { body: { text, measure } })),
    onSuccess: async (stored) => {
      await queries.invalidateQueries();
      setOpen(false);
      navigate(`/confections/${stored.id}`);
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
          <Choice label="Spoons and cups are" value={measure} onPick={(value) => setMeasure(value)}>
            <Option value="metric">metric</Option>
            <Option value="us">US</Option>
            <Option value="imperial">imperial</Option>
            <Option value="au">Australian</Option>
          </Choice>
          {[read.error, take.error, together.error].map(
            (error) =>
              error && (
                <p key={error.message} role="alert" className="text-copper">
                  {error.message}
                </p>
              ),
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
          <Found
            key={read.submittedAt}
            found={read.data}
            library={library}
            isTaking={take.isPending || together.isPending}
            onTake={take.mutate}
            onTakeTogether={together.mutate}
          />
        )}
      </div>
    </Dialog>
  );
}

type FoundProps = {
  found: Read;
  library: Schemas["LibraryOut"] | undefined;
  isTaking: boolean;
  onTake: (recipe: Recipe) => void;
  onTakeTogether: () => void;
};

/** What was read: one recipe, or the parts of a confection, which may be taken in together. */
function Found({ found, library, isTaking, onTake, onTakeTogether }: FoundProps) {
  const { recipe, parts } = found;
  return (
    <div className="grid content-start gap-3" aria-live="polite">
      {parts.length > 0 && (
        <section className="rounded-lg border-[1.5px] border-line p-3">
          <h3 className="font-bold">A confection of {parts.length} parts</h3>
          <ul className="mt-1">
            {parts.map((part) => (
              <li key={`${part.role} ${part.name}`}>
                {part.role}: <span dir="auto">{part.name}</span>
              </li>
            ))}
          </ul>
          <div className="mt-2">
            <Button look="filled" disabled={isTaking} onClick={onTakeTogether}>
              Take it as a confection
            </Button>
          </div>
        </section>
      )}
      {recipe && (
        <Lines given={recipe} library={library}>
          {(settled) => (
            <Button
              look={parts.length > 0 ? "outlined" : "filled"}
              disabled={isTaking}
              onClick={() => onTake(settled)}
            >
              {parts.length > 0 ? "Take it all as one recipe" : "Take it as a new recipe"}
            </Button>
          )}
        </Lines>
      )}
    </div>
  );
}

type LinesProps = {
  given: Recipe;
  library: Schemas["LibraryOut"] | undefined;
  children: (settled: Recipe) => React.ReactNode;
};

/** A recipe as it was read, line by line; each doubt can be settled here, or later on the bench. */
function Lines({ given, library, children }: LinesProps) {
  const [recipe, setRecipe] = useState(given);
  const units = useUnits();
  const family = library?.families.find((row) => row.key === recipe.family)?.name;
  const open = recipe.lines.filter((line) => line.doubts.length > 0).length;
  const change = (position: number, part: Partial<Line>) =>
    setRecipe({
      ...recipe,
      lines: recipe.lines.map((line, at) => (at === position ? { ...line, ...part } : line)),
    });
  return (
    <>
      <h3 dir="auto" className="font-bold">
        {recipe.name} <span className="font-normal text-ash">{family}</span>
      </h3>
      <ul>
        {recipe.lines.map((line, position) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position
          <li key={position} className="border-line border-b py-1">
            <p className="flex justify-between gap-3">
              <span>{ingredientName(line, library)}</span>
              <span className="whitespace-nowrap">
                {line.proposed && <span className="text-[0.8125rem] text-ash">ours: </span>}
                <strong>{amountText(line)}</strong>
                {line.pack_g != null && <span className="text-ash"> of {mass(line.pack_g, units)}</span>}
              </span>
            </p>
            {line.doubts.length > 0 && (
              <OtherReadings
                line={line}
                name={ingredientName(line, library)}
                onTake={(part) => change(position, part)}
              />
            )}
          </li>
        ))}
      </ul>
      {open > 0 && (
        <p className="text-[0.9375rem]">
          {open === 1 ? "One line is" : `${open} lines are`} not settled. Settle them here, or later on the
          bench.
        </p>
      )}
      {children(recipe)}
    </>
  );
}
