import type { ComponentProps } from "react";
import { numberIn } from "../units/units";
import { TextField } from "./Field";

/** A field for a figure, comma or point; what is no figure is said at once and stays as typed. */
export function NumberField({ problem, ...rest }: ComponentProps<typeof TextField> & { value: string }) {
  const unreadable = rest.value.trim() !== "" && numberIn(rest.value) === undefined;
  return (
    <TextField
      inputMode="decimal"
      autoComplete="off"
      {...rest}
      problem={unreadable ? "a number is needed here" : problem}
    />
  );
}
