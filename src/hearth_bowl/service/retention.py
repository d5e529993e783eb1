"""How long readings are kept: of a finished batch its shape for good, of no batch not for long."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Final, TypeAlias

from sqlalchemy import delete, or_, select, update
from sqlalchemy.orm import Session

from hearth_bowl.service.batch_readings import count_readings_of, stretches_of, thinned_readings_of
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import BatchRow, ProbeRow, ReadingRow

THINNED_AFTER: Final = timedelta(days=7)
"""Readings of a batch that ended longer ago are thinned."""
LET_GO_AFTER: Final = timedelta(days=2)
"""Readings of no batch are let go then."""
KEPT_POINTS: Final = 2000
"""About so many readings of a batch stay: the lowest and the highest of each short time. Judgements, all three."""
ROWS_AT_ONCE: Final = 500
"""Rows deleted in one transaction, in about a hundredth of a second. A judgement."""
Heard: TypeAlias = defaultdict[str, list[tuple[datetime, datetime, int]]]
"""By probe: from when to when, and by which batch."""
LONG_AGO: Final = datetime(1900, 1, 1, tzinfo=UTC)


@dataclass(frozen=True, slots=True, kw_only=True)
class Retention:
    """How long readings are kept [days], and about how many of a batch stay after that."""

    thinned_after_days: int = THINNED_AFTER.days
    let_go_after_days: int = LET_GO_AFTER.days
    kept_points: int = KEPT_POINTS


def tidy_readings(database: Database, now: datetime) -> None:
    """Thin the readings of batches that ended long ago, and let go those of no batch.

    What is to go is looked for without holding anything up, and goes a few rows at a time: no other write waits long.
    """
    with database.reading() as session:
        heard = _heard(session, now)
        old = select(BatchRow.id).where(BatchRow.thinned_at.is_(None), BatchRow.ended_at < now - THINNED_AFTER)
        batches = session.scalars(old).all()
        probes = session.scalars(select(ProbeRow.id)).all()
    done = [batch_id for batch_id in batches if _thin(database, batch_id, heard)]
    for some in _batched(done, ROWS_AT_ONCE):
        with database.writing() as session:
            session.execute(update(BatchRow).where(BatchRow.id.in_(some)).values(thinned_at=now))
    for probe_id in probes:
        _let_go(database, probe_id, sorted((since, end) for since, end, _ in heard[probe_id]), now - LET_GO_AFTER)


def _heard(session: Session, now: datetime) -> Heard:
    """Return from when to when each probe was heard by a batch, and by which."""
    found: Heard = defaultdict(list)
    for row in session.scalars(select(BatchRow)):
        for probe_id, since, end in stretches_of(session, row, row.ended_at or now):
            found[probe_id].append((since, end, row.id))
    return found


def _batched(rows: Sequence[int], count: int) -> Iterator[Sequence[int]]:
    """Give rows in groups of `count`."""
    return (rows[start : start + count] for start in range(0, len(rows), count))


def _thin(database: Database, batch_id: int, heard: Heard) -> bool:
    """Keep a batch's shape; return whether the batch is still there."""
    with database.reading() as session:
        row = session.get(BatchRow, batch_id)
        if row is None:
            return False
        end = row.ended_at or row.started_at
        ids = _beside_its_shape(session, row, end, heard)
    for some in _batched(ids, ROWS_AT_ONCE):
        with database.writing() as session:
            session.execute(delete(ReadingRow).where(ReadingRow.id.in_(some), ReadingRow.at <= end))
    return True


def _beside_its_shape(session: Session, row: BatchRow, end: datetime, heard: Heard) -> list[int]:
    """Return the readings that a batch's shape does without, but for times in which another batch heard the probe."""
    if count_readings_of(session, row, end) <= KEPT_POINTS:
        return []
    kept = {at for at, _ in thinned_readings_of(session, row, end, KEPT_POINTS // 2)}
    found = []
    for probe_id, since, until in stretches_of(session, row, end):
        others = [(a, b) for a, b, batch_id in heard[probe_id] if batch_id != row.id and a < until and b > since]
        within = [ReadingRow.probe_id == probe_id, ReadingRow.at >= since, ReadingRow.at <= until]
        within += [or_(ReadingRow.at < a, ReadingRow.at > b) for a, b in others]
        rows = session.execute(select(ReadingRow.id, ReadingRow.at).where(*within))
        found += [row_id for row_id, at in rows if at not in kept]
    return found


def _let_go(database: Database, probe_id: str, kept: list[tuple[datetime, datetime]], before: datetime) -> None:
    """Delete what lies before a moment and between the times that are kept."""
    since = LONG_AGO
    for start, end in [*kept, (before, before)]:
        until = min(start, before)
        if since < until:
            within = (ReadingRow.probe_id == probe_id, ReadingRow.at > since, ReadingRow.at < until)
            with database.reading() as session:
                ids = session.scalars(select(ReadingRow.id).where(*within)).all()
            for some in _batched(ids, ROWS_AT_ONCE):
                with database.writing() as session:
                    session.execute(delete(ReadingRow).where(ReadingRow.id.in_(some), *within))
        since = max(since, end)
