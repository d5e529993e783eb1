"""Quantities within sentences: marked where they are written, put into a person's own units in one place.

A temperature is written as `⟦35 to 45 °C⟧`, a difference of temperatures as `⟪±0.8 °C⟫`. They are told apart, for
0.8 °C more is 1.4 °F more, while 0.8 °C is 33 °F.
"""

import re
from typing import Final

MARKED: Final = re.compile(r"⟦([^⟦⟧]*) °C⟧|⟪([^⟪⟫]*) °C⟫")
NUMBER: Final = re.compile(r"-?\d+(?:\.\d+)?")
MARKS: Final = str.maketrans("", "", "⟦⟧⟪⟫")
F_PER_C: Final = 1.8


def plain(text: str) -> str:
    """Return a text with its quantities as they were written: °C."""
    return text.translate(MARKS)


def in_degrees(text: str, unit: str) -> str:
    """Return a text with its temperatures in °C or °F (`unit` C or F): whole degrees F, differences to a tenth."""
    return plain(text) if unit == "C" else plain(MARKED.sub(_in_f, text))


def _in_f(found: "re.Match[str]") -> str:
    absolute, difference = found.groups()
    if absolute is not None:
        return NUMBER.sub(lambda number: str(round(float(number[0]) * F_PER_C + 32)), absolute) + " °F"
    return NUMBER.sub(lambda number: f"{float(number[0]) * F_PER_C:.1f}".removesuffix(".0"), difference) + " °F"
