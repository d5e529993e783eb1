"""Confections: put together, worked out, kept, and as a file."""

from dataclasses import replace
from datetime import date
from typing import Annotated, Any

from flask import Blueprint, jsonify, request
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import LARGEST_ID, database, in_own_units, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.confection.confection import AMOUNTS_OF, FORM_FIELDS, ONCE, ROLES_OF
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import USUAL_WALLS, Usual
from hearth_bowl.core.fit.marking import Guide
from hearth_bowl.formats.confection_file import LabelAnswer
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.formats.method_answer import MethodAnswer, cautions_in
from hearth_bowl.service import confection_moves as moves
from hearth_bowl.service import confection_sizes as sizes
from hearth_bowl.service import confections as service
from hearth_bowl.service.cards import LookedAt, look_at
from hearth_bowl.service.made_list import MadeInList, find_made
from hearth_bowl.service.recipes import StoredRecipe
from hearth_bowl.service.taken_in import take_in

confections = Blueprint("confections", __name__, url_prefix="/api/confections")


class ConfectionListOut(Outgoing):
    """All confections."""

    confections: list[service.StoredConfection]


class ConfectionOptionsOut(Outgoing):
    """Roles and fields of each form, the measures of each role, and usual walls of a shell [mm]."""

    roles: dict[str, list[str]]
    amounts: dict[str, list[str]]
    form_fields: dict[str, list[str]]
    usual: dict[str, service.PartAsk]
    once: list[str]
    walls: list[Usual]


class SaveConfectionIn(Incoming):
    """A confection's new state, made from the state of `revision`."""

    revision: int
    asked: service.ConfectionAsk


class ConfectionLabelOut(Outgoing):
    """What belongs on a label."""

    label: LabelAnswer


class ConfectionLabelIn(Incoming):
    """A confection as it is put together, the day it was made, and how many pieces are packed (all, where not said)."""

    asked: service.ConfectionAsk
    made: date
    pieces: int | None = None


class ConfectionMethodIn(Incoming):
    """A confection as it is put together, and the schools chosen, by the name of the choice."""

    asked: service.ConfectionAsk
    choices: dict[str, str] = Field(default_factory=dict)


class ConfectionMethodOut(Outgoing):
    """How it is made: every act, with this batch's grams; a caution's words stand by its code."""

    method: MethodAnswer
    cautions: dict[str, str]


class AnotherConfectionIn(Incoming):
    """A confection as it is put together, and another vessel by its id or another chocolate by its key."""

    asked: service.ConfectionAsk
    vessel: int | None = None
    chocolate: str | None = None


class SharedTinIn(Incoming):
    """A confection as it is put together, and the tin that its two layers share [g]; a usual one where none is said."""

    asked: service.ConfectionAsk
    tin_g: float | None = None


class TakeSharedTinIn(Incoming):
    """A tin [g], or a usual one, for the two layers of the confection as it was stored at `revision`."""

    revision: int
    tin_g: float | None = None


@confections.get("")
@spec.validate(resp=Response(HTTP_200=ConfectionListOut), operation_id="listConfections")
def list_confections() -> ConfectionListOut:
    """List the confections."""
    with database().reading() as session:
        return ConfectionListOut(confections=service.list_confections(session))


class FindMadeIn(Incoming):
    """Words that all stand in what is made or in its mixes."""

    words: Annotated[str, Field(max_length=200)] = ""
    after: Annotated[int, Field(ge=1, le=LARGEST_ID)] | None = None


class FoundMadeOut(Outgoing):
    """A page of what can be made, the newest first; `after` asks for the next page, null after the last."""

    made: list[MadeInList]
    after: int | None


@confections.post("/find")
@spec.validate(resp=Response(HTTP_200=FoundMadeOut, HTTP_422=Problem), operation_id="findMade")
def find_what_is_made(json: FindMadeIn) -> FoundMadeOut:
    """Find what can be made by its name, or by what is in its mixes."""
    with database().reading() as session:
        made, after = find_made(session, json.words, json.after)
    return FoundMadeOut(made=made, after=after)


@confections.get("/options")
@spec.validate(resp=Response(HTTP_200=ConfectionOptionsOut), operation_id="confectionOptions")
def confection_options() -> ConfectionOptionsOut:
    """Say what may be put together."""
    return ConfectionOptionsOut(
        roles={kind: list(roles) for kind, roles in ROLES_OF.items()},
        amounts={role: list(names) for role, names in AMOUNTS_OF.items()},
        form_fields={kind: sorted(names) for kind, names in FORM_FIELDS.items()},
        usual=dict(service.USUAL_PARTS),
        once=sorted(ONCE),
        walls=list(USUAL_WALLS),
    )


@confections.post("")
@spec.validate(
    resp=Response(HTTP_201=service.StoredConfection, HTTP_404=Problem, HTTP_422=Problem),
    operation_id="createConfection",
)
def create_confection(json: service.ConfectionAsk) -> tuple[service.StoredConfection, int]:
    """Store a new confection."""
    with database().writing() as session:
        return service.create_confection(session, json, now()), 201


class TakeInIn(Incoming):
    """The text of a confection file, or of several recipes under headings, and whose spoons and cups are meant."""

    text: Annotated[str, Field(min_length=1, max_length=1_000_000)]
    measure: str = "metric"


@confections.post("/take-in")
@spec.validate(resp=Response(HTTP_201=service.StoredConfection, HTTP_422=Problem), operation_id="takeInConfection")
def take_in_confection(json: TakeInIn) -> tuple[service.StoredConfection, int]:
    """Store the confection of a file or of a text of several parts, with its recipes and vessel."""
    with database().writing() as session:
        return take_in(session, json.text, json.measure, now()), 201


@confections.post("/work-out")
@spec.validate(
    resp=Response(HTTP_200=service.WorkedConfection, HTTP_404=Problem, HTTP_422=Problem),
    operation_id="workOutConfection",
)
def work_out_confection(json: service.ConfectionAsk) -> service.WorkedConfection:
    """Work a confection out. Nothing is stored."""
    with database().reading() as session:
        return service.work_out_confection(session, json, now())


class ConfectionFileIn(Incoming):
    """A confection file's content."""

    confection: dict[str, Any]


@confections.post("/look")
@spec.validate(resp=Response(HTTP_200=LookedAt, HTTP_422=Problem), operation_id="lookAtConfection")
def look_at_confection(json: ConfectionFileIn) -> LookedAt:
    """Work a confection file out. Nothing is stored."""
    with database().reading() as session:
        return look_at(session, json.confection)


@confections.post("/label")
@spec.validate(
    resp=Response(HTTP_200=ConfectionLabelOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="labelConfection"
)
def label_confection(json: ConfectionLabelIn) -> ConfectionLabelOut:
    """Say what belongs on the label. Nothing is stored."""
    with database().reading() as session:
        return ConfectionLabelOut(label=service.label_confection(session, json.asked, json.made, json.pieces))


@confections.post("/method")
@spec.validate(
    resp=Response(HTTP_200=ConfectionMethodOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="methodOfConfection"
)
def method_of_confection(json: ConfectionMethodIn) -> ConfectionMethodOut:
    """Say how a confection is made, act by act. Nothing is stored."""
    with database().reading() as session:
        method = service.method_of(session, json.asked, json.choices, now())
    return ConfectionMethodOut(method=method, cautions=cautions_in(method))


@confections.post("/another")
@spec.validate(
    resp=Response(HTTP_200=moves.AnotherConfection, HTTP_404=Problem, HTTP_422=Problem),
    operation_id="anotherConfection",
)
def another_confection(json: AnotherConfectionIn) -> moves.AnotherConfection:
    """Make the same confection in another vessel, or with another chocolate round it. Nothing is stored."""
    if json.vessel is None:
        if json.chocolate is None:
            raise BadInput(("vessel",), "nothing else is chosen", "another vessel, or another chocolate", "missing")
        return moves.in_another_chocolate(json.asked, json.chocolate)
    with database().reading() as session:
        return moves.in_another_form(session, json.asked, json.vessel)


class NearConfectionsOut(Outgoing):
    """The confection at other sizes, the nearest first."""

    near: list[sizes.NearAsk]


@confections.post("/near")
@spec.validate(
    resp=Response(HTTP_200=NearConfectionsOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="nearConfections"
)
def near_confections(json: service.ConfectionAsk) -> NearConfectionsOut:
    """Return sizes that use whole packs, the recipe as it is, or whole moulds. Nothing is stored."""
    with database().reading() as session:
        return NearConfectionsOut(near=sizes.near_confections(session, json))


class OtherVesselsOut(Outgoing):
    """The same batch in the other vessels, the best suited first."""

    vessels: list[sizes.OtherVesselAsk]


@confections.post("/vessels")
@spec.validate(resp=Response(HTTP_200=OtherVesselsOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="otherVessels")
def other_vessels(json: service.ConfectionAsk) -> OtherVesselsOut:
    """Return what the batch of a confection makes of every other vessel. Nothing is stored."""
    with database().reading() as session:
        return OtherVesselsOut(vessels=sizes.other_vessels_of(session, json))


class UseAmountsIn(Incoming):
    """One of the confection's recipes, in its state of `revision`."""

    recipe_id: Annotated[int, Field(ge=1, le=LARGEST_ID)]
    revision: int


@confections.put("/<int:confection_id>/amounts")
@spec.validate(
    resp=Response(HTTP_200=StoredRecipe, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="useAmounts",
)
def use_amounts(confection_id: int, json: UseAmountsIn) -> StoredRecipe:
    """Store what the confection takes of a recipe as the recipe's own amounts."""
    with database().writing() as session:
        return sizes.use_amounts(session, confection_id, json.recipe_id, json.revision, now())


@confections.post("/shared-tin")
@spec.validate(resp=Response(HTTP_200=moves.SharedTin, HTTP_404=Problem, HTTP_422=Problem), operation_id="shareTin")
def share_tin(json: SharedTinIn) -> moves.SharedTin:
    """Share one tin over two layers, so that both set alike. Nothing is stored."""
    with database().reading() as session:
        return moves.share_one_tin(session, json.asked, json.tin_g)


@confections.put("/<int:confection_id>/shared-tin")
@spec.validate(
    resp=Response(HTTP_200=service.StoredConfection, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="takeSharedTin",
)
def take_shared_tin(confection_id: int, json: TakeSharedTinIn) -> service.StoredConfection:
    """Store a tin shared over two layers: the parts' masses, and the recipes' amounts, with a version of what was."""
    with database().writing() as session:
        return moves.take_shared_tin(session, confection_id, json.revision, json.tin_g, now())


@confections.get("/<int:confection_id>")
@spec.validate(resp=Response(HTTP_200=service.StoredConfection, HTTP_404=Problem), operation_id="getConfection")
def get_confection(confection_id: int) -> service.StoredConfection:
    """Return a confection."""
    with database().reading() as session:
        return service.get_confection(session, confection_id)


@confections.put("/<int:confection_id>")
@spec.validate(
    resp=Response(HTTP_200=service.StoredConfection, HTTP_404=Problem, HTTP_409=Problem, HTTP_422=Problem),
    operation_id="saveConfection",
)
def save_confection(confection_id: int, json: SaveConfectionIn) -> service.StoredConfection:
    """Store a confection's new state; refused when another save came between."""
    with database().writing() as session:
        return service.save_confection(session, confection_id, json.asked, json.revision, now())


@confections.delete("/<int:confection_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteConfection")
def delete_confection(confection_id: int) -> tuple[str, int]:
    """Delete a confection; its recipes and vessel stay."""
    with database().writing() as session:
        service.delete_confection(session, confection_id)
    return "", 204


@confections.get("/<int:confection_id>/confection.json")
def confection_as_file(confection_id: int) -> Answer:
    """Return a confection as a file with everything in it."""
    with database().reading() as session:
        answer = jsonify(service.confection_record(session, confection_id))
    answer.headers["Content-Disposition"] = 'attachment; filename="confection.json"'
    return answer


@confections.get("/<int:confection_id>/guide.svg")
def guide_as_svg(confection_id: int) -> Answer:
    """Return the marking guide of a slab at true scale as SVG."""
    return Answer(guide_svg(*_guide(confection_id)), content_type="image/svg+xml")


@confections.get("/<int:confection_id>/guide.pdf")
def guide_as_pdf(confection_id: int) -> Answer:
    """Return the marking guide of a slab at true scale as PDF."""
    headers = {"Content-Disposition": 'inline; filename="marking-guide.pdf"'}
    return Answer(
        guide_pdf(*_guide(confection_id), request.args.get("page", "a4")),
        content_type="application/pdf",
        headers=headers,
    )


def _guide(confection_id: int) -> tuple[Guide, str]:
    with database().reading() as session:
        name, guide = moves.marking_guide_of(session, confection_id)
    return replace(guide, says=in_own_units(guide.says)), name
