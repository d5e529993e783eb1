import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf } from "../../api/client";
import { BY_HAND, probeName, STAND_IN } from "../../api/probes";
import { probesQuery } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";

const SPEEDS = [1, 5, 10, 30, 60];

/** The thermometers that one may hear: all that ever spoke, and one's own hand. */
function useProbes(): { id: string; name: string; lastMs: number }[] {
  const { data } = useQuery(probesQuery);
  const found = (data?.probes ?? []).map(({ id, name, last_at }) => ({
    id,
    name: probeName(id, name),
    lastMs: last_at === null ? 0 : Date.parse(last_at),
  }));
  return found.some((probe) => probe.id === BY_HAND)
    ? found
    : [...found, { id: BY_HAND, name: probeName(BY_HAND), lastMs: 0 }];
}

/** The thermometer that spoke last; before any did, the first that is there; else one's own hand. */
export function useUsualProbe(): string {
  const probes = useProbes().sort(
    (a, b) => b.lastMs - a.lastMs || Number(a.id === BY_HAND) - Number(b.id === BY_HAND),
  );
  return probes[0]?.id ?? BY_HAND;
}

type ChoiceProps = { probe: string; onChange: (probe: string) => void };

/** Which thermometer is heard; the simulated one can be chosen in any kitchen. */
export function ProbeChoice({ probe, onChange }: ChoiceProps) {
  const heard = useProbes();
  const probes = heard.some(({ id }) => id === STAND_IN)
    ? heard
    : [...heard, { id: STAND_IN, name: probeName(STAND_IN) }];
  return (
    <Choice label="Thermometer" isBare className="min-h-16" value={probe} onPick={onChange}>
      {probes.map(({ id, name }) => (
        <Option key={id} value={id}>
          {name}
        </Option>
      ))}
      {!probes.some(({ id }) => id === probe) && <Option value={probe}>{probeName(probe)}</Option>}
    </Choice>
  );
}

/** The thermometer of a run, which may be changed; a stand-in may play faster than life. */
export function Probe({ probe, isSilent, onChange }: ChoiceProps & { isSilent: boolean }) {
  const [pace, setPace] = useState("");
  const setSpeed = (speed: number) =>
    client.PUT("/api/probes/{probe_id}/speed", { params: { path: { probe_id: probe } }, body: { speed } });
  return (
    <div className="ml-auto flex flex-wrap items-center gap-2 text-[0.875rem] text-ash">
      {isSilent && probe !== BY_HAND && <span>No reading</span>}
      <ProbeChoice probe={probe} onChange={onChange} />
      {probe === STAND_IN && (
        <Choice
          label="Pace of the simulated probe"
          isBare
          className="min-h-16"
          value={pace}
          empty="pace"
          onPick={(speed) => {
            setPace(speed);
            void dataOf(setSpeed(Number(speed)));
          }}
        >
          {SPEEDS.map((speed) => (
            <Option key={speed} value={speed}>
              {speed} ×
            </Option>
          ))}
        </Choice>
      )}
    </div>
  );
}
