"""The acts of one confection of an occasion: its method, each act by its full id, told apart by what it is part of."""

from dataclasses import dataclass, replace

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.build import Mix
from hearth_bowl.core.method.method import method_of_confection
from hearth_bowl.core.plan.waits import Waits


@dataclass(frozen=True, slots=True, kw_only=True)
class MixSteps:
    """The acts of one mix, and the mix itself."""

    mix: Mix
    acts: tuple[Act, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Steps:
    """The acts of a confection: of its mixes, of bringing chocolate to work (by session), and of the piece."""

    position: int
    prefix: str
    worked: Worked
    mixes: tuple[MixSteps, ...]
    sessions: tuple[tuple[Act, ...], ...]
    piece: tuple[Act, ...]
    holds: frozenset[str]


def steps_of(position: int, prefix: str, worked: Worked, waits: Waits) -> Steps:
    """Return the acts of a confection at its place in the occasion; their ids begin with `prefix`."""
    method = method_of_confection(worked, {}, waits.kitchen, waits.kitchen_c, waits.cools)
    acts = [_at(prefix, act) for act in method.acts]
    of_mix: dict[str, list[Act]] = {}
    for mix in method.mixes:
        own = {f"{prefix}.{act.id}" for act in mix.acts}
        last = max((at for at, act in enumerate(acts) if act.id in own), default=-1)
        start = f"{prefix}.{mix.place.prefix}"
        of_mix[start] = [act for act in acts[: last + 1] if act.id.startswith(start)]
    mixed = {act.id for rows in of_mix.values() for act in rows}
    sessions: dict[str, list[Act]] = {}
    for act in acts:
        if act.session:
            sessions.setdefault(act.session, []).append(act)
    return Steps(
        position=position,
        prefix=prefix,
        worked=worked,
        mixes=tuple(MixSteps(mix=mix, acts=tuple(of_mix[f"{prefix}.{mix.place.prefix}"])) for mix in method.mixes),
        sessions=tuple(tuple(rows) for rows in sessions.values()),
        piece=tuple(act for act in acts if act.id not in mixed and not act.session),
        holds=holds_of(worked),
    )


def holds_of(worked: Worked) -> frozenset[str]:
    """Return the nuts and peanuts that a confection holds, by name."""
    return frozenset(one.name for one in worked.allergens_named if one.group in NUT_GROUPS)


def _at(prefix: str, act: Act) -> Act:
    after = tuple(replace(one, id=f"{prefix}.{one.id}") for one in act.after)
    return replace(act, id=f"{prefix}.{act.id}", after=after)
