"""Upgrades keep what people had: an older file's recipes, versions and settings survive the newer tables."""

import json
import sqlite3
import tempfile
import unittest
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path

from alembic import command

from hearth_bowl.demo.load import load_demo
from hearth_bowl.service import confections, larder, occasions, recipes, timers
from hearth_bowl.service.made_into import copy_made, create_made, give_confections
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.db import Database
from hearth_bowl.store.migrate import alembic_config, migrate
from tests.kitchen import recipe_record

NOW = datetime(2026, 8, 1, 18, 0, tzinfo=UTC)


class Upgrade(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "old.sqlite3"

    def test_rows_of_the_first_tables_survive_and_take_the_usual_new_values(self) -> None:
        command.upgrade(alembic_config(self.path), "0001")
        with closing(sqlite3.connect(self.path)) as old:
            old.execute(
                "INSERT INTO recipe (id, name, family, use, steps, revision, created_at, changed_at) "
                "VALUES (1, 'Old truffles', 'cream-ganache', 'roll', '[]', 3, '2026-08-01', '2026-08-01')"
            )
            for position, (key, grams) in enumerate((("cream35", 100), ("dark60", 200))):
                old.execute(
                    "INSERT INTO recipe_line (recipe_id, position, ingredient_key, amount, unit, measure, stage, "
                    "pinned) VALUES (1, ?, ?, ?, 'g', 'metric', '', 0)",
                    (position, key, grams),
                )
            old.execute(
                "INSERT INTO settings (id, mass_unit, temperature_unit, measure, kitchen_c, altitude_m) "
                "VALUES (1, 'oz', 'F', 'us', 23.5, 340)"
            )
            old.commit()
        migrate(self.path)
        database = Database(self.path)
        self.addCleanup(database.close)
        with database.reading() as session:
            stored = recipes.get_recipe(session, 1)
            settings = get_settings(session)
        self.assertEqual(stored.revision, 3)
        self.assertEqual([line["amount"] for line in stored.recipe["lines"]], [100, 200])
        self.assertEqual([line["proposed"] for line in stored.recipe["lines"]], [False, False])
        self.assertEqual((settings.mass_unit, settings.kitchen_c, settings.scale_step_g), ("oz", 23.5, 1.0))
        self.assertIsNone(settings.thermometer_in_boiling_water_c)

    def test_a_recipe_of_before_gets_what_it_is_made_into_once(self) -> None:
        migrate(self.path)
        database = Database(self.path)
        self.addCleanup(database.close)
        with database.writing() as session:
            loose = recipes.create_recipe(session, recipe_record(name="Loose"), NOW).id
            made = create_made(session, recipe_record(name="Whole"), NOW).made_into
        give_confections(database, NOW)
        with database.writing() as session:
            of = {stored.id: stored.asked.parts[0].of.recipe_id for stored in confections.list_confections(session)}
            self.assertEqual(len(of), 2)
            own = recipes.get_recipe(session, loose).made_into
            assert own is not None and made is not None
            self.assertEqual(of[own], loose)
            confections.delete_confection(session, own)
        give_confections(database, NOW)
        with database.writing() as session:
            self.assertIsNone(recipes.get_recipe(session, loose).made_into)
            copied = copy_made(session, next(part for part in of.values() if part != loose) or 0, NOW)
            assert copied.made_into is not None
            parts = confections.get_confection(session, copied.made_into).asked.parts
            self.assertEqual({part.of.recipe_id for part in parts}, {copied.id})

    def test_a_timer_that_ran_before_timers_had_keys_runs_on(self) -> None:
        command.upgrade(alembic_config(self.path), "0004")
        with closing(sqlite3.connect(self.path)) as old:
            old.execute("INSERT INTO timer (id, name, ends_at) VALUES (7, 'Trays', '2026-08-01 18:10:00.000000')")
            old.commit()
        migrate(self.path)
        database = Database(self.path)
        self.addCleanup(database.close)
        with database.writing() as session:
            (timer,) = timers.list_timers(session, NOW)
            longer = timers.change_timer(session, timer.key, NOW, more_s=60)
        self.assertEqual((timer.name, timer.left_s, longer.left_s), ("Trays", 600, 660))

    def test_boxes_go_back_to_recipes_in_vessels_and_forth_again(self) -> None:
        migrate(self.path)
        database = Database(self.path)
        load_demo(database)
        with database.reading() as session:
            (before,) = occasions.list_occasions(session)
        database.close()
        command.downgrade(alembic_config(self.path), "0007")
        with closing(sqlite3.connect(self.path)) as old:
            rows = old.execute("SELECT recipe_id, vessel_id, per_box, ask FROM assortment_piece ORDER BY id").fetchall()
        self.assertEqual([row[2] for row in rows], [row.per_box for row in before.asked.rows])
        self.assertEqual([json.loads(row[3])["shell"] for row in rows[:4]], ["dark60", "milk38", "dark60", "none"])
        self.assertTrue(json.loads(rows[1][3])["halves"])
        migrate(self.path)
        database = Database(self.path)
        self.addCleanup(database.close)
        with database.reading() as session:
            (after,) = occasions.list_occasions(session)
            planned = occasions.work_out_occasion(session, after.asked)
            was = occasions.work_out_occasion(session, before.asked)
        self.assertEqual([row.pieces for row in planned.rows[:3]], [row.pieces for row in was.rows[:3]])
        self.assertEqual([row.allergens for row in planned.rows[:4]], [row.allergens for row in was.rows[:4]])

    def test_going_back_and_forth_loses_no_recipe(self) -> None:
        migrate(self.path)
        database = Database(self.path)
        with database.writing() as session:
            made = recipes.create_recipe(session, recipe_record(), NOW)
            recipes.keep_version(session, made.id, "first", NOW)
            larder.save_item(session, label="dark60", pack_g=1000.0, price=14.0)
        database.close()
        command.downgrade(alembic_config(self.path), "0001")
        migrate(self.path)
        database = Database(self.path)
        self.addCleanup(database.close)
        with database.reading() as session:
            self.assertEqual(recipes.get_recipe(session, made.id).recipe["name"], "Rye-malt truffle centres")
            self.assertEqual(len(recipes.list_versions(session, made.id)), 1)
            self.assertEqual(larder.list_larder(session), [])
