"""The server: answers over HTTP on loopback, memory, and how soon the first page is there."""

import http.client
import json
import time

import psutil
from tests.api.server import Server

from benchmarks.clock import Row, p95, times_ms
from benchmarks.kitchen import TWELVE_LINES

ROUNDS = 300


def served_rows(server: Server) -> list[Row]:
    """Time requests on one kept connection, as a page has it."""
    connection = http.client.HTTPConnection("127.0.0.1", server.port)
    body = json.dumps({"recipe": TWELVE_LINES, "at_c": 20.0})
    bodies = {"/api/formula/assess": body, "/api/formula": body}
    bodies["/api/balance"] = json.dumps({"recipe": TWELVE_LINES, "aims": {"set_index": 3.0, "at_c": 20.0}})
    headers = {"Content-Type": "application/json"}

    def ask(method: str, path: str, sent: str | None) -> None:
        connection.request(method, path, sent, headers)
        answer = connection.getresponse()
        answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{method} {path} answered {answer.status}")

    settings = p95(times_ms(lambda: ask("GET", "/api/settings", None), ROUNDS))
    rows = [
        Row(
            name=f"{name} over HTTP, p95",
            value=p95(times_ms(lambda path=path: ask("POST", path, bodies[path]), ROUNDS)),  # type: ignore[misc]
            unit="ms",
            limit=limit,
            baseline=settings,
            baseline_name="reading the settings",
        )
        for name, path, limit in (
            ("assess of 12 lines", "/api/formula/assess", 15),
            ("the whole bench of 12 lines", "/api/formula", 40),
            ("balance of 12 lines", "/api/balance", 100),
        )
    ]
    connection.close()
    return rows


def memory_row(server: Server) -> Row:
    """Return the server's resident memory after all that it was asked."""
    assert server.process is not None
    used = psutil.Process(server.process.pid).memory_info().rss / 1e6
    return Row(name="memory of the server", value=used, unit="MB", limit=150)


def start_row(server: Server) -> Row:
    """Return the time from a start on data that is there to the first page."""
    server.kill()
    start = time.perf_counter()
    server.start()
    connection = http.client.HTTPConnection("127.0.0.1", server.port)
    connection.request("GET", "/")
    connection.getresponse().read()
    connection.close()
    return Row(name="second start to the first page", value=time.perf_counter() - start, unit="s", limit=3)
