"""Cooking: what is left of a boiled mass at an end temperature, or when the pan has lost so much."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import Boiling, Cooked, boil, cook_to, cook_to_water_pct, cook_until_lost
from hearth_bowl.core.mass.cooking import cook_to_same_solids, cooked_part
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.settings import get_settings


@dataclass(frozen=True, slots=True, kw_only=True)
class Cooking:
    """How the pan's content boils now, what is left when it is cooked, and its end on the person's own dial."""

    now: Boiling
    cooked: Cooked
    dial_c: float | None


def cook(
    session: Session,
    record: Mapping[str, Any],
    to_c: float | None = None,
    lost_g: float | None = None,
    sea_level_c: float | None = None,
    water_pct: float | None = None,
) -> Cooking:
    """Return what is left of a recipe's boiled part in the person's own kitchen.

    One of: the end temperature here, the mass lost, the end that a recipe gives for sea level, the water that is left.

    :raises BadInput: below `recipe`; at an end: none or several, or one that cannot be.
    """
    try:
        pan = cooked_part(recipe_from(record))
    except BadInput as problem:
        raise problem.under("recipe") from None
    if sum(value is not None for value in (to_c, lost_g, sea_level_c, water_pct)) != 1:
        raise BadInput(("to_c",), "a temperature or a mass lost is needed", "one of them", "missing")
    kitchen = get_settings(session).kitchen
    kpa = kitchen.pressure_kpa
    if lost_g is not None:
        cooked = cook_until_lost(pan, lost_g, kpa)
    elif water_pct is not None:
        cooked = cook_to_water_pct(pan, water_pct, kpa)
    elif sea_level_c is not None:
        cooked = cook_to_same_solids(pan, sea_level_c, kpa)
    else:
        cooked = cook_to(pan, to_c or 0.0, kpa)
    reading = kitchen.thermometer_in_boiling_water_c
    dial_c = None if reading is None else thermometer(reading, kpa).on_dial(cooked.to_c)
    return Cooking(now=boil(pan, kpa), cooked=cooked, dial_c=dial_c)
