import { expect, test } from "vitest";
import { ApiError, type Problem } from "./client";
import { type Queue, type Saving, storeWaiting } from "./saving";

const refusal = (status: number) =>
  new ApiError(status, { detail: `no ${status}`, errors: [] } as unknown as Problem);

async function run(fails: (unknown | null)[], queue: Queue<number>) {
  const stored: number[] = [];
  const said: Saving["state"][] = [];
  const rests: number[] = [];
  const store = async (value: number) => {
    const error = fails.shift();
    if (error) throw error;
    stored.push(value);
  };
  await storeWaiting(
    queue,
    store,
    ({ state }) => said.push(state),
    async (ms) => void rests.push(ms),
  );
  return { stored, said, rests };
}

test("a save that fails is tried again until it is stored, later and later", async () => {
  const queue: Queue<number> = { wanted: { value: 7 }, ahead: false, failed: false };
  const found = await run([new TypeError("no network"), refusal(503), null], queue);
  expect(found).toEqual({ stored: [7], said: ["waiting", "waiting", "saved"], rests: [2000, 4000] });
  expect(queue).toEqual({ wanted: null, ahead: false, failed: false });
});

test("what is newer is stored in the place of what failed", async () => {
  const queue: Queue<number> = { wanted: { value: 1 }, ahead: false, failed: false };
  const stored: number[] = [];
  const store = async (value: number) => {
    if (value === 1) {
      queue.wanted = { value: 2 };
      throw new TypeError("no network");
    }
    stored.push(value);
  };
  await storeWaiting(
    queue,
    store,
    () => {},
    async () => {},
  );
  expect(stored).toEqual([2]);
});

test("a conflict stops and keeps what is shown; a refusal is said and not tried again", async () => {
  const conflict = await run([refusal(409)], { wanted: { value: 1 }, ahead: false, failed: false });
  expect(conflict).toEqual({ stored: [], said: ["conflict"], rests: [] });
  const refused = await run([refusal(422)], { wanted: { value: 1 }, ahead: false, failed: false });
  expect(refused).toEqual({ stored: [], said: ["refused"], rests: [] });
});
