"""One rule, one answer: whichever door asks, the shell, the boil and the units are the same."""

import json
import tempfile
import unittest
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from typing import Any
from unittest.mock import patch

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.method.families import METHODS
from hearth_bowl.core.quantities import in_units, plain
from hearth_bowl.formats.answers import assess_answer
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.helper import HelperProcess
from hearth_bowl.service.moves import balance_recipe
from tests import command
from tests.api.app_case import AppCase
from tests.kitchen import recipe_record

TIN = {"kind": "pan", "shape": "rectangle", "length_mm": 200.0, "width_mm": 200.0, "depth_mm": 25.0}
CONES = {
    "kind": "mould", "shape": "cone", "rim_radius_mm": 15.0, "floor_radius_mm": 9.0, "height_mm": 22.0, "cavities": 20,
}  # fmt: skip


def by_command_line(recipe: Any, vessel: Any, *options: str) -> Any:
    with tempfile.TemporaryDirectory() as folder:
        files = [Path(folder) / name for name in ("recipe.json", "vessel.json")]
        for file, content in zip(files, (recipe, vessel), strict=True):
            file.write_text(json.dumps(content), "utf-8")
        return json.loads(command.run("fit", *map(str, files), *options).stdout)


class OneAnswer(AppCase):
    demo = True

    def recipe(self, family: str = "cream-ganache", **grams: float) -> Any:
        lines = [{"ingredient": key, "amount": amount} for key, amount in grams.items()]
        return recipe_record(family=family, lines=lines)

    def test_a_mould_of_which_nothing_is_said_has_a_dark_shell_at_every_door(self) -> None:
        recipe = self.recipe(dark60=240, cream35=130)
        shells = [
            self.client.post("/api/fit", json={"recipe": recipe, "vessel": CONES}).get_json()["shell"],
            self.client.post("/api/fit", json={"recipe": recipe, "vessel": CONES, "ask": {"kind": "mould"}}).get_json()[
                "shell"
            ],
            by_command_line(recipe, CONES)["shell"],
        ]
        for shell in shells:
            self.assertEqual(shell["ingredient"], "dark60")
            self.assertAlmostEqual(shell["total_g"], shells[0]["total_g"])
        number = self.client.post("/api/recipes", json={"recipe": recipe}).get_json()["id"]
        self.client.put(f"/api/recipes/{number}/fit", json={"vessel_id": 6})
        run = self.client.post("/api/batches", json={"recipe_id": number}).get_json()
        self.assertEqual((run["shell"], run["steps"][0]["key"]), ("dark60", "temper-melt"))

    def test_a_familys_row_of_acts_is_what_formula_stove_order_and_card_show(self) -> None:
        made = self.client.post("/api/recipes/start", json={"family": "filling", "use": "roll"}).get_json()["id"]
        recipe = self.client.get(f"/api/recipes/{made}").get_json()["recipe"]
        into = self.client.get("/api/confections").get_json()["confections"][-1]["id"]
        ready = (datetime.now() + timedelta(days=5)).replace(microsecond=0).isoformat()
        asked = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        row = {**asked["rows"][0], "confection_id": into}
        evening = {
            **asked,
            "ready_at": ready,
            "rows": [row],
            "wishes": {**asked["wishes"], "begins_at": None, "away": []},
        }
        occasion = self.client.post("/api/occasions", json=evening).get_json()["id"]
        with patch.dict(METHODS, {"filling": METHODS["curd"]}):
            formula = self.client.post("/api/formula/method", json={"recipe": recipe}).get_json()["method"]["acts"]
            stove = self.client.post("/api/batches/plan", json={"recipe_id": made}).get_json()["steps"]
            order = self.client.post(f"/api/occasions/{occasion}/order", json={"effort": "quick"}).get_json()["tasks"]
            card = self.client.get(f"/api/recipes/{made}/card").get_json()["steps"]
        self.assertIn("Thicken the egg", [act["title"] for act in formula])
        self.assertIn("cook-egg", [step["key"] for step in stove])
        self.assertIn("c0.m0.cook-egg", [act for one in order for act in one["task"]["acts"]])
        self.assertIn("cook-egg", [step["key"] for step in card])

    def test_what_boils_off_is_weighed_in_at_every_door(self) -> None:
        settings = self.client.get("/api/settings").get_json()
        self.client.put("/api/settings", json={**settings, "altitude_m": 500.0})
        fudge = self.recipe("boiled-fudge", sugar_granulated=450, milk_whole=300, butter82=60)
        page = self.client.post("/api/fit", json={"recipe": fudge, "vessel": TIN}).get_json()
        line = by_command_line(fudge, TIN, "--altitude-m", "500")
        self.assertAlmostEqual(page["batch_g"], line["batch_g"], places=6)
        self.assertGreater(page["evaporated_g"], 200)
        further = by_command_line(fudge, TIN, "--to-c", "118")
        self.assertGreater(further["batch_g"], line["batch_g"])

    def test_formula_card_and_command_line_say_the_same_of_every_recipe_of_the_demo(self) -> None:
        for row in self.client.get("/api/recipes").get_json()["recipes"]:
            kept = self.client.get(f"/api/recipes/{row['id']}").get_json()["recipe"]
            bench = self.client.post("/api/formula", json={"recipe": kept}).get_json()
            keeps = next(one for one in bench["readings"] if one["code"] == "keeps")
            card = self.client.get(f"/api/recipes/{row['id']}/card").get_json()
            card = card.get("card", card)
            verb = assess_answer(recipe_from(kept), assess(recipe_from(kept)))
            with self.subTest(row["name"] if "name" in row else row["id"]):
                days = f"{verb['keeping']['days_low']} to {verb['keeping']['days_high']} days"
                self.assertEqual(keeps["shown"], days)
                self.assertEqual(card["keeping"]["days_high"], verb["keeping"]["days_high"])
                self.assertEqual(card["keeping"]["where"], verb["keeping"]["where"])
                messages = [plain(caution["message"]) for caution in verb["warnings"]]
                self.assertEqual(messages, card["cautions"])
                for code in ("raw-egg", "honey-infants", "gelatine", "choking", "soft-cheese", "contains-alcohol"):
                    said = next((plain(one["message"]) for one in verb["warnings"] if one["code"] == code), None)
                    words = " ".join(one["words"] for one in bench["readings"])
                    self.assertTrue(said is None or said in words, code)

    def test_page_keep_and_label_say_the_same_of_every_confection_of_the_demo(self) -> None:
        for row in self.client.get("/api/confections").get_json()["confections"]:
            kept = self.client.get(f"/api/confections/{row['id']}").get_json()
            asked = kept["asked"]
            worked = self.client.post("/api/confections/work-out", json=asked).get_json()["answer"]
            label = self.client.post("/api/confections/label", json={"asked": asked, "made": "2026-08-12"}).get_json()[
                "label"
            ]
            with self.subTest(asked["name"]):
                recipe_id = next((part["of"]["recipe_id"] for part in asked["parts"] if part["of"]["recipe_id"]), None)
                if recipe_id is not None:
                    found = self.client.get(f"/api/recipes/{recipe_id}/keep").get_json()["confections"]
                    keep = next(one["lasting"] for one in found if one["confection_id"] == row["id"])
                    self.assertEqual(
                        (keep["where"], keep["days_low"]), (worked["keeping"]["where"], worked["keeping"]["days_low"])
                    )
                    self.assertEqual(keep["use_by"], label["use_by"] is not None)
                until = date(2026, 8, 12) + timedelta(days=worked["keeping"]["days_low"])
                self.assertEqual(label["use_by"] or label["best_before"], until.isoformat())
                self.assertEqual(label["cautions"], [caution["message"] for caution in worked["cautions"]])
                self.assertEqual(
                    label["use_by"] is not None, worked["keeping"]["where"] == "fridge" or label["use_by"] is not None
                )

    def test_a_difference_of_temperatures_is_no_temperature(self) -> None:
        self.assertEqual(
            in_units("⟦35 to 45 °C⟧, weather moves it ⟪±0.8 °C⟫", "F", "g", "mm"),
            "95 to 113 °F, weather moves it ±1.4 °F",
        )
        self.assertEqual(plain("⟦-18 °C⟧"), "-18 °C")
        self.assertEqual(in_units("1.5 to 1: ⟦35.5 g⟧", "C", "g", "mm", decimal_sign=","), "1.5 to 1: 35,5 g")
        self.assertEqual(in_units("⟦-18 °C⟧", "F", "oz", "in"), "0 °F")
        self.assertEqual(in_units("⟦390 g⟧, ⟦25 x 25.4 mm⟧", "C", "oz", "in"), "13.8 oz, 0.98 x 1 in")
        self.assertEqual(in_units("⟦390 g⟧, ⟦25 x 25.4 mm⟧", "F", "g", "mm"), "390 g, 25 x 25.4 mm")
        settings = self.client.get("/api/settings").get_json()
        self.client.put("/api/settings", json={**settings, "temperature_unit": "F"})
        fudge = self.recipe("boiled-fudge", sugar_granulated=450, milk_whole=300)
        said = self.client.post("/api/formula", json={"recipe": fudge}).text
        self.assertIn("±1.4 °F", said)
        german = self.client.post("/api/formula", json={"recipe": fudge}, headers={"Accept-Language": "de-DE,de;q=0.9"})
        self.assertIn("±1,4 °F", german.text)
        for mark in ("°C", "⟦", "⟪"):
            self.assertNotIn(mark, said)
        cold = self.refused("POST", "/api/formula", 422, json={"recipe": fudge, "at_c": 900.0})
        self.assertIn("°F", cold["errors"][0]["allowed"])

    def test_a_clock_that_goes_ahead_is_learned_and_its_readings_are_taken(self) -> None:
        now = datetime.now(UTC)

        def send(*ahead_s: float) -> Any:
            rows = [
                {"c": 20.0 + number, "at": (now + timedelta(seconds=s)).isoformat()} for number, s in enumerate(ahead_s)
            ]
            return self.client.post("/api/probes/oven/readings", json={"readings": rows}).get_json()

        first = send(300.0, 360.0)
        self.assertEqual(first["stored"], 2)
        self.assertAlmostEqual(first["clock_ahead_s"], 360, delta=2)
        self.assertEqual(send(300.0, 360.0)["stored"], 0)
        (probe,) = self.client.get("/api/probes").get_json()["probes"]
        self.assertAlmostEqual(probe["clock_ahead_s"], 360, delta=2)
        self.assertLess(datetime.fromisoformat(probe["last_at"]), datetime.now(UTC))
        self.assertEqual(send(0.0)["clock_ahead_s"], 0)

    def test_a_row_that_stands_twice_in_a_csv_is_stored_once(self) -> None:
        at = (datetime.now(UTC) - timedelta(hours=1)).isoformat()
        text = f"at,c\n{at},20.5\n{at},20.5\n{at},21\n"
        self.assertEqual(self.client.post("/api/probes/p/csv", json={"csv": text}).get_json()["stored"], 2)

    def test_a_name_that_a_spreadsheet_would_reckon_with_comes_back_as_it_was(self) -> None:
        own = {"name": "-2+3 malt", "composition_pct": {"water": 5.0, "other": 95.0}, "density_g_per_ml": 0.55}
        self.client.put("/api/larder", json={"label": own["name"], "ingredient": own, "pack_g": 200.0})
        text = self.client.get("/api/larder/larder.csv").text
        self.assertIn("'-2+3 malt", text)
        self.assertEqual(self.client.post("/api/larder/csv", json={"csv": text}).status_code, 200)
        labels = [item["label"] for item in self.client.get("/api/larder").get_json()["items"]]
        self.assertEqual(labels.count("-2+3 malt"), 1)
        self.assertNotIn("'-2+3 malt", labels)

    def test_a_bare_number_beside_litres_is_asked_for_its_unit(self) -> None:
        recipe = self.recipe(dark60=240, cream35=130)
        recipe["lines"][1] |= {"unit": "l", "amount": 0.25}
        for typed, taken in (("250", False), ("0.5", True), ("250 ml", True), ("25 l", True)):
            changed = {**recipe, "lines": [recipe["lines"][0], {**recipe["lines"][1], "typed": typed}]}
            answer = self.client.post("/api/formula", json={"recipe": changed})
            self.assertEqual(answer.status_code == 200, taken, typed)

    def test_the_helper_answers_as_the_core_does(self) -> None:
        helper = HelperProcess()
        self.addCleanup(helper.close)
        recipe, aims = self.recipe(dark60=240, cream35=130, butter82=20), {"set_index": 3.2}
        self.assertEqual(helper.run(balance_recipe, recipe, aims), balance_recipe(recipe, aims))


if __name__ == "__main__":
    unittest.main()
