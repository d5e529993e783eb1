"""Set: when a recipe is cool and set in a place, places beside each other, and the chain of a moulded piece."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.core.cooling.chain import Look, chain_of
from hearth_bowl.core.cooling.places import PLACES
from hearth_bowl.core.cooling.set_clock import Correction, SetAsk, SetClock, bowl_area_m2, set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.cooking import finished, plan_or_none
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.formats.calendar_file import chain_ics
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.settings import get_settings


@dataclass(frozen=True, slots=True, kw_only=True)
class Beside:
    """The same mass in another place or shape; `says` why where it never sets there."""

    name: str
    clock: SetClock | None
    says: str


def clock_of(
    session: Session, record: Mapping[str, Any], ask: Mapping[str, Any], corrections: Sequence[Mapping[str, Any]] = ()
) -> SetClock:
    """Return the set clock of a recipe file's content; the counter is as warm as this kitchen.

    :raises BadInput: below `recipe` or `ask`.
    """
    mixture = _mixture(session, record)
    try:
        return set_clock(mixture, _ask(session, ask, mixture), [Correction(**seen) for seen in corrections])
    except BadInput as problem:
        raise problem.under("ask") from None


def beside(session: Session, record: Mapping[str, Any], ask: Mapping[str, Any]) -> list[Beside]:
    """Return the same mass in every place, and as a bowl and a thin sheet where it is now.

    :raises BadInput: below `recipe` or `ask`.
    """
    mixture = _mixture(session, record)
    shapes: list[tuple[str, dict[str, Any]]] = [
        (place.name, {**ask, "place": key, "ambient_c": None, "base": None})
        for key, place in PLACES.items()
        if key != ask.get("place")
    ]
    here = PLACES[ask["place"]].name.lower() if ask.get("place") in PLACES else ""
    sheet = {**ask, "thickness_mm": 8.0, "bowl_kg": None, "area_m2": None, "narrow_mm": None}
    shapes.append((f"As an 8 mm sheet, {here}", sheet))
    kg = mixture.mass_g / 1000
    shapes.append((f"In its bowl, {here}", {**ask, "thickness_mm": None, "narrow_mm": None, "bowl_kg": kg}))
    found = []
    for name, changed in shapes:
        try:
            found.append(
                Beside(name=name, clock=set_clock(mixture, _ask(session, changed, mixture), with_curve=False), says="")
            )
        except BadInput as problem:
            found.append(Beside(name=name, clock=None, says=problem.message))
    return found


def chain(kind: str, minutes: float) -> list[Look]:
    """Return the chain of rests of a kind of piece, with its looks.

    :raises BadInput: at `kind`.
    """
    return chain_of(kind, minutes)


def chain_calendar(kind: str, minutes: float, from_at: datetime, title: str) -> bytes:
    """Return a chain as iCalendar.

    :raises BadInput: at `kind`.
    """
    return chain_ics(chain_of(kind, minutes), title, from_at)


def _ask(session: Session, ask: Mapping[str, Any], mixture: Mixture) -> SetAsk:
    given = {name: value for name, value in ask.items() if value is not None}
    if given.get("place") in ("counter", "larder", "marble") and "ambient_c" not in given:
        kitchen_c = get_settings(session).kitchen_c
        given["ambient_c"] = min(kitchen_c, PLACES["larder"].ambient_c) if given["place"] == "larder" else kitchen_c
    if given.get("bowl_kg") and "area_m2" not in given:
        given["area_m2"] = bowl_area_m2(given["bowl_kg"], 1000 * mixture.density_g_per_ml)
    return SetAsk(**given)


def _mixture(session: Session, record: Mapping[str, Any]) -> Mixture:
    try:
        recipe = recipe_from(record)
    except BadInput as problem:
        raise problem.under("recipe") from None
    plan = plan_or_none(recipe, get_settings(session).kitchen)
    return finished(recipe, plan) if plan else mix(recipe)
