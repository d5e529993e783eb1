"""What do you see, through the door: what is known is filled in, the answer is told, and mending enters the batch."""

from datetime import UTC, datetime, timedelta
from typing import Any

from tests.api.app_case import AppCase

NOW = datetime.now(UTC)


class Seen(AppCase):
    demo = True

    def start(self) -> dict[str, Any]:
        run: dict[str, Any] = self.client.post("/api/batches", json={"recipe_id": 1}).get_json()
        return run

    def tell(self, batch: int, client_key: str, **what: Any) -> None:
        event = {"client_key": client_key, "at": datetime.now(UTC).isoformat(), "what": what}
        answer = self.client.post(f"/api/batches/{batch}/events", json={"events": [event]})
        self.assertEqual(answer.status_code, 200, answer.text)

    def look(self, **body: Any) -> dict[str, Any]:
        answer = self.client.post("/api/diagnose", json=body)
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_signs_are_told_with_the_stages_at_which_they_are_usual(self) -> None:
        found = self.client.get("/api/signs").get_json()
        self.assertEqual(len(found["signs"]), 27)
        join = next(stage for stage in found["stages"] if stage["key"] == "join")
        self.assertIn("split", join["signs"])
        self.assertNotIn("mouldy", join["signs"])

    def test_what_is_known_of_a_batch_is_filled_in(self) -> None:
        run = self.start()
        batch = run["batch"]["id"]
        join = next(number for number, step in enumerate(run["steps"]) if step["key"] == "join")
        at = datetime.fromisoformat(run["batch"]["started_at"])
        shown = ((0.001, 40.0), (0.002, 68.5), (0.003, 44.0))
        readings = [{"c": c, "at": (at + timedelta(seconds=s)).isoformat()} for s, c in shown]
        self.client.post("/api/probes/stand-in/readings", json={"readings": readings})
        self.tell(batch, "join", kind="step", step=join, key="join")
        known = self.client.get(f"/api/batches/{batch}/known").get_json()
        self.assertEqual(known["stage"], "join")
        self.assertEqual(known["facts"]["hottest_c"], 68.5)
        self.assertRegex(known["facts"]["hottest_when"], r"^at \d\d:\d\d$")
        self.assertAlmostEqual(known["mass_g"], 649, delta=1)
        told = self.look(batch_id=batch, stage=known["stage"], seen=["oily"], facts=known["facts"])
        self.assertEqual(told["causes"][0]["cause"], "too-hot")
        self.assertIn("it passed 68 °C at ", told["causes"][0]["because"][0])
        self.tell(batch, "end", kind="end")
        self.assertEqual(self.client.get(f"/api/batches/{batch}/known").get_json()["stage"], "keep")

    def test_what_was_put_in_enters_the_batch_and_its_readings(self) -> None:
        batch = self.start()["batch"]["id"]
        before = self.client.get(f"/api/batches/{batch}").get_json()
        told = self.look(
            batch_id=batch, stage="join", seen=["split"], facts={"water_lost_g": 40.0, "hottest_c": 50.0}, mass_g=600.0
        )
        (add,) = told["remedy"]["add"]
        self.assertEqual((told["verdict"], add["ingredient"]), ("mend", "milk_whole"))
        put_in = [{"g": add["g"], "ingredient": add["ingredient"]}]
        self.tell(
            batch, "mend", kind="mend", cause=told["causes"][0]["cause"], put_in=put_in, text=told["remedy"]["do"]
        )
        after = self.client.get(f"/api/batches/{batch}").get_json()
        self.assertEqual(len(after["recipe"]["lines"]), len(before["recipe"]["lines"]) + 1)
        self.assertAlmostEqual(sum(after["state"]["amounts_g"]), sum(before["state"]["amounts_g"]) + add["g"])
        self.assertEqual(after["state"]["mended"][0]["cause"], told["causes"][0]["cause"])
        assessed = self.client.post("/api/formula/assess", json={"recipe": after["recipe"]}).get_json()["answer"]
        was = self.client.post("/api/formula/assess", json={"recipe": before["recipe"]}).get_json()["answer"]
        self.assertLess(assessed["split"]["fat_to_water"], was["split"]["fat_to_water"])
        for wrong in ({"g": -1.0, "ingredient": "milk_whole"}, {"g": 5.0}, {"g": 5.0, "ingredient": "moon_dust"}):
            what = {"kind": "mend", "cause": "too-hot", "put_in": [wrong], "text": ""}
            event = {"client_key": "wrong", "at": NOW.isoformat(), "what": what}
            self.assertEqual(
                self.client.post(f"/api/batches/{batch}/events", json={"events": [event]}).status_code, 422
            )

    def test_a_recipe_alone_is_looked_at_and_odd_looks_are_refused(self) -> None:
        told = self.look(recipe_id=1, stage="set", seen=["too-soft"], facts={"minutes": 60.0})
        self.assertEqual(told["verdict"], "passes")
        self.assertIsNone(told["remedy"])
        for body, field in (
            ({"recipe_id": 1, "stage": "noon", "seen": ["split"]}, "stage"),
            ({"recipe_id": 1, "stage": "join", "seen": ["odd"]}, 0),
            ({"stage": "join", "seen": ["split"]}, "recipe_id"),
            ({"recipe_id": 1, "stage": "join", "seen": ["split"], "facts": {"hottest_c": 4000.0}}, "hottest_c"),
        ):
            problem = self.refused("POST", "/api/diagnose", 422, json=body)
            self.assertEqual(problem["errors"][0]["path"][-1], field)
        self.assertEqual(
            self.client.post("/api/diagnose", json={"recipe_id": 999, "stage": "join", "seen": ["split"]}).status_code,
            404,
        )
