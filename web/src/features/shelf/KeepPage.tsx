import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { NotThere } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";
import { keepingText } from "../../units/told";
import { Advice } from "./Advice";
import { MakingRow } from "./MakingRow";
import { PutAway } from "./PutAway";
import { keepQuery } from "./queries";

/** Keep: where what was made lies and until when, by the confections that the recipe goes into. */
export function KeepPage({ id }: { id: number }) {
  const stored = useQuery(recipeQueries.one(id));
  const keep = useQuery(keepQuery(id));
  if (stored.error && !stored.data) return <NotThere what="recipe" error={stored.error} />;
  if (!stored.data || !keep.data) return <Skeleton />;
  const { confections, makings } = keep.data;
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] content-start gap-x-10 px-6 py-4 max-lg:grid-cols-1 max-md:px-3">
      <section aria-label="How it is kept">
        <h1 className="font-display font-semibold text-3xl">{headline(confections)}</h1>
        {confections.length === 0 && (
          <p className="mt-1">
            {stored.data.recipe.name} goes into no recipe with a form yet.{" "}
            <Link to="/recipes" className="inline-flex min-h-11 items-center font-bold text-rim underline">
              Choose a tin or mould
            </Link>
            : what is round it decides with it how long it keeps.
          </p>
        )}
        {confections.map((row) => (
          <Kept key={row.confection_id} row={row} />
        ))}
      </section>
      <section aria-label="On the shelf" className="max-lg:mt-6">
        <h2 className="font-bold text-xl">On the shelf</h2>
        {makings.length === 0 ? (
          <p className="text-ash">Nothing yet. Add finished pieces to the shelf.</p>
        ) : (
          <ul>
            {makings.map((making) => (
              <MakingRow key={making.id} making={making} />
            ))}
          </ul>
        )}
        <Link to="/shelf" className="mt-2 inline-flex min-h-11 items-center font-bold text-rim underline">
          Open the Shelf
        </Link>
      </section>
    </main>
  );
}

function Kept({ row }: { row: Schemas["KeptConfection"] }) {
  return (
    <section aria-label={row.name} className="mt-4 border-line border-t pt-2">
      <h2 className="font-bold text-xl">
        <Link
          to={`/confections/${row.confection_id}`}
          dir="auto"
          className="inline-flex min-h-11 items-center text-rim"
        >
          {row.name}
        </Link>
      </h2>
      {row.lasting && row.pieces ? (
        <>
          <PutAway confectionId={row.confection_id} pieces={row.pieces} />
          <Advice lasting={row.lasting} />
        </>
      ) : (
        <p className="text-copper">{row.why_not}</p>
      )}
    </section>
  );
}

function headline(rows: Schemas["KeptConfection"][]): string {
  const known = rows.flatMap((row) => (row.lasting ? [row.lasting] : []));
  const [shortest] = known.sort((a, b) => a.days_low - b.days_low);
  if (!shortest) return "How long does it keep?";
  return `Keeps ${keepingText(shortest)}`;
}
