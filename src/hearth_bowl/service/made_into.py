"""Made into: the confection of a recipe. Whoever starts, reads or copies a recipe gets its confection with it."""

import contextlib
from collections.abc import Mapping
from dataclasses import replace
from datetime import datetime
from typing import Any, Final

from sqlalchemy import select, update
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.shared_file import words_of
from hearth_bowl.formats.written_file import of_recipe
from hearth_bowl.service.cards import in_own_vessel
from hearth_bowl.service.confection_moves import confection_from_fit
from hearth_bowl.service.confections import confection_names, create_confection, get_confection, list_confections
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.recipes import StoredRecipe, get_recipe
from hearth_bowl.service.recipes import copy_recipe as copy_of_recipe
from hearth_bowl.service.taken_in import name_of_its_own, take_confection
from hearth_bowl.service.vessels import get_vessel, named_measures
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import ConfectionRow, RecipeRow

AT_A_TIME: Final = 25
"""Recipes that are looked at in one transaction: well under a second. A judgement."""


def create_made(
    session: Session, record: Mapping[str, Any], now: datetime, vessel_id: int | None = None
) -> StoredRecipe:
    """Store a new recipe with what it is made into: by its name and use, in the kitchen's own vessel that suits.

    :param vessel_id: the vessel that it goes into, where that was chosen.

    :raises BadInput: naming the field. :raises NotFound: there is no such vessel.
    """
    recipe = recipe_from(record)
    vessel = None if vessel_id is None else named_measures(get_vessel(session, vessel_id))
    found = in_own_vessel(session, of_recipe(recipe, vessel))
    assert found.whole is not None  # pieces by weight take any recipe
    made = take_confection(session, found.whole, now)
    recipe_id = next(part.of.recipe_id for part in made.asked.parts if part.of.recipe_id is not None)
    return get_recipe(session, recipe_id)


def copy_made(session: Session, recipe_id: int, now: datetime) -> StoredRecipe:
    """Copy a recipe together with its confection.

    :raises NotFound: there is no such recipe.
    """
    own = get_recipe(session, recipe_id).made_into
    copied = copy_of_recipe(session, recipe_id, now)
    if own is None:
        give_confection(session, copied.id, now)
        return get_recipe(session, copied.id)
    asked = get_confection(session, own).asked
    parts = tuple(
        replace(part, of=replace(part.of, recipe_id=copied.id)) if part.of.recipe_id == recipe_id else part
        for part in asked.parts
    )
    name = name_of_its_own(copied.recipe["name"], confection_names(session))
    made = create_confection(session, replace(asked, name=name, parts=parts), now)
    _is_own(session, made.id, copied.id)
    return get_recipe(session, copied.id)


def give_confections(database: Database, now: datetime) -> None:
    """Give each recipe that is in no confection one of its own, in short transactions.

    Each recipe is looked at once: a confection that is deleted later stays deleted.
    """
    while True:
        with database.reading() as session:
            found = list(session.scalars(select(RecipeRow.id).where(~RecipeRow.is_made).limit(AT_A_TIME)))
            inside = {part.of.recipe_id for stored in list_confections(session) for part in stored.asked.parts}
        if not found:
            return
        with database.writing() as session:
            for recipe_id in found:
                if recipe_id not in inside:
                    with contextlib.suppress(BadInput, NotFound), session.begin_nested():
                        give_confection(session, recipe_id, now)
                session.execute(update(RecipeRow).where(RecipeRow.id == recipe_id).values(is_made=True))


def give_confection(session: Session, recipe_id: int, now: datetime) -> int:
    """Store what a recipe is made into, by the fit that it has or by its family and use; return the confection's id.

    :raises BadInput: it cannot be made into anything. :raises NotFound: there is no such recipe.
    """
    names = confection_names(session)
    try:
        with session.begin_nested():
            made = confection_from_fit(session, recipe_id, now)
    except (BadInput, NotFound):
        recipe = recipe_from(get_recipe(session, recipe_id).recipe)
        found = in_own_vessel(session, of_recipe(recipe))
        assert found.whole is not None  # pieces by weight take any recipe
        made = take_confection(session, found.whole, now, {words_of(recipe): recipe_id})
    if made.asked.name in names:
        name = name_of_its_own(made.asked.name, names)
        session.execute(update(ConfectionRow).where(ConfectionRow.id == made.id).values(name=name))
    _is_own(session, made.id, recipe_id)
    return made.id


def _is_own(session: Session, confection_id: int, recipe_id: int) -> None:
    session.execute(update(ConfectionRow).where(ConfectionRow.id == confection_id).values(own_of=recipe_id))
    session.execute(update(RecipeRow).where(RecipeRow.id == recipe_id).values(is_made=True))
