"""Made into: what a recipe is made into. Whoever starts or reads a recipe gets its confection with it."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.written_file import of_recipe
from hearth_bowl.service.cards import in_own_vessel
from hearth_bowl.service.recipes import StoredRecipe, get_recipe
from hearth_bowl.service.taken_in import take_confection
from hearth_bowl.service.vessels import get_vessel, named_measures


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
