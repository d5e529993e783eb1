"""Steps: a card's own method, kept word for word, with what each of them does as far as its words say."""

from dataclasses import dataclass
from typing import Final, Literal

ACTS: Final = (
    "weigh", "roast", "grind", "bloom", "melt", "heat", "boil", "cook", "join", "knead", "beat", "whip", "cool", "rest",
    "temper", "shell", "fill", "set", "cap", "unmould", "pour", "cut", "portion", "roll", "dip", "coat", "decorate",
    "dwell", "wrap", "warm", "hold",
)  # fmt: skip
"""Kinds of what is done, from the scale to the wrapper. By definition."""
ON_THE_PIECE: Final = frozenset(
    {"shell", "fill", "set", "cap", "unmould", "cut", "portion", "roll", "dip", "coat", "decorate", "wrap", "dwell"}
)
"""Acts that are done to a piece, not to a mix. By definition."""
MOST_STEPS: Final = 500  # a limit, by definition
LONGEST_STEP: Final = 20_000  # a limit, by definition

Place = Literal["", "instead", "after", "left-out", "moved"]
PLACES: Final[tuple[Place, ...]] = ("", "instead", "after", "left-out", "moved")
"""Where a step of the cook's own stands to an act of ours: found by its words, in its place, after it, or it is left
out or moved. By definition."""

Between = float | tuple[float, float] | None
"""A figure, two figures that it lies between, or none."""


def middle(value: Between) -> float | None:
    """Return a figure, or the middle of two."""
    return sum(value) / 2 if isinstance(value, tuple) else value


@dataclass(frozen=True, slots=True, kw_only=True)
class CardStep:
    """One thing that a card tells to do.

    `kind` is one of `ACTS` or None; `to_c` true °C and `minutes` a figure, a low and a high, or None; `ingredients`
    are the keys of the lines that it names. A step that the cook wrote herself names the `act` of ours that it changes,
    and its `place` to it; without words it changes the act's temperature or time alone. An act that she moved comes
    `after` another.
    """

    text: str
    kind: str | None = None
    to_c: Between = None
    minutes: Between = None
    ingredients: tuple[str, ...] = ()
    place: Place = ""
    act: str = ""
    after: str = ""
