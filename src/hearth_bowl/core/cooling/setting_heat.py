"""The heat of setting along a mass's way down: how much of it is still to come at a temperature. Fair."""

from typing import Final

import numpy as np

FloatArray = np.ndarray[tuple[int, ...], np.dtype[np.float64]]
SETTING_C: Final = 19.0  # handbook, section E
SETTING_WIDTH_C: Final = 2.0  # handbook, section E


def coming(temperature_c: FloatArray) -> FloatArray:
    """Return F(T) = 1/(1 + exp(-(T - 19)/2)), the share of the heat of setting still to come; safe from overflow."""
    return 0.5 * (1 + np.tanh((temperature_c - SETTING_C) / (2 * SETTING_WIDTH_C)))


def slope_per_k(share: FloatArray) -> FloatArray:
    """Return dF/dT [1/K] where this share F is still to come."""
    return share * (1 - share) / SETTING_WIDTH_C
