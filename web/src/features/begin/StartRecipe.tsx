import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { larderQuery, libraryQuery, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { MassField } from "../../ui/QuantityField";
import { mass, numberIn, useUnits } from "../../units/units";
import { VesselForm } from "../fit";
import { USES } from "../formula";

/** Start a recipe from a family's usual proportions, balanced by the core for its use, in a vessel of one's own. */
export function StartRecipe() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { data: library } = useQuery(libraryQuery);
  const [family, setFamily] = useState("cream-ganache");
  const [use, setUse] = useState("roll");
  const [chocolate, setChocolate] = useState("dark60");
  const [vessel, setVessel] = useState("");
  const { data: vessels } = useQuery(vesselsQuery);
  const { data: larder } = useQuery(larderQuery);
  const units = useUnits();
  const [only, setOnly] = useState("");
  const stock = new Map(larder?.items.map((row) => [row.label, row.in_house_g ?? 0]));
  const there = (key: string) => stock.get(key) ?? 0;
  const making = (vessels?.vessels ?? []).filter((row) => row.vessel.kind !== "box");
  const uses = library?.families.find((row) => row.key === family)?.uses ?? [];
  const chosenUse = uses.includes(use) ? use : (uses[0] ?? null);
  const start = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/recipes/start", {
          body: {
            family,
            use: chosenUse,
            chocolate,
            vessel_id: vessel ? Number(vessel) : null,
            only_g: numberIn(only) ?? null,
          },
        }),
      ),
    onSuccess: (stored) => {
      void queries.invalidateQueries();
      navigate(`/recipes/${stored.id}/formula`);
    },
  });
  return (
    <div className="mt-3 grid gap-3">
      <Choice label="What it is" value={family} onPick={(value) => setFamily(value)}>
        {library?.families.map((row) => (
          <Option key={row.key} value={row.key}>
            {row.name}
          </Option>
        ))}
      </Choice>
      <Choice label="What it is for" value={chosenUse ?? ""} onPick={(value) => setUse(value)}>
        {uses.map((key) => (
          <Option key={key} value={key}>
            {USES[key] ?? key}
          </Option>
        ))}
      </Choice>
      <Choice
        label="Chocolate"
        value={chocolate}
        onPick={(value) => {
          setChocolate(value);
          setOnly(there(value) > 0 ? String(there(value)) : "");
        }}
      >
        {library?.ingredients
          .filter((row) => row.kind === "chocolate" || row.kind === "compound")
          .sort((a, b) => there(b.key) - there(a.key))
          .map((row) => (
            <Option key={row.key} value={row.key}>
              {row.name}
              {there(row.key) > 0 && `, ${mass(there(row.key), units)} in stock`}
            </Option>
          ))}
      </Choice>
      <MassField
        label="I only have this much of it"
        value={only}
        placeholder="as much as it takes"
        onMass={setOnly}
      />
      <Choice label="What it goes into" value={vessel} onPick={(value) => setVessel(value)}>
        <Option value="">as suits what it is for</Option>
        {making.map((row) => (
          <Option key={row.id} value={String(row.id)}>
            {row.name}
          </Option>
        ))}
      </Choice>
      <VesselForm stored={null} onDone={(id) => setVessel(String(id ?? ""))} flush={async () => {}} />
      <Button look="filled" disabled={start.isPending || !library} onClick={() => start.mutate()}>
        Create recipe
      </Button>
      {start.error && (
        <p role="alert" className="text-copper">
          {start.error.message}
        </p>
      )}
    </div>
  );
}
