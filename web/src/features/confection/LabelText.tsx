import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { fixed, mass, numberIn, type Units } from "../../units/units";
import { LabelSheet, PutAway } from "../shelf";
import type { Asked } from "./words";

type Props = { id: number; asked: Asked; units: Units; pieces: number; flush: () => Promise<void> };

/** What belongs on the label of so many pieces: its words, allergens set apart, ready to be copied. */
export function LabelText({ id, asked, units, pieces: most, flush }: Props) {
  const [made, setMade] = useState(() => new Date(serverNow()).toISOString().slice(0, 10));
  const [typed, setTyped] = useState("");
  const pieces = numberIn(typed) ?? null;
  const label = useQuery({
    queryKey: ["label", asked, made, pieces],
    enabled: made !== "",
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/confections/label", { body: { asked, made, pieces }, signal })),
  });
  const refused = label.error instanceof ApiError ? label.error.problem.errors[0] : undefined;
  const found = label.error ? undefined : label.data?.label;
  return (
    <section aria-labelledby="label-and-shelf" className="mt-4 border-line border-t pt-3">
      <h2 id="label-and-shelf" className="mb-2 font-bold text-lg">
        Label and shelf
      </h2>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Made on"
          type="date"
          value={made}
          onChange={(event) => setMade(event.target.value)}
        />
        <NumberField
          label="Pieces in a pack"
          value={typed}
          placeholder="all"
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      {refused && (
        <p role="alert" className="mt-2 text-copper">
          No label: {refused.message}. Allowed: {refused.allowed}.
        </p>
      )}
      {found && (
        <section
          aria-label="Label"
          className="mt-3 rounded-md border-[1.5px] border-soot bg-white p-3 text-[0.9375rem]"
        >
          <p className="font-bold text-lg" dir="auto">
            {found.name}
          </p>
          <p>
            Ingredients:{" "}
            {found.ingredients.map((row, position) => (
              <span key={row.text}>
                {position > 0 && ", "}
                {row.allergen ? <b>{row.text}</b> : row.text}
              </span>
            ))}
            .
          </p>
          {found.may_contain.length > 0 && <p>May contain {found.may_contain.join(", ")}.</p>}
          {found.contains_alcohol && (
            <p>Contains alcohol, {fixed(found.contains_alcohol.g_each, 2)} g a piece.</p>
          )}
          <p>{found.keep}</p>
          <p>
            Made {found.made}, {found.use_by ? "use by" : "best before"}{" "}
            <b>{found.use_by ?? found.best_before}</b>. Net {mass(found.net_g, units)}.
          </p>
          {found.cautions.map((caution) => (
            <p key={caution}>{caution}</p>
          ))}
          <p className="mt-1 text-[0.8125rem] text-ash">{found.defer}</p>
        </section>
      )}
      {found && made !== "" && (
        <LabelSheet
          of={`/api/confections/${id}`}
          name={found.name}
          most={most}
          said={{ made }}
          changing={{ flush, of: asked }}
        />
      )}
      {found && <PutAway confectionId={id} pieces={most} made={made} />}
    </section>
  );
}
