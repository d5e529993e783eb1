import { isLate, useHeld, useRefused } from "../../api/outbox";
import { useAsOf } from "../../offline";
import { nearMomentText } from "../../units/time";
import { useSeconds } from "../clocks";

/** What a lost connection means for the cook: nothing is lost, and the clocks go on. */
export function Waiting({ isLost }: { isLost: boolean }) {
  const held = useHeld();
  useSeconds(held.length > 0);
  const waiting = held.filter(isLate).length;
  const refused = useRefused();
  const asOf = useAsOf();
  return (
    <div role="alert" className="text-[0.9375rem]">
      {isLost && (
        <p className="mt-2 rounded-md bg-butter px-3 py-2">
          Hearth Bowl is not answering.
          {asOf !== null &&
            ` Showing data from ${nearMomentText(new Date(asOf).toISOString(), new Date().toISOString())}.`}{" "}
          The forecast and the clocks go on from its last word; what you do is kept in this browser and sent
          later.
        </p>
      )}
      {waiting > 0 && (
        <p className="mt-2 rounded-md bg-butter px-3 py-2">
          {waiting} kept in this browser, not sent yet. It tries again.
        </p>
      )}
      {refused && <p className="mt-2 rounded-md bg-copper-pale px-3 py-2 text-copper">Not kept: {refused}</p>}
    </div>
  );
}
