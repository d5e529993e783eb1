import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Choice } from "../../ui/Choice";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { Popover } from "../../ui/Popover";
import { MassField } from "../../ui/QuantityField";
import { figureOfMass, numberIn, temperature, useUnits } from "../../units/units";
import { SideBySide } from "../compare";
import type { BenchState } from "./useBench";
import { ingredientName, USES } from "./words";

type Props = { state: BenchState; library: Schemas["LibraryOut"] | undefined };
type Typed = { water: string; split: string; sweet: string; mass: string; alcohol: string; ratio: string };

const NOTHING: Typed = { water: "", split: "", sweet: "", mass: "", alcohol: "", ratio: "" };

const FIELDS = [
  ["split", "fat_to_water_max", "Fat to water, at most", "1.8"],
  ["water", "water_activity_max", "Water activity, at most", "0.88"],
  ["sweet", "sweetness_pct_max", "Sweetness, at most", "30"],
  ["alcohol", "alcohol_pct_max", "Alcohol, %, at most", "2"],
  ["ratio", "ratio", "Chocolate to 1 of liquid", "2"],
] as const;
const FIELD_NAMES = ["mass_g", ...FIELDS.map(([, field]) => field)];

/** Aim: a use and a temperature, one press; what moved is shown beside what it was, to keep or undo. */
export function Aim({ state, library }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const [picked, setUse] = useState(state.recipe.use ?? "roll");
  const [typed, setTyped] = useState<Typed>(NOTHING);
  const [wholePacks, setWholePacks] = useState(false);
  const aimed = library?.aimed_index ?? {};
  const use = picked === "" || aimed[picked] ? picked : "roll";
  const run = useMutation({
    mutationFn: (recipe: BenchState["recipe"]) =>
      dataOf(
        client.POST("/api/balance", {
          body: {
            recipe,
            whole_packs: wholePacks,
            use: use || undefined,
            aims: {
              at_c: state.atC,
              water_activity_max: numberIn(typed.water),
              fat_to_water_max: numberIn(typed.split),
              sweetness_pct_max: numberIn(typed.sweet),
              mass_g: numberIn(typed.mass),
              alcohol_pct_max: numberIn(typed.alcohol),
              ratio: numberIn(typed.ratio),
            },
          },
        }),
      ),
    onSuccess: (answer) => {
      if (answer.feasible) state.change(use ? { ...answer.recipe, use } : answer.recipe);
    },
  });
  const problem = run.error instanceof ApiError ? run.error.problem : null;
  const at = (name: string) => {
    const found = problem?.errors.find((error) => error.path.includes(name));
    return found ? `${found.message}: ${found.allowed}` : null;
  };
  const close = () => {
    setOpen(false);
    run.reset();
  };
  return (
    <Popover
      open={open}
      onOpenChange={(next) => (next ? setOpen(true) : close())}
      label="Set a target"
      align="end"
      className="w-[26rem]"
      trigger={<Button>Set a target</Button>}
    >
      {run.data ? (
        <Answer
          answer={run.data}
          state={state}
          library={library}
          onClose={close}
          onAgain={(recipe) => run.mutate(recipe)}
        />
      ) : (
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            run.mutate(state.recipe);
          }}
        >
          <Choice label="Use" value={use} onPick={(value) => setUse(value)}>
            <Option value="">as firm as it is</Option>
            {Object.entries(aimed).map(([key, index]) =>
              index === null ? null : (
                <Option key={key} value={key}>
                  {USES[key] ?? key}, at {temperature(state.atC, units)}
                </Option>
              ),
            )}
          </Choice>
          <div className="grid grid-cols-2 gap-3">
            <MassField
              label="Weighing"
              placeholder={`any, or ${figureOfMass(state.bench?.mass_g ?? 0, units)}`}
              value={typed.mass}
              problem={at("mass_g")}
              onMass={(grams) => setTyped({ ...typed, mass: grams })}
            />
            {FIELDS.map(([key, field, label, hint]) => (
              <NumberField
                key={key}
                label={label}
                placeholder={`any, or ${hint}`}
                value={typed[key]}
                problem={at(field)}
                onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
              />
            ))}
          </div>
          {problem &&
            !problem.errors.some((error) => FIELD_NAMES.some((field) => error.path.includes(field))) && (
              <p role="alert" className="text-copper">
                {problem.errors[0]?.message ?? problem.detail}
              </p>
            )}
          {state.recipe.lines.some((line) => line.unit === "tin" || line.unit === "bar") && (
            <Checkbox checked={wholePacks} onCheck={setWholePacks}>
              Whole tins and bars only
            </Checkbox>
          )}
          <p className="text-[0.875rem] text-ash">
            Pinned amounts stay. The others change as little as possible.
          </p>
          <Button type="submit" look="filled" disabled={run.isPending}>
            Adjust amounts
          </Button>
        </form>
      )}
    </Popover>
  );
}

type AnswerProps = {
  answer: Schemas["BalanceOut"];
  state: BenchState;
  library: Props["library"];
  onClose: () => void;
  onAgain: (recipe: BenchState["recipe"]) => void;
};

function Answer({ answer, state, library, onClose, onAgain }: AnswerProps) {
  const { recipe } = state;
  const released = recipe.lines.findIndex(
    (line) => line.pinned && `pin: ${labelOf(line.ingredient)}` === answer.release?.what,
  );
  const name = (text: string) => {
    const line = recipe.lines.find(({ ingredient }) => text === `pin: ${labelOf(ingredient)}`);
    return line ? `the pin on ${ingredientName(line, library)}` : (AIMS[text.replace("aim: ", "")] ?? text);
  };
  return (
    <div className="grid gap-3">
      {answer.feasible ? (
        <h2 className="font-bold">Done. Before and after</h2>
      ) : (
        <>
          <h2 className="font-bold">These targets conflict</h2>
          <p>
            What prevents it: {answer.in_the_way.map(name).join(", ")}. The nearest misses by{" "}
            {Object.entries(answer.missed_by)
              .map(([aim, by]) => `${Number(by.toPrecision(2))} (${AIMS[aim] ?? aim})`)
              .join(", ")}
            .
          </p>
          {answer.release && <p>{releaseText(answer.release, name)}</p>}
        </>
      )}
      <SideBySide
        comparison={answer.comparison}
        first="before"
        second={answer.feasible ? "after" : "nearest"}
      />
      <p className="flex flex-wrap gap-2">
        {answer.feasible ? (
          <>
            <Button look="filled" onClick={onClose}>
              Keep changes
            </Button>
            <Button
              onClick={() => {
                state.undo();
                onClose();
              }}
            >
              Undo
            </Button>
          </>
        ) : (
          <>
            {released >= 0 && (
              <Button
                look="filled"
                onClick={() => {
                  const lines = recipe.lines.map((line, at) =>
                    at === released ? { ...line, pinned: false } : line,
                  );
                  state.change({ ...recipe, lines });
                  onAgain({ ...recipe, lines });
                }}
              >
                Release {name(answer.release?.what ?? "")}
              </Button>
            )}
            <Button
              onClick={() => {
                state.change(answer.recipe);
                onClose();
              }}
            >
              Use the closest
            </Button>
            <Button onClick={onClose}>Leave it as it is</Button>
          </>
        )}
      </p>
    </div>
  );
}

/** What letting go of a pin or an aim brings: whether it suffices, and what it costs. */
function releaseText(release: Schemas["Release"], name: (text: string) => string): string {
  const by = ([aim, miss]: [string, number]) => `${AIMS[aim] ?? aim} by ${Number(miss.toPrecision(2))}`;
  const missed = Object.entries(release.missed_by).map(by).join(", ");
  const worse = release.worsens.map((aim) => AIMS[aim] ?? aim).join(", ");
  const what = name(release.what);
  if (release.suffices)
    return missed
      ? `Without ${what} the rest can be done; it misses ${missed}.`
      : `Without ${what} it can be done.`;
  return `Without ${what} it comes closer but still misses ${missed}.${worse ? ` Further away than now: ${worse}.` : ""}`;
}

const AIMS: Record<string, string> = {
  "split: fragile": "the emulsion, which would become fragile",
  set_index: "the set",
  mass_g: "the mass",
  water_activity_max: "water activity",
  fat_to_water_max: "fat to water",
  sweetness_pct_max: "sweetness",
  ratio: "the ratio",
  alcohol_pct_max: "alcohol",
};

type Ingredient = BenchState["recipe"]["lines"][number]["ingredient"];

function labelOf(ingredient: Ingredient): string {
  return typeof ingredient === "string" ? ingredient : ingredient.name;
}
