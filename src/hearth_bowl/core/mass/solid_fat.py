"""Solid fat content of blends: how much of the fat is crystals at a temperature."""

from bisect import bisect_right
from collections.abc import Mapping, Sequence
from functools import lru_cache
from math import ceil, exp
from types import MappingProxyType
from typing import Final

import numpy as np

from hearth_bowl.core.mass.mixture import Mixture

SOLID_FRACTION: Final = MappingProxyType(
    {
        "cocoa_butter": (
            (-18, 0.97), (0, 0.95), (5, 0.93), (10, 0.90), (15, 0.84), (20, 0.76), (25, 0.68), (27.5, 0.58),
            (30, 0.44), (32, 0.22), (33, 0.10), (34, 0.03), (35, 0.01), (36, 0.0),
        ),
        "milk_fat": (
            (-18, 0.80), (0, 0.60), (5, 0.52), (10, 0.44), (15, 0.33), (20, 0.20), (25, 0.12), (30, 0.06),
            (35, 0.015), (38, 0.0),
        ),
        "coconut": (
            (-18, 0.97), (0, 0.92), (5, 0.88), (10, 0.78), (15, 0.58), (20, 0.35), (22.5, 0.18), (25, 0.02),
            (26, 0.0),
        ),
        "lauric": (
            (-18, 0.98), (0, 0.97), (10, 0.96), (15, 0.95), (20, 0.92), (25, 0.80), (30, 0.40), (32.5, 0.15),
            (35, 0.03), (37, 0.0),
        ),
        "palm": (
            (-18, 0.85), (0, 0.75), (5, 0.65), (10, 0.52), (15, 0.37), (20, 0.24), (25, 0.14), (30, 0.08),
            (35, 0.05), (40, 0.02), (45, 0.0),
        ),
        "oil": ((-18, 0.40), (-10, 0.05), (0, 0.0)),
    }
)  # fmt: skip
"""(°C, solid fraction) of tempered fat, linear between. Source: fat-textbooks. Cocoa butter at 20/25/30 °C ranges from
Brazilian (.63/.53/.23) to Malaysian (.83/.77/.58); milk fat varies ±.06 with season."""
SOFTENING: Final = ((5, 0.05), (10, 0.10), (15, 0.20), (20, 0.30), (25, 0.45), (30, 0.45), (36, 0.0))
"""(°C, strength) of the mutual softening of cocoa butter with a lauric or coconut fat. Weak. Handbook, section D."""
SOFTENERS: Final = ("coconut", "lauric")
STEP_C: Final = 0.5  # numerical, by definition
MOST_DISSOLVED: Final = 1e12
"""Stands for infinity on the grid: where no cocoa butter stays solid. Numerical, by definition."""
FloatArray = np.ndarray[tuple[int, ...], np.dtype[np.float64]]

_FATS: Final = tuple(SOLID_FRACTION)
_OTHERS: Final = _FATS[1:]  # numerical, by definition


def interpolate(table: tuple[tuple[float, float], ...], at: float) -> float:
    """Return the value at `at`, linear between the table's points and held at its ends."""
    if at <= table[0][0]:
        return table[0][1]
    if at >= table[-1][0]:
        return table[-1][1]
    i = bisect_right(table, (at, float("inf")))
    (x0, y0), (x1, y1) = table[i - 1], table[i]
    return y0 + (y1 - y0) * (at - x0) / (x1 - x0)


def cocoa_butter_dissolved_per_g(at_c: float) -> float:
    """Return g of cocoa butter that 1 g of liquid fat dissolves: r = a/(1-a); infinite from 33.3 °C on.

    a = exp(-(133000/8.314)(1/T - 1/306.5)), ideal solubility; direction certain, size ±30 %.
    """
    a = exp(-(133000 / 8.314) * (1 / (at_c + 273.15) - 1 / 306.5))
    return a / (1 - a) if a < 1 else float("inf")


@lru_cache(maxsize=512)
def _at(at_c: float) -> tuple[float, float, tuple[float, ...]]:
    fractions = tuple(interpolate(SOLID_FRACTION[fat], at_c) for fat in _FATS)
    return cocoa_butter_dissolved_per_g(at_c), interpolate(SOFTENING, at_c), fractions


def fat_shares(mixture: Mixture) -> dict[str, float]:
    """Return the mass fraction of each fat in the mixture's fat; all 0 without fat."""
    fat_g = mixture.fat_g
    if fat_g <= 0:
        return dict.fromkeys(_FATS, 0.0)
    grams = {
        "cocoa_butter": mixture.grams["cocoa_butter"],
        "milk_fat": mixture.grams["milk_fat"],
        **mixture.other_fat_g,
    }
    return {fat: grams[fat] / fat_g for fat in _FATS}


def blend_solid_fraction(shares: Mapping[str, float], at_c: float, meeting: float) -> float:
    """Return the solid fraction of a blend at one temperature (fair; may rise with temperature in odd blends).

    f = max(0, x_cb s_cb - q r(T) sum_other(x_j (1 - s_j))) + sum_other x_j s_j - q E(T) min(1, s_l/0.2) 4 x_cb x_l

    :param meeting: q, how much of the other fat meets the cocoa butter: 1 water-free, 0.5 in a ganache.
    """
    dissolving, softening, solids = _at(at_c)
    cocoa_butter = shares["cocoa_butter"]
    liquid_other = solid_other = trough = 0.0
    for fat, solid in zip(_OTHERS, solids[1:], strict=True):
        share = shares[fat]
        if share:
            liquid_other += share * (1 - solid)
            solid_other += share * solid
            if fat in SOFTENERS:
                trough += softening * min(1.0, solid / 0.2) * 4 * cocoa_butter * share
    dissolved = meeting * dissolving * liquid_other if liquid_other else 0.0
    return max(0.0, max(0.0, cocoa_butter * solids[0] - dissolved) + solid_other - meeting * trough)


_GRID_C: Final = np.arange(0.0, 45.0 + STEP_C, STEP_C)  # numerical, by definition
_GRID: Final = [_at(float(at_c)) for at_c in _GRID_C]
_DISSOLVING: Final = np.array([min(dissolving, MOST_DISSOLVED) for dissolving, _, _ in _GRID])
_SOFTENING: Final = np.array([softening for _, softening, _ in _GRID])
_SOLIDS: Final = np.array([solids for _, _, solids in _GRID]).T


def _blend_on_grid(shares: Sequence[Mapping[str, float]], meeting: float, points: int) -> FloatArray:
    """Return `blend_solid_fraction` of some blends at the first points of the grid, a row each: the same rule."""
    table = np.array([[row[fat] for fat in _FATS] for row in shares])
    cocoa_butter, other = table[:, :1], table[:, 1:]
    solids = _SOLIDS[:, :points]
    solid_other = other @ solids[1:]
    liquid_other = other.sum(axis=1, keepdims=True) - solid_other
    fraction = np.maximum(0.0, cocoa_butter * solids[0] - meeting * _DISSOLVING[:points] * liquid_other) + solid_other
    for fat in SOFTENERS:
        share = table[:, [_FATS.index(fat)]]
        if share.any():
            trough = np.minimum(1.0, solids[_FATS.index(fat)] / 0.2) * (4 * cocoa_butter * share)
            fraction -= meeting * _SOFTENING[:points] * trough
    blended: FloatArray = np.maximum(0.0, fraction)
    return blended


def _trough_falls_from_c(fat: str) -> float:
    """Return the temperature from which a lauric fat softens cocoa butter less again; below it no blend reads firmer
    when warmer, for every other term of the rule falls too."""
    trough = _SOFTENING * np.minimum(1.0, _SOLIDS[_FATS.index(fat)] / 0.2)
    falls = np.flatnonzero(np.diff(trough) < 0)
    return float(_GRID_C[falls[0]]) if len(falls) else float("inf")


_FALLS_FROM_C: Final = {fat: _trough_falls_from_c(fat) for fat in SOFTENERS}


def _may_rise(shares: Mapping[str, float], up_to_c: float) -> bool:
    """Return whether a blend may read firmer when warmer, so that it must be held down by what it was colder."""
    return any(shares[fat] and up_to_c > from_c for fat, from_c in _FALLS_FROM_C.items())


def solid_fractions_of(mixtures: Sequence[Mixture], at_c: float, meeting: float) -> list[float]:
    """Return the solid fraction of each of some mixtures' fat at one temperature, as `solid_fractions`."""
    shares = [fat_shares(mixture) for mixture in mixtures]
    found = [blend_solid_fraction(row, at_c, meeting) for row in shares]
    held = [position for position, row in enumerate(shares) if _may_rise(row, at_c)]
    points = max(0, ceil(at_c / STEP_C))
    if held and points:
        colder = _blend_on_grid([shares[position] for position in held], meeting, points).min(axis=1)
        for position, least in zip(held, colder.tolist(), strict=True):
            found[position] = min(found[position], least)
    return found


def solid_fractions(shares: Mapping[str, float], temperatures_c: list[float], meeting: float) -> list[float]:
    """Return the solid fraction of a blend of these `fat_shares` at each of some rising temperatures.

    Each is the least of all temperatures from 0 °C up to it, in steps of 0.5 °C, so that warmer never sets firmer.
    """
    if not _may_rise(shares, max(temperatures_c, default=0.0)):
        return [blend_solid_fraction(shares, at_c, meeting) for at_c in temperatures_c]
    points = max(0, ceil(max(temperatures_c, default=0.0) / STEP_C))
    colder = np.minimum.accumulate(_blend_on_grid([shares], meeting, points)[0])
    results = []
    least = 1.0
    for at_c in temperatures_c:
        passed = max(0, ceil(at_c / STEP_C))
        if passed:
            least = min(least, float(colder[passed - 1]))
        least = min(least, blend_solid_fraction(shares, at_c, meeting))
        results.append(least)
    return results


def solid_fraction(mixture: Mixture, at_c: float, meeting: float) -> float:
    """Return the solid fraction of the mixture's fat at one temperature; warmer is never firmer."""
    return solid_fractions_of([mixture], at_c, meeting)[0]
