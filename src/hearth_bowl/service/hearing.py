"""What a run's thermometer says: its last reading with its age, and what it read in the open step."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.stove.forecast import SPARSE_WINDOW_S
from hearth_bowl.service.probes import STAND_IN, readings_between
from hearth_bowl.store.models import BatchRow, ProbeRow, ReadingRow

FRESH_S: Final = 15.0
"""A reading older than this is no temperature of now."""
FRESH_BY_HAND_S: Final = 180.0
TRUSTED_S: Final = 60.0
"""For so long after the last reading a forecast counts on by itself; then nothing is claimed. Judged."""
SELDOM: Final = 12
"""With so few readings in a quarter of an hour they are taken by hand, and stay good for longer."""
LEAST_WINDOW_S: Final = 60.0
"""A stand-in that plays faster than life needs a shorter time for as many readings, but never less than this."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Heard:
    """What was heard in a run. `shown_c`, the newest reading as it was shown, may be old: `age_s` says how old.

    `readings` are those of the open step, (s of the pan's time before the last, true °C); `first_c` the step's first,
    true. `pace` is how fast the pan's time goes against the clock.
    """

    pace: float
    shown_c: float | None = None
    true_c: float | None = None
    last_at: datetime | None = None
    age_s: float = 0.0
    by_hand: bool = False
    readings: tuple[tuple[float, float], ...] = ()
    first_c: float | None = None

    @property
    def is_fresh(self) -> bool:
        """Return whether the last reading is a temperature of now."""
        return self.last_at is not None and self.age_s <= (FRESH_BY_HAND_S if self.by_hand else FRESH_S)

    @property
    def is_trusted(self) -> bool:
        """Return whether a forecast from the readings may count on by itself."""
        return self.last_at is not None and self.age_s <= (FRESH_BY_HAND_S if self.by_hand else TRUSTED_S)

    @property
    def silent_s(self) -> float:
        """Return how long a thermometer that spoke by itself has been silent; 0 where it speaks or is read by hand."""
        return 0.0 if self.by_hand or self.is_fresh else self.age_s


def hear(session: Session, row: BatchRow, begun_at: datetime | None, offset_c: float, now: datetime) -> Heard:
    """Return what the thermometer of a run says.

    :param begun_at: since when the open step runs; None of the one that the run began with.
    """
    pace = pace_of(session, row.probe_id)
    earliest = row.started_at - timedelta(seconds=SPARSE_WINDOW_S)
    last = _edge(session, row.probe_id, earliest, now, newest=True)
    if last is None:
        return Heard(pace=pace)
    last_at, last_c = last
    window = timedelta(seconds=max(SPARSE_WINDOW_S / pace, LEAST_WINDOW_S))
    heard = [(at, c) for at, c in readings_between(session, row.probe_id, last_at - window, last_at) if c is not None]
    of_step = [(at, c) for at, c in heard if begun_at is None or at >= begun_at]
    first = _edge(session, row.probe_id, begun_at, now, newest=False) if begun_at is not None else None
    return Heard(
        pace=pace,
        shown_c=last_c,
        true_c=last_c - offset_c,
        last_at=last_at,
        age_s=max(0.0, (now - last_at).total_seconds()),
        by_hand=len(heard) <= SELDOM,
        readings=tuple((pace * (at - last_at).total_seconds(), c - offset_c) for at, c in of_step),
        first_c=None if first is None else first[1] - offset_c,
    )


def pace_of(session: Session, probe_id: str) -> float:
    """Return how fast the pan's time goes: a stand-in may play it faster, anything else goes by the clock."""
    probe = session.get(ProbeRow, probe_id) if probe_id == STAND_IN else None
    return probe.speed if probe else 1.0


def _edge(
    session: Session, probe_id: str, since: datetime, until: datetime, *, newest: bool
) -> tuple[datetime, float] | None:
    """Return the newest or the first reading of a probe between two moments that has a temperature."""
    wanted = (
        select(ReadingRow.at, ReadingRow.shown_c)
        .where(
            ReadingRow.probe_id == probe_id,
            ReadingRow.at >= since,
            ReadingRow.at <= until,
            ReadingRow.shown_c.is_not(None),
        )
        .order_by(ReadingRow.at.desc() if newest else ReadingRow.at)
        .limit(1)
    )
    found = session.execute(wanted).first()
    return None if found is None or found[1] is None else (found[0], found[1])
