"""Model: an occasion's jobs and wishes as constraints over whole minutes, for OR-Tools' CP-SAT.

Only the process that plans loads this: the solver is large. What stands here as a limit is a wish of the occasion, or a
rule that `jobs` says of its jobs; nothing is judged here but the length of a wash.
"""

from collections.abc import Iterable, Mapping, Sequence
from itertools import pairwise
from typing import Final

from ortools.sat.python import cp_model

from hearth_bowl.core.plan.days import DAY_MIN, PARTS_OF_DAY_MIN, Span
from hearth_bowl.core.plan.job import AFTER_THE_LAST, Job
from hearth_bowl.core.plan.nuts import WASHED, nuts_last, wash_job
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model, Timed, begun, to_do

LATER_DAYS: Final = 14
"""How much later it may be ready where that is asked: a limit of the reckoning. A judgement."""


def model_of(
    occasion: Occasion,
    jobs: Sequence[Job],
    without: frozenset[str] = frozenset(),
    from_min: int | None = None,
    latest_min: int | None = None,
) -> Model:
    """Return the model of an occasion's jobs.

    :param from_min: nothing is begun before it; None: before now.
    :param latest_min: by when all is ready at the latest, where the wish for it is let go; None: two weeks later.
    :param without: wishes that are let go: ready_at, hours, away, cooks, moulds, keeping, order, or a place of `has`.
    """
    cp = cp_model.CpModel()
    most_later = LATER_DAYS * DAY_MIN if latest_min is None else latest_min - occasion.ready_min
    later = most_later if "ready_at" in without else 0
    ready = cp.new_int_var(occasion.ready_min, occasion.ready_min + later, "ready")
    first_min = occasion.now_min if from_min is None else max(occasion.now_min, from_min)
    model = Model(cp=cp, occasion=occasion, timed={}, ready=ready, from_min=first_min)
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
            model.cp.add(timed.start >= before.end + after.least_min)
            if after.most_min is None:
                continue
            if before.is_settled and before.first_min + before.minutes + after.most_min < model.occasion.now_min:
                model.waited_too_long.append((timed.job.id, after.id))
                continue
            model.cp.add(timed.start <= before.end + after.most_min)
        if timed.job.kind == "soften" and not timed.is_settled:
            model.cp.add(timed.end == model.ready)


def _hands(model: Model, without: frozenset[str]) -> None:
    """Let each pair of hands do one thing at a time; a cook who is away does nothing."""
    cp, cooks = model.cp, model.occasion.cooks
    busy: list[list[cp_model.IntervalVar]] = [[] for _ in range(cooks)]
    for timed in model.hands_on():
        if timed.is_settled:
            continue
        here = [cp.new_bool_var(f"{timed.job.id}.by.{cook}") for cook in range(cooks)] if cooks > 1 else []
        timed.by = tuple(here)
        if cooks == 1:
            busy[0].append(_interval(cp, timed, timed.is_there))
            continue
        cp.add(cp_model.LinearExpr.sum(here) == (1 if timed.is_there is None else timed.is_there))
        for cook, does in enumerate(here):
            busy[cook].append(_interval(cp, timed, does))
    for intervals, spans in zip(busy, _taken(model, without), strict=True):
        intervals += [cp.new_fixed_size_interval_var(low, high - low, "taken") for low, high in spans]
        cp.add_no_overlap(intervals)


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


def _interval(cp: cp_model.CpModel, timed: Timed, there: cp_model.IntVar | None) -> cp_model.IntervalVar:
    name = f"{timed.job.id}.span"
    if there is None:
        return cp.new_fixed_size_interval_var(timed.start, timed.minutes, name)
    return cp.new_optional_fixed_size_interval_var(timed.start, timed.minutes, there, name)


def _moulds(model: Model) -> None:
    """Let a mould be in one use from its first job to the one that frees it."""
    held: dict[tuple[str, int, int], list[Timed]] = {}
    owned: dict[str, int] = {}
    for timed in model.timed.values():
        job = timed.job
        if job.vessel is not None:
            held.setdefault((job.vessel, job.confections[0], job.turn), []).append(timed)
            form = model.occasion.wanted[job.confections[0]].worked.confection.form
            owned[job.vessel] = max(owned.get(job.vessel, 1), form.owned)
    for vessel in owned:
        groups = [(key, rows) for key, rows in held.items() if key[0] == vessel]
        if len({key[1] for key, _ in groups}) < 2:
            continue
        spans, moulds = [], []
        for key, rows in groups:
            length = model.cp.new_int_var(0, LATER_DAYS * DAY_MIN * 3, f"{key}.length")
            first, last = rows[0], rows[-1]
            spans.append(model.cp.new_interval_var(first.start, length, last.end, f"{key}.held"))
            moulds.append(max(row.job.moulds for row in rows))
        if 2 * min(moulds) > owned[vessel]:
            model.cp.add_no_overlap(spans)
        else:
            model.cp.add_cumulative(spans, moulds, owned[vessel])


def _places(model: Model, without: frozenset[str]) -> None:
    """Keep to the rings, pots, bowls, shelves and cool places that there are."""
    for place, count in model.occasion.has.items():
        if f"has.{place}" in without:
            continue
        users = [one for one in model.timed.values() if one.job.uses.get(place) and not one.is_past]
        if users:
            spans = [_interval(model.cp, one, None) for one in users]
            model.cp.add_cumulative(spans, [one.job.uses[place] for one in users], count)


def _finishes(model: Model, without: frozenset[str]) -> None:
    """Finish each confection in time, and not so early that it does not keep: a dwell keeps from its sealing."""
    cp = model.cp
    for position, wanted in enumerate(model.occasion.wanted):
        own = [one for one in model.timed.values() if one.job.confections == (position,)]
        own = [one for one in own if one.job.kind not in AFTER_THE_LAST]
        if not own:
            continue
        before = {after.id for one in own for after in one.job.after}
        last = [one for one in own if one.job.id not in before]
        finish = _latest(model, last, f"c{position}.finish")
        model.finish[position] = finish
        cp.add(finish <= model.ready - wanted.out_of_fridge_min)
        if "keeping" in without or all(one.is_settled for one in last):
            continue
        keeping = wanted.worked.keeping
        dwell = next((one for one in own if one.job.kind == "dwell"), None)
        if dwell is None:
            cp.add(finish >= model.ready - keeping.days_low * DAY_MIN)
        else:
            sealed = _latest(model, [model.timed[after.id] for after in dwell.job.after], f"c{position}.sealed")
            cp.add(sealed >= model.ready - keeping.days_high * DAY_MIN)


def _latest(model: Model, rows: Sequence[Timed], name: str) -> cp_model.LinearExpr:
    if len(rows) == 1:
        return rows[0].end
    latest = model.cp.new_int_var(0, model.occasion.ready_min + LATER_DAYS * DAY_MIN, name)
    model.cp.add_max_equality(latest, [row.end for row in rows])
    return latest


def parts_used(model: Model, rows: Iterable[Timed]) -> Mapping[int, cp_model.IntVar]:
    """Return, by part of a day, whether hands are in the kitchen then."""
    cp = model.cp
    used: dict[int, cp_model.IntVar] = {}
    for timed in rows:
        here: list[cp_model.IntVar] = []
        for day in range(timed.first_min // DAY_MIN, timed.last_min // DAY_MIN + 1):
            for part, (begins, ends) in enumerate(pairwise(PARTS_OF_DAY_MIN)):
                first, last = day * DAY_MIN + begins, day * DAY_MIN + ends - 1
                if last < timed.first_min or first > timed.last_min:
                    continue
                slot = 3 * day + part
                inside = cp.new_bool_var("")
                cp.add(timed.start >= first).only_enforce_if(inside)
                cp.add(timed.start <= last).only_enforce_if(inside)
                used.setdefault(slot, cp.new_bool_var(f"part.{slot}"))
                cp.add_implication(inside, used[slot])
                here.append(inside)
        if timed.is_there is None:
            cp.add_exactly_one(here)
        else:
            cp.add(cp_model.LinearExpr.sum(here) == timed.is_there)
    return used
