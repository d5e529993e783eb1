"""Written recipes: plain text, or a page's JSON-LD `Recipe` (schema.org), read with every doubt marked."""

import json
import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.written.recipe import Unsure, WrittenRecipe, read_parts, read_text, with_unread
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
        return WrittenRecipe(recipe=own, texts=("",) * len(own.lines), unsure=(), unread=())
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
class WrittenRecord:
    """What was read: the recipe file's content, lines that could not be read among it, and what is unsure in it."""

    recipe: RecipeFile
    unsure: tuple[Unsure, ...]
    unread: tuple[str, ...]


def read_written_record(text: str, measure: str) -> WrittenRecord:
    """Return the recipe file's content of a text or of JSON-LD; see `read_written`."""
    found = read_written_text(text, measure)
    return WrittenRecord(recipe=recipe_record(with_unread(found)), unsure=found.unsure, unread=found.unread)


def _own_file(text: str) -> Recipe | None:
    """Return the recipe of our own file pasted as it is; None where the text is none.

    :raises BadInput: naming the field of a file that cannot be taken.
    """
    if not text.lstrip().startswith("{"):
        return None
    try:
        value = json.loads(text)
    except (ValueError, RecursionError):
        return None
    return recipe_from(value) if isinstance(value, dict) and value.get("format") == FORMAT else None


def _json_ld(text: str) -> dict[str, Any] | None:
    if not text.lstrip().startswith(("{", "[")):
        return None
    try:
        value = json.loads(text)
    except (ValueError, RecursionError):
        return None
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
    lines = [{**line, "text": text} for line, text in zip(record["lines"], found.texts, strict=True)]
    return {
        "recipe": {**record, "lines": lines},
        "unsure": [{"line": unsure.line, "text": unsure.text, "why": unsure.why} for unsure in found.unsure],
        "unread": list(found.unread),
    }
