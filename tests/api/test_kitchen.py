"""Settings, vessels and the library through the API: stored whole, refused by field."""

from typing import Any

from tests.api.app_case import AppCase

PAN = {"kind": "pan", "shape": "rectangle", "length_mm": 200.0, "width_mm": 150.0, "depth_mm": 30.0}


class Settings(AppCase):
    def put(self, **changes: Any) -> Any:
        body = {**self.client.get("/api/settings").get_json(), **changes}
        return self.client.put("/api/settings", json=body)

    def test_what_is_stored_comes_back(self) -> None:
        changes = {
            "mass_unit": "oz",
            "length_unit": "in",
            "temperature_unit": "F",
            "measure": "us",
            "kitchen_c": 24.5,
            "altitude_m": 1500.0,
        }
        changes |= {"thermometer_in_boiling_water_c": 94.0, "scale_step_g": 0.1, "scale_most_g": 3000.0}
        self.assertEqual(self.put(**changes).status_code, 200)
        self.assertEqual(self.client.get("/api/settings").get_json(), changes)

    def test_each_field_is_refused_by_name_and_nothing_is_stored(self) -> None:
        before = self.client.get("/api/settings").get_json()
        for name, value in (
            ("mass_unit", "stone"),
            ("length_unit", "furlong"),
            ("temperature_unit", "K"),
            ("measure", "lunar"),
            ("kitchen_c", 80.0),
            ("altitude_m", 9000.0),
            ("scale_step_g", 0.0),
            ("scale_most_g", 1.0),
            ("thermometer_in_boiling_water_c", 60.0),
        ):
            with self.subTest(name):
                answer = self.put(**{name: value})
                self.assertEqual(answer.status_code, 422)
                self.assertEqual(answer.get_json(force=True)["errors"][0]["path"], ["body", name])
        self.assertEqual(self.client.get("/api/settings").get_json(), before)

    def test_the_bench_boils_where_the_kitchen_stands(self) -> None:
        fudge = {"name": "Fudge", "family": "boiled-fudge", "lines": []}
        fudge["lines"] = [{"ingredient": "sugar_caster", "amount": 450}, {"ingredient": "milk_whole", "amount": 300}]  # type: ignore[assignment]

        def cook_to() -> float:
            readings = self.client.post("/api/formula", json={"recipe": fudge}).get_json()["readings"]
            return float(next(row for row in readings if row["code"] == "boil")["shown"].split()[0])

        low = cook_to()
        self.put(altitude_m=2000.0)
        self.assertAlmostEqual(low - cook_to(), 6.9, delta=0.4)


class Vessels(AppCase):
    def test_made_listed_and_deleted(self) -> None:
        made = self.client.post("/api/vessels", json={"name": "Club tray", "vessel": PAN})
        self.assertEqual(made.status_code, 201)
        stored = made.get_json()
        listed = self.client.get("/api/vessels").get_json()["vessels"]
        self.assertEqual([row["name"] for row in listed], ["Club tray"])
        self.assertEqual(listed[0]["vessel"]["depth_mm"], 30)
        self.assertEqual(self.client.delete(f"/api/vessels/{stored['id']}").status_code, 204)
        self.assertEqual(self.client.get("/api/vessels").get_json()["vessels"], [])
        self.refused("DELETE", f"/api/vessels/{stored['id']}", 404)

    def test_each_measure_is_refused_by_name(self) -> None:
        mould = {"kind": "mould", "shape": "dome", "base_radius_mm": 15.0, "height_mm": 8.0, "cavities": 24}
        for vessel, field in (
            ({**PAN, "depth_mm": 0.0}, "depth_mm"),
            ({**PAN, "shape": "star"}, "shape"),
            ({**PAN, "kind": "bucket"}, "kind"),
            ({**PAN, "kind": "sieve"}, "kind"),
            ({**PAN, "corner_mm": 90.0}, "corner_mm"),
            ({name: value for name, value in PAN.items() if name != "width_mm"}, "width_mm"),
            ({**mould, "height_mm": 16.0}, "height_mm"),
            ({**mould, "cavities": 0}, "cavities"),
        ):
            with self.subTest(field=field):
                problem = self.refused("POST", "/api/vessels", 422, json={"name": "x", "vessel": vessel})
                self.assertEqual(problem["errors"][0]["path"], ["body", "vessel", field])
        self.assertEqual(self.client.get("/api/vessels").get_json()["vessels"], [])


class Library(AppCase):
    def test_families_come_with_uses_ways_and_what_decides(self) -> None:
        library = self.client.get("/api/ingredients").get_json()
        uses = set(library["uses"])
        self.assertEqual(set(library["aimed_index"]), uses)
        for family in library["families"]:
            with self.subTest(family["key"]):
                self.assertLessEqual(set(family["uses"]), uses)
                self.assertTrue(family["rule"])
                for method in (*family["methods"], *family["also"]):
                    self.assertTrue(method["trade_off"].endswith("."))
                    self.assertLessEqual(method["trade_off"].count(". "), 1)

    def test_every_ingredient_sums_to_100(self) -> None:
        for row in self.client.get("/api/ingredients").get_json()["ingredients"]:
            self.assertAlmostEqual(sum(row["composition_pct"].values()), 100, places=6, msg=row["key"])
