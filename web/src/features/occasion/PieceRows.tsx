import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { containsText, costText } from "../../units/told";
import { fixed, mass, type Units } from "../../units/units";
import { LabelSheet } from "../shelf";
import { WholeField } from "./fields";

type Row = Schemas["PieceAsk"];
type Stored = Schemas["StoredConfection"];
type Props = {
  /** The occasion's id. */
  id: number;
  rows: Row[];
  plan: Schemas["WorkedOccasion"] | undefined;
  problem: Schemas["Problem"] | null;
  confections: Stored[];
  vessels: Schemas["StoredVessel"][];
  usual: Schemas["PieceAskUsual"];
  units: Units;
  flush: () => Promise<void>;
  onChange: (rows: Row[]) => void;
};

/** The kinds of piece in a box: which confection, how many, and what is to be told of it. */
export function PieceRows(props: Props) {
  const { id, rows, plan, problem, confections, vessels, usual, units, flush, onChange } = props;
  const kinds = new Map(vessels.map((row) => [row.id, row.vessel.kind]));
  const kindOf = (stored: Stored) => kinds.get(stored.asked.form.vessel);
  const making = confections;
  const change = (position: number, part: Partial<Row>) =>
    onChange(rows.map((row, at) => (at === position ? { ...row, ...part } : row)));
  const next = making.find((stored) => !rows.some((row) => row.confection_id === stored.id)) ?? making[0];
  return (
    <>
      <ol className="mt-3 grid gap-3">
        {rows.map((row, position) => {
          const stored = confections.find((one) => one.id === row.confection_id);
          return (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: a row is its position
              key={`${position}-${rows.length}`}
              className="border-line border-t pt-2"
            >
              <PieceRow
                occasion={id}
                flush={flush}
                row={row}
                stored={stored}
                isMoulded={stored !== undefined && ["mould", "cup"].includes(kindOf(stored) ?? "")}
                made={plan?.rows[position]}
                problem={problemOf(problem, position)}
                making={making}
                units={units}
                onChange={(part) => change(position, part)}
                onRemove={() => onChange(rows.filter((_, at) => at !== position))}
              />
            </li>
          );
        })}
      </ol>
      <Button
        className="mt-3"
        onClick={() => next && onChange([...rows, { ...usual, confection_id: next.id }])}
        disabled={!next}
      >
        Add pieces
      </Button>
      {making.length === 0 && (
        <p className="mt-2 text-[0.9375rem]">
          Boxes hold recipes with a form. <Link to="/recipes">Make one first</Link>.
        </p>
      )}
    </>
  );
}

type RowProps = {
  occasion: number;
  flush: () => Promise<void>;
  row: Row;
  stored: Stored | undefined;
  isMoulded: boolean;
  made: Schemas["Row"] | undefined;
  problem: string | null;
  making: Stored[];
  units: Units;
  onChange: (part: Partial<Row>) => void;
  onRemove: () => void;
};

function PieceRow(props: RowProps) {
  const { occasion, flush, row, stored, isMoulded, made, problem, making, units, onChange, onRemove } = props;
  return (
    <div className="grid grid-cols-4 items-end gap-x-3 gap-y-2 max-sm:grid-cols-2">
      <div className="col-span-2">
        <Choice
          label="Piece"
          value={row.confection_id}
          onPick={(value) => onChange({ confection_id: Number(value) })}
        >
          {making.map((one) => (
            <Option key={one.id} value={one.id}>
              {one.asked.name}
            </Option>
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
        label="Spare pieces"
        value={row.spares}
        least={0}
        onWhole={(spares) => onChange({ spares })}
      />
      {problem && (
        <p role="alert" className="col-span-4 text-[0.9375rem] text-copper max-sm:col-span-2">
          {problem}
        </p>
      )}
      {made && (
        <div className="col-span-4 text-[0.9375rem] max-sm:col-span-2">
          <p>{told(made, units)}</p>
          <p className="text-ash">
            {containsText(made.allergens.map((one) => one.name))}; keeps {made.keeping.days_low} to{" "}
            {made.keeping.days_high} days
          </p>
        </div>
      )}
      <div className="col-span-4 flex flex-wrap items-center justify-between gap-2 text-[0.9375rem] max-sm:col-span-2">
        <span className="flex flex-wrap items-center gap-x-5">
          <Link
            to={`/confections/${row.confection_id}`}
            className="min-h-11 content-center text-rim underline"
          >
            Its parts
          </Link>
          {isMoulded && (
            <Check
              label="Fill the last mould"
              checked={row.whole_moulds}
              onCheck={(whole_moulds) => onChange({ whole_moulds })}
            />
          )}
        </span>
        <Button look="plain" className="shrink-0" onClick={onRemove}>
          Remove from box
        </Button>
      </div>
      {stored && made && (
        <div className="col-span-4 max-sm:col-span-2">
          <LabelSheet
            of={`/api/confections/${row.confection_id}`}
            name={stored.asked.name}
            most={made.pieces}
            said={{ occasion: String(occasion) }}
            asksMade
            changing={{ flush, of: row }}
          />
        </div>
      )}
      {stored && made && made.other_shells.length > 0 && (
        <OtherShells stored={stored} made={made} onTake={(confection_id) => onChange({ confection_id })} />
      )}
    </div>
  );
}

function told(made: Schemas["Row"], units: Units): string {
  const parts = [`${made.pieces} pieces`];
  if (made.halves) parts.push(`${made.halves} halves`);
  if (made.extra) parts.push(`${made.extra} more than needed`);
  if (made.pours) parts.push(made.pours === 1 ? "mould filled once" : `mould filled ${made.pours} times`);
  parts.push(`${mass(made.piece_g, units)} each`);
  if (made.cost) parts.push(`costs ${costText(made.cost)}`);
  for (const extra of made.extras) parts.push(`${extra.name}: ${extra.count}`);
  return parts.join(", ");
}

type OtherProps = { stored: Stored; made: Schemas["Row"]; onTake: (confection_id: number) => void };

/** The same piece in another chocolate, dear or basic, with what one costs then: taken, it is a confection of its own. */
function OtherShells({ stored, made, onTake }: OtherProps) {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async ({ label }: Schemas["OtherShell"]) => {
      const { asked } = stored;
      const body = { asked, chocolate: label };
      const other = await dataOf(client.POST("/api/confections/another", { body }));
      return dataOf(client.POST("/api/confections", { body: other.asked }));
    },
    onSuccess: async (another) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey });
      onTake(another.id);
    },
  });
  return (
    <details className="col-span-4 max-sm:col-span-2">
      <summary className="min-h-11 cursor-pointer py-2 text-[0.9375rem] text-rim">
        The same in another chocolate
      </summary>
      <ul>
        {made.other_shells.map((other) => (
          <li key={other.label} className="flex items-center justify-between gap-3 text-[0.9375rem]">
            <span>
              {other.name}: {fixed(other.cost_per_piece, 2)} each
              {!other.needs_tempering && ", needs no tempering"}
            </span>
            <Button
              look="plain"
              aria-label={`Use ${other.name}`}
              disabled={take.isPending}
              onClick={() => take.mutate(other)}
            >
              Use this chocolate
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
    <Checkbox checked={checked} onCheck={onCheck} className="min-h-11 text-[0.9375rem]">
      {label}
    </Checkbox>
  );
}

function problemOf(problem: Schemas["Problem"] | null, position: number): string | null {
  const found = problem?.errors.find((error) => error.path.includes("rows") && error.path.includes(position));
  return found ? `${found.message}: ${found.allowed}` : null;
}
