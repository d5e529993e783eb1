"""List of what can be made: confections, the newest first, found by their name and by what is in their mixes."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import lru_cache
from typing import Final, NamedTuple

from sqlalchemy import ColumnElement, func, or_, select, tuple_
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.drawn import DrawnPiece, drawn_piece
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.formats.recipe_file import recipe_from, whole_record
from hearth_bowl.formats.vessel_file import VesselFile
from hearth_bowl.service.confections import asked_of, put_together
from hearth_bowl.service.larder import in_house_g
from hearth_bowl.service.recipe_index import folded, holds_word
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import StoredVessel, list_vessels
from hearth_bowl.store.models import BatchRow, ConfectionRow, RecipeRow

MOST_MADE: Final = 40
"""Confections of a page: some screens. A judgement."""
MOST_KEPT: Final = 500
"""Drawn confections that are remembered: a large kitchen's."""


@dataclass(frozen=True, slots=True, kw_only=True)
class MixInList:
    """A mix of what is made: a recipe by its id."""

    id: int
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawn:
    """A confection worked out for the list: the piece as it is drawn, how long it keeps [days], its allergens."""

    piece: DrawnPiece
    days_low: int
    days_high: int
    allergens: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeInList:
    """A confection as the list shows it: drawn with its vessel, or the problem that keeps it from being made.

    `own_of` is the recipe that came with it. `verdict` is that of its last batch, `lacks` what the larder has too
    little of by name; None where nothing in the larder is counted. It is archived with its own recipe, or its first.
    """

    id: int
    name: str
    changed_at: datetime
    vessel: VesselFile | None
    vessel_name: str
    mixes: tuple[MixInList, ...]
    own_of: int | None
    drawn: Drawn | None
    problem: str
    verdict: tuple[str, ...]
    lacks: tuple[str, ...] | None
    archived: bool


class Taken(NamedTuple):
    """Ingredient that a confection takes, by its label and name, in g."""

    label: str
    name: str
    grams: float


class Shown(NamedTuple):
    """A confection worked out for the list and what it takes; without the first, why not."""

    drawn: Drawn | None
    takes: tuple[Taken, ...]
    problem: str


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
    return _listed(session, rows[:most]), further


def _in_a_mix(word: str) -> ColumnElement[bool]:
    part = func.json_each(ConfectionRow.document, "$.parts").table_valued("value")
    mix = func.json_extract(part.c.value, "$.of.recipe_id")
    return select(part.c.value).where(mix.in_(select(RecipeRow.id).where(holds_word(word)))).exists()


def _listed(session: Session, rows: Sequence[ConfectionRow]) -> list[MadeInList]:
    mixes = {row.id: _mixes_of(row.document) for row in rows}
    ids = {mix for found in mixes.values() for mix in found}
    columns = (RecipeRow.id, RecipeRow.name, RecipeRow.document, RecipeRow.put_away)
    recipes = {row.id: row for row in session.execute(select(*columns).where(RecipeRow.id.in_(ids)))}
    vessels = {stored.id: stored for stored in list_vessels(session)}
    kitchen, there_g, verdicts = get_settings(session).kitchen, in_house_g(session), _verdicts(session, ids)
    found = []
    for row in rows:
        stored = vessels.get(json.loads(row.document)["form"]["vessel"])
        documents = tuple((mix, recipes[mix].document) for mix in mixes[row.id] if mix in recipes)
        shown = Shown(None, (), "Its tin or mould was deleted.")
        if stored is not None:
            shown = _drawn(row.document, json.dumps(stored.vessel), stored.owned, documents, kitchen)
        found.append(
            MadeInList(
                id=row.id,
                name=row.name,
                changed_at=row.changed_at,
                vessel=None if stored is None else stored.vessel,
                vessel_name="" if stored is None else stored.name,
                mixes=tuple(MixInList(id=mix, name=recipes[mix].name) for mix, _ in documents),
                own_of=row.own_of,
                drawn=shown.drawn,
                problem=shown.problem,
                verdict=next((verdicts[mix] for mix in mixes[row.id] if mix in verdicts), ()),
                archived=any(recipes[id_].put_away for id_ in (row.own_of, *mixes[row.id][:1]) if id_ in recipes),
                lacks=_lacks(shown.takes, there_g) if shown.drawn is not None and there_g else None,
            )
        )
    return found


def _mixes_of(document: str) -> list[int]:
    """Return the recipes of a stored confection, each once."""
    ids = (part["of"]["recipe_id"] for part in json.loads(document)["parts"])
    return list(dict.fromkeys(id_ for id_ in ids if id_ is not None))


def _verdicts(session: Session, recipe_ids: set[int]) -> dict[int, tuple[str, ...]]:
    """Return the verdict on the last batch of each recipe that has one."""
    rows = session.execute(
        select(BatchRow.recipe_id, BatchRow.verdict)
        .where(BatchRow.recipe_id.in_(recipe_ids), BatchRow.verdict != "[]")
        .order_by(BatchRow.started_at)
    )
    return {recipe_id: tuple(json.loads(verdict)) for recipe_id, verdict in rows if recipe_id is not None}


@lru_cache(maxsize=MOST_KEPT)
def _drawn(document: str, vessel: str, owned: int, recipes: tuple[tuple[int, str], ...], kitchen: Kitchen) -> Shown:
    """Return a stored confection worked out, or the problem that prevents it."""
    of_id = {id_: recipe_from(whole_record(json.loads(text))) for id_, text in recipes}

    def recipe_of(recipe_id: int) -> Recipe:
        if recipe_id not in of_id:
            raise BadInput((), "A mix of it was deleted.", "another mix", "missing")
        return of_id[recipe_id]

    stored = StoredVessel(id=0, name="", owned=owned, vessel=json.loads(vessel))
    try:
        worked = work_out(put_together(asked_of(document, "listed"), stored, recipe_of), kitchen)
    except BadInput as problem:
        return Shown(None, (), problem.message)
    keeping = worked.keeping
    drawn = Drawn(
        piece=drawn_piece(worked), days_low=keeping.days_low, days_high=keeping.days_high, allergens=worked.allergens
    )
    return Shown(drawn, _takes_of(worked), "")


def _takes_of(worked: Worked) -> tuple[Taken, ...]:
    """Return what a confection takes of each ingredient, of chocolate all that is melted."""
    rows = [row for part in worked.parts if not part.is_chocolate for row in part.weigh]
    found: dict[str, Taken] = {}
    for ingredient, grams in (
        *((row.ingredient, row.amount_g) for row in rows),
        *((melt.ingredient, melt.melt_g) for melt in worked.chocolate),
    ):
        before = found.get(ingredient.label)
        found[ingredient.label] = Taken(ingredient.label, ingredient.name, grams + (before.grams if before else 0.0))
    return tuple(found.values())


def _lacks(takes: Sequence[Taken], there_g: Mapping[str, float]) -> tuple[str, ...]:
    """Return the names of what the larder has too little of; water comes from the tap."""
    return tuple(one.name for one in takes if one.label != "water" and there_g.get(one.label, 0.0) < one.grams)
