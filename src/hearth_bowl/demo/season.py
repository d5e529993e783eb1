"""The demo's season: the batches that the member made before the open evening, as a simulated kitchen gave them."""

import json
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any, Final

from sqlalchemy import insert
from sqlalchemy.orm import Session

from hearth_bowl.service.batches import made_from
from hearth_bowl.service.probes import OF_FILES, ensure_probe
from hearth_bowl.service.recipe_index import index_verdicts
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.snapshot import snapshot_text, take_snapshot
from hearth_bowl.store.models import BatchEventRow, BatchRow, LessonRow, ReadingRow

SEASON_FILE: Final = Path(__file__).parent / "season.json"
PROBE: Final = f"{OF_FILES}-season"
SKETCHED: Final = 40
CONFECTION_OF: Final = {
    "Night-sky truffles": "Moonrock truffles",
    "First-light milk filling": "First-light planets",
    "Late-watch coffee centres": "Late-watch cones",
    "Hill-top fudge squares": "Hill-top squares",
}
"""What a mass of the season was made for, where it was weighed when it was done."""


def load_season(session: Session, recipe_ids: dict[str, int], confection_ids: dict[str, int]) -> None:
    """Take the season's batches into the daybook."""
    settings = get_settings(session)
    ensure_probe(session, PROBE)
    events: list[dict[str, Any]] = []
    readings: list[dict[str, Any]] = []
    lessons: list[dict[str, Any]] = []
    for kept in json.loads(SEASON_FILE.read_text()):
        started_at = datetime.fromisoformat(kept["started_at"])
        made = made_from(session, recipe_ids[kept["recipe"]], 1, confection_ids.get(kept["is_for"]))
        record, fit = made.record, made.fit
        ended_at = started_at + timedelta(seconds=kept["ended_s"])
        row = BatchRow(
            recipe_id=recipe_ids[kept["recipe"]],
            name=kept["recipe"],
            version=1,
            document=json.dumps(record, ensure_ascii=False, allow_nan=False),
            choices=json.dumps(kept["choices"]),
            fit=json.dumps(fit, ensure_ascii=False, allow_nan=False),
            probe_id=PROBE,
            step=max(data["step"] for _, kind, data in kept["events"] if kind == "step"),
            started_at=started_at,
            ended_at=ended_at,
            snapshot=snapshot_text(take_snapshot(made.recipe, kept["choices"], fit, settings, made.worked)),
            verdict=json.dumps(kept["verdict"]),
            thinned_at=ended_at,
            family=record["family"],
            found_by=kept["found_by"],
            sketch=json.dumps(
                [[round(at / 60, 1), c] for at, c in kept["readings"]][:: 1 + len(kept["readings"]) // SKETCHED]
            ),
        )
        session.add(row)
        session.flush()
        for number, (at_s, kind, data) in enumerate(kept["events"]):
            events.append(
                {
                    "batch_id": row.id,
                    "client_key": f"season-{number}",
                    "at": started_at + timedelta(seconds=at_s),
                    "kind": kind,
                    "data": json.dumps(data, ensure_ascii=False),
                }
            )
        readings += [
            {"probe_id": PROBE, "at": started_at + timedelta(seconds=at_s), "shown_c": c}
            for at_s, c in kept["readings"]
        ]
        lessons += [{**lesson, "batch_id": row.id, "at": ended_at} for lesson in kept["lessons"]]
    session.execute(insert(BatchEventRow), events)
    session.execute(insert(ReadingRow), readings)
    session.execute(insert(LessonRow), lessons)
    for recipe_id in recipe_ids.values():
        index_verdicts(session, recipe_id)
