import { useQuery } from "@tanstack/react-query";
import { shelfQuery } from "./queries";

/** What the shelf taught of the next amount of a confection. */
export function LastTimes({ name }: { name: string }) {
  const { data } = useQuery(shelfQuery);
  const says = data?.teaches[name];
  return says ? <p className="mt-1 rounded bg-butter px-2 py-1">{says}</p> : null;
}
