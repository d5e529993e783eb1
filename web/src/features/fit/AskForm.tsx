import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import type { Asked } from "./ask";
import type { Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  batchG: number | null;
  asked: Asked;
  problem: Schemas["Problem"] | null;
  library: Schemas["LibraryOut"] | undefined;
  onAsk: (part: Partial<Asked>) => void;
};

/** What to ask of the vessel: only the questions that its kind has. */
export function AskForm({ vessel, batchG, asked, problem, library, onAsk }: Props) {
  const field = (name: keyof Asked, label: string, at: string = name, placeholder = "") => (
    <NumberField
      label={label}
      placeholder={placeholder}
      value={String(asked[name])}
      problem={problemAt(problem, at)}
      onChange={(event) => onAsk({ [name]: event.target.value })}
    />
  );
  const useUp = batchG !== null && (
    <Button
      look="plain"
      className="col-span-3 text-left"
      aria-pressed={asked.mass_g !== ""}
      onClick={() => onAsk({ mass_g: asked.mass_g === "" ? String(Math.round(batchG)) : "" })}
    >
      {asked.mass_g === ""
        ? `Use the ${Math.round(batchG)} g of the recipe as they are`
        : "Fill the vessel instead"}
    </Button>
  );
  if (vessel.kind === "pan")
    return (
      <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2">
        {field("thickness_mm", "Thick, mm", "thickness_mm", `${vessel.depth_mm}, full`)}
        {field("mass_g", "or use up, g")}
        {field("loss_pct", "Lost, %")}
        {field("pieces", "Pieces")}
        {field("piece_length_mm", "or each, mm", "piece_mm")}
        {field("piece_width_mm", "by, mm")}
        {field("trim_mm", "Trim, mm")}
        {field("kerf_mm", "Cut width, mm")}
        {useUp}
      </div>
    );
  const noShell = asked.shell === "none";
  return (
    <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2">
      <div className="col-span-3">
        <Choice label="Shell" value={asked.shell} onChange={(event) => onAsk({ shell: event.target.value })}>
          <option value="none">no shell: straight into the mould</option>
          {library?.ingredients
            .filter((row) => row.kind === "chocolate" || row.kind === "compound")
            .map((row) => (
              <option key={row.key} value={row.key}>
                {row.name}
              </option>
            ))}
        </Choice>
      </div>
      {!noShell && field("wall_mm", "Wall, mm")}
      {!noShell && !asked.halves && field("cap_mm", "Cap, mm")}
      {field("headroom_mm", "Headroom, mm")}
      {field("pieces", "Pieces", "pieces", String(vessel.cavities ?? ""))}
      {field("mass_g", "or use up, g")}
      {field("loss_pct", "Lost, %")}
      {useUp}
      <label className="col-span-3 flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-rim"
          checked={asked.halves}
          onChange={(event) => onAsk({ halves: event.target.checked })}
        />
        Join two halves into one piece
      </label>
    </div>
  );
}

function problemAt(problem: Schemas["Problem"] | null, name: string): string | null {
  const found = problem?.errors.find((error) => error.path.includes(name));
  return found ? `${found.message}: ${found.allowed}` : null;
}
