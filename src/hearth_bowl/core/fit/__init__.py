"""Fit: from a vessel to the grams of each line, and from a mass to how deep and how many.

`vessel` makes a vessel from its measures, `ask` says what each kind may be asked; by kind: `slab`, `moulded`,
`portioned`, `cakes`, with `dipping` and `rolling`; several recipes at once: `layers`, `stacked`; where a slab is
cut: `marking`.
"""

from typing import cast

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import Ask, CakeAsk, CupAsk, MouldAsk, PanAsk, PiecesAsk, ScoopAsk, ask_kind, check_ask
from hearth_bowl.core.fit.cakes import fit_cake
from hearth_bowl.core.fit.made import made_of
from hearth_bowl.core.fit.moulded import fit_cups, fit_mould
from hearth_bowl.core.fit.outcome import CakeFit, Drink, Fit, FitBasis, Marks, Shell
from hearth_bowl.core.fit.portioned import fit_pieces, fit_scoop
from hearth_bowl.core.fit.slab import fit_pan
from hearth_bowl.core.fit.vessel import Cup, Mould, Pieces, Scoop, Vessel
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

__all__ = ["Ask", "CakeFit", "Drink", "Fit", "Marks", "Shell", "fit"]


def fit(recipe: Recipe, vessel: Vessel, ask: Ask, finished: Mixture | None = None) -> Fit:
    """Return what is made of `recipe` to fill `vessel` as asked.

    :param finished: the mass as it is eaten, where something boils off first; else the grams are as weighed in.
    :raises BadInput: naming what cannot be, with its limit; at `kind` for an ask of another kind of vessel.
    """
    kind = ask_kind(vessel)
    if ask.kind != kind:
        raise BadInput(("kind",), f"asked as of {ask.kind}", kind, "not-for-this")
    check_ask(ask)
    notes = _start_notes(recipe, ask)
    basis = FitBasis(recipe=recipe, ask=ask, made=made_of(recipe, ask.overrun_pct, finished))
    match vessel:
        case Pan():
            return fit_pan(cast(FitBasis[PanAsk], basis), vessel, notes)
        case Mould():
            return fit_mould(cast(FitBasis[MouldAsk], basis), vessel, notes)
        case Cup():
            return fit_cups(cast(FitBasis[CupAsk], basis), vessel, notes)
        case Scoop():
            return fit_scoop(cast(FitBasis[ScoopAsk], basis), vessel, notes)
        case Pieces():
            return fit_pieces(cast(FitBasis[PiecesAsk], basis), vessel, notes)
        case Cake():
            return fit_cake(cast(FitBasis[CakeAsk], basis), vessel, notes)
        case _:
            raise AssertionError("a box takes no ask")


def _start_notes(recipe: Recipe, ask: Ask) -> list[str]:
    if recipe.family == "dry-mix":
        return ["A dry mix is loose: its volume is known to ±15 %. Weigh what one piece really takes."]
    if recipe.family == "whipped-ganache" and not ask.overrun_pct:
        return ["Worked out without air: whipping makes it fill more. Weigh 100 ml of it, or give the air it takes up."]
    return []
