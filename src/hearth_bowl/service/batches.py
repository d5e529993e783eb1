"""Batches: start a run, keep everything that happens in it, say what is happening now, and remember it."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass, replace
from datetime import datetime, timedelta
from typing import Any, Final

from sqlalchemy import select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from hearth_bowl.core.boiling import boil_curve, cook_to
from hearth_bowl.core.cooking import cooked_part, plan_or_none
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mixture import mix
from hearth_bowl.core.recipe import Recipe, check_name
from hearth_bowl.core.stove.bursts import Burst, next_burst
from hearth_bowl.core.stove.choices import checked_choices
from hearth_bowl.core.stove.forecast import Forecast, forecast
from hearth_bowl.core.stove.judge import Judged, judge
from hearth_bowl.core.stove.plan import run_steps
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.trace import Trace, trace
from hearth_bowl.core.stove.weighed import Follow, PanWeight, follow, pan_weight, spilled
from hearth_bowl.core.sugar_stages import thermometer
from hearth_bowl.core.vessel import Cup, Mould
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.fit import get_fit, shell_named
from hearth_bowl.service.probes import STAND_IN, ensure_probe, readings_between
from hearth_bowl.service.recipes import get_recipe, list_versions
from hearth_bowl.service.settings import Settings, get_settings
from hearth_bowl.service.timers import Timer, list_timers
from hearth_bowl.service.vessels import get_vessel
from hearth_bowl.store.models import BatchEventRow, BatchRow, ProbeRow

KINDS: Final = ("step", "gate", "mark", "weight", "pan", "spill", "cue", "note", "verdict", "burst", "set", "end")
VERDICTS: Final = (
    "silky", "smooth", "grainy", "crumbly", "too soft", "too firm", "oily", "dull", "glossy", "snaps", "sticky",
    "just right",
)  # fmt: skip
MOST_DATA: Final = 4000
FRESH_S: Final = 15.0
"""A reading older than this is no temperature of now."""
FORECAST_S: Final = 150.0
MOST_POINTS: Final = 900
MOST_FOR_SIX_HOURS: Final = timedelta(hours=14)


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """A batch in the daybook."""

    id: int
    recipe_id: int | None
    name: str
    version: int | None
    started_at: datetime
    ended_at: datetime | None
    step: int
    steps: int
    verdict: tuple[str, ...]
    probe_id: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """Something that happened, at a moment."""

    client_key: str
    at: datetime
    kind: str
    data: dict[str, Any]


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """A batch with its steps, choices, recipe and all that happened."""

    batch: Batch
    recipe: dict[str, Any]
    amounts_g: tuple[float, ...]
    choices: dict[str, str]
    steps: tuple[Step, ...]
    events: tuple[Event, ...]
    offset_c: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Live:
    """What is happening now; moments are the server's."""

    now: datetime
    step: int
    true_c: float | None
    shown_c: float | None
    reading_at: datetime | None
    forecast: Forecast | None
    judged: Judged | None
    add_back_g: float | None
    call: str
    urgent: bool
    timers: tuple[Timer, ...]


def start_batch(
    session: Session,
    recipe_id: int,
    now: datetime,
    *,
    version: int | None = None,
    choices: Mapping[str, str] | None = None,
    probe_id: str = STAND_IN,
    from_step: int = 0,
) -> Run:
    """Start a run from a kept version (or the recipe as it stands) and its fit. It may begin in the middle.

    :raises BadInput: at a choice, `version` or `from_step`. :raises NotFound: there is no such recipe.
    """
    stored = get_recipe(session, recipe_id)
    record = stored.recipe
    if version is not None:
        kept = next((row for row in list_versions(session, recipe_id) if row.number == version), None)
        if kept is None:
            raise BadInput(("version",), f"there is no version {version}", "a kept version", "unknown")
        record = kept.recipe
    checked = checked_choices(choices or {})
    recipe_from(record)
    fit = _fit_of(session, recipe_id)
    ensure_probe(session, probe_id)
    row = BatchRow(
        recipe_id=recipe_id,
        name=record["name"],
        version=version,
        document=json.dumps(record, ensure_ascii=False, allow_nan=False),
        choices=json.dumps(checked),
        fit=json.dumps(fit, allow_nan=False),
        probe_id=probe_id,
        step=0,
        started_at=now,
        ended_at=None,
    )
    session.add(row)
    session.flush()
    steps = steps_of(session, row)
    if not 0 <= from_step < len(steps):
        raise BadInput(("from_step",), f"{from_step}", f"0 to {len(steps) - 1}", "out-of-range")
    row.step = from_step
    _add_event(session, row, "start", now, "step", {"step": from_step, "key": steps[from_step].key})
    return get_run(session, row.id)


def _fit_of(session: Session, recipe_id: int) -> dict[str, Any]:
    left = get_fit(session, recipe_id)
    if left.vessel_id is None:
        return {}
    stored = get_vessel(session, left.vessel_id)
    return {"vessel": stored.vessel, "vessel_name": stored.name, "ask": left.kept.get("ask", {})}


def steps_of(session: Session, row: BatchRow) -> tuple[Step, ...]:
    """Return the steps of a batch, in this kitchen."""
    recipe = recipe_from(json.loads(row.document))
    fit = json.loads(row.fit)
    shell, moulded = None, False
    if fit.get("vessel"):
        moulded = isinstance(vessel_from(fit["vessel"]), Mould | Cup)
        named = fit.get("ask", {}).get("shell") or ("dark60" if moulded else "none")
        shell = shell_named(named)
    kitchen = get_settings(session).kitchen
    return run_steps(recipe, json.loads(row.choices), kitchen, shell=shell, moulded=moulded)


def list_batches(session: Session) -> list[Batch]:
    """Return every batch, the newest first."""
    rows = session.scalars(select(BatchRow).order_by(BatchRow.started_at.desc(), BatchRow.id.desc()))
    return [_batch(session, row) for row in rows]


def get_run(session: Session, batch_id: int) -> Run:
    """Return a batch with all that happened in it.

    :raises NotFound: there is none.
    """
    row = _row(session, batch_id)
    recipe = recipe_from(json.loads(row.document))
    return Run(
        batch=_batch(session, row),
        recipe=json.loads(row.document),
        amounts_g=recipe.amounts_g,
        choices=json.loads(row.choices),
        steps=steps_of(session, row),
        events=tuple(_events(session, batch_id)),
        offset_c=_offset_c(get_settings(session)),
    )


def add_events(session: Session, batch_id: int, events: Sequence[Event], now: datetime) -> int:
    """Keep what happened; an event that came before (by its key) is not stored twice. Return how many were new.

    A `step` event moves the run there, an `end` event ends it.

    :raises BadInput: naming the event and field. :raises NotFound: there is no such batch.
    """
    row = _row(session, batch_id)
    count = len(steps_of(session, row))
    new = 0
    for position, event in enumerate(events):
        try:
            data = _checked(event, count)
        except BadInput as problem:
            raise problem.under("events", position) from None
        if _add_event(session, row, event.client_key, min(event.at, now), event.kind, data):
            new += 1
            if event.kind == "step":
                row.step = data["step"]
            elif event.kind == "end":
                row.ended_at = min(event.at, now)
    session.flush()
    return new


def _checked(event: Event, steps: int) -> dict[str, Any]:
    if event.kind not in KINDS:
        raise BadInput(("kind",), f"unknown kind {event.kind[:40]!r}", ", ".join(KINDS), "unknown")
    check_name(event.client_key, "client_key")
    if event.at.tzinfo is None:
        raise BadInput(("at",), "a moment without its zone", "a moment with its zone", "not-allowed")
    if len(json.dumps(event.data)) > MOST_DATA:
        raise BadInput(("data",), "too much", f"up to {MOST_DATA} characters", "out-of-range")
    if event.kind == "step":
        step = event.data.get("step")
        if isinstance(step, bool) or not isinstance(step, int) or not 0 <= step < steps:
            raise BadInput(("data", "step"), f"{step!r}", f"0 to {steps - 1}", "out-of-range")
    for name in ("g", "c"):
        if event.data.get(name) is not None:
            check_number(("data", name), event.data[name], -100, 1e6)
    if event.kind == "verdict":
        for word in event.data.get("words", []):
            if word not in VERDICTS:
                raise BadInput(("data", "words"), f"unknown word {word!r}", ", ".join(VERDICTS), "unknown")
    return event.data


def _add_event(session: Session, row: BatchRow, key: str, at: datetime, kind: str, data: Mapping[str, Any]) -> bool:
    there = session.scalar(
        select(BatchEventRow.id).where(BatchEventRow.batch_id == row.id, BatchEventRow.client_key == key)
    )
    if there is not None:
        return False
    try:
        with session.begin_nested():
            session.add(
                BatchEventRow(
                    batch_id=row.id,
                    client_key=key,
                    at=at,
                    kind=kind,
                    data=json.dumps(data, ensure_ascii=False, allow_nan=False),
                )
            )
    except IntegrityError:
        return False
    return True


def delete_batch(session: Session, batch_id: int) -> None:
    """Take a batch out of the daybook, with all that happened in it; readings stay with their probe.

    :raises NotFound: there is none.
    """
    session.delete(_row(session, batch_id))


def live(session: Session, batch_id: int, now: datetime) -> Live:
    """Return what is happening now: the temperature, the call, the clocks.

    :raises NotFound: there is no such batch.
    """
    row = _row(session, batch_id)
    steps = steps_of(session, row)
    step = steps[row.step]
    settings = get_settings(session)
    offset_c = _offset_c(settings) or 0.0
    pace = pace_of(session, row.probe_id)
    since = now - timedelta(seconds=max(FRESH_S, FORECAST_S / pace))
    shown = [(at, c) for at, c in readings_between(session, row.probe_id, since, now) if c is not None]
    last = shown[-1] if shown and (now - shown[-1][0]).total_seconds() <= FRESH_S else None
    true = [(pace * (at - now).total_seconds(), c - offset_c) for at, c in shown]
    found = _forecast(step, true, recipe_from(json.loads(row.document)), settings) if last else None
    found = None if found is None else _at_pace(found, pace)
    true_c = None if last is None or last[1] is None else last[1] - offset_c
    judged = None if true_c is None else judge(step, true_c)
    call, urgent = _call(step, found, judged)
    return Live(
        now=now,
        step=row.step,
        true_c=true_c,
        shown_c=last[1] if last else None,
        reading_at=last[0] if last else None,
        forecast=found,
        judged=judged,
        add_back_g=_add_back_g(step, true_c, json.loads(row.document), settings),
        call=call,
        urgent=urgent,
        timers=tuple(timer for timer in list_timers(session, now) if timer.batch_id in (None, batch_id)),
    )


def _add_back_g(step: Step, true_c: float | None, record: Mapping[str, Any], settings: Settings) -> float | None:
    """Return the water that brings a boil back which went past its end; None where it did not."""
    if step.heat != "boil" or step.target_c is None or true_c is None or true_c <= step.target_c[1]:
        return None
    pan, kpa = cooked_part(recipe_from(record)), settings.kitchen.pressure_kpa
    try:
        end = cook_to(pan, (step.target_c[0] + step.target_c[1]) / 2, kpa)
        return end.water_left_g - cook_to(pan, true_c, kpa).water_left_g
    except BadInput:
        return None


def pace_of(session: Session, probe_id: str) -> float:
    """Return how fast the pan's time goes: a stand-in may play it faster, anything else goes by the clock."""
    probe = session.get(ProbeRow, probe_id) if probe_id == STAND_IN else None
    return probe.speed if probe else 1.0


def _at_pace(found: Forecast, pace: float) -> Forecast:
    """Return a forecast of the pan's time in time by the clock."""

    def clock_s(value: float | None) -> float | None:
        return None if value is None else value / pace

    return replace(
        found,
        rate_c_per_min=found.rate_c_per_min * pace,
        curve=tuple((s / pace, c) for s, c in found.curve),
        in_s=clock_s(found.in_s),
        low_s=clock_s(found.low_s),
        high_s=clock_s(found.high_s),
    )


def _forecast(step: Step, true: list[tuple[float, float]], recipe: Recipe, settings: Settings) -> Forecast | None:
    if step.target_c is None or step.heat in ("none", "work"):
        return None
    low, high = step.target_c
    if step.heat == "cool":
        return forecast(true, high, cooling=True, ambient_c=_air_c(step, settings))
    target = (low + high) / 2 if step.heat == "boil" else low
    curve = boil_curve(cooked_part(recipe), settings.kitchen.pressure_kpa) if step.heat == "boil" else ()
    return forecast(true, target, boil_curve=curve)


def _air_c(step: Step, settings: Settings) -> float:
    return 5.0 if step.key in ("set", "rest-cold") else settings.kitchen_c


def _call(step: Step, found: Forecast | None, judged: Judged | None) -> tuple[str, bool]:
    """Return the next call in words, without its time, and whether it is now."""
    if judged is not None and judged.stand == "ceiling":
        return judged.says, True
    if step.call:
        return step.call, False
    if step.heat in ("warm", "boil", "melt"):
        if found is not None and found.due:
            return "Off the heat", True
        return ("Off the heat" if found is not None and found.in_s is not None else step.title), False
    if step.heat == "cool":
        if found is not None and found.due:
            return f"{step.title}: now", True
        return step.title, False
    return step.title, False


def batch_trace(session: Session, batch_id: int, now: datetime, most: int = MOST_POINTS) -> Trace:
    """Return the trace of a batch, true °C over seconds from its start.

    :raises NotFound: there is no such batch.
    """
    row = _row(session, batch_id)
    offset_c = _offset_c(get_settings(session)) or 0.0
    until = row.ended_at or min(now, row.started_at + MOST_FOR_SIX_HOURS)
    readings = readings_between(session, row.probe_id, row.started_at, until)
    return trace(
        [((at - row.started_at).total_seconds(), None if c is None else c - offset_c) for at, c in readings], most
    )


def follow_weighed(session: Session, batch_id: int, weighed_g: Mapping[int, float]) -> Follow | None:
    """Return what is still to go in after some lines were weighed.

    :raises BadInput: at `weighed`. :raises NotFound: there is no such batch.
    """
    return follow(_recipe(session, batch_id), weighed_g)


def follow_spill(session: Session, batch_id: int, gone_in: tuple[int, ...], left_g: float) -> Follow:
    """Return what follows when some was spilled.

    :raises BadInput: at `left_g`. :raises NotFound: there is no such batch.
    """
    return spilled(_recipe(session, batch_id), gone_in, left_g)


def weigh_pan(session: Session, batch_id: int, start_g: float, now_g: float, boiled_s: float | None) -> PanWeight:
    """Return how a simmer stands by the scale.

    :raises BadInput: at `start_g` or `now_g`; at `batch` when nothing is boiled down. :raises NotFound: no such batch.
    """
    recipe = _recipe(session, batch_id)
    plan = plan_or_none(recipe, get_settings(session).kitchen)
    if plan is None:
        raise BadInput(("start_g",), "nothing is boiled down in it", "a boiled or simmered family", "not-for-this")
    return pan_weight(start_g, now_g, plan.cooked.evaporated_g, boiled_s)


def burst(
    session: Session, batch_id: int, now_c: float, unmelted_share: float, rated_w: float, bursts_before: int
) -> Burst:
    """Return the next microwave burst; a first one that did well with this recipe before is its record.

    :raises BadInput: naming the field. :raises NotFound: there is no such batch.
    """
    row = _row(session, batch_id)
    record = None
    wanted = (
        select(BatchEventRow.data)
        .join(BatchRow, BatchRow.id == BatchEventRow.batch_id)
        .where(BatchEventRow.kind == "burst", BatchRow.recipe_id == row.recipe_id, BatchRow.id != batch_id)
        .order_by(BatchEventRow.id.desc())
    )
    for text in session.scalars(wanted):
        data = json.loads(text)
        if data.get("first") and data.get("rated_w") == rated_w:
            record = data.get("seconds")
            break
    return next_burst(mix(_recipe(session, batch_id)), now_c, unmelted_share, rated_w, bursts_before, record)


def export_json(session: Session, batch_id: int, now: datetime) -> dict[str, Any]:
    """Return everything of a batch as plain values.

    :raises NotFound: there is no such batch.
    """
    run = get_run(session, batch_id)
    row = _row(session, batch_id)
    readings = readings_between(session, row.probe_id, row.started_at, row.ended_at or now)
    return {
        "format": "hearth-bowl/batch",
        "version": 1,
        "name": run.batch.name,
        "recipe_version": run.batch.version,
        "started_at": row.started_at.isoformat(),
        "ended_at": None if row.ended_at is None else row.ended_at.isoformat(),
        "thermometer_offset_c": run.offset_c,
        "recipe": run.recipe,
        "fit": json.loads(row.fit),
        "choices": run.choices,
        "steps": [asdict(step) for step in run.steps],
        "events": [{"at": event.at.isoformat(), "kind": event.kind, **event.data} for event in run.events],
        "readings": [{"at": at.isoformat(), "shown_c": c} for at, c in readings],
    }


def _recipe(session: Session, batch_id: int) -> Recipe:
    return recipe_from(json.loads(_row(session, batch_id).document))


def _offset_c(settings: Settings) -> float | None:
    reading = settings.thermometer_in_boiling_water_c
    return None if reading is None else thermometer(reading, settings.kitchen.pressure_kpa).offset_c


def _row(session: Session, batch_id: int) -> BatchRow:
    row = session.get(BatchRow, batch_id)
    if row is None:
        raise NotFound("batch", batch_id)
    return row


def _events(session: Session, batch_id: int) -> list[Event]:
    rows = session.scalars(
        select(BatchEventRow).where(BatchEventRow.batch_id == batch_id).order_by(BatchEventRow.at, BatchEventRow.id)
    )
    return [Event(client_key=row.client_key, at=row.at, kind=row.kind, data=json.loads(row.data)) for row in rows]


def _batch(session: Session, row: BatchRow) -> Batch:
    verdict = session.scalar(
        select(BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "verdict")
        .order_by(BatchEventRow.id.desc())
        .limit(1)
    )
    return Batch(
        id=row.id,
        recipe_id=row.recipe_id,
        name=row.name,
        version=row.version,
        started_at=row.started_at,
        ended_at=row.ended_at,
        step=row.step,
        steps=len(steps_of(session, row)),
        verdict=tuple(json.loads(verdict).get("words", [])) if verdict else (),
        probe_id=row.probe_id,
    )
