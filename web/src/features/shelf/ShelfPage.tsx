import { useQuery } from "@tanstack/react-query";
import { Skeleton } from "../../ui/Skeleton";
import { dayOf } from "../../units/time";
import { MakingRow } from "./MakingRow";
import { shelfQuery } from "./queries";

/** The shelf: everything that was made, worst first, and what is finished with. */
export function ShelfPage() {
  const { data } = useQuery(shelfQuery);
  if (!data) return <Skeleton />;
  const [first] = data.there;
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">
        {first ? `Eat first: ${first.name}` : "The shelf is empty"}
      </h1>
      {!first && <p className="mt-1 text-ash">Add finished pieces here from a recipe’s Fit or Keep page.</p>}
      <ul aria-label="On the shelf" className="mt-2">
        {data.there.map((making) => (
          <MakingRow key={making.id} making={making} />
        ))}
      </ul>
      {Object.entries(data.teaches).map(([name, says]) => (
        <p key={name} className="mt-3">
          <b dir="auto">{name}</b>: {says}
        </p>
      ))}
      {data.finished.length > 0 && (
        <details className="mt-4">
          <summary className="min-h-11 cursor-pointer content-center font-bold">
            Used up, {data.finished.length}
          </summary>
          <ul>
            {data.finished.map((making) => (
              <li key={making.id} className="border-line border-b py-2">
                <b dir="auto">{making.name}</b>, {making.pieces} made {dayOf(making.made_on, "date")}:{" "}
                {fates(making.moves)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </main>
  );
}

function fates(moves: { what: string; pieces: number }[]): string {
  const sums = new Map<string, number>();
  for (const move of moves) sums.set(move.what, (sums.get(move.what) ?? 0) + move.pieces);
  return [...sums]
    .filter(([, pieces]) => pieces > 0)
    .map(([what, pieces]) => `${pieces} ${what.replace("-", " ")}`)
    .join(", ");
}
