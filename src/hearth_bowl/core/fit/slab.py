"""A slab in a pan: thickness from mass, mass from thickness, and its cutting plan."""

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import PanAsk, refuse_both, wanted
from hearth_bowl.core.fit.dipping import dipped, dipping_notes, piece_coat
from hearth_bowl.core.fit.made import batch_for_g, filling_of_g
from hearth_bowl.core.fit.outcome import Fit, FitBasis, Marks
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.geometry.pieces import Cut, cut_by_count, cut_by_size


def fit_pan(basis: FitBasis[PanAsk], pan: Pan, notes: list[str]) -> Fit:
    """Return what is made of a recipe to fill a pan as asked; without a target to its depth.

    :raises BadInput: naming what cannot be, with its limit.
    """
    ask, made = basis.ask, basis.made
    refuse_both(ask, "thickness_mm")
    full_ml = pan.volume_ml(pan.depth_mm)
    left_over_g = 0.0
    if ask.mass_g is not None:
        batch_g = ask.mass_g
        poured_ml = filling_of_g(batch_g, ask, made) / made.density_g_per_ml
        if poured_ml > full_ml * (1 + FLOOR_GUARD):
            left_over_g = (poured_ml - full_ml) * made.density_g_per_ml
            notes.append(f"The pan is full: ⟦{left_over_g:.0f} g⟧ are left over.")
        fill_ml = min(poured_ml, full_ml)
        thickness_mm = pan.depth_from_ml(fill_ml)
    else:
        thickness_mm = _asked_thickness(pan, ask)
        fill_ml = pan.volume_ml(thickness_mm)
        batch_g = batch_for_g(fill_ml * made.density_g_per_ml, ask, made)
    filling_g = fill_ml * made.density_g_per_ml
    cut = cut_of(pan, ask)
    piece_g = offcut_g = now = later = None
    if cut is not None:
        p, q = cut.piece_mm
        piece_g = p * q * thickness_mm * made.density_g_per_ml / 1000
        offcut_g = filling_g - cut.pieces * piece_g
        if offcut_g < -FLOOR_GUARD * filling_g:
            notes.append(f"Pieces at rounded corners are lighter, by ⟦{-offcut_g:.1f} g⟧ in all.")
        offcut_g = max(0.0, offcut_g)
        asked = wanted(ask)
        if asked is not None and cut.pieces > asked:
            notes.append(f"{asked} asked, {cut.pieces} come out.")
        now, later = dipped(ask, cut.pieces, piece_g, thickness_mm, lambda coat: piece_coat((p, q, thickness_mm), coat))
        notes += dipping_notes(ask, now, later)
    return basis.fit(
        batch_g=batch_g,
        filling_g=filling_g,
        left_over_g=left_over_g,
        fill_ml=fill_ml,
        thickness_mm=thickness_mm,
        pieces=cut.pieces if cut else None,
        spares=ask.spares,
        grid=cut.grid if cut else None,
        piece_mm=cut.piece_mm if cut else None,
        spacing_mm=(cut.piece_mm[0] + ask.kerf_mm, cut.piece_mm[1] + ask.kerf_mm) if cut else None,
        places_mm=cut.places_mm if cut else None,
        marks=marks(pan, cut, ask.kerf_mm) if cut and cut.grid else None,
        piece_g=piece_g,
        offcut_g=offcut_g,
        shell=now,
        later=later,
        notes=tuple(notes),
    )


def _asked_thickness(pan: Pan, ask: PanAsk) -> float:
    thickness_mm = pan.depth_mm if ask.thickness_mm is None else ask.thickness_mm
    if thickness_mm > pan.depth_mm:
        message = f"⟦{thickness_mm:g} mm⟧ is over the pan's rim"
        raise BadInput(("thickness_mm",), message, f"up to ⟦{pan.depth_mm:g} mm⟧", "out-of-range")
    return thickness_mm


def cut_of(pan: Pan, ask: PanAsk) -> Cut | None:
    """Return how a slab is cut as asked, or None where no cut is asked.

    :raises BadInput: at `pieces` or `piece_mm` when it cannot be cut so.
    """
    asked = wanted(ask)
    if ask.piece_mm is not None:
        cut = cut_by_size(pan, ask.piece_mm, ask.trim_mm, ask.kerf_mm)
        if not cut.pieces:
            raise BadInput(("piece_mm",), "not one such piece fits the pan", "smaller pieces or less trim")
        if asked is not None and asked > cut.pieces:
            raise BadInput(
                ("pieces",), f"{asked} pieces of that size do not fit", f"up to {cut.pieces}", "out-of-range"
            )
        return cut
    if asked is None:
        return None
    found = cut_by_count(pan, asked, ask.trim_mm, ask.kerf_mm)
    if found is None:
        raise BadInput(("pieces",), f"{asked} pieces cannot be cut from it", "fewer pieces, less trim, a thinner knife")
    return found


def marks(pan: Pan, cut: Cut, kerf_mm: float) -> Marks:
    """Return the edges of the pieces from the pan's left and top inside edge, the grid in its middle."""
    nx, ny = cut.grid or (0, 0)
    return Marks(
        along_mm=_edges(pan.length_mm, nx, cut.piece_mm[0], kerf_mm),
        across_mm=_edges(pan.width_mm, ny, cut.piece_mm[1], kerf_mm),
    )


def _edges(side_mm: float, count: int, piece_mm: float, kerf_mm: float) -> tuple[float, ...]:
    start = (side_mm - count * piece_mm - (count - 1) * kerf_mm) / 2
    edges = [start + i * (piece_mm + kerf_mm) + edge for i in range(count) for edge in (0.0, piece_mm)]
    return tuple(edge for i, edge in enumerate(edges) if not i or edge - edges[i - 1] > FLOOR_GUARD)
