"""Pages to print, each as PDF on `?page=a4` or `letter`."""

from collections.abc import Callable
from dataclasses import replace

from flask import Blueprint, request
from flask import Response as Answer
from sqlalchemy.orm import Session

from hearth_bowl.api.context import database, in_own_units, now
from hearth_bowl.formats.printed import Block, Heading, Printed, Rows, Text, printed_pdf
from hearth_bowl.service import prints as service
from hearth_bowl.service.moments import wall_of

prints = Blueprint("prints", __name__, url_prefix="/api")


@prints.get("/recipes/<int:recipe_id>/card.pdf")
def recipe_card(recipe_id: int) -> Answer:
    """Return a recipe's card."""
    return _answer(lambda session: service.card_page(session, recipe_id, now()), "recipe")


@prints.get("/occasions/<int:occasion_id>/order.pdf")
def order(occasion_id: int) -> Answer:
    """Return an occasion's running order, to hang up."""
    return _answer(lambda session: service.order_page(session, occasion_id, wall_of(now())), "running-order")


@prints.get("/occasions/<int:occasion_id>/shopping.pdf")
def shopping(occasion_id: int) -> Answer:
    """Return an occasion's shopping list."""
    return _answer(lambda session: service.shopping_page(session, occasion_id), "shopping")


@prints.get("/occasions/<int:occasion_id>/box-card.pdf")
def box_card(occasion_id: int) -> Answer:
    """Return a card that names each piece of a box in its place."""
    return _answer(lambda session: service.box_card_page(session, occasion_id), "box-card")


@prints.get("/batches/<int:batch_id>/page.pdf")
def batch(batch_id: int) -> Answer:
    """Return a page of the daybook."""
    return _answer(lambda session: service.batch_page(session, batch_id, now()), "daybook")


def _answer(made: Callable[[Session], Printed], name: str) -> Answer:
    with database().reading() as session:
        printed = made(session)
    said = replace(
        printed, under=in_own_units(printed.under), blocks=tuple(_in_own_units(block) for block in printed.blocks)
    )
    body = printed_pdf(said, request.args.get("page", "a4"))
    headers = {"Content-Disposition": f'inline; filename="{name}.pdf"'}
    return Answer(body, content_type="application/pdf", headers=headers)


def _in_own_units(block: Block) -> Block:
    match block:
        case Heading() | Text():
            return replace(block, text=in_own_units(block.text))
        case Rows():
            return replace(block, cells=tuple(tuple(in_own_units(text) for text in row) for row in block.cells))
        case _:
            return block
