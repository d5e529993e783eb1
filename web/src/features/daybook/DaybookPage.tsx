import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { choicesQuery, libraryQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { TextField } from "../../ui/Field";
import { PhraseList } from "../../ui/Phrase";
import { dayOf } from "../../units/time";
import { SeeLink } from "../seen";
import { day } from "./moments";
import { Sketch } from "./Sketch";

const MOST_LAID_OVER = 4;
const ANY = { value: "", text: "any" };

type Looked = { words: string; family: string; month: string; verdict: string; trouble: boolean };
const EVERYTHING: Looked = { words: "", family: "", month: "", verdict: "", trouble: false };

/** Daybook: every batch that was made, found by words, family, month, verdict or trouble. */
export function DaybookPage() {
  const [looked, setLooked] = useState(EVERYTHING);
  const [picked, setPicked] = useState<readonly number[]>([]);
  const navigate = useNavigate();
  const pages = useInfiniteQuery({
    queryKey: ["batches", "found", looked],
    placeholderData: keepPreviousData,
    staleTime: 0,
    initialPageParam: null as number | null,
    queryFn: ({ pageParam, signal }) => dataOf(found(looked, pageParam, signal)),
    getNextPageParam: (page: Schemas["BatchPage"]) => page.before,
  });
  const batches = pages.data?.pages.flatMap((page) => page.batches);
  const isAll = JSON.stringify(looked) === JSON.stringify(EVERYTHING);
  const pick = (id: number) =>
    setPicked((now) =>
      now.includes(id) ? now.filter((one) => one !== id) : [...now, id].slice(-MOST_LAID_OVER),
    );
  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="font-display font-semibold text-3xl">Daybook</h1>
        <p className="flex flex-wrap gap-x-5">
          <Link
            to="/daybook/kitchen"
            className="inline-flex min-h-11 items-center font-bold text-rim underline"
          >
            Learned from your kitchen
          </Link>
          <SeeLink />
        </p>
      </div>
      {batches?.length === 0 && isAll ? (
        <p className="mt-2 max-w-prose text-[1.0625rem]">
          No batch yet. After the first run this page tells how it went: the temperatures with their marks,
          what was weighed, which gates were passed by, how long it took to set, and what you made of it;
          after a few it knows how your kitchen differs from the book. Open a recipe and go to its{" "}
          <b>Stove</b> to start one.
        </p>
      ) : (
        <Looking looked={looked} onLook={setLooked} />
      )}
      <ul className="mt-2">
        {batches?.map((batch) => (
          <BatchRow
            key={batch.id}
            batch={batch}
            isPicked={picked.includes(batch.id)}
            onPick={() => pick(batch.id)}
          />
        ))}
      </ul>
      {batches?.length === 0 && !isAll && <p className="mt-2 text-[1.0625rem]">No batch matches.</p>}
      {pages.hasNextPage && (
        <Button className="mt-3" disabled={pages.isFetchingNextPage} onClick={() => pages.fetchNextPage()}>
          Earlier batches
        </Button>
      )}
      <Files />
      {picked.length > 0 && (
        <div className="sticky bottom-0 mt-2 flex flex-wrap items-center gap-4 border-line border-t bg-ground py-2">
          <p className="text-[1.0625rem]">
            {picked.length === 1
              ? "One batch chosen: choose another to compare."
              : `${picked.length} picked.`}
          </p>
          <Button
            look="filled"
            disabled={picked.length < 2}
            onClick={() => navigate(`/daybook/laid-over?ids=${[...picked].sort((a, b) => a - b).join(",")}`)}
          >
            Compare these batches
          </Button>
          <Button look="plain" onClick={() => setPicked([])}>
            None
          </Button>
        </div>
      )}
    </main>
  );
}

function found(looked: Looked, before: number | null, signal: AbortSignal) {
  const query: Record<string, string> = {};
  for (const name of ["words", "family", "month", "verdict"] as const)
    if (looked[name].trim()) query[name] = looked[name].trim();
  if (looked.trouble) query.trouble = "true";
  if (before !== null) query.before = String(before);
  return client.GET("/api/batches", { params: { query } as object, signal });
}

type LookingProps = { looked: Looked; onLook: (looked: Looked) => void };

/** What is looked for, as a sentence. */
function Looking({ looked, onLook }: LookingProps) {
  const library = useQuery(libraryQuery);
  const choices = useQuery(choicesQuery);
  const families = library.data?.families ?? [];
  const words = choices.data?.verdict_words ?? [];
  const change = (part: Partial<Looked>) => onLook({ ...looked, ...part });
  const months = lastMonths();
  return (
    <div className="mt-1 flex flex-wrap items-end gap-x-6 gap-y-1">
      <div className="w-72 max-sm:w-full">
        <TextField
          label="Find a recipe, an ingredient, a word of your notes"
          type="search"
          value={looked.words}
          onChange={(event) => change({ words: event.target.value })}
        />
      </div>
      <p className="text-[1.0625rem] leading-[1.9]">
        Of{" "}
        <PhraseList
          label="Family"
          text={families.find((row) => row.key === looked.family)?.name.toLowerCase() ?? "any family"}
          after=","
          value={looked.family}
          options={[ANY, ...families.map((row) => ({ value: row.key, text: row.name }))]}
          onPick={(family) => change({ family })}
        />{" "}
        made{" "}
        <PhraseList
          label="Month"
          text={months.find((row) => row.value === looked.month)?.text ?? "any time"}
          after=","
          value={looked.month}
          options={[ANY, ...months]}
          onPick={(month) => change({ month })}
        />{" "}
        with any result{" "}
        <PhraseList
          label="Verdict"
          text={looked.trouble ? "with any trouble" : looked.verdict || "any way"}
          after="."
          value={looked.trouble ? "trouble" : looked.verdict}
          options={[
            ANY,
            { value: "trouble", text: "with any trouble" },
            ...words.map((word) => ({ value: word, text: word })),
          ]}
          onPick={(verdict) =>
            change(verdict === "trouble" ? { verdict: "", trouble: true } : { verdict, trouble: false })
          }
        />
      </p>
    </div>
  );
}

const MONTHS = 24;

function lastMonths(): { value: string; text: string }[] {
  const now = new Date();
  return Array.from({ length: MONTHS }, (_, back) => {
    const month = new Date(now.getFullYear(), now.getMonth() - back, 1);
    const value = `${month.getFullYear()}-${String(month.getMonth() + 1).padStart(2, "0")}`;
    return { value, text: `in ${dayOf(month, "month")}` };
  });
}

type RowProps = { batch: Schemas["Batch"]; isPicked: boolean; onPick: () => void };

function BatchRow({ batch, isPicked, onPick }: RowProps) {
  return (
    <li className="flex items-center gap-3 border-line border-b">
      <Checkbox
        className="min-h-14 min-w-11 justify-center"
        checked={isPicked}
        label={`Pick ${batch.name}, ${day(batch.started_at)}`}
        onCheck={onPick}
      />
      <Link
        to={`/daybook/${batch.id}`}
        className="flex min-h-14 flex-1 flex-wrap items-center justify-between gap-x-5 py-1.5 hover:bg-rim-faint"
      >
        <span className="min-w-[min(100%,14rem)] flex-1">
          <b dir="auto" className="text-[1.125rem]">
            {batch.name}
          </b>
          {batch.version !== null && <span className="text-ash"> version {batch.version}</span>}
          <span className="block text-[0.9375rem] text-ash">{day(batch.started_at)}</span>
        </span>
        <Sketch points={batch.sketch} />
        <span className="w-72 text-[0.9375rem] max-md:w-full">
          {batch.ended_at === null ? (
            `running, step ${batch.step + 1} of ${batch.steps}`
          ) : batch.verdict.length > 0 ? (
            batch.verdict.join(", ")
          ) : (
            <span className="text-ash">no verdict yet</span>
          )}
        </span>
      </Link>
    </li>
  );
}

/** The daybook as files, out and in. */
function Files() {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      const body = file.name.endsWith(".csv") ? { csv: text } : { json_file: text };
      return dataOf(client.POST("/api/batches/take-in", { body }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["batches"] }),
  });
  return (
    <p className="mt-4 flex flex-wrap items-center gap-x-5 text-[0.9375rem]">
      <a
        href="/api/batches/daybook.csv"
        className="inline-flex min-h-11 items-center font-bold text-rim underline"
      >
        Export all batches (CSV)
      </a>
      <label className="inline-flex min-h-11 cursor-pointer items-center font-bold text-rim underline focus-within:outline-3">
        Import batches from a file
        <input
          type="file"
          accept=".csv,.json,text/csv,application/json"
          className="sr-only"
          onChange={(event) => event.target.files?.[0] && take.mutate(event.target.files[0])}
        />
      </label>
      <span role="status">
        {take.data &&
          `${take.data.taken} taken in${take.data.there_already ? `, ${take.data.there_already} were there already` : ""}.`}
        {take.error?.message}
      </span>
    </p>
  );
}
