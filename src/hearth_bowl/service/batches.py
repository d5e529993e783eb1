"""Batches: start a run from a recipe and its fit, and list what was run."""

import json
from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Any, Final

from sqlalchemy import ColumnElement, func, or_, select, tuple_
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import ask_for, ask_kind
from hearth_bowl.core.fit.made import scaled
from hearth_bowl.core.fit.vessel import Box
from hearth_bowl.core.method.choices import checked_choices
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import in_spoons, shown_g
from hearth_bowl.core.stove.events import TROUBLES, StepBegun
from hearth_bowl.core.stove.run import RunState, run_state
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.steps import choices_that_matter
from hearth_bowl.formats.ask_file import ask_record
from hearth_bowl.formats.happenings import with_put_in
from hearth_bowl.formats.recipe_file import RecipeFile, recipe_from, recipe_record, whole_record
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.batch_events import Event, add_event, events_of, words_of
from hearth_bowl.service.confections import batch_of, confection_name, worked_with
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.fit import get_fit
from hearth_bowl.service.learned import corrected_run
from hearth_bowl.service.moments import wall_of
from hearth_bowl.service.occasions import TakenBy, asked_for, taken_by
from hearth_bowl.service.probes import STAND_IN, ensure_probe
from hearth_bowl.service.recipes import get_recipe, list_versions
from hearth_bowl.service.run_line import RunAct, has_the_piece, in_whole_run, open_run, planned_line, run_line
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.snapshot import snapshot_of, snapshot_text, take_snapshot, worked_by
from hearth_bowl.service.vessels import get_vessel
from hearth_bowl.store.models import BatchRow

MOST_IN_A_PAGE: Final = 200
A_PAGE: Final = 50
MOST_WORDS: Final = 8


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """A batch in the daybook; `steps` is how many it has, `sketch` its trace in few points (min, °C), `teaches` whether
    this kitchen learns from it."""

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
    family: str
    sketch: tuple[tuple[float, float], ...]
    teaches: bool
    confection_id: int | None
    """What it was made for, so that it can go on the shelf."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchPage:
    """Batches, the newest first; `before` begins the next page, None after the last."""

    batches: tuple[Batch, ...]
    before: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """A batch with its steps, choices, recipe, the chocolate of its shells or coats, all that happened, and where it
    stands by that. `offset_c` is the thermometer's as it was tested when the run began; `spoons` are about how many
    of the person's spoons or cups each amount is. `line` is all that is done, over all mixes of what is made."""

    batch: Batch
    recipe: RecipeFile
    amounts_g: tuple[float, ...]
    choices: dict[str, str]
    steps: tuple[Step, ...]
    events: tuple[Event, ...]
    state: RunState
    offset_c: float | None
    shell: str | None
    spoons: tuple[str | None, ...]
    line: tuple[RunAct, ...]
    occasion_id: int | None
    """The occasion whose number of pieces it is made in."""
    made_name: str
    """The confection that it is made for; empty where none is named, or it was deleted."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """The steps that a run would have, and the choices that would make other steps.

    `line` is all that is done where what is made has several mixes, the first act first; empty otherwise.
    """

    steps: tuple[Step, ...]
    matter: tuple[str, ...]
    line: tuple[RunAct, ...]
    occasions: tuple[TakenBy, ...]
    """The occasions ahead that the confection is in: it may be made in the number of pieces that one takes."""


def plan_batch(
    session: Session,
    recipe_id: int,
    version: int | None,
    choices: Mapping[str, str],
    now: datetime,
    confection_id: int | None = None,
    occasion_id: int | None = None,
) -> Plan:
    """Return what a run would be, by this kitchen's own times. Nothing is stored.

    :raises BadInput: at a choice, `version` or `confection_id`. :raises NotFound: there is no such recipe.
    """
    made = made_from(session, recipe_id, version, confection_id, occasion_id)
    recipe, settings = made.recipe, get_settings(session)
    worked = made.worked or worked_by(recipe, made.fit, settings.kitchen)
    with_piece = has_the_piece(worked, recipe)
    steps = take_snapshot(recipe, choices, made.fit, settings, worked, with_piece=with_piece).steps
    return Plan(
        steps=corrected_run(session, recipe, steps, choices, now),
        matter=choices_that_matter(recipe, choices, settings.kitchen, worked),
        line=() if confection_id is None else planned_line(session, confection_id, made.worked, choices),
        occasions=() if confection_id is None else taken_by(session, confection_id, wall_of(now)),
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
    confection_id: int | None = None,
    occasion_id: int | None = None,
) -> Run:
    """Start a run from a kept version (or the recipe as it stands) and its fit, or for a confection. It may
    begin in the middle.

    :param confection_id: it is made in the amounts that the confection takes, for its form and shell.
    :param occasion_id: and in the number of pieces that the occasion takes.
    :raises BadInput: at a choice, `version`, `probe_id`, `from_step` or `confection_id`.
    :raises NotFound: there is no such recipe or confection.
    """
    made = made_from(session, recipe_id, version, confection_id, occasion_id)
    checked = checked_choices(choices or {})
    recipe, record = made.recipe, made.record
    with_piece = has_the_piece(made.worked, recipe)
    snapshot = take_snapshot(recipe, checked, made.fit, get_settings(session), made.worked, with_piece=with_piece)
    corrected = corrected_run(session, recipe, snapshot.steps, checked, now)
    snapshot = replace(snapshot, steps=corrected, confection_id=confection_id, occasion_id=occasion_id)
    if confection_id is not None and made.worked is not None:
        snapshot = in_whole_run(session, snapshot, confection_id, made.worked, checked)
        key = open_run(session, confection_id, recipe_id, set(snapshot.mixes), now) if snapshot.mixes else ""
        snapshot = replace(snapshot, run_key=key) if key else snapshot
    if not 0 <= from_step < len(snapshot.steps):
        raise BadInput(("from_step",), f"{from_step}", f"0 to {len(snapshot.steps) - 1}", "out-of-range")
    row = BatchRow(
        recipe_id=recipe_id,
        name=record["name"],
        version=version,
        document=json.dumps(record, ensure_ascii=False, allow_nan=False),
        choices=json.dumps(checked),
        fit=json.dumps(made.fit, ensure_ascii=False, allow_nan=False),
        probe_id=ensure_probe(session, probe_id).id,
        step=from_step,
        started_at=now,
        ended_at=None,
        snapshot=snapshot_text(snapshot),
        verdict="[]",
        thinned_at=None,
        family=record["family"],
    )
    row.found_by = words_of(row)
    session.add(row)
    session.flush()
    add_event(session, row, "start", now, StepBegun(step=from_step, key=snapshot.steps[from_step].key))
    return get_run(session, row.id)


@dataclass(frozen=True, slots=True, kw_only=True)
class ToMake:
    """What is made: the recipe in the amounts of this batch, as a file too, the vessel that it goes into, and the
    confection that it is made for, worked out (None: none is named)."""

    record: RecipeFile
    recipe: Recipe
    fit: dict[str, Any]
    worked: Worked | None = None


def made_from(
    session: Session,
    recipe_id: int,
    version: int | None,
    confection_id: int | None = None,
    occasion_id: int | None = None,
) -> ToMake:
    """Return the recipe that is made, in what amounts, and what it is made for.

    :raises BadInput: at `version` or `confection_id`. :raises NotFound: there is no such recipe or confection.
    """
    record = _record(session, recipe_id, version)
    recipe = recipe_from(record)
    if confection_id is None:
        return ToMake(record=record, recipe=recipe, fit=_fit_of(session, recipe_id))
    asked = asked_for(session, confection_id, occasion_id)
    make_g, fit = batch_of(session, asked, recipe_id)
    _, amounts_g = scaled(recipe, make_g)
    recipe = recipe.with_amounts_g([shown_g(grams) for grams in amounts_g])
    worked = worked_with(session, asked, recipe_id, recipe)
    return ToMake(record=recipe_record(recipe), recipe=recipe, fit=fit, worked=worked)


def _record(session: Session, recipe_id: int, version: int | None) -> RecipeFile:
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
    vessel = vessel_from(stored.vessel)
    if isinstance(vessel, Box):
        return {}
    ask = ask_for(ask_kind(vessel), {}) if left.ask is None else left.ask
    return {"vessel": stored.vessel, "vessel_name": stored.name, "ask": ask_record(ask)}


@dataclass(frozen=True, slots=True, kw_only=True)
class Looked:
    """What is looked for in the daybook: words that all occur, a family, a month (2026-08), a word of the verdict,
    batches with any trouble."""

    words: str = ""
    family: str = ""
    month: str = ""
    verdict: str = ""
    trouble: bool = False


EVERYTHING: Final = Looked()


def list_batches(
    session: Session,
    *,
    before: int | None = None,
    most: int = A_PAGE,
    recipe_id: int | None = None,
    running: bool = False,
    looked: Looked = EVERYTHING,
) -> BatchPage:
    """Return a page of the daybook, the newest first: perhaps of one recipe, of runs that go on, or what is looked for.

    :raises BadInput: at `month`.
    """
    newest = (BatchRow.started_at.desc(), BatchRow.id.desc())
    wanted = select(BatchRow.id).order_by(*newest).limit(most + 1).where(*_looked_for(looked))
    if before is not None:
        last = select(BatchRow.started_at, BatchRow.id).where(BatchRow.id == before)
        wanted = wanted.where(tuple_(BatchRow.started_at, BatchRow.id) < last.scalar_subquery())
    if recipe_id is not None:
        wanted = wanted.where(BatchRow.recipe_id == recipe_id)
    if running:
        wanted = wanted.where(BatchRow.ended_at.is_(None))
    # what is looked for stands in one index: no batch's documents are read but those of the page
    rows = session.execute(select(*_COLUMNS).where(BatchRow.id.in_(wanted)).order_by(*newest)).all()
    page = tuple(_batch(row) for row in rows[:most])
    return BatchPage(batches=page, before=page[-1].id if len(rows) > most else None)


def _looked_for(looked: Looked) -> list[ColumnElement[bool]]:
    found: list[ColumnElement[bool]] = []
    for word in looked.words.casefold().split()[:MOST_WORDS]:
        found.append(BatchRow.found_by.contains(word, autoescape=True))
    if looked.family:
        found.append(BatchRow.family == looked.family)
    if looked.month:
        since = month_begins(looked.month)
        found += [BatchRow.started_at >= since, BatchRow.started_at < (since + timedelta(days=32)).replace(day=1)]
    if looked.verdict:
        found.append(BatchRow.verdict.contains(json.dumps(looked.verdict), autoescape=True))
    if looked.trouble:
        found.append(or_(*(BatchRow.verdict.contains(json.dumps(word), autoescape=True) for word in sorted(TROUBLES))))
    return found


def month_begins(month: str) -> datetime:
    """Return when a month begins, by the kitchen's own clock.

    :raises BadInput: at `month`.
    """
    try:
        year, number = (int(part) for part in month.split("-"))
        return datetime(year, number, 1).astimezone()
    except (ValueError, OverflowError):
        raise BadInput(("month",), f"{month[:20]!r} is no month", "such as 2026-08", "not-a-time") from None


def get_run(session: Session, batch_id: int) -> Run:
    """Return a batch with all that happened in it.

    :raises NotFound: there is none.
    """
    row = batch_row(session, batch_id)
    snapshot = snapshot_of(session, row)
    events = events_of(session, row.id)
    record = with_put_in(whole_record(json.loads(row.document)), [event.what for event in events])
    recipe = recipe_from(record)
    amounts_g = recipe.amounts_g
    session.flush()
    state = run_state(
        [((event.at - row.started_at).total_seconds(), event.what) for event in events],
        amounts_g=amounts_g,
        keys=[step.key for step in snapshot.steps],
        probe_id=row.probe_id,
    )
    measure = get_settings(session).measure
    return Run(
        batch=_batch(session.execute(select(*_COLUMNS).where(BatchRow.id == batch_id)).one(), len(snapshot.steps)),
        recipe=record,
        amounts_g=amounts_g,
        choices=json.loads(row.choices),
        steps=snapshot.steps,
        events=tuple(events),
        state=state,
        offset_c=snapshot.thermometer_offset_c,
        shell=snapshot.shell,
        spoons=tuple(
            in_spoons(line.ingredient, grams, measure)
            for line, grams in zip(recipe.lines, state.amounts_g, strict=True)
        ),
        line=run_line(session, row, snapshot),
        occasion_id=snapshot.occasion_id,
        made_name=confection_name(session, snapshot.confection_id),
    )


def delete_batch(session: Session, batch_id: int) -> None:
    """Take a batch out of the daybook, with all that happened in it; its readings go like those of no batch.

    :raises NotFound: there is none.
    """
    session.delete(batch_row(session, batch_id))


def batch_row(session: Session, batch_id: int) -> BatchRow:
    """Return a batch's row.

    :raises NotFound: there is none.
    """
    row = session.get(BatchRow, batch_id)
    if row is None:
        raise NotFound("batch", batch_id)
    return row


_COLUMNS: Final = (
    BatchRow.id,
    BatchRow.recipe_id,
    BatchRow.name,
    BatchRow.version,
    BatchRow.started_at,
    BatchRow.ended_at,
    BatchRow.step,
    BatchRow.verdict,
    BatchRow.probe_id,
    BatchRow.family,
    BatchRow.sketch,
    BatchRow.teaches,
    func.coalesce(func.json_array_length(BatchRow.snapshot, "$.steps"), 0).label("steps"),
    func.json_extract(BatchRow.snapshot, "$.confection_id").label("confection_id"),
)


def _batch(row: Any, steps: int | None = None) -> Batch:
    return Batch(
        id=row.id,
        recipe_id=row.recipe_id,
        name=row.name,
        version=row.version,
        started_at=row.started_at,
        ended_at=row.ended_at,
        step=row.step,
        steps=row.steps if steps is None else steps,
        verdict=tuple(json.loads(row.verdict)),
        probe_id=row.probe_id,
        family=row.family,
        sketch=tuple((float(at), float(c)) for at, c in json.loads(row.sketch)),
        teaches=row.teaches,
        confection_id=row.confection_id,
    )
