import { useQuery } from "@tanstack/react-query";
import { Link, NavLink, useMatch, useSearchParams } from "react-router";
import { batchQueries, confectionQueries } from "../api/queries";
import { mixesOf, placeOf } from "../api/thread";
import { RimClock } from "../features/clocks";
import { Kitchen } from "../features/kitchen";
import { useNarrow } from "../ui/useNarrow";
import { PhoneHead, PhonePlaces } from "./PhoneHead";
import { BESIDE, PLACES } from "./places";
import { useTitle } from "./useTitle";

type Thread = { place: string | null; recipeId: number | null; confection: number | null };

/** The open thread, by the address: a place of a confection or of a mix; a batch belongs to the thread of its mix. */
function useThread(): Thread {
  const recipe = useMatch("/recipes/:id/:place");
  const made = useMatch("/confections/:id/*");
  const batch = Number(useMatch("/daybook/:id")?.params.id);
  const confection = Number(made?.params.id);
  const [search] = useSearchParams();
  const run = useQuery({ ...batchQueries.one(batch), enabled: Number.isInteger(batch) });
  const of = useQuery({ ...confectionQueries.one(confection), enabled: Number.isInteger(confection) });
  const mixes = mixesOf(of.data?.asked.parts ?? []);
  const mix = mixes.find((one) => one === Number(search.get("mix"))) ?? mixes[0] ?? null;
  const id = recipe ? Number(recipe.params.id) : (run.data?.batch.recipe_id ?? mix);
  const recipeId = id !== null && Number.isInteger(id) ? id : null;
  if (Number.isInteger(confection)) return { place: made?.params["*"] || "fit", recipeId, confection };
  return { place: recipe?.params.place ?? null, recipeId, confection: null };
}

/** The blue rim: the product's name, the thread through the places of one batch, and the kitchen; on a phone one row,
 * with the places at the bottom edge. */
export function Rim() {
  const { place, recipeId, confection } = useThread();
  const name = useTitle();
  const isPhone = useNarrow();
  if (isPhone) {
    const knots =
      recipeId === null
        ? []
        : PLACES.map((knot) => ({ ...knot, to: placeOf(knot.key, recipeId, confection) }));
    return (
      <>
        <PhoneHead name={name} place={place} knots={knots} />
        <PhonePlaces />
      </>
    );
  }
  return (
    <header className="on-rim print:bg-transparent print:text-soot flex min-h-13 flex-wrap items-center gap-x-5 bg-rim px-5 text-sheet">
      <Link to="/" className="flex min-h-11 items-center font-display font-semibold text-[1.375rem]">
        Hearth Bowl
      </Link>
      {recipeId !== null && (
        <nav aria-label="Steps of this recipe" className="flex flex-wrap items-center print:hidden">
          {PLACES.map((knot, position) => (
            <span key={knot.key} className="flex items-center">
              {position > 0 && (
                <span aria-hidden="true" className="mx-1.5 w-4 border-rim-pale border-t-2 border-dashed" />
              )}
              <Link
                to={placeOf(knot.key, recipeId, confection)}
                aria-current={knot.key === place ? "page" : undefined}
                className="flex min-h-11 items-center gap-2 text-[0.9375rem] aria-[current=page]:font-bold"
              >
                <span
                  aria-hidden="true"
                  className={`size-3 rounded-full border-2 ${knot.key === place ? "border-butter-deep bg-butter-deep" : "border-rim-pale"}`}
                />
                {knot.name}
              </Link>
            </span>
          ))}
        </nav>
      )}
      <nav
        aria-label="Places"
        className="ml-auto flex flex-wrap items-center justify-end gap-x-3.5 print:hidden"
      >
        {BESIDE.map((place) => (
          <NavLink
            key={place.to}
            to={place.to}
            end={place.to === "/recipes" || place.to === "/"}
            className="flex min-h-11 min-w-11 shrink-0 items-center justify-center text-[0.9375rem] aria-[current=page]:font-bold aria-[current=page]:underline"
          >
            {place.name}
          </NavLink>
        ))}
        <RimClock className={place === "stove" ? "lg:hidden" : ""} />
        <Kitchen />
      </nav>
    </header>
  );
}
