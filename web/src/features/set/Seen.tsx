import { useState } from "react";
import { serverNow } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { NumberField } from "../../ui/NumberField";
import { numberIn, type Units } from "../../units/units";
import type { Correction } from "./useSetClock";

type SeenProps = { sinceMs: number | null; units: Units; onSeen: (correction: Correction) => void };

/** A reading or a cue corrects the clock at once. */
export function Seen({ sinceMs, units, onSeen }: SeenProps) {
  const [after, setAfter] = useState("");
  const [now, setNow] = useState("");
  const typed = numberIn(after);
  const isKnown = typed !== undefined || sinceMs !== null;
  const read = numberIn(now);
  const see = (part: Partial<Correction>) => {
    const seconds =
      typed !== undefined ? typed * 60 : sinceMs !== null ? (serverNow() - sinceMs) / 1000 : null;
    if (seconds === null) return;
    onSeen({ after_s: Math.max(1, seconds), ...part });
    setNow("");
  };
  return (
    <div>
      <h3 className="font-bold">Check it now</h3>
      <p className="text-[0.9375rem] text-ash">A reading or a touch updates the estimate at once.</p>
      <div className="mt-2 grid grid-cols-2 items-end gap-3">
        <NumberField
          label="After, min"
          placeholder={sinceMs === null ? "" : "now"}
          value={after}
          onChange={(event) => setAfter(event.target.value)}
        />
        <NumberField
          label={`Temperature, °${units.temperature}`}
          value={now}
          onChange={(event) => setNow(event.target.value)}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          disabled={!isKnown || read === undefined}
          onClick={() =>
            read !== undefined && see({ now_c: units.temperature === "F" ? (read - 32) / 1.8 : read })
          }
        >
          Update the estimate
        </Button>
        <Button disabled={!isKnown} onClick={() => see({ passed: true })}>
          Holds its mark
        </Button>
        <Button disabled={!isKnown} onClick={() => see({ passed: false })}>
          Still sticks
        </Button>
      </div>
    </div>
  );
}
