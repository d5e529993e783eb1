"""Water activity and solubility: published values, the worked examples, the estimate of the contract."""

import unittest

from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.solution import dissolve, lactose_solubility_g_per_g, sucrose_solubility_pct
from hearth_bowl.core.mass.water_activity import (
    WATER_G_PER_MOL,
    bound_water_g,
    damped_activity,
    dissolved_solutes,
    estimate_water_activity,
    filling_water_activity,
    model_water_activity,
    plain_activity,
)
from hearth_bowl.core.recipe.recipe import Recipe
from tests.kitchen import R1, bowl, recipe


def plain_of(**grams: float) -> float:
    found = model_water_activity(bowl(**grams))
    assert found is not None
    return found


def sucrose_solution(pct: float) -> dict[str, float]:
    sugar = pct / 0.9995
    return {"sugar_caster": sugar, "water": 100 - sugar}


class Plain(unittest.TestCase):
    def test_sucrose_solutions_as_worked(self) -> None:
        self.assertAlmostEqual(plain_of(**sucrose_solution(30)), 0.9749, delta=0.00005)
        self.assertAlmostEqual(plain_of(**sucrose_solution(50)), 0.9348, delta=0.00005)

    def test_sucrose_by_molality_agrees_with_osmotic_coefficients(self) -> None:
        # a_w = exp(-phi m M_w); phi of sucrose at 25 °C after Robinson and Stokes
        for molality, phi in ((1.0, 1.094), (2.0, 1.194), (3.0, 1.295), (4.0, 1.389), (5.0, 1.474)):
            sugar_g = molality * 342.30 / 0.9995
            published = 2.718281828 ** (-phi * molality * 0.0180153)
            self.assertAlmostEqual(plain_of(sugar_caster=sugar_g, water=1000), published, delta=0.0025)

    def test_reference_recipe(self) -> None:
        mixture = bowl(**R1)
        self.assertAlmostEqual(mixture.grams["water"] / WATER_G_PER_MOL, 4.501, delta=0.0005)
        self.assertAlmostEqual(plain_of(**R1), 0.893, delta=0.0005)
        damped = damped_activity(mixture.grams["water"] / WATER_G_PER_MOL, dissolved_solutes(mixture, 20))
        self.assertAlmostEqual(damped, 0.893, delta=0.0005)

    def test_known_syrups_read_as_published(self) -> None:
        for key, low, high in (
            ("glucose_syrup40", 0.73, 0.80),
            ("glucose_syrup60", 0.64, 0.72),
            ("honey", 0.555, 0.60),
            ("jam", 0.80, 0.85),
            ("maple_syrup", 0.83, 0.87),
            ("fondant_made", 0.76, 0.84),
            ("condensed_sweet", 0.845, 0.87),
        ):
            with self.subTest(key):
                self.assertGreaterEqual(plain_of(**{key: 100}), low)
                self.assertLessEqual(plain_of(**{key: 100}), high)

    def test_fudge_with_twelve_per_cent_water_grained_or_not(self) -> None:
        fudge = bowl(sugar_granulated=450, milk_whole=75, butter82=60, glucose_syrup40=30)
        loose = plain_activity(fudge.grams["water"] / WATER_G_PER_MOL, dissolved_solutes(fudge, None))
        self.assertAlmostEqual(loose, 0.54, delta=0.01)
        self.assertAlmostEqual(model_water_activity(fudge) or 0, 0.83, delta=0.01)

    def test_damped_form_repairs_high_sugar_loads(self) -> None:
        saturated_glycerol = bowl(glycerol=72 / 0.995, water=28 - 72 * 0.005 / 0.995)
        mol = saturated_glycerol.grams["water"] / WATER_G_PER_MOL
        self.assertAlmostEqual(damped_activity(mol, dissolved_solutes(saturated_glycerol, 20)), 0.607, delta=0.004)


class Solubility(unittest.TestCase):
    def test_sucrose(self) -> None:
        self.assertAlmostEqual(sucrose_solubility_pct(30), 68.2, delta=0.05)
        self.assertAlmostEqual(sucrose_solubility_pct(20), 66.6, delta=0.05)
        self.assertEqual(sucrose_solubility_pct(-18), sucrose_solubility_pct(0))

    def test_lactose_table_and_between_by_logarithm(self) -> None:
        self.assertAlmostEqual(lactose_solubility_g_per_g(20), 0.191, places=9)
        self.assertAlmostEqual(lactose_solubility_g_per_g(90) ** 2, 1.04 * 1.57, places=9)
        self.assertAlmostEqual(lactose_solubility_g_per_g(100), 1.57, places=9)

    def test_white_chocolate_ganache_leaves_sugar_undissolved(self) -> None:
        mixture = bowl(white32=350, cream35=110)
        held = dissolve(mixture, 20)
        self.assertAlmostEqual(mixture.grams["sucrose"], 155.8, delta=0.0501)
        self.assertAlmostEqual(mixture.grams["water"], 67.5, delta=0.05)
        self.assertAlmostEqual(held.sucrose_g, 133.7, delta=0.05)
        self.assertAlmostEqual(model_water_activity(mixture) or 0, 0.835, delta=0.0005)

    def test_condensed_milk_holds_its_lactose_crystals(self) -> None:
        self.assertGreater(dissolve(bowl(condensed_sweet=100), 20).lactose_crystals_g, 8)
        self.assertLess(dissolve(bowl(condensed_sweet=100), 20).lactose_crystals_g, 9)

    def test_a_saturated_half_invert_syrup_holds_three_quarters_of_solids(self) -> None:
        syrup = bowl(sugar_caster=400, invert_syrup=100, water=40)
        held = dissolve(syrup, 20)
        sugars = held.sucrose_g + syrup.grams["glucose"] + syrup.grams["fructose"]
        self.assertGreater(sugars / (sugars + syrup.grams["water"]), 0.72)
        self.assertLess(sugars / (sugars + syrup.grams["water"]), 0.78)


class Estimate(unittest.TestCase):
    def made(self, kitchen: Recipe, water_free: bool = False) -> tuple[float, float, float]:
        found = estimate_water_activity(mix(kitchen), kitchen.family, water_free)
        assert found.estimate is not None
        assert found.low is not None
        assert found.high is not None
        return found.low, found.estimate, found.high

    def test_reference_recipe_with_bound_water_is_about_87(self) -> None:
        low, estimate, high = self.made(recipe(**R1))
        self.assertAlmostEqual(estimate, 0.87, delta=0.005)
        self.assertAlmostEqual(high - estimate, 0.03, places=9)
        self.assertAlmostEqual(estimate - low, 0.03, places=9)

    def test_water_that_solids_bind_is_never_over_half(self) -> None:
        self.assertAlmostEqual(bound_water_g(bowl(cocoa_powder_11=100, water=10)), 7, delta=1e-9)
        r1 = bowl(**R1).grams
        expected = 0.14 * (r1["cocoa_nonfat"] + r1["other"]) + 0.16 * r1["msnf"]
        self.assertAlmostEqual(bound_water_g(bowl(**R1)), expected, places=12)

    def test_fudge_lies_between_grained_and_not(self) -> None:
        fudge = {"sugar_granulated": 450.0, "milk_whole": 75.0, "butter82": 60.0, "glucose_syrup40": 30.0}
        low, estimate, high = self.made(recipe("boiled-fudge", **fudge))
        self.assertAlmostEqual(low, filling_water_activity(bowl(**fudge), None), places=12)
        self.assertAlmostEqual(high, filling_water_activity(bowl(**fudge)), places=12)
        self.assertAlmostEqual(estimate, (low + high) / 2, places=12)
        self.assertGreater(high - low, 0.2)

    def test_water_free_masses_take_typical_values_and_dry_ones_none(self) -> None:
        self.assertEqual(self.made(recipe(gianduja=100), water_free=True), (0.30, 0.45, 0.60))
        dry = estimate_water_activity(bowl(sunflower_oil=1), "filling", True)
        self.assertEqual((dry.estimate, dry.low, dry.high, dry.model), (None, None, None, None))
