"""Whatever is sent, the API answers with its own problem or a sensible result, never with a mistake of ours."""

import json
from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.api.app_case import AppCase
from tests.kitchen import RYE_MALT, recipe_record

ODD_NUMBERS = st.one_of(
    st.floats(allow_nan=False, allow_infinity=False),
    st.integers(-(10**18), 10**18),
    st.sampled_from([0, -0.0, 1e-300, 1e308, -1]),
)
ODD = st.one_of(ODD_NUMBERS, st.none(), st.booleans(), st.text(max_size=20), st.lists(st.integers(), max_size=2))
KEYS = st.sampled_from(["cream35", "dark60", "condensed_sweet", "salt", "spirit40", "cocoa_butter", "water"])
LINES = st.fixed_dictionaries(
    {"ingredient": KEYS, "amount": st.floats(0, 2000)},
    optional={
        "unit": st.sampled_from(["g", "oz", "cup", "tbsp", "pinch", "tin", "bar", "stick", "piece"]),
        "measure": st.sampled_from(["metric", "us", "imperial", "au"]),
        "pinned": st.booleans(),
        "pack_g": st.floats(1, 2000),
        "amount_high": st.floats(0, 3000),
    },
)
RECIPES = st.builds(
    lambda family, use, lines: {"name": "Odd", "family": family, "use": use, "lines": lines},
    st.sampled_from(["cream-ganache", "boiled-fudge", "fondant", "nut-paste", "simmered-fudge", "modelling"]),
    st.sampled_from([None, "roll", "pour", "cut", "whip"]),
    st.lists(LINES, min_size=1, max_size=5),
)
PATHS = ("formula", "formula/assess", "balance", "swap", "only-this-much", "compare", "cook", "fit")


def bodies(recipe: dict[str, Any], odd: Any) -> dict[str, dict[str, Any]]:
    """Return a body for every path, with something odd in it."""
    pan = {"kind": "pan", "shape": "rectangle", "length_mm": 200.0, "width_mm": 200.0, "depth_mm": 25.0}
    return {
        "formula": {"recipe": recipe, "at_c": 20.0, "ratio": odd},
        "formula/assess": {"recipe": recipe, "at_c": odd},
        "balance": {"recipe": recipe, "aims": {"set_index": odd, "mass_g": 300.0}},
        "swap": {"recipe": recipe, "position": 0, "ingredient": "cream48", "at_c": 21.0},
        "only-this-much": {"recipe": recipe, "position": 0, "typed": str(odd)[:40]},
        "compare": {"first": recipe, "second": recipe_record(), "at_c": odd},
        "cook": {"recipe": recipe, "to_c": odd},
        "fit": {"recipe": recipe, "vessel": pan, "ask": {"kind": "pan", "thickness_mm": odd, "loss_pct": 5.0}},
    }


class Never500(AppCase):
    def answer(self, path: str, body: dict[str, Any]) -> None:
        answer = self.client.post(f"/api/{path}", json=body)
        self.assertIn(answer.status_code, (200, 422), (path, body, answer.text[:300]))
        if answer.status_code == 422:
            problem = answer.get_json(force=True)
            self.assertTrue(problem["errors"])
            for error in problem["errors"]:
                self.assertEqual(error["path"][0], "body")
                self.assertTrue(error["message"])
        else:
            json.dumps(answer.get_json(), allow_nan=False)

    @settings(max_examples=60, suppress_health_check=[HealthCheck.differing_executors])
    @given(RECIPES, ODD_NUMBERS)
    def test_odd_recipes_and_numbers(self, recipe: dict[str, Any], odd: float) -> None:
        for path, body in bodies(recipe, odd).items():
            self.answer(path, body)

    @settings(max_examples=60, suppress_health_check=[HealthCheck.differing_executors])
    @given(st.sampled_from(["amount", "unit", "measure", "pinned", "pack_g", "stage", "ingredient"]), ODD)
    def test_odd_values_in_a_line(self, field: str, odd: Any) -> None:
        line = {"ingredient": "cream35", "amount": 100.0, field: odd}
        recipe = {"name": "Odd", "family": "filling", "lines": [line]}
        self.answer("formula", {"recipe": recipe})
        answer = self.client.post("/api/recipes", json={"recipe": recipe})
        self.assertIn(answer.status_code, (201, 422), answer.text[:300])

    @settings(max_examples=60, suppress_health_check=[HealthCheck.differing_executors])
    @given(st.text(max_size=200))
    def test_any_text_can_be_read_or_is_refused(self, text: str) -> None:
        answer = self.client.post("/api/recipes/read", json={"text": text})
        self.assertIn(answer.status_code, (200, 422), answer.text[:300])

    @settings(max_examples=40, suppress_health_check=[HealthCheck.differing_executors])
    @given(st.text(alphabet="label,dark60;\"'\n-0123456789.=@x", max_size=120))
    def test_any_csv_is_taken_or_refused_whole(self, text: str) -> None:
        before = self.client.get("/api/larder").get_json()
        answer = self.client.post("/api/larder/csv", json={"csv": text})
        self.assertIn(answer.status_code, (200, 422), answer.text[:300])
        if answer.status_code == 422:
            self.assertEqual(self.client.get("/api/larder").get_json(), before)

    def test_names_in_any_script_come_back_as_they_were(self) -> None:
        for name in ("مرصد القبة 🔭", "‮evil‬", "Ω-σ '; DROP TABLE recipe; --", "<script>alert(1)</script>", "é" * 200):
            stored = self.client.post("/api/recipes", json={"recipe": recipe_record(name=name)}).get_json()
            again = self.client.get(f"/api/recipes/{stored['id']}").get_json()
            self.assertEqual(again["recipe"]["name"], name)

    def test_a_refused_recipe_leaves_nothing_behind(self) -> None:
        for lines in ([], [{"ingredient": RYE_MALT, "amount": -1.0}], [{"ingredient": "dark60", "amount": 0.0}]):
            self.refused("POST", "/api/recipes", 422, json={"recipe": recipe_record(lines=lines)})
        self.assertEqual(self.client.get("/api/recipes").get_json()["recipes"], [])
