"""A cake: its fillings within and the coat round it, of one mass or of two."""

from collections.abc import Sequence

from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.confection.laid import Body, Given, Laid, PartLaid
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.cakes import Cake


def spread_cake(form: Form, given: Sequence[Given]) -> Laid:
    """Return what fills and coats a cake, or several alike.

    A centre does both; a filling fills, and a coat (see `outside`) coats.

    :raises BadInput: below `parts`.
    """
    cake = form.vessel
    assert isinstance(cake, Cake)
    within = [one for one in given if one.part.role in ("centre", "filling")]
    if not within:
        raise BadInput(("parts",), "nothing fills the cake", "a centre or a filling", "missing")
    if len(within) > max(1, cake.fillings):
        field = ("parts", within[cake.fillings].position, "role")
        raise BadInput(field, f"{len(within)} fillings", f"up to {max(1, cake.fillings)}", "out-of-range")
    is_coated = any(one.part.role == "coat" for one in given)
    thickest = 0.0
    cakes = 1 if form.pieces is None else form.pieces + form.spares
    laid = Laid(pieces=cakes, body=Body(kind="slab"))
    for number, one in enumerate(within):
        layers = len(range(number, cake.fillings, len(within)))
        is_centre = one.part.role == "centre"
        coat_mm = 0.0 if is_coated or not is_centre else (cake.coat_mm if one.part.mm is None else one.part.mm)
        filling_mm = cake.filling_mm if is_centre or one.part.mm is None else one.part.mm
        density = one.stuff.made.density_g_per_ml
        ml = layers * filling_mm * cake.area_mm2() / 1000 + cake.coat_ml(coat_mm)
        each_g, left_over_g = _by_amount(one, ml * density, cakes)
        laid.parts[one.position] = PartLaid(
            each_g=each_g, each_ml=each_g / density, pieces=cakes, left_over_g=left_over_g, mm=coat_mm or filling_mm
        )
        thickest = max(thickest, coat_mm, filling_mm if layers else 0.0)
    laid.body = Body(kind="slab", thickness_mm=thickest)
    laid.notes.append("An even coat is assumed, on top and sides, with sharp edges. A thin first coat goes under it.")
    return laid


def _by_amount(one: Given, by_measure_g: float, cakes: int) -> tuple[float, float]:
    """Return what goes on a cake, and what of a given mass is left over of all; one that does not reach is refused."""
    part = one.part
    if part.g_each is not None:
        return part.g_each, 0.0
    if part.ml_each is not None:
        return part.ml_each * one.stuff.made.density_g_per_ml, 0.0
    if part.share_pct is not None:
        field = ("parts", one.position, "share_pct")
        raise BadInput(field, "a cake's filling is by its measure or mass", "mm, g_each or mass_g", "not-for-this")
    if part.mass_g is None:
        return by_measure_g, 0.0
    kept_g = one.stuff.kept_g(part.mass_g)
    if kept_g < cakes * by_measure_g:
        need_g = one.stuff.make_g(cakes * by_measure_g)
        field = ("parts", one.position, "mass_g")
        raise BadInput(field, "it does not fill and coat the cake", f"⟦{need_g:.0f} g⟧ or more", "out-of-range")
    return by_measure_g, kept_g - cakes * by_measure_g
