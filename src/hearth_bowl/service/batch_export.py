"""A batch with everything in it, for files."""

import json
from dataclasses import asdict
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.service.batch_readings import readings_of
from hearth_bowl.service.batches import batch_row, get_run
from hearth_bowl.service.timers import timers_of


def export_json(session: Session, batch_id: int, now: datetime) -> dict[str, Any]:
    """Return everything of a batch as plain values.

    :raises NotFound: there is no such batch.
    """
    run = get_run(session, batch_id)
    row = batch_row(session, batch_id)
    readings = readings_of(session, row, row.ended_at or now)
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
        "timers": [
            {"name": timer.name, "started_at": timer.started_at.isoformat(), "ends_at": timer.ends_at.isoformat()}
            for timer in timers_of(session, batch_id, now)
        ],
        "readings": [{"at": at.isoformat(), "shown_c": c} for at, c in readings],
    }
