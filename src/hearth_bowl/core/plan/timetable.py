"""Timetable: what of hands, places and moulds is taken already, and the latest moment at which a job still fits in."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final

from hearth_bowl.core.plan.days import DAY_MIN, STEP_MIN, Span, starts_for
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.moulds import Group, group_of
from hearth_bowl.core.plan.nuts import is_tooled
from hearth_bowl.core.plan.occasion import Occasion

Use = tuple[int, int, int]
"""From, to (not in it), how many."""
MOST_STEPS: Final = 400
"""Most moments that are tried for a job. A limit, by definition."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Slot:
    """Where a job fits in, and who does it."""

    start_min: int
    cook: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class MouldTaken:
    """A job cannot stand where it would, for its mould is in another use from a moment on."""

    group: Group
    from_min: int


@dataclass(slots=True)
class Timetable:
    """What is taken. Places and moulds as uses, hands by cook as spans, work on tools with the nuts that it leaves."""

    occasion: Occasion
    owned: Mapping[str, int]
    """How many there are of each mould that several confections use."""
    hands: list[list[Span]]
    places: dict[str, list[Use]] = field(default_factory=dict)
    moulds: dict[Group, Use] = field(default_factory=dict)
    tools: list[tuple[int, int, frozenset[str]]] = field(default_factory=list)
    opens: dict[int, list[Span]] = field(default_factory=dict)

    def copy(self) -> "Timetable":
        """Return one that can be filled without changing this one."""
        return Timetable(
            self.occasion, self.owned, [[*spans] for spans in self.hands],
            {name: [*uses] for name, uses in self.places.items()}, {**self.moulds}, [*self.tools], self.opens,
        )  # fmt: skip

    def put(self, job: Job, slot: Slot) -> None:
        """Take what a job needs."""
        start, end = slot.start_min, slot.start_min + job.minutes
        if slot.cook is not None:
            self.hands[slot.cook].append((start, end))
        for name, count in job.uses.items():
            self.places.setdefault(name, []).append((start, end, count))
        if is_tooled(job):
            self.tools.append((start, end, job.holds))
        group = group_of(job)
        if group is not None:
            self.moulds[group] = self._held(job, group, start)

    def latest(self, job: Job, end_min: int) -> Slot | MouldTaken | None:
        """Return the latest slot in which a job ends by a moment; None where there is none."""
        start = end_min - job.minutes
        for _ in range(MOST_STEPS):
            start -= 0 if job.kind == "soften" else start % STEP_MIN
            if start < self.occasion.now_min:
                return None
            moved, cook = self._hands_free(job, start)
            if moved is not None and moved == start:
                moved = self._places_free(job, start)
            if moved is not None and moved == start:
                moved = self._tools_clean(job, start)
            if moved is None:
                return None
            if moved == start:
                taken = self._mould_free(job, start)
                if isinstance(taken, MouldTaken):
                    return taken
                if taken == start:
                    return Slot(start_min=start, cook=cook)
                moved = taken
            start = moved
        return None

    def _hands_free(self, job: Job, start: int) -> tuple[int | None, int | None]:
        """Return the latest start up to one at which somebody's hands are free, and whose they are."""
        if not job.hands_on:
            return start, None
        if job.minutes not in self.opens:
            one = self.occasion
            self.opens[job.minutes] = starts_for(job.minutes, one.hours, one.away, one.now_min, one.ready_min)
        allowed = max((min(high, start) for low, high in self.opens[job.minutes] if low <= start), default=None)
        if allowed is None or allowed < start:
            return allowed, None
        end, best = start + job.minutes, None
        for cook, spans in enumerate(self.hands):
            begins = [low for low, high in spans if low < end and start < high]
            if not begins:
                return start, cook
            free = min(begins) - job.minutes
            best = free if best is None else max(best, free)
        return best, None

    def _places_free(self, job: Job, start: int) -> int:
        for name, count in job.uses.items():
            most = self.occasion.has.get(name)
            if most is None:
                continue
            moved = latest_free(self.places.get(name, ()), start, start + job.minutes, most - count)
            if moved is not None:
                return moved - job.minutes
        return start

    def _tools_clean(self, job: Job, start: int) -> int:
        """Return the latest start up to one at which the nut-free goes first on that day, without any washing-up."""
        if not is_tooled(job):
            return start
        day = start // DAY_MIN
        for begins, _, holds in self.tools:
            if begins // DAY_MIN != day or holds == job.holds:
                continue
            if begins >= start + job.minutes and not job.holds <= holds:
                return day * DAY_MIN - job.minutes
            if begins < start and not holds <= job.holds:
                return begins - job.minutes
        return start

    def _mould_free(self, job: Job, start: int) -> int | MouldTaken:
        group = group_of(job)
        if group is None or job.vessel not in self.owned:
            return start
        others = [use for one, use in self.moulds.items() if one[0] == group[0] and one != group]
        low, high, count = self._held(job, group, start)
        moved = latest_free(others, low, high, self.owned[group[0]] - count)
        if moved is None:
            return start
        return MouldTaken(group=group, from_min=moved) if group in self.moulds else moved - job.minutes

    def _held(self, job: Job, group: Group, start: int) -> Use:
        """Return from when to when a mould is in use, with a job of this use put at a start."""
        low, high, count = self.moulds.get(group, (start, start + job.minutes, job.moulds))
        return min(low, start), max(high, start + job.minutes), max(count, job.moulds)


def latest_free(uses: Sequence[Use], low: int, high: int, room: int) -> int | None:
    """Return the start of the last use that leaves too little room between two moments; None where there is room."""
    within = [use for use in uses if use[0] < high and low < use[1]]
    for point in sorted({max(use[0], low) for use in within}, reverse=True):
        there = [use for use in within if use[0] <= point < use[1]]
        if sum(count for _, _, count in there) > room:
            return max(use[0] for use in there)
    return low if room < 0 else None
