import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { dataQuery } from "./dataQuery";

/** What was noticed of the data when it was opened, on the first page. */
export function DataWarning() {
  const { data } = useQuery(dataQuery);
  if (!data?.warning) return null;
  return (
    <p role="alert" className="col-span-full mb-3 rounded-md bg-copper-pale px-3 py-2 text-copper">
      {data.warning}{" "}
      <Link to="/data" className="font-bold underline">
        Your data
      </Link>
    </p>
  );
}
