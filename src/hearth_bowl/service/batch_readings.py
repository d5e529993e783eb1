"""What the thermometers of a batch showed: a run may hear one probe first and another later."""

from collections.abc import Iterator
from datetime import datetime
from itertools import pairwise
from typing import Any, Final

from sqlalchemy import ColumnElement, Integer, Select, cast, func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.stove.events import ProbeChanged
from hearth_bowl.formats.happenings import happening_from
from hearth_bowl.store.models import BatchEventRow, BatchRow, ReadingRow

Shown = tuple[datetime, float | None]
Stretch = tuple[str, datetime, datetime]
SECONDS_A_DAY: Final = 86_400
AT_ONCE: Final = 2000


def stretches_of(session: Session, row: BatchRow, until: datetime) -> list[Stretch]:
    """Return which probe counted in a batch from when to when, in order."""
    changes = session.execute(
        select(BatchEventRow.at, BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "probe")
        .order_by(BatchEventRow.at, BatchEventRow.id)
    ).all()
    told = [(at, happening_from("probe", data)) for at, data in changes]
    heard = [(max(at, row.started_at), what) for at, what in told if isinstance(what, ProbeChanged)]
    first = (heard[0][1].before or row.probe_id) if heard else row.probe_id
    marks = [(row.started_at, first), *((at, what.probe_id) for at, what in heard), (until, "")]
    return [(probe_id, since, end) for (since, probe_id), (end, _) in pairwise(marks)]


def count_readings_of(session: Session, row: BatchRow, until: datetime) -> int:
    """Return how many temperatures a batch has."""
    return sum(
        session.scalar(select(func.count(ReadingRow.shown_c)).where(*_within(stretch))) or 0
        for stretch in stretches_of(session, row, until)
    )


def readings_of(session: Session, row: BatchRow, until: datetime) -> Iterator[Shown]:
    """Give the readings of a batch as shown, in order, of each probe for as long as it was the one that counts.

    However many there are, few are held at once.
    """
    for stretch in stretches_of(session, row, until):
        wanted = select(ReadingRow.at, ReadingRow.shown_c).where(*_within(stretch))
        yield from session.execute(wanted.order_by(ReadingRow.at, ReadingRow.id).execution_options(yield_per=AT_ONCE))


def thinned_readings_of(session: Session, row: BatchRow, until: datetime, buckets: int) -> list[Shown]:
    """Return the lowest and the highest reading of each of so many equal times, in order; worked out in the database.

    A time in which the sensor said nothing gives one None.
    """
    width_s = max(1.0, (until - row.started_at).total_seconds() / max(1, buckets))
    found: list[Shown] = []
    for stretch in stretches_of(session, row, until):
        for pick in (func.min, func.max):
            rows = session.execute(_by_time(stretch, pick(ReadingRow.shown_c), width_s))
            found += [(at, shown) for at, shown, _ in rows]
    return sorted(set(found), key=lambda point: (point[0], point[1] is None, point[1] or 0.0))


def _by_time(stretch: Stretch, picked: ColumnElement[Any], width_s: float) -> Select[Any]:
    """Return the query of one reading a time: beside a lowest or highest SQLite gives the moment of that very row."""
    since = func.julianday(stretch[1].replace(tzinfo=None).isoformat(" "))
    time = cast((func.julianday(ReadingRow.at) - since) * SECONDS_A_DAY / width_s, Integer)
    return select(ReadingRow.at, picked, time).where(*_within(stretch)).group_by(time).order_by(time)


def _within(stretch: Stretch) -> tuple[ColumnElement[bool], ...]:
    probe_id, since, end = stretch
    return ReadingRow.probe_id == probe_id, ReadingRow.at >= since, ReadingRow.at <= end
