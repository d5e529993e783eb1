"""What can be learned of a kitchen, and what the book says of each before anything is known."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import exp, log
from types import MappingProxyType
from typing import Final, Literal

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY

Z_80: Final = 1.2816
"""Half of 80 % of a normal distribution, in standard deviations. Numerical, by definition."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Quantity:
    """A quantity of a place or tool: a factor on what the book predicts, or an offset to it (index or °C).

    `low` and `high` are the book's band of 80 % for one observation; `noise` is how far one observation lies from the
    kitchen's own value, as a standard deviation: of the logarithm for a factor.
    """

    kind: Literal["factor", "offset"]
    low: float
    high: float
    noise: float

    @property
    def spread(self) -> float:
        """Return how far kitchens lie from the book, as a standard deviation."""
        half = log(self.high / self.low) / 2 if self.kind == "factor" else (self.high - self.low) / 2
        return half / Z_80

    def taken(self, value: float) -> float:
        """Return a learned value as it is used: a factor from its logarithm, an offset as it is."""
        return exp(value) if self.kind == "factor" else value


QUANTITIES: Final[Mapping[str, Quantity]] = MappingProxyType(
    {
        "cooling": Quantity(kind="factor", low=0.75, high=1.45, noise=0.16),
        "set": Quantity(kind="factor", low=0.75, high=1.45, noise=0.16),
        "burst": Quantity(kind="factor", low=0.6, high=1.4, noise=0.16),
        "boil-off": Quantity(kind="factor", low=0.6, high=2.0, noise=0.18),
        "heat-up": Quantity(kind="factor", low=0.65, high=1.5, noise=0.16),
        "loss": Quantity(kind="factor", low=0.4, high=2.2, noise=0.25),
        "shell": Quantity(kind="factor", low=0.75, high=1.35, noise=0.15),
        "hands": Quantity(kind="factor", low=0.55, high=1.8, noise=0.2),
        "set-index": Quantity(kind="offset", low=-0.7, high=0.7, noise=0.35),
        "end": Quantity(kind="offset", low=-1.5, high=1.5, noise=0.7),
        "thermometer": Quantity(kind="offset", low=-2.0, high=2.0, noise=0.4),
    }
)
"""Cooling, set, boil-off and the index by the handbook's bands (sections D, E, K); the others judgements."""
PLACES: Final = frozenset({"fridge", "fan-fridge", "freezer", "counter", "larder", "marble", "room", "cool-room"})
"""`set:` of one of these is how long it takes there; of anything else it is a chocolate's set index."""


def quantity_of(what: str) -> Quantity:
    """Return the quantity of what an entry names, such as cooling:fridge, shell:cones or set:dark60.

    :raises BadInput: at `what`.
    """
    name, _, of = what.partition(":")
    if name == "set" and of not in PLACES:
        name = "set-index"
    if name not in QUANTITIES or not of or (name == "set-index" and not what.startswith("set:")):
        allowed = ", ".join(f"{known}:…" for known in QUANTITIES if known != "set-index")
        raise BadInput(("what",), f"unknown quantity {what[:60]!r}", allowed, "unknown")
    return QUANTITIES[name]


PLACE_WORDS: Final[Mapping[str, str]] = MappingProxyType(
    {"fridge": "your fridge", "fan-fridge": "your fan fridge", "freezer": "your freezer", "counter": "your counter",
     "larder": "your larder", "marble": "your marble", "room": "your room", "cool-room": "your cool room"}
)  # fmt: skip
JOB_WORDS: Final[Mapping[str, str]] = MappingProxyType(
    {"roll": "Rolling", "dip": "Dipping", "cut": "Cutting", "shell": "Making shells", "cap": "Capping",
     "fill": "Filling", "decorate": "Decorating", "halves": "Joining halves", "beat": "Beating",
     "rolling": "Rolling in"}
)  # fmt: skip


SHAPE_WORDS: Final = MappingProxyType({"slab": ", a slab", "bowl": ", a bowl", "small": ", small pieces"})


def title_of(what: str) -> str:
    """Return what a quantity is, in the words of a kitchen.

    :raises BadInput: at `what`.
    """
    quantity_of(what)
    name, _, of = what.partition(":")
    place, _, shape = of.partition("/")
    where = PLACE_WORDS.get(place, place)
    match name:
        case "cooling":
            return f"Cooling in {where}{SHAPE_WORDS.get(shape, '')}"
        case "set" if place in PLACES:
            return f"Until it is ready in {where}"
        case "set":
            return f"How firm {LIBRARY[of].name if of in LIBRARY else of} sets"
        case "burst":
            return f"Microwave, {of}"
        case "boil-off":
            return f"Boiling down, {of}"
        case "heat-up":
            return f"Heating up, {of}"
        case "loss":
            return f"What stays behind, {of}"
        case "shell":
            return f"Shells of {of}"
        case "hands":
            return JOB_WORDS.get(of, of)
        case "end":
            return f"End of the boil, {of.replace('-', ' ')}"
        case _:
            return f"Thermometer {of}"
