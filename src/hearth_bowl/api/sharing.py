"""Shared: as a file and as text to send, and what someone sent, looked at and taken in."""

from typing import Annotated

from flask import Blueprint, jsonify
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES
from hearth_bowl.service import sharing as service

sharing = Blueprint("sharing", __name__, url_prefix="/api")


class SharedFileIn(Incoming):
    """The content of a file that someone sent."""

    text: Annotated[str, Field(min_length=1, max_length=LARGEST_FILE_BYTES)]


class TakeSharedIn(SharedFileIn):
    """And what is to be done with recipes of which another is there: `both` or `mine`, by name."""

    choices: dict[str, str] = Field(default_factory=dict)


class SharedTextOut(Outgoing):
    """A text to send."""

    text: str


@sharing.get("/recipes/<int:recipe_id>/shared.json")
def recipe_as_shared(recipe_id: int) -> Answer:
    """Return a recipe as a file to send."""
    with database().reading() as session:
        return _as_file(jsonify(service.shared_recipe(session, recipe_id)), "recipe-to-send.json")


@sharing.get("/confections/<int:confection_id>/shared.json")
def confection_as_shared(confection_id: int) -> Answer:
    """Return a confection as a file to send, with everything in it."""
    with database().reading() as session:
        return _as_file(jsonify(service.shared_confection(session, confection_id)), "confection-to-send.json")


def _as_file(answer: Answer, name: str) -> Answer:
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer


@sharing.get("/recipes/<int:recipe_id>/shared-text")
@spec.validate(resp=Response(HTTP_200=SharedTextOut, HTTP_404=Problem), operation_id="recipeAsText")
def recipe_as_text(recipe_id: int) -> SharedTextOut:
    """Return a recipe as a text to send."""
    with database().reading() as session:
        return SharedTextOut(text=service.recipe_text(session, recipe_id, now()))


@sharing.get("/confections/<int:confection_id>/shared-text")
@spec.validate(resp=Response(HTTP_200=SharedTextOut, HTTP_404=Problem), operation_id="confectionAsText")
def confection_as_text(confection_id: int) -> SharedTextOut:
    """Return a confection as a text to send."""
    with database().reading() as session:
        return SharedTextOut(text=service.confection_text(session, confection_id, now()))


@sharing.post("/shared/look")
@spec.validate(resp=Response(HTTP_200=service.Arrival, HTTP_422=Problem), operation_id="lookAtShared")
def look_at_shared(json: SharedFileIn) -> service.Arrival:
    """Say what a file brings, and what of it is there already. Nothing is stored."""
    with database().reading() as session:
        return service.look_at_shared(session, json.text.encode())


@sharing.post("/shared")
@spec.validate(resp=Response(HTTP_201=service.TakenIn, HTTP_422=Problem), operation_id="takeShared")
def take_shared(json: TakeSharedIn) -> tuple[service.TakenIn, int]:
    """Take in what someone sent."""
    with database().writing() as session:
        return service.take_shared(session, json.text.encode(), json.choices, now()), 201
