"""Years of batches and weeks of readings: lists are pages, traces are thinned, files flow, what is old is let go."""

import csv
import io
import json
import tracemalloc
import unittest
from datetime import UTC, datetime, timedelta
from itertools import pairwise
from typing import Any

from sqlalchemy import delete, event, func, insert, select, update

from hearth_bowl.service.probes import ensure_probe
from hearth_bowl.service.recipe_index import index_missing
from hearth_bowl.service.retention import KEPT_POINTS, tidy_readings
from hearth_bowl.store.models import RECIPE_WORDS, BatchRow, ReadingRow, RecipeRow
from tests.api.app_case import AppCase

NOW = datetime(2026, 8, 22, 18, 0, tzinfo=UTC)


class Growth(AppCase):
    demo = True

    def start(self) -> int:
        return int(self.client.post("/api/batches", json={"recipe_id": 1}).get_json()["batch"]["id"])

    def ran(self, batch: int, began: datetime, hours: float, every_s: float) -> int:
        """Let a batch have run then, with a reading every so often; return how many."""
        count = int(hours * 3600 / every_s)
        rows = [
            {
                "probe_id": "stand-in",
                "at": began + timedelta(seconds=every_s * number),
                "shown_c": None
                if number == 5
                else 20.0 + (number % 1000) * 0.05 + (60.0 if number == count // 3 else 0.0),
            }
            for number in range(count)
        ]
        with self.database.writing() as session:
            row = session.get(BatchRow, batch)
            assert row is not None
            row.started_at, row.ended_at = began, began + timedelta(hours=hours)
            session.execute(insert(ReadingRow), rows)
        return count

    def stored(self) -> int:
        with self.database.reading() as session:
            return session.scalar(select(func.count()).select_from(ReadingRow)) or 0

    def test_the_daybook_comes_in_pages_and_asks_as_much_for_many_as_for_few(self) -> None:
        asked: list[str] = []
        event.listen(self.database.engine, "before_cursor_execute", lambda *told: asked.append(told[2]))
        counts = []
        for wanted in (3, 120):
            for _ in range(wanted - self.many()):
                self.start()
            asked.clear()
            self.client.get("/api/batches")
            counts.append(len(asked))
        self.assertEqual(counts[0], counts[1])
        ids: list[int] = []
        before: int | None = None
        while True:
            page = self.client.get("/api/batches" + (f"?before={before}" if before else "")).get_json()
            ids += [row["id"] for row in page["batches"]]
            before = page["before"]
            if before is None:
                break
        self.assertEqual(ids, list(range(120, 0, -1)))
        self.assertEqual(page["batches"][0]["steps"], 8)
        self.client.post(
            "/api/batches/7/events",
            json={"events": [{"client_key": "e", "at": NOW.isoformat(), "what": {"kind": "end"}}]},
        )
        running = self.client.get("/api/batches?recipe=1&running=true&most=200").get_json()["batches"]
        self.assertNotIn(7, [row["id"] for row in running])
        self.assertEqual(len(running), 119)

    def many(self) -> int:
        with self.database.reading() as session:
            return session.scalar(select(func.count()).select_from(BatchRow)) or 0

    def test_a_long_trace_is_thinned_and_keeps_its_highest_and_lowest(self) -> None:
        batch = self.start()
        count = self.ran(batch, NOW - timedelta(days=3), 8, 1.0)
        found = self.client.get(f"/api/batches/{batch}/trace").get_json()
        self.assertEqual(found["readings"], count - 1)
        points = [point for stretch in found["stretches"] for point in stretch]
        self.assertLess(len(points), 2000)
        self.assertEqual((found["low_c"], found["high_c"] >= 80), (20.0, True))
        self.assertEqual(points, sorted(points))

    def test_a_long_file_flows_in_little_memory(self) -> None:
        batch = self.start()
        count = self.ran(batch, NOW - timedelta(days=3), 14, 1.0)
        for name in ("batch.csv", "batch.json"):
            tracemalloc.start()
            answer = self.client.get(f"/api/batches/{batch}/{name}", buffered=False)
            rows = sum(part.count(b"\n") + part.count(b"shown_c") for part in answer.response)
            most = tracemalloc.get_traced_memory()[1]
            tracemalloc.stop()
            self.assertGreaterEqual(rows, count)
            self.assertLess(most, 30_000_000, name)

    def test_moments_that_fall_together_and_silent_sensors_stand_in_the_file(self) -> None:
        batch = self.start()
        at = datetime.now(UTC) + timedelta(milliseconds=1)
        with self.database.writing() as session:
            ensure_probe(session, "stand-in")
            for shown in (21.5, None, 20.5):
                session.add(ReadingRow(probe_id="stand-in", at=at, shown_c=shown))
        marks = [
            {"client_key": key, "at": at.isoformat(), "what": {"kind": "mark", "name": key}} for key in ("=a", "b")
        ]
        self.client.post(f"/api/batches/{batch}/events", json={"events": marks})
        rows = list(csv.DictReader(io.StringIO(self.client.get(f"/api/batches/{batch}/batch.csv").text)))
        self.assertEqual([row["at"] for row in rows], sorted(row["at"] for row in rows))
        self.assertEqual(sorted(row["shown_c"] for row in rows), ["", "", "", "", "20.5", "21.5"])
        whole = json.loads(self.client.get(f"/api/batches/{batch}/batch.json").text)
        self.assertEqual([row["what"]["name"] for row in whole["events"][1:]], ["=a", "b"])

    def test_old_readings_are_thinned_or_let_go_and_nothing_else_is(self) -> None:
        old, new = self.start(), self.start()
        with self.database.writing() as session:
            session.add(ReadingRow(probe_id="stand-in", at=NOW - timedelta(days=30), shown_c=1.0))
            session.add(ReadingRow(probe_id="stand-in", at=NOW - timedelta(hours=3), shown_c=2.0))
        self.ran(old, NOW - timedelta(days=10), 5, 1.0)
        fresh = self.ran(new, NOW - timedelta(days=3), 4, 1.0)
        before = self.client.get(f"/api/batches/{old}/trace").get_json()
        changes = [0]
        event.listen(
            self.database.engine, "commit", lambda one: changes.append(one.connection.driver_connection.total_changes)
        )
        tidy_readings(self.database, NOW)
        self.assertLessEqual(max(then - now for now, then in pairwise(sorted(changes[1:]))), 500)
        after = self.client.get(f"/api/batches/{old}/trace").get_json()
        self.assertEqual((before["low_c"], before["high_c"]), (after["low_c"], after["high_c"]))
        self.assertLess(after["readings"], KEPT_POINTS * 1.2)
        self.assertEqual(self.client.get(f"/api/batches/{new}/trace").get_json()["readings"], fresh - 1)
        count = self.stored()
        tidy_readings(self.database, NOW + timedelta(minutes=1))
        self.assertEqual(self.stored(), count)
        with self.database.reading() as session:
            alone = session.scalars(select(ReadingRow.shown_c).where(ReadingRow.shown_c < 3)).all()
        self.assertEqual(list(alone), [2.0])
        self.assertEqual(self.client.get("/api/probes").get_json()["retention"]["thinned_after_days"], 7)


class Overlapping(AppCase):
    demo = True

    def test_thinning_a_batch_leaves_what_another_heard_at_the_same_time(self) -> None:
        old, other = (
            int(self.client.post("/api/batches", json={"recipe_id": 1}).get_json()["batch"]["id"]) for _ in range(2)
        )
        began = NOW - timedelta(days=10)
        with self.database.writing() as session:
            first, second = session.get(BatchRow, old), session.get(BatchRow, other)
            assert first is not None and second is not None
            first.started_at, first.ended_at = began, began + timedelta(hours=3)
            second.started_at, second.ended_at = began + timedelta(hours=1), NOW - timedelta(days=2)
            rows = [
                {"probe_id": "stand-in", "at": began + timedelta(seconds=at), "shown_c": 20.0} for at in range(10_800)
            ]
            session.execute(insert(ReadingRow), rows)
        tidy_readings(self.database, NOW)
        with self.database.reading() as session:
            shared = ReadingRow.at >= began + timedelta(hours=1)
            count = session.scalar(select(func.count()).select_from(ReadingRow).where(shared))
            alone = session.scalar(select(func.count()).select_from(ReadingRow).where(~shared))
        self.assertEqual(count, 7200)
        self.assertLess(alone or 0, 3000)


class ManyRecipes(AppCase):
    demo = True

    def ids(self, path: str = "/api/recipes", **sent: Any) -> list[int]:
        """Follow the pages to the last; return the ids."""
        found: list[int] = []
        after: int | None = None
        while True:
            if path == "/api/recipes":
                page = self.client.get(f"{path}?most=7" + (f"&after={after}" if after else "")).get_json()
            else:
                page = self.client.post(path, json={**sent, "after": after}).get_json()
            found += [row["id"] for row in page["recipes"]]
            after = page["after"]
            self.assertLess(len(found), 1000, "the pages go round")
            if after is None:
                return found

    def test_pages_hold_each_recipe_once_the_newest_first_and_archived_ones_last(self) -> None:
        record = self.client.get("/api/recipes/1").get_json()["recipe"]
        for number in range(60):
            self.client.post("/api/recipes", json={"recipe": {**record, "name": f"Copy {number}"}})
        for away in (70, 3, 40):
            self.client.put(f"/api/recipes/{away}/put-away", json={"away": True})
        with self.database.reading() as session:
            rows = session.execute(select(RecipeRow.id, RecipeRow.put_away, RecipeRow.changed_at)).all()
        expected = [row.id for row in sorted(rows, key=lambda row: (not row.put_away, row.changed_at, row.id))[::-1]]
        self.assertEqual(self.ids(), expected)
        self.assertEqual(self.ids("/api/recipes/find", words=""), expected)
        copies = self.ids("/api/recipes/find", words="copy")
        self.assertEqual(copies, [number for number in expected if number > len(rows) - 60])
        for query in ("most=0", "most=201", "after=-1", "after=x", f"after={2**64}"):
            self.refused("GET", f"/api/recipes?{query}", 422)
        self.refused("POST", "/api/recipes/find", 422, json={"words": "", "after": 2**64})

    def test_any_part_of_a_word_finds_in_names_ingredients_allergens_and_verdicts(self) -> None:
        record = self.client.get("/api/recipes/1").get_json()["recipe"]
        lines = [{"ingredient": "hazelnut_paste", "amount": 100}, {"ingredient": "milk33", "amount": 60}]
        made = {**record, "name": 'Crème "Brûlée" 100%_x', "family": "nut-paste", "use": None, "lines": lines}
        mine = self.client.post("/api/recipes", json={"recipe": made}).get_json()["id"]
        batch = self.client.post("/api/batches", json={"recipe_id": mine}).get_json()["batch"]["id"]
        verdict = {"kind": "verdict", "words": ["grainy"], "text": ""}
        event = {"client_key": "v", "at": datetime.now(UTC).isoformat(), "what": verdict}
        self.client.post(f"/api/batches/{batch}/events", json={"events": [event]})
        old = update(RecipeRow).values(listed="", listed_by=0)
        for _ in range(2):  # the second time as an earlier version left it, without an index
            index_missing(self.database)
            for words in ("creme brulee", "BRÛL", '"brûlée"', "zelnut milk", "grainy hazel", "%_x", "u", "nut"):
                self.assertIn(mine, self.ids("/api/recipes/find", words=words), words)
            for words in ("creme nowhere", "gritty", "%_y", '" OR words:*', "zz"):
                self.assertNotIn(mine, self.ids("/api/recipes/find", words=words), words)
            with self.database.writing() as session:
                session.execute(old)
                session.execute(delete(RECIPE_WORDS))
            page = self.client.post("/api/recipes/find", json={"words": "br"}).get_json()["recipes"]
            self.assertEqual([(row["id"], row["allergens"]) for row in page], [(mine, ["milk", "nuts", "soya"])])
        index_missing(self.database)
        self.client.delete(f"/api/recipes/{mine}")
        self.assertEqual(self.ids("/api/recipes/find", words="brulee"), [])
        with self.database.reading() as session:  # what is deleted is gone from the index too
            self.assertIsNone(session.scalar(select(RECIPE_WORDS.c.words).where(RECIPE_WORDS.c.rowid == mine)))


class Snapshots(AppCase):
    demo = True

    def boiled(self) -> Any:
        lines = [
            {"ingredient": "sugar_granulated", "amount": 450, "stage": "boil"},
            {"ingredient": "milk_whole", "amount": 300, "stage": "boil"},
        ]
        recipe = {"name": "Fudge", "family": "boiled-fudge", "use": "cut", "lines": lines}
        return self.client.post("/api/recipes", json={"recipe": recipe}).get_json()["id"]

    def test_a_batch_stays_as_it_was_made_whatever_the_settings_become(self) -> None:
        batch = self.client.post("/api/batches", json={"recipe_id": self.boiled()}).get_json()["batch"]["id"]
        self.client.post("/api/probes/stand-in/readings", json={"c": 60.0})
        self.client.post(
            f"/api/batches/{batch}/events",
            json={"events": [{"client_key": "e", "at": datetime.now(UTC).isoformat(), "what": {"kind": "end"}}]},
        )

        def all_of_it() -> list[Any]:
            paths = ("", "/trace", "/batch.json", "/batch.csv")
            return [self.client.get(f"/api/batches/{batch}{path}").text for path in paths]

        before = all_of_it()
        changed = {**self.client.get("/api/settings").get_json(), "altitude_m": 2000.0, "kitchen_c": 30.0}
        changed["thermometer_in_boiling_water_c"] = 94.5
        self.assertEqual(self.client.put("/api/settings", json=changed).status_code, 200)
        self.assertEqual(all_of_it(), before)
        boil = next(step for step in json.loads(before[0])["steps"] if step["key"] == "boil")
        self.assertGreater(boil["target_c"][0], 113)


if __name__ == "__main__":
    unittest.main()
