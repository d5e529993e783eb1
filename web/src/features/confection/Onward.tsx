import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { mixesOf, placeOf, stoveOf } from "../../api/thread";
import type { Asked } from "./words";

type Props = {
  id: number;
  asked: Asked;
  recipes: Schemas["RecipeInList"][];
  flush: () => Promise<void>;
};

/** Links from a piece to its mixes: make it now, or open one of its recipes. */
export function Onward({ id, asked, recipes, flush }: Props) {
  const names = new Map(recipes.map((row) => [row.id, row.name]));
  const mixes = mixesOf(asked.parts).filter((mix) => names.has(mix));
  if (mixes.length === 0) return null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1.5">
      <Link
        to={stoveOf(id)}
        onClick={() => void flush()}
        className="inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-rim px-3 font-bold text-[0.9375rem] text-rim hover:bg-rim-faint"
      >
        Make it now
      </Link>
      {mixes.map((mix) => (
        <Link
          key={mix}
          to={placeOf("formula", mix, id)}
          className="inline-flex min-h-11 items-center text-rim underline"
        >
          {mixes.length === 1 ? "What is in it" : `What is in ${names.get(mix)}`}
        </Link>
      ))}
    </p>
  );
}
