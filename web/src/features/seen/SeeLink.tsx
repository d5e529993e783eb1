import { Link } from "react-router";

type Props = { batch?: number | null; recipe?: number | null; at?: string; className?: string };

/** One press to "What do you see?", with what it is about. */
export function SeeLink({ batch, recipe, at, className = "" }: Props) {
  const of = batch != null ? `/batch/${batch}` : recipe != null ? `/recipe/${recipe}` : "";
  return (
    <Link
      to={`/see${of}${at && batch == null ? `?at=${at}` : ""}`}
      className={`inline-flex min-h-11 items-center font-bold text-rim underline ${className}`}
    >
      What do you see?
    </Link>
  );
}
