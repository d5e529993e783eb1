"""Quantities within sentences: marked where they are written, put into a person's own units in one place.

A temperature is written as `⟦35 to 45 °C⟧`, a difference of temperatures as `⟪±0.8 °C⟫`, a mass as `⟦390 g⟧`. The
first two are told apart, for 0.8 °C more is 1.4 °F more, while 0.8 °C is 33 °F. Lengths are in mm for everyone.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

import re
from typing import Final

MARKED: Final = re.compile(r"⟦([^⟦⟧]*) °C⟧|⟪([^⟪⟫]*) °C⟫")
MARKED_MASS: Final = re.compile(r"⟦([^⟦⟧]*) g⟧")
NUMBER: Final = re.compile(r"-?\d+(?:\.\d+)?")
MARKS: Final = str.maketrans("", "", "⟦⟧⟪⟫")
F_PER_C: Final = 1.8
G_PER_OZ: Final = 28.349523125


def plain(text: str) -> str:
    """Return a text with its quantities as they were written: °C and g."""
    return text.translate(MARKS)


def in_units(text: str, degrees: str, mass: str) -> str:
    """Return a text in a person's units: °C or °F (`degrees` C or F: whole °F, differences to a tenth), g or oz."""
    if degrees == "F":
        text = MARKED.sub(_in_f, text)
    return plain(MARKED_MASS.sub(_in_oz, text) if mass == "oz" else text)


def _in_oz(found: "re.Match[str]") -> str:
    return NUMBER.sub(lambda number: figure(float(number[0]) / G_PER_OZ), found[1]) + " oz"


def figure(value: float) -> str:
    """Return a figure with as many digits as a kitchen can use."""
    size = abs(value)
    return f"{value:.0f}" if size >= 100 else f"{round(value, 1 if size >= 10 else 2):g}"


def _in_f(found: "re.Match[str]") -> str:
    absolute, difference = found.groups()
    if absolute is not None:
        return NUMBER.sub(lambda number: str(round(float(number[0]) * F_PER_C + 32)), absolute) + " °F"
    return NUMBER.sub(lambda number: f"{float(number[0]) * F_PER_C:.1f}".removesuffix(".0"), difference) + " °F"
