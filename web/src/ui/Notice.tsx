import { Link } from "react-router";
import { ApiError } from "../api/client";

/** A page that says why there is nothing to see, and leads back. */
export function Notice({ title, text }: { title: string; text: string }) {
  return (
    <main className="mx-auto w-full max-w-xl p-8">
      <h1 className="font-display font-semibold text-3xl">{title}</h1>
      <p className="mt-2">{text}</p>
      <Link to="/recipes" className="mt-4 inline-block font-bold text-rim underline">
        Open Recipes
      </Link>
    </main>
  );
}

/** In place of a page whose subject could not be read: not there, or the application does not answer just now. */
export function NotThere({ what, error }: { what: string; error: Error | null }) {
  const isGone = error === null || (error instanceof ApiError && error.status === 404);
  return (
    <Notice
      title={isGone ? `There is no such ${what}` : `The ${what} could not be read`}
      text={
        isGone
          ? "It may have been deleted."
          : "Hearth Bowl is not answering. This page tries again every few seconds."
      }
    />
  );
}
