import type { Schemas } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { PhraseList } from "../../ui/Phrase";
import { LengthField, MassField } from "../../ui/QuantityField";
import { useUnits } from "../../units/units";
import { type ConfectionBody, isShaped, shapeOf } from "./bodies";
import type { SetClock, Shape } from "./useSetClock";

type Props = {
  set: SetClock;
  places: Schemas["PlacesOut"];
  bodies: ConfectionBody[];
  /** What is wrong with a field of the request. */
  at: (name: string) => string | null;
};

/** What sets: how it is shaped, where it stands, and until when. */
export function SetForm({ set, places, bodies, at }: Props) {
  const units = useUnits();
  const { asked, change } = set;
  const field = (name: "from" | "volume" | "area", label: string, path: string) => (
    <NumberField
      label={label}
      value={asked[name]}
      problem={at(path)}
      onChange={(event) => change({ [name]: event.target.value })}
    />
  );
  return (
    <>
      {bodies.length > 0 && (
        <p className="mt-1 text-[1.0625rem] leading-[1.9]">
          It sets in{" "}
          <PhraseList
            label="It sets in"
            text={bodies.find(({ body }) => isShaped(asked, body))?.name ?? "another shape"}
            after="."
            value={bodies.find(({ body }) => isShaped(asked, body))?.key ?? ""}
            options={bodies.map((row) => ({ value: row.key, text: row.name, under: row.says }))}
            onPick={(value) => {
              const picked = bodies.find((row) => row.key === value);
              if (picked) change(shapeOf(picked.body));
            }}
          />
        </p>
      )}
      <div className="mt-3 grid grid-cols-2 items-end gap-3">
        <Select
          label="Ready to be"
          value={asked.state}
          rows={places.states}
          onPick={(state) => change({ state })}
        />
        <Select
          label="In"
          value={asked.place}
          rows={places.places}
          onPick={(place) => change({ place })}
          problem={at("place")}
        />
        <Choice label="Shape" value={asked.shape} onPick={(value) => change({ shape: value as Shape })}>
          <Option value="slab">a slab or sheet</Option>
          <Option value="bowl">a bowl</Option>
          <Option value="stirred">a bowl, stirred</Option>
          <Option value="small">pieces or cavities</Option>
        </Choice>
        {asked.shape === "slab" && (
          <LengthField
            label="Thick"
            value={asked.thickness}
            problem={at("thickness_mm")}
            onLength={(thickness) => change({ thickness })}
          />
        )}
        {(asked.shape === "bowl" || asked.shape === "stirred") && (
          <MassField
            label="In the bowl"
            value={asked.mass}
            placeholder="all of it"
            problem={at("bowl_kg")}
            onMass={(mass) => change({ mass })}
          />
        )}
        {asked.shape === "small" && (
          <>
            {field("volume", "Each holds, ml", "volume_ml")}
            {field("area", "Its surface, cm²", "area_cm2")}
          </>
        )}
        {field("from", `From, °${units.temperature}`, "from_c")}
        <Choice label="Cover" value={asked.cover} onPick={(value) => change({ cover: value })}>
          <Option value="none">nothing</Option>
          <Option value="film">film on it</Option>
          <Option value="lid">a lid</Option>
        </Choice>
        <div className="col-span-2">
          <Choice label="Stands on" value={asked.base} onPick={(value) => change({ base: value })}>
            <Option value="">a wire shelf, or as usual</Option>
            <Option value="glass">glass</Option>
            <Option value="board">a board</Option>
            <Option value="insulated">a cloth or cork</Option>
          </Choice>
        </div>
      </div>
    </>
  );
}

type Named = { key: string; name: string };
type SelectProps = {
  label: string;
  value: string;
  rows: Named[] | undefined;
  problem?: string | null;
  onPick: (key: string) => void;
};

function Select({ label, value, rows, problem, onPick }: SelectProps) {
  return (
    <div>
      <Choice label={label} value={value} onPick={(value) => onPick(value)}>
        {rows?.map((row) => (
          <Option key={row.key} value={row.key}>
            {row.name}
          </Option>
        ))}
      </Choice>
      {problem && <p className="text-copper text-sm">{problem}</p>}
    </div>
  );
}
