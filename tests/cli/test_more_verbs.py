"""The command line's verbs `cool` and `temper`, and `fit` for every kind of vessel, as the contract has them."""

import unittest
from typing import Any

from tests.cli.test_verbs import CommandLine
from tests.kitchen import grams_record, recipe_record


class Cool(CommandLine):
    def test_a_slab_and_its_band(self) -> None:
        found = self.ok("cool", "--thickness-mm", "20", "--from-c", "35", "--to-c", "18", "--place", "fridge")
        self.assertAlmostEqual(found["minutes"], 95, delta=0.7)
        self.assertAlmostEqual(found["low_minutes"], 0.75 * found["minutes"])
        self.assertAlmostEqual(found["high_minutes"], 1.45 * found["minutes"])

    def test_covers_bases_and_faces(self) -> None:
        def minutes(*more: str) -> float:
            course = ("--thickness-mm", "20", "--from-c", "35", "--to-c", "18", "--place", "fridge")
            return float(self.ok("cool", *course, *more)["minutes"])

        self.assertAlmostEqual(minutes("--base", "glass"), 132, delta=0.7)
        self.assertAlmostEqual(minutes("--cover", "lid"), 158, delta=0.7)
        self.assertLess(minutes("--both-faces"), minutes())
        self.assertLess(minutes("--h-top", "300"), 70)
        self.assertLess(minutes("--latent-kj-per-kg", "0"), minutes())
        self.assertLess(minutes("--ambient-c", "-5"), minutes())

    def test_a_bowl(self) -> None:
        bowl = ("--bowl-kg", "0.9", "--area-m2", "0.045", "--from-c", "45", "--to-c", "32", "--ambient-c", "20")
        self.assertAlmostEqual(self.ok("cool", *bowl)["minutes"], 61.2, delta=0.1)

    def test_bowls_left_alone_and_small_bodies(self) -> None:
        alone = ("--bowl-kg", "0.9", "--unstirred", "--from-c", "45", "--to-c", "18", "--place", "fridge")
        self.assertAlmostEqual(self.ok("cool", *alone)["minutes"], 260, delta=1)
        self.assertAlmostEqual(self.ok("cool", *alone, "--base", "glass")["minutes"], 325, delta=2)
        ball, same = self.ok("cool", *alone, "--half-ball"), self.ok("cool", *alone, "--depth-over-radius", "1.15")
        self.assertEqual(ball, same)
        small = ("--small", "--volume-ml", "7.07", "--area-cm2", "21.2", "--from-c", "35", "--to-c", "18")
        self.assertAlmostEqual(self.ok("cool", *small, "--ambient-c", "4")["minutes"], 37.5, delta=0.1)
        self.assertEqual(self.refused("cool", *small, "--h", "40", "--ambient-c", "4")["field"], "volume_ml")

    def test_refusals(self) -> None:
        for arguments, field in (
            (("--bowl-kg", "0.9", "--half-ball", "--from-c", "45", "--to-c", "32"), "half_ball"),
            (("--small", "--volume-ml", "9", "--from-c", "45", "--to-c", "32"), "area_cm2"),
            (("--from-c", "45", "--to-c", "32"), "thickness_mm"),
            (("--thickness-mm", "20", "--from-c", "45"), "to_c"),
            (("--thickness-mm", "20", "--from-c", "45", "--to-c", "20"), "place"),
            (("--thickness-mm", "20", "--from-c", "45", "--to-c", "5", "--place", "fridge"), "to_c"),
            (("--thickness-mm", "-1", "--from-c", "45", "--to-c", "9", "--place", "fridge"), "thickness_mm"),
            (("--thickness-mm", "9", "--from-c", "45", "--to-c", "9", "--place", "cellar"), "place"),
            (("--bowl-kg", "0.9", "--from-c", "45", "--to-c", "32"), "area_m2"),
            (("--bowl-kg", "0.9", "--area-m2", "0.04", "--from-c", "45", "--to-c", "32", "--base", "wire"), "base"),
        ):
            with self.subTest(arguments):
                self.assertEqual(self.refused("cool", *arguments)["field"], field)


class RipenAndBurst(CommandLine):
    def test_a_fondant_by_its_dose(self) -> None:
        made = self.file("fondant.json", grams_record("fondant", fondant_made=400))
        found = self.ok("ripen", made, "--dose-pct", "0.1")
        self.assertAlmostEqual(found["crystals_share"], 0.54, delta=0.01)
        self.assertAlmostEqual(found["days"]["creamy"][1], 13.3, delta=0.1)
        own = self.file("own.json", grams_record("fondant", fondant_made=400, invertase=0.8))
        self.assertAlmostEqual(self.ok("ripen", own, "--dose-pct", "0.1")["days"]["creamy"][1], 6.6, delta=0.1)
        syrup = self.file("syrup.json", grams_record("fondant", sugar_granulated=800, glucose_syrup40=200, water=300))
        self.assertAlmostEqual(self.ok("ripen", syrup, "--to-c", "117")["days"]["creamy"][1], 5.9, delta=0.1)
        self.assertEqual(self.refused("ripen", made, "--dose-pct", "0")["field"], "dose_pct")

    def test_a_first_burst_and_a_record(self) -> None:
        found = self.ok("burst", "--mass-g", "100", "--watts", "800")
        self.assertAlmostEqual(found["first_s"], 9.4, delta=0.05)
        self.assertIsNone(found["look_s"])
        record = ("--kind", "watery", "--record-g", "600", "--record-s", "330")
        self.assertAlmostEqual(self.ok("burst", "--mass-g", "371", "--watts", "800", *record)["look_s"], 163, delta=0.5)
        self.assertEqual(self.refused("burst", "--mass-g", "9", "--watts", "800", "--kind", "tea")["field"], "kind")

    def test_a_boil_to_its_water(self) -> None:
        made = self.file("fudge.json", grams_record("boiled-fudge", sugar_granulated=450, milk_whole=300, butter82=60))
        self.assertAlmostEqual(self.ok("boil", made, "--water-pct", "12.5")["water_left_pct"], 12.5)
        dry = self.ok("boil", made, "--water-pct", "60")
        self.assertEqual((dry["evaporated_g"], dry["to_c"]), (0, dry["boiling_c"]))
        self.assertEqual(self.refused("boil", made, "--water-pct", "9", "--to-c", "115")["field"], "to_c")


class Temper(CommandLine):
    def test_a_dark_chocolate(self) -> None:
        found = self.ok("temper", "dark60", "--from-c", "45", "--to-c", "32", "--mass-g", "600")
        self.assertTrue(found["needs_tempering"])
        self.assertEqual((found["melt_c"], found["work_c"], found["cool_to_c"]), ([45, 50], [31, 32.5], [27, 28.5]))
        self.assertAlmostEqual(found["seed_share_pct"], 25.47, places=1)
        self.assertAlmostEqual(found["seed_g"] / (600 + found["seed_g"]), found["seed_share_pct"] / 100)

    def test_a_compound_has_nulls_for_the_rest(self) -> None:
        found = self.ok("temper", "compound_milk", "--mass-g", "600")
        self.assertEqual((found["needs_tempering"], found["work_c"]), (False, [36, 42]))
        for key in ("never_above_c", "cool_to_c", "seed_lost_above_c", "seed_share_pct", "seed_g"):
            self.assertIsNone(found[key])

    def test_refusals(self) -> None:
        self.assertEqual(self.refused("temper", "cream35")["field"], "chocolate")
        self.assertEqual(self.refused("temper", "no-such")["field"], "chocolate")
        self.assertEqual(self.refused("temper", "dark60", "--from-c", "70")["field"], "from_c")


class FitKinds(CommandLine):
    def fit(self, vessel: Any, *options: str) -> Any:
        return self.ok("fit", self.file("r.json", recipe_record()), self.file("v.json", vessel), *options)

    def test_every_kind_answers_with_every_key(self) -> None:
        cake = {"kind": "cake", "shape": "round", "diameter_mm": 180, "height_mm": 80, "fillings": 2}
        vessels = (
            {"kind": "scoop", "volume_ml": 12},
            {"kind": "cup", "volume_ml": 15, "count": 24},
            {"kind": "pieces", "piece_g": 12},
            {**cake, "filling_mm": 5, "coat_mm": 4},
        )
        keys = {
            "scale", "batch_g", "lines", "fill_ml", "thickness_mm", "pieces", "grid", "piece_g", "offcut_g", "loss_g",
            "shell", "halves", "pours", "notes",
        }  # fmt: skip
        for vessel in vessels:
            with self.subTest(vessel["kind"]):
                found = self.fit(vessel)
                self.assertLessEqual(keys, set(found))
                self.assertIsNone(found["shell"])
                self.assertAlmostEqual(sum(line["amount_g"] for line in found["lines"]), found["batch_g"])

    def test_boxes_of_rolled_pieces_dipped(self) -> None:
        found = self.fit({"kind": "pieces", "piece_g": 12}, "--boxes", "5", "--per-box", "6", "--shell", "dark60")
        self.assertEqual((found["pieces"], found["shell"]["pieces"]), (30, 30))
        self.assertAlmostEqual(found["batch_g"], 30 * 12 / 0.95)

    def test_refusals(self) -> None:
        recipe = self.file("r", recipe_record())
        for vessel, options, field in (
            ({"kind": "box", "length_mm": 90, "width_mm": 90, "depth_mm": 30}, (), "kind"),
            ({"kind": "pieces", "piece_g": 12}, ("--core-g", "12"), "core_g"),
            ({"kind": "pieces", "piece_g": 12}, ("--pieces", "30", "--coated", "31", "--shell", "dark60"), "coated"),
            ({"kind": "pieces", "piece_g": 12}, ("--rolling", "sand"), "rolling"),
            ({"kind": "cup", "volume_ml": 15}, ("--shell", "dark60", "--wall-mm", "30"), "wall_mm"),
            ({"kind": "scoop", "volume_ml": 15}, ("--mass-g", "2"), "mass_g"),
        ):
            with self.subTest(vessel=vessel, options=options):
                self.assertEqual(self.refused("fit", recipe, self.file("v", vessel), *options)["field"], field)


if __name__ == "__main__":
    unittest.main()
