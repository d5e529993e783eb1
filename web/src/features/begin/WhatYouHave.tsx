import { useQuery } from "@tanstack/react-query";
import { larderQuery, libraryQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { MassField } from "../../ui/QuantityField";
import { mass, numberIn, useUnits } from "../../units/units";

/** Something that is there to be used: an ingredient by its label, and its grams as typed. */
export type Have = { label: string; grams: string };

/** Stock as the server takes it: rows without an amount are left out. */
export function stockOf(rows: readonly Have[]): { ingredient: string; g: number }[] {
  return rows.flatMap((row) => {
    const g = numberIn(row.grams);
    return row.label && g ? [{ ingredient: row.label, g }] : [];
  });
}

type Props = { rows: Have[]; onRows: (rows: Have[]) => void };

/** What to make the recipe with: bars, cream, butter or fruit that are there. It comes out as large as they allow. */
export function WhatYouHave({ rows, onRows }: Props) {
  const units = useUnits();
  const { data: library } = useQuery(libraryQuery);
  const { data: larder } = useQuery(larderQuery);
  const there = new Map(larder?.items.map((row) => [row.label, row]));
  const inStock = (label: string) => there.get(label)?.in_house_g ?? 0;
  const known = library?.ingredients ?? [];
  const own = (larder?.items ?? []).filter((row) => row.ingredient !== null && inStock(row.label) > 0);
  const offered: Offered[] = [
    ...known.map((row) => ({ label: row.key, name: row.name, kind: row.kind })),
    ...own.map((row) => ({ label: row.label, name: row.name, kind: row.ingredient?.kind ?? "other" })),
  ]
    .filter((one) => USABLE.includes(one.kind) || inStock(one.label) > 0)
    .sort((a, b) => Number(inStock(b.label) > 0) - Number(inStock(a.label) > 0) || rankOf(a) - rankOf(b));
  const next = () => {
    const isFree = (one: Offered) => !rows.some((row) => row.label === one.label);
    const kinds = new Set(rows.map((row) => offered.find((one) => one.label === row.label)?.kind));
    const free = offered.filter(isFree);
    return (free.find((one) => !kinds.has(one.kind)) ?? free[0])?.label ?? "";
  };
  const put = (at: number, part: Partial<Have>) =>
    onRows(rows.map((row, position) => (position === at ? { ...row, ...part } : row)));
  return (
    <fieldset className="grid gap-2">
      <legend className="font-bold">Make it with what you have</legend>
      {rows.map((row, position) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
          key={position}
          className="grid grid-cols-[minmax(0,1fr)_6rem_auto] items-end gap-2 max-sm:grid-cols-1"
        >
          <Choice
            label="Ingredient"
            value={row.label}
            onPick={(label) =>
              put(position, { label, grams: inStock(label) ? String(inStock(label)) : row.grams })
            }
          >
            {offered.map((one) => (
              <Option key={one.label} value={one.label}>
                {one.name}
                {inStock(one.label) > 0 && `, ${mass(inStock(one.label), units)} in stock`}
              </Option>
            ))}
          </Choice>
          <MassField label="You have" value={row.grams} onMass={(grams) => put(position, { grams })} />
          <Button look="plain" onClick={() => onRows(rows.filter((_, at) => at !== position))}>
            Leave out
          </Button>
        </div>
      ))}
      <Button
        onClick={() => {
          const label = next();
          onRows([...rows, { label, grams: inStock(label) ? String(inStock(label)) : "" }]);
        }}
      >
        Add something you have
      </Button>
    </fieldset>
  );
}

/** Kinds of ingredients that a recipe can be built around, the likeliest first. */
const USABLE = ["chocolate", "cream", "condensed-milk", "butter", "fruit", "compound"];

type Offered = { label: string; name: string; kind: string };

const rankOf = ({ kind }: Offered) => (USABLE.includes(kind) ? USABLE.indexOf(kind) : USABLE.length);
