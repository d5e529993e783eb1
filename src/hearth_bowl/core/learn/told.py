"""What was learned, in the words of a kitchen."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.learn.corrections import Correction
from hearth_bowl.core.learn.quantities import title_of

SAME: Final = 0.03
"""Within 3 % of the book, and within a tenth of a degree or of the index, it is the same: a judgement."""
WORDS: Final[Mapping[str, tuple[str, str]]] = MappingProxyType(
    {
        "cooling": ("slower", "quicker"),
        "set": ("longer", "shorter"),
        "burst": ("longer bursts", "shorter bursts"),
        "boil-off": ("slower", "quicker"),
        "heat-up": ("slower", "quicker"),
        "loss": ("more", "less"),
        "shell": ("heavier", "lighter"),
        "hands": ("longer", "shorter"),
    }
)


FEW: Final = 2
"""Up to so many batches are too few to tell: the band says how far the next may be. A judgement."""


def batches_words(found: Correction) -> str:
    """Return how many batches taught something, those left out not counted: 3 batches; 2 batches, too few to tell."""
    words = f"{found.counted} batch{'es' if found.counted != 1 else ''}"
    return f"{words}, too few to tell" if is_few(found) else words


def is_few(found: Correction) -> bool:
    """Return whether so few batches taught it that the next may well be otherwise."""
    return found.counted <= FEW


def told_of(found: Correction) -> tuple[str, str]:
    """Return what a quantity is called, and what was learned of it; of one or two batches, that they are too few."""
    title = title_of(found.what)
    if not found.counted:
        return title, "No batch counts yet: our usual figure stands."
    if is_few(found):
        return title, f"{batches_words(found)}. The next may be {_band(found)}."
    return title, f"{_apart(found)} ({batches_words(found)})."


def _apart(found: Correction) -> str:
    """Return how far a kitchen is from the usual figure, in words."""
    name = found.what.partition(":")[0]
    if found.kind == "offset":
        if abs(found.value) < SAME * 4:
            return "As usual"
        if name == "set":
            return f"{abs(found.value):.1f} {'firmer' if found.value > 0 else 'softer'} than usual"
        if name == "end":
            return f"⟪{abs(found.value):.1f} °C⟫ {'hotter' if found.value > 0 else 'cooler'} than usual suits you"
        return f"Shows ⟪{abs(found.value):.1f} °C⟫ too {'much' if found.value > 0 else 'little'}"
    apart = found.value - 1
    if abs(apart) < SAME:
        return "As usual"
    return _factor(name, apart)


def _factor(name: str, apart: float) -> str:
    more, less = WORDS[name]
    return f"{abs(apart) * 100:.0f} % {more if apart > 0 else less} than usual"


def _band(found: Correction) -> str:
    """Return the band of the next observation, against the usual figure."""
    name = found.what.partition(":")[0]
    if found.kind == "factor":
        return f"{_factor(name, found.low - 1)} to {_factor(name, found.high - 1)}"
    if name == "set":
        return f"{found.low:+.1f} to {found.high:+.1f} of the usual firmness"
    return f"⟪{found.low:+.1f} °C⟫ to ⟪{found.high:+.1f} °C⟫ of the usual figure"
