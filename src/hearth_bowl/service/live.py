"""What is happening at the stove now: the temperature, the call with its time, the clocks; and the trace so far."""

import json
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.stove.calls import SILENT_S
from hearth_bowl.core.stove.cold import cold_call, out_of_cold_s
from hearth_bowl.core.stove.events import GateAnswered
from hearth_bowl.core.stove.forecast import Forecast
from hearth_bowl.core.stove.mishaps import Mishap, mishaps
from hearth_bowl.core.stove.run import spans_of
from hearth_bowl.core.stove.standing import Standing
from hearth_bowl.core.stove.state import State, back_to_end_g, state_of
from hearth_bowl.core.stove.trace import Trace, trace
from hearth_bowl.core.stove.watch import course_of, watch
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.batch_events import events_of
from hearth_bowl.service.batch_readings import count_readings_of, readings_of, thinned_readings_of
from hearth_bowl.service.batches import batch_row
from hearth_bowl.service.hearing import hear
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.service.timers import Timer, list_timers
from hearth_bowl.store.models import BatchEventRow, BatchRow

MOST_POINTS: Final = 900
EXACT: Final = 4 * MOST_POINTS
"""With more readings than this, the database thins them before they are read."""
LONGEST: Final = timedelta(hours=14)
"""A run that was never ended is drawn so far."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Live:
    """What is happening now; moments are the server's.

    `state` is what the temperature means. `shown_c` is the last reading, at `reading_at`, however old; `true_c` is
    None where it is no temperature of now.
    `seen`: the call was seen, on whichever device. `out_of_cold_s` is how long what must be kept cold has been out in
    all; None where nothing must.
    """

    now: datetime
    step: int
    true_c: float | None
    shown_c: float | None
    reading_at: datetime | None
    forecast: Forecast | None
    stands: Standing | None
    state: State
    add_back_g: float | None
    call: str
    urgent: bool
    timed: bool
    seen: bool
    silent_s: float | None
    out_of_cold_s: float | None
    timers: tuple[Timer, ...]


def live(session: Session, batch_id: int, now: datetime) -> Live:
    """Return what is happening now: the temperature, the call, the clocks.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    snapshot = snapshot_of(session, row)
    step = snapshot.steps[row.step]
    begun_at = _step_begun(session, row)
    heard = hear(session, row, begun_at, snapshot.thermometer_offset_c or 0.0, now)
    recipe = recipe_from(json.loads(row.document))
    course = course_of(step, recipe, snapshot.pressure_kpa, snapshot.kitchen_c)
    watched = watch(
        step,
        course,
        heard.readings if heard.is_trusted else (),
        age_s=heard.age_s,
        is_fresh=heard.is_fresh,
        silent_s=heard.silent_s,
        entered_c=heard.first_c,
        pace=heard.pace,
        by_hand=heard.by_hand,
    )
    true_c = heard.true_c if heard.is_fresh else None
    dose_g = None if true_c is None else back_to_end_g(step, true_c, recipe, snapshot.pressure_kpa)
    out_s = None if row.ended_at else out_of_cold_s(snapshot.steps, _steps_begun(session, row), _since(row, now))
    call = cold_call(out_s, step.out_of_cold) or watched.call
    return Live(
        now=now,
        step=row.step,
        true_c=true_c,
        shown_c=heard.shown_c,
        reading_at=heard.last_at,
        forecast=watched.forecast,
        stands=watched.stands,
        state=state_of(
            step,
            watched.stands,
            true_c,
            family=row.family,
            before=snapshot.steps[row.step - 1] if row.step else None,
            dose_g=dose_g,
            is_silent=heard.silent_s >= SILENT_S,
        ),
        add_back_g=dose_g,
        call=call.words,
        urgent=call.urgent,
        timed=call.timed,
        seen=call.is_quiet(_seen_s(session, row, begun_at, now), 0.0),
        silent_s=heard.silent_s if heard.silent_s >= SILENT_S else None,
        out_of_cold_s=out_s,
        timers=tuple(timer for timer in list_timers(session, now) if timer.batch_id in (None, batch_id)),
    )


def unanswered(session: Session, batch_id: int, now: datetime) -> list[Mishap]:
    """Return what went wrong in a run and was neither put right nor left as it is, the first step's first.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    snapshot, events = snapshot_of(session, row), events_of(session, batch_id)
    until_s = _since(row, row.ended_at or now)
    spans = spans_of([(_since(row, event.at), event.what) for event in events], until_s)
    answered = {
        what.key: _since(row, event.at)
        for event in events
        if isinstance(what := event.what, GateAnswered) and what.gate == "wrong"
    }
    asked = [
        (step, max(since_s, answered.get(snapshot.steps[step].key, since_s)), left_s)
        for step, since_s, left_s in spans
        if step < len(snapshot.steps) and (step < row.step or row.ended_at is None)
    ]
    left = [one for one in asked if one[0] != row.step or snapshot.steps[one[0]].heat != "boil"]
    stretches = [[(at, c) for at, c in stretch] for stretch in batch_trace(session, batch_id, now).stretches]
    recipe = recipe_from(json.loads(row.document))
    open_step = row.step if row.ended_at is None else None
    return mishaps(left, snapshot.steps, stretches, recipe, snapshot.pressure_kpa, open_step)


def _seen_s(session: Session, row: BatchRow, begun_at: datetime | None, now: datetime) -> dict[str, float]:
    """Return the calls that were seen in the open step, by their words: when [s], before now."""
    seen = (
        select(BatchEventRow.at, BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "call-seen")
        .where(BatchEventRow.at >= (begun_at or row.started_at))
        .order_by(BatchEventRow.at)
    )
    return {json.loads(data)["words"]: (at - now).total_seconds() for at, data in session.execute(seen)}


def _since(row: BatchRow, at: datetime) -> float:
    return (at - row.started_at).total_seconds()


def _steps_begun(session: Session, row: BatchRow) -> list[tuple[float, int]]:
    """Return when each step was gone to [s from the start], and which."""
    begun = (
        select(BatchEventRow.at, BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "step")
        .order_by(BatchEventRow.at, BatchEventRow.id)
    )
    return [(_since(row, at), int(json.loads(data)["step"])) for at, data in session.execute(begun)]


def _step_begun(session: Session, row: BatchRow) -> datetime | None:
    """Return when the open step was gone to; None of the one that the run began with: no step was before it."""
    begun = (
        select(BatchEventRow.at)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "step")
        .order_by(BatchEventRow.at.desc(), BatchEventRow.id.desc())
        .limit(1)
    )
    at = session.scalar(begun)
    return at if at is not None and at > row.started_at else None


def batch_trace(session: Session, batch_id: int, now: datetime, most: int = MOST_POINTS) -> Trace:
    """Return the trace of a batch, true °C over seconds from its start.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    offset_c = snapshot_of(session, row).thermometer_offset_c or 0.0
    until = row.ended_at or min(now, row.started_at + LONGEST)
    count = count_readings_of(session, row, until)
    readings = (
        list(readings_of(session, row, until))
        if count <= EXACT
        else thinned_readings_of(session, row, until, most // 2)
    )
    drawn = trace(
        [((at - row.started_at).total_seconds(), None if c is None else c - offset_c) for at, c in readings], most
    )
    return replace(drawn, readings=count)
