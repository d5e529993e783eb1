"""Weigh as you go: what follows from an amount that is off, from a spill, and from the pan's own weight."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.balance import balance

SAME: Final = 0.02
"""A line within 2 % is as it should be. A judgement."""
AT_C: Final = 20.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Follow:
    """What is still to go in, by position [g], and why."""

    amounts_g: Mapping[int, float]
    says: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PanWeight:
    """How the boil stands by the scale: to lose still (or water to add back) [g], and about how long that takes [s]."""

    lost_g: float
    to_lose_g: float
    add_back_g: float
    about_s: float | None


def follow(recipe: Recipe, weighed_g: Mapping[int, float]) -> Follow | None:
    """Return what is still to go in after some lines were weighed; None where all is as it should be.

    The set is kept where it can be: what is weighed is pinned and the rest moved least. Else the rest is scaled.

    :raises BadInput: at `weighed`: a line that there is not, or no weight.
    """
    for position, grams in weighed_g.items():
        if not 0 <= position < len(recipe.lines):
            raise BadInput(("weighed", position), "there is no such line", f"0 to {len(recipe.lines) - 1}", "unknown")
        check_number(("weighed", position), grams, 0, 1e6, "g")
    rest = [position for position in range(len(recipe.lines)) if position not in weighed_g]
    off = [p for p, grams in weighed_g.items() if abs(grams - recipe.amounts_g[p]) > SAME * max(1, recipe.amounts_g[p])]
    if not rest or not off:
        return None
    amounts = [weighed_g.get(position, grams) for position, grams in enumerate(recipe.amounts_g)]
    pinned = replace(
        recipe.with_amounts_g(amounts),
        lines=tuple(
            replace(line, pinned=position in weighed_g)
            for position, line in enumerate(recipe.with_amounts_g(amounts).lines)
        ),
    )
    try:
        found = balance(pinned, {"set_index": index_at(mix(recipe), AT_C), "at_c": AT_C}, explain=False)
    except BadInput:
        found = None
    if found is not None and found.feasible:
        return Follow(
            amounts_g={position: found.amounts_g[position] for position in rest},
            says="The rest is moved so that it sets as it was meant to.",
        )
    return scaled_rest(recipe, weighed_g)


def scaled_rest(recipe: Recipe, weighed_g: Mapping[int, float]) -> Follow:
    """Return the rest scaled by what was weighed against what was meant."""
    meant = sum(recipe.amounts_g[position] for position in weighed_g)
    share = sum(weighed_g.values()) / meant if meant > 0 else 1.0
    rest = {p: grams * share for p, grams in enumerate(recipe.amounts_g) if p not in weighed_g}
    return Follow(amounts_g=rest, says=f"The rest is {100 * share:.0f} % of what was meant.")


def spilled(recipe: Recipe, gone_in: tuple[int, ...], left_g: float) -> Follow:
    """Return what follows when some was spilled: what is left in the bowl is weighed, the rest follows it.

    :raises BadInput: at `left_g`: nothing is left, or more than went in; at `gone_in`: a line that there is not.
    """
    for number, position in enumerate(gone_in):
        if not 0 <= position < len(recipe.lines):
            raise BadInput(("gone_in", number), "there is no such line", f"0 to {len(recipe.lines) - 1}", "unknown")
    was = sum(recipe.amounts_g[position] for position in gone_in)
    check_number(("left_g",), left_g, 0, was, "g", above=True)
    share = left_g / was
    rest = {p: grams * share for p, grams in enumerate(recipe.amounts_g) if p not in gone_in}
    return Follow(amounts_g=rest, says=f"{100 * share:.0f} % is left in the bowl: the rest follows it.")


def pan_weight(start_g: float, now_g: float, planned_loss_g: float, boiled_s: float | None = None) -> PanWeight:
    """Return how a simmer stands by the scale: water lost is mass lost. The pan's own weight is in all, or in none.

    :raises BadInput: at `now_g` or `start_g`.
    """
    check_number(("start_g",), start_g, 0, 1e5, "g", above=True)
    check_number(("now_g",), now_g, 0, start_g, "g", above=True)
    lost = start_g - now_g
    to_lose = planned_loss_g - lost
    about = None
    if boiled_s and lost > 0 and to_lose > 0:
        about = boiled_s * to_lose / lost
    return PanWeight(lost_g=lost, to_lose_g=max(0.0, to_lose), add_back_g=max(0.0, -to_lose), about_s=about)
