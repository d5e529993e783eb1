"""How the body that the set clock is asked about cools: a slab, a bowl that is stirred, or a bowl left alone."""

from math import pi
from typing import Final

import numpy as np

from hearth_bowl.core.cooling.bowl import SMALL_H, small_s, stirred_s
from hearth_bowl.core.cooling.places import faces, place_named
from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.slab import Slab, cool_slab, slab_s
from hearth_bowl.core.cooling.unstirred import Tub, cool_unstirred, unstirred_s
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.latent_heat import setting_kj_per_kg
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.thermal import Thermal, conductivity_w_per_mk, heat_capacity_j_per_kgk

EDGE_THICKNESSES: Final = 6.0  # common practice
EDGE_FACTOR: Final = 0.83
"""A pan narrower than six thicknesses is 10 to 25 % faster: source cooling-practice."""
STIRRED_LEAST_H: Final = 5.0  # a judgement
DRAWN: Final = 40  # numerical, by definition
NEAREST_K: Final = 0.2
"""A drawing ends so near the air, where a mass never gets. Numerical, by definition."""


def cool_s(mixture: Mixture, ask: SetAsk, to_c: float, ambient_c: float) -> float:
    """Return the time until the last point is at a temperature.

    :raises BadInput: at `thickness_mm` unless it is a slab or a bowl; see the bodies themselves.
    """
    if [ask.thickness_mm, ask.bowl_kg, ask.volume_ml].count(None) != 2:
        allowed = "thickness_mm, bowl_kg, or volume_ml"
        raise BadInput(("thickness_mm",), "a slab, a bowl or a small body is needed", allowed, "missing")
    if ask.volume_ml is not None:
        return _small_s(mixture, ask, to_c, ambient_c)
    if ask.bowl_kg is None:
        return _edge(ask) * slab_s(_slab(mixture, ask), ask.from_c, to_c, ambient_c)
    if ask.stirred:
        return _stirred_s(mixture, ask, to_c, ambient_c)
    return unstirred_s(_tub(mixture, ask), ask.from_c, to_c, ambient_c)


def cool_curve(
    mixture: Mixture, ask: SetAsk, ambient_c: float, until_s: float, factor: float
) -> tuple[tuple[float, float], ...]:
    """Return (minutes, °C) of the last point, for the drawing; empty where nothing cools."""
    if ask.from_c <= ambient_c or until_s <= 0:
        return ()
    until_s = 1.15 * until_s
    if ask.volume_ml is not None or (ask.bowl_kg is not None and ask.stirred):
        lumped_s = _stirred_s if ask.volume_ml is None else _small_s
        steps = np.linspace(ask.from_c, min(ask.from_c, ambient_c + NEAREST_K), DRAWN + 1)
        found = ((lumped_s(mixture, ask, float(c), ambient_c), float(c)) for c in steps)
        return tuple((factor * s / 60, c) for s, c in found if s <= until_s)
    edge = 1.0
    if ask.bowl_kg is not None:
        tub = cool_unstirred(_tub(mixture, ask), ask.from_c, ambient_c, for_s=until_s)
        times_s, last_c = tub.times_s, tub.last_c
    else:
        edge = _edge(ask)
        slab = cool_slab(_slab(mixture, ask), ask.from_c, ambient_c, for_s=until_s / edge)
        times_s, last_c = slab.times_s, slab.last_c
    step = max(1, len(times_s) // DRAWN)
    return tuple((float(times_s[i]) * factor * edge / 60, float(last_c[i])) for i in range(0, len(times_s), step))


def bowl_area_m2(mass_kg: float, density_kg_per_m3: float = 1180.0) -> float:
    """Return the cooling surface of a bowl that holds so much: a half ball's wall and its top."""
    radius = (3 * mass_kg / density_kg_per_m3 / (2 * pi)) ** (1 / 3)
    return float(3 * pi * radius**2)


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


def _tub(mixture: Mixture, ask: SetAsk) -> Tub:
    top, base = faces(ask.place, ask.base, ask.cover, both=ask.both_faces)
    side = place_named(ask.place).h_top
    return Tub(mass_kg=ask.bowl_kg or 0.0, h_top=top, h_side=side, h_base=base, thermal=_thermal(mixture))


def _stirred_s(mixture: Mixture, ask: SetAsk, to_c: float, ambient_c: float) -> float:
    mass_kg = ask.bowl_kg or 0.0
    top, _ = faces(ask.place, ask.base, ask.cover)
    area_m2 = bowl_area_m2(mass_kg, 1000 * mixture.density_g_per_ml) if ask.area_m2 is None else ask.area_m2
    h = max(top, STIRRED_LEAST_H)
    return stirred_s(mass_kg, area_m2, ask.from_c, to_c, ambient_c, h, _thermal(mixture))


def _small_s(mixture: Mixture, ask: SetAsk, to_c: float, ambient_c: float) -> float:
    if ask.area_cm2 is None:
        raise BadInput(("area_cm2",), "is missing", "its whole surface in cm²", "missing")
    h = max(SMALL_H, faces(ask.place, ask.base, ask.cover)[0] if ask.place == "fan-fridge" else 0.0)
    return small_s(ask.volume_ml or 0.0, ask.area_cm2, ask.from_c, to_c, ambient_c, h, _thermal(mixture))


def _edge(ask: SetAsk) -> float:
    narrow = ask.narrow_mm is not None and ask.narrow_mm < EDGE_THICKNESSES * (ask.thickness_mm or 0.0)
    return EDGE_FACTOR if narrow else 1.0
