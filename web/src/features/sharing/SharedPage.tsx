import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";

type Arrival = Schemas["Arrival"];
type Arriving = Schemas["Arriving"];

/** What someone sent: looked at first, asked where another of its name is there, then taken in. */
export function SharedPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [text, setText] = useState("");
  const [choices, setChoices] = useState<Record<string, string>>({});
  const look = useMutation({
    mutationFn: (sent: string) => dataOf(client.POST("/api/shared/look", { body: { text: sent } })),
  });
  const take = useMutation({
    mutationFn: () => dataOf(client.POST("/api/shared", { body: { text, choices } })),
    onSuccess: async (taken) => {
      await queries.invalidateQueries();
      const [recipe] = taken.recipe_ids;
      navigate(taken.confection_id ? `/confections/${taken.confection_id}` : `/recipes/${recipe}/formula`);
    },
  });
  const open = async (file: File | undefined) => {
    if (!file) return;
    const content = await file.text();
    setText(content);
    setChoices({});
    take.reset();
    look.mutate(content);
  };
  const asked = look.data?.recipes.filter((row) => row.standing === "other") ?? [];
  const isSettled = asked.every((row) => row.name in choices);
  const refused = [take.error, look.error].find((error) => error !== null);
  return (
    <main className="mx-auto w-full max-w-3xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">Import a shared file</h1>
      <p className="mt-1 text-ash">
        A confection or a recipe as one file. It is looked at first; nothing that you have is overwritten.
      </p>
      <label className="mt-3 block">
        <span className="mb-0.5 block text-ash text-sm">The file</span>
        <input
          type="file"
          accept=".json,application/json"
          onChange={(event) => open(event.target.files?.[0])}
          className="min-h-11 w-full rounded-md border-[1.5px] border-line-strong bg-sheet p-2"
        />
      </label>
      {refused && (
        <p role="alert" className="mt-3 text-copper">
          {refused instanceof ApiError && refused.problem.errors[0]
            ? `This file cannot be imported: ${refused.problem.errors[0].message}. Allowed: ${refused.problem.errors[0].allowed}.`
            : refused.message}
        </p>
      )}
      {look.data && (
        <>
          <Brought arrival={look.data} />
          {asked.map((row) => (
            <fieldset key={row.name} className="mt-3">
              <legend className="font-bold">
                You have another recipe named <span dir="auto">{row.name}</span>
              </legend>
              <div className="mt-1 flex flex-wrap gap-2">
                {CHOICES.map(([key, words]) => (
                  <Button
                    key={key}
                    aria-pressed={choices[row.name] === key}
                    className="aria-pressed:bg-rim aria-pressed:text-sheet"
                    onClick={() => setChoices({ ...choices, [row.name]: key })}
                  >
                    {words}
                  </Button>
                ))}
              </div>
            </fieldset>
          ))}
          <p className="mt-4">
            <Button look="filled" disabled={!isSettled || take.isPending} onClick={() => take.mutate()}>
              Import file
            </Button>
          </p>
        </>
      )}
    </main>
  );
}

const CHOICES = [
  ["both", "Keep both"],
  ["mine", "Use mine"],
] as const;
const STANDING = { new: "new", same: "you have it", other: "you have another" } as const;

function Brought({ arrival }: { arrival: Arrival }) {
  const rows: [string, Arriving][] = [
    ...(arrival.confection ? [["Confection", arrival.confection] as [string, Arriving]] : []),
    ...(arrival.vessel ? [["Vessel", arrival.vessel] as [string, Arriving]] : []),
    ...arrival.recipes.map((row): [string, Arriving] => ["Recipe", row]),
    ...arrival.ingredients.map((row): [string, Arriving] => ["Own ingredient", row]),
  ];
  return (
    <ul aria-label="What it holds" className="mt-3">
      {rows.map(([what, row]) => (
        <li
          key={what + row.name}
          className="flex min-h-11 flex-wrap items-center justify-between gap-x-4 border-line border-b py-1"
        >
          <span>
            <span className="text-ash">{what}</span> <b dir="auto">{row.name}</b>
          </span>
          <span className="text-ash">{[row.says, STANDING[row.standing]].filter(Boolean).join(", ")}</span>
        </li>
      ))}
    </ul>
  );
}
