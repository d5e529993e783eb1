"""The set index: how firmly a mass stands after 12 to 24 h, from 0 (sauce) over 3 (rolls) to 5 (hard)."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import log
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solid_fat import SOLID_FRACTION, fat_shares, interpolate, solid_fractions, solid_fractions_of
from hearth_bowl.core.mass.solution import Dissolved, dissolve

CLASS_BOUNDS: Final = ((0.5, "sauce"), (1.6, "glaze"), (2.6, "pipe"), (3.4, "roll"), (4.5, "cut"))
"""Upper bound of each class; at or above the last: hard. Handbook, section D."""
HARD: Final = "hard"
LOWEST_C: Final = -18.0  # by definition
HIGHEST_C: Final = 45.0  # by definition
HIGHEST_INDEX: Final = 5.0  # by definition
BAND_AT_20_C: Final = 0.4  # handbook, section D
BAND_ELSEWHERE: Final = 0.7  # handbook, section D
BAND_WATER_FREE: Final = 0.6  # handbook, section D
NOT_MODELLED_FAMILIES: Final = frozenset(
    {
        "whipped-ganache", "simmered-fudge", "boiled-fudge", "fondant", "marzipan", "soft-cheese", "modelling",
        "dry-mix", "caramel", "fruit-jelly", "aerated", "curd", "hard-sugar",
    }
)  # fmt: skip
LEAST_WET: Final = 0.05
"""Share of water and alcohol under which a mass is water-free. Handbook, section D."""
MOST_FAT_TO_WET: Final = 4.0
"""Fat to water and alcohol from which the fat is the outer phase. Handbook, section D."""
BLEND_FROM_FAT_TO_WET: Final = 2.8  # handbook, section D
BLEND_FROM_WET: Final = 0.08
"""From here on the index goes over from the wet rule to the water-free one. Handbook, section D."""
COLD_FROM_C: Final = 20.0  # a judgement
COLD_SPAN_C: Final = 16.0  # a judgement
MOST_SYRUP: Final = 2.5  # a judgement
BAND_MAY_SEIZE: Final = 0.8  # a judgement
IN_A_GANACHE: Final = 0.5  # a judgement
WATER_FREE: Final = 1.0  # a judgement
CRYSTALS_READ_UP_TO_C: Final = 20.0  # a judgement
FREE_OIL_THINS: Final = 0.3
"""1 g of liquid oil or coconut fat that came as such thins as so much water: a judgement of the handbook, weak."""
LEAST_STIFF: Final = 1e-6
"""Stands for nothing stiff at all: a sauce by any reading. Numerical, by definition."""


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
    """Return whether the water-free rule holds alone: little water and alcohol, or four times as much fat."""
    mixture = mixture.binder
    wet_g = mixture.grams["water"] + mixture.grams["ethanol"]
    return wet_g <= LEAST_WET * mixture.mass_g or mixture.fat_g >= MOST_FAT_TO_WET * wet_g


def set_class(index: float) -> str:
    """Return the class of an index."""
    return next((name for bound, name in CLASS_BOUNDS if index < bound), HARD)


def index_band(at_c: float, water_free: bool) -> float:
    """Return the half width of the index's band."""
    if water_free:
        return BAND_WATER_FREE
    return BAND_AT_20_C if at_c == 20 else BAND_ELSEWHERE


def index_curve(mixture: Mixture, temperatures_c: list[float]) -> list[float]:
    """Return the set index at each of some rising temperatures, clipped to 0..5; pieces are left out.

    Water-continuous: 3.02 ln R + 2.00 + cold, R = (solid fat + 0.5 CN + 0.5 MS + 0.12 undissolved sugar + fruit
    solids) / (water + ethanol + 0.8 glycerol + 0.3 sorbitol + 0.3 liquid free oil), all in g; below 20 °C the syrup
    thickens and lean cocoa sets to a pudding: cold = c (0.35 + 0.25 S + 8 CN/we max(0, 1 - fat/we)²), c = clip((20
    - T)/16, 0, 1), S g of dissolved sugars per g of water and ethanol (we), at most 2.5. Water-free: 1.12 ln(1 + P)
    + 2.2 phi - 1.4, P the solid fat in % of the fat, phi the share of dry particles of what is neither water nor
    ethanol. A wet mass is never firmer than its own dry matter; between the two rules the index goes over without a
    step. Calibrated judgements (set-judgement, set-water-free).
    """
    return [_clip(index) for index in _unclipped(mixture, temperatures_c)]


def index_unclipped(mixture: Mixture, at_c: float) -> float:
    """Return the index beyond 0 and 5 too: what a solver needs to find its way."""
    return _unclipped(mixture, [at_c])[0]


def _unclipped(mixture: Mixture, temperatures_c: list[float]) -> list[float]:
    mixture = mixture.binder
    dryness = _dryness(mixture)
    fats = fat_shares(mixture)
    dry = [_dry(mixture, f) for f in solid_fractions(fats, temperatures_c, WATER_FREE)]
    if dryness >= 1:
        return dry
    held = _Held.of(mixture)
    solids = solid_fractions(fats, temperatures_c, IN_A_GANACHE)
    wet = [held.wet(at_c, fraction) for at_c, fraction in zip(temperatures_c, solids, strict=True)]
    return [(1 - dryness) * min(w, d) + dryness * d for w, d in zip(wet, dry, strict=True)]


def _dryness(mixture: Mixture) -> float:
    """Return how far the mass is on its way from the wet rule (0) to the water-free one (1)."""
    wet_g = mixture.grams["water"] + mixture.grams["ethanol"]
    if wet_g <= 0:
        return 1.0
    by_fat = (mixture.fat_g / wet_g - BLEND_FROM_FAT_TO_WET) / (MOST_FAT_TO_WET - BLEND_FROM_FAT_TO_WET)
    by_water = (BLEND_FROM_WET - wet_g / mixture.mass_g) / (BLEND_FROM_WET - LEAST_WET)
    return min(max(by_fat, by_water, 0.0), 1.0)


def _dry(mixture: Mixture, fraction: float) -> float:
    grams = mixture.grams
    without_water_g = mixture.mass_g - grams["water"] - grams["ethanol"]
    particles = 1 - mixture.fat_g / without_water_g if without_water_g > 0 else 0.0
    return 1.12 * log(1 + 100 * fraction) + 2.2 * particles - 1.4


@dataclass(frozen=True, slots=True, kw_only=True)
class _Held:
    """What of a wet mass does not change with its temperature, reckoned once [g]; `warm` is its sugar from 20 °C on."""

    mixture: Mixture
    warm: Dissolved
    fat_g: float
    stiff_g: float
    wet_g: float
    thin_g: float

    @classmethod
    def of(cls, mixture: Mixture) -> "_Held":
        grams = mixture.grams
        wet_g = grams["water"] + grams["ethanol"]
        return cls(
            mixture=mixture,
            warm=dissolve(mixture, CRYSTALS_READ_UP_TO_C),
            fat_g=mixture.fat_g,
            stiff_g=0.5 * grams["cocoa_nonfat"] + 0.5 * grams["msnf"] + mixture.fruit_solids_g,
            wet_g=wet_g,
            thin_g=wet_g + 0.8 * grams["glycerol"] + 0.3 * grams["sorbitol"],
        )

    def wet(self, at_c: float, fraction: float) -> float:
        is_warm = at_c >= CRYSTALS_READ_UP_TO_C
        crystals_g = (self.warm if is_warm else dissolve(self.mixture, at_c)).crystals_g
        stiff_g = fraction * self.fat_g + self.stiff_g + 0.12 * crystals_g
        thin_g = self.thin_g + FREE_OIL_THINS * self._liquid_oil_g(at_c)
        index = 3.02 * log(max(stiff_g / thin_g, LEAST_STIFF)) + 2.00
        how_cold = min(max((COLD_FROM_C - at_c) / COLD_SPAN_C, 0.0), 1.0)
        return index + how_cold * self._cold() if how_cold else index

    def _liquid_oil_g(self, at_c: float) -> float:
        """Return the free oil and coconut fat that are liquid at a temperature [g]."""
        oil_g, coconut_g = self.mixture.free_oil_g, self.mixture.free_coconut_g
        if not oil_g and not coconut_g:
            return 0.0
        solid = SOLID_FRACTION
        return oil_g * (1 - interpolate(solid["oil"], at_c)) + coconut_g * (1 - interpolate(solid["coconut"], at_c))

    def _cold(self) -> float:
        """Return how much firmer it is at 4 °C: g of dissolved sugars per g of wet, at most 2.5, and lean cocoa."""
        grams, held = self.mixture.grams, self.warm
        sugars_g = (
            held.sucrose_g + held.lactose_g + held.glucose_g + grams["fructose"] + grams["maltose"] + grams["higher"]
        )
        pudding = 8 * grams["cocoa_nonfat"] / self.wet_g * max(0.0, 1 - self.fat_g / self.wet_g) ** 2
        return 0.35 + 0.25 * min(sugars_g / self.wet_g, MOST_SYRUP) + pudding


def _clip(index: float) -> float:
    return min(max(index, 0.0), HIGHEST_INDEX)


def indices_at(mixtures: Sequence[Mixture], at_c: float) -> list[float]:
    """Return the set index of each of some mixtures at one temperature [°C], as `index_curve`."""
    binders = [mixture.binder for mixture in mixtures]
    dry = [
        _dry(binder, fraction)
        for binder, fraction in zip(binders, solid_fractions_of(binders, at_c, WATER_FREE), strict=True)
    ]
    drynesses = [_dryness(binder) for binder in binders]
    wet = [position for position, dryness in enumerate(drynesses) if dryness < 1]
    solids = solid_fractions_of([binders[position] for position in wet], at_c, IN_A_GANACHE)
    found = list(dry)
    for position, fraction in zip(wet, solids, strict=True):
        index, dryness = _Held.of(binders[position]).wet(at_c, fraction), drynesses[position]
        found[position] = (1 - dryness) * min(index, dry[position]) + dryness * dry[position]
    return [_clip(index) for index in found]


def index_at(mixture: Mixture, at_c: float) -> float:
    """Return the set index at one temperature [°C]."""
    return indices_at([mixture], at_c)[0]


def set_at(mixture: Mixture, at_c: float, modelled: bool, may_seize: bool = False) -> SetIndex:
    """Return the index at `at_c` with its band; without figures where the index says nothing of this mass."""
    water_free = is_water_free(mixture)
    rule = "water-free" if water_free else "water-continuous"
    if not modelled:
        return SetIndex(at_c=at_c, index=None, low=None, high=None, class_=None, rule=rule)
    index = index_at(mixture, at_c)
    band = BAND_MAY_SEIZE if may_seize else index_band(at_c, water_free)
    return SetIndex(
        at_c=at_c, index=index, low=_clip(index - band), high=_clip(index + band), class_=set_class(index), rule=rule
    )
