"""Composition, density, energy, ratios and allergens of a recipe: the worked example, and sums that close."""

import unittest

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.bowl import bowl_layers
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.ratios import main_liquid, ratios
from tests.kitchen import R1, bowl, recipe


class WorkedExample(unittest.TestCase):
    """240 g dark60, 130 g cream38, 20 g honey, 15 g butter82; half a unit of the last digit printed."""

    def setUp(self) -> None:
        self.assessment = assess(recipe(**R1))
        self.grams = self.assessment.mixture.grams

    def test_grams_of_each_component(self) -> None:
        printed = {
            "water": 81.1,
            "cocoa_butter": 91.2,
            "milk_fat": 61.7,
            "cocoa_nonfat": 50.9,
            "sucrose": 95.1,
            "lactose": 3.9,
            "glucose": 6.2,
            "fructose": 7.6,
            "msnf": 3.7,
        }
        for name, grams in printed.items():
            self.assertAlmostEqual(self.grams[name], grams, delta=0.0501, msg=name)
        self.assertAlmostEqual(self.grams["maltose"] + self.grams["higher"], 1.8, delta=0.05)

    def test_alcohol_is_by_mass_of_the_whole(self) -> None:
        spirit = find("spirit40").composition_pct["ethanol"]
        self.assertAlmostEqual(assess(recipe(dark60=100, spirit40=20)).alcohol_pct, 20 * spirit / 120, places=6)

    def test_figures(self) -> None:
        self.assertAlmostEqual(self.assessment.mass_g, 405, places=9)
        self.assertAlmostEqual(self.assessment.composition_pct["water"], 20.0, delta=0.05)
        self.assertAlmostEqual(self.assessment.fat_pct, 37.8, delta=0.05)
        self.assertAlmostEqual(self.assessment.energy_kcal_per_100g, 490, delta=0.5)
        self.assertAlmostEqual(self.assessment.density_g_per_ml, 1.148, delta=0.0005)
        self.assertAlmostEqual(self.assessment.sweetness_pct, 27, delta=0.5)
        self.assertEqual(self.assessment.allergens, ("milk", "soya"))


class Sums(unittest.TestCase):
    def test_component_grams_and_bowl_layers_sum_to_the_mass(self) -> None:
        made = recipe(white32=350, cream35=110, spirit40=12, raspberry_puree=20, salt=1, glycerol=4)
        mixture = mix(made)
        self.assertAlmostEqual(mixture.mass_g, made.mass_g, places=6)
        self.assertAlmostEqual(sum(layer.grams for layer in bowl_layers(mixture)), made.mass_g, places=6)

    def test_sweetness_of_single_things_is_as_printed(self) -> None:
        printed = {"dark60": 39.5, "milk33": 47, "white28": 51, "glucose_syrup40": 25, "golden_syrup": 77}
        for key, sweetness in printed.items():
            self.assertAlmostEqual(bowl(**{key: 10}).sweetness_pct, sweetness, delta=0.51, msg=key)

    def test_a_line_of_nothing_changes_nothing_not_even_the_allergens(self) -> None:
        with_nothing = assess(recipe(**R1, hazelnut_paste=0, spirit40=0))
        self.assertEqual(with_nothing, assess(recipe(**R1)))


class Ratios(unittest.TestCase):
    def test_chocolate_and_compound_over_each_liquid(self) -> None:
        found = ratios(recipe(dark60=200, compound_dark=100, cream35=150, butter82=30))
        self.assertAlmostEqual(found.chocolate_to_cream or 0, 2)
        self.assertAlmostEqual(found.chocolate_to_butter or 0, 10)
        self.assertIsNone(found.chocolate_to_condensed_milk)

    def test_the_ratio_is_of_cream_then_condensed_milk_then_butter(self) -> None:
        self.assertEqual(main_liquid(recipe(dark60=1, butter82=1, cream35=1, condensed_sweet=1)), "cream")
        self.assertEqual(main_liquid(recipe(dark60=1, butter82=1, condensed_sweet=1)), "condensed-milk")
        self.assertEqual(main_liquid(recipe(dark60=1, butter82=1)), "butter")
        self.assertIsNone(main_liquid(recipe(cream35=1, butter82=1)))
        self.assertIsNone(main_liquid(recipe(dark60=1, water=1)))
