import { useCallback, useEffect, useRef, useState } from "react";
import {
  ApiError,
  type Bench,
  client,
  dataOf,
  type Line,
  type Problem,
  type Recipe,
  type Schemas,
} from "../../api/client";
import { type Saving, useSaving } from "./useSaving";

type Asked = { recipe: Recipe; atC: number; ratio: number | null; gesture: string | null; changes: number };
const MOST_STEPS = 199;

type History = { past: Recipe[]; future: Recipe[] };

export type BenchState = {
  recipe: Recipe;
  bench: Bench | null;
  problem: Problem | null;
  atC: number;
  saving: Saving;
  canUndo: boolean;
  canRedo: boolean;
  setAtC: (atC: number) => void;
  /** Put a whole new state; changes of one gesture are undone together. */
  change: (next: Recipe, gesture?: string) => void;
  changeLine: (position: number, part: Partial<Line>, gesture?: string) => void;
  /** Read an amount as it is typed. */
  type: (position: number, typed: string, measure: string) => void;
  slide: (ratio: number) => void;
  endGesture: () => void;
  undo: () => void;
  redo: () => void;
  flush: () => Promise<void>;
};

/** One recipe on the bench: every change is computed by the core, can be undone, and is saved as it is made. */
export function useBench(stored: Schemas["StoredRecipeOut"], startC: number): BenchState {
  const [recipe, setRecipe] = useState<Recipe>(stored.recipe);
  const [bench, setBench] = useState<Bench | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [atC, setTemperature] = useState(startC);
  const [history, setHistory] = useState<History>({ past: [], future: [] });
  const story = useRef(history);
  const { saving, save, flush } = useSaving(stored);

  const now = useRef({ recipe: stored.recipe, atC: startC });
  const asked = useRef<Asked | null>(null);
  const busy = useRef(false);
  const changes = useRef(0);
  const gesture = useRef<string | null>(null);

  const remember = useCallback((next: History) => {
    story.current = next;
    setHistory(next);
  }, []);

  const put = useCallback(
    (next: Recipe, by: string | null) => {
      const before = now.current.recipe;
      const goesOn = by !== null && by === gesture.current;
      gesture.current = by;
      if (JSON.stringify(before) === JSON.stringify(next)) return;
      if (!goesOn) remember({ past: [...story.current.past.slice(-MOST_STEPS), before], future: [] });
      now.current.recipe = next;
      setRecipe(next);
    },
    [remember],
  );

  const compute = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (asked.current) {
      const ask = asked.current;
      asked.current = null;
      try {
        const body = { recipe: ask.recipe, at_c: ask.atC, ratio: ask.ratio };
        const answer = await dataOf(client.POST("/api/formula", { body }));
        setBench(answer);
        setProblem(null);
        if (ask.changes === changes.current) {
          if (ask.gesture) put(answer.recipe, ask.gesture);
          save(now.current.recipe);
        }
      } catch (error) {
        if (error instanceof ApiError) setProblem(error.problem);
        else setProblem({ title: "No answer", status: 0, detail: NO_ANSWER, errors: [], revision: null });
      }
    }
    busy.current = false;
  }, [put, save]);

  const ask = useCallback(
    (part: Partial<Asked>) => {
      const { recipe, atC } = now.current;
      asked.current = { recipe, atC, ratio: null, gesture: null, changes: changes.current, ...part };
      void compute();
    },
    [compute],
  );

  useEffect(() => ask({}), [ask]);

  const change = useCallback(
    (next: Recipe, by?: string) => {
      changes.current += 1;
      put(next, by ?? null);
      ask({});
    },
    [ask, put],
  );

  const changeLine = useCallback(
    (position: number, part: Partial<Line>, by?: string) =>
      change(withLine(now.current.recipe, position, part), by),
    [change],
  );

  const type = useCallback(
    (position: number, typed: string, measure: string) =>
      ask({
        recipe: withLine(now.current.recipe, position, { typed, measure }),
        gesture: `type ${position}`,
      }),
    [ask],
  );

  const slide = useCallback((ratio: number) => ask({ ratio, gesture: "slide" }), [ask]);

  const endGesture = useCallback(() => {
    gesture.current = null;
    setProblem(null);
  }, []);

  const go = useCallback(
    (from: keyof History, to: keyof History) => {
      const next = story.current[from].at(-1);
      if (!next) return;
      remember({
        ...story.current,
        [from]: story.current[from].slice(0, -1),
        [to]: [...story.current[to], now.current.recipe],
      });
      changes.current += 1;
      gesture.current = null;
      now.current.recipe = next;
      setRecipe(next);
      ask({});
    },
    [ask, remember],
  );

  return {
    recipe,
    bench,
    problem,
    atC,
    saving,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    setAtC: useCallback(
      (next: number) => {
        now.current.atC = next;
        setTemperature(next);
        ask({});
      },
      [ask],
    ),
    change,
    changeLine,
    type,
    slide,
    endGesture,
    undo: useCallback(() => go("past", "future"), [go]),
    redo: useCallback(() => go("future", "past"), [go]),
    flush,
  };
}

const NO_ANSWER = "The application does not answer: what you see is from before your last change.";

function withLine(recipe: Recipe, position: number, part: Partial<Line>): Recipe {
  return {
    ...recipe,
    lines: recipe.lines.map((line, at) => (at === position ? { ...line, ...part } : line)),
  };
}
