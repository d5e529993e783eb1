"""Goals: what makes one order better than another, as sums that are made as small as can be, the weightier first.

All is ready and nothing is kept too long: those are limits of the model. Then a cook wants half an hour to spare before
hands must go, few sittings, no work early or late, and what keeps least as fresh as can be. After something has
happened: as few jobs moved as can be, by as little.
"""

from collections.abc import Callable, Sequence
from typing import Final

from hearth_bowl.core.plan.calm import SPARE_MIN, roomy, social
from hearth_bowl.core.plan.constraints import Sum, Yes, total
from hearth_bowl.core.plan.days import DAY_MIN, Away, starts_for
from hearth_bowl.core.plan.model import LATER_DAYS, parts_used
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model, Timed

Goal = Callable[[Model], Sum]
"""What is made as small as can be."""
FRESH: Final = 10
"""Weight of freshness beside hands that are at work early. A judgement."""
FRESHEST: Final = 60
"""What keeps for a day counts so much, what keeps for n days an n-th of it. A judgement."""


def goals_of(occasion: Occasion) -> tuple[Goal, ...]:
    """Return the goals of an occasion, the first first."""
    return (_moved, _moved_far, _fresh) if occasion.previous else (_calm, _fresh)


def _calm(model: Model) -> Sum:
    """Return how much is against what a cook wants: no time to spare, sittings, washes, work early or late."""
    washes = [wash.is_there for wash in model.washes if wash.is_there is not None]
    sittings = parts_used(model, model.hands_on()).values()
    occasion = model.occasion
    tight = (*_outside(model, roomy(occasion)), *_packed_late(model))
    return _in_turn(tight, [*sittings], (*washes, *model.after_wash), _outside(model, social(occasion)))


def _in_turn(*rows: Sequence[Yes]) -> Sum:
    """Return how many of each hold, weighed so that one of an earlier row counts more than all of the later ones."""
    found, weight = total([]), 1
    for row in reversed(rows):
        found = found + weight * total(row)
        weight *= len(row) + 1
    return found


def _packed_late(model: Model) -> list[Yes]:
    """Return whether packing is done with less than half an hour to spare before anything comes out of the fridge."""
    out_min = max(wanted.out_of_fridge_min for wanted in model.occasion.wanted)
    found = []
    for timed in model.timed.values():
        if timed.job.kind == "pack" and not timed.is_settled:
            late = model.rows.yes_or_no()
            model.rows.add(timed.end + out_min + SPARE_MIN <= model.ready, ~late)
            found.append(late)
    return found


def _outside(model: Model, kinder: Occasion) -> list[Yes]:
    """Return, of each job that hands do, whether it stands outside kinder hours; none of what always or never does."""
    found = []
    last_min = model.occasion.ready_min + LATER_DAYS * DAY_MIN
    for timed in model.hands_on():
        if timed.is_settled:
            continue
        own, kind = (
            starts_for(timed.minutes, one.hours, _of_all(one.away), timed.first_min, last_min)
            for one in (model.occasion, kinder)
        )
        if own == kind or not kind:
            continue
        found.append(_is_outside(model, timed, kind))
    return found


def _of_all(away: tuple[Away, ...]) -> tuple[Away, ...]:
    return tuple(one for one in away if one.cook is None)


def _is_outside(model: Model, timed: Timed, spans: list[tuple[int, int]]) -> Yes:
    """Return a new variable: whether a job starts in none of some spans."""
    rows = model.rows
    outside = rows.yes_or_no()
    inside = []
    for low, high in spans:
        if high < timed.first_min or low > timed.last_min:
            continue
        here = rows.yes_or_no()
        rows.add(timed.start >= low, here)
        rows.add(timed.start <= high, here)
        inside.append(here)
    there = [] if timed.is_there is None else [~timed.is_there]
    rows.any_of(outside, *there, *inside)
    return outside


def _fresh(model: Model) -> Sum:
    """Return the minutes between finishing and eating, each by how little it keeps; and, weighing little, how early
    hands are at work, so that what belongs together is done together."""
    terms = []
    for position, finish in model.finish.items():
        days = max(1, model.occasion.wanted[position].worked.keeping.days_low)
        terms.append(FRESH * max(1, FRESHEST // days) * (model.ready - finish))
    terms += [model.ready - timed.start for timed in model.hands_on() if timed.is_there is None]
    return total(terms)


def _moved(model: Model) -> Sum:
    """Return how many jobs, still to be done, stand elsewhere than before."""
    moved = []
    for timed, before in _still_there(model):
        stays = model.rows.yes_or_no()
        model.rows.add(timed.start.equals(before), stays)
        moved.append(~stays)
    return total(moved)


def _moved_far(model: Model) -> Sum:
    """Return by how many minutes in all jobs moved."""
    found = []
    for timed, before in _still_there(model):
        far = model.rows.number(0, model.occasion.ready_min + LATER_DAYS * DAY_MIN)
        model.rows.add(far >= timed.start - before)
        model.rows.add(far >= before - timed.start)
        found.append(far)
    return total(found)


def _still_there(model: Model) -> list[tuple[Timed, int]]:
    """Return the jobs of an earlier order that are still to be done, with where they stood."""
    previous = model.occasion.previous
    return [(one, previous[key]) for key, one in model.timed.items() if key in previous and not one.is_settled]
