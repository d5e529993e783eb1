"""A confection or a recipe goes from one kitchen to another with everything in it; nothing there is overwritten."""

import io
import json
import unittest
import zipfile
from typing import Any

from tests.api.app_case import AppCase
from tests.kitchen import RYE_MALT, recipe_record


class Sharing(AppCase):
    """`self.client` is the kitchen that something is sent to; `self.sender` where it comes from."""

    def setUp(self) -> None:
        super().setUp()
        other = AppCase()
        other.demo = True
        other.setUp()
        self.addCleanup(other.doCleanups)
        self.sender = other.client

    def sent(self, kind: str, number: int) -> str:
        answer = self.sender.get(f"/api/{kind}/{number}/shared.json")
        self.assertEqual(answer.status_code, 200, answer.text)
        self.assertIn("attachment", answer.headers["Content-Disposition"])
        return str(answer.text)

    def take(self, text: str, **choices: str) -> Any:
        return self.client.post("/api/shared", json={"text": text, "choices": choices})

    def look(self, text: str) -> dict[str, Any]:
        answer = self.client.post("/api/shared/look", json={"text": text})
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def own_recipe(self) -> dict[str, Any]:
        """Store a recipe with an own ingredient and two versions at the sender's."""
        stored: dict[str, Any] = self.sender.post("/api/recipes", json={"recipe": recipe_record()}).get_json()
        path = f"/api/recipes/{stored['id']}"
        self.sender.post(f"{path}/versions", json={"name": "The first evening"})
        changed = {**stored["recipe"], "lines": stored["recipe"]["lines"][:-1]}
        saved = self.sender.put(path, json={"recipe": changed, "revision": stored["revision"]})
        self.assertEqual(saved.status_code, 200, saved.text)
        return stored

    def test_every_confection_is_the_same_in_the_other_kitchen(self) -> None:
        for row in self.sender.get("/api/confections").get_json()["confections"]:
            with self.subTest(row["asked"]["name"]):
                taken = self.take(self.sent("confections", row["id"]))
                self.assertEqual(taken.status_code, 201, taken.text)
                there = self.client.get(f"/api/confections/{taken.get_json()['confection_id']}").get_json()
                here = self.sender.post("/api/confections/work-out", json=row["asked"]).get_json()["answer"]
                arrived = self.client.post("/api/confections/work-out", json=there["asked"]).get_json()["answer"]
                for key in ("pieces", "allergens_named", "ingredients", "keeping", "cautions"):
                    self.assertEqual(arrived[key], here[key])
                self.assertAlmostEqual(arrived["piece_g"], here["piece_g"])
        names = [row["name"] for row in self.client.get("/api/recipes").get_json()["recipes"]]
        self.assertEqual(len(names), len(set(names)))

    def test_a_recipe_brings_its_versions_and_its_own_ingredients_with_their_allergens(self) -> None:
        stored = self.own_recipe()
        text = self.sent("recipes", stored["id"])
        arrival = self.look(text)
        self.assertEqual([row["standing"] for row in arrival["recipes"]], ["new"])
        self.assertEqual(arrival["ingredients"][0]["says"], "rye, gluten")
        number = self.take(text).get_json()["recipe_ids"][0]
        versions = self.client.get(f"/api/recipes/{number}/versions").get_json()["versions"]
        self.assertEqual([row["name"] for row in versions], ["The first evening"])
        self.assertEqual(len(versions[0]["recipe"]["lines"]), 3)
        self.assertEqual(len(self.client.get(f"/api/recipes/{number}").get_json()["recipe"]["lines"]), 2)
        items = [row["ingredient"] for row in self.client.get("/api/larder").get_json()["items"] if row["ingredient"]]
        self.assertEqual([(row["name"], row["allergens"]) for row in items], [(RYE_MALT["name"], ["gluten"])])

    def test_taken_in_twice_it_is_there_once(self) -> None:
        text = self.sent("recipes", self.own_recipe()["id"])
        first = self.take(text).get_json()["recipe_ids"]
        self.assertEqual(self.look(text)["recipes"][0]["standing"], "same")
        self.assertEqual(self.take(text).get_json()["recipe_ids"], first)

    def test_of_one_name_and_another_content_the_cook_is_asked(self) -> None:
        stored = self.own_recipe()
        mine = recipe_record(lines=[{"ingredient": "dark60", "amount": 100, "unit": "g"}])
        mine_id = self.client.post("/api/recipes", json={"recipe": mine}).get_json()["id"]
        text = self.sent("recipes", stored["id"])
        self.assertEqual(self.look(text)["recipes"][0]["standing"], "other")
        refused = self.take(text)
        self.assertEqual(refused.status_code, 422)
        self.assertEqual(refused.get_json()["errors"][0]["path"][-2:], ["choices", mine["name"]])
        self.assertEqual(len(self.client.get("/api/recipes").get_json()["recipes"]), 1)
        self.assertEqual(self.take(text, **{mine["name"]: "mine"}).get_json()["recipe_ids"], [mine_id])
        self.assertEqual(self.take(text, **{mine["name"]: "both"}).status_code, 201)
        rows = self.client.get("/api/recipes").get_json()["recipes"]
        self.assertEqual([row["name"] for row in rows], [f"{mine['name']}, as sent", mine["name"]])
        kept = self.client.get(f"/api/recipes/{mine_id}").get_json()["recipe"]
        self.assertEqual(len(kept["lines"]), 1)

    def test_plain_files_are_taken_too_and_broken_ones_leave_nothing(self) -> None:
        plain = self.sender.get("/api/confections/1/confection.json").text
        self.assertIsNotNone(self.take(plain).get_json()["confection_id"])
        before = self.client.get("/api/recipes").get_json()
        whole = json.loads(self.sent("confections", 2))
        spoiled = [
            ({**whole, "version": 99}, "version"),
            ({**whole, "recipes": "all"}, "recipes"),
            ({**whole, "recipes": [{"recipe": {}}]}, "lines"),
            ({**whole, "confection": {**whole["confection"], "parts": "none"}}, "parts"),
            ({"format": whole["format"], "version": 1}, "recipes"),
        ]
        for record, field in spoiled:
            with self.subTest(field):
                problem = self.client.post("/api/shared", json={"text": json.dumps(record)})
                self.assertEqual(problem.status_code, 422, problem.text)
                self.assertIn(field, problem.get_json()["errors"][0]["path"])
        self.assertEqual(self.client.post("/api/shared/look", json={"text": "{"}).status_code, 422)
        self.assertEqual(self.client.get("/api/recipes").get_json(), before)

    def test_everything_as_open_files_opens_in_another_kitchen(self) -> None:
        self.own_recipe()
        bundle = zipfile.ZipFile(io.BytesIO(self.sender.get("/api/data/everything.zip").data))
        names = bundle.namelist()
        for name in ("larder.csv", "daybook.csv", "shelf.json", "settings.json"):
            self.assertIn(name, names)
        recipes = [name for name in names if name.startswith("recipes/")]
        for name in recipes:
            taken = self.take(bundle.read(name).decode())
            self.assertEqual(taken.status_code, 201, taken.text)
        there = [row["name"] for row in self.sender.get("/api/recipes").get_json()["recipes"]]
        here = [row["name"] for row in self.client.get("/api/recipes").get_json()["recipes"]]
        self.assertEqual(sorted(here), sorted(there))
        self.assertEqual(len(self.client.get(f"/api/recipes/{len(here)}/versions").get_json()["versions"]), 1)

    def test_the_text_to_send_names_what_goes_in_and_its_allergens(self) -> None:
        text = self.sender.get("/api/confections/1/shared-text").get_json()["text"]
        for words in ("Moonrock truffles", "Night-sky truffles", "g Whipping cream 35 %", "Allergens: ", "milk"):
            self.assertIn(words, text)
        self.assertNotIn("⟦", text)


if __name__ == "__main__":
    unittest.main()
