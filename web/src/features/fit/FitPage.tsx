import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { pendingSaves } from "../../api/pendingSaves";
import { libraryQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { Notice } from "../../app/Notice";
import { Rim } from "../../app/Rim";
import { Button } from "../../ui/Button";
import { useUnits } from "../../units/units";
import { rememberBefore } from "../formula";
import { AskForm } from "./AskForm";
import { type Asked, askFor, USUAL } from "./ask";
import { Account, FitSentence, ToWeigh } from "./Outcome";
import { PlanDrawing } from "./PlanDrawing";
import { SectionDrawing } from "./SectionDrawing";
import { VesselList } from "./VesselList";

/** Fit: a recipe into one of the person's pans or moulds. */
export function FitPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const vessels = useQuery(vesselsQuery);
  if (stored.error) return <Notice title="The recipe could not be read" text="It may have been deleted." />;
  if (!stored.data || !vessels.data) return <Rim place="fit" recipeId={id} />;
  return <FitBench stored={stored.data} vessels={vessels.data.vessels} />;
}

type BenchProps = { stored: Schemas["StoredRecipeOut"]; vessels: Schemas["StoredVesselOut"][] };

function FitBench({ stored, vessels }: BenchProps) {
  const { id, recipe } = stored;
  const units = useUnits();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { data: library } = useQuery(libraryQuery);
  const goesInMoulds = recipe.use === "fill-shell" || recipe.use === "pipe";
  const usual = vessels.find((row) => row.vessel.kind === (goesInMoulds ? "mould" : "pan")) ?? vessels[0];
  const [chosenId, setChosenId] = useState(usual?.id ?? null);
  const [asked, setAsked] = useState<Asked>(
    recipe.use === "cut" ? { ...USUAL, piece_length_mm: "25", piece_width_mm: "25" } : USUAL,
  );
  const chosen = vessels.find((row) => row.id === chosenId) ?? null;
  const vessel = chosen?.vessel ?? null;
  const ask = vessel ? askFor(vessel, asked) : null;
  const fitted = useQuery({
    queryKey: ["fit", recipe, vessel, ask],
    enabled: vessel !== null,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/fit", { body: { recipe, vessel: vessel as never, ask: ask as never }, signal }),
      ),
  });
  const take = useMutation({
    mutationFn: async (amounts: number[]) => {
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

  const problem = fitted.error instanceof ApiError ? fitted.error.problem : null;
  const fit = !fitted.error && fitted.data && isFor(fitted.data, vessel) ? fitted.data : null;
  const hasShell = vessel?.kind === "mould" && asked.shell !== "none";
  const walls = {
    wall: hasShell ? (ask?.wall_mm ?? 0) : 0,
    cap: hasShell && !asked.halves ? (ask?.cap_mm ?? 0) : 0,
    headroom: ask?.headroom_mm ?? 0,
  };
  const atField = problem?.errors.some((error) => FIELDS.some((name) => error.path.includes(name)));

  return (
    <>
      <Rim place="fit" recipeId={id} />
      <main className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_352px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1">
        <section aria-label="Vessel" className="border-line border-r px-5 py-3 max-md:px-3">
          <h1 dir="auto" className="break-words font-display font-semibold text-[26px] leading-tight">
            {recipe.name}
          </h1>
          <p className="text-[14px] text-ash">Choose what it goes into.</p>
          {vessels.length === 0 && <p className="mt-3">You have no pan or mould here yet.</p>}
          <VesselList vessels={vessels} chosen={chosenId} onChoose={(row) => setChosenId(row.id)} />
        </section>

        <section aria-label="Drawing" className="min-w-0 px-5 py-4 max-md:px-3">
          {vessel && (
            <>
              {fit ? (
                <FitSentence vessel={vessel} fit={fit} units={units} />
              ) : (
                <h2 className="min-h-[66px] font-display font-semibold text-[27px] leading-[1.15]">
                  {problem ? "That does not fit" : ""}
                </h2>
              )}
              <PlanDrawing vessel={vessel} fit={fit} kerf={ask?.kerf_mm ?? 0} />
              <SectionDrawing vessel={vessel} fit={fit} walls={walls} />
              {fit && <Account vessel={vessel} fit={fit} library={library} />}
            </>
          )}
        </section>

        <section
          aria-label="Outcome"
          className="border-line border-l bg-sheet px-5 py-4 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3"
        >
          {vessel && (
            <AskForm
              vessel={vessel}
              asked={asked}
              batchG={fit ? fit.batch_g / fit.scale : null}
              problem={problem}
              library={library}
              onAsk={(part) => setAsked((now) => ({ ...now, ...part }))}
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
              <Button
                look="filled"
                className="mt-3 w-full"
                disabled={take.isPending}
                onClick={() => take.mutate(fit.amounts_g)}
              >
                Take these amounts
              </Button>
              {take.error && (
                <p role="alert" className="mt-2 text-copper">
                  {take.error.message}
                </p>
              )}
            </div>
          )}
        </section>
      </main>
    </>
  );
}

const FIELDS = [
  "thickness_mm",
  "pieces",
  "piece_mm",
  "mass_g",
  "loss_pct",
  "wall_mm",
  "cap_mm",
  "headroom_mm",
  "trim_mm",
  "kerf_mm",
];

/** Whether an answer kept on screen while the next is fetched is of this kind of vessel. */
function isFor(fit: Schemas["FitOut"], vessel: Schemas["VesselOut"] | null): boolean {
  return (fit.thickness_mm !== null) === (vessel?.kind === "pan");
}

/** The recipe with a fit's grams, as a scale can weigh them. */
function withAmounts(recipe: Schemas["RecipeOut"], amounts: number[]): Schemas["RecipeOut"] {
  const weighed = (grams: number) => Number(grams.toFixed(grams >= 10 ? 0 : 1));
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
