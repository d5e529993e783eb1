"""Occasions: boxes of several kinds of piece, what they take, and the shopping list."""

from flask import Blueprint
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.formats.shopping_file import shopping_csv, shopping_text
from hearth_bowl.service import occasions as service

occasions = Blueprint("occasions", __name__, url_prefix="/api/occasions")


class OccasionListOut(Outgoing):
    """All occasions, and what is usual of a new kind of piece."""

    occasions: list[service.StoredOccasion]
    usual: service.PieceAskUsual


class SaveOccasionIn(Incoming):
    """An occasion's new state, made from the state of `revision`."""

    revision: int
    asked: service.OccasionAsk


@occasions.get("")
@spec.validate(resp=Response(HTTP_200=OccasionListOut), operation_id="listOccasions")
def list_occasions() -> OccasionListOut:
    """List the occasions."""
    with database().reading() as session:
        found = service.list_occasions(session)
    return OccasionListOut(occasions=found, usual=service.PieceAskUsual())


@occasions.post("")
@spec.validate(
    resp=Response(HTTP_201=service.StoredOccasion, HTTP_404=Problem, HTTP_422=Problem), operation_id="createOccasion"
)
def create_occasion(json: service.OccasionAsk) -> tuple[service.StoredOccasion, int]:
    """Store a new occasion."""
    with database().writing() as session:
        stored = service.create_occasion(session, json, now())
    return stored, 201


@occasions.post("/work-out")
@spec.validate(
    resp=Response(HTTP_200=service.WorkedOccasion, HTTP_404=Problem, HTTP_422=Problem), operation_id="workOutOccasion"
)
def work_out_occasion(json: service.OccasionAsk) -> service.WorkedOccasion:
    """Work out what an occasion takes. Nothing is stored."""
    with database().reading() as session:
        return service.work_out_occasion(session, json)


@occasions.put("/<int:occasion_id>")
@spec.validate(
    resp=Response(HTTP_200=service.StoredOccasion, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveOccasion",
)
def save_occasion(occasion_id: int, json: SaveOccasionIn) -> service.StoredOccasion:
    """Store an occasion's new state; refused when another save came between."""
    with database().writing() as session:
        return service.save_occasion(session, occasion_id, json.asked, json.revision, now())


@occasions.delete("/<int:occasion_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteOccasion")
def delete_occasion(occasion_id: int) -> tuple[str, int]:
    """Delete an occasion."""
    with database().writing() as session:
        service.delete_occasion(session, occasion_id)
    return "", 204


@occasions.get("/<int:occasion_id>/shopping.csv")
def shopping_as_csv(occasion_id: int) -> Answer:
    """Return the shopping list as CSV."""
    with database().reading() as session:
        stored = service.get_occasion(session, occasion_id)
        wanted = service.work_out_occasion(session, stored.asked).shopping
    headers = {"Content-Disposition": 'attachment; filename="shopping.csv"'}
    return Answer(shopping_csv(wanted), content_type="text/csv; charset=utf-8", headers=headers)


@occasions.get("/<int:occasion_id>/shopping.txt")
def shopping_as_text(occasion_id: int) -> Answer:
    """Return the shopping list as plain text."""
    with database().reading() as session:
        stored = service.get_occasion(session, occasion_id)
        wanted = service.work_out_occasion(session, stored.asked).shopping
    return Answer(shopping_text(wanted, stored.asked.name), content_type="text/plain; charset=utf-8")
