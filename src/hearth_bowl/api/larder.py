"""Larder: own ingredients, packs with prices, what is in the house; in and out as CSV."""

from dataclasses import asdict

from flask import Blueprint
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import OwnIngredientIn, OwnIngredientOut
from hearth_bowl.api.spec import Incoming, Outgoing, plain, spec
from hearth_bowl.formats.larder_csv import read_larder, write_larder
from hearth_bowl.service import larder as service

larder = Blueprint("larder", __name__, url_prefix="/api/larder")


class PackIn(Incoming):
    """A pack of another size, and its price where it is known."""

    pack_g: float
    price: float | None = None


class PackOut(Outgoing):
    """A pack of another size."""

    pack_g: float
    price: float | None


class LarderItemIn(Incoming):
    """One ingredient: of the library by its key, or the person's own with its record."""

    label: str
    ingredient: OwnIngredientIn | None = None
    pack_g: float | None = None
    price: float | None = None
    country: str = ""
    in_house_g: float | None = None
    other_packs: list[PackIn] | None = None


class LarderItemOut(Outgoing):
    """One ingredient of the larder."""

    label: str
    name: str
    ingredient: OwnIngredientOut | None
    pack_g: float | None
    price: float | None
    country: str
    in_house_g: float | None
    other_packs: list[PackOut]


class LarderOut(Outgoing):
    """The larder."""

    items: list[LarderItemOut]


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
    return LarderOut(items=[LarderItemOut.model_validate(item) for item in items])


@larder.put("")
@spec.validate(resp=Response(HTTP_200=LarderItemOut, HTTP_422=Problem), operation_id="saveLarderItem")
def save_item(json: LarderItemIn) -> LarderItemOut:
    """Store one ingredient of the larder."""
    with database().writing() as session:
        return LarderItemOut.model_validate(service.save_item(session, **plain(json)))


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
