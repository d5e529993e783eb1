import {
  Children,
  Fragment,
  isValidElement,
  type KeyboardEvent,
  type ReactNode,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import { TextField } from "./Field";

/** One thing to choose: what is kept, what is read, what it means, and the group that it stands in. */
export type OneOption = { value: string; text: string; under?: string; group?: string };

type OptionProps = { value: string | number; disabled?: boolean; children: ReactNode };

/** An option of a `Choice`: what it is called stands within. */
export function Option(_: OptionProps): null {
  return null;
}

/** Options that belong together, under a word. */
export function OptionGroup(_: { label: string; children: ReactNode }): null {
  return null;
}

/** The options that stand within a choice, as data. */
export function optionsIn(children: ReactNode, group?: string): OneOption[] {
  return Children.toArray(children).flatMap((child) => {
    if (!isValidElement<{ children: ReactNode }>(child)) return [];
    if (child.type === Fragment) return optionsIn(child.props.children, group);
    if (child.type === OptionGroup) {
      const { label, children: within } = child.props as Parameters<typeof OptionGroup>[0];
      return optionsIn(within, label);
    }
    if (child.type !== Option) return [];
    const { value, disabled, children: words } = child.props as OptionProps;
    return disabled ? [] : [{ value: String(value), text: Children.toArray(words).join(""), group }];
  });
}

const MANY = 9;
const MOVES: Record<string, (at: number, last: number) => number> = {
  ArrowDown: (at, last) => Math.min(at + 1, last),
  ArrowUp: (at) => Math.max(at - 1, 0),
  Home: () => 0,
  End: (_, last) => last,
};

type ListProps = {
  label: string;
  value: string;
  options: readonly OneOption[];
  onPick: (value: string) => void;
};

/** A list to choose one of: by arrows, Home and End, a first letter, or a few letters where there are many. */
export function OptionList({ label, value, options, onPick }: ListProps) {
  const [wanted, setWanted] = useState("");
  const list = useRef<HTMLDivElement>(null);
  const found = options.filter(({ text }) => text.toLowerCase().includes(wanted.trim().toLowerCase()));
  const first = found.some((option) => option.value === value) ? value : found[0]?.value;
  // what is chosen is seen when the list opens
  useLayoutEffect(() => {
    const chosen = list.current?.querySelector<HTMLElement>("[aria-selected=true]");
    if (list.current && chosen) list.current.scrollTop = chosen.offsetTop - list.current.clientHeight / 2;
  }, []);
  const buttons = () => [...(list.current?.querySelectorAll<HTMLElement>("[role=option]") ?? [])];
  const move = (event: KeyboardEvent<HTMLElement>) => {
    const all = buttons();
    const at = all.indexOf(event.currentTarget);
    const letter = event.key.length === 1 && event.key !== " " && !event.ctrlKey && !event.metaKey;
    const after = [...all.slice(at + 1), ...all.slice(0, at)];
    const there = letter
      ? after.find((one) => one.textContent?.trim().toLowerCase().startsWith(event.key.toLowerCase()))
      : all[MOVES[event.key]?.(at, all.length - 1) ?? -1];
    if (!there) return;
    event.preventDefault();
    there.focus();
  };
  return (
    <div>
      {options.length > MANY && (
        <TextField
          label="Find"
          value={wanted}
          autoComplete="off"
          onChange={(event) => setWanted(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "ArrowDown") buttons()[0]?.focus();
            if (event.key === "Enter" && found.length === 1 && found[0]) onPick(found[0].value);
          }}
        />
      )}
      <div ref={list} role="listbox" aria-label={label} className="relative mt-1 max-h-80 overflow-auto">
        {found.map((option, position) => (
          <Fragment key={option.value}>
            {option.group && option.group !== found[position - 1]?.group && (
              <p role="presentation" className="mt-2 px-2 text-[0.875rem] text-ash">
                {option.group}
              </p>
            )}
            <button
              type="button"
              role="option"
              aria-selected={option.value === value}
              tabIndex={option.value === first ? 0 : -1}
              data-value={option.value}
              data-first={option.value === first ? "" : undefined}
              onClick={() => onPick(option.value)}
              onKeyDown={move}
              className="block min-h-11 w-full rounded-md px-2 py-1 text-left text-[1rem] leading-tight hover:bg-rim-faint aria-selected:bg-rim-pale aria-selected:font-bold"
            >
              {option.text}
              {option.under && <span className="block text-[0.875rem] text-ash">{option.under}</span>}
            </button>
          </Fragment>
        ))}
      </div>
      {found.length === 0 && <p className="text-[0.9375rem] text-ash">No match.</p>}
    </div>
  );
}
