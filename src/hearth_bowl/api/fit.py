"""Fit: a recipe into a vessel; near choices, other vessels, layers, stacked fillings, and the marking guide."""

from dataclasses import replace
from typing import Annotated

from flask import Blueprint
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
from hearth_bowl.core.fit.ask import ASKS, Question, questions, start_ask
from hearth_bowl.core.fit.layers import MOST_LAYERS, LayerAmount, LayeredSlab
from hearth_bowl.core.fit.marking import Guide
from hearth_bowl.core.fit.near_choices import NearChoice
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.fit.stacked import MOST_FILLINGS, FillingAmount, Stack
from hearth_bowl.core.recipe.recipe import AIMED_INDEX
from hearth_bowl.formats.ask_file import AskFile
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.service import fit as service

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


class LayerIn(Incoming):
    """A layer: a recipe, and how much of it."""

    recipe: RecipeIn
    amount: LayerAmount = LayerAmount()


class PanLayersIn(Incoming):
    """Layers in a pan, the first at its base."""

    vessel: VesselIn
    layers: Annotated[list[LayerIn], Field(min_length=1, max_length=MOST_LAYERS)]
    ask: AskFile | None = None
    total_mm: float | None = None


class FillingIn(Incoming):
    """A filling: a recipe, and how much of it."""

    recipe: RecipeIn
    amount: FillingAmount = FillingAmount()


class StackIn(Incoming):
    """Fillings stacked in a mould's cavities, the first at the mould's floor."""

    vessel: VesselIn
    fillings: Annotated[list[FillingIn], Field(min_length=1, max_length=MOST_FILLINGS)]
    ask: AskFile | None = None


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
    starts = {use: start_ask(use) for use in ("", *AIMED_INDEX)}
    return QuestionsOut(kinds={kind: questions(kind) for kind in ASKS}, starts=starts)


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


@fit.post("/fit/layers")
@spec.validate(resp=Response(HTTP_200=LayeredSlab, HTTP_422=Problem), operation_id="fitLayers")
def fit_layers(json: PanLayersIn) -> LayeredSlab:
    """Fit layers of several recipes to a pan. Nothing is stored."""
    layers = [(record_of(layer.recipe), layer.amount) for layer in json.layers]
    with database().reading() as session:
        return service.fit_pan_layers(session, vessel_record(json.vessel), layers, json.ask, json.total_mm)


@fit.post("/fit/stack")
@spec.validate(resp=Response(HTTP_200=Stack, HTTP_422=Problem), operation_id="fitStack")
def fit_stack(json: StackIn) -> Stack:
    """Fit fillings of several recipes to a mould's cavities. Nothing is stored."""
    fillings = [(record_of(filling.recipe), filling.amount) for filling in json.fillings]
    with database().reading() as session:
        return service.fit_cavity_stack(session, vessel_record(json.vessel), fillings, json.ask)


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


@fit.get("/recipes/<int:recipe_id>/fit/guide.svg")
def guide_as_svg(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as SVG."""
    return Answer(guide_svg(*_guide(recipe_id)), content_type="image/svg+xml")


@fit.get("/recipes/<int:recipe_id>/fit/guide.pdf")
def guide_as_pdf(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as PDF."""
    headers = {"Content-Disposition": 'inline; filename="marking-guide.pdf"'}
    return Answer(guide_pdf(*_guide(recipe_id)), content_type="application/pdf", headers=headers)


def _guide(recipe_id: int) -> tuple[Guide, str]:
    with database().reading() as session:
        name, guide = service.marking_guide(session, recipe_id)
    return replace(guide, says=in_own_units(guide.says)), name
