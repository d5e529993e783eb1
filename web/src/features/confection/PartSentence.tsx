import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import type { OneOption } from "../../ui/OptionList";
import { Figure, Phrase, PhraseList, PhraseNumber, Sentence } from "../../ui/Phrase";
import { Radio, RadioGroup } from "../../ui/Radio";
import { length, mass, type Units } from "../../units/units";
import { AMOUNT_WORDS, amountText, NO_AMOUNT, type PartAsk, ROLE_WORDS } from "./words";

type Props = {
  part: PartAsk;
  worked: Schemas["PartAnswer"] | undefined;
  amounts: readonly string[];
  recipes: Schemas["RecipeInList"][];
  library: Schemas["LibraryOut"] | undefined;
  problem: (field: string) => string | null;
  /** Usual walls of a shell, and what each is for. */
  walls: Schemas["ConfectionOptionsOut"]["walls"];
  units: Units;
  onChange: (part: Partial<PartAsk>) => void;
};

const CHOCOLATE_ROLES = new Set(["shell", "coat"]);
const CHOCOLATE_KINDS = new Set(["chocolate", "compound"]);

/** One part in a sentence: what it is of, how much, and the few questions of its role. */
export function PartSentence(props: Props) {
  const { part, worked, amounts, problem, units, onChange } = props;
  const wall = (field: "cap_mm" | "headroom_mm", label: string) => (after: string) => (
    <PhraseNumber
      after={after}
      label={label}
      unit="mm"
      text={
        part[field] === null
          ? `${label.toLowerCase()} as usual`
          : `${label.toLowerCase()} ${length(part[field], units)}`
      }
      usual="as usual"
      value={part[field]}
      problem={problem(field)}
      onTake={(value) => onChange({ [field]: value })}
    />
  );
  return (
    <p className="text-[1.0625rem] leading-[1.6]">
      <Sentence
        clauses={[
          (after) => (
            <>
              <b className="font-display text-[1.1875rem]">{ROLE_WORDS[part.role]}</b> {OF[part.role] ?? "of"}{" "}
              <Of {...props} after={after} />
            </>
          ),
          part.role === "shell" && ((after) => <Wall {...props} after={after} />),
          part.role === "shell" && wall("cap_mm", "Cap"),
          part.role === "shell" && wall("headroom_mm", "Headroom"),
          amounts.length > 0 &&
            ((after) => <Amount {...{ part, amounts, problem, units, onChange }} after={after} />),
          part.role === "coat" &&
            ((after) => (
              <PhraseNumber
                after={after}
                label="Coated now"
                unit=""
                whole
                text={part.coated === null ? "all pieces now" : `${part.coated} pieces now`}
                usual="all"
                value={part.coated}
                problem={problem("coated")}
                onTake={(coated) => onChange({ coated })}
              />
            )),
          part.role === "filling" &&
            ((after) => (
              <PhraseList
                after={after}
                label="Placement"
                text={part.on_top ? "piped on top" : part.lumps ? "in lumps with gaps" : "inside"}
                value={part.on_top ? "top" : part.lumps ? "lumps" : "inside"}
                options={[
                  { value: "inside", text: "inside", under: "smooth, up to its level" },
                  {
                    value: "lumps",
                    text: "in lumps with gaps",
                    under: "nuts, marshmallows: what comes next runs between",
                  },
                  { value: "top", text: "piped on top", under: "above the brim, by grams or millilitres" },
                ]}
                onPick={(value) => onChange({ on_top: value === "top", lumps: value === "lumps" })}
              />
            )),
          (part.overrun_pct !== null || isWhipped(props)) &&
            ((after) => (
              <PhraseNumber
                after={after}
                label="Whipping adds"
                unit="%"
                text={part.overrun_pct ? `whipped to ${part.overrun_pct} % more` : "no air whipped in"}
                usual="none"
                value={part.overrun_pct}
                problem={problem("overrun_pct")}
                onTake={(overrun_pct) => onChange({ overrun_pct })}
              />
            )),
          part.of.recipe_id !== null &&
            ((after) => (
              <PhraseNumber
                after={after}
                label="Waste in bowl and bag"
                unit="%"
                text={part.loss_pct === null ? "usual waste" : `${part.loss_pct} % waste`}
                usual="as usual"
                value={part.loss_pct}
                problem={problem("loss_pct")}
                onTake={(loss_pct) => onChange({ loss_pct })}
              />
            )),
        ]}
      />
      {worked && (
        <span className="text-ash">
          {mass(worked.each_g, units)} in a piece
          {worked.mm !== null && `, ${length(worked.mm, units)}`}; {mass(worked.make_g, units)} to make.
        </span>
      )}
    </p>
  );
}

/** The wall of a shell: a usual one by what the piece is for, or one's own. */
function Wall({ part, walls, problem, units, onChange, after }: Props & { after: string }) {
  return (
    <Phrase
      label="Wall"
      text={part.wall_mm === null ? "wall as usual" : `wall ${length(part.wall_mm, units)}`}
      problem={problem("wall_mm")}
      after={after}
    >
      {(close) => {
        const take = (wall_mm: number | null) => {
          onChange({ wall_mm });
          close();
        };
        return (
          <div className="grid gap-2">
            <Figure label="Wall" unit="mm" value={part.wall_mm} usual="as usual" onTake={take} />
            {walls.map((one) => (
              <Button key={one.value} look="plain" onClick={() => take(one.value)}>
                {length(one.value, units)}: {one.says}
              </Button>
            ))}
          </div>
        );
      }}
    </Phrase>
  );
}

/** Whether air is whipped into a part's mix. */
function isWhipped({ part, recipes }: Props): boolean {
  const family = recipes.find((row) => row.id === part.of.recipe_id)?.family ?? "";
  return WHIPPED.has(family);
}

const WHIPPED = new Set(["whipped-ganache", "aerated"]);

const OF: Partial<Record<PartAsk["role"], string>> = { rolling: "", topping: "", coat: "of" };

/** What a part is of: a recipe, an ingredient, or two chocolates melted together. */
function Of({ part, recipes, library, problem, onChange, after }: Props & { after: string }) {
  const { of } = part;
  const ingredients = library?.ingredients ?? [];
  const nameOf = (one: Schemas["OfAsk"]["ingredient"]) =>
    typeof one === "string" ? (ingredients.find((row) => row.key === one)?.name ?? one) : (one?.name ?? "");
  const isChocolate = CHOCOLATE_ROLES.has(part.role);
  const offered = ingredients.filter((row) => !isChocolate || CHOCOLATE_KINDS.has(row.kind));
  const options: OneOption[] = [
    ...(isChocolate
      ? []
      : recipes.map((row) => ({ value: `r${row.id}`, text: row.name, under: "your recipe" }))),
    ...offered.map((row) => ({ value: `i${row.key}`, text: row.name })),
  ];
  const take = (value: string) =>
    onChange({
      of:
        value[0] === "r"
          ? { recipe_id: Number(value.slice(1)), ingredient: null, blend: null }
          : { recipe_id: null, ingredient: value.slice(1), blend: null },
    });
  const blend = of.blend;
  if (blend && blend.length > 1)
    return (
      <Blend
        blend={blend}
        after={after}
        nameOf={nameOf}
        problem={problem("of")}
        onChange={(next) =>
          onChange({
            of:
              next.length === 1
                ? { recipe_id: null, ingredient: next[0]?.ingredient ?? null, blend: null }
                : { recipe_id: null, ingredient: null, blend: next },
          })
        }
      />
    );
  const text =
    of.recipe_id !== null
      ? (recipes.find((row) => row.id === of.recipe_id)?.name ?? "a recipe that was deleted")
      : nameOf(of.ingredient);
  return (
    <>
      <PhraseList
        label={`${ROLE_WORDS[part.role]} of`}
        text={text || "nothing yet"}
        value={of.recipe_id !== null ? `r${of.recipe_id}` : `i${String(of.ingredient)}`}
        options={options}
        problem={problem("of")}
        after={isChocolate && of.ingredient !== null ? undefined : after}
        onPick={take}
      />
      {isChocolate && of.ingredient !== null && (
        <>
          {" "}
          <PhraseList
            label="Blended with"
            text="alone"
            value=""
            after={after}
            options={offered.map((row) => ({ value: row.key, text: row.name }))}
            onPick={(key) =>
              onChange({
                of: {
                  recipe_id: null,
                  ingredient: null,
                  blend: [
                    { ingredient: of.ingredient ?? key, parts: 1 },
                    { ingredient: key, parts: 1 },
                  ],
                },
              })
            }
          />
        </>
      )}
    </>
  );
}

type Blended = NonNullable<Schemas["OfAsk"]["blend"]>;
type BlendProps = {
  blend: Blended;
  nameOf: (one: Blended[number]["ingredient"]) => string;
  after: string;
  problem: string | null;
  onChange: (blend: Blended) => void;
};

function Blend({ blend, nameOf, problem, after, onChange }: BlendProps) {
  return (
    <>
      {blend.map((row, position) => (
        <span key={nameOf(row.ingredient)}>
          {position > 0 && " and "}
          <PhraseNumber
            label={`Parts of ${nameOf(row.ingredient)}`}
            unit=""
            text={`${row.parts} parts ${nameOf(row.ingredient)}`}
            value={row.parts}
            usual="leave it out"
            after={position + 1 === blend.length ? after : undefined}
            problem={position === 0 ? problem : null}
            onTake={(parts) =>
              onChange(
                parts === null || parts <= 0
                  ? blend.filter((_, at) => at !== position)
                  : blend.map((one, at) => (at === position ? { ...one, parts } : one)),
              )
            }
          />
        </span>
      ))}
    </>
  );
}

type AmountProps = Pick<Props, "part" | "amounts" | "problem" | "units" | "onChange"> & { after: string };

/** How much of a part: by what, and the figure. */
function Amount({ part, amounts, problem, units, onChange, after }: AmountProps) {
  const said = amounts.find((name) => part[name as keyof typeof NO_AMOUNT] !== null);
  const found = amounts.map(problem).find((words) => words !== null) ?? null;
  return (
    <Phrase
      label={`How much: ${ROLE_WORDS[part.role].toLowerCase()}`}
      text={amountText(part, units)}
      problem={found}
      after={after}
    >
      {(close) => (
        <AmountForm
          part={part}
          amounts={amounts}
          start={said ?? amounts[0] ?? "g_each"}
          onTake={(name, value) => {
            onChange({ ...NO_AMOUNT, ...(value === null ? {} : { [name]: value }) });
            close();
          }}
        />
      )}
    </Phrase>
  );
}

type FormProps = {
  part: PartAsk;
  amounts: readonly string[];
  start: string;
  onTake: (name: string, value: number | null) => void;
};

function AmountForm({ part, amounts, start, onTake }: FormProps) {
  const [name, setName] = useState(start);
  return (
    <div className="grid gap-2">
      <RadioGroup label="Measured by" value={name} onPick={setName}>
        {amounts.map((one) => (
          <Radio key={one} value={one} className="text-[1rem]">
            {AMOUNT_WORDS[one]?.text ?? one}
          </Radio>
        ))}
      </RadioGroup>
      <Figure
        key={name}
        label="Amount"
        unit={AMOUNT_WORDS[name]?.unit ?? ""}
        value={part[name as keyof typeof NO_AMOUNT]}
        usual="empty: the usual amount"
        onTake={(value) => onTake(name, value)}
      />
    </div>
  );
}
