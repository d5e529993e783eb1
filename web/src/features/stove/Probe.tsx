import { client, dataOf, type Schemas } from "../../api/client";
import { Choice } from "../../ui/Field";

type Live = Schemas["LiveOut"];

/** Which probe speaks; a stand-in may play faster than life. */
export function Probe({ probe, live }: { probe: string; live: Live | null }) {
  const setSpeed = (speed: number) =>
    client.PUT("/api/probes/{probe_id}/speed", { params: { path: { probe_id: probe } }, body: { speed } });
  return (
    <div className="ml-auto flex items-center gap-3 text-[14px] text-ash">
      <span>{live?.reading_at ? `Probe: ${probe}` : "The probe is silent"}</span>
      {probe === "stand-in" && (
        <div className="w-40">
          <Choice
            label="Stand-in plays"
            defaultValue=""
            onChange={(event) => void dataOf(setSpeed(Number(event.target.value)))}
          >
            <option value="" disabled>
              as it does
            </option>
            {[1, 5, 10, 30, 60].map((speed) => (
              <option key={speed} value={speed}>
                {speed} × real time
              </option>
            ))}
          </Choice>
        </div>
      )}
    </div>
  );
}
