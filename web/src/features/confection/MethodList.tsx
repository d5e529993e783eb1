import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { client, dataOf, type Schemas } from "../../api/client";
import { timeText } from "../../units/time";
import { aim, fixed, mass, type Units } from "../../units/units";
import type { Asked } from "./words";

type Act = Schemas["ConfectionMethodOut"]["method"]["acts"][number];

/** How it is made: every act in order, with what goes in, its check and its time. */
export function MethodList({
  asked,
  units,
  nameOf,
}: {
  asked: Asked;
  units: Units;
  nameOf: (key: string) => string;
}) {
  const { data } = useQuery({
    queryKey: ["confection-method", asked],
    enabled: asked.parts.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/confections/method", { body: { asked, choices: {} }, signal })),
  });
  if (!data) return null;
  const { acts, differs, hands_min, elapsed_min } = data.method;
  return (
    <section aria-label="Method" className="mt-4">
      <h2 className="font-bold text-lg">Method</h2>
      <p className="text-ash">
        {minutesText(hands_min)} of hands-on time, {minutesText(elapsed_min)} in all.
      </p>
      {differs.map((one) => (
        <p key={one.act} className="mt-2 rounded-md bg-butter px-3 py-2 text-[0.9375rem]">
          {one.message}
        </p>
      ))}
      <ol className="mt-1">
        {acts.map((act, at) => (
          <li key={act.id} className="grid grid-cols-[2rem_minmax(0,1fr)] border-line border-t py-1.5">
            <span className="text-ash tabular-nums">{at + 1}</span>
            <div>
              <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                <span className="font-bold">{act.title}</span>
                <span className="text-[0.9375rem] text-ash">{checkOf(act, units)}</span>
              </p>
              <p>{act.do}</p>
              {act.takes.length > 0 && (
                <p className="text-[0.9375rem]">
                  {act.takes
                    .map((take) => `${mass(take.g, units)} ${lower(nameOf(take.ingredient))}`)
                    .join(", ")}
                </p>
              )}
              {[...act.cautions, ...act.advice].map((code) => (
                <p key={code} className="text-[0.9375rem] text-copper">
                  {data.cautions[code]}
                </p>
              ))}
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Minutes, to a whole one. */
const minutesText = (minutes: number) => timeText(60 * Math.max(1, Math.round(minutes)));

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** The temperature that an act is checked by, and how long it usually takes. */
function checkOf(act: Act, units: Units): string {
  const usual = minutesText(act.minutes[1] ?? 0);
  if (!act.target_c) return usual;
  const shown = (c: number) => fixed(units.temperature === "F" ? c * 1.8 + 32 : c, 0);
  return `${aim(act.target_c, shown)} °${units.temperature}, ${usual}`;
}
