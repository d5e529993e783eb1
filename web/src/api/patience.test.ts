import { expect, test } from "vitest";
import { Patience } from "./patience";

test("each rest is twice the one before, up to half a minute, and short again after success", async () => {
  const rests: number[] = [];
  const patience = new Patience(async (ms) => void rests.push(ms));
  for (let tries = 0; tries < 7; tries += 1) await patience.rest();
  patience.reset();
  await patience.rest();
  expect(rests).toEqual([2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000, 2000]);
});
