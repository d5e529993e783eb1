"""Probes: the open door for readings, and what a stand-in plays."""

import csv
import io
import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any, Final

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.core.stove.step import Step
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.models import BatchRow, ProbeRow, ReadingRow, WeightRow

MOST_READINGS: Final = 5000
MOST_AHEAD: Final = timedelta(minutes=5)
COLDEST_C: Final = -60.0
HOTTEST_C: Final = 400.0
FASTEST: Final = 60.0
STAND_IN: Final = "stand-in"
MOULD_SHELL: Final = "dark60"
"""What a mould's shell is of unless told otherwise."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Probe:
    """A probe with its last reading; `speed` is a stand-in's."""

    id: str
    name: str
    speed: float
    last_at: datetime | None
    last_c: float | None


def list_probes(session: Session) -> list[Probe]:
    """Return every probe that ever spoke."""
    return [_probe(session, row) for row in session.scalars(select(ProbeRow).order_by(ProbeRow.id))]


def set_speed(session: Session, probe_id: str, speed: float) -> Probe:
    """Let a stand-in play faster or slower.

    :raises BadInput: at `speed`. :raises NotFound: there is no such probe.
    """
    check_number(("speed",), speed, 1, FASTEST, "times")
    row = session.get(ProbeRow, probe_id)
    if row is None:
        raise NotFound("probe", probe_id)
    row.speed = speed
    return _probe(session, row)


def add_readings(session: Session, probe_id: str, readings: Sequence[Mapping[str, Any]], now: datetime) -> int:
    """Store readings of a probe, all or none, and return how many were new; a new probe is made.

    What a gateway sends again after a lost answer is known by its moment and value, and is stored once.

    :param readings: each `c` [°C] or None, and perhaps `at`; without it, now counts.
    :raises BadInput: naming the reading and field.
    """
    if not 1 <= len(readings) <= MOST_READINGS:
        raise BadInput(("readings",), f"{len(readings)} readings", f"1 to {MOST_READINGS}", "out-of-range")
    ensure_probe(session, probe_id)
    taken: list[tuple[datetime, float | None]] = []
    for position, reading in enumerate(readings):
        path = ("readings", position)
        shown = reading.get("c")
        if shown is not None:
            check_number((*path, "c"), shown, COLDEST_C, HOTTEST_C, "°C")
        at = reading.get("at") or now
        if at.tzinfo is None:
            raise BadInput((*path, "at"), "a moment without its zone", "a moment with its zone", "not-allowed")
        if at > now + MOST_AHEAD:
            raise BadInput((*path, "at"), "lies in the future", f"up to {MOST_AHEAD} ahead", "out-of-range")
        taken.append((at, shown))
    moments = [at for at, _ in taken]
    there = set(readings_between(session, probe_id, min(moments), max(moments)))
    new = [{"probe_id": probe_id, "at": at, "shown_c": c} for at, c in taken if (at, c) not in there]
    if new:
        session.execute(ReadingRow.__table__.insert(), new)  # type: ignore[attr-defined]
    return len(new)


def read_csv(text: str) -> list[dict[str, Any]]:
    """Return readings of a CSV: a column `at` (ISO moment) and a column `c` or `f`.

    :raises BadInput: naming the row.
    """
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff")))
    columns = [name.strip().lower() for name in reader.fieldnames or []]
    reader.fieldnames = columns
    if "at" not in columns or not {"c", "f"} & set(columns):
        raise BadInput(("csv",), "there is no column 'at' with 'c' or 'f'", "a head row: at,c or at,f", "missing")
    found = []
    for position, row in enumerate(reader):
        path = ("rows", position)
        try:
            at = datetime.fromisoformat((row["at"] or "").strip())
        except ValueError:
            raise BadInput((*path, "at"), "not a moment", "such as 2026-08-21T19:30:05+00:00", "not-a-time") from None
        text_c = (row.get("c") or row.get("f") or "").strip().replace(",", ".")
        try:
            value = float(text_c) if text_c else None
        except ValueError:
            raise BadInput((*path, "c"), f"{text_c[:40]!r} is no number", "a number", "not-a-number") from None
        if value is not None and not (row.get("c") or "").strip():
            value = (value - 32) / 1.8
        found.append({"at": at, "c": value})
    return found


def ensure_probe(session: Session, probe_id: str) -> ProbeRow:
    """Return a probe, made when it is new.

    :raises BadInput: at `probe_id`.
    """
    row = session.get(ProbeRow, probe_id)
    if row is None:
        row = ProbeRow(id=check_name(probe_id, "probe_id"), name=probe_id, speed=1.0)
        session.add(row)
        session.flush()
    return row


def readings_between(
    session: Session, probe_id: str, since: datetime, until: datetime | None = None
) -> list[tuple[datetime, float | None]]:
    """Return what a probe showed, as it showed it, in order."""
    wanted = select(ReadingRow.at, ReadingRow.shown_c).where(ReadingRow.probe_id == probe_id, ReadingRow.at >= since)
    if until is not None:
        wanted = wanted.where(ReadingRow.at <= until)
    return [(at, shown) for at, shown in session.execute(wanted.order_by(ReadingRow.at, ReadingRow.id))]


@dataclass(frozen=True, slots=True, kw_only=True)
class AtTheStove:
    """What a stand-in plays: the running batch of a probe, its step, what is in the pan, and the kitchen.

    `heat` is how it is heated; `chocolate` is what is melted for shells or coats, where the step is about that.
    """

    batch_id: int | None
    speed: float
    recipe: dict[str, Any] | None = None
    step: Step | None = None
    heat: str = "pan"
    chocolate: str | None = None
    in_the_pan: tuple[int, ...] = ()
    kitchen_c: float = 20.0
    pressure_kpa: float = 101.325


def running_row(session: Session, probe_id: str) -> BatchRow | None:
    """Return the newest running batch that a probe is in."""
    return session.scalar(
        select(BatchRow)
        .where(BatchRow.probe_id == probe_id, BatchRow.ended_at.is_(None))
        .order_by(BatchRow.id.desc())
        .limit(1)
    )


def at_the_stove(session: Session, probe_id: str, steps_of: Any) -> AtTheStove:
    """Return what is at the stove now for a stand-in to play.

    :param steps_of: gives the steps of a batch row.
    """
    speed = ensure_probe(session, probe_id).speed
    row = running_row(session, probe_id)
    if row is None:
        return AtTheStove(batch_id=None, speed=speed)
    settings = get_settings(session)
    steps: tuple[Step, ...] = steps_of(session, row)
    step = steps[row.step]
    begun = steps[: row.step + 1]
    is_joined = any(s.key == "join" for s in begun)
    in_pan = tuple(
        position
        for s in begun
        if not s.key.startswith("temper") and (s.key != "chop" or is_joined)
        for position in s.positions
    )
    return AtTheStove(
        batch_id=row.id,
        speed=speed,
        recipe=json.loads(row.document),
        step=step,
        heat=json.loads(row.choices)["heat"],
        chocolate=shell_label(json.loads(row.fit)) if step.key.startswith("temper") else None,
        in_the_pan=in_pan,
        kitchen_c=settings.kitchen_c,
        pressure_kpa=settings.kitchen.pressure_kpa,
    )


def shell_label(fit: Mapping[str, Any]) -> str | None:
    """Return the chocolate of a batch's shells or coats by its label, None where there is none."""
    kind = fit.get("vessel", {}).get("kind")
    named = fit.get("ask", {}).get("shell") or (MOULD_SHELL if kind == "mould" else "none")
    return None if kind is None or named == "none" else str(named)


def _probe(session: Session, row: ProbeRow) -> Probe:
    last = session.execute(
        select(ReadingRow.at, ReadingRow.shown_c)
        .where(ReadingRow.probe_id == row.id)
        .order_by(ReadingRow.at.desc())
        .limit(1)
    ).first()
    return Probe(
        id=row.id, name=row.name, speed=row.speed, last_at=last[0] if last else None, last_c=last[1] if last else None
    )


def count_readings(session: Session, probe_id: str) -> int:
    """Return how many readings of a probe are stored."""
    return session.scalar(select(func.count()).where(ReadingRow.probe_id == probe_id)) or 0


def add_weights(session: Session, scale_id: str, weights: Sequence[Mapping[str, Any]], now: datetime) -> int:
    """Store settled weights of a scale, all or none.

    :raises BadInput: naming the weight and field.
    """
    if not 1 <= len(weights) <= MOST_READINGS:
        raise BadInput(("weights",), f"{len(weights)} weights", f"1 to {MOST_READINGS}", "out-of-range")
    name = check_name(scale_id, "scale_id")
    for position, weight in enumerate(weights):
        grams = check_number(("weights", position, "g"), weight.get("g"), -100, 100_000, "g")
        session.add(WeightRow(scale_id=name, at=weight.get("at") or now, shown_g=grams))
    session.flush()
    return len(weights)


@dataclass(frozen=True, slots=True, kw_only=True)
class Scale:
    """A scale with its last settled weight."""

    id: str
    g: float
    at: datetime


def list_scales(session: Session) -> list[Scale]:
    """Return every scale that ever spoke with its last settled weight, the one that spoke last first."""
    newest = select(func.max(WeightRow.id)).group_by(WeightRow.scale_id)
    rows = session.scalars(
        select(WeightRow).where(WeightRow.id.in_(newest)).order_by(WeightRow.at.desc(), WeightRow.id.desc())
    )
    return [Scale(id=row.scale_id, g=row.shown_g, at=row.at) for row in rows]
