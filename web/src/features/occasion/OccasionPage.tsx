import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries, libraryQuery, occasionsQuery, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { Option } from "../../ui/OptionList";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { containsText, keepingText } from "../../units/told";
import { fixed, mass, type Units, useUnits } from "../../units/units";
import { OptionalMass, WholeField } from "./fields";
import { PieceRows } from "./PieceRows";
import { PourOrder } from "./PourOrder";
import { ShoppingList } from "./ShoppingList";
import { useOccasion } from "./useOccasion";
import { WorkOrder } from "./WorkOrder";

type Stored = Schemas["StoredOccasion"];

/** Occasions: when what is to be ready, what it takes, in which order to work and to pour, and what to buy. */
export function OccasionPage() {
  const queries = useQueryClient();
  const list = useQuery({ ...occasionsQuery, staleTime: 0, gcTime: 0 });
  const [chosen, setChosen] = useState<number | null>(null);
  const create = useMutation({
    mutationFn: () => dataOf(client.POST("/api/occasions", { body: {} })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: occasionsQuery.queryKey });
      setChosen(made.id);
    },
  });
  const all = list.data?.occasions ?? [];
  const stored = all.find((row) => row.id === chosen) ?? all[0];
  const picker = (
    <p className="flex flex-wrap items-end gap-2 print:hidden">
      {all.length > 1 && (
        <span className="w-60">
          <Choice label="Occasion" value={stored?.id ?? ""} onPick={(value) => setChosen(Number(value))}>
            {all.map((row) => (
              <Option key={row.id} value={row.id}>
                {row.asked.name}
              </Option>
            ))}
          </Choice>
        </span>
      )}
      <Button look="plain" disabled={create.isPending} onClick={() => create.mutate()}>
        New occasion
      </Button>
    </p>
  );
  return (
    <>
      {!list.data ? (
        <Skeleton />
      ) : stored ? (
        <OccasionBench
          key={stored.id}
          stored={stored}
          usual={list.data.usual}
          picker={picker}
          onDeleted={() => setChosen(null)}
        />
      ) : (
        <main className="max-w-prose px-5 py-4">
          <h1 className="font-display font-semibold text-3xl">Occasions</h1>
          <p className="mt-2">
            Nothing is planned yet. Choose the day, how many boxes, and the pieces in each. This page then
            shows how much to make of every recipe, how much chocolate to melt, in which order to pour, and
            what to buy.
          </p>
          {picker}
        </main>
      )}
    </>
  );
}

type BenchProps = {
  stored: Stored;
  usual: Schemas["PieceAskUsual"];
  picker: React.ReactNode;
  onDeleted: () => void;
};

function OccasionBench({ stored, usual, picker, onDeleted }: BenchProps) {
  const units = useUnits();
  const queries = useQueryClient();
  const { asked, said, change, flush, drop } = useOccasion(stored);
  const { data: vessels } = useQuery(vesselsQuery);
  const { data: confections } = useQuery({ ...confectionQueries.list, staleTime: 0 });
  const { data: library } = useQuery(libraryQuery);
  const rows = asked.rows ?? [];
  const planned = useQuery({
    queryKey: ["plan", asked],
    staleTime: 0,
    enabled: rows.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/occasions/work-out", { body: asked, signal })),
  });
  const remove = useMutation({
    mutationFn: async () => {
      await drop();
      return dataOf(
        client.DELETE("/api/occasions/{occasion_id}", { params: { path: { occasion_id: stored.id } } }),
      );
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: occasionsQuery.queryKey });
      onDeleted();
    },
  });
  const problem = planned.error instanceof ApiError ? planned.error.problem : null;
  const plan = rows.length > 0 && !planned.error ? planned.data : undefined;
  const at = (field: string) => {
    const found = problem?.errors.find(
      (error) => error.path.at(-1) === field && !error.path.includes("rows"),
    );
    return found ? `${found.message}: ${found.allowed}` : null;
  };
  const named = new Map(library?.ingredients.map((row) => [row.key, row.name]));
  const name = (key: string) => named.get(key) ?? key;
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)_380px] max-lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-md:grid-cols-1 print:block">
      <section aria-label="What goes in" className="border-line border-r px-5 py-3 max-md:px-3 print:hidden">
        <div className="flex items-baseline justify-between gap-3">
          <h1 className="font-display font-semibold text-[1.625rem]">Occasion</h1>
          <span role="status" className="text-[0.875rem] text-ash">
            {said}
          </span>
        </div>
        {picker}
        <p>
          <Link
            to={`/occasions/${stored.id}/order`}
            className="inline-flex min-h-11 items-center font-bold text-rim underline underline-offset-4"
          >
            The running order: what to do, when
          </Link>
        </p>
        <div className="mt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-end gap-3">
          <TextField
            label="Name"
            value={asked.name}
            autoComplete="off"
            onChange={(event) => event.target.value && change({ name: event.target.value })}
          />
          <WholeField
            label="Boxes"
            value={asked.boxes}
            least={1}
            problem={at("boxes")}
            onWhole={(boxes) => change({ boxes })}
          />
          <TextField
            label="Ready by"
            type="datetime-local"
            value={asked.ready_at?.slice(0, 16) ?? ""}
            problem={at("ready_at")}
            onChange={(event) => change({ ready_at: event.target.value || null })}
          />
          <OptionalMass
            label="Melting pot holds"
            value={asked.pot_g ?? null}
            placeholder="enough"
            problem={at("pot_g")}
            onValue={(pot_g) => change({ pot_g })}
          />
        </div>
        <div className="mt-2">
          <Choice
            label="Packed in"
            value={asked.box_vessel_id ?? ""}
            onPick={(value) => change({ box_vessel_id: value ? Number(value) : null })}
          >
            <Option value="">no box chosen</Option>
            {vessels?.vessels
              .filter((row) => row.vessel.kind === "box")
              .map((row) => (
                <Option key={row.id} value={row.id}>
                  {row.name}
                </Option>
              ))}
          </Choice>
        </div>
        {confections && vessels && (
          <PieceRows
            id={stored.id}
            flush={flush}
            rows={rows}
            plan={plan}
            problem={problem}
            confections={confections.confections}
            vessels={vessels.vessels}
            usual={usual}
            units={units}
            onChange={(next) => change({ rows: next })}
          />
        )}
        <Sure
          words="Delete this occasion"
          goes={`“${asked.name}” will be deleted.`}
          className="mt-3"
          disabled={remove.isPending}
          onSure={() => remove.mutate()}
        />
      </section>
      <section aria-label="Order of work" className="px-6 py-4 max-md:px-3">
        <h2
          aria-live="polite"
          className="min-h-[66px] font-display font-semibold text-[1.6875rem] leading-[1.15]"
        >
          {plan
            ? sentence(asked.boxes, plan, units)
            : rows.length === 0
              ? "Add the first piece"
              : problem
                ? "This does not fit yet"
                : ""}
        </h2>
        {problem && (
          <p role="alert" className="mt-1 text-copper">
            {problem.detail}
          </p>
        )}
        {plan && <Totals plan={plan} units={units} />}
        {plan && <ToTell plan={plan} />}
        {plan && <WorkOrder plan={plan} />}
        {plan?.pours.map((pours) => (
          <PourOrder key={pours.chocolate} plan={pours} name={name(pours.chocolate)} units={units} />
        ))}
        {plan && <Cautions plan={plan} />}
      </section>
      <section
        aria-label="Shopping"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3 print:border-0"
      >
        {plan && (
          <ShoppingList
            shopping={plan.shopping}
            boxes={asked.boxes}
            id={stored.id}
            units={units}
            hasBox={asked.box_vessel_id !== null}
            flush={flush}
          />
        )}
      </section>
    </main>
  );
}

type Plan = Schemas["WorkedOccasion"];

/** What is to be told with a box: what is in it for those who may not eat it, and how long it keeps. */
function ToTell({ plan }: { plan: Plan }) {
  const { keeping } = plan;
  return (
    <section aria-label="To say with each box" className="mt-3 text-[0.9375rem]">
      <h3 className="font-bold">{containsText(plan.allergens, "a box")}</h3>
      <p>
        Best within {keepingText(keeping)}. Limited by the {keeping.part}. A guide for home use; local food
        rules decide.
      </p>
    </section>
  );
}

/** What can hurt, once each. */
function Cautions({ plan }: { plan: Plan }) {
  const messages = new Set(plan.rows.flatMap((row) => row.cautions.map((caution) => caution.message)));
  return [...messages].map((message) => (
    <p
      key={message}
      className="mt-1.5 rounded-md bg-copper-pale px-3 py-2 text-[0.9375rem] text-copper first-of-type:mt-4"
    >
      {message}
    </p>
  ));
}

function sentence(boxes: number, plan: Plan, units: Units): React.ReactNode {
  const melts = plan.pours.map((row) => mass(row.start_g, units)).join(" and ");
  return (
    <>
      {boxes} {boxes === 1 ? "box needs" : "boxes need"} {plan.pieces} pieces
      {melts && (
        <>
          ,<br />
          <span className="text-rim">melt {melts} first</span>
        </>
      )}
    </>
  );
}

function Totals({ plan, units }: { plan: Plan; units: Units }) {
  const rows: [string, string | null][] = [
    ...plan.recipes.map((row): [string, string] => [row.name, mass(row.batch_g, units)]),
    ["A box costs", plan.cost_per_box === null ? null : fixed(plan.cost_per_box, 2)],
    [
      "A box is covered to",
      plan.box === null
        ? null
        : `${plan.box.covered_pct.toFixed(0)} % of one layer${plan.box.layers > 1 ? `: ${plan.box.layers} layers` : ""}`,
    ],
  ];
  return (
    <dl className="mt-2 text-[0.9375rem]">
      {rows.map(
        ([term, value]) =>
          value && (
            <div key={term} className="flex justify-between gap-4 border-line border-b py-0.5">
              <dt dir="auto">{term}</dt>
              <dd className="whitespace-nowrap font-bold">{value}</dd>
            </div>
          ),
      )}
    </dl>
  );
}
