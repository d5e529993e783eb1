"""What a form gives each of its parts: grams in one piece, what is cut off, how it lies, and what is round it all."""

from dataclasses import dataclass, field
from math import pi

from hearth_bowl.core.confection.confection import Part
from hearth_bowl.core.confection.stuff import Stuff
from hearth_bowl.core.geometry.cavities import CavityVolumes
from hearth_bowl.core.geometry.pieces import Cut


@dataclass(frozen=True, slots=True, kw_only=True)
class Given:
    """A part with what it is made of, at its place in the order of making."""

    position: int
    part: Part
    stuff: Stuff


@dataclass(frozen=True, slots=True, kw_only=True)
class PartLaid:
    """A part in one finished piece: g and ml, how thick [mm] where it has a thickness, between which levels [mm].

    `pieces` of them have it, fewer than all where only some are coated now. Of what is kept `offcut_g` is cut off and
    `left_over_g` does not go in. `pool_g` is chocolate that must be melted besides and comes back. Of a shell `cap_g`
    closes it, its seam among it.
    """

    each_g: float
    each_ml: float
    pieces: int
    offcut_g: float = 0.0
    left_over_g: float = 0.0
    mm: float | None = None
    from_mm: float | None = None
    to_mm: float | None = None
    gives_way: bool = False
    pool_g: float = 0.0
    cap_g: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Ball:
    """A round body: its width [mm]."""

    diameter_mm: float

    @property
    def sides_mm(self) -> tuple[float, ...]:
        """Return its width: a ball has one."""
        return (self.diameter_mm,)

    @property
    def height_mm(self) -> float:
        """Return how high it stands."""
        return self.diameter_mm

    @property
    def area_cm2(self) -> float:
        """Return its surface."""
        return pi * (self.diameter_mm / 10) ** 2

    def grown(self, coat_mm: float) -> "Ball":
        """Return it with a coat."""
        return Ball(diameter_mm=self.diameter_mm + 2 * coat_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class Block:
    """A cut piece: its sides [mm]."""

    sides_mm: tuple[float, float, float]

    @property
    def height_mm(self) -> float:
        """Return how high it stands."""
        return self.sides_mm[2]

    @property
    def area_cm2(self) -> float:
        """Return its surface."""
        a, b, c = self.sides_mm
        return 2 * (a * b + b * c + c * a) / 100

    def grown(self, coat_mm: float) -> "Block":
        """Return it with a coat."""
        a, b, c = self.sides_mm
        return Block(sides_mm=(a + 2 * coat_mm, b + 2 * coat_mm, c + 2 * coat_mm))


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """The slowest body for cooling: a slab by its thickness, a small body by volume and surface, or a bowl."""

    kind: str
    thickness_mm: float | None = None
    volume_ml: float | None = None
    area_cm2: float | None = None


@dataclass(slots=True, kw_only=True)
class Laid:
    """A form filled: its pieces, and its parts by their places in the order of making."""

    pieces: int
    body: Body
    outside: Ball | Block | None = None
    halves: int | None = None
    halves_by_colour: tuple[int, ...] | None = None
    pours: int | None = None
    spare_cavities: int | None = None
    cut: Cut | None = None
    cavity: CavityVolumes | None = None
    cap_mm: float | None = None
    """How thick the chocolate that closes a cavity is; 0 where nothing closes it but its other half."""
    lower_half_only: bool = False
    """Whether of two halves the lower one alone is filled."""
    parts: dict[int, PartLaid] = field(default_factory=dict)
    notes: list[str] = field(default_factory=list)
