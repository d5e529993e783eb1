import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { batchQueries } from "../../api/queries";
import { placeOf } from "../../api/thread";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { NotThere } from "../../ui/Notice";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { PdfLink } from "../../ui/PdfLink";
import { Sure } from "../../ui/Sure";
import { timeText } from "../../units/time";
import { useUnits } from "../../units/units";
import { marksOf, TraceChart, useEvents, useLineNames, useRun } from "../run";
import { SeeLink } from "../seen";
import { OntoShelf } from "../shelf";
import { moment } from "./moments";
import { NextChanges } from "./NextChanges";
import { Photographs } from "./Photographs";
import { told } from "./told";
import { Verdict } from "./Verdict";
import { WeighedOut } from "./WeighedOut";

/** One batch: its trace, planned against actual, what happened, the verdict and what is worth trying next. */
export function BatchPage() {
  const id = Number(useParams().id);
  const { run, error } = useRun(id);
  if ((error && !run) || !Number.isInteger(id)) return <NotThere what="batch" error={error} />;
  return <>{run && <Bench key={id} run={run} />}</>;
}

function Bench({ run }: { run: Schemas["Run"] }) {
  const { batch } = run;
  const units = useUnits();
  const happen = useEvents(batch.id);
  const nameOf = useLineNames(run);
  const { data: trace } = useQuery(batchQueries.trace(batch.id));
  const said = JSON.stringify([run.state.verdict, run.state.weighed_out, run.events.length]);
  const page = useQuery({
    ...batchQueries.page(batch.id),
    queryKey: [...batchQueries.page(batch.id).queryKey, said],
  });
  const startedMs = Date.parse(batch.started_at);
  const endS = batch.ended_at
    ? (Date.parse(batch.ended_at) - startedMs) / 1000
    : Number(trace?.stretches.at(-1)?.at(-1)?.[0] ?? 0);
  const drawnS = Number(trace?.stretches.at(-1)?.at(-1)?.[0] ?? endS);
  const last = run.steps[batch.step];
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_430px] max-lg:grid-cols-1">
      <section aria-label="The batch" className="px-6 py-4 max-md:px-3">
        <h1 dir="auto" className="font-display font-semibold text-3xl">
          {batch.name}
        </h1>
        <p className="text-[1rem] text-ash">
          {moment(batch.started_at)}, {batch.ended_at ? `took ${timeText(endS)}` : "still running"}
          {batch.version !== null && `, version ${batch.version}`}, {trace?.readings ?? 0} readings
        </p>
        {last && (
          <PartOrFailure what="the temperature chart">
            <TraceChart
              trace={trace}
              forecast={null}
              step={{ ...last, target_c: null, ceiling_c: null, usual_min: [0, 0] }}
              stepSince={null}
              nowS={Math.min(endS, drawnS + 600)}
              marks={marksOf(run, startedMs).filter((mark) => mark.at <= drawnS + 600)}
              units={units}
            />
          </PartOrFailure>
        )}
        <AsMade recipe={run.recipe} isMended={run.state.mended.length > 0} />
        <Planned rows={page.data?.planned ?? []} />
        <Photographs batch={batch.id} photographs={page.data?.photographs ?? []} />
        <PdfLink of={`/api/batches/${batch.id}/page.pdf`}>A page to print</PdfLink>
        <Beside run={run} />
      </section>
      <section
        aria-label="Results"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:border-t max-lg:border-l-0 max-md:px-3"
      >
        <Verdict run={run} happen={happen} />
        {batch.ended_at !== null && batch.confection_id !== null && (
          <OntoShelf confectionId={batch.confection_id} madeAt={batch.ended_at} />
        )}
        <NextChanges batch={batch.id} changes={page.data?.changes ?? []} />
        <WeighedOut run={run} happen={happen} units={units} />
        <h2 className="mt-4 font-bold text-lg">History</h2>
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

/** How what was made sets and keeps, with what was put in to mend it. */
function AsMade({ recipe, isMended }: { recipe: Schemas["RecipeFile"]; isMended: boolean }) {
  const { data } = useQuery({
    queryKey: ["as-made", recipe],
    queryFn: ({ signal }) => dataOf(client.POST("/api/formula", { body: { recipe }, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const keeps = data?.readings.find((row) => row.title === "Keeps");
  const contains = data?.readings.find((row) => row.title === "Contains");
  if (!data) return null;
  return (
    <p className="mt-1 text-[1rem]">
      {isMended && <b>After the fix: </b>}
      {data.sentence.lead}
      {data.sentence.turn && `, ${data.sentence.turn}`}. {keeps && `Keeps ${keeps.shown} ${keeps.unit}. `}
      {contains && `Contains ${contains.shown}.`}
    </p>
  );
}

/** What was planned beside what was. */
function Planned({ rows }: { rows: readonly Schemas["PlannedActual"][] }) {
  if (rows.length === 0) return null;
  return (
    <table className="mt-2 w-full text-[0.9375rem]">
      <thead>
        <tr className="border-line-strong border-b text-left text-ash">
          <th className="py-1 font-normal">Planned and actual</th>
          <th className="py-1 text-right font-normal">planned</th>
          <th className="py-1 text-right font-normal">was</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name} className="border-line border-b">
            <td className="py-1">{row.name}</td>
            <td className="py-1 text-right text-ash">{row.planned}</td>
            <td className={`py-1 text-right ${row.is_off ? "font-bold" : ""}`}>
              {row.is_off && <span className="rounded bg-butter px-1">{row.actual}</span>}
              {!row.is_off && row.actual}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What else can be done with a batch: again, files, left out, deleted. */
function Beside({ run }: { run: Schemas["Run"] }) {
  const { batch } = run;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { batch_id: batch.id } };
  const again = useMutation({
    mutationFn: () => dataOf(client.POST("/api/batches/{batch_id}/again", { params })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: ["batches"] });
      navigate(
        made.batch.recipe_id === null
          ? `/daybook/${made.batch.id}`
          : placeOf("stove", made.batch.recipe_id, made.batch.confection_id),
      );
    },
  });
  const teach = useMutation({
    mutationFn: (teaches: boolean) =>
      dataOf(client.PUT("/api/batches/{batch_id}/teaches", { params, body: { teaches } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["batches"] }),
  });
  const remove = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/batches/{batch_id}", { params })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: batchQueries.list.queryKey, exact: true });
      void queries.invalidateQueries({ queryKey: ["batches", "found"] });
      navigate("/daybook");
    },
  });
  return (
    <p className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
      {batch.ended_at === null ? (
        batch.recipe_id !== null && (
          <Link
            to={placeOf("stove", batch.recipe_id, batch.confection_id)}
            className="inline-flex min-h-11 items-center font-bold text-rim underline"
          >
            Continue at the Stove
          </Link>
        )
      ) : (
        <Button disabled={again.isPending} onClick={() => again.mutate()}>
          Make the same again
        </Button>
      )}
      <SeeLink batch={batch.id} />
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
      <Checkbox checked={batch.teaches} disabled={teach.isPending} onCheck={(now) => teach.mutate(now)}>
        Learn from this batch
      </Checkbox>
      <Sure
        words="Delete this batch"
        goes={`The batch of ${moment(batch.started_at)} will be deleted with its history and photographs.`}
        disabled={remove.isPending}
        onSure={() => remove.mutate()}
      />
      {(again.error ?? teach.error) && (
        <span role="alert" className="text-copper">
          {(again.error ?? teach.error)?.message}
        </span>
      )}
    </p>
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
