"""What the set clock is asked: a mass, the state that is waited for, and where and how it stands."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.cooling.places import faces, place_named
from hearth_bowl.core.errors import BadInput, check_number


@dataclass(frozen=True, slots=True, kw_only=True)
class State:
    """What can be done with it: the index it begins at, the warmest it may be, and the hours its crystals need."""

    name: str
    index: float
    warmest_c: float
    rest_h: tuple[float, float]


STATES: Final[Mapping[str, State]] = MappingProxyType(
    {
        "pipe": State(name="Pipeable", index=1.6, warmest_c=28.0, rest_h=(0.25, 1.0)),
        "roll": State(name="Rollable", index=2.6, warmest_c=22.0, rest_h=(1.0, 4.0)),
        "cut": State(name="Cuttable", index=3.2, warmest_c=19.0, rest_h=(8.0, 14.0)),
        "unmould": State(name="Unmouldable", index=3.4, warmest_c=18.0, rest_h=(0.2, 0.7)),
    }
)
"""Rests are common practice: cutting needs a night. Judged."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SetAsk:
    """A mass in a place. A slab by its thickness (and the narrower side), a bowl by its mass, or small bodies
    (cavities, balls, pieces standing free), each of a volume and a whole surface.

    A bowl that is stirred every few minutes has one temperature and may say its cooling area; one left alone has not.
    """

    state: str
    from_c: float
    place: str
    ambient_c: float | None = None
    base: str | None = None
    cover: str = "none"
    both_faces: bool = False
    thickness_mm: float | None = None
    narrow_mm: float | None = None
    bowl_kg: float | None = None
    area_m2: float | None = None
    stirred: bool = False
    volume_ml: float | None = None
    area_cm2: float | None = None


STATE_OF_USE: Final[Mapping[str, str]] = MappingProxyType(
    {"roll": "roll", "cut": "cut", "fill-shell": "unmould", "pipe": "pipe"}
)
"""What a mass waits for, by what it is made for; else it is rolled."""


def usual_set_ask(use: str | None) -> SetAsk:
    """Return how a mass usually sets: in the fridge under film, 16 mm thick, put in at 36 °C. Common practice."""
    state = STATE_OF_USE.get(use or "", "roll")
    return SetAsk(state=state, from_c=36.0, place="fridge", cover="film", thickness_mm=16.0)


def check_set_ask(ask: SetAsk) -> float:
    """Check what can be checked without a mass; return the air's temperature [°C].

    :raises BadInput: naming the field.
    """
    if ask.state not in STATES:
        raise BadInput(("state",), f"unknown state {ask.state[:60]!r}", ", ".join(STATES), "unknown")
    place = place_named(ask.place)
    faces(ask.place, ask.base, ask.cover)
    check_number(("from_c",), ask.from_c, -20, 130, "°C")
    for name, most, unit in (
        ("thickness_mm", 500, "mm"),
        ("narrow_mm", 2000, "mm"),
        ("bowl_kg", 100, "kg"),
        ("volume_ml", 10_000, "ml"),
        ("area_cm2", 100_000, "cm²"),
    ):
        if getattr(ask, name) is not None:
            check_number((name,), getattr(ask, name), 0, most, unit, above=True)
    return check_number(("ambient_c",), place.ambient_c if ask.ambient_c is None else ask.ambient_c, -40, 45, "°C")
