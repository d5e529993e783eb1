"""Timers: moments kept by the server."""

from datetime import datetime

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.service import timers as service

timers = Blueprint("timers", __name__, url_prefix="/api/timers")


class NewTimerIn(Incoming):
    """A timer of so many seconds from `at`, else from now; the same `key` starts one timer."""

    name: str
    seconds: float
    batch_id: int | None = None
    key: str | None = None
    at: datetime | None = None


class ChangeTimerIn(Incoming):
    """What to do with a timer, at a moment; the same `change_key` is done once."""

    more_s: float | None = None
    paused: bool | None = None
    stopped: bool = False
    change_key: str | None = None
    at: datetime | None = None


class TimerListOut(Outgoing):
    """Every timer that runs, the next first, and the server's moment."""

    now: datetime
    timers: list[service.Timer]


@timers.get("")
@spec.validate(resp=Response(HTTP_200=TimerListOut), operation_id="listTimers")
def list_timers() -> TimerListOut:
    """List the timers."""
    moment = now()
    with database().reading() as session:
        found = service.list_timers(session, moment)
    return TimerListOut(now=moment, timers=found)


@timers.post("")
@spec.validate(resp=Response(HTTP_201=service.Timer, HTTP_404=Problem, HTTP_422=Problem), operation_id="startTimer")
def start_timer(json: NewTimerIn) -> tuple[service.Timer, int]:
    """Start a timer."""
    with database().writing() as session:
        timer = service.start_timer(session, json.name, json.seconds, now(), json.batch_id, key=json.key, at=json.at)
    return timer, 201


@timers.post("/<path:timer_key>")
@spec.validate(resp=Response(HTTP_200=service.Timer, HTTP_404=Problem, HTTP_422=Problem), operation_id="changeTimer")
def change_timer(timer_key: str, json: ChangeTimerIn) -> service.Timer:
    """Extend, pause, go on with, or stop a timer."""
    with database().writing() as session:
        return service.change_timer(
            session,
            timer_key,
            now(),
            more_s=json.more_s,
            paused=json.paused,
            stopped=json.stopped,
            change_key=json.change_key,
            at=json.at,
        )
