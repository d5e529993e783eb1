import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Gauge } from "../../ui/Gauge";
import { Popover } from "../../ui/Popover";
import type { Units } from "../../units/units";
import { fixed } from "../../units/units";
import { SetCurve } from "./SetCurve";

type Reading = Schemas["Reading"];
type Props = {
  readings: Reading[];
  curve: number[][];
  units: Units;
  onTry: (offer: Schemas["Offer"]) => void;
};

/** What needs attention first, with its reason and an offer; what is fine stays quiet. */
export function Readings({ readings, curve, units, onTry }: Props) {
  return (
    <ul className="divide-y divide-line">
      {readings.map((reading) => (
        <li key={reading.code} className="py-2 first:pt-0">
          <OneReading reading={reading} curve={curve} units={units} onTry={onTry} />
        </li>
      ))}
    </ul>
  );
}

function OneReading({ reading, curve, units, onTry }: { reading: Reading } & Omit<Props, "readings">) {
  const { gauge, offer, why } = reading;
  const alarmed = reading.state === "attend";
  const surface = alarmed ? "-mx-2 rounded-lg border-[1.5px] border-butter-rim bg-butter px-2 py-2" : "";
  return (
    <section aria-label={reading.title} className={surface}>
      <div className="flex items-baseline justify-between gap-3">
        <h3 className="font-bold">{reading.title}</h3>
        <p className="text-right">
          <strong className={reading.shown.length > 14 ? "" : "text-[1.1875rem]"}>{reading.shown}</strong>{" "}
          <span className="text-[0.8125rem] text-ash">{reading.unit}</span>
        </p>
      </div>
      {gauge && <Gauge gauge={gauge} alarmed={alarmed} />}
      <div className="flex items-center justify-between gap-2">
        <p
          className={`flex-1 text-[0.875rem] leading-snug ${reading.state === "quiet" ? "text-ash" : "text-soot"}`}
        >
          {reading.words}
        </p>
        {why && <WhyButton reading={reading} why={why} curve={curve} units={units} />}
      </div>
      {offer && (
        <Button className="mt-1" onClick={() => onTry(offer)}>
          {offer.label}
        </Button>
      )}
      {offer?.note && <p className="mt-1 text-[0.875rem] text-ash">{offer.note}</p>}
    </section>
  );
}

type WhyProps = { reading: Reading; why: Schemas["Why"]; curve: number[][]; units: Units };

function WhyButton({ reading, why, curve, units }: WhyProps) {
  const gauge = reading.gauge;
  return (
    <Popover
      side="left"
      label={`Why: ${reading.title}`}
      className="w-96"
      trigger={
        <button
          type="button"
          aria-label={`Why? ${reading.title}`}
          className="-my-2.5 min-h-11 shrink-0 px-1 font-bold text-[0.875rem] text-rim underline-offset-4 hover:underline"
        >
          Why?
        </button>
      }
    >
      <h2 className="font-bold">{reading.title}</h2>
      {reading.code === "set" && curve.length > 0 && <SetCurve points={curve} units={units} />}
      <dl className="mt-2 grid gap-2 text-[0.875rem]">
        <Entry term="Worked out as">{why.formula}</Entry>
        <Entry term="From">
          <ul>
            {why.inputs.map(({ name, value }) => (
              <li key={name} className="flex justify-between gap-4">
                <span>{name}</span>
                <span>{value}</span>
              </li>
            ))}
          </ul>
        </Entry>
        {gauge && (
          <Entry term="Estimate">
            {fixed(gauge.value, 2)}, between {fixed(gauge.low, 2)} and {fixed(gauge.high, 2)}
          </Entry>
        )}
        <Entry term="How sure">{why.band}</Entry>
        <Entry term="After">{why.source}</Entry>
        <Entry term="How to improve this">{why.narrower}</Entry>
      </dl>
    </Popover>
  );
}

function Entry({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-[0.8125rem] text-ash">{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}
