"""The running order of an occasion: planned, followed, tried with other wishes, and as a calendar."""

from datetime import datetime
from typing import Annotated, cast

from flask import Blueprint, current_app
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming
from hearth_bowl.service import at_table as table
from hearth_bowl.service import order_runs
from hearth_bowl.service import running_order as service
from hearth_bowl.service import what_if as what_ifs
from hearth_bowl.service.moments import wall_of
from hearth_bowl.service.occasions import OccasionAsk
from hearth_bowl.service.planner import Planner
from hearth_bowl.service.seeking import Seeking

running_order = Blueprint("running_order", __name__, url_prefix="/api/occasions")
EFFORT = {"quick": 0.0, "best": 1.0}


class PlanIn(Incoming):
    """How much is put into it: the first order that is found, or the best within its seconds."""

    effort: str = "best"


class HappenedIn(Incoming):
    """What happened of a task: begun, done or undone, perhaps not just now."""

    task: Annotated[str, Field(max_length=200)]
    what: Annotated[str, Field(max_length=20)]
    at: datetime | None = None


class WhatIfIn(Incoming):
    """An occasion with one wish otherwise."""

    asked: OccasionAsk
    change: Annotated[str, Field(max_length=40)]


@running_order.get("/<int:occasion_id>/order")
@spec.validate(resp=Response(HTTP_200=service.RunningOrder, HTTP_404=Problem), operation_id="getOrder")
def get_order(occasion_id: int) -> service.RunningOrder:
    """Return the order that is followed, as it stands now."""
    with database().writing() as session:
        order_runs.runs_report(session, occasion_id, _wall_now())
        return service.get_order(session, occasion_id, _wall_now())


@running_order.post("/<int:occasion_id>/order")
@spec.validate(
    resp=Response(HTTP_200=service.RunningOrder, HTTP_404=Problem, HTTP_422=Problem), operation_id="planOrder"
)
def plan_order(occasion_id: int, json: PlanIn) -> service.RunningOrder:
    """Plan an occasion round what has happened, and follow that order from now on.

    An order that is no longer wanted when it is found is not kept: the one that there is stands.
    """
    number = _seeking().begin(occasion_id)
    with database().writing() as session:
        order_runs.runs_report(session, occasion_id, _wall_now())
        record = service.to_plan(session, occasion_id, _wall_now())
    effort = EFFORT["best"] if record.get("happened") else EFFORT.get(json.effort, EFFORT["best"])
    answer = _planner().plan(record, effort)
    with database().writing() as session:
        if _seeking().is_wanted(occasion_id, number):
            service.keep_order(session, occasion_id, answer, _wall_now())
        return service.get_order(session, occasion_id, _wall_now())


@running_order.post("/<int:occasion_id>/order/settle")
@spec.validate(resp=Response(HTTP_200=service.RunningOrder, HTTP_404=Problem), operation_id="settleOrder")
def settle_order(occasion_id: int) -> service.RunningOrder:
    """Let the order that there is stand: a better one that is still looked for is not kept."""
    _seeking().settle(occasion_id)
    with database().reading() as session:
        return service.get_order(session, occasion_id, _wall_now())


@running_order.delete("/<int:occasion_id>/order")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="forgetOrder")
def forget_order(occasion_id: int) -> tuple[str, int]:
    """Forget the order and what has happened of it."""
    with database().writing() as session:
        service.forget_order(session, occasion_id)
    return "", 204


@running_order.post("/<int:occasion_id>/order/happened")
@spec.validate(
    resp=Response(HTTP_200=service.RunningOrder, HTTP_404=Problem, HTTP_422=Problem), operation_id="taskHappened"
)
def task_happened(occasion_id: int, json: HappenedIn) -> service.RunningOrder:
    """Note what happened of a task. An order that is looked for knows nothing of it, and is not kept."""
    _seeking().settle(occasion_id)
    with database().writing() as session:
        service.happen(session, occasion_id, json.task, json.what, json.at, _wall_now(), is_timed=True)
        order_runs.tell_runs(session, occasion_id, _wall_now())
        return service.get_order(session, occasion_id, _wall_now())


@running_order.post("/what-if")
@spec.validate(resp=Response(HTTP_200=what_ifs.WhatIf, HTTP_404=Problem, HTTP_422=Problem), operation_id="whatIf")
def what_if(json: WhatIfIn) -> what_ifs.WhatIf:
    """Say what an order would be with one wish otherwise. Nothing is stored."""
    with database().reading() as session:
        asked = what_ifs.with_change(json.asked, json.change)
        at = service.clock_of(asked, [], _wall_now())
        record = service.occasion_record(session, asked, at, more_moulds=int(json.change == "mould"))
    taken = None if json.change == "mould" else asked
    return what_ifs.what_if(_planner().plan(record, EFFORT["best"]), taken)


@running_order.post("/served")
@spec.validate(resp=Response(HTTP_200=table.Served, HTTP_404=Problem, HTTP_422=Problem), operation_id="served")
def served(json: OccasionAsk) -> table.Served:
    """Say how the pieces stand at the table, and who may eat which. Nothing is stored."""
    with database().reading() as session:
        return table.served(session, json)


@running_order.get("/<int:occasion_id>/order.ics")
def order_as_calendar(occasion_id: int) -> Answer:
    """Return the order as a calendar."""
    with database().reading() as session:
        data = service.order_calendar(session, occasion_id, _wall_now())
    headers = {"Content-Disposition": 'attachment; filename="running-order.ics"'}
    return Answer(data, mimetype="text/calendar", headers=headers)


def _wall_now() -> datetime:
    return wall_of(now())


def _seeking() -> Seeking:
    return cast(Seeking, current_app.extensions["hearth_bowl.seeking"])


def _planner() -> Planner:
    return cast(Planner, current_app.extensions["hearth_bowl.planner"])
