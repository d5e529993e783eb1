import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Notice } from "../../ui/Notice";
import { PhraseList } from "../../ui/Phrase";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { nearMomentText } from "../../units/time";
import { meQuery, pairingQuery } from "./usePairing";

type Pairing = Schemas["PairingOut"];
type Device = Schemas["Device"];

/** How often it is looked who came in meanwhile. */
const LOOK_MS = 3000;

const ROLES = [
  {
    value: "cook",
    text: "cooks",
    under: "All that is done here, but to shut this door or put a backup back.",
  },
  {
    value: "helper",
    text: "helps",
    under: "Sees everything; ticks at the Stove, in the running order and on the shelf; changes no recipe.",
  },
] as const;
const ROLE_WORDS: Record<Device["role"], string> = {
  cook: "cooks",
  helper: "helps: sees and ticks",
  thermometer: "tells readings and weights",
};

/** Other devices: whether tablets and phones of the house are answered, and which are let in. */
export function PairingPage() {
  const me = useQuery(meQuery);
  const mayManage = me.data !== undefined && me.data.role === "cook";
  const { data } = useQuery({ ...pairingQuery, enabled: mayManage, refetchInterval: LOOK_MS });
  if (me.data && !mayManage)
    return (
      <Notice
        title={`This device is let in as “${me.data.name}”, to help`}
        text="It sees everything and ticks. Which devices are let in is seen and changed on a cook's device."
      />
    );
  if (!me.data || !data) return <Skeleton />;
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-4 max-md:px-3">
      <Switch pairing={data} isHere={me.data.here} />
      {data.is_open && <LetIn pairing={data} />}
      <Devices devices={data.devices} own={me.data.id} />
      <Gateway />
      <Means pairing={data} />
    </main>
  );
}

function Switch({ pairing, isHere }: { pairing: Pairing; isHere: boolean }) {
  const queries = useQueryClient();
  const keep = (told: Pairing) => queries.setQueryData(pairingQuery.queryKey, told);
  const open = useMutation({
    mutationFn: () => dataOf(client.POST("/api/pairing/open")),
    onSuccess: keep,
  });
  const close = useMutation({
    mutationFn: () => dataOf(client.POST("/api/pairing/close")),
    onSuccess: keep,
  });
  return (
    <section aria-label="The door">
      <h1 className="font-display font-semibold text-3xl leading-tight">
        {pairing.is_open
          ? "Tablets and phones of this house are answered"
          : "Only this machine is answered. A tablet or a phone can come in too"}
      </h1>
      {pairing.is_open ? (
        <p className="mt-1 text-[1.0625rem]">
          At {pairing.urls.map((url) => url.replace(/\/$/, "")).join(" or ")}, once they are paired; until you
          close the door, or Hearth Bowl ends.
        </p>
      ) : (
        <p className="mt-1 text-[1.0625rem]">
          Opened, it answers devices in the same home network that are paired with a code; all others get
          nothing. It stays open until you close it, or Hearth Bowl ends.
        </p>
      )}
      {isHere && (
        <p className="mt-2">
          {pairing.is_open ? (
            <Button disabled={close.isPending} onClick={() => close.mutate()}>
              Close the door
            </Button>
          ) : (
            <Button look="filled" disabled={open.isPending} onClick={() => open.mutate()}>
              Open it to this house
            </Button>
          )}
        </p>
      )}
      {open.error && (
        <p role="alert" className="mt-1 text-copper">
          {open.error.message}
        </p>
      )}
    </section>
  );
}

/** The code that lets one device in, as a picture to hold a camera at and as signs to type. */
function LetIn({ pairing }: { pairing: Pairing }) {
  const [role, setRole] = useState<"cook" | "helper">("cook");
  const [before, setBefore] = useState<number[]>([]);
  const make = useMutation({
    mutationFn: (wanted: string) => dataOf(client.POST("/api/pairing/codes", { body: { role: wanted } })),
    onMutate: () => setBefore(pairing.devices.map(({ id }) => id)),
  });
  const code = make.data;
  const came = code && pairing.devices.find(({ id, role: as }) => !before.includes(id) && as === code.role);
  return (
    <section aria-label="Let a device in" className="mt-5">
      <h2 className="font-bold text-xl">Let a device in</h2>
      <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2 text-[1.0625rem]">
        <span>
          One that{" "}
          <PhraseList
            label="What it does"
            text={ROLES.find(({ value }) => value === role)?.text ?? ""}
            after="."
            value={role}
            options={ROLES}
            onPick={(value) => {
              setRole(value === "helper" ? "helper" : "cook");
              make.reset();
            }}
          />
        </span>
        <Button
          look={code && !came ? "outlined" : "filled"}
          disabled={make.isPending}
          onClick={() => make.mutate(role)}
        >
          {code ? "Show another code" : "Show its code"}
        </Button>
      </p>
      {make.error && (
        <p role="alert" className="text-copper">
          {make.error.message}
        </p>
      )}
      <div role="status">{came && <p className="mt-2 text-[1.125rem]">“{came.name}” is in.</p>}</div>
      {code && !came && (
        <div className="mt-2 flex flex-wrap items-center gap-6">
          <img
            src={code.qr}
            alt="A QR code that opens the pairing page"
            className="size-56 rounded-lg bg-sheet"
          />
          <div className="min-w-0 flex-1 text-[1.0625rem]">
            <p>Hold the device's camera at it. Or open there</p>
            <p className="break-all font-bold">{code.url.split("?")[0]}</p>
            <p className="mt-2">and type</p>
            <p className="font-bold text-[2rem] tracking-wide">{code.code}</p>
            <p className="text-[0.9375rem] text-ash">
              Good for one device, for {code.minutes} minutes. After ten wrong ones a device has to wait.
            </p>
          </div>
        </div>
      )}
    </section>
  );
}

function Devices({ devices, own }: { devices: readonly Device[]; own: number | null }) {
  const queries = useQueryClient();
  const letGo = useMutation({
    mutationFn: (device_id: number) =>
      dataOf(client.DELETE("/api/pairing/devices/{device_id}", { params: { path: { device_id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: pairingQuery.queryKey }),
  });
  const now = new Date().toISOString();
  return (
    <section aria-label="Let in" className="mt-5">
      <h2 className="font-bold text-xl">Let in</h2>
      {devices.length === 0 && <p className="text-ash">No device yet.</p>}
      <ul>
        {devices.map((device) => (
          <li
            key={device.id}
            className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 border-line border-b"
          >
            <span className="min-w-0">
              <b className="break-words" dir="auto">
                {device.name}
              </b>{" "}
              {ROLE_WORDS[device.role]}
              {device.id === own && ", this one"}
              <span className="block text-[0.875rem] text-ash">
                here since {nearMomentText(device.paired_at, now)}, last seen{" "}
                {nearMomentText(device.seen_at, now)}
                {nameOf(devices, device.paired_by) && `, paired by ${nameOf(devices, device.paired_by)}`}
              </span>
            </span>
            <Sure
              words="Remove device"
              goes={goesWith(devices, device)}
              yes={`Remove ${device.name}`}
              disabled={letGo.isPending}
              onSure={() => letGo.mutate(device.id)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function nameOf(devices: readonly Device[], id: number | null): string | undefined {
  return devices.find((device) => device.id === id)?.name;
}

/** The sentence before a device is removed: the devices that it paired are removed with it. */
function goesWith(devices: readonly Device[], device: Device): string {
  const gone = new Set([device.id]);
  for (const { id, paired_by } of devices) if (paired_by !== null && gone.has(paired_by)) gone.add(id);
  const others = devices.filter(({ id }) => id !== device.id && gone.has(id)).map(({ name }) => name);
  const paired =
    others.length > 0 ? ` It paired ${new Intl.ListFormat("en").format(others)}: they are removed too.` : "";
  return `${device.name} then sees only the pairing page.${paired} Everything done with it stays.`;
}

/** A key for a thermometer or scale that speaks over the network: it tells readings and weights, nothing else. */
function Gateway() {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const make = useMutation({
    mutationFn: (wanted: string) => dataOf(client.POST("/api/pairing/keys", { body: { name: wanted } })),
    onSuccess: () => {
      setName("");
      void queries.invalidateQueries({ queryKey: pairingQuery.queryKey });
    },
  });
  return (
    <section aria-label="A thermometer in the network" className="mt-5">
      <h2 className="font-bold text-xl">A thermometer or scale in the network</h2>
      <form
        className="mt-1 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate(name);
        }}
      >
        <div className="w-72 max-w-full">
          <TextField
            label="What it is called"
            value={name}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
            problem={make.error?.message}
          />
        </div>
        <Button type="submit" disabled={make.isPending || name.trim() === ""}>
          Make its key
        </Button>
      </form>
      {make.data && (
        <p role="status" className="mt-2">
          The key of “{make.data.device.name}”, shown this once. It goes in the header “Authorization: Bearer”
          with each reading:
          <code className="mt-1 block w-fit break-all rounded bg-rim-faint px-2 py-1">{make.data.key}</code>
        </p>
      )}
    </section>
  );
}

/** What it means, plainly. */
function Means({ pairing }: { pairing: Pairing }) {
  return (
    <section aria-label="What it means" className="mt-5 text-[0.9375rem]">
      <h2 className="font-bold text-xl">What it means</h2>
      {pairing.is_safe ? (
        <p>
          It is answered by HTTPS with your own certificate: nobody in between reads along, and the pages stay
          in the device for when there is no connection.
        </p>
      ) : (
        <p>
          It is answered by plain HTTP: whoever is in the same network and set on it can read along, the
          pairing too, and act as that device. Open it in a home network that you trust, not in a café's or a
          guest network. With a certificate of your own (<code>hearth serve --share --certificate</code>) it
          is HTTPS; only then do browsers keep the pages on a tablet for when there is no connection.
        </p>
      )}
      <p className="mt-1">
        A device proves itself by a secret that only it has; here only a fingerprint of it is kept, and no
        backup lets anybody in: after a restore, devices are paired again. Remove a lost phone here.
      </p>
    </section>
  );
}
