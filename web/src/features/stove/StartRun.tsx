import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { batchQueries, choicesQuery, confectionQueries, recipeQueries } from "../../api/queries";
import { placeOf, useOpenConfection } from "../../api/thread";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { PhraseList } from "../../ui/Phrase";
import { aim, temperature, type Units, useUnits } from "../../units/units";
import { ProbeChoice, useUsualProbe } from "../run";
import { LineOfActs } from "./LineOfActs";

type Props = { id: number; name: string };

const TITLES: Record<string, string> = {
  heat: "Heat",
  liquid: "The cream",
  wait: "Over the chocolate",
  butter: "The butter",
  spirit: "Spirit",
  temper: "Temper shells and coats",
  rest: "Rest",
};

/** Before a run: what is made, the schools where good cooks differ, and the steps, at any of which it may begin. */
export function StartRun({ id, name }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const units = useUnits();
  const { data: versions } = useQuery(recipeQueries.versions(id));
  const { data: choices } = useQuery(choicesQuery);
  const [version, setVersion] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [ownProbe, setProbe] = useState<string | null>(null);
  const usual = useUsualProbe();
  const { data: recipe } = useQuery(recipeQueries.one(id));
  const newest = versions?.versions[0];
  const isNewest = newest && recipe && JSON.stringify(newest.recipe) === JSON.stringify(recipe.recipe);
  const wanted = version ?? (isNewest ? String(newest.number) : "");
  const { data: confections } = useQuery({ ...confectionQueries.list, staleTime: 0 });
  const [search] = useSearchParams();
  const open = useOpenConfection();
  const [picked, setForWhich] = useState<number | null | undefined>(undefined);
  const forWhich =
    picked === undefined ? (open ?? (Number(search.get("for")) || (recipe?.made_into ?? null))) : picked;
  const [pickedOccasion, setOccasion] = useState<number | null | undefined>(undefined);
  const occasion =
    pickedOccasion === undefined && picked === undefined
      ? Number(search.get("occasion")) || null
      : (pickedOccasion ?? null);
  const goesInto = (confections?.confections ?? []).filter((row) =>
    row.asked.parts.some((part) => part.of.recipe_id === id),
  );
  const run = {
    recipe_id: id,
    version: wanted === "" ? null : Number(wanted),
    choices: chosen,
    confection_id: forWhich,
    occasion_id: forWhich === null ? null : occasion,
  };
  const plan = useQuery({
    ...batchQueries.plan(run),
    enabled: versions !== undefined && recipe !== undefined,
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  const line = plan.data?.line ?? [];
  const begins = line[0]?.recipe_id ?? null;
  const isAsked = search.has("mix") || open === null;
  useEffect(() => {
    if (!isAsked && open !== null && begins !== null && begins !== id)
      navigate(stoveFor(begins, open, occasion), { replace: true });
  }, [isAsked, open, begins, id, occasion, navigate]);
  const made = goesInto.find((row) => row.id === forWhich)?.asked.name;
  const occasions = plan.data?.occasions ?? [];
  const taker = made ? occasions.find((row) => row.id === occasion) : undefined;
  const start = useMutation({
    mutationFn: (from_step: number) =>
      dataOf(client.POST("/api/batches", { body: { ...run, probe_id: ownProbe ?? usual, from_step } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: batchQueries.list.queryKey }),
  });
  const matter = choices?.choices.filter((choice) => plan.data?.matter.includes(choice.key)) ?? [];
  const problem = start.error ?? plan.error;
  return (
    <main className="at-stove mx-auto grid w-full max-w-6xl grid-cols-2 gap-x-10 px-6 py-5 max-lg:grid-cols-1 max-md:px-3">
      <section aria-labelledby="run-of">
        <h1 id="run-of" dir="auto" className="font-display font-semibold text-[2rem] leading-tight">
          {line.length > 0 && made ? made : name}
        </h1>
        <p className="mt-1 text-[1.0625rem]">Record this batch from first heat to set.</p>
        {goesInto.length > 0 && (
          <p className="mt-1 text-[1.1875rem] leading-[1.6]">
            Make{" "}
            <PhraseList
              label="Amount to make"
              text={made ? `the amount for ${taker ? piecesFor(taker, made) : made}` : "the recipe amount"}
              after="."
              value={`${forWhich ?? ""}${taker ? `/${taker.id}` : ""}`}
              options={[
                { value: "", text: "the recipe amount", under: "its own weight" },
                ...occasions.map((row) => ({
                  value: `${forWhich}/${row.id}`,
                  text: `the amount for ${piecesFor(row, made ?? name)}`,
                  under: "as many as the occasion takes",
                })),
                ...goesInto.map((row) => ({
                  value: String(row.id),
                  text: `the amount for ${row.asked.name}`,
                  under: "with its waste, and its shell or coat",
                })),
              ]}
              onPick={(value) => {
                const [confection = "", of = ""] = value.split("/");
                setForWhich(confection === "" ? null : Number(confection));
                setOccasion(of === "" ? null : Number(of));
              }}
            />
          </p>
        )}
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-3">
          <div className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,11rem),1fr))] items-end gap-3">
            <Choice label="Version" value={wanted} onPick={(value) => setVersion(value)}>
              {versions?.versions.map((row) => (
                <Option key={row.number} value={row.number}>
                  {row.number}, {row.name}
                </Option>
              ))}
              <Option value="">the recipe as it is</Option>
            </Choice>
            <div className="grid">
              <span aria-hidden="true" className="mb-0.5 text-ash text-sm">
                Thermometer
              </span>
              <ProbeChoice probe={ownProbe ?? usual} onChange={setProbe} />
            </div>
          </div>
          {matter.map((choice) => {
            const now =
              choice.schools.find((school) => school.key === chosen[choice.key]) ?? choice.schools[0];
            return (
              <div key={choice.key}>
                <Choice
                  label={TITLES[choice.key] ?? choice.key}
                  value={now?.key ?? ""}
                  onPick={(value) => setChosen((before) => ({ ...before, [choice.key]: value }))}
                >
                  {choice.schools.map((school) => (
                    <Option key={school.key} value={school.key}>
                      {school.name}
                    </Option>
                  ))}
                </Choice>
                <p className="mt-0.5 text-[0.875rem] text-ash">{now?.trade_off ?? ""}</p>
              </div>
            );
          })}
        </div>
      </section>
      <section aria-labelledby="its-steps" className="max-lg:mt-5">
        <h2 id="its-steps" className="font-bold text-lg">
          Steps
        </h2>
        {line.length > 0 && (
          <>
            <p className="text-[1.0625rem] text-ash">All mixes and the pieces, in one line.</p>
            <div className="mt-1 max-h-[50vh] overflow-y-auto border-line border-y">
              <LineOfActs
                acts={line}
                at={-1}
                pieces={made ?? "The pieces"}
                onGo={(act) =>
                  act.recipe_id !== null && open !== null && navigate(stoveFor(act.recipe_id, open, occasion))
                }
              />
            </div>
          </>
        )}
        <ol className={line.length > 0 ? "hidden" : ""}>
          {plan.data?.steps.map((step, position) => (
            <li key={step.key} className="flex items-center gap-3 border-line border-b">
              <span className="min-w-0 flex-1 py-1 text-[1.0625rem]">
                {position + 1}. {step.title}
                <span className="block text-[0.875rem] text-ash">{aboutOf(step, units)}</span>
              </span>
              {position > 0 && (
                <Button
                  look="plain"
                  aria-label={`Start here: ${step.title}`}
                  disabled={start.isPending}
                  onClick={() => start.mutate(position)}
                >
                  Start here
                </Button>
              )}
            </li>
          ))}
        </ol>
        <Button
          look="filled"
          className="mt-4 w-full text-[1.25rem]"
          disabled={start.isPending || !plan.data}
          onClick={() => start.mutate(0)}
        >
          Start cooking
        </Button>
        {problem && (
          <p role="alert" className="mt-2 text-copper">
            {problem.message}
          </p>
        )}
      </section>
    </main>
  );
}

/** Address of the Stove for a mix of a confection, in the number of an occasion if one was chosen. */
const stoveFor = (mix: number, confection: number, occasion: number | null): string =>
  `${placeOf("stove", mix, confection)}${occasion === null ? "" : `&occasion=${occasion}`}`;

/** What an occasion takes of a confection: "42 Comet eggs, Open evening". */
const piecesFor = ({ name, pieces }: Schemas["TakenBy"], made: string): string =>
  `${pieces === null ? "" : `${pieces} `}${made}, ${name}`;

/** What a step aims at, how long it takes, and whether one may go away. */
function aboutOf(step: Schemas["Step"], units: Units): string {
  const parts = [
    aim(step.target_c, (celsius) => temperature(celsius, units)),
    step.minutes === null ? "" : `about ${Math.round(step.minutes)} min`,
    step.attended ? "" : "can be left",
  ];
  return parts.filter(Boolean).join(", ");
}
