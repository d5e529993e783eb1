"""Timed: the variables of a plan's model: jobs with their starts and ends, and what is asked of all of them
together."""

from dataclasses import dataclass, field

from hearth_bowl.core.plan.constraints import Constraints, Stretch, Sum, Yes
from hearth_bowl.core.plan.days import DAY_MIN, starts_for
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.occasion import Happened, Occasion


@dataclass(slots=True, kw_only=True)
class Timed:
    """A job with its variables: its start, between two moments, its end, who does it. What has begun is settled, and
    past where it is done too."""

    job: Job
    start: Sum
    end: Sum
    minutes: int
    first_min: int
    last_min: int
    is_past: bool = False
    by: tuple[Yes, ...] = ()
    is_there: Yes | None = None
    is_settled: bool = False
    did: int | None = None
    """The cook who does what is begun already."""

    def span(self, there: Yes | None = None) -> Stretch:
        """Return the time that it takes, there only where that is said."""
        return Stretch(self.start, Sum(constant=self.minutes), self.end, there)


@dataclass(slots=True, kw_only=True)
class Model:
    """The constraints with what is asked of them: jobs, when all is ready, washes, whether what is free of
    nuts waits for one, and what could not be kept."""

    rows: Constraints
    occasion: Occasion
    timed: dict[str, Timed]
    ready: Sum
    washes: list[Timed] = field(default_factory=list)
    after_wash: list[Yes] = field(default_factory=list)
    finish: dict[int, Sum] = field(default_factory=dict)
    waited_too_long: list[tuple[str, str]] = field(default_factory=list)

    def hands_on(self) -> list[Timed]:
        """Return the jobs still to be done that take hands, washes among them."""
        return [one for one in (*self.timed.values(), *self.washes) if one.job.hands_on and not one.is_past]


def begun(model: Model, job: Job, past: Happened) -> Timed:
    """Return a job that has begun: it ended when it did, or ends when it should, but not before now."""
    done = past.end_min if past.end_min is not None else max(model.occasion.now_min, past.start_min + job.minutes)
    return Timed(
        job=job,
        start=Sum(constant=past.start_min),
        end=Sum(constant=done),
        minutes=done - past.start_min,
        first_min=past.start_min,
        last_min=past.start_min,
        is_past=past.end_min is not None,
        is_settled=True,
    )


def to_do(model: Model, job: Job, last_min: int, without: frozenset[str], day: int | None = None) -> Timed:
    """Return a job that is still to be begun: within hours where it takes hands, on one day where that is said."""
    occasion, rows = model.occasion, model.rows
    now_min = occasion.now_min
    if not job.hands_on or "hours" in without:
        spans = [(now_min, last_min - job.minutes)]
    else:
        away = () if "away" in without else occasion.away
        first_min = now_min if day is None else max(now_min, day * DAY_MIN)
        until_min = last_min if day is None else min(last_min, (day + 1) * DAY_MIN)
        spans = starts_for(job.minutes, occasion.hours, away, first_min, until_min)
    if not spans or spans[-1][1] < now_min:
        if job.kind != "wash":
            rows.any_of()
        spans = [(now_min, now_min)]
    start = rows.number_in(spans)
    if job.kind != "wash":
        rows.add(start + job.minutes <= model.ready)
    return Timed(
        job=job, start=start, end=start + job.minutes, minutes=job.minutes, first_min=spans[0][0], last_min=spans[-1][1]
    )
