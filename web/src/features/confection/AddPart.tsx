import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import type { Asked, PartAsk, Role } from "./words";

/** Parts with a new one at its usual place: after those of its role, before later ones. */
export function placed(parts: PartAsk[], part: PartAsk, roles: readonly string[]): PartAsk[] {
  const rank = (row: PartAsk) => roles.indexOf(row.role);
  const at = parts.findIndex((row) => rank(row) > rank(part));
  return at < 0 ? [...parts, part] : [...parts.slice(0, at), part, ...parts.slice(at)];
}

type Props = {
  roles: readonly Role[];
  asked: Asked;
  options: Schemas["ConfectionOptionsOut"];
  recipes: Schemas["RecipeInList"][];
  onAdd: (part: PartAsk) => void;
};

/** Buttons for the parts that the form may still have. */
export function AddPart({ roles, asked, options, recipes, onAdd }: Props) {
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
