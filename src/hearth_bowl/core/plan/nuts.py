"""Nuts last: what is free of a nut goes before what leaves it on tools, or a wash lies between, on other days too.

A day is worked in two stretches at most, with a wash between them. In a stretch each kind of mass (by the nuts that it
holds) has its window: what holds more comes after what holds less, and two kinds that each hold what the other does not
are never in one stretch. That a day is washed up once at most, and how long it takes, are judgements.
"""

from collections.abc import Mapping
from itertools import count
from typing import Final

from hearth_bowl.core.method.hands import hands_min
from hearth_bowl.core.plan.constraints import Constraints, Yes
from hearth_bowl.core.plan.days import DAY_MIN
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.timed import Model, Timed, to_do

TOOLLESS: Final = frozenset({"pack", "wash", "soften"})
"""What touches no bowl: nothing is carried over by it."""
WASHED: Final = "wash."
"""How the id of a wash begins."""
Kind = frozenset[str]
STRETCHES: Final = (0, 1)  # numerical, by definition
PEANUT: Final = "peanut"


def nuts_last(model: Model, last_min: int) -> None:
    """Keep the order of work, with the washes that it may take."""
    tooled = [one for one in model.timed.values() if is_tooled(one.job)]
    kinds = sorted({one.job.holds for one in tooled}, key=lambda kind: (len(kind), sorted(kind)))
    if len(kinds) < 2:
        return
    ahead = [one for one in tooled if not one.is_settled]
    if not ahead:
        return
    days = range(min(one.first_min for one in ahead) // DAY_MIN, last_min // DAY_MIN + 1)
    washed = {one.id for one in model.occasion.happened}
    washes = {day: _wash(model, day, last_min, washed) for day in days}
    left = _left_on_tools(model, tooled)
    windows: dict[tuple[Kind, int, int], _Window] = {}
    for timed in ahead:
        _stands_in_one(model, timed, washes, windows, left)
    for day in days:
        for stretch in STRETCHES:
            there = [(kind, windows[kind, day, stretch]) for kind in kinds if (kind, day, stretch) in windows]
            for at, (kind, window) in enumerate(there):
                for other, then in there[at + 1 :]:
                    if kind < other:
                        model.rows.add(window.ends <= then.begins)
                    else:
                        model.rows.any_of(~window.used, ~then.used)
        _peanuts_last(model, windows, kinds, day)
        late = windows.get((frozenset(), day, STRETCHES[-1]))
        if late is not None:
            model.after_wash.append(late.used)
    for name in sorted(frozenset().union(*kinds)):
        _stays_till_washed(model, windows, washes, name, is_left=name in left)


def _stays_till_washed(
    model: Model, windows: Mapping[tuple[Kind, int, int], "_Window"], washes: Mapping[int, Timed], name: str,
    *, is_left: bool,
) -> None:  # fmt: skip
    """Let no day begin with what is free of a nut while an earlier day's tools have it."""
    rows = model.rows
    before = rows.yes_or_no()
    rows.any_of(before if is_left else ~before)
    for day, wash in sorted(washes.items()):
        after = rows.yes_or_no()
        washed = [] if wash.is_there is None else [wash.is_there]
        for stretch in STRETCHES:
            for kind, window in ((kind, one) for (kind, *at), one in windows.items() if at == [day, stretch]):
                if name in kind:
                    rows.any_of(~window.used, after, *(washed if stretch == 0 else ()))
                elif stretch == 0:
                    rows.any_of(~window.used, ~before)
        rows.any_of(~before, after, *washed)
        before = after


def _peanuts_last(
    model: Model, windows: Mapping[tuple[Kind, int, int], "_Window"], kinds: list[Kind], day: int
) -> None:
    """Let nothing without peanuts follow peanuts on one day, washed or not: they are the last."""
    for peanut in (kind for kind in kinds if PEANUT in kind):
        for other in (kind for kind in kinds if PEANUT not in kind):
            first, then = windows.get((peanut, day, 0)), windows.get((other, day, 1))
            if first is not None and then is not None:
                model.rows.any_of(~first.used, ~then.used)


def is_tooled(job: Job) -> bool:
    """Return whether a job leaves what it works with on hands and tools."""
    return job.hands_on and job.kind not in TOOLLESS


class _Window:
    """From when to when a kind is worked in a stretch of a day, and whether it is at all."""

    def __init__(self, rows: Constraints, day: int) -> None:
        self.begins = rows.number(day * DAY_MIN, (day + 1) * DAY_MIN)
        self.ends = rows.number(day * DAY_MIN, (day + 1) * DAY_MIN)
        self.used = rows.yes_or_no()


def wash_id(occasion: Occasion, day: int) -> str:
    """Return the id of a day's wash, by how many days it comes before everything is ready."""
    return f"{WASHED}{occasion.ready_min // DAY_MIN - day}"


def wash_job(occasion: Occasion, id_: str) -> Job:
    """Return the job of washing up."""
    return Job(
        id=id_,
        kind="wash",
        title="Wash up: bowls, tools, moulds and hands",
        minutes=hands_min("wash", 0, occasion.hands),
        hands_on=True,
        because="what comes next is free of what was worked before",
        confections=tuple(range(len(occasion.wanted))),
    )


def _wash(model: Model, day: int, last_min: int, washed: set[str]) -> Timed:
    name = wash_id(model.occasion, day)
    ids = (name if time == 1 else f"{name}.{time}" for time in count(1))
    job = wash_job(model.occasion, next(id_ for id_ in ids if id_ not in washed))
    timed = to_do(model, job, last_min, frozenset(), day)
    timed.is_there = model.rows.yes_or_no()
    model.washes.append(timed)
    return timed


def _stands_in_one(
    model: Model, timed: Timed, washes: Mapping[int, Timed], windows: dict[tuple[Kind, int, int], _Window],
    left: Kind,
) -> None:  # fmt: skip
    """Let a job stand in one stretch of one day, within its kind's window."""
    rows, kind = model.rows, timed.job.holds
    today = model.occasion.now_min // DAY_MIN
    choices: list[Yes] = []
    for day in range(timed.first_min // DAY_MIN, timed.last_min // DAY_MIN + 1):
        for stretch in STRETCHES:
            if day == today and stretch == 0 and not left <= kind:
                continue
            window = windows.setdefault((kind, day, stretch), _Window(rows, day))
            here = rows.yes_or_no()
            rows.add(timed.start >= window.begins, here)
            rows.add(timed.end <= window.ends, here)
            rows.implies(here, window.used)
            wash = washes[day]
            if wash.is_there is None:
                continue
            if stretch:
                rows.add(timed.start >= wash.end, here)
                rows.implies(here, wash.is_there)
            else:
                rows.add(timed.end <= wash.start, here, wash.is_there)
            choices.append(here)
    rows.one_of(choices)


def _left_on_tools(model: Model, tooled: list[Timed]) -> Kind:
    """Return the nuts that work has left on tools since the last wash."""
    washed = max((one.end_min or 0 for one in model.occasion.happened if one.id.startswith(WASHED)), default=0)
    done = [one for one in tooled if one.is_settled and one.first_min >= washed]
    return frozenset().union(*(one.job.holds for one in done))
