"""Batches: runs at the stove and the daybook."""

import csv
import io
from datetime import datetime
from typing import Any

from flask import Blueprint
from flask import Response as Answer
from pydantic import AwareDatetime, Field
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.probes import StepOut
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeOut
from hearth_bowl.api.spec import Incoming, Outgoing, spec
from hearth_bowl.core.stove.bursts import Burst
from hearth_bowl.core.stove.choices import CHOICES, School
from hearth_bowl.core.stove.standing import Standing
from hearth_bowl.core.stove.weighed import PanWeight
from hearth_bowl.service import batch_help
from hearth_bowl.service import batches as service
from hearth_bowl.service import live as live_service
from hearth_bowl.service.batch_export import export_json
from hearth_bowl.service.timers import Timer

batches = Blueprint("batches", __name__, url_prefix="/api/batches")


class StartBatchIn(Incoming):
    """A run of a recipe: its kept version (else as it stands), the schools chosen, and where it begins."""

    recipe_id: int
    version: int | None = None
    choices: dict[str, str] = Field(default_factory=dict)
    probe_id: str = "stand-in"
    from_step: int = 0


class PlanBatchIn(Incoming):
    """A run as it would be started."""

    recipe_id: int
    version: int | None = None
    choices: dict[str, str] = Field(default_factory=dict)


class PlanBatchOut(Outgoing):
    """The steps of a run that was not started, and which choices would make other steps."""

    steps: list[StepOut]
    matter: list[str]


class BatchOut(Outgoing):
    """A batch in the daybook."""

    id: int
    recipe_id: int | None
    name: str
    version: int | None
    started_at: datetime
    ended_at: datetime | None
    step: int
    steps: int
    verdict: list[str]
    probe_id: str


class BatchListOut(Outgoing):
    """Every batch, the newest first."""

    batches: list[BatchOut]


class EventIn(Incoming):
    """Something that happened; the same `client_key` is stored once."""

    client_key: str
    at: AwareDatetime = Field(strict=False)
    kind: str
    data: dict[str, Any] = Field(default_factory=dict)


class EventsIn(Incoming):
    """What happened, in order."""

    events: list[EventIn] = Field(max_length=500)


class EventOut(Outgoing):
    """Something that happened."""

    client_key: str
    at: datetime
    kind: str
    data: dict[str, Any]


class RunOut(Outgoing):
    """A batch with its steps and all that happened."""

    batch: BatchOut
    recipe: RecipeOut
    amounts_g: list[float]
    choices: dict[str, str]
    steps: list[StepOut]
    events: list[EventOut]
    offset_c: float | None
    shell: str | None


class NewEventsOut(Outgoing):
    """How many events were new."""

    stored: int


class ForecastOut(Outgoing):
    """The temperature now, smoothed, and the time until the pull with its band; true °C."""

    now_c: float
    rate_c_per_min: float
    carry_c: float
    in_s: float | None
    low_s: float | None
    high_s: float | None
    due: bool
    curve: list[list[float]]


class LiveOut(Outgoing):
    """What is happening now; moments are the server's."""

    now: datetime
    step: int
    true_c: float | None
    shown_c: float | None
    reading_at: datetime | None
    forecast: ForecastOut | None
    stands: Standing | None
    add_back_g: float | None
    call: str
    urgent: bool
    timers: list[Timer]


class TraceOut(Outgoing):
    """Stretches of (s from the start, true °C) without a gap."""

    stretches: list[list[list[float]]]
    readings: int
    low_c: float | None
    high_c: float | None


class WeighedIn(Incoming):
    """What was weighed, by the line's position."""

    weighed_g: dict[str, float]


class SpilledIn(Incoming):
    """What had gone in, and what is left of it."""

    gone_in: list[int]
    left_g: float


class FollowOut(Outgoing):
    """What is still to go in, by position; empty where all is as it should be."""

    amounts_g: dict[int, float]
    says: str


class PanIn(Incoming):
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


class ChoicesOut(Outgoing):
    """What a run lets one choose, and the words of a verdict."""

    choices: list[ChoiceOut]
    verdict_words: list[str]


@batches.get("/choices")
@spec.validate(resp=Response(HTTP_200=ChoicesOut), operation_id="listChoices")
def list_choices() -> ChoicesOut:
    """List the schools, and the words of a verdict."""
    return ChoicesOut(
        choices=[ChoiceOut(key=key, schools=list(schools.values())) for key, schools in CHOICES.items()],
        verdict_words=list(service.VERDICTS),
    )


@batches.get("")
@spec.validate(resp=Response(HTTP_200=BatchListOut), operation_id="listBatches")
def list_batches() -> BatchListOut:
    """List the daybook."""
    with database().reading() as session:
        found = service.list_batches(session)
    return BatchListOut(batches=[BatchOut.model_validate(batch) for batch in found])


@batches.post("")
@spec.validate(resp=Response(HTTP_201=RunOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="startBatch")
def start_batch(json: StartBatchIn) -> tuple[RunOut, int]:
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
        )
    return RunOut.model_validate(run), 201


@batches.post("/plan")
@spec.validate(resp=Response(HTTP_200=PlanBatchOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="planBatch")
def plan_batch(json: PlanBatchIn) -> PlanBatchOut:
    """Return the steps that a run would have. Nothing is stored."""
    with database().reading() as session:
        found = service.plan_batch(session, json.recipe_id, json.version, json.choices)
    return PlanBatchOut.model_validate(found)


@batches.get("/<int:batch_id>")
@spec.validate(resp=Response(HTTP_200=RunOut, HTTP_404=Problem), operation_id="getBatch")
def get_batch(batch_id: int) -> RunOut:
    """Return a batch."""
    with database().reading() as session:
        return RunOut.model_validate(service.get_run(session, batch_id))


@batches.delete("/<int:batch_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="deleteBatch")
def delete_batch(batch_id: int) -> tuple[str, int]:
    """Take a batch out of the daybook."""
    with database().writing() as session:
        service.delete_batch(session, batch_id)
    return "", 204


@batches.post("/<int:batch_id>/events")
@spec.validate(resp=Response(HTTP_200=NewEventsOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="addEvents")
def add_events(batch_id: int, json: EventsIn) -> NewEventsOut:
    """Keep what happened; what was stored before is not stored twice."""
    events = [service.Event(**event.model_dump()) for event in json.events]
    with database().writing() as session:
        return NewEventsOut(stored=service.add_events(session, batch_id, events, now()))


@batches.get("/<int:batch_id>/live")
@spec.validate(resp=Response(HTTP_200=LiveOut, HTTP_404=Problem), operation_id="liveBatch")
def live(batch_id: int) -> LiveOut:
    """Say what is happening now."""
    with database().reading() as session:
        return LiveOut.model_validate(live_service.live(session, batch_id, now()))


@batches.get("/<int:batch_id>/trace")
@spec.validate(resp=Response(HTTP_200=TraceOut, HTTP_404=Problem), operation_id="batchTrace")
def batch_trace(batch_id: int) -> TraceOut:
    """Return the trace, thinned to what can be drawn."""
    with database().reading() as session:
        return TraceOut.model_validate(live_service.batch_trace(session, batch_id, now()))


@batches.post("/<int:batch_id>/weighed")
@spec.validate(resp=Response(HTTP_200=FollowOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="followWeighed")
def follow_weighed(batch_id: int, json: WeighedIn) -> FollowOut:
    """Say what is still to go in after some lines were weighed. Nothing is stored."""
    weighed = {int(key): grams for key, grams in json.weighed_g.items() if key.isdigit()}
    with database().reading() as session:
        found = batch_help.follow_weighed(session, batch_id, weighed)
    return FollowOut.model_validate(found) if found else FollowOut(amounts_g={}, says="All as it should be.")


@batches.post("/<int:batch_id>/spilled")
@spec.validate(resp=Response(HTTP_200=FollowOut, HTTP_404=Problem, HTTP_422=Problem), operation_id="followSpill")
def follow_spill(batch_id: int, json: SpilledIn) -> FollowOut:
    """Say what follows when some was spilled. Nothing is stored."""
    with database().reading() as session:
        return FollowOut.model_validate(batch_help.follow_spill(session, batch_id, tuple(json.gone_in), json.left_g))


@batches.post("/<int:batch_id>/pan")
@spec.validate(resp=Response(HTTP_200=PanWeight, HTTP_404=Problem, HTTP_422=Problem), operation_id="weighPan")
def weigh_pan(batch_id: int, json: PanIn) -> Any:
    """Say how a simmer stands by the scale. Nothing is stored."""
    with database().reading() as session:
        return batch_help.weigh_pan(session, batch_id, json.start_g, json.now_g, json.boiled_s)


@batches.post("/<int:batch_id>/burst")
@spec.validate(resp=Response(HTTP_200=Burst, HTTP_404=Problem, HTTP_422=Problem), operation_id="nextBurst")
def next_burst(batch_id: int, json: BurstIn) -> Any:
    """Say how long the next microwave burst is. Nothing is stored."""
    with database().reading() as session:
        return batch_help.burst(session, batch_id, json.now_c, json.unmelted_share, json.rated_w, json.bursts_before)


@batches.get("/<int:batch_id>/batch.json")
def as_json(batch_id: int) -> Answer:
    """Return everything of a batch as JSON."""
    import json as plain_json

    with database().reading() as session:
        content = export_json(session, batch_id, now())
    headers = {"Content-Disposition": f'attachment; filename="batch-{batch_id}.json"'}
    return Answer(
        plain_json.dumps(content, ensure_ascii=False, allow_nan=False), content_type="application/json", headers=headers
    )


@batches.get("/<int:batch_id>/batch.csv")
def as_csv(batch_id: int) -> Answer:
    """Return a batch's readings and events as CSV, in the order of time."""
    with database().reading() as session:
        content = export_json(session, batch_id, now())
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(("at", "shown_c", "event", "what"))
    rows = [(row["at"], row["shown_c"], "", "") for row in content["readings"]]
    rows += [(row["at"], "", row["kind"], _told(row)) for row in content["events"]]
    for row in sorted(rows):
        writer.writerow(row)
    headers = {"Content-Disposition": f'attachment; filename="batch-{batch_id}.csv"'}
    return Answer(out.getvalue(), content_type="text/csv; charset=utf-8", headers=headers)


def _told(event: dict[str, Any]) -> str:
    parts = [f"{key} {value}" for key, value in event.items() if key not in ("at", "kind")]
    text = "; ".join(parts)
    return f"'{text}" if text[:1] in "=+-@\t" else text
