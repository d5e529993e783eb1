import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf, type Line, type Schemas } from "../../api/client";
import { libraryQuery, recipeQueries, settingsQuery } from "../../api/queries";
import { placeOf, useOpenConfection } from "../../api/thread";
import { Button } from "../../ui/Button";
import { NotThere } from "../../ui/Notice";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { Popover } from "../../ui/Popover";
import { Skeleton } from "../../ui/Skeleton";
import { fixed, mass, useUnits } from "../../units/units";
import { AddIngredient } from "./AddIngredient";
import { Aim } from "./Aim";
import { Bowl } from "./Bowl";
import { Conflict } from "./Conflict";
import { Cook } from "./Cook";
import { GoesInto } from "./GoesInto";
import { LineList } from "./LineList";
import { MethodEditor } from "./MethodEditor";
import { RatioRule } from "./RatioRule";
import { Readings } from "./Readings";
import { RecipeTitle } from "./RecipeTitle";
import { TemperatureStrip } from "./TemperatureStrip";
import { type BenchState, useBench } from "./useBench";
import { useShortcuts } from "./useShortcuts";
import { Versions } from "./Versions";

/** Formula: the lines, the bowl, the ratio rule and the readings of one recipe. */
export function FormulaPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const settings = useQuery(settingsQuery);
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || !settings.data) return <Skeleton />;
  return <BenchPage key={id} stored={stored.data} kitchenC={settings.data.kitchen_c} />;
}

function BenchPage({ stored, kitchenC }: { stored: Schemas["StoredRecipe"]; kitchenC: number }) {
  const { id } = stored;
  const state = useBench(stored, kitchenC);
  const units = useUnits();
  const navigate = useNavigate();
  const confection = useOpenConfection();
  const { data: library } = useQuery(libraryQuery);
  const kept = useKept(id);
  const [helping, setHelping] = useState(false);
  const [shown, setShown] = useState<"Ingredients" | "Method">("Ingredients");
  const { undo, redo, bench } = state;
  useShortcuts(useMemo(() => ({ undo, redo, help: () => setHelping(true) }), [undo, redo]));
  const cookedDown = bench?.readings.some((reading) => reading.code === "boil") ?? false;
  const ratioProblem = state.problem?.errors.find((error) => error.path.at(-1) === "ratio");

  return (
    <>
      {state.saving.state === "conflict" && <Conflict message={state.saving.message} recipe={state.recipe} />}
      <main className="grid flex-1 lg:max-h-[calc(100vh-3.25rem)] lg:min-h-[600px] lg:grid-rows-[minmax(0,1fr)] grid-cols-[384px_minmax(0,1fr)_332px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1">
        <section
          aria-label="Recipe"
          className="border-line border-r px-5 py-3 lg:overflow-y-auto max-md:order-2 max-md:border-t max-md:px-3"
        >
          <RecipeTitle id={id} state={state} library={library} />
          <fieldset className="mt-1 flex min-w-0 flex-wrap gap-1 border-line border-b">
            <legend className="sr-only">What is shown of the recipe</legend>
            {(["Ingredients", "Method"] as const).map((view) => (
              <Button
                key={view}
                look="plain"
                aria-pressed={view === shown}
                className={`rounded-b-none ${view === shown ? "border-b-[3px] border-b-rim" : "text-ash"}`}
                onClick={() => setShown(view)}
              >
                {view}
              </Button>
            ))}
          </fieldset>
          {shown === "Method" ? (
            <MethodEditor state={state} units={units} />
          ) : (
            <>
              <LineList state={state} library={library} units={units} />
              <AddIngredient
                library={library}
                onAdd={(ingredient, kind) => addLine(state, ingredient, kind)}
              />
              <p className="flex items-baseline justify-between border-soot border-t-2 pt-2 font-bold text-[1.0625rem]">
                <span>In the bowl</span>
                <span>{bench ? mass(bench.mass_g, units) : ""}</span>
              </p>
              <Ours state={state} />
              <GoesInto id={id} />
            </>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button
              look="filled"
              onClick={async () => {
                await state.flush();
                navigate(placeOf("fit", id, confection));
              }}
            >
              Fit to a pan or mould
            </Button>
            <Versions id={id} flush={state.flush} onGoBack={(recipe) => state.change(recipe)} />
          </div>
          <div className="mt-1 flex items-center gap-1">
            <Button look="plain" disabled={!state.canUndo} onClick={undo}>
              Undo
            </Button>
            <Button look="plain" disabled={!state.canRedo} onClick={redo}>
              Redo
            </Button>
            <p role="status" className="ml-auto text-[0.875rem] text-ash">
              {state.saving.message}
            </p>
            <Shortcuts open={helping} onOpenChange={setHelping} />
          </div>
          <GeneralProblem problem={state.problem} />
        </section>

        <section aria-label="The bowl" className="flex min-w-0 flex-col lg:overflow-y-auto max-md:order-1">
          <div className="flex-1 px-5 pt-4 max-md:px-3">
            <div className="flex items-start justify-between gap-3">
              <Sentence bench={bench} />
              {bench && <Aim state={state} library={library} />}
            </div>
            {bench && (
              <>
                <PartOrFailure what="the bowl">
                  <Bowl layers={bench.bowl} grams={bench.mass_g} kept={kept} units={units} />
                </PartOrFailure>
                <PartOrFailure what="the temperatures">
                  <TemperatureStrip
                    atC={state.atC}
                    kitchenC={kitchenC}
                    zones={bench.temperature_zones}
                    units={units}
                    onChange={state.setAtC}
                  />
                </PartOrFailure>
              </>
            )}
          </div>
          <div className="border-line border-t bg-sheet px-5 py-2.5 max-md:px-3">
            {cookedDown && <Cook recipe={state.recipe} units={units} />}
            {bench && !cookedDown && (
              <PartOrFailure what="the ratio rule">
                <RatioRule
                  rule={bench.rule}
                  problem={ratioProblem ? `${ratioProblem.message}: ${ratioProblem.allowed}` : null}
                  onSlide={state.slide}
                  onSettled={state.endGesture}
                />
              </PartOrFailure>
            )}
          </div>
        </section>

        <section
          aria-label="Readings"
          className="border-line border-l px-5 py-4 lg:overflow-y-auto max-lg:col-span-2 max-lg:border-t max-md:order-3 max-md:col-span-1 max-md:border-l-0 max-md:px-3"
        >
          {bench && (
            <PartOrFailure what="the readings">
              <Readings
                readings={bench.readings}
                curve={bench.set_curve}
                units={units}
                onTry={(offer) => tryOffer(state, offer)}
              />
            </PartOrFailure>
          )}
        </section>
      </main>
    </>
  );
}

/** Amounts that nobody stated are ours until the cook accepts them. */
function Ours({ state }: { state: BenchState }) {
  const count = state.recipe.lines.filter((line) => line.proposed).length;
  if (!count) return null;
  return (
    <p className="flex items-center justify-between text-[0.875rem]">
      <span>{count === 1 ? "One amount is suggested." : `${count} amounts are suggested.`}</span>
      <Button
        look="plain"
        onClick={() =>
          state.change({
            ...state.recipe,
            lines: state.recipe.lines.map((line) => ({ ...line, proposed: false })),
          })
        }
      >
        Accept {count === 1 ? "it" : "them"}
      </Button>
    </p>
  );
}

function Sentence({ bench }: { bench: BenchState["bench"] }) {
  const sentence = bench?.sentence;
  if (!sentence) return <div className="mb-1 min-h-[72px]" />;
  return (
    <h2
      aria-live="polite"
      className="mb-1 min-h-[72px] font-display font-semibold text-[1.75rem] leading-[1.15]"
    >
      {sentence.lead}
      {sentence.turn && (
        <>
          , <br className="max-md:hidden" />
          <span className="text-rim">{sentence.turn}</span>
        </>
      )}
      {bench.learned && (
        <span className="block font-normal font-sans text-[1rem] text-rim">
          In your kitchen its firmness is {fixed(bench.learned.index, 1)} ({bench.learned.says})
        </span>
      )}
    </h2>
  );
}

function GeneralProblem({ problem }: { problem: BenchState["problem"] }) {
  const shownAtField = problem?.errors.some(
    (error) => error.path[2] === "lines" || error.path.at(-1) === "ratio",
  );
  if (
    !problem ||
    (shownAtField && problem.errors.every((error) => error.path.length > 3 || error.path.at(-1) === "ratio"))
  )
    return null;
  return (
    <p role="alert" className="mt-2 text-copper">
      {problem.errors.length
        ? problem.errors.map((e) => `${e.message}. Allowed: ${e.allowed}`).join(" ")
        : problem.detail}
    </p>
  );
}

function Shortcuts({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Popover
      open={open}
      onOpenChange={onOpenChange}
      label="Keys"
      align="end"
      trigger={
        <Button look="plain" aria-label="Keys" className="max-md:hidden">
          ?
        </Button>
      }
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[0.9375rem]">
        <dt className="font-bold">↑ ↓</dt>
        <dd>in an amount: one step; with Shift ten</dd>
        <dt className="font-bold">← →</dt>
        <dd>on a ruler: slide it</dd>
        <dt className="font-bold">Ctrl Z</dt>
        <dd>undo; with Shift redo</dd>
        <dt className="font-bold">?</dt>
        <dd>these keys</dd>
      </dl>
    </Popover>
  );
}

/** The level of the newest kept version, for the dashed line. */
function useKept(id: number): { name: string; grams: number } | null {
  const { data } = useQuery(recipeQueries.versions(id));
  const newest = data?.versions[0];
  const measured = useQuery({
    queryKey: ["kept", id, newest?.number],
    enabled: newest !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => {
      const { recipe } = newest as Schemas["KeptVersion"];
      const bench = await dataOf(client.POST("/api/formula", { body: { recipe, at_c: 20 } }));
      return bench.mass_g;
    },
  });
  return newest && measured.data !== undefined ? { name: newest.name, grams: measured.data } : null;
}

const STAGE_OF_KIND: Record<string, string> = {
  chocolate: "pour-over",
  compound: "melt",
  butter: "stir-in-cool",
};

function addLine(state: BenchState, ingredient: Line["ingredient"], kind: string) {
  const stage = STAGE_OF_KIND[kind] ?? state.recipe.lines.at(-1)?.stage ?? "";
  state.change({ ...state.recipe, lines: [...state.recipe.lines, newLine(ingredient, 10, stage)] });
}

function newLine(ingredient: Line["ingredient"], amount: number, stage: string): Line {
  return {
    ingredient,
    amount,
    amount_high: null,
    unit: "g",
    measure: "metric",
    stage,
    pinned: false,
    proposed: false,
    pack_g: null,
    piece_g: null,
    text: "",
    doubts: [],
  };
}

/** Put an offer's grams in; one press, and one press undoes it. */
function tryOffer(state: BenchState, offer: Schemas["Offer"]) {
  const lines = state.recipe.lines.map((line, position) => {
    const moved = offer.changes.find((change) => change.position === position);
    return moved ? { ...line, amount: moved.amount_g, amount_high: null, unit: "g" } : line;
  });
  if (offer.add) lines.push(newLine(offer.add.ingredient, offer.add.amount_g, offer.add.stage));
  state.change({ ...state.recipe, lines });
}
