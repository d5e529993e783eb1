import type { Schemas } from "../../api/client";
import { numberIn } from "../../units/units";

export type Question = Schemas["Question"];
/** What is asked of a vessel, complete. */
export type Ask = NonNullable<Schemas["KeptFit"]["ask"]>;
/** What is asked of a vessel, as far as it is said. */
export type AskIn = NonNullable<Schemas["FitIn"]["ask"]>;
/** What is asked, as typed, by the question's name; a piece's second side under `piece_mm 2`. */
export type Typed = Readonly<Record<string, string>>;

export const SECOND = " 2";
const YES = "yes";

/** A question's answer as typed; one that was never typed is as usual. */
export function typedAt(typed: Typed, question: Question): string {
  return typed[question.name] ?? textOf(question.usual);
}

/** Whether what a question needs is there. */
export function applies(
  question: Question,
  typed: Typed,
  all: readonly Question[],
  there: string[],
): boolean {
  const shell = all.find((one) => one.form === "chocolate");
  const halves = all.find((one) => one.form === "yes-no");
  const has = [...there];
  if (shell && typedAt(typed, shell) !== "none") has.push("shell");
  has.push(halves && typedAt(typed, halves) === YES ? "halves" : "single");
  return question.needs.every((need) => has.includes(need));
}

/** The ask of a kind of vessel as the server takes it: what is not typed is as usual there. */
export function askOf(kind: string, typed: Typed, all: readonly Question[], there: string[] = []): AskIn {
  const said: Record<string, unknown> = { kind };
  for (const question of all) {
    const value = answerOf(question, typed);
    if (value !== undefined && applies(question, typed, all, there)) said[question.name] = value;
  }
  if (said.pieces === undefined) delete said.spares;
  return said as AskIn;
}

function answerOf(question: Question, typed: Typed): unknown {
  const text = typedAt(typed, question);
  switch (question.form) {
    case "yes-no":
      return text === YES;
    case "sides": {
      const length = numberIn(text);
      return length === undefined
        ? undefined
        : [length, numberIn(typed[question.name + SECOND] ?? "") ?? length];
    }
    case "number": {
      const value = numberIn(text);
      return value !== undefined && question.whole ? Math.round(value) : value;
    }
    default:
      return text || undefined;
  }
}

/** What was asked, as it is typed again. */
export function typedOf(ask: Ask | AskIn | null): Typed {
  const typed: Record<string, string> = {};
  for (const [name, value] of Object.entries(ask ?? {})) {
    if (name === "kind") continue;
    if (Array.isArray(value)) {
      const [length, width] = value;
      typed[name] = textOf(length);
      typed[name + SECOND] = width === length ? "" : textOf(width);
    } else typed[name] = textOf(value);
  }
  return typed;
}

/** What is typed, taken along to another kind of vessel: what was as usual is as usual there. */
export function carried(typed: Typed, from: readonly Question[]): Typed {
  const usual = new Map(from.map((question) => [question.name, textOf(question.usual)]));
  return Object.fromEntries(Object.entries(typed).filter(([name, text]) => usual.get(name) !== text));
}

function textOf(value: unknown): string {
  if (value === true) return YES;
  return value === null || value === undefined || value === false ? "" : String(value);
}

/** What is usually asked of a kind of vessel; null before its questions are known. */
export function usualAsk(kind: string, questions: Schemas["QuestionsOut"] | undefined): Ask | null {
  const all = questions?.kinds[kind];
  return all ? ({ kind, ...Object.fromEntries(all.map((one) => [one.name, one.usual])) } as Ask) : null;
}
