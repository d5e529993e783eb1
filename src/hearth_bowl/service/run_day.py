"""Day of a run: the tasks of today's running order, of every confection, so that one run at the Stove follows them."""

from dataclasses import dataclass
from datetime import UTC, datetime

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.service.batches import batch_row
from hearth_bowl.service.confections import get_confection, worked_of
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.occasions import StoredOccasion, occasions_ahead
from hearth_bowl.service.order_runs import runs_report
from hearth_bowl.service.run_line import Went, main_mix, mixes_of, went_of
from hearth_bowl.service.running_order import Progress, RunningOrder, TaskState, get_order
from hearth_bowl.service.snapshot import runs_for, snapshot_of


@dataclass(frozen=True, slots=True, kw_only=True)
class DayTask:
    """Task of today's order, and where the Stove opens for it.

    `acts` are its acts as a run has them. `recipe_id` is the mix to open (None: nothing of it is done at the Stove),
    `batch_id` and `step` (with its `key`) its first act that is not done; None while its batch is not begun.
    """

    id: str
    title: str
    starts_at: datetime
    attended: bool
    state: Progress
    acts: tuple[str, ...]
    confection: str
    confection_id: int
    recipe_id: int | None
    batch_id: int | None
    step: int | None
    key: str


@dataclass(frozen=True, slots=True, kw_only=True)
class RunDay:
    """Today's part of the running order that a run belongs to, by the kitchen's own clock."""

    occasion_id: int
    name: str
    tasks: tuple[DayTask, ...]


def day_of(session: Session, batch_id: int, wall_now: datetime) -> RunDay | None:
    """Return today's tasks of the order that a run is made for; None where it is made for none that goes on.

    What the run has done is done in the order first.

    :raises NotFound: there is no such batch.
    """
    snapshot = snapshot_of(session, batch_row(session, batch_id))
    confection_id = snapshot.confection_id
    if confection_id is None:
        return None
    for occasion in occasions_ahead(session, confection_id, wall_now):
        if snapshot.occasion_id not in (None, occasion.id):
            continue
        runs_report(session, occasion.id, wall_now)
        order = get_order(session, occasion.id, wall_now)
        today = [one for one in order.tasks if _is_of_today(one, wall_now)]
        if any(one.confection_id == confection_id for one in today):
            return RunDay(
                occasion_id=occasion.id, name=occasion.asked.name, tasks=_tasks(session, occasion, order, today)
            )
    return None


def _is_of_today(one: TaskState, wall_now: datetime) -> bool:
    """Return whether a task begins today, goes on, or should have been begun before."""
    begins = datetime.fromisoformat(one.task["starts_at"])
    if one.state == "done":
        return begins.date() == wall_now.date()
    return one.state == "running" or begins.date() <= wall_now.date()


def _tasks(
    session: Session, occasion: StoredOccasion, order: RunningOrder, today: list[TaskState]
) -> tuple[DayTask, ...]:
    opened = {row.confection_id: _Opens.of(session, row.confection_id, order) for row in occasion.asked.rows}
    found = []
    for one in today:
        if one.confection_id is None:
            continue
        acts = tuple(act.split(".", 1)[1] for act in one.task["acts"] if act.startswith(f"c{one.task['for'][0]}."))
        opens = opened[one.confection_id]
        batch_id, step, key = opens.place(acts)
        found.append(
            DayTask(
                id=one.task["id"],
                title=one.task["title"],
                starts_at=datetime.fromisoformat(one.task["starts_at"]),
                attended=one.task["attended"],
                state=one.state,
                acts=acts,
                confection=opens.name,
                confection_id=one.confection_id,
                recipe_id=opens.mix(acts),
                batch_id=batch_id,
                step=step,
                key=key,
            )
        )
    return tuple(sorted(found, key=lambda task: task.starts_at))


@dataclass(frozen=True, slots=True, kw_only=True)
class _Opens:
    """Where the Stove opens for the acts of a confection: its mixes, and the batches of them that were begun."""

    name: str
    mixes: tuple[int, ...]
    main: int
    steps: dict[str, tuple[int, int, str, Went]]

    @classmethod
    def of(cls, session: Session, confection_id: int, order: RunningOrder) -> "_Opens":
        asked = get_confection(session, confection_id).asked
        try:
            worked = worked_of(session, asked)
            mixes, main = mixes_of(session, confection_id, worked), main_mix(worked)
        except (BadInput, NotFound):
            mixes, main = (), 0
        steps: dict[str, tuple[int, int, str, Went]] = {}
        if order.planned_at is not None:
            for run in session.scalars(runs_for(confection_id, order.planned_at.astimezone(UTC))):
                went = went_of(session, run)
                for at, step in enumerate(snapshot_of(session, run).steps):
                    steps[step.act_id] = (run.id, at, step.key, went)
        return cls(name=asked.name, mixes=mixes, main=main, steps=steps)

    def mix(self, acts: tuple[str, ...]) -> int | None:
        """Return the recipe of the mix that does some acts; the main one does what is done with the piece."""
        if not acts or not self.mixes:
            return None
        first = acts[0].split(".", 1)[0]
        number = int(first[1:]) if first[:1] == "m" and first[1:].isdigit() else self.main
        return self.mixes[number] if number < len(self.mixes) else None

    def place(self, acts: tuple[str, ...]) -> tuple[int | None, int | None, str]:
        """Return the batch, step and key of the first of some acts that is not done."""
        begun = [self.steps[act] for act in acts if act in self.steps]
        for batch, at, key, went in begun:
            if at > went.step or (at == went.step and not went.is_done):
                return batch, at, key
        return (None, None, "") if not begun else begun[-1][:3]
