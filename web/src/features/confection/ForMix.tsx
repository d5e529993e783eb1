import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { batchQueries, confectionQueries, recipeQueries } from "../../api/queries";
import { mixesOf, placeOf } from "../../api/thread";
import { Notice, NotThere } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";

type Props = { place: string; Place: (props: { id: number }) => ReactNode };

/** A place of a confection, shown for one of its mixes; where there are several, a switch between them. At the Stove the
 * line of acts leads through them all. */
export function ForMix({ place, Place }: Props) {
  const id = Number(useParams().id);
  const [search] = useSearchParams();
  const stored = useQuery({ ...confectionQueries.one(id), enabled: Number.isInteger(id) });
  const recipes = useQuery(recipeQueries.list);
  const isStove = place === "stove";
  const batches = useQuery({ ...batchQueries.list, staleTime: 0, enabled: isStove });
  if (!Number.isInteger(id) || (stored.error && !stored.data))
    return <NotThere what="confection" error={stored.error} />;
  if (!stored.data || !recipes.data || (isStove && !batches.data)) return <Skeleton />;
  const { asked } = stored.data;
  const names = new Map(recipes.data.recipes.map((row) => [row.id, row.name]));
  const mixes = mixesOf(asked.parts).filter((mix) => names.has(mix));
  const asksFor =
    Number(search.get("mix")) ||
    batches.data?.batches.find((one) => one.confection_id === id && one.ended_at === null)?.recipe_id;
  const mix = mixes.find((one) => one === asksFor) ?? mixes[0];
  if (mix === undefined)
    return <Notice title={`${asked.name} has no mix yet`} text="Add a part that is one of your recipes." />;
  return (
    <>
      {mixes.length > 1 && !isStove && (
        <nav
          aria-label="Mixes"
          className="flex flex-wrap items-center gap-x-5 border-line border-b bg-sheet px-5 max-md:px-3 print:hidden"
        >
          <span className="text-ash">{asked.name}:</span>
          {mixes.map((one) => (
            <Link
              key={one}
              to={placeOf(place, one, id)}
              aria-current={one === mix ? "page" : undefined}
              className="inline-flex min-h-11 items-center text-rim underline aria-[current=page]:font-bold aria-[current=page]:text-soot aria-[current=page]:no-underline"
            >
              {names.get(one)}
            </Link>
          ))}
        </nav>
      )}
      <Place key={mix} id={mix} />
    </>
  );
}
