import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Phrase, PhraseList, PhraseNumber, Sentence } from "../../ui/Phrase";
import { useLength } from "../../units/units";
import { KINDS, measuresText } from "../fit";
import { Cut } from "./Cut";
import type { Asked } from "./words";

type Props = {
  asked: Asked;
  vessels: Schemas["StoredVessel"][];
  fields: readonly string[];
  problemAt: (...path: (string | number)[]) => string | null;
  onVessel: (id: number) => void;
  onForm: (part: Partial<Asked["form"]>) => void;
  onExtras: (extras: Asked["extras"]) => void;
};

/** How many of what, in a sentence in which everything can be pressed. */
export function FormSentence({ asked, vessels, fields, problemAt, onVessel, onForm, onExtras }: Props) {
  const { form } = asked;
  const vessel = vessels.find((row) => row.id === form.vessel);
  const has = (name: string) => fields.includes(name);
  const isCake = vessel?.vessel.kind === "cake";
  const unsaid = UNSAID[vessel?.vessel.kind ?? ""] ?? "As many as the mix makes";
  const mm = useLength();
  return (
    <p className="text-[1.1875rem] leading-[1.6]">
      <Sentence
        clauses={[
          (after) => (
            <>
              {has("pieces") && (
                <PhraseNumber
                  label="Pieces"
                  unit=""
                  whole
                  text={form.pieces === null ? unsaid : `${form.pieces} ${isCake ? "cakes" : "pieces"}`}
                  usual={unsaid.toLowerCase()}
                  value={form.pieces}
                  problem={problemAt("form", "pieces")}
                  onTake={(pieces) => onForm({ pieces, ...(pieces === null ? { spares: 0 } : {}) })}
                />
              )}{" "}
              {has("spares") && form.pieces !== null && (
                <>
                  and{" "}
                  <PhraseNumber
                    label="Spares"
                    unit=""
                    whole
                    text={form.spares === 0 ? "no spares" : `${form.spares} to spare`}
                    value={form.spares}
                    problem={problemAt("form", "spares")}
                    onTake={(spares) => onForm({ spares: spares ?? 0 })}
                  />{" "}
                </>
              )}
              in{" "}
              <PhraseList
                after={after}
                label="Form"
                text={vessel?.name ?? "a tin or mould that was deleted"}
                value={String(form.vessel)}
                options={vessels.map((row) => ({
                  value: String(row.id),
                  text: row.name,
                  under: measuresText(row.vessel, mm),
                  group: KINDS.find((kind) => kind.kind === row.vessel.kind)?.title,
                }))}
                onPick={(id) => onVessel(Number(id))}
              />
            </>
          ),
          has("halves") &&
            ((after) => (
              <PhraseList
                after={after}
                label="Halves"
                text={form.halves ? "two halves joined" : "each by itself"}
                value={form.halves ? "yes" : "no"}
                options={[
                  { value: "no", text: "each by itself", under: "a cavity is a piece, closed by a cap" },
                  {
                    value: "yes",
                    text: "two halves joined",
                    under: "no cap; a film of chocolate joins them",
                  },
                ]}
                onPick={(value) =>
                  onForm({ halves: value === "yes", ...(value === "no" ? { colours: 1 } : {}) })
                }
              />
            )),
          has("whole_moulds") &&
            ((after) => (
              <PhraseList
                after={after}
                label="Moulds"
                text={form.whole_moulds ? "every mould full" : "only as many cavities as needed"}
                value={form.whole_moulds ? "yes" : "no"}
                options={[
                  { value: "no", text: "only as many cavities as needed" },
                  { value: "yes", text: "every mould full", under: "the rest are spare pieces" },
                ]}
                onPick={(value) => onForm({ whole_moulds: value === "yes" })}
              />
            )),
          has("piece_mm") &&
            ((after) => (
              <Cut
                form={form}
                after={after}
                problem={
                  problemAt("form", "piece_mm") ??
                  problemAt("form", "trim_mm") ??
                  problemAt("form", "kerf_mm")
                }
                onForm={onForm}
              />
            )),
          has("colours") &&
            form.halves &&
            ((after) => (
              <PhraseNumber
                after={after}
                label="Colours"
                unit=""
                whole
                text={form.colours === 1 ? "one colour" : `${form.colours} colours`}
                value={form.colours}
                problem={problemAt("form", "colours")}
                onTake={(colours) => onForm({ colours: colours ?? 1 })}
              />
            )),
        ]}
      />
      <Extras extras={asked.extras} onExtras={onExtras} problem={problemAt("extras")} />
    </p>
  );
}

/** The number of pieces where none is given, by the kind of vessel. */
const UNSAID: Readonly<Record<string, string>> = {
  cake: "One",
  mould: "One full mould",
  cup: "One full set",
  pan: "One slab",
};

type ExtrasProps = {
  extras: Asked["extras"];
  problem: string | null;
  onExtras: (extras: Asked["extras"]) => void;
};

/** What goes with each piece and is not eaten. */
function Extras({ extras, problem, onExtras }: ExtrasProps) {
  const words = extras.map((extra) => `${extra.each} ${extra.name}`).join(", ");
  return (
    <>
      With each{" "}
      <Phrase label="With each piece" text={words || "nothing else"} problem={problem} after=".">
        {() => <ExtrasForm extras={extras} onExtras={onExtras} />}
      </Phrase>
    </>
  );
}

function ExtrasForm({ extras, onExtras }: Omit<ExtrasProps, "problem">) {
  const [name, setName] = useState("");
  const take = () => {
    if (name.trim() === "") return;
    onExtras([...extras, { name: name.trim(), each: 1 }]);
    setName("");
  };
  return (
    <div className="grid gap-2">
      {extras.map((extra, position) => (
        <div key={extra.name} className="flex items-center justify-between gap-2">
          <span>{extra.name}</span>
          <span className="flex items-center gap-1">
            {[-1, 1].map((by) => (
              <Button
                key={by}
                className="min-w-11"
                aria-label={`${by > 0 ? "One more" : "One less"}: ${extra.name}`}
                onClick={() =>
                  onExtras(
                    extras
                      .map((row, at) => (at === position ? { ...row, each: row.each + by } : row))
                      .filter((row) => row.each > 0),
                  )
                }
              >
                {by > 0 ? "+" : "−"}
              </Button>
            ))}
            <b className="w-6 text-right">{extra.each}</b>
          </span>
        </div>
      ))}
      <form
        className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <TextField
          label="Foil, paper, stick"
          value={name}
          maxLength={60}
          autoComplete="off"
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" disabled={name.trim() === ""}>
          Add to each piece
        </Button>
      </form>
    </div>
  );
}
