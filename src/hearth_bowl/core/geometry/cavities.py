"""Cavities of moulds: what one holds, and the void that a shell of even wall leaves in it.

`void_ml(wall, y)` is the inside of the shell lying more than y below the rim plane: filling = void(cap + headroom),
cap = void(0) - void(cap), shell = cavity - void(0).
"""

from dataclasses import dataclass
from math import hypot, pi
from typing import Final, Protocol

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.half_egg import half_egg_void_ml
from hearth_bowl.core.geometry.numbers import MM3_PER_ML, prismoid_ml
from hearth_bowl.core.geometry.pans import water_density_g_per_ml

WEIGHED_WALL_FACTOR: Final = 1.08
"""A weighed cavity is taken as the hemisphere of equal volume, its wall this much thicker (±7 % round, ±12 % boxy).
Handbook, section F."""


class Cavity(Protocol):
    """One cavity of a mould."""

    @property
    def depth_mm(self) -> float:
        """Return the depth from the rim plane to the deepest point."""

    @property
    def widest_wall_mm(self) -> float:
        """Return the wall at which nothing of the void would be left."""

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the inside of the shell lying deeper than `below_rim_mm`; the cavity itself at wall 0, 0."""


@dataclass(frozen=True, slots=True)
class Hemisphere:
    """Half a ball of radius R; V(y) = pi (2/3 r³ - r² y + y³/3), r = R - t. Exact."""

    radius_mm: float

    @property
    def depth_mm(self) -> float:
        """Return the radius."""
        return self.radius_mm

    @property
    def widest_wall_mm(self) -> float:
        """Return the radius."""
        return self.radius_mm

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""
        return 2 * self.radius_mm, 2 * self.radius_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        r = self.radius_mm - wall_mm
        y = min(below_rim_mm, r)
        return pi * (2 / 3 * r**3 - r**2 * y + y**3 / 3) / MM3_PER_ML


@dataclass(frozen=True, slots=True)
class Dome:
    """A cap of a ball, base radius a, depth h <= a: V = pi H² (3(R - t) - H)/3, R = (a² + h²)/(2h), H = h - t - y."""

    base_radius_mm: float
    height_mm: float

    @property
    def depth_mm(self) -> float:
        """Return the height."""
        return self.height_mm

    @property
    def widest_wall_mm(self) -> float:
        """Return the height: a dome is shallower than wide."""
        return self.height_mm

    @property
    def sphere_radius_mm(self) -> float:
        """Return the radius of the ball that the dome is cut from."""
        return (self.base_radius_mm**2 + self.height_mm**2) / (2 * self.height_mm)

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""
        return 2 * self.base_radius_mm, 2 * self.base_radius_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        height = max(0.0, self.height_mm - wall_mm - below_rim_mm)
        return pi * height**2 * (3 * (self.sphere_radius_mm - wall_mm) - height) / 3 / MM3_PER_ML


@dataclass(frozen=True, slots=True)
class HalfEgg:
    """Half an ellipsoid, semi-axes a, b in the rim plane and depth c; its inside is the exact parallel body.

    A pointed egg is better weighed.
    """

    semi_length_mm: float
    semi_width_mm: float
    depth_mm: float

    @property
    def widest_wall_mm(self) -> float:
        """Return the least semi-axis."""
        return min(self.semi_length_mm, self.semi_width_mm, self.depth_mm)

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""
        return 2 * self.semi_length_mm, 2 * self.semi_width_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        return half_egg_void_ml(self.semi_length_mm, self.semi_width_mm, self.depth_mm, wall_mm, below_rim_mm)


@dataclass(frozen=True, slots=True)
class Cone:
    """A truncated cone, rim radius R, floor radius r; inset at right angles t sqrt(1 + ((R - r)/h)²). Exact."""

    rim_radius_mm: float
    floor_radius_mm: float
    height_mm: float

    @property
    def depth_mm(self) -> float:
        """Return the height."""
        return self.height_mm

    @property
    def slope(self) -> float:
        """Return how much the radius grows for each mm of height."""
        return (self.rim_radius_mm - self.floor_radius_mm) / self.height_mm

    @property
    def widest_wall_mm(self) -> float:
        """Return the wall at which the void closes: at the floor's height or at the axis below the rim."""
        return min(self.height_mm, self.rim_radius_mm / hypot(1, self.slope))

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""
        return 2 * self.rim_radius_mm, 2 * self.rim_radius_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        inset = wall_mm * hypot(1, self.slope)
        low, high = _span(wall_mm, self.height_mm - below_rim_mm, ((self.floor_radius_mm - inset, self.slope),))

        def area(z: float) -> float:
            return pi * (self.floor_radius_mm + self.slope * z - inset) ** 2

        return prismoid_ml(area(low), area((low + high) / 2), area(high), high - low)


@dataclass(frozen=True, slots=True)
class Pyramid:
    """A truncated pyramid, or a bar without draft: the cone's inset for each pair of sides, prismoid volume. Exact."""

    rim_length_mm: float
    rim_width_mm: float
    floor_length_mm: float
    floor_width_mm: float
    height_mm: float

    @property
    def depth_mm(self) -> float:
        """Return the height."""
        return self.height_mm

    @property
    def _half_slopes(self) -> tuple[float, float]:
        return (
            (self.rim_length_mm - self.floor_length_mm) / 2 / self.height_mm,
            (self.rim_width_mm - self.floor_width_mm) / 2 / self.height_mm,
        )

    @property
    def widest_wall_mm(self) -> float:
        """Return the wall at which the void closes."""
        along, across = self._half_slopes
        return min(self.height_mm, self.rim_length_mm / 2 / hypot(1, along), self.rim_width_mm / 2 / hypot(1, across))

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return length and width of the opening."""
        return self.rim_length_mm, self.rim_width_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        along, across = self._half_slopes
        half_length = self.floor_length_mm / 2 - wall_mm * hypot(1, along)
        half_width = self.floor_width_mm / 2 - wall_mm * hypot(1, across)
        low, high = _span(wall_mm, self.height_mm - below_rim_mm, ((half_length, along), (half_width, across)))

        def area(z: float) -> float:
            return 4 * (half_length + along * z) * (half_width + across * z)

        return prismoid_ml(area(low), area((low + high) / 2), area(high), high - low)


def _span(low: float, high: float, sides: tuple[tuple[float, float], ...]) -> tuple[float, float]:
    """Return the heights between which every half side (at z = 0, growth) is above zero."""
    for at_floor, growth in sides:
        if growth > 0:
            low = max(low, -at_floor / growth)
        elif growth < 0:
            high = min(high, -at_floor / growth)
        elif at_floor <= 0:
            return low, low
    return low, max(low, high)


@dataclass(frozen=True, slots=True)
class Weighed:
    """A cavity known by the water that fills it: the hemisphere of equal volume, wall × 1.08. Fair."""

    volume_ml: float

    @property
    def _hemisphere(self) -> Hemisphere:
        return Hemisphere((3 * self.volume_ml * MM3_PER_ML / (2 * pi)) ** (1 / 3))

    @property
    def depth_mm(self) -> float:
        """Return the depth of the hemisphere of equal volume: an estimate."""
        return self._hemisphere.depth_mm

    @property
    def widest_wall_mm(self) -> float:
        """Return the wall at which the equal hemisphere closes."""
        return self._hemisphere.radius_mm / WEIGHED_WALL_FACTOR

    @property
    def rim_mm(self) -> tuple[float, float]:
        """Return those of the equal hemisphere: an estimate."""
        return self._hemisphere.rim_mm

    def void_ml(self, wall_mm: float, below_rim_mm: float) -> float:
        """Return the void; see the class."""
        return self._hemisphere.void_ml(wall_mm * WEIGHED_WALL_FACTOR, below_rim_mm)


def weighed(water_g: float, water_c: float = 20.0) -> Weighed:
    """Return the cavity that holds `water_g` of water at `water_c` [°C]."""
    return Weighed(water_g / water_density_g_per_ml(water_c))


def check_cavity(cavity: Cavity) -> Cavity:
    """Return the cavity when its measures fit together.

    :raises BadInput: naming the measure.
    """
    if isinstance(cavity, Dome) and cavity.height_mm > cavity.base_radius_mm + 1e-9:
        raise BadInput(
            ("height_mm",), "a dome is no deeper than its base radius", f"up to ⟦{cavity.base_radius_mm:g} mm⟧"
        )
    return cavity


@dataclass(frozen=True, slots=True, kw_only=True)
class CavityVolumes:
    """How one cavity divides, in ml: shell + filling + headroom + cap = cavity."""

    cavity_ml: float
    shell_ml: float
    cap_ml: float
    headroom_ml: float
    fill_ml: float


def divide(cavity: Cavity, wall_mm: float, cap_mm: float, headroom_mm: float) -> CavityVolumes:
    """Return how a cavity divides into shell, cap, headroom and filling.

    :raises BadInput: at `wall_mm`, `cap_mm` or `headroom_mm` when nothing would be left for the filling.
    """
    if wall_mm >= cavity.widest_wall_mm:
        raise BadInput(
            ("wall_mm",), f"a wall of ⟦{wall_mm:g} mm⟧ fills the cavity", f"less than ⟦{cavity.widest_wall_mm:.3g} mm⟧"
        )
    void_ml = cavity.void_ml(wall_mm, 0)
    below_cap_ml = cavity.void_ml(wall_mm, cap_mm)
    if below_cap_ml <= 0:
        depth = cavity.depth_mm - wall_mm
        raise BadInput(("cap_mm",), f"a cap of ⟦{cap_mm:g} mm⟧ fills the shell", f"less than ⟦{depth:.3g} mm⟧")
    fill_ml = cavity.void_ml(wall_mm, cap_mm + headroom_mm)
    if fill_ml <= 0:
        depth = cavity.depth_mm - wall_mm - cap_mm
        raise BadInput(
            ("headroom_mm",), f"headroom of ⟦{headroom_mm:g} mm⟧ leaves no filling", f"less than ⟦{depth:.3g} mm⟧"
        )
    cavity_ml = cavity.void_ml(0, 0)
    return CavityVolumes(
        cavity_ml=cavity_ml,
        shell_ml=cavity_ml - void_ml,
        cap_ml=void_ml - below_cap_ml,
        headroom_ml=below_cap_ml - fill_ml,
        fill_ml=fill_ml,
    )
