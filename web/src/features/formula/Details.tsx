import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { Option } from "../../ui/OptionList";
import { PopoverClose } from "../../ui/Popover";
import { SideBySide } from "../compare";
import { OtherReadings } from "./OtherReadings";
import type { BenchState } from "./useBench";
import { ingredientName, STAGES } from "./words";

type Props = {
  state: BenchState;
  position: number;
  name: string;
  library: Schemas["LibraryOut"] | undefined;
};

/** One line close up: when it goes in, another in its place, only so much of it, or out. */
export function Details({ state, position, name, library }: Props) {
  const line = state.recipe.lines[position];
  const [moved, setMoved] = useState<Schemas["MovedRecipe"] | null>(null);
  if (!line) return null;
  if (moved) return <WhatMoved moved={moved} state={state} library={library} />;
  const row = library?.ingredients.find((found) => found.key === line.ingredient);
  const known = Object.keys(STAGES);
  const notes = state.bench?.line_notes[position]?.notes ?? [];
  return (
    <div className="grid gap-3">
      <h2 className="font-bold">{name}</h2>
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      <OtherReadings line={line} name={name} onTake={(taken) => state.changeLine(position, taken)} />
      {line.proposed && (
        <Button onClick={() => state.changeLine(position, { proposed: false })}>Use suggested amount</Button>
      )}
      {row && <p className="text-sm">Brands differ: {row.spread}.</p>}
      <Choice
        label="When it goes in"
        value={line.stage}
        onPick={(value) => state.changeLine(position, { stage: value })}
      >
        {(known.includes(line.stage) ? known : [line.stage, ...known]).map((stage) => (
          <Option key={stage} value={stage}>
            {STAGES[stage] ?? stage}
          </Option>
        ))}
      </Choice>
      <Choice
        label="Show its amount in"
        value={line.unit}
        onPick={(value) => state.type(position, `in ${value}`, line.measure)}
      >
        {(UNITS.includes(line.unit) ? UNITS : [line.unit, ...UNITS]).map((unit) => (
          <Option key={unit} value={unit}>
            {UNIT_NAMES[unit] ?? unit}
          </Option>
        ))}
      </Choice>
      <Swap state={state} position={position} row={row} library={library} onMoved={setMoved} />
      <OnlyThisMuch state={state} position={position} onMoved={setMoved} />
      {state.recipe.lines.length > 1 && (
        <PopoverClose asChild>
          <Button
            onClick={() =>
              state.change({ ...state.recipe, lines: state.recipe.lines.filter((_, at) => at !== position) })
            }
          >
            Take {name} out
          </Button>
        </PopoverClose>
      )}
    </div>
  );
}

const UNIT_NAMES: Record<string, string> = {
  g: "grams",
  oz: "ounces",
  ml: "millilitres",
  tsp: "teaspoons",
  tbsp: "tablespoons",
  cup: "cups",
};
const UNITS = Object.keys(UNIT_NAMES);

type PartProps = Pick<Props, "state" | "position"> & { onMoved: (moved: Schemas["MovedRecipe"]) => void };

function Swap(props: PartProps & { row: Schemas["IngredientOut"] | undefined; library: Props["library"] }) {
  const { state, position, row, library, onMoved } = props;
  const alike = (other: Schemas["IngredientOut"]) =>
    row ? other.shelf === row.shelf && other.key !== row.key : true;
  const swap = useMutation({
    mutationFn: (ingredient: string) =>
      dataOf(
        client.POST("/api/swap", { body: { recipe: state.recipe, position, ingredient, at_c: state.atC } }),
      ),
    onSuccess: (answer) => {
      state.change(answer.recipe);
      onMoved(answer);
    },
  });
  return (
    <div>
      <Choice
        label="Swap, same firmness and weight"
        value=""
        disabled={swap.isPending}
        onPick={(value) => value && swap.mutate(value)}
      >
        <Option value="">choose…</Option>
        {library?.ingredients.filter(alike).map((other) => (
          <Option key={other.key} value={other.key}>
            {other.name}
          </Option>
        ))}
      </Choice>
      {swap.error && (
        <p role="alert" className="text-copper text-sm">
          {swap.error.message}
        </p>
      )}
    </div>
  );
}

function OnlyThisMuch({ state, position, onMoved }: PartProps) {
  const [typed, setTyped] = useState("");
  const scale = useMutation({
    mutationFn: () =>
      dataOf(client.POST("/api/only-this-much", { body: { recipe: state.recipe, position, typed } })),
    onSuccess: (answer) => {
      state.change(answer.recipe);
      onMoved(answer);
    },
  });
  const problem = scale.error instanceof ApiError ? scale.error.problem.errors[0] : null;
  return (
    <form
      className="grid grid-cols-[1fr_auto] items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim()) scale.mutate();
      }}
    >
      <TextField
        label="I have only"
        placeholder="180 g, or 2 bars of 100 g"
        autoComplete="off"
        value={typed}
        problem={problem ? `${problem.message}. Allowed: ${problem.allowed}` : scale.error?.message}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" disabled={scale.isPending}>
        Scale all
      </Button>
    </form>
  );
}

type MovedProps = { moved: Schemas["MovedRecipe"]; state: BenchState; library: Props["library"] };

function WhatMoved({ moved, state, library }: MovedProps) {
  const nameAt = (position: number) => {
    const line = moved.recipe.lines[position];
    return line ? ingredientName(line, library) : "";
  };
  return (
    <div className="grid gap-3">
      <h2 className="font-bold">Before and after</h2>
      {moved.notes.length > 0 && (
        <ul className="list-disc pl-5">
          {moved.notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
      {moved.short.map((short) => (
        <p key={short.position}>
          Too little {nameAt(short.position)}: {Math.round(short.needed_g)} g needed,{" "}
          {Math.round(short.there_g)} g in stock.
        </p>
      ))}
      <SideBySide comparison={moved.comparison} first="before" second="after" />
      <p className="flex gap-2">
        <PopoverClose asChild>
          <Button look="filled">Keep changes</Button>
        </PopoverClose>
        <PopoverClose asChild>
          <Button onClick={state.undo}>Undo</Button>
        </PopoverClose>
      </p>
    </div>
  );
}
