"""Model: an occasion's jobs and wishes as constraints over whole minutes, for OR-Tools' CP-SAT.

Only the process that plans loads this: the solver is large. What stands here as a limit is a wish of the occasion, or a
rule that `jobs` says of its jobs; nothing is judged here but the length of a wash.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import combinations, pairwise
from typing import Final

from ortools.sat.python import cp_model

from hearth_bowl.core.plan.days import DAY_MIN, starts_for
from hearth_bowl.core.plan.hands import hands_min
from hearth_bowl.core.plan.job import AFTER_THE_LAST, Job
from hearth_bowl.core.plan.occasion import Happened, Occasion

LATER_DAYS: Final = 14
"""How much later it may be ready where that is asked: a limit of the reckoning."""
TOOLLESS: Final = frozenset({"pack", "wash", "soften"})
"""What touches no bowl: nothing is carried over by it."""
WASHES_OF_A_KIND: Final = 1
"""More washes after the same nuts are not thought of: the order is changed instead. A judgement."""
PARTS_OF_DAY_MIN: Final = (0, 12 * 60, 17 * 60, DAY_MIN)
"""Morning, afternoon and evening: what is done in one of them is one visit to the kitchen. A judgement."""


@dataclass(slots=True, kw_only=True)
class Timed:
    """A job with its variables: its start, between two moments, its end, who does it. What has begun is settled, and past
    where it is done too."""

    job: Job
    start: cp_model.IntVar
    end: cp_model.LinearExpr
    minutes: int
    first_min: int
    last_min: int
    is_past: bool = False
    by: tuple[cp_model.IntVar, ...] = ()
    is_there: cp_model.IntVar | None = None
    is_settled: bool = False


@dataclass(slots=True, kw_only=True)
class Model:
    """The constraints with what is asked of them: jobs, when all is ready, washes, and what could not be kept."""

    cp: cp_model.CpModel
    occasion: Occasion
    timed: dict[str, Timed]
    ready: cp_model.IntVar
    washes: dict[frozenset[str], list[Timed]] = field(default_factory=dict)
    finish: dict[int, cp_model.LinearExpr] = field(default_factory=dict)
    waited_too_long: list[tuple[str, str]] = field(default_factory=list)

    @property
    def all_washes(self) -> list[Timed]:
        """Return every wash that there may be."""
        return [one for rows in self.washes.values() for one in rows]

    def hands_on(self) -> list[Timed]:
        """Return the jobs still to be done that take hands, washes among them."""
        return [one for one in (*self.timed.values(), *self.all_washes) if one.job.hands_on and not one.is_past]


def model_of(occasion: Occasion, jobs: Sequence[Job], without: frozenset[str] = frozenset()) -> Model:
    """Return the model of an occasion's jobs.

    :param without: wishes that are let go: ready_at, hours, away, cooks, moulds, keeping, order, or a place of `has`.
    """
    cp = cp_model.CpModel()
    later = LATER_DAYS * DAY_MIN if "ready_at" in without else 0
    ready = cp.new_int_var(occasion.ready_min, occasion.ready_min + later, "ready")
    model = Model(cp=cp, occasion=occasion, timed={}, ready=ready)
    last_min = occasion.ready_min + later
    happened = {one.id: one for one in occasion.happened}
    for job in jobs:
        past = happened.get(job.id)
        timed = _open(model, job, last_min, without) if past is None else _begun(model, job, past)
        model.timed[job.id] = timed
    _waits(model)
    if "order" not in without:
        _add_washes(model, last_min, without)
    if "cooks" not in without:
        _hands(model, without)
    if "moulds" not in without:
        _moulds(model)
    _places(model, without)
    _finishes(model, without)
    if "order" not in without:
        _nuts_last(model)
    return model


def _begun(model: Model, job: Job, past: Happened) -> Timed:
    """Return a job that has begun: it ended when it did, or ends when it should, but not before now."""
    done = past.end_min if past.end_min is not None else max(model.occasion.now_min, past.start_min + job.minutes)
    return Timed(
        job=job,
        start=model.cp.new_constant(past.start_min),
        end=model.cp.new_constant(done),
        minutes=done - past.start_min,
        first_min=past.start_min,
        last_min=past.start_min,
        is_past=past.end_min is not None,
        is_settled=True,
    )


def _open(model: Model, job: Job, last_min: int, without: frozenset[str]) -> Timed:
    """Return a job that is still to be begun: within hours where it takes hands."""
    occasion, cp = model.occasion, model.cp
    if not job.hands_on or "hours" in without:
        spans = [(occasion.now_min, last_min - job.minutes)]
    else:
        away = () if "away" in without else occasion.away
        spans = starts_for(job.minutes, occasion.hours, away, occasion.now_min, last_min)
    if not spans or spans[-1][1] < occasion.now_min:
        cp.add_bool_or([])
        spans = [(occasion.now_min, occasion.now_min)]
    start = cp.new_int_var_from_domain(cp_model.Domain.from_intervals([list(span) for span in spans]), job.id)
    if job.kind != "wash":
        cp.add(start + job.minutes <= model.ready)
    return Timed(
        job=job, start=start, end=start + job.minutes, minutes=job.minutes, first_min=spans[0][0], last_min=spans[-1][1]
    )


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


def _add_washes(model: Model, last_min: int, without: frozenset[str]) -> None:
    """Let the cook wash up, a few times at most, after work that leaves the same nuts on tools."""
    tooled = [one.job for one in model.timed.values() if _is_tooled(one.job) and not one.is_past]
    kinds = sorted({job.holds for job in tooled}, key=sorted)
    if len(kinds) < 2:
        return
    for number, holds in enumerate((kind for kind in kinds if kind), 1):
        serves = {one for job in tooled if job.holds == holds for one in job.confections}
        for time in range(1, WASHES_OF_A_KIND + 1):
            job = Job(
                id=f"wash.{number}.{time}",
                kind="wash",
                title="Wash up: bowls, tools, moulds and hands",
                minutes=hands_min("wash", 0, model.occasion.hands),
                hands_on=True,
                because=f"what comes next is free of {', '.join(sorted(holds))}",
                confections=tuple(sorted(serves)),
            )
            timed = _open(model, job, last_min, without)
            timed.is_there = model.cp.new_bool_var(f"{job.id}.there")
            model.washes.setdefault(holds, []).append(timed)


def _hands(model: Model, without: frozenset[str]) -> None:
    """Let each pair of hands do one thing at a time; a cook who is away does nothing."""
    cp, cooks = model.cp, model.occasion.cooks
    busy: list[list[cp_model.IntervalVar]] = [[] for _ in range(cooks)]
    for timed in model.hands_on():
        here = [cp.new_bool_var(f"{timed.job.id}.by.{cook}") for cook in range(cooks)] if cooks > 1 else []
        timed.by = tuple(here)
        if cooks == 1:
            busy[0].append(_interval(cp, timed, timed.is_there))
            continue
        cp.add(cp_model.LinearExpr.sum(here) == (1 if timed.is_there is None else timed.is_there))
        for cook, does in enumerate(here):
            busy[cook].append(_interval(cp, timed, does))
    if "away" not in without:
        for gone in model.occasion.away:
            if gone.cook is not None:
                length = gone.to_min - gone.from_min
                busy[gone.cook].append(cp.new_fixed_size_interval_var(gone.from_min, length, "away"))
    for intervals in busy:
        cp.add_no_overlap(intervals)


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


def _is_tooled(job: Job) -> bool:
    return job.hands_on and job.kind not in TOOLLESS


def _nuts_last(model: Model) -> None:
    """On one day let what is free of a nut go before what leaves it on tools, or let a wash lie between."""
    rows = [one for one in model.timed.values() if _is_tooled(one.job) and not one.is_past]
    before = _all_before(model)
    days: dict[str, cp_model.IntVar] = {}
    for a, b in combinations(rows, 2):
        if a.job.holds == b.job.holds:
            continue
        ways: list[cp_model.LiteralT] = []
        for first, then in ((a, b), (b, a)):
            if first.job.id in before[then.job.id] or then.job.id not in before[first.job.id]:
                ways += _ways(model, days, first, then)
        model.cp.add_bool_or(ways)


def _ways(model: Model, days: dict[str, cp_model.IntVar], first: Timed, then: Timed) -> list[cp_model.LiteralT]:
    """Return how one job may go before another: as it is where it leaves nothing behind, else on an earlier day, or with
    a wash between."""
    cp = model.cp
    if first.job.holds <= then.job.holds:
        done = cp.new_bool_var("")
        cp.add(first.end <= then.start).only_enforce_if(done)
        return [done]
    night = cp.new_bool_var("")
    cp.add(_day(model, days, then) >= _day(model, days, first) + 1).only_enforce_if(night)
    ways: list[cp_model.LiteralT] = [night]
    for wash in model.washes.get(first.job.holds, ()):
        washed = cp.new_bool_var("")
        cp.add(wash.start >= first.end).only_enforce_if(washed)
        cp.add(then.start >= wash.end).only_enforce_if(washed)
        if wash.is_there is not None:
            cp.add_implication(washed, wash.is_there)
        ways.append(washed)
    return ways


def _all_before(model: Model) -> dict[str, frozenset[str]]:
    """Return, by job, all that must be done before it."""
    found: dict[str, frozenset[str]] = {}

    def of(key: str) -> frozenset[str]:
        if key not in found:
            direct = [after.id for after in model.timed[key].job.after]
            found[key] = frozenset(direct).union(*(of(one) for one in direct))
        return found[key]

    for key in model.timed:
        of(key)
    return found


def _day(model: Model, days: dict[str, cp_model.IntVar], timed: Timed) -> cp_model.IntVar:
    """Return the day on which a job is done."""
    key = timed.job.id
    if key not in days:
        last = (model.occasion.ready_min + LATER_DAYS * DAY_MIN) // DAY_MIN
        days[key] = model.cp.new_int_var(0, last, f"{key}.day")
        of_day = model.cp.new_int_var(0, DAY_MIN - 1, f"{key}.of_day")
        model.cp.add(timed.start == DAY_MIN * days[key] + of_day)
    return days[key]


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
