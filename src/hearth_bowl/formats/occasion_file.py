"""The occasion file: `hearth-bowl/occasion`, version 1, and its running order as an answer. Moments are local wall
time."""

import re
from collections.abc import Mapping
from dataclasses import replace
from datetime import datetime, timedelta
from math import inf
from typing import Any, Final, NotRequired

from typing_extensions import TypedDict

from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.plan.answer import Change, Order, Plan, Refusal, Task, Why
from hearth_bowl.core.plan.days import DAY_MIN, Away, Hours
from hearth_bowl.core.plan.occasion import MOST_CONFECTIONS, Happened, Occasion, Wanted
from hearth_bowl.core.plan.why import why_it_begins
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.strict_json import check_format, read_json, text

FORMAT: Final = "hearth-bowl/occasion"
MOST_ROWS: Final = 1000
"""Absences, happenings and earlier tasks of one file: a limit."""
OWN_ID: Final = re.compile(r"(?!c\d+$|m\d+$)[A-Za-z0-9_-]{1,40}")
"""What the ids of a confection's tasks may begin with: not what the plan's own begin with."""
TAKEN_IDS: Final = frozenset({"temper", "melt", "wash", "pack"})
USUAL_HOURS: Final = {"from": "08:00", "to": "22:00"}


class AfterAnswer(TypedDict):
    """What a task comes after, at least and at most so many minutes."""

    id: str
    least_min: int
    most_min: int | None


class TakenAnswer(TypedDict):
    """An ingredient that goes in at a task, and how much of it."""

    name: str
    g: float


TaskAnswer = TypedDict(
    "TaskAnswer",
    {
        "id": str,
        "confection": int | None,
        "for": list[int],
        "job": str,
        "title": str,
        "starts_at": str,
        "ends_at": str,
        "attended": bool,
        "cook": int | None,
        "uses": dict[str, int],
        "vessel": str | None,
        "holds": list[str],
        "recipe": str | None,
        "acts": list[str],
        "takes": NotRequired[list[TakenAnswer]],
        "after": list[AfterAnswer],
        "because": str,
        "slack_min": int,
        "held_by": str,
        "moved": bool,
    },
)
"""A task of the running order; `moved`: it stood elsewhere in the earlier order."""


class CodedAnswer(TypedDict):
    """Something that is told, with its code."""

    code: str
    message: str


class ChangeAnswer(TypedDict):
    """A change that mends it, alone or with others `together`; `becomes` is what of the file it changes."""

    what: str
    message: str
    by_min: int
    becomes: dict[str, Any]


class GapAnswer(TypedDict):
    """By how much each goal might still be better, in its own weights; None: not looked into."""

    calm: float | None
    freshness: float | None


class PlanAnswer(TypedDict):
    """The answer of `plan`: an order, or why there is none; `feasible` is null where neither was found in the time."""

    feasible: bool | None
    proved: NotRequired[bool]
    gap: NotRequired[GapAnswer]
    starts_at: NotRequired[str]
    starts_because: NotRequired[str]
    ready_at: NotRequired[str]
    hands_on_min: NotRequired[int]
    tasks: NotRequired[list[TaskAnswer]]
    warnings: NotRequired[list[CodedAnswer]]
    because: NotRequired[list[CodedAnswer]]
    least_change: NotRequired[ChangeAnswer | None]
    together: NotRequired[list[ChangeAnswer] | None]


def read_occasion(data: bytes, waits: str = "slow") -> tuple[Occasion, datetime]:
    """Return the occasion of a file, and the midnight that its minutes are counted from.

    :raises BadInput: naming the field as the file has it.
    """
    return occasion_from(read_json(data, "occasion"), waits)


def occasion_from(record: Mapping[str, Any], waits: str = "slow") -> tuple[Occasion, datetime]:
    """Return the occasion of a decoded file, and the midnight that its minutes are counted from."""
    check_format(record, FORMAT)
    now = _moment(("now",), record.get("now"))
    midnight = now.replace(hour=0, minute=0, second=0, microsecond=0)
    kitchen = Kitchen(altitude_m=check_number(("altitude_m",), record.get("altitude_m", 0.0), -500, 9000, "m"))
    occasion = Occasion(
        name=text(record, "name", "Occasion"),
        now_min=_since(midnight, now),
        ready_min=_since(midnight, _moment(("ready_at",), record.get("ready_at"))),
        wanted=tuple(_wanted(position, row, kitchen) for position, row in enumerate(_rows(record, "confections"))),
        cooks=_whole(("cooks",), record.get("cooks", 1)),
        hours=_hours(record.get("hours", USUAL_HOURS)),
        away=tuple(_away(position, row, midnight) for position, row in enumerate(_rows(record, "away"))),
        has=_has(record.get("has", {})),
        pot_g=None
        if record.get("pot_g") is None
        else check_number(("pot_g",), record["pot_g"], 0, 1e6, "g", above=True),
        slow=waits == "slow",
        kitchen=kitchen,
        kitchen_c=check_number(("kitchen_c",), record.get("kitchen_c", 20.0), -10, 45, "°C"),
        hands=check_number(("hands",), record.get("hands", 1.0), 0.2, 5),
        **_learned(record.get("learned") or {}),
        happened=tuple(_happened(position, row, midnight) for position, row in enumerate(_rows(record, "happened"))),
    )
    own = [wanted.id for wanted in occasion.wanted if wanted.id]
    if len(set(own)) < len(own):
        raise BadInput(("confections",), "Two confections have one id.", "an id of its own for each", "not-allowed")
    starts, cooks = {}, {}
    for position, row in enumerate(_rows(record, "previous")):
        if not isinstance(row, dict) or not isinstance(row.get("id"), str):
            raise BadInput(("previous", position, "id"), "is missing", "a task of an earlier answer", "missing")
        starts[row["id"]] = _since(midnight, _moment(("previous", position, "starts_at"), row.get("starts_at")))
        if isinstance(row.get("cook"), int):
            cooks[row["id"]] = row["cook"]
    return replace(occasion, previous=starts, previous_cooks=cooks), midnight


def _rows(record: Mapping[str, Any], name: str) -> list[Any]:
    rows = record.get(name) or []
    most = MOST_CONFECTIONS if name == "confections" else MOST_ROWS
    if not isinstance(rows, list):
        raise BadInput((name,), "not a list", "a list", "wrong-type")
    if len(rows) > most:
        raise BadInput((name,), f"{len(rows)} entries", f"up to {most}", "out-of-range")
    return rows


def _wanted(position: int, row: Any, kitchen: Kitchen) -> Wanted:
    try:
        if not isinstance(row, dict) or not isinstance(row.get("confection"), dict):
            raise BadInput(("confection",), "is missing", "a confection file's content", "missing")
        try:
            worked = work_out(confection_from(row["confection"]), kitchen)
        except BadInput as problem:
            raise problem.under("confection") from None
        out_min = _whole(("out_of_fridge_min",), row.get("out_of_fridge_min", 0))
        if not isinstance(row.get("dropped", False), bool):
            raise BadInput(("dropped",), "not true or false", "true or false", "wrong-type")
        return Wanted(worked=worked, out_of_fridge_min=out_min, dropped=row.get("dropped", False), id=_own_id(row))
    except BadInput as problem:
        raise problem.under("confections", position) from None


def _own_id(row: Mapping[str, Any]) -> str:
    found = row.get("id")
    if found is None:
        return ""
    if not isinstance(found, str) or not OWN_ID.fullmatch(found) or found in TAKEN_IDS:
        allowed = "letters, digits, - and _, up to 40, such as truffles"
        raise BadInput(("id",), f"“{str(found)[:40]}” cannot begin the ids of tasks.", allowed, "wrong-type")
    return found


def _hours(value: Any) -> Hours:
    if not isinstance(value, dict):
        raise BadInput(("hours",), "not an object", "from and to, such as 08:00 and 22:00", "wrong-type")
    given = {**USUAL_HOURS, **value}
    return Hours(from_min=_of_day(("hours", "from"), given["from"]), to_min=_of_day(("hours", "to"), given["to"]))


def _of_day(path: tuple[str | int, ...], value: Any) -> int:
    allowed = "a time of day such as 08:00, up to 24:00"
    if not isinstance(value, str):
        raise BadInput(path, "not a time of day", allowed, "wrong-type")
    try:
        if value in ("24:00", "24:00:00"):
            return DAY_MIN
        at = datetime.strptime(value[:5], "%H:%M")
    except ValueError:
        raise BadInput(path, f"{value[:20]!r} is no time of day", allowed, "wrong-type") from None
    return 60 * at.hour + at.minute


def _away(position: int, row: Any, midnight: datetime) -> Away:
    path = ("away", position)
    if isinstance(row, dict):
        first, last, cook = row.get("from"), row.get("to"), row.get("cook")
    elif isinstance(row, list) and len(row) == 2:
        first, last, cook = row[0], row[1], None
    else:
        raise BadInput(path, "not an absence", "a pair of moments, or cook, from and to", "wrong-type")
    return Away(
        from_min=_since(midnight, _moment((*path, "from"), first)),
        to_min=_since(midnight, _moment((*path, "to"), last)),
        cook=None if cook is None else _whole((*path, "cook"), cook),
    )


def _has(value: Any) -> dict[str, int]:
    if not isinstance(value, dict):
        raise BadInput(("has",), "not an object", "places with their numbers, such as rings: 2", "wrong-type")
    return {str(name): _whole(("has", str(name)[:60]), count) for name, count in value.items() if count is not None}


def _happened(position: int, row: Any, midnight: datetime) -> Happened:
    path = ("happened", position)
    if not isinstance(row, dict) or not isinstance(row.get("id"), str):
        raise BadInput((*path, "id"), "is missing", "the id of a task", "missing")
    ended = row.get("ends_at")
    return Happened(
        id=row["id"],
        start_min=_since(midnight, _moment((*path, "starts_at"), row.get("starts_at"))),
        end_min=None if ended is None else _since(midnight, _moment((*path, "ends_at"), ended)),
    )


def _whole(path: tuple[str | int, ...], value: Any) -> int:
    if isinstance(value, bool) or not isinstance(value, int):
        raise BadInput(path, "not a whole number", "a whole number", "wrong-type")
    return value


def _moment(path: tuple[str | int, ...], value: Any) -> datetime:
    allowed = "a local moment such as 2026-08-14T19:30"
    if value is None:
        raise BadInput(path, "is missing", allowed, "missing")
    try:
        at = datetime.fromisoformat(value)
    except (TypeError, ValueError):
        raise BadInput(path, f"{str(value)[:40]!r} is no moment", allowed, "wrong-type") from None
    if at.tzinfo is not None:
        raise BadInput(path, "has a zone", allowed, "wrong-type")
    return at


def _learned(record: Any) -> dict[str, Any]:
    """Return what this kitchen's batches taught: factors by job, and (factor, low, high, batches) of cooling by
    place."""
    if not isinstance(record, dict):
        raise BadInput(("learned",), "not an object", "hands and cooling", "wrong-type")
    hands = {
        job: check_number(("learned", "hands", job), value, 0.05, 20)
        for job, value in (record.get("hands") or {}).items()
    }
    cools = {}
    for place, row in (record.get("cooling") or {}).items():
        if not isinstance(row, list) or len(row) != 4:
            raise BadInput(
                ("learned", "cooling", place), "not four numbers", "factor, low, high, batches", "wrong-type"
            )
        factor, low, high, batches = (check_number(("learned", "cooling", place), value, 0, 1e4) for value in row)
        cools[place] = Learned(factor=factor, low=low, high=high, batches=int(batches))
    return {"hands_by_job": hands, "cools": cools}


def _since(midnight: datetime, at: datetime) -> int:
    return int((at - midnight).total_seconds() // 60)


def plan_answer(plan: Plan, midnight: datetime) -> PlanAnswer:
    """Return the answer of `plan`."""
    if plan.order is None:
        return _refused(plan.refusal, midnight)
    order = plan.order
    return {
        "feasible": True,
        "proved": order.proved,
        "gap": _gap(order),
        "starts_at": wall(midnight, order.tasks[0].start_min),
        "starts_because": why_it_begins(order, plan.why),
        "ready_at": wall(midnight, plan.occasion.ready_min),
        "hands_on_min": sum(task.end_min - task.start_min for task in order.tasks if task.job.hands_on),
        "tasks": [task_answer(task, plan.why[task.job.id], midnight, plan.occasion) for task in order.tasks],
        "warnings": _warnings(plan, order),
    }


def _warnings(plan: Plan, order: Order) -> list[CodedAnswer]:
    titles = {task.job.id: task.job.title for task in order.tasks}
    found: list[CodedAnswer] = [
        {"code": "waited-too-long", "message": f"{titles.get(job, job)}: it waited longer than it should"}
        for job, _ in order.late
    ]
    found += [{"code": "out-of-cold", "message": words} for words in plan.cautions]
    if plan.occasion.happened and not plan.occasion.slow:
        message = "rests are taken at the middle of their bands, not at the slow end: look before you go on"
        found.append({"code": "shorter-rests", "message": message})
    return found


def _gap(order: Order) -> GapAnswer:
    found = [None if gap == inf else gap for gap in order.gaps]
    calm, freshness = [*found, None, None][:2]
    return {"calm": calm, "freshness": freshness}


def task_answer(task: Task, why: Why, midnight: datetime, occasion: Occasion) -> TaskAnswer:
    """Return a task as the contract has it."""
    job = task.job
    return {
        "id": job.id,
        "confection": job.confections[0] if len(job.confections) == 1 else None,
        "for": list(job.confections),
        "job": job.kind,
        "title": job.title,
        "starts_at": wall(midnight, task.start_min),
        "ends_at": wall(midnight, task.end_min),
        "attended": job.hands_on,
        "cook": task.cook,
        "uses": dict(job.uses),
        "vessel": job.vessel,
        "holds": sorted(job.holds),
        "recipe": job.recipe,
        "acts": list(job.acts),
        "takes": [{"name": name, "g": g} for name, g in job.takes],
        "after": [{"id": one.id, "least_min": one.least_min, "most_min": one.most_min} for one in job.after],
        "because": f"{job.because}; {why.says}",
        "slack_min": why.slack_min,
        "held_by": why.held_by,
        "moved": bool(occasion.previous) and occasion.previous.get(job.id) != task.start_min,
    }


def _refused(refusal: Refusal | None, midnight: datetime) -> PlanAnswer:
    least = None if refusal is None else refusal.least
    answer: PlanAnswer = {
        "feasible": False if refusal is None or refusal.is_decided else None,
        "because": [{"code": row.code, "message": row.message} for row in (() if refusal is None else refusal.because)],
        "least_change": None if least is None else _change_answer(least, midnight),
    }
    if refusal is not None:
        together = [_change_answer(change, midnight) for change in refusal.together]
        answer["together"] = together or None
    return answer


def _change_answer(change: Change, midnight: datetime) -> ChangeAnswer:
    becomes = _becomes(change, midnight)
    return {"what": change.what, "message": change.message, "by_min": change.by_min, "becomes": becomes}


def _becomes(change: Change, midnight: datetime) -> dict[str, Any]:
    """Return what of the file a change changes, with its new value."""
    after = change.occasion
    match change.what:
        case "ready_at":
            return {"ready_at": wall(midnight, after.ready_min)}
        case "hours":
            return {"hours": {"from": _clock(after.hours.from_min), "to": _clock(after.hours.to_min)}}
        case "cooks":
            return {"cooks": after.cooks}
        case "has":
            return {"has": dict(after.has)}
        case "away":
            return {"away": [_away_record(gone, midnight) for gone in after.away]}
        case _:
            return {"leave_out": change.leave_out}


def _away_record(gone: Away, midnight: datetime) -> Any:
    first, last = wall(midnight, gone.from_min), wall(midnight, gone.to_min)
    return [first, last] if gone.cook is None else {"cook": gone.cook, "from": first, "to": last}


def wall(midnight: datetime, minute: int) -> str:
    """Return a moment as local wall time."""
    return (midnight + timedelta(minutes=minute)).isoformat(timespec="minutes")


def _clock(minute: int) -> str:
    return f"{minute // 60:02d}:{minute % 60:02d}"
