"""Formula and Fit over the API: the same answers as the command line, nothing stored."""

from typing import Any

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.formats.answers import assess_answer
from hearth_bowl.formats.recipe_file import recipe_from
from tests.api.app_case import AppCase
from tests.kitchen import recipe_record


class Formula(AppCase):
    def bench(self, **body: Any) -> dict[str, Any]:
        answer = self.client.post("/api/formula", json={"recipe": recipe_record(), **body})
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_the_bench_of_a_recipe(self) -> None:
        found = self.bench(at_c=20.0)
        self.assertEqual(found["sentence"]["lead"], "Rolls cleanly at 20 °C")
        self.assertAlmostEqual(sum(layer["grams"] for layer in found["bowl"]), 690.5)
        self.assertEqual(found["rule"]["moves"], "liquid")
        self.assertEqual(self.client.get("/api/recipes").get_json()["recipes"], [])

    def test_assess_answers_as_the_command_line(self) -> None:
        body = {"recipe": recipe_record(), "at_c": 5.0}
        answer = self.client.post("/api/formula/assess", json=body).get_json()["answer"]
        made = recipe_from(recipe_record())
        self.assertEqual(answer, assess_answer(made, assess(made, 5.0)))

    def test_an_amount_as_typed_stands_for_amount_and_unit(self) -> None:
        record = recipe_record()
        record["lines"][0]["typed"] = "1 1/4 cups"
        record["lines"][0]["measure"] = "us"
        record["lines"][2]["typed"] = "4 bars of 100 g"
        found = self.bench(recipe=record)
        self.assertEqual((found["recipe"]["lines"][0]["amount"], found["recipe"]["lines"][0]["unit"]), (1.25, "cup"))
        self.assertAlmostEqual(found["amounts_g"][0], 1.25 * 236.59 * 0.995)
        self.assertEqual(found["recipe"]["lines"][2]["pack_g"], 100)
        self.assertEqual(found["amounts_g"][2], 400)

    def test_a_slide_moves_to_amounts_a_scale_can_weigh(self) -> None:
        found = self.bench(ratio=2.5)
        self.assertEqual(found["amounts_g"][0], 184)
        self.assertEqual(found["amounts_g"][2], 460)
        self.assertAlmostEqual(found["rule"]["ratio"], 2.5, delta=0.01)

    def test_refusals_name_the_field_as_the_body_has_it(self) -> None:
        typed = recipe_record()
        typed["lines"][1]["typed"] = "a lot"
        pinned = recipe_record()
        pinned["lines"][0]["pinned"] = True
        cases: tuple[tuple[dict[str, Any], list[Any]], ...] = (
            ({"recipe": typed}, ["recipe", "lines", 1, "typed"]),
            ({"recipe": pinned, "ratio": 2.5}, ["ratio"]),
            ({"recipe": recipe_record(), "at_c": 90.0}, ["at_c"]),
            ({"recipe": recipe_record(use="throw")}, ["recipe", "use"]),
            ({"recipe": recipe_record(), "ratio": -1.0}, ["ratio"]),
        )
        for body, where in cases:
            with self.subTest(where=where):
                problem = self.refused("POST", "/api/formula", 422, json=body)
                self.assertEqual(problem["errors"][0]["path"], ["body", *where])
                self.assertTrue(problem["errors"][0]["allowed"])


class Fit(AppCase):
    demo = True

    def test_every_demo_recipe_fits_every_demo_vessel_and_mass_closes(self) -> None:
        vessels = self.client.get("/api/vessels").get_json()["vessels"]
        self.assertEqual(
            [v["vessel"]["kind"] for v in vessels],
            ["pan"] * 4 + ["mould"] * 7 + ["scoop", "cup"] + ["pieces"] * 2 + ["cake", "box"],
        )
        for row in self.client.get("/api/recipes").get_json()["recipes"]:
            recipe = self.client.get(f"/api/recipes/{row['id']}").get_json()["recipe"]
            for vessel in vessels[:-1]:
                with self.subTest(recipe=row["name"], vessel=vessel["name"]):
                    kind = vessel["vessel"]["kind"]
                    ask = {"kind": kind, **({} if kind in ("pan", "cake") else {"shell": "dark60"})}
                    body = {"recipe": recipe, "vessel": vessel["vessel"], "ask": ask}
                    found = self.client.post("/api/fit", json=body).get_json()
                    total = found["filling_g"] + found["loss_g"] + found["left_over_g"] + found["evaporated_g"]
                    self.assertAlmostEqual(total, sum(found["amounts_g"]))
                    self.assertEqual(found["shell"] is None, kind in ("pan", "cake"))

    def test_refusals_name_the_part(self) -> None:
        mould = {"kind": "mould", "shape": "hemisphere", "radius_mm": 15.0, "cavities": 24}
        cases: tuple[tuple[dict[str, Any], list[Any]], ...] = (
            ({"vessel": mould, "ask": {"kind": "mould", "shell": "dark60", "wall_mm": 16.0}}, ["ask", "wall_mm"]),
            ({"vessel": mould, "ask": {"kind": "mould", "shell": "granite"}}, ["ask", "shell"]),
            ({"vessel": {**mould, "radius_mm": 0.0}}, ["vessel", "radius_mm"]),
            ({"vessel": mould, "recipe": recipe_record(family="toffee")}, ["recipe", "family"]),
        )
        for body, where in cases:
            problem = self.refused("POST", "/api/fit", 422, json={"recipe": recipe_record(), **body})
            self.assertEqual(problem["errors"][0]["path"], ["body", *where])
