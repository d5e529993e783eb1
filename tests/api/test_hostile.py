"""What a browser, script or device may send by mistake or malice: refused by name, never answered 500, never stored."""

import json
import unittest
from datetime import UTC, datetime
from typing import Any

from tests.api.app_case import AppCase
from tests.kitchen import recipe_record

HUGE = 2**63


class Hostile(AppCase):
    demo = True

    def answer(self, method: str, path: str, body: Any = None) -> Any:
        data = body if isinstance(body, bytes) else None if body is None else json.dumps(body)
        answer = self.client.open(f"/api/{path}", method=method, data=data, content_type="application/json")
        self.assertIn(answer.status_code, (400, 404, 405, 422), (path, answer.text[:300]))
        return answer.get_json(force=True)

    def test_steps_nested_too_deep_are_refused_and_the_recipe_opens(self) -> None:
        before = self.client.get("/api/recipes/1").get_json()
        for depth, where in ((20, ["body", "recipe", "steps"]), (300, ["body"])):
            deep: Any = []
            for _ in range(depth):
                deep = [deep]
            problem = self.answer("PUT", "recipes/1", {"revision": 1, "recipe": {**before["recipe"], "steps": [deep]}})
            self.assertEqual(problem["errors"][0]["path"], where)
        self.answer("POST", "recipes", {"recipe": recipe_record(steps=["x"] * 600)})
        self.assertEqual(self.client.get("/api/recipes/1").get_json(), before)

    def test_numbers_that_no_database_knows(self) -> None:
        for path in ("recipes", "vessels", "batches", "recipes/1/fit", "occasions"):
            self.answer("GET", f"{path.partition('/')[0]}/{HUGE}")
        self.answer("DELETE", f"batches/{HUGE * HUGE}")
        self.answer("POST", "batches", {"recipe_id": HUGE})
        self.answer("PUT", "recipes/1/fit", {"vessel_id": HUGE})
        self.answer("POST", "occasions", {"name": "x", "boxes": HUGE})
        self.answer("POST", "timers", {"name": "x", "seconds": 5.0, "batch_id": -HUGE})
        self.answer("GET", f"batches?before={HUGE}")
        for row in ({"confection_id": 1, "per_box": 10**12}, {"confection_id": HUGE}):
            self.answer("POST", "occasions", {"name": "x", "boxes": 2, "rows": [row]})

    def test_half_characters(self) -> None:
        half = b'{"recipe": {"name": "\\ud800", "family": "filling", "lines": []}}'
        self.assertEqual(self.answer("POST", "recipes", half)["errors"][0]["path"], ["body", "recipe", "name"])
        self.answer("POST", "recipes/read", b'{"text": "200 g cream \\udfff"}')
        self.answer("POST", "larder/take-out", b'{"label": "\\ud801"}')

    def test_moments_of_no_year(self) -> None:
        for at in ("0001-01-01T00:00:00+14:00", "9999-12-31T23:59:59-14:00", "2026-08-01T10:00:00"):
            with self.subTest(at):
                self.answer("POST", "probes/p/readings", {"readings": [{"c": 20.0, "at": at}]})
                self.answer("POST", "scales/s/weights", {"weights": [{"g": 20.0, "at": at}]})
                self.answer("POST", "timers", {"name": "x", "seconds": 5.0, "at": at})
                batch = self.client.post("/api/batches", json={"recipe_id": 1}).get_json()["batch"]["id"]
                event = {"client_key": "k", "at": at, "what": {"kind": "end"}}
                self.answer("POST", f"batches/{batch}/events", {"events": [event]})
        self.answer("GET", "set/chains/slab/looks.ics?from=0001-01-01T00:00:00%2B14:00")

    def test_a_csv_field_longer_than_any_reader_takes(self) -> None:
        long = "x" * 140_000
        self.answer("POST", "probes/p/csv", {"csv": f'at,c\n"{long}",20\n'})
        self.answer("POST", "larder/csv", {"csv": f'label,pack_g\n"{long}",20\n'})

    def test_a_probes_name_is_one_name_however_it_is_spaced(self) -> None:
        for name in ("%20oven", "oven", "oven%20"):
            self.assertEqual(self.client.post(f"/api/probes/{name}/readings", json={"c": 20.0}).status_code, 201)
        self.assertEqual(self.client.put("/api/probes/%20oven/speed", json={"speed": 1.0}).status_code, 200)
        self.assertEqual([row["id"] for row in self.client.get("/api/probes").get_json()["probes"]], ["oven"])

    def test_asking_what_to_play_makes_no_probe_and_a_probe_of_no_batch_can_be_forgotten(self) -> None:
        self.assertIsNone(self.client.get("/api/probes/foreign/stand-in").get_json()["batch_id"])
        self.assertEqual(self.client.get("/api/probes").get_json()["probes"], [])
        self.client.post("/api/probes/oven/readings", json={"c": 20.0})
        self.client.post("/api/batches", json={"recipe_id": 1, "probe_id": "stick"})
        self.assertEqual(self.client.delete("/api/probes/oven").status_code, 204)
        self.answer("DELETE", "probes/oven")
        self.assertEqual(self.answer("DELETE", "probes/stick")["errors"][0]["path"], ["body", "probe_id"])

    def test_a_recipe_too_long_to_be_one_is_refused_at_once(self) -> None:
        fractions = "\n".join(f"{number} {'½ ' * 140}" for number in range(490))
        for text in ("½ cup cream\n" * 2000, "1 1/2 " * 16_000, "9" * 99_999, fractions):
            started = datetime.now(UTC)
            problem = self.answer("POST", "recipes/read", {"text": text})
            self.assertTrue(problem["errors"][0]["allowed"])
            self.assertLess((datetime.now(UTC) - started).total_seconds(), 5)


if __name__ == "__main__":
    unittest.main()
