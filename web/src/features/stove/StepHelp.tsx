import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { MassField } from "../../ui/QuantityField";
import { aboutText } from "../../units/time";
import { mass, numberIn, temperature, type Units, useUnits } from "../../units/units";
import type { Happen } from "../run";

type PanProps = { batch: number; sinceS: number; units: Units; happen: Happen };

/** The pan on the scale after simmering: water lost is mass lost. */
export function PanOnTheScale({ batch, sinceS, units, happen }: PanProps) {
  const [start, setStart] = useState("");
  const [now, setNow] = useState("");
  const ask = useMutation({
    mutationFn: (body: { start_g: number; now_g: number; boiled_s: number }) =>
      dataOf(client.POST("/api/batches/{batch_id}/pan", { params: { path: { batch_id: batch } }, body })),
  });
  const [startG, nowG] = [numberIn(start), numberIn(now)];
  return (
    <details>
      <summary className="min-h-16 cursor-pointer py-4 text-[1.0625rem] text-rim">
        Weigh the pan: how much longer?
      </summary>
      <div className="grid grid-cols-2 items-end gap-3">
        <MassField label="Pan when it started" value={start} onMass={setStart} />
        <MassField label="Pan now" value={now} onMass={setNow} />
      </div>
      <Button
        className="mt-2 min-h-16"
        disabled={startG === undefined || nowG === undefined}
        onClick={() => {
          if (startG === undefined || nowG === undefined) return;
          happen({ kind: "pan", start_g: startG, now_g: nowG });
          ask.mutate({ start_g: startG, now_g: nowG, boiled_s: sinceS });
        }}
      >
        How long to go?
      </Button>
      {ask.error && <p role="alert">{ask.error.message}</p>}
      {ask.data && (
        <p className="mt-1 text-[1.0625rem]">
          {ask.data.add_back_g > 0.5
            ? `Too far: add back ${mass(ask.data.add_back_g, units)} of water.`
            : `${mass(ask.data.to_lose_g, units)} more to lose${ask.data.about_s === null ? "" : `, about ${aboutText(ask.data.about_s)} at this rate`}.`}
        </p>
      )}
    </details>
  );
}

type BurstProps = { batch: number; nowC: number | null; happen: Happen };

/** Microwave bursts: the next one, by mass, kind and what is still in lumps. */
export function Bursts({ batch, nowC, happen }: BurstProps) {
  const [rated, setRated] = useState("800");
  const [lumps, setLumps] = useState("1");
  const [before, setBefore] = useState(0);
  const ask = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/batches/{batch_id}/burst", {
          params: { path: { batch_id: batch } },
          body: {
            now_c: nowC ?? 20,
            unmelted_share: Number(lumps),
            rated_w: numberIn(rated) ?? 800,
            bursts_before: before,
          },
        }),
      ),
    onSuccess: (burst) => {
      if (burst.seconds > 0) {
        const rated_w = numberIn(rated) ?? null;
        happen({ kind: "burst", seconds: burst.seconds, first: before === 0, rated_w, from_c: nowC });
        setBefore((count) => count + 1);
      }
    },
  });
  return (
    <div className="mt-2 border-line border-t pt-2">
      <div className="grid grid-cols-2 items-end gap-3">
        <NumberField label="Oven, W" value={rated} onChange={(event) => setRated(event.target.value)} />
        <Choice label="Still in lumps" value={lumps} onPick={(value) => setLumps(value)}>
          <Option value="1">all of it</Option>
          <Option value="0.6">more than half</Option>
          <Option value="0.3">a third</Option>
          <Option value="0.1">a few</Option>
        </Choice>
      </div>
      <Button className="mt-2 min-h-16 w-full" onClick={() => ask.mutate()}>
        {before === 0 ? "First burst" : `Burst ${before + 1}`}
      </Button>
      {ask.error && <p role="alert">{ask.error.message}</p>}
      {ask.data && (
        <p aria-live="polite" className="mt-1 text-[1.25rem]">
          {ask.data.seconds > 0 && <b>{ask.data.seconds} s. </b>}
          {ask.data.says}
        </p>
      )}
    </div>
  );
}

type SeedProps = { chocolate: string };

/** The seed for a melt, by the heat balance. */
export function SeedFor({ chocolate }: SeedProps) {
  const units = useUnits();
  const [melted, setMelted] = useState("");
  const grams = numberIn(melted);
  const ask = useMutation({
    mutationFn: (mass_g: number) => dataOf(client.POST("/api/temper", { body: { chocolate, mass_g } })),
  });
  const found: Schemas["TemperOut"] | undefined = ask.data;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <div className="w-36">
        <MassField label="Melted" value={melted} onMass={setMelted} />
      </div>
      <Button className="min-h-16" disabled={!grams} onClick={() => grams && ask.mutate(grams)}>
        How much seed?
      </Button>
      {found && (
        <p className="w-full text-[1.0625rem]">
          {found.seed_g === null
            ? "It needs no tempering."
            : `${mass(found.seed_g, units)} of finished chocolate (${found.seed_share_pct?.toFixed(0)} % of the whole, ±${found.share_band_pct} points). Stop when it works; fish out what will not melt.`}
          {found.come_down_c !== null &&
            ` First bring the melt down to ${temperature(Math.round(found.come_down_c), units)}, stirred over cool water: more seed cannot be stirred in.`}
        </p>
      )}
    </div>
  );
}
