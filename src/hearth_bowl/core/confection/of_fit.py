"""The confection that a fit of one mass is: its vessel as the form, its shell or coat, core and rolling as parts."""

from typing import Any

from hearth_bowl.core.confection.confection import Confection, Form, Part
from hearth_bowl.core.confection.outside import ROLLED_OF
from hearth_bowl.core.fit.ask import Ask, CakeAsk, CupAsk, MouldAsk, PanAsk, PiecesAsk, ScoopAsk, chocolate_of
from hearth_bowl.core.fit.rolling import CORE_G_PER_ML, ROLLING
from hearth_bowl.core.fit.vessel import Pieces, Vessel
from hearth_bowl.core.ingredients.ingredient import Ingredient, own_ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.recipe import Recipe


def confection_of(recipe: Recipe, vessel: Vessel, ask: Ask, name: str = "") -> Confection:
    """Return the confection of a recipe in a vessel as asked: worked out, it makes what the fit makes."""
    parts: list[Part] = []
    inside: dict[str, Any] = {"mass_g": ask.mass_g, "overrun_pct": ask.overrun_pct or None, "loss_pct": ask.loss_pct}
    form: dict[str, Any] = {"loss_g": ask.loss_g}
    if not isinstance(ask, CakeAsk):
        form |= {"pieces": ask.pieces, "spares": ask.spares}
    match ask:
        case PanAsk():
            form |= {"piece_mm": ask.piece_mm, "trim_mm": ask.trim_mm, "kerf_mm": ask.kerf_mm}
            parts.append(Part(role="layer", of=recipe, **{**inside, "mm": ask.thickness_mm}))
        case MouldAsk() | CupAsk():
            if isinstance(ask, MouldAsk):
                form |= {"halves": ask.halves, "colours": ask.colours}
            shell = chocolate_of(ask)
            if shell is not None:
                walls: dict[str, Any] = {"wall_mm": ask.wall_mm, "cap_mm": ask.cap_mm, "headroom_mm": ask.headroom_mm}
                parts.append(Part(role="shell", of=shell, **walls))
            else:
                inside["headroom_mm"] = ask.headroom_mm
            parts.append(Part(role="filling", of=recipe, **inside))
        case ScoopAsk() | PiecesAsk():
            own_g = vessel.piece_g - ask.core_g if isinstance(vessel, Pieces) and ask.core_g else None
            if own_g is not None and ask.mass_g is None:
                inside["g_each"] = own_g
            parts.append(Part(role="centre", of=recipe, **inside))
            if ask.core_g:
                parts.append(Part(role="core", of=_unsaid("Nut or jam inside", CORE_G_PER_ML), g_each=ask.core_g))
        case CakeAsk():
            parts.append(Part(role="centre", of=recipe, **inside))
    if isinstance(ask, PanAsk | ScoopAsk | PiecesAsk):
        coat = chocolate_of(ask)
        if coat is not None and not (isinstance(ask, PanAsk) and ask.pieces is None and ask.piece_mm is None):
            parts.append(Part(role="coat", of=coat, mm=ask.coat_mm, coated=ask.coated, dip_bowl_mm=ask.dip_bowl_mm))
    if isinstance(ask, ScoopAsk | PiecesAsk) and ask.rolling is not None:
        of = find(ROLLED_OF[ask.rolling]) if ask.rolling in ROLLED_OF else None
        parts.append(
            Part(role="rolling", of=of)
            if of is not None
            else Part(role="rolling", of=_unsaid(ROLLING[ask.rolling].name, 0.8), g_each=1.0)
        )
    return Confection(name=name or recipe.name, form=Form(vessel=vessel, **form), parts=tuple(parts))


def _unsaid(name: str, density_g_per_ml: float) -> Ingredient:
    """Return something that nobody named yet: what it holds, and its allergens, are not known."""
    return own_ingredient(name=name, composition_pct={"other": 100}, density_g_per_ml=density_g_per_ml, allergens=None)
