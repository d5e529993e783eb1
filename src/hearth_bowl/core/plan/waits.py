"""Waits: which end of a band is waited for, and in which kitchen, with what it taught."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.mass.kitchen import Kitchen

NOTHING_LEARNED: Final[Mapping[str, Learned]] = MappingProxyType({})
NO_FACTORS: Final[Mapping[str, float]] = MappingProxyType({})


@dataclass(frozen=True, slots=True, kw_only=True)
class Waits:
    """Whether waits are planned at the slow end of their bands, the kitchen, and its own times."""

    slow: bool
    kitchen: Kitchen
    kitchen_c: float
    cools: Mapping[str, Learned] = field(default_factory=lambda: NOTHING_LEARNED)
    """How this kitchen cools, by place."""
    hands: Mapping[str, float] = field(default_factory=lambda: NO_FACTORS)
    """Work-time factor, by task."""
