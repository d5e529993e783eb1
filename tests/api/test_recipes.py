"""Recipes over the API: saved whole or not at all, versions for good, two windows on one recipe."""

import json
from datetime import UTC, datetime
from typing import Any

from tests.api.app_case import AppCase
from tests.kitchen import recipe_record

DOMES = {"kind": "mould", "shape": "hemisphere", "cavities": 24, "radius_mm": 14}


class Recipes(AppCase):
    def created(self, **changes: Any) -> dict[str, Any]:
        answer = self.client.post("/api/recipes", json={"recipe": recipe_record(**changes)})
        self.assertEqual(answer.status_code, 201, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_what_is_stored_comes_back_own_ingredients_included(self) -> None:
        stored = self.created(name="مرصد 🔭")
        found = self.client.get(f"/api/recipes/{stored['id']}").get_json()
        self.assertEqual(found, stored)
        self.assertEqual(found["recipe"]["name"], "مرصد 🔭")
        malt = found["recipe"]["lines"][1]["ingredient"]
        self.assertEqual(malt["allergens_named"], ["rye"])
        self.assertAlmostEqual(malt["composition_pct"]["other"], 95)
        self.assertTrue(found["recipe"]["lines"][2]["pinned"])

    def test_a_save_grows_the_revision_and_replaces_the_lines(self) -> None:
        stored = self.created()
        lines = stored["recipe"]["lines"][::-1]
        body = {"revision": 1, "recipe": {**stored["recipe"], "lines": lines, "name": "Turned"}}
        saved = self.client.put(f"/api/recipes/{stored['id']}", json=body).get_json()
        self.assertEqual(saved["revision"], 2)
        self.assertEqual(saved["recipe"]["lines"], lines)
        self.assertEqual([row["name"] for row in self.client.get("/api/recipes").get_json()["recipes"]], ["Turned"])

    def test_the_second_window_to_save_is_told_and_overwrites_nothing(self) -> None:
        stored = self.created()
        path = f"/api/recipes/{stored['id']}"
        first = {"revision": 1, "recipe": {**stored["recipe"], "name": "First"}}
        second = {"revision": 1, "recipe": {**stored["recipe"], "name": "Second"}}
        self.assertEqual(self.client.put(path, json=first).status_code, 200)
        problem = self.refused("PUT", path, 409, json=second)
        self.assertEqual(problem["revision"], 2)
        self.assertEqual(self.client.get(path).get_json()["recipe"]["name"], "First")

    def test_a_refused_save_leaves_the_recipe_whole(self) -> None:
        stored = self.created()
        path = f"/api/recipes/{stored['id']}"
        for lines, where in (
            ([{"ingredient": "dark60", "amount": 1}, {"ingredient": "dark60", "amount": -1}], ["lines", 1, "amount"]),
            ([{"ingredient": "nougatine", "amount": 1}], ["lines", 0, "ingredient"]),
            ([{"ingredient": "dark60", "amount": 0}], ["lines"]),
        ):
            body = {"revision": 1, "recipe": {**stored["recipe"], "lines": lines}}
            problem = self.refused("PUT", path, 422, json=body)
            self.assertEqual(problem["errors"][0]["path"], ["body", "recipe", *where])
            self.assertEqual(self.client.get(path).get_json(), stored)

    def test_kept_versions_are_numbered_named_and_stay_as_they_were(self) -> None:
        stored = self.created()
        path = f"/api/recipes/{stored['id']}"
        first = self.client.post(f"{path}/versions", json={"name": ""})
        self.assertEqual((first.status_code, first.get_json()["name"]), (201, "Version 1"))
        self.client.put(path, json={"revision": 1, "recipe": {**stored["recipe"], "name": "Later"}})
        self.client.post(f"{path}/versions", json={"name": "Softer"})
        versions = self.client.get(f"{path}/versions").get_json()["versions"]
        self.assertEqual([(v["number"], v["name"]) for v in versions], [(2, "Softer"), (1, "Version 1")])
        self.assertEqual(versions[1]["recipe"]["name"], stored["recipe"]["name"])
        self.assertEqual(versions[1]["recipe"]["lines"], stored["recipe"]["lines"])

    def test_deleting_takes_lines_and_versions_along(self) -> None:
        stored = self.created()
        path = f"/api/recipes/{stored['id']}"
        self.client.post(f"{path}/versions", json={})
        self.assertEqual(self.client.delete(path).status_code, 204)
        self.refused("GET", path, 404)
        self.refused("GET", f"{path}/versions", 404)
        self.refused("POST", f"{path}/versions", 404, json={})
        self.refused("DELETE", path, 404)

    def test_recipes_are_found_by_what_they_are_and_hold_and_copied_under_a_name_of_their_own(self) -> None:
        truffle = self.created()["id"]
        rows = [{"ingredient": "sugar_granulated", "amount": 450}, {"ingredient": "pecan_whole", "amount": 60}]
        unread = {"name": "comet dust", "composition_pct": {"other": 100}, "density_g_per_ml": 1.0, "allergens": None}
        rows.append({"ingredient": unread, "amount": 0})
        fudge = self.created(name="Hill-top fudge", family="boiled-fudge", use="cut", lines=rows)["id"]

        def found(words: str) -> list[int]:
            answer = self.client.post("/api/recipes/find", json={"words": words}).get_json()
            return [row["id"] for row in answer["recipes"]]

        self.assertEqual(found(""), [fudge, truffle])
        for words, wanted in (("rye", [truffle]), ("fudge pecan", [fudge]), ("NUTS", [fudge]), ("pecan rye", [])):
            with self.subTest(words):
                self.assertEqual(found(words), wanted)
        row = self.client.post("/api/recipes/find", json={"words": "pecan"}).get_json()["recipes"][0]
        self.assertEqual((row["allergens"], row["not_known"]), (["nuts"], 1))
        copied = self.client.post(f"/api/recipes/{fudge}/copy")
        self.assertEqual((copied.status_code, copied.get_json()["recipe"]["name"]), (201, "Hill-top fudge, copy"))
        self.assertEqual(len(found("pecan")), 2)
        self.refused("POST", "/api/recipes/99/copy", 404)
        whole = self.client.get(f"/api/recipes/{truffle}/recipe.json").get_json()
        read = self.client.post("/api/recipes/read", json={"text": json.dumps(whole), "measure": "us"}).get_json()
        self.assertEqual(
            read["recipe"]["lines"], self.client.get(f"/api/recipes/{truffle}").get_json()["recipe"]["lines"]
        )

    def test_bodies_of_the_wrong_form(self) -> None:
        line = {"ingredient": "dark60", "amount": 1}
        cases: tuple[tuple[Any, list[Any]], ...] = (
            ({}, ["recipe"]),
            ({"recipe": 7}, ["recipe"]),
            ({"recipe": recipe_record(lines=[])}, ["recipe", "lines"]),
            ({"recipe": recipe_record(lines=[line] * 501)}, ["recipe", "lines"]),
            ({"recipe": recipe_record(lines=[{**line, "amount": "1"}])}, ["recipe", "lines", 0, "amount"]),
            ({"recipe": recipe_record(lines=[{**line, "amount": True}])}, ["recipe", "lines", 0, "amount"]),
            ({"recipe": recipe_record(lines=[{**line, "colour": "red"}])}, ["recipe", "lines", 0, "colour"]),
            ({"recipe": recipe_record(name="")}, ["recipe", "name"]),
            ({"recipe": recipe_record(name="a\x07b")}, ["recipe", "name"]),
        )
        for body, where in cases:
            with self.subTest(where=where):
                problem = self.refused("POST", "/api/recipes", 422, json=body)
                self.assertEqual(problem["errors"][0]["path"], ["body", *where])
        self.assertEqual(self.client.get("/api/recipes").get_json()["recipes"], [])


class Started(AppCase):
    def test_a_recipe_is_made_with_what_there_is(self) -> None:
        own = {"name": "Dome chocolate", "like": "dark70", "allergens": ["milk"]}
        self.client.post("/api/larder/known", json=own)
        there = [{"ingredient": "Dome chocolate", "g": 180.0}, {"ingredient": "cream30", "g": 400.0}]
        body = {"family": "cream-ganache", "use": "roll", "stock": there}
        made = self.client.post("/api/recipes/start", json=body)
        self.assertEqual(made.status_code, 201, made.text)
        lines = made.get_json()["recipe"]["lines"]
        named = {str(line["ingredient"]): line["amount"] for line in lines}
        self.assertLessEqual(named["cream30"], 400)
        self.assertIn(180, [round(line["amount"]) for line in lines if "Dome" in str(line["ingredient"])])
        odd = {**body, "stock": [{"ingredient": "moon_dust", "g": 5.0}]}
        problem = self.refused("POST", "/api/recipes/start", 422, json=odd)
        self.assertEqual(problem["errors"][0]["path"][:3], ["body", "stock", 0])


class Settings(AppCase):
    def test_usual_at_first_then_what_was_chosen(self) -> None:
        usual = self.client.get("/api/settings").get_json()
        self.assertEqual((usual["mass_unit"], usual["kitchen_c"]), ("g", 20.0))
        chosen = {**usual, "mass_unit": "oz", "measure": "us", "altitude_m": 340.0}
        self.assertEqual(self.client.put("/api/settings", json=chosen).get_json(), chosen)
        self.assertEqual(self.client.get("/api/settings").get_json(), chosen)

    def test_what_no_kitchen_has_is_refused(self) -> None:
        usual = self.client.get("/api/settings").get_json()
        for name, value in (("mass_unit", "stone"), ("measure", "old"), ("kitchen_c", 60.0), ("altitude_m", 9000.0)):
            problem = self.refused("PUT", "/api/settings", 422, json={**usual, name: value})
            self.assertEqual(problem["errors"][0]["path"], ["body", name])
        self.assertEqual(self.client.get("/api/settings").get_json(), usual)


class Vessels(AppCase):
    def test_a_vessel_is_stored_and_a_broken_one_is_not(self) -> None:
        tin = {"kind": "pan", "shape": "round", "diameter_mm": 180.0, "depth_mm": 30.0}
        stored = self.client.post("/api/vessels", json={"name": "Tin", "vessel": tin}).get_json()
        self.assertEqual(stored["vessel"]["diameter_mm"], 180)
        problem = self.refused("POST", "/api/vessels", 422, json={"name": "Tin", "vessel": {**tin, "depth_mm": 0.0}})
        self.assertEqual(problem["errors"][0]["path"], ["body", "vessel", "depth_mm"])
        self.assertEqual(len(self.client.get("/api/vessels").get_json()["vessels"]), 1)
        self.assertEqual(self.client.delete(f"/api/vessels/{stored['id']}").status_code, 204)
        self.refused("DELETE", f"/api/vessels/{stored['id']}", 404)


CARD = """Comet bonbons

For the shell:
300 g dark chocolate 60 %

For the filling:
200 g milk chocolate 38 %
8 oz cream 35 %
40 g splendid fluffs
"""


class TakenIn(AppCase):
    def read(self, text: str) -> dict[str, Any]:
        answer = self.client.post("/api/recipes/read", json={"text": text})
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def take_in(self, text: str) -> dict[str, Any]:
        answer = self.client.post("/api/confections/take-in", json={"text": text})
        self.assertEqual(answer.status_code, 201, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_a_line_keeps_its_words_and_its_doubt_until_it_is_settled(self) -> None:
        line = self.read("8 oz cream 35 %\n200 g dark chocolate 64 %")["recipe"]["lines"][0]
        self.assertEqual((line["text"], line["doubts"]), ("8 oz cream 35 %", ["oz: weight or fluid?"]))
        asked = {"text": line["text"], "measure": line["measure"]}
        other = self.client.post("/api/recipes/line", json=asked).get_json()["others"][0]
        self.assertEqual((other["says"], other["unit"], other["amount"]), ("fluid ounces", "floz", 8))

    def test_several_recipes_in_one_text_become_a_confection_with_its_unread_line_open(self) -> None:
        self.assertEqual([part["role"] for part in self.read(CARD)["parts"]], ["shell", "filling"])
        self.client.post("/api/vessels", json={"name": "Domes", "vessel": DOMES})
        stored = self.take_in(CARD)
        self.assertEqual([part["role"] for part in stored["asked"]["parts"]], ["shell", "filling"])
        self.assertEqual([row["name"] for row in self.listed()], ["Comet bonbons, filling"])
        worked = self.client.post("/api/confections/work-out", json=stored["asked"]).get_json()
        self.assertEqual(worked["answer"]["not_known"], ["40 g splendid fluffs"])

    def test_a_confection_file_opens_in_another_kitchen_with_everything_in_it(self) -> None:
        self.client.post("/api/vessels", json={"name": "Domes", "vessel": DOMES})
        first = self.take_in(CARD)
        text = self.client.get(f"/api/confections/{first['id']}/confection.json").get_data(as_text=True)
        found = self.read(text)
        self.assertIsNone(found["recipe"])
        self.assertEqual(len(found["parts"]), 2)
        again = self.take_in(text)
        self.assertEqual(again["asked"]["form"], first["asked"]["form"])
        self.assertNotEqual(again["asked"]["parts"][1]["of"], first["asked"]["parts"][1]["of"])
        path = f"/api/confections/{again['id']}/confection.json"
        self.assertEqual({**json.loads(text), "name": "Comet bonbons 2"}, self.client.get(path).get_json())

    def test_a_plain_recipe_is_a_confection_of_one_mix(self) -> None:
        stored = self.take_in("Plain truffles\n200 g dark chocolate\n100 ml cream")
        self.assertEqual([part["role"] for part in stored["asked"]["parts"]], ["centre"])
        self.assertEqual([row["name"] for row in self.listed()], ["Plain truffles"])
        worked = self.client.post("/api/confections/work-out", json=stored["asked"]).get_json()
        self.assertGreater(worked["answer"]["pieces"], 10)

    def listed(self) -> list[dict[str, Any]]:
        found: list[dict[str, Any]] = self.client.get("/api/recipes").get_json()["recipes"]
        return found


class AwayAndOnPaper(AppCase):
    def setUp(self) -> None:
        super().setUp()
        self.id = self.client.post("/api/recipes", json={"recipe": recipe_record()}).get_json()["id"]

    def test_a_recipe_is_put_away_and_brought_back(self) -> None:
        path = f"/api/recipes/{self.id}/put-away"
        for away in (True, False):
            self.assertEqual(self.client.put(path, json={"away": away}).status_code, 204)
            self.assertEqual(self.client.get("/api/recipes").get_json()["recipes"][0]["put_away"], away)
        self.assertEqual(self.client.put("/api/recipes/999/put-away", json={"away": True}).status_code, 404)

    def test_it_is_found_by_what_was_said_of_its_batches(self) -> None:
        run = self.client.post("/api/batches", json={"recipe_id": self.id, "choices": {}}).get_json()
        at = datetime.now(UTC).isoformat()
        event = {"client_key": "1", "at": at, "what": {"kind": "verdict", "words": ["too soft"]}}
        batch = f"/api/batches/{run['batch']['id']}/events"
        self.assertEqual(self.client.post(batch, json={"events": [event]}).status_code, 200)
        for words, count in (("too soft", 1), ("too firm", 0)):
            found = self.client.post("/api/recipes/find", json={"words": words}).get_json()["recipes"]
            self.assertEqual(len(found), count, words)

    def test_its_card_has_grams_with_spoons_steps_and_what_it_holds(self) -> None:
        card = self.client.get(f"/api/recipes/{self.id}/card").get_json()
        recipe = recipe_record()
        self.assertEqual(card["name"], recipe["name"])
        self.assertEqual(len(card["lines"]), len(recipe["lines"]))
        self.assertAlmostEqual(sum(line["grams"] for line in card["lines"]), card["mass_g"])
        self.assertTrue(any(line["spoons"] for line in card["lines"]))
        self.assertGreater(len(card["steps"]), 2)
        self.assertIn("milk", card["allergens_named"])
        self.assertNotIn("⟦", json.dumps(card, ensure_ascii=False))

    def test_an_amount_is_told_in_another_unit_as_much_as_it_was(self) -> None:
        recipe = recipe_record()
        before = self.client.post("/api/formula", json={"recipe": recipe}).get_json()
        lines = [{**recipe["lines"][0], "typed": "in cups"}, *recipe["lines"][1:]]
        after = self.client.post("/api/formula", json={"recipe": {**recipe, "lines": lines}}).get_json()
        self.assertEqual(after["recipe"]["lines"][0]["unit"], "cup")
        self.assertAlmostEqual(after["amounts_g"][0], before["amounts_g"][0])
        lines[0]["typed"] = "in furlongs"
        refused = self.client.post("/api/formula", json={"recipe": {**recipe, "lines": lines}})
        self.assertEqual(refused.status_code, 422)
