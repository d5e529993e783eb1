"""Moves: balance, swap, only this much, compare, and what a label says. Nothing is stored."""

from typing import Any

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, in_helper
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import OwnIngredientIn, RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing, plain
from hearth_bowl.core.bench.compare import Comparison
from hearth_bowl.core.solve.balance import Release
from hearth_bowl.core.solve.wrapper import KINDS, from_label
from hearth_bowl.formats.recipe_file import RecipeFile
from hearth_bowl.service import moves as service
from hearth_bowl.service.cooking import Cooking, cook
from hearth_bowl.service.larder import in_house_g

moves = Blueprint("moves", __name__, url_prefix="/api")


class AimsIn(Incoming):
    """What to aim at; any of them."""

    set_index: float | None = None
    at_c: float | None = None
    water_activity_max: float | None = None
    fat_to_water_max: float | None = None
    ratio: float | None = None
    sweetness_pct_max: float | None = None
    mass_g: float | None = None
    alcohol_pct_max: float | None = None


class BalanceIn(Incoming):
    """A recipe with its pins, the aims, and whether tins and bars must come out whole.

    A `use` aims at the set index that it wants at the temperature of the aims, where none is given.
    """

    recipe: RecipeIn
    aims: AimsIn
    use: str | None = None
    whole_packs: bool = False


class BalanceOut(Outgoing):
    """The recipe that meets the aims, or the nearest with what stands in the way."""

    feasible: bool
    recipe: RecipeFile
    comparison: Comparison
    in_the_way: list[str]
    missed_by: dict[str, float]
    release: Release | None


class SwapIn(Incoming):
    """A line of a recipe, and what is to stand in its place."""

    recipe: RecipeIn
    position: int
    ingredient: str | OwnIngredientIn
    at_c: float = 20.0


class ScaleIn(Incoming):
    """A line of a recipe, and what there is of it as a cook types it."""

    recipe: RecipeIn
    position: int
    typed: str


class CompareIn(Incoming):
    """Two recipes."""

    first: RecipeIn
    second: RecipeIn
    at_c: float = 20.0


class CompareOut(Outgoing):
    """Two recipes side by side."""

    comparison: Comparison


class LabelIn(Incoming):
    """A wrapper's figures per 100 g."""

    kind: str
    fat_kind: str = "oil"
    energy_kcal: float | None = None
    fat: float | None = None
    saturated: float | None = None
    carbohydrate: float | None = None
    sugars: float | None = None
    fibre: float | None = None
    protein: float | None = None
    salt: float | None = None
    cocoa_pct: float | None = None


class LabelIngredientOut(Outgoing):
    """What the figures do not say of such an ingredient."""

    kind: str
    density_g_per_ml: float
    other_fat_kind: str
    allergens: list[str]
    allergens_named: list[str]


class LabelOut(Outgoing):
    """The composition that fits best, its uncertainty in g per 100 g, and what contradicts what."""

    composition_pct: dict[str, float]
    spread_pct: dict[str, float]
    contradictions: list[str]
    ingredient: LabelIngredientOut


@moves.post("/balance")
@spec.validate(resp=Response(HTTP_200=BalanceOut, HTTP_422=Problem), operation_id="balance")
def balance_recipe(json: BalanceIn) -> BalanceOut:
    """Move what is not pinned until the aims are met, changing the recipe least."""
    found = in_helper(service.balance_recipe, record_of(json.recipe), plain(json.aims), json.whole_packs, json.use)
    return BalanceOut(
        feasible=found.found.feasible,
        recipe=found.recipe,
        comparison=found.comparison,
        in_the_way=list(found.found.in_the_way),
        missed_by=dict(found.found.missed_by),
        release=found.found.release,
    )


@moves.post("/swap")
@spec.validate(resp=Response(HTTP_200=service.MovedRecipe, HTTP_422=Problem), operation_id="swap")
def swap_ingredient(json: SwapIn) -> service.MovedRecipe:
    """Put another ingredient into a line; the recipe moves to keep its set and mass."""
    ingredient: Any = json.ingredient if isinstance(json.ingredient, str) else plain(json.ingredient)
    return in_helper(service.swap_ingredient, record_of(json.recipe), json.position, ingredient, json.at_c)


@moves.post("/only-this-much")
@spec.validate(resp=Response(HTTP_200=service.MovedRecipe, HTTP_422=Problem), operation_id="onlyThisMuch")
def only_this_much(json: ScaleIn) -> service.MovedRecipe:
    """Scale a recipe to what there is of one line."""
    with database().reading() as session:
        there = in_house_g(session)
    return service.scale_to(record_of(json.recipe), json.position, json.typed, there)


class CookIn(Incoming):
    """A recipe, and one end: a temperature here [°C], the mass lost [g], or what a recipe says for sea level [°C]."""

    recipe: RecipeIn
    to_c: float | None = None
    lost_g: float | None = None
    sea_level_c: float | None = None
    water_pct: float | None = None


@moves.post("/cook")
@spec.validate(resp=Response(HTTP_200=Cooking, HTTP_422=Problem), operation_id="cook")
def cook_recipe(json: CookIn) -> Cooking:
    """Work out what is left of a boiled mass. Nothing is stored."""
    with database().reading() as session:
        return cook(session, record_of(json.recipe), json.to_c, json.lost_g, json.sea_level_c, json.water_pct)


@moves.post("/compare")
@spec.validate(resp=Response(HTTP_200=CompareOut, HTTP_422=Problem), operation_id="compare")
def compare_recipes(json: CompareIn) -> CompareOut:
    """Put two recipes side by side."""
    return CompareOut(comparison=service.compare_recipes(record_of(json.first), record_of(json.second), json.at_c))


@moves.post("/label")
@spec.validate(resp=Response(HTTP_200=LabelOut, HTTP_422=Problem), operation_id="readLabel")
def read_label(json: LabelIn) -> LabelOut:
    """Work out the composition behind a wrapper's figures."""
    figures = {name: value for name, value in plain(json).items() if name not in ("kind", "fat_kind")}
    found, kind = in_helper(from_label, json.kind, figures, json.fat_kind), KINDS[json.kind]
    return LabelOut(
        composition_pct=found.composition_pct,
        spread_pct=found.spread_pct,
        contradictions=list(found.contradictions),
        ingredient=LabelIngredientOut(
            kind=kind.kind,
            density_g_per_ml=kind.density_g_per_ml,
            other_fat_kind=kind.other_fat_kind or json.fat_kind,
            allergens=list(kind.allergens),
            allergens_named=[],
        ),
    )
