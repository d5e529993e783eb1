"""What this kitchen's batches teach: kept with each batch, learned when it is asked for."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Final, Literal

from sqlalchemy import ColumnElement, Integer, Subquery, delete, func, literal, null, or_, select, union_all, update
from sqlalchemy.orm import Session

from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.learn.applied import corrected_steps, quantities_of_run
from hearth_bowl.core.learn.corrections import Correction, Entry, correction_of
from hearth_bowl.core.learn.lessons import BatchSeen, Forecast, Lesson, lessons_of, shape_of
from hearth_bowl.core.learn.quantities import title_of
from hearth_bowl.core.learn.told import told_of
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.events import Happening, SetSeen, Weighed, Yielded
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.ask_file import ask_from
from hearth_bowl.formats.happenings import happening_from, with_put_in
from hearth_bowl.formats.recipe_file import recipe_from, whole_record
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.store.models import BatchEventRow, BatchRow, LessonRow, OccasionRow, TimedTaskRow

MOST_ENTRIES: Final = 60
"""The newest so many of a quantity count: older ones would hardly change it."""
TEACHING: Final = ("set-seen", "yield", "verdict", "end", "mend")
"""What happens in a batch after which it may teach something more."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LearnedFrom:
    """One entry: of which batch, or which timed task of which occasion, when, and what was seen beside what was
    predicted; `counts`: it is learned from."""

    batch_id: int | None
    occasion_id: int | None
    timed_id: int | None
    name: str
    at: datetime
    predicted: float
    observed: float
    by: str
    unit: str
    says: str
    counts: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class LearnedThing:
    """What was learned of one quantity, in words and figures, with the entries that it is from.

    `value`, `low` and `high` are a factor, or an offset in `unit`; `book` is the middle of the book's band.
    """

    what: str
    title: str
    says: str
    kind: str
    value: float
    low: float
    high: float
    book_low: float
    book_high: float
    unit: str
    entries: int
    left_out: int
    entries_from: tuple[LearnedFrom, ...]


def teach(session: Session, row: BatchRow) -> int:
    """Read anew what a batch teaches, and keep it; return how many lessons."""
    session.execute(delete(LessonRow).where(LessonRow.batch_id == row.id))
    found = lessons_of(batch_seen(session, row))
    at = row.ended_at or row.started_at
    session.add_all(_row(row.id, lesson, at) for lesson in found)
    session.flush()
    return len(found)


def _row(batch_id: int, lesson: Lesson, at: datetime) -> LessonRow:
    return LessonRow(
        batch_id=batch_id,
        what=lesson.what,
        predicted=lesson.predicted,
        observed=lesson.observed,
        by=lesson.by,
        unit=lesson.unit,
        says=lesson.says,
        at=at,
    )


def batch_seen(session: Session, row: BatchRow) -> BatchSeen:
    """Return a batch as it is looked at for what it teaches."""
    snapshot, happened = snapshot_of(session, row), happened_in(session, row)
    recipe = recipe_from(with_put_in(whole_record(json.loads(row.document)), [what for _, what in happened]))
    kitchen = Kitchen(altitude_m=snapshot.altitude_m)
    weighed = {what.position: what.g for _, what in happened if isinstance(what, Weighed)}
    in_truth = recipe.with_amounts_g([weighed.get(p, grams) for p, grams in enumerate(recipe.amounts_g)])
    mixture = finished_or_none(in_truth, kitchen) or mix(in_truth)
    return BatchSeen(
        recipe=recipe,
        mixture=mixture,
        choices=json.loads(row.choices),
        steps=snapshot.steps,
        happened=happened,
        forecast=_forecast(recipe, mixture, row),
        kitchen=kitchen,
        kitchen_c=snapshot.kitchen_c,
        probe=row.probe_id,
        offset_c=snapshot.thermometer_offset_c,
    )


def happened_in(session: Session, row: BatchRow) -> list[tuple[float, Happening]]:
    """Return all that happened in a batch: (s from its start, what), in order."""
    rows = session.execute(
        select(BatchEventRow.at, BatchEventRow.kind, BatchEventRow.data)
        .where(BatchEventRow.batch_id == row.id)
        .order_by(BatchEventRow.at, BatchEventRow.id)
    )
    return [((at - row.started_at).total_seconds(), happening_from(kind, data)) for at, kind, data in rows]


def _forecast(recipe: Recipe, mixture: Mixture, row: BatchRow) -> Forecast:
    kept = json.loads(row.fit)
    if not kept.get("vessel") or not kept.get("ask"):
        return Forecast()
    vessel, ask = vessel_from(kept["vessel"]), ask_from(kept["ask"])
    loss_pct = getattr(ask, "loss_pct", None)
    try:
        shell = fit(recipe, vessel, ask, mixture).shell
    except BadInput:
        shell = None
    return Forecast(
        form=str(kept["vessel"].get("kind", "")),
        vessel=str(kept.get("vessel_name", "")),
        loss_g=None if not loss_pct else loss_pct / 100 * mixture.mass_g,
        shell_each_g=None if shell is None else shell.shell_g + (shell.cap_g or 0.0),
    )


def correction_for(session: Session, what: str, now: datetime) -> Correction | None:
    """Return what was learned of one quantity; None without an entry that counts. A quantity takes in what stands
    below it: `cooling:fridge` also `cooling:fridge/slab`."""
    seen = _seen()
    rows = session.execute(
        select(seen.c.predicted, seen.c.observed, seen.c.by, seen.c.at)
        .where(_is(seen.c.what, what), seen.c.counts)
        .order_by(seen.c.at.desc())
        .limit(MOST_ENTRIES)
    ).all()
    entries = [
        Entry(what=what, predicted=predicted, observed=observed, by=_by(by), age_days=_age(at, now))
        for predicted, observed, by, at in rows
    ]
    return correction_of(what, entries) if entries else None


def _seen() -> Subquery:
    """Return all that was ever seen beside what was predicted: in batches, and of timed tasks of an order."""
    none = null().cast(Integer)
    in_batches = select(
        LessonRow.batch_id, none.label("occasion_id"), none.label("timed_id"), BatchRow.name, LessonRow.what,
        LessonRow.predicted, LessonRow.observed, LessonRow.by, LessonRow.unit, LessonRow.says, LessonRow.at,
        BatchRow.teaches.label("counts"),
    ).join(BatchRow, BatchRow.id == LessonRow.batch_id)  # fmt: skip
    of_tasks = select(
        none.label("batch_id"), TimedTaskRow.occasion_id, TimedTaskRow.id, OccasionRow.name, TimedTaskRow.what,
        TimedTaskRow.predicted, TimedTaskRow.observed, literal("instrument"), literal("min"), TimedTaskRow.says,
        TimedTaskRow.at, TimedTaskRow.teaches,
    ).join(OccasionRow, OccasionRow.id == TimedTaskRow.occasion_id)  # fmt: skip
    return union_all(in_batches, of_tasks).subquery()


def _is(column: ColumnElement[str], what: str) -> ColumnElement[bool]:
    return or_(column == what, column.between(f"{what}/", f"{what}0"))


def _by(by: str) -> Literal["instrument", "feel"]:
    return "feel" if by == "feel" else "instrument"


def _age(at: datetime, now: datetime) -> float:
    return float(max(0, (now - at).days))


def cooling_here(session: Session, ask: SetAsk, now: datetime) -> tuple[Learned | None, Learned | None]:
    """Return how this kitchen cools in a place and shape, and how long it took there until it was ready."""
    cooling = correction_for(session, f"cooling:{ask.place}/{shape_of(ask)}", now)
    if cooling is None or cooling.counted < 3:
        cooling = correction_for(session, f"cooling:{ask.place}", now)
    return _learned(cooling), _learned(correction_for(session, f"set:{ask.place}", now))


def cooling_by_place(session: Session, now: datetime) -> dict[str, Learned]:
    """Return how this kitchen cools, by place."""
    found = ((of, correction_for(session, f"cooling:{of}", now)) for of in _learned_of(session, "cooling"))
    return {of: learned for of, one in found if (learned := _learned(one)) is not None}


def _learned_of(session: Session, kind: str) -> list[str]:
    """Return what was learned of a kind, such as each place of cooling, by name."""
    whats = session.scalars(select(_seen().c.what).distinct()).all()
    names = sorted({what.partition("/")[0] for what in whats})
    return [name.removeprefix(f"{kind}:") for name in names if name.startswith(f"{kind}:")]


def corrected_run(
    session: Session, recipe: Recipe, steps: tuple[Step, ...], choices: Mapping[str, str], now: datetime
) -> tuple[Step, ...]:
    """Return a run's steps with this kitchen's own times and ends in place of the book's."""
    found = {what: correction_for(session, what, now) for what in quantities_of_run(recipe, steps, choices)}
    return corrected_steps(recipe, steps, choices, {what: one for what, one in found.items() if one is not None})


def for_plan(session: Session, now: datetime) -> dict[str, Any]:
    """Return what changes the times of a running order: by job, and the cooling by place."""
    hands = {of: correction_for(session, f"hands:{of}", now) for of in _learned_of(session, "hands")}
    cooling = cooling_by_place(session, now)
    return {
        "hands": {of: one.value for of, one in hands.items() if one is not None},
        "cooling": {of: [one.factor, one.low, one.high, one.batches] for of, one in cooling.items()},
    }


def times_of_ones_own(session: Session, now: datetime) -> tuple[str, ...]:
    """Return what of a running order's times is this kitchen's own, in words."""
    found = for_plan(session, now)
    whats = [*(f"cooling:{place}" for place in found["cooling"]), *(f"hands:{job}" for job in found["hands"])]
    return tuple(title_of(what)[0].lower() + title_of(what)[1:] for what in whats)


def factor_of(session: Session, what: str, now: datetime) -> float:
    """Return the factor on a prediction, 1 where nothing was learned."""
    found = correction_for(session, what, now)
    return 1.0 if found is None else found.value


def _learned(found: Correction | None) -> Learned | None:
    if found is None:
        return None
    return Learned(factor=found.value, low=found.low, high=found.high, batches=found.counted)


def all_learned(session: Session, now: datetime) -> list[LearnedThing]:
    """Return all that was learned, with the newest entries of each, in the order of the quantities."""
    seen = _seen()
    number = func.row_number().over(partition_by=seen.c.what, order_by=seen.c.at.desc()).label("number")
    newest = select(seen, number).subquery()
    rows = session.execute(select(newest).where(newest.c.number <= MOST_ENTRIES).order_by(newest.c.at.desc())).all()
    by_what: dict[str, list[LearnedFrom]] = {}
    for row in rows:
        by_what.setdefault(row.what, []).append(
            LearnedFrom(
                batch_id=row.batch_id,
                occasion_id=row.occasion_id,
                timed_id=row.timed_id,
                name=row.name,
                at=row.at,
                predicted=row.predicted,
                observed=row.observed,
                by=row.by,
                unit=row.unit,
                says=row.says,
                counts=row.counts,
            )
        )
    return sorted((_thing(what, found, now) for what, found in by_what.items()), key=lambda thing: thing.title)


def _thing(what: str, found: Sequence[LearnedFrom], now: datetime) -> LearnedThing:
    entries = [
        Entry(what=what, predicted=one.predicted, observed=one.observed, by=_by(one.by), age_days=_age(one.at, now))
        for one in found
        if one.counts
    ]
    learned, book = correction_of(what, entries), correction_of(what, [])
    title, says = told_of(learned)
    return LearnedThing(
        what=what,
        title=title,
        says=says,
        kind=learned.kind,
        value=learned.value,
        low=learned.low,
        high=learned.high,
        book_low=book.low,
        book_high=book.high,
        unit=found[0].unit if learned.kind == "offset" else "",
        entries=learned.entries,
        left_out=learned.left_out,
        entries_from=tuple(found),
    )


def leave_out(session: Session, batch_id: int, teaches: bool) -> None:
    """Let the kitchen learn from a batch, or not.

    :raises NotFound: there is no such batch.
    """
    row = session.get(BatchRow, batch_id)
    if row is None:
        raise NotFound("batch", batch_id)
    row.teaches = teaches


def leave_out_task(session: Session, timed_id: int, teaches: bool) -> None:
    """Let the kitchen learn from how long a task of an order took, or not.

    :raises NotFound: no such task was timed.
    """
    row = session.get(TimedTaskRow, timed_id)
    if row is None:
        raise NotFound("timed task", timed_id)
    row.teaches = teaches


def forget_all(session: Session) -> int:
    """Let the kitchen learn from none of the batches and orders that there are; return of how many batches. They stay
    in the daybook."""
    session.execute(update(TimedTaskRow).values(teaches=False))
    done = session.execute(update(BatchRow).where(BatchRow.teaches).values(teaches=False))
    return int(done.rowcount)  # type: ignore[attr-defined]


def teaches_now(kinds: Sequence[Happening]) -> bool:
    """Return whether something happened after which a batch may teach more."""
    return any(what.kind in TEACHING or isinstance(what, SetSeen | Yielded) for what in kinds)
