"""The shelf: what was made, as it was on that day, what happened to it, and what that teaches."""

import json
from collections.abc import Sequence
from dataclasses import asdict, dataclass
from datetime import date, datetime, timedelta
from typing import Any, Final

from pydantic import TypeAdapter
from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.boxes.work_order import traces_of
from hearth_bowl.core.confection.for_eater import energy_of, told_eater, what_it_is
from hearth_bowl.core.confection.label import PLACES, label_of
from hearth_bowl.core.confection.lasting import FROZEN_DAYS, THAWED_DAYS, Lasting, lasting_of
from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.keep.shelf import FATES, Moved, OnShelf, check_move, next_amount, on_shelf
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.formats.confection_file import LabelAnswer, label_answer
from hearth_bowl.formats.label_sheet import Besides
from hearth_bowl.service.confections import ConfectionAsk, get_confection, worked_of
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.moments import FIRST_YEAR, LAST_YEAR
from hearth_bowl.service.occasions import get_occasion
from hearth_bowl.store.models import ConfectionRow, MakingMoveRow, MakingRow

MOST_PIECES: Final = 100_000
_LASTING: Final = TypeAdapter(Lasting)


@dataclass(frozen=True, slots=True, kw_only=True)
class PrintedLabel:
    """What is printed of some pieces: the label, and what it says besides."""

    label: LabelAnswer
    besides: Besides


@dataclass(frozen=True, slots=True, kw_only=True)
class NewMaking:
    """A confection that was made; `client_key` is the page's own, so that a press sent twice counts once."""

    client_key: str
    confection_id: int
    made_on: date
    pieces: int


@dataclass(frozen=True, slots=True, kw_only=True)
class NewMove:
    """What happened to a making: eaten, given or thrown away so many pieces, frozen or thawed."""

    client_key: str
    on_day: date
    what: str
    pieces: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class MovedTold:
    """What happened, and on which day."""

    id: int
    on_day: date
    what: str
    pieces: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Making:
    """A making, where it lies and what is left of it."""

    id: int
    confection_id: int | None
    name: str
    made_on: date
    pieces: int
    place: str
    until: date
    standing: OnShelf
    lasting: Lasting
    moves: tuple[MovedTold, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Shelf:
    """What lies there, worst first; what is finished with, the last first; what that teaches, by confection."""

    there: tuple[Making, ...]
    finished: tuple[Making, ...]
    teaches: dict[str, str]


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptConfection:
    """A confection that a recipe goes into: how it would be kept, how many are made of it; None: it cannot be worked
    out, and why."""

    confection_id: int
    name: str
    pieces: int | None
    lasting: Lasting | None
    why_not: str


def keep_of_recipe(session: Session, recipe_id: int) -> list[KeptConfection]:
    """Return the confections that a recipe goes into, with how each is kept."""
    found = []
    for row in session.scalars(select(ConfectionRow).order_by(ConfectionRow.id)):
        asked = get_confection(session, row.id).asked
        if any(part.of.recipe_id == recipe_id for part in asked.parts):
            found.append(_kept(session, row.id, asked))
    return found


def _kept(session: Session, confection_id: int, asked: ConfectionAsk) -> KeptConfection:
    try:
        worked = worked_of(session, asked)
    except (BadInput, NotFound) as problem:
        return KeptConfection(
            confection_id=confection_id, name=asked.name, pieces=None, lasting=None, why_not=str(problem)
        )
    return KeptConfection(
        confection_id=confection_id, name=asked.name, pieces=worked.pieces, lasting=lasting_of(worked), why_not=""
    )


def label_to_print(
    session: Session,
    confection_id: int,
    made: date,
    pieces: int | None,
    occasion_id: int | None = None,
    *,
    line: str,
    says_energy: bool,
) -> PrintedLabel:
    """Return the label of some pieces of a confection, for the one who eats it.

    :param occasion_id: it is made for; what is worked before it there may leave traces.
    :raises BadInput: naming the field, or the part of which an allergen is not known; at `occasion` where it is none
        of it. :raises NotFound: it is not there.
    """
    worked = worked_of(session, get_confection(session, confection_id).asked)
    document = _document(worked, made, pieces)
    if occasion_id is not None:
        told = {*document["label"]["may_contain"], *_traces(session, occasion_id, confection_id)}
        document["label"]["may_contain"] = sorted(told)
    return _printed(document, line, says_energy)


def _traces(session: Session, occasion_id: int, confection_id: int) -> tuple[str, ...]:
    rows = get_occasion(session, occasion_id).asked.rows
    position = next((at for at, row in enumerate(rows) if row.confection_id == confection_id), None)
    if position is None:
        raise BadInput(("occasion",), "the confection is none of it", "an occasion that it is made for", "not-for-this")
    return traces_of([worked_of(session, get_confection(session, row.confection_id).asked) for row in rows], position)


def label_of_making(
    session: Session, making_id: int, pieces: int | None, *, line: str, says_energy: bool
) -> PrintedLabel:
    """Return the label of some pieces of a making, as it was on the day it was made.

    :raises BadInput: at `pieces`. :raises NotFound: it is not there.
    """
    row = _row(session, making_id)
    count = row.pieces if pieces is None else pieces
    if not 1 <= count <= row.pieces:
        raise BadInput(("pieces",), f"{count} of {row.pieces}", f"1 to {row.pieces}", "out-of-range")
    document = json.loads(row.label)
    document["label"]["net_g"] *= count
    making = _making(session, row, row.made_on)
    if making.standing.is_frozen or any(move.what == "thawed" for move in making.moves):
        document["label"]["keep"] = making.place
        date_word = "use_by" if document["label"].get("use_by") else "best_before"
        document["label"][date_word] = making.until.isoformat()
    return _printed(document, line, says_energy)


def _document(worked: Worked, made: date, pieces: int | None) -> dict[str, Any]:
    label = label_answer(label_of(worked, pieces), made)
    label["cautions"] = list(told_eater(worked))
    label["keep"] = f"{PLACES[worked.keeping.where]}."
    energy = energy_of(worked)
    words = f"Energy {energy.kcal:.0f} kcal per 100 g, within {energy.low:.0f} to {energy.high:.0f}."
    return {"label": label, "what": what_it_is(worked), "energy": words}


def _printed(document: dict[str, Any], line: str, says_energy: bool) -> PrintedLabel:
    besides = Besides(what=document["what"], energy=document["energy"] if says_energy else "", line=line.strip())
    return PrintedLabel(label=document["label"], besides=besides)


def add_making(session: Session, new: NewMaking, now: datetime) -> int:
    """Put what was made on the shelf; return its id. The same `client_key` again changes nothing.

    :raises BadInput: naming the field; where an allergen is not known. :raises NotFound: there is no such confection.
    """
    check_name(new.client_key, "client_key")
    there = session.scalar(select(MakingRow.id).where(MakingRow.client_key == new.client_key))
    if there is not None:
        return there
    _check_day(("made_on",), new.made_on)
    if not 1 <= new.pieces <= MOST_PIECES:
        raise BadInput(("pieces",), f"{new.pieces}", f"1 to {MOST_PIECES}", "out-of-range")
    worked = worked_of(session, get_confection(session, new.confection_id).asked)
    row = MakingRow(
        client_key=new.client_key,
        confection_id=new.confection_id,
        name=worked.confection.name,
        made_on=new.made_on,
        pieces=new.pieces,
        label=json.dumps(_document(worked, new.made_on, 1), ensure_ascii=False),
        lasting=json.dumps(asdict(lasting_of(worked)), ensure_ascii=False),
        created_at=now,
    )
    session.add(row)
    session.flush()
    return row.id


def get_making(session: Session, making_id: int, today: date) -> Making:
    """Return a making.

    :raises NotFound: there is none.
    """
    return _making(session, _row(session, making_id), today)


def move_making(session: Session, making_id: int, move: NewMove, today: date) -> Making:
    """Note what happened to a making. The same `client_key` again changes nothing.

    :raises BadInput: at `on_day`, `what` or `pieces`. :raises NotFound: there is none.
    """
    row = _row(session, making_id)
    check_name(move.client_key, "client_key")
    if session.scalar(select(MakingMoveRow.id).where(MakingMoveRow.client_key == move.client_key)) is None:
        frozen_on = [done.on_day for done in _moves(session, row.id) if done.what == "frozen"]
        since = max([row.made_on, *(frozen_on if move.what == "thawed" else ())])
        if not since <= move.on_day <= today:
            allowed = f"{since.isoformat()} to {today.isoformat()}"
            raise BadInput(("on_day",), move.on_day.isoformat(), allowed, "out-of-range")
        at = _making(session, row, move.on_day)
        check_move(move.what, move.pieces, at.standing, at.lasting.may_freeze, bool(frozen_on))
        pieces = move.pieces if move.what in FATES else 0
        kept = MakingMoveRow(
            making_id=row.id, client_key=move.client_key, on_day=move.on_day, what=move.what, pieces=pieces
        )
        session.add(kept)
        session.flush()
    return _making(session, row, today)


def take_back_move(session: Session, making_id: int, move_id: int, today: date) -> Making:
    """Take the last thing that was noted of a making back.

    :raises NotFound: there is none. :raises BadInput: something was noted after it.
    """
    row = _row(session, making_id)
    moves = _moves(session, row.id)
    if move_id not in {move.id for move in moves}:
        raise NotFound("note", move_id)
    if moves[-1].id != move_id:
        raise BadInput(("move_id",), "something was noted after it", "the last note", "not-allowed")
    session.execute(delete(MakingMoveRow).where(MakingMoveRow.id == move_id))
    return _making(session, row, today)


def delete_making(session: Session, making_id: int) -> None:
    """Delete a making, with what happened to it.

    :raises NotFound: there is none.
    """
    session.delete(_row(session, making_id))
    session.flush()


def list_shelf(session: Session, today: date) -> Shelf:
    """Return everything that was made: what lies there, worst first, and what is finished with."""
    rows = session.scalars(select(MakingRow).order_by(MakingRow.id)).all()
    moves: dict[int, list[MovedTold]] = {row.id: [] for row in rows}
    for move in session.scalars(select(MakingMoveRow).order_by(MakingMoveRow.id)):
        moves[move.making_id].append(_told(move))
    makings = [_told_making(row, tuple(moves[row.id]), today) for row in rows]
    there = [making for making in makings if making.standing.pieces_left]
    finished = [making for making in makings if not making.standing.pieces_left]
    return Shelf(
        there=tuple(sorted(there, key=lambda making: (making.standing.days_left, making.id))),
        finished=tuple(sorted(finished, key=lambda making: (-making.made_on.toordinal(), -making.id))),
        teaches={words.name: says for words in finished if (says := _teaches(finished, words.name))},
    )


def _teaches(finished: Sequence[Making], name: str) -> str:
    same = [making for making in finished if making.name == name]
    thrown = sum(move.pieces for making in same for move in making.moves if move.what == "thrown-away")
    return next_amount(sum(making.pieces for making in same), thrown, len(same))


def _making(session: Session, row: MakingRow, today: date) -> Making:
    return _told_making(row, _moves(session, row.id), today)


def _told_making(row: MakingRow, moves: tuple[MovedTold, ...], today: date) -> Making:
    lasting = _LASTING.validate_json(row.lasting)
    said = [Moved(day=(move.on_day - row.made_on).days, what=move.what, pieces=move.pieces) for move in moves]
    standing = on_shelf(row.pieces, lasting.days_low, FROZEN_DAYS, THAWED_DAYS, said, (today - row.made_on).days)
    return Making(
        id=row.id,
        confection_id=row.confection_id,
        name=row.name,
        made_on=row.made_on,
        pieces=row.pieces,
        place="Keep in the freezer, at -18 °C or colder." if standing.is_frozen else f"{PLACES[lasting.where]}.",
        until=today + timedelta(days=standing.days_left),
        standing=standing,
        lasting=lasting,
        moves=moves,
    )


def _moves(session: Session, making_id: int) -> tuple[MovedTold, ...]:
    rows = session.scalars(select(MakingMoveRow).where(MakingMoveRow.making_id == making_id).order_by(MakingMoveRow.id))
    return tuple(_told(row) for row in rows)


def _told(row: MakingMoveRow) -> MovedTold:
    return MovedTold(id=row.id, on_day=row.on_day, what=row.what, pieces=row.pieces)


def _check_day(path: tuple[str, ...], day: date) -> None:
    if not FIRST_YEAR <= day.year <= LAST_YEAR:
        raise BadInput(path, f"the year {day.year}", f"a year from {FIRST_YEAR} to {LAST_YEAR}", "out-of-range")


def _row(session: Session, making_id: int) -> MakingRow:
    row = session.get(MakingRow, making_id)
    if row is None:
        raise NotFound("making", making_id)
    return row
