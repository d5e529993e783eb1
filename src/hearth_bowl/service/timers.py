"""Timers: moments kept here, so that a reload, a second device or a restart changes nothing."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import check_number
from hearth_bowl.core.recipe import check_name
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.models import BatchRow, TimerRow

LONGEST_S: Final = 60 * 86_400


@dataclass(frozen=True, slots=True, kw_only=True)
class Timer:
    """A timer; `left_s` is below 0 when it is overdue, by so much."""

    id: int
    batch_id: int | None
    name: str
    ends_at: datetime
    is_paused: bool
    left_s: float


def list_timers(session: Session, now: datetime) -> list[Timer]:
    """Return every timer that was not stopped, the next first."""
    rows = session.scalars(select(TimerRow).where(TimerRow.stopped_at.is_(None)))
    return sorted((_timer(row, now) for row in rows), key=lambda timer: timer.left_s)


def start_timer(session: Session, name: str, seconds: float, now: datetime, batch_id: int | None = None) -> Timer:
    """Start a timer.

    :raises BadInput: at `name` or `seconds`. :raises NotFound: there is no such batch.
    """
    check_number(("seconds",), seconds, 0, LONGEST_S, "s", above=True)
    if batch_id is not None and session.get(BatchRow, batch_id) is None:
        raise NotFound("batch", batch_id)
    row = TimerRow(
        batch_id=batch_id,
        name=check_name(name),
        ends_at=now + timedelta(seconds=seconds),
        paused_left_s=None,
        stopped_at=None,
    )
    session.add(row)
    session.flush()
    return _timer(row, now)


def change_timer(
    session: Session,
    timer_id: int,
    now: datetime,
    *,
    more_s: float | None = None,
    paused: bool | None = None,
    stopped: bool = False,
) -> Timer:
    """Extend (or shorten), pause, go on with, or stop a timer.

    :raises BadInput: at `more_s`. :raises NotFound: there is none.
    """
    row = session.get(TimerRow, timer_id)
    if row is None or row.stopped_at is not None:
        raise NotFound("timer", timer_id)
    if more_s is not None:
        check_number(("more_s",), more_s, -LONGEST_S, LONGEST_S, "s")
        if row.paused_left_s is not None:
            row.paused_left_s += more_s
        else:
            row.ends_at = (
                max(row.ends_at, now) + timedelta(seconds=more_s)
                if more_s > 0
                else row.ends_at + timedelta(seconds=more_s)
            )
    if paused is True and row.paused_left_s is None:
        row.paused_left_s = (row.ends_at - now).total_seconds()
    elif paused is False and row.paused_left_s is not None:
        row.ends_at, row.paused_left_s = now + timedelta(seconds=row.paused_left_s), None
    if stopped:
        row.stopped_at = now
    session.flush()
    return _timer(row, now)


def _timer(row: TimerRow, now: datetime) -> Timer:
    left = row.paused_left_s if row.paused_left_s is not None else (row.ends_at - now).total_seconds()
    return Timer(
        id=row.id,
        batch_id=row.batch_id,
        name=row.name,
        ends_at=row.ends_at,
        is_paused=row.paused_left_s is not None,
        left_s=left,
    )
