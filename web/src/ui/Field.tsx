import { type ComponentProps, type ReactNode, useId } from "react";

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

/** A choice of few, named by its label alone. */
export function Choice({ label, children, ...rest }: { label: string } & ComponentProps<"select">) {
  const id = useId();
  return (
    <div className="text-[0.9375rem]">
      <label htmlFor={id} className="mb-0.5 block text-ash text-sm">
        {label}
      </label>
      <select id={id} {...rest} className={`${BOX} ${rest.className ?? ""}`}>
        {children}
      </select>
    </div>
  );
}
