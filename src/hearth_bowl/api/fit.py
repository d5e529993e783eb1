"""Fit: a recipe into a vessel; near choices, other vessels, layers, stacked fillings, and the marking guide."""

from dataclasses import asdict
from typing import Annotated, Any, Literal

from flask import Blueprint
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import Incoming, Outgoing, plain, spec
from hearth_bowl.api.vessels import VesselIn, vessel_record
from hearth_bowl.core.fit import CakeFit, Drink, Marks, Shell
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.geometry.cavities import CavityVolumes
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.service import fit as service

fit = Blueprint("fit", __name__, url_prefix="/api")


class AskIn(Incoming):
    """What is asked of the vessel. Lengths mm, masses g; what is not said is not asked."""

    thickness_mm: float | None = None
    pieces: int | None = None
    spares: int | None = None
    mass_g: float | None = None
    piece_mm: list[float] | None = None
    trim_mm: float | None = None
    kerf_mm: float | None = None
    wall_mm: float | None = None
    cap_mm: float | None = None
    headroom_mm: float | None = None
    shell: str | None = None
    halves: bool | None = None
    colours: int | None = None
    coat_mm: float | None = None
    coated: int | None = None
    dip_bowl_mm: float | None = None
    core_g: float | None = None
    rolling: str | None = None
    overrun_pct: float | None = None
    loss_pct: float | None = None
    loss_g: float | None = None
    mix_g_per_cup: float | None = None
    mug_mm: float | None = None


class AskOut(AskIn):
    """What was asked."""


class FitIn(Incoming):
    """A recipe, a vessel, and what is asked."""

    recipe: RecipeIn
    vessel: VesselIn
    ask: AskIn = AskIn()


class FitOut(Outgoing):
    """What is made of the recipe. Null where a figure does not apply."""

    scale: float
    batch_g: float
    amounts_g: list[float]
    filling_g: float
    left_over_g: float
    fill_ml: float
    loss_g: float
    evaporated_g: float
    density_g_per_ml: float
    thickness_mm: float | None
    pieces: int | None
    spares: int
    grid: list[int] | None
    piece_mm: list[float] | None
    spacing_mm: list[float] | None
    places_mm: list[list[float]] | None
    marks: Marks | None
    piece_g: float | None
    offcut_g: float | None
    shell: Shell | None
    later: Shell | None
    cavity: CavityVolumes | None
    halves: int | None
    halves_by_colour: list[int] | None
    pours: int | None
    spare_cavities: int | None
    ball_mm: float | None
    core_g: float | None
    rolling_g: float | None
    cake: CakeFit | None
    drink: Drink | None
    notes: list[str]


class NearChoiceOut(Outgoing):
    """A batch near the asked one."""

    says: str
    batch_g: float
    change: float
    fit: FitOut


class NearOut(Outgoing):
    """Whole packs, eggs and moulds near a fit, the nearest first."""

    choices: list[NearChoiceOut]


class OtherVesselsIn(Incoming):
    """A recipe, a batch of it, and perhaps the depth to keep."""

    recipe: RecipeIn
    batch_g: Annotated[float, Field(gt=0, le=1e6)]
    depth_mm: Annotated[float, Field(gt=0, le=1000)] | None = None
    ask: AskIn = AskIn()


class SuitOut(Outgoing):
    """What a batch makes of one stored vessel."""

    vessel_id: int
    says: str
    fits: bool
    same_depth_g: float | None


class OtherVesselsOut(Outgoing):
    """Every stored vessel, the best suited first."""

    vessels: list[SuitOut]


class SlabLayerIn(Incoming):
    """A layer by one of thickness, mass or share."""

    recipe: RecipeIn
    thickness_mm: float | None = None
    mass_g: float | None = None
    share: float | None = None


class SlabIn(Incoming):
    """Layers in a pan, the first at its base."""

    vessel: VesselIn
    layers: Annotated[list[SlabLayerIn], Field(min_length=1, max_length=6)]
    ask: AskIn = AskIn()
    total_mm: float | None = None


class SlabLayerOut(Outgoing):
    """A layer."""

    from_mm: float
    to_mm: float
    thickness_mm: float
    fill_ml: float
    filling_g: float
    batch_g: float
    loss_g: float
    evaporated_g: float
    scale: float
    amounts_g: list[float]


class SlabOut(Outgoing):
    """The layers of a pan, and what is cut of them."""

    layers: list[SlabLayerOut]
    pieces: int | None
    grid: list[int] | None
    piece_mm: list[float] | None
    places_mm: list[list[float]] | None
    marks: Marks | None
    piece_g: float | None
    offcut_g: float | None


class FillingIn(Incoming):
    """A filling by ml, mm or share; by none it gives way. A top is piped above the brim, by ml."""

    recipe: RecipeIn
    ml: float | None = None
    mm: float | None = None
    share_pct: float | None = None
    on_top: bool = False
    overrun_pct: float | None = None
    texture: Literal["soft", "firm", "crunchy"] = "soft"
    lumps: bool = False


class StackIn(Incoming):
    """Fillings stacked in a mould's cavities, the first at the mould's floor."""

    vessel: VesselIn
    fillings: Annotated[list[FillingIn], Field(min_length=1, max_length=4)]
    ask: AskIn = AskIn()


class StackedFillingOut(Outgoing):
    """One filling of each cavity, and its batch for all pieces."""

    from_mm: float
    to_mm: float
    ml: float
    net_ml: float
    each_g: float
    batch_g: float
    loss_g: float
    scale: float
    amounts_g: list[float]
    gives_way: bool


class StackOut(Outgoing):
    """All fillings."""

    fillings: list[StackedFillingOut]
    empty_ml: float
    pieces: int
    pours: int
    notes: list[str]


class KeptLayerIn(Incoming):
    """A layer or filling as it was left: another recipe by its id, and its amounts."""

    recipe_id: int
    thickness_mm: float | None = None
    mass_g: float | None = None
    share: float | None = None
    ml: float | None = None
    mm: float | None = None
    share_pct: float | None = None
    on_top: bool = False
    overrun_pct: float | None = None
    texture: Literal["soft", "firm", "crunchy"] = "soft"
    lumps: bool = False


class KeptLayerOut(KeptLayerIn):
    """A layer or filling as it was left."""


class KeptFitIn(Incoming):
    """The fit of a recipe as it is left; layers and fillings beyond the recipe itself go with it."""

    vessel_id: int | None = None
    ask: AskIn = AskIn()
    total_mm: float | None = None
    layers: list[KeptLayerIn] = Field(default_factory=list, max_length=6)
    fillings: list[KeptLayerIn] = Field(default_factory=list, max_length=4)


class KeptFitOut(Outgoing):
    """The fit of a recipe as it was left; without an ask before the first."""

    vessel_id: int | None
    ask: AskOut | None = None
    total_mm: float | None = None
    layers: list[KeptLayerOut] = Field(default_factory=list)
    fillings: list[KeptLayerOut] = Field(default_factory=list)


class RollingOut(Outgoing):
    """A rolling coat by its key."""

    key: str
    name: str


class RollingListOut(Outgoing):
    """What a ball may be rolled in."""

    coats: list[RollingOut]


@fit.post("/fit")
@spec.validate(resp=Response(HTTP_200=FitOut, HTTP_422=Problem), operation_id="fit")
def fit_recipe(json: FitIn) -> FitOut:
    """Fit a recipe to a vessel. Nothing is stored."""
    with database().reading() as session:
        found = service.fit_recipe(session, record_of(json.recipe), vessel_record(json.vessel), plain(json.ask))
    return FitOut.model_validate(found)


@fit.post("/fit/near")
@spec.validate(resp=Response(HTTP_200=NearOut, HTTP_422=Problem), operation_id="nearChoices")
def near_choices(json: FitIn) -> NearOut:
    """Offer whole packs, eggs and moulds near a fit. Nothing is stored."""
    with database().reading() as session:
        found = service.near(session, record_of(json.recipe), vessel_record(json.vessel), plain(json.ask))
    return NearOut(choices=[NearChoiceOut.model_validate(choice) for choice in found])


@fit.post("/fit/vessels")
@spec.validate(resp=Response(HTTP_200=OtherVesselsOut, HTTP_422=Problem), operation_id="otherVessels")
def other_vessels(json: OtherVesselsIn) -> OtherVesselsOut:
    """Say what a batch makes of each stored vessel. Nothing is stored."""
    with database().reading() as session:
        found = service.vessels_for(session, record_of(json.recipe), plain(json.ask), json.batch_g, json.depth_mm)
    return OtherVesselsOut(
        vessels=[
            SuitOut(vessel_id=vessel_id, says=suit.says, fits=suit.fit is not None, same_depth_g=suit.same_depth_g)
            for vessel_id, suit in found
        ]
    )


@fit.post("/fit/layers")
@spec.validate(resp=Response(HTTP_200=SlabOut, HTTP_422=Problem), operation_id="fitLayers")
def fit_layers(json: SlabIn) -> SlabOut:
    """Fit layers of several recipes to a pan. Nothing is stored."""
    layers = [(record_of(layer.recipe), _amounts(layer)) for layer in json.layers]
    with database().reading() as session:
        found = service.fit_pan_layers(session, vessel_record(json.vessel), layers, plain(json.ask), json.total_mm)
    cut = None if found.cut is None else asdict(found.cut)
    nothing = dict.fromkeys(("pieces", "grid", "piece_mm", "places_mm"))
    return SlabOut.model_validate(
        {
            "layers": list(found.layers),
            **(cut or nothing),
            "marks": found.marks,
            "piece_g": found.piece_g,
            "offcut_g": found.offcut_g,
        }
    )


@fit.post("/fit/stack")
@spec.validate(resp=Response(HTTP_200=StackOut, HTTP_422=Problem), operation_id="fitStack")
def fit_stack(json: StackIn) -> StackOut:
    """Fit fillings of several recipes to a mould's cavities. Nothing is stored."""
    fillings = [(record_of(filling.recipe), _amounts(filling)) for filling in json.fillings]
    with database().reading() as session:
        found = service.fit_cavity_stack(session, vessel_record(json.vessel), fillings, plain(json.ask))
    return StackOut.model_validate(found)


def _amounts(part: SlabLayerIn | FillingIn) -> dict[str, Any]:
    return part.model_dump(exclude={"recipe"}, exclude_none=True)


@fit.get("/fit/rolling")
@spec.validate(resp=Response(HTTP_200=RollingListOut), operation_id="listRolling")
def list_rolling() -> RollingListOut:
    """List what a ball may be rolled in."""
    return RollingListOut(coats=[RollingOut(key=key, name=coat.name) for key, coat in ROLLING.items()])


@fit.get("/recipes/<int:recipe_id>/fit")
@spec.validate(resp=Response(HTTP_200=KeptFitOut, HTTP_404=Problem), operation_id="getFit")
def get_fit(recipe_id: int) -> KeptFitOut:
    """Return the fit of a recipe as it was left."""
    with database().reading() as session:
        left = service.get_fit(session, recipe_id)
    return KeptFitOut.model_validate({"vessel_id": left.vessel_id, **left.kept})


@fit.put("/recipes/<int:recipe_id>/fit")
@spec.validate(resp=Response(HTTP_200=KeptFitOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="keepFit")
def keep_fit(recipe_id: int, json: KeptFitIn) -> KeptFitOut:
    """Keep the fit of a recipe as it is left."""
    kept = json.model_dump(exclude={"vessel_id"}, exclude_none=True)
    with database().writing() as session:
        left = service.keep_fit(session, recipe_id, json.vessel_id, kept, now())
    return KeptFitOut.model_validate({"vessel_id": left.vessel_id, **left.kept})


@fit.get("/recipes/<int:recipe_id>/fit/guide.svg")
def guide_as_svg(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as SVG."""
    with database().reading() as session:
        name, guide = service.marking_guide(session, recipe_id)
    return Answer(guide_svg(guide, name), content_type="image/svg+xml")


@fit.get("/recipes/<int:recipe_id>/fit/guide.pdf")
def guide_as_pdf(recipe_id: int) -> Answer:
    """Return the marking guide at true scale as PDF."""
    with database().reading() as session:
        name, guide = service.marking_guide(session, recipe_id)
    headers = {"Content-Disposition": 'inline; filename="marking-guide.pdf"'}
    return Answer(guide_pdf(guide, name), content_type="application/pdf", headers=headers)
