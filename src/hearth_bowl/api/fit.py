"""Fit: a recipe into a vessel; near choices, other vessels, the marking guide, and the confection that it becomes."""

from dataclasses import replace
from typing import Annotated

from flask import Blueprint, request
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, in_own_units, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.vessels import VesselIn, vessel_record
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.fit import Fit
from hearth_bowl.core.fit.ask import Question
from hearth_bowl.core.fit.marking import Guide
from hearth_bowl.core.fit.near_choices import NearChoice
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.formats.ask_file import AskFile
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.service import fit as service
from hearth_bowl.service.confection_moves import confection_from_fit
from hearth_bowl.service.confections import StoredConfection

fit = Blueprint("fit", __name__, url_prefix="/api")


class FitIn(Incoming):
    """A recipe, a vessel, and what is asked; without an ask, what is usual of such a vessel."""

    recipe: RecipeIn
    vessel: VesselIn
    ask: AskFile | None = None


class NearOut(Outgoing):
    """Whole packs, eggs and moulds near a fit, the nearest first."""

    choices: list[NearChoice]


class OtherVesselsIn(Incoming):
    """A recipe, a batch of it, what was asked, and perhaps the depth to keep."""

    recipe: RecipeIn
    batch_g: Annotated[float, Field(gt=0, le=1e6)]
    depth_mm: Annotated[float, Field(gt=0, le=1000)] | None = None
    ask: AskFile


class OtherVesselOut(Outgoing):
    """What a batch makes of one stored vessel."""

    vessel_id: int
    says: str
    fits: bool
    same_depth_g: float | None


class OtherVesselsOut(Outgoing):
    """Every stored vessel, the best suited first."""

    vessels: list[OtherVesselOut]


class RollingOut(Outgoing):
    """A rolling coat by its key."""

    key: str
    name: str


class RollingListOut(Outgoing):
    """What a ball may be rolled in."""

    coats: list[RollingOut]


class QuestionsOut(Outgoing):
    """What each kind of vessel may be asked, with its usual answers; and what is asked first, by a recipe's use."""

    kinds: dict[str, tuple[Question, ...]]
    starts: dict[str, AskFile]


@fit.get("/fit/questions")
@spec.validate(resp=Response(HTTP_200=QuestionsOut), operation_id="listQuestions")
def list_questions() -> QuestionsOut:
    """List what each kind of vessel may be asked."""
    with database().reading() as session:
        kinds, starts = service.usual_questions(session, now())
    return QuestionsOut(kinds=kinds, starts=starts)


@fit.post("/fit")
@spec.validate(resp=Response(HTTP_200=Fit, HTTP_422=Problem), operation_id="fit")
def fit_recipe(json: FitIn) -> Fit:
    """Fit a recipe to a vessel. Nothing is stored."""
    with database().reading() as session:
        return service.fit_recipe(session, record_of(json.recipe), vessel_record(json.vessel), json.ask)


@fit.post("/fit/piece")
@spec.validate(resp=Response(HTTP_200=service.FitPiece, HTTP_422=Problem), operation_id="pieceOfFit")
def piece_of_fit(json: FitIn) -> service.FitPiece:
    """Say what is to be told of one piece of a fit. Nothing is stored."""
    with database().reading() as session:
        return service.piece_of_fit(session, record_of(json.recipe), vessel_record(json.vessel), json.ask)


@fit.post("/fit/near")
@spec.validate(resp=Response(HTTP_200=NearOut, HTTP_422=Problem), operation_id="nearChoices")
def near_choices(json: FitIn) -> NearOut:
    """Offer whole packs, eggs and moulds near a fit. Nothing is stored."""
    with database().reading() as session:
        found = service.near(session, record_of(json.recipe), vessel_record(json.vessel), json.ask)
    return NearOut(choices=list(found))


@fit.post("/fit/vessels")
@spec.validate(resp=Response(HTTP_200=OtherVesselsOut, HTTP_422=Problem), operation_id="otherVessels")
def other_vessels(json: OtherVesselsIn) -> OtherVesselsOut:
    """Say what a batch makes of each stored vessel. Nothing is stored."""
    with database().reading() as session:
        found = service.vessels_for(session, record_of(json.recipe), json.ask, json.batch_g, json.depth_mm)
    return OtherVesselsOut(
        vessels=[
            OtherVesselOut(
                vessel_id=vessel_id, says=other.says, fits=other.fit is not None, same_depth_g=other.same_depth_g
            )
            for vessel_id, other in found
        ]
    )


@fit.get("/fit/rolling")
@spec.validate(resp=Response(HTTP_200=RollingListOut), operation_id="listRolling")
def list_rolling() -> RollingListOut:
    """List what a ball may be rolled in."""
    return RollingListOut(coats=[RollingOut(key=key, name=coat.name) for key, coat in ROLLING.items()])


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


@fit.post("/recipes/<int:recipe_id>/fit/confection")
@spec.validate(
    resp=Response(HTTP_201=StoredConfection, HTTP_404=Problem, HTTP_422=Problem), operation_id="confectionFromFit"
)
def confection_of_fit(recipe_id: int) -> tuple[StoredConfection, int]:
    """Make a confection of the fit of a recipe as it was left: more can be put into it."""
    with database().writing() as session:
        return confection_from_fit(session, recipe_id, now()), 201


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
