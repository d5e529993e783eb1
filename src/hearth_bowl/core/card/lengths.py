"""Lengths as cards write them: 18 cm, 20 x 20 cm, 8-inch, 1½", 50 x 36 x 18 mm."""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.card.form_words import BY, LENGTH_UNIT, MM_OF
from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of

INCH_MM: Final = 25.4
"""By definition."""
_UNIT: Final = rf"(?:{LENGTH_UNIT})(?![a-zà-ÿ])"
_SIDES: Final = re.compile(
    rf"(?<![\d.,/])(?P<a>{NUMBER})\s*-?\s*(?P<ua>{_UNIT})?"
    rf"(?:{BY}(?P<b>{NUMBER})\s*-?\s*(?P<ub>{_UNIT})?)?(?:{BY}(?P<c>{NUMBER})\s*-?\s*(?P<uc>{_UNIT})?)?",
    re.IGNORECASE,
)


@dataclass(frozen=True, slots=True)
class Sides:
    """One to three lengths that are told together [mm], and where in the text they stand."""

    mm: tuple[float, ...]
    start: int
    end: int


def sides_in(text: str) -> Iterator[Sides]:
    """Give each length, or lengths joined by x, that a text tells with a unit.

    >>> [sides.mm for sides in sides_in("20 x 15 cm tin, 1 in deep")]
    [(200.0, 150.0), (25.4,)]
    """
    for found in _SIDES.finditer(text):
        units = [found[name] for name in ("ua", "ub", "uc") if found[name]]
        if not units or not found["a"]:
            continue
        numbers = [(found[name], found[f"u{name}"] or units[-1]) for name in ("a", "b", "c") if found[name]]
        yield Sides(tuple(_mm(number, unit) for number, unit in numbers), found.start(), found.end())


def _mm(number: str, unit: str) -> float:
    word = unit.strip().lower()
    each = INCH_MM if word == "in" else next(mm for pattern, mm in MM_OF.items() if re.fullmatch(pattern, word))
    return number_of(number) * each
