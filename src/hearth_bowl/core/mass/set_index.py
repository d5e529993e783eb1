"""The set index: how firmly a mass stands after 12 to 24 h, from 0 (sauce) over 3 (rolls) to 5 (hard)."""

from dataclasses import dataclass
from math import log
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solid_fat import solid_fractions
from hearth_bowl.core.mass.solution import dissolve

CLASS_BOUNDS: Final = ((0.5, "sauce"), (1.6, "glaze"), (2.6, "pipe"), (3.4, "roll"), (4.5, "cut"))
"""Upper bound of each class; at or above the last: hard."""
HARD: Final = "hard"
LOWEST_C: Final = -18.0
HIGHEST_C: Final = 45.0
HIGHEST_INDEX: Final = 5.0
BAND_AT_20_C: Final = 0.4
BAND_ELSEWHERE: Final = 0.7
BAND_WATER_FREE: Final = 0.6
NOT_MODELLED_FAMILIES: Final = frozenset(
    {
        "whipped-ganache", "simmered-fudge", "boiled-fudge", "fondant", "marzipan", "soft-cheese", "modelling",
        "dry-mix",
    }
)  # fmt: skip
LEAST_WET: Final = 0.05
"""Share of water and alcohol under which a mass is water-free."""
MOST_FAT_TO_WET: Final = 4.0
"""Fat to water and alcohol from which the fat is the outer phase."""
IN_A_GANACHE: Final = 0.5
WATER_FREE: Final = 1.0
CRYSTALS_READ_UP_TO_C: Final = 20.0
LEAST_STIFF: Final = 1e-6
"""Stands for nothing stiff at all: a sauce by any reading."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SetIndex:
    """The index with its band and class; all None where it is not modelled."""

    at_c: float
    index: float | None
    low: float | None
    high: float | None
    class_: str | None
    rule: str


def is_water_free(mixture: Mixture) -> bool:
    """Return whether the water-free rule holds: little water and alcohol, or four times as much fat."""
    wet_g = mixture.grams["water"] + mixture.grams["ethanol"]
    return wet_g < LEAST_WET * mixture.mass_g or mixture.fat_g >= MOST_FAT_TO_WET * wet_g


def set_class(index: float) -> str:
    """Return the class of an index."""
    return next((name for bound, name in CLASS_BOUNDS if index < bound), HARD)


def index_band(at_c: float, water_free: bool) -> float:
    """Return the half width of the index's band."""
    if water_free:
        return BAND_WATER_FREE
    return BAND_AT_20_C if at_c == 20 else BAND_ELSEWHERE


def index_curve(mixture: Mixture, temperatures_c: list[float]) -> list[float]:
    """Return the set index at each of some rising temperatures, clipped to 0..5.

    Water-continuous: 3.02 ln R + 2.00, R = (solid fat + 0.5 CN + 0.5 MS + 0.12 undissolved sugar + fruit solids) /
    (water + ethanol + 0.8 glycerol + 0.3 sorbitol), all in g. Water-free: 1.12 ln(1 + P) + 2.2 phi - 1.4, P the solid
    fat in % of the fat, phi the mass share of dry particles. Calibrated judgements (set-judgement, set-water-free).
    """
    rule = _water_free if is_water_free(mixture) else _water_continuous
    meeting = WATER_FREE if rule is _water_free else IN_A_GANACHE
    fractions = solid_fractions(mixture, temperatures_c, meeting)
    return [_clip(rule(mixture, at_c, f)) for at_c, f in zip(temperatures_c, fractions, strict=True)]


def index_unclipped(mixture: Mixture, at_c: float, water_free: bool) -> float:
    """Return the index by one of the two rules, beyond 0 and 5 too: what a solver needs to find its way."""
    if water_free:
        return _water_free(mixture, at_c, solid_fractions(mixture, [at_c], WATER_FREE)[0])
    return _water_continuous(mixture, at_c, solid_fractions(mixture, [at_c], IN_A_GANACHE)[0])


def _water_free(mixture: Mixture, _at_c: float, fraction: float) -> float:
    grams = mixture.grams
    dry = 1 - (mixture.fat_g + grams["water"] + grams["ethanol"]) / mixture.mass_g
    return 1.12 * log(1 + 100 * fraction) + 2.2 * dry - 1.4


def _water_continuous(mixture: Mixture, at_c: float, fraction: float) -> float:
    grams = mixture.grams
    crystals_g = dissolve(mixture, min(at_c, CRYSTALS_READ_UP_TO_C)).crystals_g
    stiff_g = (
        fraction * mixture.fat_g
        + 0.5 * grams["cocoa_nonfat"]
        + 0.5 * grams["msnf"]
        + 0.12 * crystals_g
        + mixture.fruit_solids_g
    )
    thin_g = grams["water"] + grams["ethanol"] + 0.8 * grams["glycerol"] + 0.3 * grams["sorbitol"]
    return 3.02 * log(max(stiff_g / thin_g, LEAST_STIFF)) + 2.00 if thin_g > 0 else HIGHEST_INDEX


def _clip(index: float) -> float:
    return min(max(index, 0.0), HIGHEST_INDEX)


def index_at(mixture: Mixture, at_c: float) -> float:
    """Return the set index at one temperature [°C]."""
    return index_curve(mixture, [at_c])[0]


def set_at(mixture: Mixture, at_c: float, modelled: bool) -> SetIndex:
    """Return the index at `at_c` with its band; without figures where the index says nothing of this mass."""
    water_free = is_water_free(mixture)
    rule = "water-free" if water_free else "water-continuous"
    if not modelled:
        return SetIndex(at_c=at_c, index=None, low=None, high=None, class_=None, rule=rule)
    index, band = index_at(mixture, at_c), index_band(at_c, water_free)
    return SetIndex(
        at_c=at_c, index=index, low=_clip(index - band), high=_clip(index + band), class_=set_class(index), rule=rule
    )
