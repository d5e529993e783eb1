"""The store: migrations equal the models, keys hold, versions never change, writers do not lose each other's work."""

import sqlite3
import tempfile
import threading
import unittest
from datetime import UTC, datetime
from pathlib import Path

from alembic import command
from alembic.script import ScriptDirectory
from sqlalchemy import select, text
from sqlalchemy.exc import IntegrityError, StatementError

from hearth_bowl.service import recipes
from hearth_bowl.store.db import Database
from hearth_bowl.store.migrate import alembic_config, migrate, newest_revision
from hearth_bowl.store.models import BatchEventRow, ReadingRow, RecipeRow, RecipeVersionRow
from tests.kitchen import recipe_record

NOW = datetime(2026, 8, 1, 18, 0, tzinfo=UTC)


class StoreCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "test.sqlite3"
        migrate(self.path)
        self.database = Database(self.path)
        self.addCleanup(self.database.close)

    def store_one(self) -> int:
        with self.database.writing() as session:
            return recipes.create_recipe(session, recipe_record(), NOW).id


class Migrations(StoreCase):
    def test_migrated_tables_equal_the_models(self) -> None:
        command.check(alembic_config(self.path))

    def test_the_newest_file_is_the_newest_revision(self) -> None:
        script = ScriptDirectory.from_config(alembic_config(self.path))
        self.assertEqual(newest_revision(), script.get_current_head())

    def test_down_and_up_again_and_twice_is_once(self) -> None:
        command.downgrade(alembic_config(self.path), "base")
        migrate(self.path)
        migrate(self.path)
        self.store_one()

    def test_the_file_keeps_a_write_ahead_log_and_holds_its_keys(self) -> None:
        with self.database.reading() as session:
            self.assertEqual(session.scalar(text("PRAGMA journal_mode")), "wal")
            self.assertEqual(session.scalar(text("PRAGMA foreign_keys")), 1)


class Rows(StoreCase):
    def test_an_event_needs_its_batch_and_a_reading_its_probe(self) -> None:
        event = BatchEventRow(batch_id=99, client_key="k", at=NOW, kind="note", data="{}")
        reading = ReadingRow(probe_id="none", at=NOW, shown_c=20.0)
        for row in (event, reading):
            with self.subTest(row), self.assertRaises(IntegrityError), self.database.writing() as session:
                session.add(row)

    def test_a_kept_version_never_changes(self) -> None:
        recipe_id = self.store_one()
        with self.database.writing() as session:
            recipes.keep_version(session, recipe_id, "First", NOW)
        with sqlite3.connect(self.path) as connection, self.assertRaises(sqlite3.IntegrityError):
            connection.execute("UPDATE recipe_version SET name = 'Other'")
        connection.close()
        with self.database.reading() as session:
            row = session.scalars(select(RecipeVersionRow)).one()
        self.assertEqual(row.name, "First")
        self.assertIn("cocoa_butter", row.compositions)

    def test_an_error_amid_writing_leaves_nothing_behind(self) -> None:
        with self.assertRaises(RuntimeError), self.database.writing() as session:
            recipes.create_recipe(session, recipe_record(), NOW)
            raise RuntimeError
        with self.database.reading() as session:
            self.assertEqual(recipes.recipe_names(session), {})

    def test_a_moment_without_its_zone_is_refused(self) -> None:
        with self.assertRaises(StatementError), self.database.writing() as session:
            recipes.create_recipe(session, recipe_record(), NOW.replace(tzinfo=None))

    def test_writers_at_once_lose_nothing(self) -> None:
        recipe_id = self.store_one()

        def count() -> None:
            for _ in range(10):
                with self.database.writing() as session:
                    row = session.get(RecipeRow, recipe_id)
                    assert row is not None
                    row.revision += 1

        threads = [threading.Thread(target=count) for _ in range(4)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        with self.database.reading() as session:
            self.assertEqual(session.scalar(select(RecipeRow.revision)), 41)
