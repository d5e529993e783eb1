import { clear, createStore, del, entries, get, set, type UseStore } from "idb-keyval";
import { BUILD } from "./build";
import { isKitchenLeft, kitchen } from "./kitchen";

/** What the server said, and when. */
export type Kept = { data: unknown; at: number };

const MOST_KEPT = 600;
const OLDEST_MS = 60 * 86_400_000;
const PRUNE_EVERY = 400;
/** Answers of one build never go into the pages of another, for their shape may be another; nor those of a kitchen. */
const ours = () => `${BUILD} ${kitchen()} `;

let store: UseStore | null = null;
let puts = 0;

function open(): UseStore {
  store ??= createStore("hearth-bowl", "last-known");
  return store;
}

/** A browser that keeps nothing, full or forbidden as it is, shows what is of now and no more. */
async function trying<T>(act: () => Promise<T>): Promise<T | undefined> {
  try {
    return await act();
  } catch {
    return undefined;
  }
}

/** Keep an answer in this browser. */
export async function keep(question: string, data: unknown): Promise<void> {
  if (isKitchenLeft()) return;
  await trying(() => set(ours() + question, { data, at: Date.now() } satisfies Kept, open()));
  puts += 1;
  if (puts % PRUNE_EVERY === 1) await prune();
}

/** The last answer to a question that this browser knows of. */
export const lastOf = (question: string): Promise<Kept | undefined> =>
  trying(() => get<Kept>(ours() + question, open()));

/** Forget all that is known here. */
export async function forget(): Promise<void> {
  await trying(() => clear(open()));
}

/** Let go what is of another build, of long ago or too much. */
async function prune(): Promise<void> {
  const all = (await trying(() => entries<string, Kept>(open()))) ?? [];
  const since = Date.now() - OLDEST_MS;
  const kept = new Set(
    all
      .filter(([key, { at }]) => at > since && key.startsWith(BUILD))
      .sort(([, one], [, other]) => other.at - one.at)
      .slice(0, MOST_KEPT)
      .map(([key]) => key),
  );
  for (const [key] of all) if (!kept.has(key)) await trying(() => del(key, open()));
}
