"""Typed amounts: what a cook types into a line, read as a written line is read."""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import LONGEST, TypedAmount, read_amount
from hearth_bowl.core.recipe.written.amount_words import FOREIGN_UNITS
from hearth_bowl.core.recipe.written.rewording import in_figures, plain_words
from hearth_bowl.core.recipe.written.shapes import COUNTS, number_of_counted

_BARE_THOUSANDS: Final = re.compile(r"\d{1,3}(?:[,'’ ]\d{3})+")
_COUNTED: Final = re.compile(rf"^({COUNTS})\s+(?=[a-zà-ÿ])", re.IGNORECASE)
_LAST_WORD: Final = re.compile(r"^([\d\s.,/–-]+?)\s*([^\d\s][^\d]*)$")
SMALL_UNITS: Final = ("g", "mg", "ml")
"""Units of which nobody types a thousandth: a comma before three figures stands for thousands there."""


def read_typed(text: str, unit_now: str = "g") -> TypedAmount:
    """Return a typed amount: thousands, words and measures of other kitchens as in a written line.

    A bare number keeps the unit that the line has.

    :raises BadInput: at `typed`.

    >>> read_typed("1,250 g").amount
    1250.0
    """
    if len(text) > LONGEST or text.strip()[:1] in ("-", "−", "–"):
        return read_amount(text, unit_now)
    plain = in_figures(f"{plain_words(text)} ", []).strip()
    if unit_now in SMALL_UNITS and _BARE_THOUSANDS.fullmatch(plain):
        plain = re.sub(r"[,'’ ]", "", plain)
    counted = _COUNTED.match(plain)
    if counted is not None:
        plain = f"{number_of_counted(counted[1]):.6g} {plain[counted.end() :]}"
    named = _LAST_WORD.match(plain)
    if named is not None and FOREIGN_UNITS.get(named[2].lower().strip()):
        plain = f"{named[1]} {FOREIGN_UNITS[named[2].lower().strip()]}"
    return read_amount(plain, unit_now)
