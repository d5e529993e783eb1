import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { rollingQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { type Asked, shellOf, type TextName } from "./ask";
import type { Vessel } from "./scale";

type Props = {
  vessel: Vessel;
  recipe: Schemas["RecipeOut"];
  batchG: number | null;
  asked: Asked;
  problem: Schemas["Problem"] | null;
  library: Schemas["LibraryOut"] | undefined;
  several: boolean;
  onAsk: (part: Partial<Asked>) => void;
};

/** Walls by what a piece is for; the middle one is the usual. */
const WALLS = [
  { wall_mm: "1.5", says: "melts open in hot milk: 1.5 mm" },
  { wall_mm: "2", says: "eaten as it is: 2 mm" },
  { wall_mm: "2.5", says: "kept or sent: 2.5 mm" },
];

/** What to ask of the vessel: only the questions that its kind has. */
export function AskForm({ vessel, recipe, batchG, asked, problem, library, several, onAsk }: Props) {
  const field = (name: TextName, label: string, placeholder = "", at: string = name) => (
    <NumberField
      key={name}
      label={label}
      placeholder={placeholder}
      value={asked[name]}
      problem={problemAt(problem, at)}
      onChange={(event) => onAsk({ [name]: event.target.value })}
    />
  );
  const kind = vessel.kind;
  const shell = shellOf(vessel, asked);
  const hasShell = shell !== "none";
  const moulded = kind === "mould" || kind === "cup";
  const portioned = kind === "scoop" || kind === "pieces";
  const useUp = batchG !== null && !several && (
    <Button
      look="plain"
      className="col-span-3 text-left"
      aria-pressed={asked.mass_g !== ""}
      onClick={() =>
        onAsk({
          mass_g: asked.mass_g === "" ? String(Math.round(batchG)) : "",
          ...(kind === "pan" ? {} : { pieces: "" }),
        })
      }
    >
      {asked.mass_g === ""
        ? `Use the ${Math.round(batchG)} g of the recipe as they are`
        : "Fill the vessel instead"}
    </Button>
  );
  const used = (name: TextName) => asked[name] !== "" && asked[name] !== "0";
  return (
    <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2 print:hidden">
      {kind !== "cake" && kind !== "pan" && <Chocolate {...{ vessel, asked, library, onAsk }} />}
      {kind === "pan" && !several && field("thickness_mm", "Thick, mm", `${vessel.depth_mm}, full`)}
      {kind === "mould" && hasShell && (
        <div className="col-span-3">
          <Choice
            label="The pieces are"
            value={WALLS.find((row) => row.wall_mm === asked.wall_mm)?.wall_mm ?? ""}
            onChange={(event) => event.target.value && onAsk({ wall_mm: event.target.value })}
          >
            {WALLS.map((row) => (
              <option key={row.wall_mm} value={row.wall_mm}>
                {row.says}
              </option>
            ))}
            <option value="">by a wall of your own</option>
          </Choice>
        </div>
      )}
      {moulded && hasShell && field("wall_mm", "Wall, mm")}
      {kind === "mould" && hasShell && !asked.halves && field("cap_mm", "Cap, mm")}
      {kind === "mould" && field("headroom_mm", "Headroom, mm")}
      {kind === "pan" && !several && field("mass_g", "or use up, g")}
      {kind !== "pan" &&
        kind !== "cake" &&
        field("pieces", "Pieces", String(vessel.cavities ?? vessel.count ?? ""))}
      {kind !== "pan" && !several && field("mass_g", kind === "cake" ? "Use up, g" : "or use up, g")}
      {field("loss_pct", "Lost, %")}
      {kind === "pan" && (
        <>
          {field("pieces", "Pieces")}
          {field("piece_length_mm", "or each, mm", "", "piece_mm")}
          {field("piece_width_mm", "by, mm", "", "piece_mm")}
          {field("trim_mm", "Trim, mm")}
          {field("kerf_mm", "Cut width, mm")}
        </>
      )}
      {useUp}
      {kind === "mould" && (
        <label className="col-span-3 flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-rim"
            checked={asked.halves}
            onChange={(event) => onAsk({ halves: event.target.checked })}
          />
          Join two halves into one piece
        </label>
      )}
      {portioned && (
        <>
          {field("core_g", "Nut or jam inside, g")}
          <Rolling {...{ asked, onAsk }} />
        </>
      )}
      {(portioned || (kind === "pan" && hasShell)) && hasShell && (
        <>
          {field("coat_mm", "Coat, mm", "1.2")}
          {field("coated", "Dip now", "all")}
        </>
      )}
      {recipe.family === "dry-mix" && kind === "mould" && (
        <>
          {field("mix_g_per_cup", "Mix for a cup of milk, g")}
          {field("mug_mm", "Mug across, mm")}
        </>
      )}
      <details
        className="col-span-3"
        open={used("spares") || used("loss_g") || used("overrun_pct") || used("dip_bowl_mm") || undefined}
      >
        <summary className="min-h-11 cursor-pointer py-2.5 font-bold text-[15px] text-rim">
          More to ask
        </summary>
        <div className="grid grid-cols-3 items-end gap-x-3 gap-y-2">
          {kind === "pan" && <Chocolate {...{ vessel, asked, library, onAsk }} />}
          {kind !== "pan" && kind !== "cake" && field("spares", "Spares")}
          {kind === "mould" && asked.halves && field("colours", "Colours", "1")}
          {field("loss_g", "Lost too, g")}
          {field("overrun_pct", "Whipping adds, %")}
          {kind !== "mould" && hasShell && field("dip_bowl_mm", "Dipping bowl, mm", "110")}
        </div>
      </details>
    </div>
  );
}

type ChocolateProps = Pick<Props, "vessel" | "asked" | "library" | "onAsk">;

function Chocolate({ vessel, asked, library, onAsk }: ChocolateProps) {
  const moulded = vessel.kind === "mould" || vessel.kind === "cup";
  return (
    <div className="col-span-3">
      <Choice
        label={moulded ? "Shell" : "Dipped in"}
        value={shellOf(vessel, asked)}
        onChange={(event) => onAsk({ shell: event.target.value })}
      >
        <option value="none">{moulded ? "no shell: straight into it" : "nothing"}</option>
        {library?.ingredients
          .filter((row) => row.kind === "chocolate" || row.kind === "compound")
          .map((row) => (
            <option key={row.key} value={row.key}>
              {row.name}
            </option>
          ))}
      </Choice>
    </div>
  );
}

function Rolling({ asked, onAsk }: Pick<Props, "asked" | "onAsk">) {
  const { data } = useQuery(rollingQuery);
  return (
    <div className="col-span-2">
      <Choice
        label="Rolled in"
        value={asked.rolling}
        onChange={(event) => onAsk({ rolling: event.target.value })}
      >
        <option value="">nothing</option>
        {data?.coats.map((coat) => (
          <option key={coat.key} value={coat.key}>
            {coat.name}
          </option>
        ))}
      </Choice>
    </div>
  );
}

function problemAt(problem: Schemas["Problem"] | null, name: string): string | null {
  const found = problem?.errors.find((error) => error.path.includes(name));
  return found ? `${found.message}: ${found.allowed}` : null;
}
