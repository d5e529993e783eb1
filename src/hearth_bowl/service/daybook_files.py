"""The daybook as files: a table of all batches out and in, and one batch with everything in it taken in again."""

import csv
import io
import json
from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Any, Final

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.method.choices import checked_choices
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.core.stove.events import VERDICTS, Judgement, check_happening
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.batch_file import FORMAT
from hearth_bowl.formats.csv_cells import safe_cell
from hearth_bowl.formats.happenings import happening_data, happening_from
from hearth_bowl.formats.recipe_file import recipe_from, recipe_record
from hearth_bowl.formats.strict_json import check_format, read_json
from hearth_bowl.service.batch_events import add_event, sketch_of, words_of
from hearth_bowl.service.learned import teach
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.service.probes import OF_FILES, ensure_probe
from hearth_bowl.service.recipe_index import index_verdicts
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.snapshot import Snapshot, snapshot_text, take_snapshot
from hearth_bowl.store.models import BatchEventRow, BatchRow, ReadingRow, RecipeRow

COLUMNS: Final = ("started_at", "ended_at", "recipe", "family", "verdict", "notes")
LARGEST_BYTES: Final = 20_000_000
MOST_ROWS: Final = 20_000
_STEPS: Final = TypeAdapter(tuple[Step, ...])


def daybook_csv(session: Session) -> str:
    """Return the daybook as CSV, a batch a row, the newest first."""
    notes = (
        select(BatchEventRow.data)
        .where(BatchEventRow.batch_id == BatchRow.id, BatchEventRow.kind == "verdict")
        .order_by(BatchEventRow.at.desc(), BatchEventRow.id.desc())
        .limit(1)
        .scalar_subquery()
    )
    rows = session.execute(
        select(
            BatchRow.started_at, BatchRow.ended_at, BatchRow.name, BatchRow.family, BatchRow.verdict, notes
        ).order_by(BatchRow.started_at.desc(), BatchRow.id.desc())
    )
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for started_at, ended_at, name, family, verdict, said in rows:
        text = "" if said is None else json.loads(said).get("text", "")
        ended = "" if ended_at is None else ended_at.isoformat()
        words = ", ".join(json.loads(verdict))
        writer.writerow([started_at.isoformat(), ended, safe_cell(name), family, words, safe_cell(text)])
    return out.getvalue()


def take_in_json(session: Session, data: bytes, now: datetime) -> tuple[int, int]:
    """Take in a batch from its JSON file: its recipe, steps, events and readings. Return how many were taken, and how
    many were there already.

    :raises BadInput: naming the field as the file has it.
    """
    record = read_json(data, "json_file", LARGEST_BYTES)
    check_format(record, FORMAT)
    started_at = _moment(record, "started_at", now)
    name = check_name(str(record.get("name", "")))
    if _is_there(session, name, started_at):
        return 0, 1
    if not isinstance(record.get("recipe"), dict):
        raise BadInput(("recipe",), "is missing", "a recipe file's content", "missing")
    try:
        recipe = recipe_from(record["recipe"])
    except BadInput as problem:
        raise problem.under("recipe") from None
    choices = checked_choices(record.get("choices") or {})
    fit = record.get("fit") if isinstance(record.get("fit"), dict) else {}
    snapshot = _snapshot(session, record, take_snapshot(recipe, choices, fit or {}, get_settings(session)))
    ended_at = None if record.get("ended_at") is None else _moment(record, "ended_at", now)
    row = _add(session, name, recipe_record(recipe), started_at, ended_at or started_at)
    row.choices, row.fit, row.snapshot = json.dumps(choices), json.dumps(fit or {}), snapshot_text(snapshot)
    row.probe_id = ensure_probe(session, f"{OF_FILES}-{row.id}").id
    _take_events(session, row, record, len(snapshot.steps), len(recipe.lines))
    _take_readings(session, row, record)
    row.sketch = sketch_of(session, row, row.ended_at or started_at)
    teach(session, row)
    return 1, 0


def _snapshot(session: Session, record: Mapping[str, Any], usual: Snapshot) -> Snapshot:
    try:
        steps = _STEPS.validate_python(record.get("steps") or [])
    except ValidationError:
        raise BadInput(("steps",), "are not the steps of a batch", "as a batch's file has them", "wrong-type") from None
    offset = record.get("thermometer_offset_c")
    if offset is not None and (isinstance(offset, bool) or not isinstance(offset, int | float)):
        raise BadInput(("thermometer_offset_c",), "not a number", "a number or null", "not-a-number")
    return Snapshot(
        steps=steps or usual.steps,
        altitude_m=usual.altitude_m,
        pressure_kpa=usual.pressure_kpa,
        kitchen_c=usual.kitchen_c,
        thermometer_offset_c=offset,
        shell=usual.shell,
    )


def _take_events(session: Session, row: BatchRow, record: Mapping[str, Any], steps: int, lines: int) -> None:
    events = record.get("events", [])
    if not isinstance(events, list):
        raise BadInput(("events",), "not a list", "a list of events", "wrong-type")
    for position, event in enumerate(events):
        if not isinstance(event, dict) or not isinstance(event.get("what"), dict):
            raise BadInput(("events", position), "not an event", "an object with at, kind and what", "wrong-type")
        try:
            what = happening_from(str(event.get("kind", "")), json.dumps(event["what"]))
            check_happening(what, steps, lines)
            at = _moment(event, "at", row.ended_at or datetime.now(UTC))
        except BadInput as problem:
            raise problem.under("events", position) from None
        if isinstance(what, Judgement):
            row.verdict = json.dumps(what.words)
            row.found_by = words_of(row, what.text)
        if what.kind != "probe":
            add_event(session, row, f"taken-{position}", at, what)


def _take_readings(session: Session, row: BatchRow, record: Mapping[str, Any]) -> None:
    readings = record.get("readings", [])
    if not isinstance(readings, list):
        raise BadInput(("readings",), "not a list", "a list of readings", "wrong-type")
    for position, reading in enumerate(readings):
        shown = reading.get("shown_c") if isinstance(reading, dict) else "none"
        if shown is not None and (isinstance(shown, bool) or not isinstance(shown, int | float)):
            raise BadInput(("readings", position, "shown_c"), "not a number", "a number or null", "not-a-number")
        try:
            at = _moment(reading, "at", row.ended_at or datetime.now(UTC))
        except BadInput as problem:
            raise problem.under("readings", position) from None
        session.add(ReadingRow(probe_id=row.probe_id, at=at, shown_c=shown))
    session.flush()


def take_in_csv(session: Session, text: str, now: datetime) -> tuple[int, int]:
    """Take in batches from a table: when, which recipe of the book, its verdict and notes. All or none.

    :raises BadInput: naming the row and column.
    """
    rows = list(csv.DictReader(io.StringIO(text.lstrip("\ufeff"))))
    if not rows or "started_at" not in rows[0] or "recipe" not in rows[0]:
        raise BadInput(("csv",), "has not the columns", ", ".join(COLUMNS), "wrong-format")
    if len(rows) > MOST_ROWS:
        raise BadInput(("csv",), f"{len(rows)} rows", f"up to {MOST_ROWS}", "too-large")
    settings, taken, there = get_settings(session), 0, 0
    for number, cells in enumerate(rows):
        try:
            name = check_name(cells.get("recipe") or "", "recipe")
            started_at = _moment(cells, "started_at", now)
            ended_at = _moment(cells, "ended_at", now) if cells.get("ended_at") else started_at
            words = [word.strip() for word in (cells.get("verdict") or "").split(",") if word.strip()]
            wrong = next((word for word in words if word not in VERDICTS), None)
            if wrong is not None:
                raise BadInput(("verdict",), f"unknown word {wrong[:40]!r}", ", ".join(VERDICTS), "unknown")
            stored = session.scalar(select(RecipeRow).where(func.lower(RecipeRow.name) == name.casefold()))
            if stored is None:
                raise BadInput(
                    ("recipe",), f"there is no recipe {name[:60]!r}", "the name of one of your recipes", "unknown"
                )
        except BadInput as problem:
            raise problem.under("csv", number) from None
        if _is_there(session, stored.name, started_at):
            there += 1
            continue
        recipe = recipe_from(json.loads(stored.document))
        row = _add(session, stored.name, recipe_record(recipe), started_at, ended_at)
        row.recipe_id = stored.id
        row.snapshot = snapshot_text(take_snapshot(recipe, {}, {}, settings))
        said = Judgement(words=tuple(words), text=(cells.get("notes") or "")[:2000])
        if said.words or said.text:
            row.verdict = json.dumps(said.words)
            row.found_by = words_of(row, said.text)
            session.add(
                BatchEventRow(
                    batch_id=row.id, client_key="verdict", at=ended_at, kind="verdict", data=happening_data(said)
                )
            )
            session.flush()
            index_verdicts(session, row.recipe_id)
            teach(session, row)
        taken += 1
    return taken, there


def _add(session: Session, name: str, record: Any, started_at: datetime, ended_at: datetime) -> BatchRow:
    row = BatchRow(
        recipe_id=None,
        name=name,
        version=None,
        document=json.dumps(record, ensure_ascii=False, allow_nan=False),
        choices=json.dumps(checked_choices({})),
        fit="{}",
        probe_id=ensure_probe(session, OF_FILES).id,
        step=0,
        started_at=started_at,
        ended_at=ended_at,
        snapshot=None,
        verdict="[]",
        thinned_at=None,
        family=record["family"],
    )
    row.found_by = words_of(row)
    session.add(row)
    session.flush()
    return row


def _is_there(session: Session, name: str, started_at: datetime) -> bool:
    wanted = select(BatchRow.id).where(BatchRow.name == name, BatchRow.started_at == started_at)
    return session.scalar(wanted) is not None


def _moment(record: Mapping[str, Any], name: str, latest: datetime) -> datetime:
    value = record.get(name)
    try:
        at = datetime.fromisoformat(str(value))
    except ValueError:
        raise BadInput((name,), f"{str(value)[:40]!r} is no moment", "such as 2026-08-01T20:00:00+00:00") from None
    at = at.astimezone() if at.tzinfo is None else at
    return min(checked_moment((name,), at), latest)
