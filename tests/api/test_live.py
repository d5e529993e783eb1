"""What the Stove and Set say while a mass boils, cools and sets: by readings as a thermometer sends them."""

import unittest
from datetime import timedelta
from itertools import cycle, product
from typing import Any

from hearth_bowl.store.models import BatchEventRow, BatchRow
from tests.api.test_stove import Kitchen, ago
from tests.kitchen import recipe_record

FUDGE = recipe_record(
    family="boiled-fudge",
    use="cut",
    lines=[{"ingredient": "sugar_granulated", "amount": 450}, {"ingredient": "milk_whole", "amount": 300}],
)


class Live(Kitchen):
    probes = 0

    @property
    def probe(self) -> str:
        """Return the newest batch's probe."""
        return f"stick {self.probes}"

    def fudge(self, **more: Any) -> Any:
        made = self.client.post("/api/recipes", json={"recipe": FUDGE}).get_json()["id"]
        return self.start(made, **more)

    def at_step(self, key: str) -> tuple[int, dict[str, Any]]:
        """Return a running fudge's batch and its step of that name, opened; each has a probe of its own."""
        self.probes += 1
        steps = self.fudge(probe_id=f"{self.probe}-plan")["steps"]
        number, step = next((n, step) for n, step in enumerate(steps) if step["key"] == key)
        return self.fudge(probe_id=self.probe, from_step=number)["batch"]["id"], step

    def live(self, batch: int) -> dict[str, Any]:
        found: dict[str, Any] = self.client.get(f"/api/batches/{batch}/live").get_json()
        return found

    def steadily(self, now_c: float, c_per_s: float, seconds: int = 120) -> None:
        """Send readings once a second that end at `now_c`."""
        self.send(*((0.9 + s, now_c - c_per_s * s) for s in range(seconds, -1, -1)), probe=self.probe)

    def test_a_boil_past_its_end_says_how_much_water_brings_it_back(self) -> None:
        batch, step = self.at_step("boil")
        low, high = step["target_c"]
        self.steadily(high + 2.5, 0.02)
        past = self.live(batch)
        self.assertEqual((past["stands"]["stand"], past["urgent"], past["call"]), ("over", True, "Off the heat"))
        self.assertTrue(3 < past["add_back_g"] < 40, past["add_back_g"])
        self.steadily(high + 5.0, 0.02)
        self.assertGreater(self.live(batch)["add_back_g"], past["add_back_g"])
        other, _ = self.at_step("boil")
        self.steadily(low - 6.0, 0.02)
        self.assertIsNone(self.live(other)["add_back_g"])

    def test_how_long_fresh_cheese_was_out_is_the_same_on_every_device(self) -> None:
        rows = [{"ingredient": "cream_cheese", "amount": 250}, {"ingredient": "biscuit_crumbs", "amount": 180}]
        cheese = recipe_record(family="soft-cheese", use="roll", lines=rows)
        made = self.client.post("/api/recipes", json={"recipe": cheese}).get_json()["id"]
        run = self.start(made)
        batch = run["batch"]["id"]
        self.assertLess(self.live(batch)["out_of_cold_s"], 60)
        self.assertTrue(run["steps"][0]["out_of_cold"])
        self.assertIsNone(self.live(self.fudge()["batch"]["id"])["out_of_cold_s"])
        with self.database.writing() as session:
            for row in (session.get_one(BatchRow, batch), *session.query(BatchEventRow).filter_by(batch_id=batch)):
                for name in ("started_at", "at"):
                    if hasattr(row, name):
                        setattr(row, name, getattr(row, name) - timedelta(minutes=110))
        late = self.live(batch)
        self.assertAlmostEqual(late["out_of_cold_s"], 6600, delta=60)
        self.assertEqual((late["call"], late["urgent"]), ("Back into the fridge", True))

    def test_the_end_of_a_boil_goes_by_the_kitchens_altitude(self) -> None:
        settings = self.client.get("/api/settings").get_json()
        ends = []
        for altitude_m in (0.0, 1500.0):
            self.client.put("/api/settings", json={**settings, "altitude_m": altitude_m})
            step = next(step for step in self.fudge()["steps"] if step["key"] == "boil")
            ends.append(sum(step["target_c"]) / 2)
        self.assertTrue(4 < ends[0] - ends[1] < 6.5, ends)

    def test_a_cooling_mass_is_called_when_it_is_there(self) -> None:
        batch, step = self.at_step("cool-still")
        self.steadily(80.0, -0.02)
        coming = self.live(batch)
        self.assertFalse(coming["urgent"])
        forecast = coming["forecast"]
        self.assertTrue(forecast["low_s"] < forecast["in_s"] < forecast["high_s"])
        self.assertEqual(forecast["carry_c"], 0)
        self.assertAlmostEqual(forecast["curve"][-1][1], step["target_c"][1], delta=0.5)
        batch, step = self.at_step("cool-still")
        self.steadily(step["target_c"][1] - 1, -0.02)
        self.assertEqual((self.live(batch)["urgent"], self.live(batch)["call"]), (True, "Start beating"))

    def test_an_old_reading_is_no_temperature_of_now(self) -> None:
        batch, _ = self.at_step("boil")
        self.send(*((70.0 + s, 101.0) for s in range(60, 0, -1)), probe=self.probe)
        old = self.live(batch)
        self.assertEqual((old["true_c"], old["forecast"], old["shown_c"]), (None, None, 101.0))
        self.send((2.0, None), probe=self.probe)
        self.assertIsNone(self.live(batch)["true_c"])
        self.send((0.5, 103.0), probe=self.probe)
        self.assertEqual(self.live(batch)["true_c"], 103.0)

    def test_a_thermometer_that_goes_silent_is_an_alarm_and_one_that_never_spoke_is_none(self) -> None:
        batch, step = self.at_step("boil")
        self.assertIsNone(self.live(batch)["silent_s"])
        self.send(*((40.0 + s, 101.0) for s in range(60, 0, -1)), probe=self.probe)
        silent = self.live(batch)
        self.assertAlmostEqual(silent["silent_s"], 41, delta=2)
        self.assertEqual((silent["urgent"], silent["timed"]), (True, False))
        self.assertIn(step["cue"], silent["call"])
        self.send((0.5, 103.0), probe=self.probe)
        self.assertIsNone(self.live(batch)["silent_s"])

    def test_a_forecast_counts_on_by_itself_while_the_thermometer_is_silent(self) -> None:
        batch, step = self.at_step("cool-still")
        self.send(*((5.0 + s, 80.0 + 0.05 * s) for s in range(120, -1, -1)), probe=self.probe)
        heard = self.live(batch)["forecast"]["in_s"]
        batch, step = self.at_step("cool-still")
        self.send(*((45.0 + s, 80.0 + 0.05 * s) for s in range(120, -1, -1)), probe=self.probe)
        silent = self.live(batch)
        self.assertAlmostEqual(silent["forecast"]["in_s"], heard - 40, delta=3)
        self.assertEqual((silent["true_c"], silent["shown_c"]), (None, 80.0))
        batch, step = self.at_step("boil")
        low, high = step["target_c"]
        self.send(*((25.0 + s, (low + high) / 2 - 1.2 - 0.05 * s) for s in range(120, -1, -1)), probe=self.probe)
        called = self.live(batch)
        self.assertTrue(called["urgent"])
        self.assertIn("Off the heat at the last rate", called["call"])

    def test_silence_of_half_an_hour_is_still_told_as_silence(self) -> None:
        batch, _ = self.at_step("boil")
        self.send(*((1800.0 + s, 101.0) for s in range(60, 0, -1)), probe=self.probe)
        self.assertEqual(self.live(batch)["shown_c"], None, "it spoke long before this run")
        batch, _ = self.at_step("boil")
        self.send(*((800.0 + s, 101.0) for s in range(60, 0, -1)), probe=self.probe)
        silent = self.live(batch)
        self.assertAlmostEqual(silent["silent_s"], 801, delta=2)
        self.assertEqual((silent["shown_c"], silent["forecast"]), (101.0, None))

    def test_a_call_that_was_seen_is_quiet_everywhere_until_it_goes_on_being_wrong(self) -> None:
        batch, step = self.at_step("boil")
        self.steadily(step["target_c"][1] + 1, 0.02)
        loud = self.live(batch)
        self.assertEqual((loud["urgent"], loud["seen"]), (True, False))
        self.event(batch, "call-seen", "seen", words=loud["call"])
        self.assertTrue(self.live(batch)["seen"])
        self.event(batch, "step", "again", step=self.live(batch)["step"], key="boil")
        self.steadily(step["target_c"][1] + 1, 0.02)
        self.assertFalse(self.live(batch)["seen"], "a step starts afresh")

    def test_a_step_starts_afresh(self) -> None:
        batch, _ = self.at_step("boil")
        self.steadily(104.0, 0.02)
        self.assertIsNotNone(self.live(batch)["forecast"])
        steps = self.client.get(f"/api/batches/{batch}").get_json()["steps"]
        number, still = next((n, step) for n, step in enumerate(steps) if step["key"] == "cool-still")
        self.event(batch, "step", "on", step=number, key="cool-still")
        entered = self.live(batch)
        self.assertEqual((entered["true_c"], entered["forecast"], entered["stands"]), (104.0, None, None))
        self.assertEqual((entered["call"], entered["urgent"]), (still["title"], False))

    def test_before_the_boil_the_time_is_that_to_the_boil_and_the_end_a_band(self) -> None:
        batch, _ = self.at_step("boil")
        self.steadily(70.0, 0.15)
        found = self.live(batch)
        forecast = found["forecast"]
        self.assertEqual((found["call"], found["timed"], forecast["phase"]), ("It boils", True, "to-boil"))
        self.assertTrue(180 < forecast["low_s"] < forecast["in_s"] < forecast["high_s"] < 400, forecast)
        self.assertTrue(forecast["high_s"] < forecast["end_low_s"] < forecast["end_high_s"], forecast)

    def test_readings_by_hand_stay_good_for_some_minutes(self) -> None:
        batch, _ = self.at_step("boil")
        self.send((150.0, 99.0), (90.0, 101.0), probe=self.probe)
        self.assertEqual(self.live(batch)["true_c"], 101.0)

    def test_a_stand_in_that_plays_ten_times_as_fast_is_forecast_by_the_clock(self) -> None:
        run = self.fudge(from_step=1)
        batch, step = run["batch"]["id"], run["steps"][1]
        low = step["target_c"][0]
        self.client.get("/api/probes/stand-in/stand-in")
        self.client.put("/api/probes/stand-in/speed", json={"speed": 10.0})
        self.send(*((0.2 + s / 10, low - 6 - 0.03 * s) for s in range(120, -1, -1)))
        quick = self.live(batch)["forecast"]
        self.assertAlmostEqual(quick["rate_c_per_min"], 18, delta=2)
        self.assertTrue(5 < quick["in_s"] < 60, quick["in_s"])

    def test_over_the_ceiling_everything_else_waits(self) -> None:
        batch, step = self.at_step("dissolve")
        self.steadily(step["ceiling_c"] + 0.5, 0.05)
        found = self.live(batch)
        self.assertEqual((found["stands"]["stand"], found["urgent"]), ("ceiling", True))
        self.assertEqual(found["call"], "It boils before the sugar is dissolved: turn it down.")

    def test_an_ended_batch_keeps_its_trace_and_takes_no_later_reading(self) -> None:
        batch, _ = self.at_step("boil")
        self.client.post(f"/api/probes/{self.probe}/readings", json={"c": 50.0})
        self.event(batch, "end", "done")
        self.client.post(f"/api/probes/{self.probe}/readings", json={"c": 60.0})
        trace = self.client.get(f"/api/batches/{batch}/trace").get_json()
        self.assertEqual((trace["readings"], trace["high_c"]), (1, 50.0))
        self.event(batch, "verdict", "v", words=["grainy"])
        self.assertEqual(self.client.get("/api/batches").get_json()["batches"][0]["verdict"], ["grainy"])

    def test_an_event_before_the_start_or_after_now_is_moved_to_it(self) -> None:
        batch = self.fudge()["batch"]["id"]
        for key, at in (("early", ago(9000)), ("late", ago(-9000))):
            body = {"events": [{"client_key": key, "at": at, "what": {"kind": "mark", "name": key}}]}
            self.assertEqual(self.client.post(f"/api/batches/{batch}/events", json=body).status_code, 200)
        run = self.client.get(f"/api/batches/{batch}").get_json()
        started = run["batch"]["started_at"]
        moments = [event["at"] for event in run["events"]]
        self.assertEqual([event["what"].get("name") for event in run["events"]], [None, "early", "late"])
        self.assertEqual(moments[:2], [started, started])
        self.assertLess(moments[2], ago(-60))


class Doors(Kitchen):
    def test_odd_asks_of_a_chain_are_refused_by_name(self) -> None:
        for query, field in (
            ("minutes=-1", "minutes"),
            ("minutes=nan", "minutes"),
            ("minutes=1e9", "minutes"),
            ("from=noon", "from"),
        ):
            problem = self.refused("GET", f"/api/set/chains/slab/looks.ics?{query}", 422)
            self.assertEqual(problem["errors"][0]["path"][-1], field, query)

    def test_a_calendar_is_in_world_time_whatever_zone_asked(self) -> None:
        ends = [
            self.client.get(f"/api/set/chains/slab/looks.ics?minutes=30&from={moment}").text.count("20260821T183000Z")
            for moment in ("2026-08-21T18:00:00Z", "2026-08-21T20:00:00%2B02:00")
        ]
        self.assertTrue(all(ends), ends)

    def test_every_place_state_and_chain_that_is_offered_is_answered(self) -> None:
        recipe = self.client.get("/api/recipes/3").get_json()["recipe"]
        offered = self.client.get("/api/set/places").get_json()
        covers = cycle(offered["covers"])
        for state, place in product(offered["states"], offered["places"]):
            ask = {"state": state["key"], "from_c": 40.0, "place": place["key"], "thickness_mm": 12.0}
            ask["cover"] = next(covers)
            answer = self.client.post("/api/set/clock", json={"recipe": recipe, "ask": ask})
            self.assertIn(answer.status_code, (200, 422), answer.text)
            if answer.status_code == 200:
                low, middle, high = answer.get_json()["cool_min"]
                self.assertTrue(0 < low <= middle <= high)
            else:
                self.assertEqual(answer.get_json(force=True)["errors"][0]["path"][-1], "place")
        for chain in offered["chains"]:
            looks = self.client.get(f"/api/set/chains/{chain}?minutes=45").get_json()["looks"]
            times = [look["after_min"] for look in looks]
            self.assertEqual(times, sorted(times))
            self.assertTrue(all(look["look_for"] for look in looks), chain)

    def test_each_chocolate_has_its_windows_in_order(self) -> None:
        for chocolate in ("dark60", "milk38", "white32", "dark70"):
            found = self.client.post("/api/temper", json={"chocolate": chocolate, "mass_g": 300.0})
            if found.status_code == 422:
                continue
            window = found.get_json()
            self.assertLess(window["work_c"][0], window["work_c"][1])
            self.assertLess(window["cool_to_c"][1], window["work_c"][1])
            self.assertLess(window["work_c"][1], window["melt_c"][0])
            self.assertLessEqual(window["melt_c"][1], window["never_above_c"])
            self.assertTrue(5 < 100 * window["seed_g"] / 300 < 60, window["seed_g"])


if __name__ == "__main__":
    unittest.main()
