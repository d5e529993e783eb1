import { useState } from "react";
import { NumberField } from "../../ui/NumberField";
import { MassField } from "../../ui/QuantityField";
import { numberIn } from "../../units/units";

type WholeProps = {
  label: string;
  value: number;
  least: number;
  problem?: string | null;
  onWhole: (value: number) => void;
};

/** A whole number; what is none stays as typed and is not taken. */
export function WholeField({ label, value, least, problem, onWhole }: WholeProps) {
  const [typed, setTyped] = useState(String(value));
  return (
    <NumberField
      label={label}
      value={typed}
      problem={problem}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = numberIn(event.target.value);
        if (next !== undefined && Number.isInteger(next) && next >= least) onWhole(next);
      }}
    />
  );
}

type OptionalProps = {
  label: string;
  value: number | null;
  placeholder?: string;
  problem?: string | null;
  onValue: (value: number | null) => void;
};

/** A mass that may be left empty. */
export function OptionalMass({ label, value, placeholder, problem, onValue }: OptionalProps) {
  const [typed, setTyped] = useState(value === null ? "" : String(value));
  return (
    <MassField
      label={label}
      placeholder={placeholder}
      value={typed}
      problem={problem}
      onMass={(text) => {
        setTyped(text);
        const next = numberIn(text);
        if (text.trim() === "") onValue(null);
        else if (next !== undefined && next > 0) onValue(next);
      }}
    />
  );
}
