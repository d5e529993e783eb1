"""What the thermometers of a batch showed: a run may hear one probe first and another later."""

import json
from datetime import datetime
from itertools import pairwise

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.service.probes import readings_between
from hearth_bowl.store.models import BatchEventRow, BatchRow


def readings_of(session: Session, row: BatchRow, until: datetime) -> list[tuple[datetime, float | None]]:
    """Return the readings of a batch as shown, in order, of each probe for as long as it was the one that counts."""
    changes = session.execute(
        select(BatchEventRow.at, BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind == "probe")
        .order_by(BatchEventRow.at, BatchEventRow.id)
    ).all()
    told = [(at, json.loads(data)) for at, data in changes]
    first = told[0][1]["before"] if told else row.probe_id
    heard = [(row.started_at, first), *((max(at, row.started_at), data["probe_id"]) for at, data in told)]
    found: list[tuple[datetime, float | None]] = []
    for (since, probe_id), (end, _) in pairwise([*heard, (until, "")]):
        found += readings_between(session, probe_id, since, end)
    return found
