"""Warm at work, firm at rest: where a use is worked, and how firm its mass is to be after a night."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.recipe.recipe import AIMED_INDEX

RESTED_C: Final = 20.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Work:
    """A use: where it is worked [°C], and the set index wanted after a night (None: not modelled)."""

    worked_c: tuple[float, float]
    rested: tuple[float, float] | None


WORK: Final[Mapping[str, Work]] = MappingProxyType(
    {
        "pour": Work(worked_c=(32, 40), rested=(0.0, 1.0)),
        "glaze": Work(worked_c=(30, 35), rested=(0.5, 1.8)),
        "dollop": Work(worked_c=(14, 20), rested=(1.1, 2.2)),
        "fill-shell": Work(worked_c=(26, 29), rested=(1.2, 2.8)),
        "pipe": Work(worked_c=(18, 24), rested=(1.6, 2.6)),
        "whip": Work(worked_c=(8, 12), rested=None),
        "coat-cake": Work(worked_c=(20, 26), rested=(2.4, 3.5)),
        "roll": Work(worked_c=(12, 18), rested=(2.5, 3.5)),
        "cut": Work(worked_c=(10, 18), rested=(3.2, 4.6)),
        "frame": Work(worked_c=(14, 18), rested=(1.9, 3.4)),
        "model": Work(worked_c=(18, 24), rested=None),
    }
)
"""Typical practice, several textbooks, and judgement: fair, ±2 °C. A shell of dark chocolate is filled so."""


WARM_TABLE_C: Final = 24.0
"""Warmer than this a table aims at the low end: it must stand and be eaten, not be worked. Handbook, D: a judgement."""


def aimed_index(use: str | None, at_c: float) -> float | None:
    """Return the set index that a use aims at, read at a temperature; None where the index says nothing of it.

    On a table warmer than 24 °C that is the low end of its rested band: at 28 °C a cake coat aims at 2.4, not at 3.
    """
    aim, work = AIMED_INDEX.get(use or ""), WORK.get(use or "")
    if aim is None or at_c <= WARM_TABLE_C or work is None or work.rested is None:
        return aim
    return work.rested[0]


@dataclass(frozen=True, slots=True, kw_only=True)
class AtWork:
    """How a mass stands for its use: too-cool, right or too-warm to work; soft, right or firm when rested, or None."""

    worked_c: tuple[float, float]
    state: str
    rested: str | None


def at_work(use: str | None, at_c: float, rested_index: float | None) -> AtWork | None:
    """Return how a mass stands for its use at a temperature, or None for a use that has no temperature of work.

    :param rested_index: its set index after a night at 20 °C, where that is modelled.
    """
    work = WORK.get(use or "")
    if work is None:
        return None
    low_c, high_c = work.worked_c
    state = "too-cool" if at_c < low_c else "too-warm" if at_c > high_c else "right"
    rested = None
    if work.rested is not None and rested_index is not None:
        low, high = work.rested
        rested = "soft" if rested_index < low else "firm" if rested_index > high else "right"
    return AtWork(worked_c=work.worked_c, state=state, rested=rested)
