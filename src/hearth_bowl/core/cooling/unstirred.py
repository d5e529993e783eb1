"""A bowl or tub left alone: its mass conducts and the middle stays warm. A short cylinder, marched on its enthalpy."""

from dataclasses import dataclass
from math import pi
from typing import Final

import numpy as np

from hearth_bowl.core.cooling.bowl import check_course, stirred_s
from hearth_bowl.core.cooling.setting_heat import FloatArray, coming
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.thermal import GANACHE, Thermal

USUAL_DEPTH: Final = 0.6
"""Depth over radius of a bowl of which nothing is known. Handbook, section E."""
HALF_BALL_DEPTH: Final = 1.15
"""The cylinder that cools like a half ball filled to its rim: within 3 % of spherical coordinates.
Handbook, section E."""
EVEN_BIOT: Final = 0.05
"""Below this Biot number the middle is as warm as the faces, within a few per cent. Handbook, section E."""
RINGS: Final = 10  # numerical, by definition
STABLE_SHARE: Final = 0.8  # numerical, by definition
TABLE_STEP_C: Final = 0.02  # numerical, by definition
LONGEST_S: Final = 30 * 86_400.0  # numerical, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Tub:
    """What stands there: its mass [kg], depth over radius, and heat transfer of its faces [W/m²K]."""

    mass_kg: float
    depth_over_radius: float = USUAL_DEPTH
    h_top: float = 8.0
    h_side: float = 8.0
    h_base: float = 7.0
    thermal: Thermal = GANACHE

    def __post_init__(self) -> None:
        """Check the measures.

        :raises BadInput: naming the field.
        """
        check_number(("bowl_kg",), self.mass_kg, 0, 100, "kg", above=True)
        check_number(("depth_over_radius",), self.depth_over_radius, 0.05, 10)
        for name in ("h_top", "h_side", "h_base"):
            check_number((name,), getattr(self, name), 0, 2000, "W/m²K")
        if self.h_top + self.h_side + self.h_base <= 0:
            raise BadInput(("h_top",), "no face gives off heat", "above 0 W/m²K on one face")

    @property
    def radius_m(self) -> float:
        """Return R = (m/(pi rho x))^(1/3)."""
        return float((self.mass_kg / (pi * self.thermal.density_kg_per_m3 * self.depth_over_radius)) ** (1 / 3))

    @property
    def depth_m(self) -> float:
        """Return the depth of the mass."""
        return self.depth_over_radius * self.radius_m

    @property
    def area_m2(self) -> float:
        """Return the whole surface."""
        return 2 * pi * self.radius_m * (self.radius_m + self.depth_m)

    @property
    def conductance(self) -> float:
        """Return the heat that all faces give off together [W/K]."""
        side = 2 * self.depth_m * self.h_side
        return pi * self.radius_m * (self.radius_m * (self.h_top + self.h_base) + side)

    @property
    def barely_cools(self) -> bool:
        """Return whether its faces give off so little that it has one temperature throughout."""
        most = max(self.h_top, self.h_side, self.h_base)
        return most * self.radius_m / self.thermal.conductivity_w_per_mk < EVEN_BIOT


@dataclass(frozen=True, slots=True, kw_only=True)
class TubCourse:
    """How it cooled: times [s], its hottest point [°C], and the energy account [J]."""

    times_s: FloatArray
    last_c: FloatArray
    heat_out_j: float
    enthalpy_lost_j: float


def cool_unstirred(
    tub: Tub, from_c: float, ambient_c: float, to_c: float | None = None, for_s: float = LONGEST_S, rings: int = RINGS
) -> TubCourse:
    """Return the course of a bowl left alone, until its last point is at `to_c`, or for a time.

    rings x rings cells, conduction between them, 1/(1/h + half a cell/k) to the air, explicit on the enthalpy with 0.8
    of the stable step. Source cooling-practice: the mathematics solid, the answer fair.

    :raises BadInput: at `to_c`: at or beyond the ambient, or not reached within 30 days.
    """
    if to_c is not None:
        check_course(from_c, to_c, ambient_c)
    mass = tub.thermal
    across, down = tub.radius_m / rings, tub.depth_m / rings
    edges = across * np.arange(rings + 1)
    floor_m2 = pi * np.diff(edges**2)
    volume = np.broadcast_to(floor_m2 * down, (rings, rings))
    sideways = mass.conductivity_w_per_mk * 2 * pi * edges[1:-1] * down / across
    upward = mass.conductivity_w_per_mk * floor_m2 / down
    to_side = 2 * pi * tub.radius_m * down * _through(tub.h_side, across, mass)
    to_top, to_base = (floor_m2 * _through(h, down, mass) for h in (tub.h_top, tub.h_base))

    gives = np.zeros((rings, rings))
    gives[:, :-1] += sideways
    gives[:, 1:] += sideways
    gives[:-1] += upward
    gives[1:] += upward
    gives[:, -1] += to_side
    gives[0] += to_base
    gives[-1] += to_top
    step_s = STABLE_SHARE * float(np.min(mass.density_kg_per_m3 * mass.cp_j_per_kgk * volume / gives))

    low, high = min(from_c, ambient_c) - 1, max(from_c, ambient_c) + 1
    table_c = np.arange(low, high + TABLE_STEP_C, TABLE_STEP_C)
    table_j = mass.density_kg_per_m3 * (mass.cp_j_per_kgk * table_c + 1000 * mass.latent_kj_per_kg * coming(table_c))
    held = np.full((rings, rings), float(np.interp(from_c, table_c, table_j)))
    first_j = float(np.sum(held * volume))
    cools = from_c > ambient_c
    now = np.full((rings, rings), float(from_c))
    times, lasts = [0.0], [float(from_c)]
    heat_out = elapsed = 0.0
    while elapsed < for_s and (to_c is None or (lasts[-1] > to_c if cools else lasts[-1] < to_c)):
        step = min(step_s, for_s - elapsed)
        gained = np.zeros((rings, rings))
        flux = sideways * np.diff(now, axis=1)
        gained[:, :-1] += flux
        gained[:, 1:] -= flux
        flux = upward * np.diff(now, axis=0)
        gained[:-1] += flux
        gained[1:] -= flux
        lost_side, lost_base, lost_top = (
            to_side * (now[:, -1] - ambient_c),
            to_base * (now[0] - ambient_c),
            to_top * (now[-1] - ambient_c),
        )
        gained[:, -1] -= lost_side
        gained[0] -= lost_base
        gained[-1] -= lost_top
        heat_out += step * float(np.sum(lost_side) + np.sum(lost_base) + np.sum(lost_top))
        held = held + step * gained / volume
        now = np.interp(held, table_j, table_c)
        elapsed += step
        times.append(elapsed)
        lasts.append(float(np.max(now) if cools else np.min(now)))
    if to_c is not None and elapsed >= LONGEST_S:
        raise BadInput(("to_c",), "it would take more than 30 days", "a target further from the air around it")
    return TubCourse(
        times_s=np.array(times),
        last_c=np.array(lasts),
        heat_out_j=heat_out,
        enthalpy_lost_j=first_j - float(np.sum(held * volume)),
    )


def _through(h_w_per_m2k: float, cell_m: float, mass: Thermal) -> float:
    """Return what a face lets through from the middle of its cell [W/m²K]."""
    return 0.0 if h_w_per_m2k <= 0 else 1 / (1 / h_w_per_m2k + cell_m / 2 / mass.conductivity_w_per_mk)


def unstirred_s(tub: Tub, from_c: float, to_c: float, ambient_c: float) -> float:
    """Return the time until the last point of a bowl left alone is at `to_c`; linear within the last step.

    :raises BadInput: see `cool_unstirred`.
    """
    check_course(from_c, to_c, ambient_c)
    if from_c == to_c:
        return 0.0
    if tub.barely_cools:
        mass = tub.thermal
        return stirred_s(tub.mass_kg, tub.area_m2, from_c, to_c, ambient_c, tub.conductance / tub.area_m2, mass)
    course = cool_unstirred(tub, from_c, ambient_c, to_c)
    (t0, t1), (y0, y1) = course.times_s[-2:], course.last_c[-2:]
    return float(t0 + (t1 - t0) * (to_c - y0) / (y1 - y0))
