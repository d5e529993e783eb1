"""The stove through the API: runs, events kept once, readings by the open door, live calls, timers, set and exports."""

import csv
import io
import json
from datetime import UTC, datetime, timedelta
from typing import Any

from tests.api.app_case import AppCase
from tests.kitchen import recipe_record


def ago(seconds: float) -> str:
    return (datetime.now(UTC) - timedelta(seconds=seconds)).isoformat()


class Kitchen(AppCase):
    demo = True

    def start(self, recipe_id: int = 1, **more: Any) -> Any:
        answer = self.client.post("/api/batches", json={"recipe_id": recipe_id, **more})
        self.assertEqual(answer.status_code, 201, answer.text)
        return answer.get_json()

    def event(self, batch: int, kind: str, client_key: str, **data: Any) -> Any:
        body = {"events": [{"client_key": client_key, "at": ago(0), "what": {"kind": kind, **data}}]}
        return self.client.post(f"/api/batches/{batch}/events", json=body)

    def send(self, *readings: tuple[float, float | None], probe: str = "stand-in") -> None:
        body = {"readings": [{"at": ago(before), "c": c} for before, c in readings]}
        self.assertEqual(self.client.post(f"/api/probes/{probe}/readings", json=body).status_code, 201)


class Runs(Kitchen):
    def test_a_run_starts_from_a_kept_version_and_its_fit(self) -> None:
        self.client.put("/api/recipes/6/fit", json={"vessel_id": 6, "ask": {"kind": "mould"}})
        run = self.start(6, version=1, choices={"temper": "machine"})
        keys = [step["key"] for step in run["steps"]]
        self.assertEqual(keys[0], "temper-melt")
        self.assertNotIn("temper-cool", keys)
        self.assertEqual((run["batch"]["version"], run["batch"]["step"], run["choices"]["heat"]), (1, 0, "pan"))
        self.refused("POST", "/api/batches", 422, json={"recipe_id": 6, "version": 9})
        self.refused("POST", "/api/batches", 422, json={"recipe_id": 6, "choices": {"temper": "magic"}})
        self.refused("POST", "/api/batches", 404, json={"recipe_id": 99})

    def test_it_can_begin_in_the_middle(self) -> None:
        run = self.start(from_step=2)
        self.assertEqual(run["batch"]["step"], 2)
        self.refused("POST", "/api/batches", 422, json={"recipe_id": 1, "from_step": 40})

    def test_a_kept_batch_survives_changes_of_its_recipe(self) -> None:
        batch = self.start()["batch"]["id"]
        before = self.client.get(f"/api/batches/{batch}").get_json()["recipe"]
        self.client.delete("/api/recipes/1")
        found = self.client.get(f"/api/batches/{batch}").get_json()
        self.assertEqual((found["recipe"], found["batch"]["recipe_id"]), (before, None))

    def test_an_event_sent_twice_is_kept_once(self) -> None:
        batch = self.start()["batch"]["id"]
        self.assertEqual(self.event(batch, "gate", "k1", key="join", gate="cue", answer="yes").get_json()["stored"], 1)
        self.assertEqual(self.event(batch, "gate", "k1", key="join", gate="cue", answer="yes").get_json()["stored"], 0)
        self.event(batch, "step", "k2", step=2)
        self.event(batch, "verdict", "k3", words=["silky", "just right"], text="Good")
        self.event(batch, "end", "k4")
        run = self.client.get(f"/api/batches/{batch}").get_json()
        self.assertEqual([event["what"]["kind"] for event in run["events"]], ["step", "gate", "step", "verdict", "end"])
        self.assertEqual((run["batch"]["step"], run["batch"]["verdict"]), (2, ["silky", "just right"]))
        self.assertIsNotNone(run["batch"]["ended_at"])

    def test_bad_events_are_refused_whole(self) -> None:
        batch = self.start()["batch"]["id"]
        good = {"client_key": "good", "at": ago(0), "what": {"kind": "note", "text": "x"}}
        for bad, path in (
            ({"kind": "party"}, []),
            ({"kind": "step", "step": 99}, ["step"]),
            ({"kind": "verdict", "words": ["meh"]}, ["words", 0]),
            ({"kind": "verdict", "words": 5}, ["words"]),
            ({"kind": "verdict", "words": None}, ["words"]),
            ({"kind": "weight", "position": 0, "g": 1e9}, ["g"]),
            ({"kind": "burst", "seconds": "abc"}, ["seconds"]),
            ({"kind": "burst", "seconds": -99999.0}, ["seconds"]),
            ({"kind": "note", "text": "x", "at": "2026-08-01"}, ["at"]),
            ({"kind": "note", "text": "x" * 5000}, ["text"]),
        ):
            body = {"events": [good, {**good, "client_key": "bad", "what": bad}]}
            problem = self.refused("POST", f"/api/batches/{batch}/events", 422, json=body)
            self.assertEqual(problem["errors"][0]["path"], ["body", "events", 1, "what", *path])
        self.assertEqual(len(self.client.get(f"/api/batches/{batch}").get_json()["events"]), 1)
        self.refused("POST", "/api/batches/99/events", 404, json={"events": [good]})


class Readings(Kitchen):
    def probes(self) -> Any:
        return {probe["id"]: probe["last_c"] for probe in self.client.get("/api/probes").get_json()["probes"]}

    def test_one_many_and_csv_come_in_by_the_open_door(self) -> None:
        self.assertEqual(self.client.post("/api/probes/p1/readings", json={"c": 21.5}).get_json()["stored"], 1)
        self.send((3, 22.0), (2, None), (1, 22.2), probe="p1")
        text = f"at,f\n{ago(0)},72.5\n"
        self.assertEqual(self.client.post("/api/probes/p1/csv", json={"csv": text}).get_json()["stored"], 1)
        self.assertAlmostEqual(self.probes()["p1"], 22.5)

    def test_bad_readings_are_refused_whole(self) -> None:
        future = (datetime.now(UTC) + timedelta(hours=40)).isoformat()
        for readings, path in (
            ([{"c": 20.0}, {"c": 900.0}], ["readings", 1, "c"]),
            ([{"c": 20.0, "at": future}], ["readings", 0, "at"]),
            ([], ["readings"]),
        ):
            problem = self.refused("POST", "/api/probes/p1/readings", 422, json={"readings": readings})
            self.assertEqual(problem["errors"][0]["path"], ["body", *path])
        self.refused("POST", "/api/probes/p1/readings", 422, json={"readings": [{"at": "2026-08-01T10:00:00"}]})
        self.refused("POST", "/api/probes/p1/csv", 422, json={"csv": "when,c\n1,2\n"})
        self.refused("POST", "/api/probes/p1/csv", 422, json={"csv": f"at,c\n{ago(0)},warm\n"})
        self.assertEqual(self.probes(), {})

    def test_live_takes_off_the_thermometers_error_and_calls(self) -> None:
        settings = self.client.get("/api/settings").get_json()
        self.client.put("/api/settings", json={**settings, "thermometer_in_boiling_water_c": 100.8, "altitude_m": 0.0})
        batch = self.start(from_step=1)["batch"]["id"]
        self.assertIsNone(self.client.get(f"/api/batches/{batch}/live").get_json()["true_c"])
        self.send(*((68.0 - t, 40.0 + 0.5 * t) for t in range(60)))
        found = self.client.get(f"/api/batches/{batch}/live").get_json()
        self.assertAlmostEqual(found["shown_c"] - found["true_c"], 0.83, delta=0.01)
        self.assertEqual((found["call"], found["urgent"]), ("Off the heat", False))
        self.assertAlmostEqual(found["forecast"]["rate_c_per_min"], 30, delta=1)
        self.send(*((5.9 - t / 10, 95.0) for t in range(59)))
        found = self.client.get(f"/api/batches/{batch}/live").get_json()
        self.assertEqual((found["stands"]["stand"], found["urgent"]), ("over", True))

    def test_the_trace_has_gaps(self) -> None:
        batch = self.start()["batch"]["id"]
        self.send((0.5, 20.0), (0.4, 20.1), (0.3, None), (0.2, 20.3), (0.1, 20.4))
        found = self.client.get(f"/api/batches/{batch}/trace").get_json()
        self.assertEqual(found["readings"], 0 if not found["stretches"] else found["readings"])
        later = {"readings": [{"c": 21.0}, {"c": None}, {"c": 22.0}]}
        self.client.post("/api/probes/stand-in/readings", json=later)
        found = self.client.get(f"/api/batches/{batch}/trace").get_json()
        self.assertGreaterEqual(len(found["stretches"]), 2)

    def test_a_stand_in_learns_what_is_at_the_stove(self) -> None:
        self.assertIsNone(self.client.get("/api/probes/stand-in/stand-in").get_json()["batch_id"])
        batch = self.start(from_step=1)["batch"]["id"]
        found = self.client.get("/api/probes/stand-in/stand-in").get_json()
        self.assertEqual((found["batch_id"], found["step"]["key"], found["in_the_pan"]), (batch, "warm", [0, 1, 4]))
        self.assertEqual(self.client.put("/api/probes/stand-in/speed", json={"speed": 20.0}).get_json()["speed"], 20)
        self.refused("PUT", "/api/probes/stand-in/speed", 422, json={"speed": 90.0})
        self.refused("PUT", "/api/probes/none/speed", 404, json={"speed": 2.0})
        self.assertEqual(
            self.client.put("/api/probes/stand-in/name", json={"name": " Brass "}).get_json()["name"], "Brass"
        )
        self.refused("PUT", "/api/probes/stand-in/name", 422, json={"name": " "})
        self.refused("PUT", "/api/probes/none/name", 404, json={"name": "Brass"})

    def test_a_scale_speaks_by_the_same_door(self) -> None:
        self.assertEqual(self.client.get("/api/scales").get_json()["scales"], [])
        self.client.post("/api/scales/s1/weights", json={"weights": [{"g": 12.0, "at": ago(5)}, {"g": 212.0}]})
        self.client.post("/api/scales/s2/weights", json={"weights": [{"g": 5.0, "at": ago(60)}]})
        found = self.client.get("/api/scales").get_json()
        self.assertEqual([(scale["id"], scale["g"]) for scale in found["scales"]], [("s1", 212), ("s2", 5)])
        self.refused("POST", "/api/scales/s1/weights", 422, json={"weights": []})


class BeforeAndBetween(Kitchen):
    def plan(self, recipe_id: int, **choices: str) -> Any:
        return self.client.post("/api/batches/plan", json={"recipe_id": recipe_id, "choices": choices}).get_json()

    def test_only_choices_that_make_other_steps_are_asked(self) -> None:
        self.assertEqual(self.plan(1)["matter"], ["heat", "liquid", "wait", "butter", "rest"])
        self.assertEqual(self.plan(3)["matter"], ["heat"])
        self.assertEqual(self.plan(7)["matter"], ["heat", "temper"])
        scalded, boiled = (
            next(step for step in self.plan(1, liquid=school)["steps"] if step["key"] == "warm")
            for school in ("scald", "full-boil")
        )
        self.assertLess(scalded["target_c"][1], boiled["target_c"][1])
        run = self.start(1, choices={"butter": "early"})
        self.assertEqual(run["steps"], self.plan(1, butter="early")["steps"])
        self.refused("POST", "/api/batches/plan", 422, json={"recipe_id": 1, "choices": {"heat": "sun"}})
        self.refused("POST", "/api/batches/plan", 422, json={"recipe_id": 1, "version": 99})
        self.refused("POST", "/api/batches/plan", 404, json={"recipe_id": 99})

    def test_a_run_hears_another_probe_from_when_it_was_changed(self) -> None:
        batch = self.start(probe_id="oven-door")["batch"]["id"]

        def say(probe: str, c: float) -> None:
            self.client.post(f"/api/probes/{probe}/readings", json={"c": c})

        say("oven-door", 20.0)
        say("stick", 30.0)
        self.event(batch, "probe", "p1", probe_id="stick")
        say("oven-door", 21.0)
        say("stick", 31.0)
        self.event(batch, "probe", "p2", probe_id="by-hand")
        say("by-hand", 40.0)
        self.assertEqual(self.client.get(f"/api/batches/{batch}/live").get_json()["true_c"], 40)
        whole = json.loads(self.client.get(f"/api/batches/{batch}/batch.json").text)
        self.assertEqual([row["shown_c"] for row in whole["readings"]], [20, 31, 40])
        self.assertEqual(self.client.get(f"/api/batches/{batch}/trace").get_json()["readings"], 3)
        odd = {"client_key": "p3", "at": ago(0), "what": {"kind": "probe", "probe_id": 7}}
        self.refused("POST", f"/api/batches/{batch}/events", 422, json={"events": [odd]})


class Help(Kitchen):
    def test_a_slip_a_spill_and_the_pan(self) -> None:
        batch = self.start()["batch"]["id"]
        found = self.client.post(f"/api/batches/{batch}/weighed", json={"weighed_g": {"0": 250.0}}).get_json()
        self.assertGreater(found["amounts_g"]["2"], 390)
        fine = self.client.post(f"/api/batches/{batch}/weighed", json={"weighed_g": {"0": 210.0}}).get_json()
        self.assertEqual(fine["amounts_g"], {})
        spill = self.client.post(f"/api/batches/{batch}/spilled", json={"gone_in": [0], "left_g": 105.0}).get_json()
        self.assertAlmostEqual(spill["amounts_g"]["2"], 195)
        self.refused("POST", f"/api/batches/{batch}/pan", 422, json={"start_g": 900.0, "now_g": 800.0})
        lines = [{"ingredient": "sugar_granulated", "amount": 450}, {"ingredient": "milk_whole", "amount": 300}]
        fudge = recipe_record(family="boiled-fudge", use="cut", lines=lines)
        made = self.client.post("/api/recipes", json={"recipe": fudge}).get_json()["id"]
        boiled = self.start(made)["batch"]["id"]
        pan = self.client.post(
            f"/api/batches/{boiled}/pan", json={"start_g": 1000.0, "now_g": 950.0, "boiled_s": 300.0}
        )
        self.assertGreater(pan.get_json()["to_lose_g"], 100)
        self.assertGreater(pan.get_json()["about_s"], 600)

    def test_a_first_burst_that_did_well_is_remembered(self) -> None:
        ask = {"unmelted_share": 1.0, "rated_w": 900.0}
        first = self.start(3)["batch"]["id"]
        self.assertEqual(self.client.post(f"/api/batches/{first}/burst", json=ask).get_json()["seconds"], 30)
        self.event(first, "burst", "b1", first=True, seconds=45.0, rated_w=900.0)
        second = self.start(3)["batch"]["id"]
        self.assertEqual(self.client.post(f"/api/batches/{second}/burst", json=ask).get_json()["seconds"], 45)
        self.refused("POST", f"/api/batches/{second}/burst", 422, json={**ask, "rated_w": 20.0})
        body = self.client.get("/api/recipes/3").get_json()["recipe"]
        half = {**body, "name": "Half", "lines": [{**line, "amount": line["amount"] / 2} for line in body["lines"]]}
        made = self.client.post("/api/recipes", json={"recipe": half}).get_json()["id"]
        other = self.start(made)["batch"]["id"]
        seconds = self.client.post(f"/api/batches/{other}/burst", json=ask).get_json()["seconds"]
        self.assertTrue(15 <= seconds <= 20, seconds)


class Timers(Kitchen):
    def test_several_are_named_extended_paused_and_overdue(self) -> None:
        batch = self.start()["batch"]["id"]
        first = self.client.post("/api/timers", json={"name": "Rest", "seconds": 60.0, "batch_id": batch}).get_json()
        self.client.post("/api/timers", json={"name": "Trays", "seconds": 5.0})
        names = [timer["name"] for timer in self.client.get("/api/timers").get_json()["timers"]]
        self.assertEqual(names, ["Trays", "Rest"])
        url = f"/api/timers/{first['key']}"
        self.assertAlmostEqual(self.client.post(url, json={"more_s": 60.0}).get_json()["left_s"], 120, delta=2)
        self.assertTrue(self.client.post(url, json={"paused": True}).get_json()["is_paused"])
        self.assertFalse(self.client.post(url, json={"paused": False}).get_json()["is_paused"])
        self.assertLess(self.client.post(url, json={"more_s": -300.0}).get_json()["left_s"], -170)
        overdue = self.client.post(url, json={"more_s": 90.0}).get_json()["left_s"]
        self.assertAlmostEqual(overdue, 90, delta=2)  # from now on, not from the end that is past
        self.client.post(url, json={"stopped": True})
        self.assertEqual(len(self.client.get("/api/timers").get_json()["timers"]), 1)
        self.refused("POST", url, 404, json={"more_s": 5.0})
        self.refused("POST", "/api/timers", 422, json={"name": "x", "seconds": 0.0})

    def test_what_waited_for_a_connection_counts_from_its_moment_and_happens_once(self) -> None:
        batch = self.start()["batch"]["id"]
        start = {"name": "Rest", "seconds": 600.0, "batch_id": batch, "key": "k1", "at": ago(120)}
        for _ in range(2):
            found = self.client.post("/api/timers", json=start).get_json()
            self.assertAlmostEqual(found["left_s"], 480, delta=3)
        for change_key in ("c1", " c1 "):
            later = self.client.post("/api/timers/k1", json={"more_s": 60.0, "change_key": change_key}).get_json()
            self.assertAlmostEqual(later["left_s"], 540, delta=3)
        pause = {"paused": True, "change_key": "c2", "at": ago(60)}
        self.assertAlmostEqual(self.client.post("/api/timers/k1", json=pause).get_json()["left_s"], 600, delta=3)
        go_on = {"paused": False, "change_key": "c3", "at": ago(20)}
        self.assertAlmostEqual(self.client.post("/api/timers/k1", json=go_on).get_json()["left_s"], 580, delta=3)
        stop = {"stopped": True, "change_key": "c4"}
        for _ in range(2):
            self.assertEqual(self.client.post("/api/timers/k1", json=stop).status_code, 200)
        self.assertEqual(self.client.get("/api/timers").get_json()["timers"], [])
        ahead = self.client.post("/api/timers", json={**start, "key": "phone/k2", "at": ago(-900)}).get_json()
        self.assertAlmostEqual(ahead["left_s"], 600, delta=3)
        self.assertEqual(self.client.post("/api/timers/phone/k2", json={"paused": True}).status_code, 200)
        self.refused("POST", "/api/timers", 422, json={**start, "key": "k3", "at": "2020-01-01T00:00:00Z"})
        whole = json.loads(self.client.get(f"/api/batches/{batch}/batch.json").text)
        self.assertEqual([timer["name"] for timer in whole["timers"]], ["Rest", "Rest"])

    def test_readings_that_are_sent_again_are_stored_once(self) -> None:
        batch = self.start()["batch"]["id"]
        rows = [{"c": 20.0, "at": ago(0.3)}, {"c": None, "at": ago(0.2)}]
        stored = [
            self.client.post("/api/probes/stand-in/readings", json={"readings": sent}).get_json()["stored"]
            for sent in (rows, rows, [*rows, {"c": 21.0, "at": ago(0.1)}])
        ]
        self.assertEqual(stored, [2, 0, 1])
        self.assertEqual(self.client.get(f"/api/batches/{batch}/live").get_json()["true_c"], 21.0)


class Setting(Kitchen):
    def test_the_clock_places_and_chains(self) -> None:
        recipe = self.client.get("/api/recipes/3").get_json()["recipe"]
        ask = {"state": "cut", "from_c": 40.0, "place": "fridge", "thickness_mm": 16.0}
        found = self.client.post("/api/set/clock", json={"recipe": recipe, "ask": ask}).get_json()
        self.assertLess(found["cool_min"][1], found["set_min"][0])
        seen = [{"after_s": 1200.0, "now_c": 34.0}]
        slower = self.client.post("/api/set/clock", json={"recipe": recipe, "ask": ask, "corrections": seen}).get_json()
        self.assertNotEqual(slower["corrected_by"], 1)
        beside = self.client.post("/api/set/beside", json={"recipe": recipe, "ask": ask}).get_json()["beside"]
        by_name = {row["name"]: row for row in beside}
        self.assertIsNone(by_name["Counter"]["clock"])
        self.assertIn("never gets to", by_name["Counter"]["says"])
        sheet, stirred, alone = (
            by_name[name]["clock"]["cool_min"][1]
            for name in ("As an 8 mm sheet, fridge", "In its bowl and stirred, fridge", "Left in its bowl, fridge")
        )
        self.assertLess(sheet, stirred)
        self.assertLess(stirred, alone)
        problem = self.refused(
            "POST", "/api/set/clock", 422, json={"recipe": recipe, "ask": {**ask, "place": "counter"}}
        )
        self.assertEqual(problem["errors"][0]["path"], ["body", "ask", "place"])

    def test_a_chain_goes_out_as_a_calendar(self) -> None:
        looks = self.client.get("/api/set/chains/slab?minutes=90").get_json()["looks"]
        self.assertEqual(looks[0]["after_min"], 90)
        answer = self.client.get(
            "/api/set/chains/slab/looks.ics?minutes=90&title=Fudge&from=2026-08-21T18:00:00%2B00:00"
        )
        self.assertTrue(answer.content_type.startswith("text/calendar"))
        self.assertEqual(answer.text.count("BEGIN:VEVENT"), len(looks))
        self.assertIn("20260821T193000Z", answer.text)
        self.refused("GET", "/api/set/chains/wall/looks.ics", 422)
        self.refused("GET", "/api/set/chains/slab?minutes=soon", 422)

    def test_a_liquid_centre_dwells_by_its_own_invertase_and_warmth(self) -> None:
        recipes = self.client.get("/api/recipes").get_json()["recipes"]
        fondant = next(row["id"] for row in recipes if row["name"] == "Running-sun fondant")

        def days(recipe_id: int) -> float:
            looks = self.client.get(f"/api/set/chains/liquid?minutes=60&recipe={recipe_id}").get_json()["looks"]
            return float((looks[-1]["after_min"] - looks[1]["after_min"]) / 24 / 60)

        self.assertEqual(days(1), 14, "no invertase: common practice")
        at_16 = days(fondant)
        stored = self.client.get(f"/api/recipes/{fondant}").get_json()
        recipe = stored["recipe"]
        recipe["lines"][2]["amount"] *= 2
        saved = self.client.put(f"/api/recipes/{fondant}", json={"revision": stored["revision"], "recipe": recipe})
        self.assertEqual(saved.status_code, 200)
        self.assertAlmostEqual(days(fondant), at_16 / 2, delta=0.05 * at_16)
        self.client.put("/api/settings", json={**self.client.get("/api/settings").get_json(), "kitchen_c": 10.0})
        self.assertGreater(days(fondant), 1.2 * at_16 / 2)
        calendar = self.client.get(f"/api/set/chains/liquid/looks.ics?minutes=60&recipe={fondant}").text
        self.assertIn("Ripen at 10 °C", calendar.replace("\r\n ", ""))
        self.refused("GET", "/api/set/chains/liquid?recipe=moon", 422)
        self.refused("GET", "/api/set/chains/liquid?recipe=999", 404)

    def test_temper(self) -> None:
        found = self.client.post("/api/temper", json={"chocolate": "milk38", "mass_g": 400.0}).get_json()
        self.assertTrue(found["needs_tempering"])
        self.assertGreater(found["seed_g"], 100)
        self.refused("POST", "/api/temper", 422, json={"chocolate": "cream35"})


class Exports(Kitchen):
    def test_everything_goes_out_as_json_and_csv(self) -> None:
        batch = self.start()["batch"]["id"]
        self.client.post("/api/probes/stand-in/readings", json={"c": 33.25})
        self.event(batch, "mark", "m", name="=dissolved", c=84.0)
        whole = json.loads(self.client.get(f"/api/batches/{batch}/batch.json").text)
        self.assertEqual([row["shown_c"] for row in whole["readings"]], [33.25])
        self.assertEqual(whole["events"][-1]["what"]["name"], "=dissolved")
        rows = list(csv.DictReader(io.StringIO(self.client.get(f"/api/batches/{batch}/batch.csv").text)))
        self.assertEqual({row["event"] for row in rows}, {"", "step", "mark"})
        self.assertEqual(self.client.delete(f"/api/batches/{batch}").status_code, 204)
        self.refused("GET", f"/api/batches/{batch}/batch.json", 404)
