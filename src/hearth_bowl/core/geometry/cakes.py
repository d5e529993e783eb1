"""Cakes: the room of their fillings and of an even coat, sharp at the edge as a scraper leaves it."""

from dataclasses import dataclass
from math import pi
from typing import Final

from hearth_bowl.core.geometry.numbers import MM3_PER_ML, bisect_rising

MOST_COAT_MM: Final = 100.0  # a limit, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Cake:
    """A cake as it stands, its fillings in it; `fillings` layers of `filling_mm` within, coated on top and sides."""

    shape: str
    height_mm: float
    fillings: int
    filling_mm: float
    coat_mm: float
    diameter_mm: float = 0.0
    length_mm: float = 0.0
    width_mm: float = 0.0

    def area_mm2(self, coat_mm: float = 0.0) -> float:
        """Return the plan's area with a coat round it."""
        if self.shape == "round":
            return pi / 4 * (self.diameter_mm + 2 * coat_mm) ** 2
        return (self.length_mm + 2 * coat_mm) * (self.width_mm + 2 * coat_mm)

    @property
    def filling_ml(self) -> float:
        """Return the volume of all fillings (exact)."""
        return self.fillings * self.filling_mm * self.area_mm2() / MM3_PER_ML

    def coat_ml(self, coat_mm: float) -> float:
        """Return the volume of a coat on top and sides: A(t) (h + t) - A(0) h, sharp edges (exact)."""
        return (self.area_mm2(coat_mm) * (self.height_mm + coat_mm) - self.area_mm2() * self.height_mm) / MM3_PER_ML

    def coat_from_ml(self, volume_ml: float) -> float:
        """Return the thickness of the coat that a volume gives, at most `MOST_COAT_MM`."""
        return bisect_rising(self.coat_ml, volume_ml, 0.0, MOST_COAT_MM)
