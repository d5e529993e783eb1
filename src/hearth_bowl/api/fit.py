"""Fit: a recipe into a pan or a mould."""

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import Incoming, Outgoing, plain, spec
from hearth_bowl.api.vessels import VesselIn, vessel_record
from hearth_bowl.core.fit import Shell
from hearth_bowl.core.geometry.cavities import CavityVolumes
from hearth_bowl.service import fit as service

fit = Blueprint("fit", __name__, url_prefix="/api/fit")


class AskIn(Incoming):
    """What is asked of the vessel. Lengths mm, masses g; what is not said is not asked."""

    thickness_mm: float | None = None
    pieces: int | None = None
    mass_g: float | None = None
    piece_mm: list[float] | None = None
    trim_mm: float | None = None
    kerf_mm: float | None = None
    wall_mm: float | None = None
    cap_mm: float | None = None
    headroom_mm: float | None = None
    shell: str | None = None
    halves: bool = False
    loss_pct: float | None = None


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
    thickness_mm: float | None
    pieces: int | None
    grid: list[int] | None
    piece_mm: list[float] | None
    piece_g: float | None
    offcut_g: float | None
    shell: Shell | None
    cavity: CavityVolumes | None
    halves: int | None
    pours: int | None
    notes: list[str]


@fit.post("")
@spec.validate(resp=Response(HTTP_200=FitOut, HTTP_422=Problem), operation_id="fit")
def fit_recipe(json: FitIn) -> FitOut:
    """Fit a recipe to a vessel. Nothing is stored."""
    fitted = service.fit_recipe(record_of(json.recipe), vessel_record(json.vessel), plain(json.ask))
    return FitOut.model_validate(fitted.fit)
