import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

const kept = new Map<string, string>();
const storage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
  removeItem: (key: string) => void kept.delete(key),
};
/** As a browser's, whose own keys are what it holds. */
const asBrowser = new Proxy(storage, {
  ownKeys: () => [...kept.keys()],
  getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
});
const answers: number[] = [];
const sent: number[] = [];

/** A server that answers with the statuses of a list, then well; 0 is no answer at all. */
class ServerRequest extends Request {
  constructor(path: string, init?: RequestInit) {
    super(new URL(path, "http://127.0.0.1"), init);
  }
}

async function answer(request: Request): Promise<Response> {
  const status = answers.shift() ?? 201;
  if (status === 0) throw new TypeError("no connection");
  sent.push((await request.json()).readings[0].c);
  const body = status < 400 ? { stored: 1 } : { title: "", detail: "no", status, errors: [] };
  const type = status < 400 ? "application/json" : "application/problem+json";
  return new Response(JSON.stringify(body), { status, headers: { "Content-Type": type } });
}

const told = () => [...kept.keys()].filter((key) => key.startsWith("hearth-bowl-told-")).length;

describe("the outbox", () => {
  let tell: typeof import("./outbox").tell;
  beforeEach(async () => {
    vi.useFakeTimers();
    vi.resetModules();
    kept.clear();
    sent.length = answers.length = 0;
    vi.stubGlobal("localStorage", asBrowser);
    vi.stubGlobal("window", { addEventListener: () => undefined });
    vi.stubGlobal("Request", ServerRequest);
    vi.stubGlobal("fetch", (input: Request) => answer(input));
    ({ tell } = await import("./outbox"));
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });
  const reading = (c: number) => tell({ kind: "reading", probe: "stick", c, at: "2026-08-20T18:00:00Z" });

  it("keeps what is told before it is sent, and forgets it when it is stored", async () => {
    reading(41);
    expect(told()).toBe(1);
    await vi.runAllTimersAsync();
    expect(told()).toBe(0);
    expect(sent).toHaveLength(1);
  });

  it("sends in order, and again, until a lost connection is back", async () => {
    answers.push(0, 0, 201);
    reading(41);
    reading(42);
    await vi.runAllTimersAsync();
    expect(sent).toEqual([41, 42]);
    expect(told()).toBe(0);
  });

  it("keeps what it is not let in for until it is let in again", async () => {
    const assign = vi.fn();
    vi.stubGlobal("location", { assign });
    answers.push(401, 401, 201);
    reading(41);
    await vi.runAllTimersAsync();
    expect(assign).toHaveBeenCalledWith("/pair");
    expect(sent).toEqual([41, 41, 41]);
    expect(told()).toBe(0);
  });

  it("gives up what is refused and goes on", async () => {
    answers.push(422);
    reading(9999);
    reading(42);
    await vi.runAllTimersAsync();
    expect(told()).toBe(0);
    expect(sent).toHaveLength(2);
  });

  it("sets aside what the server fails at three times, kept for later, and goes on", async () => {
    answers.push(500, 500, 500);
    reading(41);
    reading(42);
    await vi.runAllTimersAsync();
    expect(sent).toEqual([41, 41, 41, 42]);
    expect(told()).toBe(1);
  });
});
