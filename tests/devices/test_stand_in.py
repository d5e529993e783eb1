"""Stand-ins use the open door: a probe follows the run, a scale sends; and killing the server loses nothing."""

import subprocess
import sys
import time
import unittest
from datetime import UTC, datetime

from tests.api.server import Server
from tests.counts import trials

MARK = {"kind": "mark", "name": "it thickened", "c": 50.0}


class StandIn(unittest.TestCase):
    def test_the_demo_plays_the_pan_of_the_running_batch(self) -> None:
        server = Server(devices=True).start()
        self.addCleanup(server.stop)
        server.call("GET", "/api/probes/stand-in/stand-in")
        server.call("PUT", "/api/probes/stand-in/speed", {"speed": 30.0})
        _, run = server.call("POST", "/api/batches", {"recipe_id": 1, "from_step": 1})
        batch = run["batch"]["id"]
        end = time.monotonic() + 40
        live: dict[str, object] = {}
        while time.monotonic() < end:
            live = server.call("GET", f"/api/batches/{batch}/live")[1]
            if live["urgent"]:
                break
            time.sleep(0.5)
        self.assertEqual((live["call"], live["urgent"]), ("Off the heat", True))
        called_at = live["reading_at"]
        while time.monotonic() < end and live["reading_at"] == called_at:
            live = server.call("GET", f"/api/batches/{batch}/live")[1]
            time.sleep(0.05)
        # the call may come between two readings, for where the pan is by now: the next reading shows it
        self.assertGreater(float(str(live["true_c"])), 75)

    def test_the_demos_scale_holds_what_the_step_weighs_in_next(self) -> None:
        server = Server(devices=True).start()
        self.addCleanup(server.stop)
        _, run = server.call("POST", "/api/batches", {"recipe_id": 1, "from_step": 1})
        batch, amounts = run["batch"]["id"], run["amounts_g"]
        first, second = run["steps"][1]["positions"][:2]
        self.assertTrue(self.shows(server, amounts[first]), "the first line")
        weighed = {"kind": "weight", "position": first, "g": amounts[first]}
        event = {"client_key": "w", "at": datetime.now(UTC).isoformat(), "what": weighed}
        server.call("POST", f"/api/batches/{batch}/events", {"events": [event]})
        self.assertTrue(self.shows(server, amounts[second]), "then the next")

    def shows(self, server: Server, grams: float) -> bool:
        """Return whether the scale that spoke last comes to show so much within its step."""
        end = time.monotonic() + 30
        while time.monotonic() < end:
            scales = server.call("GET", "/api/scales")[1]["scales"]
            if scales and abs(scales[0]["g"] - grams) <= 2:
                return True
            time.sleep(0.3)
        return False

    def test_a_scale_sends_what_is_settled(self) -> None:
        server = Server().start()
        self.addCleanup(server.stop)
        command = [sys.executable, "-m", "hearth_bowl.devices.scale", "--url", server.url, "212.4"]
        self.assertEqual(subprocess.run(command, check=False).returncode, 0)
        (scale,) = server.call("GET", "/api/scales")[1]["scales"]
        self.assertIn(scale["g"], (211, 212, 213))


class Killed(unittest.TestCase):
    def test_killing_the_server_again_and_again_loses_no_acknowledged_reading_event_or_timer(self) -> None:
        server = Server().start()
        self.addCleanup(server.stop)
        batch = server.call("POST", "/api/batches", {"recipe_id": 1})[1]["batch"]["id"]
        timer = server.call("POST", "/api/timers", {"name": "Rest", "seconds": 3600.0, "batch_id": batch})[1]
        readings = events = 0
        for turn in range(trials(5)):
            for number in range(5):
                at = datetime.now(UTC).isoformat()
                if server.call("POST", "/api/probes/stand-in/readings", {"c": 20.0 + number, "at": at})[0] == 201:
                    readings += 1
            event = {"client_key": f"e{turn}", "at": datetime.now(UTC).isoformat(), "what": MARK}
            if server.call("POST", f"/api/batches/{batch}/events", {"events": [event]})[0] == 200:
                events += 1
            server.kill()
            server.start()
        whole = server.call("GET", f"/api/batches/{batch}/batch.json")[1]
        self.assertEqual(len(whole["readings"]), readings)
        self.assertEqual(sum(event["kind"] == "mark" for event in whole["events"]), events)
        self.assertEqual((readings, events), (5 * trials(5), trials(5)))
        (kept,) = server.call("GET", "/api/timers")[1]["timers"]
        self.assertEqual((kept["ends_at"], kept["name"]), (timer["ends_at"], "Rest"))


if __name__ == "__main__":
    unittest.main()
