"""Confections through the API: put together of what is stored, worked out alike at every door, kept with a revision."""

import io
import json
import tempfile
import unittest
from contextlib import redirect_stdout
from pathlib import Path
from typing import Any

from hearth_bowl.cli import main
from tests.api.app_case import AppCase
from tests.kitchen import RYE_MALT

HOLLOW: dict[str, Any] = {"role": "shell", "of": {"ingredient": "dark60"}, "wall_mm": 2.0}


def by_verb(*arguments: str) -> Any:
    with redirect_stdout(io.StringIO()) as said:
        assert main(arguments) == 0
    return json.loads(said.getvalue())


class Confections(AppCase):
    demo = True

    def setUp(self) -> None:
        super().setUp()
        self.recipes = {row["name"]: row["id"] for row in self.client.get("/api/recipes").get_json()["recipes"]}
        self.vessels = {row["name"]: row["id"] for row in self.client.get("/api/vessels").get_json()["vessels"]}

    def asked(self, vessel: str, *parts: dict[str, Any], **form: Any) -> dict[str, Any]:
        return {"name": "Comets", "form": {"vessel": self.vessels[vessel], **form}, "parts": list(parts)}

    def filling(self, name: str, **amount: Any) -> dict[str, Any]:
        return {"role": "filling", "of": {"recipe_id": self.recipes[name]}, **amount}

    def worked(self, asked: dict[str, Any]) -> dict[str, Any]:
        answer = self.client.post("/api/confections/work-out", json=asked)
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_the_same_in_another_form_or_chocolate_can_be_made_and_says_what_it_leaves_out(self) -> None:
        stored = self.client.get("/api/confections").get_json()["confections"]
        for row in stored:
            for vessel in self.vessels.values():
                body = {"asked": row["asked"], "vessel": vessel}
                answer = self.client.post("/api/confections/another", json=body)
                if answer.status_code == 422:
                    self.assertIn("a box holds finished pieces", answer.text)
                    continue
                other = answer.get_json()
                kept = len(other["asked"]["parts"]) + len(other["left_out"])
                self.assertEqual(kept, len(row["asked"]["parts"]))
                worked = self.client.post("/api/confections/work-out", json=other["asked"])
                refused = [] if worked.status_code == 200 else worked.get_json()["errors"]
                self.assertFalse([error for error in refused if error["code"] == "not-for-this"], worked.text)
        cored = next(row["asked"] for row in stored if row["asked"]["name"] == "Moonrock truffles")
        cone = {"asked": cored, "vessel": self.vessels["Signal cones, 20"]}
        other = self.client.post("/api/confections/another", json=cone).get_json()["asked"]
        roles = [part["role"] for part in other["parts"]]
        self.assertEqual(roles, ["filling", "filling", "coat", "topping"])
        milk = self.client.post("/api/confections/another", json={"asked": cored, "chocolate": "milk38"}).get_json()
        self.assertEqual(milk["asked"]["parts"][2]["of"]["ingredient"], "milk38")
        self.assertIn("milk chocolate", milk["asked"]["name"])
        for body in ({}, {"chocolate": "chalk"}):
            self.refused("POST", "/api/confections/another", 422, json={"asked": cored, **body})

    def test_no_label_while_a_line_of_a_recipe_is_not_read(self) -> None:
        card = "Comet squares\n200 g cream 35 %\n300 g dark chocolate 60 %\n2 tbsp comet dust"
        read = self.client.post("/api/recipes/read", json={"text": card, "measure": "metric"}).get_json()
        self.assertEqual((read["unread"], len(read["recipe"]["lines"])), (["2 tbsp comet dust"], 3))
        number = self.client.post("/api/recipes", json={"recipe": read["recipe"]}).get_json()["id"]
        asked = self.asked("Square tin, 20 cm", {"role": "layer", "of": {"recipe_id": number}}, pieces=36)
        body = {"asked": asked, "made": "2026-08-12"}
        problem = self.refused("POST", "/api/confections/label", 422, json=body)
        self.assertIn("2 tbsp comet dust", problem["errors"][0]["message"])

    def test_one_tin_is_shared_over_two_layers_that_set_alike_or_nothing_is_stored(self) -> None:
        white = {
            "name": "White squares",
            "family": "condensed-milk-fudge",
            "use": "cut",
            "format": "hearth-bowl/recipe",
        }
        rows = (("condensed_sweet", 397), ("white32", 560), ("butter82", 20))
        white |= {"version": 1, "lines": [{"ingredient": key, "amount": grams} for key, grams in rows]}
        number = self.client.post("/api/recipes", json={"recipe": white}).get_json()["id"]
        layers = [
            {"role": "layer", "of": {"recipe_id": self.recipes["Hill-top fudge squares"]}, "mm": 9.0},
            {"role": "layer", "of": {"recipe_id": number}},
        ]
        asked = self.asked("Square tin, 20 cm", *layers, pieces=36)
        stored = self.client.post("/api/confections", json=asked).get_json()
        shared = self.client.post("/api/confections/shared-tin", json={"asked": asked}).get_json()
        self.assertAlmostEqual(shared["tin_g"], 397)
        self.assertAlmostEqual(shared["layers"][0]["index"], shared["layers"][1]["index"], delta=0.05)
        path = f"/api/confections/{stored['id']}/shared-tin"
        self.refused("PUT", path, 409, json={"revision": 9})
        self.refused("PUT", path, 422, json={"revision": 1, "tin_g": -5.0})
        self.assertEqual(self.client.get(f"/api/recipes/{number}/versions").get_json()["versions"], [])
        taken = self.client.put(path, json={"revision": 1, "tin_g": 300.0}).get_json()["asked"]
        milk_g = 0.0
        for part in taken["parts"]:
            recipe = self.client.get(f"/api/recipes/{part['of']['recipe_id']}").get_json()["recipe"]
            milk_g += sum(line["amount"] for line in recipe["lines"] if line["ingredient"] == "condensed_sweet")
            self.assertAlmostEqual(sum(line["amount"] for line in recipe["lines"]), part["mass_g"], delta=8)
        self.assertAlmostEqual(milk_g, 300, delta=1)
        self.assertEqual(len(self.client.get(f"/api/recipes/{number}/versions").get_json()["versions"]), 1)
        alone = self.asked("Square tin, 20 cm", layers[0], pieces=36)
        self.refused("POST", "/api/confections/shared-tin", 422, json={"asked": alone})

    def test_it_is_put_together_kept_and_the_same_at_every_door(self) -> None:
        asked = self.asked(
            "Planet mould, 24 half balls",
            HOLLOW,
            self.filling("Eyepiece hazelnut paste", share_pct=30.0),
            self.filling("First-light milk filling"),
            pieces=40,
        )
        asked["extras"] = [{"name": "foil", "each": 1}]
        made = self.client.post("/api/confections", json=asked)
        self.assertEqual(made.status_code, 201, made.text)
        number = made.get_json()["id"]
        here = self.worked(asked)
        self.assertGreater(here["cost"]["per_piece"], 0)
        whole = self.client.get(f"/api/confections/{number}/confection.json").get_json()
        self.assertEqual(whole["form"]["vessel"]["name"], "Planet mould, 24 half balls")
        self.assertEqual(whole["form"]["owned"], 2)
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "comets.json"
            path.write_text(json.dumps(whole), "utf-8")
            by_line = by_verb("confection", str(path), "--altitude-m", "340")
        self.assertEqual(by_line["chocolate"], here["answer"]["chocolate"])
        self.assertEqual(by_line["parts"], here["answer"]["parts"])
        self.assertEqual((by_line["pours"], by_line["turns"]), (2, 1))

    def test_a_save_from_an_older_state_is_refused_and_what_cannot_be_made_is_kept(self) -> None:
        asked = self.asked("Planet mould, 24 half balls", HOLLOW, self.filling("First-light milk filling", g_each=90.0))
        stored = self.client.post("/api/confections", json=asked).get_json()
        problem = self.client.post("/api/confections/work-out", json=asked)
        self.assertEqual(problem.status_code, 422)
        self.assertEqual(problem.get_json(force=True)["errors"][0]["path"][-3:], ["parts", 1, "g_each"])
        path = f"/api/confections/{stored['id']}"
        asked["parts"][1]["g_each"] = 4.0
        self.assertEqual(self.client.put(path, json={"revision": 1, "asked": asked}).get_json()["revision"], 2)
        self.assertEqual(self.client.put(path, json={"revision": 1, "asked": asked}).status_code, 409)
        self.assertEqual(self.client.get(path).get_json()["asked"]["parts"][1]["g_each"], 4.0)
        self.assertEqual(self.client.delete(path).status_code, 204)
        self.assertEqual(self.client.get(path).status_code, 404)

    def test_a_run_for_a_confection_weighs_what_it_takes_and_makes_its_shell(self) -> None:
        asked = self.asked("Planet mould, 24 half balls", HOLLOW, self.filling("First-light milk filling"), pieces=40)
        number = self.client.post("/api/confections", json=asked).get_json()["id"]
        taken = self.worked(asked)["answer"]["parts"][1]["make_g"]
        start = {"recipe_id": self.recipes["First-light milk filling"], "confection_id": number}
        run = self.client.post("/api/batches", json=start)
        self.assertEqual(run.status_code, 201, run.text)
        self.assertAlmostEqual(sum(run.get_json()["amounts_g"]), taken, delta=1.0)
        self.assertEqual(run.get_json()["shell"], "dark60")
        self.assertIn("temper-melt", [step["key"] for step in run.get_json()["steps"]])
        plan = self.client.post("/api/batches/plan", json=start).get_json()
        self.assertEqual(len(plan["steps"]), len(run.get_json()["steps"]))
        other = self.client.post("/api/batches", json={**start, "recipe_id": self.recipes["Night-sky truffles"]})
        self.assertEqual(other.status_code, 422)
        self.assertEqual(self.client.post("/api/batches", json={**start, "confection_id": 9999}).status_code, 404)

    def test_its_label_is_that_of_the_verb_and_is_refused_where_an_allergen_is_unknown(self) -> None:
        asked = self.client.get("/api/confections/3").get_json()["asked"]
        said = self.client.post("/api/confections/label", json={"asked": asked, "made": "2026-08-12", "pieces": 9})
        self.assertEqual(said.status_code, 200, said.text)
        label = said.get_json()["label"]
        whole = self.client.get("/api/confections/3/confection.json").get_json()
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder, "eggs.json")
            file.write_text(json.dumps(whole))
            by_hand = by_verb("label", str(file), "--made", "2026-08-12", "--pieces", "9")
        for name in ("name", "ingredients", "made", "may_contain", "contains_alcohol"):
            self.assertEqual(label[name], by_hand[name])
        self.assertAlmostEqual(label["net_g"], by_hand["net_g"])
        self.assertTrue(any(row["allergen"] for row in label["ingredients"]))
        unknown = {**RYE_MALT, "name": "Found in the tin", "allergens": None}
        kept = self.client.put("/api/larder", json={"label": "", "ingredient": unknown})
        self.assertEqual(kept.status_code, 200, kept.text)
        own = next(
            row["ingredient"]
            for row in self.client.get("/api/larder").get_json()["items"]
            if row["ingredient"] and row["ingredient"]["name"] == "Found in the tin"
        )
        odd = {**asked, "parts": [*asked["parts"], {"role": "topping", "of": {"ingredient": own}, "g_each": 1.0}]}
        refused = self.client.post("/api/confections/label", json={"asked": odd, "made": "2026-08-12"})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("Found in the tin", refused.get_json()["errors"][0]["message"])

    def test_a_run_for_a_confection_has_the_steps_of_its_form(self) -> None:
        truffles = self.client.get("/api/confections/1").get_json()["asked"]
        recipe_id = truffles["parts"][0]["of"]["recipe_id"]
        asked = {"recipe_id": recipe_id, "confection_id": 1}
        steps = {step["key"]: step for step in self.client.post("/api/batches/plan", json=asked).get_json()["steps"]}
        self.assertEqual([key for key in steps if key in ("roll-in", "portion", "dip")], ["portion", "dip", "roll-in"])
        self.assertIn("Press the core in", steps["portion"]["do"])
        self.assertIn("cocoa powder", steps["roll-in"]["do"])
        eggs = self.client.get("/api/confections/3").get_json()["asked"]["parts"][1]["of"]["recipe_id"]
        halves = self.client.post("/api/batches/plan", json={"recipe_id": eggs, "confection_id": 3}).get_json()
        self.assertIn("halves", [step["key"] for step in halves["steps"]])

    def test_a_small_body_sets_sooner_than_a_slab_and_a_large_one_is_refused(self) -> None:
        recipe = self.client.get(f"/api/recipes/{self.recipes['First-light milk filling']}").get_json()["recipe"]
        ask = {"state": "pipe", "from_c": 36.0, "place": "fridge"}

        def minutes(**body: float) -> Any:
            answer = self.client.post("/api/set/clock", json={"recipe": recipe, "ask": {**ask, **body}})
            return answer.get_json(force=True)["cool_min"][1] if answer.status_code == 200 else answer.status_code

        self.assertLess(minutes(volume_ml=7.0, area_cm2=21.0), minutes(thickness_mm=16.0))
        self.assertEqual(minutes(volume_ml=900.0, area_cm2=300.0), 422)
        self.assertEqual(minutes(volume_ml=7.0), 422)
        self.assertEqual(minutes(volume_ml=7.0, area_cm2=21.0, thickness_mm=10.0), 422)
        shown = self.client.post(
            "/api/set/clock", json={"recipe": recipe, "ask": {**ask, "volume_ml": 7.0, "area_cm2": 21.0}}
        )
        curve = shown.get_json()["curve"]
        self.assertGreater(len(curve), 10)
        self.assertGreater(curve[0][1], curve[-1][1])

    def test_odd_bodies_are_refused_by_name(self) -> None:
        for change, status in (
            ({"form": {"vessel": 999999}}, 404),
            ({"form": {"vessel": 2**70}}, 422),
            ({"parts": [{"role": "filling", "of": {"recipe_id": 999999}}]}, 404),
            ({"parts": [{"role": "filling", "of": {}}]}, 422),
            ({"parts": [{"role": "frosting", "of": {"ingredient": "dark60"}}]}, 422),
            ({"parts": [{"role": "filling", "of": {"ingredient": "no-such"}}]}, 422),
            ({"parts": [HOLLOW] * 20}, 422),
            ({"name": ""}, 422),
            ({"extras": [{"name": "foil", "each": -1}]}, 422),
        ):
            body = {**self.asked("Planet mould, 24 half balls", HOLLOW), **change}
            answer = self.client.post("/api/confections/work-out", json=body)
            self.assertEqual(answer.status_code, status, (change, answer.text))

    def test_what_may_be_put_together_is_offered_and_answered(self) -> None:
        options = self.client.get("/api/confections/options").get_json()
        self.assertEqual(options["roles"]["pan"], ["layer", "coat", "rolling", "topping"])
        self.assertEqual(options["amounts"]["shell"], [])
        self.assertIn("halves", options["form_fields"]["mould"])

    def test_the_list_draws_each_as_it_is_worked_out_and_says_what_prevents_it_or_is_not_in_stock(self) -> None:
        def listed() -> dict[str, dict[str, Any]]:
            rows = self.client.post("/api/confections/find", json={"words": ""}).get_json()["made"]
            return {row["name"]: row for row in rows}

        stored = {row["asked"]["name"]: row for row in self.client.get("/api/confections").get_json()["confections"]}
        for name, row in listed().items():
            answer = self.worked(stored[name]["asked"])["answer"]
            self.assertEqual(row["drawn"]["piece"]["pieces"], answer["pieces"], name)
            self.assertAlmostEqual(row["drawn"]["piece"]["piece_g"], answer["piece_g"], places=6)
            self.assertEqual(row["drawn"]["allergens"], answer["allergens"])
            self.assertEqual(
                [part["role"] for part in row["drawn"]["piece"]["parts"]], [p["role"] for p in answer["parts"]]
            )
        drops = stored["Night-sky drops"]
        need = {
            row["ingredient"]: row["amount_g"]
            for part in self.worked(drops["asked"])["answer"]["parts"]
            for row in part["weigh"]
        }
        for label in need:
            self.client.put("/api/larder", json={"label": label, "in_house_g": 5000.0})
        self.assertEqual(listed()["Night-sky drops"]["lacks"], [])
        self.client.put("/api/larder", json={"label": "cream35", "in_house_g": 1.0})
        self.assertEqual(len(listed()["Night-sky drops"]["lacks"]), 1)
        too_large = {**drops["asked"], "form": {**drops["asked"]["form"], "vessel": self.vessels["Square tin, 20 cm"]}}
        self.client.put(f"/api/confections/{drops['id']}", json={"revision": drops["revision"], "asked": too_large})
        row = listed()["Night-sky drops"]
        self.assertIsNone(row["drawn"])
        self.assertTrue(row["problem"])


class BecameABox(AppCase):
    demo = True

    def test_a_vessel_that_became_a_box_is_said_wherever_it_is_used(self) -> None:
        occasion = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        box = next(
            row["vessel"]
            for row in self.client.get("/api/vessels").get_json()["vessels"]
            if row["vessel"]["kind"] == "box"
        )
        one = self.client.get("/api/confections/1").get_json()["asked"]
        recipe = next(part["of"]["recipe_id"] for part in one["parts"] if part["of"]["recipe_id"])
        for row in self.client.get("/api/confections").get_json()["confections"]:
            path = f"/api/vessels/{row['asked']['form']['vessel']}"
            self.assertEqual(self.client.put(path, json={"name": "Box", "vessel": box}).status_code, 200)
        self.refused("POST", "/api/confections/work-out", 422, json=one)
        self.refused("POST", "/api/confections/label", 422, json={"asked": one, "made": "2026-08-12"})
        for path in ("work-out", "served"):
            self.refused("POST", f"/api/occasions/{path}", 422, json=occasion)
        kept = self.client.get(f"/api/recipes/{recipe}/keep")
        self.assertIn("a box holds finished pieces", kept.text)
        for path in ("/api/confections", "/api/shelf", "/api/occasions/1/order", "/api/confections/1/shared-text"):
            self.assertLess(self.client.get(path).status_code, 500, path)
        for path in ("/api/occasions/1/order.pdf", "/api/confections/1/label.pdf", "/api/occasions/1/shopping.csv"):
            self.assertLess(self.client.get(path).status_code, 500, path)
        self.assertLess(self.client.post("/api/occasions/1/order", json={"effort": "first"}).status_code, 500)


if __name__ == "__main__":
    unittest.main()
