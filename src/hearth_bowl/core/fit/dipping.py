"""Dipping: the coat that stays on a piece, its foot and drips, and how much must be melted to dip in at all."""

from collections.abc import Callable
from math import pi
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import DippedAsk, chocolate_of
from hearth_bowl.core.fit.outcome import Shell
from hearth_bowl.core.geometry.pieces import ball_coat_g, piece_coat_g

SET_CHOCOLATE_G_PER_ML: Final = 1.28  # handbook, section F
LIQUID_CHOCOLATE_G_PER_ML: Final = 1.24  # handbook, section F
FOOT_SHARE: Final = 0.12
"""A foot and drips add 10 to 15 % to a coat. Handbook, section F."""


def ball_coat(diameter_mm: float, coat_mm: float) -> float:
    """Return the coat on a ball [g]."""
    return ball_coat_g(diameter_mm, coat_mm, SET_CHOCOLATE_G_PER_ML)


def piece_coat(sides_mm: tuple[float, float, float], coat_mm: float) -> float:
    """Return the coat on a cut piece [g]."""
    return piece_coat_g(*sides_mm, coat_mm, SET_CHOCOLATE_G_PER_ML)


def pool_g(height_mm: float, bowl_mm: float) -> float:
    """Return the chocolate that must still stand in a bowl so that a piece of that height goes under."""
    return pi / 4 * bowl_mm**2 * height_mm / 1000 * LIQUID_CHOCOLATE_G_PER_ML


def dipped(
    ask: DippedAsk, pieces: int, inside_g: float, height_mm: float, coat_g: Callable[[float], float]
) -> tuple[Shell | None, Shell | None]:
    """Return the chocolate for the pieces dipped now, and for those that are dipped later; None where none are.

    :param inside_g: one piece before its coat.
    :param coat_g: the coat of one piece of a thickness [mm].
    :raises BadInput: at `coated`: more than there are.
    """
    chocolate = chocolate_of(ask)
    if chocolate is None:
        if ask.coated is not None:
            raise BadInput(("coated",), "nothing to coat them with is chosen", "a chocolate, or leave it out")
        return None, None
    now = pieces if ask.coated is None else ask.coated
    if not 0 <= now <= pieces:
        raise BadInput(("coated",), f"{now} of {pieces} pieces", f"0 to {pieces}", "out-of-range")
    one_g = coat_g(ask.coat_mm)
    foot_g = FOOT_SHARE * one_g

    def plan(count: int) -> Shell | None:
        if not count:
            return None
        total_g = count * (one_g + foot_g)
        return Shell(
            ingredient=chocolate.label,
            shell_g=one_g,
            cap_g=0.0,
            foot_g=foot_g,
            fill_g=inside_g,
            piece_g=inside_g + one_g + foot_g,
            total_g=total_g,
            melt_g=total_g + pool_g(height_mm, ask.dip_bowl_mm),
            pieces=count,
        )

    return plan(now), plan(pieces - now)


def dipping_notes(ask: DippedAsk, now: Shell | None, later: Shell | None) -> list[str]:
    """Return what to say of the dipping."""
    notes = []
    if now or later:
        notes.append(
            f"Melt enough to dip in a bowl ⟦{ask.dip_bowl_mm:g} mm⟧ wide; what does not stay on the pieces comes back."
        )
    if later is not None:
        notes.append(
            f"{later.pieces} are kept back: freeze them in a closed box, thaw them in it so that they do not sweat, "
            "and dip them cold but not frozen hard."
        )
    return notes
