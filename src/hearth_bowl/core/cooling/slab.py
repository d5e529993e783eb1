"""A slab with latent heat: implicit finite volumes, Newton on the enthalpy, so that heat out is enthalpy lost."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from hearth_bowl.core.cooling.bowl import check_course
from hearth_bowl.core.cooling.setting_heat import FloatArray, coming, slope_per_k
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.thermal import GANACHE, Thermal

NODES: Final = 61  # numerical, by definition
STEP_SHARE: Final = 0.006
"""A time step, as a share of the slab's own time constant. Numerical, by definition."""
FIRST_STEPS: Final = 10  # numerical, by definition
GROWTH: Final = 0.03
"""The first steps are so many times shorter, and grow by that share of the time gone by. Numerical, by definition."""
LONGEST_S: Final = 30 * 86_400.0  # numerical, by definition
MOST_NEWTON: Final = 40  # numerical, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Slab:
    """A slab and what takes heat from its faces: thickness [mm], heat transfer of top and base [W/m²K]."""

    thickness_mm: float
    h_top: float
    h_base: float
    thermal: Thermal = GANACHE

    def __post_init__(self) -> None:
        """Check the measures.

        :raises BadInput: naming the field.
        """
        check_number(("thickness_mm",), self.thickness_mm, 0, 500, "mm", above=True)
        for name in ("h_top", "h_base"):
            check_number((name,), getattr(self, name), 0, 2000, "W/m²K")
        if self.h_top + self.h_base <= 0:
            raise BadInput(("h_top",), "neither face gives off heat", "above 0 W/m²K on one face")


@dataclass(frozen=True, slots=True, kw_only=True)
class Course:
    """How a slab cooled: times [s], its last point, its mean and its top [°C], and the energy account [J/m²]."""

    times_s: FloatArray
    last_c: FloatArray
    mean_c: FloatArray
    top_c: FloatArray
    heat_out_j_per_m2: float
    enthalpy_lost_j_per_m2: float


def cool_slab(
    slab: Slab, from_c: float, ambient_c: float, to_c: float | None = None, for_s: float = LONGEST_S, nodes: int = NODES
) -> Course:
    """Return the course of a slab until its last point is at `to_c`, or for a time.

    :raises BadInput: at `to_c`: at or beyond the ambient, or not reached within 30 days.
    """
    from scipy.linalg.lapack import dgtsv  # solve_banded spends nine tenths of its time on checks

    if to_c is not None:
        check_course(from_c, to_c, ambient_c)
    mass = slab.thermal
    thickness = slab.thickness_mm / 1000
    spacing = thickness / (nodes - 1)
    cells = np.full(nodes, spacing)
    cells[0] = cells[-1] = spacing / 2
    heavy = cells * mass.density_kg_per_m3
    conductance = mass.conductivity_w_per_mk / spacing
    latent = mass.latent_kj_per_kg * 1000
    beside = np.full(nodes - 1, -conductance)
    given_off = np.full(nodes, 2 * conductance)
    given_off[[0, -1]] = conductance
    given_off[0] += slab.h_base
    given_off[-1] += slab.h_top

    def enthalpy_j(t: FloatArray, share: FloatArray) -> FloatArray:
        return heavy * (mass.cp_j_per_kgk * t + latent * share)

    step_s = STEP_SHARE * _time_constant_s(slab)
    cools = from_c > ambient_c
    now = np.full(nodes, float(from_c))
    share = coming(now)
    held_j = enthalpy_j(now, share)
    first_j = float(held_j.sum())
    times, lasts, means, tops = [0.0], [float(from_c)], [float(from_c)], [float(from_c)]
    heat_out = elapsed = 0.0
    while elapsed < for_s and (to_c is None or (lasts[-1] > to_c if cools else lasts[-1] < to_c)):
        step = min(step_s, max(step_s / FIRST_STEPS, GROWTH * elapsed), for_s - elapsed)
        at_j = held_j
        for _ in range(MOST_NEWTON):
            flux = conductance * (now[1:] - now[:-1])
            residual = (at_j - held_j) / step
            residual[:-1] -= flux
            residual[1:] += flux
            residual[0] += slab.h_base * (now[0] - ambient_c)
            residual[-1] += slab.h_top * (now[-1] - ambient_c)
            slope = mass.cp_j_per_kgk + latent * slope_per_k(share)
            change = dgtsv(beside, heavy * slope / step + given_off, beside, residual)[3]
            now = now - change
            share = coming(now)
            at_j = enthalpy_j(now, share)
            if max(change.max(), -change.min()) < 1e-9:
                break
        held_j = at_j
        heat_out += step * float(slab.h_base * (now[0] - ambient_c) + slab.h_top * (now[-1] - ambient_c))
        elapsed += step
        times.append(elapsed)
        lasts.append(float(now.max() if cools else now.min()))
        means.append(float(cells @ now / thickness))
        tops.append(float(now[-1]))
    if to_c is not None and elapsed >= LONGEST_S:
        raise BadInput(("to_c",), "it would take more than 30 days", "a target further from the air around it")
    return Course(
        times_s=np.array(times),
        last_c=np.array(lasts),
        mean_c=np.array(means),
        top_c=np.array(tops),
        heat_out_j_per_m2=heat_out,
        enthalpy_lost_j_per_m2=first_j - float(held_j.sum()),
    )


def _time_constant_s(slab: Slab) -> float:
    mass, thickness = slab.thermal, slab.thickness_mm / 1000
    resistance = 1 / (slab.h_top + slab.h_base) + thickness / (8 * mass.conductivity_w_per_mk)
    return mass.density_kg_per_m3 * mass.cp_j_per_kgk * thickness * resistance


def slab_s(slab: Slab, from_c: float, to_c: float, ambient_c: float) -> float:
    """Return the time until the last point of a slab is at `to_c`; linear within the last step.

    :raises BadInput: see `cool_slab`.
    """
    check_course(from_c, to_c, ambient_c)
    if from_c == to_c:
        return 0.0
    course = cool_slab(slab, from_c, ambient_c, to_c)
    (t0, t1), (y0, y1) = course.times_s[-2:], course.last_c[-2:]
    return float(t0 + (t1 - t0) * (to_c - y0) / (y1 - y0))
