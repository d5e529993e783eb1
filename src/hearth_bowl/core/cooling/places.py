"""Places to cool in: their air and how well each face gives off heat. Source cooling-practice; fair, time -25/+45 %."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput

TIME_LOW: Final = 0.75  # handbook, section E
TIME_HIGH: Final = 1.45
"""Full shelves, warm fridges, thick dishes and lids are slow more often than fast. Handbook, section E."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Air temperature [°C] and heat transfer, air and radiation together [W/m²K], with its usual range in words."""

    name: str
    ambient_c: float
    h_top: float
    h_base: float
    h_range: str


PLACES: Final[Mapping[str, Place]] = MappingProxyType(
    {
        "fridge": Place(name="Fridge", ambient_c=5.0, h_top=8.0, h_base=7.0, h_range="6 to 11"),
        "fan-fridge": Place(name="Fridge with a fan", ambient_c=4.0, h_top=15.0, h_base=12.0, h_range="12 to 25"),
        "freezer": Place(name="Freezer", ambient_c=-18.0, h_top=9.0, h_base=7.0, h_range="7 to 12"),
        "counter": Place(name="Counter", ambient_c=20.0, h_top=8.0, h_base=5.0, h_range="6 to 10"),
        "marble": Place(name="Marble slab", ambient_c=20.0, h_top=8.0, h_base=60.0, h_range="190 at 1 min, 60 at 10"),
        "larder": Place(name="Cool larder", ambient_c=14.0, h_top=8.0, h_base=5.0, h_range="6 to 10"),
    }
)
"""20 mm of marble takes heat as e/sqrt(pi t): what it does after 10 min stands for the whole. Handbook, section E."""
COVERS: Final[Mapping[str, float | None]] = MappingProxyType({"none": None, "film": 7.0, "lid": 3.5})
"""A cover's heat transfer from the top; film lies on the surface, a lid leaves air below it. Handbook, section E."""
BASES: Final[Mapping[str, float | None]] = MappingProxyType(
    {"wire": None, "glass": 3.0, "board": 3.0, "insulated": 0.0}
)
"""A base's heat transfer; None is the place's own: on wire, or on the counter as it is. Handbook, section E."""
LIDDED_BASE_H: Final = 5.0  # handbook, section E


def faces(place: str, base: str | None, cover: str, *, both: bool = False) -> tuple[float, float]:
    """Return heat transfer of top and base [W/m²K].

    :raises BadInput: at `place`, `base` or `cover`.
    """
    here = place_named(place)
    for name, value, table in (("base", base or "wire", BASES), ("cover", cover, COVERS)):
        if value not in table:
            raise BadInput((name,), f"unknown {name} {value[:60]!r}", ", ".join(table), "unknown")
    covered = COVERS[cover]
    top = here.h_top if covered is None else covered
    under = BASES[base or "wire"]
    if under is None:
        under = min(here.h_base, LIDDED_BASE_H) if cover == "lid" else here.h_base
    return top, top if both else under


def place_named(place: str) -> Place:
    """Return a place.

    :raises BadInput: at `place`.
    """
    if place not in PLACES:
        raise BadInput(("place",), f"unknown place {place[:60]!r}", ", ".join(PLACES), "unknown")
    return PLACES[place]
