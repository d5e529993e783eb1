import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { NumberField } from "../../ui/NumberField";
import { Popover } from "../../ui/Popover";
import { Skeleton } from "../../ui/Skeleton";
import { spanText } from "../../units/time";
import { fixed, numberIn, ownUnit, temperature, type Units } from "../../units/units";
import {
  type Own,
  ownStep,
  type Step,
  withMove,
  withoutSteps,
  withoutTemperature,
  withStep,
} from "./ownSteps";
import type { BenchState } from "./useBench";

type Act = Schemas["RecipeMethodOut"]["method"]["acts"][number];
type Props = { state: BenchState; units: Units };

/** How the mix is made, step by step: each may be put in one's own words, timed, left out, or followed by another. */
export function MethodEditor({ state, units }: Props) {
  const { recipe } = state;
  const { data } = useQuery({
    queryKey: ["recipe-method", recipe],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/formula/method", { body: { recipe }, signal })),
  });
  if (!data) return <Skeleton />;
  const change = (steps: Step[]) => state.change({ ...recipe, steps });
  const { acts, differs } = data.method;
  const left = recipe.steps.flatMap((step, position) =>
    step.place === "left-out" ? [{ step, position }] : [],
  );
  return (
    <section aria-label="Method">
      {differs.map((one) => {
        const own = data.own[acts.findIndex((act) => act.id === one.act)];
        return (
          <div
            key={`${one.act} ${one.card_c}`}
            className="mt-2 rounded-md bg-butter px-3 py-2 text-[0.9375rem]"
          >
            <p>{one.message}</p>
            {own && own.steps.length > 0 && (
              <Button
                look="plain"
                className="-ml-3"
                onClick={() => change(withoutTemperature(recipe.steps, own))}
              >
                Use {temperature(one.book_c, units)}
              </Button>
            )}
          </div>
        );
      })}
      <ol className="mt-1">
        {acts.map((act, at) => {
          const own = data.own[at];
          return (
            <li key={act.id} className="border-line border-b py-1.5">
              <p className="flex items-start justify-between gap-2">
                <span className="pt-1">
                  <span className="text-ash tabular-nums">{at + 1}. </span>
                  <strong>{act.title}</strong>
                  <span className="text-[0.9375rem] text-ash">, {checkOf(act, units)}</span>
                </span>
                {own && (
                  <ChangeStep act={act} own={own} steps={recipe.steps} units={units} onChange={change} />
                )}
              </p>
              <p className="text-[0.9375rem] leading-snug" dir="auto">
                {act.do}
                {act.from_card && <span className="text-ash"> (your words)</span>}
              </p>
              {[...act.cautions, ...act.advice].map((code) => (
                <p key={code} className="text-[0.9375rem] text-copper leading-snug">
                  {data.cautions[code]}
                </p>
              ))}
            </li>
          );
        })}
      </ol>
      {left.map(({ step, position }) => (
        <p key={step.act} className="flex items-center justify-between gap-2 text-[0.9375rem] text-ash">
          <span>Left out: {step.text}</span>
          <Button look="plain" onClick={() => change(withoutSteps(recipe.steps, [position]))}>
            Restore step
          </Button>
        </p>
      ))}
    </section>
  );
}

function checkOf(act: Act, units: Units): string {
  const [least = 0, , most = 0] = act.minutes;
  const time = spanText(60 * least, 60 * most);
  if (!act.target_c) return time;
  const { name, shown } = ownUnit("°C", units);
  const ends = [...new Set(act.target_c.map((celsius) => shown(Math.round(celsius * 10) / 10)))];
  return `${ends.join("–")} ${name}, ${time}`;
}

type ChangeProps = {
  act: Act;
  own: Own;
  steps: readonly Step[];
  units: Units;
  onChange: (steps: Step[]) => void;
};

/** What may be changed of one step, beside it. */
function ChangeStep({ act, own, steps, units, onChange }: ChangeProps) {
  const [open, setOpen] = useState(false);
  const finish = (next: Step[]) => {
    setOpen(false);
    onChange(next);
  };
  return (
    <Popover
      label={`Change “${act.title}”`}
      align="end"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button look="plain" aria-label={`Change “${act.title}”`} className="shrink-0 px-2">
          Change
        </Button>
      }
    >
      {open && <StepForm act={act} own={own} steps={steps} units={units} onChange={finish} />}
    </Popover>
  );
}

function StepForm({ act, own, steps, units, onChange }: ChangeProps) {
  const before = own.steps.map((position) => steps[position]).find((step) => step?.place !== "moved");
  const degrees = ownUnit("°C", units);
  const [words, setWords] = useState(act.from_card ? act.do : "");
  const [to, setTo] = useState(() => {
    const c = middleOf(before?.to_c);
    return c === null ? "" : degrees.shown(c);
  });
  const [minutes, setMinutes] = useState(() => {
    const usual = middleOf(before?.minutes);
    return usual === null ? "" : fixed(usual, 0);
  });
  const [added, setAdded] = useState("");
  const typed = numberIn(to);
  const use = () => {
    const place = before?.place === "after" ? "after" : "instead";
    const step = ownStep(before?.place === "after" ? (before.act ?? own.act) : own.act, place, words.trim());
    onChange(
      withStep(steps, own, {
        ...step,
        kind: before?.kind ?? null,
        ingredients: before?.ingredients ?? [],
        to_c: typed === undefined ? null : degrees.kept(typed),
        minutes: numberIn(minutes) ?? null,
      }),
    );
  };
  const move = (after: string) => onChange(withMove(steps, own, after));
  const hasChanges = words.trim() !== "" || to.trim() !== "" || minutes.trim() !== "";
  return (
    <div className="grid gap-3">
      <Words label="In your own words" value={words} placeholder={act.do} onWords={setWords} />
      <div className="grid grid-cols-2 gap-3">
        {act.target_c && (
          <NumberField
            label={`Temperature, ${degrees.name}`}
            value={to}
            placeholder={degrees.shown(((act.target_c[0] ?? 0) + (act.target_c[1] ?? 0)) / 2)}
            onChange={(event) => setTo(event.target.value)}
          />
        )}
        <NumberField
          label="Minutes"
          value={minutes}
          placeholder={fixed(act.minutes[1] ?? 0, 0)}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button look="filled" disabled={!hasChanges} onClick={use}>
          Use my step
        </Button>
        {own.steps.length > 0 && (
          <Button onClick={() => onChange(withoutSteps(steps, own.steps))}>
            {before?.place === "after" ? "Remove step" : "Use suggested step"}
          </Button>
        )}
        {own.may_leave_out && own.steps.length === 0 && (
          <Button onClick={() => onChange([...steps, ownStep(own.act, "left-out", act.title)])}>
            Leave out step
          </Button>
        )}
      </div>
      {(own.earlier !== null || own.later !== null) && (
        <div className="flex flex-wrap gap-2">
          {own.earlier !== null && <Button onClick={() => move(own.earlier ?? "")}>Move up</Button>}
          {own.later !== null && <Button onClick={() => move(own.later ?? "")}>Move down</Button>}
        </div>
      )}
      <div className="border-line border-t pt-3">
        <Words label="Add a step after this one" value={added} placeholder="" onWords={setAdded} />
        <Button
          className="mt-2"
          disabled={added.trim() === ""}
          onClick={() => onChange([...steps, ownStep(own.act, "after", added.trim())])}
        >
          Add step
        </Button>
      </div>
    </div>
  );
}

type WordsProps = { label: string; value: string; placeholder: string; onWords: (words: string) => void };

function Words({ label, value, placeholder, onWords }: WordsProps) {
  return (
    <label className="block text-[0.9375rem]">
      <span className="mb-0.5 block text-ash text-sm">{label}</span>
      <textarea
        dir="auto"
        rows={2}
        maxLength={2000}
        value={value}
        placeholder={placeholder}
        onChange={(event) => onWords(event.target.value)}
        className="w-full rounded-md border-[1.5px] border-line-strong bg-sheet px-2.5 py-1.5 text-soot"
      />
    </label>
  );
}

function middleOf(value: number | readonly number[] | null | undefined): number | null {
  if (value == null) return null;
  return typeof value === "number" ? value : ((value[0] ?? 0) + (value[1] ?? 0)) / 2;
}
