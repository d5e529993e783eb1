"""Keeping: where and how long, cautiously; what spoils first decides.

The rows are the handbook's of this craft (sections B and L), after common practice; none certifies that a thing is
safe.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final, Literal, TypeVar

from hearth_bowl.core.ingredients.attributes import OILY_GROUPS
from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.eggs import is_cooked_egg
from hearth_bowl.core.mass.cooking import cooked_positions, flows, is_cooked_down, is_marshmallow
from hearth_bowl.core.mass.mixture import Mixture, mix_lines
from hearth_bowl.core.mass.water_activity import WaterActivity, estimate_water_activity, holds_its_water
from hearth_bowl.core.recipe.pieces import is_piece
from hearth_bowl.core.recipe.recipe import Line, Recipe

OUT_OF_COLD_MIN: Final = 120
"""Time that what is kept cold may be out of it in all; then it is thrown away. Common practice; local rules decide."""
OUT_BEFORE_MIN: Final = 30
"""Time out of the fridge before a small piece is eaten: usual practice."""
WET_PIECE_PCT: Final = 30.0
"""Water from which a piece decides how long it keeps: cooked chestnut, fresh fruit, sponge. Handbook, B."""
SYRUPY: Final = 1.2
"""Sugars and polyols to water from which a wet piece is dried or candied fruit, which keeps by itself: a judgement."""
FRESH_MILK_PCT: Final = 50.0
"""Water from which milk or cream is fresh rather than condensed or powdered: a judgement."""
DRY_PCT: Final = 6.0
"""Water below which sugar, cocoa, salt and spice keep by themselves: food tables."""
LEAN_PCT: Final = 5.0
"""Milk fat and other fat below which a dry thing does not turn rancid first: a judgement."""
DRY_SHARE: Final = 0.1
"""Salt, spice, sugar or cocoa up to this share of a chocolate leave it keeping as it does alone: a judgement."""

Place = Literal["fridge", "cool", "room"]
PLACES: Final = ("fridge", "cool", "room")
"""The coldest first."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Keeping:
    """A cautious guide for home use, never a certificate: place, days, the part that decides, and the date's word.

    `use_by`: past its day it is not eaten, for it is kept in the fridge or holds fresh cream, soft cheese or raw egg;
    else it is best before it.
    """

    where: str
    days_low: int
    days_high: int
    because: str
    use_by: bool = False


def _row(where: Place, low: int, high: int, because: str) -> Keeping:
    return Keeping(where=where, days_low=low, days_high=high, because=because)


BY_WATER_ACTIVITY: Final = (
    (0.92, "fridge", 3, 7),
    (0.90, "fridge", 7, 10),
    (0.85, "fridge", 10, 14),
    (0.75, "cool", 14, 21),
    (0.65, "cool", 21, 42),
    (0.0, "room", 30, 60),
)
"""(water activity from, place, days low, days high). Source: keeping-practice."""
BY_FAMILY: Final[Mapping[str, Keeping]] = MappingProxyType(
    {
        "caramel": _row("room", 21, 42, "boiled dry; wrapped, for it draws water"),
        "fruit-jelly": _row("cool", 21, 42, "boiled with its sugar and acid"),
        "marshmallow": _row("room", 14, 21, "a whipped syrup, in a closed box"),
        "nougat": _row("room", 30, 60, "a dry whipped syrup, wrapped"),
        "curd": _row("fridge", 5, 7, "cooked egg and fruit"),
        "hard-sugar": _row("room", 60, 120, "boiled to hardly any water, airtight"),
    }
)
"""Rows that stand in the place of water activity for what is boiled or cooked. Source: keeping-practice."""
DARK: Final = _row("room", 180, 360, "hardly any water: dark chocolate, no longer than its packet says")
"""Common practice."""
MILKY: Final = _row("room", 120, 240, "hardly any water: its milk or its fat turns stale, by its packet at the latest")
"""Common practice."""
OILY: Final = _row("room", 60, 120, "hardly any water: nut oil turns rancid, by its packet at the latest")
"""Common practice."""
DRIED: Final = _row("room", 120, 240, "dry as it was bought, by its packet at the latest")  # common practice
STALE: Final = _row("room", 30, 60, "hardly any water: its fat and crumbs turn stale first")
"""Rows of what holds hardly any water. Source: keeping-practice."""
SOFT_CHEESE_DAYS: Final = (3, 5)  # common practice
RAW_EGG_DAYS: Final = (1, 2)  # common practice
PASTEURISED_EGG_DAYS: Final = (5, 7)  # common practice
FRESH_FRUIT_DAYS: Final = (5, 7)
"""Days in the fridge, at least and at most. Source: keeping-practice."""
FRESH_MILK: Final = _row("cool", 21, 42, "fresh milk")
"""Fresh cream or milk that was not boiled into the mass is never kept at room temperature. Source: keeping-practice."""


def keeping(recipe: Recipe, water: WaterActivity, made: Mixture) -> Keeping:
    """Return how long a mass keeps: the shortest of what its water and its ingredients allow.

    :param made: the mass as it is eaten, `water` its water activity.
    """
    return shortest(list(_reasons(recipe, water, made)))


def dry_keeping(recipe: Recipe) -> Keeping:
    """Return how long something keeps that was bought dry: nuts, powders, sweets, chocolate."""
    return _water_free(recipe)


Kept = TypeVar("Kept", bound=Keeping)


def shortest(reasons: Sequence[Kept]) -> Kept:
    """Return the shortest of some keepings, in the coldest place that one of them asks for."""
    first = min(reasons, key=lambda one: (one.days_high, one.days_low, PLACES.index(one.where)))
    coldest = min((one.where for one in reasons), key=PLACES.index)
    use_by = coldest == "fridge" or any(one.use_by for one in reasons)
    return replace(first, where=coldest, use_by=use_by)


def _reasons(recipe: Recipe, water: WaterActivity, made: Mixture) -> Iterator[Keeping]:
    base = _base(recipe, water, made)
    yield base
    boiled = set(cooked_positions(recipe)) if is_cooked_down(recipe) else set()
    is_whipped = recipe.family == "aerated"
    for position, line in enumerate(recipe.lines):
        if recipe.amounts_g[position] <= 0:
            continue
        ingredient, is_boiled = line.ingredient, position in boiled
        if ingredient.fresh_cheese:
            yield _fridge(SOFT_CHEESE_DAYS, f"soft cheese: {ingredient.name}")
        if ingredient.raw_egg and not is_cooked_egg(recipe, position):
            yield _fridge(RAW_EGG_DAYS, f"raw egg: {ingredient.name}")
        if ingredient.pasteurised_egg and not is_cooked_egg(recipe, position) and not is_whipped:
            yield _fridge(PASTEURISED_EGG_DAYS, f"pasteurised egg: {ingredient.name}")
        if ingredient.fresh_fruit and not is_boiled:
            yield _fridge(FRESH_FRUIT_DAYS, f"fresh fruit: {ingredient.name}")
        if is_wet_piece(recipe, line):
            yield from _wet_piece(recipe, position)
        if is_fresh_milk(ingredient) and not is_boiled and line.stage != "boil":
            yield replace(_by_water(water.high), use_by=True)
            yield replace(FRESH_MILK, because=f"{FRESH_MILK.because}: {ingredient.name}", use_by=True)
    if recipe.family == "soft-cheese":
        yield _fridge(SOFT_CHEESE_DAYS, "a soft-cheese centre")


def _base(recipe: Recipe, water: WaterActivity, made: Mixture) -> Keeping:
    row = BY_FAMILY.get(_family_row(recipe))
    if row is not None and not flows(recipe):
        return row
    if water.high is None or holds_its_water(made.binder):
        return _water_free(recipe)
    return _by_water(water.high)


def _family_row(recipe: Recipe) -> str:
    if recipe.family != "aerated":
        return recipe.family
    return "marshmallow" if is_marshmallow(recipe) else "nougat"


def _water_free(recipe: Recipe) -> Keeping:
    """Return the row of a mass with hardly any water, by what turns stale first in it."""
    lines = [(line.ingredient, grams) for line, grams in recipe.weighed]
    if any(_is_oily(ingredient) for ingredient, _ in lines):
        return OILY
    others = [(one, grams) for one, grams in lines if not one.is_chocolate and not _is_cocoa_butter(one)]
    if len(others) == len(lines) and all(_is_stable(one) for one, _ in others):
        return DRIED
    dry_g = sum(grams for _, grams in others)
    if dry_g > DRY_SHARE * recipe.mass_g or not all(_is_stable(one) for one, _ in others):
        return STALE
    is_dark = all("milk" not in one.allergens and one.kind != "compound" for one, _ in lines)
    return DARK if is_dark else MILKY


def _is_oily(ingredient: Ingredient) -> bool:
    """Return whether it brings nut oil, or oil and coconut fat as such; lecithin and flavouring oils are too little."""
    nutty = not OILY_GROUPS.isdisjoint(ingredient.allergens)
    parts = ingredient.composition_pct
    is_oil = (
        parts["other_fat"] >= 99 and ingredient.most_pct is None and ingredient.other_fat_kind in ("oil", "coconut")
    )
    return is_oil or (bool(nutty) and parts["other_fat"] >= LEAN_PCT)


def _is_cocoa_butter(ingredient: Ingredient) -> bool:
    return ingredient.composition_pct["cocoa_butter"] >= 90


def _is_stable(ingredient: Ingredient) -> bool:
    parts = ingredient.composition_pct
    return parts["water"] < DRY_PCT and parts["milk_fat"] + parts["other_fat"] < LEAN_PCT


def is_wet_piece(recipe: Recipe, line: Line) -> bool:
    """Return whether a line is a piece wet enough to spoil by itself: dried and candied fruit is none."""
    parts = line.ingredient.composition_pct
    if parts["water"] < WET_PIECE_PCT or not is_piece(recipe, line):
        return False
    return sum(parts[name] for name in (*SUGARS, "sorbitol")) < SYRUPY * parts["water"]


def _wet_piece(recipe: Recipe, position: int) -> Iterator[Keeping]:
    own = replace(mix_lines(recipe, [position]), pieces=None)
    high = estimate_water_activity(own, "filling").high
    if high is not None:
        yield replace(_by_water(high), because=f"wet pieces: {recipe.lines[position].ingredient.name}")


def is_fresh_milk(ingredient: Ingredient) -> bool:
    """Return whether an ingredient is fresh cream or milk; carton drinks, powders and condensed milk are none."""
    is_wet_milk = "milk" in ingredient.allergens and ingredient.composition_pct["water"] >= FRESH_MILK_PCT
    return ingredient.kind == "cream" or (
        is_wet_milk and ingredient.liquid and not ingredient.composition_pct["ethanol"]
    )


def _fridge(days: tuple[int, int], because: str) -> Keeping:
    return Keeping(where="fridge", days_low=days[0], days_high=days[1], because=because, use_by=True)


def _by_water(high: float | None) -> Keeping:
    bound, where, days_low, days_high = next(row for row in BY_WATER_ACTIVITY if (high or 0.0) >= row[0])
    side = f"may reach {high:.2f}" if bound and high is not None else f"stays below {BY_WATER_ACTIVITY[-2][0]}"
    return Keeping(where=where, days_low=days_low, days_high=days_high, because=f"water activity {side}")
