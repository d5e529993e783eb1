"""Quantities within sentences: marked where they are written, put into a person's own units in one place.

A temperature is written as `⟦35 to 45 °C⟧`, a difference of temperatures as `⟪±0.8 °C⟫`, a mass as `⟦390 g⟧`, a
length as `⟦16 mm⟧`. The first two are told apart, for 0.8 °C more is 1.4 °F more, while 0.8 °C is 33 °F.
"""

import re
from typing import Final

MARKED: Final = re.compile(r"⟦([^⟦⟧]*) °C⟧|⟪([^⟪⟫]*) °C⟫")
MARKED_MASS: Final = re.compile(r"⟦([^⟦⟧]*) g⟧")
MARKED_LENGTH: Final = re.compile(r"⟦([^⟦⟧]*) mm⟧")
NUMBER: Final = re.compile(r"-?\d+(?:\.\d+)?")
MARKED_ANY: Final = re.compile(r"(?<=[⟦⟪])[^⟦⟧⟪⟫]*(?=[⟧⟫])")
POINT: Final = re.compile(r"(?<=\d)\.(?=\d)")
MARKS: Final = str.maketrans("", "", "⟦⟧⟪⟫")
F_PER_C: Final = 1.8  # by definition
G_PER_OZ: Final = 28.349523125  # by definition
MM_PER_IN: Final = 25.4  # by definition


def plain(text: str) -> str:
    """Return a text with its quantities as they were written: °C, g and mm."""
    return text.translate(MARKS)


def in_units(text: str, degrees: str, mass: str, length: str, decimal_sign: str = ".") -> str:
    """Return a text in a person's units: °C or °F (`degrees` C or F: whole °F, differences to a tenth), g or oz, mm or
    in; with the person's sign between a quantity's units and tenths."""
    if degrees == "F":
        text = MARKED.sub(_in_f, text)
    if mass == "oz":
        text = MARKED_MASS.sub(lambda found: f"⟦{_over(G_PER_OZ, found[1])} oz⟧", text)
    if length == "in":
        text = MARKED_LENGTH.sub(lambda found: f"⟦{_over(MM_PER_IN, found[1])} in⟧", text)
    if decimal_sign != ".":
        text = MARKED_ANY.sub(lambda found: POINT.sub(decimal_sign, found[0]), text)
    return plain(text)


def _over(per: float, figures: str) -> str:
    return NUMBER.sub(lambda number: figure(float(number[0]) / per), figures)


def figure(value: float) -> str:
    """Return a figure with as many digits as a kitchen can use."""
    size = abs(value)
    return f"{value:.0f}" if size >= 100 else f"{round(value, 1 if size >= 10 else 2):g}"


def _in_f(found: "re.Match[str]") -> str:
    absolute, difference = found.groups()
    if absolute is not None:
        return f"⟦{NUMBER.sub(lambda number: str(round(float(number[0]) * F_PER_C + 32)), absolute)} °F⟧"
    return f"⟪{NUMBER.sub(lambda number: f'{float(number[0]) * F_PER_C:.1f}'.removesuffix('.0'), difference)} °F⟫"
