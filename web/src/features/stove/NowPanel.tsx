import type { Schemas } from "../../api/client";
import { aboutText, timeText } from "../../units/time";
import type { Units } from "../../units/units";

type Run = Schemas["Run"];
type Live = Schemas["Live"];
type Step = Schemas["Step"];

/** What the full call adds to its words: the ceiling's advice, or where the temperature is and goes. */
export function saysOf(live: Live | null, units: Units): string {
  if (!live || live.true_c === null) return "";
  if (live.stands?.stand === "ceiling") return live.stands.says;
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c).toFixed(0);
  const carry = live.forecast?.carry_c ?? 0;
  const more = carry > 0.5 ? `; the pan carries ${(inF ? carry * 1.8 : carry).toFixed(0)}° more` : "";
  return `${own(live.shown_c ?? live.true_c)} °${units.temperature} now${more}`;
}

/** Sooner than this a time is "any moment". */
const MOMENT_S = 3;
/** Faster than this no pan goes: the thermometer was moved. */
const MOST_PER_MIN = 60;

type NowProps = { run: Run; live: Live | null; step: Step; units: Units; lostS: number };

/** The two largest things at the stove: the temperature now, and the next call. */
export function NowPanel({ run, live, step, units, lostS }: NowProps) {
  const inF = units.temperature === "F";
  const own = (c: number) => (inF ? c * 1.8 + 32 : c);
  const offset = run.offset_c ?? 0;
  const dial = (c: number) => `${Math.round(own(c + offset) * 2) / 2}`;
  const [low, high] = step.target_c ?? [];
  const forecast = live?.forecast ?? null;
  const hot = live?.urgent || live?.stands?.stand === "ceiling";
  return (
    <div>
      <p
        className={`font-display font-semibold leading-[1.02] ${live?.shown_c == null && !step.target_c ? "text-[2.75rem] text-ash" : "text-[7rem]"} ${lostS > 0 ? "text-ash" : ""}`}
      >
        {live?.shown_c == null ? "–" : own(live.shown_c).toFixed(1)}
        <span className="pl-2 text-[2.75rem] text-ash">°{units.temperature}</span>
      </p>
      <h2
        aria-live="polite"
        className={`min-h-[68px] font-display font-semibold text-[1.875rem] leading-[1.12] ${hot ? "text-copper" : ""}`}
      >
        {callText(live, step)}
      </h2>
      <p className="min-h-12 text-[1.0625rem] text-ash">
        {low !== undefined && high !== undefined && (
          <>
            {dial(low)}
            {high - low > 1 ? ` to ${dial(high)}` : ""} °{units.temperature}
            {run.offset_c !== null && Math.abs(offset) > 0.2 ? " on your dial" : ""}.{" "}
          </>
        )}
        {step.ceiling_c !== null && `Never above ${dial(step.ceiling_c)} °${units.temperature}. `}
        {live && bandText(live)}
        {forecast &&
          Math.abs(forecast.rate_c_per_min) > 0.15 &&
          Math.abs(forecast.rate_c_per_min) < MOST_PER_MIN && (
            <>
              {forecast.rate_c_per_min > 0 ? "Climbing" : "Falling"}{" "}
              {Math.abs(own(forecast.rate_c_per_min) - own(0)).toFixed(1)}° a minute
              {forecast.carry_c > 0.2 &&
                `; the pan will carry ${(inF ? forecast.carry_c * 1.8 : forecast.carry_c).toFixed(1)}° more`}
              .{" "}
            </>
          )}
        {live?.silent_s != null &&
          `Nothing was heard from it for ${timeText(live.silent_s)}: look at its battery and its tip. `}
        {lostS > 0 && live?.shown_c != null && `Read ${timeText(lostS)} ago. `}
        {live?.stands && (!live.urgent || live.stands.stand !== "below") && live.stands.says}
        {live?.add_back_g != null &&
          ` About ${Math.round(live.add_back_g)} g of water brings it back to its end.`}
        {step.minutes !== null && (
          <span className="whitespace-nowrap"> About {aboutText(step.minutes * 60)}.</span>
        )}
      </p>
    </div>
  );
}

function callText(live: Live | null, step: Step): string {
  if (!live) return step.title;
  const { forecast, urgent, call } = live;
  if (live.silent_s !== null) return call;
  if (live.true_c === null) return step.target_c ? "No reading yet" : step.title;
  if (urgent) return step.heat === "cool" || call.includes(":") || call.endsWith(".") ? call : `${call} now`;
  if (live.timed && forecast?.in_s != null) {
    return forecast.in_s < MOMENT_S ? `${call} any moment` : `${call} in about ${aboutText(forecast.in_s)}`;
  }
  return call;
}

/** Between what a call lies, and before a boil its end; nothing where no time is told. */
function bandText({ timed, forecast }: Live): string {
  if (!timed || forecast?.in_s == null || forecast.low_s === null || forecast.high_s === null) return "";
  const call =
    forecast.in_s < MOMENT_S
      ? ""
      : `Between ${aboutText(forecast.low_s)} and ${aboutText(forecast.high_s)}. `;
  const end =
    forecast.end_low_s === null || forecast.end_high_s === null
      ? ""
      : `Its end in ${aboutText(forecast.end_low_s)} to ${aboutText(forecast.end_high_s)}. `;
  return call + end;
}
