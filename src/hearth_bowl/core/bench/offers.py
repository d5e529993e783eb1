"""Offers: a concrete, computed change that mends what a reading found."""

from dataclasses import dataclass, replace
from itertools import pairwise
from math import exp, log
from typing import Final

from hearth_bowl.core.assess.assess import Assessment
from hearth_bowl.core.assess.at_work import aimed_index
from hearth_bowl.core.geometry.numbers import crossing
from hearth_bowl.core.ingredients.attributes import is_milk
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.mass.split import FRAGILE, SPLIT_BOUNDS, fat_to_water, offered_up_to, rescue_g
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.slide import slide_mixtures, slide_of

FRAGILE_FROM: Final = next(low for (low, _), (_, band) in pairwise(SPLIT_BOUNDS) if band == FRAGILE[0])
"""Fat to water from which an emulsion is fragile. Source: split-practice."""
LEAST_OFFER_G: Final = 3.0  # handbook of this craft
LEAST_OFFER_SHARE: Final = 0.02
"""Less than that, of the batch, is not worth a change: the handbook's."""
NEAR_AIM: Final = 0.003  # a judgement
LEAST_INDEX: Final = 0.15
"""Set index by which an offer that is held back must still move it: less is the same to the hand. A judgement."""
MOST_TIMES: Final = 4.0
"""An offer never makes one line more than this many times what it is, or less than a quarter. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Moved:
    """New grams for the line at a position."""

    position: int
    amount_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Added:
    """A new line: an ingredient of the library, its grams and stage."""

    ingredient: str
    amount_g: float
    stage: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Offer:
    """A change to try: lines that move, perhaps a new one, and a word of why it goes no further."""

    label: str
    changes: tuple[Moved, ...]
    add: Added | None = None
    note: str = ""


def split_offer(recipe: Recipe, assessment: Assessment) -> Offer | None:
    """Return the milk that brings fat to water down to 1.8, or None where none is needed or worth it."""
    mixture = assessment.mixture.binder
    if assessment.split.band not in FRAGILE:
        return None
    position = next(
        (
            position
            for position, line in enumerate(recipe.lines)
            if is_milk(line.ingredient.composition_pct, line.ingredient.allergens) and not line.pinned
        ),
        None,
    )
    milk = recipe.lines[position].ingredient if position is not None else find("milk_whole")
    share = milk.composition_pct
    more_g = rescue_g(mixture.fat_g, mixture.grams["water"], share["water"] / 100, share["milk_fat"] / 100)
    if not more_g or more_g < max(LEAST_OFFER_G, LEAST_OFFER_SHARE * assessment.mass_g):
        return None
    more_g = shown_g(more_g, up=True)
    label = f"Try ⟦{more_g:g} g⟧ more {milk.name.lower()}" if position is not None else f"Try ⟦{more_g:g} g⟧ whole milk"
    if position is None:
        return Offer(label=label, changes=(), add=Added(ingredient="milk_whole", amount_g=more_g, stage="warm"))
    return Offer(label=label, changes=(Moved(position=position, amount_g=recipe.amounts_g[position] + more_g),))


def set_offer(recipe: Recipe, assessment: Assessment) -> Offer | None:
    """Return the move of the chocolate (or of the liquid) that meets the use's aim, or None where none is near.

    Where that would leave the emulsion fragile, the nearest that stays in "care" is offered, and says so.
    """
    at_c = assessment.set.at_c
    slide, aim = slide_of(recipe), aimed_index(recipe.use, at_c)
    if slide is None or not slide.moving or aim is None or assessment.set.index is None:
        return None
    base, moving = slide_mixtures(recipe, slide)

    def index(share: float) -> float:
        return index_at(base.plus(moving, share), at_c)

    share = crossing(lambda times: index(exp(times)) - aim, -log(MOST_TIMES), log(MOST_TIMES), NEAR_AIM)
    if share is None:
        return None
    limit = offered_up_to(recipe, assessment.mixture, base.plus(moving, exp(share)))
    if limit is None:
        return _slide_offer(recipe, slide.moving, exp(share))

    def apart(times: float) -> float:
        return (fat_to_water(base.plus(moving, exp(times))) or limit) - limit

    held = crossing(apart, min(0.0, share), max(0.0, share), NEAR_AIM)
    offer = None if held is None else _slide_offer(recipe, slide.moving, exp(held))
    if offer is None or held is None or abs(index(exp(held)) - assessment.set.index) < LEAST_INDEX:
        return None
    return replace(offer, note=f"Not all the way: more would make it fragile, over {FRAGILE_FROM:g} fat to water.")


def _slide_offer(recipe: Recipe, moving: tuple[int, ...], factor: float) -> Offer | None:
    changes = tuple(
        Moved(position=position, amount_g=shown_g(recipe.amounts_g[position] * factor)) for position in moving
    )
    moved_g = sum(change.amount_g - recipe.amounts_g[change.position] for change in changes)
    if abs(moved_g) < 1:
        return None
    name = recipe.lines[moving[0]].ingredient.name if len(moving) == 1 else "chocolate"
    name = name[0].lower() + name[1:]
    return Offer(label=f"Try ⟦{abs(moved_g):.0f} g⟧ {'more' if moved_g > 0 else 'less'} {name}", changes=changes)
