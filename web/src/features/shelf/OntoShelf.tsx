import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { dayIso } from "./day";
import { PutAway } from "./PutAway";

type Props = { confectionId: number; madeAt: string };

/** What a finished batch was made for: its pieces go on the shelf with the day they were made, and get their label. */
export function OntoShelf({ confectionId, madeAt }: Props) {
  const stored = useQuery(confectionQueries.one(confectionId));
  const asked = stored.data?.asked;
  const worked = useQuery({
    queryKey: ["confection-worked", asked],
    enabled: asked !== undefined,
    retry: false,
    queryFn: async ({ signal }) => {
      if (!asked) throw new Error("not read yet");
      return dataOf(client.POST("/api/confections/work-out", { body: asked, signal }));
    },
  });
  if (!asked || !worked.data) return null;
  return (
    <section aria-label="Add to shelf" className="mt-4 border-line border-t pt-2">
      <h2 className="font-bold text-lg">{asked.name}: added to the shelf</h2>
      <PutAway
        confectionId={confectionId}
        pieces={worked.data.answer.pieces}
        made={dayIso(Date.parse(madeAt))}
      />
      <p>
        <Link to="/shelf" className="inline-flex min-h-11 items-center font-bold text-rim underline">
          Shelf and labels
        </Link>
      </p>
    </section>
  );
}
