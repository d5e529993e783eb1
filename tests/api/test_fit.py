"""Fit through the API: other sizes and vessels of a confection, the kept fit, the guide, boxes and shopping."""

import csv
import io
from typing import Any

from tests.api.app_case import AppCase

SQUARE = {"kind": "pan", "shape": "rectangle", "length_mm": 230.0, "width_mm": 230.0, "depth_mm": 30.0}
CONES = {"kind": "mould", "shape": "cone", "rim_radius_mm": 15.0, "floor_radius_mm": 9.0, "height_mm": 22.0}
CONES |= {"cavities": 20}


class Kitchen(AppCase):
    demo = True

    def recipe(self, recipe_id: int) -> Any:
        return self.client.get(f"/api/recipes/{recipe_id}").get_json()["recipe"]

    def post(self, path: str, body: Any) -> Any:
        answer = self.client.post(path, json=body)
        self.assertEqual(answer.status_code, 200, answer.text)
        return answer.get_json()


class Choices(Kitchen):
    def asked(self, number: int) -> Any:
        return self.client.get(f"/api/confections/{number}").get_json()["asked"]

    def test_a_whole_tin_is_near_and_is_put_in_place_as_it_is_answered(self) -> None:
        asked = self.asked(12)
        asked["parts"][0] |= {"mm": 14.0}
        near = self.post("/api/confections/near", asked)["near"]
        tin = next(one for one in near if "1 tin of" in one["says"])
        part = self.post("/api/confections/work-out", tin["asked"])["answer"]["parts"][0]
        self.assertIn(397, [round(row["amount_g"]) for row in part["weigh"]])
        self.assertEqual(tin["gives"], f"{part['mm']:.1f} mm thick")

    def test_other_vessels_are_ranked_and_keep_the_batch(self) -> None:
        asked = self.asked(12)
        batch_g = self.post("/api/confections/work-out", asked)["answer"]["parts"][0]["make_g"]
        found = self.post("/api/confections/vessels", asked)["vessels"]
        names = {row["id"]: row["name"] for row in self.client.get("/api/vessels").get_json()["vessels"]}
        self.assertEqual(names[found[0]["vessel_id"]], "Round tin, 18 cm")
        there = self.post("/api/confections/work-out", found[0]["asked"])["answer"]["parts"][0]
        self.assertAlmostEqual(there["make_g"], batch_g, places=3)
        deep = self.post("/api/confections/work-out", found[0]["as_deep"])["answer"]["parts"][0]
        self.assertAlmostEqual(deep["mm"], 16.0)
        self.assertAlmostEqual(deep["make_g"], found[0]["as_deep_g"])
        self.assertNotIn(asked["form"]["vessel"], [row["vessel_id"] for row in found])

    def test_a_batch_becomes_the_recipe_s_own_amounts_in_grams(self) -> None:
        before = self.client.get("/api/recipes/5").get_json()
        body = {"recipe_id": 5, "revision": before["revision"]}
        lines = self.client.put("/api/confections/10/amounts", json=body).get_json()["recipe"]["lines"]
        worked = self.post("/api/confections/work-out", self.asked(10))["answer"]["parts"][1]
        for line, row in zip(lines, worked["weigh"], strict=True):
            self.assertEqual(line["unit"], "g")
            self.assertAlmostEqual(line["amount"], row["amount_g"], delta=0.51)
        self.refused("PUT", "/api/confections/10/amounts", 409, json=body)
        self.refused("PUT", "/api/confections/10/amounts", 422, json={"recipe_id": 3, "revision": 1})


class Kept(Kitchen):
    def test_the_fit_is_found_as_it_was_left(self) -> None:
        self.assertEqual(self.client.get("/api/recipes/3/fit").get_json()["ask"], None)
        left = {"vessel_id": 1, "ask": {"kind": "pan", "pieces": 36, "thickness_mm": 15.0, "kerf_mm": 0.5}}
        self.assertEqual(self.client.put("/api/recipes/3/fit", json=left).status_code, 200)
        found = self.client.get("/api/recipes/3/fit").get_json()
        self.assertEqual((found["vessel_id"], found["ask"]["pieces"]), (1, 36))
        self.client.delete("/api/vessels/1")
        self.assertIsNone(self.client.get("/api/recipes/3/fit").get_json()["vessel_id"])
        self.refused("PUT", "/api/recipes/3/fit", 404, json={"vessel_id": 99})
        self.refused("GET", "/api/recipes/99/fit", 404)

    def test_it_becomes_a_confection_that_makes_what_it_made(self) -> None:
        ask = {"kind": "pan", "pieces": 36, "thickness_mm": 15.0, "shell": "compound_dark", "coated": 12}
        self.client.put("/api/recipes/3/fit", json={"vessel_id": 1, "ask": ask})
        made = self.client.post("/api/recipes/3/confection")
        self.assertEqual(made.status_code, 201, made.text)
        asked = made.get_json()["asked"]
        self.assertEqual([part["of"]["recipe_id"] for part in asked["parts"]], [3, None])
        self.assertEqual(asked["parts"][1]["of"]["ingredient"], "compound_dark")
        vessel = {name: value for name, value in self.vessel(1).items() if value is not None}
        fit = self.post("/api/fit", {"recipe": self.recipe(3), "vessel": vessel, "ask": ask})
        answer = self.post("/api/confections/work-out", asked)["answer"]
        self.assertAlmostEqual(answer["parts"][0]["make_g"], fit["batch_g"])
        self.assertEqual(answer["pieces"], fit["pieces"])
        guide = self.client.get(f"/api/confections/{made.get_json()['id']}/guide.svg")
        self.assertIn("36 pieces, 33.3 x 33.3 mm", guide.text)

    def vessel(self, vessel_id: int) -> Any:
        rows = self.client.get("/api/vessels").get_json()["vessels"]
        return next(row["vessel"] for row in rows if row["id"] == vessel_id)

    def test_the_guide_is_at_true_scale(self) -> None:
        self.refused("GET", "/api/recipes/3/fit/guide.svg", 404)
        self.client.put(
            "/api/recipes/3/fit", json={"vessel_id": 1, "ask": {"kind": "pan", "pieces": 36, "thickness_mm": 15.0}}
        )
        svg = self.client.get("/api/recipes/3/fit/guide.svg")
        self.assertEqual(svg.content_type, "image/svg+xml")
        self.assertIn('width="228mm" height="250mm" viewBox="0 0 228 250"', svg.text)
        self.assertIn('<rect width="200.000" height="200.000" rx="8.000"', svg.text)
        self.assertIn(">33.3<", svg.text)
        self.assertIn("36 pieces, 33.3 x 33.3 mm", svg.text)
        settings = self.client.get("/api/settings").get_json()
        self.client.put("/api/settings", json={**settings, "length_unit": "in", "mass_unit": "oz"})
        self.assertIn("36 pieces, 1.31 x 1.31 in", self.client.get("/api/recipes/3/fit/guide.svg").text)
        pdf = self.client.get("/api/recipes/3/fit/guide.pdf")
        self.assertEqual(pdf.content_type, "application/pdf")
        self.assertTrue(pdf.data.startswith(b"%PDF-"))
        self.assertEqual(pdf.data.count(b"/Type /Page\n"), 2)
        self.client.put("/api/recipes/3/fit", json={"vessel_id": 1, "ask": {"kind": "pan", "thickness_mm": 15.0}})
        self.refused("GET", "/api/recipes/3/fit/guide.pdf", 422)


class Vessels(Kitchen):
    def test_a_vessel_is_changed_and_counted(self) -> None:
        body = {"name": "Square tin", "owned": 3, "vessel": {**SQUARE, "lining_mm": 0.5, "usable_depth_mm": 25.0}}
        found = self.client.put("/api/vessels/1", json=body).get_json()
        self.assertEqual((found["owned"], found["vessel"]["lining_mm"]), (3, 0.5))
        self.refused("PUT", "/api/vessels/99", 404, json=body)
        problem = self.refused("PUT", "/api/vessels/1", 422, json={**body, "owned": 0})
        self.assertEqual(problem["errors"][0]["path"], ["body", "owned"])
        bad = {**body, "vessel": {**SQUARE, "usable_depth_mm": 31.0}}
        problem = self.refused("PUT", "/api/vessels/1", 422, json=bad)
        self.assertEqual(problem["errors"][0]["path"], ["body", "vessel", "usable_depth_mm"])
        self.assertEqual(self.client.get("/api/vessels").get_json()["vessels"][0]["owned"], 3)

    def test_every_shape_is_made_from_the_measures_that_it_asks(self) -> None:
        given = {"depth_mm": 20.0, "height_mm": 20.0, "base_radius_mm": 30.0, "inner_diameter_mm": 20.0}
        for shape in self.client.get("/api/vessels/shapes").get_json()["shapes"]:
            with self.subTest(shape=shape):
                vessel = {name: given.get(name, 60.0) for name in shape["measures"]}
                vessel |= {"kind": shape["kind"], "shape": shape["shape"]}
                if shape["kind"] == "cake":
                    vessel |= {"filling_mm": 5.0, "coat_mm": 3.0}
                made = self.client.post("/api/vessels", json={"name": "x", "vessel": vessel})
                self.assertEqual(made.status_code, 201, made.text)


class Boxes(Kitchen):
    def asked(self) -> Any:
        return self.client.get("/api/occasions").get_json()["occasions"][0]

    def rolled_g(self) -> float:
        """Return the cocoa that a Moonrock truffle is rolled in."""
        stored = self.client.get("/api/confections/1").get_json()["asked"]
        parts = self.post("/api/confections/work-out", stored)["answer"]["parts"]
        return float(next(part["make_g"] / part["pieces"] for part in parts if part["role"] == "rolling"))

    def test_the_demos_boxes_close(self) -> None:
        asked = self.asked()["asked"]
        found = self.post("/api/occasions/work-out", asked)
        self.assertEqual(asked["ready_at"], "2026-08-14T19:30:00")
        days = [row["keeping"]["days_low"] for row in found["rows"]]
        self.assertEqual(found["finish_from"], [f"2026-08-{14 - low:02}T19:30:00" for low in days])
        dateless = self.post("/api/occasions/work-out", {**asked, "ready_at": None})
        self.assertIsNone(dateless["finish_from"])
        for when in ("2026-08-14T19:30:00+02:00", "1812-08-14T19:30:00"):
            self.refused("POST", "/api/occasions", 422, json={**asked, "ready_at": when})
        self.assertEqual([row["pieces"] for row in found["rows"][:3]], [42, 42, 43])
        self.assertGreaterEqual(found["rows"][3]["pieces"], 20)
        for plan in found["pours"]:
            self.assertAlmostEqual(plan["start_g"] + plan["refilled_g"], plan["kept_g"] + plan["back_g"])
            self.assertLessEqual(max(pour["pot_before_g"] for pour in plan["pours"]), 800.0001)
        needed = {item["label"]: item["needed_g"] for item in found["shopping"]["items"]}
        made = sum(total["batch_g"] for total in found["recipes"])
        melted = sum(plan["start_g"] + plan["refilled_g"] for plan in found["pours"])
        bought = needed.pop("hazelnut_whole") + needed.pop("cocoa_powder_21")
        self.assertAlmostEqual(bought, 22 * 1.2 + 22 * self.rolled_g())
        self.assertAlmostEqual(sum(needed.values()), made + melted)
        self.assertGreater(found["cost_per_box"], 1)

    def test_saved_with_its_revision_and_refused_from_an_older_one(self) -> None:
        stored = self.asked()
        changed = {**stored["asked"], "boxes": 5}
        saved = self.client.put(f"/api/occasions/{stored['id']}", json={"revision": 1, "asked": changed})
        self.assertEqual((saved.get_json()["revision"], saved.get_json()["asked"]["boxes"]), (2, 5))
        body = {"revision": 1, "asked": {**changed, "boxes": 9}}
        self.assertEqual(self.refused("PUT", f"/api/occasions/{stored['id']}", 409, json=body)["revision"], 2)
        self.assertEqual(self.asked()["asked"]["boxes"], 5)

    def test_refused_by_field_and_nothing_half_saved(self) -> None:
        asked = self.asked()["asked"]
        for changes, path in (
            ({"boxes": 0}, ["boxes"]),
            ({"pot_g": -1.0}, ["pot_g"]),
            ({"rows": [{**asked["rows"][0], "per_box": 0}]}, ["rows", 0, "per_box"]),
            ({"box_vessel_id": 1}, ["box_vessel_id"]),
        ):
            with self.subTest(path=path):
                problem = self.refused("POST", "/api/occasions", 422, json={**asked, **changes})
                self.assertEqual(problem["errors"][0]["path"], ["body", *path])
        self.refused("POST", "/api/occasions", 404, json={**asked, "rows": [{**asked["rows"][0], "confection_id": 99}]})
        self.assertEqual(len(self.client.get("/api/occasions").get_json()["occasions"]), 1)
        stored = self.client.get("/api/confections/9").get_json()
        shell = {**stored["asked"]["parts"][0], "wall_mm": 40.0}
        thick = {"revision": 1, "asked": {**stored["asked"], "parts": [shell, *stored["asked"]["parts"][1:]]}}
        self.assertEqual(self.client.put("/api/confections/9", json=thick).status_code, 200)
        problem = self.refused("POST", "/api/occasions/work-out", 422, json=asked)
        self.assertEqual(problem["errors"][0]["path"], ["body", "rows", 0, "parts", 0, "wall_mm"])
        self.assertEqual(
            self.client.put("/api/confections/9", json={**thick, "revision": 2, "asked": stored["asked"]}).status_code,
            200,
        )
        small = self.refused("POST", "/api/occasions/work-out", 422, json={**asked, "pot_g": 50.0})
        self.assertEqual(small["errors"][0]["path"], ["body", "pot_g"])

    def test_the_shopping_list_goes_out_as_csv_and_text(self) -> None:
        rows = list(csv.DictReader(io.StringIO(self.client.get("/api/occasions/1/shopping.csv").text)))
        dark = next(row for row in rows if row["ingredient"] == "Dark chocolate 60 %")
        bought = float(dark["packs"]) * float(dark["pack_g"])
        self.assertAlmostEqual(float(dark["in_house_g"]) + bought, float(dark["needed_g"]) + float(dark["left_g"]), 0)
        text = self.client.get("/api/occasions/1/shopping.txt").text
        self.assertIn("To buy", text)
        self.assertIn("- Dark chocolate 60 %: ", text)
        self.refused("GET", "/api/occasions/9/shopping.csv", 404)

    def test_a_second_pack_size_is_used_and_survives_a_csv_round_trip(self) -> None:
        item = {"label": "dark60", "pack_g": 1000.0, "price": 14.0, "other_packs": [{"pack_g": 200.0, "price": 2.9}]}
        self.assertEqual(self.client.put("/api/larder", json=item).status_code, 200)
        out = self.client.get("/api/larder/csv").text
        self.client.post("/api/larder/csv", json={"csv": out})
        kept = next(i for i in self.client.get("/api/larder").get_json()["items"] if i["label"] == "dark60")
        self.assertEqual(kept["other_packs"], [{"pack_g": 200.0, "price": 2.9}])
        bad = self.refused("PUT", "/api/larder", 422, json={**item, "other_packs": [{"pack_g": 0.0}]})
        self.assertEqual(bad["errors"][0]["path"], ["body", "other_packs", 0, "pack_g"])

    def test_one_price_counts_on_every_page_whatever_else_it_is_sold_in(self) -> None:
        before = self.post("/api/occasions/work-out", self.asked()["asked"])["rows"][2]["cost"]
        item = next(i for i in self.client.get("/api/larder").get_json()["items"] if i["label"] == "dark64")
        cheap = {**item, "other_packs": [{"pack_g": 5000.0, "price": 1.0}]}
        body = {name: cheap[name] for name in ("label", "pack_g", "price", "in_house_g", "other_packs")}
        self.assertEqual(self.client.put("/api/larder", json=body).status_code, 200)
        row = self.post("/api/occasions/work-out", self.asked()["asked"])["rows"][2]
        self.assertEqual(row["cost"], before, "the usual pack's price counts")
        drops = self.client.get("/api/confections/11").get_json()["asked"]
        drops["form"]["pieces"] = row["pieces"]
        alone = self.post("/api/confections/work-out", drops)["cost"]
        self.assertAlmostEqual(alone["per_piece"], row["cost"]["per_piece"])
        self.assertAlmostEqual(alone["batch"], row["cost"]["batch"])

    def test_a_row_goes_with_its_confection_and_a_lost_recipe_is_told(self) -> None:
        self.client.delete("/api/confections/9")
        asked = self.asked()["asked"]
        self.assertEqual(len(asked["rows"]), 5)
        of = self.client.get("/api/confections/10").get_json()["asked"]["parts"][1]["of"]
        self.client.delete(f"/api/recipes/{of['recipe_id']}")
        problem = self.refused("POST", "/api/occasions/work-out", 422, json=asked)
        self.assertEqual(problem["errors"][0]["path"], ["body", "rows", 0, "confection_id"])
        self.assertIn("First-light planets was deleted", problem["errors"][0]["message"])
        self.assertEqual(self.client.delete("/api/occasions/1").status_code, 204)
        self.assertEqual(self.client.get("/api/occasions").get_json()["occasions"], [])
