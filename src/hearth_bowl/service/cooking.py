"""Cooking: what is left of a boiled mass at an end temperature, or when the pan has lost so much."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.core.boiling import Boiling, Cooked, boil, cook_to, cook_until_lost
from hearth_bowl.core.cooking import cooked_part
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.sugar_stages import thermometer
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.settings import get_settings


@dataclass(frozen=True, slots=True, kw_only=True)
class Cooking:
    """How the pan's content boils now, what is left when it is cooked, and its end on the person's own dial."""

    now: Boiling
    cooked: Cooked
    dial_c: float | None


def cook(session: Session, record: Mapping[str, Any], to_c: float | None, lost_g: float | None) -> Cooking:
    """Return what is left of a recipe's boiled part in the person's own kitchen.

    :raises BadInput: below `recipe`; at `to_c` or `lost_g`: neither or both, or one that cannot be.
    """
    try:
        pan = cooked_part(recipe_from(record))
    except BadInput as problem:
        raise problem.under("recipe") from None
    if (to_c is None) == (lost_g is None):
        raise BadInput(("to_c",), "a temperature or a mass lost is needed", "one of the two", "missing")
    kitchen = get_settings(session).kitchen
    kpa = kitchen.pressure_kpa
    cooked = cook_to(pan, to_c, kpa) if to_c is not None else cook_until_lost(pan, lost_g or 0.0, kpa)
    reading = kitchen.thermometer_in_boiling_water_c
    dial_c = None if reading is None else thermometer(reading, kpa).on_dial(cooked.to_c)
    return Cooking(now=boil(pan, kpa), cooked=cooked, dial_c=dial_c)
