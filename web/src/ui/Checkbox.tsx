import { Checkbox as Parts } from "radix-ui";
import type { ReactNode } from "react";

type Props = {
  checked: boolean;
  onCheck: (checked: boolean) => void;
  /** What it says beside the box. */
  children?: ReactNode;
  /** Its name where nothing stands beside it. */
  label?: string;
  disabled?: boolean;
  className?: string;
};

/** A box to tick, with its words beside it. */
export function Checkbox({ checked, onCheck, children, label, disabled, className = "min-h-11" }: Props) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: Radix's box is a control
    <label className={`flex cursor-pointer items-center gap-2 leading-tight ${className}`}>
      <Parts.Root
        checked={checked}
        disabled={disabled}
        aria-label={label}
        onCheckedChange={(now) => onCheck(now === true)}
        className="grid size-6 shrink-0 place-items-center rounded border-[1.5px] border-line-strong bg-sheet data-[state=checked]:border-rim data-[state=checked]:bg-rim disabled:opacity-60"
      >
        <Parts.Indicator>
          <svg aria-hidden="true" viewBox="0 0 14 12" className="w-3.5 fill-none stroke-2 stroke-sheet">
            <path d="M1.5 6.5 5 10l7.5-8.5" />
          </svg>
        </Parts.Indicator>
      </Parts.Root>
      {children}
    </label>
  );
}
