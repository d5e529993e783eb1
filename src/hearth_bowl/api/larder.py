"""Larder: own ingredients, packs with prices, what is in the house; in and out as CSV."""

from dataclasses import asdict

from flask import Blueprint
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import OwnIngredientIn
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing, plain
from hearth_bowl.core.boxes.shopping import PackFor
from hearth_bowl.formats.larder_csv import read_larder, write_larder
from hearth_bowl.service import larder as service

larder = Blueprint("larder", __name__, url_prefix="/api/larder")


class LarderItemIn(Incoming):
    """One ingredient: of the library by its key, or the person's own with its record.

    `answers` say what could hurt in an own one, by the library's questions.
    """

    label: str
    ingredient: OwnIngredientIn | None = None
    answers: dict[str, str] | None = None
    pack_g: float | None = None
    price: float | None = None
    country: str = ""
    in_house_g: float | None = None
    other_packs: list[PackFor] | None = None


class LarderOut(Outgoing):
    """The larder."""

    items: list[service.LarderItem]


class LarderCsvIn(Incoming):
    """Rows as CSV text."""

    csv: str


class ImportedOut(Outgoing):
    """How many rows were taken."""

    taken: int


class LabelOfItemIn(Incoming):
    """Which ingredient to take out."""

    label: str


@larder.get("")
@spec.validate(resp=Response(HTTP_200=LarderOut), operation_id="listLarder")
def list_larder() -> LarderOut:
    """List the larder."""
    with database().reading() as session:
        items = service.list_larder(session)
    return LarderOut(items=items)


@larder.put("")
@spec.validate(resp=Response(HTTP_200=service.LarderItem, HTTP_422=Problem), operation_id="saveLarderItem")
def save_item(json: LarderItemIn) -> service.LarderItem:
    """Store one ingredient of the larder."""
    with database().writing() as session:
        return service.save_item(session, **plain(json))


class MakeKnownIn(Incoming):
    """An ingredient that the library does not have: its name, what it is like, and its allergens by name (null: those
    of what it is like)."""

    name: str
    like: str
    allergens: list[str] | None = None


@larder.post("/known")
@spec.validate(resp=Response(HTTP_200=service.LarderItem, HTTP_422=Problem), operation_id="makeKnown")
def make_known(json: MakeKnownIn) -> service.LarderItem:
    """Make an ingredient known by what it is like."""
    with database().writing() as session:
        return service.make_known(session, json.name, json.like, json.allergens)


@larder.post("/take-out")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteLarderItem")
def delete_item(json: LabelOfItemIn) -> tuple[str, int]:
    """Take an ingredient out; recipes that hold it keep it."""
    with database().writing() as session:
        service.delete_item(session, json.label)
    return "", 204


@larder.get("/larder.csv")
def export_csv() -> Answer:
    """Return the larder as CSV."""
    with database().reading() as session:
        text = write_larder([asdict(item) for item in service.list_larder(session)])
    headers = {"Content-Disposition": "attachment; filename=larder.csv"}
    return Answer(text, content_type="text/csv; charset=utf-8", headers=headers)


@larder.post("/csv")
@spec.validate(resp=Response(HTTP_200=ImportedOut, HTTP_422=Problem), operation_id="importLarder")
def import_csv(json: LarderCsvIn) -> ImportedOut:
    """Take in rows of CSV, all or none."""
    rows = read_larder(json.csv)
    with database().writing() as session:
        return ImportedOut(taken=service.save_all(session, rows))
