"""Boiling: at what temperature a mass boils, and how much water is left in it when it does."""

from dataclasses import dataclass
from math import exp, log
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.geometry.numbers import bisect_rising
from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.water_activity import WATER_G_PER_MOL, Solute, damped_activity, dissolved_solutes

SEA_LEVEL_KPA: Final = 101.325  # source: wagner-pruss-1993
HIGHEST_M: Final = 5000.0  # source: wagner-pruss-1993
LOWEST_M: Final = -400.0  # source: wagner-pruss-1993
LOWEST_KPA: Final = 50.0  # source: wagner-pruss-1993
HIGHEST_KPA: Final = 110.0  # source: wagner-pruss-1993
CRITICAL_K: Final = 647.096  # source: wagner-pruss-1993
CRITICAL_KPA: Final = 22064.0  # source: wagner-pruss-1993
WAGNER_PRUSS: Final = (
    (-7.85951783, 1.0), (1.84408259, 1.5), (-11.7866497, 3.0), (22.6807411, 3.5), (-15.9618719, 4.0), (1.80122502, 7.5),
)  # fmt: skip
"""(coefficient, power) of the vapour pressure of water. Source: wagner-pruss-1993. Solid."""
COLDEST_BOIL_C: Final = 60.0  # numerical, by definition
HOTTEST_BOIL_C: Final = 260.0  # numerical, by definition
MOST_SOLIDS_PCT: Final = 98.5
"""Above this share of solids the formula is not trusted. Handbook, section C."""
LEAST_WATER_G_PER_G: Final = 1e-9  # numerical, by definition
MOST_WATER_G_PER_G: Final = 1e4  # numerical, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Boiling:
    """What a mass does at the boil: °C, % solids of its syrup, g of water, kPa of air."""

    boiling_c: float
    solids_pct: float
    water_g: float
    pressure_kpa: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cooked:
    """A mass cooked to a temperature: the water left in it, in g and per cent of what is finished."""

    to_c: float
    water_left_g: float
    water_left_pct: float
    finished_g: float
    evaporated_g: float
    solids_pct: float


def saturation_kpa(at_c: float) -> float:
    """Return the vapour pressure of water [kPa], 0 to 373 °C. W. Wagner and A. Pruss, 1993 (IAPWS).

    >>> round(saturation_kpa(99.97), 1)
    101.3
    """
    kelvin = at_c + 273.15
    v = 1 - kelvin / CRITICAL_K
    return CRITICAL_KPA * exp(CRITICAL_K / kelvin * sum(factor * v**power for factor, power in WAGNER_PRUSS))


def pressure_kpa(altitude_m: float) -> float:
    """Return the pressure of the air [kPa] at an altitude: 101.325 (1 - 2.25577e-5 h)^5.25588 (ICAO).

    Weather moves it by ±3 kPa, that is ±0.8 °C: the boiling-water test is better.

    :raises BadInput: at `altitude_m`.
    """
    check_number(("altitude_m",), altitude_m, LOWEST_M, HIGHEST_M, "m")
    return float(SEA_LEVEL_KPA * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


def check_pressure(kpa: float) -> float:
    """Return a pressure when it is one that a kitchen has.

    :raises BadInput: at `pressure_kpa`.
    """
    return check_number(("pressure_kpa",), kpa, LOWEST_KPA, HIGHEST_KPA, "kPa")


def solids_g(mixture: Mixture) -> float:
    """Return the sugars, polyols and salt [g]: what raises the boiling point (milk's few salts aside)."""
    grams = mixture.grams
    return sum(grams[name] for name in (*SUGARS, "sorbitol", "glycerol", "salt"))


def boiling_solutes(mixture: Mixture) -> list[Solute]:
    """Return what is dissolved at the boil: all sugar and salt, no ethanol; fat, protein and cocoa are no solutes."""
    return dissolved_solutes(mixture, None, without=("ethanol",))


def boiling_c(water_g: float, solutes: list[Solute], kpa: float) -> float:
    """Return the temperature at which aw(T) psat(T) = p, by bisection.

    :raises BadInput: at `lines`: no water, or so little that the formula does not hold.
    """
    if water_g <= 0:
        raise BadInput(("lines",), "there is no water to boil", "some water, milk, cream or syrup", "no-water")
    water_mol = water_g / WATER_G_PER_MOL

    def pressure(at_c: float) -> float:
        return damped_activity(water_mol, solutes, at_c) * saturation_kpa(at_c)

    if pressure(HOTTEST_BOIL_C) < kpa:
        raise BadInput(("lines",), "so little water that its boiling point is not known", "more water", "out-of-range")
    return bisect_rising(pressure, kpa, COLDEST_BOIL_C, HOTTEST_BOIL_C)


def water_boils_c(kpa: float) -> float:
    """Return the temperature at which plain water boils."""
    return bisect_rising(saturation_kpa, kpa, COLDEST_BOIL_C, HOTTEST_BOIL_C)


def boil(mixture: Mixture, kpa: float) -> Boiling:
    """Return how a mass boils as it is. Solid for syrups, fair for milk mixtures (±1.5 % water).

    :raises BadInput: at `lines` without water; at `pressure_kpa`.
    """
    check_pressure(kpa)
    water_g, dry_g = mixture.grams["water"], solids_g(mixture)
    return Boiling(
        boiling_c=boiling_c(water_g, boiling_solutes(mixture), kpa),
        solids_pct=100 * dry_g / (dry_g + water_g),
        water_g=water_g,
        pressure_kpa=kpa,
    )


def cook_to(mixture: Mixture, to_c: float, kpa: float) -> Cooked:
    """Return what is left of a mass cooked until it boils at `to_c`.

    The alcohol is gone with the first of the steam. Water left falls with the end temperature.

    :raises BadInput: at `to_c`: under the boiling point of water or of the mass as it is, or beyond the formula; at
        `lines`: no water, or nothing dissolved in it.
    """
    now = boil(mixture, kpa)
    solutes = boiling_solutes(mixture)
    dry_g = now.solids_pct / 100 * (mixture.grams["water"] + solids_g(mixture))
    if not solutes or dry_g <= 0:
        raise BadInput(("lines",), "nothing is dissolved that would raise the boiling point", "some sugar", "no-solids")
    water_c = water_boils_c(kpa)
    check_number(("to_c",), to_c, water_c, HOTTEST_BOIL_C - 1, "°C", above=True)
    water_left_g = water_at(solutes, dry_g, to_c, kpa)
    solids_pct = 100 * dry_g / (dry_g + water_left_g)
    if solids_pct > MOST_SOLIDS_PCT:
        raise BadInput(
            ("to_c",), f"⟦{to_c:g} °C⟧ is beyond the formula: hardly any water is left", "a lower temperature"
        )
    if water_left_g > mixture.grams["water"] * (1 + 1e-9):
        raise BadInput(
            ("to_c",),
            f"it boils at ⟦{now.boiling_c:.1f} °C⟧ as it is and cannot be cooked to less",
            f"above ⟦{now.boiling_c:.1f} °C⟧, or more water",
            "out-of-range",
        )
    return _cooked(mixture, to_c, water_left_g, solids_pct)


def cook_until_lost(mixture: Mixture, lost_g: float, kpa: float) -> Cooked:
    """Return what is left of a mass when the pan has lost so much: water lost is mass lost, the alcohol first.

    :raises BadInput: at `lost_g`: more than its water and alcohol, or hardly any water left.
    """
    boil(mixture, kpa)
    grams = mixture.grams
    check_number(("lost_g",), lost_g, grams["ethanol"], grams["ethanol"] + grams["water"], "g")
    water_left_g = grams["water"] - (lost_g - grams["ethanol"])
    dry_g = solids_g(mixture)
    solids_pct = 100 * dry_g / (dry_g + water_left_g) if dry_g + water_left_g > 0 else 100.0
    if solids_pct > MOST_SOLIDS_PCT or water_left_g <= 0:
        raise BadInput(("lost_g",), "hardly any water would be left", "less", "out-of-range")
    to_c = boiling_c(water_left_g, boiling_solutes(mixture), kpa)
    return _cooked(mixture, to_c, water_left_g, solids_pct)


def cook_to_water_pct(mixture: Mixture, water_pct: float, kpa: float) -> Cooked:
    """Return a mass boiled until so much of it is water: W = solids p/(100 - p), and where that boils.

    Nothing is boiled below its start: a mass that is drier already stays as it is, at the temperature where it boils.

    :raises BadInput: at `water_pct`; at `lines` without water or without anything dissolved in it.
    """
    check_number(("water_pct",), water_pct, 0, 90, "%", above=True)
    now = boil(mixture, kpa)
    grams = mixture.grams
    dry_g = mixture.mass_g - grams["water"] - grams["ethanol"]
    if solids_g(mixture) <= 0:
        raise BadInput(("lines",), "nothing is dissolved that would raise the boiling point", "some sugar", "no-solids")
    left_g = dry_g * water_pct / (100 - water_pct)
    if left_g >= grams["water"]:
        return Cooked(
            to_c=now.boiling_c,
            water_left_g=grams["water"],
            water_left_pct=100 * grams["water"] / mixture.mass_g,
            finished_g=mixture.mass_g,
            evaporated_g=0.0,
            solids_pct=now.solids_pct,
        )
    try:
        return cook_until_lost(mixture, grams["ethanol"] + grams["water"] - left_g, kpa)
    except BadInput:
        raise BadInput(("water_pct",), "hardly any water would be left", "more", "out-of-range") from None


def _cooked(mixture: Mixture, to_c: float, water_left_g: float, solids_pct: float) -> Cooked:
    finished_g = mixture.mass_g - mixture.grams["ethanol"] - (mixture.grams["water"] - water_left_g)
    return Cooked(
        to_c=to_c,
        water_left_g=water_left_g,
        water_left_pct=100 * water_left_g / finished_g,
        finished_g=finished_g,
        evaporated_g=mixture.mass_g - finished_g,
        solids_pct=solids_pct,
    )


def water_at(solutes: list[Solute], dry_g: float, to_c: float, kpa: float) -> float:
    """Return the grams of water with which solutes boil at `to_c`: found on a logarithmic scale, to rounding."""
    wanted = kpa / saturation_kpa(to_c)

    def activity(log_water: float) -> float:
        return damped_activity(exp(log_water) / WATER_G_PER_MOL, solutes, to_c)

    low, high = log(dry_g * LEAST_WATER_G_PER_G), log(dry_g * MOST_WATER_G_PER_G)
    return exp(bisect_rising(activity, wanted, low, high))


def boil_curve(mixture: Mixture, kpa: float, points: int = 40) -> tuple[tuple[float, float], ...]:
    """Return (boiling point [°C], water left [g]) as a mass boils down from as it is; empty where it never boils."""
    solutes, water_g = boiling_solutes(mixture), mixture.grams["water"]
    found: list[tuple[float, float]] = []
    for step in range(points):
        left_g = water_g * (1 - 0.97 * step / (points - 1))
        try:
            found.append((boiling_c(left_g, solutes, kpa), left_g))
        except BadInput:
            break
    return tuple(found)
