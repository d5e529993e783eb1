"""The recipe file: `hearth-bowl/recipe`, version 1."""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any, Final

from typing_extensions import TypedDict

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.attributes import ATTRIBUTES, NONE, taken_as
from hearth_bowl.core.ingredients.ingredient import OWN_FIGURES, Ingredient, own_ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import MAX_LINES, Line, Recipe, check_name, checked_recipe
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE
from hearth_bowl.formats.step_file import StepFile, step_records, steps_from
from hearth_bowl.formats.strict_json import check_format, doubts_of, read_json, text, text_or_none, texts

FORMAT: Final = "hearth-bowl/recipe"
UNSAID: Final[tuple[object, ...]] = (None, False, "", [])
"""What a line need not say; an amount of 0 is said, though Python takes it for False."""


class OwnIngredientFile(TypedDict):
    """A person's own ingredient as a recipe file has it, everything said."""

    name: str
    composition_pct: dict[str, float]
    density_g_per_ml: float
    kind: str
    other_fat_kind: str
    higher_molar_mass_g_per_mol: float
    energy_kcal_per_100g: float
    spoon_g_per_ml: float
    pack_g: float | None
    piece_g: float | None
    allergens: list[str] | None
    allergens_named: list[str]
    may_contain: list[str]
    not_known: list[str]
    density_is_bulk: bool
    raw_egg: str
    pasteurised_egg: bool
    fresh_cheese: bool
    fresh_fruit: bool
    honey: bool
    gelatine: bool
    extract: bool
    crisp: bool
    choking: bool
    nut: str | None
    most_pct: float | None
    own_body: bool
    liquid: bool
    enzyme: bool
    coats: bool
    lump_g_per_ml: float | None


class LineFile(TypedDict):
    """A line as a recipe file has it, everything said."""

    ingredient: str | OwnIngredientFile
    amount: float
    amount_high: float | None
    unit: str
    measure: str
    stage: str
    pinned: bool
    proposed: bool
    pack_g: float | None
    piece_g: float | None
    text: str
    doubts: list[str]


class RecipeFile(TypedDict):
    """A recipe file's content, everything said: what is stored, and what goes over the wire."""

    format: str
    version: int
    name: str
    family: str
    use: str | None
    lines: list[LineFile]
    steps: list[StepFile]
    method: str | None
    end_shift_k: float


def read_recipe(data: bytes) -> Recipe:
    """Return the recipe of a file.

    :raises BadInput: naming the field as the file has it.
    """
    return recipe_from(read_json(data, "recipe"))


def recipe_from(record: Mapping[str, Any]) -> Recipe:
    """Return the recipe of a decoded file; keys that are not known are left alone."""
    check_format(record, FORMAT)
    lines = record.get("lines", [])
    if not isinstance(lines, list):
        raise BadInput(("lines",), "not a list", "a list of lines", "wrong-type")
    if len(lines) > MAX_LINES:
        raise BadInput(("lines",), f"{len(lines)} lines", f"1 to {MAX_LINES} lines", "out-of-range")
    return checked_recipe(
        name=text(record, "name", "Untitled"),
        family=text(record, "family", "filling"),
        use=text_or_none(record, "use"),
        lines=[_line_at(position, line) for position, line in enumerate(lines)],
        steps=steps_from(record),
        method=_method(record),
        end_shift_k=check_number(("end_shift_k",), record.get("end_shift_k", 0.0), -100, 100, "K"),
    )


def _method(record: Mapping[str, Any]) -> str | None:
    method = text_or_none(record, "method")
    family = FAMILY.get(text(record, "family", "filling"))
    known = [way.key for way in family.methods] if family is not None else []
    if method is not None and family is not None and method not in known:
        raise BadInput(
            ("method",), f"unknown way {method[:40]!r} for its family", "one of " + ", ".join(known), "unknown"
        )
    return method


def _line_at(position: int, record: object) -> Line:
    try:
        if not isinstance(record, dict):
            raise BadInput((), "not an object", "an object with ingredient, amount and unit", "wrong-type")
        return line_from(record)
    except BadInput as problem:
        raise problem.under("lines", position) from None


def line_from(record: Mapping[str, Any]) -> Line:
    """Return one line of a recipe file; its amount is checked with the recipe."""
    if "amount" not in record:
        raise BadInput(("amount",), "is missing", "a number from 0", "missing")
    for name in ("pinned", "proposed"):
        if not isinstance(record.get(name, False), bool):
            raise BadInput((name,), "not true or false", "true or false", "wrong-type")
    return Line(
        ingredient=ingredient_from(record.get("ingredient")),
        amount=record["amount"],
        amount_high=record.get("amount_high"),
        unit=text(record, "unit", "g"),
        measure=text(record, "measure", "metric"),
        stage=text(record, "stage", ""),
        pinned=record.get("pinned", False),
        proposed=record.get("proposed", False),
        pack_g=record.get("pack_g"),
        piece_g=record.get("piece_g"),
        text=text(record, "text", "")[:LONGEST_LINE],
        doubts=doubts_of(record),
    )


def ingredient_from(value: object) -> Ingredient:
    """Return the ingredient that a line names by key or gives as an object."""
    try:
        if isinstance(value, str):
            return find(value)
        if not isinstance(value, dict):
            raise BadInput((), "is missing", "a key of the ingredient table, or an object", "missing")
        return _own(value)
    except BadInput as problem:
        raise problem.under("ingredient") from None


def _own(record: Mapping[str, Any]) -> Ingredient:
    composition = record.get("composition_pct")
    if not isinstance(composition, dict | None):
        raise BadInput(("composition_pct",), "not an object", "an object of g per 100 g that sums to 100", "wrong-type")
    said: dict[str, Any] = {field: record.get(field) for field in (*OWN_FIGURES, *ATTRIBUTES, "not_known")}
    for field in ("allergens", "allergens_named", "may_contain"):
        if field in record:
            said[field] = None if record[field] is None else tuple(texts(record, field))
    return own_ingredient(
        similar=_similar(record),
        name=check_name(text(record, "name", "")),
        composition_pct=composition,
        kind=text_or_none(record, "kind"),
        other_fat_kind=text_or_none(record, "other_fat_kind"),
        density_is_bulk=_yes(record, "density_is_bulk"),
        **said,
    )


def _similar(record: Mapping[str, Any]) -> Ingredient | None:
    """Return the library's ingredient that an own one is like; None where it names none."""
    key = text_or_none(record, "like")
    try:
        return None if key is None else find(key)
    except BadInput as problem:
        raise problem.under("like") from None


def _yes(record: Mapping[str, Any], name: str) -> bool | None:
    value = record.get(name)
    if value not in (None, True, False):
        raise BadInput((name,), "not true or false", "true or false", "wrong-type")
    return value


def recipe_record(recipe: Recipe) -> RecipeFile:
    """Return a recipe as a recipe file has it."""
    return {
        "format": FORMAT,
        "version": 1,
        "name": recipe.name,
        "family": recipe.family,
        "use": recipe.use,
        "lines": [line_record(line) for line in recipe.lines],
        "steps": step_records(recipe.steps),
        "method": recipe.method,
        "end_shift_k": recipe.end_shift_k,
    }


def whole_record(document: Mapping[str, Any]) -> RecipeFile:
    """Return a recipe file that was stored earlier with what it did not say said as usual. Nothing is checked."""
    lines = [whole_line(line) for line in document["lines"]]
    steps = step_records(steps_from(document))
    return {**_USUAL_RECIPE, **document, "lines": lines, "steps": steps}  # type: ignore[typeddict-item]


def whole_line(line: Mapping[str, Any]) -> LineFile:
    """Return a line with what it did not say said as usual. Nothing is checked."""
    return {**_USUAL_LINE, **line, "ingredient": _whole(line["ingredient"])}  # type: ignore[typeddict-item]


def _whole(ingredient: str | dict[str, Any]) -> str | OwnIngredientFile:
    return ingredient if isinstance(ingredient, str) else whole_ingredient(ingredient)


def whole_ingredient(record: Mapping[str, Any]) -> OwnIngredientFile:
    """Return an own ingredient that was stored earlier with what it did not say. Nothing is checked."""
    taken = taken_as(
        str(record["name"]),
        {"water": 0.0, "ethanol": 0.0, **record["composition_pct"]},
        str(record.get("kind", "other")),
        tuple(record.get("allergens") or ()),
        record.get("own_body") is True,
    )
    usual: dict[str, Any] = {
        "pack_g": None,
        "piece_g": None,
        "may_contain": [],
        "not_known": [],
        "density_is_bulk": False,
        **asdict(taken),
        "raw_egg": taken.raw_egg or NONE,
    }
    return {**usual, **record}  # type: ignore[typeddict-item]


_USUAL_RECIPE: Final = {"format": FORMAT, "version": 1, "use": None, "steps": [], "method": None, "end_shift_k": 0.0}
_USUAL_LINE: Final[Mapping[str, Any]] = {
    "amount_high": None,
    "unit": "g",
    "measure": "metric",
    "stage": "",
    "pinned": False,
    "proposed": False,
    "pack_g": None,
    "piece_g": None,
    "text": "",
    "doubts": [],
}


def sparse_record(recipe: Recipe) -> dict[str, Any]:
    """Return a recipe as a recipe file has it, without what is as usual anyway."""
    record = recipe_record(recipe)
    lines = [
        {name: value for name, value in line.items() if name in ("amount", "stage") or value not in UNSAID}
        for line in record["lines"]
    ]
    return {**{name: value for name, value in record.items() if value not in (None, 0.0)}, "lines": lines}


def line_record(line: Line) -> LineFile:
    """Return a line as a recipe file has it."""
    return {
        "ingredient": line.ingredient.key or ingredient_record(line.ingredient),
        "amount": line.amount,
        "amount_high": line.amount_high,
        "unit": line.unit,
        "measure": line.measure,
        "stage": line.stage,
        "pinned": line.pinned,
        "proposed": line.proposed,
        "pack_g": line.pack_g,
        "piece_g": line.piece_g,
        "text": line.text,
        "doubts": list(line.doubts),
    }


def ingredient_record(ingredient: Ingredient) -> OwnIngredientFile:
    """Return a person's own ingredient as a recipe file has it."""
    attributes: dict[str, Any] = {name: getattr(ingredient, name) for name in ATTRIBUTES}
    return {
        "name": ingredient.name,
        "composition_pct": {name: pct for name, pct in ingredient.composition_pct.items() if pct},
        "kind": ingredient.kind,
        "other_fat_kind": ingredient.other_fat_kind,
        "allergens": list(ingredient.allergens) if ingredient.allergens_known else None,
        "allergens_named": list(ingredient.allergens_named),
        "may_contain": list(ingredient.may_contain),
        "density_g_per_ml": ingredient.density_g_per_ml,
        "higher_molar_mass_g_per_mol": ingredient.higher_molar_mass_g_per_mol,
        "spoon_g_per_ml": ingredient.spoon_g_per_ml,
        "energy_kcal_per_100g": ingredient.energy_kcal_per_100g,
        "pack_g": ingredient.pack_g,
        "piece_g": ingredient.piece_g,
        "not_known": list(ingredient.not_known),
        "density_is_bulk": ingredient.density_is_bulk,
        **attributes,  # type: ignore[typeddict-item]
        "raw_egg": ingredient.raw_egg or NONE,
    }
