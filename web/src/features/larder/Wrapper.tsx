import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { larderQuery, libraryQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { fixed, numberIn } from "../../units/units";
import { type Answers, allAnswers, Hurts } from "./Hurts";

const FIGURES = [
  ["energy_kcal", "Energy, kcal"],
  ["fat", "Fat, g"],
  ["saturated", "of which saturated"],
  ["carbohydrate", "Carbohydrate, g"],
  ["sugars", "of which sugars"],
  ["fibre", "Fibre, g"],
  ["protein", "Protein, g"],
  ["salt", "Salt, g"],
  ["cocoa_pct", "Cocoa, %"],
] as const;

const PARTS: Record<string, string> = {
  water: "Water",
  cocoa_butter: "Cocoa butter",
  milk_fat: "Milk fat",
  other_fat: "Other fat",
  cocoa_nonfat: "Cocoa solids",
  sucrose: "Sugar",
  lactose: "Lactose",
  msnf: "Milk solids",
  other: "Other solids",
};

/** Enter a packet label: the figures per 100 g give a composition, how sure it is, and what contradicts what. */
export function Wrapper() {
  const queries = useQueryClient();
  const { data: library } = useQuery(libraryQuery);
  const [name, setName] = useState("");
  const [kind, setKind] = useState("dark");
  const [fatKind, setFatKind] = useState("oil");
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [answers, setAnswers] = useState<Answers>({});
  const body = () => {
    const figures = Object.entries(typed).map(([key, text]) => [key, numberIn(text)] as const);
    return { kind, fat_kind: fatKind, ...Object.fromEntries(figures) } as Schemas["LabelIn"];
  };
  const read = useMutation({ mutationFn: () => dataOf(client.POST("/api/label", { body: body() })) });
  const keep = useMutation({
    mutationFn: (found: Schemas["LabelOut"]) => {
      const ingredient = { ...found.ingredient, name, composition_pct: found.composition_pct };
      const said = allAnswers(library?.questions ?? [], answers);
      return dataOf(
        client.PUT("/api/larder", { body: { label: name, country: "", ingredient, answers: said } }),
      );
    },
    onSuccess: () => {
      setName("");
      setAnswers({});
      read.reset();
      return queries.invalidateQueries({ queryKey: larderQuery.queryKey });
    },
  });
  const errors = read.error instanceof ApiError ? read.error.problem.errors : [];
  const at = (field: string) => {
    const found = errors.find((error) => error.path.includes(field));
    return found ? `${found.message}: ${found.allowed}` : null;
  };
  return (
    <form
      className="mt-5 grid gap-3 border-line border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        read.mutate();
      }}
    >
      <h2 className="font-bold text-lg">Enter a packet label</h2>
      <TextField
        label="Name"
        dir="auto"
        maxLength={200}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="grid grid-cols-2 gap-3">
        <Choice label="It is" value={kind} onPick={(value) => setKind(value)}>
          {library?.label_kinds.map((row) => (
            <Option key={row.key} value={row.key}>
              {row.name}
            </Option>
          ))}
        </Choice>
        <Choice label="Its other fat is" value={fatKind} onPick={(value) => setFatKind(value)}>
          <Option value="oil">nut or seed oil</Option>
          <Option value="lauric">hardened palm kernel</Option>
          <Option value="coconut">coconut</Option>
          <Option value="palm">palm</Option>
        </Choice>
      </div>
      <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2">
        {FIGURES.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            value={typed[key] ?? ""}
            problem={at(key)}
            onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
          />
        ))}
      </div>
      <Button type="submit" disabled={read.isPending}>
        Work out its composition
      </Button>
      {read.data && (
        <div aria-live="polite">
          <dl className="grid grid-cols-[1fr_auto] gap-x-4 text-[0.9375rem]">
            {Object.entries(read.data.spread_pct).map(([part, spread]) => (
              <div key={part} className="contents">
                <dt className="text-ash">{PARTS[part] ?? part}</dt>
                <dd className="text-right">
                  {fixed(read.data.composition_pct[part] ?? 0, 1)} ± {fixed(spread, 1)} %
                </dd>
              </div>
            ))}
          </dl>
          {read.data.contradictions.length > 0 && (
            <div className="mt-2 rounded-lg border-[1.5px] border-butter-rim bg-butter p-3 text-[0.9375rem]">
              <h3 className="font-bold">The label contradicts itself</h3>
              <ul className="list-disc pl-5">
                {read.data.contradictions.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </div>
          )}
          <Hurts questions={library?.questions ?? []} answers={answers} onAnswers={setAnswers} />
          <Button
            look="filled"
            className="mt-3 w-full"
            disabled={!name.trim() || keep.isPending}
            onClick={() => read.data && keep.mutate(read.data)}
          >
            {name.trim() ? "Save as your ingredient" : "Name it to save it"}
          </Button>
          {keep.error && (
            <p role="alert" className="mt-1 text-copper">
              {keep.error.message}
            </p>
          )}
          <p className="mt-2 text-[0.8125rem] text-ash">
            Check its allergens against the packet: {read.data.ingredient.allergens.join(", ")} are put down
            for it.
          </p>
        </div>
      )}
    </form>
  );
}
