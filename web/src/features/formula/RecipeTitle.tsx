import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { Option } from "../../ui/OptionList";
import { Popover } from "../../ui/Popover";
import { Radio, RadioGroup } from "../../ui/Radio";
import type { BenchState } from "./useBench";
import { USES } from "./words";

type Props = { id: number; state: BenchState; library: Schemas["LibraryOut"] | undefined };

/** The recipe's name, what it is and what it is for; and the way to the other recipes. */
export function RecipeTitle({ id, state, library }: Props) {
  const { recipe } = state;
  const family = library?.families.find((row) => row.key === recipe.family)?.name ?? recipe.family;
  return (
    <div>
      <div className="flex items-start justify-between gap-2">
        <h1
          dir="auto"
          className="line-clamp-2 min-w-0 break-words font-display font-semibold text-[1.625rem] leading-tight"
        >
          {recipe.name}
        </h1>
        <OtherRecipes id={id} />
      </div>
      <Popover
        label="What this recipe is"
        trigger={
          <button
            type="button"
            className="-mt-3 min-h-11 text-left text-[0.875rem] text-ash underline-offset-4 hover:underline"
          >
            {family}, {recipe.use ? (USES[recipe.use] ?? recipe.use) : "for no particular use"}
            <span className="text-rim"> · change</span>
          </button>
        }
      >
        <div className="grid gap-3">
          <NameField name={recipe.name} onName={(name) => state.change({ ...recipe, name })} />
          <Choice
            label="Family"
            value={recipe.family}
            onPick={(value) => state.change({ ...recipe, family: value, method: null })}
          >
            {library?.families.map((row) => (
              <Option key={row.key} value={row.key}>
                {row.name}
              </Option>
            ))}
          </Choice>
          <Choice
            label="What it is for"
            value={recipe.use ?? ""}
            onPick={(value) => state.change({ ...recipe, use: value || null })}
          >
            <Option value="">no particular use</Option>
            {library?.uses.map((use) => (
              <Option key={use} value={use}>
                {USES[use] ?? use}
              </Option>
            ))}
          </Choice>
          <Ways
            family={library?.families.find((row) => row.key === recipe.family)}
            chosen={recipe.method ?? null}
            onChoose={(method) => state.change({ ...recipe, method })}
          />
        </div>
      </Popover>
    </div>
  );
}

type WaysProps = {
  family: Schemas["FamilyOut"] | undefined;
  chosen: string | null;
  onChoose: (method: string) => void;
};

/** What decides in a family, and the ways of making it with their trade-offs, to choose from. */
function Ways({ family, chosen, onChoose }: WaysProps) {
  if (!family) return null;
  return (
    <fieldset className="text-[0.875rem]">
      <legend className="font-bold">How you make it</legend>
      <p>{family.rule}</p>
      <RadioGroup label="Method" value={chosen ?? family.methods[0]?.key ?? ""} onPick={onChoose}>
        {family.methods.map((method) => (
          <Radio key={method.key} value={method.key} className="mt-1">
            <span>
              <strong>{method.name}.</strong> {method.trade_off}
            </span>
          </Radio>
        ))}
      </RadioGroup>
      {family.also.length > 0 && <p className="mt-2 font-bold">With any of them</p>}
      {family.also.map((method) => (
        <p key={method.key} className="mt-1">
          <strong>{method.name}.</strong> {method.trade_off}
        </p>
      ))}
    </fieldset>
  );
}

function NameField({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [text, setText] = useState(name);
  const wrong = text.trim() ? null : "A recipe needs a name.";
  return (
    <TextField
      label="Name"
      dir="auto"
      maxLength={200}
      value={text}
      problem={wrong}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => !wrong && text.trim() !== name && onName(text.trim())}
    />
  );
}

function OtherRecipes({ id }: { id: number }) {
  const [open, setOpen] = useState(false);
  const { data } = useQuery({ ...recipeQueries.list, enabled: open });
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      align="end"
      label="Recipes"
      trigger={
        <button
          type="button"
          className="-mt-1.5 min-h-11 shrink-0 px-1 font-bold text-[0.9375rem] text-rim hover:underline"
        >
          Recipes
        </button>
      }
    >
      <h2 className="font-bold">Recipes</h2>
      <ul className="mt-1">
        {data?.recipes
          .filter((row) => !row.put_away || row.id === id)
          .map((row) => (
            <li key={row.id}>
              <Link
                dir="auto"
                to={`/recipes/${row.id}/formula`}
                aria-current={row.id === id ? "page" : undefined}
                className="flex min-h-11 items-center rounded-md px-2 hover:bg-rim-faint aria-[current=page]:font-bold"
              >
                <span className="truncate">{row.name}</span>
              </Link>
            </li>
          ))}
      </ul>
      <p className="mt-1 flex gap-4 border-line border-t pt-1">
        <Link to={`/recipes/${id}/compare`} className="flex min-h-11 items-center font-bold text-rim">
          Compare
        </Link>
        <Link to="/recipes" className="flex min-h-11 items-center font-bold text-rim">
          All recipes
        </Link>
      </p>
      <p className="mt-3 flex flex-wrap gap-x-5 border-line border-t pt-2">
        <Link to="/new" className="inline-flex min-h-11 items-center font-bold text-rim underline">
          Start from a suggested recipe
        </Link>
        <Link to="/read" className="inline-flex min-h-11 items-center font-bold text-rim underline">
          Read a card
        </Link>
      </p>
    </Popover>
  );
}
