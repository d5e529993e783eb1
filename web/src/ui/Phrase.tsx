import { Fragment, type ReactNode, useState } from "react";
import { numberIn, ownUnit, useUnits } from "../units/units";
import { Button } from "./Button";
import { NumberField } from "./NumberField";
import { type OneOption, OptionList } from "./OptionList";
import { Popover } from "./Popover";

type PhraseProps = {
  /** What is asked, for those who do not see the sentence. */
  label: string;
  text: string;
  problem?: string | null;
  /** The sign that stands behind it, never on a line of its own. */
  after?: string;
  children: (close: () => void) => ReactNode;
};

/** A choice within a sentence: pressed, it opens what else it may be. Its target reaches beyond its words, unseen. */
export function Phrase({ label, text, problem, after, children }: PhraseProps) {
  const [open, setOpen] = useState(false);
  return (
    <span className="whitespace-nowrap">
      <Popover
        label={label}
        open={open}
        onOpenChange={setOpen}
        trigger={
          <button
            type="button"
            aria-label={`${label}: ${text}`}
            className={`on-paper relative inline whitespace-normal rounded-sm text-left font-bold text-rim underline decoration-2 decoration-dotted underline-offset-4 after:absolute after:-inset-x-1 after:-inset-y-2.5 after:content-[''] hover:bg-rim-faint ${problem ? "text-copper" : ""}`}
          >
            {text}
          </button>
        }
      >
        {children(() => setOpen(false))}
      </Popover>
      {after}
      {problem && <span className="whitespace-normal text-[0.9375rem] text-copper"> ({problem})</span>}
    </span>
  );
}

type ListProps = Omit<PhraseProps, "children"> & {
  value: string;
  options: readonly OneOption[];
  onPick: (value: string) => void;
};

/** One of several, in a sentence. */
export function PhraseList({ label, text, problem, after, value, options, onPick }: ListProps) {
  return (
    <Phrase label={label} text={text} problem={problem} after={after}>
      {(close) => (
        <OptionList
          label={label}
          value={value}
          options={options}
          onPick={(next) => {
            onPick(next);
            close();
          }}
        />
      )}
    </Phrase>
  );
}

type NumberProps = Omit<PhraseProps, "children"> & {
  unit: string;
  value: number | null;
  /** Meaning of an empty field; without it, it may not be. */
  usual?: string;
  whole?: boolean;
  onTake: (value: number | null) => void;
};

/** A figure in a sentence. */
export function PhraseNumber(props: NumberProps) {
  const { label, text, problem, after, unit, value, usual, whole, onTake } = props;
  return (
    <Phrase label={label} text={text} problem={problem} after={after}>
      {(close) => (
        <Figure
          {...{ label, unit, value, usual, whole }}
          onTake={(next) => {
            onTake(next);
            close();
          }}
        />
      )}
    </Phrase>
  );
}

type FigureProps = Pick<NumberProps, "label" | "unit" | "value" | "usual" | "whole" | "onTake">;

/** A figure with the key that takes it; one in mm or g is typed in the person's own unit. */
export function Figure({ label, unit, value, usual, whole, onTake }: FigureProps) {
  const units = useUnits();
  const own = ownUnit(unit, units);
  const [typed, setTyped] = useState(value === null ? "" : own.shown(value));
  const figure = numberIn(typed);
  const isEmpty = typed.trim() === "";
  const isGood = isEmpty ? usual !== undefined : figure !== undefined && (!whole || Number.isInteger(figure));
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (isGood) onTake(isEmpty || figure === undefined ? null : own.kept(figure));
      }}
    >
      <NumberField
        label={own.name ? `${label}, ${own.name}` : label}
        placeholder={usual}
        value={typed}
        problem={typed.trim() !== "" && !isGood ? "a whole number is needed here" : null}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" disabled={!isGood}>
        Use this
      </Button>
    </form>
  );
}

type Clause = ((after: string) => ReactNode) | false | null;

/** Phrases as a sentence: commas between them, a full stop behind the last, none of these on a line of its own. */
export function Sentence({ clauses }: { clauses: readonly Clause[] }) {
  // a clause keeps its place when one before it comes or goes: what is open in it stays open
  const said = clauses.flatMap((clause, place) => (typeof clause === "function" ? [{ clause, place }] : []));
  return said.map(({ clause, place }, position) => (
    <Fragment key={place}>{clause(position + 1 < said.length ? "," : ".")} </Fragment>
  ));
}
