import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { batchQueries, keptFitQuery, placesQuery, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { NotThere } from "../../ui/Notice";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { PhraseList } from "../../ui/Phrase";
import { LengthField, MassField } from "../../ui/QuantityField";
import { Skeleton } from "../../ui/Skeleton";
import { useUnits } from "../../units/units";
import { SeeLink } from "../seen";
import { type ConfectionBody, isShaped, shapeOf, useBodies } from "./bodies";
import { Chains } from "./Chains";
import { CoolCurve } from "./CoolCurve";
import { Seen } from "./Seen";
import { Since } from "./Since";
import { type Body, batchThatSets, type Shape, useSetClock } from "./useSetClock";
import { degrees, hoursText, lower, minutesText } from "./words";

/** Set: until it can be piped, rolled, cut or unmoulded; what a reading or a cue says of that. */
export function SetPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const kept = useQuery(keptFitQuery(id));
  const batches = useQuery({ ...batchQueries.list, staleTime: 0 });
  const places = useQuery(placesQuery);
  const bodies = useBodies(id);
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || !kept.data || !batches.data || !places.data || !bodies) return <Skeleton />;
  const { ask } = kept.data;
  return (
    <SetBench
      stored={stored.data}
      places={places.data}
      bodies={bodies}
      own={
        ask && "thickness_mm" in ask && ask.thickness_mm != null ? { thickness_mm: ask.thickness_mm } : null
      }
      batch={batchThatSets(batches.data.batches, id)}
    />
  );
}

type BenchProps = {
  stored: Schemas["StoredRecipe"];
  places: Schemas["PlacesOut"];
  /** How it is shaped in the confections that it goes into. */
  bodies: ConfectionBody[];
  /** How thick it is by its fit, where that was typed. */
  own: Body | null;
  batch: number | null;
};

function SetBench({ stored, places, bodies, own, batch }: BenchProps) {
  const run = useQuery({ ...batchQueries.one(batch ?? 0), enabled: batch !== null });
  // what was put in to mend a batch counts while it sets
  const recipe = run.data && run.data.state.mended.length > 0 ? run.data.recipe : stored.recipe;
  const units = useUnits();
  const queries = useQueryClient();
  const set = useSetClock(stored, places, own ?? bodies[0]?.body ?? null, batch);
  const { asked, ask, seen, change } = set;
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
  const stateName = places.states.find((state) => state.key === asked.state)?.name ?? "";
  const field = (name: "from" | "volume" | "area", label: string, path: string) => (
    <NumberField
      label={label}
      value={asked[name]}
      problem={at(path)}
      onChange={(event) => change({ [name]: event.target.value })}
    />
  );
  return (
    <main className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_372px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1">
      <section aria-label="Where it sets" className="border-line border-r px-5 py-3 max-md:px-3">
        <h1 dir="auto" className="break-words font-display font-semibold text-[1.625rem] leading-tight">
          {recipe.name}
        </h1>
        {bodies.length > 0 && (
          <p className="mt-1 text-[1.0625rem] leading-[1.9]">
            Shaped as in{" "}
            <PhraseList
              label="Shaped as in"
              text={bodies.find(({ body }) => isShaped(asked, body))?.name ?? "none of its confections"}
              after="."
              value={String(bodies.find(({ body }) => isShaped(asked, body))?.id ?? "")}
              options={bodies.map((row) => ({ value: String(row.id), text: row.name, under: row.says }))}
              onPick={(value) => {
                const picked = bodies.find((row) => String(row.id) === value);
                if (picked) change(shapeOf(picked.body));
              }}
            />
          </p>
        )}
        <div className="mt-3 grid grid-cols-2 items-end gap-3">
          <Select
            label="Until it is"
            value={asked.state}
            rows={places.states}
            onPick={(state) => change({ state })}
          />
          <Select
            label="In"
            value={asked.place}
            rows={places.places}
            onPick={(place) => change({ place })}
            problem={at("place")}
          />
          <Choice
            label="It stands as"
            value={asked.shape}
            onPick={(value) => change({ shape: value as Shape })}
          >
            <Option value="slab">a slab or sheet</Option>
            <Option value="bowl">a bowl</Option>
            <Option value="stirred">a bowl, stirred</Option>
            <Option value="small">pieces or cavities</Option>
          </Choice>
          {asked.shape === "slab" && (
            <LengthField
              label="Thick"
              value={asked.thickness}
              problem={at("thickness_mm")}
              onLength={(thickness) => change({ thickness })}
            />
          )}
          {(asked.shape === "bowl" || asked.shape === "stirred") && (
            <MassField
              label="In the bowl"
              value={asked.mass}
              placeholder="all of it"
              problem={at("bowl_kg")}
              onMass={(mass) => change({ mass })}
            />
          )}
          {asked.shape === "small" && (
            <>
              {field("volume", "Each holds, ml", "volume_ml")}
              {field("area", "Its surface, cm²", "area_cm2")}
            </>
          )}
          {field("from", `From, °${units.temperature}`, "from_c")}
          <Choice label="Covered by" value={asked.cover} onPick={(value) => change({ cover: value })}>
            <Option value="none">nothing</Option>
            <Option value="film">film on it</Option>
            <Option value="lid">a lid</Option>
          </Choice>
          <div className="col-span-2">
            <Choice label="It stands on" value={asked.base} onPick={(value) => change({ base: value })}>
              <Option value="">a wire shelf, or as usual</Option>
              <Option value="glass">glass</Option>
              <Option value="board">a board</Option>
              <Option value="insulated">a cloth or cork</Option>
            </Choice>
          </div>
        </div>
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <Button
            look={set.sinceMs === null ? "filled" : "outlined"}
            disabled={!found}
            onClick={async () => {
              if ((await set.start()) !== null && batch === null)
                await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
            }}
          >
            {set.sinceMs === null ? "It goes in now" : "It goes in anew"}
          </Button>
          {batch !== null && (
            <Link
              to={`/daybook/${batch}`}
              className="inline-flex min-h-11 items-center font-bold text-rim underline"
            >
              To its verdict
            </Link>
          )}
          <SeeLink batch={batch} recipe={stored.id} at="set" />
          {set.isWhatIf && (
            <Button look="plain" onClick={set.backToRunning}>
              Back to the clock that runs
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
        <h2
          aria-live="polite"
          className="min-h-[74px] font-display font-semibold text-[1.875rem] leading-[1.15]"
        >
          {found ? (
            <>
              Cool in about {minutesText(found.cool_min[1])},<br />
              <span className="text-rim">
                {lower(stateName)} in {hoursText(found.set_min[0])} to {hoursText(found.set_min[1])}
              </span>
            </>
          ) : problem ? (
            "It does not set there"
          ) : (
            ""
          )}
        </h2>
        {problem && (
          <p role="alert" className="text-copper">
            {problem.detail}
          </p>
        )}
        {found && (
          <>
            {set.sinceMs !== null && (
              <Since
                clock={found}
                sinceMs={set.sinceMs}
                stateName={stateName}
                place={places.places.find((row) => row.key === ask.place)?.name ?? ""}
                name={recipe.name}
                batch={batch}
              />
            )}
            {set.isWhatIf && (
              <p className="text-[1rem] text-rim">What would be; the clock that runs goes on.</p>
            )}
            <PartOrFailure what="the cooling curve">
              <CoolCurve clock={found} seen={seen} sinceMs={set.sinceMs} units={units} />
            </PartOrFailure>
            <p className="text-[1rem]">
              Cool: {minutesText(found.cool_min[0])} to {minutesText(found.cool_min[2])}, when its warmest
              point is {degrees(found.cool_c, units)}. Cool is not set: cocoa butter goes on crystallising for
              hours.
            </p>
            {found.textbook_min !== null && (
              <p className="mt-1 text-[1rem] text-rim">
                By the book {minutesText(found.textbook_min)}; here, by {found.learned_batches}{" "}
                {found.learned_batches === 1 ? "batch" : "batches"}, {minutesText(found.cool_min[1])}.{" "}
                <Link to="/daybook/kitchen" className="underline">
                  What this kitchen taught
                </Link>
              </p>
            )}
            {found.says && <p className="mt-1 text-[1rem] text-rim">{found.says}</p>}
            {found.warnings.map((warning) => (
              <p key={warning} className="mt-2 rounded-md bg-butter px-3 py-2 text-[0.9375rem]">
                {warning}
              </p>
            ))}
            <p className="mt-2 text-[0.875rem] text-ash">
              From composition, shape and place. Kitchens differ: a quarter sooner to half as long again;
              after a reading ±10 %.
            </p>
          </>
        )}
      </section>

      <section
        aria-label="What is seen"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3"
      >
        <Seen key={JSON.stringify(ask)} sinceMs={set.sinceMs} units={units} onSeen={set.see} />
        <h3 className="mt-4 font-bold">Elsewhere, or in another shape</h3>
        {!beside.data && <p className="text-[0.9375rem] text-ash">Reckoning the other places.</p>}
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

type Named = { key: string; name: string };
type SelectProps = {
  label: string;
  value: string;
  rows: Named[] | undefined;
  problem?: string | null;
  onPick: (key: string) => void;
};

function Select({ label, value, rows, problem, onPick }: SelectProps) {
  return (
    <div>
      <Choice label={label} value={value} onPick={(value) => onPick(value)}>
        {rows?.map((row) => (
          <Option key={row.key} value={row.key}>
            {row.name}
          </Option>
        ))}
      </Choice>
      {problem && <p className="text-copper text-sm">{problem}</p>}
    </div>
  );
}
