import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { rollingQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Choice } from "../../ui/Choice";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { LengthField, MassField } from "../../ui/QuantityField";
import { figureOfLength, mass, useUnits } from "../../units/units";
import { applies, type Question, SECOND, type Typed, typedAt } from "./ask";
import type { Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  questions: readonly Question[];
  /** What is there that questions may need: a dry mix, one recipe alone. */
  there: string[];
  batchG: number | null;
  typed: Typed;
  problem: Schemas["Problem"] | null;
  library: Schemas["LibraryOut"] | undefined;
  onType: (part: Typed) => void;
};

/** What to ask of the vessel: the questions of its kind, what is seldom asked apart. */
export function AskForm({ vessel, questions, there, batchG, typed, problem, library, onType }: Props) {
  const units = useUnits();
  const shown = questions.filter((question) => applies(question, typed, questions, there));
  const one = (question: Question) => (
    <Asking
      key={question.name}
      {...{ question, vessel, typed, library, onType }}
      problem={problemAt(problem, question.name)}
    />
  );
  const more = shown.filter((question) => question.more);
  const usesUp = (typed.mass_g ?? "") !== "";
  const isUsed = more.some(
    (question) =>
      question.form === "number" && Number(typedAt(typed, question)) !== Number(question.usual ?? 0),
  );
  return (
    <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2 print:hidden">
      {shown.filter((question) => !question.more).map(one)}
      {batchG !== null && (
        <Button
          look="plain"
          className="col-span-3 text-left"
          aria-pressed={usesUp}
          onClick={() =>
            onType({
              mass_g: usesUp ? "" : String(Math.round(batchG)),
              ...(vessel.kind === "pan" ? {} : { pieces: "" }),
            })
          }
        >
          {usesUp ? "Fill the vessel instead" : `Use the ${mass(batchG, units)} of the recipe as they are`}
        </Button>
      )}
      {more.length > 0 && (
        <details className="col-span-3" open={isUsed || undefined}>
          <summary className="min-h-11 cursor-pointer py-2.5 font-bold text-[0.9375rem] text-rim">
            More to ask
          </summary>
          <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2">{more.map(one)}</div>
        </details>
      )}
    </div>
  );
}

type AskingProps = Pick<Props, "vessel" | "typed" | "library" | "onType"> & {
  question: Question;
  problem: string | null;
};

function Asking({ question, vessel, typed, library, problem, onType }: AskingProps) {
  const units = useUnits();
  const { name, says } = question;
  const text = typedAt(typed, question);
  switch (question.form) {
    case "yes-no":
      return (
        <Checkbox
          className="col-span-3 min-h-11"
          checked={text === "yes"}
          onCheck={(now) => onType({ [name]: now ? "yes" : "" })}
        >
          {says}
        </Checkbox>
      );
    case "chocolate":
      return (
        <div className="col-span-3">
          <ChocolateChoice
            label={says}
            none={says === "Shell" ? "no shell: straight into it" : "nothing"}
            value={text}
            library={library}
            onTake={(key) => onType({ [name]: key })}
          />
        </div>
      );
    case "rolling":
      return <Rolling value={text} label={says} onTake={(key) => onType({ [name]: key })} />;
    case "sides":
      return (
        <>
          <LengthField
            label={says}
            value={text}
            problem={problem}
            onLength={(mm) => onType({ [name]: mm })}
          />
          <LengthField
            label="by"
            value={typed[name + SECOND] ?? ""}
            onLength={(mm) => onType({ [name + SECOND]: mm })}
          />
        </>
      );
    default:
      return (
        <>
          {question.offers.length > 0 && (
            <div className="col-span-3">
              <Choice
                label="The pieces are"
                value={question.offers.find((offer) => String(offer.value) === text)?.value ?? ""}
                onPick={(value) => value && onType({ [name]: value })}
              >
                {question.offers.map((offer) => (
                  <Option key={offer.value} value={offer.value}>
                    {offer.says}
                  </Option>
                ))}
                <Option value="">by a wall of your own</Option>
              </Choice>
            </div>
          )}
          {question.unit === "mm" ? (
            <LengthField
              label={says}
              placeholder={
                name === "thickness_mm" ? `${figureOfLength(vessel.depth_mm ?? 0, units)}, full` : ""
              }
              value={text}
              problem={problem}
              onLength={(mm) => onType({ [name]: mm })}
            />
          ) : question.unit === "g" ? (
            <MassField
              label={says}
              value={text}
              problem={problem}
              onMass={(grams) => onType({ [name]: grams })}
            />
          ) : (
            <NumberField
              label={question.unit ? `${says}, ${question.unit}` : says}
              placeholder={placeholderOf(name, vessel)}
              value={text}
              problem={problem}
              onChange={(event) => onType({ [name]: event.target.value })}
            />
          )}
          {question.learned && (
            <p className="col-span-2 self-center text-[0.875rem] text-rim">{question.learned}</p>
          )}
        </>
      );
  }
}

/** What happens when nothing is typed, where the vessel itself says it. */
function placeholderOf(name: string, vessel: Vessel): string {
  if (name === "pieces") return String(vessel.cavities ?? vessel.count ?? "");
  return name === "coated" ? "all" : "";
}

type ChocolateProps = {
  label: string;
  none: string;
  value: string;
  library: Schemas["LibraryOut"] | undefined;
  onTake: (key: string) => void;
};

/** The chocolate of shells or coats, or none. */
export function ChocolateChoice({ label, none, value, library, onTake }: ChocolateProps) {
  return (
    <Choice label={label} value={value} onPick={(value) => onTake(value)}>
      <Option value="none">{none}</Option>
      {library?.ingredients
        .filter((row) => row.kind === "chocolate" || row.kind === "compound")
        .map((row) => (
          <Option key={row.key} value={row.key}>
            {row.name}
          </Option>
        ))}
    </Choice>
  );
}

function Rolling({ value, label, onTake }: { value: string; label: string; onTake: (key: string) => void }) {
  const { data } = useQuery(rollingQuery);
  return (
    <div className="col-span-2">
      <Choice label={label} value={value} onPick={(value) => onTake(value)}>
        <Option value="">nothing</Option>
        {data?.coats.map((coat) => (
          <Option key={coat.key} value={coat.key}>
            {coat.name}
          </Option>
        ))}
      </Choice>
    </div>
  );
}

function problemAt(problem: Schemas["Problem"] | null, name: string): string | null {
  const found = problem?.errors.find((error) => error.path.includes(name));
  return found ? `${found.message}: ${found.allowed}` : null;
}
