import { useState } from "react";
import { Button } from "../../ui/Button";
import { NumberField } from "../../ui/NumberField";
import { numberIn, type Units } from "../../units/units";
import { useEvents } from "../stove/useEvents";

/** What was seen so long after the start: a temperature, or a cue that was passed or not. */
export type Correction = { after_s: number; now_c?: number; passed?: boolean };

type SeenProps = {
  batch: number | null;
  since: number | null;
  units: Units;
  onStart: () => void;
  onSeen: (correction: Correction) => void;
};

/** A reading or a cue corrects the clock at once. */
export function Seen({ batch, since, units, onStart, onSeen }: SeenProps) {
  const [after, setAfter] = useState("");
  const [now, setNow] = useState("");
  const minutes = numberIn(after) ?? (since === null ? undefined : (Date.now() - since) / 60_000);
  const read = numberIn(now);
  const record = useRecord(batch);
  const see = (part: Partial<Correction>) => {
    if (minutes === undefined) return;
    const correction = { after_s: minutes * 60, ...part };
    record("set", correction);
    onSeen(correction);
  };
  return (
    <div>
      <h3 className="font-bold">What do you see?</h3>
      <p className="text-[15px] text-ash">A reading or a touch corrects the clock at once.</p>
      <div className="mt-2 grid grid-cols-2 items-end gap-3">
        <NumberField
          label="After, min"
          placeholder={since === null ? "" : "as it runs"}
          value={after}
          onChange={(event) => setAfter(event.target.value)}
        />
        <NumberField
          label={`It reads, °${units.temperature}`}
          value={now}
          onChange={(event) => setNow(event.target.value)}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          disabled={minutes === undefined || read === undefined}
          onClick={() =>
            read !== undefined && see({ now_c: units.temperature === "F" ? (read - 32) / 1.8 : read })
          }
        >
          Correct by the reading
        </Button>
        <Button disabled={minutes === undefined} onClick={() => see({ passed: true })}>
          Holds its mark
        </Button>
        <Button disabled={minutes === undefined} onClick={() => see({ passed: false })}>
          Still sticks
        </Button>
        {since === null && (
          <Button look="plain" onClick={onStart}>
            It goes in now
          </Button>
        )}
      </div>
    </div>
  );
}

/** Keeps what was seen with the running batch, where there is one. */
function useRecord(batch: number | null) {
  const happen = useEvents(batch ?? 0);
  return (kind: string, data: Record<string, unknown>) => {
    if (batch !== null) happen(kind, data);
  };
}
