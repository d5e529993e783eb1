import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { larderQuery, libraryQuery } from "../../api/queries";
import { figure, fixed } from "../../units/units";
import { ItemForm } from "./ItemForm";
import { Wrapper } from "./Wrapper";

type Item = Schemas["LarderItem"];

/** Larder: packs with their prices, what is in the house, and ingredients of one's own. */
export function LarderPage() {
  const { data } = useQuery(larderQuery);
  const { data: library } = useQuery(libraryQuery);
  const [chosen, setChosen] = useState<string | null>(null);
  const items = data?.items ?? [];
  const item = items.find((row) => row.label === chosen) ?? null;
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_400px] max-lg:grid-cols-1">
      <section aria-label="Stock" className="px-5 py-4 max-md:px-3">
        <h1 className="font-display font-semibold text-3xl">Larder</h1>
        {data && items.length === 0 && (
          <p className="mt-2 max-w-prose">
            Nothing here yet. With a pack and its price a recipe shows what it costs; with what is in the
            house it says what falls short. Put in the first pack at the side.
          </p>
        )}
        {items.length > 0 && <Table items={items} chosen={chosen} onChoose={setChosen} />}
        <Csv />
      </section>
      <section
        aria-label="One ingredient"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:border-t max-lg:border-l-0 max-md:px-3"
      >
        <ItemForm key={chosen ?? "new"} item={item} library={library} onDone={() => setChosen(null)} />
        <Wrapper />
      </section>
    </main>
  );
}

type TableProps = { items: Item[]; chosen: string | null; onChoose: (label: string | null) => void };

function Table({ items, chosen, onChoose }: TableProps) {
  return (
    <div className="overflow-x-auto">
      {" "}
      <table className="mt-3 w-full">
        <thead>
          <tr className="text-left text-[0.8125rem] text-ash">
            <th className="font-normal">Ingredient</th>
            <th className="text-right font-normal">Pack</th>
            <th className="text-right font-normal">Price</th>
            <th className="text-right font-normal max-sm:hidden">Price per 100 g</th>
            <th className="text-right font-normal">In stock</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.label} className="border-line border-b">
              <th scope="row" className="text-left font-normal">
                <button
                  type="button"
                  aria-pressed={item.label === chosen}
                  onClick={() => onChoose(item.label === chosen ? null : item.label)}
                  className="min-h-11 w-full text-left underline-offset-4 hover:underline aria-pressed:font-bold"
                >
                  <span dir="auto">{item.name}</span>
                  {item.ingredient && <span className="text-[0.8125rem] text-ash"> your own</span>}
                </button>
              </th>
              <td className="whitespace-nowrap pl-2 text-right">
                {item.pack_g === null ? "–" : `${figure(item.pack_g)} g`}
              </td>
              <td className="whitespace-nowrap pl-2 text-right">
                {item.price === null ? "–" : fixed(item.price, 2)}
              </td>
              <td className="whitespace-nowrap pl-2 text-right max-sm:hidden">
                {item.price === null || item.pack_g === null
                  ? "–"
                  : fixed((100 * item.price) / item.pack_g, 2)}
              </td>
              <td className="whitespace-nowrap pl-2 text-right font-bold">
                {item.in_house_g === null ? "–" : `${figure(item.in_house_g)} g`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Csv() {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: (csv: string) => dataOf(client.POST("/api/larder/csv", { body: { csv } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: larderQuery.queryKey }),
  });
  return (
    <div className="mt-4 flex flex-wrap items-center gap-4">
      <a
        href="/api/larder/larder.csv"
        download
        className="flex min-h-11 items-center font-bold text-rim underline"
      >
        Save as CSV
      </a>
      <label className="text-[0.9375rem]">
        Import CSV{" "}
        <input
          type="file"
          accept=".csv,text/csv"
          className="min-h-11 file:mr-3 file:min-h-11 file:rounded-lg file:border-[1.5px] file:border-rim file:bg-sheet file:px-3 file:font-bold file:text-rim"
          onChange={async (event) => {
            const text = await event.target.files?.[0]?.text();
            event.target.value = "";
            if (text) take.mutate(text);
          }}
        />
      </label>
      {take.data && (
        <p role="status">{take.data.taken === 1 ? "One row" : `${take.data.taken} rows`} taken.</p>
      )}
      {take.error && (
        <p role="alert" className="text-copper">
          Nothing was imported. {take.error.message}
        </p>
      )}
    </div>
  );
}
