import { type ComponentProps, useState } from "react";
import { figureOfLength, mmIn, numberIn, useUnits } from "../units/units";
import { NumberField } from "./NumberField";

type Props = Omit<ComponentProps<typeof NumberField>, "onChange" | "value"> & {
  /** In mm, as text; what is no figure stays as it was typed. */
  value: string;
  onLength: (mm: string) => void;
};

/** A field for a length, typed and shown in the person's unit, kept in mm. */
export function LengthField({ label, value, onLength, ...rest }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState("");
  const inMm = (text: string) => {
    const figure = numberIn(text);
    return figure === undefined ? text : units.length === "mm" ? text : String(mmIn(figure, units));
  };
  const mm = numberIn(value);
  const shown = inMm(typed) === value || mm === undefined ? typed || value : figureOfLength(mm, units);
  return (
    <NumberField
      {...rest}
      label={`${label}, ${units.length}`}
      value={units.length === "mm" ? value : shown}
      onChange={(event) => {
        setTyped(event.target.value);
        onLength(inMm(event.target.value));
      }}
    />
  );
}
