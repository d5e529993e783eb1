"""What this kitchen's batches teach: looked into, one left out, all forgotten."""

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.service import learned as service

learned = Blueprint("learned", __name__, url_prefix="/api")


class LearnedOut(Outgoing):
    """All that was learned."""

    learned: list[service.LearnedThing]


class TeachesIn(Incoming):
    """Whether the kitchen learns from a batch."""

    teaches: bool


class ForgottenOut(Outgoing):
    """From how many batches nothing is learned any more."""

    batches: int


@learned.get("/learned")
@spec.validate(resp=Response(HTTP_200=LearnedOut), operation_id="listLearned")
def list_learned() -> LearnedOut:
    """List what was learned of this kitchen, with the batches that it is from."""
    with database().reading() as session:
        return LearnedOut(learned=service.all_learned(session, now()))


@learned.delete("/learned")
@spec.validate(resp=Response(HTTP_200=ForgottenOut), operation_id="forgetLearned")
def forget_learned() -> ForgottenOut:
    """Forget all that was learned; the batches stay in the daybook."""
    with database().writing() as session:
        return ForgottenOut(batches=service.forget_all(session))


@learned.put("/batches/<int:batch_id>/teaches")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="leaveOut")
def leave_out(batch_id: int, json: TeachesIn) -> tuple[str, int]:
    """Let the kitchen learn from a batch, or not."""
    with database().writing() as session:
        service.leave_out(session, batch_id, json.teaches)
    return "", 204


@learned.put("/learned/tasks/<int:timed_id>/teaches")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="leaveOutTask")
def leave_out_task(timed_id: int, json: TeachesIn) -> tuple[str, int]:
    """Let the kitchen learn from how long a task of an order took, or not."""
    with database().writing() as session:
        service.leave_out_task(session, timed_id, json.teaches)
    return "", 204
