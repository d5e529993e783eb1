"""Layers in one pan, the first at its base: each its own recipe, by thickness, mass or share of what is left."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.ask import PanAsk
from hearth_bowl.core.fit.made import Made, batch_for_g, filling_of_g, made_of, scaled
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

MOST_LAYERS: Final = 6  # a limit, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class LayerAmount:
    """How much of a layer, by one of: its thickness [mm], the mass weighed in [g], or a share of what depth is left."""

    thickness_mm: float | None = None
    mass_g: float | None = None
    share: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class LayerAsk:
    """A layer: its recipe, how much of it, and the mass as it is eaten where something boils off first.

    `made` is how heavy it lies, where that is known otherwise.
    """

    recipe: Recipe
    amount: LayerAmount
    finished: Mixture | None = None
    made: Made | None = None

    def lies(self, overrun_pct: float) -> Made:
        """Return how heavy it lies, whipped so much."""
        return self.made or made_of(self.recipe, overrun_pct, self.finished)


@dataclass(frozen=True, slots=True, kw_only=True)
class PanLayer:
    """A layer from one height above the base to another [mm]; batch = filling + loss + evaporated."""

    from_mm: float
    to_mm: float
    thickness_mm: float
    fill_ml: float
    filling_g: float
    batch_g: float
    loss_g: float
    evaporated_g: float
    scale: float
    amounts_g: tuple[float, ...]


def fit_layers(
    pan: Pan, layers: Sequence[LayerAsk], ask: PanAsk, total_mm: float | None = None
) -> tuple[PanLayer, ...]:
    """Return the layers of a slab.

    Layers by thickness and by mass take what they take; the others share the depth that is left of `total_mm` (the
    pan's depth unless told otherwise).

    :raises BadInput: below `layers`: nothing or several things asked, or more than the pan holds; at `total_mm`.
    """
    if not 1 <= len(layers) <= MOST_LAYERS:
        raise BadInput(("layers",), f"{len(layers)} layers", f"1 to {MOST_LAYERS}", "out-of-range")
    depth_mm = pan.depth_mm if total_mm is None else total_mm
    check_number(("total_mm",), depth_mm, 0, pan.depth_mm, "mm", above=True)
    for position, layer in enumerate(layers):
        _check(layer, position)
    shares = sum(layer.amount.share for layer in layers if layer.amount.share is not None)
    free_mm = depth_mm - _taken_mm(pan, layers, ask, depth_mm) if shares else 0.0
    if shares and free_mm <= 0:
        message = "nothing is left of the depth for layers by share"
        raise BadInput(("total_mm",), message, "thinner layers, or a deeper pan", "out-of-range")
    found: list[PanLayer] = []
    height = 0.0
    for position, layer in enumerate(layers):
        thickness = layer.amount.thickness_mm
        if layer.amount.share is not None:
            thickness = free_mm * layer.amount.share / shares
        top = _top_mm(pan, layer, ask, height, thickness)
        if top > depth_mm * (1 + FLOOR_GUARD) + FLOOR_GUARD:
            name = "mass_g" if layer.amount.mass_g is not None else "thickness_mm"
            limit = f"up to ⟦{max(0.0, depth_mm - height):.3g} mm⟧ thick here"
            raise BadInput(("layers", position, name), "this layer stands over the rim", limit, "out-of-range")
        found.append(_layer(pan, layer, ask, height, min(top, depth_mm)))
        height = min(top, depth_mm)
    return tuple(found)


def _check(layer: LayerAsk, position: int) -> None:
    asked = [name for name in ("thickness_mm", "mass_g", "share") if getattr(layer.amount, name) is not None]
    path = ("layers", position)
    if len(asked) != 1:
        field = asked[1] if asked else "thickness_mm"
        raise BadInput((*path, field), "one thing is asked of a layer", "a thickness, a mass or a share", "missing")
    most = {"thickness_mm": 1000.0, "mass_g": 1e6, "share": 1000.0}[asked[0]]
    check_number((*path, asked[0]), getattr(layer.amount, asked[0]), 0, most, above=True)


def _taken_mm(pan: Pan, layers: Sequence[LayerAsk], ask: PanAsk, depth_mm: float) -> float:
    """Return the depth that fixed layers take.

    In a pan with sloping sides a mass stands the less deep the higher it lies: the middle of the pan is taken for it.
    """
    taken = 0.0
    for layer in layers:
        if layer.amount.thickness_mm is not None:
            taken += layer.amount.thickness_mm
        elif layer.amount.mass_g is not None:
            volume_ml = _filling_ml(layer, ask)
            taken += volume_ml * 1000 / pan.area_mm2(depth_mm / 2)
    return taken


def _filling_ml(layer: LayerAsk, ask: PanAsk) -> float:
    made = layer.lies(ask.overrun_pct)
    return filling_of_g(layer.amount.mass_g or 0.0, ask, made) / made.density_g_per_ml


def _top_mm(pan: Pan, layer: LayerAsk, ask: PanAsk, height: float, thickness: float | None) -> float:
    if thickness is not None:
        return height + thickness
    volume_ml = pan.volume_ml(height) + _filling_ml(layer, ask)
    if volume_ml > pan.volume_ml(pan.depth_mm):
        return pan.depth_mm * 2
    return pan.depth_from_ml(volume_ml)


def _layer(pan: Pan, layer: LayerAsk, ask: PanAsk, low: float, high: float) -> PanLayer:
    made = layer.lies(ask.overrun_pct)
    fill_ml = pan.volume_ml(high) - pan.volume_ml(low)
    filling_g = fill_ml * made.density_g_per_ml
    batch_g = layer.amount.mass_g if layer.amount.mass_g is not None else batch_for_g(filling_g, ask, made)
    scale, amounts_g = scaled(layer.recipe, batch_g)
    return PanLayer(
        from_mm=low,
        to_mm=high,
        thickness_mm=high - low,
        fill_ml=fill_ml,
        filling_g=filling_g,
        batch_g=batch_g,
        loss_g=batch_g * made.left_share - filling_g,
        evaporated_g=batch_g * (1 - made.left_share),
        scale=scale,
        amounts_g=amounts_g,
    )
