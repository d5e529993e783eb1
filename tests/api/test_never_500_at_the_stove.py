"""Whatever is sent to fit, boxes, stove, clocks and set, the API answers with its own problem or a sensible result."""

import json
from datetime import UTC, datetime
from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.api.app_case import AppCase
from tests.api.test_never_500 import ODD, RECIPES

VESSELS = st.sampled_from(
    [
        {"kind": "pan", "shape": "rectangle", "length_mm": 200.0, "width_mm": 200.0, "depth_mm": 25.0},
        {"kind": "pan", "shape": "round", "diameter_mm": 180.0, "depth_mm": 25.0},
        {"kind": "mould", "shape": "cone", "rim_radius_mm": 15.0, "floor_radius_mm": 0.0, "height_mm": 22.0},
        {"kind": "mould", "shape": "weighed", "water_g": 9.0, "cavities": 12},
        {"kind": "scoop", "volume_ml": 12.0},
        {"kind": "cup", "volume_ml": 12.0, "count": 4},
        {"kind": "pieces", "piece_g": 12.0},
        {"kind": "cake", "diameter_mm": 180.0, "height_mm": 80.0, "fillings": 1, "filling_mm": 5.0, "coat_mm": 4.0},
        {"kind": "box", "length_mm": 90.0, "width_mm": 90.0, "depth_mm": 30.0},
    ]
)
ASKED = st.sampled_from(
    [
        "thickness_mm", "pieces", "spares", "mass_g", "piece_mm", "trim_mm", "kerf_mm", "wall_mm", "cap_mm",
        "headroom_mm", "shell", "halves", "colours", "coat_mm", "coated", "dip_bowl_mm", "core_g", "rolling",
        "overrun_pct", "loss_pct", "loss_g", "mix_g_per_cup", "mug_mm",
    ]
)  # fmt: skip
SLOW = [HealthCheck.differing_executors, HealthCheck.too_slow]

BOXED = st.sampled_from(["confection_id", "per_box", "spares", "whole_moulds"])


class Never500(AppCase):
    demo = True

    def answer(self, method: str, path: str, body: Any, allowed: tuple[int, ...] = (200, 201, 404, 422)) -> Any:
        answer = self.client.open(f"/api/{path}", method=method, json=body)
        self.assertIn(answer.status_code, allowed, (path, body, answer.text[:400]))
        if answer.status_code >= 400:
            problem = answer.get_json(force=True)
            self.assertTrue(problem["detail"])
            for error in problem["errors"]:
                self.assertEqual(error["path"][0], "body")
        else:
            json.dumps(answer.get_json(), allow_nan=False)
        return answer

    @settings(max_examples=80, deadline=None, suppress_health_check=SLOW)
    @given(RECIPES, VESSELS, ASKED, ODD, ASKED, ODD)
    def test_odd_asks_of_every_vessel(
        self, recipe: Any, vessel: Any, name: str, odd: Any, second: str, more: Any
    ) -> None:
        ask = {"kind": vessel["kind"], "pieces": 5, name: odd, second: more}
        body = {"recipe": recipe, "vessel": vessel, "ask": ask}
        self.answer("POST", "fit", body)
        parts = [{"role": "layer", "of": {"recipe_id": 3}, "mm": odd}]
        for form in ({"vessel": 1, name: odd}, {"vessel": 1, second: more, "piece_mm": [odd, more]}):
            for path in ("near", "vessels"):
                self.answer("POST", f"confections/{path}", {"name": "Odd", "form": form, "parts": parts})
        self.answer("PUT", "recipes/1/fit", {"vessel_id": 1, "ask": ask})
        self.assertEqual(self.client.get("/api/recipes/1/fit").status_code, 200)

    @settings(max_examples=80, deadline=None, suppress_health_check=SLOW)
    @given(st.sampled_from(["boxes", "pot_g", "box_vessel_id", "name", "rows"]), ODD, BOXED)
    def test_odd_boxes(self, name: str, odd: Any, boxed: str) -> None:
        stored = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        changed = {**stored, name: odd}
        self.answer("POST", "occasions/work-out", changed)
        self.answer("POST", "occasions/work-out", {**stored, "rows": [{**stored["rows"][0], boxed: odd}]})

    @settings(max_examples=60, deadline=None, suppress_health_check=SLOW)
    @given(ODD, st.sampled_from(["c", "at", "what", "client_key", "seconds", "name"]))
    def test_odd_things_at_the_stove(self, odd: Any, name: str) -> None:
        at = datetime.now(UTC).isoformat()
        self.answer("POST", "probes/p/readings", {"readings": [{"c": 20.0, "at": at, **_only(("c", "at"), name, odd)}]})
        event = {"client_key": "k", "at": at, "what": {"kind": "step", "step": 0}}
        batch = self.client.post("/api/batches", json={"recipe_id": 1}).get_json()["batch"]["id"]
        self.answer("POST", f"batches/{batch}/events", {"events": [{**event, **_only(tuple(event), name, odd)}]})
        self.answer("POST", f"batches/{batch}/events", {"events": [{**event, "what": {"kind": "step", "step": odd}}]})
        self.answer("POST", f"batches/{batch}/weighed", {"weighed_g": {"0": odd}})
        self.answer("POST", f"batches/{batch}/spilled", {"gone_in": [0], "left_g": odd})
        self.answer("POST", f"batches/{batch}/spilled", {"gone_in": [odd], "left_g": 10.0})
        self.answer("POST", f"batches/{batch}/pan", {"start_g": odd, "now_g": 100.0})
        self.answer("POST", f"batches/{batch}/burst", {"unmelted_share": 0.5, "rated_w": 800.0, "now_c": odd})
        self.answer("POST", "timers", {"name": "x", "seconds": 5.0, **_only(("seconds", "name"), name, odd)})
        self.answer("POST", "batches", {"recipe_id": 1, "choices": {"heat": odd}})
        self.answer("POST", "batches", {"recipe_id": 1, "from_step": odd})
        for path in (f"batches/{batch}", f"batches/{batch}/live", f"batches/{batch}/trace", "timers", "batches"):
            self.assertEqual(self.client.get(f"/api/{path}").status_code, 200, path)

    @settings(max_examples=40, deadline=None, suppress_health_check=SLOW)
    @given(RECIPES, st.sampled_from(["from_c", "thickness_mm", "ambient_c", "bowl_kg", "narrow_mm", "state"]), ODD)
    def test_odd_things_that_set(self, recipe: Any, name: str, odd: Any) -> None:
        ask = {"state": "cut", "from_c": 36.0, "place": "fridge", "thickness_mm": 10.0, name: odd}
        seen = [{"after_s": 600.0, "now_c": odd if isinstance(odd, float) else 20.0}]
        self.answer("POST", "set/clock", {"recipe": recipe, "ask": ask, "corrections": seen})
        self.answer("POST", "temper", {"chocolate": "dark60", "mass_g": odd, "to_c": odd})

    @settings(max_examples=60, deadline=None, suppress_health_check=SLOW)
    @given(st.text(alphabet="at,cf\n0123456789-:TZ+. \"'", max_size=120))
    def test_any_csv_of_readings(self, text: str) -> None:
        self.answer("POST", "probes/p/csv", {"csv": text})


def _only(names: tuple[str, ...], name: str, odd: Any) -> dict[str, Any]:
    return {name: odd} if name in names else {}
