"""How long tasks of an order took: kept with the order, learned from like a batch."""

from datetime import UTC, datetime

from sqlalchemy import delete
from sqlalchemy.orm import Session

from hearth_bowl.core.learn.timed_task import job_of, lesson_of_task
from hearth_bowl.formats.occasion_file import TaskAnswer
from hearth_bowl.service.learned import factor_of
from hearth_bowl.service.snapshot import runs_for
from hearth_bowl.store.models import TimedTaskRow


def note_time(
    session: Session, occasion_id: int, task: TaskAnswer, confection_id: int | None, planned_at: datetime,
    began_at: datetime, ended_at: datetime, hands: float,
) -> None:  # fmt: skip
    """Keep what a task teaches that was begun and is done now.

    What is made at the Stove since the order was planned teaches by its batch, and is not counted twice.

    :param hands: how much slower than usual this occasion's hands are planned. Moments are on the wall.
    """
    job = job_of(task.get("acts", []))
    since = planned_at.astimezone(UTC)
    is_at_stove = confection_id is not None and session.scalar(runs_for(confection_id, since).limit(1)) is not None
    if job is None or not task["attended"] or is_at_stove:
        return
    at = ended_at.astimezone(UTC)
    planned = (datetime.fromisoformat(task["ends_at"]) - datetime.fromisoformat(task["starts_at"])).total_seconds() / 60
    pace = hands * factor_of(session, f"hands:{job}", at)
    took_min = (ended_at - began_at).total_seconds() / 60
    lesson = lesson_of_task(task["title"], task.get("acts", []), planned, pace, took_min)
    if lesson is not None:
        forget_time(session, occasion_id, task["id"])
        session.add(
            TimedTaskRow(
                occasion_id=occasion_id,
                task=task["id"],
                what=lesson.what,
                predicted=lesson.predicted,
                observed=lesson.observed,
                says=lesson.says,
                at=at,
            )
        )
        session.flush()


def forget_time(session: Session, occasion_id: int, task: str) -> None:
    """Forget how long a task took: it is not done after all."""
    session.execute(delete(TimedTaskRow).where(TimedTaskRow.occasion_id == occasion_id, TimedTaskRow.task == task))
