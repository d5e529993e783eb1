"""The command line as the contract has it: one object out, or one error and exit 2."""

import io
import json
import subprocess
import sys
import tempfile
import unittest
from contextlib import redirect_stderr, redirect_stdout
from pathlib import Path
from typing import Any, ClassVar
from unittest.mock import patch

from hearth_bowl.cli import main
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
        given = io.TextIOWrapper(io.BytesIO(stdin), encoding="utf-8")
        with (
            redirect_stdout(io.StringIO()) as said,
            redirect_stderr(io.StringIO()) as refused,
            patch.object(sys, "stdin", given),
        ):
            code = main(arguments)
        out, error = said.getvalue(), refused.getvalue()
        return code, json.loads(out) if out else None, json.loads(error) if error else None

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


class AsAProcess(CommandLine):
    """The other tests call the same door within this process."""

    def run_verb(self, *arguments: str, stdin: bytes = b"") -> tuple[int, Any, Any]:
        done = subprocess.run(
            [sys.executable, "-m", "hearth_bowl", *arguments], input=stdin, capture_output=True, check=False
        )
        out = json.loads(done.stdout) if done.stdout else None
        return done.returncode, out, json.loads(done.stderr) if done.stderr else None

    def test_answers_on_standard_output_and_refuses_on_standard_error(self) -> None:
        record = json.dumps(recipe_record(name="🔭 مرصد")).encode()
        self.assertAlmostEqual(self.ok("assess", "-", stdin=record)["mass_g"], 690.5)
        self.assertEqual(self.refused("assess", "-", stdin=b"\xff\xfe")["field"], "recipe")
        self.assertEqual(self.refused("make")["field"], "verb")


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
            ((recipe, self.file("s", {"kind": "scoop"})), "volume_ml"),
            ((recipe, recipe), "format"),
            (("-", "-"), "vessel"),
        )
        for arguments, field in cases:
            with self.subTest(arguments[2:]):
                self.assertEqual(self.refused("fit", *arguments)["field"], field)


FUDGE = recipe_record(
    family="boiled-fudge",
    lines=[
        {"ingredient": key, "amount": grams}
        for key, grams in (("sugar_granulated", 450), ("milk_whole", 300), ("butter82", 60), ("glucose_syrup40", 30))
    ],
)


class Boil(CommandLine):
    def test_a_recipe_as_it_is_and_cooked(self) -> None:
        path = self.file("f", FUDGE)
        plain = self.ok("boil", path)
        self.assertEqual(set(plain), {"boiling_c", "solids_pct", "water_g", "pressure_kpa"})
        cooked = self.ok("boil", path, "--to-c", "115", "--thermometer-in-boiling-water-c", "101")
        self.assertAlmostEqual(cooked["water_left_g"], 80.4, delta=0.051)
        self.assertAlmostEqual(cooked["finished_g"] + cooked["evaporated_g"], 840)
        self.assertAlmostEqual(cooked["dial_c"], 116.03, delta=0.01)
        high = self.ok("boil", path, "--altitude-m", "1500")
        self.assertLess(high["boiling_c"], plain["boiling_c"])
        self.assertAlmostEqual(
            self.ok("boil", path, "--pressure-kpa", str(high["pressure_kpa"]))["boiling_c"], high["boiling_c"]
        )

    def test_a_fudge_to_114_on_a_mountain_with_its_own_thermometer(self) -> None:
        path = self.file("f", FUDGE)
        tested = ("--altitude-m", "1500", "--thermometer-in-boiling-water-c", "94")
        found = self.ok("boil", path, "--sea-level-c", "114", *tested)
        self.assertAlmostEqual(found["water_left_pct"], 13.3, delta=0.051)
        self.assertAlmostEqual(found["to_c"], 108.7, delta=0.1)
        self.assertAlmostEqual(found["dial_c"], found["to_c"] + found["offset_c"])

    def test_a_stage_on_a_mountain(self) -> None:
        found = self.ok(
            "boil", "--stage", "soft-ball", "--altitude-m", "1500", "--thermometer-in-boiling-water-c", "94"
        )
        self.assertEqual(found["sea_level_c"], [112, 116])
        self.assertAlmostEqual(found["offset_c"], -0.98, delta=0.01)
        self.assertAlmostEqual(found["dial_c"][1] - found["target_c"][1], found["offset_c"])
        plain = self.ok("boil", "--stage", "light-caramel")
        self.assertEqual((plain["target_c"], plain["dial_c"], plain["offset_c"]), ([160, 170], None, None))

    def test_refusals(self) -> None:
        path = self.file("f", FUDGE)
        for arguments, field in (
            ((), "recipe"),
            ((path, "--to-c", "90"), "to_c"),
            ((path, "--altitude-m", "9000"), "altitude_m"),
            ((path, "--altitude-m", "10", "--pressure-kpa", "90"), "pressure_kpa"),
            ((path, "--stage", "thread"), "recipe"),
            (("--stage", "soft"), "stage"),
            (("--stage", "thread", "--thermometer-in-boiling-water-c", "80"), "thermometer_in_boiling_water_c"),
        ):
            with self.subTest(arguments):
                self.assertEqual(self.refused("boil", *arguments)["field"], field)


class Balance(CommandLine):
    def test_what_moved_and_the_recipe_measured_anew(self) -> None:
        path = self.file("r", recipe_record())
        found = self.ok("balance", path, self.file("a", {"aims": {"set_index": 3.0, "at_c": 20}}))
        self.assertTrue(found["feasible"])
        self.assertAlmostEqual(found["assess"]["set"]["index"], 3.0, delta=0.02)
        self.assertEqual(found["lines"][2]["amount_g"], 460)
        self.assertNotIn("dark64", [moved["ingredient"] for moved in found["moved"]])

    def test_the_nearest_where_it_cannot_be(self) -> None:
        pinned = recipe_record()
        pinned["lines"] = [{**line, "pinned": True} for line in pinned["lines"]]
        found = self.ok("balance", self.file("r", pinned), "-", stdin=b'{"aims": {"set_index": 2.0}}')
        self.assertFalse(found["feasible"])
        self.assertIn("pin: dark64", found["in_the_way"])
        self.assertGreater(found["missed_by"]["set_index"], 0.4)
        self.assertEqual(found["nearest"]["lines"][0], {"ingredient": "cream35", "amount_g": 214})

    def test_refusals(self) -> None:
        path = self.file("r", recipe_record())
        for content, field in (
            (b"{}", "aims"),
            (b'{"aims": {}}', "aims"),
            (b'{"aims": {"softness": 3}}', "aims.softness"),
            (b'{"aims": {"set_index": "firm"}}', "aims.set_index"),
            (b'{"aims": {"mass_g": 0}}', "aims.mass_g"),
            (b'{"aims": {"set_index": NaN}}', "aims.set_index"),
        ):
            with self.subTest(content):
                self.assertEqual(self.refused("balance", path, "-", stdin=content)["field"], field)


CARD = """Late-watch truffles

8 oz semisweet chocolate, chopped
3 oz cream
2 to 3 tbsp unsalted butter
1 T rum
1 (14 oz) can sweetened condensed milk
pinch of salt
vanilla
meteor dust

Method
Warm the cream until small bubbles show, then pour it over.
"""


class Read(CommandLine):
    def test_a_card_with_its_doubts(self) -> None:
        found = self.ok("read", self.file("card.txt", CARD.encode()), "--measure", "us")
        lines, unsure = found["recipe"]["lines"], found["unsure"]
        self.assertEqual(found["recipe"]["name"], "Late-watch truffles")
        self.assertEqual(
            [line["ingredient"] for line in lines],
            ["dark55", "cream35", "butter82", "rum40", "condensed_sweet", "salt", "vanilla_extract"],
        )
        self.assertEqual((lines[2]["amount"], lines[2]["amount_high"], lines[2]["unit"]), (2, 3, "tbsp"))
        self.assertAlmostEqual(lines[4]["pack_g"], 396.9, delta=0.1)
        self.assertIn({"line": 4, "text": "3 oz cream", "why": "oz: weight or fluid?"}, unsure)
        self.assertTrue(lines[6]["proposed"])
        self.assertNotIn("proposed", lines[0])
        for number in (6, 9, 10):
            self.assertTrue([doubt for doubt in unsure if doubt["line"] == number], number)
        self.assertEqual(
            self.ok("assess", self.file("read.json", found["recipe"]))["ratios"]["chocolate_to_butter"] is None, False
        )

    def test_a_page_in_json_ld(self) -> None:
        page = {"@graph": [{"@type": "WebPage"}, {"@type": ["Recipe"], "name": "Dome fudge"}]}
        page["@graph"][1]["recipeIngredient"] = ["397g tin condensed milk", "400 g dark chocolate (70%)"]  # type: ignore[assignment]
        page["@graph"][1]["recipeInstructions"] = [{"@type": "HowToStep", "text": "Melt together."}]  # type: ignore[assignment]
        found = self.ok("read", self.file("page.json", page))["recipe"]
        self.assertEqual((found["name"], found["family"]), ("Dome fudge", "condensed-milk-fudge"))
        self.assertEqual([line["ingredient"] for line in found["lines"]], ["condensed_sweet", "dark70"])
        self.assertEqual([step["text"] for step in found["steps"]], ["Melt together."])

    def test_refusals(self) -> None:
        self.assertEqual(self.refused("read", "-", stdin=b"Lorem ipsum")["field"], "file")
        self.assertEqual(self.refused("read", "-", stdin=b"\xff\xfe")["field"], "file")
        self.assertEqual(self.refused("read", "-", "--measure", "mars", stdin=b"200 g cream")["field"], "measure")


class Learn(CommandLine):
    LOG: ClassVar[dict[str, Any]] = {
        "format": "hearth-bowl/log",
        "version": 1,
        "now": "2026-09-01T12:00",
        "entries": [
            {"what": "cooling:fridge", "predicted": 75, "observed": 98, "at": "2026-08-01T20:00", "by": "instrument"},
            {"what": "cooling:fridge", "predicted": 60, "observed": 80, "at": "2026-08-11T20:00", "by": "feel"},
            {"what": "thermometer:stick", "predicted": 98.9, "observed": 99.6},
        ],
    }

    def learned(self, **changes: Any) -> Any:
        return self.ok("learn", self.file("log.json", {**self.LOG, **changes}))["corrections"]

    def test_factors_and_offsets_with_their_bands(self) -> None:
        cooling, stick = self.learned()
        self.assertEqual((cooling["what"], cooling["entries"], cooling["left_out"]), ("cooling:fridge", 2, 0))
        self.assertTrue(1.1 < cooling["low"] * 1.3 < cooling["factor"] < 1.34 < cooling["high"])
        self.assertTrue(0.4 < stick["offset"] < 0.7)
        self.assertNotIn("factor", stick)
        later = self.learned(now="2031-09-01T12:00")[0]
        self.assertLess(later["factor"], cooling["factor"])
        self.assertEqual(self.learned(entries=[]), [])

    def test_refusals_name_the_entry(self) -> None:
        for change, field in (
            ({"what": "mood:cook"}, "entries[0].what"),
            ({"observed": "long"}, "entries[0].observed"),
            ({"observed": -5}, "entries[0].observed"),
            ({"at": "yesterday"}, "entries[0].at"),
            ({"by": "hearsay"}, "entries[0].by"),
        ):
            with self.subTest(field, change=change):
                log = {**self.LOG, "entries": [{**self.LOG["entries"][0], **change}]}
                self.assertEqual(self.refused("learn", self.file("log.json", log))["field"], field)
        self.assertEqual(self.refused("learn", self.file("log.json", {"format": "other"}))["field"], "format")


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
