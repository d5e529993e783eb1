"""Fit: a recipe into a vessel, its marking guide, and the kept fit of each recipe."""

from dataclasses import replace

from flask import Blueprint, request
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, in_own_units, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.vessels import VesselIn, vessel_record
from hearth_bowl.api.wire import Incoming
from hearth_bowl.core.fit import Fit
from hearth_bowl.core.fit.marking import Guide
from hearth_bowl.formats.ask_file import AskFile
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.service import fit as service

fit = Blueprint("fit", __name__, url_prefix="/api")


class FitIn(Incoming):
    """A recipe, a vessel, and what is asked; without an ask, what is usual of such a vessel."""

    recipe: RecipeIn
    vessel: VesselIn
    ask: AskFile | None = None


@fit.post("/fit")
@spec.validate(resp=Response(HTTP_200=Fit, HTTP_422=Problem), operation_id="fit")
def fit_recipe(json: FitIn) -> Fit:
    """Fit a recipe to a vessel. Nothing is stored."""
    with database().reading() as session:
        return service.fit_recipe(session, record_of(json.recipe), vessel_record(json.vessel), json.ask)


@fit.get("/recipes/<int:recipe_id>/fit")
@spec.validate(resp=Response(HTTP_200=service.KeptFit, HTTP_404=Problem), operation_id="getFit")
def get_fit(recipe_id: int) -> service.KeptFit:
    """Return the fit of a recipe as it was left."""
    with database().reading() as session:
        return service.get_fit(session, recipe_id)


@fit.put("/recipes/<int:recipe_id>/fit")
@spec.validate(resp=Response(HTTP_200=service.KeptFit, HTTP_404=Problem, HTTP_422=Problem), operation_id="keepFit")
def keep_fit(recipe_id: int, json: service.KeptFit) -> service.KeptFit:
    """Keep the fit of a recipe as it is left."""
    with database().writing() as session:
        return service.keep_fit(session, recipe_id, json, now())


@fit.get("/recipes/<int:recipe_id>/fit/guide.svg")
def guide_as_svg(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as SVG."""
    return Answer(guide_svg(*_guide(recipe_id)), content_type="image/svg+xml")


@fit.get("/recipes/<int:recipe_id>/fit/guide.pdf")
def guide_as_pdf(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as PDF."""
    headers = {"Content-Disposition": 'inline; filename="marking-guide.pdf"'}
    return Answer(
        guide_pdf(*_guide(recipe_id), request.args.get("page", "a4")), content_type="application/pdf", headers=headers
    )


def _guide(recipe_id: int) -> tuple[Guide, str]:
    with database().reading() as session:
        name, guide = service.marking_guide(session, recipe_id)
    return replace(guide, says=in_own_units(guide.says)), name
