"""Hostile files of every kind that a kitchen opens: each is refused in a sentence, or harmless."""

import io
import json
import random
import struct
import tempfile
import time
import zipfile
import zlib
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any, Final, NamedTuple

from PIL import Image

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.store.db import Database
from hearth_bowl.store.sound import what_is_wrong
from tests.attack.odd import ODD, odd_in
from tests.ready_kitchens import kitchen_file

LONGEST_S: Final = 10.0
"""The longest that a file may take to be refused [s]: a large photograph is decoded in that."""
NAMES = ("../../x", "/etc/x", "..\\x", "C:\\x", "a/../../x", "\u202etxt.exe", "x" * 5000, "con", "photographs/../../x")


class File(NamedTuple):
    """A file and where it is given in."""

    kind: str
    path: str
    content: bytes
    mimetype: str = "application/json"


@dataclass
class Opened:
    """Counts by kind, refused and taken, and what was wrong."""

    files: int = 0
    refused: int = 0
    taken: int = 0
    slowest_s: float = 0.0
    wrong: list[str] = field(default_factory=list)


def open_all(count: int, seed: int) -> Opened:
    """Give so many hostile files in; return what became of them."""
    chance, found = random.Random(seed), Opened()
    with tempfile.TemporaryDirectory() as outer:
        folder = Path(outer) / "a" / "kitchen"
        folder.mkdir(parents=True)
        path = folder / "hearth-bowl.sqlite3"
        path.write_bytes(kitchen_file("season"))
        database = Database(path)
        client = create_app(database, WEB).test_client()
        batch = client.post("/api/batches", json={"recipe_id": 1, "choices": {}}).get_json()["batch"]["id"]
        recipe = client.get("/api/recipes/1").get_json()["recipe"]
        files = _files(chance, batch, recipe)
        for _ in range(count):
            file = next(files)
            began = time.monotonic()
            answer = client.post(file.path, data=file.content, content_type=file.mimetype)
            took_s = time.monotonic() - began
            found.files += 1
            found.slowest_s = max(found.slowest_s, took_s)
            found.refused += answer.status_code >= 400
            found.taken += answer.status_code < 400
            if answer.status_code >= 500 or took_s > LONGEST_S:
                found.wrong.append(f"{file.kind}: {answer.status_code} in {took_s:.1f} s, {file.content[:200]!r}")
            if client.get("/api/recipes").status_code != 200:
                found.wrong.append(f"{file.kind}: the kitchen does not open, {file.content[:200]!r}")
        database.close()
        outside = {each.name for each in Path(outer).iterdir()} | {each.name for each in folder.parent.iterdir()}
        if outside != {"a", "kitchen"}:
            found.wrong.append(f"written outside: {outside}")
        if what_is_wrong(path):
            found.wrong.append(what_is_wrong(path))
    return found


def _files(chance: random.Random, batch: int, recipe: dict[str, Any]) -> Iterator[File]:
    makers = (_backup, _photograph, _shared, _card, _label, _batch, _table)
    while True:
        for make in makers:
            yield make(chance, batch, recipe)


def _text(kind: str, path: str, key: str, text: str) -> File:
    return File(kind, path, json.dumps({key: text}).encode())


def _backup(chance: random.Random, _batch: int, _recipe: dict[str, Any]) -> File:
    out = io.BytesIO()
    manifest = {"format": "hearth-bowl/backup", "version": chance.choice((1, 2, 99, "x")), "files": {}}
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as bundle:
        bundle.writestr("manifest.json", json.dumps(odd_in(manifest, chance)) if chance.random() < 0.9 else "{")
        bundle.writestr(chance.choice(NAMES), chance.randbytes(50))
        if chance.random() < 0.3:
            bundle.writestr("kitchen.sqlite3", b"\0" * 3_000_000)
    content = out.getvalue()
    if chance.random() < 0.3:
        content = content[: chance.randrange(len(content))]
    return File("backup", "/api/data/restore", content, "application/zip")


def _photograph(chance: random.Random, batch: int, _recipe: dict[str, Any]) -> File:
    path = f"/api/batches/{batch}/photographs"
    what = chance.randrange(5)
    if what == 0:  # a picture of a gigapixel in some bytes
        head = struct.pack(">IIBBBBB", 40_000, 40_000, 8, 2, 0, 0, 0)
        chunks = b"".join(
            struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))
            for name, data in ((b"IHDR", head), (b"IDAT", zlib.compress(b"\0" * 1000)), (b"IEND", b""))
        )
        return File("photograph", path, b"\x89PNG\r\n\x1a\n" + chunks, "image/png")
    out = io.BytesIO()
    image = Image.new("RGB", (chance.randint(1, 900), chance.randint(1, 900)), "brown")
    image.save(out, chance.choice(("JPEG", "PNG", "GIF", "TIFF", "BMP", "PPM")))
    content = bytearray(out.getvalue())
    if what == 1:
        content = content[: len(content) // 2]
    elif what == 2:
        for _ in range(20):
            content[chance.randrange(len(content))] = chance.randrange(256)
    elif what == 3:
        content = bytearray(b"<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>")
    return File("photograph", path, bytes(content), chance.choice(("image/jpeg", "image/png", "image/svg+xml")))


def _shared(chance: random.Random, _batch: int, recipe: dict[str, Any]) -> File:
    whole = {"format": "hearth-bowl/shared", "version": 1, "recipes": [{"recipe": recipe, "versions": []}]}
    odd = odd_in(odd_in(whole, chance), chance)
    text = json.dumps(odd)
    if chance.random() < 0.2:
        text = "[" * 3000 + text
    path = chance.choice(("/api/shared", "/api/shared/look"))
    return _text("shared file", path, "text", text)


def _card(chance: random.Random, _batch: int, _recipe: dict[str, Any]) -> File:
    pieces = [
        "200 g cream\n",
        "½ cup sugar\n",
        "(" * 400,
        "1/0 tsp salt\n",
        "\u202e3 g x\n",
        "9" * 400 + " g milk\n",
        "{",
        "\0",
    ]
    pieces += [str(odd)[:300] + "\n" for odd in ODD]
    text = "".join(chance.choice(pieces) for _ in range(chance.choice((1, 5, 60))))
    return _text("card", "/api/recipes/read", "text", text[:100_000] or "x")


def _label(chance: random.Random, _batch: int, _recipe: dict[str, Any]) -> File:
    body = {
        "kind": "dark",
        "fat": 38.0,
        "carbohydrate": 45.0,
        "sugars": 40.0,
        "protein": 6.0,
        "salt": 0.1,
        "fibre": 8.0,
    }
    return File("packet label", "/api/label", json.dumps(odd_in(odd_in(body, chance), chance)).encode())


def _batch(chance: random.Random, _batch: int, recipe: dict[str, Any]) -> File:
    whole = {
        "format": "hearth-bowl/batch",
        "version": 1,
        "name": "Odd",
        "started_at": "2026-08-01T10:00:00Z",
        "recipe": recipe,
        "events": [{"at": "2026-08-01T10:01:00Z", "kind": "note", "what": {"kind": "note", "text": "x"}}],
        "readings": [{"at": "2026-08-01T10:01:00Z", "shown_c": 20.0}],
    }
    text = json.dumps(odd_in(odd_in(whole, chance), chance))
    return _text("batch", "/api/batches/take-in", "json_file", text)


def _table(chance: random.Random, _batch: int, _recipe: dict[str, Any]) -> File:
    rows = "".join(",".join(str(chance.choice(ODD))[:200] for _ in range(4)) + "\n" for _ in range(5))
    path, head = chance.choice(
        (
            ("/api/larder/csv", "label,pack_g,price,in_house_g\n"),
            ("/api/probes/oven/csv", "at,c\n"),
            ("/api/batches/take-in", "started_at,recipe,verdict,notes\n"),
        )
    )
    return _text("table", path, "csv", head + rows)
