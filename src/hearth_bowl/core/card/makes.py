"""Makes: what a card says of the piece: how many, how large, in what."""

import re
from collections.abc import Iterable
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any, Final

from hearth_bowl.core.card import form_words as words
from hearth_bowl.core.card.lengths import Sides, sides_in
from hearth_bowl.core.card.said_vessel import vessel_said
from hearth_bowl.core.recipe.measures import MASS_UNITS_G
from hearth_bowl.core.recipe.typed_amount import NUMBER, UNIT_WORDS, number_of
from hearth_bowl.core.recipe.written.amount_words import FOREIGN_UNITS
from hearth_bowl.core.recipe.written.rewording import plain_words
from hearth_bowl.core.recipe.written.shapes import COUNTS, number_of_counted

MOST_PIECES_SAID: Final = 20_000  # a limit, by definition
MOST_REMEMBERED: Final = 2000
"""Lines whose answer is remembered: taking a card apart asks for each more than once. A limit, by definition."""
LONGEST_READ: Final = 300  # a limit, by definition
_COUNT: Final = (
    rf"(?P<low>{NUMBER}|(?:{COUNTS})(?![a-zà-ÿ]))\s*"
    rf"(?:(?:-|–|—|to|or|bis|à|a|oder|ou|o)\s*(?P<high>{NUMBER})\s*)?{words.DOZEN}"
)
_YIELD: Final = re.compile(rf"{words.YIELDS}{words.ABOUT}{_COUNT}(?P<rest>.*)$", re.IGNORECASE)
_BRACKETED: Final = re.compile(
    r"\(\s*(?P<said>(?:makes|yields?|ergibt|für|pour|per|para|rende|rinde)\b[^)]*)\)", re.IGNORECASE
)
_COUNT_ALONE: Final = re.compile(rf"^\W*{words.ABOUT}{_COUNT}\s*{words.MADE_NOUN}\W*$", re.IGNORECASE)
_COUNT_IN_METHOD: Final = re.compile(
    rf"\b(?:into|to make|in|en|em|zu|form(?:er|ez|are|ar|e)?|façonner|shape|cut|roll|scoop"
    rf"|make)\s+{words.ABOUT}{_COUNT}\s*"
    rf"(?:(?:small|equal|even|kleine|gleich große|petite?s|piccol[ie]|pequeñ[oa]s|pequen[oa]s)\s+)*{words.MADE_NOUN}\b",
    re.IGNORECASE,
)
_NO_COUNT: Final = re.compile(
    r"^\s*(?:g|kg|ml|l|cl|cm|mm|oz|lbs?|inch|grams?|°|%|(?:-|x|×)|min|hours?|h\b|stunden?|heures?|ore|horas?|days?"
    r"|tage|jours)(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_UNIT: Final = r"kg|g|grams?|gramm|grammes?|grammi|gramos|gramas|oz|ounces?"
_EACH_G: Final = tuple(
    re.compile(pattern, re.IGNORECASE)
    for pattern in (
        rf"{words.PIECE_NOUN}\s*(?:\w+\s+)?(?:of|at|zu|à|de|da|di|von|weighing|:|,)?\s*(?:je\s+)?{words.ABOUT}"
        rf"(?P<n>{NUMBER})\s*(?P<unit>{_UNIT})\b",
        rf"(?P<n>{NUMBER})\s*-?\s*(?P<unit>{_UNIT})\s*-?\s*{words.PIECE_NOUN}\b",
        rf"^\W*(?:(?:weigh(?:ing|s)?|of)\s+)?{words.ABOUT}(?P<n>{NUMBER})\s*(?P<unit>{_UNIT})\s*{words.EACH}\W*$",
        (
            rf"\b(?:each|je|cada|chaque|ognun[oa])\s*(?:of|weighing|von|de|di"
            rf"|:)?\s*{words.ABOUT}(?P<n>{NUMBER})\s*(?P<unit>{_UNIT})\W*$"
        ),
    )
)
MOST_PIECE_G: Final = 100.0
"""What weighs more is no piece to be eaten, but an amount. A judgement."""
_CUT_NOUN: Final = re.compile(rf"^\W*(?:[a-zà-ÿ]+\s+)?{words.CUT_NOUN}\b", re.IGNORECASE)
_CUT_BEFORE: Final = re.compile(rf"{words.CUT_NOUN}\s*(?:of|von|de|di|da|à|zu je|:|,)?\s*{words.ABOUT}$", re.IGNORECASE)
_BALL_NOUN: Final = r"(?:balls?|truffles?|kugeln?|boules?|boulettes?|palline|bolas|bolitas|bolinhas)"
_WALL_AFTER: Final = re.compile(
    r"^\W*(?:thick |dick\w* )?(?:shells?|walls?|thick shells?|hüllen?|wand\w*|coques?|gusci\w*|cáscaras?|cascas?)\b",
    re.IGNORECASE,
)
_WALL_BEFORE: Final = re.compile(r"\b(?:shells?|walls?)\s*(?:of|:|,|about)?\s*$", re.IGNORECASE)
_ARTICLES: Final = ("a", "an", "un", "une", "ein", "eine", "einen", "una", "uno", "um", "uma")
_SERVES: Final = re.compile(rf"^\W*(?:of |the )?{words.SERVE_NOUN}\b", re.IGNORECASE)


@dataclass(slots=True, kw_only=True)
class Makes:
    """What a card says of the piece. `vessel` is a vessel file's measures, `wall_mm` a shell's wall, `served` how many
    it serves; doubts by the number of their line."""

    pieces: int | None = None
    piece_g: float | None = None
    piece_mm: tuple[float, float] | None = None
    vessel: dict[str, Any] | None = None
    wall_mm: float | None = None
    served: int | None = None
    texts: list[str] = field(default_factory=list)
    lines: list[int] = field(default_factory=list)
    doubts: list[tuple[int, str]] = field(default_factory=list)

    @property
    def shapes_a_piece(self) -> bool:
        """Return whether the card says in what or how large, not only how many."""
        return any(one is not None for one in (self.vessel, self.piece_g, self.piece_mm, self.wall_mm))

    @property
    def said(self) -> tuple[object, ...]:
        """Return all that is said."""
        return (self.pieces, self.piece_g, self.piece_mm, self.vessel, self.wall_mm, self.served)


def read_makes(lines: Iterable[tuple[int, str, bool]]) -> Makes:
    """Return what lines say of the piece: their number, their words, and whether they are of the method.

    The first that says something is taken; what stands beside the method goes before what the method says.
    """
    found = Makes()
    for number, text, is_method in sorted(lines, key=lambda line: line[2]):
        before = found.said
        _read(found, number, text, is_method)
        if found.said != before:
            found.texts.append(text)
            found.lines.append(number)
    if found.pieces is None and found.served is not None and (found.vessel or {}).get("kind") == "cup":
        found.pieces = found.served
    return found


@lru_cache(maxsize=MOST_REMEMBERED)
def is_form_line(text: str) -> bool:
    """Return whether a line says how many, how large or in what the piece is.

    >>> is_form_line("18 cm square tin"), is_form_line("Balls of 22 g"), is_form_line("397 g tin condensed milk")
    (True, True, False)
    """
    found = Makes()
    _read(found, 0, text, False)
    return found.said != Makes().said


def _read(found: Makes, number: int, text: str, is_method: bool) -> None:
    plain = plain_words(text[:LONGEST_READ])
    _count(found, number, plain, is_method)
    _piece_g(found, plain)
    vessel, doubts = vessel_said(plain, is_method)
    if vessel is not None and found.vessel is None:
        found.vessel = vessel
        found.doubts += [(number, why) for why in doubts]
    if vessel is None:
        _sizes(found, plain)


def _count(found: Makes, number: int, text: str, is_method: bool) -> None:
    if found.pieces is not None:
        return
    bracketed = _BRACKETED.search(text)
    said = _YIELD.match(bracketed["said"] if bracketed else text) or _COUNT_ALONE.match(text)
    if said is None and is_method:
        said = _COUNT_IN_METHOD.search(text)
    if said is None:
        return
    rest = said.groupdict().get("rest") or ""
    if said["low"].lower() in _ARTICLES:
        return
    if _NO_COUNT.match(rest):
        return
    dozen = 12 if said["dozen"] else 1
    low = number_of_counted(said["low"]) * dozen
    high = number_of(said["high"]) * dozen if said["high"] else low
    if re.match(r"^\W*serves\b", text, re.IGNORECASE) or _SERVES.match(rest):
        found.served = found.served or round(low)
        return
    pieces = round((low + max(low, high)) / 2)
    if low < 1 or pieces > MOST_PIECES_SAID:
        return
    found.pieces = pieces
    if high > low:
        found.doubts.append((number, f"{low:g} to {high:g} are said: {pieces} pieces are counted on"))


def _piece_g(found: Makes, text: str) -> None:
    if found.piece_g is not None:
        return
    for pattern in _EACH_G:
        said = pattern.search(text)
        if said is not None:
            word = said["unit"].lower()
            grams = number_of(said["n"]) * MASS_UNITS_G[UNIT_WORDS.get(word) or FOREIGN_UNITS.get(word) or word]
            if 0 < grams <= MOST_PIECE_G:
                found.piece_g = grams
            return


def _sizes(found: Makes, text: str) -> None:
    for sides in sides_in(text):
        before, after = text[: sides.start], text[sides.end :]
        if found.wall_mm is None and len(sides.mm) == 1 and (_WALL_AFTER.match(after) or _WALL_BEFORE.search(before)):
            found.wall_mm = sides.mm[0]
        elif found.piece_mm is None and (_CUT_NOUN.match(after) or _CUT_BEFORE.search(before)):
            found.piece_mm = _square(sides)


def _square(sides: Sides) -> tuple[float, float]:
    return (sides.mm[0], sides.mm[1] if len(sides.mm) > 1 else sides.mm[0])
