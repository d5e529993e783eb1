import { useState } from "react";
import { tell } from "../../api/outbox";
import { serverMoment } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { decimal, ownUnit, type Units } from "../../units/units";

type Props = {
  probe: string;
  lastShownC: number | null;
  /** The last readings as the thermometer showed them, °C, the newest last. */
  lastC: readonly number[];
  units: Units;
};

const KEYS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", "½", "0", "⌫"] as const;
const NAMES: Partial<Record<(typeof KEYS)[number], string>> = { "½": "and a half", "⌫": "Delete digit" };
/** No dial of a kitchen shows more figures. */
const MOST_DIGITS = 3;

/** A reading by hand: what the dial shows, typed with large keys or moved from the last one. */
export function Hand({ probe, lastShownC, lastC, units }: Props) {
  const own = ownUnit("°C", units);
  const shown = (c: number) => Math.round(Number(own.shown(c)));
  const [typed, setTyped] = useState("");
  const [isTyping, setTyping] = useState(false);
  const [moved, setMoved] = useState<number | null>(null);
  const value = typed === "" ? (moved ?? shown(lastShownC ?? 20)) : Number(typed);
  const [said, setSaid] = useState("");
  const press = (key: (typeof KEYS)[number]) => {
    setSaid("");
    setMoved(null);
    setTyped((now) => {
      if (key === "⌫") return now.includes(".") ? now.slice(0, -2) : now.slice(0, -1);
      if (key === "½") return now === "" || now.includes(".") ? now : `${now}.5`;
      return now.includes(".") || now.length >= MOST_DIGITS ? key : `${now}${key}`;
    });
  };
  const step = (by: number) => {
    setMoved(value + by);
    setTyped("");
    setSaid("");
  };
  const take = () => {
    tell({ kind: "reading", probe, c: own.kept(value), at: serverMoment() });
    setSaid("Taken");
    setMoved(value);
    setTyped("");
  };
  return (
    <fieldset className="mt-1 min-w-0">
      <legend className="sr-only">Reading by hand</legend>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Button className="size-16 text-[1.75rem]" aria-label="One degree less" onClick={() => step(-1)}>
          −
        </Button>
        <Button
          className="h-16 min-w-0 flex-1 whitespace-nowrap font-display font-semibold text-[2.125rem] tabular-nums"
          aria-label={`${decimal(value, 1)} ${own.name}: type a reading`}
          aria-expanded={isTyping}
          onClick={() => setTyping(!isTyping)}
        >
          {decimal(value, 1)} {own.name}
        </Button>
        <Button className="size-16 text-[1.75rem]" aria-label="One degree more" onClick={() => step(1)}>
          +
        </Button>
      </div>
      {isTyping && (
        <div className="mt-2 grid grid-cols-3 gap-2">
          {KEYS.map((key) => (
            <Button
              key={key}
              className="h-16 text-[1.5rem]"
              aria-label={NAMES[key] ?? key}
              onClick={() => press(key)}
            >
              {key}
            </Button>
          ))}
        </div>
      )}
      <Button className="mt-2 h-16 w-full text-[1.125rem]" onClick={take}>
        Use this reading
      </Button>
      <p role="status" className="mt-1 text-[0.9375rem] text-ash">
        {said}
        {lastC.length > 0 &&
          `${said && ". "}Last readings: ${lastC.map((c) => decimal(Number(own.shown(c)), 1)).join(", ")} ${own.name}`}
      </p>
    </fieldset>
  );
}
