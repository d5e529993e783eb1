"""The file `hearth-bowl/shared`: a confection or a recipe with everything in it, its kept versions too.

A confection file or a recipe file is taken as well: it holds no versions.
"""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Final

from hearth_bowl.core.confection.confection import Confection
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.recipe import Recipe, check_name
from hearth_bowl.formats.confection_file import FORMAT as CONFECTION
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.recipe_file import FORMAT as RECIPE
from hearth_bowl.formats.recipe_file import recipe_from, recipe_record
from hearth_bowl.formats.strict_json import check_format, read_json

FORMAT: Final = "hearth-bowl/shared"
MOST_RECIPES: Final = 40
MOST_VERSIONS: Final = 200


@dataclass(frozen=True, slots=True, kw_only=True)
class SharedVersion:
    """A version that was kept: its name, its moment, and the recipe as it was."""

    name: str
    kept_at: datetime
    recipe: Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class SharedRecipe:
    """A recipe as it stands, with its versions, the oldest first."""

    recipe: Recipe
    versions: tuple[SharedVersion, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Shared:
    """What a file brings. `confection` is the file's own record of it, checked."""

    recipes: tuple[SharedRecipe, ...]
    confection: Mapping[str, Any] | None
    made_of: Confection | None


def read_shared(data: bytes) -> Shared:
    """Return what a shared file brings.

    :raises BadInput: naming the field as the file has it.
    """
    record = read_json(data, "shared")
    if record.get("format") == CONFECTION:
        return _with_parts((), record)
    if record.get("format") == RECIPE:
        return Shared(recipes=(SharedRecipe(recipe=recipe_from(record)),), confection=None, made_of=None)
    check_format(record, FORMAT)
    rows = record.get("recipes", [])
    if not isinstance(rows, list) or len(rows) > MOST_RECIPES:
        raise BadInput(("recipes",), "no list of recipes", f"up to {MOST_RECIPES} of them", "not-allowed")
    recipes = tuple(_recipe(position, row) for position, row in enumerate(rows))
    confection = record.get("confection")
    if confection is None:
        if not recipes:
            raise BadInput(("recipes",), "nothing is in it", "a recipe or a confection", "missing")
        return Shared(recipes=recipes, confection=None, made_of=None)
    if not isinstance(confection, dict):
        raise BadInput(("confection",), "is not an object", "a confection file's content", "not-allowed")
    try:
        return _with_parts(recipes, confection)
    except BadInput as problem:
        raise problem.under("confection") from None


def words_of(recipe: Recipe) -> str:
    """Return a recipe's content as one text, to tell whether two are the same."""
    return json.dumps(recipe_record(recipe), sort_keys=True)


def _with_parts(recipes: tuple[SharedRecipe, ...], record: Mapping[str, Any]) -> Shared:
    """Return a confection's record with its recipes, those too that stand in its parts alone."""
    made_of = confection_from(record)
    there = {words_of(row.recipe) for row in recipes}
    more = {}
    for part in made_of.parts:
        if isinstance(part.of, Recipe) and words_of(part.of) not in there:
            more[words_of(part.of)] = SharedRecipe(recipe=part.of)
    return Shared(recipes=(*recipes, *more.values()), confection=record, made_of=made_of)


def _recipe(position: int, row: object) -> SharedRecipe:
    if not isinstance(row, dict) or not isinstance(row.get("recipe"), dict):
        raise BadInput(("recipes", position, "recipe"), "is missing", "a recipe file's content", "missing")
    versions = row.get("versions", [])
    if not isinstance(versions, list) or len(versions) > MOST_VERSIONS:
        message = "no list of versions"
        raise BadInput(("recipes", position, "versions"), message, f"up to {MOST_VERSIONS} of them", "not-allowed")
    try:
        recipe = recipe_from(row["recipe"])
    except BadInput as problem:
        raise problem.under("recipes", position, "recipe") from None
    return SharedRecipe(
        recipe=recipe, versions=tuple(_version(position, number, one) for number, one in enumerate(versions))
    )


def _version(position: int, number: int, one: object) -> SharedVersion:
    path = ("recipes", position, "versions", number)
    if not isinstance(one, dict) or not isinstance(one.get("recipe"), dict):
        raise BadInput((*path, "recipe"), "is missing", "a recipe file's content", "missing")
    try:
        kept_at = datetime.fromisoformat(str(one.get("kept_at")))
        if kept_at.tzinfo is None:
            raise ValueError("no zone")
    except ValueError:
        raise BadInput((*path, "kept_at"), "no moment", "a moment with its zone", "not-allowed") from None
    try:
        name, recipe = check_name(str(one.get("name", ""))), recipe_from(one["recipe"])
    except BadInput as problem:
        raise problem.under(*path) from None
    return SharedVersion(name=name, kept_at=kept_at, recipe=recipe)
