"""Recipes: list, make, save, delete, keep a version."""

from datetime import datetime
from typing import Annotated

from flask import Blueprint
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem, under
from hearth_bowl.api.recipe_body import RecipeIn, RecipeOut, record_of
from hearth_bowl.api.spec import Incoming, Outgoing, spec
from hearth_bowl.formats.written_file import read_written_text, written_answer
from hearth_bowl.service import recipes as service
from hearth_bowl.service.moves import start_record

recipes = Blueprint("recipes", __name__, url_prefix="/api/recipes")


class RecipeInListOut(Outgoing):
    """A recipe as the list shows it."""

    id: int
    name: str
    family: str
    use: str | None
    changed_at: datetime


class RecipeListOut(Outgoing):
    """All recipes."""

    recipes: list[RecipeInListOut]


class StoredRecipeOut(Outgoing):
    """A recipe with its stored state."""

    id: int
    revision: int
    changed_at: datetime
    recipe: RecipeOut


class NewRecipeIn(Incoming):
    """A recipe to store."""

    recipe: RecipeIn


class SaveRecipeIn(Incoming):
    """A recipe's new state, made from the state of `revision`."""

    revision: int
    recipe: RecipeIn


class KeepVersionIn(Incoming):
    """A name for the version; empty takes its number."""

    name: Annotated[str, Field(max_length=200)] = ""


class VersionOut(Outgoing):
    """A kept version."""

    number: int
    name: str
    kept_at: datetime
    recipe: RecipeOut


class StartIn(Incoming):
    """What to start with."""

    family: str
    use: str | None = None
    chocolate: str = "dark60"


class ReadIn(Incoming):
    """A recipe's text, and whose spoons and cups are meant."""

    text: Annotated[str, Field(min_length=1, max_length=100_000)]
    measure: str = "metric"


class UnsureOut(Outgoing):
    """Something unsure: the line of the text (from 1), its words, and why."""

    line: int
    text: str
    why: str


class ReadOut(Outgoing):
    """What was read."""

    recipe: RecipeOut
    unsure: list[UnsureOut]


class VersionListOut(Outgoing):
    """The kept versions of a recipe, the newest first."""

    versions: list[VersionOut]


@recipes.get("")
@spec.validate(resp=Response(HTTP_200=RecipeListOut), operation_id="listRecipes")
def list_recipes() -> RecipeListOut:
    """List the recipes."""
    with database().reading() as session:
        found = service.list_recipes(session)
    return RecipeListOut(recipes=[RecipeInListOut.model_validate(row) for row in found])


@recipes.post("")
@spec.validate(resp=Response(HTTP_201=StoredRecipeOut, HTTP_422=Problem), operation_id="createRecipe")
def create_recipe(json: NewRecipeIn) -> tuple[StoredRecipeOut, int]:
    """Store a new recipe."""
    with under("recipe"), database().writing() as session:
        stored = service.create_recipe(session, record_of(json.recipe), now())
    return StoredRecipeOut.model_validate(stored), 201


@recipes.post("/start")
@spec.validate(resp=Response(HTTP_201=StoredRecipeOut, HTTP_422=Problem), operation_id="startRecipe")
def start_recipe(json: StartIn) -> tuple[StoredRecipeOut, int]:
    """Store a new recipe with our proportions for a family, a use and a chocolate."""
    record = start_record(json.family, json.use, json.chocolate)
    with database().writing() as session:
        stored = service.create_recipe(session, record, now())
    return StoredRecipeOut.model_validate(stored), 201


@recipes.post("/read")
@spec.validate(resp=Response(HTTP_200=ReadOut, HTTP_422=Problem), operation_id="readRecipe")
def read_recipe(json: ReadIn) -> ReadOut:
    """Read a recipe as people write it, or a page's JSON-LD. Nothing is stored."""
    return ReadOut.model_validate(written_answer(read_written_text(json.text, json.measure)))


@recipes.get("/<int:recipe_id>")
@spec.validate(resp=Response(HTTP_200=StoredRecipeOut, HTTP_404=Problem), operation_id="getRecipe")
def get_recipe(recipe_id: int) -> StoredRecipeOut:
    """Return one recipe."""
    with database().reading() as session:
        return StoredRecipeOut.model_validate(service.get_recipe(session, recipe_id))


@recipes.put("/<int:recipe_id>")
@spec.validate(
    resp=Response(HTTP_200=StoredRecipeOut, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveRecipe",
)
def save_recipe(recipe_id: int, json: SaveRecipeIn) -> StoredRecipeOut:
    """Store a recipe's new state; refused when another save came between."""
    with under("recipe"), database().writing() as session:
        stored = service.save_recipe(session, recipe_id, record_of(json.recipe), json.revision, now())
    return StoredRecipeOut.model_validate(stored)


@recipes.delete("/<int:recipe_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteRecipe")
def delete_recipe(recipe_id: int) -> tuple[str, int]:
    """Delete a recipe with its versions."""
    with database().writing() as session:
        service.delete_recipe(session, recipe_id)
    return "", 204


@recipes.get("/<int:recipe_id>/versions")
@spec.validate(resp=Response(HTTP_200=VersionListOut, HTTP_404=Problem), operation_id="listVersions")
def list_versions(recipe_id: int) -> VersionListOut:
    """List the kept versions of a recipe, the newest first."""
    with database().reading() as session:
        found = service.list_versions(session, recipe_id)
    return VersionListOut(versions=[VersionOut.model_validate(version) for version in found])


@recipes.post("/<int:recipe_id>/versions")
@spec.validate(resp=Response(HTTP_201=VersionOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="keepVersion")
def keep_version(recipe_id: int, json: KeepVersionIn) -> tuple[VersionOut, int]:
    """Keep the recipe as it is stored now, for good."""
    with database().writing() as session:
        kept = service.keep_version(session, recipe_id, json.name, now())
    return VersionOut.model_validate(kept), 201
