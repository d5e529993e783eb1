import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { placesQuery } from "../../api/queries";
import { serverNow } from "../../api/serverTime";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { aboutMomentText, hoursText } from "./words";

const CHAIN_NAMES: Record<string, string> = {
  moulded: "A moulded piece",
  slab: "A slab to cut",
  rolled: "Rolled and coated",
  frozen: "Out of the freezer",
  liquid: "Liquid centres",
};
const CHAIN_OF_USE: Record<string, string> = { cut: "slab", roll: "rolled", "fill-shell": "moulded" };

type Props = { recipeId: number; minutes: number; title: string; use: string | null; sinceMs: number | null };

/** The chain of rests, with moments to look again, also for one's calendar. */
export function Chains({ recipeId, minutes, title, use, sinceMs }: Props) {
  const { data: places } = useQuery(placesQuery);
  const [kind, setKind] = useState(CHAIN_OF_USE[use ?? ""] ?? "slab");
  const asked = `${kind}?minutes=${Math.round(minutes)}&recipe=${recipeId}`;
  const { data } = useQuery({
    queryKey: ["chain", asked],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }): Promise<Schemas["ChainOut"]> => {
      const answer = await fetch(`/api/set/chains/${asked}`, { signal });
      return answer.json();
    },
  });
  const from = sinceMs === null ? "" : `&from=${encodeURIComponent(new Date(sinceMs).toISOString())}`;
  const calendar = `/api/set/chains/${asked.replace("?", "/looks.ics?")}&title=${encodeURIComponent(title)}${from}`;
  return (
    <div className="mt-4 border-line border-t pt-2">
      <Choice label="Remind me at each stage" value={kind} onPick={(value) => setKind(value)}>
        {places?.chains.map((chain) => (
          <Option key={chain} value={chain}>
            {CHAIN_NAMES[chain] ?? chain}
          </Option>
        ))}
      </Choice>
      <ol className="mt-1 text-[0.9375rem]">
        {data?.looks.map((look) => (
          <li key={look.name} className="border-line border-b py-1">
            <span className="flex justify-between gap-3">
              <span>{look.name}</span>
              <b className="whitespace-nowrap">
                {sinceMs === null
                  ? hoursText(look.after_min)
                  : aboutMomentText(sinceMs + 60_000 * look.after_min, serverNow())}
              </b>
            </span>
            <span className="block text-[0.8125rem] text-ash">{look.look_for}</span>
          </li>
        ))}
      </ol>
      <a href={calendar} className="inline-flex min-h-11 items-center font-bold text-rim underline">
        Add to calendar, from {sinceMs === null ? "now" : "when the timer started"}
      </a>
    </div>
  );
}
