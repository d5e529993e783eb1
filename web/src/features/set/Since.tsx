import type { Schemas } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { startTimer, useSeconds } from "../clocks";
import { aboutMomentText, lower, minutesText, momentText } from "./words";

type Props = {
  clock: Schemas["SetClock"];
  sinceMs: number;
  stateName: string;
  place: string;
  name: string;
  batch: number | null;
};

/** The clock that runs, in moments of the day; it may ring. */
export function Since({ clock, sinceMs, stateName, place, name, batch }: Props) {
  useSeconds(true);
  const at = (minutes: number | undefined) => aboutMomentText(sinceMs + 60_000 * (minutes ?? 0), serverNow());
  const gone = (serverNow() - sinceMs) / 60_000;
  const left = (clock.cool_min[1] ?? 0) - gone;
  return (
    <div className="mt-1 rounded-md border-[1.5px] border-line bg-sheet px-3 py-2 text-[1rem]">
      <p>
        {place} since {momentText(sinceMs, serverNow())}
        {gone >= 1 && `, ${minutesText(gone)} by now`}.{" "}
        {left > 0 ? `Cool in ${minutesText(left)}, at about ${at(clock.cool_min[1])}` : "It should be cool"};{" "}
        {lower(stateName)} from {at(clock.set_min[0])} to {at(clock.set_min[1])}.
      </p>
      {left > 1 && (
        <Button className="mt-1" onClick={() => startTimer(`${name}: cool?`, 60 * left, batch)}>
          Alert me when it should be cool
        </Button>
      )}
    </div>
  );
}
