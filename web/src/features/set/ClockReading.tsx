import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { useUnits } from "../../units/units";
import { CoolCurve } from "./CoolCurve";
import { Since } from "./Since";
import type { SetClock } from "./useSetClock";
import { degrees, hoursText, lower, minutesText } from "./words";

type Props = {
  found: Schemas["SetClock"] | undefined;
  problem: Schemas["Problem"] | null;
  set: SetClock;
  places: Schemas["PlacesOut"];
  name: string;
  batch: number | null;
};

/** How long it takes to cool and to set, and what that rests on. */
export function ClockReading({ found, problem, set, places, name, batch }: Props) {
  const units = useUnits();
  const stateName = places.states.find((state) => state.key === set.asked.state)?.name ?? "";
  return (
    <>
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
              place={places.places.find((row) => row.key === set.ask.place)?.name ?? ""}
              name={name}
              batch={batch}
            />
          )}
          {set.isWhatIf && <p className="text-[1rem] text-rim">Preview; your timer continues.</p>}
          <PartOrFailure what="the cooling curve">
            <CoolCurve clock={found} seen={set.seen} sinceMs={set.sinceMs} units={units} />
          </PartOrFailure>
          <p className="text-[1rem]">
            Cool: {minutesText(found.cool_min[0])} to {minutesText(found.cool_min[2])}, when its warmest point
            is {degrees(found.cool_c, units)}. Cool is not set: cocoa butter keeps crystallising for hours.
          </p>
          {found.textbook_min !== null && (
            <p className="mt-1 text-[1rem] text-rim">
              Usually {minutesText(found.textbook_min)}; here, by {found.learned_batches}{" "}
              {found.learned_batches === 1 ? "batch" : "batches"}, {minutesText(found.cool_min[1])}.{" "}
              <Link to="/daybook/kitchen" className="underline">
                Learned from your kitchen
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
            From composition, shape and place. Kitchens differ: a quarter sooner to half as long again; after
            a reading ±10 %.
          </p>
        </>
      )}
    </>
  );
}
