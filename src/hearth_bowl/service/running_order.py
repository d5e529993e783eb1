"""The running order of an occasion: planned by the planner, kept, followed as the day goes, tried with other wishes."""

import hashlib
import json
from dataclasses import asdict, dataclass
from datetime import datetime, timedelta
from typing import Any, Final, Literal

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import asks
from hearth_bowl.formats.calendar_file import order_ics
from hearth_bowl.formats.occasion_file import FORMAT, PlanAnswer, TaskAnswer
from hearth_bowl.service.confections import confection_record
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.learned import for_plan, times_of_ones_own
from hearth_bowl.service.moments import check_wall_time
from hearth_bowl.service.occasions import OccasionAsk, get_occasion, pieces_in, recipes_of
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.timed_tasks import forget_time, note_time
from hearth_bowl.service.what_if import mended, visits
from hearth_bowl.store.models import OccasionHappeningRow, OccasionOrderRow

Progress = Literal["ahead", "running", "done"]
OVER_MIN: Final = 5
"""What took so much longer than planned puts the day off its order: a judgement."""
LATE_MIN: Final = 10
"""A task that should have begun so long ago, and has not, is late."""
SETS: Final = frozenset({"cool", "set"})
"""The rests that a set clock is of."""


@dataclass(frozen=True, slots=True, kw_only=True)
class TaskState:
    """A task as it stands: still to be done, running or done, and when in truth; the recipe that a run of it is of."""

    task: TaskAnswer
    state: Progress
    began_at: datetime | None
    ended_at: datetime | None
    recipe_id: int | None
    confection_id: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RunningOrder:
    """An order as it stands now, on the kitchen's own clock.

    `now_tasks` are what hands are to do now, `next_task` what comes then, `waits` what rests meanwhile, `late` what
    should have begun a while ago: all by their ids. `is_off`: the day has left its order, so that the rest is planned
    again. `is_stale`: it was planned for other wishes, confections or recipes than there are now. `mended` is the
    occasion with the least change that mends it, where there is no order.
    """

    now: datetime
    planned_at: datetime | None
    answer: PlanAnswer | None
    tasks: tuple[TaskState, ...]
    now_tasks: tuple[str, ...]
    next_task: str | None
    waits: tuple[str, ...]
    late: tuple[str, ...]
    is_off: bool
    is_stale: bool
    mended: OccasionAsk | None
    visits: int
    learned: tuple[str, ...]
    """What of its times is this kitchen's own, in words."""


def occasion_record(session: Session, asked: OccasionAsk, now: datetime, more_moulds: int = 0) -> dict[str, Any]:
    """Return an occasion as a file has it, planned from a moment on, with what this kitchen has learned.

    :param more_moulds: so many moulds of each kind besides those that there are.
    :raises BadInput: naming the field. :raises NotFound: a confection is not there.
    """
    begins_at = now if asked.wishes.begins_at is None else max(now, asked.wishes.begins_at)
    wished = _wished_record(session, asked, more_moulds)
    return {**wished, "now": _wall(begins_at), "learned": for_plan(session, now.astimezone())}


def _wished_record(session: Session, asked: OccasionAsk, more_moulds: int = 0) -> dict[str, Any]:
    """Return what is wished, as a file has it, with its confections in it, so many pieces as its boxes take.

    :param more_moulds: so many moulds of each kind besides those that there are.
    :raises BadInput: naming the field. :raises NotFound: a confection is not there.
    """
    if asked.ready_at is None:
        raise BadInput(("ready_at",), "No date is set.", "the day and time to be ready", "missing")
    if not asked.rows:
        raise BadInput(("rows",), "nothing goes into it yet", "a confection", "missing")
    settings, wishes = get_settings(session), asked.wishes
    confections = []
    for row in asked.rows:
        record = confection_record(session, row.confection_id)
        kind = str(record["form"]["vessel"].get("kind"))
        form = {**record["form"], **pieces_in(asked, row, kind)}
        if asks(kind, "halves"):
            form["owned"] = form.get("owned", 1) + more_moulds
        out_min = wishes.out_of_fridge_min
        dropped = row.confection_id in wishes.dropped
        confection = {**record, "form": form}
        confections.append({"confection": confection, "out_of_fridge_min": out_min, "dropped": dropped})
    return {
        "format": FORMAT,
        "version": 1,
        "name": asked.name,
        "ready_at": _wall(asked.ready_at),
        "cooks": wishes.cooks,
        "hours": {"from": wishes.hours_from, "to": wishes.hours_to},
        "away": [
            {"cook": gone.cook, "from": _wall(gone.from_at), "to": _wall(gone.to_at)}
            if gone.cook is not None
            else [_wall(gone.from_at), _wall(gone.to_at)]
            for gone in wishes.away
        ],
        "has": {name: count for name, count in asdict(wishes.has).items() if count is not None},
        "pot_g": asked.pot_g,
        "kitchen_c": settings.kitchen_c,
        "altitude_m": settings.altitude_m,
        "hands": wishes.hands,
        "confections": confections,
    }


def to_plan(session: Session, occasion_id: int, wall_now: datetime) -> dict[str, Any]:
    """Return what is planned: the occasion as a file, with what has happened and the order that there was.

    :raises BadInput: naming the field. :raises NotFound: there is no such occasion.
    """
    asked = get_occasion(session, occasion_id).asked
    happened = _happened(session, occasion_id)
    record = occasion_record(session, asked, clock_of(asked, happened, wall_now))
    order = session.get(OccasionOrderRow, occasion_id)
    if happened and order is not None:
        kept = json.loads(order.document)
        if kept.get("rows", _rows_of(asked)) != _rows_of(asked):
            allowed = "the same pieces, one left out at its tasks, or a new plan"
            raise BadInput(("rows",), "The pieces were changed after work began.", allowed, "changed")
        previous = kept.get("tasks", [])
        known = {task["id"] for task in previous}
        rows = [
            {"id": row.task, "starts_at": _wall(row.starts_at), "ends_at": row.ends_at and _wall(row.ends_at)}
            for row in happened
            if row.task in known
        ]
        record = {**record, "happened": rows, "previous": previous}
    return record


def keep_order(session: Session, occasion_id: int, answer: PlanAnswer, wall_now: datetime) -> None:
    """Keep an order as the one that is followed; one that cannot be is kept too, with its reasons.

    :raises NotFound: there is no such occasion.
    """
    rows = _rows_of(get_occasion(session, occasion_id).asked)
    row = session.get(OccasionOrderRow, occasion_id)
    kept = {**answer, "rows": rows, "basis": _basis(session, get_occasion(session, occasion_id).asked)}
    document = json.dumps(kept, ensure_ascii=False, allow_nan=False)
    if row is None:
        session.add(OccasionOrderRow(occasion_id=occasion_id, document=document, planned_at=wall_now))
    else:
        row.document, row.planned_at = document, wall_now
    session.flush()


def _rows_of(asked: OccasionAsk) -> list[int]:
    """Return the confections of an occasion in their places, which ids of tasks are made of."""
    return [row.confection_id for row in asked.rows]


def _basis(session: Session, asked: OccasionAsk) -> str | None:
    """Return a fingerprint of all that an order is planned for, but for the moment; None where nothing can be."""
    try:
        record = _wished_record(session, asked)
    except (BadInput, NotFound):
        return None
    begins_at = asked.wishes.begins_at and _wall(asked.wishes.begins_at)
    basis = json.dumps({**record, "name": None, "begins_at": begins_at}, sort_keys=True)
    return hashlib.sha256(basis.encode()).hexdigest()


def get_order(session: Session, occasion_id: int, wall_now: datetime) -> RunningOrder:
    """Return the order that is followed as it stands now; without tasks where none was planned yet.

    :raises NotFound: there is no such occasion.
    """
    asked = get_occasion(session, occasion_id).asked
    order = session.get(OccasionOrderRow, occasion_id)
    happened = _happened(session, occasion_id)
    now = clock_of(asked, happened, wall_now)
    answer: PlanAnswer | None = None
    basis = None
    if order is not None:
        kept = json.loads(order.document)
        kept.pop("rows", None)
        basis, answer = kept.pop("basis", None), kept
    states = tuple(_states(session, asked, answer, happened))
    ahead = [one for one in states if one.state == "ahead"]
    hands = [one for one in ahead if one.task["attended"]]
    running = [one for one in states if one.state == "running"]
    due = [one for one in hands if _moment(one.task["starts_at"]) <= now]
    then = next((one for one in hands if one not in due), None)
    limit = timedelta(minutes=LATE_MIN)
    late = tuple(one.task["id"] for one in due if now - _moment(one.task["starts_at"]) > limit)
    return RunningOrder(
        now=now,
        planned_at=None if order is None else order.planned_at,
        answer=answer,
        tasks=states,
        now_tasks=tuple(one.task["id"] for one in (*(one for one in running if one.task["attended"]), *due)),
        next_task=None if then is None else then.task["id"],
        waits=tuple(one.task["id"] for one in running if not one.task["attended"]),
        late=late,
        is_stale=basis is not None and basis != _basis(session, asked),
        is_off=bool(late) or any(_ran_over(one) for one in states),
        mended=None if answer is None else mended(asked, answer),
        visits=visits(one.task for one in states),
        learned=times_of_ones_own(session, now.astimezone()),
    )


def _ran_over(one: TaskState) -> bool:
    """Return whether a task that is done ended later than its order has it."""
    over = timedelta(minutes=OVER_MIN)
    return one.state == "done" and one.ended_at is not None and one.ended_at - _moment(one.task["ends_at"]) > over


def happen(
    session: Session, occasion_id: int, task: str, what: str, at: datetime | None, wall_now: datetime,
    *, is_timed: bool = False,
) -> None:  # fmt: skip
    """Note that a task was begun, is done, or was neither after all; a rest that follows begins by itself.

    :param is_timed: a cook notes both begin and end as they happen, so that how long it took teaches.

    :raises BadInput: at `task`, `what` or `at`. :raises NotFound: there is no such occasion.
    """
    order = get_order(session, occasion_id, wall_now)
    found = next((one for one in order.tasks if one.task["id"] == task), None)
    if found is None:
        raise BadInput(("task",), f"there is no task {task[:60]!r}", "a task of the order", "unknown")
    usual = found.task["starts_at"] if what == "begun" else found.task["ends_at"]
    is_over = order.answer is not None and wall_now >= _moment(order.answer["ready_at"])
    moment = check_wall_time(("at",), at or (max(order.now, _moment(usual)) if is_over else order.now))
    if what == "undone":
        session.execute(
            delete(OccasionHappeningRow).where(
                OccasionHappeningRow.occasion_id == occasion_id, OccasionHappeningRow.task == task
            )
        )
        forget_time(session, occasion_id, task)
        return
    if what not in ("begun", "done"):
        raise BadInput(("what",), f"unknown {what[:40]!r}", "begun, done or undone", "unknown")
    row = session.scalar(
        select(OccasionHappeningRow).where(
            OccasionHappeningRow.occasion_id == occasion_id, OccasionHappeningRow.task == task
        )
    )
    if row is None:
        planned = _moment(found.task["ends_at"]) - _moment(found.task["starts_at"])
        begun = moment if what == "begun" else max(moment - planned, _latest_before(order, found, moment))
        row = OccasionHappeningRow(occasion_id=occasion_id, task=task, starts_at=begun, ends_at=None)
        session.add(row)
    elif what == "done" and is_timed and row.ends_at is None and order.planned_at is not None:
        hands = get_occasion(session, occasion_id).asked.wishes.hands
        of, planned_at = found.confection_id, order.planned_at
        note_time(session, occasion_id, found.task, of, planned_at, row.starts_at, moment, hands)
    if what == "done":
        row.ends_at = max(moment, row.starts_at)
    session.flush()
    if what == "done":
        _rests_begin(session, occasion_id, order, task, row.ends_at or moment)


def _latest_before(order: RunningOrder, found: TaskState, moment: datetime) -> datetime:
    """Return the earliest moment at which a task that is only said to be done can have begun."""
    before = {after["id"] for after in found.task["after"]}
    ends = [one.ended_at for one in order.tasks if one.task["id"] in before and one.ended_at is not None]
    return min(moment, max(ends, default=datetime.min))


def _rests_begin(session: Session, occasion_id: int, order: RunningOrder, task: str, moment: datetime) -> None:
    """Begin each rest whose last job before it is done now: it needs nobody's hands."""
    done = {one.task["id"] for one in order.tasks if one.state == "done"} | {task}
    for one in order.tasks:
        before = [after["id"] for after in one.task["after"]]
        rests = one.state == "ahead" and not one.task["attended"] and one.task["job"] != "soften"
        if rests and task in before and set(before) <= done:
            session.add(
                OccasionHappeningRow(occasion_id=occasion_id, task=one.task["id"], starts_at=moment, ends_at=None)
            )
    session.flush()


def _states(
    session: Session, asked: OccasionAsk, answer: PlanAnswer | None, happened: list[OccasionHappeningRow]
) -> list[TaskState]:
    if answer is None or not answer["feasible"]:
        return []
    by_task = {row.task: row for row in happened}
    recipes = recipes_of(session, asked)
    found = []
    for task in answer["tasks"]:
        row = by_task.get(task["id"])
        position = task["for"][0]
        confection_id = asked.rows[position].confection_id if position < len(asked.rows) else None
        state: Progress = "ahead" if row is None else "done" if row.ends_at is not None else "running"
        found.append(
            TaskState(
                task=task,
                state=state,
                began_at=None if row is None else row.starts_at,
                ended_at=None if row is None else row.ends_at,
                recipe_id=recipes.get(task.get("recipe") or ""),
                confection_id=confection_id,
            )
        )
    return found


def _happened(session: Session, occasion_id: int) -> list[OccasionHappeningRow]:
    wanted = select(OccasionHappeningRow).where(OccasionHappeningRow.occasion_id == occasion_id)
    return list(session.scalars(wanted.order_by(OccasionHappeningRow.starts_at, OccasionHappeningRow.id)))


def clock_of(asked: OccasionAsk, happened: list[OccasionHappeningRow], wall_now: datetime) -> datetime:
    """Return the moment that an order is told at: now; of an occasion that is over, when something happened last."""
    if asked.ready_at is None or wall_now < asked.ready_at:
        return wall_now
    seen = [moment for row in happened for moment in (row.starts_at, row.ends_at) if moment is not None]
    begins_at = asked.wishes.begins_at or asked.ready_at - timedelta(days=4)
    return max([begins_at, *seen])


def _moment(text: str) -> datetime:
    return datetime.fromisoformat(text)


def _wall(at: datetime) -> str:
    return at.isoformat(timespec="minutes")


def order_calendar(session: Session, occasion_id: int, wall_now: datetime) -> bytes:
    """Return the order as iCalendar: what takes hands, under ids that stay when it is planned again.

    :raises NotFound: there is no such occasion.
    """
    name = get_occasion(session, occasion_id).asked.name
    order = get_order(session, occasion_id, wall_now)
    tasks = [one.task for one in order.tasks if one.task["attended"] or one.task["job"] == "soften"]
    return order_ics(tasks, name, f"occasion-{occasion_id}", order.planned_at or wall_now)


def forget_order(session: Session, occasion_id: int) -> None:
    """Forget the order and what has happened of it.

    :raises NotFound: there is no such occasion.
    """
    get_occasion(session, occasion_id)
    session.execute(delete(OccasionHappeningRow).where(OccasionHappeningRow.occasion_id == occasion_id))
    session.execute(delete(OccasionOrderRow).where(OccasionOrderRow.occasion_id == occasion_id))
