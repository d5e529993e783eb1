"""Occasion: what is wished: which confections, ready when, by how many hands, within which hours and with which places.

All moments are minutes from the midnight that begins the day of `now` (see `days`); limits are judgements of what the
solver can order.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.plan.days import DAY_MIN, Away, Hours
from hearth_bowl.core.plan.waits import NO_FACTORS, NOTHING_LEARNED

MOST_CONFECTIONS: Final = 12  # a limit, by definition
MOST_COOKS: Final = 4  # a limit, by definition
MOST_DAYS: Final = 21  # a limit, by definition
MOST_OUT_MIN: Final = 24 * 60  # a limit, by definition
PLACES: Final = ("rings", "pots", "bowls", "fridge_shelves", "freezer_shelves", "cool_places")
"""What there may be too few of."""
NO_LIMIT: Final[Mapping[str, int]] = MappingProxyType({})


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """A confection that is wanted, worked out, and how long before it is eaten it comes out of the fridge. One that is
    `dropped` is not made any more: its place and its ids stay."""

    worked: Worked
    out_of_fridge_min: int = 0
    dropped: bool = False
    id: str = ""
    """What the ids of its tasks begin with; empty: its place, such as `c0`."""

    def prefix(self, position: int) -> str:
        """Return what the ids of its tasks and acts begin with, at its place."""
        return self.id or f"c{position}"


@dataclass(frozen=True, slots=True, kw_only=True)
class Happened:
    """A job that was begun, and done where it has an end."""

    id: str
    start_min: int
    end_min: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Occasion:
    """What is wished, and what has happened of it. `previous` are the starts of an earlier order, by job."""

    name: str
    now_min: int
    ready_min: int
    wanted: tuple[Wanted, ...]
    cooks: int = 1
    hours: Hours = field(default_factory=Hours)
    away: tuple[Away, ...] = ()
    has: Mapping[str, int] = field(default_factory=lambda: NO_LIMIT)
    pot_g: float | None = None
    slow: bool = True
    kitchen: Kitchen = field(default_factory=Kitchen)
    kitchen_c: float = 20.0
    hands: float = 1.0
    hands_by_job: Mapping[str, float] = field(default_factory=lambda: NO_FACTORS)
    cools: Mapping[str, Learned] = field(default_factory=lambda: NOTHING_LEARNED)
    happened: tuple[Happened, ...] = ()
    previous: Mapping[str, int] = field(default_factory=lambda: NO_LIMIT)
    previous_cooks: Mapping[str, int] = field(default_factory=lambda: NO_LIMIT)


def checked_occasion(occasion: Occasion) -> Occasion:
    """Return an occasion that can be planned.

    :raises BadInput: naming the field as the file has it.
    """
    if not 1 <= len(occasion.wanted) <= MOST_CONFECTIONS:
        count = len(occasion.wanted)
        raise BadInput(("confections",), f"{count} confections", f"1 to {MOST_CONFECTIONS}", "out-of-range")
    if not 1 <= occasion.cooks <= MOST_COOKS:
        raise BadInput(("cooks",), f"{occasion.cooks} cooks", f"1 to {MOST_COOKS}", "out-of-range")
    if occasion.ready_min <= occasion.now_min:
        raise BadInput(("ready_at",), "is not after now", "a moment after now", "out-of-range")
    if occasion.ready_min > occasion.now_min + MOST_DAYS * DAY_MIN:
        raise BadInput(("ready_at",), f"is more than {MOST_DAYS} days away", f"up to {MOST_DAYS} days", "out-of-range")
    if not 0 <= occasion.hours.from_min < occasion.hours.to_min <= DAY_MIN:
        raise BadInput(("hours",), "end before they begin", "from an earlier to a later time of a day", "out-of-range")
    for position, gone in enumerate(occasion.away):
        if gone.to_min <= gone.from_min:
            raise BadInput(("away", position), "ends before it begins", "a later end", "out-of-range")
        if gone.cook is not None and not 0 <= gone.cook < occasion.cooks:
            allowed = f"0 to {occasion.cooks - 1}"
            raise BadInput(("away", position, "cook"), f"there is no cook {gone.cook}", allowed, "out-of-range")
    for name, count in occasion.has.items():
        if name not in PLACES:
            raise BadInput(("has", name[:60]), "is not known", "one of " + ", ".join(PLACES), "unknown")
        if not 0 <= count <= 1000:
            raise BadInput(("has", name), f"{count}", "0 to 1000", "out-of-range")
    for position, wanted in enumerate(occasion.wanted):
        if not 0 <= wanted.out_of_fridge_min <= MOST_OUT_MIN:
            field = ("confections", position, "out_of_fridge_min")
            raise BadInput(field, f"{wanted.out_of_fridge_min} min", f"0 to {MOST_OUT_MIN} min", "out-of-range")
    return occasion
