"""Set: when a recipe is cool and set in a place, places beside each other, and the chain of a moulded piece."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any, Final

from sqlalchemy.orm import Session

from hearth_bowl.core.cooling.chain import Look, chain_of, dwell_of
from hearth_bowl.core.cooling.places import PLACES
from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.set_clock import Correction, Learned, SetClock, set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.formats.calendar_file import chain_ics
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import Settings, get_settings

ROOMS: Final = ("counter", "larder", "marble")
"""Places that are as warm as the kitchen; a larder is never warmer than a larder."""
SHEET_MM: Final = 8.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Beside:
    """The same mass in another place or shape; `says` why where it never sets there."""

    name: str
    clock: SetClock | None
    says: str


def clock_of(
    settings: Settings,
    record: Mapping[str, Any],
    ask: SetAsk,
    corrections: Sequence[Correction] = (),
    learned: tuple[Learned | None, Learned | None] = (None, None),
) -> SetClock:
    """Return the set clock of a recipe file's content; the counter is as warm as this kitchen.

    :param learned: what this kitchen's batches taught of cooling there, and of setting.

    :raises BadInput: below `recipe` or `ask`.
    """
    mixture = _mixture(settings, record)
    try:
        cooling, rested = learned
        return set_clock(mixture, _ask(settings, ask, mixture), corrections, learned=cooling, rested=rested)
    except BadInput as problem:
        raise problem.under("ask") from None


def beside(settings: Settings, record: Mapping[str, Any], ask: SetAsk) -> list[Beside]:
    """Return the same mass in every place, and as a bowl and a thin sheet where it is now.

    :raises BadInput: below `recipe` or `ask`.
    """
    mixture = _mixture(settings, record)
    shapes = [
        (place.name, replace(ask, place=key, ambient_c=None, base=None))
        for key, place in PLACES.items()
        if key != ask.place
    ]
    here = PLACES[ask.place].name.lower() if ask.place in PLACES else ""
    anew = replace(ask, thickness_mm=None, bowl_kg=None, area_m2=None, narrow_mm=None, volume_ml=None, area_cm2=None)
    sheet = replace(anew, thickness_mm=SHEET_MM)
    shapes.append((f"As an ⟦{SHEET_MM:g} mm⟧ sheet, {here}", sheet))
    in_bowl = replace(anew, bowl_kg=mixture.mass_g / 1000, stirred=False)
    shapes.append((f"Left in its bowl, {here}", in_bowl))
    shapes.append((f"In its bowl and stirred, {here}", replace(in_bowl, stirred=True)))
    found = []
    for name, changed in shapes:
        try:
            found.append(
                Beside(name=name, clock=set_clock(mixture, _ask(settings, changed, mixture), with_curve=False), says="")
            )
        except BadInput as problem:
            found.append(Beside(name=name, clock=None, says=problem.message))
    return found


def chain(session: Session, kind: str, minutes: float, recipe_id: int | None = None) -> list[Look]:
    """Return the chain of rests of a kind of piece, with its looks; a liquid centre's by its recipe, in a cool place.

    :raises BadInput: at `kind`. :raises NotFound: there is no such recipe.
    """
    if recipe_id is None:
        return chain_of(kind, minutes)
    settings = get_settings(session)
    recipe = recipe_from(get_recipe(session, recipe_id).recipe)
    mixture = finished_or_none(recipe, settings.kitchen) or mix(recipe)
    return chain_of(kind, minutes, dwell_of(recipe, mixture, _larder_c(settings)))


def chain_calendar(looks: Sequence[Look], from_at: datetime, title: str) -> bytes:
    """Return a chain as iCalendar."""
    return chain_ics(looks, title, from_at)


def _larder_c(settings: Settings) -> float:
    return min(settings.kitchen_c, PLACES["larder"].ambient_c)


def _ask(settings: Settings, ask: SetAsk, mixture: Mixture) -> SetAsk:
    """Return an ask with what this kitchen says where it does not; a bowl without a mass holds all of it."""
    if ask.place in ROOMS and ask.ambient_c is None:
        kitchen_c = settings.kitchen_c
        ask = replace(ask, ambient_c=_larder_c(settings) if ask.place == "larder" else kitchen_c)
    if ask.thickness_mm is None and ask.bowl_kg is None and ask.volume_ml is None:
        ask = replace(ask, bowl_kg=mixture.mass_g / 1000)
    return ask


def _mixture(settings: Settings, record: Mapping[str, Any]) -> Mixture:
    try:
        recipe = recipe_from(record)
    except BadInput as problem:
        raise problem.under("recipe") from None
    return finished_or_none(recipe, settings.kitchen) or mix(recipe)
