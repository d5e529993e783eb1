"""Many days in a kitchen, in simulated time: it grows no more than it should, and all that is kept is still there."""

import shutil
import tempfile
from collections.abc import Iterator
from contextlib import ExitStack, contextmanager
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from pathlib import Path
from unittest.mock import patch

import psutil
from sqlalchemy import func, select

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.server import FILE, do_chores
from hearth_bowl.service.backups import AUTOMATIC
from hearth_bowl.service.health import Health
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import BatchRow, ReadingRow
from hearth_bowl.store.sound import what_is_wrong
from tests.ready_kitchens import kitchen_file

BEGINS = datetime(2026, 8, 1, 8, 0, tzinfo=UTC)
BATCHES_A_DAY = 3
READINGS_A_BATCH = 3000
CLOCKS = ("batches", "probes", "timers", "recipes", "shelf", "running_order", "data", "daybook", "pairing")
"""Parts of the API that read the moment."""


@dataclass
class Soaked:
    """Counts of a soak: days, batches, readings kept and sent, sizes [MB], and what was wrong."""

    days: int = 0
    batches: int = 0
    sent: int = 0
    kept: int = 0
    database_mb: float = 0.0
    backups: int = 0
    memory_mb: float = 0.0
    wrong: list[str] = field(default_factory=list)


@contextmanager
def clock(moment: list[datetime]) -> Iterator[None]:
    """Let the API read a moment of ours."""
    with ExitStack() as stack:
        for part in CLOCKS:
            name = f"hearth_bowl.api.{part}.now"
            stack.enter_context(patch(name, lambda: moment[0]))
        yield


def soak(days: int) -> Soaked:
    """Cook for so many days; return what became of the kitchen."""
    found, moment = Soaked(), [BEGINS]
    folder = Path(tempfile.mkdtemp())
    try:
        (folder / FILE).write_bytes(kitchen_file("demo"))
        database, health = Database(folder / FILE), Health()
        client = create_app(database, WEB, health=health).test_client()
        memory_mb = 0.0
        with clock(moment):
            for day in range(days):
                for number in range(BATCHES_A_DAY):
                    moment[0] = BEGINS + timedelta(days=day, hours=2 * number)
                    recipe = 1 + (day + number) % 6
                    run = client.post("/api/batches", json={"recipe_id": recipe, "choices": {}}).get_json()
                    batch = run["batch"]["id"]
                    began = moment[0]
                    readings = [
                        {"c": 20.0 + second % 90, "at": (began + timedelta(seconds=second)).isoformat()}
                        for second in range(READINGS_A_BATCH)
                    ]
                    moment[0] = began + timedelta(seconds=READINGS_A_BATCH)
                    answer = client.post("/api/probes/stand-in/readings", json={"readings": readings})
                    found.sent += len(readings) if answer.status_code == 201 else 0
                    client.post("/api/timers", json={"name": "Rest", "seconds": 600.0, "batch_id": batch})
                    ends = [{"kind": "verdict", "words": ["just right"], "text": "good"}, {"kind": "end"}]
                    events = [{"client_key": what["kind"], "at": moment[0].isoformat(), "what": what} for what in ends]
                    said = client.post(f"/api/batches/{batch}/events", json={"events": events})
                    if said.status_code != 200:
                        found.wrong.append(f"day {day}: {said.text[:200]}")
                    found.batches += 1
                moment[0] = BEGINS + timedelta(days=day, hours=14)
                stray = [{"c": 20.0, "at": (moment[0] - timedelta(seconds=each)).isoformat()} for each in range(60)]
                client.post("/api/probes/oven/readings", json={"readings": stray})
                do_chores(database, health, moment[0])
                if health.warning:
                    found.wrong.append(f"day {day}: {health.warning}")
                if day == 2:
                    memory_mb = _memory_mb()
        found.days = days
        found.memory_mb = _memory_mb() - memory_mb
        with database.reading() as session:
            kept = session.scalar(select(func.count()).select_from(BatchRow)) or 0
            found.kept = session.scalar(select(func.count()).select_from(ReadingRow)) or 0
        if kept != found.batches:
            found.wrong.append(f"{found.batches} batches were made, {kept} are there")
        database.close()
        if what_is_wrong(folder / FILE):
            found.wrong.append("the database is damaged")
        found.database_mb = (folder / FILE).stat().st_size / 1e6
        found.backups = len(list((folder / AUTOMATIC).glob("*.zip")))
    finally:
        shutil.rmtree(folder)
    return found


def _memory_mb() -> float:
    return float(psutil.Process().memory_info().rss) / 1e6
