import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf } from "../../api/client";
import { batchQueries, choicesQuery, recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";

type Props = { id: number; name: string };

const TITLES: Record<string, string> = {
  heat: "Heat",
  liquid: "The cream",
  wait: "Over the chocolate",
  butter: "The butter",
  spirit: "Spirit",
  temper: "Temper shells and coats",
  rest: "Rest",
};

/** Before a run: the kept version that is made, and the schools where good cooks differ. */
export function StartRun({ id, name }: Props) {
  const queries = useQueryClient();
  const { data: versions } = useQuery(recipeQueries.versions(id));
  const { data: choices } = useQuery(choicesQuery);
  const [version, setVersion] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const newest = versions?.versions[0]?.number;
  const wanted = version ?? (newest === undefined ? "" : String(newest));
  const start = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/batches", {
          body: {
            recipe_id: id,
            version: wanted === "" ? null : Number(wanted),
            choices: chosen,
            probe_id: "stand-in",
            from_step: 0,
          },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: batchQueries.list.queryKey }),
  });
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-5 max-md:px-3">
      <h1 dir="auto" className="font-display font-semibold text-[32px] leading-tight">
        {name}
      </h1>
      <p className="mt-1 max-w-prose text-[17px]">
        A run keeps what you do, weigh and measure from the first warmth until it has set. Its fit is the one
        that was left; every step can be opened at any time.
      </p>
      <div className="mt-4 grid grid-cols-2 gap-x-6 gap-y-4 max-md:grid-cols-1">
        <Choice label="Made from" value={wanted} onChange={(event) => setVersion(event.target.value)}>
          {versions?.versions.map((row) => (
            <option key={row.number} value={row.number}>
              {row.number}, {row.name}
            </option>
          ))}
          <option value="">the recipe as it stands</option>
        </Choice>
        {choices?.choices.map((choice) => {
          const now = choice.schools.find((school) => school.key === chosen[choice.key]) ?? choice.schools[0];
          return (
            <div key={choice.key}>
              <Choice
                label={TITLES[choice.key] ?? choice.key}
                value={now?.key ?? ""}
                onChange={(event) => setChosen((before) => ({ ...before, [choice.key]: event.target.value }))}
              >
                {choice.schools.map((school) => (
                  <option key={school.key} value={school.key}>
                    {school.name}
                  </option>
                ))}
              </Choice>
              <p className="mt-0.5 text-[14px] text-ash">{now?.trade_off}</p>
            </div>
          );
        })}
      </div>
      <Button
        look="filled"
        className="mt-5 min-h-16 w-full max-w-md text-[20px]"
        disabled={start.isPending || !choices || !versions}
        onClick={() => start.mutate()}
      >
        Start the run
      </Button>
      {start.error && (
        <p role="alert" className="mt-2 text-copper">
          {start.error.message}
        </p>
      )}
    </main>
  );
}
