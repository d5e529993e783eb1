import { expect, it } from "vitest";
import type { Recipe } from "../../api/client";
import { rememberBefore, rememberBench, storyOf } from "./story";

const named = (name: string) => ({ name }) as Recipe;

it("keeps what can be undone while the cook is elsewhere, and adds what changed meanwhile as one step", () => {
  const history = { past: [named("first")], future: [named("undone")] };
  rememberBench(1, { last: named("now"), history });
  expect(storyOf(1, named("now"))).toEqual(history);
  expect(storyOf(1, named("changed elsewhere"))).toEqual({
    past: [named("first"), named("now")],
    future: [],
  });
  expect(storyOf(2, named("never open"))).toEqual({ past: [], future: [] });
});

it("remembers a recipe before another place changes it, and never over what it knows", () => {
  rememberBefore(3, named("before"));
  expect(storyOf(3, named("after")).past).toEqual([named("before")]);
  rememberBefore(1, named("x"));
  expect(storyOf(1, named("now")).past).toEqual([named("first")]);
});
