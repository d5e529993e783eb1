"""In which order confections are worked, so that what is free of nuts stays so: nut-free first, peanuts last, a washed
change-over between. It lessens traces and never certifies their absence."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.confection.work_out import Worked

PEANUTS: Final = "peanut"
NUTS: Final = "nuts"


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkStep:
    """A confection in its turn: its row, the nuts and peanuts that it holds, and what is done before it begins."""

    row: int
    name: str
    holds: tuple[str, ...]
    change_over: str | None


def nut_rank(worked: Worked) -> int:
    """Return how late a confection is worked: 0 free of nuts, 1 with nuts, 2 with peanuts."""
    return 2 if PEANUTS in worked.allergens else int(NUTS in worked.allergens)


def work_order(worked: Sequence[Worked]) -> tuple[WorkStep, ...]:
    """Return the order of work; of one rank as they were asked.

    A change-over stands before the first with nuts, and again before the first with peanuts: they are another allergen.
    """
    order = sorted(range(len(worked)), key=lambda position: nut_rank(worked[position]))
    found: list[WorkStep] = []
    for place, position in enumerate(order):
        one = worked[position]
        before = worked[order[place - 1]] if place else None
        found.append(
            WorkStep(
                row=position,
                name=one.confection.name,
                holds=tuple(row.name for row in one.allergens_named if row.group in (NUTS, PEANUTS)),
                change_over=_change_over(before, one),
            )
        )
    return tuple(found)


def traces_of(worked: Sequence[Worked], row: int) -> tuple[str, ...]:
    """Return the allergens that a confection does not hold, but those that are worked before it do: washing lessens
    what stays of them and never certifies that nothing does.

    :param row: which of `worked`.
    """
    order = [step.row for step in work_order(worked)]
    before = order[: order.index(row)]
    own = {found.name for found in worked[row].allergens_named}
    return tuple(sorted({found.name for one in before for found in worked[one].allergens_named} - own))


def _change_over(before: Worked | None, after: Worked) -> str | None:
    if before is None or nut_rank(before) == nut_rank(after):
        return None
    brought = "peanuts" if nut_rank(after) == 2 else "nuts"
    return f"Cover what is done. Wash bowl, tools, moulds and hands: from here on there are {brought}."
