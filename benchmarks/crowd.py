"""A run watched while eight clients balance and read the worst texts: what computes for long holds up no call."""

import http.client
import itertools
import json
import threading
import time
from concurrent.futures import ThreadPoolExecutor
from typing import Final

from tests.api.server import Server

from benchmarks.clock import Row, p95
from benchmarks.kitchen import TWELVE_LINES

CLIENTS: Final = 8
CROWDED_S: Final = 30.0
LOOKED_EVERY_S: Final = 0.1
WORST_TEXTS: Final = ("½ cup cream\n" * 240, "1 ½ to 2 ½ tsp or so of cream\n" * 300, "1 1/2 " * 16_000, "9" * 99_999)
JSON: Final = {"Content-Type": "application/json"}
MAY_ANSWER: Final = (200, 422, 503)


def crowd_row(server: Server) -> Row:
    """Watch a run for half a minute beside eight busy clients, against watching it alone."""
    connection = http.client.HTTPConnection("127.0.0.1", server.port)
    body = json.dumps({"recipe_id": 1, "probe_id": "stand-in"})
    batch = json.loads(_ask(connection, "POST", "/api/batches", body))["batch"]["id"]
    path = f"/api/batches/{batch}/live"
    alone = p95(_looks_ms(connection, path, 3.0))
    over = threading.Event()
    with ThreadPoolExecutor(CLIENTS) as crowd:
        clients = [crowd.submit(_be_busy, server.port, over) for _ in range(CLIENTS)]
        try:
            crowded = p95(_looks_ms(connection, path, CROWDED_S))
        finally:
            over.set()
    for client in clients:
        client.result()
    _ask(connection, "DELETE", f"/api/batches/{batch}", None)
    connection.close()
    return Row(
        name="a look at a run beside eight busy clients, p95",
        value=crowded,
        unit="ms",
        limit=100,
        baseline=alone,
        baseline_name="alone",
    )


def _looks_ms(connection: http.client.HTTPConnection, path: str, for_s: float) -> list[float]:
    found = []
    until = time.perf_counter() + for_s
    while time.perf_counter() < until:
        start = time.perf_counter()
        _ask(connection, "GET", path, None)
        found.append((time.perf_counter() - start) * 1000)
        time.sleep(LOOKED_EVERY_S)
    return found


def _be_busy(port: int, over: threading.Event) -> None:
    connection = http.client.HTTPConnection("127.0.0.1", port)
    balance = ("/api/balance", json.dumps({"recipe": TWELVE_LINES, "aims": {"set_index": 3.0, "at_c": 20.0}}))
    texts = [("/api/recipes/read", json.dumps({"text": text})) for text in WORST_TEXTS]
    for path, body in itertools.cycle((balance, *texts)):
        if over.is_set():
            break
        _ask(connection, "POST", path, body)
    connection.close()


def _ask(connection: http.client.HTTPConnection, method: str, path: str, body: str | None) -> bytes:
    connection.request(method, path, body, JSON)
    answer = connection.getresponse()
    said = answer.read()
    if answer.status not in (*MAY_ANSWER, 201, 204):
        raise RuntimeError(f"{method} {path} answered {answer.status}: {said[:200]!r}")
    return said
