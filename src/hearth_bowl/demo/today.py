"""Move the demo's open evening to tomorrow, whatever day the demo is started on, as long as nobody has changed it."""

import json
from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any, cast

from sqlalchemy import delete, select

from hearth_bowl.demo.occasion import BOXES, READY_AT, WISHES
from hearth_bowl.formats.occasion_file import PlanAnswer
from hearth_bowl.service import occasions, running_order
from hearth_bowl.service.occasions import OccasionAsk, WishesAsk
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import OccasionHappeningRow, OccasionOrderRow, OccasionRow

OCCASION_ID = 1
"""The open evening's. By definition."""
MOMENTS = ("starts_at", "ends_at")


def move_to_tomorrow(database: Database, now: datetime) -> bool:
    """Move the open evening to the day after a moment, with its order, of which what was to be done by then is done.

    :param now: on the kitchen's own clock, without a zone.
    :return: whether it was moved: not where it was changed, worked at, or is that day already.
    """
    with database.writing() as session:
        row, order = session.get(OccasionRow, OCCASION_ID), session.get(OccasionOrderRow, OCCASION_ID)
        if row is None or order is None or row.ready_at is None:
            return False
        stored = occasions.get_occasion(session, OCCASION_ID)
        by = timedelta(days=(now.date() + timedelta(days=1) - row.ready_at.date()).days)
        answer = json.loads(order.document)
        done = session.scalars(
            select(OccasionHappeningRow).where(OccasionHappeningRow.occasion_id == OCCASION_ID)
        ).all()
        if not by or not _is_untouched(stored.asked, answer, done):
            return False
        asked = replace(stored.asked, ready_at=row.ready_at + by, wishes=_moved_wishes(stored.asked.wishes, by))
        occasions.save_occasion(session, OCCASION_ID, asked, stored.revision, row.changed_at)
        moved = _moved_answer(answer, by)
        running_order.keep_order(session, OCCASION_ID, moved, order.planned_at + by)
        session.execute(delete(OccasionHappeningRow).where(OccasionHappeningRow.occasion_id == OCCASION_ID))
        session.add_all(_happened_by(moved, now))
    return True


def _is_untouched(asked: OccasionAsk, answer: dict[str, Any], done: Any) -> bool:
    """Return whether an occasion is the demo's, moved at most, and nothing was ticked but by the demo itself."""
    if asked.ready_at is None or asked.boxes != BOXES:
        return False
    if asked.wishes != _moved_wishes(WISHES, asked.ready_at - READY_AT):
        return False
    if answer.get("rows", []) != [row.confection_id for row in asked.rows]:
        return False
    planned = {task["id"]: [datetime.fromisoformat(task[name]) for name in MOMENTS] for task in answer["tasks"]}
    return all([row.starts_at, row.ends_at or planned[row.task][1]] == planned.get(row.task) for row in done)


def _moved_wishes(wishes: WishesAsk, by: timedelta) -> WishesAsk:
    away = tuple(replace(one, from_at=one.from_at + by, to_at=one.to_at + by) for one in wishes.away)
    begins_at = None if wishes.begins_at is None else wishes.begins_at + by
    return replace(wishes, away=away, begins_at=begins_at)


def _moved_answer(answer: dict[str, Any], by: timedelta) -> PlanAnswer:
    tasks = [{**task, **_moved(task, MOMENTS, by)} for task in answer["tasks"]]
    return cast(PlanAnswer, {**answer, **_moved(answer, ("starts_at", "ready_at"), by), "tasks": tasks})


def _moved(row: dict[str, Any], names: tuple[str, ...], by: timedelta) -> dict[str, str]:
    return {name: (datetime.fromisoformat(row[name]) + by).isoformat(timespec="minutes") for name in names}


def _happened_by(answer: PlanAnswer, now: datetime) -> list[OccasionHappeningRow]:
    """Return what of an order was to be begun by a moment as having happened as planned."""
    found = []
    for task in answer["tasks"]:
        starts_at, ends_at = datetime.fromisoformat(task["starts_at"]), datetime.fromisoformat(task["ends_at"])
        if starts_at < now:
            ended = ends_at if ends_at <= now else None
            found.append(
                OccasionHappeningRow(occasion_id=OCCASION_ID, task=task["id"], starts_at=starts_at, ends_at=ended)
            )
    return found
