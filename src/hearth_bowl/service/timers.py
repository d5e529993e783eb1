"""Timers: moments kept here, so that a reload, a second device or a restart changes nothing.

Each goes by a key. Whoever starts or changes one may send the moment when that happened and a key of its own: what
waited for a connection counts from its moment, and what is sent twice happens once.
"""

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.store.models import BatchRow, TimerRow

LONGEST_S: Final = 60 * 86_400
OLDEST: Final = timedelta(days=60)


@dataclass(frozen=True, slots=True, kw_only=True)
class Timer:
    """A timer; `left_s` is below 0 when it is overdue, by so much."""

    key: str
    batch_id: int | None
    name: str
    started_at: datetime
    ends_at: datetime
    is_paused: bool
    left_s: float


def list_timers(session: Session, now: datetime) -> list[Timer]:
    """Return every timer that was not stopped, the next first."""
    rows = session.scalars(select(TimerRow).where(TimerRow.stopped_at.is_(None)))
    return sorted((_timer(row, now) for row in rows), key=lambda timer: timer.left_s)


def start_timer(
    session: Session,
    name: str,
    seconds: float,
    now: datetime,
    batch_id: int | None = None,
    *,
    key: str | None = None,
    at: datetime | None = None,
) -> Timer:
    """Start a timer, or return the one that this key started before.

    :param at: when it was started; later than now, or left out, it is now.
    :raises BadInput: at `name`, `seconds`, `key` or `at`. :raises NotFound: there is no such batch.
    """
    check_number(("seconds",), seconds, 0, LONGEST_S, "s", above=True)
    if batch_id is not None and session.get(BatchRow, batch_id) is None:
        raise NotFound("batch", batch_id)
    key = uuid.uuid4().hex if key is None else check_name(key, "key")
    row = session.scalar(select(TimerRow).where(TimerRow.key == key))
    if row is None:
        started_at = _moment(at, now)
        row = TimerRow(
            key=key,
            last_change=None,
            batch_id=batch_id,
            name=check_name(name),
            started_at=started_at,
            ends_at=started_at + timedelta(seconds=seconds),
            paused_left_s=None,
            stopped_at=None,
        )
        session.add(row)
        session.flush()
    return _timer(row, now)


def change_timer(
    session: Session,
    key: str,
    now: datetime,
    *,
    more_s: float | None = None,
    paused: bool | None = None,
    stopped: bool = False,
    change_key: str | None = None,
    at: datetime | None = None,
) -> Timer:
    """Extend (or shorten), pause, go on with, or stop a timer. A change with the key of the last one is that one.

    :param at: when it was changed; later than now, or left out, it is now.
    :raises BadInput: at `more_s`, `change_key` or `at`. :raises NotFound: there is none that runs.
    """
    row = session.scalar(select(TimerRow).where(TimerRow.key == key))
    if row is None:
        raise NotFound("timer", key)
    moment = _moment(at, now)
    if change_key is not None:
        change_key = check_name(change_key, "change_key")
        if row.last_change == change_key:
            return _timer(row, now)
        row.last_change = change_key
    if row.stopped_at is not None:
        raise NotFound("timer", key)
    if more_s is not None:
        check_number(("more_s",), more_s, -LONGEST_S, LONGEST_S, "s")
        _extend(row, more_s, moment)
    if paused is True and row.paused_left_s is None:
        row.paused_left_s = (row.ends_at - moment).total_seconds()
    elif paused is False and row.paused_left_s is not None:
        row.ends_at, row.paused_left_s = moment + timedelta(seconds=row.paused_left_s), None
    if stopped:
        row.stopped_at = moment
    session.flush()
    return _timer(row, now)


def timers_of(session: Session, batch_id: int, now: datetime) -> list[Timer]:
    """Return every timer of a batch, stopped or not, in the order in which they were started."""
    rows = session.scalars(
        select(TimerRow).where(TimerRow.batch_id == batch_id).order_by(TimerRow.started_at, TimerRow.id)
    )
    return [_timer(row, now) for row in rows]


def _extend(row: TimerRow, more_s: float, moment: datetime) -> None:
    """Give more time, or less: what is overdue gets all of it from that moment on."""
    if row.paused_left_s is not None:
        row.paused_left_s += more_s
    elif more_s > 0:
        row.ends_at = max(row.ends_at, moment) + timedelta(seconds=more_s)
    else:
        row.ends_at += timedelta(seconds=more_s)


def _moment(at: datetime | None, now: datetime) -> datetime:
    if at is None:
        return now
    at = checked_moment(("at",), at)
    if at < now - OLDEST:
        raise BadInput(("at",), "is too long ago", "within the last 60 days", "out-of-range")
    return min(at, now)


def _timer(row: TimerRow, now: datetime) -> Timer:
    left = row.paused_left_s if row.paused_left_s is not None else (row.ends_at - now).total_seconds()
    return Timer(
        key=row.key,
        batch_id=row.batch_id,
        name=row.name,
        started_at=row.started_at,
        ends_at=row.ends_at,
        is_paused=row.paused_left_s is not None,
        left_s=left,
    )
