"""Ripening: how invertase turns a fondant centre loose, creamy, liquid. Stoichiometry solid, times weak."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import exp, log
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import check_number
from hearth_bowl.core.geometry.numbers import bisect_rising
from hearth_bowl.core.ingredients.attributes import is_fondant
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solution import dissolve
from hearth_bowl.core.recipe.recipe import Recipe

WATER_PER_SUCROSE: Final = 0.0526
"""g of water that 1 g of inverted sucrose takes up: C12H22O11 + H2O gives glucose and fructose. Handbook, section J."""
HEXOSE_PER_SUCROSE: Final = 0.5263
"""g of glucose, and as much of fructose, from 1 g of sucrose. Handbook, section J."""
RATE_PER_DAY: Final = 0.045
"""Of all sucrose, at 20 °C and 0.1 % of a usual liquid on the fondant: creamy in 5 to 14 days. invertase-practice."""
REFERENCE_DOSE_PCT: Final = 0.1  # handbook, section J
USUAL_DOSE_PCT: Final = 0.2
"""0.1 to 0.3 % is usual; the maker's label wins. Handbook, section J."""
ACTIVATION_J_PER_MOL: Final = 45_000.0  # handbook, section J
SLOWEST, FASTEST = 0.5, 2.0
"""Preparations differ several-fold: half to double the days is shown. Handbook, section J."""
ETHANOL_STOPS_PCT: Final = 40.0  # handbook, section J
FROZEN_BELOW_C: Final = -5.0
"""A freezer stops it. Handbook, section J."""
WORDS: Final[Mapping[str, float]] = MappingProxyType({"loose": 45.0, "creamy": 30.0, "liquid": 10.0})
"""g of sugar crystals in 100 g of the centre: no edge holds; soft and spoonable; runs. Handbook, section J."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ripening:
    """The share of crystals now (0 to 1), and the days to each word: low, middle, high, or None where never."""

    crystals_share: float
    dose_pct: float
    days: Mapping[str, tuple[float, float, float] | None]


def rate_per_day(dose_pct: float, at_c: float, ethanol_in_liquid_pct: float = 0.0) -> float:
    """Return the rate k [1/day] by which all sucrose goes, its crystals feeding the liquid.

    k = 0.045 dose/0.1 exp(-(45000/8.314)(1/T - 1/293.15)) (1 - e/40), e % ethanol by mass in the liquid; 0 frozen.
    """
    if at_c < FROZEN_BELOW_C:
        return 0.0
    warmth = exp(-(ACTIVATION_J_PER_MOL / 8.314) * (1 / (at_c + 273.15) - 1 / 293.15))
    spirit = max(0.0, 1 - ethanol_in_liquid_pct / ETHANOL_STOPS_PCT)
    return RATE_PER_DAY * dose_pct / REFERENCE_DOSE_PCT * warmth * spirit


def crystals_share(mixture: Mixture, at_c: float) -> float:
    """Return the grams of sucrose and lactose crystals in a gram of the centre."""
    return dissolve(mixture, at_c).crystals_g / mixture.mass_g


def invert(mixture: Mixture, sucrose_g: float) -> Mixture:
    """Return the mixture with so much of its sucrose split into glucose and fructose.

    Water limits it: what is not there cannot be taken up.
    """
    grams = dict(mixture.grams)
    split_g = min(sucrose_g, grams["sucrose"], grams["water"] / WATER_PER_SUCROSE)
    grams["sucrose"] -= split_g
    grams["water"] -= WATER_PER_SUCROSE * split_g
    grams["glucose"] += HEXOSE_PER_SUCROSE * split_g
    grams["fructose"] += HEXOSE_PER_SUCROSE * split_g
    return replace(mixture, grams=grams)


def after_days(mixture: Mixture, days: float, dose_pct: float, at_c: float) -> Mixture:
    """Return the mixture after some days: of its total sucrose exp(-k t) is left."""
    k = rate_per_day(dose_pct, at_c, _ethanol_in_liquid_pct(mixture, at_c))
    return invert(mixture, mixture.grams["sucrose"] * (1 - exp(-k * days)))


def inverted_until(mixture: Mixture, at_c: float, crystals_g_per_100g: float) -> float | None:
    """Return the share of the sucrose, 0 to 1, that is inverted when so few crystals are left; None where never."""
    sucrose_g, wanted = mixture.grams["sucrose"], crystals_g_per_100g / 100
    if crystals_share(mixture, at_c) <= wanted:
        return 0.0

    def dissolved(share: float) -> float:
        return -crystals_share(invert(mixture, share * sucrose_g), at_c)

    return None if dissolved(1.0) < -wanted else bisect_rising(dissolved, -wanted, 0.0, 1.0)


def ripen(mixture: Mixture, dose_pct: float = USUAL_DOSE_PCT, at_c: float = 20.0) -> Ripening:
    """Return how a centre ripens: t = -ln(1 - share inverted)/k to each word, shown from half to double.

    :raises BadInput: at `dose_pct` or `at_c`.
    """
    check_number(("dose_pct",), dose_pct, 0, 5, "%", above=True)
    check_number(("at_c",), at_c, -30, 45, "°C")
    k = rate_per_day(dose_pct, at_c, _ethanol_in_liquid_pct(mixture, at_c))
    days: dict[str, tuple[float, float, float] | None] = {}
    for word, limit in WORDS.items():
        share = inverted_until(mixture, at_c, limit)
        if share == 0:
            days[word] = (0.0, 0.0, 0.0)
        elif share is None or share >= 1 or k <= 0:
            days[word] = None
        else:
            middle = -log(1 - share) / k
            days[word] = (middle / FASTEST, middle, middle / SLOWEST)
    return Ripening(crystals_share=crystals_share(mixture, at_c), dose_pct=dose_pct, days=MappingProxyType(days))


def dose_pct(recipe: Recipe, finished_g: float) -> float | None:
    """Return the dose that a recipe carries [% of its fondant, or of the finished mass], or None where it has none."""
    dose_g = sum(grams for line, grams in recipe.weighed if line.ingredient.enzyme)
    return 100 * dose_g / (fondant_g(recipe) or finished_g) if dose_g else None


def fondant_g(recipe: Recipe) -> float:
    """Return the grams of ready fondant in a recipe."""
    return sum(grams for line, grams in recipe.weighed if is_fondant(line.ingredient.composition_pct))


def _ethanol_in_liquid_pct(mixture: Mixture, at_c: float) -> float:
    """Return % ethanol by mass in the liquid: water, ethanol and what is dissolved in them."""
    grams = mixture.grams
    if grams["ethanol"] <= 0:
        return 0.0
    held = dissolve(mixture, at_c)
    others = sum(grams[name] for name in ("fructose", "maltose", "higher", "sorbitol", "glycerol", "salt"))
    liquid = grams["water"] + grams["ethanol"] + held.sucrose_g + held.lactose_g + held.glucose_g + others
    return 100 * grams["ethanol"] / liquid if liquid > 0 else 0.0
