"""What the one who eats it is told on a label: what it is, its energy, and what to be careful of."""

from dataclasses import dataclass
from math import fsum
from typing import Final

from hearth_bowl.core.confection.confection import Blend
from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.ingredients.ingredient import energy_by_factors
from hearth_bowl.core.recipe.recipe import Recipe

OUTSIDE: Final = ("shell", "coat", "rolling")
ENERGY_SPREAD: Final = 0.1
"""How far energy by tables may lie from energy by analysis: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Energy:
    """kcal per 100 g as it is eaten, with its band, and what it rests on."""

    kcal: float
    low: float
    high: float
    basis: str


def told_eater(worked: Worked) -> tuple[str, ...]:
    """Return the cautions for the one who eats it, what can hurt first."""
    return tuple(caution.label for caution in worked.cautions if caution.label)


def what_it_is(worked: Worked) -> str:
    """Return in a few words what a confection is: what is inside, and what is round it."""
    inside = dict.fromkeys(_words(part) for part in worked.parts if part.part.role not in (*OUTSIDE, "topping", "core"))
    outside = [part for part in worked.parts if part.part.role in OUTSIDE]
    words = " and ".join(inside)
    if outside:
        words = f"{words} in {_words(outside[0])}" if words else _words(outside[0])
    return words[:1].upper() + words[1:]


def _words(part: WorkedPart) -> str:
    of = part.part.of
    if isinstance(of, Recipe):
        return of.family.replace("-", " ") if of.family not in ("", "filling") else of.name
    return part.name.lower() if not isinstance(of, Blend) else "blended chocolate"


def energy_of(worked: Worked) -> Energy:
    """Return the energy of a confection by its ingredients' own tables; what water boils off carries none away.

    The band is ten per cent, or wider where an ingredient's table and the factors of its components differ more
    (Regulation (EU) No 1169/2011, annex XIV).
    """
    by_table = fsum(grams * one.energy_kcal_per_100g / 100 for one, grams in worked.ingredients)
    by_factors = fsum(grams * energy_by_factors(one.composition_pct) / 100 for one, grams in worked.ingredients)
    kcal = by_table / worked.piece_g * 100
    off = max(ENERGY_SPREAD * kcal, abs(by_table - by_factors) / worked.piece_g * 100)
    return Energy(kcal=kcal, low=kcal - off, high=kcal + off, basis="the ingredients' tables, by mass as eaten")
