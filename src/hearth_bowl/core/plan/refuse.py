"""Refuse: when there is no order, which few of the wishes stand against each other, and the least change that mends it.

The set is minimal: let any one of its wishes go and all the others of it can be kept. A change is tried before it is
offered. How far it is looked for are judgements of ours.
"""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.plan.answer import Because, Refusal
from hearth_bowl.core.plan.constraints import Solver
from hearth_bowl.core.plan.first import first_order
from hearth_bowl.core.plan.mend import changes_together, least_change
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.order import Budget
from hearth_bowl.core.plan.ways import Jobs, some_can_be, ways_of

SAYS: Final[Mapping[str, str]] = MappingProxyType(
    {
        "ready_at": "Everything has to be ready by then.",
        "hours": "You only work within these hours.",
        "away": "You are away for part of the time.",
        "cooks": "There are no more helpers.",
        "moulds": "A mould holds one thing at a time.",
        "keeping": "Nothing may be finished so early that it does not keep.",
        "order": "Nut-free pieces come before nuts, or a wash comes between.",
    }
)
"""Wishes in words."""


def refusal_of(occasion: Occasion, ways: Sequence[Jobs], solver: Solver, budget: Budget) -> Refusal:
    """Return why an occasion without an order has none, and what mends it."""
    offer = offer_of(occasion, ways, solver, budget)
    wishes = _wishes(occasion)
    kept = list(wishes)
    for wish in wishes:
        without = frozenset(wishes) - frozenset(kept) | {wish}
        if len(kept) > 1 and some_can_be(occasion, ways, solver, budget, without) is False:
            kept.remove(wish)
    because = tuple(Because(code=wish.split(".")[0], message=_words(occasion, wish)) for wish in kept)
    return replace(offer, because=because)


def offer_of(occasion: Occasion, ways: Sequence[Jobs], solver: Solver, budget: Budget) -> Refusal:
    """Return what gives an occasion an order, without any reason why it has none."""

    def can(changed: Occasion, its_ways: Sequence[Jobs] | None) -> bool:
        if budget.left_s <= 0:
            return False
        if occasion.happened or occasion.previous:
            return bool(some_can_be(changed, its_ways or ways_of(changed), solver, budget))
        return any(first_order(changed, jobs) is not None for jobs in its_ways or ways_of(changed))

    least = least_change(occasion, ways, can)
    return Refusal(because=(), least=least, together=() if least is not None else changes_together(occasion, can))


def _wishes(occasion: Occasion) -> list[str]:
    """Return the wishes that there are, those first that are the first to be doubted last."""
    places = [f"has.{name}" for name in occasion.has]
    away = ["away"] if occasion.away else []
    return [*places, "order", "moulds", "keeping", "cooks", *away, "hours", "ready_at"]


def _words(occasion: Occasion, wish: str) -> str:
    if wish.startswith("has."):
        name = wish.removeprefix("has.")
        return f"There are only {occasion.has[name]} {name.replace('_', ' ')}."
    return SAYS[wish]
