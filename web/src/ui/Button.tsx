import type { ComponentProps } from "react";

type Props = ComponentProps<"button"> & { look?: "filled" | "outlined" | "plain" };

const LOOKS = {
  filled: "bg-rim text-sheet hover:bg-rim-deep border-rim",
  outlined: "bg-sheet text-rim hover:bg-rim-faint border-rim",
  plain: "bg-transparent text-rim hover:bg-rim-faint border-transparent",
};

/** A button; at most one filled one stands in view: the next thing to do. */
export function Button({ look = "outlined", className = "", ...rest }: Props) {
  return (
    <button
      type="button"
      className={`min-h-11 rounded-lg border-[1.5px] px-3 py-1.5 font-bold text-[0.9375rem] leading-tight disabled:cursor-default disabled:border-transparent disabled:bg-transparent disabled:text-ash ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
