"""Sizes of a confection: whole packs near it, other vessels that suit its batch, and its grams as a recipe's own."""

from dataclasses import dataclass, replace
from datetime import datetime

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.sizes import Size, Suits, main_part, near_sizes, sized, suits
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import asks
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.recipe.weighing import shown_g
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.confection_moves import in_another_form
from hearth_bowl.service.confections import ConfectionAsk, batch_of, confection_of, get_confection, worked_of
from hearth_bowl.service.larder import stock
from hearth_bowl.service.recipes import StoredRecipe, get_recipe, save_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import StoredVessel, list_vessels


@dataclass(frozen=True, slots=True, kw_only=True)
class NearAsk:
    """A confection near the present one: what it uses whole, what comes of it, and the change as a share."""

    says: str
    gives: str
    change: float
    asked: ConfectionAsk


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherVesselAsk:
    """The same batch in another vessel: what comes of it, and the confection there; null where it does not go in.

    `as_deep` stands as deep in another pan and takes `as_deep_g` of its main mix [g].
    """

    vessel_id: int
    says: str
    asked: ConfectionAsk | None
    as_deep: ConfectionAsk | None
    as_deep_g: float | None


def near_confections(session: Session, asked: ConfectionAsk) -> list[NearAsk]:
    """Return a confection at sizes that use whole packs, the recipe as it is, or whole moulds, the nearest first.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    packs = {label: there.packs[0].pack_g for label, there in stock(session).items() if there.packs}
    found = near_sizes(worked_of(session, asked), packs, get_settings(session).kitchen)
    return [NearAsk(says=one.says, gives=one.gives, change=one.change, asked=_sized(asked, one.size)) for one in found]


def other_vessels_of(session: Session, asked: ConfectionAsk) -> list[OtherVesselAsk]:
    """Return what the batch of a confection makes of every other vessel, the best suited first; cakes and boxes apart.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    worked = worked_of(session, asked)
    main = main_part(worked)
    if main is None:
        return []
    position, part = main
    depth_mm = part.mm if isinstance(worked.confection.form.vessel, Pan) else None
    found = []
    for stored in list_vessels(session):
        if stored.id == asked.form.vessel or not asks(stored.vessel["kind"], "pieces"):
            continue
        moved = in_another_form(session, asked, stored.id)
        if position in moved.left_out:
            continue
        there = replace(moved.asked, name=asked.name)
        place = next(at for at, one in enumerate(there.parts) if one.of == asked.parts[position].of)
        judged = _suits(session, there, place, part.make_g)
        as_deep = None if depth_mm is None else _as_deep(session, there, place, stored, depth_mm)
        found.append(
            (
                judged.off,
                OtherVesselAsk(
                    vessel_id=stored.id,
                    says=judged.says,
                    asked=None if judged.size is None else _sized(there, judged.size),
                    as_deep=None if as_deep is None else as_deep[0],
                    as_deep_g=None if as_deep is None else as_deep[1],
                ),
            )
        )
    return [one for _, one in sorted(found, key=lambda row: row[0])]


def _suits(session: Session, there: ConfectionAsk, place: int, batch_g: float) -> Suits:
    try:
        confection = confection_of(session, there)
    except BadInput as problem:
        return Suits(says=problem.message, off=100.0, size=None)
    return suits(confection, place, batch_g, get_settings(session).kitchen)


def _as_deep(
    session: Session, there: ConfectionAsk, place: int, stored: StoredVessel, depth_mm: float
) -> tuple[ConfectionAsk, float] | None:
    pan = vessel_from(stored.vessel)
    if not isinstance(pan, Pan) or depth_mm > pan.depth_mm:
        return None
    parts = list(there.parts)
    parts[place] = parts[place].with_amount("mm", round(depth_mm, 2))
    asked = replace(there, parts=tuple(parts))
    try:
        return asked, worked_of(session, asked).parts[place].make_g
    except BadInput:
        return None


def _sized(asked: ConfectionAsk, size: Size) -> ConfectionAsk:
    form, parts = sized(asked.form, asked.parts, size)
    return replace(asked, form=form, parts=parts)


def use_amounts(session: Session, confection_id: int, recipe_id: int, revision: int, now: datetime) -> StoredRecipe:
    """Store what a confection takes of a recipe as the recipe's own amounts, as a scale can weigh them.

    :raises BadInput: the recipe does not go into it. :raises NotFound: either is not there.
    :raises ChangedMeanwhile: the recipe was saved since `revision`.
    """
    make_g, _ = batch_of(session, get_confection(session, confection_id).asked, recipe_id)
    record = get_recipe(session, recipe_id).recipe
    recipe = recipe_from(record)
    scale = make_g / recipe.mass_g
    lines = [
        {**line, "amount": shown_g(scale * grams), "amount_high": None, "unit": "g"}
        for line, grams in zip(record["lines"], recipe.amounts_g, strict=True)
    ]
    return save_recipe(session, recipe_id, {**record, "lines": lines}, revision, now)
