"""The confection file: `hearth-bowl/confection`, version 1, with its recipes in it; and what is answered of one."""

from collections.abc import Mapping
from dataclasses import fields
from datetime import date, timedelta
from typing import Any, Final

from typing_extensions import TypedDict

from hearth_bowl.core.confection.confection import (
    AnyForm,
    AnyPart,
    Blend,
    Confection,
    Extra,
    Form,
    Of,
    Part,
    Role,
    checked_confection,
)
from hearth_bowl.core.confection.label import Label, not_known_in
from hearth_bowl.core.confection.laid import Ball, Block
from hearth_bowl.core.confection.work_out import Weigh, Worked, WorkedPart
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.formats.recipe_file import ingredient_from, recipe_from
from hearth_bowl.formats.step_file import steps_from
from hearth_bowl.formats.strict_json import check_format, doubts_of, read_json, text
from hearth_bowl.formats.vessel_file import vessel_from

FORMAT: Final = "hearth-bowl/confection"
NUMBERS: Final = (
    "g_each", "ml_each", "mm", "share_pct", "mass_g", "overrun_pct", "loss_pct", "wall_mm", "cap_mm", "headroom_mm",
    "dip_bowl_mm",
)  # fmt: skip
MOST: Final = 1e6
MOST_WORDS: Final = 4000  # a limit, by definition


class WeighAnswer(TypedDict):
    """An ingredient with what is weighed in [g]."""

    ingredient: str
    amount_g: float


class PartAnswer(TypedDict):
    """A part of the answer."""

    role: Role
    name: str
    pieces: int
    each_g: float
    each_ml: float
    total_g: float
    make_g: float
    offcut_g: float
    left_over_g: float
    loss_g: float
    evaporated_g: float
    mm: float | None
    from_mm: float | None
    to_mm: float | None
    gives_way: bool
    weigh: list[WeighAnswer]


class BatchAnswer(TypedDict):
    """What is made in one go, and what of it."""

    name: str
    make_g: float
    weigh: list[WeighAnswer]


class MeltAnswer(TypedDict):
    """Chocolate to melt: kept + back = melt [g]."""

    ingredient: str
    kept_g: float
    melt_g: float
    back_g: float


class LeftOverAnswer(TypedDict):
    """What is left over [g], and the pieces it would still make."""

    name: str
    g: float
    would_make: int


class PerPieceAnswer(TypedDict):
    """One finished piece."""

    g: float
    energy_kcal: float
    sugar_g: float
    fat_g: float
    alcohol_g: float


NamedAllergen = TypedDict("NamedAllergen", {"name": str, "group": str, "from": list[str]})


class KeepingAnswer(TypedDict):
    """How long it keeps, and the part that decides."""

    where: str
    days_low: int
    days_high: int
    because: str
    part: str


class ExtraAnswer(TypedDict):
    """How many of what goes with the pieces."""

    name: str
    count: int


class CautionAnswer(TypedDict):
    """A caution."""

    code: str
    message: str


class BodyAnswer(TypedDict):
    """The slowest body for cooling."""

    kind: str
    thickness_mm: float | None
    volume_ml: float | None
    area_cm2: float | None


class OutsideAnswer(TypedDict):
    """How it looks from outside: a ball by its width, a block by its three sides [mm]."""

    kind: str
    sides_mm: list[float]


class ConfectionAnswer(TypedDict):
    """A confection worked out, as the contract has it."""

    pieces: int
    piece_g: float
    halves: int | None
    halves_by_colour: list[int] | None
    pours: int | None
    cap_mm: float | None
    turns: int | None
    grid: list[int] | None
    piece_mm: list[float] | None
    places_mm: list[list[float]] | None
    extras: list[ExtraAnswer]
    parts: list[PartAnswer]
    batches: list[BatchAnswer]
    chocolate: list[MeltAnswer]
    left_over: list[LeftOverAnswer]
    per_piece: PerPieceAnswer
    allergens: list[str]
    allergens_named: list[NamedAllergen]
    not_known: list[str]
    ingredients: list[str]
    keeping: KeepingAnswer
    cautions: list[CautionAnswer]
    body: BodyAnswer
    outside: OutsideAnswer | None
    notes: list[str]


def read_confection(data: bytes) -> Confection:
    """Return the confection of a file.

    :raises BadInput: naming the field as the file has it.
    """
    return confection_from(read_json(data, "confection"))


def confection_from(record: Mapping[str, Any]) -> Confection:
    """Return the confection of a decoded file; keys that are not known are left alone."""
    check_format(record, FORMAT)
    form = record.get("form")
    if not isinstance(form, dict):
        raise BadInput(("form",), "is missing", "an object with a vessel", "missing")
    parts = _list(record, "parts")
    extras = _list(record, "extras") or _list(form, "extras")
    return checked_confection(
        Confection(
            name=text(record, "name", "Untitled"),
            form=_form(form),
            parts=tuple(_part_at(position, part) for position, part in enumerate(parts)),
            extras=tuple(_extra(position, extra) for position, extra in enumerate(extras)),
            steps=steps_from(record),
        )
    )


def _list(record: Mapping[str, Any], name: str) -> list[Any]:
    value = record.get(name, [])
    if not isinstance(value, list):
        raise BadInput((name,), "not a list", "a list", "wrong-type")
    return value


def _form(record: Mapping[str, Any]) -> Form:
    vessel = record.get("vessel")
    if not isinstance(vessel, dict):
        raise BadInput(("form", "vessel"), "is missing", "a vessel file's content", "missing")
    try:
        made = vessel_from(vessel)
    except BadInput as problem:
        raise problem.under("form", "vessel") from None
    try:
        return Form(
            vessel=made,
            name=text(vessel, "name", ""),
            pieces=_whole(record, "pieces"),
            spares=_whole(record, "spares") or 0,
            halves=_yes(record, "halves"),
            colours=1 if (colours := _whole(record, "colours")) is None else colours,
            owned=1 if (owned := _whole(record, "owned")) is None else owned,
            whole_moulds=_yes(record, "whole_moulds"),
            piece_mm=_sides(record),
            trim_mm=_number(record, "trim_mm") or 0.0,
            kerf_mm=_number(record, "kerf_mm") or 0.0,
            loss_pct=_number(record, "loss_pct"),
            loss_g=_number(record, "loss_g") or 0.0,
        )
    except BadInput as problem:
        raise problem.under("form") from None


def _sides(record: Mapping[str, Any]) -> tuple[float, float] | None:
    sides = record.get("piece_mm")
    if sides is None:
        return None
    if not isinstance(sides, list) or len(sides) != 2:
        raise BadInput(("piece_mm",), "not two sides", "a list of two sides [mm]", "wrong-type")
    first, second = (check_number(("piece_mm",), side, 0, MOST, "mm") for side in sides)
    return first, second


def _part_at(position: int, record: object) -> Part:
    try:
        if not isinstance(record, dict):
            raise BadInput((), "not an object", "an object with role and of", "wrong-type")
        return _part(record)
    except BadInput as problem:
        raise problem.under("parts", position) from None


def _part(record: Mapping[str, Any]) -> Part:
    role = text(record, "role", "")
    return Part(
        role=_role(role),
        of=_of(record.get("of")),
        lumps=_yes(record, "lumps"),
        on_top=_yes(record, "on_top"),
        coated=_whole(record, "coated"),
        text=text(record, "text", "")[:MOST_WORDS],
        doubts=doubts_of(record),
        **{name: _number(record, name) for name in NUMBERS},
    )


def _role(role: str) -> Role:
    match role:
        case "layer" | "filling" | "centre" | "core" | "shell" | "coat" | "rolling" | "topping":
            return role
    allowed = "layer, filling, centre, core, shell, coat, rolling, topping"
    raise BadInput(("role",), f"unknown role {role[:40]!r}", allowed, "unknown")


def _of(value: object) -> Of:
    ways = {name: part for name, part in value.items() if part is not None} if isinstance(value, dict) else {}
    said = [name for name in ("recipe", "ingredient", "blend") if name in ways]
    if len(said) != 1:
        raise BadInput(("of",), "is missing or says several things", "one of ingredient, recipe or blend", "missing")
    try:
        if said == ["ingredient"]:
            return ingredient_from(ways["ingredient"])
        if said == ["recipe"]:
            if not isinstance(ways["recipe"], dict):
                raise BadInput(("recipe",), "not an object", "a recipe file's content", "wrong-type")
            try:
                return recipe_from(ways["recipe"])
            except BadInput as problem:
                raise problem.under("recipe") from None
        return Blend(parts=tuple(_blended(position, row) for position, row in enumerate(_list(ways, "blend"))))
    except BadInput as problem:
        raise problem.under("of") from None


def _blended(position: int, row: object) -> tuple[Any, float]:
    try:
        if not isinstance(row, dict):
            raise BadInput((), "not an object", "an ingredient with its parts", "wrong-type")
        return ingredient_from(row.get("ingredient")), check_number(("parts",), row.get("parts"), 0, MOST, above=True)
    except BadInput as problem:
        raise problem.under("blend", position) from None


def _extra(position: int, record: object) -> Extra:
    try:
        if not isinstance(record, dict):
            raise BadInput((), "not an object", "a name and how many each", "wrong-type")
        each = _whole(record, "each")
        return Extra(name=text(record, "name", ""), each=1 if each is None else each)
    except BadInput as problem:
        raise problem.under("extras", position) from None


def _number(record: Mapping[str, Any], name: str) -> float | None:
    return None if record.get(name) is None else check_number((name,), record[name], -MOST, MOST)


def _whole(record: Mapping[str, Any], name: str) -> int | None:
    value = record.get(name)
    if value is not None and (isinstance(value, bool) or not isinstance(value, int)):
        raise BadInput((name,), "not a whole number", "a whole number", "wrong-type")
    return value


def _yes(record: Mapping[str, Any], name: str) -> bool:
    value = record.get(name)
    if value not in (None, True, False):
        raise BadInput((name,), "not true or false", "true or false", "wrong-type")
    return value is True


def said_of(asked: AnyPart | AnyForm) -> dict[str, Any]:
    """Return what a file says of a part or a form that is not the default; what it is of and its vessel stand apart."""
    kept = {field.name: (getattr(asked, field.name), field.default) for field in fields(asked)}
    return {
        name: list(value) if isinstance(value, tuple) else value
        for name, (value, usual) in kept.items()
        if name not in ("of", "vessel") and value != usual
    }


def confection_answer(found: Worked) -> ConfectionAnswer:
    """Return the answer of `confection`."""
    laid, piece, keeping = found.laid, found.per_piece, found.keeping
    return {
        "pieces": found.pieces,
        "piece_g": found.piece_g,
        "halves": laid.halves,
        "halves_by_colour": list(laid.halves_by_colour) if laid.halves_by_colour else None,
        "pours": laid.pours,
        "cap_mm": laid.cap_mm,
        "turns": found.turns,
        "grid": list(laid.cut.grid) if laid.cut and laid.cut.grid else None,
        "piece_mm": list(laid.cut.piece_mm) if laid.cut else None,
        "places_mm": [list(place) for place in laid.cut.places_mm] if laid.cut and laid.cut.places_mm else None,
        "extras": [{"name": extra.name, "count": extra.count} for extra in found.extras],
        "parts": [part_answer(part) for part in found.parts],
        "batches": [
            {"name": batch.recipe.name, "make_g": batch.make_g, "weigh": weigh_answer(batch.weigh)}
            for batch in found.batches
        ],
        "chocolate": [
            {"ingredient": melt.ingredient.label, "kept_g": melt.kept_g, "melt_g": melt.melt_g, "back_g": melt.back_g}
            for melt in found.chocolate
        ],
        "left_over": [{"name": row.name, "g": row.g, "would_make": row.would_make} for row in found.left_over],
        "per_piece": {
            "g": piece.g,
            "energy_kcal": piece.energy_kcal,
            "sugar_g": piece.sugar_g,
            "fat_g": piece.fat_g,
            "alcohol_g": piece.alcohol_g,
        },
        "allergens": list(found.allergens),
        "allergens_named": [
            {"name": one.name, "group": one.group, "from": list(one.brought_by)} for one in found.allergens_named
        ],
        "not_known": list(dict.fromkeys(name for _, name in not_known_in(found))),
        "ingredients": [ingredient.name for ingredient, _ in found.ingredients],
        "keeping": {
            "where": keeping.where,
            "days_low": keeping.days_low,
            "days_high": keeping.days_high,
            "because": keeping.because,
            "part": keeping.part,
        },
        "cautions": [{"code": caution.code, "message": caution.message} for caution in found.cautions],
        "body": {
            "kind": found.body.kind,
            "thickness_mm": found.body.thickness_mm,
            "volume_ml": found.body.volume_ml,
            "area_cm2": found.body.area_cm2,
        },
        "outside": _outside_answer(laid.outside),
        "notes": list(found.notes),
    }


def _outside_answer(outside: Ball | Block | None) -> OutsideAnswer | None:
    if outside is None:
        return None
    return {"kind": "ball" if isinstance(outside, Ball) else "block", "sides_mm": list(outside.sides_mm)}


def part_answer(part: WorkedPart) -> PartAnswer:
    """Return a part of the answer."""
    return {
        "role": part.part.role,
        "name": part.name,
        "pieces": part.pieces,
        "each_g": part.each_g,
        "each_ml": part.each_ml,
        "total_g": part.total_g,
        "make_g": part.make_g,
        "offcut_g": part.offcut_g,
        "left_over_g": part.left_over_g,
        "loss_g": part.loss_g,
        "evaporated_g": part.evaporated_g,
        "mm": part.mm,
        "from_mm": part.from_mm,
        "to_mm": part.to_mm,
        "gives_way": part.gives_way,
        "weigh": weigh_answer(part.weigh),
    }


def weigh_answer(rows: tuple[Weigh, ...]) -> list[WeighAnswer]:
    """Return what is weighed in."""
    return [{"ingredient": row.ingredient.label, "amount_g": row.amount_g} for row in rows]


class LabelIngredientAnswer(TypedDict):
    """An ingredient as the label names it, and whether it brings an allergen."""

    text: str
    allergen: bool


class AlcoholAnswer(TypedDict):
    """How much alcohol is in a piece [g]."""

    g_each: float


class LabelAnswer(TypedDict):
    """A label, for what was made on a day; days as YYYY-MM-DD, masses g."""

    name: str
    net_g: float
    may_contain: list[str]
    ingredients: list[LabelIngredientAnswer]
    contains_alcohol: AlcoholAnswer | None
    keep: str
    made: str
    best_before: str | None
    use_by: str | None
    cautions: list[str]
    defer: str


def label_answer(found: Label, made: date) -> LabelAnswer:
    """Return the answer of `label` for what was made on a day.

    :raises BadInput: at `made`, too far away to count from.
    """
    try:
        until = (made + timedelta(days=found.days)).isoformat()
    except OverflowError:
        raise BadInput(("made",), "is too far from today", "a day of these centuries", "out-of-range") from None
    return {
        "name": found.name,
        "net_g": found.net_g,
        "may_contain": list(found.may_contain),
        "ingredients": [{"text": row.text, "allergen": row.allergen} for row in found.ingredients],
        "contains_alcohol": None if found.alcohol_each_g is None else {"g_each": found.alcohol_each_g},
        "keep": found.keep,
        "made": made.isoformat(),
        "best_before": None if found.use_by else until,
        "use_by": until if found.use_by else None,
        "cautions": list(found.cautions),
        "defer": found.defer,
    }
