"""Small numeric helpers of the geometry."""

from collections.abc import Callable
from math import ceil, log2
from typing import Final

MM3_PER_ML: Final = 1000.0  # by definition
FLOOR_GUARD: Final = 1e-9
"""Added before a floor, so that 225/25 is 9 and not 8.999. Numerical, by definition."""
BISECTIONS: Final = 80  # numerical, by definition
ROUNDING: Final = 1e-14
"""How near a root is found, of its bracket's size. Numerical, by definition."""
ITP_PULL: Final = 0.2
"""How far a guess is pulled to the middle: the method's usual constant. Numerical, by definition."""


def bisect_rising(function: Callable[[float], float], target: float, low: float, high: float) -> float:
    """Return where a rising function reaches `target` between low and high, to rounding; an end where it does not.

    The ITP method (I. F. D. Oliveira and R. H. C. Takahashi, 2020): never more steps than bisection and one, about a
    sixth of them where the function is smooth.
    """
    at_low, at_high = function(low) - target, function(high) - target
    if at_low >= 0 or at_high < 0:
        return low if at_low >= 0 else high
    width = ROUNDING * max(1.0, abs(low), abs(high))
    pull = ITP_PULL / (high - low)
    most = max(0, ceil(log2((high - low) / (2 * width)))) + 1
    for step in range(BISECTIONS):
        if high - low <= 2 * width:
            break
        middle = (low + high) / 2
        guess = (at_high * low - at_low * high) / (at_high - at_low)
        towards = 1.0 if middle >= guess else -1.0
        truncated = pull * (high - low) ** 2
        guess = guess + towards * truncated if truncated <= abs(middle - guess) else middle
        reach = max(0.0, width * 2.0 ** (most - step) - (high - low) / 2)
        tried = guess if abs(guess - middle) <= reach else middle - towards * reach
        at_tried = function(tried) - target
        if at_tried < 0:
            low, at_low = tried, at_tried
        else:
            high, at_high = tried, at_tried
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
