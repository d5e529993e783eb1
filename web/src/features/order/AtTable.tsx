import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { PhraseNumber } from "../../ui/Phrase";
import { fixed, temperature, useUnits } from "../../units/units";

type Asked = Schemas["OccasionAsk"];
type Props = { asked: Asked; onChange: (part: Partial<Asked>) => void };

const STATES: Record<string, string> = {
  firm: "stays firm",
  soft: "softens",
  runs: "loses its shape",
  unknown: "not predicted: keep cool",
};

/** How the pieces stand where they are eaten, what helps, and what a guest must not take. */
export function AtTable({ asked, onChange }: Props) {
  const units = useUnits();
  const { wishes } = asked;
  const { data, error, refetch } = useQuery({
    queryKey: ["served", asked.rows, wishes.table_c, wishes.table_h],
    enabled: asked.rows.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/occasions/served", { body: asked, signal })),
  });
  const common =
    data && data.table.length > 1
      ? (data.table[0]?.says ?? []).filter((words) => data.table.every((row) => row.says.includes(words)))
      : [];
  const isF = units.temperature === "F";
  return (
    <section aria-labelledby="at-table" className="mt-6 border-line border-t pt-3 print:hidden">
      <h2 id="at-table" className="font-bold text-lg">
        At the table
      </h2>
      <p className="text-[1.125rem] leading-[1.6]">
        Eaten at{" "}
        <PhraseNumber
          label="Temperature at the table"
          unit={isF ? "°F" : "°C"}
          text={temperature(wishes.table_c, units)}
          value={isF ? Math.round(wishes.table_c * 1.8 + 32) : wishes.table_c}
          onTake={(value) =>
            value !== null && onChange({ wishes: { ...wishes, table_c: isF ? (value - 32) / 1.8 : value } })
          }
        />{" "}
        and stand or travel for{" "}
        <PhraseNumber
          label="Hours on the table"
          unit="h"
          text={`${wishes.table_h} h`}
          value={wishes.table_h}
          onTake={(value) => value !== null && onChange({ wishes: { ...wishes, table_h: value } })}
        />
        .
      </p>
      {error && (
        <p role="alert" className="text-copper">
          {error.message}
        </p>
      )}
      {common.map((words) => (
        <p key={words} className="text-[0.9375rem]">
          Of each: {words}
        </p>
      ))}
      <ul>
        {data?.table.map((row) => (
          <li key={row.name} className="border-line border-b py-1.5">
            <p className="flex flex-wrap justify-between gap-x-4">
              <span>
                <b>{row.name}</b> <span className="text-ash">by its {row.decides}</span>
              </span>
              <b className={row.state === "firm" ? "" : "rounded bg-butter px-1.5"}>{STATES[row.state]}</b>
            </p>
            {row.says
              .filter((words) => !common.includes(words))
              .map((words) => (
                <p key={words} className="text-[0.9375rem]">
                  {words}
                </p>
              ))}
            {row.state !== "firm" && row.helps.length > 0 && (
              <p className="text-[0.9375rem] text-ash">What helps: {row.helps.join("; ")}.</p>
            )}
            {row.firmer && (
              <Firmer
                firmer={row.firmer}
                recipeId={data.recipes[row.firmer.recipe]}
                where={temperature(wishes.table_c, units)}
                onDone={() => refetch()}
              />
            )}
          </li>
        ))}
      </ul>
      <Guests served={data} />
    </section>
  );
}

type FirmerProps = {
  firmer: Schemas["Firmer"];
  recipeId: number | undefined;
  where: string;
  onDone: () => void;
};

/** A firmer ratio by one press; the recipe as it was is kept as a version first. */
function Firmer({ firmer, recipeId, where, onDone }: FirmerProps) {
  const make = useMutation({
    mutationFn: async (id: number) => {
      const params = { path: { recipe_id: id } };
      const stored = await dataOf(client.GET("/api/recipes/{recipe_id}", { params }));
      await dataOf(
        client.POST("/api/recipes/{recipe_id}/versions", {
          params,
          body: { name: `Before a table at ${where}` },
        }),
      );
      const slid = await dataOf(
        client.POST("/api/formula", { body: { recipe: stored.recipe, ratio: firmer.to_ratio } }),
      );
      return dataOf(
        client.PUT("/api/recipes/{recipe_id}", {
          params,
          body: { revision: stored.revision, recipe: slid.recipe },
        }),
      );
    },
    onSuccess: onDone,
  });
  if (recipeId === undefined) return null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-3">
      <Button disabled={make.isPending} onClick={() => make.mutate(recipeId)}>
        Make {firmer.recipe} {fixed(firmer.to_ratio, 2)} : 1
      </Button>
      <span className="text-[0.9375rem] text-ash">
        it is {fixed(firmer.from_ratio, 2)} : 1 now, and stays firm there from {fixed(firmer.to_ratio, 2)} on;
        the recipe as it is is kept as a version
      </span>
      {make.error && (
        <span role="alert" className="text-copper">
          {make.error.message}
        </span>
      )}
    </p>
  );
}

/** What one who must not eat something may take. */
function Guests({ served }: { served: Schemas["Served"] | undefined }) {
  const [key, setKey] = useState("");
  if (!served || served.guests.length === 0) return null;
  const guest = served.guests.find((row) => row.key === key);
  const names = (positions: readonly number[]) =>
    positions.map((at) => served.table[at]?.name ?? "").join(", ");
  const clean = guest?.free.filter((at) => !guest.beside.includes(at)) ?? [];
  return (
    <div className="mt-3 max-w-lg">
      <Choice label="A guest cannot eat" value={key} onPick={(value) => setKey(value)}>
        <Option value="">no restrictions</Option>
        {served.guests.map((row) => (
          <Option key={row.key} value={row.key}>
            {row.what}
          </Option>
        ))}
      </Choice>
      {guest && (
        <div aria-live="polite" className="mt-1">
          <p>
            Not for them: <b>{names(guest.holds)}</b>.
          </p>
          {clean.length > 0 && (
            <p>
              Without it: <b>{names(clean)}</b>.
            </p>
          )}
          {guest.beside.length > 0 && (
            <p>
              Without it, but made in the same kitchen or not fully known: <b>{names(guest.beside)}</b>.
              Traces cannot be excluded: with an allergy, ask and do not rely on this.
            </p>
          )}
          {guest.free.length === 0 && <p>Nothing here is safe for them: make something else.</p>}
        </div>
      )}
    </div>
  );
}
