"""Ingredients: the library as the bench offers it, with the words of families and uses."""

from typing import Annotated

from flask import Blueprint
from pydantic import Field
from spectree import Response

from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.ingredients.questions import QUESTIONS, IngredientQuestion, hurts_words
from hearth_bowl.core.recipe.families import FAMILY, Method
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES
from hearth_bowl.core.recipe.written.names import near_names
from hearth_bowl.core.solve.swap import shelf_of
from hearth_bowl.core.solve.wrapper import KINDS

ingredients = Blueprint("ingredients", __name__, url_prefix="/api/ingredients")


class IngredientOut(Outgoing):
    """An ingredient of the library."""

    key: str
    name: str
    kind: str
    composition_pct: dict[str, float]
    density_g_per_ml: float
    energy_kcal_per_100g: float
    allergens: list[str]
    allergens_named: list[str]
    spread: str
    shelf: str
    hurts: list[str]


class FamilyOut(Outgoing):
    """A family of recipes: its stages in order, what it is made for, the ways of making it, and what decides."""

    key: str
    name: str
    stages: list[str]
    uses: list[str]
    methods: list[Method]
    also: list[Method]
    rule: str


class LabelKindOut(Outgoing):
    """What a wrapper can be of."""

    key: str
    name: str


class LibraryOut(Outgoing):
    """The library, the families and the uses."""

    ingredients: list[IngredientOut]
    families: list[FamilyOut]
    uses: list[str]
    aimed_index: dict[str, float | None]
    label_kinds: list[LabelKindOut]
    questions: list[IngredientQuestion]


class NearIngredientsOut(Outgoing):
    """Keys of the library, the nearest first."""

    keys: list[str]


class NearIngredientsIn(Incoming):
    """What was typed."""

    words: Annotated[str, Field(max_length=200)]


@ingredients.post("/near")
@spec.validate(resp=Response(HTTP_200=NearIngredientsOut, HTTP_422=Problem), operation_id="nearIngredients")
def near_ingredients(json: NearIngredientsIn) -> NearIngredientsOut:
    """Say which ingredients some words may mean: what cooks call them, and misspellings. Nothing is stored."""
    return NearIngredientsOut(keys=list(near_names(json.words)))


@ingredients.get("")
@spec.validate(resp=Response(HTTP_200=LibraryOut), operation_id="getLibrary")
def get_library() -> LibraryOut:
    """Return the library."""
    return LibraryOut(
        ingredients=[
            IngredientOut(
                key=key,
                name=row.name,
                kind=row.kind,
                composition_pct={name: pct for name, pct in row.composition_pct.items() if pct},
                density_g_per_ml=row.density_g_per_ml,
                energy_kcal_per_100g=row.energy_kcal_per_100g,
                allergens=list(row.allergens),
                allergens_named=list(row.allergens_named),
                spread=row.spread,
                shelf=shelf_of(row),
                hurts=list(hurts_words(row)),
            )
            for key, row in LIBRARY.items()
        ],
        families=[
            FamilyOut(
                key=key,
                name=name,
                stages=list(FAMILY[key].stages),
                uses=list(FAMILY[key].uses),
                methods=list(FAMILY[key].methods),
                also=list(FAMILY[key].also),
                rule=FAMILY[key].rule,
            )
            for key, name in FAMILIES.items()
        ],
        uses=list(AIMED_INDEX),
        aimed_index=dict(AIMED_INDEX),
        questions=list(QUESTIONS),
        label_kinds=[LabelKindOut(key=key, name=kind.name) for key, kind in KINDS.items()],
    )
