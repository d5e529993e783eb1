"""Rolled, scooped and free pieces: piece mass, the ball's width, a core inside, and what is round it."""

from math import floor

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import PiecesAsk, PortionAsk, ScoopAsk, refuse_both, wanted
from hearth_bowl.core.fit.dipping import ball_coat, dipped, dipping_notes
from hearth_bowl.core.fit.made import batch_for_g, filling_of_g
from hearth_bowl.core.fit.outcome import Fit, FitBasis
from hearth_bowl.core.fit.rolling import ROLLING, ball_mm, rolled_g
from hearth_bowl.core.fit.vessel import Pieces, Scoop
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD


def fit_scoop(basis: FitBasis[ScoopAsk], scoop: Scoop, notes: list[str]) -> Fit:
    """Return how many level scoops a batch gives, or the batch for so many; a core comes on top.

    :raises BadInput: naming what cannot be, with its limit.
    """
    return _portion(basis, scoop.volume_ml * basis.made.density_g_per_ml, scoop.volume_ml, notes)


def fit_pieces(basis: FitBasis[PiecesAsk], pieces: Pieces, notes: list[str]) -> Fit:
    """Return how many pieces of a weight a batch gives, or the batch for so many; a core is part of the weight.

    :raises BadInput: naming what cannot be, with its limit.
    """
    inside_g = pieces.piece_g - basis.ask.core_g
    if inside_g <= 0:
        allowed = f"less than {pieces.piece_g:g} g"
        raise BadInput(("core_g",), "the core is as heavy as the piece", allowed, "out-of-range")
    return _portion(basis, inside_g, inside_g / basis.made.density_g_per_ml, notes)


def _portion(basis: FitBasis[PortionAsk], inside_g: float, portion_ml: float, notes: list[str]) -> Fit:
    """Without a target the recipe is portioned as it is."""
    ask, made = basis.ask, basis.made
    refuse_both(ask, "pieces")
    count = wanted(ask)
    left_over_g = 0.0
    if count is not None:
        batch_g = batch_for_g(count * inside_g, ask, made)
    else:
        batch_g = basis.recipe.mass_g if ask.mass_g is None else ask.mass_g
        kept_g = filling_of_g(batch_g, ask, made)
        count = floor(kept_g / inside_g + FLOOR_GUARD)
        if count < 1:
            allowed = f"{batch_for_g(inside_g, ask, made):.3g} g or more"
            raise BadInput(("mass_g",), f"{batch_g:g} g does not make one piece", allowed, "out-of-range")
        left_over_g = max(0.0, kept_g - count * inside_g)
    width_mm = ball_mm(inside_g, made.density_g_per_ml, ask.core_g)
    before_coat_g = inside_g + ask.core_g
    now, later = dipped(ask, count, before_coat_g, width_mm, lambda coat: ball_coat(width_mm, coat))
    notes += dipping_notes(ask, now, later)
    rolling_g = None
    if ask.rolling is not None:
        coat_mm = 0.0 if now is None else ask.coat_mm
        rolling_g = rolled_g(ask.rolling, width_mm + 2 * coat_mm)
        rolled = ROLLING[ask.rolling]
        tray_g = count * rolling_g * (1 + rolled.tray_share)
        notes.append(
            f"{rolled.name}: stand ⟦{tray_g:.0f} g⟧ in the tray; about ⟦{count * rolling_g:.0f} g⟧ stay on (±40 %)."
        )
    return basis.fit(
        batch_g=batch_g,
        filling_g=count * inside_g,
        left_over_g=left_over_g,
        fill_ml=portion_ml,
        pieces=count,
        spares=ask.spares,
        piece_g=(before_coat_g if now is None else now.piece_g) + (rolling_g or 0.0),
        shell=now,
        later=later,
        ball_mm=width_mm,
        core_g=ask.core_g or None,
        rolling_g=rolling_g,
        notes=tuple(notes),
    )
