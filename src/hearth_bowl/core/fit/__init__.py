"""Fit: from a vessel to the grams of each line, and from a mass to how deep and how many."""

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import Ask, check_ask
from hearth_bowl.core.fit.cakes import fit_cake
from hearth_bowl.core.fit.made import made_of
from hearth_bowl.core.fit.moulded import fit_cups, fit_mould
from hearth_bowl.core.fit.outcome import CakeFit, Drink, Fit, FitBasis, Marks, Shell
from hearth_bowl.core.fit.portioned import fit_pieces, fit_scoop
from hearth_bowl.core.fit.slab import fit_pan
from hearth_bowl.core.fit.vessel import Cup, Mould, Pieces, Scoop, Vessel
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.cooking import COOKED_DOWN
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

__all__ = ["Ask", "CakeFit", "Drink", "Fit", "Marks", "Shell", "fit"]


def fit(recipe: Recipe, vessel: Vessel, ask: Ask, finished: Mixture | None = None) -> Fit:
    """Return what is made of `recipe` to fill `vessel` as asked.

    :param finished: the mass as it is eaten, where something boils off first; else the grams are as weighed in.
    :raises BadInput: naming what cannot be, with its limit.
    """
    check_ask(ask)
    basis = FitBasis(recipe=recipe, ask=ask, made=made_of(recipe, ask, finished))
    notes = _start_notes(recipe, ask, finished)
    match vessel:
        case Pan():
            return fit_pan(basis, vessel, notes)
        case Mould():
            return fit_mould(basis, vessel, notes)
        case Cup():
            return fit_cups(basis, vessel, notes)
        case Scoop():
            return fit_scoop(basis, vessel, notes)
        case Pieces():
            return fit_pieces(basis, vessel, notes)
        case Cake():
            return fit_cake(basis, vessel, notes)
        case _:
            allowed = "a pan, mould, scoop, cup, cake or pieces; boxes go by --boxes and --per-box"
            raise BadInput(("kind",), "a box holds finished pieces, not a mix", allowed, "not-for-this")


def _start_notes(recipe: Recipe, ask: Ask, finished: Mixture | None) -> list[str]:
    if recipe.family in COOKED_DOWN and finished is None:
        return ["These are grams as weighed in: it boils down first, and fills so much less."]
    if recipe.family == "dry-mix":
        return ["A dry mix lies loose: its room is known to ±15 %. Weigh what one piece really takes."]
    if recipe.family == "whipped-ganache" and not ask.overrun_pct:
        return ["Reckoned without air: whipping makes it fill more. Weigh 100 ml of it, or give the air it takes up."]
    return []
