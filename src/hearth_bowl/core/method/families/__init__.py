"""Families: the method and the ending of each, one row a family. To add a family: one row here, and one in
`core/recipe/families.py`."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.method.families import fudge, ganache, sugar, worked
from hearth_bowl.core.method.rows import Row


@dataclass(frozen=True, slots=True, kw_only=True)
class FamilyMethod:
    """A family's acts in their order, and the name of its ending."""

    rows: tuple[Row, ...]
    ending: str


METHODS: Final[Mapping[str, FamilyMethod]] = {
    "cream-ganache": FamilyMethod(rows=ganache.GANACHE, ending="ganache"),
    "whipped-ganache": FamilyMethod(rows=ganache.WHIPPED, ending="whipped"),
    "butter-ganache": FamilyMethod(rows=worked.MIXED, ending="ganache"),
    "condensed-milk-fudge": FamilyMethod(rows=fudge.NO_BOIL, ending="poured-fudge"),
    "simmered-fudge": FamilyMethod(rows=fudge.SIMMERED, ending="poured-fudge"),
    "boiled-fudge": FamilyMethod(rows=fudge.BOILED, ending="beaten-fudge"),
    "fondant": FamilyMethod(rows=worked.FONDANT, ending="fondant"),
    "nut-paste": FamilyMethod(rows=worked.NUT_PASTE, ending="nut-paste"),
    "marzipan": FamilyMethod(rows=worked.MARZIPAN, ending="dough"),
    "soft-cheese": FamilyMethod(rows=worked.SOFT_CHEESE, ending="soft-cheese"),
    "sugar-butter": FamilyMethod(rows=worked.MIXED, ending="filling"),
    "filling": FamilyMethod(rows=worked.MIXED, ending="filling"),
    "modelling": FamilyMethod(rows=worked.MODELLING, ending="dough"),
    "dry-mix": FamilyMethod(rows=worked.DRY_MIX, ending="dry"),
    "caramel": FamilyMethod(rows=sugar.CARAMEL, ending="caramel"),
    "fruit-jelly": FamilyMethod(rows=sugar.JELLY, ending="jelly"),
    "aerated": FamilyMethod(rows=sugar.AERATED, ending="aerated"),
    "curd": FamilyMethod(rows=sugar.CURD, ending="curd"),
    "hard-sugar": FamilyMethod(rows=sugar.HARD_SUGAR, ending="hard"),
}
"""Section L of the handbook of this craft."""
DEFAULT: Final = FamilyMethod(rows=worked.MIXED, ending="filling")
"""The method of a family that has no row yet."""


def method_of_family(family: str) -> FamilyMethod:
    """Return the acts and the ending of a family."""
    return METHODS.get(family, DEFAULT)
