"""A stirred bowl, or a body so small that it is one: one temperature throughout, with the heat of its setting."""

from typing import Final

import numpy as np

from hearth_bowl.core.cooling.setting_heat import coming, slope_per_k
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.thermal import GANACHE, Thermal

BOWL_H: Final = 9.0
"""Heat transfer of a bowl standing in still air [W/m²K]. Handbook, section E."""
SMALL_H: Final = 6.0
"""The side of a mould in a still fridge, 5 to 7 [W/m²K]. Handbook, section E."""
SMALL_BIOT: Final = 0.25
"""From this Biot number on a body is not small: its middle stays warm. Handbook, section E."""
MIDDLE_LAST: Final = 2.4
"""The hottest point of a small body takes 1 + 2.4 Bi times the lumped time. Within 13 % of finite volumes.
Handbook, section E."""
TRAPEZIA: Final = 400  # numerical, by definition


def check_course(from_c: float, to_c: float, ambient_c: float) -> None:
    """Check that a mass gets from one temperature to another in an air.

    :raises BadInput: at a temperature; at `to_c` when it is at or beyond the ambient, or away from it.
    """
    for name, value in (("from_c", from_c), ("to_c", to_c), ("ambient_c", ambient_c)):
        check_number((name,), value, -40, 200, "°C")
    cools = from_c > ambient_c
    beyond = to_c <= ambient_c if cools else to_c >= ambient_c
    if beyond or from_c == ambient_c:
        limit = "above" if cools else "below"
        raise BadInput(("to_c",), f"⟦{to_c:g} °C⟧ is at or beyond the air around it", f"{limit} ⟦{ambient_c:g} °C⟧")
    if (to_c > from_c) if cools else (to_c < from_c):
        raise BadInput(
            ("to_c",), f"from ⟦{from_c:g} °C⟧ it goes the other way", f"between ⟦{ambient_c:g} and {from_c:g} °C⟧"
        )


def stirred_s(
    mass_kg: float,
    area_m2: float,
    from_c: float,
    to_c: float,
    ambient_c: float,
    h_w_per_m2k: float = BOWL_H,
    thermal: Thermal = GANACHE,
) -> float:
    """Return the time of a bowl that is stirred every few minutes.

    t = m/(h A) times the integral from T1 to T0 of (cp + Lh dF/dT)/(T - Ta) dT, by trapezia. Source cooling-practice.

    :raises BadInput: naming the field.
    """
    check_number(("bowl_kg",), mass_kg, 0, 100, "kg", above=True)
    check_number(("h",), h_w_per_m2k, 0, 2000, "W/m²K", above=True)
    check_number(("area_m2",), area_m2, 0, 10, "m²", above=True)
    check_course(from_c, to_c, ambient_c)
    temperatures = np.linspace(to_c, from_c, TRAPEZIA + 1)
    heat = thermal.cp_j_per_kgk + 1000 * thermal.latent_kj_per_kg * slope_per_k(coming(temperatures))
    return float(mass_kg / (h_w_per_m2k * area_m2) * np.trapezoid(heat / (temperatures - ambient_c), temperatures))


def small_s(
    volume_ml: float,
    area_cm2: float,
    from_c: float,
    to_c: float,
    ambient_c: float,
    h_w_per_m2k: float = SMALL_H,
    thermal: Thermal = GANACHE,
) -> float:
    """Return the time of a cavity, a ball or a piece that stands free, until its hottest point is there.

    :raises BadInput: naming the field; at `volume_ml` when its Biot number h (V/A)/k is 0.25 or more.
    """
    check_number(("volume_ml",), volume_ml, 0, 1000, "ml", above=True)
    check_number(("area_cm2",), area_cm2, 0, 10_000, "cm²", above=True)
    check_number(("h",), h_w_per_m2k, 0, 2000, "W/m²K", above=True)
    biot = h_w_per_m2k * volume_ml / area_cm2 / 100 / thermal.conductivity_w_per_mk
    if biot >= SMALL_BIOT:
        raise BadInput(
            ("volume_ml",),
            f"it is not small: h (V/A)/k is {biot:.2f} and its middle stays warm",
            f"below {SMALL_BIOT:g}, or as a bowl that is not stirred",
            "not-for-this",
        )
    mass_kg = volume_ml * thermal.density_kg_per_m3 / 1e6
    lumped = stirred_s(mass_kg, area_cm2 / 1e4, from_c, to_c, ambient_c, h_w_per_m2k, thermal)
    return lumped * (1 + MIDDLE_LAST * biot)
