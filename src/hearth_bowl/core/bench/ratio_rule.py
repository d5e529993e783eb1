"""The ratio rule: chocolate to cream (or condensed milk, or butter) as a ruler with zones for this very mix."""

from dataclasses import dataclass
from itertools import pairwise
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import CLASS_BOUNDS, HARD, indices_at, set_class
from hearth_bowl.core.recipe.ratios import chocolate_to, chocolate_to_liquid
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.slide import Slide, slide_mixtures, slide_of

SPAN: Final = MappingProxyType({"cream": (0.4, 4.0), "condensed-milk": (0.3, 2.5), "butter": (0.5, 5.0)})
"""The ruler's ends: the ratios met in kitchens. It grows to hold the present one. A judgement."""
TICKS: Final = 25  # numerical, by definition
SAME_RATIO: Final = 0.01
"""Within a hundredth it is the same ratio. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Zone:
    """A stretch of the ruler in which the mass falls into one class."""

    texture: str
    low: float
    high: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RatioRule:
    """The ruler: its ends, the ratio now, the zones, and what moves when it is slid.

    `to_all_liquid` is the ratio to every liquid in the bowl, where that is another one.
    """

    liquid: str
    ratio: float
    low: float
    high: float
    zones: tuple[Zone, ...]
    to_all_liquid: float | None
    moves: str | None
    pinned: tuple[str, ...]


def ratio_rule(recipe: Recipe, at_c: float, modelled: bool) -> RatioRule | None:
    """Return the rule of a recipe at a temperature, or None where it has no ratio. Zones only where set is modelled."""
    slide = slide_of(recipe)
    if slide is None:
        return None
    ratio = chocolate_to(recipe, slide.liquid)
    assert ratio is not None  # slide_of found both sides
    low, high = SPAN[slide.liquid]
    low, high = min(low, ratio), max(high, ratio * 1.05)
    return RatioRule(
        liquid=slide.liquid,
        ratio=ratio,
        low=low,
        high=high,
        zones=_zones(recipe, slide, at_c, low, high) if modelled and slide.moving else (),
        to_all_liquid=_to_all_liquid(recipe, ratio) if slide.liquid == "cream" else None,
        moves=slide.side if slide.moving else None,
        pinned=slide.pinned,
    )


def _to_all_liquid(recipe: Recipe, ratio: float) -> float | None:
    every = chocolate_to_liquid(recipe)
    return None if every is None or abs(every - ratio) < SAME_RATIO * ratio else every


def _at_ratio(base: Mixture, moving: Mixture, slide: Slide, ratio: float) -> Mixture | None:
    try:
        return base.plus(moving, slide.moved_g(ratio) / slide.moving_g)
    except BadInput:
        return None


def _zones(recipe: Recipe, slide: Slide, at_c: float, low: float, high: float) -> tuple[Zone, ...]:
    base, moving = slide_mixtures(recipe, slide)
    ratios = [low + (high - low) * tick / (TICKS - 1) for tick in range(TICKS)]
    there = [(ratio, _at_ratio(base, moving, slide, ratio)) for ratio in ratios]
    mixtures = [(ratio, mixture) for ratio, mixture in there if mixture is not None]
    indices = indices_at([mixture for _, mixture in mixtures], at_c)
    return zones_of([(ratio, index) for (ratio, _), index in zip(mixtures, indices, strict=True)])


def zones_of(points: list[tuple[float, float]]) -> tuple[Zone, ...]:
    """Return the zones along rising (position, index) points; bounds are found on the line between two points."""
    if not points:
        return ()
    zones: list[Zone] = []
    start, current = points[0][0], set_class(points[0][1])
    for (x0, y0), (x1, y1) in pairwise(points):
        for bound, below, above in _crossed(y0, y1):
            at = x0 + (x1 - x0) * (bound - y0) / (y1 - y0)
            zones.append(Zone(texture=current, low=start, high=at))
            start, current = at, above if y1 > y0 else below
    zones.append(Zone(texture=current, low=start, high=points[-1][0]))
    return tuple(zones)


def _crossed(before: float, after: float) -> list[tuple[float, str, str]]:
    """Return each class bound between two indices with the classes below and above it, in the order met."""
    names = [name for _, name in CLASS_BOUNDS] + [HARD]
    met = [
        (bound, names[i], names[i + 1])
        for i, (bound, _) in enumerate(CLASS_BOUNDS)
        if before < bound <= after or after < bound <= before
    ]
    return met if after > before else met[::-1]
