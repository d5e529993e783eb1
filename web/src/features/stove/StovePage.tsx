import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { BY_HAND } from "../../api/probes";
import { batchQueries, recipeQueries } from "../../api/queries";
import { serverNow } from "../../api/serverTime";
import { placeOf } from "../../api/thread";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { NotThere } from "../../ui/Notice";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { Skeleton } from "../../ui/Skeleton";
import { useSpeak } from "../../ui/sound";
import { useUnits } from "../../units/units";
import { Clocks, useSeconds } from "../clocks";
import {
  carriedOn,
  FOLLOW_MS,
  lower,
  marksOf,
  Probe,
  SETS,
  TraceChart,
  useEvents,
  useRun,
  Waiting,
} from "../run";
import { SeeLink } from "../seen";
import { DayOfOrder } from "./DayOfOrder";
import { nextElsewhere, placeIn, taskOf } from "./day";
import { FullCall } from "./FullCall";
import { Gate } from "./Gate";
import { GoesIn } from "./GoesIn";
import { Hand } from "./Hand";
import { LineOfActs } from "./LineOfActs";
import { MarkNow } from "./Mark";
import { NowPanel, saysOf } from "./NowPanel";
import { StartRun } from "./StartRun";
import { Bursts, PanOnTheScale, SeedFor } from "./StepHelp";
import { StepList } from "./StepList";
import { useAlert, useAwake } from "./useAlert";
import { lineNow, nextAct, type RunAct, useElsewhere } from "./useLine";
import { Weigh } from "./Weigh";
import { WentWrong } from "./WentWrong";

/** Stove: the run of a batch, live. */
export function StovePage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const batches = useQuery({ ...batchQueries.list, staleTime: 0, refetchInterval: FOLLOW_MS });
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || !batches.data) return <Skeleton />;
  const running = batches.data.batches.find((batch) => batch.recipe_id === id && batch.ended_at === null);
  return (
    <>
      {running ? (
        <RunOf key={running.id} batch={running.id} />
      ) : (
        <StartRun id={id} name={stored.data.recipe.name} />
      )}
    </>
  );
}

function RunOf({ batch }: { batch: number }) {
  const { run } = useRun(batch);
  return run ? <RunBench run={run} /> : <Skeleton />;
}

type Run = Schemas["Run"];
type Step = Schemas["Step"];

function RunBench({ run }: { run: Run }) {
  const id = run.batch.id;
  const units = useUnits();
  const navigate = useNavigate();
  useAwake();
  useEffect(() => {
    // where a run ends, also when the connection is lost by then
    for (const page of [() => import("../set"), () => import("../daybook")]) page().catch(() => null);
  }, []);
  const happen = useEvents(id);
  const queries = useQueryClient();
  const live = useQuery({ ...batchQueries.live(id), refetchInterval: 1000, retry: false });
  const trace = useQuery({ ...batchQueries.trace(id), refetchInterval: 2000, retry: false });
  const at = run.batch.step;
  const [showWeigh, setShowWeigh] = useState<boolean | null>(null);
  const [speak, setSpeak] = useSpeak();
  const step = run.steps[at] as Step;
  const isLost = live.isError;
  useSeconds(isLost);
  const lostS = isLost && live.data ? Math.max(0, (Date.now() - live.dataUpdatedAt) / 1000) : 0;
  const now = live.data ? carriedOn(live.data, lostS) : null;
  const sameStep = now?.step === at;
  const serverStep = live.data?.step;
  useEffect(() => {
    if (serverStep !== undefined && serverStep !== at)
      void queries.invalidateQueries({ queryKey: batchQueries.one(id).queryKey, exact: true });
  }, [serverStep, at, id, queries]);
  const startedMs = Date.parse(run.batch.started_at);
  const nowS = now
    ? (Date.parse(now.now) - startedMs) / 1000 + lostS
    : Math.max(0, (serverNow() - startedMs) / 1000);
  const since = stepSince(run, trace.data);
  const urgent = sameStep && (now?.urgent ?? false);
  const words = now?.call ?? "";
  const isSeen = (now?.seen ?? false) || (urgent && isJustSeen(run.state.calls_seen_s[words], nowS));
  useAlert(words, urgent && !isSeen);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step begins at the top of the page
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [at]);
  const weighing = showWeigh ?? (step.heat === "none" && step.positions.length > 0);
  const go = (next: number) => {
    const target = run.steps[next];
    if (!target) return;
    setShowWeigh(null);
    happen({ kind: "step", step: next, key: target.key, c: now?.true_c ?? null });
  };
  const line = lineNow(run);
  const isWhole = line.acts.some((act) => act.part !== "");
  const next = nextAct(line);
  const other = useElsewhere(run);
  const day = useQuery({ ...batchQueries.day(id), retry: false }).data?.day ?? null;
  const here = line.acts[line.at];
  const elsewhere = nextElsewhere(day, run.batch.confection_id, here, next);
  const isHere = (act: RunAct) => act.batch_id === id;
  const goTo = (act: RunAct) => {
    if (!isHere(act)) other.mutate({ act, leave: null });
    else if (act.step !== null) go(act.step);
  };
  const done = () => {
    if (step.ask && run.state.ask === null)
      happen({ kind: "gate", key: step.key, gate: "ask", answer: "skipped" });
    if (next && elsewhere && day) {
      other.mutate({ act: placeIn(day, elsewhere), leave: { kind: "step-done", key: step.key } });
      return;
    }
    if (next && isHere(next)) return goTo(next);
    const isLast = !line.acts.some((act) => isHere(act) && act.state === "ahead");
    if (next) {
      other.mutate({ act: next, leave: isLast ? { kind: "end" } : { kind: "step-done", key: step.key } });
      return;
    }
    happen({ kind: "end" });
    navigate(afterRun(run));
  };
  const ofDay = day && (
    <DayOfOrder
      day={day}
      here={taskOf(day, run.batch.confection_id, here)}
      onGo={(task) => other.mutate({ act: placeIn(day, task), leave: null })}
    />
  );
  const acts = { acts: line.acts, at: line.at, pieces: run.made_name || "The pieces", onGo: goTo };
  const byHand = run.batch.probe_id === BY_HAND;
  const hand = (
    <Hand
      probe={run.batch.probe_id}
      lastShownC={now?.shown_c ?? lastShown(run, trace.data)}
      lastC={lastReadings(run, trace.data)}
      units={units}
    />
  );
  return (
    <main className="at-stove flex flex-1 flex-col lg:h-[calc(100vh-3.25rem)] lg:flex-none">
      {urgent && !isSeen && (
        <FullCall
          words={words}
          says={saysOf(now, units)}
          onSeen={() => happen({ kind: "call-seen", words: words.slice(0, 200) })}
        />
      )}
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_400px] grid-rows-[auto_minmax(0,1fr)] max-lg:flex max-lg:flex-col lg:min-h-0 xl:grid-cols-[17.5rem_minmax(0,1fr)_400px]">
        <nav
          aria-label="Steps"
          className="row-span-2 flex flex-col border-line border-r pt-2 pl-2 max-xl:hidden xl:min-h-0"
        >
          <div key={day === null ? "alone" : "with a day"} className="min-h-0 flex-1 overflow-y-auto">
            <LineOfActs {...acts} />
          </div>
          <div className="max-h-[42%] overflow-y-auto">{ofDay}</div>
        </nav>
        <header className="px-6 pt-3 max-md:px-3">
          <h1 className="font-display font-semibold text-[1.625rem] leading-tight max-md:text-[1.375rem]">
            <span dir="auto">{isWhole ? run.made_name || run.batch.name : run.batch.name}</span>, step{" "}
            {line.at + 1} of {line.acts.length}: {lower(step.title)}
          </h1>
          <p className="text-[1.125rem] max-md:leading-snug">
            {step.do}
            {!step.attended && <span className="text-ash"> It can wait.</span>}
          </p>
        </header>
        <section
          aria-label="The run"
          className="flex flex-col px-6 max-md:px-3 max-lg:order-last lg:col-start-1 lg:row-start-2 xl:col-start-2 lg:min-h-0 lg:overflow-y-auto"
        >
          <div className="flex flex-wrap items-center gap-2">
            <StepList {...acts}>{ofDay}</StepList>
            {step.positions.length > 0 && (
              <Button
                look="plain"
                className="min-h-16 text-[1.0625rem]"
                aria-pressed={weighing}
                onClick={() => setShowWeigh(!weighing)}
              >
                {weighing ? "Show the chart" : `Weigh, ${step.positions.length}`}
              </Button>
            )}
            <Probe
              probe={run.batch.probe_id}
              isSilent={!now?.reading_at}
              onChange={(probe_id) => happen({ kind: "probe", probe_id })}
            />
          </div>
          <div className="flex-1 lg:min-h-0">
            {weighing ? (
              <Weigh run={run} step={step} units={units} happen={happen} />
            ) : (
              <PartOrFailure what="the temperature chart">
                <TraceChart
                  trace={trace.data}
                  forecast={sameStep ? (now?.forecast ?? null) : null}
                  step={step}
                  stepSince={since}
                  nowS={nowS}
                  marks={marksOf(run, startedMs)}
                  units={units}
                />
              </PartOrFailure>
            )}
          </div>
        </section>
        <section
          aria-label="Now"
          className="min-h-0 overflow-y-auto border-line border-l bg-sheet px-6 py-2 max-md:px-3 max-lg:border-b max-lg:border-l-0 lg:col-start-2 lg:row-span-2 lg:row-start-1 xl:col-start-3"
        >
          <WentWrong batch={id} happen={happen} onBack={go} />
          <NowPanel
            run={run}
            live={sameStep ? now : null}
            step={step}
            units={units}
            lostS={lostS}
            sinceS={Math.max(0, nowS - run.state.step_since_s)}
          />
          <GoesIn takes={step.takes} units={units} />
          {SETS.has(step.key) && run.batch.recipe_id !== null && (
            <Link
              to={placeOf("set", run.batch.recipe_id, run.batch.confection_id)}
              className="mt-2 inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-rim px-3 font-bold text-[0.9375rem] text-rim hover:bg-rim-faint"
            >
              Open the set clock
            </Link>
          )}
          {byHand && hand}
          <ul>
            {step.cue && (
              <Gate
                words={sentence(step.cue)}
                under={step.passes || "Sign that it is ready"}
                answer={run.state.cue}
                onAnswer={(answer) =>
                  happen({ kind: "gate", key: step.key, gate: "cue", answer, c: now?.true_c ?? null })
                }
              />
            )}
            {step.ask && (
              <Gate
                words={step.ask}
                under={step.why}
                answer={run.state.ask}
                onAnswer={(answer) =>
                  happen({ kind: "gate", key: step.key, gate: "ask", answer, c: now?.true_c ?? null })
                }
              />
            )}
          </ul>
          {!step.ask && <p className="mt-2 text-[1rem] text-ash">{step.why}</p>}
          {step.heat === "melt" && run.choices.heat === "microwave" && (
            <Bursts batch={id} nowC={now?.true_c ?? null} happen={happen} />
          )}
          {step.heat === "boil" && (
            <PanOnTheScale batch={id} sinceS={since ? nowS - since.at : 0} units={units} happen={happen} />
          )}
          {step.key === "temper-melt" && run.shell && !knowsSeed(run) && <SeedFor chocolate={run.shell} />}
          <div className="mt-3 flex gap-3">
            <Button
              look="filled"
              className="min-h-16 flex-1 text-[1.25rem]"
              disabled={other.isPending}
              onClick={done}
            >
              {next ? nextWords(step) : "Finish batch"}
            </Button>
            <MarkNow onMark={(name) => happen({ kind: "mark", name, c: now?.true_c ?? null })} />
          </div>
          {other.error && (
            <p role="alert" className="mt-2 text-copper">
              {other.error.message}
            </p>
          )}
          <Waiting isLost={isLost} />
          <details className="mt-1">
            <summary className="min-h-16 cursor-pointer py-4 text-[1.0625rem] text-rim">
              {byHand ? "Voice" : "Enter readings by hand, voice"}
            </summary>
            {!byHand && hand}
            <Checkbox className="min-h-16 text-[1.0625rem]" checked={speak} onCheck={setSpeak}>
              Speak alerts aloud
            </Checkbox>
          </details>
        </section>
      </div>
      <footer className="flex flex-wrap items-stretch border-line border-t bg-[#e9ebe7]">
        <Clocks batch={id} />
        <div className="flex flex-1 flex-wrap items-center gap-x-5 px-5 pt-2">
          <p className="font-display font-semibold text-[1.25rem] leading-tight">
            Next:{" "}
            {elsewhere && next ? lower(elsewhere.title) : next ? lower(next.title) : "set, then the verdict"}
            {elsewhere && next ? (
              <span dir="auto">, {elsewhere.confection}</span>
            ) : (
              next && !isHere(next) && <span dir="auto">, {next.part || "the pieces"}</span>
            )}
          </p>
          <SeeLink batch={id} className="min-h-16 text-[1.0625rem]" />
          <Link to={`/daybook/${id}`} className={BESIDE}>
            Open in the daybook
          </Link>
        </div>
        {step.caution && (
          <p className="min-w-[min(20rem,100%)] flex-1 border-line border-l bg-copper-pale px-5 py-2 text-[1rem] text-copper">
            {step.caution}
          </p>
        )}
      </footer>
    </main>
  );
}

const BESIDE = "inline-flex items-center text-[0.9375rem] text-ash underline";

const sentence = (cue: string) => cue.charAt(0).toUpperCase() + cue.slice(1);

/** Whether the run itself says how much chocolate to melt and to keep back. */
const knowsSeed = (run: Run) => run.steps.some((step) => step.takes.some((take) => take.seed_g != null));

function nextWords(step: Step): string {
  if (step.call && step.heat === "warm") return "Done, next step";
  if (step.heat === "warm" || step.heat === "boil" || step.heat === "melt") return "Off the heat";
  return step.heat === "cool" ? "Reached; next step" : "Done, next step";
}

/** What is done at the stove goes to set where its last step says so; from there to its verdict. */
const afterRun = ({ batch, steps }: Run) =>
  batch.recipe_id !== null && SETS.has(steps.at(-1)?.key ?? "")
    ? placeOf("set", batch.recipe_id, batch.confection_id)
    : `/daybook/${batch.id}`;

/** Until the server's own word comes, a call that was seen a moment ago is quiet. */
const JUST_S = 60;
const isJustSeen = (seenS: number | undefined, nowS: number) => seenS !== undefined && nowS - seenS < JUST_S;

/** The last reading of the run as its thermometer showed it, however long ago. */
function lastShown(run: Run, trace: Schemas["Trace"] | undefined): number | null {
  const last = trace?.stretches.at(-1)?.at(-1)?.[1];
  return last === undefined ? null : last + (run.offset_c ?? 0);
}

/** The last three readings of the run as its thermometer showed them, the newest last. */
function lastReadings(run: Run, trace: Schemas["Trace"] | undefined): number[] {
  const points = trace?.stretches.flat() ?? [];
  return points.slice(-3).map(([, c = 0]) => c + (run.offset_c ?? 0));
}

/** Since when the step runs, and at what temperature it began; of a run's first step only where that is known. */
function stepSince(run: Run, trace: Schemas["Trace"] | undefined) {
  const { step_since_s: at, step_from_c: c } = run.state;
  if (c !== null) return { at, c };
  const points = trace?.stretches.flat() ?? [];
  const after = points.find(([s = 0]) => s >= at - 1) ?? points[0];
  return after ? { at, c: Number(after[1]) } : null;
}
