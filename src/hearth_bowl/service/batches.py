"""Batches: start a run, keep everything that happens in it, say what is happening now, and remember it."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Final

from sqlalchemy import select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.ask import shell_named
from hearth_bowl.core.fit.vessel import Cup, Mould
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.core.stove.choices import checked_choices
from hearth_bowl.core.stove.plan import choices_that_matter, run_steps
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.fit import get_fit
from hearth_bowl.service.probes import STAND_IN, ensure_probe, shell_label
from hearth_bowl.service.recipes import get_recipe, list_versions
from hearth_bowl.service.settings import Settings, get_settings
from hearth_bowl.service.vessels import get_vessel
from hearth_bowl.store.models import BatchEventRow, BatchRow

KINDS: Final = (
    "step",
    "gate",
    "mark",
    "weight",
    "pan",
    "spill",
    "cue",
    "note",
    "verdict",
    "burst",
    "set",
    "probe",
    "end",
)
VERDICTS: Final = (
    "silky", "smooth", "grainy", "crumbly", "too soft", "too firm", "oily", "dull", "glossy", "snaps", "sticky",
    "just right",
)  # fmt: skip
MOST_DATA: Final = 4000


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
    """A batch with its steps, choices, recipe, the chocolate of its shells or coats, and all that happened."""

    batch: Batch
    recipe: dict[str, Any]
    amounts_g: tuple[float, ...]
    choices: dict[str, str]
    steps: tuple[Step, ...]
    events: tuple[Event, ...]
    offset_c: float | None
    shell: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """The steps that a run would have, and the choices that would make other steps."""

    steps: tuple[Step, ...]
    matter: tuple[str, ...]


def plan_batch(session: Session, recipe_id: int, version: int | None, choices: Mapping[str, str]) -> Plan:
    """Return what a run would be. Nothing is stored.

    :raises BadInput: at a choice or `version`. :raises NotFound: there is no such recipe.
    """
    recipe = recipe_from(_record(session, recipe_id, version))
    kitchen = get_settings(session).kitchen
    shell, moulded = _shell(_fit_of(session, recipe_id))
    return Plan(
        steps=run_steps(recipe, choices, kitchen, shell=shell, moulded=moulded),
        matter=choices_that_matter(recipe, choices, kitchen, shell, moulded),
    )


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
    record = _record(session, recipe_id, version)
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


def _record(session: Session, recipe_id: int, version: int | None) -> dict[str, Any]:
    """Return a recipe as a kept version holds it, or as it stands."""
    stored = get_recipe(session, recipe_id)
    if version is None:
        return stored.recipe
    kept = next((row for row in list_versions(session, recipe_id) if row.number == version), None)
    if kept is None:
        raise BadInput(("version",), f"there is no version {version}", "a kept version", "unknown")
    return kept.recipe


def _fit_of(session: Session, recipe_id: int) -> dict[str, Any]:
    left = get_fit(session, recipe_id)
    if left.vessel_id is None:
        return {}
    stored = get_vessel(session, left.vessel_id)
    return {"vessel": stored.vessel, "vessel_name": stored.name, "ask": left.kept.get("ask", {})}


def steps_of(session: Session, row: BatchRow) -> tuple[Step, ...]:
    """Return the steps of a batch, in this kitchen."""
    recipe = recipe_from(json.loads(row.document))
    shell, moulded = _shell(json.loads(row.fit))
    kitchen = get_settings(session).kitchen
    return run_steps(recipe, json.loads(row.choices), kitchen, shell=shell, moulded=moulded)


def _shell(fit: Mapping[str, Any]) -> tuple[Ingredient | None, bool]:
    """Return the chocolate of a fit's shells or coats, and whether it is moulded."""
    if not fit.get("vessel"):
        return None, False
    moulded = isinstance(vessel_from(fit["vessel"]), Mould | Cup)
    return shell_named(shell_label(fit) or "none"), moulded


def list_batches(session: Session) -> list[Batch]:
    """Return every batch, the newest first."""
    rows = session.scalars(select(BatchRow).order_by(BatchRow.started_at.desc(), BatchRow.id.desc()))
    return [_batch(session, row) for row in rows]


def get_run(session: Session, batch_id: int) -> Run:
    """Return a batch with all that happened in it.

    :raises NotFound: there is none.
    """
    row = batch_row(session, batch_id)
    recipe = recipe_from(json.loads(row.document))
    return Run(
        batch=_batch(session, row),
        recipe=json.loads(row.document),
        amounts_g=recipe.amounts_g,
        choices=json.loads(row.choices),
        steps=steps_of(session, row),
        events=tuple(_events(session, batch_id)),
        offset_c=offset_of(get_settings(session)),
        shell=shell_label(json.loads(row.fit)),
    )


def add_events(session: Session, batch_id: int, events: Sequence[Event], now: datetime) -> int:
    """Keep what happened; an event that came before (by its key) is not stored twice. Return how many were new.

    Nothing of a batch happens before it began or after now: a clock that says so is wrong, and the moment is moved.
    A `step` event moves the run there, a `probe` event lets it hear another probe from then on, an `end` event ends it.

    :raises BadInput: naming the event and field. :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    count = len(steps_of(session, row))
    new = 0
    for position, event in enumerate(events):
        try:
            data = _checked(event, count)
        except BadInput as problem:
            raise problem.under("events", position) from None
        if event.kind == "probe":
            data = {"probe_id": ensure_probe(session, data["probe_id"]).id, "before": row.probe_id}
        at = min(max(event.at, row.started_at), now)
        if _add_event(session, row, event.client_key, at, event.kind, data):
            new += 1
            if event.kind == "step":
                row.step = data["step"]
            elif event.kind == "probe":
                row.probe_id = data["probe_id"]
            elif event.kind == "end":
                row.ended_at = at
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
    if event.kind == "probe":
        if not isinstance(event.data.get("probe_id"), str):
            raise BadInput(("data", "probe_id"), "is missing", "a probe's name", "missing")
        check_name(event.data["probe_id"], "data")
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
    session.delete(batch_row(session, batch_id))


def offset_of(settings: Settings) -> float | None:
    """Return by how much the person's thermometer shows too much; None where it was not tested."""
    reading = settings.thermometer_in_boiling_water_c
    return None if reading is None else thermometer(reading, settings.kitchen.pressure_kpa).offset_c


def batch_row(session: Session, batch_id: int) -> BatchRow:
    """Return a batch's row.

    :raises NotFound: there is none.
    """
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
