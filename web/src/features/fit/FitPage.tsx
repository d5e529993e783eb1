import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, type Schemas } from "../../api/client";
import { keptFitQuery, libraryQuery, questionsQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { NotThere } from "../../ui/Notice";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { Skeleton } from "../../ui/Skeleton";
import { numberIn, useUnits } from "../../units/units";
import { SeeLink } from "../seen";
import { AskForm } from "./AskForm";
import { askOf, carried, type Question, SECOND, type Typed, typedAt, typedOf } from "./ask";
import { GuideLinks } from "./GuideLinks";
import { NearChoices } from "./NearChoices";
import { OtherVessels } from "./OtherVessels";
import { Account, FitSentence, ToWeigh } from "./Outcome";
import { PieceTold } from "./PieceTold";
import { PlanDrawing } from "./PlanDrawing";
import { PutTogether } from "./PutTogether";
import { SectionDrawing } from "./SectionDrawing";
import type { Vessel } from "./scale";
import { TakeAmounts } from "./TakeAmounts";
import { useFit } from "./useFit";
import { useKeptFit } from "./useKeptFit";
import { VesselList } from "./VesselList";

/** Fit: a recipe into a pan, a mould, scoops, cups, a cake or free pieces. */
export function FitPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const vessels = useQuery(vesselsQuery);
  const kept = useQuery(keptFitQuery(id));
  const questions = useQuery(questionsQuery);
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
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

type State = { vesselId: number | null; typed: Typed };

/** What is asked before anything was: of the kind of vessel that the recipe's use points to. */
function startOf({ stored, vessels, kept, questions }: BenchProps): State {
  if (kept.ask) return { vesselId: kept.vessel_id, typed: typedOf(kept.ask) };
  const start = questions.starts[stored.recipe.use ?? ""];
  const usual = vessels.find((row) => row.vessel.kind === start?.kind) ?? vessels[0];
  return { vesselId: usual?.id ?? null, typed: typedOf(start ?? null) };
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
  const there = ["one", ...dry];
  const ask = vessel && questions.length > 0 ? askOf(vessel.kind, typed, questions, there) : null;

  const change = (part: Partial<State>) => {
    const next = { ...state, ...part };
    if (part.vesselId !== undefined && vesselOf(part.vesselId)?.kind !== vessel?.kind)
      next.typed = carried(next.typed, questions);
    setState(next);
    const now = vesselOf(next.vesselId);
    save({ vessel_id: next.vesselId, ask: now && askOf(now.kind, next.typed, questionsOf(now), there) });
  };
  const onType = (part: Typed) => change({ typed: { ...typed, ...insteadOf(part), ...part } });
  const shellName = questions.find((one) => one.form === "chocolate");
  const lengthAt = (name: string) => {
    const question = questions.find((one) => one.name === name);
    return question ? (numberIn(typedAt(typed, question)) ?? 0) : 0;
  };

  const fitted = useFit(recipe, vessel, ask);
  const problem = problemIn(fitted.error);
  const fit = !fitted.error && fitted.data && isFor(fitted.data, vessel) ? fitted.data : null;
  const hasShell = shellName !== undefined && typedAt(typed, shellName) !== "none";
  const walls = {
    wall: hasShell ? lengthAt("wall_mm") : 0,
    cap: hasShell && typed.halves !== "yes" ? lengthAt("cap_mm") : 0,
    headroom: lengthAt("headroom_mm"),
  };
  const atField = problem?.errors.some(({ path }) =>
    path.some((step) => questions.some((one) => one.name === step)),
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
        <SeeLink recipe={stored.id} at="unmould" className="print:hidden" />
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
            ) : (
              <h2 className="min-h-[66px] font-display font-semibold text-[1.6875rem] leading-[1.15]">
                {problem ? "That does not fit" : ""}
              </h2>
            )}
            <PartOrFailure what="the drawing">
              <PlanDrawing vessel={vessel} fit={fit} kerf={lengthAt("kerf_mm")} />
              <SectionDrawing vessel={vessel} fit={fit} walls={walls} />
            </PartOrFailure>
            {fit && <Account units={units} vessel={vessel} fit={fit} library={library} />}
            {fit && <PieceTold recipe={recipe} vessel={vessel} ask={ask} pieces={fit.pieces} units={units} />}
            {fit?.piece_mm != null && <GuideLinks of={`recipes/${id}/fit`} flush={flush} />}
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
        {vessel && <PutTogether id={id} kind={vessel.kind} flush={flush} />}
        {fit && (
          <Button look="plain" className="mt-2 print:hidden" onClick={() => window.print()}>
            Print this page
          </Button>
        )}
      </section>
    </main>
  );
}

/** What is taken back by what is typed: a slab is cut into so many pieces, or into pieces of a size. */
function insteadOf(part: Typed): Typed {
  if (part.pieces) return { piece_mm: "", [`piece_mm${SECOND}`]: "" };
  return part.piece_mm ? { pieces: "" } : {};
}

/** A mass and a number of pieces are two targets, but on a slab. */
const UNCOUNTED = { pieces: "", spares: "" };

const problemIn = (error: unknown) => (error instanceof ApiError ? error.problem : null);

/** Whether an answer kept on screen while the next is fetched is of this kind of vessel. */
function isFor(fit: Schemas["Fit"], vessel: Vessel | null): boolean {
  const kind = fit.thickness_mm !== null ? "pan" : fit.cavity ? "mould" : fit.cake ? "cake" : "pieces";
  const now = vessel?.kind === "cup" ? "mould" : vessel?.kind === "scoop" ? "pieces" : vessel?.kind;
  return kind === now;
}
