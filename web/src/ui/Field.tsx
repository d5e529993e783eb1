import type { ComponentProps, ReactNode } from "react";

const BOX =
  "min-h-11 w-full rounded-md border-[1.5px] border-line-strong bg-sheet px-2.5 text-soot aria-invalid:border-copper";

type Labelled = { label: string; problem?: string | null; after?: ReactNode };

/** A text field with its label above and what was wrong below. */
export function TextField({ label, problem, after, ...rest }: Labelled & ComponentProps<"input">) {
  return (
    <label className="block text-[0.9375rem]">
      <span className="mb-0.5 flex justify-between text-ash text-sm">
        {label}
        {after}
      </span>
      <input
        {...rest}
        aria-invalid={problem ? true : undefined}
        className={`${BOX} ${rest.className ?? ""}`}
      />
      {problem && <span className="mt-0.5 block text-copper text-sm">{problem}</span>}
    </label>
  );
}
