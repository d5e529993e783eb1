import { useState } from "react";
import { Button } from "../../ui/Button";
import { Phrase } from "../../ui/Phrase";
import { LengthField } from "../../ui/QuantityField";
import { numberIn, useLength } from "../../units/units";
import type { Asked } from "./words";

type Form = Asked["form"];
type Props = {
  form: Form;
  after: string;
  problem: string | null;
  onForm: (part: Partial<Form>) => void;
};

/** How a slab is cut: into pieces of a size, or into its number of squares; what is trimmed and lost to the knife. */
export function Cut({ form, after, problem, onForm }: Props) {
  const mm = useLength();
  const { piece_mm: piece } = form;
  const cut = piece ? mm(...piece) : form.pieces === null ? "not at all" : "into squares";
  const trim = form.trim_mm ? `, ${mm(form.trim_mm)} trimmed off` : "";
  return (
    <>
      cut{" "}
      <Phrase label="Cut" text={`${cut}${trim}`} problem={problem} after={after}>
        {(close) => (
          <CutForm
            form={form}
            onUse={(part) => {
              onForm(part);
              close();
            }}
          />
        )}
      </Phrase>
    </>
  );
}

/** Fields of a cut. A size of the pieces takes the place of their number. */
function CutForm({ form, onUse }: { form: Form; onUse: (part: Partial<Form>) => void }) {
  const text = (value: number | undefined) => (value ? String(value) : "");
  const [length, setLength] = useState(text(form.piece_mm?.[0]));
  const [width, setWidth] = useState(text(form.piece_mm?.[1]));
  const [trim, setTrim] = useState(text(form.trim_mm));
  const [kerf, setKerf] = useState(text(form.kerf_mm));
  return (
    <form
      className="grid grid-cols-2 items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const side = numberIn(length);
        const piece_mm: [number, number] | null = side ? [side, numberIn(width) ?? side] : null;
        onUse({
          piece_mm,
          trim_mm: numberIn(trim) ?? 0,
          kerf_mm: numberIn(kerf) ?? 0,
          ...(piece_mm ? { pieces: null, spares: 0 } : {}),
        });
      }}
    >
      <LengthField label="Each piece" placeholder="by number" value={length} onLength={setLength} />
      <LengthField label="by" placeholder="square" value={width} onLength={setWidth} />
      <LengthField label="Trim each side" placeholder="0" value={trim} onLength={setTrim} />
      <LengthField label="Knife width" placeholder="0" value={kerf} onLength={setKerf} />
      <Button type="submit" className="col-span-2">
        Use this cut
      </Button>
    </form>
  );
}
