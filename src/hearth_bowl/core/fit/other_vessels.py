"""Which vessel suits a batch: what it makes of each, and what it takes to stand as deep in another."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Ask, Fit, fit
from hearth_bowl.core.fit.ask import PanAsk, ask_kind, asked_alike
from hearth_bowl.core.fit.vessel import Box, Mould, Vessel
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

SLAB_MM: Final = MappingProxyType({"cut": (12.0, 28.0), "pour": (2.0, 8.0), "glaze": (2.0, 8.0)})
"""How thick a slab is for its use: usual ranges. Others are spread to cool. A judgement."""
OTHER_SLAB_MM: Final = (8.0, 30.0)  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherVessel:
    """What a batch makes of one vessel; `off` from 0, the best suited. `same_depth_g` gives an asked depth there."""

    position: int
    says: str
    off: float
    fit: Fit | None
    same_depth_g: float | None


def other_vessels(
    recipe: Recipe,
    vessels: Sequence[Vessel],
    ask: Ask,
    batch_g: float,
    depth_mm: float | None = None,
    finished: Mixture | None = None,
) -> tuple[OtherVessel, ...]:
    """Return what a batch makes of each vessel, the best suited first.

    :param depth_mm: the depth to keep in another pan.
    """
    found = []
    for position, vessel in enumerate(vessels):
        if isinstance(vessel, Box | Cake):
            continue
        asked = replace(asked_alike(ask, ask_kind(vessel)), mass_g=batch_g)
        try:
            made = fit(recipe, vessel, asked, finished)
        except BadInput as problem:
            found.append(OtherVessel(position=position, says=problem.message, off=100.0, fit=None, same_depth_g=None))
            continue
        says, off = _says(recipe, vessel, made)
        found.append(
            OtherVessel(
                position=position,
                says=says,
                off=off,
                fit=made,
                same_depth_g=_same_depth_g(recipe, vessel, asked, depth_mm, finished),
            )
        )
    return tuple(sorted(found, key=lambda other: other.off))


def _says(recipe: Recipe, vessel: Vessel, made: Fit) -> tuple[str, float]:
    if isinstance(vessel, Pan):
        low, high = SLAB_MM.get(recipe.use or "", OTHER_SLAB_MM)
        thick = made.thickness_mm or 0.0
        if made.left_over_g > 0:
            return (
                f"full at ⟦{thick:.0f} mm⟧, ⟦{made.left_over_g:.0f} g⟧ left over",
                20 + made.left_over_g / made.batch_g,
            )
        if thick < low:
            return f"⟦{thick:.1f} mm⟧ thick: thin", 10 + (low - thick) / low
        if thick > high:
            return f"⟦{thick:.0f} mm⟧ thick: high for it", 10 + (thick - high) / high
        return f"⟦{thick:.0f} mm⟧ thick", abs(thick - (low + high) / 2) / (high - low)
    if isinstance(vessel, Mould):
        pours = made.pours or 1
        return f"{made.pieces} pieces, {pours} {'pour' if pours == 1 else 'pours'}", 1 + 0.2 * pours
    return f"{made.pieces} pieces", 5.0


def _same_depth_g(
    recipe: Recipe, vessel: Vessel, ask: Ask, depth_mm: float | None, finished: Mixture | None
) -> float | None:
    if depth_mm is None or not isinstance(vessel, Pan) or not isinstance(ask, PanAsk) or depth_mm > vessel.depth_mm:
        return None
    return fit(recipe, vessel, replace(ask, mass_g=None, thickness_mm=depth_mm), finished).batch_g
