import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Recipe } from "../../api/client";
import { recipeQueries, settingsQuery } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { Notice } from "../../ui/Notice";
import { Option } from "../../ui/OptionList";
import { SideBySide } from "./SideBySide";

/** Any two recipes or kept versions side by side. */
export function ComparePage({ id }: { id: number }) {
  const [first, setFirst] = useState(`${id}`);
  const [chosen, setSecond] = useState<string | null>(null);
  const list = useQuery(recipeQueries.list);
  const settings = useQuery(settingsQuery);
  const kept = useChosen(`${id}:newest`);
  const now = useChosen(`${id}`);
  const second = chosen ?? otherThan(id, kept, now, list.data?.recipes ?? []);
  const a = useChosen(first);
  const b = useChosen(second);
  const atC = settings.data?.kitchen_c ?? 20;
  const compared = useQuery({
    queryKey: ["compare", a, b, atC],
    enabled: Boolean(a && b),
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/compare", {
          body: { first: a?.recipe as Recipe, second: b?.recipe as Recipe, at_c: atC },
          signal,
        }),
      ),
  });
  if (list.error && !list.data)
    return <Notice title="The recipes could not be read" text="Reload in a moment." />;
  const recipes = list.data?.recipes ?? [];
  return (
    <main className="mx-auto w-full max-w-4xl p-5 max-md:p-3">
      <h1 className="font-display font-semibold text-3xl">Compare</h1>
      <div className="mt-3 grid grid-cols-2 gap-4">
        <Which label="First" value={first} recipes={recipes} onChange={setFirst} />
        <Which label="Second" value={second} recipes={recipes} onChange={setSecond} />
      </div>
      <div className="mt-4">
        {compared.error && <p role="alert">{compared.error.message}</p>}
        {compared.data && a && b && (
          <SideBySide all comparison={compared.data.comparison} first={a.name} second={b.name} />
        )}
        {b === null && <p>It has no saved version yet: choose another recipe.</p>}
      </div>
    </main>
  );
}

/** What to put beside a recipe: its newest kept version where that is another thing, else another of its family. */
function otherThan(id: number, kept: Chosen, now: Chosen, recipes: { id: number; family: string }[]): string {
  if (kept && now && JSON.stringify(kept.recipe.lines) !== JSON.stringify(now.recipe.lines))
    return `${id}:newest`;
  const others = recipes.filter((row) => row.id !== id);
  const family = recipes.find((row) => row.id === id)?.family;
  return String((others.find((row) => row.family === family) ?? others[0])?.id ?? id);
}

type WhichProps = {
  label: string;
  value: string;
  recipes: { id: number; name: string }[];
  onChange: (value: string) => void;
};

function Which({ label, value, recipes, onChange }: WhichProps) {
  const [id, version] = value.split(":");
  const { data } = useQuery(recipeQueries.versions(Number(id)));
  return (
    <div className="grid gap-2">
      <Choice label={label} value={id ?? ""} onPick={onChange}>
        {recipes.map((row) => (
          <Option key={row.id} value={row.id}>
            {row.name}
          </Option>
        ))}
      </Choice>
      <Choice
        label={`${label}, as it was`}
        value={version === "newest" ? String(data?.versions[0]?.number ?? "") : (version ?? "")}
        onPick={(value) => onChange(value ? `${id}:${value}` : `${id}`)}
      >
        <Option value="">as it is now</Option>
        {data?.versions.map((row) => (
          <Option key={row.number} value={row.number}>
            {row.name}
          </Option>
        ))}
      </Choice>
    </div>
  );
}

type Chosen = { name: string; recipe: Recipe } | null | undefined;

/** The recipe that a choice stands for: `3`, `3:2` (version 2), `3:newest`; null where there is no such version. */
function useChosen(choice: string): Chosen {
  const [id, version] = choice.split(":");
  const stored = useQuery(recipeQueries.one(Number(id)));
  const versions = useQuery(recipeQueries.versions(Number(id)));
  if (!stored.data || !versions.data) return undefined;
  if (!version) return { name: `${stored.data.recipe.name}, now`, recipe: stored.data.recipe };
  const found =
    version === "newest"
      ? versions.data.versions[0]
      : versions.data.versions.find((row) => String(row.number) === version);
  return found ? { name: `${stored.data.recipe.name}, ${found.name}`, recipe: found.recipe } : null;
}
