"""Words of a method: a line that begins with what to do is no ingredient, whatever it names.

Common practice.
"""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER

_VERBS: Final = (
    "add|allow|arrange|beat|blend|boil|break|bring|brush|chill|chop|coat|combine|continue|cook|cool|cover|crush|cut|decorate"
    "|dip|dissolve|dust|enjoy|fill|finish|fold|freeze|grease|heat|keep|knead|leave|let|lift|line|melt|microwave|mix|mould"
    "|pipe|place|pour|press|put|refrigerate|remove|repeat|rest|return|roll|scald|scatter|scrape|separate|serve|set|shape"
    "|sieve|sift|simmer|soak|spoon|spread|sprinkle|stir|store|strain|take|tap|temper|tip|transfer|turn|unmould|wait|warm"
    "|whip|whisk|wrap"
)
TELLS: Final = re.compile(
    rf"^\W*(?:\d+[.)]\s+)?(?:(?:carefully|gently|gradually|slowly|then|now|next|finally|meanwhile|first),?\s+)*(?:{_VERBS})"
    r"(?![a-z\u2019'-])",
    re.IGNORECASE,
)
"""A line that begins with a verb of the kitchen in the imperative."""
ALSO_DESCRIBES: Final = re.compile(r"^\W*(?:blend|cool|crush|cut|mix|mould|rest|set|warm|whip)\s", re.IGNORECASE)
"""Words that begin an ingredient too: warm milk, set honey, cut mixed peel."""
SENTENCE_WORDS: Final = re.compile(
    r"[.!]\s*$|\b(?:the|it|them|until|in|into|on|onto|over|with|for|well|together|completely|everything|out|through)\b",
    re.IGNORECASE,
)
"""Marks of a sentence, which an ingredient line has not."""
NO_AMOUNT: Final = re.compile(
    rf"{NUMBER}\s*(?:(?:-|–|to)\s*{NUMBER}\s*)?"
    r"(?:°\s*[CF]?|degrees?(?:\s+[CF])?|[CF]\b|mm\b|cm\b|inch(?:es)?\b|in\b|seconds?\b|secs?\b|s\b|minutes?\b|mins?\b"
    r"|hours?\b|hrs?\b|h\b|days?\b|times?\b|pieces?\b|squares?\b|balls?\b|batches\b|parts?\b|%)",
    re.IGNORECASE,
)
_OF_A_PIECE: Final = re.compile(
    rf"\b(?:balls?|pieces?|truffles?|portions?|squares|rounds?)\s+(?:of|weighing)\s+(?:about\s+)?{NUMBER}\s*(?:g|grams?|oz|cm|mm)\b"
    rf"|{NUMBER}\s*-?\s*(?:g|cm|mm)\s+(?:balls?|pieces?|truffles?|portions?|squares|rounds?)\b",
    re.IGNORECASE,
)
"""A temperature, a length, a time or a count of pieces: no amount of an ingredient. A bare C after a number is °C."""
_EACH: Final = re.compile(r"\b(?:in|into|on|with|for)\b.{0,80}\beach\b", re.IGNORECASE)
"""What goes with each piece is told as a step too."""


def tells_what_to_do(line: str) -> bool:
    """Return whether a line is a step: it begins with what to do, and states no amount of an ingredient."""
    if ALSO_DESCRIBES.match(line) and SENTENCE_WORDS.search(line) is None:
        return False
    if TELLS.match(line) is None:
        return False
    if _EACH.search(line) and not re.match(r"^\W*mix\b", line, re.IGNORECASE):
        return True
    plain = _OF_A_PIECE.sub(" ", NO_AMOUNT.sub(" ", line))
    return re.search(NUMBER, _without_numbering(plain)) is None


def _without_numbering(line: str) -> str:
    return re.sub(r"^\W*\d+[.)]\s+", "", line)
