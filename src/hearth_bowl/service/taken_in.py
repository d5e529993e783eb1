"""Taken in: a confection from a file, or from a text of several parts, stored with its recipes and vessel."""

from collections.abc import Collection, Mapping
from datetime import datetime
from itertools import count
from typing import Any, Final

from sqlalchemy import update
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.confection import Blend, Confection, Of
from hearth_bowl.core.fit.vessel_name import vessel_name
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.recipe_file import ingredient_record, recipe_record
from hearth_bowl.formats.shared_file import words_of
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.formats.written_file import own_confection, whole_confection
from hearth_bowl.service.confections import (
    BlendedAsk,
    ConfectionAsk,
    FormAsk,
    OfAsk,
    PartAsk,
    StoredConfection,
    confection_names,
    create_confection,
    fields_of,
)
from hearth_bowl.service.fit import KeptFit, keep_fit
from hearth_bowl.service.recipes import create_recipe
from hearth_bowl.service.vessels import create_vessel, list_vessels
from hearth_bowl.store.models import ConfectionRow

MOST_STEM: Final = 190  # a limit, by definition


def take_in(session: Session, text: str, measure: str, now: datetime) -> StoredConfection:
    """Store the confection of our own file, or of a text that describes several parts; nothing there is overwritten.

    :raises BadInput: at `text` where it holds neither; naming the field of a file that cannot be taken.
    """
    own = own_confection(text)
    record = dict(own) if own is not None else whole_confection(text, measure)
    record["name"] = name_of_its_own(str(record.get("name") or "Untitled"), confection_names(session))
    return take_confection(session, record, now)


def name_of_its_own(name: str, there: Collection[str]) -> str:
    """Return a name that nothing has yet: the same with the next number behind it.

    >>> name_of_its_own("Comet eggs", {"Comet eggs", "Comet eggs 2"})
    'Comet eggs 3'
    """
    if name not in there:
        return name
    return next(named for number in count(2) if (named := f"{name[:MOST_STEM]} {number}") not in there)


def take_confection(
    session: Session, record: Mapping[str, Any], now: datetime, taken: dict[str, int] | None = None
) -> StoredConfection:
    """Store a confection file's content with everything in it; the same name and measures mean the same vessel.

    Its first recipe that is new is its own: the two are one thing.

    :param taken: the ids of recipes that are stored already, by their content.

    :raises BadInput: naming the field as the file has it.
    """
    confection = confection_from(record)
    form = {name: value for name, value in fields_of(confection.form).items() if name not in ("name", "vessel")}
    recipes = {} if taken is None else taken
    taken_ids = tuple(recipes.values())
    asked = ConfectionAsk(
        name=confection.name,
        form=FormAsk(**{**form, "vessel": _vessel(session, confection, record["form"]["vessel"])}),
        parts=tuple(
            PartAsk(**{**fields_of(part), "of": _of(session, part.of, recipes, now)}) for part in confection.parts
        ),
        extras=confection.extras,
        steps=confection.steps,
    )
    stored = create_confection(session, asked, now)
    own_id = next((part.of.recipe_id for part in asked.parts if part.of.recipe_id not in (None, *taken_ids)), None)
    session.execute(update(ConfectionRow).where(ConfectionRow.id == stored.id).values(own_of=own_id))
    if own_id is not None:
        keep_fit(session, own_id, KeptFit(vessel_id=asked.form.vessel), now)
    return stored


def _vessel(session: Session, confection: Confection, record: Mapping[str, Any]) -> int:
    name = confection.form.name or vessel_name(record)
    for stored in list_vessels(session):
        named_alike = not confection.form.name or stored.name == name
        if named_alike and vessel_from(stored.vessel) == confection.form.vessel:
            return stored.id
    return create_vessel(session, name, record, confection.form.owned).id


def _of(session: Session, of: Of, recipes: dict[str, int], now: datetime) -> OfAsk:
    """Return what a part is of, its recipe stored; a recipe that several parts use is stored once."""
    match of:
        case Recipe():
            words = words_of(of)
            if words not in recipes:
                recipes[words] = create_recipe(session, recipe_record(of), now).id
            return OfAsk(recipe_id=recipes[words])
        case Ingredient():
            return OfAsk(ingredient=of.key or ingredient_record(of))
        case Blend():
            rows = tuple(BlendedAsk(ingredient=one.key or ingredient_record(one), parts=n) for one, n in of.parts)
            return OfAsk(blend=rows)
