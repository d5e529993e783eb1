"""Kills at random moments while recipes, batches, photographs, backups and restores are written."""

import contextlib
import io
import json
import random
import sqlite3
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Callable
from dataclasses import dataclass, field
from http.client import HTTPException
from typing import Any

from PIL import Image

from hearth_bowl.service.photographs import folder_of
from tests.api.server import Server
from tests.kitchen import recipe_record

LONGEST_S = 2.0
"""Time from the start of a round's load to its kill, at most [s]."""
WRITERS = 3
GONE = (OSError, HTTPException, urllib.error.URLError, json.JSONDecodeError)
"""What a request meets whose server was killed."""


@dataclass
class Kills:
    """Counts of a run: kills, writes that were acknowledged, restores that were, and what was lost, in words."""

    kills: int = 0
    writes: int = 0
    restores: int = 0
    lost: list[str] = field(default_factory=list)


@dataclass
class _Round:
    """Names that were acknowledged before a restore was asked for, while it ran, and after it was acknowledged."""

    before: set[str] = field(default_factory=set)
    after: set[str] = field(default_factory=set)
    phase: str = "before"
    tries: int = 0


def kill_often(kills: int, seed: int) -> Kills:
    """Kill a server so many times under load; return what became of what it had acknowledged."""
    chance, found = random.Random(seed), Kills()
    server = Server("serve").start()
    try:
        known: set[str] = set()
        for number in range(kills):
            known = _round(server, chance, number, known, found)
    finally:
        server.stop()
    return found


def _round(server: Server, chance: random.Random, number: int, known: set[str], found: Kills) -> set[str]:
    """Write, kill, start again and look; return all that is there."""
    restores = chance.random() < 0.3
    backup = _backup(server) if restores else b""
    round_ = _Round(before=set(known))
    jobs: list[Callable[[], object]] = [
        *(lambda who=who: _write(server, round_, f"{number}-{who}") for who in range(WRITERS)),
        lambda: _photograph(server, round_, f"{number}-p"),
        lambda: _restore(server, round_, backup, found) if restores else _backup(server),
    ]
    threads = [threading.Thread(target=_until_gone, args=(job,)) for job in jobs]
    for thread in threads:
        thread.start()
    if number % 2 and not restores:
        _first_write(round_, known, threads)
    time.sleep(chance.uniform(0.01, LONGEST_S))  # a moment of no state: that is the attack
    server.kill()
    for thread in threads:
        thread.join()
    server.start()
    there = _there(server)
    found.kills += 1
    found.writes += len(round_.before - known) + len(round_.after)
    whole = round_.before | round_.after <= there
    restored = restores and round_.phase != "before" and known | round_.after <= there
    if not whole and not restored:
        found.lost += sorted((round_.before | round_.after) - there)
    return there


def _first_write(round_: _Round, known: set[str], threads: list[threading.Thread]) -> None:
    """Wait until a write of this round is acknowledged, however slow the machine is."""
    while not round_.before - known and any(thread.is_alive() for thread in threads):
        time.sleep(0.01)


def _until_gone(job: Callable[[], object]) -> None:
    with contextlib.suppress(*GONE):
        while True:
            job()


def _keep(round_: _Round, phase: str, name: str) -> None:
    if phase == round_.phase == "before":
        round_.before.add(name)
    elif phase == round_.phase == "after":
        round_.after.add(name)


def _write(server: Server, round_: _Round, who: str) -> None:
    """Store a recipe, and a note in a batch of it."""
    round_.tries += 1
    name, phase = f"recipe {who} {round_.tries}", round_.phase
    status, stored = server.call("POST", "/api/recipes", {"recipe": recipe_record(name=name)})
    if status == 201:
        _keep(round_, phase, name)
    status, _ = server.call("POST", "/api/batches", {"recipe_id": stored["id"]}) if status == 201 else (0, {})
    if status == 201:
        _keep(round_, phase, f"batch of {name}")


def _photograph(server: Server, round_: _Round, who: str) -> None:
    phase = round_.phase
    _, stored = server.call("POST", "/api/recipes", {"recipe": recipe_record(name=f"of {who}")})
    status, run = server.call("POST", "/api/batches", {"recipe_id": stored.get("id", 0)})
    if status != 201:
        return
    out = io.BytesIO()
    Image.effect_noise((640, 480), 60).convert("RGB").save(out, "JPEG")
    batch = run["batch"]["id"]
    path, kind = f"/api/batches/{batch}/photographs", {"Content-Type": "image/jpeg"}
    status, kept = server.call("POST", path, out.getvalue(), kind)
    if status == 201:
        _keep(round_, phase, f"photograph {kept['id']} of batch of of {who}")


def _backup(server: Server) -> bytes:
    with urllib.request.urlopen(server.url + "/api/data/backup.zip", timeout=60) as answer:
        content: bytes = answer.read()
    return content


def _restore(server: Server, round_: _Round, backup: bytes, found: Kills) -> None:
    """Restore once; what is acknowledged while it runs may be of either kitchen, so it is not counted."""
    if round_.phase == "before":
        round_.phase = "during"
        status, _ = server.call("POST", "/api/data/restore", backup, {"Content-Type": "application/zip"})
        if status == 200:
            round_.phase = "after"
            found.restores += 1
    _backup(server)


def _there(server: Server) -> set[str]:
    """Return the names of what the kitchen holds, read from its pages as a person would."""
    names: set[str] = set()
    after: Any = None
    while True:
        page = server.call("GET", "/api/recipes" + (f"?after={after}" if after else ""))[1]
        names |= {row["name"] for row in page["recipes"]}
        after = page["after"]
        if after is None:
            break
    before: Any = None
    while True:
        page = server.call("GET", "/api/batches?most=200" + (f"&before={before}" if before else ""))[1]
        for row in page["batches"]:
            names.add(f"batch of {row['name']}")
        before = page["before"]
        if before is None:
            break
    return names | _photographs(server)


def _photographs(server: Server) -> set[str]:
    folder = folder_of(server.database)
    with contextlib.closing(sqlite3.connect(server.database)) as connection:
        rows = connection.execute(
            "SELECT photograph.id, photograph.file, batch.name FROM photograph JOIN batch ON batch.id = batch_id"
        ).fetchall()
    return {f"photograph {number} of batch of {name}" for number, file, name in rows if (folder / file).is_file()}
