"""Chains of rests: what follows what until a piece is finished, with moments to look again. Common practice."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.ripening import dose_pct, ripen
from hearth_bowl.core.recipe.recipe import Recipe

DAY_MIN: Final = 24 * 60  # by definition


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
            Link(name="Caps set", look_for="they come loose by themselves", minutes=15),
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
            Link(name="To room temperature, still closed", look_for="no dew on the box", minutes=90),
        ),
        "liquid": (
            Link(name="Shells chill", look_for="they come away from the mould's wall", minutes=12),
            Link(name="Caps set", look_for="no seam gap", minutes=15),
            Link(name="First look at the centre", look_for="it begins to run", minutes=5 * DAY_MIN),
            Link(name="Dwell", look_for="liquid through", minutes=9 * DAY_MIN),
        ),
    }
)
"""The usual chain of each kind of piece. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Dwell:
    """How long a centre with invertase ripens [days] until it is as soft as it gets: the earliest, and the latest."""

    word: str
    first_days: float
    last_days: float
    dose_pct: float
    at_c: float


def dwell_of(recipe: Recipe, mixture: Mixture, at_c: float) -> Dwell | None:
    """Return how long a centre ripens by its own dose, sugars and warmth; None without invertase, or where it stops.

    :param mixture: the recipe as it is eaten.
    :raises BadInput: at `at_c` or `dose_pct`.
    """
    dose = dose_pct(recipe, mixture.mass_g)
    if dose is None:
        return None
    days = ripen(mixture, dose, at_c).days
    for word in ("liquid", "creamy", "loose"):
        found = days[word]
        if found is not None:
            first, _, last = found
            return Dwell(word=word, first_days=first, last_days=last, dose_pct=dose, at_c=at_c)
    return None


def chain_of(kind: str, minutes: float, dwell: Dwell | None = None) -> list[Look]:
    """Return when to look again along a chain.

    :param minutes: what the set clock says for the link that goes by it.
    :param dwell: what a liquid centre's own invertase says; without it common practice.
    :raises BadInput: at `kind`.
    """
    if kind not in CHAINS:
        raise BadInput(("kind",), f"unknown chain {kind[:40]!r}", ", ".join(CHAINS), "unknown")
    links = CHAINS[kind]
    if kind == "liquid" and dwell is not None:
        links = (*links[:-2], *_ripens(dwell))
    looks, after = [], 0.0
    for link in links:
        long = minutes if link.minutes is None else link.minutes
        after += long
        looks.append(Look(name=link.name, look_for=link.look_for, after_min=after, minutes=long))
    return looks


def _ripens(dwell: Dwell) -> tuple[Link, Link]:
    """Return the two last links of a liquid centre's chain, by its own dwell."""
    return (
        Link(
            name="First look at the centre",
            look_for=f"cut one open: {dwell.word} at the earliest",
            minutes=DAY_MIN * dwell.first_days,
        ),
        Link(
            name=f"Ripen at ⟦{dwell.at_c:g} °C⟧, {dwell.dose_pct:.2f} % invertase",
            look_for=f"{dwell.word} through; preparations differ, the maker's label wins",
            minutes=DAY_MIN * (dwell.last_days - dwell.first_days),
        ),
    )
