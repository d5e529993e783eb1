"""Backups: whole while it is written, refused when damaged, put back whole or not at all, whenever it is cut short."""

import io
import json
import shutil
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
import unittest
import zipfile
from contextlib import closing
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from unittest.mock import patch

from hearth_bowl import store
from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.server import FILE, open_data
from hearth_bowl.service.backup_job import BackupJob, sweep_backups
from hearth_bowl.service.backups import AUTOMATIC, back_up_today, backup_to, kept_days, restore_from
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.recipes import create_recipe, delete_recipe
from hearth_bowl.store.backup import Damaged
from hearth_bowl.store.backup_read import BadBackup, read_backup
from hearth_bowl.store.restore import READY, finish, lay_beside, take_place
from hearth_bowl.store.unclean import log_is_missing, mark
from tests import command
from tests.api.server import Server
from tests.kitchen import recipe_record
from tests.ready_kitchens import kitchen_file

NOW = datetime.now(UTC)
LATEST = max((Path(store.__file__).parent / "migrations" / "versions").glob("*.py")).name[:4]


def sound(database: Path) -> bool:
    with closing(sqlite3.connect(database)) as connection:
        is_whole = connection.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
        return is_whole and connection.execute("PRAGMA foreign_key_check").fetchone() is None


def recipes_in(database: Path) -> set[str]:
    with closing(sqlite3.connect(database)) as connection:
        return {row[0] for row in connection.execute("SELECT name FROM recipe")}


class InAFolder(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def kitchen(self, name: str, demo: bool = False) -> Path:
        folder = self.folder / name
        folder.mkdir(parents=True, exist_ok=True)
        (folder / FILE).write_bytes(kitchen_file("season" if demo else "empty"))
        return folder


class WhileItIsWritten(InAFolder):
    def test_every_backup_is_sound_and_holds_what_was_acknowledged_before_it(self) -> None:
        server = Server("serve").start()
        self.addCleanup(server.stop)
        acknowledged: list[str] = []
        ended = threading.Event()

        def write() -> None:
            while not ended.is_set():
                name = f"Written {len(acknowledged)}"
                if server.call("POST", "/api/recipes", {"recipe": recipe_record(name=name)})[0] == 201:
                    acknowledged.append(name)

        writers = [threading.Thread(target=write) for _ in range(2)]
        for writer in writers:
            writer.start()
        for turn in range(4):
            wanted = 15 * (turn + 1)
            while len(acknowledged) < wanted:
                time.sleep(0.01)
            before = set(acknowledged)
            out = self.folder / f"{turn}.zip"
            done = command.run("backup", str(out), "--data", server.folder.name)
            self.assertEqual(done.returncode, 0, done.stderr)
            self.assertEqual(json.loads(done.stdout)["bytes"], out.stat().st_size)
            target = self.folder / f"restored {turn}"
            target.mkdir()
            lay_beside(out, target)
            take_place(target, FILE, NOW)
            self.assertTrue(sound(target / FILE))
            self.assertLessEqual(before, recipes_in(target / FILE))
        ended.set()
        for writer in writers:
            writer.join()

    def test_a_running_kitchen_is_put_back_on_its_page_and_not_under_it(self) -> None:
        server = Server("serve").start()
        self.addCleanup(server.stop)
        server.call("POST", "/api/recipes", {"recipe": recipe_record(name="Kept")})
        out = self.folder / "kept.zip"
        self.assertEqual(command.run("backup", str(out), "--data", server.folder.name).returncode, 0)
        server.call("POST", "/api/recipes", {"recipe": recipe_record(name="Later")})
        refused = command.run("restore", str(out), "--data", server.folder.name)
        self.assertEqual((refused.returncode, refused.stdout), (2, ""))
        self.assertIn("is running", json.loads(refused.stderr)["error"]["message"])
        zipped = {"Content-Type": "application/zip"}
        self.assertEqual(server.call("POST", "/api/data/restore", b"no zip at all", zipped)[0], 422)
        names = [row["name"] for row in server.call("GET", "/api/recipes")[1]["recipes"]]
        self.assertEqual(names, ["Later", "Kept"])
        self.assertEqual(server.call("POST", "/api/data/restore", out.read_bytes(), zipped)[0], 200)
        names = [row["name"] for row in server.call("GET", "/api/recipes")[1]["recipes"]]
        self.assertEqual(names, ["Kept"])
        self.assertEqual(len(server.call("GET", "/api/data")[1]["aside"]), 1)
        server.call("POST", "/api/recipes", {"recipe": recipe_record(name="After")})
        server.kill()
        self.assertEqual(command.run("restore", str(out), "--data", server.folder.name).returncode, 0)
        server.start()
        self.assertEqual([row["name"] for row in server.call("GET", "/api/recipes")[1]["recipes"]], ["Kept"])


class Refused(InAFolder):
    def backup(self) -> Path:
        out = self.folder / "backup.zip"
        database = open_data(self.kitchen("demo", demo=True), demo=False)
        backup_to(database, out, NOW)
        database.close()
        return out

    def test_what_is_damaged_newer_or_none_is_refused_and_the_kitchen_stays(self) -> None:
        whole = self.backup()
        here = self.kitchen("here")
        before = (here / FILE).read_bytes()
        data = bytearray(whole.read_bytes())
        data[len(data) // 2] ^= 0xFF
        for number, content in enumerate(
            (b"", b"not a zip", bytes(data), whole.read_bytes()[:-200], self.changed(whole, revision="9999"),
             self.changed(whole, format="other"), self.changed(whole, files=[]))
        ):  # fmt: skip
            file = self.folder / f"bad {number}.zip"
            file.write_bytes(content)
            with self.subTest(number), self.assertRaises(BadBackup):
                lay_beside(file, here)
            self.assertEqual((here / FILE).read_bytes(), before)
        self.assertEqual(read_backup(whole).revision, LATEST)

    def changed(self, whole: Path, **manifest: object) -> bytes:
        out = io.BytesIO()
        with zipfile.ZipFile(whole) as source, zipfile.ZipFile(out, "w") as target:
            for name in source.namelist():
                data = source.read(name)
                if name == "manifest.json":
                    data = json.dumps({**json.loads(data), **manifest}).encode()
                target.writestr(name, data)
        return out.getvalue()

    def test_photographs_go_along(self) -> None:
        folder = self.kitchen("pictures", demo=True)
        (folder / "photographs").mkdir()
        (folder / "photographs" / "one.jpg").write_bytes(b"a picture")
        database = open_data(folder, demo=False)
        with database.writing() as session:
            from hearth_bowl.store.models import PhotographRow

            session.add(PhotographRow(batch_id=1, at=NOW, file="one.jpg", width_px=1, height_px=1))
        backup_to(database, self.folder / "p.zip", NOW)
        (folder / "photographs" / "one.jpg").unlink()
        restore_from(database, self.folder / "p.zip", NOW)
        self.assertEqual((folder / "photographs" / "one.jpg").read_bytes(), b"a picture")
        database.close()


class CutShort(InAFolder):
    def test_a_restore_cut_at_any_step_is_finished_by_the_next_start(self) -> None:
        """Every move that a restore makes is made, then everything stops: what is next opened is old or new, whole."""
        new = self.kitchen("new", demo=True)
        database = open_data(new, demo=False)
        out = self.folder / "new.zip"
        backup_to(database, out, NOW)
        database.close()
        old = self.kitchen("old")
        step, outcomes = 0, []
        while True:
            folder = self.folder / f"step {step}"
            shutil.copytree(old, folder)
            done = self.restore_until(folder, out, step)
            finish(folder)
            self.assertTrue(sound(folder / FILE), step)
            outcomes.append(len(recipes_in(folder / FILE)))
            self.assertFalse((folder / READY).exists())
            if done:
                break
            step += 1
        self.assertGreaterEqual(step, 4)
        self.assertEqual(outcomes[-1], 11)
        self.assertEqual(outcomes, sorted(outcomes), "once it is the new one it stays the new one")

    def restore_until(self, folder: Path, out: Path, moves: int) -> bool:
        """Put a backup back, stopped dead after so many moves; return whether it came to its end."""
        code = (
            "import os, sys\n"
            "from datetime import datetime, UTC\n"
            "from pathlib import Path\n"
            "from hearth_bowl.store.restore import lay_beside, take_place\n"
            "left, move = int(sys.argv[3]), os.replace\n"
            "def counted(a, b):\n"
            "    global left\n"
            "    if left == 0: os._exit(9)\n"
            "    left -= 1\n"
            "    move(a, b)\n"
            "os.replace = counted\n"
            "lay_beside(Path(sys.argv[2]), Path(sys.argv[1]))\n"
            f"take_place(Path(sys.argv[1]), {FILE!r}, datetime.now(UTC))\n"
        )
        words = [sys.executable, "-c", code, str(folder), str(out), str(moves)]
        return subprocess.run(words, check=False).returncode == 0

    def test_killed_at_any_moment_of_a_backup_or_restore_the_kitchen_is_good(self) -> None:
        folder = self.kitchen("kitchen", demo=True)
        out = self.folder / "kitchen.zip"
        for turn in range(6):
            verb = "backup" if turn % 2 == 0 else "restore"
            if verb == "restore" and not out.exists():
                database = open_data(folder, demo=False)
                backup_to(database, out, NOW)
                database.close()
            target = out if verb == "restore" else self.folder / f"try {turn}.zip"
            process = command.start(verb, str(target), "--data", str(folder))
            while process.poll() is None and not any(folder.glob("restore-*")) and not list(self.folder.glob("*.copy")):
                time.sleep(0.001)
            process.kill()
            process.wait()
            open_data(folder, demo=False).close()
            self.assertTrue(sound(folder / FILE))
            self.assertEqual(len(recipes_in(folder / FILE)), 11)
            if target.exists():
                read_backup(target)


class Shown(InAFolder):
    def test_a_backup_that_a_page_asks_for_says_how_far_it_is_and_is_sent_once(self) -> None:
        database = open_data(self.kitchen("kitchen", demo=True), demo=False)
        self.addCleanup(database.close)
        shares: list[float] = []
        backup_to(database, self.folder / "seen.zip", NOW, shares.append)
        self.assertEqual((shares, shares[-1]), (sorted(shares), 1.0))
        client = create_app(database, WEB).test_client()
        self.assertEqual(client.get("/api/data/backup").get_json()["state"], "none")
        self.assertEqual(client.post("/api/data/backup").status_code, 202)
        made = client.get("/api/data/backup").get_json()
        while made["state"] == "making":
            made = client.get("/api/data/backup").get_json()
        self.assertEqual((made["state"], made["share"]), ("ready", 1.0))
        sent = client.get("/api/data/backup.zip")
        self.assertEqual(len(sent.data), made["bytes"])
        sent.close()
        self.assertEqual(client.get("/api/data/backup").get_json()["state"], "none")
        self.assertEqual(list(database.path.parent.glob("backup-*")), [])
        (database.path.parent / "backup-left").mkdir()
        sweep_backups(database.path.parent)
        self.assertEqual(list(database.path.parent.glob("backup-*")), [])

    def test_a_backup_of_damaged_data_fails_in_words(self) -> None:
        database = open_data(self.kitchen("kitchen", demo=True), demo=False)
        self.addCleanup(database.close)
        job = BackupJob()
        for problem in (Damaged("page 7"), sqlite3.OperationalError("page 7 is locked"), OSError("page 7")):
            with patch("hearth_bowl.service.backup_job.backup_to", side_effect=problem):
                job.start(database, NOW)
                while job.made.state == "making":
                    time.sleep(0.001)
            self.assertEqual(job.made.state, "failed")
            self.assertIn("page 7", job.made.problem)
            with self.assertRaises(NotFound):
                job.take()


class Deleted(InAFolder):
    def test_what_is_deleted_is_gone_from_the_file_and_from_backups_that_are_made_after(self) -> None:
        folder = self.kitchen("kitchen")
        database = open_data(folder, demo=False)
        with database.writing() as session:
            kept = create_recipe(session, recipe_record(name="Unforgettable comet dust"), NOW)
        with database.writing() as session:
            delete_recipe(session, kept.id)
        backup_to(database, self.folder / "after.zip", NOW)
        database.close()
        with zipfile.ZipFile(self.folder / "after.zip") as bundle:
            for name in bundle.namelist():
                self.assertNotIn(b"Unforgettable", bundle.read(name))
        self.assertNotIn(b"Unforgettable", (folder / FILE).read_bytes())


class Rolling(InAFolder):
    def test_seven_days_then_a_week_each_for_two_months(self) -> None:
        today = date(2026, 8, 14)
        days = {today - timedelta(days=back) for back in range(120)}
        kept = kept_days(days, today)
        self.assertLessEqual({today - timedelta(days=back) for back in range(7)}, kept)
        older = sorted(day for day in kept if day <= today - timedelta(days=7))
        self.assertTrue(6 <= len(older) <= 8)
        self.assertGreater(min(kept), today - timedelta(weeks=8))
        self.assertEqual({day.isoweekday() for day in older[:-1]}, {7}, "the newest of a week is its Sunday")

    def test_one_is_made_a_day_and_old_ones_go(self) -> None:
        database = open_data(self.kitchen("kitchen"), demo=False)
        self.addCleanup(database.close)
        self.assertTrue(back_up_today(database, NOW))
        self.assertFalse(back_up_today(database, NOW))
        old = database.path.parent / AUTOMATIC / "2019-01-01.zip"
        old.write_bytes(b"old")
        back_up_today(database, NOW + timedelta(days=1))
        self.assertFalse(old.exists())


class Unclean(InAFolder):
    def test_a_copy_without_its_log_after_an_unclean_end_is_noticed(self) -> None:
        folder = self.kitchen("kitchen")
        self.assertFalse(log_is_missing(folder / FILE))
        mark(folder / FILE, in_use=True)
        shutil.copytree(folder, self.folder / "copy")
        for end in ("-wal", "-shm"):
            (self.folder / "copy" / f"{FILE}{end}").unlink(missing_ok=True)
        self.assertTrue(log_is_missing(self.folder / "copy" / FILE))
        (self.folder / "copy" / f"{FILE}-wal").touch()
        self.assertFalse(log_is_missing(self.folder / "copy" / FILE))
        mark(folder / FILE, in_use=False)
        self.assertFalse(log_is_missing(folder / FILE))

    def test_the_server_says_so_and_a_kill_with_its_log_is_no_alarm(self) -> None:
        server = Server("serve").start()
        self.addCleanup(server.stop)
        server.call("POST", "/api/recipes", {"recipe": recipe_record(name="In the log")})
        server.kill()
        copy = self.folder / "copy"
        copy.mkdir()
        shutil.copy(server.database, copy / FILE)
        server.start()
        self.assertEqual(server.call("GET", "/api/data")[1]["warning"], "")
        self.assertIn("In the log", recipes_in(server.database))
        other = Server("serve")
        self.addCleanup(other.stop)
        shutil.copy(copy / FILE, other.database)
        other.start()
        self.assertIn("-wal", other.call("GET", "/api/data")[1]["warning"])


if __name__ == "__main__":
    unittest.main()
