"""The daybook with ten thousand batches: found by words, family, month or verdict, and a page of it over HTTP."""

import http.client
import sqlite3
from contextlib import closing
from datetime import UTC, datetime, timedelta
from random import Random

from tests.api.server import Server

from benchmarks.clock import Row, p95, times_ms

BATCHES = 10_000
ROUNDS = 60
LOOKS = (
    "words=fudge",
    "words=hazelnut+right",
    "words=nothing+like+this",
    "family=fondant",
    "month=2022-03",
    "verdict=spoiled",
    "trouble=true",
)


def _fill(server: Server) -> None:
    """Give the demo's daybook ten thousand batches, copies of its season over eight years."""
    chance = Random(7)
    with closing(sqlite3.connect(server.database, timeout=30)) as connection, connection:
        columns = [
            row[1] for row in connection.execute("PRAGMA table_info(batch)") if row[1] not in ("id", "started_at")
        ]
        ids = [row[0] for row in connection.execute("SELECT id FROM batch")]
        names = ", ".join(columns)
        for number in range(BATCHES):
            at = (datetime(2018, 1, 1, tzinfo=UTC) + timedelta(hours=7 * number)).replace(tzinfo=None)
            connection.execute(
                f"INSERT INTO batch ({names}, started_at) SELECT {names}, ? FROM batch WHERE id = ?",
                (at.isoformat(sep=" ", timespec="microseconds"), chance.choice(ids)),
            )


def daybook_rows(server: Server) -> list[Row]:
    """Time each way to look through ten thousand batches, over HTTP on one kept connection."""
    _fill(server)
    connection = http.client.HTTPConnection("127.0.0.1", server.port)

    def ask(path: str) -> None:
        connection.request("GET", path)
        answer = connection.getresponse()
        answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{path} answered {answer.status}")

    settings = p95(times_ms(lambda: ask("/api/settings"), ROUNDS))
    rows = [
        Row(
            name=f"ten thousand batches by {look}, p95",
            value=p95(times_ms(lambda look=look: ask(f"/api/batches?{look}"), ROUNDS)),  # type: ignore[misc]
            unit="ms",
            limit=30,
            baseline=settings,
            baseline_name="reading the settings",
        )
        for look in LOOKS
    ]
    newest = sqlite3.connect(server.database).execute("SELECT max(id) FROM batch WHERE id <= 26").fetchone()[0]
    for name, path in (("a page of the daybook", "/api/batches"), ("one batch's page", f"/api/batches/{newest}/page")):
        rows.append(
            Row(
                name=f"{name}, p95",
                value=p95(times_ms(lambda path=path: ask(path), ROUNDS)),  # type: ignore[misc]
                unit="ms",
                limit=150,
                baseline=settings,
                baseline_name="reading the settings",
            )
        )
    connection.close()
    return rows
