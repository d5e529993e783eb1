"""Rewording: a line as cooks write it in the order and the figures that the reader of lines knows; what was said is
kept beside it.
"""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER, VULGAR_FRACTIONS
from hearth_bowl.core.recipe.written.foreign_fruit import fruit_in_english
from hearth_bowl.core.recipe.written.shapes import (
    AMOUNT,
    COUNTS,
    GRAMS,
    MILLILITRES,
    PACKS,
    SIZE_UNIT,
    UNIT,
    number_of_counted,
)

_THOUSANDS_OF: Final = r"\s*(?:m?g|gr|gram\w{0,4}|[mcd]l)(?![a-z])"
THOUSANDS: Final = re.compile(
    rf"(?<![\d.,])(\d{{1,3}})(?:[,.'’]|\s(?=\d{{3}}{_THOUSANDS_OF})(?!.{{0,80}}\b(?:{PACKS})\b))(\d{{3}})"
    rf"(?={_THOUSANDS_OF})",
    re.IGNORECASE,
)
_MAYBE_THOUSANDS: Final = re.compile(r"(?<![\d.,])\d{1,3},\d{3}(?!\d)")
_AND_A_HALF: Final = re.compile(
    rf"^(?P<count>{NUMBER}|an?|one|two|three)\s+(?P<unit>{UNIT})\s+and\s+a\s+(?P<part>half|quarter|third)\s+(?:of\s+)?",
    re.IGNORECASE,
)
_HYPHENED: Final = re.compile(r"(?<![\d/.,])(\d{1,2})\s?[-–](?=[1-9]/[2-9](?!\d))")
"""A whole number and its fraction, as US cooks join them: 1-1/2 is one and a half."""
_AMOUNT_LAST: Final = re.compile(
    rf"^(?P<name>(?!(?:{COUNTS})\s)[^\d]{{2,80}}?(?:\d{{1,3}}\s?%[^\d]{{0,20}})?)(?:\s|[,:;–—(-]|\.(?!\d)|\.{{2,}})+(?:x\s?)?"
    rf"(?P<amount>(?:{NUMBER}\s*x\s*)?{NUMBER}(?:\s*(?:-|–|to)\s*{NUMBER})?"
    rf"\s*(?:(?:heaped|level|rounded|scant|large|small)\s+)?(?:(?:{UNIT})(?![a-zà-ÿ])\.?)?"
    rf"(?:\s+(?:of|à|je|at)\s+{NUMBER}\s*(?:{SIZE_UNIT}))?)\s*\)?$",
    re.IGNORECASE,
)
"""A line that says first what it is and then how much."""
_NUMBERS: Final = re.compile(NUMBER)
_BETWEEN: Final = re.compile(rf"^between\s+({NUMBER})\s*\w{{0,2}}\s+and\s+({NUMBER})", re.IGNORECASE)
_LIMIT: Final = re.compile(r"^(?:up to|at least|at most|no more than|max\.?|min\.?)\s+(?=\d)", re.IGNORECASE)
_ONE_OF: Final = re.compile(
    r"^(?=(?:(?:scant|heaped|heaping|rounded|level|generous|good|small|large)\s+)*"
    r"(?:cups?|teaspoons?|tablespoons?|dessertspoons?|tsp|tbsp|tin|can|bar|stick|jar)\b)",
    re.IGNORECASE,
)
"""A line that begins with its measure: how many is not given."""
_DEMI: Final = re.compile(r"\b(?:une? )?demi-(?=litre|tasse|gousse|sachet|cuill|boîte|tablette)", re.IGNORECASE)
_OF_SPOON: Final = re.compile(r"\b(colher(?:es)?) ?\((?:de )?(sopa|chá)\)", re.IGNORECASE)
_CHOC: Final = re.compile(r"\bchocs?\b", re.IGNORECASE)
_FEW: Final = re.compile(r"^(?:an? )?few(?= (?:drops?|pieces?|leaves|pinches|spoons?)\b)", re.IGNORECASE)
_HEAPED: Final = re.compile(r"\b(heaped|heaping|rounded|scant|generous)\b", re.IGNORECASE)
_BULLET: Final = re.compile(r"^[\s\-*•·▢☐□–—]+|^\d+[.)]\s+(?=[A-Za-z])")


def plain_words(text: str) -> str:
    """Return a line without its bullet, its fractions as figures."""
    plain = text.replace("\u00a0", " ").replace("×", "x").replace("⁄", "/").replace("|", " ")
    plain = _CHOC.sub("chocolate", _OF_SPOON.sub(r"\1 de \2", _DEMI.sub("1/2 ", plain)))
    for sign, fraction in VULGAR_FRACTIONS.items():
        plain = re.sub(rf"(?<=\d){sign}", f" {fraction}", plain).replace(sign, fraction)
    plain = _HYPHENED.sub(r"\1 ", plain)
    return fruit_in_english(" ".join(_BULLET.sub("", plain).split()))


def amount_first(plain: str, doubts: list[str]) -> str:
    """Return a line that says first how much: `Honey, 2 tbsp` is `2 tbsp Honey`."""
    if _ONE_OF.match(plain):
        plain = f"1 {plain}"
        doubts.append("how many is not given: one assumed")
    last = None if AMOUNT.match(plain) else _AMOUNT_LAST.match(plain)
    simple = GRAMS.search(plain) or MILLILITRES.search(plain)
    if last is not None and not (simple and len(_NUMBERS.findall(last["amount"])) == 1):
        return f"{last['amount'].strip()} {last['name'].strip()}"
    return plain


def in_figures(plain: str, doubts: list[str]) -> str:
    """Return a line with its amount in plain figures: `a cup and a half of` is `1.5 cup`."""
    plain = _AND_A_HALF.sub(_with_its_part, _BETWEEN.sub(r"\1-\2", plain))
    limit = _LIMIT.match(plain)
    if limit is not None:
        doubts.append(f"{limit[0].strip().lower()}: taken as that")
        plain = plain[limit.end() :]
    if _FEW.match(plain):
        plain = _FEW.sub("3", plain)
        doubts.append("a few are taken as three")
    if THOUSANDS.search(plain):
        doubts.append("taken as thousands: a comma may be a decimal one")
    elif _MAYBE_THOUSANDS.search(plain):
        doubts.append("taken as a decimal comma: it may stand for thousands")
    heaped = _HEAPED.search(plain)
    if heaped is not None:
        doubts.append(f"{heaped[1].lower()}: taken as level")
    return without_thousands(plain)


def without_thousands(plain: str) -> str:
    """Return a line with its thousands in one: `1 500 g` is `1500 g`."""
    return THOUSANDS.sub(r"\1\2", plain)


def _with_its_part(found: re.Match[str]) -> str:
    """Return `a cup and a half of` as `1.5 cup`."""
    part = number_of_counted({"half": "half", "quarter": "quarter", "third": "a third"}[found["part"].lower()])
    return f"{number_of_counted(found['count']) + part:.4g} {found['unit']} "
