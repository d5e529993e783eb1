import { Link } from "react-router";
import { OfAMix } from "./OfAMix";
import { StartRecipe } from "./StartRecipe";

/** Begin: a recipe from usual proportions for what it is, what it is for and what it goes into. */
export function BeginPage() {
  return (
    <main className="mx-auto w-full max-w-xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">Start a recipe</h1>
      <p className="mt-2">
        It begins with usual amounts for what it is. You see at once whether it sets, how long it keeps, and
        what it makes in your tin or mould.
      </p>
      <StartRecipe />
      <p className="mt-3">
        <Link to="/read" className="inline-flex min-h-11 items-center font-bold text-rim underline">
          Read a card instead
        </Link>
      </p>
      <OfAMix />
    </main>
  );
}
