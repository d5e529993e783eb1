"""A slab in a pan: its layers, the way it is cut, and what is cut off."""

from collections.abc import Sequence

from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.confection.laid import Block, Body, Given, Laid, PartLaid
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import PanAsk
from hearth_bowl.core.fit.layers import LayerAmount, LayerAsk, fit_layers
from hearth_bowl.core.fit.made import Made
from hearth_bowl.core.fit.slab import cut_of
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.geometry.pieces import Cut


def lay_slab(form: Form, given: Sequence[Given]) -> Laid:
    """Return a slab's layers and its pieces; a slab that is not cut is one piece.

    :raises BadInput: below `parts` or `form`.
    """
    pan = form.vessel
    assert isinstance(pan, Pan)
    ask = PanAsk(
        pieces=form.pieces,
        spares=form.spares,
        piece_mm=form.piece_mm,
        trim_mm=form.trim_mm,
        kerf_mm=form.kerf_mm,
        loss_pct=0.0,
    )
    try:
        cut = cut_of(pan, ask)
    except BadInput as problem:
        raise problem.under("form") from None
    layers = [one for one in given if one.part.role == "layer"]
    way = [one for one in layers if one.part.amount is None]
    if len(way) > 1:
        allowed = "g_each, ml_each, mm, share_pct or mass_g for all but one"
        raise BadInput(("parts", way[1].position, "mm"), "two layers give way", allowed, "missing")
    asks = [_layer(one, pan, cut) for one in layers]
    try:
        found = fit_layers(pan, asks, ask)
    except BadInput as problem:
        raise _as_file(problem, layers) from None
    pieces = 1 if cut is None else cut.pieces
    depth_mm = sum(layer.thickness_mm for layer in found)
    laid = Laid(pieces=pieces, body=Body(kind="slab", thickness_mm=depth_mm), cut=cut)
    for one, layer in zip(layers, found, strict=True):
        density = layer.filling_g / layer.fill_ml
        if cut is None:
            each_ml = layer.fill_ml
        else:
            p, q = cut.piece_mm
            each_ml = min(p * q * layer.thickness_mm / 1000, layer.fill_ml / pieces)
        laid.parts[one.position] = PartLaid(
            each_g=each_ml * density,
            each_ml=each_ml,
            pieces=pieces,
            offcut_g=max(0.0, layer.filling_g - pieces * each_ml * density),
            mm=layer.thickness_mm,
            from_mm=layer.from_mm,
            to_mm=layer.to_mm,
            gives_way=one.part.amount is None,
        )
    if cut is None:
        laid.notes.append("The slab is not cut: figures for a piece are for all of it.")
    else:
        laid.outside = Block(sides_mm=(*cut.piece_mm, depth_mm))
        asked = None if form.pieces is None else form.pieces + form.spares
        if asked is not None and pieces > asked:
            laid.notes.append(f"{asked} asked, {pieces} come out.")
    return laid


def _layer(one: Given, pan: Pan, cut: Cut | None) -> LayerAsk:
    """Return what is asked of a layer: by what is kept of it, for its losses are its own."""
    part, density = one.part, one.stuff.made.density_g_per_ml
    made = Made(density_g_per_ml=density)
    if part.mm is not None:
        amount = LayerAmount(thickness_mm=part.mm)
    elif part.share_pct is not None:
        amount = LayerAmount(thickness_mm=pan.depth_mm * part.share_pct / 100)
    elif part.mass_g is not None:
        kept_g = one.stuff.kept_g(part.mass_g)
        if kept_g <= 0:
            raise BadInput(("parts", one.position, "mass_g"), "all of it is lost", "more", "out-of-range")
        amount = LayerAmount(mass_g=kept_g)
    elif part.g_each is not None or part.ml_each is not None:
        each_ml = part.ml_each if part.g_each is None else part.g_each / density
        if cut is None:
            name = part.amount or "g_each"
            raise BadInput(("parts", one.position, name), "the slab is not cut", "pieces or piece_mm too", "missing")
        p, q = cut.piece_mm
        amount = LayerAmount(thickness_mm=(each_ml or 0.0) * 1000 / (p * q))
    else:
        amount = LayerAmount(share=1.0)
    return LayerAsk(recipe=one.stuff.recipe, amount=amount, made=made)


def _as_file(problem: BadInput, layers: Sequence[Given]) -> BadInput:
    match problem.field:
        case ("layers", int(position), *_):
            one = layers[position]
            field = ("parts", one.position, one.part.amount or "mm")
            return BadInput(field, problem.message, problem.allowed, problem.code)
        case ("layers",) | ("total_mm",):
            return BadInput(("parts",), problem.message, problem.allowed, problem.code)
    return problem
