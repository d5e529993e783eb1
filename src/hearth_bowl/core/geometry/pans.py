"""Pans: volume at a depth, depth from a volume, and the plan that is cut."""

from dataclasses import dataclass
from math import pi

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.numbers import MM3_PER_ML, bisect_rising, prismoid_ml


@dataclass(frozen=True, slots=True, kw_only=True)
class Pan:
    """A pan by its inner measures [mm]. A loaf's length and width are at the base, rim_* at the top."""

    shape: str
    depth_mm: float
    length_mm: float = 0.0
    width_mm: float = 0.0
    diameter_mm: float = 0.0
    inner_diameter_mm: float = 0.0
    corner_mm: float = 0.0
    rim_length_mm: float = 0.0
    rim_width_mm: float = 0.0

    @property
    def is_round(self) -> bool:
        """Return whether the plan is a circle or a ring."""
        return self.shape in ("round", "tube")

    def sides_mm(self, height_mm: float) -> tuple[float, float]:
        """Return length and width at a height above the base; a loaf's grow linearly."""
        if self.shape != "loaf":
            return self.length_mm, self.width_mm
        share = height_mm / self.depth_mm
        return (
            self.length_mm + (self.rim_length_mm - self.length_mm) * share,
            self.width_mm + (self.rim_width_mm - self.width_mm) * share,
        )

    def area_mm2(self, height_mm: float = 0.0) -> float:
        """Return the plan's area at a height; rounded corners take (4 - pi) r² off."""
        if self.is_round:
            return pi / 4 * (self.diameter_mm**2 - self.inner_diameter_mm**2)
        length, width = self.sides_mm(height_mm)
        return length * width - (4 - pi) * self.corner_mm**2

    def volume_ml(self, depth_mm: float) -> float:
        """Return the volume up to a depth (exact)."""
        return prismoid_ml(self.area_mm2(), self.area_mm2(depth_mm / 2), self.area_mm2(depth_mm), depth_mm)

    def depth_from_ml(self, volume_ml: float) -> float:
        """Return the depth that a volume fills; the volume must not be more than the pan holds."""
        if self.shape == "loaf":
            return bisect_rising(self.volume_ml, volume_ml, 0.0, self.depth_mm)
        return volume_ml * MM3_PER_ML / self.area_mm2()


def check_pan(pan: Pan) -> Pan:
    """Return the pan when its measures fit together.

    :raises BadInput: naming the measure.
    """
    if pan.shape == "tube" and pan.inner_diameter_mm >= pan.diameter_mm:
        raise BadInput(("inner_diameter_mm",), "the tube is as wide as the pan", f"less than ⟦{pan.diameter_mm:g} mm⟧")
    if pan.shape == "loaf":
        for rim, base in (("rim_length_mm", "length_mm"), ("rim_width_mm", "width_mm")):
            if getattr(pan, rim) < getattr(pan, base):
                raise BadInput((rim,), "the rim is narrower than the base", f"⟦{getattr(pan, base):g} mm⟧ or more")
    if not pan.is_round and pan.corner_mm > min(pan.length_mm, pan.width_mm) / 2:
        raise BadInput(
            ("corner_mm",),
            "the rounded corner is wider than half the side",
            f"⟦0 to {min(pan.length_mm, pan.width_mm) / 2:g} mm⟧",
        )
    return pan


def water_density_g_per_ml(at_c: float) -> float:
    """Return the density of water: 1 - (t + 288.9414)/(508929.2 (t + 68.12963)) (t - 3.9863)²; source water-density."""
    return 1 - (at_c + 288.9414) / (508929.2 * (at_c + 68.12963)) * (at_c - 3.9863) ** 2
