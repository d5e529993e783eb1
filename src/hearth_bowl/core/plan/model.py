"""Model: an occasion's jobs and wishes as constraints over whole minutes.

What stands here as a limit is a wish of the occasion, or a rule that `jobs` says of its jobs; nothing is judged here.
"""

from collections.abc import Iterable, Mapping, Sequence
from itertools import pairwise
from typing import Final

from hearth_bowl.core.plan.constraints import Constraints, Stretch, Sum, Yes, total
from hearth_bowl.core.plan.days import DAY_MIN, PARTS_OF_DAY_MIN, STEP_MIN, Span
from hearth_bowl.core.plan.job import AFTER_THE_LAST, Job
from hearth_bowl.core.plan.moulds import Group, group_of, shared_moulds
from hearth_bowl.core.plan.nuts import WASHED, nuts_last, wash_job
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model, Timed, begun, to_do

LATER_DAYS: Final = 14
"""How much later it may be ready where that is asked: a limit of the reckoning. A judgement."""


def model_of(
    occasion: Occasion, jobs: Sequence[Job], without: frozenset[str] = frozenset(), latest_min: int | None = None
) -> Model:
    """Return the model of an occasion's jobs.

    :param latest_min: by when all is ready at the latest, where the wish for it is let go; None: two weeks later.
    :param without: wishes that are let go: ready_at, hours, away, cooks, moulds, keeping, order, or a place of `has`.
    """
    rows = Constraints()
    most_later = LATER_DAYS * DAY_MIN if latest_min is None else latest_min - occasion.ready_min
    later = most_later if "ready_at" in without else 0
    ready = rows.number(occasion.ready_min, occasion.ready_min + later)
    model = Model(rows=rows, occasion=occasion, timed={}, ready=ready)
    last_min = occasion.ready_min + later
    happened = {one.id: one for one in occasion.happened}
    for job in jobs:
        past = happened.get(job.id)
        timed = to_do(model, job, last_min, without) if past is None else begun(model, job, past)
        model.timed[job.id] = timed
    for past in occasion.happened:
        if past.id.startswith(WASHED) and past.id not in model.timed:
            model.timed[past.id] = begun(model, wash_job(occasion, past.id), past)
    _waits(model)
    if "order" not in without:
        nuts_last(model, last_min)
    if "cooks" not in without:
        _hands(model, without)
    if "moulds" not in without:
        _moulds(model)
    _places(model, without)
    _finishes(model, without)
    return model


def _waits(model: Model) -> None:
    """Keep what lies between jobs; what has waited too long already is said, not refused."""
    for timed in model.timed.values():
        for after in timed.job.after:
            before = model.timed[after.id]
            if timed.is_settled and before.is_settled:
                continue
            model.rows.add(timed.start >= before.end + after.least_min)
            if after.most_min is None:
                continue
            if before.is_settled and before.first_min + before.minutes + after.most_min < model.occasion.now_min:
                model.waited_too_long.append((timed.job.id, after.id))
                continue
            model.rows.add(timed.start <= before.end + after.most_min)
        if timed.job.kind == "soften" and not timed.is_settled:
            model.rows.add(timed.end.equals(model.ready))


def _hands(model: Model, without: frozenset[str]) -> None:
    """Let each pair of hands do one thing at a time; a cook who is away does nothing."""
    rows, cooks = model.rows, model.occasion.cooks
    busy: list[list[Stretch]] = [[] for _ in range(cooks)]
    for timed in model.hands_on():
        if timed.is_settled:
            continue
        if cooks == 1:
            busy[0].append(timed.span(timed.is_there))
            continue
        timed.by = tuple(rows.yes_or_no() for _ in range(cooks))
        rows.add(total(timed.by).equals(1 if timed.is_there is None else timed.is_there.number))
        for cook, does in enumerate(timed.by):
            busy[cook].append(timed.span(does))
    for spans, gone in zip(busy, _taken(model, without), strict=True):
        spans += [Stretch(Sum(constant=low), Sum(constant=high - low), Sum(constant=high)) for low, high in gone]
        rows.one_at_a_time(spans)


def _taken(model: Model, without: frozenset[str]) -> list[list[Span]]:
    """Return, by cook, when hands are away or at what is begun already, which nobody asks whether it can be."""
    cooks, now = model.occasion.cooks, model.occasion.now_min
    until = [now] * cooks
    for timed in model.hands_on():
        if timed.is_settled:
            did = model.occasion.previous_cooks.get(timed.job.id, until.index(min(until)))
            timed.did = min(did, cooks - 1)
            until[timed.did] = max(until[timed.did], timed.first_min + timed.minutes)
    gone = [] if "away" in without else [one for one in model.occasion.away if one.cook is not None]
    away = [[(one.from_min, one.to_min) for one in gone if one.cook == cook] for cook in range(cooks)]
    return [_joined([*spans, (now, end)]) for spans, end in zip(away, until, strict=True)]


def _joined(spans: list[Span]) -> list[Span]:
    """Return spans without what they share, those of no length left out."""
    found: list[Span] = []
    for low, high in sorted(span for span in spans if span[0] < span[1]):
        if found and low <= found[-1][1]:
            found[-1] = (found[-1][0], max(found[-1][1], high))
        else:
            found.append((low, high))
    return found


def _moulds(model: Model) -> None:
    """Let a mould be in one use from its first job to the one that frees it."""
    shared = shared_moulds(model.occasion, (timed.job for timed in model.timed.values()))
    held: dict[Group, list[Timed]] = {}
    for timed in model.timed.values():
        group = group_of(timed.job)
        if group is not None and group[0] in shared:
            held.setdefault(group, []).append(timed)
    for vessel, owned in shared.items():
        spans, moulds = [], []
        for rows in (rows for group, rows in held.items() if group[0] == vessel):
            length = model.rows.number(0, LATER_DAYS * DAY_MIN * 3)
            spans.append(Stretch(rows[0].start, length, rows[-1].end))
            moulds.append(max(row.job.moulds for row in rows))
        model.rows.capacity(spans, moulds, owned)


def _places(model: Model, without: frozenset[str]) -> None:
    """Keep to the rings, pots, bowls, shelves and cool places that there are."""
    for place, count in model.occasion.has.items():
        if f"has.{place}" in without:
            continue
        users = [one for one in model.timed.values() if one.job.uses.get(place) and not one.is_past]
        if users:
            model.rows.capacity([one.span() for one in users], [one.job.uses[place] for one in users], count)


def _finishes(model: Model, without: frozenset[str]) -> None:
    """Finish each confection in time, and not so early that it does not keep: a dwell keeps from its sealing."""
    rows = model.rows
    for position, wanted in enumerate(model.occasion.wanted):
        own = [one for one in model.timed.values() if one.job.confections == (position,)]
        own = [one for one in own if one.job.kind not in AFTER_THE_LAST]
        if not own:
            continue
        before = {after.id for one in own for after in one.job.after}
        last = [one for one in own if one.job.id not in before]
        finish = _latest(model, last)
        model.finish[position] = finish
        rows.add(finish <= model.ready - wanted.out_of_fridge_min)
        if "keeping" in without or all(one.is_settled for one in last):
            continue
        keeping = wanted.worked.keeping
        dwell = next((one for one in own if one.job.kind == "dwell"), None)
        if dwell is None:
            rows.add(finish >= model.ready - keeping.days_low * DAY_MIN)
        else:
            sealed = _latest(model, [model.timed[after.id] for after in dwell.job.after])
            rows.add(sealed >= model.ready - keeping.days_high * DAY_MIN)


def _latest(model: Model, rows: Sequence[Timed]) -> Sum:
    if len(rows) == 1:
        return rows[0].end
    return model.rows.largest([row.end for row in rows], model.occasion.ready_min + LATER_DAYS * DAY_MIN)


def parts_used(model: Model, those: Iterable[Timed]) -> Mapping[int, Yes]:
    """Return, by part of a day, whether hands are in the kitchen then."""
    rows = model.rows
    used: dict[int, Yes] = {}
    for timed in those:
        here: list[Yes] = []
        for day in range(timed.first_min // DAY_MIN, timed.last_min // DAY_MIN + 1):
            for part, (begins, ends) in enumerate(pairwise(PARTS_OF_DAY_MIN)):
                first, last = day * DAY_MIN + begins, day * DAY_MIN + ends - STEP_MIN
                if last < timed.first_min or first > timed.last_min:
                    continue
                slot = 3 * day + part
                inside = rows.yes_or_no()
                rows.add(timed.start >= first, inside)
                rows.add(timed.start <= last, inside)
                if slot not in used:
                    used[slot] = rows.yes_or_no()
                rows.implies(inside, used[slot])
                here.append(inside)
        if timed.is_there is None:
            rows.one_of(here)
        else:
            rows.add(total(here).equals(timed.is_there.number))
    return used
