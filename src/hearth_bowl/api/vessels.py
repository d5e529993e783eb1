"""Vessels: the pans and moulds that a person owns."""

from typing import Annotated, Any

from flask import Blueprint
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem, under
from hearth_bowl.api.spec import Incoming, Outgoing, plain, spec
from hearth_bowl.service import vessels as service

vessels = Blueprint("vessels", __name__, url_prefix="/api/vessels")


class VesselIn(Incoming):
    """A vessel file's content: a pan or a mould with the measures that its shape needs."""

    format: str = "hearth-bowl/vessel"
    version: int = 1
    kind: str
    shape: str
    cavities: int | None = None
    length_mm: float | None = None
    width_mm: float | None = None
    diameter_mm: float | None = None
    inner_diameter_mm: float | None = None
    depth_mm: float | None = None
    corner_mm: float | None = None
    rim_length_mm: float | None = None
    rim_width_mm: float | None = None
    floor_length_mm: float | None = None
    floor_width_mm: float | None = None
    radius_mm: float | None = None
    base_radius_mm: float | None = None
    rim_radius_mm: float | None = None
    floor_radius_mm: float | None = None
    height_mm: float | None = None
    water_g: float | None = None


class VesselOut(VesselIn):
    """A vessel file's content."""


class NewVesselIn(Incoming):
    """A vessel to store."""

    name: Annotated[str, Field(min_length=1, max_length=200)]
    vessel: VesselIn


class StoredVesselOut(Outgoing):
    """A stored vessel."""

    id: int
    name: str
    vessel: VesselOut


class VesselListOut(Outgoing):
    """All vessels, pans before moulds."""

    vessels: list[StoredVesselOut]


def vessel_record(vessel: VesselIn) -> dict[str, Any]:
    """Return the vessel file's content of a body."""
    return plain(vessel)


@vessels.get("")
@spec.validate(resp=Response(HTTP_200=VesselListOut), operation_id="listVessels")
def list_vessels() -> VesselListOut:
    """List the vessels."""
    with database().reading() as session:
        found = service.list_vessels(session)
    return VesselListOut(vessels=[StoredVesselOut.model_validate(vessel) for vessel in found])


@vessels.post("")
@spec.validate(resp=Response(HTTP_201=StoredVesselOut, HTTP_422=Problem), operation_id="createVessel")
def create_vessel(json: NewVesselIn) -> tuple[StoredVesselOut, int]:
    """Store a vessel."""
    with under("vessel"), database().writing() as session:
        stored = service.create_vessel(session, json.name, vessel_record(json.vessel))
    return StoredVesselOut.model_validate(stored), 201


@vessels.delete("/<int:vessel_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteVessel")
def delete_vessel(vessel_id: int) -> tuple[str, int]:
    """Delete a vessel."""
    with database().writing() as session:
        service.delete_vessel(session, vessel_id)
    return "", 204
