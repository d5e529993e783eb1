"""Invertase: how a fondant centre turns liquid over days. Stoichiometry solid, times weak."""

from dataclasses import replace
from math import exp
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solution import dissolve

WATER_PER_SUCROSE: Final = 0.0526
"""g of water that 1 g of inverted sucrose takes up: C12H22O11 + H2O gives glucose and fructose."""
HEXOSE_PER_SUCROSE: Final = 0.5263
"""g of glucose, and as much of fructose, from 1 g of sucrose."""
RATE_PER_DAY: Final = 0.0693
"""At 20 °C and a dose of 0.1 % of a standard liquid on the fondant: half in ten days. Source: invertase-practice."""
REFERENCE_DOSE_PCT: Final = 0.1
ACTIVATION_J_PER_MOL: Final = 45_000.0
SLOWEST, FASTEST = 0.5, 2.0
"""Preparations differ several-fold: half to double is shown."""
ETHANOL_STOPS_PCT: Final = 40.0
STEP_DAYS: Final = 0.25


def rate_per_day(dose_pct: float, at_c: float, ethanol_in_liquid_pct: float = 0.0) -> float:
    """Return the rate k [1/day] by which dissolved sucrose goes: proportional to the dose, slower when cold.

    k = 0.0693 dose/0.1 exp(-(45000/8.314)(1/T - 1/293.15)) (1 - e/40), e % ethanol by mass in the liquid.
    """
    cold = exp(-(ACTIVATION_J_PER_MOL / 8.314) * (1 / (at_c + 273.15) - 1 / 293.15))
    spirit = max(0.0, 1 - ethanol_in_liquid_pct / ETHANOL_STOPS_PCT)
    return RATE_PER_DAY * dose_pct / REFERENCE_DOSE_PCT * cold * spirit


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
    """Return the mixture after some days: only what is dissolved is attacked, and crystals feed it."""
    grams = mixture.grams
    wet = grams["water"] + grams["ethanol"]
    k = rate_per_day(dose_pct, at_c, 100 * grams["ethanol"] / wet if wet > 0 else 0.0)
    now, passed = mixture, 0.0
    while passed < days - 1e-9:
        step = min(STEP_DAYS, days - passed)
        now = invert(now, dissolve(now, at_c).sucrose_g * (1 - exp(-k * step)))
        passed += step
    return now


def days_until_loose(
    mixture: Mixture, dose_pct: float, at_c: float, left_share: float = 0.5, most: float = 120
) -> float | None:
    """Return the days until the sugar crystals are down to a share of what they were, or None within `most` days."""
    crystals = dissolve(mixture, at_c).sucrose_crystals_g
    if crystals <= 0:
        return 0.0
    now, passed = mixture, 0.0
    while passed < most:
        now = after_days(now, 1.0, dose_pct, at_c)
        passed += 1.0
        if dissolve(now, at_c).sucrose_crystals_g <= left_share * crystals:
            return passed
    return None
