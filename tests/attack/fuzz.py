"""Odd requests to every operation, in sequences that reach success: none is answered 500, none takes long."""

import json
import random
import re
import tempfile
import time
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any, Final

from flask import Flask

from hearth_bowl.app import create_app
from hearth_bowl.paths import ROOT, WEB
from hearth_bowl.service.helper import HelperProcess
from hearth_bowl.service.planner import PlannerProcess
from hearth_bowl.store.db import Database
from tests.attack.bodies import good_bodies
from tests.attack.odd import by_schema, odd_in
from tests.ready_kitchens import kitchen_file

LONGEST_S: Final = 2.0
"""The longest that an answer may take [s]."""
SEARCHES: Final = frozenset({"planOrder", "whatIf"})
"""Operations that search for an order for as long as they say; nothing waits for them."""
FRESH_EVERY: Final = 4000
"""Requests between which the kitchen stays: then it is a fresh one."""
METHODS: Final = ("get", "post", "put", "delete")


@dataclass
class Fuzzed:
    """Counts of a run by status and operation, and every answer that is a mistake of ours."""

    requests: int = 0
    statuses: Counter[int] = field(default_factory=Counter)
    reached: set[str] = field(default_factory=set)
    operations: set[str] = field(default_factory=set)
    wrong: list[str] = field(default_factory=list)
    slowest_s: float = 0.0


def fuzz(requests: int, seed: int) -> Fuzzed:
    """Send so many requests; return what came back."""
    chance, found = random.Random(seed), Fuzzed()
    description = json.loads((ROOT / "docs" / "openapi.json").read_text("utf-8"))
    helper, planner = HelperProcess(), PlannerProcess()
    try:
        while found.requests < requests:
            with tempfile.TemporaryDirectory() as folder:
                path = Path(folder) / "kitchen.sqlite3"
                path.write_bytes(kitchen_file("season"))
                database = Database(path)
                app = create_app(database, WEB, helper=helper, planner=planner)
                _sequence(app, description, min(FRESH_EVERY, requests - found.requests), chance, found)
                database.close()
    finally:
        helper.close()
        planner.close()
    return found


def _sequence(app: Flask, description: dict[str, Any], count: int, chance: random.Random, found: Fuzzed) -> None:
    client, parts = app.test_client(), description["components"]["schemas"]
    operations = [
        (method, path, asked)
        for path, methods in description["paths"].items()
        for method, asked in methods.items()
        if method in METHODS
    ]
    rare = dict.fromkeys(SEARCHES, 0.05)
    weights = [rare.get(asked["operationId"], 0.15 if method == "delete" else 1.0) for method, _, asked in operations]
    bodies = good_bodies(client)
    for name in ("balance", "planOrder", "whatIf"):  # what works aside is started before its time is taken
        where = {asked["operationId"]: path for _, path, asked in operations}[name].replace("{occasion_id}", "1")
        client.post(where, json=bodies[name][0])
    for method, path, asked in chance.choices(operations, weights, k=count):
        name = asked["operationId"]
        where = re.sub(r"{(\w+)}", lambda given: _value(given[1], chance), path)
        if chance.random() < 0.1:
            where += "?" + chance.choice(("most=3", "before=5", "after=2", "ids=1,2", "most=x", "words=%00", "from=1"))
        content = asked.get("requestBody", {}).get("content", {})
        body: Any = None
        if name in bodies and chance.random() < 0.8:
            body = chance.choice(bodies[name])
        elif content:
            body = by_schema(next(iter(content.values()))["schema"], parts, chance)
        while body is not None and chance.random() < 0.55:
            body = odd_in(body, chance)
        sent = None if body is None else json.dumps(body).encode()
        if chance.random() < 0.02:
            sent = chance.randbytes(chance.randrange(200))
        kind = (
            "application/zip"
            if name == "restoreData"
            else "image/png"
            if name == "keepPhotograph"
            else "application/json"
        )
        began = time.monotonic()
        answer = client.open(where, method=method, data=sent, content_type=kind if sent else None)
        answer.get_data()
        took_s = time.monotonic() - began
        found.requests += 1
        found.statuses[answer.status_code] += 1
        found.operations.add(name)
        found.slowest_s = max(found.slowest_s, took_s)
        if answer.status_code < 300:
            found.reached.add(name)
        if answer.status_code >= 500 or (took_s > LONGEST_S and name not in SEARCHES):
            found.wrong.append(f"{answer.status_code} in {took_s:.1f} s: {method} {where} {(sent or b'')[:600]!r}")


def _value(name: str, chance: random.Random) -> str:
    """Return what may stand in a path: mostly what is there."""
    if chance.random() < 0.05:
        return chance.choice(("0", "-1", "99999", str(2**63), "x", "%00", "..%2f", "1e3", "é"))
    if name.endswith("_id") and name not in ("probe_id", "scale_id"):
        return str(chance.randint(1, 14))
    known = {
        "probe_id": ("stand-in", "oven"),
        "scale_id": ("stand-in",),
        "kind": ("slab", "moulded", "rolled"),
        "timer_key": ("a", "b"),
    }
    return chance.choice(known.get(name, ("1",)))
