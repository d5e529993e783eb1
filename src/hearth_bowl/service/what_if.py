"""An occasion with a wish otherwise: as the cook tries it, or as the least change that mends it."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from typing import Any

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.plan.days import PARTS_OF_DAY_MIN
from hearth_bowl.formats.occasion_file import PlanAnswer, TaskAnswer
from hearth_bowl.service.occasions import AwayAsk, OccasionAsk


@dataclass(frozen=True, slots=True, kw_only=True)
class WhatIf:
    """What an order would be with one wish otherwise: whether there is one, when it begins, hands and visits.

    `asked` is the occasion so; None where what is otherwise is no wish of it, as a mould more.
    """

    feasible: bool
    proved: bool
    starts_at: datetime | None
    hands_on_min: int
    visits: int
    because: tuple[str, ...]
    asked: OccasionAsk | None


def what_if(answer: PlanAnswer, asked: OccasionAsk | None) -> WhatIf:
    """Return what is told of an order that was only tried."""
    if not answer["feasible"]:
        because = tuple(row["message"] for row in answer["because"])
        return WhatIf(
            feasible=False, proved=False, starts_at=None, hands_on_min=0, visits=0, because=because, asked=asked
        )
    return WhatIf(
        feasible=True,
        proved=answer["proved"],
        starts_at=datetime.fromisoformat(answer["starts_at"]),
        hands_on_min=answer["hands_on_min"],
        visits=visits(answer["tasks"]),
        because=(),
        asked=asked,
    )


def with_change(asked: OccasionAsk, change: str) -> OccasionAsk:
    """Return an occasion with one wish otherwise: one more pair of hands, longer hours, a day later, without a kind.

    :raises BadInput: at `change`.
    """
    wishes = asked.wishes
    match change.split(":"):
        case ["cook"]:
            return replace(asked, wishes=replace(wishes, cooks=wishes.cooks + 1))
        case ["mould"]:
            return asked
        case ["hours"]:
            return replace(asked, wishes=replace(wishes, hours_from="06:00", hours_to="24:00"))
        case ["never-away"]:
            return replace(asked, wishes=replace(wishes, away=()))
        case ["later"] if asked.ready_at is not None:
            return replace(asked, ready_at=asked.ready_at + timedelta(days=1))
        case ["without", position] if position.isdigit() and int(position) < len(asked.rows) > 1:
            return _without(asked, int(position))
        case _:
            allowed = "cook, mould, hours, never-away, later, without:N"
            raise BadInput(("change",), f"unknown {change[:40]!r}", allowed, "unknown")


def mended(asked: OccasionAsk, answer: PlanAnswer) -> OccasionAsk | None:
    """Return an occasion with the least change that was found to mend it, or those that do together; None where there
    is none."""
    least = answer.get("least_change")
    changes = [least] if least else answer.get("together") or []
    if isinstance(changes, dict):
        changes = [changes]  # as an order from before was kept
    for change in changes:
        asked = _with(asked, change["becomes"])
    return asked if changes else None


def _with(asked: OccasionAsk, becomes: Mapping[str, Any]) -> OccasionAsk:
    """Return an occasion with what of its file becomes otherwise."""
    wishes = asked.wishes
    if "hours" in becomes:
        wishes = replace(wishes, hours_from=becomes["hours"]["from"], hours_to=becomes["hours"]["to"])
    if "cooks" in becomes:
        wishes = replace(wishes, cooks=becomes["cooks"])
    if "has" in becomes:
        wishes = replace(wishes, has=replace(wishes.has, **becomes["has"]))
    if "away" in becomes:
        wishes = replace(wishes, away=tuple(_away_of(row) for row in becomes["away"]))
    ready_at = datetime.fromisoformat(becomes["ready_at"]) if "ready_at" in becomes else asked.ready_at
    changed = replace(asked, wishes=wishes, ready_at=ready_at)
    return _without(changed, becomes["leave_out"]) if "leave_out" in becomes else changed


def _without(asked: OccasionAsk, position: int) -> OccasionAsk:
    gone = asked.rows[position].confection_id
    return replace(asked, wishes=replace(asked.wishes, dropped=(*asked.wishes.dropped, gone)))


def _away_of(row: Any) -> AwayAsk:
    """Return an absence as the occasion's file has it."""
    if isinstance(row, dict):
        return AwayAsk(
            from_at=datetime.fromisoformat(row["from"]), to_at=datetime.fromisoformat(row["to"]), cook=row["cook"]
        )
    return AwayAsk(from_at=datetime.fromisoformat(row[0]), to_at=datetime.fromisoformat(row[1]))


def visits(tasks: Iterable[TaskAnswer]) -> int:
    """Return in how many parts of days hands are in the kitchen."""
    return len({_part_of_day(datetime.fromisoformat(task["starts_at"])) for task in tasks if task["attended"]})


def _part_of_day(at: datetime) -> tuple[date, int]:
    """Return the part of a day that a moment lies in."""
    minute = 60 * at.hour + at.minute
    return at.date(), sum(minute >= begins for begins in PARTS_OF_DAY_MIN)
