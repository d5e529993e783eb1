"""The daybook: planned and actual, batches laid over each other, the next change, photographs, files in and out."""

from typing import Final

from flask import Blueprint, request, send_file
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.learn.next_change import NextChange
from hearth_bowl.core.quantities import plain
from hearth_bowl.service import daybook as service
from hearth_bowl.service import daybook_files, photographs
from hearth_bowl.service.batches import Run

daybook = Blueprint("daybook", __name__, url_prefix="/api")
MOST_IDS: Final = 40


class BatchPageOut(Outgoing):
    """What the page of one batch shows besides its run: planned and actual, photographs, and what is worth trying."""

    planned: list[service.PlannedActual]
    photographs: list[photographs.Photograph]
    changes: list[NextChange]


class MakeVersionIn(Incoming):
    """Which of the changes becomes a version, from 0."""

    number: int


class LookAgainOut(Outgoing):
    """Batches that want a look."""

    batches: list[service.LookAgain]


class TakeInIn(Incoming):
    """Batches to take in: the content of a batch's JSON file, or a table as CSV."""

    json_file: str | None = None
    csv: str | None = None


class TakenInOut(Outgoing):
    """How many batches were taken in, and how many were there already."""

    taken: int
    there_already: int


@daybook.get("/batches/<int:batch_id>/page")
@spec.validate(resp=Response(HTTP_200=BatchPageOut, HTTP_404=Problem), operation_id="batchPage")
def batch_page(batch_id: int) -> BatchPageOut:
    """Return what is told of a batch besides its run."""
    with database().reading() as session:
        return BatchPageOut(
            planned=list(service.planned_and_actual(session, batch_id, now())),
            photographs=photographs.list_photographs(session, batch_id),
            changes=service.changes_after(session, batch_id, now()),
        )


@daybook.get("/batches/laid-over")
@spec.validate(
    resp=Response(HTTP_200=service.BatchesLaidOver, HTTP_404=Problem, HTTP_422=Problem), operation_id="layOver"
)
def lay_over() -> service.BatchesLaidOver:
    """Lay batches over each other: `ids`, with commas between them."""
    ids = request.args.get("ids", "").split(",")
    if len(ids) > MOST_IDS or not all(part.isascii() and part.isdigit() and len(part) < 19 for part in ids):
        raise BadInput(("ids",), "not the numbers of batches", "such as 3,5", "not-a-number")
    with database().reading() as session:
        return service.lay_over(session, [int(part) for part in ids], now())


@daybook.post("/batches/<int:batch_id>/again")
@spec.validate(resp=Response(HTTP_201=Run, HTTP_404=Problem), operation_id="makeAgain")
def make_again(batch_id: int) -> tuple[Run, int]:
    """Start a batch just as another was begun."""
    with database().writing() as session:
        run = service.make_again(session, batch_id, now())
    return run, 201


@daybook.post("/batches/<int:batch_id>/versions")
@spec.validate(resp=Response(HTTP_201=service.Made, HTTP_404=Problem, HTTP_422=Problem), operation_id="makeVersion")
def make_version(batch_id: int, json: MakeVersionIn) -> tuple[service.Made, int]:
    """Make a change that is worth trying a new version of the recipe."""
    with database().writing() as session:
        made = service.make_version(session, batch_id, json.number, now())
    return made, 201


@daybook.get("/batches/to-look-at")
@spec.validate(resp=Response(HTTP_200=LookAgainOut), operation_id="listToLookAt")
def to_look_at() -> LookAgainOut:
    """List the batches that want a look."""
    with database().reading() as session:
        return LookAgainOut(batches=service.to_look_at(session, now()))


@daybook.post("/batches/<int:batch_id>/photographs")
@spec.validate(
    resp=Response(HTTP_201=photographs.Photograph, HTTP_404=Problem, HTTP_422=Problem), operation_id="keepPhotograph"
)
def keep_photograph(batch_id: int) -> tuple[photographs.Photograph, int]:
    """Keep a photograph: the body is the picture itself."""
    folder = photographs.folder_of(database().path)
    small = photographs.smaller(request.get_data())
    with database().writing() as session:
        kept = photographs.keep_photograph(session, folder, batch_id, small, now())
    return kept, 201


@daybook.get("/photographs/<int:photograph_id>")
def get_photograph(photograph_id: int) -> Answer:
    """Return a photograph."""
    folder = photographs.folder_of(database().path)
    with database().reading() as session:
        file = photographs.photograph_file(session, folder, photograph_id)
    return send_file(file, mimetype="image/jpeg")


@daybook.delete("/photographs/<int:photograph_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deletePhotograph")
def delete_photograph(photograph_id: int) -> tuple[str, int]:
    """Delete a photograph, its file too."""
    folder = photographs.folder_of(database().path)
    with database().writing() as session:
        photographs.delete_photograph(session, folder, photograph_id)
    return "", 204


@daybook.get("/batches/daybook.csv")
def daybook_csv() -> Answer:
    """Return the daybook as CSV, a batch a row."""
    with database().reading() as session:
        text = plain(daybook_files.daybook_csv(session))
    headers = {"Content-Disposition": 'attachment; filename="daybook.csv"'}
    return Answer(text, content_type="text/csv; charset=utf-8", headers=headers)


@daybook.post("/batches/take-in")
@spec.validate(resp=Response(HTTP_200=TakenInOut, HTTP_422=Problem), operation_id="takeInBatches")
def take_in(json: TakeInIn) -> TakenInOut:
    """Take in batches from a file; one that is there already is not taken twice."""
    with database().writing() as session:
        if json.json_file is not None:
            taken, there = daybook_files.take_in_json(session, json.json_file.encode(), now())
        elif json.csv is not None:
            taken, there = daybook_files.take_in_csv(session, json.csv, now())
        else:
            raise BadInput(("json_file",), "is missing", "a batch's JSON file, or a table as CSV", "missing")
    return TakenInOut(taken=taken, there_already=there)
