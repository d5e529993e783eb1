"""Line of a run: all acts of what is made, over the batches of its mixes, and how far each is."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Final, Literal
from uuid import uuid4

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.sizes import main_part
from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.steps import LineAct, line_of, turn_of
from hearth_bowl.service.confections import get_confection
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.snapshot import Snapshot, snapshot_of
from hearth_bowl.store.models import BatchEventRow, BatchRow, RecipeRow

LONGEST_RUN: Final = timedelta(days=21)
"""From the first mix of a run to its last: a ripening fondant among them. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class RunAct:
    """Act of a run: its mix (`part`, empty for the piece), least and most minutes, and the batch and step that it is.

    `turn` is the filling of the moulds where there are several. `batch_id` and `step` (with its `key`) are
    None while its mix is not begun; `recipe_id` is the mix that does it.
    """

    act_id: str
    key: str
    title: str
    part: str
    minutes: tuple[float, float] | None
    attended: bool
    recipe_id: int | None
    batch_id: int | None
    step: int | None
    turn: int | None
    state: Literal["done", "now", "ahead"]


def in_whole_run(
    session: Session, snapshot: Snapshot, confection_id: int, worked: Worked, choices: Mapping[str, str]
) -> Snapshot:
    """Return a snapshot as the first of a run of several mixes; unchanged where the confection has one mix."""
    if len(worked.batches) < 2:
        return snapshot
    settings = get_settings(session)
    return replace(
        snapshot,
        run_key=uuid4().hex,
        line=line_of(worked, choices, settings.kitchen, settings.kitchen_c),
        mixes=mixes_of(session, confection_id, worked),
        main=main_mix(worked),
    )


def main_mix(worked: Worked) -> int:
    """Return the position of the mix that most is made of, with which the piece is finished."""
    found = main_part(worked)
    recipe = None if found is None else found[1].part.of
    return next((at for at, batch in enumerate(worked.batches) if batch.recipe == recipe), 0)


def has_the_piece(worked: Worked | None, recipe: Recipe) -> bool:
    """Return whether a batch of a recipe has the acts of the piece: a confection's only mix, or its main one."""
    return worked is None or not worked.batches or worked.batches[main_mix(worked)].recipe == recipe


def mixes_of(session: Session, confection_id: int, worked: Worked) -> tuple[int, ...]:
    """Return the recipes of a confection by the positions of their batches."""
    asked = get_confection(session, confection_id).asked.parts
    ids = {
        id(batch): part.of.recipe_id
        for batch in worked.batches
        for part, given in zip(asked, worked.confection.parts, strict=True)
        if given.of == batch.recipe and part.of.recipe_id is not None
    }
    return tuple(ids[id(batch)] for batch in worked.batches)


def open_run(session: Session, confection_id: int, recipe_id: int, mixes: set[int], now: datetime) -> str:
    """Return the key of a run of a confection that goes on and has no batch of a recipe yet; empty without one."""
    rows = session.scalars(
        select(BatchRow)
        .where(BatchRow.recipe_id.in_(mixes), BatchRow.started_at >= now - LONGEST_RUN)
        .order_by(BatchRow.started_at.desc())
    )
    by_key: dict[str, list[BatchRow]] = {}
    for row in rows:
        snapshot = snapshot_of(session, row)
        if snapshot.confection_id == confection_id and snapshot.run_key:
            by_key.setdefault(snapshot.run_key, []).append(row)
    for key, batches in by_key.items():
        goes_on = any(row.ended_at is None for row in batches)
        if goes_on and all(row.recipe_id != recipe_id for row in batches):
            return key
    return ""


def planned_line(
    session: Session, confection_id: int, worked: Worked | None, choices: Mapping[str, str]
) -> tuple[RunAct, ...]:
    """Return the line of a run that is not begun; empty where the confection has one mix.

    :raises BadInput: naming a choice.
    """
    if worked is None or len(worked.batches) < 2:
        return ()
    settings = get_settings(session)
    mixes, main = mixes_of(session, confection_id, worked), main_mix(worked)
    names = [batch.recipe.name for batch in worked.batches]
    return tuple(
        _act(act, mixes[main if act.mass is None else act.mass], "" if act.mass is None else names[act.mass])
        for act in line_of(worked, choices, settings.kitchen, settings.kitchen_c)
    )


def _act(act: LineAct, recipe_id: int, part: str) -> RunAct:
    return RunAct(
        act_id=act.act_id,
        key="",
        title=act.title,
        part=part,
        minutes=act.minutes,
        attended=act.attended,
        recipe_id=recipe_id,
        batch_id=None,
        step=None,
        turn=act.turn,
        state="ahead",
    )


def run_line(session: Session, row: BatchRow, snapshot: Snapshot) -> tuple[RunAct, ...]:
    """Return the line of the run that a batch is of: its own steps, or the acts of all mixes of its confection."""
    if not snapshot.line:
        went = went_of(session, row)
        has_turns = any(step.act_id == "shell.1" for step in snapshot.steps)
        return tuple(
            RunAct(
                act_id=step.act_id or step.key,
                key=step.key,
                title=step.title,
                part="",
                minutes=step.usual_min,
                attended=step.attended,
                recipe_id=row.recipe_id,
                batch_id=row.id,
                step=at,
                turn=turn_of(step.act_id) if has_turns else None,
                state=_state(at, went),
            )
            for at, step in enumerate(snapshot.steps)
        )
    return _whole_line(session, row, snapshot)


def _whole_line(session: Session, row: BatchRow, snapshot: Snapshot) -> tuple[RunAct, ...]:
    batches = {row.id: (row, snapshot)}
    near = select(BatchRow).where(
        BatchRow.recipe_id.in_(snapshot.mixes),
        BatchRow.started_at >= row.started_at - LONGEST_RUN,
        BatchRow.started_at <= row.started_at + LONGEST_RUN,
    )
    for other in session.scalars(near):
        of = snapshot_of(session, other)
        if of.run_key == snapshot.run_key:
            batches[other.id] = (other, of)
    places = {step.act_id: (one, at, step) for one, of in batches.values() for at, step in enumerate(of.steps)}
    went = {one.id: went_of(session, one) for one, _ in batches.values()}
    names = {one.recipe_id: one.name for one, _ in batches.values()}
    found = []
    for act in snapshot.line:
        recipe_id = snapshot.mixes[snapshot.main if act.mass is None else act.mass]
        batch, at, step = places.get(act.act_id, (None, None, None))
        part = "" if act.mass is None else names.get(recipe_id) or _name_of(session, recipe_id)
        ahead = _act(act, recipe_id, part)
        if batch is not None and at is not None and step is not None:
            state = _state(at, went[batch.id])
            ahead = replace(ahead, key=step.key, minutes=step.usual_min, batch_id=batch.id, step=at, state=state)
        found.append(ahead)
    return tuple(found)


def _name_of(session: Session, recipe_id: int) -> str:
    return session.scalar(select(RecipeRow.name).where(RecipeRow.id == recipe_id)) or ""


@dataclass(frozen=True, slots=True)
class Went:
    """Progress of a batch: its open step, and whether that step is done."""

    step: int
    is_done: bool


def went_of(session: Session, row: BatchRow) -> Went:
    """Return how far a batch went."""
    last = session.scalar(
        select(BatchEventRow.kind)
        .where(BatchEventRow.batch_id == row.id, BatchEventRow.kind.in_(("step", "step-done")))
        .order_by(BatchEventRow.at.desc(), BatchEventRow.id.desc())
        .limit(1)
    )
    return Went(row.step, is_done=row.ended_at is not None or last == "step-done")


def _state(at: int, went: Went) -> Literal["done", "now", "ahead"]:
    if at < went.step or (at == went.step and went.is_done):
        return "done"
    return "now" if at == went.step else "ahead"
