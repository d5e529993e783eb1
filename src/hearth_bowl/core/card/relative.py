"""Relative amounts: parts to parts, half of it, the rest of the tin, worked out from the card's other lines."""

import re
from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of
from hearth_bowl.core.recipe.written.lines import UNSAID
from hearth_bowl.core.recipe.written.recipe import Row

PARTS_BATCH_G: Final = 500.0
"""Suggested batch of what is told in parts alone. A judgement."""
_PART: Final = r"(?:parts?|teile?n?|parties?|part[ei]|partes?)"
IN_PARTS: Final = re.compile(rf"^\W*(?P<n>{NUMBER})\s*{_PART}(?![a-zà-ÿ])", re.IGNORECASE)
_TO: Final = r"(?:to|zu|pour|auf|per|por|a|:|against)"
_TWO: Final = (
    re.compile(
        rf"^\W*(?P<a>{NUMBER})\s*{_PART}\s+(?P<one>.+?),?\s+(?:{_TO}|and|und|et|e|y|with)\s+(?P<b>{NUMBER})"
        rf"(?!\s*(?:%|g|ml))\s*(?:{_PART}\s+)?(?P<two>[^\W\d].+)$",
        re.IGNORECASE,
    ),
    re.compile(
        rf"^\W*(?P<one>[^\d:]{{3,60}}?)\s+(?:and|to|und|et|e|y|with|\+|&)\s+(?P<two>[^\d:]{{3,60}}?)\s*[,:(–-]*\s*"
        rf"(?P<a>{NUMBER})\s*(?:{_PART})?\s*{_TO}\s*(?P<b>{NUMBER})\s*(?:{_PART})?\W*$",
        re.IGNORECASE,
    ),
    re.compile(
        rf"^\W*(?P<a>{NUMBER})\s*(?:{_PART}\s*)?{_TO}\s*(?P<b>{NUMBER})\s*(?:{_PART})?\s*,?\s*"
        r"(?P<one>\D{3,60}?)\s+(?:to|and|zu|und|et|e|y)\s+(?P<two>\D{3,60})$",
        re.IGNORECASE,
    ),
)
_REST: Final = re.compile(
    r"\b(?:the rest|rest of|remaining|remainder|other half|second half|restliche[rsnm]?|rest der"
    r"|reste (?:de|du)|restante?s?"
    r"|rimanente|resto d\w*)\b",
    re.IGNORECASE,
)
_HALF: Final = re.compile(
    r"\b(?:half (?:of )?(?:the|this|that|it)|first half|die hälfte|la moitié|(?:la )?metà|la mitad|(?:a )?metade)\b",
    re.IGNORECASE,
)
_TIN: Final = re.compile(r"\b(?:tin|can|dose|boîte|lattina|lata)\b", re.IGNORECASE)
_OUT_OF: Final = re.compile(
    (
        rf"\b(?:of|from|out of|aus|von|d'une?|de|da)\s+(?:an?|the|one|einer|une|una|uma|la"
        rf"|el)?\s*(?P<n>{NUMBER})\s*-?\s*g\b"
    ),
    re.I,
)


def two_in_parts(line: str) -> list[str]:
    """Return a line that sets one thing against another in parts as two lines; the line alone where it does not.

    >>> two_in_parts("4 parts dark chocolate to 1 part cream")
    ['4 parts dark chocolate', '1 parts cream']
    >>> two_in_parts("Chocolate and cream, 2:1")
    ['2 parts Chocolate', '1 parts cream']
    """
    for pattern in _TWO:
        found = pattern.match(line)
        if found is not None:
            return [f"{found['a']} parts {found['one'].strip()}", f"{found['b']} parts {found['two'].strip(' .')}"]
    return [line]


def worked_out(rows: Sequence[Row]) -> list[Row]:
    """Return the rows with what others decide worked out: parts in grams of a suggested batch, halves and rests."""
    return _shares(_parts(rows))


def _parts(rows: Sequence[Row]) -> list[Row]:
    told = {at: number_of(found["n"]) for at, row in enumerate(rows) if (found := IN_PARTS.match(row.text))}
    total = sum(told.values())
    found_rows = list(rows)
    for at, parts in told.items():
        if total <= 0:
            break
        why = f"{parts:g} of {total:g} parts: a batch of {PARTS_BATCH_G:g} g is suggested"
        found_rows[at] = _with(rows[at], PARTS_BATCH_G * parts / total, why)
    return found_rows


def _with(row: Row, grams: float, why: str) -> Row:
    doubts = tuple(
        doubt
        for doubt in row.read.doubts
        if not doubt.startswith((UNSAID, "parts of", "the unit is not", "not an ingredient"))
    )
    read = replace(
        row.read, amount=grams, amount_high=None, unit="g", pack_g=None, doubts=(*doubts, why), proposed=True
    )
    return replace(row, read=read)


def _shares(rows: Sequence[Row]) -> list[Row]:
    found = list(rows)
    for at, row in enumerate(rows):
        if row.read.amount is not None and not _REST.search(row.text):
            continue
        if not (_REST.search(row.text) or _HALF.search(row.text)):
            continue
        source = _source(found, at)
        if source is None:
            continue
        found[at] = replace(row, read=replace(row.read, key=found[source].read.key, own=None, left_out=False))
        _share(found, source, at)
    return found


def _source(rows: Sequence[Row], at: int) -> int | None:
    """Return which earlier row a half or a rest is of: of the same ingredient, else of the tin that it speaks of."""
    key = rows[at].read.key
    earlier = [place for place in range(at) if rows[place].read.key is not None and rows[place].read.amount is not None]
    same = [place for place in earlier if rows[place].read.key == key]
    if not same and _TIN.search(rows[at].text):
        same = [place for place in earlier if _TIN.search(rows[place].text)]
    if not same and key is not None:
        same = [
            place for place in earlier if (rows[place].read.key or "").rstrip("0123456789") == key.rstrip("0123456789")
        ]
    return same[0] if same else None


def _share(rows: list[Row], source: int, at: int) -> None:
    """Share what a row has with a later one: by what its tin holds more, else in halves."""
    first = rows[source]
    used_g = first.grams or 0.0
    whole_g = used_g
    out_of = _OUT_OF.search(first.text)
    if first.read.unit == "tin" and (first.read.amount or 1) < 1 and first.read.pack_g:
        whole_g = first.read.pack_g
    elif out_of is not None and number_of(out_of["n"]) > used_g:
        whole_g = number_of(out_of["n"])
    if whole_g > used_g * (1 + 1e-9):
        rows[at] = _with(rows[at], whole_g - used_g, f"what is left of {whole_g:g} g")
        return
    why = f"{used_g:g} g is divided equally: the card gives no amounts"
    rows[source], rows[at] = _with(first, used_g / 2, why), _with(rows[at], used_g / 2, why)
