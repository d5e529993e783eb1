"""What a disk does to a kitchen: an empty file, a full disk, a file that another program holds."""

import sqlite3
import tempfile
import unittest
from contextlib import closing
from pathlib import Path

from sqlalchemy import event

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.server import FILE, CannotStart, open_data
from tests.kitchen import recipe_record


class Trouble(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def test_an_empty_file_is_no_new_kitchen(self) -> None:
        (self.folder / FILE).touch()
        with self.assertRaises(CannotStart):
            open_data(self.folder, demo=False)
        self.assertEqual((self.folder / FILE).stat().st_size, 0)

    def test_a_start_that_was_cut_short_leaves_no_half_file(self) -> None:
        (self.folder / (FILE + ".new")).write_bytes(b"half")
        open_data(self.folder, demo=False).close()
        self.assertEqual([path.name for path in self.folder.glob("*.new")], [])

    def test_a_full_disk_says_that_it_is_full_and_nothing_is_half_saved(self) -> None:
        database = open_data(self.folder, demo=False)
        self.addCleanup(database.close)
        client = create_app(database, WEB).test_client()

        @event.listens_for(database.engine, "begin")
        def _full(connection: object) -> None:
            connection.exec_driver_sql("PRAGMA max_page_count=1")  # type: ignore[attr-defined]

        large = {"recipe": recipe_record(steps=["stir " * 100] * 400)}
        answer = client.post("/api/recipes", json=large)
        self.assertEqual(answer.status_code, 507, answer.text)
        self.assertIn("full", answer.get_json(force=True)["detail"])
        self.assertEqual(client.get("/api/recipes").get_json()["recipes"], [])

    def test_a_file_that_another_program_holds_is_said_to_be_busy(self) -> None:
        database = open_data(self.folder, demo=False)
        self.addCleanup(database.close)

        @event.listens_for(database.engine, "begin")
        def _impatient(connection: object) -> None:
            connection.exec_driver_sql("PRAGMA busy_timeout=50")  # type: ignore[attr-defined]

        with closing(sqlite3.connect(self.folder / FILE, isolation_level=None)) as other:
            client = create_app(database, WEB).test_client()
            client.get("/api/recipes")
            other.execute("BEGIN IMMEDIATE")
            answer = client.post("/api/recipes", json={"recipe": recipe_record()})
        self.assertEqual(answer.status_code, 503, answer.text)


if __name__ == "__main__":
    unittest.main()
