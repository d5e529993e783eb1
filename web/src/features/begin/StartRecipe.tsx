import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { libraryQuery, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { VesselForm } from "../fit";
import { USES } from "../formula";
import { type Have, stockOf, WhatYouHave } from "./WhatYouHave";

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
  const [have, setHave] = useState<Have[]>([]);
  const making = (vessels?.vessels ?? []).filter((row) => row.vessel.kind !== "box");
  const uses = library?.families.find((row) => row.key === family)?.uses ?? [];
  const chosenUse = uses.includes(use) ? use : (uses[0] ?? null);
  const chocolates = (library?.ingredients ?? []).filter(
    (row) => row.kind === "chocolate" || row.kind === "compound",
  );
  const hasChocolate = have.some((row) => chocolates.some((one) => one.key === row.label));
  const start = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/recipes/start", {
          body: {
            family,
            use: chosenUse,
            chocolate,
            vessel_id: vessel ? Number(vessel) : null,
            stock: stockOf(have),
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
      {!hasChocolate && (
        <Choice label="Chocolate" value={chocolate} onPick={setChocolate}>
          {chocolates.map((row) => (
            <Option key={row.key} value={row.key}>
              {row.name}
            </Option>
          ))}
        </Choice>
      )}
      <WhatYouHave rows={have} onRows={setHave} />
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
