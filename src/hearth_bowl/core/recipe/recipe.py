"""A recipe: its lines, family and use, checked and weighed."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from math import fsum
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.measures import MAX_AMOUNT, unit_g
from hearth_bowl.core.recipe.steps import CardStep

FAMILIES: Final = MappingProxyType(
    {
        "cream-ganache": "Cream ganache",
        "whipped-ganache": "Whipped ganache",
        "butter-ganache": "Butter ganache",
        "condensed-milk-fudge": "Condensed-milk fudge",
        "simmered-fudge": "Simmered fudge",
        "boiled-fudge": "Boiled and beaten fudge",
        "fondant": "Fondant and liquid centres",
        "nut-paste": "Nut paste, gianduja, praliné",
        "marzipan": "Marzipan and nut doughs",
        "soft-cheese": "Soft-cheese and crumb centres",
        "sugar-butter": "Sugar-butter centres",
        "filling": "Filling",
        "modelling": "Modelling chocolate",
        "dry-mix": "Dry drink mix",
        "caramel": "Caramel and toffee",
        "fruit-jelly": "Fruit jelly",
        "aerated": "Marshmallow and nougat",
        "curd": "Curd",
        "hard-sugar": "Hard sugar, brittle and honeycomb",
    }
)
AIMED_INDEX: Final = MappingProxyType(
    {
        "pour": 0.3,
        "glaze": 1.0,
        "dollop": 1.6,
        "pipe": 2.0,
        "whip": None,
        "fill-shell": 1.8,
        "coat-cake": 3.0,
        "roll": 3.0,
        "cut": 3.8,
        "frame": 2.5,
        "model": None,
        "drink": None,
    }
)
"""What a recipe is for, with the set index aimed at; None where the index says nothing.
Handbook, section D: judgements."""
MAX_LINES: Final = 500  # a limit, by definition
MAX_NAME: Final = 200  # a limit, by definition
MOST_END_SHIFT_K: Final = 8.0  # a limit, by definition
LEAST_G: Final = 1e-9
"""An amount below this counts as nothing at all. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """One ingredient of a recipe with its amount.

    `pinned` amounts are not moved by anything that solves; `proposed` ones are ours, until the cook accepts them.
    `text` are the words that a line was read from, and `doubts` what is not settled about that reading.
    """

    ingredient: Ingredient
    amount: float
    unit: str = "g"
    amount_high: float | None = None
    measure: str = "metric"
    stage: str = ""
    pinned: bool = False
    proposed: bool = False
    pack_g: float | None = None
    piece_g: float | None = None
    text: str = ""
    doubts: tuple[str, ...] = ()

    @property
    def settled_amount(self) -> float:
        """Return the amount in the line's unit: of a range, its mean counts until it is settled."""
        return self.amount if self.amount_high is None else (self.amount + self.amount_high) / 2

    @property
    def unit_g(self) -> float:
        """Return the grams of one unit of this line."""
        return unit_g(self.ingredient, self.unit, self.measure, self.pack_g, self.piece_g)

    @property
    def amount_g(self) -> float:
        """Return the amount in grams."""
        return self.settled_amount * self.unit_g

    def in_unit(self, unit: str) -> "Line":
        """Return the line with as much in another unit.

        :raises BadInput: at `unit`: a tin, bar, piece or stick without a weight.
        """
        each_g = unit_g(self.ingredient, unit, self.measure, self.pack_g, self.piece_g)
        high = None if self.amount_high is None else self.amount_high * self.unit_g / each_g
        return replace(self, amount=self.amount * self.unit_g / each_g, amount_high=high, unit=unit)


@dataclass(frozen=True, kw_only=True)
class Recipe:
    """A checked recipe; make it with `checked_recipe`. Its mass and what is in it are worked out once."""

    name: str
    family: str
    use: str | None
    lines: tuple[Line, ...]
    amounts_g: tuple[float, ...]
    method: str | None = None
    """The way of making it that the cook chose among the family's."""
    end_shift_k: float = 0.0
    """By how much hotter its boil ends than is usual [K]: what a cook found out."""
    steps: tuple[CardStep, ...] = ()
    """The card's own method."""

    @cached_property
    def mass_g(self) -> float:
        """Return the mass of everything in the bowl."""
        return fsum(self.amounts_g)

    @cached_property
    def weighed(self) -> tuple[tuple[Line, float], ...]:
        """Return each line that is really there, with its grams: a line of 0 g changes nothing."""
        return tuple((line, grams) for line, grams in zip(self.lines, self.amounts_g, strict=True) if grams > 0)

    def with_amounts_g(self, amounts_g: Sequence[float]) -> "Recipe":
        """Return the recipe with other grams; each line keeps its unit."""
        lines = tuple(
            line if grams == before else replace(line, amount=grams / line.unit_g, amount_high=None)
            for line, grams, before in zip(self.lines, amounts_g, self.amounts_g, strict=True)
        )
        return replace(self, lines=lines, amounts_g=tuple(amounts_g))


def check_name(name: str, field: str = "name") -> str:
    """Return the name without outer space; any script and sign is fine, control characters are not.

    :raises BadInput: at `field`.
    """
    plain = name.strip()
    allowed = f"1 to {MAX_NAME} characters, no control characters"
    if not plain or len(plain) > MAX_NAME:
        raise BadInput((field,), f"{len(plain)} characters long", allowed, "out-of-range")
    if any(ord(sign) < 32 or ord(sign) == 127 or 0xD800 <= ord(sign) <= 0xDFFF for sign in plain):
        raise BadInput((field,), "holds a control character", allowed, "not-allowed")
    return plain


def checked_recipe(
    *,
    name: str,
    family: str,
    use: str | None,
    lines: Sequence[Line],
    steps: Sequence[CardStep] = (),
    method: str | None = None,
    end_shift_k: float = 0.0,
) -> Recipe:
    """Return the recipe with every amount weighed.

    :raises BadInput: naming the line and field: unknown family or use, no lines, an amount below zero, not finite or
        too large, a unit that this ingredient has not, or nothing in the bowl at all.
    """
    if family not in FAMILIES:
        raise BadInput(("family",), f"unknown family {family[:60]!r}", "one of " + ", ".join(FAMILIES), "unknown")
    if use is not None and use not in AIMED_INDEX:
        raise BadInput(("use",), f"unknown use {use[:60]!r}", "one of " + ", ".join(AIMED_INDEX), "unknown")
    check_number(("end_shift_k",), end_shift_k, -MOST_END_SHIFT_K, MOST_END_SHIFT_K, "K")
    if not 1 <= len(lines) <= MAX_LINES:
        raise BadInput(("lines",), f"{len(lines)} lines", f"1 to {MAX_LINES} lines", "out-of-range")
    amounts_g = []
    for position, line in enumerate(lines):
        try:
            amounts_g.append(_checked_grams(line))
        except BadInput as problem:
            raise problem.under("lines", position) from None
    if fsum(amounts_g) <= 0:
        raise BadInput(("lines",), "the recipe weighs 0 g", "at least one amount above 0", "empty")
    return Recipe(
        name=check_name(name),
        family=family,
        use=use,
        lines=tuple(lines),
        amounts_g=tuple(amounts_g),
        steps=tuple(steps),
        method=method,
        end_shift_k=end_shift_k,
    )


def _checked_grams(line: Line) -> float:
    check_number(("amount",), line.amount, 0, MAX_AMOUNT)
    if line.amount_high is not None:
        check_number(("amount_high",), line.amount_high, line.amount, MAX_AMOUNT)
    grams = line.amount_g
    return grams if grams >= LEAST_G else 0.0
