"""Assortments: boxes of several kinds of piece, what they take, and the shopping list."""

from flask import Blueprint
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.boxes.assortment import Assortment
from hearth_bowl.formats.shopping_file import shopping_csv, shopping_text
from hearth_bowl.service import assortments as service

assortments = Blueprint("assortments", __name__, url_prefix="/api/assortments")


class AssortmentListOut(Outgoing):
    """All assortments, and what is usual of a new kind of piece."""

    assortments: list[service.StoredAssortment]
    usual: service.PieceAskUsual


class SaveAssortmentIn(Incoming):
    """An assortment's new state, made from the state of `revision`."""

    revision: int
    asked: service.AssortmentAsk


@assortments.get("")
@spec.validate(resp=Response(HTTP_200=AssortmentListOut), operation_id="listAssortments")
def list_assortments() -> AssortmentListOut:
    """List the assortments."""
    with database().reading() as session:
        found = service.list_assortments(session)
    return AssortmentListOut(assortments=found, usual=service.PieceAskUsual())


@assortments.post("")
@spec.validate(
    resp=Response(HTTP_201=service.StoredAssortment, HTTP_404=Problem, HTTP_422=Problem),
    operation_id="createAssortment",
)
def create_assortment(json: service.AssortmentAsk) -> tuple[service.StoredAssortment, int]:
    """Store a new assortment."""
    with database().writing() as session:
        stored = service.create_assortment(session, json, now())
    return stored, 201


@assortments.post("/plan")
@spec.validate(resp=Response(HTTP_200=Assortment, HTTP_404=Problem, HTTP_422=Problem), operation_id="planAssortment")
def plan_assortment(json: service.AssortmentAsk) -> Assortment:
    """Work out what an assortment takes. Nothing is stored."""
    with database().reading() as session:
        return service.plan(session, json)


@assortments.put("/<int:assortment_id>")
@spec.validate(
    resp=Response(HTTP_200=service.StoredAssortment, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveAssortment",
)
def save_assortment(assortment_id: int, json: SaveAssortmentIn) -> service.StoredAssortment:
    """Store an assortment's new state; refused when another save came between."""
    with database().writing() as session:
        return service.save_assortment(session, assortment_id, json.asked, json.revision, now())


@assortments.delete("/<int:assortment_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteAssortment")
def delete_assortment(assortment_id: int) -> tuple[str, int]:
    """Delete an assortment."""
    with database().writing() as session:
        service.delete_assortment(session, assortment_id)
    return "", 204


@assortments.get("/<int:assortment_id>/shopping.csv")
def shopping_as_csv(assortment_id: int) -> Answer:
    """Return the shopping list as CSV."""
    with database().reading() as session:
        stored = service.get_assortment(session, assortment_id)
        wanted = service.plan(session, stored.asked).shopping
    headers = {"Content-Disposition": 'attachment; filename="shopping.csv"'}
    return Answer(shopping_csv(wanted), content_type="text/csv; charset=utf-8", headers=headers)


@assortments.get("/<int:assortment_id>/shopping.txt")
def shopping_as_text(assortment_id: int) -> Answer:
    """Return the shopping list as plain text."""
    with database().reading() as session:
        stored = service.get_assortment(session, assortment_id)
        wanted = service.plan(session, stored.asked).shopping
    return Answer(shopping_text(wanted, stored.asked.name), content_type="text/plain; charset=utf-8")
