import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";

export type Told = Schemas["Told"];
export type Facts = Schemas["Facts"];
type Known = Schemas["Known"];

/** What is looked at: a batch with all that is known of it, or a recipe alone. */
export type Subject = { batch: number | null; recipe: number | null };

export const signsQuery = {
  queryKey: ["signs"],
  queryFn: ({ signal }: { signal: AbortSignal }) => dataOf(client.GET("/api/signs", { signal })),
  staleTime: Number.POSITIVE_INFINITY,
};

const NOTHING: Known = {
  stage: "join",
  mass_g: 0,
  now_c: null,
  facts: {
    hottest_c: null,
    coldest_c: null,
    room_c: null,
    minutes: null,
    water_lost_g: null,
    water_left_pct: null,
    drops_of_water: null,
    sugar_dissolved: null,
    stirred_while_cooling: null,
    out_of_fridge_min: null,
    shell_mm: null,
    tempered: null,
    days: null,
    hottest_when: "",
  },
};

/** What is known already, what the cook sees, changed and answered, and what is told of it. */
export function useSeen({ batch, recipe }: Subject, firstStage: string | null) {
  const known = useQuery({
    queryKey: ["known", batch],
    enabled: batch !== null,
    queryFn: ({ signal }) =>
      dataOf(
        client.GET("/api/batches/{batch_id}/known", { params: { path: { batch_id: batch ?? 0 } }, signal }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  const stored = useQuery({ ...recipeQueries.one(recipe ?? 0), enabled: recipe !== null && batch === null });
  const [stage, setStage] = useState<string | null>(firstStage);
  const [seen, setSeen] = useState<readonly string[]>([]);
  const [mass, setMass] = useState<number | null>(null);
  const [nowC, setNowC] = useState<number | null>(null);
  const [facts, setFacts] = useState<Partial<Facts>>({});
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const there = known.data ?? (batch === null ? NOTHING : undefined);
  const at = stage ?? there?.stage ?? "join";
  const all = { ...NOTHING.facts, ...there?.facts, ...facts };
  const told = useQuery({
    queryKey: ["told", batch, recipe, at, seen, mass, nowC, all, answers],
    enabled: seen.length > 0 && there !== undefined && (batch !== null || recipe !== null),
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/diagnose", {
          body: {
            batch_id: batch,
            recipe_id: recipe,
            stage: at,
            seen: [...seen],
            mass_g: mass,
            now_c: nowC ?? there?.now_c ?? null,
            facts: all,
            answers,
          },
          signal,
        }),
      ),
  });
  return {
    isReady: there !== undefined,
    name: stored.data?.recipe.name ?? null,
    known: there,
    stage: at,
    setStage: (next: string) => {
      setStage(next);
      setAnswers({});
    },
    seen,
    toggle: (sign: string) => {
      setSeen((now) => (now.includes(sign) ? now.filter((one) => one !== sign) : [...now, sign].slice(-4)));
      setAnswers({});
    },
    mass,
    setMass,
    nowC,
    setNowC,
    facts: all,
    setFact: (fact: Partial<Facts>) => setFacts((now) => ({ ...now, ...fact })),
    answers,
    answer: (key: string, word: string) => setAnswers((now) => ({ ...now, [key]: word })),
    told: seen.length > 0 ? told : null,
  };
}
