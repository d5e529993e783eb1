import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useLocation, useNavigate, useParams } from "react-router";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries, libraryQuery, recipeQueries, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { NotThere } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { useUnits } from "../../units/units";
import { VesselForm } from "../fit";
import { SeeLink } from "../seen";
import { Send } from "../sharing";
import { LastTimes } from "../shelf";
import { AddPart, placed } from "./AddPart";
import { Another } from "./Another";
import { Conflict } from "./Conflict";
import { CutThrough } from "./CutThrough";
import { FormSentence } from "./FormSentence";
import { LabelText } from "./LabelText";
import { LossLearned } from "./LossLearned";
import { MethodList } from "./MethodList";
import { Onward } from "./Onward";
import { OtherSizes } from "./OtherSizes";
import { OtherVessels } from "./OtherVessels";
import { ToWeigh } from "./Outcome";
import { PartSentence } from "./PartSentence";
import { SharedTin } from "./SharedTin";
import { UseAmounts } from "./UseAmounts";
import { useConfection } from "./useConfection";
import { useVesselChange } from "./useVesselChange";
import { type PartAsk, ROLE_WORDS, type Role } from "./words";

/** A confection: put together in sentences, drawn cut through, and worked out at once. */
export function ConfectionPage() {
  const id = Number(useParams().id);
  const stored = useQuery({ ...confectionQueries.one(id), enabled: Number.isInteger(id) });
  const vessels = useQuery(vesselsQuery);
  const recipes = useQuery(recipeQueries.list);
  const options = useQuery(confectionQueries.options);
  if (!Number.isInteger(id) || (stored.error && !stored.data))
    return <NotThere what="confection" error={stored.error} />;
  if (!stored.data || !vessels.data || !recipes.data || !options.data) return <Skeleton />;
  return (
    <Bench
      key={id}
      stored={stored.data}
      vessels={vessels.data.vessels}
      recipes={recipes.data.recipes}
      options={options.data}
    />
  );
}

type BenchProps = {
  stored: Schemas["StoredConfection"];
  vessels: Schemas["StoredVessel"][];
  recipes: Schemas["RecipeInList"][];
  options: Schemas["ConfectionOptionsOut"];
};

function Bench({ stored, vessels, recipes, options }: BenchProps) {
  const units = useUnits();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { asked, saving, change, undo, canUndo, drop, flush, accept } = useConfection(stored);
  const { data: library } = useQuery(libraryQuery);
  const [chosen, setChosen] = useState<number | null>(null);
  const rows = useRef<(HTMLLIElement | null)[]>([]);
  const { state } = useLocation();
  const worked = useQuery({
    queryKey: ["confection-worked", asked],
    enabled: asked.parts.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/confections/work-out", { body: asked, signal })),
  });
  const remove = useMutation({
    mutationFn: async () => {
      await drop();
      const params = { path: { confection_id: stored.id } };
      return dataOf(client.DELETE("/api/confections/{confection_id}", { params }));
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey, exact: true });
      navigate("/recipes");
    },
  });
  const chosenVessel = vessels.find((row) => row.id === asked.form.vessel) ?? null;
  const vessel = chosenVessel?.vessel ?? null;
  const { choose, note } = useVesselChange(asked, vessels, change);
  const kind = vessel?.kind ?? "";
  const problem = worked.error instanceof ApiError ? worked.error.problem : null;
  const found = worked.error || asked.parts.length === 0 ? undefined : worked.data;
  const isOf = found && found.answer.parts.length === asked.parts.length ? found.answer : undefined;
  const making = vessels.filter((row) => row.vessel.kind in options.roles);
  const roles = options.roles[kind] ?? [];
  const names = new Map(library?.ingredients.map((row) => [row.key, row.name]));
  const nameOf = (key: string) => names.get(key) ?? key;
  const problemAt = (...path: (string | number)[]) => problemIn(problem, path);
  const press = (at: number) => {
    setChosen(at);
    const row = rows.current[at];
    row?.scrollIntoView({ block: "nearest" });
    row?.querySelector<HTMLElement>("p button")?.focus();
  };
  const setPart = (at: number, part: Partial<PartAsk>) =>
    change({ parts: asked.parts.map((row, position) => (position === at ? { ...row, ...part } : row)) });
  const move = (at: number, by: number) => {
    const parts = [...asked.parts];
    const [part] = parts.splice(at, 1);
    if (part) parts.splice(at + by, 0, part);
    change({ parts });
  };
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)_minmax(280px,0.8fr)] max-lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)] max-md:grid-cols-1">
      <div className="border-line border-r px-5 py-3 max-md:contents">
        <section aria-label="Parts and form" className="max-md:order-1 max-md:px-3 max-md:pt-3">
          <div className="flex items-end justify-between gap-3">
            <div className="min-w-0 flex-1">
              <h1 className="sr-only">{asked.name}</h1>
              <TextField
                label="Name"
                className="font-display font-semibold text-[1.375rem]"
                value={asked.name}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => event.target.value && change({ name: event.target.value })}
              />
            </div>
            <Button look="plain" disabled={!canUndo} onClick={undo}>
              Undo
            </Button>
            <span role="status" className="pb-3 text-[0.875rem] text-ash">
              {saving.state === "conflict" ? "Not saved" : saving.message}
            </span>
          </div>
          {(note ?? state?.note) && <p className="mt-1 text-ash">{note ?? state.note}</p>}
          {saving.state === "conflict" && <Conflict stored={stored} asked={asked} message={saving.message} />}
          <FormSentence
            asked={asked}
            vessels={making}
            fields={options.form_fields[kind] ?? []}
            problemAt={problemAt}
            onVessel={choose}
            onForm={(part) => change({ form: { ...asked.form, ...part } })}
            onExtras={(extras) => change({ extras })}
          />
          <LastTimes name={asked.name} />
          <Onward id={stored.id} asked={asked} recipes={recipes} flush={flush} />
          <h2 className="mt-1 font-bold text-lg">Parts, in order</h2>
          <ol className="mt-1">
            {asked.parts.map((part, position) => (
              <li
                // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the order of making
                key={`${position}${part.role}`}
                ref={(row) => {
                  rows.current[position] = row;
                }}
                onFocus={() => setChosen(position)}
                className={`flow-root border-line border-t py-1 ${position === chosen ? "-mx-2 rounded-md bg-rim-faint px-2" : ""}`}
              >
                <span className="float-right ml-2 flex">
                  <Key
                    words={`Earlier: ${wordsOf(part, position)}`}
                    off={position === 0}
                    onPress={() => move(position, -1)}
                  >
                    ↑
                  </Key>
                  <Key
                    words={`Later: ${wordsOf(part, position)}`}
                    off={position === asked.parts.length - 1}
                    onPress={() => move(position, 1)}
                  >
                    ↓
                  </Key>
                  <Key
                    words={`Leave out: ${wordsOf(part, position)}`}
                    onPress={() => change({ parts: asked.parts.filter((_, at) => at !== position) })}
                  >
                    ×
                  </Key>
                </span>
                <div>
                  <PartSentence
                    part={part}
                    worked={isOf?.parts[position]}
                    amounts={options.amounts[part.role] ?? []}
                    recipes={recipes}
                    library={library}
                    walls={options.walls}
                    problem={(field) => problemAt("parts", position, field)}
                    units={units}
                    onChange={(next) => setPart(position, next)}
                  />
                </div>
              </li>
            ))}
          </ol>
          <AddPart
            roles={roles as Role[]}
            asked={asked}
            options={options}
            recipes={recipes}
            onAdd={(part) => change({ parts: placed(asked.parts, part, roles) })}
          />
          <SharedTin
            stored={stored}
            asked={asked}
            recipes={recipes}
            flush={flush}
            units={units}
            onTaken={accept}
          />
        </section>
        <section aria-label="Size and form" className="max-md:order-4 max-md:px-3 max-md:py-3">
          {found?.learned_loss && (
            <LossLearned
              learned={found.learned_loss}
              onUse={(loss_pct) => change({ form: { ...asked.form, loss_pct } })}
            />
          )}
          {isOf && <OtherSizes asked={asked} onUse={change} />}
          {isOf && <OtherVessels asked={asked} vessels={vessels} units={units} onUse={change} />}
          <div className="flex flex-wrap items-center gap-x-3">
            <VesselForm stored={null} onDone={(id) => id !== null && choose(id)} flush={flush} />
            {chosenVessel && (
              <VesselForm
                stored={chosenVessel}
                onDone={(id) => choose(id ?? making.find((row) => row.id !== chosenVessel.id)?.id ?? 0)}
                flush={flush}
              />
            )}
          </div>
          <Another asked={asked} making={making} library={library} />
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <Send kind="confections" id={stored.id} name={asked.name} />
            <SeeLink recipe={mixIn(asked.parts)} at="unmould" />
            <Sure
              words="Delete this confection"
              goes={`Delete “${asked.name}”? Its recipes and its tin or mould stay.`}
              disabled={remove.isPending}
              onSure={() => remove.mutate()}
            />
            <Link to="/recipes" className="inline-flex min-h-11 items-center text-rim underline">
              All recipes
            </Link>
          </div>
        </section>
      </div>
      <section aria-label="Cross-section" className="px-5 py-3 max-md:order-2 max-md:px-3">
        <CutThrough
          id={stored.id}
          asked={asked}
          worked={found}
          vessel={vessel}
          problem={problem}
          parts={{ chosen, onPress: press }}
          flush={flush}
        />
        {found && <MethodList asked={asked} units={units} nameOf={nameOf} />}
      </section>
      <section
        aria-label="What you need"
        className="border-line border-l bg-sheet px-5 py-3 max-lg:col-span-2 max-lg:border-t max-md:order-3 max-md:col-span-1 max-md:px-3"
      >
        {found && (
          <ToWeigh
            answer={found.answer}
            nameOf={nameOf}
            units={units}
            action={(position) => {
              const recipe = asked.parts[position]?.of.recipe_id ?? null;
              const isFirst = asked.parts.findIndex((part) => part.of.recipe_id === recipe) === position;
              return (
                recipe !== null && isFirst && <UseAmounts id={stored.id} recipe={recipe} flush={flush} />
              );
            }}
          />
        )}
        {found && (
          <LabelText id={stored.id} asked={asked} units={units} pieces={found.answer.pieces} flush={flush} />
        )}
      </section>
    </main>
  );
}

const mixIn = (parts: readonly PartAsk[]) =>
  parts.find((part) => part.of.recipe_id !== null)?.of.recipe_id ?? null;

const wordsOf = (part: PartAsk, position: number) =>
  `${ROLE_WORDS[part.role].toLowerCase()}, part ${position + 1}`;

type KeyProps = { words: string; off?: boolean; onPress: () => void; children: string };

function Key({ words, off, onPress, children }: KeyProps) {
  return (
    <button
      type="button"
      aria-label={words}
      disabled={off}
      onClick={onPress}
      className="size-11 rounded-md font-bold text-[1.125rem] text-rim hover:bg-rim-faint disabled:text-line-strong"
    >
      {children}
    </button>
  );
}

/** What was wrong at a place of what was asked. */
function problemIn(problem: Schemas["Problem"] | null, path: readonly (string | number)[]): string | null {
  const found = problem?.errors.find((error) => {
    const start = error.path.findIndex((_, at) =>
      path.every((step, i) => String(error.path[at + i]) === String(step)),
    );
    return start >= 0;
  });
  return found ? `${found.message}: ${found.allowed}` : null;
}
