import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { LineChart, stepsTo } from "../../ui/LineChart";
import { Notice } from "../../ui/Notice";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { PhraseList } from "../../ui/Phrase";
import { Skeleton } from "../../ui/Skeleton";
import { useUnits } from "../../units/units";
import { day } from "./moments";
import { NextChanges } from "./NextChanges";

/** How each of the batches is drawn, told apart by its dashes too. */
const LINES = [
  { stroke: "stroke-copper", fill: "fill-copper", dash: undefined, words: "whole line" },
  { stroke: "stroke-rim", fill: "fill-rim", dash: "9 5", words: "dashed" },
  { stroke: "stroke-soot", fill: "fill-soot", dash: "2 5", words: "dotted" },
  { stroke: "stroke-ash", fill: "fill-ash", dash: "12 4 2 4", words: "dash and dot" },
] as const;
const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240];
const ORDER = ["first", "second", "third", "fourth"];

/** Two or more batches laid over each other, aligned at any moment that all of them have; the differences in words. */
export function LaidOverPage() {
  const [search] = useSearchParams();
  const ids = search.get("ids") ?? "";
  const { data, error } = useQuery({
    queryKey: ["laid-over", ids],
    queryFn: ({ signal }) =>
      dataOf(client.GET("/api/batches/laid-over", { params: { query: { ids } } as object, signal })),
    retry: false,
  });
  if (error) return <Notice title="These batches cannot be compared" text={error.message} />;
  if (!data) return <Skeleton />;
  return <Bench key={ids} found={data} />;
}

function Bench({ found }: { found: Schemas["BatchesLaidOver"] }) {
  const [key, setKey] = useState("start");
  const at = found.moments.find((row) => row.key === key) ?? found.moments[0];
  const lead = found.against.flatMap((row) => row.differences).find((row) => row.source === "verdict");
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_430px] max-lg:grid-cols-1">
      <section aria-label="Batches compared" className="px-6 py-3 max-md:px-3">
        <h1 className="font-display font-semibold text-[1.75rem] leading-tight">
          {lead?.says ?? "Batches compared"}
        </h1>
        <ul className="mt-1">
          {found.batches.map((batch, position) => (
            <li key={batch.batch_id} className="flex flex-wrap items-center gap-x-3 text-[1rem]">
              <svg viewBox="0 0 44 8" className="h-2 w-11" aria-hidden="true">
                <line
                  x1="0"
                  x2="44"
                  y1="4"
                  y2="4"
                  strokeWidth="3.5"
                  className={LINES[position]?.stroke}
                  strokeDasharray={LINES[position]?.dash}
                />
              </svg>
              <span className="text-ash">The {ORDER[position]}:</span>
              <Link
                to={`/daybook/${batch.batch_id}`}
                className="inline-flex min-h-11 items-center font-bold text-rim underline"
              >
                <span dir="auto">{batch.name}</span>
              </Link>
              <span>
                {day(batch.started_at)}
                {batch.verdict.length > 0 && `: ${batch.verdict.join(", ")}`}
              </span>
            </li>
          ))}
        </ul>
        <p className="text-[1.0625rem] leading-[1.9]">
          Aligned at{" "}
          <PhraseList
            label="Aligned at"
            text={lower(at?.name ?? "the start")}
            after="."
            value={at?.key ?? "start"}
            options={found.moments.map((row) => ({ value: row.key, text: row.name }))}
            onPick={setKey}
          />
        </p>
        <PartOrFailure what="the temperature chart">
          <Chart found={found} moment={at?.key ?? "start"} />
        </PartOrFailure>
      </section>
      <section
        aria-label="What differs"
        className="border-line border-l bg-sheet px-5 py-3 max-lg:border-t max-lg:border-l-0 max-md:px-3"
      >
        {found.against.map((row, position) => (
          <div key={row.batch_id}>
            <h2 className="mt-1 font-bold text-lg">How the {ORDER[position + 1]} differs from the first</h2>
            <ul className="text-[1rem]">
              {row.differences
                .filter((one) => one.source !== "verdict")
                .map((one) => (
                  <li key={one.says} className="flex gap-3 border-line border-b py-1.5">
                    <span className="w-16 shrink-0 text-[0.9375rem] text-ash">{SOURCES[one.source]}</span>
                    <span>
                      {one.says.charAt(0).toUpperCase() + one.says.slice(1)}
                      {one.makes && <span className="text-ash"> (makes it {one.makes})</span>}
                    </span>
                  </li>
                ))}
            </ul>
            {row.differences.length === 0 && <p>Nothing that was recorded differs.</p>}
          </div>
        ))}
        {found.changes_of !== null && (
          <NextChanges
            batch={found.changes_of}
            changes={found.changes}
            title={`Worth trying after the ${ORDER[found.batches.findIndex((row) => row.batch_id === found.changes_of)]}`}
          />
        )}
      </section>
    </main>
  );
}

const SOURCES: Record<Schemas["Difference"]["source"], string> = {
  recipe: "recipe",
  choices: "choice",
  weights: "weight",
  readings: "reading",
  room: "room",
  time: "time",
  verdict: "verdict",
  mended: "mended",
};

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

type ChartProps = { found: Schemas["BatchesLaidOver"]; moment: string };

function Chart({ found, moment }: ChartProps) {
  const units = useUnits();
  const shown = (c: number) => `${Math.round(units.temperature === "F" ? c * 1.8 + 32 : c)}°`;
  const lines = found.batches.map((batch) => {
    const zero = batch.moments_s[moment] ?? 0;
    return batch.trace.stretches.map((stretch) => stretch.map(([s = 0, c = 0]) => [s - zero, c]));
  });
  const points = lines.flat(2);
  if (points.length === 0) return <p className="mt-2">Neither has a trace: no thermometer was heard.</p>;
  const seconds = points.map(([s = 0]) => s);
  const degrees = points.map(([, c = 0]) => c);
  const [from, to] = [Math.min(...seconds), Math.max(...seconds)];
  const [low, high] = [Math.min(...degrees) - 4, Math.max(...degrees) + 6];
  const ticks = Array.from({ length: 20 }, (_, i) => Math.ceil(low / 20) * 20 + i * 20).filter(
    (c) => c < high - 2,
  );
  const minutes = stepsTo((to - from) / 60, STEPS_MIN, 8);
  const first = 60 * Math.ceil(from / 60);
  return (
    <LineChart
      alt={`The temperatures of ${found.batches.length} batches over each other.`}
      width={820}
      height={430}
      x={[from, to]}
      y={[low, high]}
      xTicks={minutes.map((minute) => {
        const at = first + minute * 60;
        return { at, label: at === 0 ? "here" : `${at / 60} min` };
      })}
      yTicks={ticks.map((c) => ({ at: c, label: shown(c) }))}
      ruled
      fontSize={15}
      margin={{ left: 56, right: 30, top: 14, bottom: 34 }}
    >
      {(plane) => (
        <>
          {from < 0 && (
            <line
              x1={plane.x(0)}
              x2={plane.x(0)}
              y1={plane.top}
              y2={plane.bottom}
              className="stroke-line-strong"
              strokeWidth="1.5"
            />
          )}
          {lines.map((stretches, position) =>
            stretches.map((stretch) => (
              <path
                key={`${found.batches[position]?.batch_id} ${stretch[0]?.[0]}`}
                d={plane.path(stretch)}
                fill="none"
                strokeWidth="3.5"
                strokeLinejoin="round"
                className={LINES[position]?.stroke}
                strokeDasharray={LINES[position]?.dash}
              />
            )),
          )}
        </>
      )}
    </LineChart>
  );
}
