import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, type Schemas } from "../../api/client";
import { keptFitQuery, libraryQuery, questionsQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { RecipeNotice } from "../../app/Notice";
import { Button } from "../../ui/Button";
import { Skeleton } from "../../ui/Skeleton";
import { fineMass, length, numberIn, useUnits } from "../../units/units";
import { AskForm } from "./AskForm";
import { askOf, carried, type Question, type Typed, typedAt, typedOf } from "./ask";
import { GuideLinks } from "./GuideLinks";
import { NearChoices } from "./NearChoices";
import { OtherVessels } from "./OtherVessels";
import { Account, FitSentence, Sentence, ToWeigh } from "./Outcome";
import { PieceTold } from "./PieceTold";
import { PlanDrawing } from "./PlanDrawing";
import { SectionDrawing } from "./SectionDrawing";
import { SeveralOutcome } from "./SeveralOutcome";
import { type Filling, Fillings, type Layer, Layers } from "./SeveralRecipes";
import type { Vessel } from "./scale";
import { TakeAmounts } from "./TakeAmounts";
import { bandsOf, cutsOf, outcomesOf, useFit, useSeveral } from "./useFits";
import { useKeptFit } from "./useKeptFit";
import { VesselList } from "./VesselList";

/** Fit: a recipe into a pan, a mould, scoops, cups, a cake or free pieces. */
export function FitPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const vessels = useQuery(vesselsQuery);
  const kept = useQuery(keptFitQuery(id));
  const questions = useQuery(questionsQuery);
  if (stored.error && !stored.data) return <RecipeNotice error={stored.error} />;
  if (!stored.data || !vessels.data || !kept.data || !questions.data) return <Skeleton />;
  return (
    <FitBench
      stored={stored.data}
      vessels={vessels.data.vessels}
      kept={kept.data}
      questions={questions.data}
    />
  );
}

type BenchProps = {
  stored: Schemas["StoredRecipe"];
  vessels: Schemas["StoredVessel"][];
  kept: Schemas["KeptFit"];
  questions: Schemas["QuestionsOut"];
};

type State = { vesselId: number | null; typed: Typed; layers: Layer[]; fillings: Filling[] };

/** What is asked before anything was: of the kind of vessel that the recipe's use points to. */
function startOf({ stored, vessels, kept, questions }: BenchProps): State {
  const { layers, fillings } = kept;
  if (kept.ask) return { vesselId: kept.vessel_id, typed: typedOf(kept.ask), layers, fillings };
  const start = questions.starts[stored.recipe.use ?? ""];
  const usual = vessels.find((row) => row.vessel.kind === start?.kind) ?? vessels[0];
  return { vesselId: usual?.id ?? null, typed: typedOf(start ?? null), layers, fillings };
}

const NONE: readonly Question[] = [];

function FitBench(props: BenchProps) {
  const { stored, vessels } = props;
  const { id, recipe } = stored;
  const units = useUnits();
  const { data: library } = useQuery(libraryQuery);
  const [state, setState] = useState<State>(() => startOf(props));
  const { saving, save, flush } = useKeptFit(id);
  const { vesselId, typed } = state;
  const vesselOf = (which: number | null) => vessels.find((row) => row.id === which)?.vessel ?? null;
  const questionsOf = (of: Vessel | null) => props.questions.kinds[of?.kind ?? ""] ?? NONE;
  const dry = recipe.family === "dry-mix" ? ["dry-mix"] : [];
  const chosen = vessels.find((row) => row.id === vesselId) ?? null;
  const vessel = vesselOf(vesselId);
  const questions = questionsOf(vessel);
  const parts = vessel?.kind === "pan" ? state.layers : isStacked(vessel) ? state.fillings : [];
  const several = parts.length > 0;
  const there = several ? dry : ["one", ...dry];
  const ask = vessel && questions.length > 0 ? askOf(vessel.kind, typed, questions, there) : null;

  const change = (part: Partial<State>) => {
    const next = { ...state, ...part };
    if (part.vesselId !== undefined && vesselOf(part.vesselId)?.kind !== vessel?.kind)
      next.typed = carried(next.typed, questions);
    setState(next);
    const now = vesselOf(next.vesselId);
    const whole = now && askOf(now.kind, next.typed, questionsOf(now), ["one", ...dry]);
    const { layers, fillings } = next;
    save({ vessel_id: next.vesselId, ask: whole, total_mm: props.kept.total_mm, layers, fillings });
  };
  const onType = (part: Typed) => change({ typed: { ...typed, ...part } });
  const shellName = questions.find((one) => one.form === "chocolate");
  const lengthAt = (name: string) => {
    const question = questions.find((one) => one.name === name);
    return question ? (numberIn(typedAt(typed, question)) ?? 0) : 0;
  };

  const fitted = useFit(recipe, vessel, ask, !several || isStacked(vessel));
  const joint = useSeveral(vessel, ask, state.layers, state.fillings);
  const problem = problemIn(several ? joint.error : fitted.error);
  const shell = several && fitted.data && isFor(fitted.data, vessel) ? fitted.data.shell : null;
  const fit = !several && !fitted.error && fitted.data && isFor(fitted.data, vessel) ? fitted.data : null;
  const found = several && !joint.error ? joint.data : undefined;
  const slab = found?.slab ?? null;
  const stack = found?.stack ?? null;
  const hasShell = shellName !== undefined && typedAt(typed, shellName) !== "none";
  const walls = {
    wall: hasShell ? lengthAt("wall_mm") : 0,
    cap: hasShell && typed.halves !== "yes" ? lengthAt("cap_mm") : 0,
    headroom: lengthAt("headroom_mm"),
  };
  const atField = problem?.errors.some(({ path }) =>
    path.some((step) => AMOUNTS.has(String(step)) || questions.some((one) => one.name === step)),
  );
  const isCut = fit?.piece_mm != null || slab?.cut != null;
  const partsForm =
    vessel?.kind === "pan" ? (
      <Layers
        parts={state.layers}
        recipeId={id}
        problem={problem}
        onChange={(layers) => change({ layers })}
      />
    ) : (
      isStacked(vessel) && (
        <Fillings
          parts={state.fillings}
          recipeId={id}
          problem={problem}
          onChange={(fillings) => change({ fillings })}
        />
      )
    );
  return (
    <main className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_372px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1 lg:h-[calc(100vh-3.25rem)] lg:flex-none lg:grid-rows-[minmax(0,1fr)] lg:[&>section]:overflow-y-auto print:block print:h-auto print:[&>section]:overflow-visible">
      <section aria-label="Vessel" className="border-line border-r px-5 py-3 max-md:px-3 print:border-0">
        <h1 dir="auto" className="break-words font-display font-semibold text-[1.625rem] leading-tight">
          {recipe.name}
        </h1>
        <p className="flex justify-between gap-2 text-[0.875rem] text-ash print:hidden">
          <span>Choose what it goes into.</span>
          <span role="status">{saving.message}</span>
        </p>
        <p className="hidden print:block">{chosen?.name}</p>
        {vessels.length === 0 && (
          <p className="mt-3">You have nothing to fill here yet. Add the first vessel.</p>
        )}
        <div className="max-lg:max-h-[26rem] max-md:max-h-72 overflow-y-auto lg:overflow-visible print:hidden">
          <VesselList
            vessels={vessels}
            chosen={vesselId}
            onChoose={(next) => change({ vesselId: next })}
            flush={flush}
          />
        </div>
      </section>

      <section aria-label="Drawing" className="px-6 py-4 max-md:px-3">
        {vessel && (
          <>
            {fit ? (
              <FitSentence vessel={vessel} fit={fit} units={units} />
            ) : slab ? (
              <Sentence
                lead={`${slab.layers.length} layers, ${length(slab.layers.at(-1)?.to_mm ?? 0, units)} together`}
                tail={
                  slab.cut && slab.piece_g
                    ? `${slab.cut.pieces} pieces of ${fineMass(slab.piece_g, units)}`
                    : null
                }
              />
            ) : stack ? (
              <Sentence
                lead={`${stack.fillings.length} fillings in each`}
                tail={`${stack.pieces} pieces, the mould filled ${stack.pours} ${stack.pours === 1 ? "time" : "times"}`}
              />
            ) : (
              <h2 className="min-h-[66px] font-display font-semibold text-[1.6875rem] leading-[1.15]">
                {problem ? "That does not fit" : ""}
              </h2>
            )}
            <PlanDrawing vessel={vessel} fit={fit ?? cutsOf(found)} kerf={lengthAt("kerf_mm")} />
            <SectionDrawing vessel={vessel} fit={fit} walls={walls} bands={bandsOf(found)} />
            {fit && <Account units={units} vessel={vessel} fit={fit} library={library} />}
            {fit && <PieceTold recipe={recipe} vessel={vessel} ask={ask} pieces={fit.pieces} units={units} />}
            {stack && stack.notes.length > 0 && (
              <p className="mt-2 text-[0.875rem]">{stack.notes.join(" ")}</p>
            )}
            {stack && shell && (
              <p className="mt-2 text-[0.9375rem]">
                Chocolate kept on all {fineMass(shell.total_g, units)}, to have melted{" "}
                {fineMass(shell.melt_g, units)}.
              </p>
            )}
            {slab && (slab.offcut_g ?? 0) > 0.05 && (
              <p className="mt-2 text-[0.875rem]">Offcuts {fineMass(slab.offcut_g ?? 0, units)}.</p>
            )}
            {isCut && <GuideLinks id={id} flush={flush} />}
            {fit && ask && (
              <>
                <NearChoices
                  recipe={recipe}
                  vessel={vessel}
                  ask={ask}
                  onMass={(batch) =>
                    onType({
                      mass_g: String(batch),
                      thickness_mm: "",
                      ...(vessel.kind === "pan" ? {} : UNCOUNTED),
                    })
                  }
                  onPieces={(pieces) => onType({ pieces: String(pieces), spares: "", mass_g: "" })}
                />
                <OtherVessels
                  recipe={recipe}
                  fit={fit}
                  ask={ask}
                  chosen={vesselId}
                  vessels={vessels}
                  units={units}
                  onTake={(next, part) =>
                    change({ vesselId: next, typed: { ...typed, ...part, pieces: "", spares: "" } })
                  }
                />
              </>
            )}
          </>
        )}
      </section>

      <section
        aria-label="Outcome"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3 print:border-0"
      >
        {vessel && (
          <AskForm
            vessel={vessel}
            questions={questions}
            there={there}
            typed={typed}
            batchG={fit ? fit.batch_g / fit.scale : null}
            problem={problem}
            library={library}
            onType={onType}
          />
        )}
        {several && partsForm}
        {problem && !atField && (
          <p role="alert" className="mt-2 text-copper">
            {problem.detail}
          </p>
        )}
        {fit && (
          <div className="mt-2">
            <ToWeigh fit={fit} recipe={recipe} library={library} units={units} />
            <TakeAmounts stored={stored} amounts={fit.amounts_g} />
          </div>
        )}
        {!several && partsForm}
        {found && <SeveralOutcome parts={outcomesOf(found, units)} library={library} units={units} />}
        {(fit || slab || stack) && (
          <Button look="plain" className="mt-2 print:hidden" onClick={() => window.print()}>
            Print this page
          </Button>
        )}
      </section>
    </main>
  );
}

/** Where layers and fillings show a refusal themselves. */
const AMOUNTS = new Set(["thickness_mm", "mass_g", "share", "ml", "mm", "share_pct", "overrun_pct"]);

/** Whether several fillings may lie in it: a mould's cavities, or cups. */
const isStacked = (vessel: Vessel | null) => vessel?.kind === "mould" || vessel?.kind === "cup";

/** A mass and a number of pieces are two targets, but on a slab. */
const UNCOUNTED = { pieces: "", spares: "" };

const problemIn = (error: unknown) => (error instanceof ApiError ? error.problem : null);

/** Whether an answer kept on screen while the next is fetched is of this kind of vessel. */
function isFor(fit: Schemas["Fit"], vessel: Vessel | null): boolean {
  const kind = fit.thickness_mm !== null ? "pan" : fit.cavity ? "mould" : fit.cake ? "cake" : "pieces";
  const now = vessel?.kind === "cup" ? "mould" : vessel?.kind === "scoop" ? "pieces" : vessel?.kind;
  return kind === now;
}
