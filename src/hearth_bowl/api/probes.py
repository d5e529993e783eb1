"""Probes and scales: the open door for readings and weights."""

from datetime import datetime

from flask import Blueprint
from pydantic import AwareDatetime, Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import Incoming, Outgoing, spec
from hearth_bowl.service import batches as batch_service
from hearth_bowl.service import probes as service

probes = Blueprint("probes", __name__, url_prefix="/api")


class StepOut(Outgoing):
    """A step of a run; true °C."""

    key: str
    title: str
    do: str
    heat: str
    target_c: list[float] | None
    minutes: float | None
    cue: str
    ceiling_c: float | None
    ask: str
    why: str
    passes: str
    caution: str
    attended: bool
    call: str
    positions: list[int]


class ReadingIn(Incoming):
    """A reading: °C as the probe shows it, null when the sensor says nothing; without a moment, now counts."""

    c: float | None = None
    at: AwareDatetime | None = Field(default=None, strict=False)


class ReadingsIn(Incoming):
    """One reading (`c`, `at`) or a batch of them."""

    c: float | None = None
    at: AwareDatetime | None = Field(default=None, strict=False)
    readings: list[ReadingIn] | None = None


class StoredCountOut(Outgoing):
    """How many were stored."""

    stored: int


class ReadingsCsvIn(Incoming):
    """Readings as CSV: columns `at` and `c` (or `f`)."""

    csv: str


class ProbeOut(Outgoing):
    """A probe with its last reading."""

    id: str
    name: str
    speed: float
    last_at: datetime | None
    last_c: float | None


class ProbeListOut(Outgoing):
    """Every probe that ever spoke."""

    probes: list[ProbeOut]


class SpeedIn(Incoming):
    """How fast a stand-in plays, 1 to 60."""

    speed: float


class StandInOut(Outgoing):
    """What a stand-in plays: null where nothing is at the stove."""

    batch_id: int | None
    speed: float
    recipe: dict[str, object] | None
    step: StepOut | None
    heat: str
    chocolate: str | None
    in_the_pan: list[int]
    kitchen_c: float
    pressure_kpa: float


class WeightIn(Incoming):
    """A settled weight."""

    g: float
    at: AwareDatetime | None = Field(default=None, strict=False)


class WeightsIn(Incoming):
    """Settled weights of a scale."""

    weights: list[WeightIn]


class ScaleOut(Outgoing):
    """A scale with its last settled weight."""

    id: str
    g: float
    at: datetime


class ScaleListOut(Outgoing):
    """Every scale that ever spoke, the one that spoke last first, and the server's moment."""

    now: datetime
    scales: list[ScaleOut]


@probes.post("/probes/<probe_id>/readings")
@spec.validate(resp=Response(HTTP_201=StoredCountOut, HTTP_422=Problem), operation_id="addReadings")
def add_readings(probe_id: str, json: ReadingsIn) -> tuple[StoredCountOut, int]:
    """Take readings of any thermometer, one or many; what is acknowledged is on the disk."""
    single = [ReadingIn(c=json.c, at=json.at)] if json.readings is None else json.readings
    with database().writing() as session:
        stored = service.add_readings(session, probe_id, [{"c": row.c, "at": row.at} for row in single], now())
    return StoredCountOut(stored=stored), 201


@probes.post("/probes/<probe_id>/csv")
@spec.validate(resp=Response(HTTP_201=StoredCountOut, HTTP_422=Problem), operation_id="importReadings")
def import_readings(probe_id: str, json: ReadingsCsvIn) -> tuple[StoredCountOut, int]:
    """Take readings as CSV, all or none."""
    rows = service.read_csv(json.csv)
    with database().writing() as session:
        stored = service.add_readings(session, probe_id, rows, now())
    return StoredCountOut(stored=stored), 201


@probes.get("/probes")
@spec.validate(resp=Response(HTTP_200=ProbeListOut), operation_id="listProbes")
def list_probes() -> ProbeListOut:
    """List the probes."""
    with database().reading() as session:
        found = service.list_probes(session)
    return ProbeListOut(probes=[ProbeOut.model_validate(probe) for probe in found])


@probes.put("/probes/<probe_id>/speed")
@spec.validate(resp=Response(HTTP_200=ProbeOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="setProbeSpeed")
def set_speed(probe_id: str, json: SpeedIn) -> ProbeOut:
    """Let a stand-in play faster or slower."""
    with database().writing() as session:
        return ProbeOut.model_validate(service.set_speed(session, probe_id, json.speed))


@probes.get("/probes/<probe_id>/stand-in")
@spec.validate(resp=Response(HTTP_200=StandInOut, HTTP_422=Problem), operation_id="atTheStove")
def at_the_stove(probe_id: str) -> StandInOut:
    """Say what is at the stove, for a stand-in to play it."""
    with database().writing() as session:
        return StandInOut.model_validate(service.at_the_stove(session, probe_id, batch_service.steps_of))


@probes.post("/scales/<scale_id>/weights")
@spec.validate(resp=Response(HTTP_201=StoredCountOut, HTTP_422=Problem), operation_id="addWeights")
def add_weights(scale_id: str, json: WeightsIn) -> tuple[StoredCountOut, int]:
    """Take settled weights of any scale."""
    rows = [{"g": row.g, "at": row.at} for row in json.weights]
    with database().writing() as session:
        stored = service.add_weights(session, scale_id, rows, now())
    return StoredCountOut(stored=stored), 201


@probes.get("/scales")
@spec.validate(resp=Response(HTTP_200=ScaleListOut), operation_id="listScales")
def list_scales() -> ScaleListOut:
    """List the scales with what they showed last."""
    with database().reading() as session:
        found = service.list_scales(session)
    return ScaleListOut(now=now(), scales=[ScaleOut.model_validate(scale) for scale in found])
