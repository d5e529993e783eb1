import { useState } from "react";
import { tell } from "../../api/outbox";
import { serverMoment } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import type { Units } from "../../units/units";

type Props = { probe: string; lastShownC: number | null; units: Units };

/** A reading by hand, with large keys: what the dial shows. */
export function Hand({ probe, lastShownC, units }: Props) {
  const inF = units.temperature === "F";
  const shown = (c: number) => Math.round(inF ? c * 1.8 + 32 : c);
  const [own, setOwn] = useState<number | null>(null);
  const value = own ?? shown(lastShownC ?? 20);
  const [said, setSaid] = useState("");
  const take = () => {
    tell({ kind: "reading", probe, c: inF ? (value - 32) / 1.8 : value, at: serverMoment() });
    setSaid("Taken");
  };
  const step = (by: number) => {
    setOwn((now) => (now ?? value) + by);
    setSaid("");
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button className="h-16" aria-label="−10 degrees" onClick={() => step(-10)}>
        −10
      </Button>
      <Button className="size-16 text-[1.75rem]" aria-label="One degree less" onClick={() => step(-1)}>
        −
      </Button>
      <output className="min-w-20 text-center font-display font-semibold text-[2.125rem]">{value}°</output>
      <Button className="size-16 text-[1.75rem]" aria-label="One degree more" onClick={() => step(1)}>
        +
      </Button>
      <Button className="h-16" aria-label="+10 degrees" onClick={() => step(10)}>
        +10
      </Button>
      <Button className="h-16" onClick={take}>
        Use this reading
      </Button>
      <span role="status" className="text-[0.9375rem] text-ash">
        {said}
      </span>
    </div>
  );
}
