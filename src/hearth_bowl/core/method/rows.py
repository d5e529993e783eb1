"""Rows: acts as a table has them, before a recipe, a kitchen and a batch fill in grams, targets and minutes."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.act import NOTHING, Range
from hearth_bowl.core.method.cook import Cook

Selector = Callable[[Cook], tuple[int, ...]]
"""Positions of a recipe's lines."""
Condition = Callable[[Cook], bool]
POT: Final[Mapping[str, int]] = MappingProxyType({"rings": 1, "pots": 1, "bowls": 1})  # by definition
BOWL: Final[Mapping[str, int]] = MappingProxyType({"bowls": 1})  # by definition
IN_POT: Final[Mapping[str, int]] = MappingProxyType({"pots": 1})  # by definition
IN_FRIDGE: Final[Mapping[str, int]] = MappingProxyType({"fridge_shelves": 1, "bowls": 1})  # by definition
FRIDGE: Final[Mapping[str, int]] = MappingProxyType({"fridge_shelves": 1})  # by definition
FROM_THE_FRIDGE_C: Final = (3.0, 8.0)
"""A fridge that is cold enough. Usual advice. A judgement."""
COOL_PLACE: Final[Mapping[str, int]] = MappingProxyType({"cool_places": 1})  # by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class ByChoice:
    """Words that depend on a school: the name of the choice, and the words for each school of it."""

    choice: str
    words: Mapping[str, str]


Words = str | ByChoice


@dataclass(frozen=True, slots=True, kw_only=True)
class Minutes:
    """How long an act takes: least, usual, most [min] for half a kilogram, and more for each further kilogram and
    each piece."""

    least: float
    usual: float
    most: float
    per_kg: float = 0.0
    each: float = 0.0

    def at(self, mass_g: float, pieces: float = 0.0) -> tuple[float, float, float]:
        """Return the three for a mass and a count of pieces."""
        more = self.per_kg * max(0.0, mass_g / 1000 - HALF_KG) + self.each * pieces
        return self.least + 0.7 * more, self.usual + more, self.most + 1.5 * more


HALF_KG: Final = 0.5
"""The mass that a table's minutes are for. By definition."""


def nothing(cook: Cook) -> tuple[int, ...]:
    """Return no line."""
    return ()


def always(cook: Cook) -> bool:
    """Return that the act is part of every batch."""
    return True


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """One act of a table. `lines` are the recipe's lines that go in, the first row that names a line takes it; `shares`
    takes part of some lines and leaves the rest to a later row. `where` says whether the act is there at all.

    `caution_where` decides each caution by its code; a code without a condition is always told.
    """

    key: str
    kind: str
    title: Words
    do: Words
    cue: str = ""
    ask: Words = ""
    why: str = ""
    passes: str = ""
    call: str = ""
    target_c: Range | Callable[[Cook], Range | None] | None = None
    gate_min: float | Callable[[Cook], float | None] | None = None
    ceiling_c: float | Callable[[Cook], float | None] | None = None
    minutes: Minutes | Callable[[Cook], tuple[float, float, float] | None] = field(
        default_factory=lambda: Minutes(least=3, usual=5, most=8, per_kg=2)
    )
    hands: bool = True
    uses: Mapping[str, int] = field(default_factory=lambda: NOTHING)
    lines: Selector = nothing
    shares: Callable[[Cook], Mapping[int, float]] | None = None
    where: Condition = always
    soon_min: float | None = None
    out_of_cold: bool = False
    cautions: tuple[str, ...] = ()
    caution_where: Mapping[str, Condition] = field(default_factory=lambda: MappingProxyType({}))
    aside: bool = False
    """Whether the acts after it begin meanwhile; only the last act of the mix waits for it."""
