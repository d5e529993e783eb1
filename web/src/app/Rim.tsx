import { useQuery } from "@tanstack/react-query";
import { Link, NavLink, useMatch } from "react-router";
import { batchQueries, confectionQueries, recipeQueries } from "../api/queries";
import { RimClock } from "../features/clocks";
import { Kitchen } from "../features/kitchen";

const PLACES = [
  { key: "formula", name: "Formula" },
  { key: "fit", name: "Fit" },
  { key: "stove", name: "Stove" },
  { key: "set", name: "Set" },
  { key: "keep", name: "Keep" },
] as const;

const BESIDE = [
  { to: "/", name: "Today" },
  { to: "/recipes", name: "Recipes" },
  { to: "/occasions", name: "Occasions" },
  { to: "/shelf", name: "Shelf" },
  { to: "/larder", name: "Larder" },
  { to: "/daybook", name: "Daybook" },
] as const;

/** Which place of which recipe's thread is open, by the address; a batch in the daybook hangs on its recipe's. */
function useThread(): { place: string | null; recipeId: number | null; made: number | null } {
  const here = useMatch("/recipes/:id/:place");
  const batch = Number(useMatch("/daybook/:id")?.params.id);
  const confection = Number(useMatch("/confections/:id")?.params.id);
  const run = useQuery({ ...batchQueries.one(batch), enabled: Number.isInteger(batch) });
  const of = useQuery({ ...confectionQueries.one(confection), enabled: Number.isInteger(confection) });
  const first = of.data?.asked.parts.find((part) => part.of.recipe_id !== null)?.of.recipe_id ?? null;
  const id = here ? Number(here.params.id) : (run.data?.batch.recipe_id ?? first);
  const recipeId = id !== null && Number.isInteger(id) ? id : null;
  const recipe = useQuery({ ...recipeQueries.one(recipeId ?? 0), enabled: recipeId !== null });
  const made = Number.isInteger(confection) ? confection : (recipe.data?.made_into ?? null);
  return { place: Number.isInteger(confection) ? "fit" : (here?.params.place ?? null), recipeId, made };
}

/** The blue rim: the product's name, the thread through the places of one batch, and the kitchen. */
export function Rim() {
  const { place, recipeId, made } = useThread();
  return (
    <header className="on-rim print:bg-transparent print:text-soot flex min-h-13 flex-wrap items-center gap-x-5 bg-rim px-5 max-sm:gap-x-3 max-sm:pt-2 text-sheet max-sm:px-3">
      <Link to="/" className="flex min-h-11 items-center font-display font-semibold text-[1.375rem]">
        Hearth Bowl
      </Link>
      {recipeId !== null && (
        <nav aria-label="The thread" className="flex items-center print:hidden">
          {PLACES.map((knot, position) => (
            <span key={knot.key} className="flex items-center">
              {position > 0 && (
                <span
                  aria-hidden="true"
                  className="mx-1.5 w-4 max-sm:mx-1 max-sm:w-3 border-rim-pale border-t-2 border-dashed"
                />
              )}
              <Link
                to={
                  knot.key === "fit" && made !== null
                    ? `/confections/${made}`
                    : `/recipes/${recipeId}/${knot.key}`
                }
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
        aria-label="Beside the thread"
        className="ml-auto flex flex-wrap items-center justify-end gap-x-3.5 max-sm:w-full max-sm:flex-nowrap max-sm:justify-start max-sm:gap-x-2 max-sm:overflow-x-auto print:hidden"
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
