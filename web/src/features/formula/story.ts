import type { Recipe } from "../../api/client";

export type History = { past: Recipe[]; future: Recipe[] };
type Bench = { last: Recipe; history: History };

const benches = new Map<number, Bench>();

/** Keep what was done on a recipe's bench, so that undo outlives a walk to another place. */
export function rememberBench(id: number, bench: Bench): void {
  benches.set(id, bench);
}

/** Remember a recipe as it is before another place changes it, so that the bench can undo that change. */
export function rememberBefore(id: number, recipe: Recipe): void {
  if (!benches.has(id)) benches.set(id, { last: recipe, history: { past: [], future: [] } });
}

/** What can be undone on a recipe; a change made elsewhere meanwhile is one more step. */
export function storyOf(id: number, stored: Recipe): History {
  const bench = benches.get(id);
  if (!bench) return { past: [], future: [] };
  if (JSON.stringify(bench.last) === JSON.stringify(stored)) return bench.history;
  return { past: [...bench.history.past, bench.last], future: [] };
}
