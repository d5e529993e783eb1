"""Taken in: a confection from a file, or from a text of several parts, stored with its recipes and vessel."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import datetime
from typing import Any, Final, cast

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.confection import Blend, Confection, Of, Role
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.fit.vessel import Pieces, Vessel
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.written.parts import WrittenPart, WrittenParts
from hearth_bowl.core.recipe.written.recipe import with_unread
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.recipe_file import ingredient_record, recipe_record
from hearth_bowl.formats.shared_file import words_of
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.formats.written_file import read_written_parts
from hearth_bowl.service.confections import (
    USUAL_PARTS,
    BlendedAsk,
    ConfectionAsk,
    FormAsk,
    OfAsk,
    PartAsk,
    StoredConfection,
    create_confection,
    fields_of,
)
from hearth_bowl.service.recipes import create_recipe
from hearth_bowl.service.vessels import create_vessel, list_vessels

HAND_PIECE_G: Final = 12.0
"""A piece that is shaped by hand where nothing says how large: a usual truffle, a judgement."""
HAND_PIECES: Final = "By hand, 12 g"


def take_in(session: Session, text: str, measure: str, now: datetime) -> StoredConfection:
    """Store the confection of our own file, or of a text that describes several parts; nothing there is overwritten.

    :raises BadInput: at `text` where it holds neither; naming the field of a file that cannot be taken.
    """
    found = read_written_parts(text, measure)
    if found is None:
        allowed = "a confection file, or several recipes under headings such as Shell, Filling, Coating"
        raise BadInput(("text",), "describes no confection of several parts", allowed, "not-for-this")
    if isinstance(found, WrittenParts):
        return _take_parts(session, found, now)
    return take_confection(session, found, now)


def take_confection(
    session: Session, record: Mapping[str, Any], now: datetime, taken: dict[str, int] | None = None
) -> StoredConfection:
    """Store a confection file's content with everything in it; the same name and measures mean the same vessel.

    :param taken: the ids of recipes that are stored already, by their content.

    :raises BadInput: naming the field as the file has it.
    """
    confection = confection_from(record)
    form = {name: value for name, value in fields_of(confection.form).items() if name not in ("name", "vessel")}
    recipes = {} if taken is None else taken
    asked = ConfectionAsk(
        name=confection.name,
        form=FormAsk(**{**form, "vessel": _vessel(session, confection, record["form"]["vessel"])}),
        parts=tuple(
            PartAsk(**{**fields_of(part), "of": _of(session, part.of, recipes, now)}) for part in confection.parts
        ),
        extras=confection.extras,
    )
    return create_confection(session, asked, now)


def _vessel(session: Session, confection: Confection, record: Mapping[str, Any]) -> int:
    name = confection.form.name or confection.name
    for stored in list_vessels(session):
        if stored.name == name and vessel_from(stored.vessel) == confection.form.vessel:
            return stored.id
    return create_vessel(session, name, record, confection.form.owned).id


def _of(session: Session, of: Of, recipes: dict[str, int], now: datetime) -> OfAsk:
    """Return what a part is of, its recipe stored; a recipe that several parts use is stored once."""
    match of:
        case Recipe():
            words = words_of(of)
            if words not in recipes:
                recipes[words] = create_recipe(session, recipe_record(of), now).id
            return OfAsk(recipe_id=recipes[words])
        case Ingredient():
            return OfAsk(ingredient=of.key or ingredient_record(of))
        case Blend():
            rows = tuple(BlendedAsk(ingredient=one.key or ingredient_record(one), parts=n) for one, n in of.parts)
            return OfAsk(blend=rows)


def _take_parts(session: Session, found: WrittenParts, now: datetime) -> StoredConfection:
    vessel_id, vessel = _usual_vessel(session, found.vessel_kind)
    parts = [_part(session, part, now) for part in found.parts]
    made = [part for part in parts if part.of.recipe_id is not None and part.role in ("layer", "filling")]
    whole: dict[str, Any] = {}
    if isinstance(vessel, Pieces):
        mass_g = sum(line.amount_g for part in found.parts if part.role == "centre" for line in part.found.recipe.lines)
        whole["pieces"] = max(1, int(mass_g / vessel.piece_g))
    sized = [
        replace(part, mass_g=_mass_g(written)) if part in made[:-1] else part
        for part, written in zip(parts, found.parts, strict=True)
    ]
    form = FormAsk(vessel=vessel_id, **whole)
    return create_confection(session, ConfectionAsk(name=found.name, form=form, parts=tuple(sized)), now)


def _mass_g(part: WrittenPart) -> float:
    return sum(line.amount_g for line in part.found.recipe.lines)


def _part(session: Session, part: WrittenPart, now: datetime) -> PartAsk:
    """Return a part as it is put together: of an ingredient as such parts usually are, else of its recipe, stored."""
    usual = USUAL_PARTS.get(part.role)
    if part.ingredient in LIBRARY and usual is not None:
        return replace(usual, of=OfAsk(ingredient=part.ingredient))
    stored = create_recipe(session, recipe_record(with_unread(part.found)), now)
    return PartAsk(
        role=cast(Role, part.role), of=OfAsk(recipe_id=stored.id), g_each=None if usual is None else usual.g_each
    )


def _usual_vessel(session: Session, kind: str) -> tuple[int, Vessel]:
    """Return the first vessel of a kind that there is; pieces shaped by hand are added where there is none."""
    for stored in list_vessels(session):
        vessel = vessel_from(stored.vessel)
        if kind_of(vessel) == kind:
            return stored.id, vessel
    made = create_vessel(session, HAND_PIECES, {"kind": "pieces", "piece_g": HAND_PIECE_G})
    return made.id, vessel_from(made.vessel)
