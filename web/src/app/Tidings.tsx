import { useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { useHeld } from "../api/outbox";
import { useHelps } from "../features/pairing";
import { loadNewPages, useAsOf, useIsNewer } from "../offline";
import { Button } from "../ui/Button";
import { nearMomentText } from "../units/time";

/** What one should know on every page: that it is of earlier, that there are newer pages, that this device helps. */
export function Tidings() {
  const known = useAsOf();
  const isNewer = useIsNewer();
  const helps = useHelps();
  const held = useHeld().length;
  const place = useLocation().pathname;
  const first = useRef(place);
  const asOf = place.endsWith("/stove") ? null : known; // there it stands beside the pan
  useEffect(() => {
    // between two places nothing is half typed: there the new pages come by themselves
    if (isNewer && place !== first.current) void loadNewPages();
    first.current = place;
  }, [isNewer, place]);
  if (asOf === null && !isNewer && !helps) return null;
  return (
    <aside aria-label="Worth knowing" className="print:hidden">
      {(asOf !== null || isNewer) && (
        <div role="status">
          {asOf !== null && (
            <p className="bg-butter px-5 py-1.5 text-[0.9375rem] max-sm:px-3">
              <b>Hearth Bowl is not answering.</b> Showing data from{" "}
              {nearMomentText(new Date(asOf).toISOString(), new Date().toISOString())}. What you do at the
              stove is saved in this browser and sent later{held > 0 && `: ${held} so far`}.
            </p>
          )}
          {isNewer && (
            <p className="flex flex-wrap items-center gap-x-4 bg-butter px-5 py-1 text-[0.9375rem] max-sm:px-3">
              <span>A new version of Hearth Bowl is ready.</span>
              <Button look="plain" onClick={() => void loadNewPages()}>
                Load new version
              </Button>
            </p>
          )}
        </div>
      )}
      {helps && (
        <p className="bg-rim-faint px-5 py-1 text-[0.9375rem] max-sm:px-3">
          This device can view and tick off, not edit. Change recipes and stock on a cook's device.
        </p>
      )}
    </aside>
  );
}
