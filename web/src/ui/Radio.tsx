import { RadioGroup as Parts } from "radix-ui";
import type { ReactNode } from "react";

type GroupProps = {
  label: string;
  value: string;
  onPick: (value: string) => void;
  children: ReactNode;
  className?: string;
};

/** A few ways of which one is chosen, all of them in sight. */
export function RadioGroup({ label, value, onPick, children, className }: GroupProps) {
  return (
    <Parts.Root aria-label={label} value={value} onValueChange={onPick} className={className}>
      {children}
    </Parts.Root>
  );
}

/** One of the ways, with its words beside it. */
export function Radio({
  value,
  children,
  className,
}: {
  value: string;
  children: ReactNode;
  className?: string;
}) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: Radix's button is a control
    <label
      className={`flex min-h-11 cursor-pointer items-center gap-2 has-focus-visible:outline-3 has-focus-visible:outline-rim ${className ?? ""}`}
    >
      <Parts.Item
        value={value}
        className="grid size-5 shrink-0 place-items-center rounded-full border-[1.5px] border-line-strong bg-sheet outline-none data-[state=checked]:border-rim"
      >
        <Parts.Indicator className="size-2.5 rounded-full bg-rim" />
      </Parts.Item>
      {children}
    </label>
  );
}
