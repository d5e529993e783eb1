"""Assortments: boxes of several kinds of piece, what they take, and the shopping list."""

from typing import Annotated

from flask import Blueprint
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.fit import AskIn, AskOut, FitOut
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import Incoming, Outgoing, plain, spec
from hearth_bowl.core.boxes.assortment import BoxRoom, OtherShell
from hearth_bowl.core.boxes.pours import Pour
from hearth_bowl.core.boxes.shopping import Buy
from hearth_bowl.formats.shopping_file import shopping_csv, shopping_text
from hearth_bowl.service import assortments as service

assortments = Blueprint("assortments", __name__, url_prefix="/api/assortments")


class PieceIn(Incoming):
    """One kind of piece: its recipe and vessel, how many go into a box, and what is asked of the vessel."""

    recipe_id: int
    vessel_id: int
    per_box: int
    spares: int = 0
    whole_moulds: bool = False
    ask: AskIn = AskIn()


class PieceOut(Outgoing):
    """One kind of piece as stored."""

    recipe_id: int
    vessel_id: int
    per_box: int
    spares: int
    whole_moulds: bool
    ask: AskOut


class AssortmentIn(Incoming):
    """So many boxes of so many kinds of piece."""

    name: Annotated[str, Field(min_length=1, max_length=200)]
    boxes: int
    pot_g: float | None = None
    box_vessel_id: int | None = None
    rows: list[PieceIn] = Field(default_factory=list, max_length=30)


class AssortmentOut(Outgoing):
    """An assortment as stored."""

    name: str
    boxes: int
    pot_g: float | None
    box_vessel_id: int | None
    rows: list[PieceOut]


class StoredAssortmentOut(Outgoing):
    """An assortment with its stored state."""

    id: int
    revision: int
    asked: AssortmentOut


class AssortmentListOut(Outgoing):
    """All assortments."""

    assortments: list[StoredAssortmentOut]


class SaveAssortmentIn(Incoming):
    """An assortment's new state, made from the state of `revision`."""

    revision: int
    asked: AssortmentIn


class RowOut(Outgoing):
    """What one kind of piece takes."""

    fit: FitOut
    pieces: int
    extra: int
    cost_per_piece: float | None
    other_shells: list[OtherShell]


class RecipeTotalOut(Outgoing):
    """One recipe over all rows that use it."""

    name: str
    batch_g: float
    scale: float


class PourPlanOut(Outgoing):
    """All pours of one chocolate, in the order that needs least in the pot."""

    chocolate: str
    pours: list[Pour]
    start_g: float
    refilled_g: float
    kept_g: float
    back_g: float
    turns: int
    shell_first: bool
    notes: list[str]


class ItemOut(Outgoing):
    """One ingredient of the shopping list."""

    label: str
    name: str
    needed_g: float
    in_house_g: float | None
    buy: list[Buy]
    buy_g: float
    left_g: float
    left_share: float
    cost: float | None


class ShoppingOut(Outgoing):
    """What to buy, what is there, and what it costs."""

    items: list[ItemOut]
    cost: float
    used_cost: float
    unpriced: list[str]


class PlanOut(Outgoing):
    """What all boxes take."""

    rows: list[RowOut]
    pieces: int
    recipes: list[RecipeTotalOut]
    pours: list[PourPlanOut]
    shopping: ShoppingOut
    cost_per_box: float | None
    box: BoxRoom | None


def _asked(asked: AssortmentIn) -> service.AssortmentAsk:
    return service.AssortmentAsk(
        name=asked.name,
        boxes=asked.boxes,
        pot_g=asked.pot_g,
        box_vessel_id=asked.box_vessel_id,
        rows=tuple(
            service.PieceAsk(
                recipe_id=row.recipe_id,
                vessel_id=row.vessel_id,
                per_box=row.per_box,
                spares=row.spares,
                whole_moulds=row.whole_moulds,
                ask=plain(row.ask),
            )
            for row in asked.rows
        ),
    )


@assortments.get("")
@spec.validate(resp=Response(HTTP_200=AssortmentListOut), operation_id="listAssortments")
def list_assortments() -> AssortmentListOut:
    """List the assortments."""
    with database().reading() as session:
        found = service.list_assortments(session)
    return AssortmentListOut(assortments=[StoredAssortmentOut.model_validate(row) for row in found])


@assortments.post("")
@spec.validate(
    resp=Response(HTTP_201=StoredAssortmentOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="createAssortment"
)
def create_assortment(json: AssortmentIn) -> tuple[StoredAssortmentOut, int]:
    """Store a new assortment."""
    with database().writing() as session:
        stored = service.create_assortment(session, _asked(json), now())
    return StoredAssortmentOut.model_validate(stored), 201


@assortments.post("/plan")
@spec.validate(resp=Response(HTTP_200=PlanOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="planAssortment")
def plan_assortment(json: AssortmentIn) -> PlanOut:
    """Work out what an assortment takes. Nothing is stored."""
    with database().reading() as session:
        return PlanOut.model_validate(service.plan(session, _asked(json)))


@assortments.put("/<int:assortment_id>")
@spec.validate(
    resp=Response(HTTP_200=StoredAssortmentOut, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveAssortment",
)
def save_assortment(assortment_id: int, json: SaveAssortmentIn) -> StoredAssortmentOut:
    """Store an assortment's new state; refused when another save came between."""
    with database().writing() as session:
        stored = service.save_assortment(session, assortment_id, _asked(json.asked), json.revision, now())
    return StoredAssortmentOut.model_validate(stored)


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
