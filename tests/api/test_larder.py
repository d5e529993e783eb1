"""Larder, moves and reading through the API: stored, refused by field, and no kept version ever changed."""

from typing import Any

from tests.api.app_case import AppCase
from tests.kitchen import RYE_MALT, recipe_record


class Larder(AppCase):
    def put(self, **item: Any) -> Any:
        answer = self.client.put("/api/larder", json=item)
        self.assertEqual(answer.status_code, 200, answer.text)
        return answer.get_json()

    def items(self) -> list[dict[str, Any]]:
        return list(self.client.get("/api/larder").get_json()["items"])

    def test_a_price_shows_what_a_recipe_costs(self) -> None:
        self.put(label="dark64", pack_g=1000.0, price=15.0)
        body = {"recipe": recipe_record(), "at_c": 20.0}
        readings = self.client.post("/api/formula", json=body).get_json()["readings"]
        cost = next(reading for reading in readings if reading["code"] == "cost")
        self.assertEqual(cost["shown"], "6.90")
        self.assertIn("Whipping cream", cost["words"])

    def test_an_own_ingredient_changes_and_a_kept_version_does_not(self) -> None:
        self.put(label="", ingredient=RYE_MALT)
        stored = self.client.post("/api/recipes", json={"recipe": recipe_record()}).get_json()
        self.client.post(f"/api/recipes/{stored['id']}/versions", json={"name": "first"})
        changed = {**RYE_MALT, "composition_pct": {"water": 50.0, "other": 50.0}}
        self.put(label="", ingredient=changed)
        self.assertEqual(len(self.items()), 1)
        self.assertEqual(self.items()[0]["ingredient"]["composition_pct"], {"water": 50, "other": 50})
        versions = self.client.get(f"/api/recipes/{stored['id']}/versions").get_json()["versions"]
        kept = versions[0]["recipe"]["lines"][1]["ingredient"]["composition_pct"]
        self.assertEqual(kept, {"water": 5, "other": 95})

    def test_out_and_in_again_as_csv(self) -> None:
        self.put(label="dark64", pack_g=1000.0, price=15.25, country="FR", in_house_g=320.0)
        self.put(label="", ingredient=RYE_MALT, in_house_g=40.0)
        before = self.items()
        text = self.client.get("/api/larder/larder.csv").text
        for item in before:
            self.assertEqual(self.client.post("/api/larder/take-out", json={"label": item["label"]}).status_code, 204)
        self.assertEqual(self.items(), [])
        self.assertEqual(self.client.post("/api/larder/csv", json={"csv": text}).get_json(), {"taken": 2})
        self.assertEqual(self.items(), before)

    def test_a_csv_with_one_bad_row_takes_nothing(self) -> None:
        csv = "label,pack_g,price\ndark60,1000,14\ndark64,-5,3\n"
        problem = self.refused("POST", "/api/larder/csv", 422, json={"csv": csv})
        self.assertEqual(problem["errors"][0]["path"], ["body", "rows", 1, "pack_g"])
        self.assertEqual(self.items(), [])
        for csv, path in (("name\nx\n", ["body", "csv"]), ("label,price\ndark60,dear\n", ["body", "rows", 0, "price"])):
            self.assertEqual(self.refused("POST", "/api/larder/csv", 422, json={"csv": csv})["errors"][0]["path"], path)

    def test_refusals(self) -> None:
        for item, field in (
            ({"label": "granite"}, "label"),
            ({"label": "dark60", "pack_g": 0.0}, "pack_g"),
            ({"label": "dark60", "price": -1.0}, "price"),
            ({"label": "", "ingredient": {**RYE_MALT, "name": "dark60"}}, "label"),
            ({"label": "", "ingredient": {**RYE_MALT, "composition_pct": {"water": 97.0}}}, "ingredient"),
        ):
            problem = self.refused("PUT", "/api/larder", 422, json=item)
            self.assertEqual(problem["errors"][0]["path"][1], field)
        self.refused("POST", "/api/larder/take-out", 404, json={"label": "dark60"})


class Moves(AppCase):
    def test_a_balance_comes_back_weighable_with_before_and_after(self) -> None:
        body = {"recipe": recipe_record(), "aims": {"set_index": 3.0, "at_c": 20.0}}
        answer = self.client.post("/api/balance", json=body).get_json()
        self.assertTrue(answer["feasible"])
        self.assertEqual(answer["recipe"]["lines"][2]["amount"], 460)
        self.assertEqual(answer["recipe"]["lines"][0]["amount"] % 1, 0)
        second = {pair["name"]: pair["second"] for pair in answer["comparison"]["readings"]}
        self.assertAlmostEqual(second["Firmness at 20 °C"], 3.0, delta=0.05)

    def test_a_swap_and_a_scale(self) -> None:
        body = {"recipe": recipe_record(), "position": 0, "ingredient": "cream48", "at_c": 20.0}
        self.assertEqual(
            self.client.post("/api/swap", json=body).get_json()["recipe"]["lines"][0]["ingredient"], "cream48"
        )
        body = {"recipe": recipe_record(), "position": 2, "typed": "2 bars of 100 g"}
        scaled = self.client.post("/api/only-this-much", json=body).get_json()["recipe"]["lines"]
        self.assertEqual([line["amount"] for line in scaled][::2], [93, 200])

    def test_amounts_that_are_ours_stay_marked_until_one_is_typed(self) -> None:
        read = self.client.post("/api/recipes/read", json={"text": "200 g dark chocolate 70%\nvanilla"}).get_json()
        stored = self.client.post("/api/recipes", json={"recipe": read["recipe"]}).get_json()
        again = self.client.get(f"/api/recipes/{stored['id']}").get_json()["recipe"]
        self.assertEqual([line["proposed"] for line in again["lines"]], [False, True])
        again["lines"][1]["typed"] = "1 tsp"
        bench = self.client.post("/api/formula", json={"recipe": again}).get_json()["recipe"]
        self.assertEqual([line["proposed"] for line in bench["lines"]], [False, False])

    def test_the_way_of_making_it_is_kept_and_belongs_to_its_family(self) -> None:
        body = {"recipe": recipe_record(method="into-melted")}
        stored = self.client.post("/api/recipes", json=body).get_json()
        self.assertEqual(self.client.get(f"/api/recipes/{stored['id']}").get_json()["recipe"]["method"], "into-melted")
        problem = self.refused("POST", "/api/recipes", 422, json={"recipe": recipe_record(method="by-degrees")})
        self.assertEqual(problem["errors"][0]["path"], ["body", "recipe", "method"])

    def test_a_tin_is_taken_as_it_is_sold_where_its_spoons_are_meant(self) -> None:
        line = {"ingredient": "condensed_sweet", "amount": 1, "typed": "1 tin", "measure": "au"}
        body = {"recipe": recipe_record(lines=[line, {"ingredient": "dark60", "amount": 1, "typed": "2 bars"}])}
        self.assertEqual(self.client.post("/api/formula", json=body).get_json()["amounts_g"], [395, 200])

    def test_what_is_left_by_degrees_and_by_the_scale(self) -> None:
        fudge = recipe_record(family="boiled-fudge", lines=[{"ingredient": "sugar_caster", "amount": 400}])
        fudge["lines"].append({"ingredient": "milk_whole", "amount": 300})
        by_degrees = self.client.post("/api/cook", json={"recipe": fudge, "to_c": 115.0}).get_json()
        lost_g = by_degrees["cooked"]["evaporated_g"]
        by_scale = self.client.post("/api/cook", json={"recipe": fudge, "lost_g": lost_g}).get_json()
        self.assertAlmostEqual(by_scale["cooked"]["to_c"], 115, places=4)
        for sent, field in (({"to_c": 90.0}, "to_c"), ({"lost_g": 900.0}, "lost_g"), ({}, "to_c")):
            problem = self.refused("POST", "/api/cook", 422, json={"recipe": fudge, **sent})
            self.assertEqual(problem["errors"][0]["path"], ["body", field])

    def test_refusals_name_the_field(self) -> None:
        recipe = recipe_record()
        for path, body, field in (
            ("balance", {"recipe": recipe, "aims": {}}, ["aims"]),
            ("balance", {"recipe": recipe, "aims": {"set_index": 9.0}}, ["aims", "set_index"]),
            ("swap", {"recipe": recipe, "position": 0, "ingredient": "granite"}, ["ingredient"]),
            ("swap", {"recipe": recipe, "position": 8, "ingredient": "dark60"}, ["position"]),
            ("only-this-much", {"recipe": recipe, "position": 0, "typed": "some"}, ["typed"]),
            ("only-this-much", {"recipe": recipe, "position": 0, "typed": "2 bars"}, ["typed"]),
            ("compare", {"first": recipe, "second": recipe_record(family="toffee")}, ["second", "family"]),
            ("label", {"kind": "dark", "fat": 200.0, "sugars": 1.0, "protein": 1.0}, ["fat"]),
            ("recipes/start", {"family": "toffee"}, ["family"]),
            ("recipes/read", {"text": "Lorem ipsum"}, ["file"]),
        ):
            with self.subTest(path=path, field=field):
                problem = self.refused("POST", f"/api/{path}", 422, json=body)
                self.assertEqual(problem["errors"][0]["path"], ["body", *field])

    def test_our_proportions_are_stored_as_a_new_recipe(self) -> None:
        body = {"family": "condensed-milk-fudge", "use": "cut", "chocolate": "white28"}
        answer = self.client.post("/api/recipes/start", json=body)
        self.assertEqual(answer.status_code, 201)
        self.assertEqual(answer.get_json()["recipe"]["lines"][0]["amount"], 397)
        self.assertEqual(len(self.client.get("/api/recipes").get_json()["recipes"]), 1)

    def test_a_thermometer_that_is_far_off_is_refused_and_nothing_stored(self) -> None:
        settings = self.client.get("/api/settings").get_json()
        body = {**settings, "thermometer_in_boiling_water_c": 80.0}
        problem = self.refused("PUT", "/api/settings", 422, json=body)
        self.assertEqual(problem["errors"][0]["path"], ["body", "thermometer_in_boiling_water_c"])
        self.assertEqual(self.client.get("/api/settings").get_json(), settings)
