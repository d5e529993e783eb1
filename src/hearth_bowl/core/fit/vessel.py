"""Vessels: what a mix goes into or is portioned by, made from a few measures."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from math import pi
from types import MappingProxyType
from typing import Any, Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.geometry.cakes import MOST_COAT_MM, Cake
from hearth_bowl.core.geometry.cavities import Cavity, Cone, Dome, HalfEgg, Hemisphere, Pyramid, check_cavity, weighed
from hearth_bowl.core.geometry.numbers import MM3_PER_ML
from hearth_bowl.core.geometry.pans import Pan, check_pan

MAX_MEASURE: Final = 2000.0  # a limit, by definition
MAX_CAVITIES: Final = 1000  # a limit, by definition
MAX_FILLINGS: Final = 20  # a limit, by definition

PAN_MEASURES: Final = MappingProxyType(
    {
        "rectangle": ("length_mm", "width_mm", "depth_mm"),
        "round": ("diameter_mm", "depth_mm"),
        "tube": ("diameter_mm", "inner_diameter_mm", "depth_mm"),
        "loaf": ("length_mm", "width_mm", "rim_length_mm", "rim_width_mm", "depth_mm"),
    }
)
PAN_EXTRAS: Final = ("corner_mm", "lining_mm", "usable_depth_mm")
"""Measures that a pan may have besides: rounded corners, the thickness of its lining, how deep it may be filled."""
CAVITY_MEASURES: Final = MappingProxyType(
    {
        "hemisphere": ("radius_mm",),
        "dome": ("base_radius_mm", "height_mm"),
        "half-egg": ("length_mm", "width_mm", "depth_mm"),
        "cone": ("rim_radius_mm", "floor_radius_mm", "height_mm"),
        "pyramid": ("rim_length_mm", "rim_width_mm", "floor_length_mm", "floor_width_mm", "height_mm"),
        "bar": ("length_mm", "width_mm", "depth_mm"),
        "weighed": ("water_g",),
    }
)
SCOOP_MEASURES: Final = MappingProxyType({"level": ("volume_ml",), "ball": ("diameter_mm",)})
"""A scoop or spoon by what it holds level full; a baller by the ball that it cuts."""
CAKE_MEASURES: Final = MappingProxyType(
    {
        "round": ("diameter_mm", "height_mm", "filling_mm", "coat_mm"),
        "rectangle": ("length_mm", "width_mm", "height_mm", "filling_mm", "coat_mm"),
    }
)
CUP_MEASURES: Final = MappingProxyType({"paper": ("volume_ml",)})
PIECE_MEASURES: Final = MappingProxyType({"ball": ("piece_g",)})
BOX_MEASURES: Final = MappingProxyType({"box": ("length_mm", "width_mm", "depth_mm")})
MEASURES: Final[Mapping[str, Mapping[str, tuple[str, ...]]]] = MappingProxyType(
    {
        "pan": PAN_MEASURES,
        "mould": CAVITY_MEASURES,
        "scoop": SCOOP_MEASURES,
        "cup": CUP_MEASURES,
        "pieces": PIECE_MEASURES,
        "cake": CAKE_MEASURES,
        "box": BOX_MEASURES,
    }
)
"""The measures that each kind and shape needs, in the order in which they are asked. Where a kind has a usual shape,
the first, a file may leave the shape out."""
COUNTS: Final[Mapping[str, tuple[str, int]]] = MappingProxyType(
    {"mould": ("cavities", MAX_CAVITIES), "cup": ("count", MAX_CAVITIES), "cake": ("fillings", MAX_FILLINGS)}
)
"""What is counted of a kind, and the most of it."""
NEEDS_A_SHAPE: Final = frozenset({"pan", "mould"})
MAY_BE_ZERO: Final = frozenset({"floor_radius_mm", "floor_length_mm", "floor_width_mm", "filling_mm", "coat_mm"})

_CAVITY_MAKERS: Final[Mapping[str, Callable[..., Cavity]]] = MappingProxyType(
    {
        "hemisphere": Hemisphere,
        "dome": Dome,
        "half-egg": lambda length, width, depth: HalfEgg(length / 2, width / 2, depth),
        "cone": Cone,
        "pyramid": Pyramid,
        "bar": lambda length, width, depth: Pyramid(length, width, length, width, depth),
        "weighed": weighed,
    }
)
"""Numerical, by definition."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Mould:
    """A mould of so many equal cavities."""

    shape: str
    cavities: int
    cavity: Cavity


@dataclass(frozen=True, slots=True, kw_only=True)
class Scoop:
    """A scoop, spoon or baller: what it portions each time."""

    volume_ml: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cup:
    """Paper cups, or any other small cups: what one holds, and how many there are."""

    volume_ml: float
    count: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Pieces:
    """Free pieces, each of a weight."""

    piece_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Box:
    """A box for finished pieces, by its inner measures."""

    length_mm: float
    width_mm: float
    depth_mm: float


Vessel = Pan | Mould | Scoop | Cup | Pieces | Cake | Box


def checked_vessel(kind: str, shape: str, measures: Mapping[str, object]) -> Vessel:
    """Return a vessel from its measures.

    :raises BadInput: naming the kind, shape or measure.
    """
    if kind not in MEASURES:
        raise BadInput(("kind",), f"unknown kind {kind[:60]!r}", "one of " + ", ".join(MEASURES), "unknown")
    if not shape and kind not in NEEDS_A_SHAPE:
        shape = _shape_by_measures(kind, measures)
    names = _names(MEASURES[kind], shape)
    return _MAKERS[kind](shape, {name: _measure(name, measures.get(name)) for name in names}, measures)


def _shape_by_measures(kind: str, measures: Mapping[str, object]) -> str:
    """Return the shape whose measures are all there, else the kind's usual one."""
    shapes = MEASURES[kind]
    fitting = (shape for shape, names in shapes.items() if all(measures.get(name) is not None for name in names))
    return next(fitting, next(iter(shapes)))


def _pan(shape: str, sides: dict[str, float], measures: Mapping[str, object]) -> Pan:
    corner = measures.get("corner_mm")
    has_corner = corner is not None and shape not in ("round", "tube")
    pan = check_pan(Pan(shape=shape, corner_mm=_measure("corner_mm", corner, 0.0) if has_corner else 0.0, **sides))
    usable = measures.get("usable_depth_mm")
    if usable is not None:
        pan = _filled_to(pan, check_number(("usable_depth_mm",), usable, 0, pan.depth_mm, "mm", above=True))
    lining = measures.get("lining_mm")
    return pan if lining is None else _lined(pan, lining)


def _filled_to(pan: Pan, depth_mm: float) -> Pan:
    """Return the pan up to a depth; a loaf's sides there are its rim."""
    if pan.shape != "loaf":
        return replace(pan, depth_mm=depth_mm)
    rim_length_mm, rim_width_mm = pan.sides_mm(depth_mm)
    return replace(pan, depth_mm=depth_mm, rim_length_mm=rim_length_mm, rim_width_mm=rim_width_mm)


def _lined(pan: Pan, lining: object) -> Pan:
    """Return the pan as a lining of even thickness leaves it."""
    least = min(value for value in (pan.diameter_mm, pan.length_mm, pan.width_mm) if value)
    t = check_number(("lining_mm",), lining, 0, min(pan.depth_mm, least / 2, 20.0) / 2, "mm")
    smaller: dict[str, Any] = {
        name: getattr(pan, name) - 2 * t
        for name in ("length_mm", "width_mm", "diameter_mm", "rim_length_mm", "rim_width_mm")
        if getattr(pan, name)
    }
    tube: dict[str, Any] = {"inner_diameter_mm": pan.inner_diameter_mm + 2 * t} if pan.inner_diameter_mm else {}
    corner = max(0.0, pan.corner_mm - t)
    return check_pan(replace(pan, depth_mm=pan.depth_mm - t, corner_mm=corner, **smaller, **tube))


def _mould(shape: str, sides: dict[str, float], measures: Mapping[str, object]) -> Mould:
    cavity = check_cavity(_CAVITY_MAKERS[shape](*sides.values()))
    return Mould(shape=shape, cavities=_count("mould", measures), cavity=cavity)


def _scoop(shape: str, sides: dict[str, float], _: Mapping[str, object]) -> Scoop:
    if shape == "ball":
        return Scoop(volume_ml=pi / 6 * sides["diameter_mm"] ** 3 / MM3_PER_ML)
    return Scoop(**sides)


def _cup(_: str, sides: dict[str, float], measures: Mapping[str, object]) -> Cup:
    return Cup(count=_count("cup", measures), **sides)


def _cake(shape: str, sides: dict[str, float], measures: Mapping[str, object]) -> Cake:
    check_number(("coat_mm",), sides["coat_mm"], 0, MOST_COAT_MM, "mm")
    fillings = _count("cake", measures, 0)
    if fillings * sides["filling_mm"] > sides["height_mm"]:
        allowed = f"up to ⟦{sides['height_mm'] / max(1, fillings):.3g} mm⟧"
        raise BadInput(("filling_mm",), "the fillings are higher than the cake", allowed, "out-of-range")
    return Cake(shape=shape, fillings=fillings, **sides)


_MAKERS: Final[Mapping[str, Callable[[str, dict[str, float], Mapping[str, object]], Vessel]]] = MappingProxyType(
    {
        "pan": _pan,
        "mould": _mould,
        "scoop": _scoop,
        "cup": _cup,
        "pieces": lambda _, sides, __: Pieces(**sides),
        "cake": _cake,
        "box": lambda _, sides, __: Box(**sides),
    }
)


def _names(table: Mapping[str, tuple[str, ...]], shape: str) -> tuple[str, ...]:
    if shape not in table:
        raise BadInput(("shape",), f"unknown shape {shape[:60]!r}", "one of " + ", ".join(table), "unknown")
    return table[shape]


def _measure(name: str, value: object, least: float | None = None) -> float:
    unit = name.rsplit("_", 1)[1]
    if value is None:
        raise BadInput((name,), "is missing", f"a number above 0 {unit}", "missing")
    may_be_zero = least is not None or name in MAY_BE_ZERO
    return check_number((name,), value, 0, MAX_MEASURE, unit, above=not may_be_zero)


def _count(kind: str, measures: Mapping[str, object], least: int = 1) -> int:
    name, most = COUNTS[kind]
    count = measures.get(name)
    if count is None:
        return 1
    if isinstance(count, bool) or not isinstance(count, int) or not least <= count <= most:
        raise BadInput((name,), f"not a whole number of {name}", f"{least} to {most}", "out-of-range")
    return count
