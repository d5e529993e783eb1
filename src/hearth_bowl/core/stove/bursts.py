"""Microwave bursts: the first 30 s unless this oven and mass have a record, then by mass, kind and what is left."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.errors import check_number
from hearth_bowl.core.mass.latent_heat import solid_fat_kj_per_kg
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk

FIRST_S: Final = 30.0
SHORTEST_S: Final = 5.0
LONGEST_S: Final = 30.0
ABSORBED: Final = 0.45
"""Of an oven's rated power a bowl of this size takes about so much: judged, 0.35 to 0.6."""
SHARE: Final = 0.5
"""One burst brings half of the heat that is still missing: stirring spreads it before the next."""
MELTED_C: Final = 40.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Burst:
    """How long the next burst is, and what to do after it; 0 s is stop."""

    seconds: float
    says: str


def next_burst(
    mixture: Mixture,
    now_c: float,
    unmelted_share: float,
    rated_w: float,
    bursts_before: int,
    record_s: float | None = None,
) -> Burst:
    """Return the next burst.

    :param unmelted_share: what is still in lumps, 0 to 1, by eye.
    :param record_s: the first burst that did well with this oven and mass, if any.
    :raises BadInput: naming the field.
    """
    check_number(("unmelted_share",), unmelted_share, 0, 1)
    check_number(("rated_w",), rated_w, 200, 2000, "W")
    if unmelted_share <= 0.1:
        return Burst(seconds=0.0, says="Stop: stir until the last lumps are gone.")
    if bursts_before == 0:
        seconds = FIRST_S if record_s is None else record_s
        return Burst(seconds=seconds, says="Stir, even if nothing seems to have happened.")
    mass_kg = mixture.mass_g / 1000
    missing_j = mass_kg * (
        heat_capacity_j_per_kgk(mixture) * max(0.0, MELTED_C - now_c) * unmelted_share
        + 1000 * solid_fat_kj_per_kg(mixture, 20.0) * unmelted_share
    )
    seconds = SHARE * missing_j / (ABSORBED * rated_w)
    rounded = max(SHORTEST_S, min(LONGEST_S, 5 * round(seconds / 5)))
    return Burst(seconds=rounded, says="Stir well; stop while lumps remain.")
