"""The command line as the contract has it: one object out, or one error and exit 2."""

import json
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path
from typing import Any

from tests.kitchen import RYE_MALT, recipe_record

MOULD = {"kind": "mould", "shape": "hemisphere", "radius_mm": 15, "cavities": 24}
PAN = {"format": "hearth-bowl/vessel", "version": 1, "kind": "pan", "shape": "rectangle"}
PAN |= {"length_mm": 230, "width_mm": 230, "depth_mm": 30}


class CommandLine(unittest.TestCase):
    def setUp(self) -> None:
        self.folder = tempfile.TemporaryDirectory()
        self.addCleanup(self.folder.cleanup)

    def file(self, name: str, content: Any) -> str:
        path = Path(self.folder.name) / name
        path.write_bytes(content if isinstance(content, bytes) else json.dumps(content).encode())
        return str(path)

    def run_verb(self, *arguments: str, stdin: bytes = b"") -> tuple[int, Any, Any]:
        done = subprocess.run(
            [sys.executable, "-m", "hearth_bowl", *arguments], input=stdin, capture_output=True, check=False
        )
        out = json.loads(done.stdout) if done.stdout else None
        return done.returncode, out, json.loads(done.stderr) if done.stderr else None

    def ok(self, *arguments: str, stdin: bytes = b"") -> Any:
        code, out, error = self.run_verb(*arguments, stdin=stdin)
        self.assertEqual((code, error), (0, None))
        return out

    def refused(self, *arguments: str, stdin: bytes = b"") -> dict[str, str]:
        code, out, error = self.run_verb(*arguments, stdin=stdin)
        self.assertEqual((code, out), (2, None))
        self.assertEqual(set(error["error"]), {"field", "message", "allowed"})
        found: dict[str, str] = error["error"]
        return found


class Assess(CommandLine):
    def test_answers_with_every_key_of_the_contract(self) -> None:
        found = self.ok("assess", self.file("r.json", recipe_record()))
        self.assertAlmostEqual(found["mass_g"], 690.5)
        self.assertAlmostEqual(found["ratios"]["chocolate_to_cream"], 2.1495, places=4)
        self.assertIsNone(found["ratios"]["chocolate_to_condensed_milk"])
        self.assertEqual(set(found["set"]), {"at_c", "index", "low", "high", "class", "rule"})
        self.assertEqual(found["set"]["at_c"], 20)
        self.assertEqual(found["allergens"], ["gluten", "milk", "soya"])
        self.assertEqual(found["allergens_named"], ["rye"])
        self.assertEqual(found["lines"][1], {"ingredient": "Rye malt powder", "amount_g": 16.5})
        others = {
            "composition_pct", "fat_pct", "density_g_per_ml", "water_activity", "split", "sweetness_pct", "alcohol_pct",
            "energy_kcal_per_100g", "undissolved_sugar_g", "keeping", "warnings",
        }  # fmt: skip
        self.assertLessEqual(others, set(found))
        self.assertEqual(set(found["keeping"]), {"where", "days_low", "days_high", "because"})

    def test_reads_standard_input_and_a_temperature(self) -> None:
        record = json.dumps(recipe_record()).encode()
        found = self.ok("assess", "-", "--at-c", "-18", stdin=record)
        self.assertEqual(found["set"]["at_c"], -18)

    def test_no_water_gives_nulls_and_never_infinity(self) -> None:
        lines = [{"ingredient": "cocoa_butter", "amount": 50}, {"ingredient": "coconut_oil", "amount": 9}]
        found = self.ok("assess", self.file("r.json", recipe_record(lines=lines)))
        self.assertEqual(set(found["water_activity"].values()), {None})
        self.assertEqual(found["split"], {"fat_to_water": None, "band": "fat-continuous"})

    def test_a_name_in_any_script(self) -> None:
        for name in ("🔭 مرصد", "Nuit étoilée"):
            self.ok("assess", self.file("r.json", recipe_record(name=name)))

    def test_bad_recipes(self) -> None:
        def lines(**change: Any) -> dict[str, Any]:
            return recipe_record(lines=[{"ingredient": "dark60", "amount": 100, **change}])

        short = {**RYE_MALT, "composition_pct": {"water": 5, "other": 92}}
        cases: list[tuple[Any, str]] = [
            (lines(amount=-1), "lines[0].amount"),
            (lines(amount="100"), "lines[0].amount"),
            (lines(amount=1e308), "lines[0].amount"),
            (lines(amount=True), "lines[0].amount"),
            (lines(amount=0), "lines"),
            (lines(ingredient="dark61"), "lines[0].ingredient"),
            (lines(ingredient=7), "lines[0].ingredient"),
            (lines(ingredient=short), "lines[0].ingredient.composition_pct"),
            (lines(unit="bar"), "lines[0].unit"),
            (lines(unit="stick"), "lines[0].unit"),
            (lines(pinned="yes"), "lines[0].pinned"),
            (recipe_record(lines=[]), "lines"),
            (recipe_record(lines={}), "lines"),
            (recipe_record(lines=["dark60"]), "lines[0]"),
            (recipe_record(lines=[{"ingredient": "dark60", "amount": 1}] * 10_000), "lines"),
            (recipe_record(family="toffee"), "family"),
            (recipe_record(format="other/recipe"), "format"),
            (recipe_record(version=2), "version"),
            ([], "recipe"),
            (b"{", "recipe"),
            (b'{"lines": [{"ingredient": "dark60", "amount": NaN}]}', "lines[0].amount"),
            (b'{"lines": [{"ingredient": "dark60", "amount": 1e999}]}', "lines[0].amount"),
            (b"\xff\xfe", "recipe"),
            (b"[" * 100_000, "recipe"),
            (b'{"name": "' + b"x" * 5_000_000 + b'"}', "recipe"),
        ]
        for content, field in cases:
            with self.subTest(str(content)[:80]):
                self.assertEqual(self.refused("assess", self.file("r.json", content))["field"], field)

    def test_bad_calls(self) -> None:
        path = self.file("r.json", recipe_record())
        self.assertEqual(self.refused("assess", path, "--at-c", "46")["field"], "at_c")
        self.assertEqual(self.refused("assess", path, "--at-c", "nan")["field"], "at_c")
        self.assertEqual(self.refused("assess", path, "--at-c", "warm")["field"], "at_c")
        self.assertEqual(self.refused("assess", path, "--at", "20")["field"], "arguments")
        self.assertEqual(self.refused("assess", path + ".none")["field"], "recipe")
        self.assertEqual(self.refused("assess", self.folder.name)["field"], "recipe")
        self.assertEqual(self.refused("melt")["field"], "verb")
        self.assertEqual(self.refused("assess")["field"], "recipe")


class Fit(CommandLine):
    def fit(self, vessel: Any, *options: str) -> Any:
        return self.ok("fit", self.file("r.json", recipe_record()), self.file("v.json", vessel), *options)

    def test_a_mould_with_the_usual_shell(self) -> None:
        found = self.fit(MOULD)
        self.assertEqual((found["pieces"], found["pours"], found["halves"]), (24, 1, None))
        self.assertEqual(found["shell"]["ingredient"], "dark60")
        for key in ("thickness_mm", "grid", "offcut_g"):
            self.assertIsNone(found[key])
        self.assertAlmostEqual(sum(line["amount_g"] for line in found["lines"]), found["batch_g"])

    def test_boxes_ask_for_their_pieces(self) -> None:
        found = self.fit(MOULD, "--boxes", "6", "--per-box", "9", "--halves", "--shell", "milk33")
        self.assertEqual((found["pieces"], found["halves"], found["pours"]), (54, 108, 5))

    def test_a_pan_cut_by_size(self) -> None:
        found = self.fit(PAN, "--thickness-mm", "12", "--piece-mm", "25x25", "--loss-pct", "0")
        self.assertEqual((found["grid"], found["pieces"], found["shell"]), ([9, 9], 81, None))
        self.assertAlmostEqual(found["fill_ml"], 634.8)
        self.assertAlmostEqual(found["offcut_g"] + 81 * found["piece_g"], found["batch_g"])

    def test_refusals(self) -> None:
        recipe, mould, pan = (
            self.file(name, content) for name, content in (("r", recipe_record()), ("m", MOULD), ("p", PAN))
        )
        cases = (
            ((recipe, mould, "--wall-mm", "15"), "wall_mm"),
            ((recipe, mould, "--shell", "butter82"), "shell"),
            ((recipe, mould, "--shell", "granite"), "shell"),
            ((recipe, mould, "--boxes", "3"), "per_box"),
            ((recipe, mould, "--boxes", "0", "--per-box", "3"), "boxes"),
            ((recipe, pan, "--thickness-mm", "31"), "thickness_mm"),
            ((recipe, pan, "--piece-mm", "25"), "piece_mm"),
            ((recipe, self.file("s", {"kind": "scoop", "volume_ml": 20})), "kind"),
            ((recipe, recipe), "format"),
            (("-", "-"), "vessel"),
        )
        for arguments, field in cases:
            with self.subTest(arguments[2:]):
                self.assertEqual(self.refused("fit", *arguments)["field"], field)


class Others(CommandLine):
    def test_verbs_lists_the_verbs_with_their_options(self) -> None:
        verbs = {verb["name"]: verb["options"] for verb in self.ok("verbs")["verbs"]}
        self.assertIn("--at-c", verbs["assess"])
        self.assertIn("--piece-mm", verbs["fit"])
        self.assertEqual(verbs["version"], [])

    def test_version(self) -> None:
        self.assertRegex(self.ok("version")["version"], r"^\d+\.\d+\.\d+$")

    def test_alcohol(self) -> None:
        found = self.ok("alcohol", "--ml", "35", "--abv", "40", "--batch-g", "450", "--how", "hot")
        self.assertAlmostEqual(found["ethanol_g"], 11.05, delta=0.005)
        self.assertAlmostEqual(found["retained_g"], 9.39, delta=0.005)
        self.assertAlmostEqual(found["pct_by_mass"], 2.09, delta=0.005)
        self.assertEqual(self.refused("alcohol", "--ml", "35", "--abv", "140")["field"], "abv")
