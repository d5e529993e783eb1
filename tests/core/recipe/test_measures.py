"""Kitchen measures, amounts as typed, and the checks of a recipe."""

import doctest
import importlib
import pkgutil
import unittest
from typing import Any

import hearth_bowl.core
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.measures import MEASURES_ML, UNITS, unit_g
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES, MAX_LINES, Line, checked_recipe
from hearth_bowl.core.recipe.typed_amount import read_amount
from hearth_bowl.core.recipe.weighing import in_spoons
from hearth_bowl.core.recipe.written.lines import checked_line
from hearth_bowl.core.recipe.written.typed import read_typed


class Units(unittest.TestCase):
    def test_masses(self) -> None:
        for unit, grams in (("g", 1), ("kg", 1000), ("mg", 0.001), ("oz", 28.3495), ("lb", 453.592)):
            self.assertAlmostEqual(unit_g(find("dark60"), unit), grams, places=3)

    def test_a_cup_by_country(self) -> None:
        cream = find("cream35")
        for measure, millilitres in (("metric", 250), ("us", 236.59), ("imperial", 284.13), ("au", 250)):
            self.assertAlmostEqual(unit_g(cream, "cup", measure), millilitres * 0.995)

    def test_pounds_are_sixteen_ounces(self) -> None:
        self.assertEqual((read_amount("1 lb 2 oz").amount, read_amount("2 pounds and 4 ounces").amount), (18, 36))

    def test_what_is_typed_is_read_as_what_is_written(self) -> None:
        for typed, amount, unit in (
            ("1,250 g", 1250, "g"), ("1 250 g", 1250, "g"), ("1,25 kg", 1.25, "kg"), ("a cup and a half", 1.5, "cup"),
            ("half a cup", 0.5, "cup"), ("1-1/2 tsp", 1.5, "tsp"), ("2 EL", 2, "tbsp"), ("1,250", 1250, "g"),
        ):  # fmt: skip
            found = read_typed(typed)
            self.assertEqual((found.amount, found.unit), (amount, unit), typed)
            written = checked_line(f"{typed if unit != 'g' or 'g' in typed else typed + ' g'} cream", "metric")
            self.assertAlmostEqual(written.amount or 0, amount, places=6, msg=typed)
        with self.assertRaises(BadInput):
            read_typed("-3 g")

    def test_spoons_come_within_five_per_cent_or_are_not_said(self) -> None:
        self.assertEqual(in_spoons(find("cream35"), 100, "metric"), "⅓ cup and 1 tbsp")
        self.assertEqual(in_spoons(find("vanilla_extract"), 5, "us"), "1 tsp and 1 pinch")
        parts = {"⅛": 0.125, "¼": 0.25, "⅓": 1 / 3, "½": 0.5, "⅔": 2 / 3, "¾": 0.75}
        for measure, sizes in MEASURES_ML.items():
            ml_of = {**sizes, "pinch": 0.3}
            for key in ("cream35", "honey", "sugar_caster", "cocoa_powder_21"):
                for grams in (2.0, 7.0, 23.0, 61.0, 137.0, 333.0, 802.0):
                    told = in_spoons(find(key), grams, measure)
                    if told is None:
                        continue
                    ml = 0.0
                    for one in told.split(" and "):
                        *figures, unit = one.split()
                        count = sum(parts[figure] if figure in parts else float(figure) for figure in figures)
                        ml += count * ml_of[unit.removesuffix("s")]
                    self.assertLessEqual(abs(ml * find(key).spoon_g_per_ml - grams), 0.0501 * grams, (key, grams, told))

    def test_four_tablespoons(self) -> None:
        sizes = [round(MEASURES_ML[measure]["tbsp"], 1) for measure in ("us", "metric", "imperial", "au")]
        self.assertEqual(sizes, [14.8, 15.0, 17.8, 20.0])

    def test_chips_weigh_less_by_the_cup_than_molten_chocolate_by_the_millilitre(self) -> None:
        chocolate = find("dark60")
        self.assertAlmostEqual(unit_g(chocolate, "cup"), 250 * 0.72)
        self.assertAlmostEqual(unit_g(chocolate, "ml"), 1.26)

    def test_loose_solids_are_measured_loose(self) -> None:
        self.assertAlmostEqual(unit_g(find("sugar_icing"), "ml"), 0.52)
        self.assertAlmostEqual(unit_g(find("salt"), "pinch"), 0.36)

    def test_drops_and_fluid_ounces_are_poured(self) -> None:
        self.assertAlmostEqual(unit_g(find("vanilla_extract"), "drop"), 0.048)
        self.assertAlmostEqual(unit_g(find("vanilla_extract"), "floz", "us"), 29.574 * 0.96)

    def test_a_stick_is_butter_and_counted_things_need_a_weight(self) -> None:
        self.assertEqual(unit_g(find("butter82"), "stick"), 113.4)
        self.assertEqual(unit_g(find("condensed_sweet"), "tin", pack_g=397), 397)
        self.assertEqual(unit_g(find("egg_white"), "piece", piece_g=33), 33)
        for key, unit in (("dark60", "stick"), ("dark60", "bar"), ("condensed_sweet", "tin"), ("dates", "piece")):
            with self.subTest(unit), self.assertRaises(BadInput) as caught:
                unit_g(find(key), unit)
            self.assertEqual(caught.exception.field, ("unit",))


class Typed(unittest.TestCase):
    def test_as_cooks_type(self) -> None:
        cases = {
            "340 g": (340, None, "g"),
            "2 1/2 cups": (2.5, None, "cup"),
            "½ tsp": (0.5, None, "tsp"),
            "2,5 dl": (250, None, "ml"),
            "2 to 3 cl": (20, 30, "ml"),
            "1 lb 2 oz": (18, None, "oz"),
            "½ tin": (0.5, None, "tin"),
            "1½ tbsp": (1.5, None, "tbsp"),
            "1,5 kg": (1.5, None, "kg"),
            ".5 l": (0.5, None, "l"),
            "2 to 3 tablespoons": (2, 3, "tbsp"),
            "2–3 tbsp": (2, 3, "tbsp"),
            "250g": (250, None, "g"),
            "4 fl oz": (4, None, "floz"),
            "1 can": (1, None, "tin"),
            "12": (12, None, "ml"),
        }
        for text, (amount, high, unit) in cases.items():
            with self.subTest(text):
                found = read_amount(text, unit_now="ml")
                self.assertEqual((found.amount, found.amount_high, found.unit), (amount, high, unit))

    def test_the_size_of_what_is_counted(self) -> None:
        found = read_amount("3 bars of 100 g")
        self.assertEqual((found.amount, found.unit, found.size_g), (3, "bar", 100))

    def test_what_is_no_amount_is_refused(self) -> None:
        for text in ("", "some", "-3 g", "3 T", "1/0 cup", "3 furlongs", "1e3 g", "NaN", "٣ g g", "9" * 500):
            with self.subTest(text), self.assertRaises(BadInput) as caught:
                read_amount(text)
            self.assertEqual(caught.exception.field, ("typed",))

    def test_every_unit_of_the_contract_can_be_typed(self) -> None:
        for unit in UNITS:
            self.assertEqual(read_amount(f"1 {unit}").unit, unit)


class CheckedRecipe(unittest.TestCase):
    def made(self, **changes: Any) -> Any:
        line = Line(ingredient=find("dark60"), amount=100)
        return checked_recipe(**{"name": "T", "family": "filling", "use": None, "lines": [line], **changes})

    def test_refusals_name_the_field(self) -> None:
        dark = find("dark60")
        cases: tuple[tuple[dict[str, Any], tuple[str | int, ...]], ...] = (
            ({"family": "toffee"}, ("family",)),
            ({"use": "throw"}, ("use",)),
            ({"lines": []}, ("lines",)),
            ({"lines": [Line(ingredient=dark, amount=1)] * (MAX_LINES + 1)}, ("lines",)),
            ({"lines": [Line(ingredient=dark, amount=0)]}, ("lines",)),
            ({"lines": [Line(ingredient=dark, amount=1e-300)]}, ("lines",)),
            ({"lines": [Line(ingredient=dark, amount=-1)]}, ("lines", 0, "amount")),
            ({"lines": [Line(ingredient=dark, amount=float("nan"))]}, ("lines", 0, "amount")),
            ({"lines": [Line(ingredient=dark, amount=float("inf"))]}, ("lines", 0, "amount")),
            ({"lines": [Line(ingredient=dark, amount=1e308)]}, ("lines", 0, "amount")),
            ({"lines": [Line(ingredient=dark, amount=3, amount_high=2)]}, ("lines", 0, "amount_high")),
            ({"lines": [Line(ingredient=dark, amount=1, unit="yard")]}, ("lines", 0, "unit")),
            ({"lines": [Line(ingredient=dark, amount=1, unit="cup", measure="old")]}, ("lines", 0, "measure")),
            ({"name": " "}, ("name",)),
            ({"name": "x" * 201}, ("name",)),
            ({"name": "a\x00b"}, ("name",)),
        )
        for change, field in cases:
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                self.made(**change)
            self.assertEqual(caught.exception.field, field)

    def test_any_script_and_sign_makes_a_name(self) -> None:
        for name in ("كراميل الليل", "🔭 Ganache", "  Nougat à l’étoile "):
            self.assertEqual(self.made(name=name).name, name.strip())

    def test_of_a_range_the_mean_counts(self) -> None:
        lines = [Line(ingredient=find("honey"), amount=2, amount_high=3, unit="tbsp")]
        self.assertAlmostEqual(self.made(lines=lines).mass_g, 2.5 * 15 * 1.42)

    def test_families_and_uses_of_the_contract(self) -> None:
        self.assertEqual(len(FAMILIES), 19)
        aims = {use: aim for use, aim in AIMED_INDEX.items() if aim is not None}
        self.assertEqual(
            aims,
            {
                "pour": 0.3,
                "glaze": 1,
                "dollop": 1.6,
                "fill-shell": 1.8,
                "pipe": 2,
                "coat-cake": 3,
                "roll": 3,
                "cut": 3.8,
            }
            | {"frame": 2.5},
        )


class Examples(unittest.TestCase):
    def test_the_examples_in_docstrings_hold(self) -> None:
        for module in pkgutil.walk_packages(hearth_bowl.core.__path__, "hearth_bowl.core."):
            result = doctest.testmod(importlib.import_module(module.name))
            self.assertEqual(result.failed, 0, module.name)
