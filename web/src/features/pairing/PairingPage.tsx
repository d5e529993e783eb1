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
    under: "Everything, except turning off network access and restoring a backup.",
  },
  {
    value: "helper",
    text: "helps",
    under: "Sees everything; ticks at the Stove, in the running order and on the shelf; changes no recipe.",
  },
] as const;
const ROLE_WORDS: Record<Device["role"], string> = {
  cook: "cooks",
  helper: "helper: views and ticks off",
  thermometer: "sends readings and weights",
};

/** Other devices: whether tablets and phones of the house are answered, and which are let in. */
export function PairingPage() {
  const me = useQuery(meQuery);
  const mayManage = me.data !== undefined && me.data.role === "cook";
  const { data } = useQuery({ ...pairingQuery, enabled: mayManage, refetchInterval: LOOK_MS });
  if (me.data && !mayManage)
    return (
      <Notice
        title={`This device is paired as “${me.data.name}”, to help`}
        text="It can view and tick off. Manage devices on a cook's device."
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
    <section aria-label="Network access">
      <h1 className="font-display font-semibold text-3xl leading-tight">
        {pairing.is_open
          ? "Devices at home can connect"
          : "Only this computer can connect. You can also allow a tablet or a phone"}
      </h1>
      {pairing.is_open ? (
        <p className="mt-1 text-[1.0625rem]">
          Paired devices connect at {pairing.urls.map((url) => url.replace(/\/$/, "")).join(" or ")}. This
          lasts until you turn it off or Hearth Bowl stops.
        </p>
      ) : (
        <p className="mt-1 text-[1.0625rem]">
          Devices in your home network that are paired with a code can then connect. All others get nothing.
          This lasts until you turn it off or Hearth Bowl stops.
        </p>
      )}
      {isHere && (
        <p className="mt-2">
          {pairing.is_open ? (
            <Button disabled={close.isPending} onClick={() => close.mutate()}>
              Turn off network access
            </Button>
          ) : (
            <Button look="filled" disabled={open.isPending} onClick={() => open.mutate()}>
              Allow devices at home
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
    <section aria-label="Pair a device" className="mt-5">
      <h2 className="font-bold text-xl">Pair a device</h2>
      <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2 text-[1.0625rem]">
        <span>
          One that{" "}
          <PhraseList
            label="What it may do"
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
          {code ? "Show another code" : "Show code"}
        </Button>
      </p>
      {make.error && (
        <p role="alert" className="text-copper">
          {make.error.message}
        </p>
      )}
      <div role="status">{came && <p className="mt-2 text-[1.125rem]">“{came.name}” is paired.</p>}</div>
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
    <section aria-label="Paired devices" className="mt-5">
      <h2 className="font-bold text-xl">Paired devices</h2>
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
                paired since {nearMomentText(device.paired_at, now)}, last seen{" "}
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

/** A key for a thermometer or scale that speaks over the network: it sends readings and weights, nothing else. */
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
            label="Name"
            value={name}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
            problem={make.error?.message}
          />
        </div>
        <Button type="submit" disabled={make.isPending || name.trim() === ""}>
          Create access key
        </Button>
      </form>
      {make.data && (
        <p role="status" className="mt-2">
          Access key of “{make.data.device.name}”, shown only now. Put it in the header “Authorization:
          Bearer” with each reading:
          <code className="mt-1 block w-fit break-all rounded bg-rim-faint px-2 py-1">{make.data.key}</code>
        </p>
      )}
    </section>
  );
}

/** Security, plainly. */
function Means({ pairing }: { pairing: Pairing }) {
  return (
    <section aria-label="Security" className="mt-5 text-[0.9375rem]">
      <h2 className="font-bold text-xl">Security</h2>
      {pairing.is_safe ? (
        <p>
          This connection uses HTTPS with your certificate: nobody in between can read what is sent, and pages
          stay on the device while it is offline.
        </p>
      ) : (
        <p>
          This connection uses plain HTTP: others in the same network can read what is sent, even the pairing,
          and act as that device. Use it in a home network that you trust, not in a café or a guest network.
          With your own certificate (<code>hearth serve --share --certificate</code>) it uses HTTPS. Only then
          do browsers keep the pages on a tablet for use offline.
        </p>
      )}
      <p className="mt-1">
        A device proves itself by a secret that only it has; only a fingerprint of it is stored here, and no
        backup holds it: pair devices again after a restore. Remove a lost phone here.
      </p>
    </section>
  );
}
