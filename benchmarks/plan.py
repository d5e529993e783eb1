"""Running orders: how long until one is shown, proved, or given with its gap."""

import statistics
import time
from random import Random
from typing import Any

from tests.core.plan.occasions import SMALL, occasion_record

from benchmarks.clock import Row
from hearth_bowl.core.plan.jobs import occasion_jobs
from hearth_bowl.core.plan.plan import plan_occasion
from hearth_bowl.formats.occasion_file import occasion_from
from hearth_bowl.solver import CpSat

RUNS = 7
MANY = (0, 1, 3, 4, 5, 6, 7, 8, 9, 10, 11)


def plan_rows() -> list[Row]:
    """Time orders of six confections and of twelve, against only drawing up their jobs."""
    random = Random(1)
    sixes = [occasion_record(random.sample(SMALL, 6), away=AWAY) for _ in range(RUNS)]
    many = occasion_record([*MANY, 10], ready_at="2026-08-16T19:30", away=AWAY)
    jobs_ms = statistics.median(_ms(lambda one=one: occasion_jobs(occasion_from(one)[0])) for one in sixes)
    return [
        Row(
            name="an order of 6 confections proved, median",
            value=statistics.median(_planned_ms(record) for record in sixes),
            unit="ms",
            limit=2000,
            baseline=jobs_ms,
            baseline_name="only their jobs",
        ),
        Row(name="the first order of 6 that is found, median", value=_first_ms(sixes), unit="ms", limit=500),
        Row(name="the first order of 12", value=_first_ms([many]), unit="ms", limit=1000),
        Row(name="a good order of 12 with its gap", value=_planned_ms(many, must_prove=False), unit="ms", limit=5000),
    ]


AWAY = [["2026-08-13T09:00", "2026-08-13T17:00"], ["2026-08-14T08:00", "2026-08-14T15:00"]]


def _first_ms(records: list[dict[str, Any]]) -> float:
    occasions = [occasion_from(record)[0] for record in records]
    return statistics.median(_ms(lambda one=one: plan_occasion(one, CpSat, time.monotonic, 0.0)) for one in occasions)


def _planned_ms(record: dict[str, Any], *, must_prove: bool = True) -> float:
    occasion, _ = occasion_from(record)
    begun = time.perf_counter()
    plan = plan_occasion(occasion, CpSat, time.monotonic)
    taken_ms = 1000 * (time.perf_counter() - begun)
    if plan.order is None or (must_prove and not plan.order.proved):
        return float("inf")
    return taken_ms


def _ms(act: Any) -> float:
    begun = time.perf_counter()
    act()
    return 1000 * (time.perf_counter() - begun)
