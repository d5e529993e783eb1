"""The daybook: one batch planned against actual, batches laid over each other, the next change, made again."""

import json
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.learn.differences import BatchFacts, Difference, differences
from hearth_bowl.core.learn.lessons import BatchSeen, step_spans
from hearth_bowl.core.learn.next_change import NextChange, next_changes
from hearth_bowl.core.mass.boiling import cook_to
from hearth_bowl.core.mass.cooking import cooked_part, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.stove.events import Judgement, Marked, Mended, PanWeighed, SetStarted, StepBegun, Weighed
from hearth_bowl.core.stove.trace import Trace
from hearth_bowl.formats.recipe_file import RecipeFile, recipe_from, recipe_record
from hearth_bowl.service.batch_events import add_event
from hearth_bowl.service.batches import Run, batch_row, get_run
from hearth_bowl.service.learned import batch_seen, correction_for
from hearth_bowl.service.live import batch_trace
from hearth_bowl.service.probes import OF_FILES, STAND_IN
from hearth_bowl.service.recipes import KeptVersion, create_recipe, get_recipe, keep_version, save_recipe
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.store.models import BatchEventRow, BatchRow, RecipeRow

MOST_LAID_OVER: Final = 4
LOOK_AGAIN: Final = timedelta(days=2)
"""So long after it was made a batch is looked at again: how it has kept. A judgement."""
NO_LONGER: Final = timedelta(days=30)
MOST_TO_LOOK_AT: Final = 4


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedActual:
    """One thing of a batch as it was planned and as it was, in `unit`; `is_off`: well apart."""

    name: str
    planned: str
    actual: str
    is_off: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class LaidOver:
    """A batch among others laid over each other: its trace, and the moments that traces can be aligned at [s]."""

    batch_id: int
    name: str
    started_at: datetime
    verdict: tuple[str, ...]
    trace: Trace
    moments_s: dict[str, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Moment:
    """A moment that all of the batches have: its key and its name."""

    key: str
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Against:
    """How a batch differs from the first of those laid over each other."""

    batch_id: int
    differences: tuple[Difference, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchesLaidOver:
    """Batches laid over each other, the moments to align them at, and the differences to the first, in words."""

    batches: tuple[LaidOver, ...]
    moments: tuple[Moment, ...]
    against: tuple[Against, ...]
    changes_of: int | None
    """The newest of them whose verdict says what is worth trying next, and what that is."""
    changes: tuple[NextChange, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """A change that became a version: of which recipe, which number, and what it is called."""

    recipe_id: int
    version: int
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class LookAgain:
    """A batch that wants a look: how it turned out, or how it has kept; so many days after it was made."""

    batch_id: int
    name: str
    days: int
    asks: str


def planned_and_actual(session: Session, batch_id: int, now: datetime) -> tuple[PlannedActual, ...]:
    """Return a batch as it was planned and as it was: minutes and temperatures by step, weights, what was weighed out.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    seen, run = batch_seen(session, row), get_run(session, batch_id)
    facts = _facts(session, row, seen, now)
    found = []
    for step in seen.steps:
        took = facts.took_min.get(step.key)
        if took is None:
            continue
        if step.usual_min is not None:
            low, high = step.usual_min
            planned = f"{low:.0f} min" if low == high else f"{low:.0f} to {high:.0f} min"
            found.append(_planned(step.title, planned, f"{took:.0f} min", not low * 0.7 <= took <= high * 1.3))
        hottest = facts.hottest_c.get(step.key)
        if step.target_c is not None and hottest is not None and step.heat in ("warm", "boil", "melt"):
            low, high = step.target_c
            off = hottest < low - 1 or hottest > high + 1
            goal = f"⟦{low:.0f} to {high:.0f} °C⟧"
            found.append(_planned(f"{step.title}, hottest", goal, f"⟦{hottest:.1f} °C⟧", off))
    for position, grams in run.state.weighed_g.items():
        meant = seen.recipe.amounts_g[position]
        if abs(grams - meant) >= max(1.0, 0.02 * meant):
            label = seen.recipe.lines[position].ingredient.label
            found.append(_planned(label, f"⟦{meant:.0f} g⟧", f"⟦{grams:.0f} g⟧", True))
    out = run.state.weighed_out
    if out is not None and out.filled_g is not None and seen.forecast.loss_g:
        made = out.made_g or seen.mixture.mass_g
        lost = made - out.filled_g
        planned_g = seen.forecast.loss_g
        found.append(_planned("Stayed behind", f"⟦{planned_g:.0f} g⟧", f"⟦{lost:.0f} g⟧", lost > 1.5 * planned_g))
    if out is not None and out.shell_each_g is not None and seen.forecast.shell_each_g:
        each = seen.forecast.shell_each_g
        off = abs(out.shell_each_g / each - 1) > 0.2
        found.append(_planned("A shell with its cap", f"⟦{each:.1f} g⟧", f"⟦{out.shell_each_g:.1f} g⟧", off))
    return tuple(found)


def _planned(name: str, planned: str, actual: str, is_off: bool) -> PlannedActual:
    return PlannedActual(name=name, planned=planned, actual=actual, is_off=is_off)


def lay_over(session: Session, batch_ids: Sequence[int], now: datetime) -> BatchesLaidOver:
    """Return two or more batches laid over each other.

    :raises NotFound: one is not there. :raises BadInput: at `ids`: fewer than two, or too many.
    """
    ids = list(dict.fromkeys(batch_ids))
    if not 2 <= len(ids) <= MOST_LAID_OVER:
        raise BadInput(("ids",), f"{len(ids)} batches", f"2 to {MOST_LAID_OVER}", "out-of-range")
    laid, facts, names = [], [], {"start": "the start"}
    for batch_id in ids:
        row = batch_row(session, batch_id)
        seen = batch_seen(session, row)
        facts.append(_facts(session, row, seen, now))
        moments = {"start": 0.0}
        for at, what in seen.happened:
            if isinstance(what, StepBegun) and what.step < len(seen.steps):
                step = seen.steps[what.step]
                moments.setdefault(step.key, at)
                names.setdefault(step.key, step.title)
            elif isinstance(what, Marked):
                moments.setdefault(f"mark {what.name}", at)
                names.setdefault(f"mark {what.name}", what.name[:1].upper() + what.name[1:])
            elif isinstance(what, SetStarted):
                moments.setdefault("set-start", at)
                names.setdefault("set-start", "It went in to set")
        laid.append(
            LaidOver(
                batch_id=batch_id,
                name=row.name,
                started_at=row.started_at,
                verdict=tuple(json.loads(row.verdict)),
                trace=batch_trace(session, batch_id, now, 300),
                moments_s=moments,
            )
        )
    changes_of, changes = None, []
    for batch_id in reversed(ids):
        changes = changes_after(session, batch_id, now)
        if changes:
            changes_of = batch_id
            break
    shared = [key for key in laid[0].moments_s if all(key in one.moments_s for one in laid)]
    return BatchesLaidOver(
        batches=tuple(laid),
        moments=tuple(Moment(key=key, name=names[key]) for key in shared),
        against=tuple(
            Against(batch_id=batch_id, differences=differences(facts[0], other))
            for batch_id, other in zip(ids[1:], facts[1:], strict=True)
        ),
        changes_of=changes_of,
        changes=tuple(changes),
    )


def _facts(session: Session, row: BatchRow, seen: BatchSeen, now: datetime) -> BatchFacts:
    """Return what is known of a batch when it is compared."""
    trace = batch_trace(session, row.id, now, 600)
    points = [point for stretch in trace.stretches for point in stretch]
    took: dict[str, float] = {}
    hottest: dict[str, float] = {}
    names: dict[str, str] = {}
    for step, since_s, until_s in step_spans(seen):
        if until_s - since_s > 1:
            took[step.key] = took.get(step.key, 0.0) + (until_s - since_s) / 60
            names[step.key] = step.title
        heat = [c for at, c in points if since_s <= at <= until_s]
        if heat and step.heat in ("warm", "boil", "melt"):
            hottest[step.key] = max(heat)
    happened = [what for _, what in seen.happened]
    pan = next((what for what in reversed(happened) if isinstance(what, PanWeighed)), None)
    place = next((what.start.place for what in reversed(happened) if isinstance(what, SetStarted)), "")
    verdict = next((what for what in reversed(happened) if isinstance(what, Judgement)), None)
    lost = pan.start_g - pan.now_g if pan is not None else _lost_by_heat(seen, hottest, row, session)
    return BatchFacts(
        recipe=seen.recipe,
        mixture=seen.mixture,
        weighed_g={what.position: what.g for what in happened if isinstance(what, Weighed)},
        choices=seen.choices,
        took_min=took,
        names=names,
        hottest_c=hottest,
        water_lost_g=lost,
        room_c=seen.kitchen_c,
        set_place=place,
        words=() if verdict is None else verdict.words,
        mended_g=sum(put.g for what in happened if isinstance(what, Mended) for put in what.put_in),
        cooked=is_cooked_down(seen.recipe),
    )


def _lost_by_heat(seen: BatchSeen, hottest: dict[str, float], row: BatchRow, session: Session) -> float | None:
    """Return the water that a boil lost by how hot it got; None where nothing was boiled down or measured."""
    end = next((hottest[step.key] for step in seen.steps if step.heat == "boil" and step.key in hottest), None)
    if end is None or not is_cooked_down(seen.recipe):
        return None
    try:
        return cook_to(cooked_part(seen.recipe), end, snapshot_of(session, row).pressure_kpa).evaporated_g
    except BadInput:
        return None


def changes_after(session: Session, batch_id: int, now: datetime) -> list[NextChange]:
    """Return what is worth trying next after a batch's verdict; none without one, or where nothing is computed.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    recipe = recipe_from(json.loads(row.document))
    learned = correction_for(session, f"end:{recipe.family}", now) if is_cooked_down(recipe) else None
    kitchen = Kitchen(altitude_m=snapshot_of(session, row).altitude_m)
    return next_changes(recipe, json.loads(row.verdict), kitchen, 0.0 if learned is None else learned.value)


def make_version(session: Session, batch_id: int, number: int, now: datetime) -> Made:
    """Make one of the changes a new version of the recipe: of the recipe as it stands, or anew where it is gone.

    :param number: which of `changes_after`, from 0.
    :raises NotFound: there is no such batch. :raises BadInput: at `number`.
    """
    changes = changes_after(session, batch_id, now)
    if not 0 <= number < len(changes):
        raise BadInput(("number",), f"{number}", f"0 to {len(changes) - 1}" if changes else "a batch with a verdict")
    change, row = changes[number], batch_row(session, batch_id)
    made = recipe_from(json.loads(row.document))
    if row.recipe_id is None or session.get(RecipeRow, row.recipe_id) is None:
        stored = create_recipe(session, recipe_record(made), now)
        row.recipe_id = stored.id
    stored = get_recipe(session, row.recipe_id)
    changed = _changed(recipe_from(stored.recipe), made, change)
    save_recipe(session, stored.id, recipe_record(changed), stored.revision, now)
    name = f"After {row.started_at.astimezone():%-d %B}: {_plain(change.words)}"[:200]
    kept: KeptVersion = keep_version(session, stored.id, name, now)
    return Made(recipe_id=stored.id, version=kept.number, name=name)


def _plain(words: str) -> str:
    return words.replace("⟦", "").replace("⟧", "").replace("⟪", "").replace("⟫", "")


def _changed(recipe: Recipe, made: Recipe, change: NextChange) -> Recipe:
    """Return a recipe with a change by as much as it changes the batch; lines are found by their ingredients."""
    if change.end_shift_k is not None:
        recipe = replace(recipe, end_shift_k=change.end_shift_k)
    amounts = list(recipe.amounts_g)
    for position, grams in change.amounts_g.items():
        of = made.lines[position].ingredient
        here = next((p for p, line in enumerate(recipe.lines) if line.ingredient.label == of.label), None)
        if here is not None and made.amounts_g[position] > 0:
            amounts[here] = shown_g(recipe.amounts_g[here] * grams / made.amounts_g[position])
    return recipe.with_amounts_g(amounts)


def make_again(session: Session, batch_id: int, now: datetime) -> Run:
    """Start a batch just as another was begun: its recipe, amounts, choices, form and thermometer.

    :raises NotFound: there is no such batch.
    """
    old = batch_row(session, batch_id)
    row = BatchRow(
        recipe_id=old.recipe_id,
        name=old.name,
        version=old.version,
        document=old.document,
        choices=old.choices,
        fit=old.fit,
        probe_id=STAND_IN if old.probe_id.startswith(OF_FILES) else old.probe_id,
        step=0,
        started_at=now,
        ended_at=None,
        snapshot=old.snapshot,
        verdict="[]",
        thinned_at=None,
        family=old.family,
        found_by=old.found_by,
    )
    session.add(row)
    session.flush()
    first = snapshot_of(session, row).steps[0]
    add_event(session, row, "start", now, StepBegun(step=0, key=first.key))
    return get_run(session, row.id)


def to_look_at(session: Session, now: datetime) -> list[LookAgain]:
    """Return the batches that want a look: without a verdict, or not looked at since some days have passed."""
    last = (
        select(func.max(BatchEventRow.at))
        .where(BatchEventRow.batch_id == BatchRow.id, BatchEventRow.kind == "verdict")
        .scalar_subquery()
    )
    rows = session.execute(
        select(BatchRow.id, BatchRow.name, BatchRow.ended_at, last)
        .where(BatchRow.ended_at.is_not(None), BatchRow.ended_at > now - NO_LONGER, BatchRow.ended_at <= now)
        .order_by(BatchRow.ended_at.desc())
    )
    found = []
    for batch_id, name, ended_at, looked_at in rows:
        if ended_at is None:
            continue
        days = (now - ended_at).days
        if looked_at is None:
            found.append(LookAgain(batch_id=batch_id, name=name, days=days, asks="How did it turn out?"))
        elif now - ended_at >= LOOK_AGAIN and looked_at < ended_at + LOOK_AGAIN:
            found.append(LookAgain(batch_id=batch_id, name=name, days=days, asks="How has it kept?"))
    return found[:MOST_TO_LOOK_AT]


def record_of_batch(session: Session, batch_id: int) -> RecipeFile:
    """Return a batch's recipe with what was put in to mend it.

    :raises NotFound: there is no such batch.
    """
    return get_run(session, batch_id).recipe
