"""Guests: what one who must not eat something may take of several confections. Nothing is certified by it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.label import not_known_in
from hearth_bowl.core.confection.work_out import Worked

GROUPS: Final[Mapping[str, str]] = MappingProxyType(
    {
        "nuts": "nuts", "peanut": "peanuts", "milk": "milk", "egg": "egg", "gluten": "gluten", "soya": "soya",
        "sesame": "sesame", "sulphites": "sulphites",
    }
)  # fmt: skip
"""What must be declared, and how a cook calls it."""
BY_CAUTION: Final[Mapping[str, tuple[str, str]]] = MappingProxyType(
    {
        "gelatine": ("gelatine", "gelatine"),
        "honey": ("honey-infants", "honey, for an infant"),
        "alcohol": ("alcohol", "alcohol"),
        "raw-egg": ("raw-egg", "raw egg"),
        "small pieces": ("choking", "small hard pieces, for a small child"),
    }
)
"""What a caution tells of: its code and its words."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Guest:
    """Who must not eat `what`: which confections hold it, which do not, and which of these are made beside it or are
    not known through and through. By their positions."""

    key: str
    what: str
    holds: tuple[int, ...]
    free: tuple[int, ...]
    beside: tuple[int, ...]


def guests(worked: Sequence[Worked]) -> tuple[Guest, ...]:
    """Return, for each thing that some of the confections hold, who may eat which."""
    unknown = {position for position, one in enumerate(worked) if not_known_in(one)}
    found = []
    for key, what in GROUPS.items():
        found.append(_guest(key, what, [key in one.allergens for one in worked], unknown))
    for key, (code, what) in BY_CAUTION.items():
        has = [any(caution.code == code for caution in one.cautions) for one in worked]
        found.append(_guest(key, what, has, unknown))
    return tuple(guest for guest in found if guest.holds)


def _guest(key: str, what: str, has: Sequence[bool], unknown: set[int]) -> Guest:
    free = tuple(position for position, held in enumerate(has) if not held)
    traces = key in GROUPS and any(has)
    return Guest(
        key=key,
        what=what,
        holds=tuple(position for position, held in enumerate(has) if held),
        free=free,
        beside=tuple(position for position in free if traces or position in unknown),
    )
