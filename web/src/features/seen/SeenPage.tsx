import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { newKey, tell } from "../../api/outbox";
import { batchQueries, recipeQueries } from "../../api/queries";
import { serverMoment } from "../../api/serverTime";
import { Notice, NotThere } from "../../ui/Notice";
import { NumberField } from "../../ui/NumberField";
import { PhraseList } from "../../ui/Phrase";
import { MassField } from "../../ui/QuantityField";
import { Skeleton } from "../../ui/Skeleton";
import { dayOf } from "../../units/time";
import { numberIn, temperature, useUnits } from "../../units/units";
import { Answer } from "./Answer";
import { SignDrawing } from "./SignDrawing";
import { type Subject, signsQuery, useSeen } from "./useSeen";

/** What do you see: of a batch, or of a recipe that is being made without one. */
export function SeenPage() {
  const params = useParams();
  const [search] = useSearchParams();
  const id = Number(params.id);
  if (params.id === undefined) return <Choose />;
  if (!Number.isInteger(id) || (params.of !== "batch" && params.of !== "recipe"))
    return <Notice title="There is nothing here" text="The address may be mistyped." />;
  const subject = params.of === "batch" ? { batch: id, recipe: null } : { batch: null, recipe: id };
  return <Bench key={`${params.of}${id}`} subject={subject} stage={search.get("at")} />;
}

/** From Today: which batch or recipe it is about. */
function Choose() {
  const batches = useQuery({ ...batchQueries.list, staleTime: 0 });
  const recipes = useQuery(recipeQueries.list);
  if (!batches.data || !recipes.data) return <Skeleton />;
  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">What do you see?</h1>
      <p className="mt-1 text-[1.0625rem]">Which one is it? Of a batch more is known, so less is asked.</p>
      <div className="grid grid-cols-2 gap-x-10 max-md:grid-cols-1">
        <section>
          <h2 className="mt-3 font-bold">The last batches</h2>
          <ul>
            {batches.data.batches.slice(0, 6).map((batch) => (
              <Row key={batch.id} to={`/see/batch/${batch.id}`} name={batch.name}>
                {batch.ended_at === null ? "running" : dayOf(batch.started_at, "date")}
              </Row>
            ))}
          </ul>
          {batches.data.batches.length === 0 && <p className="text-ash">No batch yet.</p>}
        </section>
        <section>
          <h2 className="mt-3 font-bold">Or a recipe</h2>
          <ul>
            {recipes.data.recipes
              .filter((row) => !row.put_away)
              .map((row) => (
                <Row key={row.id} to={`/see/recipe/${row.id}`} name={row.name} />
              ))}
          </ul>
        </section>
      </div>
    </main>
  );
}

function Row({ to, name, children }: { to: string; name: string; children?: React.ReactNode }) {
  return (
    <li className="border-line border-b">
      <Link to={to} className="flex min-h-12 items-center justify-between gap-4 hover:bg-rim-faint">
        <b dir="auto">{name}</b>
        <span className="text-ash">{children}</span>
      </Link>
    </li>
  );
}

function Bench({ subject, stage }: { subject: Subject; stage: string | null }) {
  const signs = useQuery(signsQuery);
  const see = useSeen(subject, stage);
  const batch = useQuery({
    ...batchQueries.one(subject.batch ?? 0),
    enabled: subject.batch !== null,
    staleTime: 0,
  });
  const queries = useQueryClient();
  const [all, setAll] = useState(false);
  if (
    (batch.error && !batch.data) ||
    (subject.recipe !== null && see.name === null && signs.data && !see.isReady)
  )
    return <NotThere what="batch" error={batch.error} />;
  if (!signs.data || !see.isReady) return <Skeleton />;
  const name = batch.data?.batch.name ?? see.name ?? "";
  const here = signs.data.stages.find((row) => row.key === see.stage);
  const shown = signs.data.signs.filter(
    (row) => all || here?.signs.includes(row.key) || see.seen.includes(row.key),
  );
  const told = see.told?.data;
  const mended =
    subject.batch === null
      ? null
      : (cause: string, text: string, put_in: Schemas["MendedWithIn"][]) => {
          tell({
            kind: "event",
            batch: subject.batch ?? 0,
            event: { client_key: newKey(), at: serverMoment(), what: { kind: "mend", cause, text, put_in } },
          });
          void queries.invalidateQueries({ queryKey: ["batches"] });
        };
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)] max-lg:grid-cols-1">
      <section aria-label="Checks" className="px-6 py-3 max-md:px-3">
        <h1 className="font-display font-semibold text-[1.625rem] leading-tight">What do you see?</h1>
        <p className="text-[1.0625rem] leading-[1.9]">
          <b dir="auto">{name}</b>,{" "}
          <PhraseList
            label="Stage"
            text={(here?.name ?? "").toLowerCase()}
            after="."
            value={see.stage}
            options={signs.data.stages.map((row) => ({ value: row.key, text: row.name }))}
            onPick={see.setStage}
          />{" "}
          {subject.batch !== null && (
            <Link to={`/daybook/${subject.batch}`} className="text-[0.9375rem] text-ash underline">
              To the batch
            </Link>
          )}
        </p>
        <ul className="mt-1 grid grid-cols-3 gap-2 max-sm:grid-cols-2">
          {shown.map((row) => (
            <li key={row.key}>
              <button
                type="button"
                aria-pressed={see.seen.includes(row.key)}
                onClick={() => see.toggle(row.key)}
                className="flex h-full w-full flex-col items-center rounded-lg border-[1.5px] border-line-strong bg-sheet p-2 text-center hover:bg-rim-faint aria-pressed:border-rim aria-pressed:bg-rim-faint aria-pressed:ring-2 aria-pressed:ring-rim"
              >
                <SignDrawing sign={row.key} />
                <b className="text-[1.0625rem] leading-tight">{row.word}</b>
                <span className="text-[0.875rem] text-ash leading-tight">{row.looks}</span>
              </button>
            </li>
          ))}
        </ul>
        {!all && (
          <button
            type="button"
            className="mt-1 min-h-11 font-bold text-rim underline"
            onClick={() => setAll(true)}
          >
            Show every sign
          </button>
        )}
      </section>
      <section
        aria-label="What it is"
        className="border-line border-l bg-sheet px-6 py-3 max-lg:border-t max-lg:border-l-0 max-md:px-3"
      >
        {see.told?.error && (
          <p role="alert" className="text-copper">
            {see.told.error.message}
          </p>
        )}
        {told ? (
          <Answer told={told} onAnswer={see.answer} onMended={mended} />
        ) : (
          <p className="mt-2 max-w-prose text-[1.125rem]">
            Press what it looks like, one or several. What is known of it already is taken into account; at
            most three questions follow.
          </p>
        )}
        <KnownFacts see={see} massG={told?.mass_g ?? null} />
      </section>
    </main>
  );
}

type KnownProps = { see: ReturnType<typeof useSeen>; massG: number | null };

/** What is known already, filled in: changed here, it counts. */
function KnownFacts({ see, massG }: KnownProps) {
  const units = useUnits();
  const { facts } = see;
  const inF = units.temperature === "F";
  const own = (c: number | null) =>
    c === null ? "" : String(Math.round((inF ? c * 1.8 + 32 : c) * 10) / 10);
  const celsius = (text: string) => {
    const figure = numberIn(text);
    return figure === undefined ? null : inF ? (figure - 32) / 1.8 : figure;
  };
  const known = [
    facts.hottest_c !== null && `hottest ${temperature(facts.hottest_c, units)} ${facts.hottest_when}`.trim(),
    facts.minutes !== null && `${Math.round(facts.minutes)} min so far`,
    facts.water_lost_g !== null && `${Math.round(facts.water_lost_g)} g of water lost`,
    facts.days !== null && `made ${facts.days} days ago`,
    facts.room_c !== null && `room ${temperature(facts.room_c, units)}`,
    facts.sugar_dissolved === false && "the sugar check was skipped",
  ].filter(Boolean);
  return (
    <details className="mt-4" open={see.seen.length > 0}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-rim">
        What is known{known.length > 0 && `: ${known.join(", ")}`}
      </summary>
      <div className="grid max-w-xl grid-cols-3 items-end gap-3 max-sm:grid-cols-2">
        <MassField
          label="In the bowl now"
          value={see.mass === null ? "" : String(see.mass)}
          placeholder={massG === null ? undefined : `about ${Math.round(massG)}`}
          onMass={(text) => see.setMass(numberIn(text) || null)}
        />
        <NumberField
          label={`It is at, °${units.temperature}`}
          value={see.nowC === null ? own(see.known?.now_c ?? null) : own(see.nowC)}
          onChange={(event) => see.setNowC(celsius(event.target.value))}
        />
        <NumberField
          label={`Hottest, °${units.temperature}`}
          value={own(facts.hottest_c)}
          onChange={(event) => see.setFact({ hottest_c: celsius(event.target.value), hottest_when: "" })}
        />
      </div>
    </details>
  );
}
