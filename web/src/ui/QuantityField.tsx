import { type ComponentProps, useState } from "react";
import { figureOfLength, figureOfMass, gramsIn, mmIn, numberIn, type Units, useUnits } from "../units/units";
import { NumberField } from "./NumberField";

type Rest = Omit<ComponentProps<typeof NumberField>, "onChange" | "value">;
type Props = Rest & {
  /** In mm, as text; what is no figure stays as it was typed. */
  value: string;
  onLength: (mm: string) => void;
};
type MassProps = Rest & {
  /** In g, as text; what is no figure stays as it was typed. */
  value: string;
  onMass: (grams: string) => void;
};

type Quantity = {
  unit: (units: Units) => string;
  plain: string;
  shown: (value: number, units: Units) => string;
  kept: (typed: number, units: Units) => number;
};

const LENGTH: Quantity = {
  unit: (units) => units.length,
  plain: "mm",
  shown: figureOfLength,
  kept: mmIn,
};
const MASS: Quantity = { unit: (units) => units.mass, plain: "g", shown: figureOfMass, kept: gramsIn };

/** A field for a length, typed and shown in the person's unit, kept in mm. */
export function LengthField({ onLength, ...rest }: Props) {
  return <QuantityField of={LENGTH} onKept={onLength} {...rest} />;
}

/** A field for a mass, typed and shown in the person's unit, kept in g. */
export function MassField({ onMass, ...rest }: MassProps) {
  return <QuantityField of={MASS} onKept={onMass} {...rest} />;
}

type QuantityProps = Rest & { of: Quantity; value: string; onKept: (value: string) => void };

function QuantityField({ of, label, value, onKept, ...rest }: QuantityProps) {
  const units = useUnits();
  const [typed, setTyped] = useState("");
  const isPlain = of.unit(units) === of.plain;
  const kept = (text: string) => {
    const figure = numberIn(text);
    return figure === undefined || isPlain ? text : String(of.kept(figure, units));
  };
  const now = numberIn(value);
  const shown = kept(typed) === value || now === undefined ? typed || value : of.shown(now, units);
  const unit = of.unit(units);
  const said = rest["aria-label"];
  return (
    <NumberField
      {...rest}
      aria-label={said && `${said}, ${unit}`}
      label={`${label}, ${unit}`}
      value={isPlain ? value : value === "" ? "" : shown}
      onChange={(event) => {
        setTyped(event.target.value);
        onKept(kept(event.target.value));
      }}
    />
  );
}
