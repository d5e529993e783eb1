"""What a stand-in thermometer plays: what is at the stove now."""

import json
from dataclasses import dataclass
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.recipe_file import RecipeFile, whole_record
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.store.models import BatchRow, ProbeRow


@dataclass(frozen=True, slots=True, kw_only=True)
class AtTheStove:
    """The running batch of a probe, its step, what is in the pan, and the kitchen; None where nothing is.

    `heat` is how it is heated; `chocolate` is what is melted for shells or coats, where the step is about that.
    """

    batch_id: int | None
    speed: float
    recipe: RecipeFile | None = None
    step: Step | None = None
    heat: str = "pan"
    chocolate: str | None = None
    in_the_pan: tuple[int, ...] = ()
    kitchen_c: float = 20.0
    pressure_kpa: float = 101.325


def at_the_stove(session: Session, probe_id: str) -> AtTheStove:
    """Return what is at the stove now for a stand-in to play. Nothing is stored."""
    name = probe_id.strip()
    probe = session.get(ProbeRow, name)
    speed = 1.0 if probe is None else probe.speed
    row = session.scalar(
        select(BatchRow)
        .where(BatchRow.probe_id == name, BatchRow.ended_at.is_(None))
        .order_by(BatchRow.id.desc())
        .limit(1)
    )
    if row is None:
        return AtTheStove(batch_id=None, speed=speed)
    snapshot = snapshot_of(session, row)
    step = snapshot.steps[row.step]
    begun = snapshot.steps[: row.step + 1]
    is_joined = any(past.act == "join" for past in begun)
    in_pan = tuple(
        position
        for past in begun
        if not past.key.startswith("temper") and (past.key != "chop" or is_joined)
        for position in past.positions
    )
    choices: dict[str, Any] = json.loads(row.choices)
    return AtTheStove(
        batch_id=row.id,
        speed=speed,
        recipe=whole_record(json.loads(row.document)),
        step=step,
        heat=choices["heat"],
        chocolate=snapshot.shell if step.key.startswith("temper") else None,
        in_the_pan=in_pan,
        kitchen_c=snapshot.kitchen_c,
        pressure_kpa=snapshot.pressure_kpa,
    )
