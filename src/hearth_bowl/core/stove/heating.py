"""A pan on its way to the boil: constant power, losses linear. When it boils, and between what its end lies.

Before the boil the end is known only as a band: the cook turns the flame down, and steam takes its part.
Source hob-practice: fair once it boils, weak before.
"""

from dataclasses import dataclass
from math import log
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import boil, cook_to
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk

PAN_J_PER_K: Final = 500.0
"""A steel pan: 400 to 700. Handbook, section K."""
LOSS_W_PER_K: Final = 1.0
"""0.5 to 2; it rises with the surface. Handbook, section K."""
EVAPORATION_J_PER_G: Final = 2260.0  # steam tables, several textbooks
TO_BOIL_BAND: Final = (0.85, 1.35)  # handbook, section K
BEFORE_BAND: Final = (0.6, 2.0)  # handbook, section K
BOILING_BAND: Final = (0.8, 1.4)  # handbook, section K
SURE_ABOVE_C: Final = 35.0
"""Below this a rate says little: cold corners, melting. Handbook, section K."""

Band = tuple[float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Heating:
    """A mass to boil: its capacity with the pan [J/K], where it boils, and what its boil takes [J]; 0 without one."""

    capacity_j_per_k: float
    boils_c: float
    boil_j: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Ahead:
    """Seconds to the boil and to the end: low, middle, high."""

    boil_s: Band
    end_s: Band


def heating_of(pan: Mixture, kpa: float, end_c: float | None, pan_j_per_k: float = PAN_J_PER_K) -> Heating | None:
    """Return how a mass heats to its boil and, with an end, what is to be driven off; None of what cannot boil."""
    cp = heat_capacity_j_per_kgk(pan, 60.0)
    try:
        boils_c = boil(pan, kpa).boiling_c
        cooked = None if end_c is None or end_c <= boils_c else cook_to(pan, end_c, kpa)
    except BadInput:
        return None
    boil_j = 0.0
    if cooked is not None and end_c is not None:
        boil_j = cooked.evaporated_g * EVAPORATION_J_PER_G + cooked.finished_g / 1000 * cp * (end_c - boils_c)
    return Heating(capacity_j_per_k=pan.mass_g / 1000 * cp + pan_j_per_k, boils_c=boils_c, boil_j=boil_j)


def ahead(heating: Heating, now_c: float, rate_k_per_s: float, loss_w_per_k: float = LOSS_W_PER_K) -> Ahead | None:
    """Return the time to the boil and to the end, or None where so little heat never brings it to the boil.

    boil = (C/K) ln(C r/(C r - K (Tb - T))); the net power there drives the water off.
    """
    taken_w = heating.capacity_j_per_k * rate_k_per_s
    net_w = taken_w - loss_w_per_k * max(0.0, heating.boils_c - now_c)
    if net_w <= 0 or rate_k_per_s <= 0:
        return None
    boil_s = heating.capacity_j_per_k / loss_w_per_k * log(taken_w / net_w)
    boiling_s = heating.boil_j / net_w
    to_boil = boil_s * TO_BOIL_BAND[0], boil_s, boil_s * TO_BOIL_BAND[1]
    return Ahead(
        boil_s=to_boil,
        end_s=(to_boil[0] + BEFORE_BAND[0] * boiling_s, boil_s + boiling_s, to_boil[2] + BEFORE_BAND[1] * boiling_s),
    )
