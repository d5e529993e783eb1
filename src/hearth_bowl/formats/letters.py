"""The letters that everything is printed in, shipped with it: their names, their signs, and how wide words are."""

from functools import cache
from pathlib import Path
from typing import Final
from unicodedata import normalize

from hearth_bowl.core.errors import BadInput

PT_PER_MM: Final = 72 / 25.4
PAGES: Final = {"a4": (210.0, 297.0), "letter": (215.9, 279.4)}
"""[mm]"""
FONTS: Final = Path(__file__).parent / "fonts"
REGULAR, BOLD = "AtkinsonHyperlegibleNext-Regular", "AtkinsonHyperlegibleNext-Bold"


def paper_mm(page: str) -> tuple[float, float]:
    """Return how wide and high a paper is.

    :raises BadInput: at `page`.
    """
    if page not in PAGES:
        raise BadInput(("page",), f"unknown page {page[:40]!r}", "a4 or letter", "unknown")
    return PAGES[page]


@cache
def letters() -> frozenset[int]:
    """Have the letters ready; return the signs that they have."""
    from reportlab.pdfbase.pdfmetrics import registerFont, registerFontFamily
    from reportlab.pdfbase.ttfonts import TTFont

    faces = [TTFont(name, str(FONTS / f"{name}.ttf")) for name in (REGULAR, BOLD)]
    for face in faces:
        registerFont(face)
    registerFontFamily(REGULAR, normal=REGULAR, bold=BOLD, italic=REGULAR, boldItalic=BOLD)
    return frozenset(faces[0].face.charToGlyph)


def width_mm(text: str, size_pt: float, bold: bool = False) -> float:
    """Return how wide words are."""
    from reportlab.pdfbase.pdfmetrics import stringWidth

    letters()
    return float(stringWidth(text, BOLD if bold else REGULAR, size_pt)) / PT_PER_MM


def _written_out(sign: str) -> str:
    found = normalize("NFKC", sign)
    return found.replace("\u2044", "/") if "\u2044" in found else sign


def drawable(text: str) -> str:
    """Return a text with a mark for each sign that the letters have not; fractions that are one sign are written
    out."""
    known = letters()
    text = "".join(sign if ord(sign) in known else _written_out(sign) for sign in text)
    return "".join(sign if ord(sign) in known or sign in "\n\t" else "?" for sign in text)
