"""The chain of a mix's acts: one is taken out, put in after another, or moved, and none is left waiting for nothing."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.method.act import Act, After
from hearth_bowl.core.recipe.steps import CardStep

PREPARES: Final = frozenset({"weigh", "roast", "bloom"})
"""Acts that get something ready: they may come before or after what stands on the stove meanwhile. A judgement."""
WAITS_FOR_NONE: Final = frozenset({"heat", "boil", "cook", "melt", "cool", *PREPARES})
"""Acts that what is got ready may come before or after. A judgement."""
ADDS: Final = "join"
STIRRED_INTO: Final = frozenset({"cool", ADDS, *PREPARES})
"""Acts that something without a temperature of its own may be stirred in before or after: nothing boils or is beaten
at them, so the mix stays the one that was worked out. A judgement."""

Serves = Callable[[Act], bool]


def name_of(act: Act) -> str:
    """Return what a cook's own step calls an act: its id without the mix."""
    return act.id if act.mass is None else act.id.split(".", 1)[-1]


def named(acts: Sequence[Act], name: str, serves: Serves) -> int | None:
    """Return where the act of this name is; None where there is none."""
    return next((at for at, act in enumerate(acts) if serves(act) and name_of(act) == name), None)


def take_out(acts: list[Act], at: int) -> Act:
    """Take an act out; what came after it comes after what was before it."""
    gone = acts.pop(at)
    for other, act in enumerate(acts):
        if any(one.id == gone.id for one in act.after):
            kept = [one for one in act.after if one.id != gone.id]
            there = {one.id for one in kept}
            acts[other] = replace(act, after=(*kept, *(one for one in gone.after if one.id not in there)))
    return gone


def put_after(acts: list[Act], at: int, act: Act) -> int:
    """Put an act in right after another, before what followed in the same mix; return its place."""
    before = acts[at]
    for other in range(at + 1, len(acts)):
        if acts[other].mass == before.mass:
            edges = tuple(replace(one, id=act.id) if one.id == before.id else one for one in acts[other].after)
            acts[other] = replace(acts[other], after=edges)
    acts.insert(at + 1, replace(act, after=(After(id=before.id),)))
    return at + 1


def with_moves(acts: Sequence[Act], steps: Sequence[CardStep], serves: Serves) -> list[Act]:
    """Return acts with those that the cook moved after the act that she moved them to, as far as they may be."""
    found = list(acts)
    for number, step in enumerate(steps):
        at = named(found, step.act, serves) if step.place == "moved" else None
        to = named(found, step.after, serves)
        if at is None or to is None or not _may_move(found, at, to, serves):
            continue
        act = take_out(found, at)
        there = named(found, step.after, serves)
        assert there is not None
        put_after(found, there, replace(act, card_steps=(*act.card_steps, number)))
    return found


def earlier(acts: Sequence[Act], at: int, serves: Serves) -> str | None:
    """Return the name of the act that one comes after when it is moved up; None where it stays."""
    before = [one for one in range(at) if serves(acts[one])]
    to = next((one for one in reversed(before[:-1]) if _is_ours(acts[one])), None)
    return name_of(acts[to]) if to is not None and _may_move(acts, at, to, serves) else None


def later(acts: Sequence[Act], at: int, serves: Serves) -> str | None:
    """Return the name of the act that one comes after when it is moved down; None where it stays."""
    to = next((one for one in range(at + 1, len(acts)) if serves(acts[one]) and _is_ours(acts[one])), None)
    return name_of(acts[to]) if to is not None and _may_move(acts, at, to, serves) else None


def is_added(act: Act) -> bool:
    """Return whether an act is the card's or the cook's alone, and so stands wherever she puts it."""
    return act.from_card and name_of(act).startswith("card")


def _is_ours(act: Act) -> bool:
    return not is_added(act)


def _may_move(acts: Sequence[Act], at: int, to: int, serves: Serves) -> bool:
    """Return whether an act may stand after another: it may pass each that lies between, and is not the first."""
    act = acts[at]
    if to == at or not any(serves(one) for one in acts[:at]):
        return False
    return is_added(act) or all(_may_pass(act, other) for other in _passed(acts, at, to, serves))


def _passed(acts: Sequence[Act], at: int, to: int, serves: Serves) -> Iterator[Act]:
    between = acts[to + 1 : at] if to < at else acts[at + 1 : to + 1]
    return (act for act in between if serves(act) and not is_added(act))


def _may_pass(act: Act, other: Act) -> bool:
    if act.kind in PREPARES:
        return other.kind in WAITS_FOR_NONE
    is_checked = any(one.kind == ADDS and (one.target_c is not None or one.ask) for one in (act, other))
    return act.kind == ADDS and not is_checked and other.kind in STIRRED_INTO
