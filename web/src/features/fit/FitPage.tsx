import { keepPreviousData, useMutation, useQueries, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { keptFitQuery, libraryQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { Notice } from "../../app/Notice";
import { Rim } from "../../app/Rim";
import { Button } from "../../ui/Button";
import { useUnits } from "../../units/units";
import { rememberBefore } from "../formula";
import { AskForm } from "./AskForm";
import { type Asked, askedFrom, askFor, shellOf, USUAL } from "./ask";
import { NearChoices } from "./NearChoices";
import { OtherVessels } from "./OtherVessels";
import { Account, FitSentence, grams, mm, Sentence, ToWeigh } from "./Outcome";
import { PlanDrawing } from "./PlanDrawing";
import { type Band, SectionDrawing } from "./SectionDrawing";
import { levelsText, type PartOutcome, SeveralOutcome } from "./SeveralOutcome";
import { type Part, SeveralRecipes } from "./SeveralRecipes";
import type { Vessel } from "./scale";
import { useKeptFit } from "./useKeptFit";
import { VesselList } from "./VesselList";

/** Fit: a recipe into a pan, a mould, scoops, cups, a cake or free pieces. */
export function FitPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const vessels = useQuery(vesselsQuery);
  const kept = useQuery(keptFitQuery(id));
  if (stored.error) return <Notice title="The recipe could not be read" text="It may have been deleted." />;
  if (!stored.data || !vessels.data || !kept.data) return <Rim place="fit" recipeId={id} />;
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
  const parts = vessel?.kind === "pan" ? state.layers : vessel?.kind === "mould" ? state.fillings : [];
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

  const fitted = useFit(recipe, vessel, ask, !several || vessel?.kind === "mould");
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
  const partsForm = vessel && (vessel.kind === "pan" || vessel.kind === "mould") && (
    <SeveralRecipes
      kind={vessel.kind === "pan" ? "layer" : "filling"}
      parts={parts}
      recipeId={id}
      problem={problem}
      onChange={(next) => change(vessel.kind === "pan" ? { layers: next } : { fillings: next })}
    />
  );
  return (
    <>
      <Rim place="fit" recipeId={id} />
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
            <VesselList vessels={vessels} chosen={vesselId} onChoose={(next) => change({ vesselId: next })} />
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
                  tail={
                    slab.pieces && slab.piece_g ? `${slab.pieces} pieces of ${grams(slab.piece_g)}` : null
                  }
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
                      onAsk({ mass_g: String(batch), pieces: "", spares: "", thickness_mm: "" })
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
    </>
  );
}

function useFit(recipe: Recipe, vessel: Vessel | null, ask: Schemas["AskIn"] | null, enabled: boolean) {
  return useQuery({
    queryKey: ["fit", recipe, vessel, ask],
    enabled: enabled && vessel !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/fit", { body: { recipe, vessel: vessel as never, ask: ask as never }, signal }),
      ),
  });
}

type Slab = Schemas["SlabOut"];
type Stack = Schemas["StackOut"];

/** The fit of several recipes to one vessel, each read as it is stored. */
function useSeveral(vessel: Vessel | null, ask: Schemas["AskIn"] | null, parts: Part[]) {
  const ids = [...new Set(parts.map((part) => part.recipe_id))];
  const stored = useQueries({ queries: ids.map((id) => recipeQueries.one(id)) });
  const recipes = parts.map((part) => stored[ids.indexOf(part.recipe_id)]?.data?.recipe);
  const ready = parts.length > 0 && recipes.every((recipe) => recipe !== undefined);
  const found = useQuery({
    queryKey: ["fit-several", vessel, ask, parts, recipes],
    enabled: ready && vessel !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async ({ signal }) => {
      const rows = parts.map(({ recipe_id: _, ...amount }, position) => ({
        ...amount,
        recipe: recipes[position],
      }));
      if (vessel?.kind === "pan") {
        const layers = rows.map(({ recipe, thickness_mm, mass_g, share }) => ({
          recipe,
          thickness_mm,
          mass_g,
          share,
        }));
        const body = { vessel, ask, layers } as never;
        return { slab: await dataOf<Slab>(client.POST("/api/fit/layers", { body, signal })), stack: null };
      }
      const fillings = rows.map(({ recipe, ml, mm: deep, texture, lumps }) => ({
        recipe,
        ml,
        mm: deep,
        texture,
        lumps,
      }));
      const body = { vessel, ask, fillings } as never;
      return { slab: null, stack: await dataOf<Stack>(client.POST("/api/fit/stack", { body, signal })) };
    },
  });
  const isForNow =
    (found.data?.slab?.layers ?? found.data?.stack?.fillings)?.length === parts.length &&
    (found.data?.slab !== null) === (vessel?.kind === "pan");
  return {
    data: isForNow ? found.data : undefined,
    error: found.error,
    names: recipes.map((recipe) => recipe?.name ?? ""),
    recipes: recipes as Recipe[],
  };
}

function bandsOf(slab: Slab | null, stack: Stack | null, names: string[]): Band[] {
  const rows = slab?.layers ?? stack?.fillings ?? [];
  return rows.map((row, position) => ({ from: row.from_mm, to: row.to_mm, name: names[position] ?? "" }));
}

function cutsOf(slab: Slab | null, stack: Stack | null) {
  if (slab) return { ...slab, halves: null };
  return stack ? { grid: null, piece_mm: null, places_mm: null, halves: null, pieces: stack.pieces } : null;
}

function outcomesOf(slab: Slab | null, stack: Stack | null, recipes: Recipe[]): PartOutcome[] {
  const layers = (slab?.layers ?? []).map((layer, position) => ({
    ...layer,
    recipe: recipes[position] as Recipe,
    says: levelsText(layer.from_mm, layer.to_mm, ""),
  }));
  const fillings = (stack?.fillings ?? []).map((filling, position) => ({
    ...filling,
    recipe: recipes[position] as Recipe,
    says: levelsText(filling.from_mm, filling.to_mm, `, ${grams(filling.each_g)} in each cavity`),
  }));
  return [...layers, ...fillings];
}

function TakeAmounts({ stored, amounts }: { stored: Schemas["StoredRecipeOut"]; amounts: number[] }) {
  const { id, recipe } = stored;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async () => {
      await pendingSaves.get(id);
      const { revision } = queries.getQueryData(recipeQueries.one(id).queryKey) ?? stored;
      return dataOf(
        client.PUT("/api/recipes/{recipe_id}", {
          params: { path: { recipe_id: id } },
          body: { revision, recipe: withAmounts(recipe, amounts) },
        }),
      );
    },
    onSuccess: (answer) => {
      rememberBefore(id, recipe);
      queries.setQueryData(recipeQueries.one(id).queryKey, answer);
      navigate(`/recipes/${id}/formula`);
    },
  });
  return (
    <>
      <Button
        look="filled"
        className="mt-3 w-full print:hidden"
        disabled={take.isPending}
        onClick={() => take.mutate()}
      >
        Take these amounts
      </Button>
      {take.error && (
        <p role="alert" className="mt-2 text-copper">
          {take.error.message}
        </p>
      )}
    </>
  );
}

/** The marking guide, once the fit that it is of is stored. */
function GuideLinks({ id, flush }: { id: number; flush: () => Promise<void> }) {
  const openGuide = (kind: string) => async (event: React.MouseEvent) => {
    event.preventDefault();
    await flush();
    window.open(`/api/recipes/${id}/fit/guide.${kind}`, "_blank", "noopener");
  };
  return (
    <p className="mt-2 print:hidden">
      Marking guide at true scale, one topping a piece:{" "}
      {["pdf", "svg"].map((kind) => (
        <a
          key={kind}
          href={`/api/recipes/${id}/fit/guide.${kind}`}
          target="_blank"
          rel="noopener"
          onClick={openGuide(kind)}
          className="mr-3 inline-flex min-h-11 items-center font-bold text-rim underline"
        >
          {kind.toUpperCase()}
        </a>
      ))}
    </p>
  );
}

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

/** The recipe with a fit's grams, as a scale can weigh them. */
function withAmounts(recipe: Recipe, amounts: number[]): Recipe {
  const weighed = (value: number) => Number(value.toFixed(value >= 10 ? 0 : 1));
  return {
    ...recipe,
    lines: recipe.lines.map((line, position) => ({
      ...line,
      amount: weighed(amounts[position] ?? 0),
      amount_high: null,
      unit: "g",
    })),
  };
}
