"""Recipes: list, make, save, keep a version, go back to one."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, fields, replace
from datetime import datetime
from typing import Any, Final

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.recipe.recipe import Recipe, check_name
from hearth_bowl.formats.recipe_file import RecipeFile, recipe_from, recipe_record, whole_record
from hearth_bowl.service.errors import ChangedMeanwhile, NotFound
from hearth_bowl.service.recipe_index import LayerShare, forget_recipe, index_recipe, listed_of, recipe_rows
from hearth_bowl.store.models import ConfectionRow, RecipeRow, RecipeVersionRow

MOST_LISTED: Final = 200
"""Names of a page: about 28 kB. A judgement."""
MOST_FOUND: Final = 40
"""Recipes of a page with what is in them: some screens. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeInList:
    """A recipe as the list shows it; one that is put away stands apart, out of the cook's way."""

    id: int
    name: str
    family: str
    use: str | None
    changed_at: datetime
    put_away: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class StoredRecipe:
    """A recipe with its stored state. `recipe` is a recipe file's content; `made_into` the confection it came with."""

    id: int
    revision: int
    changed_at: datetime
    recipe: RecipeFile
    made_into: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptVersion:
    """A kept version: its number, name, moment, and the recipe file's content as it was."""

    number: int
    name: str
    kept_at: datetime
    recipe: RecipeFile


@dataclass(frozen=True, slots=True, kw_only=True)
class FoundRecipe(RecipeInList):
    """A recipe that was looked for: what is in it and which groups of allergens, so far as they are known."""

    ingredients: tuple[str, ...]
    allergens: tuple[str, ...]
    not_known: int
    mass_g: float
    layers: tuple[LayerShare, ...]
    made_into: int | None = None


def list_recipes(
    session: Session, after: int | None = None, most: int = MOST_LISTED
) -> tuple[list[RecipeInList], int | None]:
    """Return a page of recipes, the newest first, archived ones last, and the `after` of the next page.

    :param after: None for the first page. :param most: recipes of a page, MOST_LISTED at most.
    """
    rows, further = recipe_rows(session, "", after, min(most, MOST_LISTED))
    return [RecipeInList(**_in_list(row)) for row in rows], further


def find_recipes(session: Session, words: str, after: int | None = None) -> tuple[list[FoundRecipe], int | None]:
    """Return a page of the recipes whose name, family, ingredients, allergens or verdicts hold all of some words."""
    rows, further = recipe_rows(session, words, after, MOST_FOUND)
    own = select(ConfectionRow.own_of, ConfectionRow.id).where(ConfectionRow.own_of.in_([row.id for row in rows]))
    made = {row.own_of: row.id for row in session.execute(own)}
    return [replace(_found(row), made_into=made.get(row.id)) for row in rows], further


def recipe_names(session: Session) -> dict[int, str]:
    """Return the names of all recipes by their ids, in the order in which they were made."""
    rows = session.execute(select(RecipeRow.id, RecipeRow.name).order_by(RecipeRow.id))
    return {row.id: row.name for row in rows}


def _in_list(row: RecipeRow) -> dict[str, Any]:
    return {field.name: getattr(row, field.name) for field in fields(RecipeInList)}


def _found(row: RecipeRow) -> FoundRecipe:
    listed = listed_of(row)
    return FoundRecipe(
        **_in_list(row),
        ingredients=tuple(listed["ingredients"]),
        allergens=tuple(listed["allergens"]),
        not_known=listed["not_known"],
        mass_g=listed["mass_g"],
        layers=tuple(listed["layers"]),
    )


def copy_recipe(session: Session, recipe_id: int, now: datetime) -> StoredRecipe:
    """Store a copy of a recipe under a name of its own.

    :raises NotFound: there is no such recipe.
    """
    record = get_recipe(session, recipe_id).recipe
    return create_recipe(session, {**record, "name": f"{record['name']}, copy"[:200]}, now)


def get_recipe(session: Session, recipe_id: int) -> StoredRecipe:
    """Return one recipe.

    :raises NotFound: there is none.
    """
    made = session.scalar(select(ConfectionRow.id).where(ConfectionRow.own_of == recipe_id).limit(1))
    return replace(_stored(_row(session, recipe_id)), made_into=made)


def create_recipe(session: Session, record: Mapping[str, Any], now: datetime) -> StoredRecipe:
    """Store a new recipe.

    :raises BadInput: naming the field.
    """
    recipe = recipe_from(record)
    row = RecipeRow(
        name=recipe.name,
        family=recipe.family,
        use=recipe.use,
        document=_document(recipe),
        revision=1,
        created_at=now,
        changed_at=now,
    )
    session.add(row)
    session.flush()
    index_recipe(session, row, recipe)
    session.flush()
    return _stored(row)


def save_recipe(
    session: Session, recipe_id: int, record: Mapping[str, Any], revision: int, now: datetime
) -> StoredRecipe:
    """Store a recipe's new state, made from the state of `revision`.

    :raises BadInput: naming the field. :raises NotFound: there is none.
    :raises ChangedMeanwhile: another save came between; nothing is overwritten.
    """
    recipe = recipe_from(record)
    row = _row(session, recipe_id)
    if row.revision != revision:
        raise ChangedMeanwhile(row.revision)
    row.name, row.family, row.use, row.document = recipe.name, recipe.family, recipe.use, _document(recipe)
    row.revision, row.changed_at = revision + 1, now
    index_recipe(session, row, recipe)
    session.flush()
    return _stored(row)


def delete_recipe(session: Session, recipe_id: int) -> None:
    """Delete a recipe with its versions, and with what it alone is made into.

    :raises NotFound: there is none.
    """
    _row(session, recipe_id)
    forget_recipe(session, recipe_id)
    for made in session.scalars(select(ConfectionRow).where(ConfectionRow.own_of == recipe_id)):
        parts = json.loads(made.document)["parts"]
        if {part["of"]["recipe_id"] for part in parts} <= {recipe_id, None}:
            session.delete(made)
        else:
            made.own_of = None
    session.execute(delete(RecipeRow).where(RecipeRow.id == recipe_id))


def put_away(session: Session, recipe_id: int, away: bool) -> None:
    """Put a recipe away, out of the lists, or bring it back. What holds it holds it still.

    :raises NotFound: there is none.
    """
    _row(session, recipe_id).put_away = away


def keep_version(session: Session, recipe_id: int, name: str, now: datetime) -> KeptVersion:
    """Keep the recipe as it is stored now, for good, with the composition of everything in it.

    :raises BadInput: at `name`. :raises NotFound: there is no such recipe.
    """
    recipe = recipe_from(get_recipe(session, recipe_id).recipe)
    last = session.scalar(select(func.max(RecipeVersionRow.number)).where(RecipeVersionRow.recipe_id == recipe_id))
    number = (last or 0) + 1
    row = RecipeVersionRow(
        recipe_id=recipe_id,
        number=number,
        name=check_name(name or f"Version {number}"),
        document=_document(recipe),
        compositions=_dumped({line.ingredient.label: dict(line.ingredient.composition_pct) for line in recipe.lines}),
        kept_at=now,
    )
    session.add(row)
    session.flush()
    return _kept(row)


def list_versions(session: Session, recipe_id: int) -> Sequence[KeptVersion]:
    """Return a recipe's kept versions, the newest first.

    :raises NotFound: there is no such recipe.
    """
    _row(session, recipe_id)
    rows = session.scalars(
        select(RecipeVersionRow).where(RecipeVersionRow.recipe_id == recipe_id).order_by(RecipeVersionRow.number.desc())
    )
    return [_kept(row) for row in rows]


def _row(session: Session, recipe_id: int) -> RecipeRow:
    row = session.get(RecipeRow, recipe_id)
    if row is None:
        raise NotFound("recipe", recipe_id)
    return row


def _stored(row: RecipeRow) -> StoredRecipe:
    return StoredRecipe(
        id=row.id, revision=row.revision, changed_at=row.changed_at, recipe=whole_record(json.loads(row.document))
    )


def _kept(row: RecipeVersionRow) -> KeptVersion:
    return KeptVersion(
        number=row.number, name=row.name, kept_at=row.kept_at, recipe=whole_record(json.loads(row.document))
    )


def _document(recipe: Recipe) -> str:
    return _dumped(recipe_record(recipe))


def _dumped(value: object) -> str:
    return json.dumps(value, ensure_ascii=False, allow_nan=False)
