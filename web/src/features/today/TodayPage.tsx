import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { batchQueries, occasionsQuery, recipeQueries } from "../../api/queries";
import { serverNow } from "../../api/serverTime";
import { placeOf } from "../../api/thread";
import { Door } from "../../ui/Door";
import { Notice } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";
import { clockText, momentText, spokenMinutes } from "../../units/time";
import { WaysIn } from "../begin";
import { useTimers } from "../clocks";
import { DataWarning } from "../data";
import { FirstStart } from "../kitchen";
import { Standing, useFollowed } from "../order";
import { EatFirst } from "../shelf";

const DAY_MS = 86_400_000;
/** An occasion that was to be ready so long ago is over. */
const OVER_AFTER_MIN = 720;

/** Today: what is running, what to do now, what to look at next, the next occasion; else the ways to begin. */
export function TodayPage() {
  const occasions = useQuery({ ...occasionsQuery, staleTime: 0 });
  const batches = useQuery({ ...batchQueries.list, staleTime: 0 });
  const recipes = useQuery(recipeQueries.list);
  const timers = useTimers();
  if (!occasions.data || !batches.data || !recipes.data)
    return (occasions.error ?? batches.error ?? recipes.error) ? (
      <Notice title="Hearth Bowl is not answering" text="Start it again. This page waits." />
    ) : (
      <Skeleton />
    );
  const next = nextOccasion(occasions.data.occasions);
  const running = batches.data.batches.filter((batch) => batch.ended_at === null);
  const quiet = running.length === 0 && timers.length === 0;
  const [only] = running;
  const see = running.length === 1 && only ? `/see/batch/${only.id}` : "/see";
  const last = recipes.data.recipes.find((row) => !row.put_away);
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] content-start gap-x-10 px-6 py-4 max-md:grid-cols-1 max-md:px-3">
      <DataWarning />
      <section aria-label="Now and next">
        <h1 className="font-display font-semibold text-[2rem] leading-tight">
          {quiet ? "Nothing is on the hob" : sentenceOf(running.length, timers.length)}
        </h1>
        <ul className="mt-2">
          {running.map((batch) => (
            <li key={batch.id} className="border-line border-b">
              <Link
                to={placeOf("stove", batch.recipe_id ?? 0, batch.confection_id)}
                className="flex min-h-14 items-center justify-between gap-4 hover:bg-rim-faint"
              >
                <b dir="auto" className="text-[1.125rem]">
                  {batch.name}
                </b>
                <span className="text-ash">
                  at the Stove, step {batch.step + 1} of {batch.steps}
                </span>
              </Link>
            </li>
          ))}
          {timers.map((timer) => (
            <li
              key={timer.key}
              className="flex min-h-12 items-center justify-between gap-4 border-line border-b"
            >
              <span>{timer.name}</span>
              <b className={timer.leftS < 0 ? "text-copper" : ""}>
                {timer.leftS < 0 ? `${clockText(timer.leftS)} over` : clockText(timer.leftS)}
              </b>
            </li>
          ))}
        </ul>
        <h2 className="mt-5 font-bold">{quiet ? "Begin" : "Start something else"}</h2>
        {!last && <FirstStart />}
        {!last && <WaysIn />}
        <ul className="mt-2 grid gap-2">
          {last && (
            <Door to="/recipes" title="Make something">
              choose a recipe
            </Door>
          )}
          {last && (
            <Door to="/read" title="Read a card">
              paste a recipe, or open a file
            </Door>
          )}
          <Door to="/occasions" title="Plan an occasion">
            say when it is to be ready and for how many
          </Door>
          {last && (
            <Door to={`/recipes/${last.id}/formula`} title="Continue from yesterday">
              {last.name}
            </Door>
          )}
          <Door to={see} title="What do you see?">
            something looks wrong
          </Door>
        </ul>
        <EatFirst />
        <LookAgain />
      </section>
      {next && <Next key={next.id} occasion={next} />}
    </main>
  );
}

/** What was made and wants a look: how it turned out, or how it has kept. */
function LookAgain() {
  const { data } = useQuery(batchQueries.toLookAt);
  if (!data || data.batches.length === 0) return null;
  return (
    <>
      <h2 className="mt-5 font-bold">Check again</h2>
      <ul>
        {data.batches.map((batch) => (
          <li key={batch.batch_id} className="border-line border-b">
            <Link
              to={`/daybook/${batch.batch_id}`}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 hover:bg-rim-faint"
            >
              <b dir="auto">{batch.name}</b>
              <span className="text-ash">
                {batch.asks} {batch.days === 0 ? "Made today" : `Made ${batch.days} days ago`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The next occasion, and where its order stands. */
function Next({ occasion }: { occasion: Schemas["StoredOccasion"] }) {
  const follow = useFollowed(occasion.id);
  const { name, ready_at } = occasion.asked;
  const minutes = ready_at ? (new Date(ready_at).getTime() - serverNow()) / 60_000 : null;
  const isOver = minutes !== null && minutes < -OVER_AFTER_MIN;
  return (
    <section
      aria-label={isOver ? "The last occasion" : "The next occasion"}
      className="max-md:order-first max-md:mb-6"
    >
      <h2 className="text-[1.125rem]">
        <Link
          to={`/occasions/${occasion.id}/order`}
          className="inline-flex min-h-11 items-center font-bold text-rim underline-offset-4 hover:underline"
        >
          {name}
        </Link>{" "}
        <span className="text-ash">
          {ready_at
            ? `${minutes !== null && minutes > 0 ? `ready in ${spokenMinutes(minutes)}` : "was to be ready"}: ${momentText(ready_at)}`
            : "has no date yet"}
        </span>
      </h2>
      {isOver ? (
        <>
          <p className="mt-1">
            It is over. Was something left?{" "}
            <Link to="/shelf" className="inline-flex min-h-11 items-center font-bold text-rim underline">
              Add it to the shelf
            </Link>
          </p>
          {follow && (
            <details>
              <summary className="flex min-h-11 items-center">Show its running order</summary>
              <Standing follow={follow} />
            </details>
          )}
        </>
      ) : follow ? (
        <Standing follow={follow} />
      ) : (
        <p className="mt-1">No running order yet. Open it to see when to start.</p>
      )}
    </section>
  );
}

/** The one that is to be ready next; else the last that was. */
function nextOccasion(rows: readonly Schemas["StoredOccasion"][]): Schemas["StoredOccasion"] | null {
  const dated = rows
    .filter((row) => row.asked.ready_at !== null)
    .sort((a, b) => (a.asked.ready_at ?? "").localeCompare(b.asked.ready_at ?? ""));
  const now = serverNow() - DAY_MS / 2;
  return (
    dated.find((row) => new Date(row.asked.ready_at ?? "").getTime() > now) ?? dated.at(-1) ?? rows[0] ?? null
  );
}

function sentenceOf(runs: number, clocks: number): string {
  const said = [
    runs > 0 && `Cooking now: ${runs}`,
    clocks > 0 && `${clocks === 1 ? "one clock runs" : `${clocks} clocks run`}`,
  ].filter(Boolean);
  const words = said.join(", ");
  return words.charAt(0).toUpperCase() + words.slice(1);
}
