import { type ReactNode, useId, useState } from "react";
import { OptionList, optionsIn } from "./OptionList";
import { Popover } from "./Popover";

type Props = {
  label: string;
  value: string | number;
  onPick: (value: string) => void;
  /** `Option`s and `OptionGroup`s. */
  children: ReactNode;
  disabled?: boolean;
  /** Words where nothing is chosen yet. */
  empty?: string;
  /** The label is read out, not shown. */
  isBare?: boolean;
  className?: string;
};

/**
 * A choice of few or many, named by its label. It is a list in a popover of Radix: Radix's own Select writes style
 * sheets into the page, which the page's security policy refuses.
 */
export function Choice({
  label,
  value,
  onPick,
  children,
  disabled,
  empty = "choose…",
  isBare,
  className,
}: Props) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const options = optionsIn(children);
  const chosen = options.find((option) => option.value === String(value));
  return (
    <div className="min-w-0 text-[0.9375rem]">
      <span id={id} className={isBare ? "sr-only" : "mb-0.5 block text-ash text-sm"}>
        {label}
      </span>
      <Popover
        label={label}
        open={open}
        onOpenChange={setOpen}
        trigger={
          <button
            type="button"
            role="combobox"
            aria-labelledby={id}
            aria-haspopup="listbox"
            aria-expanded={open}
            disabled={disabled}
            data-value={value}
            className={`flex min-h-11 w-full min-w-0 items-center justify-between gap-2 rounded-md border-[1.5px] border-line-strong bg-sheet px-2.5 text-left text-soot disabled:text-ash ${className ?? ""}`}
          >
            <span className="min-w-0 truncate">{chosen?.text ?? empty}</span>
            <svg aria-hidden="true" viewBox="0 0 12 8" className="w-3 shrink-0 fill-none stroke-rim stroke-2">
              <path d="M1.5 1.5 6 6l4.5-4.5" />
            </svg>
          </button>
        }
      >
        <OptionList
          label={label}
          value={String(value)}
          options={options}
          onPick={(next) => {
            setOpen(false);
            if (next !== String(value)) onPick(next);
          }}
        />
      </Popover>
    </div>
  );
}
