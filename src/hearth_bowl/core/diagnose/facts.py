"""Facts: what is known of the batch when something looks wrong; None is not known."""

from dataclasses import dataclass, fields
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number


@dataclass(frozen=True, slots=True, kw_only=True)
class Facts:
    """What is known. Temperatures true °C; `hottest_when` is said after the hottest, such as "at 14:03".

    `drops_of_water`: how many, or yes (1) and no (0); `shell_mm` the wall; `days` since it was made.
    """

    hottest_c: float | None = None
    coldest_c: float | None = None
    room_c: float | None = None
    minutes: float | None = None
    water_lost_g: float | None = None
    water_left_pct: float | None = None
    drops_of_water: float | None = None
    sugar_dissolved: bool | None = None
    stirred_while_cooling: bool | None = None
    out_of_fridge_min: float | None = None
    shell_mm: float | None = None
    tempered: bool | None = None
    days: float | None = None
    hottest_when: str = ""


RANGES: Final = {
    "hottest_c": (-60.0, 400.0, "°C"),
    "coldest_c": (-60.0, 400.0, "°C"),
    "room_c": (-30.0, 60.0, "°C"),
    "minutes": (0.0, 1e6, "min"),
    "water_lost_g": (0.0, 1e6, "g"),
    "water_left_pct": (0.0, 100.0, "%"),
    "drops_of_water": (0.0, 1e4, ""),
    "out_of_fridge_min": (0.0, 1e6, "min"),
    "shell_mm": (0.0, 50.0, "mm"),
    "days": (0.0, 10_000.0, "days"),
}
"""Least, most and unit of each figure: judgements, beyond any kitchen."""
YES_NO: Final = ("sugar_dissolved", "stirred_while_cooling", "tempered")


def checked_facts(facts: Facts) -> Facts:
    """Return the facts.

    :raises BadInput: naming the fact.
    """
    for field in fields(facts):
        value = getattr(facts, field.name)
        if value is None:
            continue
        if field.name in RANGES:
            low, high, unit = RANGES[field.name]
            check_number((field.name,), value, low, high, unit)
        elif field.name in YES_NO and not isinstance(value, bool):
            raise BadInput((field.name,), "is neither yes nor no", "true, false or null", "wrong-type")
    hottest, coldest = facts.hottest_c, facts.coldest_c
    if hottest is not None and coldest is not None and coldest > hottest:
        raise BadInput(("coldest_c",), "above the hottest", f"up to ⟦{hottest:g} °C⟧", "out-of-range")
    return facts
