"""List of what can be made: confections, the newest first, found by their name and by what is in their mixes."""

import json
from dataclasses import dataclass
from datetime import datetime
from typing import Final

from sqlalchemy import ColumnElement, func, or_, select, tuple_
from sqlalchemy.orm import Session

from hearth_bowl.formats.vessel_file import VesselFile, whole_vessel
from hearth_bowl.service.recipe_index import folded, holds_word
from hearth_bowl.store.models import ConfectionRow, RecipeRow, VesselRow

MOST_MADE: Final = 40
"""Confections of a page: some screens. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class MixInList:
    """A mix of what is made: a recipe by its id."""

    id: int
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeInList:
    """A confection as the list shows it: its pieces, the vessel as it is drawn, its parts by role, its mixes.

    `own_of` is the recipe that came with it.
    """

    id: int
    name: str
    changed_at: datetime
    pieces: int | None
    vessel: VesselFile | None
    vessel_name: str
    roles: tuple[str, ...]
    mixes: tuple[MixInList, ...]
    own_of: int | None


def find_made(
    session: Session, words: str, after: int | None = None, most: int = MOST_MADE
) -> tuple[list[MadeInList], int | None]:
    """Return a page of confections that hold all of some words in their name or in their mixes, and the next `after`.

    :param after: the last id of the page before; None for the first page.
    """
    asked = select(ConfectionRow).order_by(ConfectionRow.changed_at.desc(), ConfectionRow.id.desc())
    last = None if after is None else session.get(ConfectionRow, after)
    if last is not None:
        asked = asked.where(tuple_(ConfectionRow.changed_at, ConfectionRow.id) < (last.changed_at, last.id))
    for word in folded(words).split():
        asked = asked.where(or_(ConfectionRow.name.icontains(word, autoescape=True), _in_a_mix(word)))
    rows = list(session.scalars(asked.limit(most + 1)))
    further = rows[most - 1].id if len(rows) > most else None
    vessels = {row.id: row for row in session.scalars(select(VesselRow))}
    names = {row.id: row.name for row in session.execute(select(RecipeRow.id, RecipeRow.name))}
    return [_listed(row, vessels, names) for row in rows[:most]], further


def _in_a_mix(word: str) -> ColumnElement[bool]:
    part = func.json_each(ConfectionRow.document, "$.parts").table_valued("value")
    mix = func.json_extract(part.c.value, "$.of.recipe_id")
    return select(part.c.value).where(mix.in_(select(RecipeRow.id).where(holds_word(word)))).exists()


def _listed(row: ConfectionRow, vessels: dict[int, VesselRow], names: dict[int, str]) -> MadeInList:
    document = json.loads(row.document)
    vessel = vessels.get(document["form"]["vessel"])
    mixes = dict.fromkeys(part["of"]["recipe_id"] for part in document["parts"])
    return MadeInList(
        id=row.id,
        name=row.name,
        changed_at=row.changed_at,
        pieces=document["form"].get("pieces"),
        vessel=None if vessel is None else whole_vessel(json.loads(vessel.document)),
        vessel_name="" if vessel is None else vessel.name,
        roles=tuple(part["role"] for part in document["parts"]),
        mixes=tuple(MixInList(id=mix, name=names[mix]) for mix in mixes if mix in names),
        own_of=row.own_of,
    )
