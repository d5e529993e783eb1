import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { shelfQuery } from "./queries";
import { daysText } from "./words";

const SOON_DAYS = 3;
const SHOWN = 4;

/** What must be eaten soon, for Today. */
export function EatFirst() {
  const { data } = useQuery(shelfQuery);
  const soon = data?.there.filter((making) => making.standing.days_left <= SOON_DAYS) ?? [];
  if (!data || data.there.length === 0) return null;
  return (
    <>
      <h2 className="mt-5 font-bold">On the shelf</h2>
      <ul>
        {soon.slice(0, SHOWN).map((making) => (
          <li
            key={making.id}
            className="flex min-h-11 items-center justify-between gap-4 border-line border-b"
          >
            <b dir="auto">{making.name}</b>
            <span className={making.standing.days_left < 1 ? "text-copper" : "text-ash"}>
              {making.standing.pieces_left} pieces, {daysText(making.standing.days_left)}
            </span>
          </li>
        ))}
      </ul>
      <Link to="/shelf" className="inline-flex min-h-11 items-center text-rim underline">
        {soon.length === 0 ? `${data.there.length} made, nothing urgent` : "Open the Shelf"}
      </Link>
    </>
  );
}
