import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { shapesQuery, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Option, OptionGroup } from "../../ui/OptionList";
import { LengthField } from "../../ui/QuantityField";
import { Sure } from "../../ui/Sure";
import { numberIn, useLength } from "../../units/units";
import { dimensionsOf } from "./dimensions";
import { PlanDrawing } from "./PlanDrawing";
import { SectionDrawing } from "./SectionDrawing";
import type { Vessel } from "./scale";
import { KINDS, MEASURE_NAMES, SHAPES } from "./vesselShapes";

type Stored = Schemas["StoredVessel"];
type Props = {
  stored: Stored | null;
  onDone: (id: number | null) => void;
  /** Store the fit that may name this vessel before the vessel goes. */
  flush: () => Promise<void>;
};

/** One's own vessel in under a minute: a shape, and the few measures drawn on its picture. */
export function VesselForm({ stored, onDone, flush }: Props) {
  const [open, setOpen] = useState(false);
  const title = stored ? `Change ${stored.name}` : "Add a tin, mould or other vessel";
  return (
    <Dialog
      title={title}
      open={open}
      onOpenChange={setOpen}
      trigger={<Button className="mt-2 print:hidden">{title}</Button>}
    >
      <Measures
        stored={stored}
        flush={flush}
        onDone={(id) => {
          setOpen(false);
          onDone(id);
        }}
      />
    </Dialog>
  );
}

type Typed = Record<string, string>;

function typedFrom(vessel: Partial<Vessel>): Typed {
  const typed: Typed = {};
  for (const [name, value] of Object.entries(vessel))
    if (typeof value === "number") typed[name] = String(value);
  return typed;
}

/** A measure that a drawing can stand on. */
function isDrawable(name: string, value: unknown): boolean {
  return typeof value === "number" && (value > 0 || (value === 0 && MAY_BE_ZERO.has(name)));
}

const MAY_BE_ZERO = new Set([
  "floor_radius_mm",
  "floor_length_mm",
  "floor_width_mm",
  "filling_mm",
  "coat_mm",
  "fillings",
]);
const NO_WALLS = { wall: 0, cap: 0, headroom: 0 };

function Measures({ stored, onDone, flush }: Props) {
  const queries = useQueryClient();
  const mm = useLength();
  const { data } = useQuery(shapesQuery);
  const [key, setKey] = useState(
    stored ? `${stored.vessel.kind}/${stored.vessel.shape ?? ""}` : "pan/rectangle",
  );
  const [name, setName] = useState(stored?.name ?? "");
  const [owned, setOwned] = useState(String(stored?.owned ?? 1));
  const [typed, setTyped] = useState<Typed>(typedFrom(stored?.vessel ?? SHAPES[key]?.start ?? {}));
  const [active, setActive] = useState<string | null>(null);
  const shapes = data?.shapes ?? [];
  const shape =
    shapes.find((row) => `${row.kind}/${row.shape}` === key) ??
    shapes.find((row) => key.startsWith(row.kind));
  const refresh = () => queries.invalidateQueries({ queryKey: vesselsQuery.queryKey });
  const names = shape ? [...shape.measures, ...(shape.counted ? [shape.counted] : []), ...shape.extras] : [];
  const measures: Record<string, number> = {};
  for (const measure of names) {
    const value = numberIn(typed[measure] ?? "");
    if (value !== undefined) measures[measure] = measure === shape?.counted ? Math.round(value) : value;
  }
  const vessel: Schemas["VesselIn"] = {
    kind: shape?.kind ?? "pan",
    shape: shape?.shape ?? "rectangle",
    ...measures,
  };
  const save = useMutation({
    mutationFn: () => {
      const body = {
        name: name.trim() || "Unnamed",
        owned: Math.round(numberIn(owned) ?? 1),
        vessel,
      };
      return dataOf(
        stored
          ? client.PUT("/api/vessels/{vessel_id}", { params: { path: { vessel_id: stored.id } }, body })
          : client.POST("/api/vessels", { body }),
      );
    },
    onSuccess: async (answer) => {
      await refresh();
      onDone(answer.id);
    },
  });
  const remove = useMutation({
    mutationFn: async () => {
      await flush();
      const path = { vessel_id: stored?.id ?? 0 };
      return dataOf(client.DELETE("/api/vessels/{vessel_id}", { params: { path } }));
    },
    onSuccess: async () => {
      await refresh();
      onDone(null);
    },
  });
  const problems = save.error instanceof ApiError ? save.error.problem.errors : [];
  const at = (field: string) => {
    const found = problems.find((error) => error.path.at(-1) === field);
    return found ? `${found.message}: ${found.allowed}` : null;
  };
  const drawn = names.every(
    (measure) => shape?.extras.includes(measure) || isDrawable(measure, measures[measure]),
  );
  const { plan, section } = dimensionsOf(vessel as Vessel, mm);
  const water = shape?.shape === "weighed";
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-md:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <div className="grid content-start gap-3">
        <Choice
          label="What is it?"
          value={key}
          onPick={(value) => {
            setKey(value);
            setTyped(typedFrom(SHAPES[value]?.start ?? {}));
          }}
        >
          {KINDS.map((kind) => (
            <OptionGroup key={kind.kind} label={kind.title}>
              {shapes
                .filter((row) => row.kind === kind.kind)
                .map((row) => (
                  <Option key={row.shape} value={`${row.kind}/${row.shape}`}>
                    {SHAPES[`${row.kind}/${row.shape}`]?.name ?? row.shape}
                  </Option>
                ))}
            </OptionGroup>
          ))}
        </Choice>
        <TextField
          label="What you call it"
          value={name}
          autoComplete="off"
          placeholder="The blue tin"
          problem={at("name")}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="grid grid-cols-2 items-end gap-3">
          {names.map((measure) => {
            const take = (text: string) => setTyped((now) => ({ ...now, [measure]: text }));
            const field = {
              label: MEASURE_NAMES[measure] ?? measure,
              value: typed[measure] ?? "",
              problem: at(measure),
              onFocus: () => setActive(measure),
              onBlur: () => setActive(null),
            };
            return measure.endsWith("_mm") ? (
              <LengthField key={measure} {...field} onLength={take} />
            ) : (
              <NumberField key={measure} {...field} onChange={(event) => take(event.target.value)} />
            );
          })}
          <NumberField
            label="How many of it"
            value={owned}
            problem={at("owned")}
            onChange={(event) => setOwned(event.target.value)}
          />
        </div>
        {water && (
          <p className="text-[0.875rem]">
            Stand the mould on the scale, set it to nothing, fill one cavity to the rim with water, and read
            the grams.
          </p>
        )}
        {save.error && problems.length === 0 && (
          <p role="alert" className="text-copper">
            {save.error.message}
          </p>
        )}
        <p className="flex flex-wrap gap-2">
          <Button type="submit" look="filled" disabled={!shape || save.isPending}>
            {stored ? "Save changes" : "Add vessel"}
          </Button>
          {stored && (
            <Sure
              words="Delete this vessel"
              goes={`Delete “${stored.name}”?`}
              disabled={remove.isPending}
              onSure={() => remove.mutate()}
            />
          )}
        </p>
      </div>
      <div className="grid content-start gap-2" aria-live="off">
        {drawn && shape ? (
          <>
            {plan.length > 0 && (
              <PlanDrawing
                vessel={vessel as Vessel}
                fit={null}
                kerf={0}
                dimensions={plan}
                active={active}
                boxPx={[380, 300]}
              />
            )}
            {shape.kind !== "pieces" && (
              <SectionDrawing
                vessel={vessel as Vessel}
                fit={null}
                walls={NO_WALLS}
                dimensions={section}
                active={active}
                boxPx={[380, 220]}
              />
            )}
            {shape.kind === "pieces" && (
              <p className="text-ash">A ball of that weight is drawn once a recipe fills it.</p>
            )}
          </>
        ) : (
          <p className="text-ash">The picture comes with the measures.</p>
        )}
      </div>
    </form>
  );
}
