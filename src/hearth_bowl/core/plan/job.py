"""A job: one thing to do for one or several confections, what it needs, and what lies between it and others."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

NOTHING: Final[Mapping[str, int]] = MappingProxyType({})
AFTER_THE_LAST: Final = frozenset({"soften", "pack"})
"""A confection is finished before these."""


@dataclass(frozen=True, slots=True, kw_only=True)
class After:
    """What must be done before: at least, and at most (None: no limit), so long before [min from its end]."""

    id: str
    least_min: int = 0
    most_min: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Job:
    """One thing to do. `confections` are the positions of those that it serves; `hands_on` takes a pair of hands.

    `uses` are places and tools while it lasts; `vessel` the mould or pan that it is in, of which
    it takes `moulds` in this `turn`. `holds` are the nuts and peanuts that it leaves on tools; `recipe` the
    name of what is made.
    """

    id: str
    kind: str
    title: str
    minutes: int
    hands_on: bool
    because: str
    confections: tuple[int, ...]
    after: tuple[After, ...] = ()
    uses: Mapping[str, int] = field(default_factory=lambda: NOTHING)
    vessel: str | None = None
    moulds: int = 0
    turn: int = 0
    holds: frozenset[str] = frozenset()
    recipe: str | None = None
    acts: tuple[str, ...] = ()
    """The acts that it is made of, by their ids; none of washing, softening and packing."""
    takes: tuple[tuple[str, float], ...] = ()
    """What goes in: ingredients with their grams, in the order of the acts."""
