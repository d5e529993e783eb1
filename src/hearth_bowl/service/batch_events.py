"""What happened in a batch: taken in once, checked by the core, read back in order."""

import json
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Final

from sqlalchemy import select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.core.stove.events import Ended, Happening, Judgement, ProbeChanged, StepBegun, check_happening
from hearth_bowl.formats.happenings import HappeningFile, happening_data, happening_from
from hearth_bowl.service.batch_readings import thinned_readings_of
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.learned import teach, teaches_now
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.service.probes import ensure_probe
from hearth_bowl.service.recipe_index import index_verdicts
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.store.models import BatchEventRow, BatchRow

MOST_AT_ONCE: Final = 500
SKETCHED: Final = 30


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """Something that happened, at a moment; `client_key` is the page's own."""

    client_key: str
    at: datetime
    what: HappeningFile


def add_events(session: Session, batch_id: int, events: Sequence[Event], now: datetime) -> int:
    """Keep what happened; an event that came before (by its key) is not stored twice. Return how many were new.

    Nothing of a batch happens before it began or after now: a clock that says so is wrong, and the moment is moved.
    A step begun moves the run there, another probe is heard from then on, an end ends it.

    :raises BadInput: naming the event and field. :raises NotFound: there is no such batch.
    """
    row = session.get(BatchRow, batch_id)
    if row is None:
        raise NotFound("batch", batch_id)
    if len(events) > MOST_AT_ONCE:
        raise BadInput(("events",), f"{len(events)} events", f"up to {MOST_AT_ONCE}", "out-of-range")
    steps, lines = len(snapshot_of(session, row).steps), len(json.loads(row.document)["lines"])
    new, told = 0, []
    for position, event in enumerate(events):
        try:
            check_name(event.client_key, "client_key")
            at = min(max(checked_moment(("at",), event.at), row.started_at), now)
            what = _checked(session, row, event.what, steps, lines)
        except BadInput as problem:
            raise problem.under("events", position) from None
        if add_event(session, row, event.client_key, at, what):
            new += 1
            told.append(what)
            _follow(session, row, what, at)
    session.flush()
    if teaches_now(told):
        teach(session, row)
    return new


def _checked(session: Session, row: BatchRow, what: Happening, steps: int, lines: int) -> Happening:
    try:
        check_happening(what, steps, lines)
        if isinstance(what, ProbeChanged):
            return replace(what, probe_id=ensure_probe(session, what.probe_id).id, before=row.probe_id)
    except BadInput as problem:
        raise problem.under("what") from None
    return what


def _follow(session: Session, row: BatchRow, what: Happening, at: datetime) -> None:
    match what:
        case StepBegun():
            row.step = what.step
        case ProbeChanged():
            row.probe_id = what.probe_id
        case Judgement():
            row.verdict = json.dumps(what.words)
            row.found_by = words_of(row, what.text)
            index_verdicts(session, row.recipe_id)
        case Ended():
            row.ended_at = at
            row.sketch = sketch_of(session, row, at)


def add_event(session: Session, row: BatchRow, key: str, at: datetime, what: Happening) -> bool:
    """Store one event; return whether it was new."""
    there = session.scalar(
        select(BatchEventRow.id).where(BatchEventRow.batch_id == row.id, BatchEventRow.client_key == key)
    )
    if there is not None:
        return False
    stored = BatchEventRow(batch_id=row.id, client_key=key, at=at, kind=what.kind, data=happening_data(what))
    try:
        with session.begin_nested():
            session.add(stored)
    except IntegrityError:
        return False
    return True


def words_of(row: BatchRow, said: str = "") -> str:
    """Return the words that a batch is found by: its name, family, ingredients, verdict and what was said of it."""
    record = json.loads(row.document)
    names = [
        line["ingredient"]["name"] if isinstance(line["ingredient"], dict) else find(line["ingredient"]).name
        for line in record["lines"]
    ]
    words = [row.name, str(record.get("family", "")).replace("-", " "), *names, *json.loads(row.verdict), said]
    return "\n".join(words).casefold()


def sketch_of(session: Session, row: BatchRow, until: datetime) -> str:
    """Return the trace of a batch in few points (min from its start, °C), as it is stored."""
    offset_c = snapshot_of(session, row).thermometer_offset_c or 0.0
    points = [
        [round((at - row.started_at).total_seconds() / 60, 1), round(shown - offset_c, 1)]
        for at, shown in thinned_readings_of(session, row, until, SKETCHED)
        if shown is not None
    ]
    return json.dumps(points)


def events_of(session: Session, batch_id: int) -> list[Event]:
    """Return all that happened in a batch, in order."""
    rows = session.scalars(
        select(BatchEventRow).where(BatchEventRow.batch_id == batch_id).order_by(BatchEventRow.at, BatchEventRow.id)
    )
    return [Event(client_key=row.client_key, at=row.at, what=happening_from(row.kind, row.data)) for row in rows]
