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


def told_of(found: Correction) -> tuple[str, str]:
    """Return what a quantity is, and what was learned of it."""
    title, name = title_of(found.what), found.what.partition(":")[0]
    if not found.entries:
        return title, "No batch counts: the book stands."
    by = f"by {found.entries} batch{'es' if found.entries != 1 else ''}"
    if found.kind == "offset":
        if abs(found.value) < SAME * 4:
            return title, f"As the book says, {by}."
        if name == "set":
            return title, f"{abs(found.value):.1f} {'firmer' if found.value > 0 else 'softer'} than the book, {by}."
        if name == "end":
            way = "hotter" if found.value > 0 else "cooler"
            return title, f"⟪{abs(found.value):.1f} °C⟫ {way} than the book suits you, {by}."
        way = "much" if found.value > 0 else "little"
        return title, f"Shows ⟪{abs(found.value):.1f} °C⟫ too {way}, {by}."
    apart = found.value - 1
    if abs(apart) < SAME:
        return title, f"As the book says, {by}."
    more, less = WORDS[name]
    return title, f"{abs(apart) * 100:.0f} % {more if apart > 0 else less} than the book, {by}."
