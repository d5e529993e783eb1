"""How long readings are kept: of a finished batch its shape for good, of no batch not for long."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Final

from sqlalchemy import delete, or_, select
from sqlalchemy.orm import Session

from hearth_bowl.service.batch_readings import count_readings_of, stretches_of, thinned_readings_of
from hearth_bowl.store.models import BatchRow, ProbeRow, ReadingRow

THINNED_AFTER: Final = timedelta(days=7)
"""Readings of a batch that ended longer ago are thinned."""
LET_GO_AFTER: Final = timedelta(days=2)
"""Readings of no batch are let go then."""
KEPT_POINTS: Final = 2000
"""About so many readings of a batch stay: the lowest and the highest of each short time. Judgements, all three."""
LONG_AGO: Final = datetime(1900, 1, 1, tzinfo=UTC)


@dataclass(frozen=True, slots=True, kw_only=True)
class Retention:
    """How long readings are kept [days], and about how many of a batch stay after that."""

    thinned_after_days: int = THINNED_AFTER.days
    let_go_after_days: int = LET_GO_AFTER.days
    kept_points: int = KEPT_POINTS


def tidy_readings(session: Session, now: datetime) -> None:
    """Thin the readings of batches that ended long ago, and let go those of no batch."""
    heard = _heard(session, now)
    old = select(BatchRow).where(BatchRow.thinned_at.is_(None), BatchRow.ended_at < now - THINNED_AFTER)
    for row in session.scalars(old).all():
        _thin(session, row, heard)
        row.thinned_at = now
    for probe_id in session.scalars(select(ProbeRow.id)):
        _let_go(session, probe_id, sorted((since, end) for since, end, _ in heard[probe_id]), now - LET_GO_AFTER)


def _heard(session: Session, now: datetime) -> defaultdict[str, list[tuple[datetime, datetime, int]]]:
    """Return from when to when each probe was heard by a batch, and by which."""
    found: defaultdict[str, list[tuple[datetime, datetime, int]]] = defaultdict(list)
    for row in session.scalars(select(BatchRow)):
        for probe_id, since, end in stretches_of(session, row, row.ended_at or now):
            found[probe_id].append((since, end, row.id))
    return found


def _thin(session: Session, row: BatchRow, heard: defaultdict[str, list[tuple[datetime, datetime, int]]]) -> None:
    """Keep a batch's shape, but for times in which another batch heard the same probe: they are left as they are."""
    end = row.ended_at or row.started_at
    if count_readings_of(session, row, end) <= KEPT_POINTS:
        return
    kept = {at for at, _ in thinned_readings_of(session, row, end, KEPT_POINTS // 2)}
    for probe_id, since, until in stretches_of(session, row, end):
        others = [(a, b) for a, b, batch_id in heard[probe_id] if batch_id != row.id and a < until and b > since]
        within = [ReadingRow.probe_id == probe_id, ReadingRow.at >= since, ReadingRow.at <= until]
        within += [or_(ReadingRow.at < a, ReadingRow.at > b) for a, b in others]
        ids = [
            row_id
            for row_id, at in session.execute(select(ReadingRow.id, ReadingRow.at).where(*within))
            if at not in kept
        ]
        for start in range(0, len(ids), 500):
            session.execute(delete(ReadingRow).where(ReadingRow.id.in_(ids[start : start + 500])))


def _let_go(session: Session, probe_id: str, kept: list[tuple[datetime, datetime]], before: datetime) -> None:
    """Delete what lies before a moment and between the times that are kept."""
    since = LONG_AGO
    for start, end in [*kept, (before, before)]:
        until = min(start, before)
        if since < until:
            session.execute(
                delete(ReadingRow).where(ReadingRow.probe_id == probe_id, ReadingRow.at > since, ReadingRow.at < until)
            )
        since = max(since, end)
