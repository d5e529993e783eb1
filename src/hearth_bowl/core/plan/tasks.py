"""Tasks: the acts of a confection's method as jobs, with the hands, places and waits that they take."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Final

from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.hands import job_of_act, stepped
from hearth_bowl.core.plan.days import STEP_MIN
from hearth_bowl.core.plan.job import After
from hearth_bowl.core.plan.task_ids import task_id, without_mix
from hearth_bowl.core.plan.waits import Waits

MAIN: Final = (
    "knead", "whip", "beat", "boil", "cook", "join", "melt", "heat", "roast", "grind", "bloom", "weigh", "hold", "cool",
)  # fmt: skip
"""A task of several acts is called by its last act of another kind, else by the first of these kinds that is among
them. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Group:
    """Acts that are one task, in their order, with the id of it."""

    id: str
    acts: tuple[Act, ...]

    @property
    def main(self) -> Act:
        """Return the act that names the task."""
        others = [act for act in self.acts if act.kind not in MAIN]
        return others[-1] if others else min(self.acts, key=_rank)

    @property
    def is_tempered(self) -> bool:
        """Return whether chocolate is tempered in it."""
        return any(act.kind == "temper" for act in self.acts)

    @property
    def turn(self) -> int:
        """Return which filling of the moulds it is; 0 where it is none."""
        return max(act.turn for act in self.acts)

    @property
    def in_vessel(self) -> bool:
        """Return whether it holds the mould or the tin."""
        return any(act.in_vessel for act in self.acts)

    @property
    def hands_on(self) -> bool:
        """Return whether it needs hands."""
        return any(act.hands for act in self.acts)


MINOR: Final = frozenset({"late", "fold-in", "stir-in-cool", "rest-in", "oil"})
"""Acts that name a task only where nothing else does. A judgement."""


def _rank(act: Act) -> tuple[bool, int]:
    return act.kind == "weigh" or without_mix(act).split(".")[0] in MINOR, MAIN.index(act.kind)


def mix_groups(prefix: str, acts: Sequence[Act]) -> list[Group]:
    """Return the tasks of making a mix: hands-on acts one after the other are one task, a wait is one of its own."""
    found: list[list[Act]] = []
    for act in acts:
        is_aside = not act.hands and act.kind in ("bloom", "whip")
        if found and (act.hands or is_aside) and any(one.hands for one in found[-1]):
            found[-1].append(act)
        else:
            found.append([act])
    groups: list[Group] = []
    for rows in found:
        kind = Group(id="", acts=tuple(rows)).main.kind
        used = sum(group.id.startswith(f"{prefix}.{kind}") for group in groups)
        groups.append(Group(id=f"{prefix}.{kind}" + (f".{used + 1}" if used else ""), acts=tuple(rows)))
    return groups


def piece_groups(prefix: str, acts: Sequence[Act]) -> list[Group]:
    """Return the tasks of the piece: each act one, but what one pair of hands does in one go: a hold and the work that
    it is for, portioning and rolling."""
    found: list[Group] = []
    for act in acts:
        last = found[-1] if found else None
        if last is not None and _goes_on(last.acts[-1], act):
            found[-1] = Group(id=last.id if last.acts[-1].kind != "hold" else _free(task_id(prefix, act), found[:-1]),
                              acts=(*last.acts, act))  # fmt: skip
            continue
        found.append(Group(id=_free(task_id(prefix, act), found), acts=(act,)))
    return found


def _goes_on(before: Act, act: Act) -> bool:
    if not (before.hands and act.hands):
        return False
    if before.kind == "hold":
        return any(one.id == before.id for one in act.after)
    return without_mix(before).split(".")[0] == "portion" and without_mix(act).split(".")[0] == "roll"


def _free(id_: str, groups: Sequence[Group]) -> str:
    """Return an id that no task has yet."""
    used = {group.id for group in groups}
    number = 2
    found = id_
    while found in used:
        found, number = f"{id_}.{number}", number + 1
    return found


def minutes_of(group: Group, waits: Waits, effort: float, goes: int = 1) -> int:
    """Return how long a task takes: hands at their usual pace, a wait at the end of its band that is asked for."""
    if not group.hands_on:
        (act,) = group.acts
        return stepped(act.minutes[2] if waits.slow and act.kind != "dwell" else act.usual_min)
    total = 0.0
    for act in group.acts:
        if not act.hands:
            continue
        factor = effort * waits.hands.get(job_of_act(act.id) or "", 1.0)
        total += act.usual_min * factor * (goes if "pots" in act.uses else 1)
    return stepped(total)


def uses_of(group: Group) -> Mapping[str, int]:
    """Return the places and tools of a task: the most that one of its acts takes."""
    found: dict[str, int] = {}
    for act in group.acts:
        for name, count in act.uses.items():
            found[name] = max(found.get(name, 0), count)
    return found


def afters_of(group: Group, of_act: Mapping[str, Group]) -> tuple[After, ...]:
    """Return what a task comes after: what its acts do, counted from task to task.

    :param of_act: the task of each act, by the act's id.
    """
    found: dict[str, After] = {}
    begun = 0.0
    for act in group.acts:
        for one in act.after:
            before = of_act[one.id]
            if before.id == group.id:
                continue
            tail = _tail_min(before, one.id)
            least = max(0, round(one.least_min - begun - tail))
            most = None if one.most_min is None else max(0, int(one.most_min - begun - tail))
            found[before.id] = _stricter(found.get(before.id), After(id=before.id, least_min=least, most_min=most))
        begun += act.usual_min if act.hands else 0.0
    return tuple(_to_the_step(after) for after in found.values())


def _to_the_step(after: After) -> After:
    """Return a wait to the step of five minutes that it holds too, so that tasks begin when people look at clocks."""
    least = STEP_MIN * ceil(after.least_min / STEP_MIN)
    most = after.most_min
    if most is not None and most - most % STEP_MIN >= least:
        most -= most % STEP_MIN
    return After(id=after.id, least_min=least if most is None or least <= most else after.least_min, most_min=most)


def _tail_min(group: Group, act: str) -> float:
    """Return the hands-on minutes of a task that come after one of its acts."""
    at = next(i for i, one in enumerate(group.acts) if one.id == act)
    return sum(one.usual_min for one in group.acts[at + 1 :] if one.hands)


def _stricter(one: After | None, other: After) -> After:
    if one is None:
        return other
    most = [row.most_min for row in (one, other) if row.most_min is not None]
    return After(id=one.id, least_min=max(one.least_min, other.least_min), most_min=min(most, default=None))


def because_of(group: Group) -> str:
    """Return why a task is done when it is, in a clause."""
    why = group.main.why or "it is the next step"
    first = why.split(". ")[0].rstrip(".")
    return first[:1].lower() + first[1:]
