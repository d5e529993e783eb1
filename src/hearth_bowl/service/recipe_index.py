"""Index of recipes: the words that find each one, and what a list shows of its lines."""

import contextlib
import json
import unicodedata
from typing import Final

from sqlalchemy import ColumnElement, and_, delete, insert, literal_column, or_, select, tuple_, update
from sqlalchemy.orm import Session, load_only
from typing_extensions import TypedDict

from hearth_bowl.core.bench.bowl import bowl_layers
from hearth_bowl.core.keep.allergens import allergen_groups, allergens_named, not_known
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.recipe import FAMILIES, Recipe
from hearth_bowl.formats.recipe_file import recipe_from, whole_record
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import RECIPE_WORDS, BatchRow, RecipeRow

INDEX: Final = 2
"""Version of the index: raise it when its words or the library's names change, and every recipe is indexed again."""
AT_A_TIME: Final = 100
"""Recipes that are indexed in one transaction: about 0.1 s. A judgement."""
SHORTEST_WORD: Final = 3
"""Letters that the index needs (a trigram); shorter words are sought through all texts."""

NOT_INDEXED: Final = or_(RecipeRow.listed_by < INDEX, RecipeRow.listed_by > INDEX)
"""A recipe that another version indexed, or none; two ranges, so that their index answers."""


class LayerShare(TypedDict):
    """Layer of the bowl by its code, and its share of the weight, 0 to 1."""

    code: str
    share: float


class Listed(TypedDict):
    """What a list shows of a recipe's lines."""

    ingredients: list[str]
    allergens: list[str]
    not_known: int
    mass_g: float
    layers: list[LayerShare]


def index_recipe(session: Session, row: RecipeRow, recipe: Recipe) -> None:
    """Write the words of a stored recipe and what a list shows of it."""
    listed = _worked_out(recipe)
    row.listed, row.listed_by = json.dumps(listed, ensure_ascii=False), INDEX
    named = (recipe.name, FAMILIES[recipe.family], recipe.use or "")
    said = (*named, *listed["ingredients"], *listed["allergens"], *allergens_named(recipe))
    forget_recipe(session, row.id)
    words = {"rowid": row.id, "words": folded(" ".join(said)), "verdicts": _verdicts(session, row.id)}
    session.execute(insert(RECIPE_WORDS), words)


def listed_of(row: RecipeRow) -> Listed:
    """Return what a list shows of a recipe's lines; of one that is not indexed yet it is worked out."""
    if row.listed_by == INDEX:
        found: Listed = json.loads(row.listed)
        return found
    return _worked_out(recipe_from(whole_record(json.loads(row.document))))


def _worked_out(recipe: Recipe) -> Listed:
    layers = bowl_layers(mix(recipe)) if recipe.lines else ()
    whole_g = sum(layer.grams for layer in layers) or 1.0
    return Listed(
        ingredients=list(dict.fromkeys(line.ingredient.name for line in recipe.lines)),
        allergens=list(allergen_groups(recipe)),
        not_known=len(not_known(recipe)),
        mass_g=recipe.mass_g if recipe.lines else 0.0,
        layers=[LayerShare(code=one.code, share=round(one.grams / whole_g, 4)) for one in layers if one.grams > 0],
    )


def index_verdicts(session: Session, recipe_id: int | None) -> None:
    """Write the words of the verdicts on a recipe's batches."""
    if recipe_id is not None:
        session.flush()
        found = _verdicts(session, recipe_id)
        session.execute(update(RECIPE_WORDS).where(RECIPE_WORDS.c.rowid == recipe_id).values(verdicts=found))


def forget_recipe(session: Session, recipe_id: int) -> None:
    """Delete a recipe's words."""
    session.execute(delete(RECIPE_WORDS).where(RECIPE_WORDS.c.rowid == recipe_id))


def index_missing(database: Database) -> None:
    """Index the recipes that an earlier version stored, in short transactions; on a full disk they wait."""
    with contextlib.suppress(OSError):
        while _some_missing(database):
            with database.writing() as session:
                rows = session.scalars(select(RecipeRow).where(NOT_INDEXED).limit(AT_A_TIME))
                for row in rows:
                    index_recipe(session, row, recipe_from(whole_record(json.loads(row.document))))


def _some_missing(database: Database) -> bool:
    with database.reading() as session:
        return session.scalar(select(RecipeRow.id).where(NOT_INDEXED).limit(1)) is not None


def recipe_rows(session: Session, words: str, after: int | None, most: int) -> tuple[list[RecipeRow], int | None]:
    """Return recipes that hold all of some words, and where to go on: the newest first, archived ones last.

    The rows come without their documents. A recipe that is not indexed yet is found by its name.
    The second value is the `after` of the next page, None after the last.
    """
    last = None if after is None else session.get(RecipeRow, after, options=[load_only(*LISTED_COLUMNS)])
    newest = tuple_(RecipeRow.changed_at, RecipeRow.id)
    asked = select(RecipeRow).options(load_only(*LISTED_COLUMNS))
    asked = asked.order_by(RecipeRow.changed_at.desc(), RecipeRow.id.desc())
    for word in folded(words).split():
        asked = asked.where(holds_word(word))
    rows: list[RecipeRow] = []
    for away in (False, True):
        if last is not None and last.put_away and not away:
            continue
        part = asked.where(RecipeRow.put_away == away).limit(most + 1 - len(rows))
        if last is not None and last.put_away == away:
            part = part.where(newest < (last.changed_at, last.id))
        rows += session.scalars(part)
        if len(rows) > most:
            break
    return rows[:most], rows[most - 1].id if len(rows) > most else None


LISTED_COLUMNS: Final = (
    RecipeRow.id,
    RecipeRow.name,
    RecipeRow.family,
    RecipeRow.use,
    RecipeRow.changed_at,
    RecipeRow.put_away,
    RecipeRow.listed,
    RecipeRow.listed_by,
)


def holds_word(word: str) -> ColumnElement[bool]:
    """Return whether a recipe holds a word; one that is not indexed yet is found by its name."""
    not_yet = and_(NOT_INDEXED, RecipeRow.name.icontains(word))
    return or_(not_yet, _is_indexed_by(word))


def _is_indexed_by(word: str) -> ColumnElement[bool]:
    found = select(RECIPE_WORDS.c.rowid)
    if len(word) >= SHORTEST_WORD:
        quoted = '"' + word.replace('"', '""') + '"'
        return RecipeRow.id.in_(found.where(literal_column("recipe_words").op("MATCH")(quoted)))
    texts = (RECIPE_WORDS.c.words, RECIPE_WORDS.c.verdicts)
    return RecipeRow.id.in_(found.where(or_(*(text.contains(word, autoescape=True) for text in texts))))


def _verdicts(session: Session, recipe_id: int) -> str:
    kept = session.scalars(select(BatchRow.verdict).where(BatchRow.recipe_id == recipe_id).distinct())
    return folded(" ".join(dict.fromkeys(word for verdict in kept for word in json.loads(verdict))))


def folded(text: str) -> str:
    """Return a text as words are compared: small letters without accents."""
    parts = unicodedata.normalize("NFKD", text.casefold())
    return "".join(sign for sign in parts if not unicodedata.combining(sign))
