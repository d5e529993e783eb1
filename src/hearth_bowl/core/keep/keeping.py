"""Keeping: where and how long, cautiously; the part that spoils first decides.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.recipe.recipe import Line, Recipe

SOFT_CHEESES: Final = frozenset({"cream_cheese", "mascarpone"})
PASTEURISED: Final = frozenset({"egg_white_pasteurised", "egg_yolk_pasteurised"})
CRISP: Final = frozenset({"biscuit_crumbs", "hazelnut_whole", "almond_whole", "pistachio_whole", "walnut_whole"})
CRISP_UNTIL: Final = 0.5
"""Above this water activity crisp things take up water and soften: typical value, several textbooks."""
OUT_OF_COLD_MIN: Final = 120
"""What must be kept cold is out of it for two hours in all at most, then it is thrown away: common practice. Local
rules decide."""
OUT_BEFORE_MIN: Final = 30
"""So long before it is eaten a small piece comes out of the fridge: usual practice."""
DRYING_FAMILIES: Final = frozenset({"boiled-fudge", "simmered-fudge", "marzipan", "fondant"})
WET_FROM_PCT: Final = 50.0
"""Fruit or egg with at least this much water counts as fresh purée or raw egg."""
BY_WATER_ACTIVITY: Final = (
    (0.92, "fridge", 3, 7),
    (0.90, "fridge", 7, 10),
    (0.85, "fridge", 10, 14),
    (0.75, "cool", 14, 21),
    (0.65, "cool", 21, 42),
    (0.0, "room", 30, 60),
)
"""(water activity from, place, days low, days high). Source: keeping-practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Keeping:
    """A cautious guide for home use, never a certificate: place, days, and the part that decides."""

    where: str
    days_low: int
    days_high: int
    because: str


def keeping(recipe: Recipe, water_activity_high: float | None) -> Keeping:
    """Return how long the mass keeps: the shortest of what its parts and its water activity (upper end) allow."""
    return min(_reasons(recipe, water_activity_high), key=lambda reason: (reason.days_high, reason.days_low))


def texture_words(recipe: Recipe, water_activity: float | None) -> str:
    """Return what of its texture goes first, apart from whether it is safe; empty where nothing does."""
    crisp = [line.ingredient.name.lower() for line, _ in recipe.weighed if line.ingredient.key in CRISP]
    if crisp and water_activity is not None and water_activity > CRISP_UNTIL:
        return f"Its texture goes sooner: {crisp[0]} soften within a day or two."
    if recipe.family in DRYING_FAMILIES:
        return "Its texture goes sooner where it is open to the air: it dries; wrap it."
    return ""


def _reasons(recipe: Recipe, water_activity_high: float | None) -> list[Keeping]:
    reasons = [_by_water(water_activity_high)]
    for line, _ in recipe.weighed:
        ingredient = line.ingredient
        wet = ingredient.composition_pct["water"] >= WET_FROM_PCT
        if ingredient.key in SOFT_CHEESES:
            reasons.append(_fridge(3, 5, f"soft cheese: {ingredient.name}"))
        elif "egg" in ingredient.allergens and wet:
            is_safe = ingredient.key in PASTEURISED
            low, high = (5, 7) if is_safe else (1, 2)
            reasons.append(_fridge(low, high, f"{'pasteurised' if is_safe else 'raw'} egg: {ingredient.name}"))
        elif ingredient.kind == "fruit" and wet:
            reasons.append(_fridge(5, 7, f"fresh fruit: {ingredient.name}"))
        elif _is_fresh_dairy(line) and reasons[0].where == "room":
            reasons.append(Keeping(where="cool", days_low=21, days_high=42, because=f"fresh milk: {ingredient.name}"))
    if recipe.family == "soft-cheese":
        reasons.append(_fridge(3, 5, "a soft-cheese centre"))
    return reasons


def _is_fresh_dairy(line: Line) -> bool:
    """Return whether fresh cream or milk went in without being boiled into the mass."""
    ingredient = line.ingredient
    is_milk = "milk" in ingredient.allergens and ingredient.composition_pct["water"] >= WET_FROM_PCT
    return line.stage != "boil" and (ingredient.kind == "cream" or (is_milk and ingredient.liquid))


def _fridge(low: int, high: int, because: str) -> Keeping:
    return Keeping(where="fridge", days_low=low, days_high=high, because=because)


def _by_water(high: float | None) -> Keeping:
    if high is None:
        return Keeping(
            where="room", days_low=30, days_high=60, because="hardly any water: its fat and nuts turn stale first"
        )
    bound, where, days_low, days_high = next(row for row in BY_WATER_ACTIVITY if high >= row[0])
    side = f"may reach {high:.2f}" if bound else f"stays below {BY_WATER_ACTIVITY[-2][0]}"
    return Keeping(where=where, days_low=days_low, days_high=days_high, because=f"water activity {side}")
