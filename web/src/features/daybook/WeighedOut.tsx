import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { MassField } from "../../ui/QuantityField";
import { fineMass, mass, numberIn, type Units } from "../../units/units";
import type { Happen } from "../run";

type Props = { run: Schemas["Run"]; happen: Happen; units: Units };

/** Weights of this batch when it was done: what stays behind and what shells weigh is learned from it. */
export function WeighedOut({ run, happen, units }: Props) {
  const before = run.state.weighed_out;
  const [made, setMade] = useState("");
  const [filled, setFilled] = useState("");
  const [shell, setShell] = useState("");
  const [madeG, filledG, shellG] = [numberIn(made), numberIn(filled), numberIn(shell)];
  const said = [
    before?.made_g != null && `made ${mass(before.made_g, units)}`,
    before?.filled_g != null && `${mass(before.filled_g, units)} filled`,
    before?.shell_each_g != null && `a shell ${fineMass(before.shell_each_g, units)}`,
  ].filter(Boolean);
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-rim">
        Weights of this batch{said.length > 0 && `: ${said.join(", ")}`}
      </summary>
      <div className="grid grid-cols-3 items-end gap-2">
        <MassField label="Total made" value={made} onMass={setMade} />
        <MassField label="Filled" value={filled} onMass={setFilled} />
        {run.shell && <MassField label="One shell" value={shell} onMass={setShell} />}
      </div>
      <Button
        className="mt-2"
        disabled={madeG === undefined && filledG === undefined && shellG === undefined}
        onClick={() => {
          happen({
            kind: "yield",
            made_g: madeG ?? before?.made_g ?? null,
            filled_g: filledG ?? before?.filled_g ?? null,
            shell_each_g: shellG ?? before?.shell_each_g ?? null,
            pieces: before?.pieces ?? null,
          });
          setMade("");
          setFilled("");
          setShell("");
        }}
      >
        Save weights
      </Button>
    </details>
  );
}
