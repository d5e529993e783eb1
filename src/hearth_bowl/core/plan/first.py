"""First: an order at once, built backwards from when all is ready, without search.

Each confection (with all that it shares jobs with) is put in as late as it fits, what keeps least first, job after job
against the clock. Where a job would have to wait too long for one that is placed already, that one is moved earlier and
the confection is put in again. It finds an order nearly always; where it finds none, that shows nothing.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.plan.answer import Task
from hearth_bowl.core.plan.days import DAY_MIN
from hearth_bowl.core.plan.first_washes import room_to_wash, with_washes
from hearth_bowl.core.plan.job import AFTER_THE_LAST, After, Job
from hearth_bowl.core.plan.moulds import group_of, shared_moulds
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timetable import MouldTaken, Slot, Timetable

MOST_MOVES: Final = 150
"""Most moves of a confection's jobs before it is given up. A limit, by definition."""
MOST_ORDERS: Final = 8
"""Most orders of the confections that are tried. A limit, by definition."""

Slots = dict[str, Slot]


@dataclass(frozen=True, slots=True, kw_only=True)
class _Unit:
    """Jobs that hang together, with what follows each of them."""

    jobs: tuple[Job, ...]
    keeps_days: float


def first_order(occasion: Occasion, jobs: Sequence[Job], spare_min: int = 0) -> tuple[Task, ...] | None:
    """Return the tasks of an order, or None where none is found.

    :param spare_min: so long before it must be, all is packed.
    """
    for hours in (occasion, room_to_wash(occasion)):
        tasks = _built(hours, jobs, spare_min)
        found = None if tasks is None else with_washes(occasion, tasks)
        if found is not None:
            return found
    return None


def _built(occasion: Occasion, jobs: Sequence[Job], spare_min: int) -> tuple[Task, ...] | None:
    """Return the tasks of an order that is not washed up yet, or None where none is found."""
    follow = _followers(jobs)
    units = sorted(_units(occasion, jobs), key=lambda unit: (unit.keeps_days, unit.jobs[0].id))
    by_id = {job.id: job for job in jobs}
    for _ in range(MOST_ORDERS):
        table = Timetable(
            occasion, shared_moulds(occasion, jobs), [_gone(occasion, who) for who in range(occasion.cooks)]
        )
        slots = _handed_over(occasion, jobs, table, spare_min)
        if slots is None:
            return None
        stuck = None
        for unit in units:
            found = _put(occasion, unit, follow, by_id, table, slots)
            if found is None:
                stuck = unit
                break
            table, slots = found
        if stuck is None:
            return _tasks(jobs, slots)
        if units[0] is stuck:
            return None
        units = [stuck, *(unit for unit in units if unit is not stuck)]
    return None


def _gone(occasion: Occasion, cook: int) -> list[tuple[int, int]]:
    return [(one.from_min, one.to_min) for one in occasion.away if one.cook == cook]


def _tasks(jobs: Sequence[Job], slots: Mapping[str, Slot]) -> tuple[Task, ...]:
    found = [
        Task(job=job, start_min=slot.start_min, end_min=slot.start_min + job.minutes, cook=slot.cook)
        for job in jobs
        for slot in (slots[job.id],)
    ]
    return tuple(sorted(found, key=lambda task: (task.start_min, task.end_min, task.job.id)))


def _followers(jobs: Sequence[Job]) -> dict[str, list[tuple[str, After]]]:
    """Return what comes after each job, with what lies between."""
    found: dict[str, list[tuple[str, After]]] = {job.id: [] for job in jobs}
    for job in jobs:
        for after in job.after:
            found[after.id].append((job.id, after))
    return found


def _units(occasion: Occasion, jobs: Sequence[Job]) -> list[_Unit]:
    """Return the jobs that hang together, packing and softening left out."""
    own = [job for job in jobs if job.kind not in AFTER_THE_LAST]
    unit = {job.id: job.id for job in own}

    def top(id_: str) -> str:
        while unit[id_] != id_:
            id_ = unit[id_]
        return id_

    for job in own:
        for after in job.after:
            unit[top(after.id)] = top(job.id)
    by_unit: dict[str, list[Job]] = {}
    for job in own:
        by_unit.setdefault(top(job.id), []).append(job)
    return [_Unit(jobs=tuple(rows), keeps_days=_keeps(occasion, rows)) for rows in by_unit.values()]


def _keeps(occasion: Occasion, jobs: Iterable[Job]) -> float:
    positions = {position for job in jobs for position in job.confections}
    return min(occasion.wanted[position].worked.keeping.days_low for position in positions)


def _handed_over(occasion: Occasion, jobs: Sequence[Job], table: Timetable, spare_min: int) -> Slots | None:
    """Put in the softening, which ends when all is ready, and the packing before it."""
    slots: Slots = {}
    last = [job for job in jobs if job.kind in AFTER_THE_LAST]
    for job in sorted(last, key=lambda job: job.kind == "pack"):
        end_min = occasion.ready_min
        if job.kind == "pack":
            end_min = min((slot.start_min for slot in slots.values()), default=end_min) - spare_min
        slot = table.latest(job, end_min)
        if not isinstance(slot, Slot):
            return None
        table.put(job, slot)
        slots[job.id] = slot
    return slots


def _put(
    occasion: Occasion, unit: _Unit, follow: Mapping[str, list[tuple[str, After]]], by_id: Mapping[str, Job],
    table: Timetable, slots: Slots,
) -> tuple[Timetable, Slots] | None:  # fmt: skip
    """Put in all jobs of a unit as late as they fit; None where they do not."""
    until: dict[str, int] = {}
    for _ in range(MOST_MOVES):
        tried, placed = table.copy(), {**slots}
        moved = _try(occasion, unit, follow, by_id, tried, placed, until)
        if moved is None:
            return (tried, placed) if _keeps_till_ready(occasion, unit, follow, placed) else None
        job, end_min = moved
        if end_min >= until.get(job, FAR_MIN):
            return None
        until[job] = end_min
    return None


FAR_MIN: Final = 10**9
"""Later than any moment. By definition."""
NEVER: Final = -FAR_MIN


def _try(
    occasion: Occasion, unit: _Unit, follow: Mapping[str, list[tuple[str, After]]], by_id: Mapping[str, Job],
    table: Timetable, placed: Slots, until: Mapping[str, int],
) -> tuple[str, int] | None:  # fmt: skip
    """Put in jobs, each after all that follow it; return which of those has to end by when instead; None: all are in.

    A job that must end by `NEVER` cannot be put in at all.
    """
    waiting = {job.id: job for job in unit.jobs}
    while waiting:
        ready = [job for job in waiting.values() if all(id_ in placed for id_, _ in follow[job.id])]
        job = max(ready, key=lambda one: (_by(occasion, one, follow, placed, until), one.id))
        by_min = _by(occasion, job, follow, placed, until)
        slot = table.latest(job, by_min)
        if slot is None:
            return job.id, NEVER
        if isinstance(slot, MouldTaken):
            last = max(
                (one for one in unit.jobs if one.id in placed and group_of(one) == slot.group),
                key=lambda one: placed[one.id].start_min + one.minutes,
            )
            return last.id, slot.from_min
        end_min = slot.start_min + job.minutes
        for id_, after in follow[job.id]:
            if after.most_min is not None and placed[id_].start_min - after.most_min > end_min:
                return id_, end_min + after.most_min + by_id[id_].minutes
        table.put(job, slot)
        placed[job.id] = slot
        del waiting[job.id]
    return None


def _by(
    occasion: Occasion, job: Job, follow: Mapping[str, list[tuple[str, After]]], placed: Slots,
    until: Mapping[str, int],
) -> int:  # fmt: skip
    """Return by when a job must have ended for what follows it."""
    out_min = max(occasion.wanted[position].out_of_fridge_min for position in job.confections)
    ends = [placed[id_].start_min - after.least_min for id_, after in follow[job.id]]
    return min([occasion.ready_min - out_min, until.get(job.id, FAR_MIN), *ends])


def _keeps_till_ready(
    occasion: Occasion, unit: _Unit, follow: Mapping[str, list[tuple[str, After]]], placed: Slots
) -> bool:
    """Return whether each confection of a unit is finished so late that it keeps: a dwell keeps from its sealing."""
    for position in {position for job in unit.jobs for position in job.confections}:
        own = [job for job in unit.jobs if job.confections == (position,)]
        ids = {job.id for job in own}
        dwell = next((job for job in own if job.kind == "dwell"), None)
        keeping = occasion.wanted[position].worked.keeping
        last = [job for job in own if not any(id_ in ids for id_, _ in follow[job.id])]
        days = keeping.days_low
        if dwell is not None:
            before = {after.id for after in dwell.after}
            last, days = [job for job in unit.jobs if job.id in before], keeping.days_high
        if last and max(placed[job.id].start_min + job.minutes for job in last) < occasion.ready_min - days * DAY_MIN:
            return False
    return True
