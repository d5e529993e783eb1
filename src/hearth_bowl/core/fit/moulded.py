"""Moulds and cups: shell, cap, headroom and filling of each cavity, and how often the mould is poured."""

from dataclasses import dataclass
from math import ceil, floor
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import CupAsk, MouldAsk, WalledAsk, chocolate_of, refuse_both, wanted
from hearth_bowl.core.fit.dipping import LIQUID_CHOCOLATE_G_PER_ML, SET_CHOCOLATE_G_PER_ML
from hearth_bowl.core.fit.made import batch_for_g, filling_of_g
from hearth_bowl.core.fit.outcome import Drink, Fit, FitBasis, Shell
from hearth_bowl.core.fit.vessel import Cup, Mould
from hearth_bowl.core.geometry.cavities import Cavity, CavityVolumes, Weighed, divide
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD

SEAM_MM: Final = 0.5
"""The film of melted chocolate that joins two halves: judged."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Walls:
    """Wall, cap and headroom [mm]."""

    wall_mm: float
    cap_mm: float
    headroom_mm: float


def walls_of(ask: WalledAsk) -> Walls:
    """Return the walls asked for: without a shell only headroom, on halves no cap."""
    has_shell = chocolate_of(ask) is not None
    return Walls(
        wall_mm=ask.wall_mm if has_shell else 0.0,
        cap_mm=ask.cap_mm if has_shell and not in_halves(ask) else 0.0,
        headroom_mm=ask.headroom_mm,
    )


def in_halves(ask: WalledAsk) -> bool:
    """Return whether a piece is two halves joined."""
    return isinstance(ask, MouldAsk) and ask.halves


def fit_mould(basis: FitBasis[MouldAsk], mould: Mould, notes: list[str]) -> Fit:
    """Return what is made of a recipe to fill a mould as asked; without a target every cavity once.

    :raises BadInput: naming what cannot be, with its limit.
    """
    walls = walls_of(basis.ask)
    if mould.shape == "weighed":
        notes.append("A weighed cavity is treated as a half ball: shell and cap ±7 % if round, ±12 % if boxy.")
    if basis.ask.halves and chocolate_of(basis.ask) is not None:
        notes.append("No caps: keep a little chocolate to seal the seams.")
    return _fit_cavities(basis, mould, divide(mould.cavity, **_as_args(walls)), notes)


def fit_cups(basis: FitBasis[CupAsk], cup: Cup, notes: list[str]) -> Fit:
    """Return what is made of a recipe to fill paper cups as asked; without a target every cup once.

    :raises BadInput: naming what cannot be, with its limit.
    """
    cavity = Weighed(cup.volume_ml)
    if chocolate_of(basis.ask) is not None:
        notes.append("A cup's wall is treated as a half ball of equal volume: ±12 %.")
    mould = Mould(shape="cup", cavities=cup.count, cavity=cavity)
    return _fit_cavities(basis, mould, divide(cavity, **_as_args(walls_of(basis.ask))), notes)


def _as_args(walls: Walls) -> dict[str, float]:
    return {"wall_mm": walls.wall_mm, "cap_mm": walls.cap_mm, "headroom_mm": walls.headroom_mm}


def _fit_cavities(basis: FitBasis[WalledAsk], mould: Mould, volumes: CavityVolumes, notes: list[str]) -> Fit:
    ask, made = basis.ask, basis.made
    halves = in_halves(ask)
    per_piece = 2 if halves else 1
    fill_g = per_piece * volumes.fill_ml * made.density_g_per_ml
    pieces, batch_g = _pieces(basis, mould, per_piece, fill_g, notes)
    filling_g = pieces * fill_g
    shell = shell_round(mould, ask, volumes, per_piece, fill_g, pieces)
    left_over_g = max(0.0, filling_of_g(batch_g, ask, made) - filling_g) if ask.mass_g is not None else 0.0
    pours = ceil(pieces * per_piece / mould.cavities - FLOOR_GUARD)
    spare = pours * mould.cavities - pieces * per_piece
    if spare and pours > 1:
        whole = "halves" if halves else "cavities"
        notes.append(f"The last pour leaves {spare} {whole} empty: fill them as spare pieces, or leave them.")
    colours = ask.colours if isinstance(ask, MouldAsk) and halves else 1
    by_colour = halves_by_colour(pieces, colours) if colours > 1 else None
    if by_colour:
        notes.append(f"Of each colour an even number, so that halves match: {', '.join(map(str, by_colour))}.")
    return basis.fit(
        batch_g=batch_g,
        filling_g=filling_g,
        left_over_g=left_over_g,
        fill_ml=mould.cavities * volumes.fill_ml,
        pieces=pieces,
        spares=ask.spares,
        piece_g=shell.piece_g if shell else fill_g,
        shell=shell,
        cavity=volumes,
        halves=2 * pieces if halves else None,
        halves_by_colour=by_colour,
        pours=pours,
        spare_cavities=spare,
        drink=_drink(basis, mould.cavity, fill_g),
        notes=tuple(notes),
    )


def _pieces(
    basis: FitBasis[WalledAsk], mould: Mould, per_piece: int, fill_g: float, notes: list[str]
) -> tuple[int, float]:
    """Return how many pieces, and the batch that they take."""
    ask, made = basis.ask, basis.made
    refuse_both(ask, "pieces")
    if ask.mass_g is not None:
        kept_g = filling_of_g(ask.mass_g, ask, made)
        pieces = floor(kept_g / fill_g + FLOOR_GUARD)
        if pieces < 1:
            allowed = f"{batch_for_g(fill_g, ask, made):.3g} g or more"
            raise BadInput(("mass_g",), f"{ask.mass_g:g} g does not fill one piece", allowed, "out-of-range")
        if kept_g - pieces * fill_g > FLOOR_GUARD * kept_g:
            notes.append(f"⟦{kept_g - pieces * fill_g:.1f} g⟧ of filling are left over.")
        return pieces, ask.mass_g
    pieces = wanted(ask) or max(1, mould.cavities // per_piece)
    return pieces, batch_for_g(pieces * fill_g, ask, made)


def halves_by_colour(pieces: int, colours: int) -> tuple[int, ...]:
    """Return the halves of each colour, both of a piece in one colour: as even as it goes."""
    return tuple(2 * (pieces // colours + (number < pieces % colours)) for number in range(colours))


def shell_round(
    mould: Mould, ask: WalledAsk, volumes: CavityVolumes, per_piece: int, fill_g: float, pieces: int
) -> Shell | None:
    """Return the chocolate round every piece, or None without a shell."""
    chocolate = chocolate_of(ask)
    if chocolate is None:
        return None
    one_shell_g = volumes.shell_ml * SET_CHOCOLATE_G_PER_ML
    shell_g, cap_g = per_piece * one_shell_g, per_piece * volumes.cap_ml * SET_CHOCOLATE_G_PER_ML
    total_g = pieces * (shell_g + cap_g)
    flooded_g = mould.cavities * volumes.cavity_ml * LIQUID_CHOCOLATE_G_PER_ML
    return Shell(
        ingredient=chocolate.label,
        shell_g=shell_g,
        cap_g=cap_g,
        fill_g=fill_g,
        piece_g=shell_g + cap_g + fill_g,
        total_g=total_g,
        melt_g=total_g + flooded_g - mould.cavities * one_shell_g,
        seam_g=_seam_g(mould.cavity, ask.wall_mm) if in_halves(ask) else 0.0,
        pieces=pieces,
    )


def _seam_g(cavity: Cavity, wall_mm: float) -> float:
    """Return the film on the rim of a half: the ring between the outline and the wall's inside."""
    outer, inner = rim_mm2(cavity, 0.0), rim_mm2(cavity, wall_mm)
    return (outer - inner) * SEAM_MM / 1000 * SET_CHOCOLATE_G_PER_ML


def rim_mm2(cavity: Cavity, wall_mm: float) -> float:
    """Return the area of the rim's opening: how fast the void shrinks with depth, at the rim."""
    step = cavity.depth_mm * 1e-6
    return (cavity.void_ml(wall_mm, 0.0) - cavity.void_ml(wall_mm, step)) / step * 1000


def _drink(basis: FitBasis[WalledAsk], cavity: Cavity, fill_g: float) -> Drink | None:
    ask = basis.ask
    if not isinstance(ask, MouldAsk) or (basis.recipe.family != "dry-mix" and ask.mix_g_per_cup is None):
        return None
    across = min(cavity.rim_mm)
    return Drink(
        mix_g=fill_g,
        cups=None if ask.mix_g_per_cup is None else fill_g / ask.mix_g_per_cup,
        diameter_mm=across,
        fits_mug=None if ask.mug_mm is None else across < ask.mug_mm,
    )
