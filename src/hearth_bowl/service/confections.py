"""Confections: put together of recipes and vessels by their ids, worked out in this kitchen, and as a file."""

import json
from collections.abc import Callable, Mapping
from dataclasses import asdict, dataclass, fields, replace
from datetime import date, datetime
from functools import cache
from types import MappingProxyType
from typing import Any, Final

from pydantic import TypeAdapter
from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.confection import (
    FORM_FIELDS,
    MOST_PARTS,
    USUAL_G_EACH,
    AnyForm,
    AnyPart,
    Blend,
    Confection,
    Extra,
    Form,
    Of,
    Part,
    check_makes,
)
from hearth_bowl.core.confection.drawn import Tint, tint_of
from hearth_bowl.core.confection.label import label_of
from hearth_bowl.core.confection.outside import rolling_of
from hearth_bowl.core.confection.price import PieceCost, piece_cost
from hearth_bowl.core.confection.stuff import loses_the_usual
from hearth_bowl.core.confection.work_out import Worked, WorkedPart, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import MOULD_SHELL, NO_SHELL, USUAL_LOSS_PCT, ask_for, asks, kind_of
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.learn.told import batches_words, is_few
from hearth_bowl.core.method.method import method_of_confection
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe, check_name
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.formats.ask_file import ask_record
from hearth_bowl.formats.confection_file import (
    FORMAT,
    ConfectionAnswer,
    LabelAnswer,
    confection_answer,
    label_answer,
    said_of,
)
from hearth_bowl.formats.method_answer import MethodAnswer, method_answer
from hearth_bowl.formats.recipe_file import OwnIngredientFile, ingredient_from, recipe_from, sparse_record
from hearth_bowl.formats.step_file import step_records
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.errors import ChangedMeanwhile, NotFound
from hearth_bowl.service.larder import prices_per_g
from hearth_bowl.service.learned import cooling_by_place, correction_for
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import StoredVessel, get_vessel, named_measures
from hearth_bowl.store.models import ConfectionRow

MOST_DOCUMENT: Final = 200_000
"""Characters of a confection's document: own ingredients and all."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BlendedAsk:
    """An ingredient of a blend, by key or as a person's own, with its parts."""

    ingredient: str | OwnIngredientFile
    parts: float = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class OfAsk:
    """What a part is of: one of a recipe by its id, an ingredient, or a blend."""

    recipe_id: int | None = None
    ingredient: str | OwnIngredientFile | None = None
    blend: tuple[BlendedAsk, ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PartAsk(AnyPart):
    """A part as it is put together."""

    of: OfAsk


USUAL_PARTS: Final[Mapping[str, PartAsk]] = MappingProxyType(
    {
        "shell": PartAsk(role="shell", of=OfAsk(ingredient=MOULD_SHELL)),
        "coat": PartAsk(role="coat", of=OfAsk(ingredient=MOULD_SHELL)),
        "core": PartAsk(role="core", of=OfAsk(ingredient="hazelnut_whole"), g_each=USUAL_G_EACH["core"]),
        "rolling": PartAsk(role="rolling", of=OfAsk(ingredient="cocoa_powder_21")),
        "topping": PartAsk(role="topping", of=OfAsk(ingredient="hazelnut_whole"), g_each=USUAL_G_EACH["topping"]),
    }
)
"""What a part is before anything was chosen of it: judgements. What is made in a bowl is of a recipe, chosen first."""


@dataclass(frozen=True, slots=True, kw_only=True)
class FormAsk(AnyForm):
    """A form as it is put together: its vessel by its id, whose name and number are the vessel's own."""

    vessel: int


@dataclass(frozen=True, slots=True, kw_only=True)
class ConfectionAsk:
    """A confection as it is put together; it may still be without parts."""

    name: str
    form: FormAsk
    parts: tuple[PartAsk, ...] = ()
    extras: tuple[Extra, ...] = ()
    steps: tuple[CardStep, ...] = ()
    """What a card tells to do with the piece."""


@dataclass(frozen=True, slots=True, kw_only=True)
class StoredConfection:
    """A confection with its stored state."""

    id: int
    revision: int
    asked: ConfectionAsk


@dataclass(frozen=True, slots=True, kw_only=True)
class LearnedLoss:
    """Share that stays in bowl, bag and knife in this kitchen [%], beside the usual one, and how it is known."""

    pct: float
    usual_pct: float
    batches: str


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedConfection:
    """A confection worked out: the tint of each part, its cost with this larder, the loss learned in this kitchen."""

    answer: ConfectionAnswer
    tints: tuple[Tint, ...]
    cost: PieceCost | None
    learned_loss: LearnedLoss | None


def list_confections(session: Session) -> list[StoredConfection]:
    """Return all confections, as they were made."""
    return [_stored(row) for row in session.scalars(select(ConfectionRow).order_by(ConfectionRow.id))]


def confection_names(session: Session) -> frozenset[str]:
    """Return the names of all confections."""
    return frozenset(session.scalars(select(ConfectionRow.name)))


def confection_name(session: Session, confection_id: int | None) -> str:
    """Return the name of a confection; empty where there is none."""
    return session.scalar(select(ConfectionRow.name).where(ConfectionRow.id == confection_id)) or ""


def get_confection(session: Session, confection_id: int) -> StoredConfection:
    """Return one confection.

    :raises NotFound: there is none.
    """
    return _stored(_row(session, confection_id))


def create_confection(session: Session, asked: ConfectionAsk, now: datetime) -> StoredConfection:
    """Store a new confection.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    _check(session, asked)
    row = ConfectionRow(name=check_name(asked.name), document=_document(asked), revision=1, changed_at=now)
    session.add(row)
    session.flush()
    return _stored(row)


def save_confection(
    session: Session, confection_id: int, asked: ConfectionAsk, revision: int, now: datetime
) -> StoredConfection:
    """Store a confection's new state, made from the state of `revision`. What cannot be made is kept too.

    :raises BadInput: naming the field. :raises NotFound: it, a recipe or a vessel is not there.
    :raises ChangedMeanwhile: another save came between; nothing is overwritten.
    """
    row = _row(session, confection_id)
    if row.revision != revision:
        raise ChangedMeanwhile(row.revision)
    _check(session, asked)
    row.name, row.document = check_name(asked.name), _document(asked)
    row.revision, row.changed_at = revision + 1, now
    session.flush()
    return _stored(row)


def delete_confection(session: Session, confection_id: int) -> None:
    """Delete a confection; its recipes and vessel stay.

    :raises NotFound: there is none.
    """
    _row(session, confection_id)
    session.execute(delete(ConfectionRow).where(ConfectionRow.id == confection_id))


def work_out_confection(session: Session, asked: ConfectionAsk, now: datetime) -> WorkedConfection:
    """Return a confection worked out in this kitchen and with this larder, as of `now`. Nothing is stored.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    worked = worked_of(session, asked)
    return WorkedConfection(
        answer=confection_answer(worked),
        tints=tuple(tint_of(part) for part in worked.parts),
        cost=piece_cost(worked, prices_per_g(session)),
        learned_loss=_learned_loss(session, worked, now),
    )


def _learned_loss(session: Session, worked: Worked, now: datetime) -> LearnedLoss | None:
    """Return the loss learned in this kitchen; None where nothing was learned or a loss is given."""
    form = worked.confection.form
    if not any(loses_the_usual(part, form) for part in worked.confection.parts):
        return None
    found = correction_for(session, f"loss:{kind_of(form.vessel)}", now)
    if found is None or is_few(found):
        return None
    pct = round(USUAL_LOSS_PCT * found.value, 1)
    return LearnedLoss(pct=pct, usual_pct=USUAL_LOSS_PCT, batches=batches_words(found))


def label_confection(session: Session, asked: ConfectionAsk, made: date, pieces: int | None = None) -> LabelAnswer:
    """Return the label of some pieces of a confection, or of all, made on a day. Nothing is stored.

    :raises BadInput: naming the field, or the part of which an allergen is not known.
    :raises NotFound: a recipe or vessel is not there.
    """
    return label_answer(label_of(worked_of(session, asked), pieces), made)


def batch_of(session: Session, asked: ConfectionAsk, recipe_id: int) -> tuple[float, dict[str, Any]]:
    """Return what of a recipe a confection takes [g, weighed], and its vessel with what is asked of it there.

    :raises NotFound: a recipe or vessel is not there. :raises BadInput: at `confection_id`: the recipe is not in it.
    """
    worked = worked_of(session, asked)
    make_g = sum(
        made.make_g for made, part in zip(worked.parts, asked.parts, strict=True) if part.of.recipe_id == recipe_id
    )
    if make_g <= 0:
        allowed = "a confection that the recipe goes into"
        raise BadInput(("confection_id",), f"the recipe is not in {asked.name}", allowed, "not-for-this")
    vessel = worked.confection.form.vessel
    round_it = next((part for part in worked.parts if part.part.role in ("shell", "coat")), None)
    kind = kind_of(vessel)
    shell = {"shell": NO_SHELL if round_it is None else _chocolate(round_it)} if asks(kind, "shell") else {}
    stored = get_vessel(session, asked.form.vessel)
    pieces = {"pieces": worked.pieces} if asks(kind, "pieces") else {}
    ask = ask_for(kind, {**shell, **pieces, **_shape(kind, worked)})
    fit = {"vessel": stored.vessel, "vessel_name": stored.name, "ask": ask_record(ask)}
    return make_g, {**fit, **_on_top(worked)}


def method_of(session: Session, asked: ConfectionAsk, choices: Mapping[str, str], now: datetime) -> MethodAnswer:
    """Return how a confection is made, act by act, in the kitchen of the settings, as it cools.

    :raises BadInput: naming the field or a choice. :raises NotFound: a recipe or vessel is not there.
    """
    settings = get_settings(session)
    worked = worked_of(session, asked)
    cools = cooling_by_place(session, now)
    return method_answer(method_of_confection(worked, choices, settings.kitchen, settings.kitchen_c, cools))


def worked_with(session: Session, asked: ConfectionAsk, recipe_id: int, recipe: Recipe) -> Worked | None:
    """Return a confection worked out with one of its recipes as given, such as a saved version in this batch's grams;
    None where it cannot be made so.

    :raises NotFound: a recipe or vessel is not there.
    """
    found = confection_of(session, asked)
    parts = tuple(
        replace(part, of=recipe) if of.of.recipe_id == recipe_id else part
        for part, of in zip(found.parts, asked.parts, strict=True)
    )
    try:
        return work_out(replace(found, parts=parts), get_settings(session).kitchen)
    except BadInput:
        return None


def _on_top(worked: Worked) -> dict[str, list[str]]:
    """Return what goes onto the pieces, by name: chocolate is run over them."""
    on_top = [part for part in worked.parts if part.part.role == "topping"]
    return {
        "toppings": [part.name for part in on_top if not part.is_chocolate],
        "drizzles": [part.name for part in on_top if part.is_chocolate],
    }


def _shape(kind: str, worked: Worked) -> dict[str, Any]:
    """Return what the steps of a run ask of a confection besides its chocolate: halves, cuts, cores and rolling."""
    if asks(kind, "halves"):
        return {"halves": worked.confection.form.halves}
    if asks(kind, "piece_mm"):
        return {"piece_mm": worked.confection.form.piece_mm}
    if not asks(kind, "rolling"):
        return {}
    by_role = {part.part.role: part for part in worked.parts}
    rolled = by_role["rolling"].part.of if "rolling" in by_role else None
    core_g = by_role["core"].each_g if "core" in by_role else 0.0
    return {"core_g": core_g, "rolling": rolling_of(rolled) if isinstance(rolled, Ingredient) else None}


def _chocolate(part: WorkedPart) -> str:
    """Return the chocolate of a shell or coat, of a blend the one that there is most of; none where it is of a mass."""
    most = max(part.weigh, key=lambda row: row.amount_g)
    is_known = most.ingredient.key in LIBRARY and most.ingredient.kind in CHOCOLATE_KINDS
    return most.ingredient.label if is_known and isinstance(part.part.of, Ingredient | Blend) else NO_SHELL


def confection_record(session: Session, confection_id: int) -> dict[str, Any]:
    """Return a confection as a file with everything in it: its recipes and the vessel's measures.

    :raises NotFound: it, a recipe or a vessel is not there.
    """
    asked = get_confection(session, confection_id).asked
    stored = get_vessel(session, asked.form.vessel)
    form = {**said_of(asked.form), "vessel": named_measures(stored), "owned": stored.owned}
    form.pop("name", None)
    return {
        "format": FORMAT,
        "version": 1,
        "name": asked.name,
        "form": form,
        "parts": [{**said_of(part), "of": _of_record(session, part.of)} for part in asked.parts],
        "extras": [asdict(extra) for extra in asked.extras],
        "steps": step_records(asked.steps),
    }


def _of_record(session: Session, of: OfAsk) -> dict[str, Any]:
    if of.recipe_id is not None:
        return {"recipe": sparse_record(recipe_from(get_recipe(session, of.recipe_id).recipe))}
    return {name: value for name, value in asdict(of).items() if value is not None}


def confection_of(session: Session, asked: ConfectionAsk) -> Confection:
    """Return what is put together, with its vessel and recipes in it.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    return put_together(
        asked, get_vessel(session, asked.form.vessel), lambda id_: recipe_from(get_recipe(session, id_).recipe)
    )


def put_together(asked: ConfectionAsk, stored: StoredVessel, recipe_of: Callable[[int], Recipe]) -> Confection:
    """Return what is put together in a vessel, of recipes by their ids.

    :raises BadInput: naming the field.
    """
    vessel = vessel_from(stored.vessel)
    own: dict[str, Any] = {"vessel": vessel, "name": stored.name}
    try:
        check_makes(kind_of(vessel))  # it may have become a box since
    except BadInput as problem:
        raise problem.under("form") from None
    if "owned" in FORM_FIELDS[kind_of(vessel)]:
        own["owned"] = stored.owned
    form = Form(**{**fields_of(asked.form), **own})
    parts = []
    for position, part in enumerate(asked.parts):
        try:
            parts.append(Part(**{**fields_of(part), "of": _of(part.of, recipe_of)}))
        except BadInput as problem:
            raise problem.under("parts", position, "of") from None
    return Confection(
        name=check_name(asked.name), form=form, parts=tuple(parts), extras=asked.extras, steps=asked.steps
    )


def worked_of(session: Session, asked: ConfectionAsk) -> Worked:
    """Return a confection worked out in the kitchen of the settings.

    :raises BadInput: naming the field. :raises NotFound: a recipe or vessel is not there.
    """
    return work_out(confection_of(session, asked), get_settings(session).kitchen)


def fields_of(asked: AnyPart | AnyForm) -> dict[str, Any]:
    """Return the fields of a part or a form as they are, by name."""
    return {field.name: getattr(asked, field.name) for field in fields(asked)}


def of_asked(session: Session, of: OfAsk) -> Of:
    """Return what a part is of.

    :raises BadInput: nothing or several things are chosen. :raises NotFound: there is no such recipe.
    """
    return _of(of, lambda id_: recipe_from(get_recipe(session, id_).recipe))


def _of(of: OfAsk, recipe_of: Callable[[int], Recipe]) -> Of:
    said = [name for name in ("recipe_id", "ingredient", "blend") if getattr(of, name) is not None]
    if len(said) != 1:
        allowed = "one of a recipe, an ingredient or a blend"
        raise BadInput((), "nothing, or several things, are chosen", allowed, "missing")
    if of.recipe_id is not None:
        return recipe_of(of.recipe_id)
    if of.ingredient is not None:
        return ingredient_from(of.ingredient)
    return Blend(parts=tuple((ingredient_from(row.ingredient), row.parts) for row in of.blend or ()))


def _check(session: Session, asked: ConfectionAsk) -> None:
    """Check what is stored; what cannot be made is only said when it is worked out, so that nothing typed is lost."""
    get_vessel(session, asked.form.vessel)
    if len(asked.parts) > MOST_PARTS:
        raise BadInput(("parts",), f"{len(asked.parts)} parts", f"up to {MOST_PARTS}", "out-of-range")
    for part in asked.parts:
        if part.of.recipe_id is not None:
            get_recipe(session, part.of.recipe_id)
    if len(_document(asked)) > MOST_DOCUMENT:
        raise BadInput(("parts",), "too much in it", "fewer or shorter own ingredients", "too-large")


def _document(asked: ConfectionAsk) -> str:
    return json.dumps(asdict(replace(asked, name="")), ensure_ascii=False, allow_nan=False)


@cache
def _adapter() -> TypeAdapter[ConfectionAsk]:
    return TypeAdapter(ConfectionAsk)


def asked_from(record: Mapping[str, Any], extras: tuple[Extra, ...] = ()) -> ConfectionAsk:
    """Return what is put together from plain values."""
    return replace(_adapter().validate_python(record), extras=extras)


def _stored(row: ConfectionRow) -> StoredConfection:
    return StoredConfection(id=row.id, revision=row.revision, asked=asked_of(row.document, row.name))


def asked_of(document: str, name: str) -> ConfectionAsk:
    """Return what is put together as the store keeps it."""
    return _adapter().validate_python({**json.loads(document), "name": name})


def _row(session: Session, confection_id: int) -> ConfectionRow:
    row = session.get(ConfectionRow, confection_id)
    if row is None:
        raise NotFound("confection", confection_id)
    return row
