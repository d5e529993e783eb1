import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { batchQueries, choicesQuery } from "../../api/queries";
import { Notice } from "../../app/Notice";
import { Button } from "../../ui/Button";
import { Sure } from "../../ui/Sure";
import { timeText } from "../../units/time";
import { useUnits } from "../../units/units";
import { type Happen, marksOf, TraceChart, useEvents, useLineNames, useRun, Waiting } from "../run";
import { told } from "./told";

const moment = (iso: string) =>
  new Date(iso).toLocaleString(undefined, {
    day: "numeric",
    month: "long",
    year: "numeric",
    hour: "numeric",
    minute: "2-digit",
  });

/** Daybook: every batch that was made. */
export function DaybookPage() {
  const { data } = useQuery({ ...batchQueries.list, staleTime: 0 });
  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">Daybook</h1>
      {data && data.batches.length === 0 && (
        <p className="mt-2 max-w-prose text-[1.0625rem]">
          No batch yet. After the first run this page tells how it went: the temperatures with their marks,
          what was weighed, which gates were passed by, how long it took to set, and what you made of it. Open
          a recipe and go to its <b>Stove</b> to start one.
        </p>
      )}
      <ul className="mt-3">
        {data?.batches.map((batch) => (
          <li key={batch.id} className="border-line border-b">
            <Link
              to={`/daybook/${batch.id}`}
              className="flex min-h-14 flex-wrap items-baseline justify-between gap-x-6 py-2 hover:bg-rim-faint"
            >
              <span>
                <b dir="auto" className="text-[1.125rem]">
                  {batch.name}
                </b>
                {batch.version !== null && <span className="text-ash"> version {batch.version}</span>}
              </span>
              <span className="text-[0.9375rem] text-ash">
                {moment(batch.started_at)},{" "}
                {batch.ended_at === null
                  ? `running, step ${batch.step + 1} of ${batch.steps}`
                  : batch.verdict.length > 0
                    ? batch.verdict.join(", ")
                    : "no verdict yet"}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** One batch: its trace, what happened, and the verdict. */
export function BatchPage() {
  const id = Number(useParams().id);
  const { run, error } = useRun(id);
  if ((error && !run) || !Number.isInteger(id))
    return <Notice title="There is no such batch" text="It may have been deleted." />;
  return <>{run && <Bench key={id} run={run} />}</>;
}

function Bench({ run }: { run: Schemas["Run"] }) {
  const { batch } = run;
  const units = useUnits();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const happen = useEvents(batch.id);
  const nameOf = useLineNames(run);
  const { data: trace } = useQuery(batchQueries.trace(batch.id));
  const startedMs = Date.parse(batch.started_at);
  const endS = batch.ended_at
    ? (Date.parse(batch.ended_at) - startedMs) / 1000
    : Number(trace?.stretches.at(-1)?.at(-1)?.[0] ?? 0);
  const remove = useMutation({
    mutationFn: () =>
      dataOf(client.DELETE("/api/batches/{batch_id}", { params: { path: { batch_id: batch.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
      navigate("/daybook");
    },
  });
  const last = run.steps[batch.step];
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_420px] max-lg:grid-cols-1">
      <section aria-label="The batch" className="px-6 py-4 max-md:px-3">
        <h1 dir="auto" className="font-display font-semibold text-3xl">
          {batch.name}
        </h1>
        <p className="text-[1rem] text-ash">
          {moment(batch.started_at)}, {batch.ended_at ? `took ${timeText(endS)}` : "still running"}
          {batch.version !== null && `, version ${batch.version}`}, {trace?.readings ?? 0} readings
        </p>
        {last && (
          <TraceChart
            trace={trace}
            forecast={null}
            step={{ ...last, target_c: null, ceiling_c: null }}
            stepSince={null}
            nowS={endS}
            marks={marksOf(run, startedMs)}
            units={units}
          />
        )}
        <p className="flex flex-wrap gap-4 print:hidden">
          {["csv", "json"].map((kind) => (
            <a
              key={kind}
              href={`/api/batches/${batch.id}/batch.${kind}`}
              className="inline-flex min-h-11 items-center font-bold text-rim underline"
            >
              Everything as {kind.toUpperCase()}
            </a>
          ))}
          <ReadingsFile batch={batch.id} probe={batch.probe_id} />
          {batch.ended_at === null && batch.recipe_id !== null && (
            <Link
              to={`/recipes/${batch.recipe_id}/stove`}
              className="inline-flex min-h-11 items-center font-bold text-rim underline"
            >
              Go on at the stove
            </Link>
          )}
          <Sure
            words="Delete this batch"
            goes={`The batch of ${moment(batch.started_at)} goes from the daybook, with all that happened in it.`}
            disabled={remove.isPending}
            onSure={() => remove.mutate()}
          />
        </p>
      </section>
      <section
        aria-label="What happened"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:border-t max-lg:border-l-0 max-md:px-3"
      >
        <Verdict run={run} happen={happen} />
        <h2 className="mt-4 font-bold text-lg">What happened</h2>
        <ol className="text-[0.9375rem]">
          {run.events.map((event) => (
            <li key={event.client_key} className="flex gap-3 border-line border-b py-1">
              <span className="w-20 shrink-0 whitespace-nowrap text-ash">
                {timeText((Date.parse(event.at) - startedMs) / 1000)}
              </span>
              <span>{told(event, run, nameOf, units)}</span>
            </li>
          ))}
        </ol>
      </section>
    </main>
  );
}

/** Readings that a logger kept, from a CSV file with a moment and a temperature a row. */
function ReadingsFile({ batch, probe }: { batch: number; probe: string }) {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async (file: File) =>
      dataOf(
        client.POST("/api/probes/{probe_id}/csv", {
          params: { path: { probe_id: probe } },
          body: { csv: await file.text() },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: batchQueries.trace(batch).queryKey }),
  });
  return (
    <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 font-bold text-rim underline">
      Readings from a CSV file (at, c)
      <input
        type="file"
        accept=".csv,text/csv"
        className="sr-only"
        onChange={(event) => event.target.files?.[0] && take.mutate(event.target.files[0])}
      />
      <span role="status" className="font-normal no-underline">
        {take.data && `${take.data.stored} taken`}
        {take.error?.message}
      </span>
    </label>
  );
}

/** The verdict by texture words, and a note. */
function Verdict({ run, happen }: { run: Schemas["Run"]; happen: Happen }) {
  const { data } = useQuery(choicesQuery);
  const before = run.state.verdict;
  const [words, setWords] = useState<readonly string[]>(before?.words ?? []);
  const [text, setText] = useState(before?.text ?? "");
  const isKept = before !== null && before.text === text && sameWords(before.words, words);
  const toggle = (word: string) =>
    setWords((now) => (now.includes(word) ? now.filter((one) => one !== word) : [...now, word]));
  return (
    <div>
      <h2 className="font-bold text-lg">How did it turn out?</h2>
      <div className="mt-1 flex flex-wrap gap-2">
        {data?.verdict_words.map((word) => (
          <Button
            key={word}
            aria-pressed={words.includes(word)}
            className="aria-pressed:bg-rim aria-pressed:text-sheet"
            onClick={() => toggle(word)}
          >
            {word}
          </Button>
        ))}
      </div>
      <label className="mt-2 block text-[0.9375rem]">
        <span className="text-ash text-sm">Notes</span>
        <textarea
          value={text}
          rows={3}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
          className="w-full rounded-md border-[1.5px] border-line-strong bg-sheet p-2"
        />
      </label>
      <p className="mt-1 flex items-center gap-3">
        <Button
          look="filled"
          disabled={isKept}
          onClick={() => happen({ kind: "verdict", words: [...words], text })}
        >
          Keep the verdict
        </Button>
        <span role="status" className="text-[0.9375rem] text-rim">
          {isKept && `Kept: ${before.words.join(", ") || "your notes"}`}
        </span>
      </p>
      <Waiting isLost={false} />
    </div>
  );
}

const sameWords = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((word) => b.includes(word));
