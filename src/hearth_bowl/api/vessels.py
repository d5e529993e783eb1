"""Vessels: what a person owns to pour, portion and pack with."""

from typing import Annotated, Any

from flask import Blueprint
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing, plain
from hearth_bowl.core.fit.vessel import COUNTS, MEASURES, PAN_EXTRAS
from hearth_bowl.service import vessels as service

vessels = Blueprint("vessels", __name__, url_prefix="/api/vessels")


class VesselIn(Incoming):
    """A vessel file's content: its kind and shape, with the measures that these need."""

    format: str | None = None
    version: int | None = None
    kind: str
    shape: str | None = None
    cavities: int | None = None
    count: int | None = None
    fillings: int | None = None
    length_mm: float | None = None
    width_mm: float | None = None
    diameter_mm: float | None = None
    inner_diameter_mm: float | None = None
    depth_mm: float | None = None
    corner_mm: float | None = None
    lining_mm: float | None = None
    usable_depth_mm: float | None = None
    rim_length_mm: float | None = None
    rim_width_mm: float | None = None
    floor_length_mm: float | None = None
    floor_width_mm: float | None = None
    radius_mm: float | None = None
    base_radius_mm: float | None = None
    rim_radius_mm: float | None = None
    floor_radius_mm: float | None = None
    height_mm: float | None = None
    filling_mm: float | None = None
    coat_mm: float | None = None
    water_g: float | None = None
    volume_ml: float | None = None
    piece_g: float | None = None


class NewVesselIn(Incoming):
    """A vessel to store, and how many of it there are."""

    name: Annotated[str, Field(min_length=1, max_length=200)]
    owned: int = 1
    vessel: VesselIn


class VesselListOut(Outgoing):
    """All vessels, by kind."""

    vessels: list[service.StoredVessel]


class ShapeOut(Outgoing):
    """A shape with the measures that it needs, in the order in which they are asked, those it may have, and what is
    counted."""

    kind: str
    shape: str
    measures: list[str]
    extras: list[str]
    counted: str | None


class ShapesOut(Outgoing):
    """Every kind and shape that a vessel may have."""

    shapes: list[ShapeOut]


def vessel_record(vessel: VesselIn) -> dict[str, Any]:
    """Return the vessel file's content of a body."""
    return plain(vessel)


@vessels.get("")
@spec.validate(resp=Response(HTTP_200=VesselListOut), operation_id="listVessels")
def list_vessels() -> VesselListOut:
    """List the vessels."""
    with database().reading() as session:
        found = service.list_vessels(session)
    return VesselListOut(vessels=found)


@vessels.get("/shapes")
@spec.validate(resp=Response(HTTP_200=ShapesOut), operation_id="listShapes")
def list_shapes() -> ShapesOut:
    """List the shapes that a vessel may have, with the measures of each."""
    return ShapesOut(
        shapes=[
            ShapeOut(
                kind=kind,
                shape=shape,
                measures=list(names),
                extras=[name for name in PAN_EXTRAS if name != "corner_mm" or shape in ("rectangle", "loaf")]
                if kind == "pan"
                else [],
                counted=COUNTS[kind][0] if kind in COUNTS else None,
            )
            for kind, shapes in MEASURES.items()
            for shape, names in shapes.items()
        ]
    )


@vessels.post("")
@spec.validate(resp=Response(HTTP_201=service.StoredVessel, HTTP_422=Problem), operation_id="createVessel")
def create_vessel(json: NewVesselIn) -> tuple[service.StoredVessel, int]:
    """Store a vessel."""
    with database().writing() as session:
        stored = service.create_vessel(session, json.name, vessel_record(json.vessel), json.owned)
    return stored, 201


@vessels.put("/<int:vessel_id>")
@spec.validate(
    resp=Response(HTTP_200=service.StoredVessel, HTTP_404=Problem, HTTP_422=Problem), operation_id="saveVessel"
)
def save_vessel(vessel_id: int, json: NewVesselIn) -> service.StoredVessel:
    """Store a vessel's new measures, name and number."""
    with database().writing() as session:
        return service.save_vessel(session, vessel_id, json.name, vessel_record(json.vessel), json.owned)


@vessels.delete("/<int:vessel_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteVessel")
def delete_vessel(vessel_id: int) -> tuple[str, int]:
    """Delete a vessel."""
    with database().writing() as session:
        service.delete_vessel(session, vessel_id)
    return "", 204
