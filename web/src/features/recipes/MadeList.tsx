import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { mass, useUnits } from "../../units/units";
import { Counter, shapeOf } from "../counter";
import { MadeActions } from "./MadeActions";

type Made = Schemas["MadeInList"];

/** What can be made, as far as it is shown, found by some words. */
export function useMade(words: string) {
  const found = useInfiniteQuery({
    queryKey: ["recipes-found", "made", words],
    staleTime: 0,
    placeholderData: keepPreviousData,
    queryFn: ({ signal, pageParam }) =>
      dataOf(client.POST("/api/confections/find", { body: { words, after: pageParam }, signal })),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.after,
  });
  return { ...found, made: found.data?.pages.flatMap((page) => page.made) ?? [] };
}

type Props = { found: ReturnType<typeof useMade>; onGone: () => Promise<void> };

/** What can be made, drawn on the counter; archived things last. */
export function MadeList({ found, onGone }: Props) {
  const { made, hasNextPage, fetchNextPage, isFetchingNextPage } = found;
  const groups = [
    { label: "What you make", rows: made.filter((row) => !row.archived) },
    { label: "Archived", rows: made.filter((row) => row.archived) },
  ];
  return (
    <>
      {groups.map(
        ({ label, rows }) =>
          rows.length > 0 && (
            <section key={label} className="mt-2">
              {label === "Archived" && <h2 className="mb-1 font-bold text-ash">{label}</h2>}
              <Counter
                label={label}
                things={rows.map((row) => ({
                  key: row.id,
                  shape: row.drawn && row.vessel ? shapeOf(row.drawn.piece, row.vessel) : null,
                  below: (smaller) => <Below row={row} smaller={smaller} onGone={onGone} />,
                }))}
              />
            </section>
          ),
      )}
      {hasNextPage && (
        <p className="mt-3">
          <Button disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
            Show more of what you make
          </Button>
        </p>
      )}
    </>
  );
}

type BelowProps = { row: Made; smaller: string; onGone: () => Promise<void> };

function Below({ row, smaller, onGone }: BelowProps) {
  const units = useUnits();
  const { drawn } = row;
  const many = drawn?.piece.pieces === 1 ? "one" : drawn?.piece.pieces;
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-x-1">
        <Link
          to={`/confections/${row.id}`}
          className="min-w-0 flex-1 py-1 font-bold text-[1.125rem] text-rim leading-tight underline-offset-4 [overflow-wrap:anywhere] hover:underline"
        >
          <span dir="auto">{row.name}</span>
        </Link>
        <MadeActions row={row} onGone={onGone} />
      </div>
      <p className="text-[0.9375rem] text-ash leading-snug">
        {drawn
          ? `${many} of ${mass(drawn.piece.piece_g, units)}, best within ${drawn.days_low}–${drawn.days_high} days`
          : row.vessel_name || "No tin or mould"}
        {smaller && `; ${smaller}`}
      </p>
      {drawn && drawn.allergens.length > 0 && (
        <p className="text-[0.9375rem] text-ash leading-snug">{drawn.allergens.join(", ")}</p>
      )}
      <p className="font-bold text-[0.9375rem] text-copper leading-snug">{worthKnowing(row)}</p>
    </>
  );
}

/** The one thing worth knowing: what prevents it, how the last batch was, or what is missing for it. */
function worthKnowing({ drawn, problem, verdict, lacks }: Made): string {
  if (!drawn) return `Cannot be made yet: ${problem}`;
  if (verdict.length > 0) return `Last time: ${verdict.join(", ")}`;
  if (!lacks) return "";
  const [first, ...others] = lacks;
  if (first === undefined) return "Everything is in stock";
  return `Not in stock: ${first}${others.length > 0 ? ` and ${others.length} more` : ""}`;
}
