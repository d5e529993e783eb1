"""Occasions: boxes of several kinds of piece, what they take, and what to buy for them."""

import json
from collections.abc import Mapping
from dataclasses import dataclass, fields, replace
from datetime import datetime, timedelta
from functools import cache
from typing import Any, Final

from pydantic import TypeAdapter
from sqlalchemy import delete, select
from sqlalchemy.orm import Session, selectinload

from hearth_bowl.core.boxes.assortment import MOST_BOXES, MOST_PER_BOX, MOST_ROWS, Assortment, RowAsk, plan_boxes
from hearth_bowl.core.confection.confection import Confection
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.ask import asks, kind_of
from hearth_bowl.core.fit.vessel import Box
from hearth_bowl.core.geometry.pieces import MOST_PIECES
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.keep.keeping import OUT_BEFORE_MIN
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.confections import ConfectionAsk, confection_of, get_confection
from hearth_bowl.service.errors import ChangedMeanwhile, NotFound
from hearth_bowl.service.larder import stock
from hearth_bowl.service.moments import check_wall_time
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import get_vessel
from hearth_bowl.store.models import OccasionPieceRow, OccasionRow

MOST_AWAY: Final = 60
"""Absences of one occasion."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceAskUsual:
    """What is usual of a kind of piece before its confection is chosen."""

    per_box: int = 2
    spares: int = 0
    whole_moulds: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceAsk(PieceAskUsual):
    """One kind of piece: the id of its confection, how many go into a box, and how many more are made."""

    confection_id: int


@dataclass(frozen=True, slots=True, kw_only=True)
class AwayAsk:
    """From when to when a cook is away, on the kitchen's own clock; `cook` None: all of them."""

    from_at: datetime
    to_at: datetime
    cook: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacesAsk:
    """How many there are; None: no limit."""

    rings: int | None = None
    pots: int | None = None
    bowls: int | None = None
    fridge_shelves: int | None = None
    cool_places: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class WishesAsk:
    """What is wished of the running order: by how many, within which hours, with which places, when there is nobody.

    `begins_at`: nothing is begun before it. `hands` stretches what hands take: 1.2 for one who works slower.
    `dropped` are the ids of confections that are not made any more, though they keep their places.
    `table_c` is how warm it is where they are eaten [°C], `table_h` for how many hours they stand and travel.
    """

    begins_at: datetime | None = None
    cooks: int = 1
    hours_from: str = "08:00"
    hours_to: str = "22:00"
    away: tuple[AwayAsk, ...] = ()
    has: PlacesAsk = PlacesAsk()
    out_of_fridge_min: int = OUT_BEFORE_MIN
    hands: float = 1.0
    dropped: tuple[int, ...] = ()
    table_c: float = 24.0
    table_h: float = 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class OccasionAsk:
    """So many boxes of so many kinds of piece, ready by a moment on the kitchen's own clock (without a zone)."""

    name: str = "New occasion"
    ready_at: datetime | None = None
    boxes: int = 10
    pot_g: float | None = None
    box_vessel_id: int | None = None
    rows: tuple[PieceAsk, ...] = ()
    wishes: WishesAsk = WishesAsk()


@dataclass(frozen=True, slots=True, kw_only=True)
class StoredOccasion:
    """An occasion with its stored state."""

    id: int
    revision: int
    asked: OccasionAsk


def list_occasions(session: Session) -> list[StoredOccasion]:
    """Return all occasions, as they were made."""
    rows = session.scalars(select(OccasionRow).order_by(OccasionRow.id).options(selectinload(OccasionRow.rows)))
    return [_stored(session, row) for row in rows]


def get_occasion(session: Session, occasion_id: int) -> StoredOccasion:
    """Return one occasion.

    :raises NotFound: there is none.
    """
    return _stored(session, _row(session, occasion_id))


def pieces_in(asked: OccasionAsk, row: PieceAsk, kind: str) -> dict[str, int]:
    """Return how many pieces of a confection an occasion takes, and how many to spare; empty for a whole thing."""
    return {"pieces": asked.boxes * row.per_box, "spares": row.spares} if asks(kind, "pieces") else {}


def asked_for(session: Session, confection_id: int, occasion_id: int | None) -> ConfectionAsk:
    """Return a confection in the number of pieces that an occasion takes; in its own without one.

    :raises NotFound: either is not there. :raises BadInput: at `occasion_id`: the confection is not in it.
    """
    own = get_confection(session, confection_id).asked
    if occasion_id is None:
        return own
    asked = get_occasion(session, occasion_id).asked
    row = next((row for row in asked.rows if row.confection_id == confection_id), None)
    if row is None:
        raise BadInput(("occasion_id",), f"{own.name} is not in {asked.name}.", "an occasion that it is in", "unknown")
    vessel = vessel_from(get_vessel(session, own.form.vessel).vessel)
    counts: dict[str, Any] = {**pieces_in(asked, row, kind_of(vessel))}
    return replace(own, form=replace(own.form, **counts))


@dataclass(frozen=True, slots=True, kw_only=True)
class TakenBy:
    """Occasion ahead that takes a confection, and how many pieces of it with those to spare; None: whole things."""

    id: int
    name: str
    pieces: int | None


def taken_by(session: Session, confection_id: int, wall_now: datetime) -> tuple[TakenBy, ...]:
    """Return the occasions ahead that a confection is in."""
    found = []
    for one in occasions_ahead(session, confection_id, wall_now):
        form = asked_for(session, confection_id, one.id).form
        pieces = None if form.pieces is None else form.pieces + form.spares
        found.append(TakenBy(id=one.id, name=one.asked.name, pieces=pieces))
    return tuple(found)


def occasions_ahead(session: Session, confection_id: int, wall_now: datetime) -> list[StoredOccasion]:
    """Return the occasions that a confection is in and that are not over, as they were made."""
    return [
        one
        for one in list_occasions(session)
        if one.asked.ready_at is not None
        and wall_now <= one.asked.ready_at
        and any(row.confection_id == confection_id for row in one.asked.rows)
    ]


def create_occasion(session: Session, asked: OccasionAsk, now: datetime) -> StoredOccasion:
    """Store a new occasion; it may still be without pieces.

    :raises BadInput: naming the field. :raises NotFound: a confection is not there.
    """
    _check(session, asked)
    row = OccasionRow(
        name=check_name(asked.name),
        ready_at=asked.ready_at,
        boxes=asked.boxes,
        pot_g=asked.pot_g,
        box_vessel_id=asked.box_vessel_id,
        wishes=_wishes_document(asked.wishes),
        revision=1,
        changed_at=now,
        rows=[],
    )
    session.add(row)
    session.flush()
    _write_rows(session, row.id, asked)
    return get_occasion(session, row.id)


def save_occasion(
    session: Session, occasion_id: int, asked: OccasionAsk, revision: int, now: datetime
) -> StoredOccasion:
    """Store an occasion's new state, made from the state of `revision`.

    :raises BadInput: naming the field. :raises NotFound: it or a confection is not there.
    :raises ChangedMeanwhile: another save came between; nothing is overwritten.
    """
    row = _row(session, occasion_id)
    if row.revision != revision:
        raise ChangedMeanwhile(row.revision)
    _check(session, asked)
    row.name, row.boxes, row.pot_g = check_name(asked.name), asked.boxes, asked.pot_g
    row.ready_at, row.wishes = asked.ready_at, _wishes_document(asked.wishes)
    row.box_vessel_id, row.revision, row.changed_at = asked.box_vessel_id, revision + 1, now
    _write_rows(session, row.id, asked)
    session.flush()
    return get_occasion(session, occasion_id)


def delete_occasion(session: Session, occasion_id: int) -> None:
    """Delete an occasion.

    :raises NotFound: there is none.
    """
    _row(session, occasion_id)
    session.execute(delete(OccasionRow).where(OccasionRow.id == occasion_id))


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedOccasion(Assortment):
    """What an occasion takes; from when on each row may be finished so that it keeps: the low end of its keeping before
    it is to be ready, on the kitchen's own clock. None without a date."""

    finish_from: tuple[datetime, ...] | None


def work_out_occasion(session: Session, asked: OccasionAsk) -> WorkedOccasion:
    """Return what an occasion takes, in this kitchen and with this larder. Nothing is stored.

    :raises BadInput: naming the field. :raises NotFound: a confection is not there.
    """
    if asked.pot_g is not None:
        check_number(("pot_g",), asked.pot_g, 0, 1e6, "g", above=True)
    rows = [
        RowAsk(
            confection=_confection(session, position, row.confection_id),
            per_box=row.per_box,
            spares=row.spares,
            whole_moulds=row.whole_moulds,
        )
        for position, row in enumerate(asked.rows)
    ]
    chocolates = [ingredient for ingredient in LIBRARY.values() if ingredient.kind in CHOCOLATE_KINDS]
    box, settings = _box(session, asked.box_vessel_id), get_settings(session)
    found = plan_boxes(
        rows, asked.boxes, stock(session), chocolates, asked.pot_g, box, settings.kitchen, settings.measure
    )
    ready_at = asked.ready_at
    finish_from = (
        None if ready_at is None else tuple(ready_at - timedelta(days=row.keeping.days_low) for row in found.rows)
    )
    return WorkedOccasion(
        **{field.name: getattr(found, field.name) for field in fields(found)}, finish_from=finish_from
    )


def recipes_of(session: Session, asked: OccasionAsk) -> Mapping[str, int]:
    """Return the ids of the recipes that go into an occasion, by their names."""
    found: dict[str, int] = {}
    for row in asked.rows:
        for part in get_confection(session, row.confection_id).asked.parts:
            if part.of.recipe_id is not None:
                try:
                    found[get_recipe(session, part.of.recipe_id).recipe["name"]] = part.of.recipe_id
                except NotFound:
                    continue
    return found


def _confection(session: Session, position: int, confection_id: int) -> Confection:
    asked = get_confection(session, confection_id).asked
    try:
        return confection_of(session, asked)
    except BadInput as problem:
        raise problem.under("rows", position) from None
    except NotFound:
        field = ("rows", position, "confection_id")
        message, allowed = f"a recipe or the vessel of {asked.name} was deleted", "another confection"
        raise BadInput(field, message, allowed, "missing") from None


def _box(session: Session, vessel_id: int | None) -> Box | None:
    if vessel_id is None:
        return None
    box = vessel_from(get_vessel(session, vessel_id).vessel)
    if not isinstance(box, Box):
        raise BadInput(("box_vessel_id",), "that is no box", "a box", "not-for-this")
    return box


def _check(session: Session, asked: OccasionAsk) -> None:
    """Check what is stored; what cannot be made is only said by the plan, so that nothing typed is lost."""
    if not 1 <= asked.boxes <= MOST_BOXES:
        raise BadInput(("boxes",), f"{asked.boxes} boxes", f"1 to {MOST_BOXES}", "out-of-range")
    if len(asked.rows) > MOST_ROWS:
        raise BadInput(("rows",), f"{len(asked.rows)} kinds of piece", f"up to {MOST_ROWS}", "out-of-range")
    if asked.pot_g is not None:
        check_number(("pot_g",), asked.pot_g, 0, 1e6, "g", above=True)
    if asked.ready_at is not None:
        check_wall_time(("ready_at",), asked.ready_at)
    if len(asked.wishes.away) > MOST_AWAY:
        raise BadInput(("wishes", "away"), f"{len(asked.wishes.away)} absences", f"up to {MOST_AWAY}", "out-of-range")
    _box(session, asked.box_vessel_id)
    for position, row in enumerate(asked.rows):
        get_confection(session, row.confection_id)
        for name, value, least, most in (
            ("per_box", row.per_box, 1, MOST_PER_BOX),
            ("spares", row.spares, 0, MOST_PIECES),
        ):
            if not least <= value <= most:
                raise BadInput(("rows", position, name), f"{value}", f"{least} to {most}", "out-of-range")


@cache
def _wishes() -> TypeAdapter[WishesAsk]:
    return TypeAdapter(WishesAsk)


def _wishes_document(wishes: WishesAsk) -> str:
    return _wishes().dump_json(wishes).decode()


def _row(session: Session, occasion_id: int) -> OccasionRow:
    row = session.scalar(
        select(OccasionRow)
        .where(OccasionRow.id == occasion_id)
        .options(selectinload(OccasionRow.rows))
        .execution_options(populate_existing=True)
    )
    if row is None:
        raise NotFound("occasion", occasion_id)
    return row


def _write_rows(session: Session, occasion_id: int, asked: OccasionAsk) -> None:
    session.execute(delete(OccasionPieceRow).where(OccasionPieceRow.occasion_id == occasion_id))
    for position, row in enumerate(asked.rows):
        session.add(
            OccasionPieceRow(
                occasion_id=occasion_id,
                position=position,
                confection_id=row.confection_id,
                per_box=row.per_box,
                spares=row.spares,
                whole_moulds=row.whole_moulds,
            )
        )
    session.flush()


def _stored(session: Session, row: OccasionRow) -> StoredOccasion:
    asked = OccasionAsk(
        name=row.name,
        ready_at=row.ready_at,
        boxes=row.boxes,
        pot_g=row.pot_g,
        box_vessel_id=row.box_vessel_id,
        wishes=_wishes().validate_python(json.loads(row.wishes)),
        rows=tuple(
            PieceAsk(
                confection_id=piece.confection_id,
                per_box=piece.per_box,
                spares=piece.spares,
                whole_moulds=piece.whole_moulds,
            )
            for piece in row.rows
        ),
    )
    return StoredOccasion(id=row.id, revision=row.revision, asked=asked)
