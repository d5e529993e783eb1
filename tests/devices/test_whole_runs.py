"""Whole runs of every family, played by the stand-in kitchen as a cook would follow its steps."""

import unittest
from datetime import UTC, datetime
from itertools import pairwise
from typing import Any

from hearth_bowl.devices.kitchen_physics import Hob, LaggingProbe
from hearth_bowl.devices.probe import StandInKitchen
from tests.api.app_case import AppCase

FAMILIES = (
    ("cream-ganache", "roll"), ("whipped-ganache", "pipe"), ("condensed-milk-fudge", "cut"), ("simmered-fudge", "cut"),
    ("boiled-fudge", "cut"), ("fondant", "roll"), ("nut-paste", "cut"),
)  # fmt: skip
LONGEST_S = 90 * 60
KITCHEN_C = 21.0


class WholeRuns(AppCase):
    def play(self, recipe: int, heat: str = "pan") -> dict[str, tuple[float, float, int]]:
        """Return of each step the temperature when it began and ended, and its seconds."""
        run = self.client.post("/api/batches", json={"recipe_id": recipe, "choices": {"heat": heat}}).get_json()
        batch = run["batch"]["id"]
        kitchen = StandInKitchen(LaggingProbe(scatter_c=0.0), Hob())
        course = {}
        for number, step in enumerate(run["steps"]):
            event = {"client_key": f"s{number}", "at": datetime.now(UTC).isoformat()}
            sent = {"events": [{**event, "what": {"kind": "step", "step": number, "key": step["key"]}}]}
            self.assertEqual(self.client.post(f"/api/batches/{batch}/events", json=sent).status_code, 200)
            kitchen.follow(self.client.get("/api/probes/stand-in/stand-in").get_json())
            if kitchen.pan is None:
                continue
            began, seconds = kitchen.pan.mass_c, 0
            while seconds < LONGEST_S and not there(step, kitchen.pan.mass_c):
                kitchen.advance(1.0)
                seconds += 1
            course[step["key"]] = (began, kitchen.pan.mass_c, seconds)
        return course

    def test_every_step_of_every_family_comes_to_where_it_aims(self) -> None:
        for family, use in FAMILIES:
            start = {"family": family, "use": use, "chocolate": "dark60"}
            recipe = self.client.post("/api/recipes/start", json=start).get_json()["id"]
            with self.subTest(family):
                course = self.play(recipe)
                self.assertEqual([key for key, (_, _, seconds) in course.items() if seconds >= LONGEST_S], [])
                ends = list(course.values())
                for (_, before, _), (began, _, _) in pairwise(ends):
                    self.assertLess(began, before + 0.5, "nothing warms between two steps")

    def test_hot_cream_over_chocolate_comes_to_where_both_hold_together(self) -> None:
        start = {"family": "cream-ganache", "use": "roll", "chocolate": "dark60"}
        recipe = self.client.post("/api/recipes/start", json=start).get_json()["id"]
        for heat in ("pan", "microwave"):
            course = self.play(recipe, heat)
            self.assertGreater(course["join"][0], 35)
            self.assertLess(course["join"][0], 45)
            self.assertGreater(course["set"][0], KITCHEN_C + 10, "what was joined stays in the bowl")


def there(step: dict[str, Any], now_c: float) -> bool:
    """Return whether a cook would go on to the next step."""
    if step["target_c"] is None or step["heat"] in ("none", "work"):
        return True
    low, high = step["target_c"]
    if step["heat"] == "cool":
        return bool(now_c <= high)
    return bool(now_c >= ((low + high) / 2 if step["heat"] == "boil" else low))


if __name__ == "__main__":
    unittest.main()
