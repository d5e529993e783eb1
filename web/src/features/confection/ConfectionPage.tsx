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
import { Send } from "../sharing";
import { LastTimes } from "../shelf";
import { Another } from "./Another";
import { CutThrough } from "./CutThrough";
import { FormSentence } from "./FormSentence";
import { LabelText } from "./LabelText";
import { MethodList } from "./MethodList";
import { ToWeigh } from "./Outcome";
import { PartSentence } from "./PartSentence";
import { SharedTin } from "./SharedTin";
import { useConfection } from "./useConfection";
import { type Asked, type PartAsk, ROLE_WORDS, type Role } from "./words";

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
  const vessel = vessels.find((row) => row.id === asked.form.vessel)?.vessel ?? null;
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
      <section aria-label="Put together" className="border-line border-r px-5 py-3 max-md:px-3">
        <div className="flex items-end justify-between gap-3">
          <div className="min-w-0 flex-1">
            <h1 className="sr-only">{asked.name}</h1>
            <TextField
              label="Confection"
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
        {typeof state?.note === "string" && <p className="mt-1 text-ash">{state.note}</p>}
        {saving.state === "conflict" && <Conflict stored={stored} asked={asked} message={saving.message} />}
        <FormSentence
          asked={asked}
          vessels={making}
          fields={options.form_fields[kind] ?? []}
          problemAt={problemAt}
          onForm={(part) => change({ form: { ...asked.form, ...part } })}
          onExtras={(extras) => change({ extras })}
        />
        <LastTimes name={asked.name} />
        <Onward id={stored.id} asked={asked} recipes={recipes} flush={flush} />
        <h2 className="mt-1 font-bold text-lg">Its parts, in the order of making</h2>
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
        <VesselForm
          stored={null}
          onDone={(vessel) =>
            vessel !== null && change({ form: { ...asked.form, vessel, piece_mm: null, halves: false } })
          }
          flush={flush}
        />
        <Another asked={asked} making={making} library={library} />
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <Send kind="confections" id={stored.id} name={asked.name} />
          <Sure
            words="Delete this confection"
            goes={`“${asked.name}” goes; its recipes and vessel stay.`}
            disabled={remove.isPending}
            onSure={() => remove.mutate()}
          />
          <Link to="/recipes" className="inline-flex min-h-11 items-center text-rim underline">
            All recipes
          </Link>
        </div>
      </section>
      <section aria-label="Cross-section" className="px-5 py-3 max-md:px-3">
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
        aria-label="What it takes"
        className="border-line border-l bg-sheet px-5 py-3 max-lg:col-span-2 max-lg:border-t max-md:col-span-1 max-md:px-3"
      >
        {found && <ToWeigh answer={found.answer} nameOf={nameOf} units={units} />}
        {found && (
          <LabelText id={stored.id} asked={asked} units={units} pieces={found.answer.pieces} flush={flush} />
        )}
      </section>
    </main>
  );
}

type OnwardProps = {
  id: number;
  asked: Asked;
  recipes: Schemas["RecipeInList"][];
  flush: () => Promise<void>;
};

/** From the piece to its mixes: what is in each, and making it now. */
function Onward({ id, asked, recipes, flush }: OnwardProps) {
  const names = new Map(recipes.map((row) => [row.id, row.name]));
  const mixes = [...new Set(asked.parts.flatMap((part) => part.of.recipe_id ?? []))].filter((mix) =>
    names.has(mix),
  );
  if (mixes.length === 0) return null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-4">
      {mixes.map((mix) => (
        <span key={mix} className="inline-flex flex-wrap items-center gap-x-2">
          <Link
            to={`/recipes/${mix}/stove?for=${id}`}
            onClick={() => void flush()}
            className="inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-rim px-3 font-bold text-[0.9375rem] text-rim hover:bg-rim-faint"
          >
            {mixes.length === 1 ? "Make it now" : `Make ${names.get(mix)} now`}
          </Link>
          <Link
            to={`/recipes/${mix}/formula`}
            className="inline-flex min-h-11 items-center text-rim underline"
          >
            {mixes.length === 1 ? "What is in it" : `What is in ${names.get(mix)}`}
          </Link>
          {mixes.length === 1 && (
            <Link to={`/recipes/${mix}/fit`} className="inline-flex min-h-11 items-center text-rim underline">
              Whole packs and other vessels
            </Link>
          )}
        </span>
      ))}
    </p>
  );
}

type ConflictProps = { stored: Schemas["StoredConfection"]; asked: Asked; message: string };

/** Another window came between: take what it made, or keep one's own beside it. */
function Conflict({ stored, asked, message }: ConflictProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: () => dataOf(client.POST("/api/confections", { body: asked })),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey, exact: true });
      navigate(`/confections/${made.id}`);
    },
  });
  return (
    <div role="alert" className="mt-2 rounded-md border-[1.5px] border-butter-rim bg-butter p-3">
      <p>{message}</p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
          Keep mine as a copy
        </Button>
        <Button
          onClick={() =>
            queries.resetQueries({ queryKey: confectionQueries.one(stored.id).queryKey, exact: true })
          }
        >
          Take the other
        </Button>
      </p>
    </div>
  );
}

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

/** A new part at its usual place in the order of making: after those of its role, before what comes later. */
function placed(parts: PartAsk[], part: PartAsk, roles: readonly string[]): PartAsk[] {
  const rank = (row: PartAsk) => roles.indexOf(row.role);
  const at = parts.findIndex((row) => rank(row) > rank(part));
  return at < 0 ? [...parts, part] : [...parts.slice(0, at), part, ...parts.slice(at)];
}

type AddProps = {
  roles: readonly Role[];
  asked: Asked;
  options: Schemas["ConfectionOptionsOut"];
  recipes: Schemas["RecipeInList"][];
  onAdd: (part: PartAsk) => void;
};

/** What else the form may have. */
function AddPart({ roles, asked, options, recipes, onAdd }: AddProps) {
  const free = roles.filter(
    (role) => !(options.once.includes(role) && asked.parts.some((part) => part.role === role)),
  );
  const blank = Object.values(options.usual)[0];
  const add = (role: Role) => {
    const usual = options.usual[role];
    if (usual) return onAdd(usual);
    const recipe =
      recipes.find((row) => !asked.parts.some((part) => part.of.recipe_id === row.id)) ?? recipes[0];
    if (!blank || !recipe) return;
    const of = { recipe_id: recipe.id, ingredient: null, blend: null };
    const fills = asked.parts.some(
      (part) => part.role === role && part.share_pct === null && part.mm === null,
    );
    onAdd({ ...blank, role, of, ...(fills && role !== "centre" ? HALF : {}) });
  };
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      {free.map((role) => (
        <Button key={role} onClick={() => add(role)}>
          Add {ADD_WORDS[role]}
        </Button>
      ))}
    </div>
  );
}

/** A second mass beside one that gives way begins with a third of the room. */
const HALF = { share_pct: 33 };

const ADD_WORDS: Record<Role, string> = {
  layer: "a layer",
  filling: "a filling",
  centre: "a centre",
  core: "a core",
  shell: "a shell",
  coat: "a coat",
  rolling: "what it is rolled in",
  topping: "a topping",
};

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
