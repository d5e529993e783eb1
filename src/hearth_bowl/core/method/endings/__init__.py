"""Endings by name: how a family's mixes end in each form."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.endings import firm, soft
from hearth_bowl.core.method.endings.ending import Ending
from hearth_bowl.core.method.families import method_of_family

ENDINGS: Final[Mapping[str, Ending]] = MappingProxyType(
    {
        "ganache": soft.GANACHE,
        "filling": soft.FILLING,
        "whipped": soft.WHIPPED,
        "nut-paste": soft.NUT_PASTE,
        "curd": soft.CURD,
        "soft-cheese": soft.SOFT_CHEESE,
        "poured-fudge": firm.POURED_FUDGE,
        "beaten-fudge": firm.BEATEN_FUDGE,
        "caramel": firm.CARAMEL,
        "jelly": firm.JELLY,
        "aerated": firm.AERATED,
        "hard": firm.HARD,
        "fondant": firm.FONDANT,
        "dough": firm.DOUGH,
        "dry": firm.DRY,
    }
)
"""Section L of the handbook of this craft says what each family allows."""


def ending_of(family: str) -> Ending:
    """Return how a mix of a family ends."""
    return ENDINGS[method_of_family(family).ending]
