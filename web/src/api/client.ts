import createClient from "openapi-fetch";
import { askServer } from "../offline";
import type { components, paths } from "./schema.gen";

export type Schemas = components["schemas"];
export type Recipe = Schemas["RecipeFile"];
export type Line = Schemas["LineFile"] & { typed?: string };
export type Bench = Schemas["FormulaOut"];
export type Problem = Schemas["Problem"];

/** What the server refused, with the path of each field. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.detail);
  }
}

export const client = createClient<paths>({ baseUrl: "/", fetch: askServer });

const UNREADABLE = {
  title: "No answer",
  detail: "Hearth Bowl is not answering.",
  errors: [],
  revision: null,
};

/** The data of an answer; throws an ApiError for any answer that is not ok. */
export async function dataOf<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  const { data, error, response } = await answer;
  if (response.ok) return data as T;
  const problem = error && typeof error === "object" && "detail" in error ? (error as Problem) : null;
  throw new ApiError(response.status, problem ?? { ...UNREADABLE, status: response.status });
}
