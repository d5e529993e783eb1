import { Fragment } from "react";
import type { Line, Schemas } from "../../api/client";
import { Popover } from "../../ui/Popover";
import { decimal, mass, type Units } from "../../units/units";
import { AmountField } from "./AmountField";
import { Details } from "./Details";
import { PinButton } from "./PinButton";
import type { BenchState } from "./useBench";
import { ingredientName, STAGES } from "./words";

type Props = { state: BenchState; library: Schemas["LibraryOut"] | undefined; units: Units };

/** The lines of a recipe, gathered by the stage at which they go in. */
export function LineList({ state, library, units }: Props) {
  const { recipe, bench, problem } = state;
  const stages = [...new Set(recipe.lines.map((line) => line.stage))];
  const amounts = bench?.amounts_g ?? [];
  const total = bench?.mass_g ?? 0;
  return (
    <div>
      {stages.map((stage) => (
        <Fragment key={stage}>
          <h2 className="flex justify-between border-line border-b pt-1.5 pb-0.5 text-[0.8125rem] text-ash">
            <span>{STAGES[stage] ?? stage}</span>
            {stage === stages[0] && <span>share</span>}
          </h2>
          <ul>
            {recipe.lines.map((line, position) => {
              if (line.stage !== stage) return null;
              const name = ingredientName(line, library);
              const grams = amounts[position];
              return (
                <LineRow
                  // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position; the same ingredient may stand twice
                  key={position}
                  line={line}
                  name={name}
                  note={noteOf(line, grams, bench?.line_notes[position], units)}
                  share={grams !== undefined && total ? share(grams / total) : ""}
                  problem={state.unread[position] ?? problemAt(problem, position)}
                  details={<Details state={state} position={position} name={name} library={library} />}
                  onPin={() => state.changeLine(position, { pinned: !line.pinned })}
                  onType={(text) => state.type(position, text, units.measure)}
                  onAmount={(amount, gesture) =>
                    state.changeLine(position, { amount, amount_high: null }, gesture)
                  }
                  onDone={state.endGesture}
                />
              );
            })}
          </ul>
        </Fragment>
      ))}
    </div>
  );
}

/** The grams of a measure with its spread, and the first thing that must be said of it. */
function noteOf(
  line: Line,
  grams: number | undefined,
  notes: Schemas["LineNotes"] | undefined,
  units: Units,
): string | null {
  const spread = notes && notes.spread_g >= 0.05 ? ` ± ${mass(notes.spread_g, units)}` : "";
  const said = line.unit !== "g" && grams !== undefined ? [`that is ${mass(grams, units)}${spread}`] : [];
  if (line.doubts[0]) return [...said, line.doubts[0]].join(". ");
  const spoons = notes?.spoons ? [`about ${notes.spoons}`] : [];
  return [...said, ...(notes?.notes.length ? notes.notes.slice(0, 1) : spoons)].join(". ") || null;
}

function share(part: number): string {
  const pct = 100 * part;
  return `${decimal(pct, pct >= 1 ? 0 : 1)} %`;
}

function problemAt(problem: BenchState["problem"], position: number): string | null {
  const found = problem?.errors.find((error) => error.path[2] === "lines" && error.path[3] === position);
  return found ? `${found.message}. Allowed: ${found.allowed}` : null;
}

type RowProps = {
  line: Line;
  name: string;
  note: string | null;
  share: string;
  problem: string | null;
  details: React.ReactNode;
  onPin: () => void;
  onType: (text: string) => void;
  onAmount: (amount: number, gesture: string) => void;
  onDone: () => void;
};

function LineRow(props: RowProps) {
  const { line, name, note, share, problem, details } = props;
  return (
    <li className="border-line border-b">
      <div className="flex min-h-12 items-center">
        <PinButton name={name} pinned={line.pinned} onToggle={props.onPin} />
        <div className="min-w-0 flex-1">
          <Popover
            label={name}
            trigger={
              <button
                type="button"
                className="min-h-11 w-full rounded-md px-1 text-left leading-tight underline-offset-4 hover:underline"
              >
                {name.replace(/ (?=%|\d)/g, "\u00a0")}
                {line.proposed && " "}
                {line.proposed && (
                  <span className="ml-1.5 rounded bg-butter px-1 text-[0.8125rem] text-soot">ours</span>
                )}
                {line.doubts.length > 0 && " "}
                {line.doubts.length > 0 && (
                  <span className="ml-1.5 rounded bg-butter px-1 text-[0.8125rem] text-soot">not sure</span>
                )}
                {note && <span className="block text-[0.8125rem] text-ash">{note}</span>}
              </button>
            }
          >
            {details}
          </Popover>
        </div>
        <AmountField
          line={line}
          label={name}
          problem={problem}
          onType={props.onType}
          onAmount={props.onAmount}
          onDone={props.onDone}
        />
        <span className="w-11 shrink-0 text-right text-ash text-sm">{share}</span>
      </div>
      {problem && (
        <p role="alert" className="pb-2 pl-11 text-copper text-sm">
          {problem}
        </p>
      )}
    </li>
  );
}
