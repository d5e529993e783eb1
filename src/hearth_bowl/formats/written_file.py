"""Written recipes: plain text, or a page's JSON-LD `Recipe` (schema.org), read with every doubt marked."""

import json
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any

from hearth_bowl.core.confection.confection import Blend, Of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.written.others import settled
from hearth_bowl.core.recipe.written.parts import WrittenPart, WrittenParts, read_text_parts
from hearth_bowl.core.recipe.written.recipe import (
    Unsure,
    WrittenRecipe,
    check_measure,
    read_parts,
    read_text,
    with_unread,
)
from hearth_bowl.formats.confection_file import FORMAT as CONFECTION
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.recipe_file import FORMAT, RecipeFile, recipe_from, recipe_record, sparse_record
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES

MOST_DEPTH = 6


def read_written(data: bytes, measure: str, family: str | None = None) -> WrittenRecipe:
    """Return the recipe of a text file or of JSON-LD.

    :raises BadInput: at `file`: too large, not UTF-8, no ingredient in it; at `measure` or `family`.
    """
    if len(data) > LARGEST_FILE_BYTES:
        raise BadInput(("file",), f"{len(data)} bytes", f"up to {LARGEST_FILE_BYTES} bytes", "too-large")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise BadInput(("file",), "not UTF-8 text", "text in UTF-8", "not-text") from None
    return read_written_text(text, measure, family)


def read_written_text(text: str, measure: str, family: str | None = None) -> WrittenRecipe:
    """Return the recipe of a text or of JSON-LD; see `read_written`."""
    own = _own_file(text)
    if own is not None:
        return WrittenRecipe(recipe=own, unsure=(), unread=())
    found = _json_ld(text)
    if found is None:
        return read_text(text, measure, family)
    ingredients = [
        (number, line)
        for number, line in enumerate((str(item) for item in _listed(found.get("recipeIngredient"))), 1)
        if line.strip()
    ]
    steps = [step for item in _listed(found.get("recipeInstructions")) for step in _step_texts(item)]
    return read_parts(str(found.get("name") or "Untitled"), ingredients, steps, measure, family)


@dataclass(frozen=True, slots=True, kw_only=True)
class PartRecord:
    """A part of a confection that a text describes: its role and its name."""

    role: str
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenRecord:
    """What was read: the recipe file's content, lines that could not be read among it, and what is unsure in it.

    Where the text describes a confection, `parts` are its parts in the order of making; `recipe` is None where it is a
    confection file, for a part of it is no recipe of its own.
    """

    recipe: RecipeFile | None
    unsure: tuple[Unsure, ...]
    unread: tuple[str, ...]
    parts: tuple[PartRecord, ...]


def read_written_record(text: str, measure: str) -> WrittenRecord:
    """Return the recipe file's content of a text, of JSON-LD or of our own files; see `read_written`."""
    parts = read_written_parts(text, measure)
    if isinstance(parts, Mapping):
        confection = confection_from(parts)
        rows = tuple(PartRecord(role=part.role, name=_name_of(part.of)) for part in confection.parts)
        return WrittenRecord(recipe=None, unsure=(), unread=(), parts=rows)
    found = read_written_text(text, measure)
    return WrittenRecord(
        recipe=recipe_record(with_unread(found)),
        unsure=found.unsure,
        unread=found.unread,
        parts=() if parts is None else tuple(PartRecord(role=part.role, name=_part_name(part)) for part in parts.parts),
    )


def _part_name(part: WrittenPart) -> str:
    """Return what a part is called: an ingredient by its own name, which a cook knows, else its recipe's."""
    recipe = part.found.recipe
    return recipe.lines[0].ingredient.name if part.ingredient is not None else recipe.name


def _name_of(of: Of) -> str:
    return " and ".join(one.name for one, _ in of.parts) if isinstance(of, Blend) else of.name


def read_written_parts(text: str, measure: str) -> WrittenParts | Mapping[str, Any] | None:
    """Return the parts that a text describes, or the content of our own confection file; None where it is neither."""
    value = _decoded(text)
    if isinstance(value, dict) and value.get("format") == CONFECTION:
        return value
    return read_text_parts(text, measure) if value is None else None


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherReadingRecord:
    """Another reading of a line, as words and as a recipe file's line would have it; no `amount`: none is stated."""

    says: str
    ingredient: str
    amount: float | None
    amount_high: float | None
    unit: str
    pack_g: float | None
    piece_g: float | None


def other_reading_records(text: str, measure: str) -> list[OtherReadingRecord]:
    """Return what else the words of a line may mean.

    :raises BadInput: at `measure`.
    """
    check_measure(measure)
    _, others = settled(text, measure)
    return [
        OtherReadingRecord(
            says=other.says,
            ingredient=other.line.key,
            amount=other.line.amount,
            amount_high=other.line.amount_high,
            unit=other.line.unit,
            pack_g=other.line.pack_g,
            piece_g=other.line.piece_g,
        )
        for other in others
        if other.line.key is not None
    ]


def _own_file(text: str) -> Recipe | None:
    """Return the recipe of our own file pasted as it is; None where the text is none.

    :raises BadInput: naming the field of a file that cannot be taken.
    """
    value = _decoded(text)
    return recipe_from(value) if isinstance(value, dict) and value.get("format") == FORMAT else None


def _decoded(text: str) -> Any:
    """Return the JSON that a text is; None where it is none."""
    if not text.lstrip().startswith(("{", "[")):
        return None
    try:
        return json.loads(text)
    except (ValueError, RecursionError):
        return None


def _json_ld(text: str) -> dict[str, Any] | None:
    value = _decoded(text)
    return next((found for found in _objects(value, MOST_DEPTH) if _is_recipe(found)), None)


def _objects(value: Any, depth: int) -> Iterator[dict[str, Any]]:
    if depth == 0:
        return
    if isinstance(value, dict):
        yield value
        value = list(value.values())
    if isinstance(value, list):
        for inner in value:
            yield from _objects(inner, depth - 1)


def _is_recipe(value: dict[str, Any]) -> bool:
    return "Recipe" in _listed(value.get("@type")) and bool(_listed(value.get("recipeIngredient")))


def _listed(value: Any) -> list[Any]:
    if value is None:
        return []
    return value if isinstance(value, list) else [value]


def _step_texts(item: Any) -> Iterator[str]:
    if isinstance(item, dict):
        if "itemListElement" in item:
            for inner in _listed(item["itemListElement"]):
                yield from _step_texts(inner)
        else:
            yield from _step_texts(item.get("text") or item.get("name") or "")
    elif isinstance(item, str) and item.strip():
        yield from (part.strip() for part in re.split(r"[\r\n]+", item) if part.strip())


def written_answer(found: WrittenRecipe) -> dict[str, Any]:
    """Return the answer of `read`: the recipe file's content with each line's own words, ours marked `proposed`."""
    record = sparse_record(found.recipe)
    return {
        "recipe": {**record, "lines": [{"text": "", **line} for line in record["lines"]]},
        "unsure": [{"line": unsure.line, "text": unsure.text, "why": unsure.why} for unsure in found.unsure],
        "unread": list(found.unread),
    }
