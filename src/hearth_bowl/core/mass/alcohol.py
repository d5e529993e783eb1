"""Alcohol: grams of ethanol, what heat leaves of it, and the strength of a mass."""

from itertools import pairwise
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.solid_fat import interpolate

ETHANOL_G_PER_ML: Final = 0.78924  # source: oiml-alcohol
SPIRIT_DENSITY: Final = (
    (0, 0.9982), (10, 0.9819), (20, 0.9686), (30, 0.9538), (40, 0.9351), (50, 0.9138), (60, 0.8911), (70, 0.8676),
    (80, 0.8434), (90, 0.8179), (100, 0.7892),
)  # fmt: skip
"""(% ethanol by mass, g/ml) at 20 °C. Source: oiml-alcohol."""
RETAINED: Final = MappingProxyType({"cold": 1.0, "hot": 0.85, "flamed": 0.75, "open": 0.70})
"""Share of ethanol left: cold and covered, stirred into hot liquid off the heat, flamed, uncovered overnight.
Handbook, section H."""
SIMMERED: Final = ((0, 0.85), (15, 0.40), (30, 0.35), (60, 0.25), (90, 0.20), (120, 0.10), (150, 0.05))
"""(minutes, share left). A few dishes in wide pots: ±.1. Source: augustin-1992. Never 'alcohol-free'."""


def ethanol_g(volume_ml: float, abv_pct: float) -> float:
    """Return the ethanol in a drink: ml × strength/100 × 0.78924 g/ml."""
    return volume_ml * abv_pct / 100 * ETHANOL_G_PER_ML


def retained_share(how: str, minutes: float = 0) -> float:
    """Return the share of ethanol left after cold, hot, flamed, open or simmered (0 to 150 minutes). Fair, ±.1.

    :raises BadInput: at `how` or `minutes`.
    """
    if how == "simmered":
        return interpolate(SIMMERED, check_number(("minutes",), minutes, 0, 150, "min"))
    if how not in RETAINED:
        raise BadInput(("how",), f"unknown way {how!r}", "one of " + ", ".join((*RETAINED, "simmered")), "unknown")
    return RETAINED[how]


def mass_pct(abv_pct: float) -> float:
    """Return % ethanol by mass of a plain spirit of `abv_pct` % vol, by the density table.

    Strength by volume rises with strength by mass, so the table is read backwards.
    """
    by_volume = tuple((w * rho / ETHANOL_G_PER_ML, w) for w, rho in SPIRIT_DENSITY)
    for (v0, w0), (v1, w1) in pairwise(by_volume):
        if abv_pct <= v1:
            return w0 + (w1 - w0) * (abv_pct - v0) / (v1 - v0)
    return 100.0


def alcohol_pct(mixture: Mixture) -> float:
    """Return ethanol by mass, as weighed in, nothing taken off for heat."""
    return 100 * mixture.grams["ethanol"] / mixture.mass_g
