"""The set clock: minutes until a mass can be piped, rolled, cut or unmoulded; "cool" and "set" told apart.

Cool: its last point is where the state begins. Set: its crystals have had their hours. A reading or a cue corrects
the estimate at once.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import pi
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.cooling.bowl import bowl_at_c, bowl_s, time_constant_s
from hearth_bowl.core.cooling.places import TIME_HIGH, TIME_LOW, faces, place_named
from hearth_bowl.core.cooling.slab import Slab, cool_slab, slab_s
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.latent_heat import setting_kj_per_kg
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import index_curve
from hearth_bowl.core.mass.thermal import Thermal, conductivity_w_per_mk, heat_capacity_j_per_kgk

EDGE_THICKNESSES: Final = 6.0
EDGE_FACTOR: Final = 0.83
"""A pan narrower than six thicknesses is 10 to 25 % faster: source cooling-practice."""
CORRECTED_BAND: Final = 0.10
"""After a reading the rest of the time is known to ±10 %."""
WARM_ROOM_C: Final = 24.0
HOT_FOR_FRIDGE_C: Final = 30.0
THIN_MM: Final = 15.0


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
    """A mass in a place. A slab by its thickness (and the narrower side), or a bowl by mass and cooling area."""

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


STATE_OF_USE: Final[Mapping[str, str]] = MappingProxyType(
    {"roll": "roll", "cut": "cut", "fill-shell": "unmould", "pipe": "pipe"}
)
"""What a mass waits for, by what it is made for; else it is rolled."""


def usual_set_ask(use: str | None) -> SetAsk:
    """Return how a mass usually sets: in the fridge under film, 16 mm thick, put in at 36 °C. Common practice."""
    state = STATE_OF_USE.get(use or "", "roll")
    return SetAsk(state=state, from_c=36.0, place="fridge", cover="film", thickness_mm=16.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Correction:
    """What was seen: so long after the start it had this temperature, or it did (or did not) pass its cue."""

    after_s: float
    now_c: float | None = None
    passed: bool | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SetClock:
    """Minutes from the start: cool (low, middle, high), then set; the target; how a correction moved it."""

    state: str
    cool_c: float
    cool_min: tuple[float, float, float]
    set_min: tuple[float, float]
    corrected_by: float
    says: str
    warnings: tuple[str, ...]
    curve: tuple[tuple[float, float], ...]


def set_clock(
    mixture: Mixture, ask: SetAsk, corrections: Sequence[Correction] = (), *, with_curve: bool = True
) -> SetClock:
    """Return when a mass is cool and when it is set.

    :param with_curve: with its course for a drawing, which takes as long again.
    :raises BadInput: naming the field; at `place` when the place never gets it there.
    """
    ambient_c = check_set_ask(ask)
    state = STATES[ask.state]
    cool_c = state_begins_c(mixture, state)
    if ambient_c >= cool_c - 0.5:
        message = f"it never gets to ⟦{cool_c:.0f} °C⟧ there: the air is ⟦{ambient_c:g} °C⟧"
        raise BadInput(("place",), message, f"a place below ⟦{cool_c - 0.5:.0f} °C⟧", "not-for-this")
    seconds = 0.0 if ask.from_c <= cool_c else _cool_s(mixture, ask, cool_c, ambient_c)
    factor, says, known = _corrected(mixture, ask, ambient_c, seconds, corrections)
    middle = seconds * factor / 60
    low, high = (1 - CORRECTED_BAND, 1 + CORRECTED_BAND) if known else (TIME_LOW, TIME_HIGH)
    times = [low * middle, middle, high * middle]
    for seen in corrections:
        if seen.passed is True:
            times = [min(value, seen.after_s / 60) for value in times]
        elif seen.passed is False:
            times = [max(value, seen.after_s / 60) for value in times]
    return SetClock(
        state=ask.state,
        cool_c=cool_c,
        cool_min=(times[0], times[1], times[2]),
        set_min=(times[1] + 60 * state.rest_h[0], times[2] + 60 * state.rest_h[1]),
        corrected_by=factor,
        says=says,
        warnings=tuple(_warnings(ask, ambient_c)),
        curve=_curve(mixture, ask, ambient_c, times[2] * 60 / max(0.1, factor), factor) if with_curve else (),
    )


def check_set_ask(ask: SetAsk) -> float:
    """Check what can be checked without a mass; return the air's temperature [°C].

    :raises BadInput: naming the field.
    """
    if ask.state not in STATES:
        raise BadInput(("state",), f"unknown state {ask.state[:60]!r}", ", ".join(STATES), "unknown")
    place = place_named(ask.place)
    faces(ask.place, ask.base, ask.cover)
    check_number(("from_c",), ask.from_c, -20, 130, "°C")
    for name, most, unit in (("thickness_mm", 500, "mm"), ("narrow_mm", 2000, "mm"), ("bowl_kg", 100, "kg")):
        if getattr(ask, name) is not None:
            check_number((name,), getattr(ask, name), 0, most, unit, above=True)
    return check_number(("ambient_c",), place.ambient_c if ask.ambient_c is None else ask.ambient_c, -40, 45, "°C")


def state_begins_c(mixture: Mixture, state: State) -> float:
    """Return the temperature at which a state begins: where the set index gets there, never above the state's own."""
    grid = [float(c) for c in range(4, int(state.warmest_c) + 1)]
    curve = index_curve(mixture, grid)
    firm = [c for c, index in zip(grid, curve, strict=True) if index >= state.index]
    return max(firm) if firm else max(8.0, min(state.warmest_c, 12.0))


def _thermal(mixture: Mixture) -> Thermal:
    return Thermal(
        density_kg_per_m3=1000 * mixture.density_g_per_ml,
        cp_j_per_kgk=heat_capacity_j_per_kgk(mixture),
        conductivity_w_per_mk=conductivity_w_per_mk(mixture),
        latent_kj_per_kg=max(0.0, setting_kj_per_kg(mixture)),
    )


def _slab(mixture: Mixture, ask: SetAsk) -> Slab:
    top, base = faces(ask.place, ask.base, ask.cover, both=ask.both_faces)
    return Slab(thickness_mm=ask.thickness_mm or 0.0, h_top=top, h_base=base, thermal=_thermal(mixture))


def _tau_s(mixture: Mixture, ask: SetAsk) -> float:
    top, _ = faces(ask.place, ask.base, ask.cover)
    thermal = _thermal(mixture)
    cp = thermal.cp_j_per_kgk + 1000 * thermal.latent_kj_per_kg / 30
    return time_constant_s(ask.bowl_kg or 0.0, cp, max(top, 5.0), ask.area_m2 or 0.0)


def _edge(ask: SetAsk) -> float:
    narrow = ask.narrow_mm is not None and ask.narrow_mm < EDGE_THICKNESSES * (ask.thickness_mm or 0.0)
    return EDGE_FACTOR if narrow else 1.0


def _cool_s(mixture: Mixture, ask: SetAsk, to_c: float, ambient_c: float) -> float:
    if (ask.thickness_mm is None) == (ask.bowl_kg is None):
        raise BadInput(
            ("thickness_mm",), "a slab or a bowl is needed", "thickness_mm, or bowl_kg and area_m2", "missing"
        )
    if ask.bowl_kg is not None:
        return bowl_s(_tau_s(mixture, ask), ask.from_c, to_c, ambient_c)
    return _edge(ask) * slab_s(_slab(mixture, ask), ask.from_c, to_c, ambient_c)


def _corrected(
    mixture: Mixture, ask: SetAsk, ambient_c: float, seconds: float, corrections: Sequence[Correction]
) -> tuple[float, str, bool]:
    """Return by how much slower it cools than reckoned, from the last reading: its time against the reckoned one."""
    readings = [seen for seen in corrections if seen.now_c is not None and seen.after_s > 0]
    if not readings or not seconds:
        return 1.0, "", False
    seen = readings[-1]
    now_c = seen.now_c or 0.0
    if not ambient_c + 0.3 < now_c < ask.from_c - 0.3:
        return 1.0, "The reading says nothing yet: too near the start or the air.", False
    reckoned = _cool_s(mixture, ask, now_c, ambient_c)
    factor = min(3.0, max(0.33, seen.after_s / reckoned))
    way = "slower" if factor > 1 else "quicker"
    return factor, f"By the reading it cools {abs(factor - 1) * 100:.0f} % {way} than reckoned.", True


def _warnings(ask: SetAsk, ambient_c: float) -> list[str]:
    found = []
    hot = ask.from_c > HOT_FOR_FRIDGE_C
    if ask.place in ("fridge", "fan-fridge") and hot and (ask.bowl_kg or (ask.thickness_mm or 0) > THIN_MM):
        found.append(
            "It goes hot into the fridge: it sweats and warms what stands beside it. Let it cool to ⟦30 °C⟧ first."
        )
    if ask.place == "freezer":
        found.append("A freezer makes chocolate dull and wet with dew: the fridge for what should shine.")
    if ask.place in ("fridge", "fan-fridge", "freezer") and ask.cover == "none":
        found.append("Cover it before it comes out, or dew forms on it.")
    if ask.place in ("counter", "larder", "marble") and ambient_c >= WARM_ROOM_C:
        found.append(f"At ⟦{ambient_c:g} °C⟧ the room is soft for chocolate.")
    return found


def _curve(
    mixture: Mixture, ask: SetAsk, ambient_c: float, until_s: float, factor: float
) -> tuple[tuple[float, float], ...]:
    """Return (minutes, °C) of the last point, for the drawing."""
    if ask.from_c <= ambient_c or until_s <= 0:
        return ()
    until_s = 1.15 * until_s
    if ask.bowl_kg is not None:
        tau = _tau_s(mixture, ask)
        times = [until_s * i / 40 for i in range(41)]
        return tuple((factor * s / 60, bowl_at_c(tau, ask.from_c, ambient_c, s)) for s in times)
    course = cool_slab(_slab(mixture, ask), ask.from_c, ambient_c, for_s=until_s / _edge(ask))
    step = max(1, len(course.times_s) // 40)
    scale = factor * _edge(ask) / 60
    return tuple(
        (float(course.times_s[i]) * scale, float(course.last_c[i])) for i in range(0, len(course.times_s), step)
    )


def bowl_area_m2(mass_kg: float, density_kg_per_m3: float = 1180.0) -> float:
    """Return the cooling surface of a bowl that holds so much: a half ball's wall and its top."""
    radius = (3 * mass_kg / density_kg_per_m3 / (2 * pi)) ** (1 / 3)
    return float(3 * pi * radius**2)
