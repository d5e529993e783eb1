import { beforeEach, describe, expect, it, vi } from "vitest";

const kept = new Map<string, { data: unknown; at: number }>();
const forgotten: string[] = [];
vi.mock("./store", () => ({
  keep: async (question: string, data: unknown) => void kept.set(question, { data, at: 1000 }),
  lastOf: async (question: string) => kept.get(question),
  forget: async () => {
    kept.clear();
    forgotten.push("all");
  },
}));
vi.mock("./kitchen", () => ({ noteKitchen: () => undefined }));

const went: string[] = [];
vi.stubGlobal("window", globalThis);
vi.stubGlobal("location", { assign: (place: string) => went.push(place) });
let answers: (Response | Error)[] = [];
vi.stubGlobal("fetch", async () => {
  const next = answers.shift() ?? new Response("{}");
  if (next instanceof Error) throw next;
  return next;
});
vi.useFakeTimers();

const silence = () => Promise.reject(new TypeError("no connection"));

describe("the last answer", () => {
  beforeEach(async () => {
    kept.clear();
    went.length = 0;
    answers = [];
    await vi.advanceTimersByTimeAsync(10_000); // old answers are asked for again
  });

  it("stands in where nothing answers, for the very same question alone", async () => {
    const { orLast } = await import("./lastKnown");
    expect(await orLast("formula 1", { g: 1 }, async () => "firm")).toBe("firm");
    await vi.advanceTimersByTimeAsync(500);
    expect(await orLast("formula 1", { g: 1 }, silence)).toBe("firm");
    await expect(orLast("formula 1", { g: 2 }, silence)).rejects.toThrow("no connection");
    await expect(orLast("formula 2", { g: 1 }, silence)).rejects.toThrow("no connection");
  });

  it("hides no refusal", async () => {
    const { orLast } = await import("./lastKnown");
    await orLast("formula 3", {}, async () => "firm");
    await vi.advanceTimersByTimeAsync(500);
    await expect(orLast("formula 3", {}, () => Promise.reject(new Error("422")))).rejects.toThrow("422");
  });

  it("is the first and the last of many that come one after the other", async () => {
    const { orLast } = await import("./lastKnown");
    for (const answer of ["a", "b", "c"]) await orLast("formula 4", {}, async () => answer);
    expect(kept.get("formula 4")?.data).toEqual({ body: "{}", answer: "a" });
    await vi.advanceTimersByTimeAsync(500);
    expect(kept.get("formula 4")?.data).toEqual({ body: "{}", answer: "c" });
  });

  it("is forgotten on a device that was removed, which is led to the pairing page", async () => {
    const { askServer, orLast } = await import("./lastKnown");
    await orLast("formula 5", {}, async () => "firm");
    answers = [new Response("{}", { status: 401 })];
    await askServer(new Request("http://127.0.0.1/api/recipes"));
    expect([kept.size, forgotten.length > 0, went]).toEqual([0, true, ["/pair"]]);
  });
});
