"""Batches: runs at the stove and the daybook."""

from collections.abc import Callable, Iterator
from datetime import datetime
from typing import Final

from flask import Blueprint, request
from flask import Response as Answer
from pydantic import Field
from spectree import Response
from sqlalchemy.orm import Session

from hearth_bowl.api.context import LARGEST_ID, database, in_helper, now, whole_number
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.method.choices import CHOICES, School
from hearth_bowl.core.quantities import plain
from hearth_bowl.core.stove.bursts import Burst
from hearth_bowl.core.stove.events import TROUBLES, VERDICT_WORDS, VERDICTS
from hearth_bowl.core.stove.mishaps import Mishap
from hearth_bowl.core.stove.trace import Trace
from hearth_bowl.core.stove.weighed import Follow, PanWeight
from hearth_bowl.service import batch_help, order_runs, run_day
from hearth_bowl.service import batches as service
from hearth_bowl.service import live as live_service
from hearth_bowl.service.batch_events import Event
from hearth_bowl.service.batch_events import add_events as store_events
from hearth_bowl.service.batch_export import export_csv, export_json
from hearth_bowl.service.moments import wall_of
from hearth_bowl.service.photographs import folder_of, sweep_photographs
from hearth_bowl.service.probes import STAND_IN

batches = Blueprint("batches", __name__, url_prefix="/api/batches")
MOST_LOOKED_FOR: Final = 200


class PlanBatchIn(Incoming):
    """A run as it would be started: of a kept version (else the recipe as it stands), by the schools chosen; perhaps
    for a confection, and in the number of pieces that an occasion takes of it."""

    recipe_id: int
    version: int | None = None
    choices: dict[str, str] = Field(default_factory=dict)
    confection_id: int | None = None
    occasion_id: int | None = None


class UnansweredOut(Outgoing):
    """What went wrong in a run and is not answered yet."""

    mishaps: list[Mishap]


class DayOut(Outgoing):
    """Today's part of the running order that a run belongs to; null where it belongs to none."""

    day: run_day.RunDay | None


class StartBatchIn(PlanBatchIn):
    """A run to start: its thermometer, and where it begins."""

    probe_id: str = STAND_IN
    from_step: int = 0


class NewEventsIn(Incoming):
    """What happened, in order."""

    events: list[Event]


class NewEventsOut(Outgoing):
    """How many events were new."""

    stored: int


class FollowWeighedIn(Incoming):
    """What was weighed, by the line's position."""

    weighed_g: dict[int, float]


class FollowSpillIn(Incoming):
    """What had gone in, and what is left of it."""

    gone_in: list[int]
    left_g: float


class WeighPanIn(Incoming):
    """The pan's weight at the start and now, and how long it has boiled."""

    start_g: float
    now_g: float
    boiled_s: float | None = None


class BurstIn(Incoming):
    """What is known before a microwave burst."""

    now_c: float = 20.0
    unmelted_share: float
    rated_w: float
    bursts_before: int = 0


class ChoiceOut(Outgoing):
    """A choice with its schools, the first is ours."""

    key: str
    schools: list[School]


class WordsOut(Outgoing):
    """Words of a verdict, and what they are of."""

    of: str
    words: list[str]
    trouble: list[str]


class ChoicesOut(Outgoing):
    """What a run lets one choose, and the words of a verdict."""

    choices: list[ChoiceOut]
    verdict_words: list[str]
    verdict_groups: list[WordsOut]


@batches.get("/choices")
@spec.validate(resp=Response(HTTP_200=ChoicesOut), operation_id="listChoices")
def list_choices() -> ChoicesOut:
    """List the schools, and the words of a verdict."""
    return ChoicesOut(
        choices=[ChoiceOut(key=key, schools=list(schools.values())) for key, schools in CHOICES.items()],
        verdict_words=list(VERDICTS),
        verdict_groups=[
            WordsOut(of=of, words=list(words), trouble=[word for word in words if word in TROUBLES])
            for of, words in VERDICT_WORDS.items()
        ],
    )


@batches.get("")
@spec.validate(resp=Response(HTTP_200=service.BatchPage, HTTP_422=Problem), operation_id="listBatches")
def list_batches() -> service.BatchPage:
    """List a page of the daybook, the newest first: `before` a batch, `most` of them, of `recipe`, only `running`; or
    what is looked for: `words`, `family`, `month`, `verdict`, with `trouble`."""
    with database().reading() as session:
        return service.list_batches(
            session,
            before=whole_number("before", None, LARGEST_ID),
            most=whole_number("most", service.A_PAGE, service.MOST_IN_A_PAGE) or service.A_PAGE,
            recipe_id=whole_number("recipe", None, LARGEST_ID),
            running=request.args.get("running") == "true",
            looked=service.Looked(
                words=request.args.get("words", "")[:MOST_LOOKED_FOR],
                family=request.args.get("family", "")[:MOST_LOOKED_FOR],
                month=request.args.get("month", "")[:MOST_LOOKED_FOR],
                verdict=request.args.get("verdict", "")[:MOST_LOOKED_FOR],
                trouble=request.args.get("trouble") == "true",
            ),
        )


@batches.post("")
@spec.validate(resp=Response(HTTP_201=service.Run, HTTP_404=Problem, HTTP_422=Problem), operation_id="startBatch")
def start_batch(json: StartBatchIn) -> tuple[service.Run, int]:
    """Start a run."""
    with database().writing() as session:
        run = service.start_batch(
            session,
            json.recipe_id,
            now(),
            version=json.version,
            choices=json.choices,
            probe_id=json.probe_id,
            from_step=json.from_step,
            confection_id=json.confection_id,
            occasion_id=json.occasion_id,
        )
        if json.occasion_id is not None and not json.from_step:
            order_runs.tell_runs(session, json.occasion_id, wall_of(now()))
            run = service.get_run(session, run.batch.id)
    return run, 201


@batches.post("/plan")
@spec.validate(resp=Response(HTTP_200=service.Plan, HTTP_404=Problem, HTTP_422=Problem), operation_id="planBatch")
def plan_batch(json: PlanBatchIn) -> service.Plan:
    """Return the steps that a run would have. Nothing is stored."""
    with database().reading() as session:
        return service.plan_batch(
            session, json.recipe_id, json.version, json.choices, now(), json.confection_id, json.occasion_id
        )


@batches.get("/<int:batch_id>")
@spec.validate(resp=Response(HTTP_200=service.Run, HTTP_404=Problem), operation_id="getBatch")
def get_batch(batch_id: int) -> service.Run:
    """Return a batch."""
    with database().reading() as session:
        return service.get_run(session, batch_id)


@batches.delete("/<int:batch_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteBatch")
def delete_batch(batch_id: int) -> tuple[str, int]:
    """Take a batch out of the daybook."""
    with database().writing() as session:
        service.delete_batch(session, batch_id)
        session.flush()
        sweep_photographs(session, folder_of(database().path))
    return "", 204


@batches.post("/<int:batch_id>/events")
@spec.validate(resp=Response(HTTP_200=NewEventsOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="addEvents")
def add_events(batch_id: int, json: NewEventsIn) -> NewEventsOut:
    """Keep what happened; what was stored before is not stored twice."""
    with database().writing() as session:
        return NewEventsOut(stored=store_events(session, batch_id, json.events, now()))


@batches.get("/<int:batch_id>/live")
@spec.validate(resp=Response(HTTP_200=live_service.Live, HTTP_404=Problem), operation_id="liveBatch")
def live(batch_id: int) -> live_service.Live:
    """Say what is happening now."""
    with database().reading() as session:
        return live_service.live(session, batch_id, now())


@batches.get("/<int:batch_id>/unanswered")
@spec.validate(resp=Response(HTTP_200=UnansweredOut, HTTP_404=Problem), operation_id="unansweredOfBatch")
def unanswered(batch_id: int) -> UnansweredOut:
    """Say what went wrong in a run and is not answered yet."""
    with database().reading() as session:
        return UnansweredOut(mishaps=live_service.unanswered(session, batch_id, now()))


@batches.get("/<int:batch_id>/day")
@spec.validate(resp=Response(HTTP_200=DayOut, HTTP_404=Problem), operation_id="dayOfBatch")
def day_of_batch(batch_id: int) -> DayOut:
    """Return today's tasks of the running order that a run is made for."""
    with database().writing() as session:
        return DayOut(day=run_day.day_of(session, batch_id, wall_of(now())))


@batches.get("/<int:batch_id>/trace")
@spec.validate(resp=Response(HTTP_200=Trace, HTTP_404=Problem), operation_id="batchTrace")
def batch_trace(batch_id: int) -> Trace:
    """Return the trace, thinned to what can be drawn."""
    with database().reading() as session:
        return live_service.batch_trace(session, batch_id, now())


@batches.post("/<int:batch_id>/weighed")
@spec.validate(resp=Response(HTTP_200=Follow, HTTP_404=Problem, HTTP_422=Problem), operation_id="followWeighed")
def follow_weighed(batch_id: int, json: FollowWeighedIn) -> Follow:
    """Say what is still to go in after some lines were weighed. Nothing is stored."""
    with database().reading() as session:
        record = batch_help.batch_record(session, batch_id)
    return in_helper(batch_help.follow_weighed, record, json.weighed_g)


@batches.post("/<int:batch_id>/spilled")
@spec.validate(resp=Response(HTTP_200=Follow, HTTP_404=Problem, HTTP_422=Problem), operation_id="followSpill")
def follow_spill(batch_id: int, json: FollowSpillIn) -> Follow:
    """Say what follows when some was spilled. Nothing is stored."""
    with database().reading() as session:
        return batch_help.follow_spill(session, batch_id, tuple(json.gone_in), json.left_g)


@batches.post("/<int:batch_id>/pan")
@spec.validate(resp=Response(HTTP_200=PanWeight, HTTP_404=Problem, HTTP_422=Problem), operation_id="weighPan")
def weigh_pan(batch_id: int, json: WeighPanIn) -> PanWeight:
    """Say how a simmer stands by the scale. Nothing is stored."""
    with database().reading() as session:
        return batch_help.weigh_pan(session, batch_id, json.start_g, json.now_g, json.boiled_s)


@batches.post("/<int:batch_id>/burst")
@spec.validate(resp=Response(HTTP_200=Burst, HTTP_404=Problem, HTTP_422=Problem), operation_id="nextBurst")
def next_burst(batch_id: int, json: BurstIn) -> Burst:
    """Say how long the next microwave burst is. Nothing is stored."""
    with database().reading() as session:
        return batch_help.burst(
            session, batch_id, json.now_c, json.unmelted_share, json.rated_w, json.bursts_before, now()
        )


@batches.get("/<int:batch_id>/batch.json")
def as_json(batch_id: int) -> Answer:
    """Return everything of a batch as JSON."""
    return _file(batch_id, export_json, "batch.json", "application/json")


@batches.get("/<int:batch_id>/batch.csv")
def as_csv(batch_id: int) -> Answer:
    """Return a batch's readings and events as CSV, in the order of time."""
    return _file(batch_id, export_csv, "batch.csv", "text/csv; charset=utf-8")


Export = Callable[[Session, int, datetime], Iterator[str]]


def _file(batch_id: int, export: Export, name: str, content_type: str) -> Answer:
    """Send a file in parts while its session is open; what cannot be found is said before the first."""
    moment, open_database = now(), database()
    with open_database.reading() as session:
        service.batch_row(session, batch_id)

    def parts() -> Iterator[str]:
        with open_database.reading() as session:
            yield from map(plain, export(session, batch_id, moment))

    stem, _, ending = name.partition(".")
    headers = {"Content-Disposition": f'attachment; filename="{stem}-{batch_id}.{ending}"'}
    return Answer(parts(), content_type=content_type, headers=headers)
