import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { ChocolateChoice, usualAsk } from "../fit";
import { OptionalField, WholeField } from "./fields";

type Row = Schemas["PieceAsk"];
type Props = {
  rows: Row[];
  plan: Schemas["Assortment"] | undefined;
  problem: Schemas["Problem"] | null;
  recipes: Schemas["RecipeInList"][];
  vessels: Schemas["StoredVessel"][];
  library: Schemas["LibraryOut"] | undefined;
  questions: Schemas["QuestionsOut"] | undefined;
  usual: Schemas["PieceAskUsual"];
  onChange: (rows: Row[]) => void;
};

/** The kinds of piece in a box: recipe, vessel, how many, and what is round them. */
export function PieceRows(props: Props) {
  const { rows, plan, problem, recipes, vessels, library, questions, usual, onChange } = props;
  const making = vessels.filter((row) => row.vessel.kind !== "box" && row.vessel.kind !== "cake");
  const change = (position: number, part: Partial<Row>) =>
    onChange(rows.map((row, at) => (at === position ? { ...row, ...part } : row)));
  const add = () => {
    const recipe = recipes[0];
    const vessel = making.find((row) => row.vessel.kind === "mould") ?? making[0];
    if (recipe && vessel) onChange([...rows, { ...usual, ...made(recipe.id, vessel, questions) }]);
  };
  return (
    <>
      <ol className="mt-3 grid gap-3">
        {rows.map((row, position) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a row is its position
            key={`${position}-${rows.length}`}
            className="border-line border-t pt-2"
          >
            <PieceRow
              row={row}
              made={plan?.rows[position]}
              problem={problemOf(problem, position)}
              recipes={recipes}
              vessels={making}
              library={library}
              questions={questions}
              onChange={(part) => change(position, part)}
              onRemove={() => onChange(rows.filter((_, at) => at !== position))}
            />
          </li>
        ))}
      </ol>
      <Button className="mt-3" onClick={add} disabled={recipes.length === 0 || making.length === 0}>
        Add a kind of piece
      </Button>
    </>
  );
}

/** A recipe in a vessel, asked as is usual there. */
const made = (
  recipe_id: number,
  { id, vessel }: Schemas["StoredVessel"],
  questions: Schemas["QuestionsOut"] | undefined,
) => ({ recipe_id, vessel_id: id, ask: usualAsk(vessel.kind, questions) });

type RowProps = {
  row: Row;
  made: Schemas["Row"] | undefined;
  problem: string | null;
  recipes: Schemas["RecipeInList"][];
  vessels: Schemas["StoredVessel"][];
  library: Schemas["LibraryOut"] | undefined;
  questions: Schemas["QuestionsOut"] | undefined;
  onChange: (part: Partial<Row>) => void;
  onRemove: () => void;
};

function PieceRow(props: RowProps) {
  const { row, made: outcome, problem, recipes, vessels, library, questions, onChange, onRemove } = props;
  const vessel = vessels.find((stored) => stored.id === row.vessel_id)?.vessel;
  const asked = row.ask;
  const ask = (part: Record<string, unknown>) => onChange({ ask: asked && { ...asked, ...part } });
  const moulded = vessel?.kind === "mould" || vessel?.kind === "cup";
  return (
    <div className="grid grid-cols-4 items-end gap-x-3 gap-y-2 max-sm:grid-cols-2">
      <div className="col-span-2">
        <Choice
          label="Piece"
          value={row.recipe_id}
          onChange={(event) => onChange({ recipe_id: Number(event.target.value) })}
        >
          {recipes.map((recipe) => (
            <option key={recipe.id} value={recipe.id}>
              {recipe.name}
            </option>
          ))}
        </Choice>
      </div>
      <div className="col-span-2">
        <Choice
          label="Made in"
          value={row.vessel_id}
          onChange={(event) => {
            const next = vessels.find((stored) => stored.id === Number(event.target.value));
            if (next) onChange(made(row.recipe_id, next, questions));
          }}
        >
          {vessels.map((stored) => (
            <option key={stored.id} value={stored.id}>
              {stored.name}
            </option>
          ))}
        </Choice>
      </div>
      <WholeField
        label="In a box"
        value={row.per_box}
        least={1}
        onWhole={(per_box) => onChange({ per_box })}
      />
      <WholeField label="Spares" value={row.spares} least={0} onWhole={(spares) => onChange({ spares })} />
      <div className="col-span-2">
        {asked && asked.kind !== "cake" && (
          <ChocolateChoice
            label={moulded ? "Shell" : "Dipped in"}
            none="nothing"
            value={asked.shell}
            library={library}
            onTake={(shell) => ask({ shell })}
          />
        )}
      </div>
      {asked?.kind === "pan" && (
        <OptionalField
          label="Thick, mm"
          placeholder="full"
          value={asked.thickness_mm}
          onValue={(thickness_mm) => ask({ thickness_mm })}
        />
      )}
      {(asked?.kind === "mould" || asked?.kind === "cup") && (
        <>
          <OptionalField
            label="Wall, mm"
            placeholder=""
            value={asked.wall_mm}
            onValue={(wall_mm) => wall_mm !== null && ask({ wall_mm })}
          />
          {asked.kind === "mould" && (
            <Check label="Two halves joined" checked={asked.halves} onCheck={(halves) => ask({ halves })} />
          )}
          <Check
            label="Fill the last mould"
            checked={row.whole_moulds}
            onCheck={(whole_moulds) => onChange({ whole_moulds })}
          />
        </>
      )}
      {problem && (
        <p role="alert" className="col-span-4 text-[0.9375rem] text-copper max-sm:col-span-2">
          {problem}
        </p>
      )}
      <div className="col-span-4 flex items-center justify-between gap-2 text-[0.9375rem] max-sm:col-span-2">
        <span>{outcome && told(outcome)}</span>
        <Button look="plain" className="shrink-0" onClick={onRemove}>
          Leave it out
        </Button>
      </div>
      {outcome && outcome.other_shells.length > 0 && outcome.cost_per_piece !== null && (
        <OtherShells made={outcome} onTake={(shell) => ask({ shell })} />
      )}
    </div>
  );
}

function told(made: Schemas["Row"]): string {
  const parts = [`${made.pieces} pieces`];
  if (made.fit.halves) parts.push(`${made.fit.halves} halves`);
  if (made.extra) parts.push(`${made.extra} more than asked`);
  if (made.fit.pours && made.fit.cavity)
    parts.push(`${made.fit.pours} ${made.fit.pours === 1 ? "turn" : "turns"} of the mould`);
  if (made.fit.piece_g !== null) parts.push(`${made.fit.piece_g.toFixed(1)} g each`);
  if (made.cost_per_piece !== null) parts.push(`${made.cost_per_piece.toFixed(2)} each`);
  return parts.join(", ");
}

type OtherProps = { made: Schemas["Row"]; onTake: (shell: string) => void };

/** The same piece in another chocolate, dear or basic, with what one costs then. */
function OtherShells({ made, onTake }: OtherProps) {
  return (
    <details className="col-span-4 max-sm:col-span-2">
      <summary className="min-h-11 cursor-pointer py-2 text-[0.9375rem] text-rim">
        In another chocolate
      </summary>
      <ul>
        {made.other_shells.map((other) => (
          <li key={other.label} className="flex items-center justify-between gap-3 text-[0.9375rem]">
            <span>
              {other.name}: {other.cost_per_piece.toFixed(2)} each
              {!other.needs_tempering && ", needs no tempering"}
            </span>
            <Button look="plain" aria-label={`Take ${other.name}`} onClick={() => onTake(other.label)}>
              Take it
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

type CheckProps = { label: string; checked: boolean; onCheck: (checked: boolean) => void };

function Check({ label, checked, onCheck }: CheckProps) {
  return (
    <label className="flex min-h-11 items-center gap-2 text-[0.9375rem] leading-tight">
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-rim"
        checked={checked}
        onChange={(event) => onCheck(event.target.checked)}
      />
      {label}
    </label>
  );
}

function problemOf(problem: Schemas["Problem"] | null, position: number): string | null {
  const found = problem?.errors.find((error) => error.path.includes("rows") && error.path.includes(position));
  return found ? `${found.message}: ${found.allowed}` : null;
}
