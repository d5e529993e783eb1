"""Work is done once: what a run at the Stove has done is done in the order, and the other way round."""

from datetime import UTC, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.stove.events import Happening, SetSeen, SetStarted, StepBegun
from hearth_bowl.core.stove.run import spans_of
from hearth_bowl.service.batch_events import Event, add_events, events_of
from hearth_bowl.service.moments import wall_of
from hearth_bowl.service.occasions import get_occasion
from hearth_bowl.service.running_order import SETS, RunningOrder, TaskState, get_order, happen
from hearth_bowl.service.snapshot import runs_for, snapshot_of
from hearth_bowl.store.models import BatchRow


def runs_report(session: Session, occasion_id: int, wall_now: datetime) -> None:
    """Take over what runs at the Stove did since the order was planned: a run of a recipe is the making of its mass.

    :raises NotFound: there is no such occasion.
    """
    order = get_order(session, occasion_id, wall_now)
    if order.planned_at is None:
        return
    since = order.planned_at.astimezone(UTC)
    _take_over_acts(session, occasion_id, order, since, wall_now)
    order = get_order(session, occasion_id, wall_now)
    taken: set[int] = set()
    for one in order.tasks:
        if one.recipe_id is None or one.recipe_id in taken:
            continue
        taken.add(one.recipe_id)
        wanted = select(BatchRow).where(BatchRow.recipe_id == one.recipe_id, BatchRow.started_at >= since)
        run = session.scalar(wanted.order_by(BatchRow.started_at))
        if run is not None:
            own = [other for other in order.tasks if other.recipe_id == one.recipe_id and other.task["attended"]]
            _take_over(session, occasion_id, own, run, wall_now)
            _take_over_set(session, occasion_id, {other.task["id"] for other in own}, run, wall_now)


def tell_runs(session: Session, occasion_id: int, wall_now: datetime) -> None:
    """Take what is done in the order over to the runs that go on at the Stove: each goes to its first act that is not.

    :raises NotFound: there is no such occasion.
    """
    order = get_order(session, occasion_id, wall_now)
    if order.planned_at is None:
        return
    done = {act for one in order.tasks if one.state == "done" for act in one.task.get("acts", [])}
    for position, row in enumerate(get_occasion(session, occasion_id).asked.rows):
        wanted = runs_for(row.confection_id, order.planned_at.astimezone(UTC)).where(BatchRow.ended_at.is_(None))
        for run in session.scalars(wanted):
            steps = snapshot_of(session, run).steps
            is_done = [f"c{position}.{step.act_id}" in done for step in steps[run.step : -1]]
            ahead = run.step + next((at for at, one in enumerate(is_done) if not one), len(is_done))
            if ahead > run.step:
                what = StepBegun(step=ahead, key=steps[ahead].key)
                now = wall_now.astimezone(UTC)
                event = Event(client_key=f"order {occasion_id} {ahead} {now.isoformat()}", at=now, what=what)
                add_events(session, run.id, [event], now)


def _take_over_acts(
    session: Session, occasion_id: int, order: RunningOrder, since: datetime, wall_now: datetime
) -> None:
    """Take over what runs made for a confection of the order have done: a task is done once all its acts are."""
    rows = get_occasion(session, occasion_id).asked.rows
    for position, row in enumerate(rows):
        wanted = runs_for(row.confection_id, since)
        done: dict[str, datetime] = {}
        begun: dict[str, datetime] = {}
        for run in session.scalars(wanted):
            _acts_of(session, run, f"c{position}.", begun, done)
        for one in order.tasks if done or begun else ():
            acts = [act for act in one.task.get("acts", []) if not act.endswith(".weigh")]
            if not acts or one.state == "done":
                continue
            if all(act in done for act in acts):
                happen(session, occasion_id, one.task["id"], "done", wall_of(max(done[act] for act in acts)), wall_now)
            elif one.state == "ahead" and (went := [begun[act] for act in acts if act in begun]):
                happen(session, occasion_id, one.task["id"], "begun", wall_of(min(went)), wall_now)


def _acts_of(
    session: Session, run: BatchRow, prefix: str, begun: dict[str, datetime], done: dict[str, datetime]
) -> None:
    """Note when each act of a run was begun, and when it was done."""
    steps = snapshot_of(session, run).steps
    happened: list[tuple[datetime | None, Happening]] = [(event.at, event.what) for event in events_of(session, run.id)]
    for number, at, end in spans_of(happened, run.ended_at):
        act = steps[number].act_id if number < len(steps) else ""
        assert at is not None
        if act:
            begun.setdefault(prefix + act, at)
            if end is not None:
                done[prefix + act] = end


def _take_over(session: Session, occasion_id: int, own: list[TaskState], run: BatchRow, wall_now: datetime) -> None:
    started, ended = wall_of(run.started_at), None if run.ended_at is None else wall_of(run.ended_at)
    if own[0].state == "ahead":
        happen(session, occasion_id, own[0].task["id"], "begun", started, wall_now)
    if ended is not None:
        for one in own:
            if one.state != "done":
                happen(session, occasion_id, one.task["id"], "done", ended, wall_now)


def _take_over_set(session: Session, occasion_id: int, made: set[str], run: BatchRow, wall_now: datetime) -> None:
    """Take over what the set clock says: the mass went in, so it is made and rests; its cue passed, it is set."""
    happened = events_of(session, run.id)
    went_in = next((event.at for event in reversed(happened) if isinstance(event.what, SetStarted)), None)
    if went_in is None:
        return
    passed = (event.at for event in happened if isinstance(event.what, SetSeen) and event.what.passed)
    is_set = next((at for at in passed if at >= went_in), None)
    for one in get_order(session, occasion_id, wall_now).tasks:
        if one.task["id"] in made and one.state != "done":
            happen(session, occasion_id, one.task["id"], "done", wall_of(went_in), wall_now)
    for one in get_order(session, occasion_id, wall_now).tasks:
        if one.task["job"] not in SETS or not made & {after["id"] for after in one.task["after"]}:
            continue
        if one.state == "ahead":
            happen(session, occasion_id, one.task["id"], "begun", wall_of(went_in), wall_now)
        if is_set is not None and one.state != "done":
            happen(session, occasion_id, one.task["id"], "done", wall_of(is_set), wall_now)
