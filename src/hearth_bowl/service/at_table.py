"""How an occasion's confections stand at the table, and who may eat which."""

from collections.abc import Mapping
from dataclasses import dataclass

from sqlalchemy.orm import Session

from hearth_bowl.core.boxes.guests import Guest, guests
from hearth_bowl.core.boxes.table import AtTable, at_table
from hearth_bowl.service.confections import get_confection, worked_of
from hearth_bowl.service.occasions import OccasionAsk, recipes_of
from hearth_bowl.service.settings import get_settings


@dataclass(frozen=True, slots=True, kw_only=True)
class Served:
    """How an occasion's confections stand at the table, in their order, and which guests may eat which."""

    table: tuple[AtTable, ...]
    recipes: Mapping[str, int]
    guests: tuple[Guest, ...]


def served(session: Session, asked: OccasionAsk) -> Served:
    """Return how an occasion's confections stand at the table, and who may eat them. Nothing is stored.

    :raises BadInput: naming the field. :raises NotFound: a confection is not there.
    """
    kitchen, wishes = get_settings(session).kitchen, asked.wishes
    worked = [worked_of(session, get_confection(session, row.confection_id).asked) for row in asked.rows]
    return Served(
        table=tuple(at_table(one, wishes.table_c, wishes.table_h, kitchen) for one in worked),
        recipes=recipes_of(session, asked),
        guests=guests(worked),
    )
