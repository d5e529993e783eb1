import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { isOurs, probeName } from "../../api/probes";
import { probesQuery } from "../../api/queries";
import { serverNow } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { dayOf, timeText } from "../../units/time";
import { temperature, useUnits } from "../../units/units";

/** A new thermometer is found within this. */
const LOOK_MS = 2000;
/** One that sent a reading within this is sending. */
const SENDING_S = 30;
/** Clocks within this are the same. */
const SAME_CLOCK_S = 5;
const DAY_S = 86_400;

type Probe = Schemas["Probe"];

/** The thermometers that ever sent a reading, what each reads now, and how another one is connected. */
export function ThermometersPage() {
  const { data } = useQuery({ ...probesQuery, refetchInterval: LOOK_MS });
  if (!data) return <Skeleton />;
  const { probes, retention } = data;
  const sending = probes.filter((probe) => ageOf(probe) < SENDING_S).length;
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl leading-tight">{headingOf(sending)}</h1>
      <p className="mt-1 text-[1.0625rem]">
        Choose one at the Stove. The simulated probe and readings by hand can be chosen there at any time.
      </p>
      {probes.length > 0 && (
        <section aria-label="Your thermometers" className="mt-4">
          <ul>
            {probes.map((probe) => (
              <Row key={probe.id} probe={probe} />
            ))}
          </ul>
        </section>
      )}
      <section aria-label="Connect a thermometer" className="mt-5">
        <h2 className="font-bold text-xl">Connect a thermometer</h2>
        <p className="mt-1">
          It appears here with its first reading. Let its gateway, or a script, send °C to this address.
          Choose a name of your own in place of “my-probe”:
        </p>
        <p className="mt-2 break-all rounded-md bg-sheet px-3 py-2 font-mono text-[0.9375rem]">
          POST {window.location.origin}/api/probes/my-probe/readings
          <br />
          {'{"c": 84.5}'}
        </p>
        <p className="mt-2">
          From another device at home it needs an access key:{" "}
          <Link to="/pairing" className="text-rim underline">
            other devices
          </Link>
          .
        </p>
      </section>
      <p className="mt-5 text-[0.9375rem] text-ash">
        Readings of a batch are thinned {retention.thinned_after_days} days after it ended, to about{" "}
        {retention.kept_points} that keep its shape. Readings of no batch are deleted after{" "}
        {retention.let_go_after_days} days.
      </p>
    </main>
  );
}

function headingOf(sending: number): string {
  if (sending === 0) return "No thermometer is sending readings";
  return sending === 1 ? "1 thermometer is sending readings" : `${sending} thermometers are sending readings`;
}

/** How long ago it sent its last reading, s. */
function ageOf({ last_at }: Probe): number {
  return last_at === null
    ? Number.POSITIVE_INFINITY
    : Math.max(0, (serverNow() - Date.parse(last_at)) / 1000);
}

function Row({ probe }: { probe: Probe }) {
  const units = useUnits();
  const queries = useQueryClient();
  const onSettled = () => queries.invalidateQueries({ queryKey: probesQuery.queryKey });
  const params = { path: { probe_id: probe.id } };
  const remove = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/probes/{probe_id}", { params })),
    onSettled,
  });
  const rename = useMutation({
    mutationFn: (name: string) =>
      dataOf(client.PUT("/api/probes/{probe_id}/name", { params, body: { name } })),
    onSettled,
  });
  const [renamed, setName] = useState<string | null>(null);
  const name = probeName(probe.id, probe.name);
  const failed = remove.error ?? rename.error;
  return (
    <li className="border-line border-b py-2">
      <div className="flex flex-wrap items-center justify-between gap-x-4 md:grid md:grid-cols-[minmax(0,1fr)_14rem_12rem]">
        <span className="min-w-0 break-words text-[1.0625rem]">
          <b>{name}</b>
          {name !== probe.id && !isOurs(probe.id) && <span className="text-ash"> ({probe.id})</span>}
        </span>
        <span className="tabular-nums">
          {probe.last_c !== null && <b>{temperature(probe.last_c, units)}</b>}{" "}
          <span className="text-ash">{readText(probe)}</span>
        </span>
        <span className="flex items-center md:justify-end">
          {!isOurs(probe.id) && (
            <Button look="plain" aria-label={`Rename ${name}`} onClick={() => setName(name)}>
              Rename
            </Button>
          )}
          <Sure
            words="Delete"
            goes={`Delete ${name} and its readings?`}
            disabled={remove.isPending}
            onSure={() => remove.mutate()}
          />
        </span>
      </div>
      {Math.abs(probe.clock_ahead_s) >= SAME_CLOCK_S && (
        <p className="text-[0.9375rem] text-ash">
          Its clock is {timeText(probe.clock_ahead_s)} {probe.clock_ahead_s > 0 ? "ahead" : "behind"}:
          readings are corrected.
        </p>
      )}
      {renamed !== null && (
        <form
          className="mt-1 flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            rename.mutate(renamed);
            setName(null);
          }}
        >
          <div className="w-72 max-w-full">
            <TextField
              label={`New name for ${name}`}
              value={renamed}
              maxLength={200}
              autoComplete="off"
              onChange={(event) => setName(event.target.value)}
            />
          </div>
          <Button type="submit" disabled={renamed.trim() === ""}>
            Save name
          </Button>
        </form>
      )}
      {failed && (
        <p role="alert" className="text-copper">
          {failed.message}
        </p>
      )}
    </li>
  );
}

function readText(probe: Probe): string {
  const age = ageOf(probe);
  if (probe.last_at === null) return "no reading yet";
  return age < DAY_S ? `${timeText(age)} ago` : dayOf(probe.last_at);
}
