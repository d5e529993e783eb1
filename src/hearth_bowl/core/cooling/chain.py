"""Chains of rests: what follows what until a piece is finished, with moments to look again. Common practice."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput


@dataclass(frozen=True, slots=True, kw_only=True)
class Link:
    """One rest: its name, what to look for, its usual minutes (None: as long as the set clock says)."""

    name: str
    look_for: str
    minutes: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Look:
    """When to look again [min from the start], for what, and how long the rest before it is [min]."""

    name: str
    look_for: str
    after_min: float
    minutes: float


CHAINS: Final[Mapping[str, tuple[Link, ...]]] = MappingProxyType(
    {
        "moulded": (
            Link(name="Shells chill", look_for="they come away from the mould's wall", minutes=12),
            Link(name="Second coat at the rims, chill again", look_for="no thin spot against the light", minutes=10),
            Link(name="Filling half sets", look_for="it skins over and does not run", minutes=None),
            Link(name="Caps set", look_for="they let go by themselves", minutes=15),
            Link(name="Final rest, cool room", look_for="glossy, snapping", minutes=12 * 60),
        ),
        "slab": (
            Link(name="Cool it", look_for="it holds its mark", minutes=None),
            Link(name="Overnight rest, ⟦14 to 18 °C⟧", look_for="firm but takes a thumb print", minutes=10 * 60),
            Link(name="Soften a quarter of an hour before cutting", look_for="it cuts without crumbling", minutes=15),
        ),
        "rolled": (
            Link(name="Cool it", look_for="it holds its mark", minutes=None),
            Link(name="Rolled balls set", look_for="firm to the touch", minutes=30),
            Link(name="Coats set", look_for="no streaks, no wet spot", minutes=20),
        ),
        "frozen": (
            Link(name="Thaw closed in the fridge", look_for="soft through", minutes=8 * 60),
            Link(name="To room warmth, still closed", look_for="no dew on the box", minutes=90),
        ),
        "liquid": (
            Link(name="Shells chill", look_for="they come away from the mould's wall", minutes=12),
            Link(name="Caps set", look_for="no seam gap", minutes=15),
            Link(name="First look at the centre", look_for="it begins to run", minutes=5 * 24 * 60),
            Link(name="Dwell", look_for="liquid through", minutes=9 * 24 * 60),
        ),
    }
)
"""The usual chain of each kind of piece."""


def chain_of(kind: str, minutes: float) -> list[Look]:
    """Return when to look again along a chain.

    :param minutes: what the set clock says for the link that goes by it.
    :raises BadInput: at `kind`.
    """
    if kind not in CHAINS:
        raise BadInput(("kind",), f"unknown chain {kind[:40]!r}", ", ".join(CHAINS), "unknown")
    looks, after = [], 0.0
    for link in CHAINS[kind]:
        long = minutes if link.minutes is None else link.minutes
        after += long
        looks.append(Look(name=link.name, look_for=link.look_for, after_min=after, minutes=long))
    return looks
