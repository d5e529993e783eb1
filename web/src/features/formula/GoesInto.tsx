import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { confectionQueries } from "../../api/queries";

/** The confections that a mass goes into: a change here moves them there. */
export function GoesInto({ id }: { id: number }) {
  const { data } = useQuery({ ...confectionQueries.list, staleTime: 0 });
  const found = (data?.confections ?? []).filter((row) =>
    row.asked.parts.some((part) => part.of.recipe_id === id),
  );
  if (found.length === 0) return null;
  return (
    <p className="mt-1 text-[0.9375rem]">
      Goes into{" "}
      {found.map((row, position) => (
        <span key={row.id}>
          <Link to={`/confections/${row.id}`} className="inline-flex min-h-6 items-center text-rim underline">
            {row.asked.name}
          </Link>
          {position + 1 < found.length && ", "}
        </span>
      ))}
    </p>
  );
}
