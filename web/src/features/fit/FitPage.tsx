import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, type Schemas } from "../../api/client";
import { keptFitQuery, libraryQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { RecipeNotice } from "../../app/Notice";
import { Button } from "../../ui/Button";
import { useUnits } from "../../units/units";
import { AskForm } from "./AskForm";
import { type Asked, askedFrom, askFor, shellOf, USUAL } from "./ask";
import { GuideLinks } from "./GuideLinks";
import { NearChoices } from "./NearChoices";
import { OtherVessels } from "./OtherVessels";
import { Account, FitSentence, grams, mm, Sentence, ToWeigh } from "./Outcome";
import { PlanDrawing } from "./PlanDrawing";
import { SectionDrawing } from "./SectionDrawing";
import { SeveralOutcome } from "./SeveralOutcome";
import { type Part, SeveralRecipes } from "./SeveralRecipes";
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
  if (stored.error && !stored.data) return <RecipeNotice error={stored.error} />;
  if (!stored.data || !vessels.data || !kept.data) return null;
  return <FitBench stored={stored.data} vessels={vessels.data.vessels} kept={kept.data} />;
}

type BenchProps = {
  stored: Schemas["StoredRecipeOut"];
  vessels: Schemas["StoredVesselOut"][];
  kept: Schemas["KeptFitOut"];
};

type State = { vesselId: number | null; asked: Asked; layers: Part[]; fillings: Part[] };

/** What is asked before anything was: the kind of vessel that the recipe's use points to. */
function startOf({ stored, vessels, kept }: BenchProps): State {
  if (kept.ask) {
    const { layers, fillings } = kept;
    return {
      vesselId: kept.vessel_id,
      asked: askedFrom(kept.ask),
      layers: layers ?? [],
      fillings: fillings ?? [],
    };
  }
  const { use } = stored.recipe;
  const kind = use === "fill-shell" || use === "pipe" || use === "drink" ? "mould" : "pan";
  const usual = vessels.find((row) => row.vessel.kind === kind) ?? vessels[0];
  const asked = use === "cut" ? { ...USUAL, piece_length_mm: "25", piece_width_mm: "25" } : USUAL;
  return { vesselId: usual?.id ?? null, asked, layers: [], fillings: [] };
}

function FitBench(props: BenchProps) {
  const { stored, vessels } = props;
  const { id, recipe } = stored;
  const units = useUnits();
  const { data: library } = useQuery(libraryQuery);
  const [state, setState] = useState<State>(() => startOf(props));
  const { said, keep, flush } = useKeptFit(id);
  const { vesselId, asked } = state;
  const chosen = vessels.find((row) => row.id === vesselId) ?? null;
  const vessel = chosen?.vessel ?? null;
  const parts = vessel?.kind === "pan" ? state.layers : isStacked(vessel) ? state.fillings : [];
  const several = parts.length > 0;
  const ask = vessel ? askFor(vessel, several ? { ...asked, mass_g: "" } : asked) : null;

  const change = (part: Partial<State>) => {
    const next = { ...state, ...part };
    setState(next);
    const there = vessels.find((row) => row.id === next.vesselId)?.vessel;
    keep({
      vessel_id: next.vesselId,
      ask: there ? askFor(there, next.asked) : {},
      layers: next.layers,
      fillings: next.fillings,
    });
  };
  const onAsk = (part: Partial<Asked>) => change({ asked: { ...asked, ...part } });

  const fitted = useFit(recipe, vessel, ask, !several || isStacked(vessel));
  const joint = useSeveral(vessel, ask, parts);
  const problem = problemIn(several ? joint.error : fitted.error);
  const shell = several && fitted.data && isFor(fitted.data, vessel) ? fitted.data.shell : null;
  const fit = !several && !fitted.error && fitted.data && isFor(fitted.data, vessel) ? fitted.data : null;
  const slab = several && !joint.error ? (joint.data?.slab ?? null) : null;
  const stack = several && !joint.error ? (joint.data?.stack ?? null) : null;
  const hasShell = vessel !== null && shellOf(vessel, asked) !== "none";
  const walls = {
    wall: hasShell ? (ask?.wall_mm ?? 0) : 0,
    cap: hasShell && !asked.halves ? (ask?.cap_mm ?? 0) : 0,
    headroom: vessel?.kind === "mould" ? (ask?.headroom_mm ?? 0) : 0,
  };
  const atField = problem?.errors.some((error) => error.path.some((step) => FIELDS.has(String(step))));
  const isCut = fit?.piece_mm != null || slab?.piece_mm != null;
  const partsForm = vessel && (vessel.kind === "pan" || isStacked(vessel)) && (
    <SeveralRecipes
      kind={vessel.kind === "pan" ? "layer" : "filling"}
      parts={parts}
      recipeId={id}
      problem={problem}
      onChange={(next) => change(vessel.kind === "pan" ? { layers: next } : { fillings: next })}
    />
  );
  return (
    <main className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_372px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1 lg:h-[calc(100vh-3.25rem)] lg:flex-none lg:grid-rows-[minmax(0,1fr)] lg:[&>section]:overflow-y-auto print:block print:h-auto print:[&>section]:overflow-visible">
      <section aria-label="Vessel" className="border-line border-r px-5 py-3 max-md:px-3 print:border-0">
        <h1 dir="auto" className="break-words font-display font-semibold text-[26px] leading-tight">
          {recipe.name}
        </h1>
        <p className="flex justify-between gap-2 text-[14px] text-ash print:hidden">
          <span>Choose what it goes into.</span>
          <span role="status">{said}</span>
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
                lead={`${slab.layers.length} layers, ${mm(slab.layers.at(-1)?.to_mm ?? 0)} together`}
                tail={slab.pieces && slab.piece_g ? `${slab.pieces} pieces of ${grams(slab.piece_g)}` : null}
              />
            ) : stack ? (
              <Sentence
                lead={`${stack.fillings.length} fillings in each`}
                tail={`${stack.pieces} pieces, the mould filled ${stack.pours} ${stack.pours === 1 ? "time" : "times"}`}
              />
            ) : (
              <h2 className="min-h-[66px] font-display font-semibold text-[27px] leading-[1.15]">
                {problem ? "That does not fit" : ""}
              </h2>
            )}
            <PlanDrawing vessel={vessel} fit={fit ?? cutsOf(slab, stack)} kerf={ask?.kerf_mm ?? 0} />
            <SectionDrawing
              vessel={vessel}
              fit={fit}
              walls={walls}
              bands={bandsOf(slab, stack, joint.names)}
            />
            {fit && <Account vessel={vessel} fit={fit} library={library} />}
            {stack && stack.notes.length > 0 && <p className="mt-2 text-[14px]">{stack.notes.join(" ")}</p>}
            {stack && shell && (
              <p className="mt-2 text-[15px]">
                Chocolate kept on all {grams(shell.total_g)}, to have melted {grams(shell.melt_g)}.
              </p>
            )}
            {slab && (slab.offcut_g ?? 0) > 0.05 && (
              <p className="mt-2 text-[14px]">Offcuts {grams(slab.offcut_g ?? 0)}.</p>
            )}
            {isCut && <GuideLinks id={id} flush={flush} />}
            {fit && ask && (
              <>
                <NearChoices
                  recipe={recipe}
                  vessel={vessel}
                  ask={ask}
                  onMass={(batch) =>
                    onAsk({
                      mass_g: String(batch),
                      thickness_mm: "",
                      ...(vessel.kind === "pan" ? {} : UNCOUNTED),
                    })
                  }
                  onPieces={(pieces) => onAsk({ pieces: String(pieces), spares: "", mass_g: "" })}
                />
                <OtherVessels
                  recipe={recipe}
                  fit={fit}
                  ask={ask}
                  chosen={vesselId}
                  vessels={vessels}
                  units={units}
                  onTake={(next, part) =>
                    change({ vesselId: next, asked: { ...asked, ...part, pieces: "", spares: "" } })
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
            recipe={recipe}
            asked={asked}
            batchG={fit ? fit.batch_g / fit.scale : null}
            problem={problem}
            library={library}
            several={several}
            onAsk={onAsk}
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
        {several && (slab || stack) && (
          <SeveralOutcome parts={outcomesOf(slab, stack, joint.recipes)} library={library} units={units} />
        )}
        {(fit || slab || stack) && (
          <Button look="plain" className="mt-2 print:hidden" onClick={() => window.print()}>
            Print this page
          </Button>
        )}
      </section>
    </main>
  );
}

/** Whether several fillings may lie in it: a mould's cavities, or cups. */
const isStacked = (vessel: Vessel | null) => vessel?.kind === "mould" || vessel?.kind === "cup";

/** A mass and a number of pieces are two targets, but on a slab. */
const UNCOUNTED = { pieces: "", spares: "" };

const problemIn = (error: unknown) => (error instanceof ApiError ? error.problem : null);

/** What the forms show a refusal at themselves. */
const FIELDS = new Set([
  "thickness_mm",
  "pieces",
  "piece_mm",
  "mass_g",
  "loss_pct",
  "loss_g",
  "wall_mm",
  "cap_mm",
  "headroom_mm",
  "trim_mm",
  "kerf_mm",
  "coat_mm",
  "coated",
  "core_g",
  "spares",
  "overrun_pct",
  "dip_bowl_mm",
  "mix_g_per_cup",
  "mug_mm",
  "ml",
  "mm",
  "share",
]);

/** Whether an answer kept on screen while the next is fetched is of this kind of vessel. */
function isFor(fit: Schemas["FitOut"], vessel: Vessel | null): boolean {
  const kind = fit.thickness_mm !== null ? "pan" : fit.cavity ? "mould" : fit.cake ? "cake" : "pieces";
  const now = vessel?.kind === "cup" ? "mould" : vessel?.kind === "scoop" ? "pieces" : vessel?.kind;
  return kind === now;
}
