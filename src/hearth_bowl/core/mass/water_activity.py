"""Water activity: the multi-solute Norrish equation, its damped form, and the estimate for a real filling."""

from collections.abc import Iterable
from dataclasses import dataclass
from math import exp, sqrt
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solution import dissolve, glucose_solubility_g_per_g

WATER_G_PER_MOL: Final = 18.015  # by definition
CAP_C: Final = 20.0
"""The storage temperature at which the solubility caps of the estimate are read [°C]. Handbook, section B."""
DAMPED_C: Final = 25.0
"""The temperature at which the damped form is read for storage [°C]. Handbook, section B."""
BAND: Final = 0.03  # handbook, section B
FREE_RUNNING_ESTIMATE: Final = (0.30, 0.45, 0.60)
"""Low, estimate and high of a water-free mass: typical values, several textbooks."""
GRAINING_FAMILIES: Final = frozenset({"simmered-fudge", "boiled-fudge", "fondant"})
"""Families whose sugar grains while it is beaten or rests: the truth lies between nothing and all grained."""

ALL_DISSOLVED: Final = frozenset({"caramel", "fruit-jelly", "aerated", "hard-sugar"})
"""Families of boiled sugar in which nothing grains: read without caps. Handbook of this craft, section L."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SoluteProperties:
    """Molar mass [g/mol] and Norrish's K [-] of a solute."""

    molar_mass_g_per_mol: float
    norrish_k: float
    confidence: str


SOLUTES: Final = MappingProxyType(
    {
        "sucrose": SoluteProperties(molar_mass_g_per_mol=342.30, norrish_k=6.47, confidence="high"),
        "glucose": SoluteProperties(molar_mass_g_per_mol=180.16, norrish_k=2.25, confidence="high"),
        "fructose": SoluteProperties(molar_mass_g_per_mol=180.16, norrish_k=2.25, confidence="high (2.15-2.25)"),
        "maltose": SoluteProperties(molar_mass_g_per_mol=342.30, norrish_k=4.54, confidence="high"),
        "lactose": SoluteProperties(molar_mass_g_per_mol=342.30, norrish_k=10.2, confidence="medium, few data"),
        "sorbitol": SoluteProperties(molar_mass_g_per_mol=182.17, norrish_k=1.65, confidence="medium"),
        "glycerol": SoluteProperties(molar_mass_g_per_mol=92.09, norrish_k=1.16, confidence="high"),
        "ethanol": SoluteProperties(molar_mass_g_per_mol=46.07, norrish_k=0.0, confidence="fair to 25 % of the liquid"),
        "salt": SoluteProperties(molar_mass_g_per_mol=29.22, norrish_k=2.1, confidence="fitted, within 0.01"),
        "msnf": SoluteProperties(molar_mass_g_per_mol=400.0, norrish_k=0.0, confidence="from milk's freezing point"),
    }
)
"""Source: norrish-1966. Salt is per ion. Fat, cocoa solids, protein, fibre and starch are no solutes."""
HIGHER_K: Final = 11.3
"""K of higher saccharides: derived so that a DE 42 syrup keeps Norrish's own syrup constant. Source: norrish-1966."""


@dataclass(frozen=True, slots=True)
class Solute:
    """A dissolved substance: moles and Norrish's K."""

    amount_mol: float
    norrish_k: float


def plain_activity(water_mol: float, solutes: Iterable[Solute]) -> float:
    """Return the water activity [-] by Norrish: ln aw = ln Xw - (sum sqrt(K_i) X_i)².

    X are mole fractions over water and dissolved solutes. R. S. Norrish, J. Food Technol. 1 (1966) 25-39.
    Sucrose 0.5 to 6 mol/kg within 0.001 of Robinson and Stokes.

    >>> plain_activity(3.0, [Solute(1.0, 0.0)])
    0.75
    """
    water_share, _, binding = _fractions(water_mol, solutes)
    return water_share * exp(-(binding**2))


def damped_activity(water_mol: float, solutes: Iterable[Solute], at_c: float = DAMPED_C) -> float:
    """Return the water activity [-] by the damped form, which holds at high sugar load too.

    ln aw = ln Xw - 1.0998 (298.15/T) (1 - 1.0038 Xs - 0.24653 Xs²) (sum sqrt(K_i) X_i)²; for pure sucrose that is
    Starzak and Peacock (1997); equal to the plain form within 0.001 up to saturated sucrose.
    """
    water_share, solute_share, binding = _fractions(water_mol, solutes)
    damping = 1 - 1.0038 * solute_share - 0.24653 * solute_share**2
    return water_share * exp(-1.0998 * (298.15 / (at_c + 273.15)) * damping * binding**2)


def _fractions(water_mol: float, solutes: Iterable[Solute]) -> tuple[float, float, float]:
    solutes = tuple(solutes)
    solutes_mol = sum(solute.amount_mol for solute in solutes)
    total_mol = water_mol + solutes_mol
    binding = sum(sqrt(solute.norrish_k) * solute.amount_mol for solute in solutes) / total_mol
    return water_mol / total_mol, solutes_mol / total_mol, binding


def dissolved_solutes(
    mixture: Mixture,
    cap_c: float | None,
    water_g: float | None = None,
    without: tuple[str, ...] = (),
    *,
    glucose_grains: bool = False,
) -> list[Solute]:
    """Return the solutes of a mixture; sucrose and lactose (and glucose, where it grains) capped by solubility at
    `cap_c`, or not at all (None)."""
    grams = {**mixture.grams, **dict.fromkeys(without, 0.0)}
    if cap_c is not None:
        held = dissolve(mixture, cap_c, water_g, glucose_grains=glucose_grains)
        grams["sucrose"], grams["lactose"], grams["glucose"] = held.sucrose_g, held.lactose_g, held.glucose_g
    solutes = [
        Solute(grams[name] / solute.molar_mass_g_per_mol, solute.norrish_k)
        for name, solute in SOLUTES.items()
        if grams[name]
    ]
    if mixture.higher_mol:
        solutes.append(Solute(mixture.higher_mol, HIGHER_K))
    return solutes


def model_water_activity(mixture: Mixture, cap_c: float = CAP_C) -> float | None:
    """Return the plain equation with both caps, pieces left out, or None without water."""
    mixture = mixture.binder
    water_g = mixture.grams["water"]
    if water_g <= 0:
        return None
    return plain_activity(water_g / WATER_G_PER_MOL, dissolved_solutes(mixture, cap_c))


def bound_water_g(mixture: Mixture) -> float:
    """Return the water that cocoa, milk protein and other solids hold back: fair, and never over half of it."""
    grams = mixture.grams
    return min(grams["water"] / 2, 0.14 * (grams["cocoa_nonfat"] + grams["other"]) + 0.16 * grams["msnf"])


def filling_water_activity(mixture: Mixture, cap_c: float | None = CAP_C, *, glucose_grains: bool = False) -> float:
    """Return the damped form with bound water taken off and cocoa's soluble salts (CN/1000 mol, K = 0) added.

    Caps are read for the free water. `cap_c` None: nothing has grained. The mixture must hold water.
    """
    free_g = mixture.grams["water"] - bound_water_g(mixture)
    solutes = dissolved_solutes(mixture, cap_c, free_g, glucose_grains=glucose_grains)
    solutes.append(Solute(mixture.grams["cocoa_nonfat"] / 1000, 0.0))
    return damped_activity(free_g / WATER_G_PER_MOL, solutes)


@dataclass(frozen=True, slots=True, kw_only=True)
class WaterActivity:
    """The estimate with its band, and the plain model; all None without water."""

    estimate: float | None
    low: float | None
    high: float | None
    model: float | None


def holds_its_water(mixture: Mixture) -> bool:
    """Return whether a mass is water-free: its water is less than its own dry solids hold at 0.60, or next to none.

    water + ethanol < max(0.02 (mass - fat), 0.075 (CN + X) + 0.10 MS). No fat stands in it: fat preserves nothing.
    Isotherms of cocoa, nut and milk powders; fair.
    """
    grams = mixture.grams
    dry_solids = 0.075 * (grams["cocoa_nonfat"] + grams["other"]) + 0.10 * grams["msnf"]
    return grams["water"] + grams["ethanol"] < max(0.02 * (mixture.mass_g - mixture.fat_g), dry_solids)


def estimate_water_activity(mixture: Mixture, family: str, water_free: bool | None = None) -> WaterActivity:
    """Return the water activity of a filling with an honest band: ±0.03; wider where glucose stands above its
    solubility, and grained against not for fudge. Pieces that keep their own body are left out.

    It never certifies that a thing is safe.

    :param water_free: which rule to take; by itself where not said.
    """
    model = model_water_activity(mixture)
    mixture = mixture.binder
    if model is None:
        return WaterActivity(estimate=None, low=None, high=None, model=None)
    if holds_its_water(mixture) if water_free is None else water_free:
        low, estimate, high = FREE_RUNNING_ESTIMATE
        return WaterActivity(estimate=estimate, low=low, high=high, model=model)
    if family in ALL_DISSOLVED:
        dissolved = filling_water_activity(mixture, None)
        low, high = max(0.0, dissolved - BAND), min(1.0, dissolved + BAND)
        return WaterActivity(estimate=dissolved, low=low, high=high, model=model)
    dissolved = filling_water_activity(mixture)
    grained = _with_grained_glucose(mixture, dissolved)
    if family in GRAINING_FAMILIES:
        low, high = filling_water_activity(mixture, None), grained
        estimate = (low + high) / 2
    else:
        glucose_g = mixture.grams["glucose"]
        share = mixture.powder_glucose_g / glucose_g if glucose_g > 0 else 0.0
        low, high = dissolved - BAND, grained + BAND
        estimate = dissolved + 0.5 * share * (grained - dissolved)
    return WaterActivity(estimate=estimate, low=max(0.0, low), high=min(1.0, high), model=model)


def _with_grained_glucose(mixture: Mixture, dissolved: float) -> float:
    """Return the water activity once the glucose above its solubility has grained; never below what it was."""
    free_g = mixture.grams["water"] - bound_water_g(mixture)
    if mixture.grams["glucose"] <= 0.5 * glucose_solubility_g_per_g(CAP_C) * free_g:
        return dissolved
    return max(dissolved, filling_water_activity(mixture, glucose_grains=True))
