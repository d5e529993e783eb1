"""Probes: the open door for readings of any thermometer."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import insert, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.core.stove.events import ProbeChanged
from hearth_bowl.formats.happenings import happening_from
from hearth_bowl.formats.readings_csv import Reading
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.store.models import BatchEventRow, BatchRow, ProbeRow, ReadingRow

MOST_READINGS: Final = 5000
MOST_AHEAD_S: Final = 26 * 3600.0
"""A device may be set to any time zone, and then some."""
CLOCK_STEP_S: Final = 5.0
"""What is nearer than this is no fault of a clock: a judgement."""
COLDEST_C: Final = -60.0
HOTTEST_C: Final = 400.0
FASTEST: Final = 60.0
OF_FILES: Final = "taken-in"
"""What the names of such probes begin with."""
STAND_IN: Final = "stand-in"


@dataclass(frozen=True, slots=True, kw_only=True)
class Probe:
    """A probe with its last reading; `speed` is a stand-in's, `clock_ahead_s` what the device's own clock is ahead."""

    id: str
    name: str
    speed: float
    clock_ahead_s: float
    last_at: datetime | None
    last_c: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Taken:
    """How many readings were new, and what the device's clock is ahead of ours, by which they were set back."""

    stored: int
    clock_ahead_s: float


def list_probes(session: Session) -> list[Probe]:
    """Return every probe that ever spoke; not those that stand for the readings of batches taken in from files."""
    rows = session.scalars(select(ProbeRow).where(~ProbeRow.id.startswith(OF_FILES)).order_by(ProbeRow.id))
    return [_probe(session, row) for row in rows]


def set_speed(session: Session, probe_id: str, speed: float) -> Probe:
    """Let a stand-in play faster or slower.

    :raises BadInput: at `speed`. :raises NotFound: there is no such probe.
    """
    check_number(("speed",), speed, 1, FASTEST, "times")
    is_ours = probe_id.strip() == STAND_IN  # it may be set before it spoke first
    row = ensure_probe(session, probe_id) if is_ours else _probe_row(session, probe_id)
    row.speed = speed
    return _probe(session, row)


def name_probe(session: Session, probe_id: str, name: str) -> Probe:
    """Call a thermometer otherwise.

    :raises BadInput: at `name`. :raises NotFound: there is no such probe.
    """
    row = _probe_row(session, probe_id)
    row.name = check_name(name)
    return _probe(session, row)


def add_readings(session: Session, probe_id: str, readings: Sequence[Reading], now: datetime) -> Taken:
    """Store readings of a probe, all or none, and return how many were new; a new probe is made.

    What a gateway sends again after a lost answer is known by its moment and value, and is stored once. The moments
    of a device whose clock goes ahead are set back by what it is ahead, which is learned from what comes in.

    :raises BadInput: naming the reading and field.
    """
    if not 1 <= len(readings) <= MOST_READINGS:
        raise BadInput(("readings",), f"{len(readings)} readings", f"1 to {MOST_READINGS}", "out-of-range")
    taken: list[tuple[datetime, float | None]] = []
    for position, reading in enumerate(readings):
        path = ("readings", position)
        if reading.c is not None:
            check_number((*path, "c"), reading.c, COLDEST_C, HOTTEST_C, "°C")
        taken.append((now if reading.at is None else checked_moment((*path, "at"), reading.at), reading.c))
    row = ensure_probe(session, probe_id)
    newest = max(range(len(taken)), key=lambda position: taken[position][0])
    if readings[newest].at is not None:
        row.clock_ahead_s = _ahead_s(row.clock_ahead_s, (taken[newest][0] - now).total_seconds(), newest)
    back = timedelta(seconds=row.clock_ahead_s)
    moved = [(at if reading.at is None else at - back, c) for reading, (at, c) in zip(readings, taken, strict=True)]
    moments = [at for at, _ in moved]
    there = set(readings_between(session, row.id, min(moments), max(moments)))
    new = [pair for pair in dict.fromkeys(moved) if pair not in there]
    if new:
        session.execute(insert(ReadingRow), [{"probe_id": row.id, "at": at, "shown_c": c} for at, c in new])
    return Taken(stored=len(new), clock_ahead_s=row.clock_ahead_s)


def _ahead_s(known_s: float, newest_s: float, position: int) -> float:
    """Return by how much a device's clock goes ahead, after its newest reading lies so far after now.

    A clock that was set right since shows a reading of just now.

    :raises BadInput: at the reading, when no clock is that far ahead.
    """
    if newest_s > MOST_AHEAD_S:
        allowed = f"up to {MOST_AHEAD_S / 3600:.0f} h ahead"
        raise BadInput(("readings", position, "at"), "is in the future", allowed, "out-of-range")
    if newest_s > known_s + CLOCK_STEP_S or (known_s and abs(newest_s) < CLOCK_STEP_S < known_s):
        return newest_s if newest_s > CLOCK_STEP_S else 0.0
    return known_s


def ensure_probe(session: Session, probe_id: str) -> ProbeRow:
    """Return a probe, made when it is new.

    :raises BadInput: at `probe_id`.
    """
    name = check_name(probe_id, "probe_id")
    row = session.get(ProbeRow, name)
    if row is None:
        row = ProbeRow(id=name, name=name, speed=1.0, clock_ahead_s=0.0)
        session.add(row)
        session.flush()
    return row


def delete_probe(session: Session, probe_id: str) -> None:
    """Forget a thermometer with its readings, while no batch heard it.

    :raises NotFound: there is none. :raises BadInput: at `probe_id`: a batch heard it.
    """
    row = _probe_row(session, probe_id)
    heard = session.scalars(select(BatchEventRow.data).where(BatchEventRow.kind == "probe"))
    told = (happening_from("probe", data) for data in heard)
    ids = {name for what in told if isinstance(what, ProbeChanged) for name in (what.probe_id, what.before)}
    first = session.scalar(select(BatchRow.id).where(BatchRow.probe_id == row.id).limit(1))
    if row.id in ids or first is not None:
        raise BadInput(("probe_id",), "a batch heard it", "a thermometer of no batch", "not-allowed")
    session.delete(row)


def _probe_row(session: Session, probe_id: str) -> ProbeRow:
    row = session.get(ProbeRow, probe_id.strip())
    if row is None:
        raise NotFound("probe", probe_id)
    return row


def readings_between(
    session: Session, probe_id: str, since: datetime, until: datetime | None = None
) -> list[tuple[datetime, float | None]]:
    """Return what a probe showed, as it showed it, in order."""
    wanted = select(ReadingRow.at, ReadingRow.shown_c).where(ReadingRow.probe_id == probe_id, ReadingRow.at >= since)
    if until is not None:
        wanted = wanted.where(ReadingRow.at <= until)
    return [(at, shown) for at, shown in session.execute(wanted.order_by(ReadingRow.at, ReadingRow.id))]


def _probe(session: Session, row: ProbeRow) -> Probe:
    last = session.execute(
        select(ReadingRow.at, ReadingRow.shown_c)
        .where(ReadingRow.probe_id == row.id)
        .order_by(ReadingRow.at.desc())
        .limit(1)
    ).first()
    return Probe(
        id=row.id,
        name=row.name,
        speed=row.speed,
        clock_ahead_s=row.clock_ahead_s,
        last_at=last[0] if last else None,
        last_c=last[1] if last else None,
    )
