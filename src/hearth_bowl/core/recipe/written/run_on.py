"""Lines that run on: a title, several ingredients and perhaps the method, all in one."""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER
from hearth_bowl.core.recipe.written.amount_words import COUNT_WORDS

LONGEST_RUN_ON: Final = 2000  # a limit, by definition
FEWEST: Final = 3
"""From so many amounts on, commas between them part ingredients: two may be one said twice. A judgement."""
_COUNTS: Final = "|".join(sorted(COUNT_WORDS, key=len, reverse=True))
_BEGINS: Final = (
    rf"(?:{NUMBER}|[½⅓⅔¼¾⅛]|(?:{_COUNTS}|few|some|handful|pinch|dash|knob|splash|scant|heaped|juice|zest)(?![a-zà-ÿ]))"
)
_PARTED: Final = re.compile(rf"\s*[,;+]\s+(?:and\s+)?(?={_BEGINS})", re.IGNORECASE)
_TITLE: Final = re.compile(rf"^(?P<title>[^\d:]{{2,80}}):\s+(?={_BEGINS})", re.IGNORECASE)
_NEXT_SENTENCE: Final = re.compile(r"(?<=[a-zà-ÿ)])\.\s+(?=[A-ZÀ-Þ][a-zà-ÿ])")


def several_in(line: str) -> list[str]:
    """Return the parts of a line that runs on, each to be read by itself; the line alone where it does not.

    >>> several_in("Creams: 1 lb icing sugar, 1 egg white; few drops mint oil. Mix and roll out.")
    ['Creams', '1 lb icing sugar', '1 egg white', 'few drops mint oil', 'Mix and roll out.']
    """
    said = _NEXT_SENTENCE.split(line)
    title = _TITLE.match(said[0])
    parts = _PARTED.split(said[0][title.end() :] if title else said[0])
    if len(parts) < FEWEST or re.match(_BEGINS, parts[0], re.IGNORECASE) is None:
        return [line]
    return [*([title["title"].strip()] if title else []), *parts, *(f"{step.rstrip('.')}." for step in said[1:])]
