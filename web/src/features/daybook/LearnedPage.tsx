import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { fixed } from "../../units/units";
import { day } from "./moments";

const MOST_SHOWN = 12;

/** What this kitchen's batches taught: looked into, one left out, all forgotten. */
export function LearnedPage() {
  const queries = useQueryClient();
  const { data } = useQuery({
    queryKey: ["learned"],
    staleTime: 0,
    queryFn: ({ signal }) => dataOf(client.GET("/api/learned", { signal })),
  });
  const anew = async () => {
    await queries.invalidateQueries({ queryKey: ["learned"] });
    await queries.invalidateQueries({ queryKey: ["set-clock"] });
  };
  const forget = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/learned")),
    onSuccess: anew,
  });
  if (!data) return <Skeleton />;
  const counting = data.learned.filter((thing) => thing.entries > 0).length;
  return (
    <main className="mx-auto w-full max-w-5xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">
        {counting > 0 ? "Your kitchen and our estimates" : "Nothing learned from this kitchen yet"}
      </h1>
      <p className="mt-1 max-w-prose text-[1.0625rem]">
        {counting > 0
          ? "Your own figures replace our estimates, and say so. Four of five later batches should fall inside the band."
          : "Each finished batch is compared with our estimates: its times, weights and verdict. Your own figures then replace the usual ones."}
      </p>
      <ul className="mt-3">
        {data.learned.map((thing) => (
          <Thing key={thing.what} thing={thing} onChange={anew} />
        ))}
      </ul>
      <p className="mt-4 flex flex-wrap items-center gap-x-5">
        <Link to="/daybook" className="inline-flex min-h-11 items-center font-bold text-rim underline">
          Open Daybook
        </Link>
        {counting > 0 && (
          <Sure
            words="Forget everything learned"
            yes="Forget it"
            goes="The usual figures apply again. Batches stay in the daybook, and you can learn from them again."
            disabled={forget.isPending}
            onSure={() => forget.mutate()}
          />
        )}
      </p>
    </main>
  );
}

type Learned = Schemas["LearnedThing"];

function Thing({ thing, onChange }: { thing: Learned; onChange: () => Promise<void> }) {
  const leave = useMutation({
    mutationFn: ({ batch_id, timed_id, counts }: Learned["entries_from"][number]) => {
      const body = { teaches: !counts };
      return batch_id === null
        ? dataOf(
            client.PUT("/api/learned/tasks/{timed_id}/teaches", {
              params: { path: { timed_id: timed_id ?? 0 } },
              body,
            }),
          )
        : dataOf(client.PUT("/api/batches/{batch_id}/teaches", { params: { path: { batch_id } }, body }));
    },
    onSuccess: onChange,
  });
  return (
    <li className="border-line border-b py-1">
      <details>
        <summary className="grid min-h-14 cursor-pointer grid-cols-[minmax(0,1fr)_300px] items-center gap-x-5 max-sm:grid-cols-1">
          <span>
            <b className="text-[1.125rem]">{thing.title}</b>
            <span className="block text-[0.9375rem]">
              {thing.says}
              {thing.left_out > 0 && (
                <span className="text-ash"> {thing.left_out} left out: too different.</span>
              )}
            </span>
          </span>
          <Band thing={thing} />
        </summary>
        <table className="mb-2 w-full text-[0.9375rem]">
          <thead>
            <tr className="text-left text-ash">
              <th className="font-normal">Batch or order</th>
              <th className="font-normal">What was seen</th>
              <th className="text-right font-normal">usual figure</th>
              <th className="text-right font-normal">was</th>
              <th className="text-right font-normal">counts</th>
            </tr>
          </thead>
          <tbody>
            {thing.entries_from.slice(0, MOST_SHOWN).map((entry) => (
              <tr
                key={`${entry.batch_id} ${entry.timed_id} ${entry.at} ${entry.observed}`}
                className="border-line border-t"
              >
                <td className="py-1">
                  <Link
                    to={
                      entry.batch_id === null
                        ? `/occasions/${entry.occasion_id}/order`
                        : `/daybook/${entry.batch_id}`
                    }
                    className="text-rim underline"
                  >
                    <span dir="auto">{entry.name}</span>, {day(entry.at)}
                  </Link>
                </td>
                <td className="py-1">
                  {entry.says}
                  {entry.by === "feel" && <span className="text-ash"> (by feel)</span>}
                </td>
                <td className="py-1 text-right text-ash">{figure(entry.predicted, entry.unit)}</td>
                <td className="py-1 text-right">{figure(entry.observed, entry.unit)}</td>
                <td className="py-1 text-right">
                  <Button look="plain" disabled={leave.isPending} onClick={() => leave.mutate(entry)}>
                    {entry.counts ? "Ignore" : "Include"}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </li>
  );
}

const figure = (value: number, unit: string) =>
  unit === "index" ? fixed(value, 1) : `${fixed(value, value >= 20 ? 0 : 1)} ${unit}`;

const LOG_MOST = Math.log(2.6);
const OFFSET_MOST = 2.5;
const WIDE = 300;

/** The book's band pale, the learned one in blue with its middle: slower and more to the right. */
function Band({ thing }: { thing: Learned }) {
  const place = (value: number) => {
    const share = thing.kind === "factor" ? Math.log(value) / LOG_MOST : value / OFFSET_MOST;
    return WIDE / 2 + (Math.max(-1, Math.min(1, share)) * WIDE) / 2.1;
  };
  const words =
    thing.kind === "factor"
      ? `${fixed(thing.value, 2)} times the usual, ${fixed(thing.low, 2)} to ${fixed(thing.high, 2)}`
      : `${fixed(thing.value, 1)} ${thing.unit} off the usual, ${fixed(thing.low, 1)} to ${fixed(thing.high, 1)}`;
  return (
    <svg viewBox={`0 0 ${WIDE} 34`} className="block w-full max-w-[300px]" role="img" aria-label={words}>
      <rect
        x={place(thing.book_low)}
        width={place(thing.book_high) - place(thing.book_low)}
        y="4"
        height="9"
        className="fill-rim-pale"
      />
      <line x1={WIDE / 2} x2={WIDE / 2} y1="0" y2="34" className="stroke-line-strong" />
      {thing.entries > 0 && (
        <>
          <rect
            x={place(thing.low)}
            width={place(thing.high) - place(thing.low)}
            y="20"
            height="9"
            className="fill-rim"
          />
          <circle cx={place(thing.value)} cy="24.5" r="6" className="fill-sheet stroke-rim" strokeWidth="3" />
        </>
      )}
      <text x="0" y="13" fontSize="11" className="fill-ash">
        usual
      </text>
      <text x="0" y="29" fontSize="11" className="fill-ash">
        yours
      </text>
    </svg>
  );
}
