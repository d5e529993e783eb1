import { useQuery } from "@tanstack/react-query";
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
import { Patience } from "../../api/patience";
import { settingsQuery } from "../../api/queries";
import type { Saving } from "../../api/useSaver";
import { orLast } from "../../offline";
import { type History, rememberBench, storyOf } from "./story";
import { useSaving } from "./useSaving";

/** A question that waits to be sent. The recipe, its temperature and typed text are read when it is sent. */
type Waiting = { ratio: number | null };
type Typed = { position: number; text: string; measure: string };
const MOST_STEPS = 199;

export type BenchState = {
  recipe: Recipe;
  bench: Bench | null;
  problem: Problem | null;
  /** What was typed into a line and could not be read, by the line's position, until it is typed anew. */
  unread: Record<number, string>;
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
export function useBench(stored: Schemas["StoredRecipe"], startC: number): BenchState {
  const [recipe, setRecipe] = useState<Recipe>(stored.recipe);
  const [bench, setBench] = useState<Bench | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [unread, setUnread] = useState<Record<number, string>>({});
  const [atC, setTemperature] = useState(startC);
  const [history, setHistory] = useState<History>(() => storyOf(stored.id, stored.recipe));
  const story = useRef(history);
  const { saving, save, touch, refuse, flush } = useSaving(stored);

  const now = useRef({ recipe: stored.recipe, atC: startC });
  const waiting = useRef<Waiting | null>(null);
  const computing = useRef<Promise<void> | null>(null);
  const changes = useRef(0);
  const gesture = useRef<string | null>(null);
  /** What is typed and not yet read: it goes along with whatever is asked next, so that nothing overtakes it. */
  const typing = useRef<Typed | null>(null);

  const remember = useCallback((next: History) => {
    story.current = next;
    setHistory(next);
  }, []);

  const show = useCallback(
    (next: Recipe) => {
      now.current.recipe = next;
      setRecipe(next);
      rememberBench(stored.id, { last: next, history: story.current });
    },
    [stored.id],
  );

  const put = useCallback(
    (next: Recipe, by: string | null) => {
      const before = now.current.recipe;
      const goesOn = by !== null && by === gesture.current;
      gesture.current = by;
      if (JSON.stringify(before) === JSON.stringify(next)) return;
      if (!goesOn) remember({ past: [...story.current.past.slice(-MOST_STEPS), before], future: [] });
      show(next);
    },
    [remember, show],
  );

  const answerAsked = useCallback(async () => {
    const patience = new Patience();
    while (waiting.current) {
      const { ratio } = waiting.current;
      waiting.current = null;
      const typed = typing.current;
      const by = ratio !== null ? "slide" : typed && `type ${typed.position}`;
      const change = changes.current;
      try {
        const body = { recipe: withTyped(now.current.recipe, typed), at_c: now.current.atC, ratio };
        const answer = await orLast(`formula ${stored.id}`, body, () =>
          dataOf(client.POST("/api/formula", { body })),
        );
        setBench(answer);
        setProblem(null);
        if (typed) setUnread((before) => without(before, typed.position));
        if (change === changes.current) {
          if (typing.current === typed) typing.current = null;
          if (by) put(answer.recipe, by);
          save(now.current.recipe);
        }
      } catch (error) {
        if (error instanceof ApiError) {
          if (typing.current === typed) typing.current = null;
          if (typed === null) setProblem(error.problem);
          else setUnread((before) => ({ ...before, [typed.position]: reasonOf(error.problem) }));
          refuse("Last change not saved");
        } else {
          setProblem({ title: "No answer", status: 0, detail: NO_ANSWER, errors: [], revision: null });
          refuse("Not saved yet. Trying again");
          await patience.rest();
          waiting.current ??= { ratio };
        }
      }
    }
  }, [put, refuse, save, stored.id]);

  /** Asks with this ratio, or again with the ratio that waits: nothing but a later change drops a slide. */
  const ask = useCallback(
    (ratio: number | null = waiting.current?.ratio ?? null) => {
      waiting.current = { ratio };
      computing.current ??= answerAsked().finally(() => {
        computing.current = null;
      });
    },
    [answerAsked],
  );

  // worked out anew for another kitchen, and said in other units
  const { dataUpdatedAt: settledAt } = useQuery(settingsQuery);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the moment is why it is asked again
  useEffect(() => ask(), [ask, settledAt]);

  // what is judged at the kitchen's warmth goes with it
  const kitchen = useRef(startC);
  useEffect(() => {
    const before = kitchen.current;
    kitchen.current = startC;
    if (before === startC || now.current.atC !== before) return;
    now.current.atC = startC;
    setTemperature(startC);
    ask();
  }, [ask, startC]);

  const change = useCallback(
    (next: Recipe, by?: string) => {
      changes.current += 1;
      touch();
      if (next.lines.length !== now.current.recipe.lines.length) {
        typing.current = null;
        setUnread({});
      }
      put(next, by ?? null);
      ask(null);
    },
    [ask, put, touch],
  );

  const changeLine = useCallback(
    (position: number, part: Partial<Line>, by?: string) => {
      setUnread((before) => without(before, position));
      if (part.amount !== undefined && typing.current?.position === position) typing.current = null;
      const settled = part.amount === undefined ? part : { ...part, proposed: false };
      change(withLine(now.current.recipe, position, settled), by);
    },
    [change],
  );

  const type = useCallback(
    (position: number, text: string, measure: string) => {
      touch();
      typing.current = { position, text, measure };
      ask(null);
    },
    [ask, touch],
  );

  const slide = useCallback(
    (ratio: number) => {
      touch();
      ask(ratio);
    },
    [ask, touch],
  );

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
      typing.current = null;
      setUnread({});
      touch();
      show(next);
      ask(null);
    },
    [ask, remember, show, touch],
  );

  return {
    recipe,
    bench,
    problem,
    unread,
    atC,
    saving,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    setAtC: useCallback(
      (next: number) => {
        now.current.atC = next;
        setTemperature(next);
        ask();
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
    flush: useCallback(async () => {
      await computing.current;
      await flush();
    }, [flush]),
  };
}

const NO_ANSWER = "Hearth Bowl is not answering: this page shows the state before your last change.";

function reasonOf(problem: Problem): string {
  const [error] = problem.errors;
  return error ? `${error.message}. Allowed: ${error.allowed}` : problem.detail;
}

function without(unread: Record<number, string>, position: number): Record<number, string> {
  return Object.fromEntries(Object.entries(unread).filter(([at]) => Number(at) !== position));
}

function withTyped(recipe: Recipe, typed: Typed | null): Recipe {
  if (!typed) return recipe;
  return withLine(recipe, typed.position, { typed: typed.text, measure: typed.measure });
}

function withLine(recipe: Recipe, position: number, part: Partial<Line>): Recipe {
  return {
    ...recipe,
    lines: recipe.lines.map((line, at) => (at === position ? { ...line, ...part } : line)),
  };
}
