import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { batchQueries, recipeQueries } from "../../api/queries";
import { Notice } from "../../app/Notice";
import { Rim } from "../../app/Rim";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { Popover } from "../../ui/Popover";
import { type Units, useUnits } from "../../units/units";
import { Clocks } from "./Clocks";
import { Hand } from "./Hand";
import { lower, marksOf } from "./marks";
import { StartRun } from "./StartRun";
import { Bursts, PanOnTheScale, SeedFor } from "./StepHelp";
import { TraceChart } from "./TraceChart";
import { aboutText } from "./time";
import { useAlert, useAwake } from "./useAlert";
import { useEvents } from "./useEvents";
import { Weigh } from "./Weigh";

/** Stove: the run of a batch, live. */
export function StovePage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const batches = useQuery({ ...batchQueries.list, staleTime: 0 });
  if (stored.error) return <Notice title="The recipe could not be read" text="It may have been deleted." />;
  if (!stored.data || !batches.data) return <Rim place="stove" recipeId={id} />;
  const running = batches.data.batches.find((batch) => batch.recipe_id === id && batch.ended_at === null);
  return (
    <>
      <Rim place="stove" recipeId={id} />
      {running ? (
        <RunOf key={running.id} batch={running.id} />
      ) : (
        <StartRun id={id} name={stored.data.recipe.name} />
      )}
    </>
  );
}

function RunOf({ batch }: { batch: number }) {
  const run = useQuery(batchQueries.one(batch));
  return run.data ? <Bench run={run.data} /> : null;
}

type Run = Schemas["RunOut"];
type Live = Schemas["LiveOut"];
type Step = Schemas["StepOut"];

function Bench({ run }: { run: Run }) {
  const id = run.batch.id;
  const units = useUnits();
  const navigate = useNavigate();
  useAwake();
  const { happen, waiting } = useEvents(id);
  const live = useQuery({ ...batchQueries.live(id), refetchInterval: 1000, retry: false });
  const trace = useQuery({ ...batchQueries.trace(id), refetchInterval: 2000, retry: false });
  const [own, setOwn] = useState<{ step: number; key: string } | null>(null);
  useEffect(() => {
    setOwn((now) => (now && run.events.some((event) => event.client_key === now.key) ? null : now));
  }, [run.events]);
  const at = own?.step ?? run.batch.step;
  const [showWeigh, setShowWeigh] = useState<boolean | null>(null);
  const [speak, setSpeak] = useState(false);
  const [seen, setSeen] = useState("");
  const step = run.steps[at] as Step;
  const now = live.data ?? null;
  const sameStep = now?.step === at;
  const startedMs = Date.parse(run.batch.started_at);
  const nowS = now ? (Date.parse(now.now) - startedMs) / 1000 : 0;
  const since = stepSince(run, trace.data, startedMs);
  const urgent = sameStep && (now?.urgent ?? false);
  const callKey = `${at}:${now?.call ?? ""}`;
  useAlert(now?.call ?? "", urgent, speak);
  const weighing = showWeigh ?? (step.heat === "none" && step.positions.length > 0);
  const go = (next: number) => {
    const target = run.steps[next];
    if (!target) return;
    setShowWeigh(null);
    setSeen("");
    setOwn({ step: next, key: happen("step", { step: next, key: target.key, c: now?.true_c ?? undefined }) });
  };
  const answered = answersOf(run, step);
  return (
    <main className="flex flex-1 flex-col lg:h-[calc(100vh-3.25rem)] lg:flex-none">
      {urgent && seen !== callKey && (
        <FullCall words={now?.call ?? ""} says={saysOf(now, units)} onSeen={() => setSeen(callKey)} />
      )}
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_430px] max-lg:grid-cols-1">
        <section aria-label="The run" className="flex min-h-0 flex-col overflow-y-auto px-6 pt-3 max-md:px-3">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4">
            <h1 className="font-display font-semibold text-[26px] leading-tight">
              <span dir="auto">{run.batch.name}</span>, step {at + 1} of {run.steps.length}:{" "}
              {lower(step.title)}
            </h1>
          </div>
          <p className="text-[18px]">
            {step.do}
            {!step.attended && <span className="text-ash"> It can be left.</span>}
          </p>
          <div className="flex flex-wrap items-center gap-2">
            <StepList run={run} at={at} onGo={go} />
            {step.positions.length > 0 && (
              <Button look="plain" aria-pressed={weighing} onClick={() => setShowWeigh(!weighing)}>
                {weighing ? "Show the trace" : `Weigh in, ${step.positions.length}`}
              </Button>
            )}
            <Probe probe={run.batch.probe_id} live={now} />
          </div>
          <div className="min-h-0 flex-1">
            {weighing ? (
              <Weigh run={run} step={step} units={units} happen={happen} />
            ) : (
              <TraceChart
                trace={trace.data}
                forecast={sameStep ? (now?.forecast ?? null) : null}
                step={step}
                stepSince={since}
                nowS={nowS}
                marks={marksOf(run, startedMs)}
                units={units}
              />
            )}
          </div>
        </section>
        <section
          aria-label="Now"
          className="min-h-0 overflow-y-auto border-line border-l bg-sheet px-6 py-2 max-lg:border-t max-lg:border-l-0 max-md:px-3"
        >
          <NowPanel run={run} live={sameStep ? now : null} step={step} units={units} />
          <ul>
            {step.cue && (
              <Gate
                words={sentence(step.cue)}
                under={step.passes || "The cue that tells it is ready"}
                answer={answered.cue}
                onAnswer={(answer) =>
                  happen("gate", { key: step.key, gate: "cue", answer, c: now?.true_c ?? undefined })
                }
              />
            )}
            {step.ask && (
              <Gate
                words={step.ask}
                under={step.why}
                answer={answered.ask}
                onAnswer={(answer) =>
                  happen("gate", { key: step.key, gate: "ask", answer, c: now?.true_c ?? undefined })
                }
              />
            )}
          </ul>
          {!step.ask && <p className="mt-2 text-[16px] text-ash">{step.why}</p>}
          {step.heat === "melt" && run.choices.heat === "microwave" && (
            <Bursts batch={id} nowC={now?.true_c ?? null} happen={happen} />
          )}
          {step.heat === "boil" && (
            <PanOnTheScale batch={id} sinceS={since ? nowS - since.at : 0} units={units} happen={happen} />
          )}
          {step.key === "temper-melt" && <SeedFor chocolate={shellOf(run)} />}
          <div className="mt-3 flex gap-3">
            <Button
              look="filled"
              className="min-h-16 flex-1 text-[20px]"
              onClick={() => advance(run, at, go, happen, () => navigate(`/daybook/${id}`))}
            >
              {at + 1 < run.steps.length ? nextWords(step) : "It is done"}
            </Button>
            <MarkNow onMark={(name) => happen("mark", { name, c: now?.true_c ?? undefined })} />
          </div>
          {waiting > 0 && (
            <p role="alert" className="mt-2 rounded-md bg-butter px-3 py-2 text-[15px]">
              {waiting} kept in this browser, not sent yet. It tries again.
            </p>
          )}
          <details className="mt-1">
            <summary className="min-h-14 cursor-pointer py-4 text-[17px] text-rim">
              Reading by hand, voice
            </summary>
            <Hand probe={run.batch.probe_id} lastShownC={now?.shown_c ?? null} units={units} />
            <label className="flex min-h-14 items-center gap-3 text-[17px]">
              <input
                type="checkbox"
                className="size-6 accent-rim"
                checked={speak}
                onChange={(event) => setSpeak(event.target.checked)}
              />
              Speak the calls aloud
            </label>
          </details>
        </section>
      </div>
      <footer className="flex flex-wrap items-stretch border-line border-t bg-[#e9ebe7]">
        <Clocks batch={id} />
        <div className="flex-1 px-5 py-2">
          <p className="font-display font-semibold text-[20px] leading-tight">
            Next: {run.steps[at + 1] ? lower(run.steps[at + 1]?.title ?? "") : "set, then the verdict"}
          </p>
          <p className="text-[15px] text-ash">
            <Link to={`/recipes/${run.batch.recipe_id}/set`} className="underline">
              When will it have set?
            </Link>{" "}
            ·{" "}
            <Link to={`/daybook/${id}`} className="underline">
              In the daybook
            </Link>
          </p>
        </div>
        {step.caution && (
          <p className="max-w-md border-line border-l bg-copper-pale px-5 py-2 text-[16px] text-copper">
            {step.caution}
          </p>
        )}
      </footer>
    </main>
  );
}

const sentence = (cue: string) => cue.charAt(0).toUpperCase() + cue.slice(1);

function nextWords(step: Step): string {
  if (step.call) return "Done, go on";
  if (step.heat === "warm" || step.heat === "boil" || step.heat === "melt") return "Off the heat";
  return step.heat === "cool" ? "It is there, go on" : "Done, go on";
}

function advance(
  run: Run,
  at: number,
  go: (next: number) => void,
  happen: (kind: string, data?: Record<string, unknown>) => void,
  done: () => void,
) {
  const step = run.steps[at] as Step;
  const { ask } = answersOf(run, step);
  if (step.ask && ask === null) happen("gate", { key: step.key, gate: "ask", answer: "skipped" });
  if (at + 1 < run.steps.length) {
    go(at + 1);
    return;
  }
  happen("end");
  done();
}

/** What was answered at a step's gates; null where nothing was. */
function answersOf(run: Run, step: Step): { cue: string | null; ask: string | null } {
  const last = (gate: string) =>
    run.events
      .filter((event) => event.kind === "gate" && event.data.key === step.key && event.data.gate === gate)
      .at(-1);
  const said = (gate: string) => (last(gate)?.data.answer as string | undefined) ?? null;
  return { cue: said("cue"), ask: said("ask") };
}

function shellOf(run: Run): string {
  const title = run.steps.find((step) => step.key === "temper-melt")?.title.toLowerCase() ?? "";
  if (title.includes("white")) return "white32";
  if (title.includes("milk")) return "milk38";
  return "dark60";
}

/** Since when the step runs, and at what temperature it began. */
function stepSince(run: Run, trace: Schemas["TraceOut"] | undefined, startedMs: number) {
  const event = run.events.filter((row) => row.kind === "step").at(-1);
  if (!event) return null;
  const at = Math.max(0, (Date.parse(event.at) - startedMs) / 1000);
  if (typeof event.data.c === "number") return { at, c: event.data.c };
  const points = trace?.stretches.flat() ?? [];
  const after = points.find(([s = 0]) => s >= at - 1) ?? points[0];
  return after ? { at, c: Number(after[1]) } : null;
}

/** What the full call adds to its words: the ceiling's advice, or where the temperature is and goes. */
function saysOf(live: Live | null, units: Units): string {
  if (!live || live.true_c === null) return "";
  if (live.judged?.stand === "ceiling") return live.judged.says;
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c).toFixed(0);
  const carry = live.forecast?.carry_c ?? 0;
  const more = carry > 0.5 ? `; the pan carries ${(inF ? carry * 1.8 : carry).toFixed(0)}° more` : "";
  return `${own(live.shown_c ?? live.true_c)} °${units.temperature} now${more}`;
}

type NowProps = { run: Run; live: Live | null; step: Step; units: Units };

/** The two largest things at the stove: the temperature now, and the next call. */
function NowPanel({ run, live, step, units }: NowProps) {
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c);
  const offset = run.offset_c ?? 0;
  const dial = (c: number) => `${Math.round(own(c + offset) * 2) / 2}`;
  const [low, high] = step.target_c ?? [];
  const forecast = live?.forecast ?? null;
  const hot = live?.urgent || live?.judged?.stand === "ceiling";
  return (
    <div>
      <p
        className={`font-display font-semibold leading-[1.02] ${live?.shown_c == null && !step.target_c ? "text-[44px] text-ash" : "text-[112px]"}`}
      >
        {live?.shown_c == null ? "–" : own(live.shown_c).toFixed(1)}
        <span className="pl-2 text-[44px] text-ash">°{units.temperature}</span>
      </p>
      <h2
        aria-live="polite"
        className={`min-h-[68px] font-display font-semibold text-[30px] leading-[1.12] ${hot ? "text-copper" : ""}`}
      >
        {callText(live, step)}
      </h2>
      <p className="min-h-12 text-[17px] text-ash">
        {low !== undefined && high !== undefined && (
          <>
            {dial(low)}
            {high - low > 1 ? ` to ${dial(high)}` : ""} °{units.temperature}
            {run.offset_c !== null && Math.abs(offset) > 0.2 ? " on your dial" : ""}.{" "}
          </>
        )}
        {step.ceiling_c !== null && `Never above ${dial(step.ceiling_c)} °${units.temperature}. `}
        {forecast && Math.abs(forecast.rate_c_per_min) > 0.15 && (
          <>
            {forecast.rate_c_per_min > 0 ? "Climbing" : "Falling"}{" "}
            {Math.abs(own(forecast.rate_c_per_min) - own(0)).toFixed(1)}° a minute
            {forecast.carry_c > 0.2 &&
              `; the pan will carry ${(inF ? forecast.carry_c * 1.8 : forecast.carry_c).toFixed(1)}° more`}
            .{" "}
          </>
        )}
        {live?.judged && (!live.urgent || live.judged.stand !== "below") && live.judged.says}
        {live?.add_back_g != null &&
          ` About ${Math.round(live.add_back_g)} g of water brings it back to its end.`}
        {step.minutes !== null && ` About ${aboutText(step.minutes * 60)}.`}
      </p>
    </div>
  );
}

function callText(live: Live | null, step: Step): string {
  if (!live || live.true_c === null) return step.target_c ? "No reading yet" : step.title;
  const { forecast, urgent, call } = live;
  if (urgent) return `${call}${call.endsWith("now") || call.endsWith(".") ? "" : " now"}`;
  if (forecast?.in_s != null && forecast.in_s > 0) {
    const about = aboutText(forecast.in_s);
    return step.heat === "cool" ? `There in about ${about}` : `${call} in about ${about}`;
  }
  return call;
}

type GateProps = { words: string; under: string; answer: string | null; onAnswer: (answer: string) => void };

/** A gate is asked, not assumed; passed by, it is recorded, not scolded. */
function Gate({ words, under, answer, onAnswer }: GateProps) {
  const yes = answer === "yes";
  return (
    <li className="border-line border-b">
      <button
        type="button"
        aria-pressed={yes}
        onClick={() => onAnswer(yes ? "no" : "yes")}
        className="flex min-h-16 w-full items-center gap-4 py-1.5 text-left"
      >
        <span
          aria-hidden="true"
          className={`grid size-8 shrink-0 place-items-center rounded-full border-[2.5px] border-rim font-bold text-[18px] ${yes ? "bg-rim text-sheet" : "text-transparent"}`}
        >
          ✓
        </span>
        <span>
          <b className="block text-[18px] leading-tight">{words}</b>
          <span className="block text-[16px] text-ash leading-tight">
            {answer === "skipped" ? "Passed by; it is noted." : under}
          </span>
        </span>
      </button>
    </li>
  );
}

const MARKS = ["boil", "dissolved", "poured", "stirred in", "smooth"];

function MarkNow({ onMark }: { onMark: (name: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label="Mark this moment"
      align="end"
      open={open}
      onOpenChange={setOpen}
      trigger={<Button className="min-h-16 px-5 text-[20px]">Mark</Button>}
    >
      <div className="grid gap-2">
        {MARKS.map((name) => (
          <Button
            key={name}
            className="min-h-16 text-[18px]"
            onClick={() => {
              setOpen(false);
              onMark(name);
            }}
          >
            {name}
          </Button>
        ))}
      </div>
    </Popover>
  );
}

function StepList({ run, at, onGo }: { run: Run; at: number; onGo: (next: number) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label="All steps"
      open={open}
      onOpenChange={setOpen}
      trigger={<Button look="plain">All steps</Button>}
    >
      <ol className="grid gap-1">
        {run.steps.map((step, position) => (
          <li key={step.key}>
            <Button
              look="plain"
              className="min-h-14 w-full text-left"
              aria-current={position === at ? "step" : undefined}
              onClick={() => {
                setOpen(false);
                onGo(position);
              }}
            >
              {position + 1}. {step.title}
              {position === at && ", now"}
            </Button>
          </li>
        ))}
      </ol>
    </Popover>
  );
}

function Probe({ probe, live }: { probe: string; live: Live | null }) {
  const setSpeed = (speed: number) =>
    client.PUT("/api/probes/{probe_id}/speed", { params: { path: { probe_id: probe } }, body: { speed } });
  return (
    <div className="ml-auto flex items-center gap-3 text-[14px] text-ash">
      <span>{live?.reading_at ? `Probe: ${probe}` : "The probe is silent"}</span>
      {probe === "stand-in" && (
        <div className="w-40">
          <Choice
            label="Stand-in plays"
            defaultValue=""
            onChange={(event) => void dataOf(setSpeed(Number(event.target.value)))}
          >
            <option value="" disabled>
              as it does
            </option>
            {[1, 5, 10, 30, 60].map((speed) => (
              <option key={speed} value={speed}>
                {speed} × real time
              </option>
            ))}
          </Choice>
        </div>
      )}
    </div>
  );
}

type FullProps = { words: string; says: string | undefined; onSeen: () => void };

/** The call over the whole screen: it is read from across the kitchen. */
function FullCall({ words, says, onSeen }: FullProps) {
  return (
    <div
      role="alertdialog"
      aria-label={words}
      className="fixed inset-0 z-30 grid place-items-center bg-copper p-8 text-sheet"
    >
      <div className="text-center">
        <p className="font-display font-semibold text-[clamp(56px,11vw,150px)] leading-none">{words}</p>
        {says && <p className="mx-auto mt-6 max-w-3xl text-[clamp(24px,3vw,40px)]">{says}</p>}
        <button
          type="button"
          // biome-ignore lint/a11y/noAutofocus: the one thing to do at a call
          autoFocus
          onClick={onSeen}
          className="mt-10 min-h-20 rounded-lg border-[3px] border-sheet px-12 font-bold text-[28px]"
        >
          Seen
        </button>
      </div>
    </div>
  );
}
