import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { batchQueries, placesQuery, recipeQueries } from "../../api/queries";
import { useOpenConfection } from "../../api/thread";
import { Button } from "../../ui/Button";
import { NotThere } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";
import { useUnits } from "../../units/units";
import { SeeLink } from "../seen";
import { type ConfectionBody, useBodies } from "./bodies";
import { Chains } from "./Chains";
import { ClockReading } from "./ClockReading";
import { Seen } from "./Seen";
import { SetForm } from "./SetForm";
import { batchThatSets, useSetClock } from "./useSetClock";
import { minutesText } from "./words";

/** Set: until it can be piped, rolled, cut or unmoulded; what a reading or a cue says of that. */
export function SetPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const batches = useQuery({ ...batchQueries.list, staleTime: 0 });
  const places = useQuery(placesQuery);
  const bodies = useBodies(id);
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || !batches.data || !places.data || !bodies) return <Skeleton />;
  return (
    <SetBench
      stored={stored.data}
      places={places.data}
      bodies={bodies}
      batch={batchThatSets(batches.data.batches, id)}
    />
  );
}

type BenchProps = {
  stored: Schemas["StoredRecipe"];
  places: Schemas["PlacesOut"];
  /** How it is shaped in the confections that it goes into. */
  bodies: ConfectionBody[];
  batch: number | null;
};

function SetBench({ stored, places, bodies, batch }: BenchProps) {
  const run = useQuery({ ...batchQueries.one(batch ?? 0), enabled: batch !== null });
  // what was put in to mend a batch counts while it sets
  const recipe = run.data && run.data.state.mended.length > 0 ? run.data.recipe : stored.recipe;
  const units = useUnits();
  const confection = useOpenConfection();
  const queries = useQueryClient();
  const set = useSetClock(
    stored,
    places,
    (bodies.find((one) => one.id === (confection ?? stored.made_into)) ?? bodies[0])?.body ?? null,
    batch,
  );
  const { ask, seen } = set;
  const clock = useQuery({
    queryKey: ["set-clock", recipe, ask, seen],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/set/clock", { body: { recipe, ask, corrections: seen }, signal })),
  });
  const beside = useQuery({
    queryKey: ["set-beside", recipe, ask],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/set/beside", { body: { recipe, ask }, signal })),
  });
  const problem = clock.error instanceof ApiError ? clock.error.problem : null;
  const found = clock.error ? undefined : clock.data;
  const at = (name: string) => {
    const error = problem?.errors.find((row) => row.path.at(-1) === name);
    return error ? `${error.message}: ${error.allowed}` : null;
  };
  return (
    <main className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_372px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1">
      <section aria-label="Where it sets" className="border-line border-r px-5 py-3 max-md:px-3">
        <h1 dir="auto" className="break-words font-display font-semibold text-[1.625rem] leading-tight">
          {recipe.name}
        </h1>
        <SetForm set={set} bodies={bodies} places={places} at={at} />
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <Button
            look={set.sinceMs === null ? "filled" : "outlined"}
            disabled={!found}
            onClick={async () => {
              if ((await set.start()) !== null && batch === null)
                await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
            }}
          >
            {set.sinceMs === null ? "Start the timer" : "Restart the timer"}
          </Button>
          {batch !== null && (
            <Link
              to={`/daybook/${batch}`}
              className="inline-flex min-h-11 items-center font-bold text-rim underline"
            >
              Add a verdict
            </Link>
          )}
          <SeeLink batch={batch} recipe={stored.id} at="set" />
          {set.isWhatIf && (
            <Button look="plain" onClick={set.backToRunning}>
              Back to the running timer
            </Button>
          )}
        </div>
        {set.problem && (
          <p role="alert" className="text-copper">
            {set.problem}
          </p>
        )}
        <Chains
          recipeId={stored.id}
          minutes={found?.cool_min[1] ?? 60}
          title={recipe.name}
          use={recipe.use}
          sinceMs={set.sinceMs}
        />
      </section>

      <section aria-label="The clock" className="px-6 py-4 max-md:order-first max-md:px-3">
        <ClockReading
          found={found}
          problem={problem}
          set={set}
          places={places}
          name={recipe.name}
          batch={batch}
        />
      </section>

      <section
        aria-label="Checks"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3"
      >
        <Seen key={JSON.stringify(ask)} sinceMs={set.sinceMs} units={units} onSeen={set.see} />
        <h3 className="mt-4 font-bold">Other places and shapes</h3>
        {!beside.data && <p className="text-[0.9375rem] text-ash">Working out the other places.</p>}
        <ul className="text-[0.9375rem]">
          {beside.data?.beside.map((row) => (
            <li key={row.name} className="flex justify-between gap-3 border-line border-b py-1">
              <span>{row.name}</span>
              <span className="text-right">
                {row.clock ? (
                  minutesText(row.clock.cool_min[1])
                ) : (
                  <span className="text-ash">{row.says}</span>
                )}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}
