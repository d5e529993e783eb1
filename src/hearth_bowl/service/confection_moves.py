"""Moves of a confection: made of a recipe's fit, put into another form, its layers from one tin, and its marking
guide."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.another_form import parts_in_chocolate, parts_in_form
from hearth_bowl.core.confection.confection import FORM_FIELDS, Blend, Of, check_makes, holds_a_wall
from hearth_bowl.core.confection.of_fit import confection_of as confection_of_fit
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import asks, check_ask, kind_of
from hearth_bowl.core.fit.marking import Guide, guide
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.recipe.ratios import kind_g
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.core.solve.two_layers import TinLayer, share_tin
from hearth_bowl.formats.recipe_file import ingredient_record, recipe_from, recipe_record
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.confections import (
    BlendedAsk,
    ConfectionAsk,
    FormAsk,
    OfAsk,
    PartAsk,
    StoredConfection,
    create_confection,
    fields_of,
    get_confection,
    of_asked,
    save_confection,
    worked_of,
)
from hearth_bowl.service.errors import ChangedMeanwhile, NotFound
from hearth_bowl.service.fit import ask_of, get_fit
from hearth_bowl.service.recipes import get_recipe, keep_version, save_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import get_vessel


def confection_from_fit(session: Session, recipe_id: int, now: datetime) -> StoredConfection:
    """Store a recipe's fit, as it was left, as a confection of its own that more can be put into.

    :raises NotFound: there is no such recipe, or nothing that it goes into yet. :raises BadInput: naming the field.
    """
    recipe = recipe_from(get_recipe(session, recipe_id).recipe)
    left = get_fit(session, recipe_id)
    if left.vessel_id is None:
        raise NotFound("fit of recipe", recipe_id)
    vessel = vessel_from(get_vessel(session, left.vessel_id).vessel)
    found = confection_of_fit(recipe, vessel, check_ask(ask_of(left.ask, vessel)))
    form = fields_of(found.form)
    parts = tuple(
        PartAsk(**{**fields_of(part), "of": OfAsk(recipe_id=recipe_id) if part.of is recipe else _said(part.of)})
        for part in found.parts
    )
    asked = ConfectionAsk(name=recipe.name, form=FormAsk(**{**form, "vessel": left.vessel_id}), parts=parts)
    return create_confection(session, asked, now)


def _said(of: Of) -> OfAsk:
    """Return what a part is of, as it is stored: an ingredient by its key or as one's own, or a blend of such."""
    if isinstance(of, Ingredient):
        return OfAsk(ingredient=of.key or ingredient_record(of))
    assert isinstance(of, Blend)
    return OfAsk(
        blend=tuple(BlendedAsk(ingredient=one.key or ingredient_record(one), parts=much) for one, much in of.parts)
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class AnotherConfection:
    """A confection made another way, under a name of its own, and the places of the parts that have no room there."""

    asked: ConfectionAsk
    left_out: tuple[int, ...]


def in_another_form(session: Session, asked: ConfectionAsk, vessel_id: int) -> AnotherConfection:
    """Return the same confection in another vessel. Nothing is stored.

    :raises NotFound: there is no such vessel. :raises BadInput: at `vessel`: a box holds finished pieces.
    """
    stored = get_vessel(session, vessel_id)
    kind = kind_of(vessel_from(stored.vessel))
    check_makes(kind)
    parts, left_out = parts_in_form(asked.parts, kind, lambda part: _holds_a_wall(session, part))
    known = {name for name in FORM_FIELDS[kind] & {"pieces", "spares"} if asks(kind, name)}
    form = FormAsk(
        vessel=vessel_id,
        loss_pct=asked.form.loss_pct,
        loss_g=asked.form.loss_g,
        **{name: getattr(asked.form, name) for name in known},
    )
    other = replace(asked, name=f"{asked.name}, {stored.name}"[:200], form=form, parts=parts)
    return AnotherConfection(asked=other, left_out=left_out)


def _holds_a_wall(session: Session, part: PartAsk) -> bool:
    try:
        return holds_a_wall(of_asked(session, part.of))
    except (BadInput, NotFound):
        return True  # said where it is worked out


def in_another_chocolate(asked: ConfectionAsk, chocolate: str) -> AnotherConfection:
    """Return the same confection with another chocolate round it. Nothing is stored.

    :raises BadInput: at `chocolate`.
    """
    try:
        name = find(chocolate).name.lower()
    except BadInput as problem:
        raise problem.under("chocolate") from None
    parts = parts_in_chocolate(asked.parts, OfAsk(ingredient=chocolate))
    return AnotherConfection(asked=replace(asked, name=f"{asked.name}, {name}"[:200], parts=parts), left_out=())


@dataclass(frozen=True, slots=True, kw_only=True)
class LayerOfTin:
    """A layer of a shared tin: its place, its recipe, what of the tin and in all goes into it [g]; its set index at
    20 °C before and after, and what of its recipe moves so that both layers set alike."""

    position: int
    recipe_id: int
    name: str
    tin_g: float
    make_g: float
    index: float | None
    index_before: float | None
    moves: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SharedTin:
    """One tin over two layers."""

    tin_g: float
    layers: tuple[LayerOfTin, LayerOfTin]


def share_one_tin(session: Session, asked: ConfectionAsk, tin_g: float | None) -> SharedTin:
    """Return how one tin is shared over a confection's two layers of condensed milk. Nothing is stored.

    :raises BadInput: at `parts`: there are no two such layers; at `tin_g`. :raises NotFound: a recipe is not there.
    """
    places, layers = _shared(session, asked, tin_g)
    one, other = (
        LayerOfTin(
            position=place,
            recipe_id=asked.parts[place].of.recipe_id or 0,
            name=layer.recipe.name,
            tin_g=layer.tin_g,
            make_g=layer.recipe.mass_g,
            index=layer.index,
            index_before=layer.index_before,
            moves=layer.index != layer.index_before,
        )
        for place, layer in zip(places, layers, strict=True)
    )
    return SharedTin(tin_g=one.tin_g + other.tin_g, layers=(one, other))


def take_shared_tin(
    session: Session, confection_id: int, revision: int, tin_g: float | None, now: datetime
) -> StoredConfection:
    """Store a tin shared over a confection's layers: its parts by mass, its recipes so that both set alike.

    What a recipe was is kept as a version first. All is stored, or nothing.

    :raises BadInput: see `share_one_tin`. :raises NotFound: it is not there.
    :raises ChangedMeanwhile: another save came between.
    """
    stored = get_confection(session, confection_id)
    if stored.revision != revision:
        raise ChangedMeanwhile(stored.revision)
    places, layers = _shared(session, stored.asked, tin_g)
    parts = list(stored.asked.parts)
    for place, layer in zip(places, layers, strict=True):
        recipe_id = parts[place].of.recipe_id or 0
        keep_version(session, recipe_id, f"Before one tin was shared in {stored.asked.name}"[:200], now)
        lines = zip(layer.recipe.lines, layer.recipe.amounts_g, strict=True)
        rounded = layer.recipe.with_amounts_g([shown_g(g) if line.unit == "g" else g for line, g in lines])
        save_recipe(session, recipe_id, recipe_record(rounded), get_recipe(session, recipe_id).revision, now)
        parts[place] = parts[place].with_amount("mass_g", shown_g(rounded.mass_g))
    return save_confection(session, confection_id, replace(stored.asked, parts=tuple(parts)), revision, now)


def _shared(
    session: Session, asked: ConfectionAsk, tin_g: float | None
) -> tuple[tuple[int, int], tuple[TinLayer, TinLayer]]:
    found: dict[int, Recipe] = {}
    for position, part in enumerate(asked.parts):
        if part.role == "layer" and part.of.recipe_id is not None:
            recipe = recipe_from(get_recipe(session, part.of.recipe_id).recipe)
            if kind_g(recipe, "condensed-milk") > 0 and part.of.recipe_id not in _ids(asked, found):
                found[position] = recipe
    if len(found) != 2:
        allowed = "two layers of two recipes with condensed milk"
        raise BadInput(("parts",), f"{len(found)} layers of condensed milk", allowed, "not-for-this")
    (first_at, first), (second_at, second) = found.items()
    make_g = _made_g(session, asked)
    share = make_g[first_at] / (make_g[first_at] + make_g[second_at]) if make_g else 0.5
    usual_g = usual_pack_g("condensed_sweet", "condensed-milk", "tin", get_settings(session).measure)
    layers = share_tin(first, second, usual_g or 0.0 if tin_g is None else tin_g, min(max(share, 0.05), 0.95))
    return (first_at, second_at), layers


def _ids(asked: ConfectionAsk, found: Mapping[int, Recipe]) -> set[int | None]:
    return {asked.parts[position].of.recipe_id for position in found}


def _made_g(session: Session, asked: ConfectionAsk) -> dict[int, float]:
    """Return what is made of each part [g]; of what cannot be made nothing is known."""
    try:
        return {position: part.make_g for position, part in enumerate(worked_of(session, asked).parts)}
    except BadInput:
        return {}


def marking_guide_of(session: Session, confection_id: int) -> tuple[str, Guide]:
    """Return a confection's name and the marking guide of its slab.

    :raises NotFound: it is not there. :raises BadInput: it is no slab, or nothing is cut.
    """
    worked = worked_of(session, get_confection(session, confection_id).asked)
    form = worked.confection.form
    if not isinstance(form.vessel, Pan):
        raise BadInput(("vessel", "kind"), "only a slab is marked", "a pan", "not-for-this")
    return worked.confection.name, guide(form.vessel, worked.laid.cut, form.kerf_mm, worked.piece_g)
