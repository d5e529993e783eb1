"""Probes and scales: the open door for readings and weights of any device, and what a stand-in plays."""

from datetime import datetime

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.formats.readings_csv import Reading, read_readings
from hearth_bowl.service import probes as service
from hearth_bowl.service import scales as scale_service
from hearth_bowl.service.retention import Retention
from hearth_bowl.service.stand_in import AtTheStove, at_the_stove

probes = Blueprint("probes", __name__, url_prefix="/api")


class ReadingsIn(Incoming):
    """One reading (`c`, `at`) or a batch of them."""

    c: float | None = None
    at: datetime | None = None
    readings: list[Reading] | None = None


class ReadingsCsvIn(Incoming):
    """Readings as CSV: columns `at` and `c` (or `f`)."""

    csv: str


class ProbeListOut(Outgoing):
    """Every probe that ever spoke, and how long readings are kept."""

    probes: list[service.Probe]
    retention: Retention


class SpeedIn(Incoming):
    """How fast a stand-in plays, 1 to 60."""

    speed: float


class ProbeNameIn(Incoming):
    """What a thermometer is called."""

    name: str


class WeightsIn(Incoming):
    """Settled weights of a scale."""

    weights: list[scale_service.Weight]


class StoredCountOut(Outgoing):
    """How many were stored."""

    stored: int


class ScaleListOut(Outgoing):
    """Every scale that ever spoke, the one that spoke last first, and the server's moment."""

    now: datetime
    scales: list[scale_service.Scale]


@probes.post("/probes/<probe_id>/readings")
@spec.validate(resp=Response(HTTP_201=service.Taken, HTTP_422=Problem), operation_id="addReadings")
def add_readings(probe_id: str, json: ReadingsIn) -> tuple[service.Taken, int]:
    """Take readings of any thermometer, one or many; what is acknowledged is on the disk."""
    readings = [Reading(c=json.c, at=json.at)] if json.readings is None else json.readings
    with database().writing() as session:
        return service.add_readings(session, probe_id, readings, now()), 201


@probes.post("/probes/<probe_id>/csv")
@spec.validate(resp=Response(HTTP_201=service.Taken, HTTP_422=Problem), operation_id="importReadings")
def import_readings(probe_id: str, json: ReadingsCsvIn) -> tuple[service.Taken, int]:
    """Take readings as CSV, all or none."""
    rows = read_readings(json.csv)
    with database().writing() as session:
        return service.add_readings(session, probe_id, rows, now()), 201


@probes.get("/probes")
@spec.validate(resp=Response(HTTP_200=ProbeListOut), operation_id="listProbes")
def list_probes() -> ProbeListOut:
    """List the probes."""
    with database().reading() as session:
        return ProbeListOut(probes=service.list_probes(session), retention=Retention())


@probes.delete("/probes/<probe_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem, HTTP_422=Problem), operation_id="deleteProbe")
def delete_probe(probe_id: str) -> tuple[str, int]:
    """Forget a thermometer with its readings, while no batch heard it."""
    with database().writing() as session:
        service.delete_probe(session, probe_id)
    return "", 204


@probes.put("/probes/<probe_id>/name")
@spec.validate(resp=Response(HTTP_200=service.Probe, HTTP_404=Problem, HTTP_422=Problem), operation_id="nameProbe")
def name_probe(probe_id: str, json: ProbeNameIn) -> service.Probe:
    """Call a thermometer otherwise; its readings still come in by its id."""
    with database().writing() as session:
        return service.name_probe(session, probe_id, json.name)


@probes.put("/probes/<probe_id>/speed")
@spec.validate(resp=Response(HTTP_200=service.Probe, HTTP_404=Problem, HTTP_422=Problem), operation_id="setProbeSpeed")
def set_speed(probe_id: str, json: SpeedIn) -> service.Probe:
    """Let a stand-in play faster or slower."""
    with database().writing() as session:
        return service.set_speed(session, probe_id, json.speed)


@probes.get("/probes/<probe_id>/stand-in")
@spec.validate(resp=Response(HTTP_200=AtTheStove), operation_id="atTheStove")
def play_stand_in(probe_id: str) -> AtTheStove:
    """Say what is at the stove, for a stand-in to play it."""
    with database().reading() as session:
        return at_the_stove(session, probe_id)


@probes.post("/scales/<scale_id>/weights")
@spec.validate(resp=Response(HTTP_201=StoredCountOut, HTTP_422=Problem), operation_id="addWeights")
def add_weights(scale_id: str, json: WeightsIn) -> tuple[StoredCountOut, int]:
    """Take settled weights of any scale."""
    with database().writing() as session:
        stored = scale_service.add_weights(session, scale_id, json.weights, now())
    return StoredCountOut(stored=stored), 201


@probes.get("/scales")
@spec.validate(resp=Response(HTTP_200=ScaleListOut), operation_id="listScales")
def list_scales() -> ScaleListOut:
    """List the scales with what they showed last."""
    with database().reading() as session:
        return ScaleListOut(now=now(), scales=scale_service.list_scales(session))
