"""Keep and the shelf: how a confection is kept, what was made and lies there, and its printed labels."""

from dataclasses import fields
from datetime import date
from typing import Any, Final

from flask import Blueprint, request
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, in_own_units, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Outgoing
from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.label_sheet import USUAL_SHEETS, Sheet, label_svg, labels_pdf, usual_sheet
from hearth_bowl.service import shelf as service

shelf = Blueprint("shelf", __name__, url_prefix="/api")
MOST_LINE: Final = 300
MEASURES: Final = ("width_mm", "height_mm", "gap_x_mm", "gap_y_mm", "left_mm", "top_mm")


class KeepOut(Outgoing):
    """The confections that a recipe goes into, with how each is kept, and the makings of them."""

    confections: list[service.KeptConfection]
    makings: list[service.Making]


class MakingOut(Outgoing):
    """A making."""

    making: service.Making


class LabelSheetsOut(Outgoing):
    """The sheets of labels that one begins from, by page and shape."""

    sheets: list[Sheet]


@shelf.get("/recipes/<int:recipe_id>/keep")
@spec.validate(resp=Response(HTTP_200=KeepOut, HTTP_404=Problem), operation_id="keepOfRecipe")
def keep_of_recipe(recipe_id: int) -> KeepOut:
    """Say how the confections are kept that a recipe goes into, and what lies there of them."""
    with database().reading() as session:
        kept = service.keep_of_recipe(session, recipe_id)
        ids = {row.confection_id for row in kept}
        lies = service.list_shelf(session, _today())
    return KeepOut(confections=kept, makings=[row for row in lies.there if row.confection_id in ids])


@shelf.get("/shelf")
@spec.validate(resp=Response(HTTP_200=service.Shelf), operation_id="listShelf")
def list_shelf() -> service.Shelf:
    """List everything that was made."""
    with database().reading() as session:
        return service.list_shelf(session, _today())


@shelf.post("/shelf")
@spec.validate(resp=Response(HTTP_201=MakingOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="addMaking")
def add_making(json: service.NewMaking) -> tuple[MakingOut, int]:
    """Put what was made on the shelf."""
    with database().writing() as session:
        making_id = service.add_making(session, json, now())
        return MakingOut(making=service.get_making(session, making_id, _today())), 201


@shelf.get("/shelf/<int:making_id>")
@spec.validate(resp=Response(HTTP_200=MakingOut, HTTP_404=Problem), operation_id="getMaking")
def get_making(making_id: int) -> MakingOut:
    """Return a making."""
    with database().reading() as session:
        return MakingOut(making=service.get_making(session, making_id, _today()))


@shelf.post("/shelf/<int:making_id>/moves")
@spec.validate(resp=Response(HTTP_201=MakingOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="moveMaking")
def move_making(making_id: int, json: service.NewMove) -> tuple[MakingOut, int]:
    """Note what happened to a making."""
    with database().writing() as session:
        return MakingOut(making=service.move_making(session, making_id, json, _today())), 201


@shelf.delete("/shelf/<int:making_id>/moves/<int:move_id>")
@spec.validate(resp=Response(HTTP_200=MakingOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="takeBackMove")
def take_back_move(making_id: int, move_id: int) -> MakingOut:
    """Take the last note of a making back."""
    with database().writing() as session:
        return MakingOut(making=service.take_back_move(session, making_id, move_id, _today()))


@shelf.delete("/shelf/<int:making_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteMaking")
def delete_making(making_id: int) -> tuple[str, int]:
    """Delete a making."""
    with database().writing() as session:
        service.delete_making(session, making_id)
    return "", 204


@shelf.get("/label-sheets")
@spec.validate(resp=Response(HTTP_200=LabelSheetsOut), operation_id="labelSheets")
def label_sheets() -> LabelSheetsOut:
    """Return the sheets of labels that one begins from."""
    return LabelSheetsOut(sheets=list(USUAL_SHEETS))


@shelf.get("/confections/<int:confection_id>/labels.pdf")
@shelf.get("/confections/<int:confection_id>/label.svg", defaults={"as_svg": True})
def confection_labels(confection_id: int, *, as_svg: bool = False) -> Answer:
    """Return printed labels of a confection: a sheet as PDF, or one as SVG."""
    made = request.args.get("made", _today().isoformat())
    try:
        day = date.fromisoformat(made)
    except ValueError:
        raise BadInput(("made",), f"no day: {made[:40]!r}", "a day such as 2026-08-12", "not-allowed") from None
    with database().reading() as session:
        found = service.label_to_print(session, confection_id, day, _whole("pieces"), _whole("occasion"), **_besides())
    return _labels(found, as_svg)


@shelf.get("/shelf/<int:making_id>/labels.pdf")
@shelf.get("/shelf/<int:making_id>/label.svg", defaults={"as_svg": True})
def making_labels(making_id: int, *, as_svg: bool = False) -> Answer:
    """Return printed labels of a making, as it was on its day: a sheet as PDF, or one as SVG."""
    with database().reading() as session:
        found = service.label_of_making(session, making_id, _whole("pieces"), **_besides())
    return _labels(found, as_svg)


def _labels(found: service.PrintedLabel, as_svg: bool) -> Answer:
    label, sheet = found.label, _sheet()
    label["keep"] = in_own_units(label["keep"])
    label["cautions"] = [in_own_units(words) for words in label["cautions"]]
    if as_svg:
        return Answer(label_svg(label, sheet, found.besides), content_type="image/svg+xml")
    count = _whole("count")
    body = labels_pdf(label, sheet, sheet.rows * sheet.columns if count is None else count, found.besides)
    headers = {"Content-Disposition": 'inline; filename="labels.pdf"'}
    return Answer(body, content_type="application/pdf", headers=headers)


def _besides() -> dict[str, Any]:
    line = request.args.get("line", "")
    if len(line) > MOST_LINE:
        raise BadInput(("line",), f"{len(line)} signs", f"up to {MOST_LINE}", "too-large")
    return {"line": line, "says_energy": request.args.get("energy") == "true"}


def _sheet() -> Sheet:
    """Return the sheet that is asked for: a usual one of its page and shape, with the measures that are given."""
    usual = usual_sheet(request.args.get("page", "a4"), request.args.get("shape", "square"))
    said: dict[str, Any] = {one.name: getattr(usual, one.name) for one in fields(usual)}
    for name in MEASURES:
        said[name] = _figure(name, said[name])
    for name in ("rows", "columns"):
        given = _whole(name)
        said[name] = said[name] if given is None else given
    return Sheet(**said)


def _figure(name: str, usual: float) -> float:
    given = request.args.get(name)
    if given is None:
        return usual
    try:
        return float(given)
    except ValueError:
        raise BadInput((name,), f"no figure: {given[:40]!r}", "mm, such as 63.5", "not-a-number") from None


def _whole(name: str) -> int | None:
    given = request.args.get(name)
    if given is None:
        return None
    if not (given.isascii() and given.isdigit() and len(given) < 9):
        raise BadInput((name,), f"no whole figure: {given[:40]!r}", "a whole figure", "not-a-number")
    return int(given)


def _today() -> date:
    """Return today on the kitchen's own clock."""
    return now().astimezone().date()
