"""Recipes: list, make, save, delete, keep a version."""

from typing import Annotated

from flask import Blueprint, jsonify
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import LARGEST_ID, database, in_helper, now, whole_number
from hearth_bowl.api.problems import Problem, under
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE
from hearth_bowl.formats.recipe_file import recipe_from, sparse_record
from hearth_bowl.formats.written_file import (
    OtherReadingRecord,
    WrittenRecord,
    other_reading_records,
    read_written_record,
)
from hearth_bowl.service import recipes as service
from hearth_bowl.service.cards import in_own_vessel
from hearth_bowl.service.confections import StoredConfection, get_confection
from hearth_bowl.service.larder import ingredients_named
from hearth_bowl.service.made_into import copy_made, create_made, give_confection
from hearth_bowl.service.moves import start_record
from hearth_bowl.service.recipe_card import RecipeCard, recipe_card

recipes = Blueprint("recipes", __name__, url_prefix="/api/recipes")


class RecipeListOut(Outgoing):
    """A page of recipes, the newest first, archived ones last; `after` asks for the next page, null after the last."""

    recipes: list[service.RecipeInList]
    after: int | None


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


class InStockIn(Incoming):
    """An ingredient by its key or its name in the larder, and how much of it there is [g]."""

    ingredient: str
    g: Annotated[float, Field(gt=0, le=1e6)]


class StartIn(Incoming):
    """What to start with. With `stock` as much is made as there is of it."""

    family: str
    use: str | None = None
    chocolate: str = "dark60"
    vessel_id: Annotated[int, Field(ge=1, le=LARGEST_ID)] | None = None
    stock: Annotated[list[InStockIn], Field(max_length=50)] = Field(default_factory=list)


class ReadIn(Incoming):
    """A recipe's text, and whose spoons and cups are meant."""

    text: Annotated[str, Field(min_length=1, max_length=100_000)]
    measure: str = "metric"


class VersionListOut(Outgoing):
    """The kept versions of a recipe, the newest first."""

    versions: list[service.KeptVersion]


@recipes.get("")
@spec.validate(resp=Response(HTTP_200=RecipeListOut, HTTP_422=Problem), operation_id="listRecipes")
def list_recipes() -> RecipeListOut:
    """List the recipes, page by page: `after` another page's own, `most` of them."""
    after = whole_number("after", None, LARGEST_ID)
    most = whole_number("most", service.MOST_LISTED, service.MOST_LISTED) or service.MOST_LISTED
    with database().reading() as session:
        found, after = service.list_recipes(session, after, most)
    return RecipeListOut(recipes=found, after=after)


@recipes.post("")
@spec.validate(resp=Response(HTTP_201=service.StoredRecipe, HTTP_422=Problem), operation_id="createRecipe")
def create_recipe(json: NewRecipeIn) -> tuple[service.StoredRecipe, int]:
    """Store a new recipe."""
    with under("recipe"), database().writing() as session:
        stored = service.create_recipe(session, record_of(json.recipe), now())
    return stored, 201


class FindRecipesIn(Incoming):
    """Words that all stand in a recipe's name, family, ingredients or allergens."""

    words: Annotated[str, Field(max_length=200)] = ""
    after: Annotated[int, Field(ge=1, le=LARGEST_ID)] | None = None


class FoundRecipesOut(Outgoing):
    """A page of recipes that were found, the newest first; `after` asks for the next page, null after the last."""

    recipes: list[service.FoundRecipe]
    after: int | None


@recipes.post("/find")
@spec.validate(resp=Response(HTTP_200=FoundRecipesOut, HTTP_422=Problem), operation_id="findRecipes")
def find_recipes(json: FindRecipesIn) -> FoundRecipesOut:
    """Find recipes by name, family, ingredient, allergen or verdict."""
    with database().reading() as session:
        found, after = service.find_recipes(session, json.words, json.after)
    return FoundRecipesOut(recipes=found, after=after)


class PutAwayIn(Incoming):
    """Whether a recipe is put away."""

    away: bool


@recipes.put("/<int:recipe_id>/put-away")
@spec.validate(resp=Response(HTTP_204=None, HTTP_404=Problem), operation_id="putAwayRecipe")
def put_away_recipe(recipe_id: int, json: PutAwayIn) -> tuple[str, int]:
    """Put a recipe away, out of the lists, or bring it back."""
    with database().writing() as session:
        service.put_away(session, recipe_id, json.away)
    return "", 204


@recipes.post("/<int:recipe_id>/copy")
@spec.validate(resp=Response(HTTP_201=service.StoredRecipe, HTTP_404=Problem), operation_id="copyRecipe")
def copy_recipe(recipe_id: int) -> tuple[service.StoredRecipe, int]:
    """Store a copy of a recipe."""
    with database().writing() as session:
        return copy_made(session, recipe_id, now()), 201


@recipes.post("/<int:recipe_id>/confection")
@spec.validate(resp=Response(HTTP_201=StoredConfection, HTTP_404=Problem, HTTP_422=Problem), operation_id="makeInto")
def make_into(recipe_id: int) -> tuple[StoredConfection, int]:
    """Store a confection of a recipe that has none: by its kept fit, or by its family and use."""
    with database().writing() as session:
        made = service.get_recipe(session, recipe_id).made_into
        return get_confection(session, give_confection(session, recipe_id, now()) if made is None else made), 201


@recipes.get("/<int:recipe_id>/card")
@spec.validate(resp=Response(HTTP_200=RecipeCard, HTTP_404=Problem), operation_id="recipeCard")
def recipe_as_card(recipe_id: int) -> RecipeCard:
    """Return what stands on a recipe's card."""
    with database().reading() as session:
        return recipe_card(session, recipe_id, now())


@recipes.get("/<int:recipe_id>/recipe.json")
def recipe_as_file(recipe_id: int) -> Answer:
    """Return a recipe as a file."""
    with database().reading() as session:
        answer = jsonify(sparse_record(recipe_from(service.get_recipe(session, recipe_id).recipe)))
    answer.headers["Content-Disposition"] = 'attachment; filename="recipe.json"'
    return answer


@recipes.post("/start")
@spec.validate(resp=Response(HTTP_201=service.StoredRecipe, HTTP_422=Problem), operation_id="startRecipe")
def start_recipe(json: StartIn) -> tuple[service.StoredRecipe, int]:
    """Store a new recipe with usual proportions for a family and a use, with a chocolate or with what is in stock."""
    with database().reading() as session:
        named = ingredients_named(session, [one.ingredient for one in json.stock])
    stock = [(of, one.g) for of, one in zip(named, json.stock, strict=True)]
    record = in_helper(start_record, json.family, json.use, json.chocolate, stock)
    with database().writing() as session:
        stored = create_made(session, record, now(), json.vessel_id)
    return stored, 201


@recipes.post("/read")
@spec.validate(resp=Response(HTTP_200=WrittenRecord, HTTP_422=Problem), operation_id="readRecipe")
def read_recipe(json: ReadIn) -> WrittenRecord:
    """Read a recipe as people write it, or a page's JSON-LD. Nothing is stored."""
    read = in_helper(read_written_record, json.text, json.measure)
    with database().reading() as session:
        return in_own_vessel(session, read)


class LineTextIn(Incoming):
    """The words of one line, and whose spoons and cups are meant."""

    text: Annotated[str, Field(min_length=1, max_length=LONGEST_LINE)]
    measure: str = "metric"


class OtherReadingsOut(Outgoing):
    """What else the words of a line may mean."""

    others: list[OtherReadingRecord]


@recipes.post("/line")
@spec.validate(resp=Response(HTTP_200=OtherReadingsOut, HTTP_422=Problem), operation_id="otherReadings")
def other_readings(json: LineTextIn) -> OtherReadingsOut:
    """Say what else the words of a written line may mean. Nothing is stored."""
    return OtherReadingsOut(others=other_reading_records(json.text, json.measure))


@recipes.get("/<int:recipe_id>")
@spec.validate(resp=Response(HTTP_200=service.StoredRecipe, HTTP_404=Problem), operation_id="getRecipe")
def get_recipe(recipe_id: int) -> service.StoredRecipe:
    """Return one recipe."""
    with database().reading() as session:
        return service.get_recipe(session, recipe_id)


@recipes.put("/<int:recipe_id>")
@spec.validate(
    resp=Response(HTTP_200=service.StoredRecipe, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveRecipe",
)
def save_recipe(recipe_id: int, json: SaveRecipeIn) -> service.StoredRecipe:
    """Store a recipe's new state; refused when another save came between."""
    with under("recipe"), database().writing() as session:
        return service.save_recipe(session, recipe_id, record_of(json.recipe), json.revision, now())


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
    return VersionListOut(versions=list(found))


@recipes.post("/<int:recipe_id>/versions")
@spec.validate(
    resp=Response(HTTP_201=service.KeptVersion, HTTP_404=Problem, HTTP_422=Problem), operation_id="keepVersion"
)
def keep_version(recipe_id: int, json: KeepVersionIn) -> tuple[service.KeptVersion, int]:
    """Keep the recipe as it is stored now, for good."""
    with database().writing() as session:
        kept = service.keep_version(session, recipe_id, json.name, now())
    return kept, 201
