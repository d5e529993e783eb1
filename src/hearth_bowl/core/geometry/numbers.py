"""Small numeric helpers of the geometry."""

from collections.abc import Callable
from typing import Final

MM3_PER_ML: Final = 1000.0  # by definition
FLOOR_GUARD: Final = 1e-9
"""Added before a floor, so that 225/25 is 9 and not 8.999. Numerical, by definition."""
BISECTIONS: Final = 80  # numerical, by definition


def bisect_rising(function: Callable[[float], float], target: float, low: float, high: float) -> float:
    """Return where a rising function reaches `target` between low and high, to rounding."""
    for _ in range(BISECTIONS):
        middle = (low + high) / 2
        if function(middle) < target:
            low = middle
        else:
            high = middle
    return (low + high) / 2


def crossing(function: Callable[[float], float], low: float, high: float, near: float) -> float | None:
    """Return where a function passes through 0 between two places, or None where both lie on one side of it.

    The Illinois form of false position: few evaluations, never out of the bracket. It ends where |function| < near.
    """
    at_low, at_high = function(low), function(high)
    if at_low * at_high > 0:
        return None
    middle = low if abs(at_low) <= abs(at_high) else high
    for _ in range(BISECTIONS):
        if at_high == at_low:
            break
        middle = (low * at_high - high * at_low) / (at_high - at_low)
        at_middle = function(middle)
        if abs(at_middle) < near or abs(high - low) < FLOOR_GUARD:
            break
        if at_middle * at_high < 0:
            low, at_low = high, at_high
        else:
            at_low /= 2
        high, at_high = middle, at_middle
    return middle


def prismoid_ml(bottom_mm2: float, middle_mm2: float, top_mm2: float, height_mm: float) -> float:
    """Return the volume of a body whose sides grow linearly: h/6 (A0 + 4 Am + A1), exact."""
    return height_mm / 6 * (bottom_mm2 + 4 * middle_mm2 + top_mm2) / MM3_PER_ML
