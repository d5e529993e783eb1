"""A batch with everything in it, for files."""

import json
from collections.abc import Iterator
from dataclasses import asdict
from datetime import datetime

from sqlalchemy.orm import Session

from hearth_bowl.formats.batch_file import Told, batch_csv, batch_json
from hearth_bowl.formats.happenings import happening_data
from hearth_bowl.service.batch_events import events_of
from hearth_bowl.service.batch_readings import readings_of
from hearth_bowl.service.batches import batch_row, get_run
from hearth_bowl.service.timers import timers_of


def export_json(session: Session, batch_id: int, now: datetime) -> Iterator[str]:
    """Give everything of a batch as JSON, in parts; the session stays in use until the last.

    :raises NotFound: there is no such batch.
    """
    run = get_run(session, batch_id)
    row = batch_row(session, batch_id)
    head = {
        "name": run.batch.name,
        "recipe_version": run.batch.version,
        "started_at": row.started_at.isoformat(),
        "ended_at": None if row.ended_at is None else row.ended_at.isoformat(),
        "thermometer_offset_c": run.offset_c,
        "recipe": run.recipe,
        "fit": json.loads(row.fit),
        "choices": run.choices,
        "steps": [asdict(step) for step in run.steps],
        "timers": [
            {"name": timer.name, "started_at": timer.started_at.isoformat(), "ends_at": timer.ends_at.isoformat()}
            for timer in timers_of(session, batch_id, now)
        ],
    }
    return batch_json(head, _told(session, batch_id), readings_of(session, row, row.ended_at or now))


def export_csv(session: Session, batch_id: int, now: datetime) -> Iterator[str]:
    """Give a batch's readings and events as CSV, in parts and in the order of time.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    return batch_csv(_told(session, batch_id), readings_of(session, row, row.ended_at or now))


def _told(session: Session, batch_id: int) -> list[Told]:
    return [
        (event.at, event.what.kind, json.loads(happening_data(event.what))) for event in events_of(session, batch_id)
    ]
