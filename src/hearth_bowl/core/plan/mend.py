"""Mend: the least change to an occasion without an order that gives it one; a change is tried before it is offered.

How far changes are looked for are judgements of ours.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.plan.answer import Change
from hearth_bowl.core.plan.days import DAY_MIN, Hours, spoken
from hearth_bowl.core.plan.occasion import MOST_COOKS, MOST_DAYS, Occasion
from hearth_bowl.core.plan.ways import Jobs

Can = Callable[[Occasion, Sequence[Jobs] | None], bool]
"""Whether an order of an occasion is found, in some of the given ways; None: in any."""
HOUR_STEPS_MIN: Final = (15, 30, 60, 90, 120, 180, 240, 360)
"""Longer hours that are tried [min]. A judgement."""
LATER: Final = (1, 2, 3, 5, 8, 13, 20)
"""Later days that are tried. A judgement."""
MUCH: Final = 8
"""Rings, bowls or shelves that are enough for all that is made at home. A judgement."""
WHOLE_DAY: Final = Hours(from_min=7 * 60, to_min=22 * 60)  # a judgement
EARLIER_MIN: Final = (720, 360, 180, 60, 30)
"""Earlier moments that are tried on the first later day that will do [min]. A judgement."""


def least_change(occasion: Occasion, ways: Sequence[Jobs] | None, can: Can) -> Change | None:
    """Return the change of fewest minutes that mends it; else more hands; else one confection fewer."""
    of_time = [change for change in (_later(occasion, ways, can), *_longer(occasion, ways, can)) if change]
    if of_time:
        return min(of_time, key=lambda change: change.by_min)
    for change in _others(occasion):
        if can(change.occasion, _left(ways, change)):
            return change
    return None


def _later(occasion: Occasion, ways: Sequence[Jobs] | None, can: Can) -> Change | None:
    """Return by how much later all of it can be ready: first some day that will do, then as early as is found."""
    days = (when for when in _later_days(occasion) if can(replace(occasion, ready_min=when), ways))
    ready_min = next(days, None)
    if ready_min is None:
        return None
    for by_min in EARLIER_MIN:
        sooner = ready_min - by_min
        if sooner > occasion.ready_min and can(replace(occasion, ready_min=sooner), ways):
            ready_min = sooner
    by_min = ready_min - occasion.ready_min
    mended = replace(occasion, ready_min=ready_min)
    return Change(what="ready_at", message=f"ready {spoken(by_min)} later", by_min=by_min, occasion=mended)


def _later_days(occasion: Occasion) -> list[int]:
    """Return the moments that are tried, the same time of later days."""
    last_min = occasion.now_min + MOST_DAYS * DAY_MIN
    later = (occasion.ready_min + days * DAY_MIN for days in LATER)
    return [when for when in later if when <= last_min]


def _longer(occasion: Occasion, ways: Sequence[Jobs] | None, can: Can) -> Iterator[Change]:
    """Yield by how much longer hours have to be, in the evening or in the morning."""
    now = occasion.hours
    evening = [(by_min, Hours(from_min=now.from_min, to_min=now.to_min + by_min)) for by_min in HOUR_STEPS_MIN]
    morning = [(by_min, Hours(from_min=now.from_min - by_min, to_min=now.to_min)) for by_min in HOUR_STEPS_MIN]
    for part, tried in (("longer in the evening", evening), ("earlier in the morning", morning)):
        within = [(by_min, hours) for by_min, hours in tried if hours.to_min <= DAY_MIN and hours.from_min >= 0]
        if not within or not can(replace(occasion, hours=within[-1][1]), ways):
            continue
        fits = (row for row in within[:-1] if can(replace(occasion, hours=row[1]), ways))
        by_min, hours = next(fits, within[-1])
        message, mended = f"work {spoken(by_min)} {part}", replace(occasion, hours=hours)
        yield Change(what="hours", message=message, by_min=by_min, occasion=mended)


def _others(occasion: Occasion) -> Iterator[Change]:
    """Yield changes of other kinds, the smaller first: hands, times away, places, a confection fewer."""
    if occasion.cooks < MOST_COOKS:
        more = replace(occasion, cooks=occasion.cooks + 1)
        yield Change(what="cooks", message="one more pair of hands", by_min=0, occasion=more)
    for position, gone in enumerate(occasion.away):
        there = replace(occasion, away=tuple(one for at, one in enumerate(occasion.away) if at != position))
        by_min = gone.to_min - gone.from_min
        yield Change(what="away", message=f"be there instead: {spoken(by_min)}", by_min=by_min, occasion=there)
    for place, count in occasion.has.items():
        for more_of_it in (count + 1, max(MUCH, count + 1)):
            has = {**occasion.has, place: more_of_it}
            message = f"have {more_of_it} {place.replace('_', ' ')} instead of {count}"
            yield Change(what="has", message=message, by_min=0, occasion=replace(occasion, has=has))
    yield from _fewer(occasion)


def _fewer(occasion: Occasion) -> Iterator[Change]:
    """Yield the occasion without each of its confections, as long as one is left."""
    for position, wanted in enumerate(occasion.wanted):
        if sum(not one.dropped for one in occasion.wanted) > 1 and not wanted.dropped:
            message = f"leave out {wanted.worked.confection.name}"
            less = _without(occasion, position)
            yield Change(what="leave-out", message=message, by_min=0, occasion=less, leave_out=position)


def _without(occasion: Occasion, position: int) -> Occasion:
    """Return an occasion without a confection. Where work has begun its place stays, and with it what it shares."""
    rows = occasion.wanted
    if occasion.happened or occasion.previous:
        return replace(
            occasion, wanted=(*rows[:position], replace(rows[position], dropped=True), *rows[position + 1 :])
        )
    return replace(occasion, wanted=(*rows[:position], *rows[position + 1 :]))


def changes_together(occasion: Occasion, can: Can) -> tuple[Change, ...]:
    """Return changes that mend it together where none alone does; of them none is spare. None where that is not found.

    Everything that can be is made roomier first, then confections are left out until the rest can be made.
    """
    roomier = [*_roomier(occasion)]
    for kept in (*_few_of(roomier), roomier):
        if _mends(occasion, kept, can):
            return _none_spare(occasion, kept, can)
    now, left_out = _after(occasion, roomier), list[Change]()
    while True:
        fewer = [*_fewer(now)]
        good = next((one for one in fewer if can(one.occasion, None)), None)
        if good is not None:
            return _none_spare(occasion, [*roomier, *left_out, good], can)
        if not fewer:
            break
        left_out.append(fewer[-1])
        now = fewer[-1].occasion
    return ()


def _few_of(changes: Sequence[Change]) -> Iterator[list[Change]]:
    """Yield two of some changes at a time."""
    for at, one in enumerate(changes):
        for other in changes[at + 1 :]:
            yield [one, other]


def _roomier(occasion: Occasion) -> Iterator[Change]:
    """Yield each wish that can be made roomier, as roomy as it is offered."""
    later = _later_days(occasion)
    if later:
        by_min = later[-1] - occasion.ready_min
        mended = replace(occasion, ready_min=later[-1])
        yield Change(what="ready_at", message=f"ready {spoken(by_min)} later", by_min=by_min, occasion=mended)
    now = occasion.hours
    whole_day = Hours(from_min=min(WHOLE_DAY.from_min, now.from_min), to_min=max(WHOLE_DAY.to_min, now.to_min))
    if whole_day != now:
        message = f"work from {whole_day.from_min // 60} to {whole_day.to_min // 60} o'clock"
        yield Change(what="hours", message=message, by_min=0, occasion=replace(occasion, hours=whole_day))
    scarce = {place: max(MUCH, count) for place, count in occasion.has.items()}
    if scarce != dict(occasion.has):
        words = ", ".join(f"{count} {place.replace('_', ' ')}" for place, count in scarce.items())
        yield Change(what="has", message=f"have {words}", by_min=0, occasion=replace(occasion, has=scarce))
    if occasion.away:
        yield Change(what="away", message="be there all the time", by_min=0, occasion=replace(occasion, away=()))


def _after(occasion: Occasion, changes: Sequence[Change]) -> Occasion:
    """Return an occasion with all of some changes, each of another wish, confections left out in turn."""
    for change in changes:
        made = change.occasion
        if change.what == "ready_at":
            occasion = replace(occasion, ready_min=made.ready_min)
        elif change.what == "hours":
            occasion = replace(occasion, hours=made.hours)
        elif change.what == "has":
            occasion = replace(occasion, has=made.has)
        elif change.what == "away":
            occasion = replace(occasion, away=made.away)
        else:
            occasion = replace(occasion, wanted=made.wanted)
    return occasion


def _mends(occasion: Occasion, changes: Sequence[Change], can: Can) -> bool:
    after = _after(occasion, changes)
    return can(after, None)


def _none_spare(occasion: Occasion, changes: Sequence[Change], can: Can) -> tuple[Change, ...]:
    """Return changes without those that it can do without, where that is found out in the time; a later day as early
    as is found."""
    kept = list(changes)
    for change in changes:
        others = [one for one in kept if one is not change]
        is_last_of_left_out = change.leave_out is None or change is kept[-1]
        if len(kept) > 1 and is_last_of_left_out and _mends(occasion, others, can):
            kept = others
    for at, change in enumerate(kept):
        if change.what == "ready_at":
            rest = _after(occasion, [one for one in kept if one is not change])
            sooner = _later(rest, None, can)
            if sooner is not None:
                kept[at] = replace(sooner, occasion=replace(occasion, ready_min=sooner.occasion.ready_min))
    return tuple(kept)


def _left(ways: Sequence[Jobs] | None, change: Change) -> Sequence[Jobs] | None:
    return ways if change.leave_out is None else None
