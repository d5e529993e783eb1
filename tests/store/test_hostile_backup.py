"""Backups from anywhere: refused whole, by the page and the command line, with nothing written; damage is said."""

import contextlib
import hashlib
import io
import json
import sqlite3
import unittest
import zipfile
from datetime import UTC, datetime, timedelta
from pathlib import Path

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.server import FILE, do_chores, open_data
from hearth_bowl.service.backups import AUTOMATIC, automatic_of, backup_to
from hearth_bowl.service.health import Health
from hearth_bowl.store.migrate import newest_revision
from tests import command
from tests.api.server import Server, free_port
from tests.store.test_backup import InAFolder, recipes_in

NOW = datetime.now(UTC)


def everything_in(folder: Path) -> set[tuple[str, bytes]]:
    """Return every file of a folder but what a running kitchen itself writes."""
    own = (".lock", "-wal", "-shm")
    return {(str(file), file.read_bytes()) for file in folder.rglob("*") if file.is_file() and file.name[-4:] not in own
            and not file.name.endswith(own)}  # fmt: skip


class Hostile(InAFolder):
    def setUp(self) -> None:
        super().setUp()
        self.here = self.kitchen("a/b/here")
        self.database = open_data(self.here, demo=False)
        self.addCleanup(self.database.close)
        self.client = create_app(self.database, WEB).test_client()
        whole = self.folder / "whole.zip"
        backup_to(self.database, whole, NOW)
        with zipfile.ZipFile(whole) as bundle:
            self.parts = {name: bundle.read(name) for name in bundle.namelist()}

    def bundle(self, more: dict[str, bytes], listed: bool = False, **manifest: object) -> bytes:
        """Return a backup with more in it, or other data; `listed` in its list of files too, truly."""
        parts = {**self.parts, **more}
        told = json.loads(parts.pop("manifest.json"))
        if listed:
            rows = [(name, parts[name]) for name in parts]
            told["files"] = [{"name": n, "bytes": len(d), "sha256": hashlib.sha256(d).hexdigest()} for n, d in rows]
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
            for name, data in parts.items():
                made.writestr(name, data)
            made.writestr("manifest.json", json.dumps({**told, **manifest}))
        return out.getvalue()

    def data(self, *statements: str) -> bytes:
        """Return a database of ours after some statements."""
        file = self.folder / "changed.sqlite3"
        file.write_bytes(self.parts["kitchen.sqlite3"])
        with contextlib.closing(sqlite3.connect(file)) as connection:
            for statement in statements:
                connection.execute(statement)
            connection.commit()
        return file.read_bytes()

    def hostile(self) -> dict[str, bytes]:
        names = (
            "../../x", "/tmp/hearth-bowl-x", f"../{FILE}-wal", "photographs/../../x", "photographs/", "photographs/.x",
            "photographs\\..\\x", "extra.txt", "photographs/a/b.jpg", "C:/x", "photographs/x\n.jpg",
        )  # fmt: skip
        found = {f"{name} {yes}": self.bundle({name: b"x"}, yes) for name in names for yes in (False, True)}
        found["a large one that nobody lists"] = self.bundle({"photographs/big.jpg": bytes(70_000_000)})
        found["a photograph too large"] = self.bundle({"photographs/big.jpg": bytes(70_000_000)}, listed=True)
        lists: tuple[object, ...] = ([], None, 3, {"a": 1}, [1], [{}], [{"name": "kitchen.sqlite3"}], "kitchen.sqlite3",
                                     [{"name": ["kitchen.sqlite3"], "bytes": 1, "sha256": 2}])  # fmt: skip
        found |= {f"files {rows!r}": self.bundle({}, files=rows) for rows in lists}
        for field, value in (("revision", "9999"), ("revision", None), ("revision", ["0001"]), ("version", 2),
                             ("revision", "0001"), ("format", "x"), ("revision", "00")):  # fmt: skip
            found[f"{field} {value}"] = self.bundle({}, **{field: value})
        for what, data in (
            ("empty", b""), ("text", b"no database"), ("unrelated", self.unrelated()),
            ("half", self.parts["kitchen.sqlite3"][:9000]),
            ("unknown revision", self.data("UPDATE alembic_version SET version_num = '9999'")),
            ("no revision", self.data("DROP TABLE alembic_version")), ("no recipes", self.data("DROP TABLE recipe")),
            ("a trigger", self.data("CREATE TRIGGER t AFTER INSERT ON recipe BEGIN DELETE FROM recipe; END")),
        ):  # fmt: skip
            found[f"data: {what}"] = self.bundle({"kitchen.sqlite3": data}, listed=True)
        deep = io.BytesIO()
        with zipfile.ZipFile(deep, "w") as made:
            made.writestr("manifest.json", "[" * 100_000)
        return found | {"a deep list": deep.getvalue(), "no zip": b"PK\x03\x04", "nothing": b""}

    def unrelated(self) -> bytes:
        file = self.folder / "unrelated.sqlite3"
        with contextlib.closing(sqlite3.connect(file)) as connection:
            connection.execute("CREATE TABLE alembic_version (version_num TEXT)")
            connection.execute("INSERT INTO alembic_version VALUES (?)", (newest_revision(),))
            connection.commit()
        return file.read_bytes()

    def test_whatever_it_is_it_is_refused_in_a_sentence_and_nothing_is_written(self) -> None:
        made = self.hostile()
        before = everything_in(self.folder)
        self.assertGreater(len(made), 45)
        for what, content in made.items():
            with self.subTest(what):
                answer = self.client.post("/api/data/restore", data=content, content_type="application/zip")
                self.assertEqual(answer.status_code, 422, answer.text)
                self.assertIn(str(self.here), answer.get_json(force=True)["detail"])
                self.assertEqual(everything_in(self.folder), before)
                self.assertEqual(self.client.get("/api/recipes").status_code, 200)

    def test_a_backup_that_brings_a_device_lets_nobody_in(self) -> None:
        device = (
            "INSERT INTO paired_device (name, role, secret_hash, paired_at, seen_at) "
            "VALUES ('Stranger', 'cook', 'x', '2026-08-01 10:00:00', '2026-08-01 10:00:00')"
        )
        content = self.bundle({"kitchen.sqlite3": self.data(device)}, listed=True)
        answer = self.client.post("/api/data/restore", data=content, content_type="application/zip")
        self.assertEqual(answer.status_code, 200, answer.text)
        self.assertEqual(self.client.get("/api/pairing").get_json()["devices"], [])

    def test_the_command_line_refuses_the_same_and_takes_a_good_one(self) -> None:
        self.database.close()
        for what, content, code in (
            ("out of the folder", self.bundle({"../../x": b"x"}, listed=True), 2),
            ("unknown revision", self.bundle({"kitchen.sqlite3": self.unrelated()}, listed=True), 2),
            ("whole", self.bundle({}), 0),
        ):
            file = self.folder / "given.zip"
            file.write_bytes(content)
            done = command.run("restore", str(file), "--data", str(self.here))
            with self.subTest(what):
                self.assertEqual(done.returncode, code, done.stderr)
                self.assertEqual(str(self.here) in done.stderr, code == 2)
        self.assertFalse((self.folder / "a" / "x").exists())


class Damaged(InAFolder):
    def test_damage_is_said_with_a_sound_backup_none_is_let_go_and_other_chores_go_on(self) -> None:
        folder = self.kitchen("kitchen", demo=True)
        database, health = open_data(folder, demo=False), Health()
        self.addCleanup(database.close)
        do_chores(database, health, NOW - timedelta(days=20))
        self.assertEqual(health.warning, "")
        database.close()
        with contextlib.closing(sqlite3.connect(folder / FILE)) as connection:
            connection.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchall()
            root = connection.execute("SELECT rootpage FROM sqlite_master WHERE name = 'batch_event'").fetchone()[0]
            page = connection.execute("PRAGMA page_size").fetchone()[0]
        with (folder / FILE).open("r+b") as file:
            file.seek((root - 1) * page)
            file.write(b"\xff" * 200)
        for _ in range(2):
            do_chores(database, health, NOW)
        self.assertEqual(len(automatic_of(folder)), 1)
        kept = folder / AUTOMATIC / f"{automatic_of(folder)[0].day.isoformat()}.zip"
        client = create_app(database, WEB, health=health).test_client()
        self.assertIn(str(kept), client.get("/api/data").get_json()["warning"])
        self.assertEqual(client.get("/api/data/backup.zip").status_code, 409)
        answer = client.post("/api/data/restore", data=kept.read_bytes(), content_type="application/zip")
        self.assertEqual(answer.status_code, 200, answer.text)
        do_chores(database, health, NOW)
        self.assertEqual(client.get("/api/data").get_json()["warning"], "")
        self.assertEqual(len(automatic_of(folder)), 2)

    def test_a_chore_that_fails_is_said_and_stops_no_other(self) -> None:
        folder = self.kitchen("kitchen")
        database, health = open_data(folder, demo=False), Health()
        self.addCleanup(database.close)
        (folder / AUTOMATIC).write_text("a file is in the way")
        do_chores(database, health, NOW)
        self.assertIn("could not be made", health.warning)
        (folder / AUTOMATIC).unlink()
        do_chores(database, health, NOW)
        self.assertEqual((health.warning, len(automatic_of(folder))), ("", 1))
        with sqlite3.connect(folder / FILE) as connection:
            connection.execute("ALTER TABLE probe RENAME TO probe_elsewhere")
        connection.close()
        do_chores(database, health, NOW + timedelta(days=1))
        self.assertIn("could not be deleted", health.warning)
        self.assertEqual(len(automatic_of(folder)), 2)


class Two(InAFolder):
    def test_a_second_server_on_one_folder_is_refused_and_the_first_is_named(self) -> None:
        first = Server("serve").start()
        self.addCleanup(first.stop)
        second = command.run("serve", "--port", str(free_port()), "--data", first.folder.name)
        self.assertEqual(second.returncode, 1)
        self.assertIn(first.url, second.stderr)
        first.kill()
        first.start()
        self.assertEqual(recipes_in(first.database), set())


if __name__ == "__main__":
    unittest.main()
