import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { MassField } from "../../ui/QuantityField";
import { mass, numberIn, type Units } from "../../units/units";
import { type Happen, useLineNames } from "../run";

type Run = Schemas["Run"];
type Props = {
  run: Run;
  step: Schemas["Step"];
  units: Units;
  happen: Happen;
};

const OFF = 0.02;
const STALE_MS = 120_000;

/** Weigh as you go: each amount of the step with a running total; what is off offers to move the rest. */
export function Weigh({ run, step, units, happen }: Props) {
  const { weighed_g: weighed, amounts_g: amounts } = run.state;
  const follow = useMutation({
    mutationFn: (all: Record<number, number>) =>
      dataOf(
        client.POST("/api/batches/{batch_id}/weighed", {
          params: { path: { batch_id: run.batch.id } },
          body: { weighed_g: all },
        }),
      ),
  });
  const nameOf = useLineNames(run);
  const weigh = (position: number, grams: number) => {
    happen({ kind: "weight", position, g: grams, step: step.key });
    const planned = amounts[position] ?? 0;
    if (Math.abs(grams - planned) > OFF * Math.max(1, planned))
      follow.mutate({ ...weighed, [position]: grams });
    else follow.reset();
  };
  let total = 0;
  const offer = follow.data && Object.keys(follow.data.amounts_g).length > 0 ? follow.data : null;
  return (
    <div>
      <ol>
        {step.positions.map((position) => {
          const planned = amounts[position] ?? 0;
          total += weighed[position] ?? planned;
          return (
            <WeighLine
              key={position}
              name={nameOf(position)}
              planned={planned}
              spoons={run.spoons[position] ?? null}
              total={total}
              weighed={weighed[position]}
              units={units}
              onWeigh={(grams) => weigh(position, grams)}
            />
          );
        })}
      </ol>
      {offer && (
        <div className="mt-2 rounded-md border-[1.5px] border-butter-rim bg-butter p-3 text-[1.0625rem]">
          <p>
            {offer.says}{" "}
            {Object.entries(offer.amounts_g)
              .filter(([position, grams]) => Math.abs(grams - (amounts[Number(position)] ?? 0)) > 0.5)
              .map(([position, grams]) => `${nameOf(Number(position))} ${mass(grams, units)}`)
              .join(", ")}
          </p>
          <Button
            className="mt-2 min-h-16"
            onClick={() => {
              happen({ kind: "note", text: offer.says, amounts_g: offer.amounts_g });
              follow.reset();
            }}
          >
            Use these for the rest
          </Button>
        </div>
      )}
      <Spill run={run} step={step} units={units} happen={happen} nameOf={nameOf} />
    </div>
  );
}

type LineProps = {
  name: string;
  planned: number;
  spoons: string | null;
  total: number;
  weighed: number | undefined;
  units: Units;
  onWeigh: (grams: number) => void;
};

function WeighLine({ name, planned, spoons, total, weighed, units, onWeigh }: LineProps) {
  const [typed, setTyped] = useState("");
  const take = () => {
    const grams = numberIn(typed);
    if (grams !== undefined && grams >= 0) {
      onWeigh(grams);
      setTyped("");
    }
  };
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto_7rem_auto] items-end gap-3 border-line border-b py-2 max-sm:grid-cols-2">
      <span className="self-center text-[1.25rem]" dir="auto">
        {name}
        <span className="block text-[0.9375rem] text-ash">
          {spoons && `about ${spoons}; `}then {mass(total, units)} in the bowl
        </span>
      </span>
      <b className="self-center text-[1.75rem]">{mass(planned, units)}</b>
      <MassField
        label={weighed === undefined ? "weighed" : `weighed ${mass(weighed, units)}; again`}
        aria-label={`Weighed ${name}`}
        value={typed}
        onMass={setTyped}
        onKeyDown={(event) => event.key === "Enter" && take()}
      />
      <span className="flex gap-2">
        <Button
          className="min-h-16"
          aria-label={`Keep the weight of ${name}`}
          disabled={numberIn(typed) === undefined}
          onClick={take}
        >
          Keep
        </Button>
        <Scale onWeight={(grams) => setTyped(String(grams))} name={name} />
      </span>
    </li>
  );
}

/** What the scale that spoke last shows, whichever it is; an old weight is not what lies on it now. */
function Scale({ name, onWeight }: { name: string; onWeight: (grams: number) => void }) {
  const [said, setSaid] = useState("");
  const read = async () => {
    const found = await dataOf(client.GET("/api/scales")).catch(() => null);
    const scale = found?.scales[0];
    const isNow = scale && Date.parse(found.now) - Date.parse(scale.at) < STALE_MS;
    setSaid(found === null ? "No answer" : isNow ? "" : "The scale is silent");
    if (isNow) onWeight(scale.g);
  };
  return (
    <span>
      <Button look="plain" className="min-h-16" aria-label={`Read the scale for ${name}`} onClick={read}>
        Scale
      </Button>
      <span role="status" className="block text-[0.875rem] text-ash">
        {said}
      </span>
    </span>
  );
}

type SpillProps = Props & { nameOf: (position: number) => string };

function Spill({ run, step, units, happen, nameOf }: SpillProps) {
  const [left, setLeft] = useState("");
  const goneIn = run.steps.slice(0, run.batch.step + 1).flatMap((row) => row.positions);
  const ask = useMutation({
    mutationFn: (grams: number) =>
      dataOf(
        client.POST("/api/batches/{batch_id}/spilled", {
          params: { path: { batch_id: run.batch.id } },
          body: { gone_in: goneIn, left_g: grams },
        }),
      ),
  });
  if (step.positions.length === 0) return null;
  const grams = numberIn(left);
  return (
    <details className="mt-1">
      <summary className="min-h-16 cursor-pointer py-4 text-[1.0625rem] text-rim">Some spilled</summary>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-40">
          <MassField label="Left in the bowl" value={left} onMass={setLeft} />
        </div>
        <Button
          className="min-h-16"
          disabled={grams === undefined}
          onClick={() => grams !== undefined && ask.mutate(grams)}
        >
          What follows?
        </Button>
      </div>
      {ask.error && (
        <p role="alert" className="text-copper">
          {ask.error.message}
        </p>
      )}
      {ask.data && (
        <p className="mt-2 text-[1.0625rem]">
          {ask.data.says}{" "}
          {Object.entries(ask.data.amounts_g)
            .map(([position, amount]) => `${nameOf(Number(position))} ${mass(amount, units)}`)
            .join(", ")}
          <Button
            className="ml-2 min-h-16"
            onClick={() => {
              happen({ kind: "spill", g: grams ?? null, amounts_g: ask.data?.amounts_g ?? {} });
              ask.reset();
            }}
          >
            Use these for the rest
          </Button>
        </p>
      )}
    </details>
  );
}
