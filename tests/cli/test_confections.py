"""The verbs `confection` and `label` as the contract has them."""

import copy
from typing import Any

from tests.cli.test_verbs import CommandLine
from tests.kitchen import recipe_record

EGG = {"kind": "mould", "shape": "half-egg", "cavities": 8, "length_mm": 44, "width_mm": 32, "depth_mm": 16}
NIGHT = recipe_record()
YOLK = recipe_record(name="Yolk", family="fondant", use=None, lines=[{"ingredient": "fondant_made", "amount": 300}])
EGGS: dict[str, Any] = {
    "format": "hearth-bowl/confection",
    "version": 1,
    "name": "Comet eggs",
    "form": {"vessel": EGG, "pieces": 20, "halves": True, "owned": 2},
    "parts": [
        {
            "role": "shell",
            "of": {"blend": [{"ingredient": "dark60", "parts": 3}, {"ingredient": "milk38", "parts": 1}]},
        },
        {"role": "filling", "of": {"recipe": NIGHT}},
        {"role": "filling", "of": {"recipe": YOLK}, "share_pct": 20},
        {"role": "topping", "of": {"ingredient": "pistachio_whole"}, "g_each": 0.5},
    ],
    "extras": [{"name": "foil", "each": 2}, {"name": "paper"}],
}


class ConfectionVerbs(CommandLine):
    def changed(self, **change: Any) -> str:
        return self.file("eggs.json", {**copy.deepcopy(EGGS), **change})

    def test_every_part_to_the_gram(self) -> None:
        found = self.ok("confection", self.changed())
        self.assertEqual((found["pieces"], found["halves"], found["pours"], found["turns"]), (20, 40, 5, 3))
        self.assertEqual(found["extras"], [{"name": "foil", "count": 40}, {"name": "paper", "count": 20}])
        self.assertAlmostEqual(found["piece_g"], sum(part["each_g"] for part in found["parts"]))
        for part in found["parts"]:
            self.assertAlmostEqual(part["total_g"], 20 * part["each_g"])
            self.assertAlmostEqual(part["make_g"], sum(row["amount_g"] for row in part["weigh"]))
        kept = {row["ingredient"]: row["kept_g"] for row in found["chocolate"]}
        self.assertAlmostEqual(kept["dark60"] / kept["milk38"], 3)
        self.assertAlmostEqual(
            found["chocolate"][0]["melt_g"], sum(found["chocolate"][0][k] for k in ("kept_g", "back_g"))
        )
        yolk, night = found["parts"][2], found["parts"][1]
        self.assertAlmostEqual(yolk["each_ml"] / (yolk["each_ml"] + night["each_ml"]), 0.2)
        named = {row["name"]: row for row in found["allergens_named"]}
        self.assertEqual(named["pistachio"]["from"], ["topping: Pistachios"])
        self.assertEqual(named["rye"]["group"], "gluten")
        self.assertEqual(found["keeping"]["part"], "filling: Rye-malt truffle centres")
        self.assertEqual(found["body"]["kind"], "small")

    def test_a_label(self) -> None:
        found = self.ok("label", self.changed(), "--made", "2026-08-12", "--pieces", "9")
        whole = self.ok("confection", self.changed())
        self.assertAlmostEqual(found["net_g"], 9 * whole["piece_g"])
        days = whole["keeping"]["days_low"]
        self.assertEqual((found["best_before"], found["use_by"]), (None, f"2026-08-{12 + days}"))
        self.assertEqual([row["text"].split(" (")[0] for row in found["ingredients"]], whole["ingredients"])
        self.assertIsNone(found["contains_alcohol"])
        self.assertIn("local food rules", found["defer"])

    def test_what_cannot_be_is_named_with_its_limit(self) -> None:
        shell, filling = EGGS["parts"][:2]
        unknown = {**NIGHT["lines"][1]["ingredient"], "allergens": None}
        mystery = {"role": "topping", "of": {"ingredient": unknown}, "g_each": 1}
        for change, field in (
            ({"parts": [shell, {**filling, "g_each": 400}]}, "parts[1].g_each"),
            ({"parts": [shell, {**filling, "mm": 3, "g_each": 4}]}, "parts[1].mm"),
            ({"parts": [{**shell, "wall_mm": "thick"}, filling]}, "parts[0].wall_mm"),
            ({"parts": [{"role": "layer", "of": {"ingredient": "dark60"}}]}, "parts[0].role"),
            ({"parts": [{"role": "shell", "of": {"ingredient": "dark60", "blend": []}}]}, "parts[0].of"),
            ({"parts": []}, "parts"),
            ({"form": {"vessel": EGG, "pieces": 0}}, "form.pieces"),
            ({"form": {"vessel": {**EGG, "depth_mm": None}}}, "form.vessel.depth_mm"),
            ({"form": {"vessel": EGG, "piece_mm": [20, 20]}}, "form.piece_mm"),
            ({"format": "hearth-bowl/recipe"}, "format"),
        ):
            with self.subTest(field=field):
                found = self.refused("confection", self.changed(**change))
                self.assertEqual(found["field"], field)
                self.assertTrue(found["allowed"])
        label = self.changed(parts=[shell, filling, mystery])
        self.assertEqual(self.refused("label", label, "--made", "2026-08-12")["field"], "parts[2].of")
        self.assertEqual(self.refused("label", self.changed(), "--made", "soon")["field"], "made")
        self.assertEqual(self.refused("label", self.changed(), "--made", "9999-12-31")["field"], "made")
        self.assertEqual(
            self.refused("label", self.changed(), "--made", "2026-08-12", "--pieces", "21")["field"], "pieces"
        )
