import { keepPreviousData, useInfiniteQuery, useMutation } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { placeOf } from "../../api/thread";
import { Button } from "../../ui/Button";
import { Sure } from "../../ui/Sure";
import { ROLE_WORDS, type Role } from "../confection";
import { Outline } from "../fit";
import { Send } from "../sharing";

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

/** What can be made, drawn: each in its tin, mould or shape, with its parts and the mixes that go into it. */
export function MadeList({ found, onGone }: Props) {
  const { made, hasNextPage, fetchNextPage, isFetchingNextPage } = found;
  if (made.length === 0) return null;
  return (
    <section aria-labelledby="what-you-make" className="mt-3">
      <h2 id="what-you-make" className="font-bold text-ash">
        What you make
      </h2>
      <ul>
        {made.map((row) => (
          <MadeRow key={row.id} row={row} onGone={onGone} />
        ))}
      </ul>
      {hasNextPage && (
        <p className="mt-3">
          <Button disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
            Show more of what you make
          </Button>
        </p>
      )}
    </section>
  );
}

function MadeRow({ row, onGone }: { row: Made; onGone: () => Promise<void> }) {
  const remove = useMutation({
    mutationFn: () =>
      dataOf(
        client.DELETE("/api/confections/{confection_id}", { params: { path: { confection_id: row.id } } }),
      ),
    onSuccess: onGone,
  });
  const parts = [...new Set(row.roles)].map((role) => ROLE_WORDS[role as Role].toLowerCase());
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-line border-b py-2">
      {row.vessel && <Outline vessel={row.vessel} />}
      <div className="min-w-56 flex-1">
        <Link
          to={`/confections/${row.id}`}
          className="inline-flex min-h-11 items-center font-bold text-[1.125rem] text-rim underline-offset-4 hover:underline"
        >
          <span dir="auto">{row.name}</span>
        </Link>
        <p className="text-[0.9375rem] text-ash">
          {row.pieces !== null && `${row.pieces} in `}
          {row.vessel_name || "a deleted tin or mould"}. {listed(parts)}.
        </p>
        <p className="flex flex-wrap gap-x-3 text-[0.9375rem]">
          {row.mixes.map((mix) => (
            <Link
              key={mix.id}
              dir="auto"
              to={placeOf("formula", mix.id, row.id)}
              aria-label={`${mix.name}, a mix of ${row.name}`}
              className="inline-flex min-h-6 items-center text-rim underline"
            >
              {mix.name}
            </Link>
          ))}
        </p>
      </div>
      {row.mixes[0] && (
        <Link
          to={placeOf("stove", row.mixes[0].id, row.id)}
          aria-label={`Make it now: ${row.name}`}
          className="inline-flex min-h-11 items-center px-3 font-bold text-[0.9375rem] text-rim underline-offset-4 hover:underline"
        >
          Make it now
        </Link>
      )}
      <Send kind="confections" id={row.id} name={row.name} />
      <Sure
        words="Delete"
        goes={`Delete “${row.name}”? Its mixes and its tin or mould stay.`}
        disabled={remove.isPending}
        onSure={() => remove.mutate()}
      />
    </li>
  );
}

function listed(words: string[]): string {
  const text = words.join(", ");
  return text.charAt(0).toUpperCase() + text.slice(1);
}
