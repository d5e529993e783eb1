import type { Schemas } from "../../api/client";
import { PdfLink } from "../../ui/PdfLink";
import { usualPaper } from "../../units/paper";
import { fixed, mass, type Units } from "../../units/units";

type Props = {
  shopping: Schemas["ShoppingList"];
  boxes: number;
  id: number;
  hasBox: boolean;
  units: Units;
  flush: () => Promise<void>;
};

/** One list for everything chosen: packs to buy, what is there, what is left over. */
export function ShoppingList({ shopping, boxes, id, hasBox, units, flush }: Props) {
  const openFlushed = (file: string) => async (event: React.MouseEvent) => {
    event.preventDefault();
    await flush();
    window.open(`/api/occasions/${id}/${file}`, "_blank", "noopener");
  };
  return (
    <>
      <h2 className="font-bold text-lg">To have in stock</h2>
      <div className="overflow-x-auto">
        {" "}
        <table className="mt-1 w-full text-[0.9375rem]">
          <thead>
            <tr className="text-left text-[0.8125rem] text-ash">
              <th className="font-normal">Ingredient</th>
              <th className="text-right font-normal">Buy</th>
              <th className="text-right font-normal">Left</th>
            </tr>
          </thead>
          <tbody>
            {shopping.items.map((item) => (
              <tr key={item.label} className="border-line border-b align-top">
                <th scope="row" className="py-1 text-left font-normal">
                  <span dir="auto">{item.name}</span>
                  <span className="block text-[0.8125rem] text-ash">
                    {mass(item.needed_g, units)} needed
                    {item.spoons !== null && `, about ${item.spoons}`}
                    {item.in_house_g !== null && `, ${mass(item.in_house_g, units)} there`}
                    {again(Math.floor(item.left_share * boxes))}
                    {choicesText(item, units)}
                  </span>
                </th>
                <td
                  className={`whitespace-nowrap py-1 pl-2 text-right ${item.buy_g > 0 ? "font-bold" : "text-ash"}`}
                >
                  {toBuy(item, units)}
                </td>
                <td className="whitespace-nowrap py-1 pl-2 text-right">{mass(item.left_g, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-[0.9375rem]">
        To buy for {fixed(shopping.cost, 2)}
        {shopping.unpriced.length > 0 && " or more"}; what is used costs {fixed(shopping.used_cost, 2)}.
        {shopping.unpriced.length > 0 && ` No price for ${shopping.unpriced.join(", ")}.`}
      </p>
      <p className="flex flex-wrap items-center gap-3 print:hidden">
        {[
          ["csv", "List as CSV"],
          ["txt", "List as text"],
        ].map(([ending, says]) => (
          <a
            key={ending}
            href={`/api/occasions/${id}/shopping.${ending}`}
            target="_blank"
            rel="noopener"
            onClick={openFlushed(`shopping.${ending}`)}
            className="inline-flex min-h-11 items-center font-bold text-rim underline"
          >
            {says}
          </a>
        ))}
        <PdfLink
          of={`/api/occasions/${id}/shopping.pdf`}
          onPress={openFlushed(`shopping.pdf?page=${usualPaper()}`)}
        >
          Print list
        </PdfLink>
        {hasBox && (
          <PdfLink
            of={`/api/occasions/${id}/box-card.pdf`}
            onPress={openFlushed(`box-card.pdf?page=${usualPaper()}`)}
          >
            Card for the box
          </PdfLink>
        )}
      </p>
    </>
  );
}

/** What is left over will make so many boxes more, of what this ingredient has to give. */
function again(boxes: number): string {
  return boxes < 1 ? "" : `; left for ${boxes} more ${boxes === 1 ? "box" : "boxes"}`;
}

/** The sizes of packs beside each other: so many of each, and for how much. */
function choicesText({ choices }: Schemas["Item"], units: Units): React.ReactNode {
  if (choices.length === 0) return null;
  const each = choices.map(
    ({ count, pack_g, cost }) =>
      `${count} × ${mass(pack_g, units)}${cost === null ? "" : ` for ${fixed(cost, 2)}`}`,
  );
  return <span className="block">{each.join(" or ")}</span>;
}

function toBuy(item: Schemas["Item"], units: Units): string {
  if (item.buy.length > 0)
    return item.buy.map((pack) => `${pack.count} × ${mass(pack.pack_g, units)}`).join(" + ");
  return item.buy_g > 0 ? mass(item.buy_g, units) : "none";
}
