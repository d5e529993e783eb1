"""A bowl, stirred or small: one temperature throughout."""

from math import exp, log
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number

BOWL_H: Final = 9.0
"""Heat transfer of a bowl standing in still air [W/m²K]."""


def time_constant_s(mass_kg: float, cp_j_per_kgk: float, h_w_per_m2k: float, area_m2: float) -> float:
    """Return tau = m cp/(h A). Good while h L/k < 0.2, or when stirred.

    :raises BadInput: naming the field.
    """
    check_number(("bowl_kg",), mass_kg, 0, 100, "kg", above=True)
    check_number(("cp",), cp_j_per_kgk, 500, 5000, "J/kgK")
    check_number(("h",), h_w_per_m2k, 0, 2000, "W/m²K", above=True)
    check_number(("area_m2",), area_m2, 0, 10, "m²", above=True)
    return mass_kg * cp_j_per_kgk / (h_w_per_m2k * area_m2)


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


def bowl_s(tau_s: float, from_c: float, to_c: float, ambient_c: float) -> float:
    """Return the time from one temperature to another: tau ln((T0 - Ta)/(T - Ta)).

    :raises BadInput: see `check_course`.
    """
    check_course(from_c, to_c, ambient_c)
    return tau_s * log((from_c - ambient_c) / (to_c - ambient_c))


def bowl_at_c(tau_s: float, from_c: float, ambient_c: float, after_s: float) -> float:
    """Return the temperature after a time."""
    return ambient_c + (from_c - ambient_c) * exp(-after_s / tau_s)
