"""Fit: from a vessel to the grams of each line, and from a mass to how deep and how many."""

from dataclasses import dataclass, field
from math import ceil, floor
from typing import Final

from hearth_bowl.core.cooking import COOKED_DOWN
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.geometry.cavities import CavityVolumes, divide
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.geometry.pieces import MOST_PIECES, Cut, cut_by_count, cut_by_size
from hearth_bowl.core.ingredient import Ingredient
from hearth_bowl.core.mixture import mix
from hearth_bowl.core.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe import Recipe
from hearth_bowl.core.vessel import Mould, Vessel

SET_CHOCOLATE_G_PER_ML: Final = 1.28
LIQUID_CHOCOLATE_G_PER_ML: Final = 1.24
MOST_LOSS_PCT: Final = 90.0
MOST_MASS_G: Final = 1e6


@dataclass(frozen=True, slots=True, kw_only=True)
class Ask:
    """What is asked of a vessel. Lengths mm, masses g; None where nothing is asked."""

    thickness_mm: float | None = None
    pieces: int | None = None
    mass_g: float | None = None
    piece_mm: tuple[float, float] | None = None
    trim_mm: float = 0.0
    kerf_mm: float = 0.0
    wall_mm: float = 2.0
    cap_mm: float = 1.5
    headroom_mm: float = 0.5
    shell: Ingredient | None = None
    halves: bool = False
    loss_pct: float = 5.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Shell:
    """Chocolate round one finished piece, and for all of them. `melt_g` includes one mould flooded, less its shells."""

    ingredient: str
    shell_g: float
    cap_g: float
    fill_g: float
    piece_g: float
    total_g: float
    melt_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Fit:
    """What a recipe makes of a vessel; None where a figure does not apply.

    batch = filling + loss + left over. `fill_ml` is the filling of one whole vessel; `thickness_mm` a slab's.
    """

    scale: float
    batch_g: float
    amounts_g: tuple[float, ...]
    filling_g: float
    left_over_g: float
    fill_ml: float
    loss_g: float
    thickness_mm: float | None = None
    pieces: int | None = None
    grid: tuple[int, int] | None = None
    piece_mm: tuple[float, float] | None = None
    piece_g: float | None = None
    offcut_g: float | None = None
    shell: Shell | None = None
    cavity: CavityVolumes | None = None
    halves: int | None = None
    pours: int | None = None
    notes: tuple[str, ...] = field(default=())


def fit(recipe: Recipe, vessel: Vessel, ask: Ask) -> Fit:
    """Return what is made of `recipe` to fill `vessel` as asked.

    :raises BadInput: naming what cannot be, with its limit.
    """
    _check(ask)
    if isinstance(vessel, Pan):
        return _fit_pan(recipe, vessel, ask)
    return _fit_mould(recipe, vessel, ask)


def _start_notes(recipe: Recipe) -> list[str]:
    if recipe.family in COOKED_DOWN:
        return ["These are grams as weighed in: it boils down first, and fills so much less."]
    return []


def _check(ask: Ask) -> None:
    check_number(("loss_pct",), ask.loss_pct, 0, MOST_LOSS_PCT, "%")
    for name in ("trim_mm", "kerf_mm", "wall_mm", "cap_mm", "headroom_mm"):
        check_number((name,), getattr(ask, name), 0, 1000, "mm")
    if ask.pieces is not None and not 1 <= ask.pieces <= MOST_PIECES:
        raise BadInput(("pieces",), f"{ask.pieces} pieces", f"1 to {MOST_PIECES}", "out-of-range")
    if ask.mass_g is not None:
        check_number(("mass_g",), ask.mass_g, 0, MOST_MASS_G, "g", above=True)
    if ask.thickness_mm is not None:
        check_number(("thickness_mm",), ask.thickness_mm, 0, 1000, "mm", above=True)
    for side in ask.piece_mm or ():
        check_number(("piece_mm",), side, 1, 1000, "mm")
    if ask.shell is not None and ask.shell.kind not in CHOCOLATE_KINDS:
        raise BadInput(("shell",), f"{ask.shell.label} is no chocolate", "a chocolate or compound, or none")


def _kept_share(ask: Ask) -> float:
    """Return the share of the batch that gets past bowl, bag and knife."""
    return 1 - ask.loss_pct / 100


def _scaled(recipe: Recipe, batch_g: float) -> tuple[float, tuple[float, ...]]:
    scale = batch_g / recipe.mass_g
    return scale, tuple(grams * scale for grams in recipe.amounts_g)


def _fit_pan(recipe: Recipe, pan: Pan, ask: Ask) -> Fit:
    if ask.halves:
        raise BadInput(("halves",), "halves are joined from a mould's cavities", "a mould")
    density = mix(recipe).density_g_per_ml
    notes = _start_notes(recipe)
    full_ml = pan.volume_ml(pan.depth_mm)
    left_over_g = 0.0
    if ask.mass_g is not None:
        if ask.thickness_mm is not None:
            raise BadInput(("mass_g",), "a mass and a thickness are both given", "one of the two")
        batch_g = ask.mass_g
        poured_ml = batch_g * _kept_share(ask) / density
        if poured_ml > full_ml * (1 + FLOOR_GUARD):
            left_over_g = (poured_ml - full_ml) * density
            notes.append(f"The pan is full: {left_over_g:.0f} g are left over.")
        fill_ml = min(poured_ml, full_ml)
        thickness_mm = pan.depth_from_ml(fill_ml)
    else:
        thickness_mm = pan.depth_mm if ask.thickness_mm is None else ask.thickness_mm
        if thickness_mm > pan.depth_mm:
            raise BadInput(
                ("thickness_mm",),
                f"{thickness_mm:g} mm is over the pan's rim",
                f"up to {pan.depth_mm:g} mm",
                "out-of-range",
            )
        fill_ml = pan.volume_ml(thickness_mm)
        batch_g = fill_ml * density / _kept_share(ask)
    filling_g = fill_ml * density
    scale, amounts_g = _scaled(recipe, batch_g)
    cut = _cut(pan, ask)
    piece_g = offcut_g = None
    if cut is not None:
        piece_g = cut.piece_mm[0] * cut.piece_mm[1] * thickness_mm * density / 1000
        offcut_g = filling_g - cut.pieces * piece_g
        if offcut_g < -FLOOR_GUARD * filling_g:
            notes.append(f"Pieces at rounded corners are lighter, by {-offcut_g:.1f} g in all.")
        offcut_g = max(0.0, offcut_g)
        if ask.pieces is not None and cut.pieces > ask.pieces:
            notes.append(f"{ask.pieces} asked, {cut.pieces} come out.")
    return Fit(
        scale=scale,
        batch_g=batch_g,
        amounts_g=amounts_g,
        filling_g=filling_g,
        left_over_g=left_over_g,
        fill_ml=fill_ml,
        loss_g=batch_g - filling_g - left_over_g,
        thickness_mm=thickness_mm,
        pieces=cut.pieces if cut else None,
        grid=cut.grid if cut else None,
        piece_mm=cut.piece_mm if cut else None,
        piece_g=piece_g,
        offcut_g=offcut_g,
        notes=tuple(notes),
    )


def _cut(pan: Pan, ask: Ask) -> Cut | None:
    if ask.piece_mm is not None:
        cut = cut_by_size(pan, ask.piece_mm, ask.trim_mm, ask.kerf_mm)
        if not cut.pieces:
            raise BadInput(("piece_mm",), "not one such piece fits the pan", "smaller pieces or less trim")
        if ask.pieces is not None and ask.pieces > cut.pieces:
            raise BadInput(
                ("pieces",), f"{ask.pieces} pieces of that size do not fit", f"up to {cut.pieces}", "out-of-range"
            )
        return cut
    if ask.pieces is None:
        return None
    found = cut_by_count(pan, ask.pieces, ask.trim_mm, ask.kerf_mm)
    if found is None:
        raise BadInput(("pieces",), f"{ask.pieces} pieces cannot be cut from it", "fewer pieces, less trim or kerf")
    return found


def _fit_mould(recipe: Recipe, mould: Mould, ask: Ask) -> Fit:
    for name in ("thickness_mm", "piece_mm"):
        if getattr(ask, name) is not None:
            raise BadInput((name,), "does not apply to a mould", "leave it out, or give a pan")
    density = mix(recipe).density_g_per_ml
    has_shell = ask.shell is not None
    volumes = divide(
        mould.cavity,
        ask.wall_mm if has_shell else 0.0,
        ask.cap_mm if has_shell and not ask.halves else 0.0,
        ask.headroom_mm,
    )
    per_piece = 2 if ask.halves else 1
    fill_g = per_piece * volumes.fill_ml * density
    notes = _start_notes(recipe)
    pieces, batch_g = _mould_pieces(mould, ask, per_piece, fill_g, notes)
    filling_g = pieces * fill_g
    scale, amounts_g = _scaled(recipe, batch_g)
    shell = _shell(mould, ask, volumes, per_piece, fill_g, pieces)
    left_over_g = max(0.0, batch_g * _kept_share(ask) - filling_g) if ask.mass_g is not None else 0.0
    pours = ceil(pieces * per_piece / mould.cavities - FLOOR_GUARD)
    if mould.shape == "weighed":
        notes.append("A weighed cavity is reckoned as a half ball: shell and cap ±7 % if round, ±12 % if boxy.")
    if has_shell and ask.halves:
        notes.append("No caps: keep a little chocolate to seal the seams.")
    return Fit(
        scale=scale,
        batch_g=batch_g,
        amounts_g=amounts_g,
        filling_g=filling_g,
        left_over_g=left_over_g,
        fill_ml=mould.cavities * volumes.fill_ml,
        loss_g=batch_g - filling_g - left_over_g,
        pieces=pieces,
        piece_g=shell.piece_g if shell else fill_g,
        shell=shell,
        cavity=volumes,
        halves=2 * pieces if ask.halves else None,
        pours=pours,
        notes=tuple(notes),
    )


def _mould_pieces(mould: Mould, ask: Ask, per_piece: int, fill_g: float, notes: list[str]) -> tuple[int, float]:
    """Return how many pieces, and the batch that they take."""
    if ask.mass_g is not None:
        if ask.pieces is not None:
            raise BadInput(("mass_g",), "a mass and a number of pieces are both given", "one of the two")
        kept_g = ask.mass_g * _kept_share(ask)
        pieces = floor(kept_g / fill_g + FLOOR_GUARD)
        if pieces < 1:
            raise BadInput(
                ("mass_g",),
                f"{ask.mass_g:g} g does not fill one piece",
                f"{fill_g / _kept_share(ask):.3g} g or more",
                "out-of-range",
            )
        if kept_g - pieces * fill_g > FLOOR_GUARD * kept_g:
            notes.append(f"{kept_g - pieces * fill_g:.1f} g of filling are left over.")
        return pieces, ask.mass_g
    pieces = ask.pieces if ask.pieces is not None else max(1, mould.cavities // per_piece)
    return pieces, pieces * fill_g / _kept_share(ask)


def _shell(mould: Mould, ask: Ask, volumes: CavityVolumes, per_piece: int, fill_g: float, pieces: int) -> Shell | None:
    if ask.shell is None:
        return None
    one_shell_g = volumes.shell_ml * SET_CHOCOLATE_G_PER_ML
    shell_g, cap_g = per_piece * one_shell_g, per_piece * volumes.cap_ml * SET_CHOCOLATE_G_PER_ML
    total_g = pieces * (shell_g + cap_g)
    flooded_g = mould.cavities * volumes.cavity_ml * LIQUID_CHOCOLATE_G_PER_ML
    return Shell(
        ingredient=ask.shell.label,
        shell_g=shell_g,
        cap_g=cap_g,
        fill_g=fill_g,
        piece_g=shell_g + cap_g + fill_g,
        total_g=total_g,
        melt_g=total_g + flooded_g - mould.cavities * one_shell_g,
    )
