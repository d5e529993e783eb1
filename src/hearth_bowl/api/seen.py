"""What do you see: the signs, what is known already, and what is told of what is seen."""

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Outgoing
from hearth_bowl.service import seen as service

seen = Blueprint("seen", __name__, url_prefix="/api")


class SignsOut(Outgoing):
    """Every sign, and every stage with its signs."""

    signs: list[service.SignOut]
    stages: list[service.StageOut]


@seen.get("/signs")
@spec.validate(resp=Response(HTTP_200=SignsOut), operation_id="listSigns")
def list_signs() -> SignsOut:
    """List the signs, and the stages at which they are looked for."""
    signs, stages = service.signs()
    return SignsOut(signs=list(signs), stages=list(stages))


@seen.get("/batches/<int:batch_id>/known")
@spec.validate(resp=Response(HTTP_200=service.Known, HTTP_404=Problem), operation_id="knownOfBatch")
def known_of_batch(batch_id: int) -> service.Known:
    """Return what is known of a batch already."""
    with database().reading() as session:
        return service.known_of_batch(session, batch_id, now())


@seen.post("/diagnose")
@spec.validate(resp=Response(HTTP_200=service.Told, HTTP_404=Problem, HTTP_422=Problem), operation_id="diagnose")
def diagnose(json: service.Look) -> service.Told:
    """Say what is wrong with what is seen, and what to do. Nothing is stored."""
    with database().reading() as session:
        return service.look(session, json)
