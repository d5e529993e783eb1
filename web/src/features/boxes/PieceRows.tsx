import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { OptionalField, WholeField } from "./BoxesPage";

type Row = Schemas["PieceIn"];
type Props = {
  rows: Row[];
  plan: Schemas["PlanOut"] | undefined;
  problem: Schemas["Problem"] | null;
  recipes: Schemas["RecipeInListOut"][];
  vessels: Schemas["StoredVesselOut"][];
  library: Schemas["LibraryOut"] | undefined;
  onChange: (rows: Row[]) => void;
};

/** The kinds of piece in a box: recipe, vessel, how many, and what is round them. */
export function PieceRows({ rows, plan, problem, recipes, vessels, library, onChange }: Props) {
  const making = vessels.filter((row) => row.vessel.kind !== "box" && row.vessel.kind !== "cake");
  const change = (position: number, part: Partial<Row>) =>
    onChange(rows.map((row, at) => (at === position ? { ...row, ...part } : row)));
  const add = () => {
    const recipe = recipes[0];
    const vessel = making.find((row) => row.vessel.kind === "mould") ?? making[0];
    if (recipe && vessel) onChange([...rows, newRow(recipe.id, vessel)]);
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

function newRow(recipeId: number, vessel: Schemas["StoredVesselOut"]): Row {
  const shell = vessel.vessel.kind === "mould" ? "dark60" : "none";
  return {
    recipe_id: recipeId,
    vessel_id: vessel.id,
    per_box: 2,
    spares: 0,
    whole_moulds: false,
    ask: { shell } as Row["ask"],
  };
}

type RowProps = {
  row: Row;
  made: Schemas["RowOut"] | undefined;
  problem: string | null;
  recipes: Schemas["RecipeInListOut"][];
  vessels: Schemas["StoredVesselOut"][];
  library: Schemas["LibraryOut"] | undefined;
  onChange: (part: Partial<Row>) => void;
  onRemove: () => void;
};

function PieceRow({ row, made, problem, recipes, vessels, library, onChange, onRemove }: RowProps) {
  const vessel = vessels.find((stored) => stored.id === row.vessel_id)?.vessel;
  const ask = (part: Partial<Row["ask"]>) => onChange({ ask: { ...row.ask, ...part } as Row["ask"] });
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
            if (next) onChange({ vessel_id: next.id, ask: newRow(row.recipe_id, next).ask });
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
      <WholeField
        label="Spares"
        value={row.spares ?? 0}
        least={0}
        onWhole={(spares) => onChange({ spares })}
      />
      <div className="col-span-2">
        <Choice
          label={moulded ? "Shell" : "Dipped in"}
          value={row.ask?.shell ?? "none"}
          onChange={(event) => ask({ shell: event.target.value })}
        >
          <option value="none">nothing</option>
          {library?.ingredients
            .filter((one) => one.kind === "chocolate" || one.kind === "compound")
            .map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}
              </option>
            ))}
        </Choice>
      </div>
      {vessel?.kind === "pan" && (
        <OptionalField
          label="Thick, mm"
          placeholder="full"
          value={row.ask?.thickness_mm ?? null}
          onValue={(thickness_mm) => ask({ thickness_mm })}
        />
      )}
      {moulded && (
        <>
          <OptionalField
            label="Wall, mm"
            placeholder="2"
            value={row.ask?.wall_mm ?? null}
            onValue={(wall_mm) => ask({ wall_mm })}
          />
          {vessel?.kind === "mould" && (
            <Check
              label="Two halves joined"
              checked={row.ask?.halves ?? false}
              onCheck={(halves) => ask({ halves })}
            />
          )}
          <Check
            label="Fill the last mould"
            checked={row.whole_moulds ?? false}
            onCheck={(whole_moulds) => onChange({ whole_moulds })}
          />
        </>
      )}
      {problem && (
        <p role="alert" className="col-span-4 text-[15px] text-copper max-sm:col-span-2">
          {problem}
        </p>
      )}
      <div className="col-span-4 flex items-center justify-between gap-2 text-[15px] max-sm:col-span-2">
        <span>{made && told(made)}</span>
        <Button look="plain" className="shrink-0" onClick={onRemove}>
          Leave it out
        </Button>
      </div>
      {made && made.other_shells.length > 0 && made.cost_per_piece !== null && (
        <OtherShells made={made} onTake={(shell) => ask({ shell })} />
      )}
    </div>
  );
}

function told(made: Schemas["RowOut"]): string {
  const parts = [`${made.pieces} pieces`];
  if (made.fit.halves) parts.push(`${made.fit.halves} halves`);
  if (made.extra) parts.push(`${made.extra} more than asked`);
  if (made.fit.pours && made.fit.cavity)
    parts.push(`${made.fit.pours} ${made.fit.pours === 1 ? "turn" : "turns"} of the mould`);
  if (made.fit.piece_g !== null) parts.push(`${made.fit.piece_g.toFixed(1)} g each`);
  if (made.cost_per_piece !== null) parts.push(`${made.cost_per_piece.toFixed(2)} each`);
  return parts.join(", ");
}

type OtherProps = { made: Schemas["RowOut"]; onTake: (shell: string) => void };

/** The same piece in another chocolate, dear or basic, with what one costs then. */
function OtherShells({ made, onTake }: OtherProps) {
  return (
    <details className="col-span-4 max-sm:col-span-2">
      <summary className="min-h-11 cursor-pointer py-2 text-[15px] text-rim">In another chocolate</summary>
      <ul>
        {made.other_shells.map((other) => (
          <li key={other.label} className="flex items-center justify-between gap-3 text-[15px]">
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
    <label className="flex min-h-11 items-center gap-2 text-[15px] leading-tight">
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
