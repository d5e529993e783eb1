"""Balls and free pieces: the centre, a core inside it on top of its own mass, and how wide they come out."""

from collections.abc import Sequence
from math import floor

from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.confection.laid import Ball, Body, Given, Laid, PartLaid
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import Pieces, Scoop
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.geometry.pieces import ball_diameter_mm


def roll_balls(form: Form, given: Sequence[Given]) -> Laid:
    """Return balls with their cores. Without a number of pieces the mass given, else the recipe as it is, is portioned.

    :raises BadInput: below `parts`.
    """
    vessel = form.vessel
    assert isinstance(vessel, Scoop | Pieces)
    centre = next((one for one in given if one.part.role == "centre"), None)
    if centre is None:
        raise BadInput(("parts",), "no centre", "a centre", "missing")
    part, density = centre.part, centre.stuff.made.density_g_per_ml
    if part.mm is not None:
        field = ("parts", centre.position, "mm")
        raise BadInput(field, "a ball's centre is by its mass", "g_each, ml_each or mass_g", "not-for-this")
    each_g = _each_g(vessel, centre, density)
    pieces, left_over_g = _pieces(form, centre, each_g)
    laid = Laid(pieces=pieces, body=Body(kind="small"))
    laid.parts[centre.position] = PartLaid(
        each_g=each_g, each_ml=each_g / density, pieces=pieces, left_over_g=left_over_g, gives_way=False
    )
    volume_ml = each_g / density
    for one in given:
        if one.part.role != "core":
            continue
        core_density = one.stuff.made.density_g_per_ml
        core_g = one.part.g_each if one.part.ml_each is None else one.part.ml_each * core_density
        if core_g is None:
            raise BadInput(("parts", one.position, "g_each"), "how much is inside is not given", "g_each", "missing")
        laid.parts[one.position] = PartLaid(each_g=core_g, each_ml=core_g / core_density, pieces=pieces)
        volume_ml += core_g / core_density
    ball = Ball(diameter_mm=ball_diameter_mm(volume_ml, 1.0))
    laid.outside = ball
    laid.body = Body(kind="small", volume_ml=volume_ml, area_cm2=ball.area_cm2)
    return laid


def _each_g(vessel: Scoop | Pieces, centre: Given, density: float) -> float:
    if centre.part.g_each is not None:
        return centre.part.g_each
    if centre.part.ml_each is not None:
        return centre.part.ml_each * density
    return vessel.piece_g if isinstance(vessel, Pieces) else vessel.volume_ml * density


def _pieces(form: Form, centre: Given, each_g: float) -> tuple[int, float]:
    """Return how many, and what of a given mass is left over [g]."""
    mass_g = centre.part.mass_g
    wanted = None if form.pieces is None else form.pieces + form.spares
    if wanted is not None and mass_g is None:
        return wanted, 0.0
    kept_g = centre.stuff.kept_g(centre.stuff.recipe.mass_g if mass_g is None else mass_g)
    most = floor(kept_g / each_g + FLOOR_GUARD)
    count = most if wanted is None else wanted
    if count < 1 or count > most:
        need_g = centre.stuff.make_g(each_g * max(1, count))
        field = ("parts", centre.position, "mass_g") if mass_g is not None else ("form", "pieces")
        raise BadInput(field, f"it makes {most}", f"⟦{need_g:.0f} g⟧ or more, or fewer pieces", "out-of-range")
    return count, max(0.0, kept_g - count * each_g)
