import type { Schemas } from "../../api/client";
import { aboutText, clockText, spanText, timeText } from "../../units/time";
import type { Units } from "../../units/units";
import { aim, fixed } from "../../units/units";

type Run = Schemas["Run"];
type Live = Schemas["Live"];
type Step = Schemas["Step"];

/** What the full call adds to its words: the ceiling's advice, or where the temperature is and goes. */
export function saysOf(live: Live | null, units: Units): string {
  if (!live || live.true_c === null) return "";
  if (live.state.then) return live.state.then;
  if (live.stands?.stand === "ceiling") return live.stands.says;
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c).toFixed(0);
  const carry = live.forecast?.carry_c ?? 0;
  const more = carry > 0.5 ? `; the pan carries ${(inF ? carry * 1.8 : carry).toFixed(0)}° more` : "";
  return `${own(live.shown_c ?? live.true_c)} °${units.temperature} now${more}`;
}

/** Sooner than this a time is "any moment", where few degrees are left. */
const MOMENT_S = 30;
const MOMENT_K = 3;
/** What a temperature means that is more than the call: said in the heading. */
const SAID_LARGE = new Set(["past", "ruined", "too-cold"]);
/** Faster than this no pan goes: the thermometer was moved. */
const MOST_PER_MIN = 60;

type NowProps = {
  run: Run;
  live: Live | null;
  step: Step;
  units: Units;
  lostS: number;
  /** How long the step runs. */
  sinceS: number;
};

/** An older reading shows its age. */
const AGED_S = 4;

/** How old the last reading is, s, by the server's clock. */
const ageOf = (live: Live | null, lostS: number): number =>
  live?.reading_at ? (Date.parse(live.now) - Date.parse(live.reading_at)) / 1000 + lostS : 0;

/** The two largest things at the stove: the temperature now, and the next call; without a temperature, the cue. */
export function NowPanel(props: NowProps) {
  return (
    <>
      {props.live?.shown_c == null ? <ByCue {...props} /> : <ByTemperature {...props} live={props.live} />}
      <OutOfCold {...props} />
    </>
  );
}

/** How long what must be kept cold has been out in all, and how long it may. */
function OutOfCold({ live, step, lostS }: NowProps) {
  if (live?.out_of_cold_s == null) return null;
  const outS = live.out_of_cold_s + (step.out_of_cold ? lostS : 0);
  return (
    <p className={`mt-1 text-[1.0625rem] ${live.urgent ? "font-bold text-copper" : ""}`}>
      Out of the cold {timeText(outS)} in all{step.out_of_cold ? "" : ", back in it now"}: two hours at most.
    </p>
  );
}

function ByTemperature(props: NowProps & { live: Live }) {
  const { run, live, step, units, lostS } = props;
  if (live.shown_c == null) return null;
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c);
  const { forecast } = live;
  const hot = live.urgent || SAID_LARGE.has(live.state.kind);
  const ageS = ageOf(live, lostS);
  const isOld = live.true_c === null || lostS > 0;
  return (
    <div>
      <div className="max-md:flex max-md:flex-wrap max-md:items-center max-md:gap-x-4">
        <p
          className={`font-display font-semibold text-[7rem] leading-[1.02] max-md:text-[3.5rem] ${isOld ? "text-ash" : ""}`}
        >
          {fixed(own(live.shown_c), 1)}
          <span className="pl-2 text-[2.75rem] text-ash max-md:text-[1.5rem]">°{units.temperature}</span>
          {ageS >= AGED_S && (
            <span className="block font-normal font-sans text-[1.0625rem] text-ash leading-tight">
              read {timeText(ageS)} ago
            </span>
          )}
        </p>
        <h2
          aria-live="polite"
          className={`min-h-[68px] min-w-0 font-display max-md:flex-1 max-md:basis-44 font-semibold text-[1.875rem] leading-[1.12] max-md:text-[1.5rem] ${hot ? "text-copper" : ""}`}
        >
          {callText(live, step)}
        </h2>
      </div>
      <p className="min-h-12 text-[1.0625rem] text-ash">
        <Limits run={run} step={step} units={units} />
        {bandText(live)}
        {forecast &&
          Math.abs(forecast.rate_c_per_min) > 0.15 &&
          Math.abs(forecast.rate_c_per_min) < MOST_PER_MIN && (
            <>
              {forecast.rate_c_per_min > 0 ? "Climbing" : "Falling"}{" "}
              {fixed(Math.abs(own(forecast.rate_c_per_min) - own(0)), 1)}° a minute
              {forecast.carry_c > 0.2 &&
                `; the pan will carry ${fixed(inF ? forecast.carry_c * 1.8 : forecast.carry_c, 1)}° more`}
              .{" "}
            </>
          )}
        {live.silent_s !== null &&
          `No reading for ${timeText(live.silent_s)}: check its battery and its tip. `}
        {live.stands &&
          !SAID_LARGE.has(live.state.kind) &&
          (!live.urgent || live.stands.stand !== "below") &&
          live.stands.says}
        <Usually step={step} />
      </p>
      {live.state.then && <p className="mt-1 font-bold text-[1.1875rem]">{live.state.then}</p>}
    </div>
  );
}

/** No thermometer: the cue is the large thing, with the clock since it began and what usually passes meanwhile. */
function ByCue({ run, live, step, units, sinceS }: NowProps) {
  const words = step.cue || step.call || step.title;
  return (
    <div>
      <h2
        aria-live="polite"
        className="pt-2 font-display font-semibold text-[2.5rem] leading-[1.08] max-md:text-[1.875rem]"
      >
        {words.charAt(0).toUpperCase() + words.slice(1)}
      </h2>
      <p className="mt-2 text-[1.375rem]">
        <b className="font-display text-[1.75rem]">{clockText(sinceS)}</b> since it began.
        <Usually step={step} />
      </p>
      <p className="min-h-8 text-[1.0625rem] text-ash">
        {step.passes && `${step.passes} `}
        <Limits run={run} step={step} units={units} />
        {step.target_c && live && "No reading yet."}
      </p>
    </div>
  );
}

/** How long it usually takes; where this kitchen's own batches changed that, what the book says. */
const Usually = ({ step }: { step: Step }) =>
  step.usual_min === null ? null : (
    <span>
      {" "}
      {step.learned ? "Here" : "Usually"} {usualText(step.usual_min)}
      {step.learned && ` (${step.learned})`}.
    </span>
  );

const usualText = ([least = 0, most = 0]: number[]): string => spanText(60 * least, 60 * most);

/** A step's target and ceiling, as the dial shows them. */
function Limits({ run, step, units }: { run: Run; step: Step; units: Units }) {
  const offset = run.offset_c ?? 0;
  const own = (c: number) => (units.temperature === "F" ? c * 1.8 + 32 : c);
  const dial = (c: number) => `${Math.round(own(c + offset) * 2) / 2}`;
  return (
    <>
      {step.target_c && (
        <>
          {aim(step.target_c, dial)} °{units.temperature}
          {run.offset_c !== null && Math.abs(offset) > 0.2 ? " on your dial" : ""}.{" "}
        </>
      )}
      {step.ceiling_c !== null && `Never above ${dial(step.ceiling_c)} °${units.temperature}. `}
    </>
  );
}

/** Whether a forecast is so near that no figure serves: by its time, and by the degrees that are left. */
function isAnyMoment({ forecast, true_c }: Live, step: Step): boolean {
  if (forecast?.in_s == null || forecast.in_s >= MOMENT_S) return false;
  const [low = 0, high = 0] = step.target_c ?? [];
  const left = true_c === null ? 0 : Math.max(low - true_c, true_c - high);
  return left <= MOMENT_K;
}

function callText(live: Live, step: Step): string {
  const { forecast, urgent, call, state } = live;
  if (live.silent_s !== null) return call;
  if (SAID_LARGE.has(state.kind) && state.says) return state.says;
  if (urgent) return step.heat === "cool" || /[:;]|\.$/.test(call) ? call : `${call} now`;
  if (live.timed && forecast?.in_s != null) {
    return isAnyMoment(live, step) ? `${call} any moment` : `${call} in about ${aboutText(forecast.in_s)}`;
  }
  return call;
}

/** Between what a call lies, and before a boil its end; nothing where no time is told. In silence, by its last course. */
function bandText({ timed, silent_s, urgent, forecast }: Live): string {
  if (forecast?.in_s == null || forecast.low_s === null || forecast.high_s === null) return "";
  if (silent_s !== null && !forecast.due)
    return `At the last rate in ${spanText(forecast.low_s, forecast.high_s)}. `;
  if (!timed || urgent) return "";
  const call = forecast.in_s < MOMENT_S ? "" : `In ${spanText(forecast.low_s, forecast.high_s)}. `;
  const end =
    forecast.end_low_s === null || forecast.end_high_s === null
      ? ""
      : `Its end in ${spanText(forecast.end_low_s, forecast.end_high_s)}. `;
  return call + end;
}
