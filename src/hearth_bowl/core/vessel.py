"""Vessels: pans and moulds made from their few measures."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.geometry.cavities import Cavity, Cone, Dome, HalfEgg, Hemisphere, Pyramid, check_cavity, weighed
from hearth_bowl.core.geometry.pans import Pan, check_pan

MAX_MEASURE: Final = 2000.0
MAX_CAVITIES: Final = 1000
OTHER_KINDS: Final = ("scoop", "cup", "pieces", "cake")
"""Kinds that a vessel file may hold and that `fit` does not answer yet."""

PAN_MEASURES: Final = MappingProxyType(
    {
        "rectangle": ("length_mm", "width_mm", "depth_mm"),
        "round": ("diameter_mm", "depth_mm"),
        "tube": ("diameter_mm", "inner_diameter_mm", "depth_mm"),
        "loaf": ("length_mm", "width_mm", "rim_length_mm", "rim_width_mm", "depth_mm"),
    }
)
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
"""The measures that each shape needs, in the order in which they are asked."""
MAY_BE_ZERO: Final = frozenset({"floor_radius_mm", "floor_length_mm", "floor_width_mm"})

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


@dataclass(frozen=True, slots=True, kw_only=True)
class Mould:
    """A mould of so many equal cavities."""

    shape: str
    cavities: int
    cavity: Cavity


Vessel = Pan | Mould


def checked_vessel(kind: str, shape: str, measures: Mapping[str, object]) -> Vessel:
    """Return a pan or a mould from its measures.

    :raises BadInput: naming the kind, shape or measure.
    """
    if kind in OTHER_KINDS:
        raise BadInput(("kind",), f"fitting to a vessel of kind {kind!r} is not built yet", "pan or mould", "not-built")
    if kind == "pan":
        names = _names(PAN_MEASURES, shape)
        corner = measures.get("corner_mm")
        return check_pan(
            Pan(
                shape=shape,
                corner_mm=0.0 if corner is None or shape in ("round", "tube") else _measure("corner_mm", corner, 0.0),
                **{name: _measure(name, measures.get(name)) for name in names},
            )
        )
    if kind != "mould":
        raise BadInput(("kind",), f"unknown kind {kind[:60]!r}", "pan or mould", "unknown")
    names = _names(CAVITY_MEASURES, shape)
    values = [_measure(name, measures.get(name)) for name in names]
    return Mould(shape=shape, cavities=_cavities(measures), cavity=check_cavity(_CAVITY_MAKERS[shape](*values)))


def _names(table: Mapping[str, tuple[str, ...]], shape: str) -> tuple[str, ...]:
    if shape not in table:
        raise BadInput(("shape",), f"unknown shape {shape[:60]!r}", "one of " + ", ".join(table), "unknown")
    return table[shape]


def _measure(name: str, value: object, least: float | None = None) -> float:
    unit = "g" if name.endswith("_g") else "mm"
    if value is None:
        raise BadInput((name,), "is missing", f"a number above 0 {unit}", "missing")
    may_be_zero = least is not None or name in MAY_BE_ZERO
    return check_number((name,), value, 0, MAX_MEASURE, unit, above=not may_be_zero)


def _cavities(measures: Mapping[str, object]) -> int:
    count = measures.get("cavities", 1)
    if isinstance(count, bool) or not isinstance(count, int) or not 1 <= count <= MAX_CAVITIES:
        raise BadInput(("cavities",), "not a whole number of cavities", f"1 to {MAX_CAVITIES}", "out-of-range")
    return count
