"""The snapshot of a run: its steps, the kitchen and the thermometer as they were when it began. It never changes."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy import Select, func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import chocolate_of
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.steps import LineAct, run_steps
from hearth_bowl.formats.ask_file import ask_from
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.strict_json import read_json
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.settings import Settings, get_settings
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import BatchRow
from hearth_bowl.store.old_steps.steps import old_steps


@dataclass(frozen=True, slots=True, kw_only=True)
class Snapshot:
    """What a run was begun with. `thermometer_offset_c` is None where the thermometer was not tested; `shell` is the
    chocolate of shells or coats by its label, None without; `confection_id` what it is made for, None where unsaid.

    Where a confection has several mixes, each has a batch, and all of them share a `run_key` and the `line` of all
    acts; `mixes` are their recipes, in the positions that the line names."""

    steps: tuple[Step, ...]
    altitude_m: float
    pressure_kpa: float
    kitchen_c: float
    thermometer_offset_c: float | None
    shell: str | None
    confection_id: int | None = None
    occasion_id: int | None = None
    """The occasion whose number of pieces it is made in; None: in the confection's own."""
    run_key: str = ""
    line: tuple[LineAct, ...] = ()
    mixes: tuple[int, ...] = ()
    main: int = 0
    """The mix with which the piece is finished: the one that most is made of."""


def take_snapshot(
    recipe: Recipe,
    choices: Mapping[str, str],
    fit: Mapping[str, Any],
    settings: Settings,
    worked: Worked | None = None,
    *,
    with_piece: bool = True,
) -> Snapshot:
    """Return what a run of a recipe is begun with in this kitchen.

    :param fit: the vessel that it goes into and what is asked there; empty where none is chosen.
    :param worked: the confection that it is made for; without one, the confection that its fit is.
    :param with_piece: whether it has the acts of the piece.
    :raises BadInput: naming a choice.
    """
    made = worked or worked_by(recipe, fit, settings.kitchen)
    return _snapshot(
        run_steps(recipe, choices, settings.kitchen, made, settings.kitchen_c, with_piece=with_piece),
        settings,
        None if made is None else _chocolate(made),
    )


def _snapshot(steps: tuple[Step, ...], settings: Settings, shell: str | None) -> Snapshot:
    return Snapshot(
        steps=steps,
        altitude_m=settings.altitude_m,
        pressure_kpa=settings.kitchen.pressure_kpa,
        kitchen_c=settings.kitchen_c,
        thermometer_offset_c=offset_c_of(settings),
        shell=shell,
    )


def worked_by(recipe: Recipe, fit: Mapping[str, Any], kitchen: Kitchen) -> Worked | None:
    """Return the confection that a kept fit is, worked out; None without one, or where it cannot be made so."""
    if not fit.get("vessel") or not fit.get("ask"):
        return None
    try:
        return work_out(confection_of(recipe, vessel_from(fit["vessel"]), ask_from(fit["ask"])), kitchen)
    except BadInput:
        return None


def _chocolate(worked: Worked) -> str | None:
    """Return the chocolate of shells or coats, of several the one that there is most of; None without any."""
    rows = [
        row for part in worked.parts if part.part.role in ("shell", "coat") and part.is_chocolate for row in part.weigh
    ]
    most = max(rows, key=lambda row: row.amount_g, default=None)
    return None if most is None else most.ingredient.label


def offset_c_of(settings: Settings) -> float | None:
    """Return by how much the person's thermometer shows too much; None where it was not tested."""
    reading = settings.thermometer_in_boiling_water_c
    return None if reading is None else thermometer(reading, settings.kitchen.pressure_kpa).offset_c


def snapshot_text(snapshot: Snapshot) -> str:
    """Return a snapshot as it is stored."""
    return _adapter().dump_json(snapshot).decode()


def snapshot_of(session: Session, row: BatchRow) -> Snapshot:
    """Return the snapshot of a batch; of one from before there were snapshots, as it would be begun now."""
    if row.snapshot is not None:
        return _adapter().validate_json(row.snapshot)
    return _late_snapshot(row, get_settings(session))


def freeze_old_batches(database: Database) -> int:
    """Give batches from before there were snapshots theirs, with the kitchen as it is now; return how many.

    Where there is none, nothing is written: a kitchen on a full disk opens too.
    """
    with database.reading() as session:
        if session.scalar(select(BatchRow.id).where(BatchRow.snapshot.is_(None)).limit(1)) is None:
            return 0
    with database.writing() as session:
        rows = session.scalars(select(BatchRow).where(BatchRow.snapshot.is_(None))).all()
        settings = get_settings(session)
        for row in rows:
            row.snapshot = snapshot_text(_late_snapshot(row, settings))
        return len(rows)


def _late_snapshot(row: BatchRow, settings: Settings) -> Snapshot:
    recipe = recipe_from(read_json(row.document.encode(), "recipe"))
    choices = read_json(row.choices.encode(), "choices")
    kind, shell = _old_form(read_json(row.fit.encode(), "fit"))
    return _snapshot(
        old_steps(recipe, choices, settings.kitchen, kind, shell), settings, None if shell is None else shell.label
    )


def _old_form(fit: Mapping[str, Any]) -> tuple[str, Ingredient | None]:
    """Return the kind of an old batch's vessel, and the chocolate of its shells or coats."""
    if not fit.get("vessel") or not fit.get("ask"):
        return "", None
    ask = ask_from(fit["ask"])
    return ask.kind, None if ask.kind == "cake" else chocolate_of(ask)


@cache
def _adapter() -> TypeAdapter[Snapshot]:
    return TypeAdapter(Snapshot)


def runs_for(confection_id: int, since: datetime) -> Select[BatchRow]:
    """Return what finds the runs that were made for a confection since a moment."""
    made_for = func.json_extract(BatchRow.snapshot, "$.confection_id")
    return select(BatchRow).where(made_for == confection_id, BatchRow.started_at >= since).order_by(BatchRow.started_at)
