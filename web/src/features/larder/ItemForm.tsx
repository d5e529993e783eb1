import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { larderQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { MassField } from "../../ui/QuantityField";
import { numberIn } from "../../units/units";
import { TakeOut } from "./TakeOut";

type Props = {
  item: Schemas["LarderItem"] | null;
  library: Schemas["LibraryOut"] | undefined;
  onDone: () => void;
};

const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);
const typed = (text: string) => numberIn(text) ?? null;
const isUnreadable = (text: string) => text.trim() !== "" && numberIn(text) === undefined;

type Pack = { pack_g: number; price: number | null };

const packText = (pack: Pack) => `${pack.pack_g} g${pack.price === null ? "" : ` ${pack.price}`}`;

/** Packs as they are typed: grams and perhaps a price, one after a semicolon; null where one cannot be read. */
function packsIn(text: string): Pack[] | null {
  const packs: Pack[] = [];
  for (const part of text.split(";").filter((one) => one.trim() !== "")) {
    const [size = "", price = ""] = part.trim().split(/\s*g\b\s*/);
    const pack_g = numberIn(size);
    const cost = price.trim() === "" ? null : numberIn(price);
    if (pack_g === undefined || pack_g <= 0 || cost === undefined) return null;
    packs.push({ pack_g, price: cost });
  }
  return packs;
}

/** One ingredient of the larder: its pack, its price, where it is from, and how much of it is in the house. */
export function ItemForm({ item, library, onDone }: Props) {
  const queries = useQueryClient();
  const [label, setLabel] = useState(item?.label ?? "dark60");
  const [pack, setPack] = useState(shown(item?.pack_g));
  const [price, setPrice] = useState(shown(item?.price));
  const [country, setCountry] = useState(item?.country ?? "");
  const [others, setOthers] = useState(item?.other_packs.map(packText).join("; ") ?? "");
  const [house, setHouse] = useState(shown(item?.in_house_g));
  const save = useMutation({
    mutationFn: () =>
      dataOf(
        client.PUT("/api/larder", {
          body: {
            label,
            pack_g: typed(pack),
            price: typed(price),
            country,
            in_house_g: typed(house),
            other_packs: packsIn(others) ?? [],
          },
        }),
      ),
    onSuccess: () => {
      onDone();
      return queries.invalidateQueries({ queryKey: larderQuery.queryKey });
    },
  });
  const problem = save.error instanceof ApiError ? save.error.problem.errors : [];
  const at = (name: string) => {
    const found = problem.find((error) => error.path.includes(name));
    return found ? `${found.message}: ${found.allowed}` : null;
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="font-bold text-lg">{item ? item.name : "Add ingredient"}</h2>
      {!item && (
        <Choice label="Ingredient" value={label} onPick={(value) => setLabel(value)}>
          {library?.ingredients.map((row) => (
            <Option key={row.key} value={row.key}>
              {row.name}
            </Option>
          ))}
        </Choice>
      )}
      <div className="grid grid-cols-2 gap-3">
        <MassField label="Pack" value={pack} problem={at("pack_g")} onMass={setPack} />
        <NumberField
          label="Price per pack"
          value={price}
          problem={at("price")}
          onChange={(event) => setPrice(event.target.value)}
        />
        <TextField
          label="Country"
          value={country}
          problem={at("country")}
          onChange={(event) => setCountry(event.target.value)}
        />
        <div className="col-span-2">
          <TextField
            label="Other sizes: grams and price, such as 200 g 3.50; 1000 g 13"
            value={others}
            autoComplete="off"
            problem={packsIn(others) === null ? "such as 200 g 3.50; 1000 g 13" : at("other_packs")}
            onChange={(event) => setOthers(event.target.value)}
          />
        </div>
        <MassField label="In stock" value={house} problem={at("in_house_g")} onMass={setHouse} />
      </div>
      {save.error && problem.length === 0 && (
        <p role="alert" className="text-copper">
          {save.error.message}
        </p>
      )}
      <p className="flex flex-wrap gap-2">
        <Button
          type="submit"
          look="filled"
          disabled={
            save.isPending || !library || [pack, price, house].some(isUnreadable) || packsIn(others) === null
          }
        >
          {item ? "Save changes" : "Add to larder"}
        </Button>
        {item && <TakeOut label={item.label} onDone={onDone} />}
      </p>
    </form>
  );
}
