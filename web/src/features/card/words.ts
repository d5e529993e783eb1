import type { Schemas } from "../../api/client";

export type Read = Schemas["WrittenRecord"];
export type CardLine = Schemas["LineOfCard"];
export type Doubt = Schemas["Unsure"];

/** What each line of the card became, in words for the cook. */
export const BECAME: Record<CardLine["became"], string> = {
  title: "title",
  heading: "heading",
  part: "ingredient",
  form: "size, count or tin",
  step: "method",
  unread: "not understood",
  "left-out": "left out",
};

type RecipeLine = { text?: string; doubts?: string[] } & Record<string, unknown>;
export type RecipeFile = { name: string; family: string; lines: RecipeLine[]; steps?: { text: string }[] };
export type PartFile = {
  role: string;
  of: { recipe?: RecipeFile; ingredient?: string | { name: string }; blend?: { ingredient: unknown }[] };
  text: string;
  headroom_mm?: number | null;
} & Record<string, unknown>;
export type Whole = {
  name: string;
  form: { vessel: Record<string, unknown> } & Record<string, unknown>;
  parts: PartFile[];
  steps: { text: string }[];
};

/** A doubt that stays open, with the part and line that it is of where it is of one. */
export type Open = { doubt: Doubt; part: number | null; line: number | null };

/**
 * What is still unsure, in the order of what it changes: the form, which sizes everything; amounts that are suggested;
 * then which kind of an ingredient is meant.
 */
export function openDoubts(read: Read, settled: ReadonlySet<string>): Open[] {
  const whole = read.whole as Whole | null;
  const place = (text: string): Pick<Open, "part" | "line"> => {
    for (const [part, row] of (whole?.parts ?? []).entries()) {
      const line = row.of.recipe?.lines.findIndex((one) => one.text === text) ?? -1;
      if (line >= 0) return { part, line };
      if (row.text.split("\n").includes(text)) return { part, line: null };
    }
    return { part: null, line: null };
  };
  return [...read.unsure, ...read.whole_unsure]
    .filter((doubt) => !settled.has(keyOf(doubt)))
    .map((doubt) => ({ doubt, ...place(doubt.text) }))
    .sort((a, b) => rank(a) - rank(b));
}

export const keyOf = (doubt: Doubt) => `${doubt.line} ${doubt.text} ${doubt.why}`;

function rank({ doubt, line }: Open): number {
  if (doubt.why.includes("left out")) return 0;
  if (line === null) return 1;
  return /suggested|proposal|divided equally/.test(doubt.why) ? 2 : 3;
}

/** The whole with one line of one of its mixes changed. */
export function withLine(whole: Whole, part: number, line: number, change: Record<string, unknown>): Whole {
  return {
    ...whole,
    parts: whole.parts.map((row, at) =>
      at === part && row.of.recipe
        ? {
            ...row,
            of: {
              recipe: {
                ...row.of.recipe,
                lines: row.of.recipe.lines.map((one, place) =>
                  place === line ? ({ ...one, ...change } as RecipeLine) : one,
                ),
              },
            },
          }
        : row,
    ),
  };
}
