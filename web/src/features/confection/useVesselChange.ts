import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { leftOutText } from "./Another";
import type { Asked } from "./words";

type Stored = Schemas["StoredVessel"];

/** Another tin or mould for a confection: its parts take the roles that the new form has. */
export function useVesselChange(
  asked: Asked,
  vessels: readonly Stored[],
  change: (part: Partial<Asked>) => void,
) {
  const [note, setNote] = useState<string>();
  const kindOf = (id: number) => vessels.find((row) => row.id === id)?.vessel.kind;
  const choose = async (vessel: number) => {
    if (vessel === asked.form.vessel) return;
    if (kindOf(vessel) !== undefined && kindOf(vessel) === kindOf(asked.form.vessel)) {
      setNote(undefined);
      return change({ form: { ...asked.form, vessel } });
    }
    const found = await dataOf(client.POST("/api/confections/another", { body: { asked, vessel } }));
    setNote(leftOutText(asked, found.left_out));
    change({ ...found.asked, name: asked.name });
  };
  return { choose: (vessel: number) => void choose(vessel).catch(() => setNote(FAILED)), note };
}

const FAILED = "The tin or mould could not be changed. Try again.";
