"""Formula: everything that the bench shows, computed for every change."""

from typing import Any

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem, under
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.bowl import Layer
from hearth_bowl.core.bench.line_notes import LineNotes
from hearth_bowl.core.bench.ratio_rule import RatioRule, Zone
from hearth_bowl.core.bench.reading import Reading
from hearth_bowl.core.bench.verdict import Verdict
from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.answers import assess_answer
from hearth_bowl.formats.method_answer import MethodAnswer, cautions_in
from hearth_bowl.formats.recipe_file import RecipeFile, recipe_from
from hearth_bowl.service import formula as service

formula = Blueprint("formula", __name__, url_prefix="/api/formula")


class FormulaIn(Incoming):
    """A recipe, the temperature that it is judged at [°C], and a ratio to slide it to first."""

    recipe: RecipeIn
    at_c: float = 20.0
    ratio: float | None = None


class FormulaOut(Outgoing):
    """The recipe after what was typed or slid, and all that is shown of it."""

    recipe: RecipeFile
    amounts_g: list[float]
    mass_g: float
    sentence: Verdict
    bowl: list[Layer]
    temperature_zones: list[Zone]
    rule: RatioRule | None
    readings: list[Reading]
    set_curve: list[tuple[float, float]]
    line_notes: list[LineNotes]
    learned: service.LearnedSet | None


class RecipeMethodIn(Incoming):
    """A recipe, with the cook's own steps."""

    recipe: RecipeIn


class RecipeMethodOut(Outgoing):
    """How a recipe is made: every act, what may be changed of each, and the words of cautions by their codes."""

    method: MethodAnswer
    own: list[service.OwnStep]
    cautions: dict[str, str]


class AssessIn(Incoming):
    """A recipe and the temperature that its set is read at [°C]."""

    recipe: RecipeIn
    at_c: float = 20.0


class AssessOut(Outgoing):
    """The answer of the command line's `assess`."""

    answer: dict[str, Any]


@formula.post("")
@spec.validate(resp=Response(HTTP_200=FormulaOut, HTTP_422=Problem), operation_id="computeFormula")
def compute_formula(json: FormulaIn) -> FormulaOut:
    """Compute the bench of a recipe. Nothing is stored."""
    try:
        with database().reading() as session:
            computed = service.compute(session, record_of(json.recipe), json.at_c, now(), json.ratio)
    except BadInput as problem:
        raise problem if problem.field[0] in ("at_c", "ratio") else problem.under("recipe") from None
    shown = computed.formula
    return FormulaOut(
        recipe=computed.record,
        amounts_g=list(computed.recipe.amounts_g),
        mass_g=computed.recipe.mass_g,
        sentence=shown.sentence,
        bowl=list(shown.bowl),
        temperature_zones=list(shown.temperature_zones),
        rule=shown.rule,
        readings=list(shown.readings),
        set_curve=list(shown.set_curve),
        line_notes=list(shown.line_notes),
        learned=computed.learned,
    )


@formula.post("/method")
@spec.validate(resp=Response(HTTP_200=RecipeMethodOut, HTTP_422=Problem), operation_id="methodOfRecipe")
def method_of_recipe(json: RecipeMethodIn) -> RecipeMethodOut:
    """Say how a recipe is made, act by act, with the cook's own steps. Nothing is stored."""
    with under("recipe"), database().reading() as session:
        found = service.method_of(session, record_of(json.recipe))
    return RecipeMethodOut(method=found.method, own=list(found.own), cautions=cautions_in(found.method))


@formula.post("/assess")
@spec.validate(resp=Response(HTTP_200=AssessOut, HTTP_422=Problem), operation_id="assess")
def assess_recipe(json: AssessIn) -> AssessOut:
    """Assess a recipe as the command line does. Nothing is stored."""
    with under("recipe"):
        recipe = recipe_from(record_of(json.recipe))
    return AssessOut(answer=assess_answer(recipe, assess(recipe, json.at_c)))
