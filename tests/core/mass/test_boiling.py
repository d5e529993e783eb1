"""Boiling by the handbook's worked examples and laws: same solids on a mountain, more water at a lower end."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import (
    SEA_LEVEL_KPA,
    boil,
    boiling_c,
    boiling_solutes,
    cook_to,
    cook_to_water_pct,
    cook_until_lost,
    pressure_kpa,
    water_boils_c,
)
from hearth_bowl.core.mass.cooking import cook_plan, finished_water_pct, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.sugar_stages import STAGES_C, same_solids_c, stage_at, thermometer
from hearth_bowl.core.mass.water_activity import SOLUTES, Solute
from tests.kitchen import bowl, recipe

FUDGE = bowl(sugar_granulated=450, milk_whole=300, butter82=60, glucose_syrup40=30)
temperatures = st.floats(104, 130)
altitudes = st.floats(0, 3000)


def sucrose(grams: float) -> list[Solute]:
    return [Solute(grams / SOLUTES["sucrose"].molar_mass_g_per_mol, SOLUTES["sucrose"].norrish_k)]


class Worked(unittest.TestCase):
    def test_sucrose_syrups(self) -> None:
        table = {
            10: 100.1,
            20: 100.4,
            30: 100.7,
            50: 101.8,
            60: 102.9,
            70: 105.0,
            80: 109.4,
            90: 122.4,
            92: 127.8,
            97: 149.4,
        }
        for pct, expected in table.items():
            with self.subTest(pct=pct):
                found = boiling_c(100 - pct, sucrose(pct), SEA_LEVEL_KPA)
                self.assertAlmostEqual(found, expected, delta=0.051)
        self.assertAlmostEqual(boiling_c(18, sucrose(82), SEA_LEVEL_KPA), 110.96, delta=0.006)

    def test_water_by_altitude(self) -> None:
        table = {0: 99.97, 250: 99.14, 500: 98.31, 1000: 96.65, 1500: 94.98, 2000: 93.32, 2500: 91.64, 3000: 89.97}
        for altitude_m, expected in table.items():
            self.assertAlmostEqual(water_boils_c(pressure_kpa(altitude_m)), expected, delta=0.0051)
        self.assertAlmostEqual(boil(bowl(water=100), SEA_LEVEL_KPA).boiling_c, 99.97, delta=0.0051)

    def test_fudge_by_its_end_temperature(self) -> None:
        for to_c, water_g, pct, finished_g in (
            (112, 98.7, 14.9, 660),
            (114, 85.8, 13.3, 647),
            (115, 80.4, 12.5, 642),
            (116, 75.7, 11.9, 637),
            (118, 67.5, 10.7, 629),
        ):
            with self.subTest(to_c=to_c):
                cooked = cook_to(FUDGE, to_c, SEA_LEVEL_KPA)
                self.assertAlmostEqual(cooked.water_left_g, water_g, delta=0.051)
                self.assertAlmostEqual(cooked.water_left_pct, pct, delta=0.051)
                self.assertAlmostEqual(cooked.finished_g, finished_g, delta=0.51)

    def test_the_end_is_a_water_content(self) -> None:
        table = {0.8: (101.7, 114.2), 1.5: (103.5, 115.6), 3: (107.8, 116.5), 6: (116.8, 117.0)}
        for sugar_to_milk, (starts_c, ends_c) in table.items():
            pan = bowl(sugar_granulated=100 * sugar_to_milk, milk_whole=100, butter82=15)
            found = cook_to_water_pct(pan, 12.5, SEA_LEVEL_KPA)
            self.assertAlmostEqual(boil(pan, SEA_LEVEL_KPA).boiling_c, starts_c, delta=0.1)
            self.assertAlmostEqual(found.to_c, ends_c, delta=0.1)
        condensed = bowl(condensed_sweet=395, butter82=20, cocoa_powder_11=30)
        for pct, ends_c in ((22, 105.5), (20, 106.4), (18, 107.4)):
            self.assertAlmostEqual(cook_to_water_pct(condensed, pct, SEA_LEVEL_KPA).to_c, ends_c, delta=0.06)
        dry = cook_to_water_pct(condensed, 30, SEA_LEVEL_KPA)
        self.assertEqual((dry.evaporated_g, dry.to_c), (0, boil(condensed, SEA_LEVEL_KPA).boiling_c))

    def test_what_is_boiled_has_its_own_usual_end(self) -> None:
        for family, pct, grams in (
            ("boiled-fudge", 12.5, {"sugar_granulated": 450, "milk_whole": 300}),
            ("fondant", 12, {"sugar_granulated": 800, "water": 300}),
            ("filling", 8.5, {"sugar_granulated": 400, "glucose_syrup40": 300, "cream35": 400, "butter82": 50}),
            ("filling", 20, {"condensed_sweet": 395, "butter82": 20, "cocoa_powder_11": 30}),
        ):
            made = recipe(family, stage="boil", **grams)
            self.assertEqual(finished_water_pct(made), pct)
            plan = cook_plan(made, Kitchen())
            self.assertGreater(plan.cooked.to_c, plan.now.boiling_c)
            self.assertAlmostEqual(100 * plan.cooked.water_left_g / plan.cooked.finished_g, pct)
            high = cook_plan(made, Kitchen(altitude_m=1500))
            self.assertAlmostEqual(high.cooked.water_left_g, plan.cooked.water_left_g)
            self.assertLess(high.cooked.to_c, plan.cooked.to_c - 4)
        cream = recipe("cream-ganache", stage="boil", cream35=200, dark60=300)
        self.assertFalse(is_cooked_down(cream))

    def test_water_lost_between_two_temperatures(self) -> None:
        syrup = bowl(sugar_granulated=1000, water=400)
        at_112, at_118 = (cook_to(syrup, to_c, SEA_LEVEL_KPA).water_left_g for to_c in (112, 118))
        self.assertAlmostEqual(at_112, 202.6, delta=0.051)
        self.assertAlmostEqual(at_118, 139.0, delta=0.051)

    def test_a_stop_on_a_mountain_by_its_own_dial(self) -> None:
        kpa = pressure_kpa(1000)
        tested = thermometer(97.7, kpa)
        self.assertAlmostEqual(tested.offset_c, 1.05, delta=0.0051)
        self.assertAlmostEqual(same_solids_c(116, kpa), 112.4, delta=0.051)
        self.assertAlmostEqual(tested.on_dial(same_solids_c(116, kpa)), 113.5, delta=0.051)

    def test_other_sugars_at_80_per_cent(self) -> None:
        invert = bowl(sugar_granulated=60 - 20 * 5 / 72, invert_syrup=2000 / 72, water=20 - 20 * 23 / 72)
        self.assertAlmostEqual(boil(invert, SEA_LEVEL_KPA).boiling_c, 110.3, delta=0.06)
        syrup = bowl(sugar_granulated=60, glucose_syrup40=20 / 0.805, water=20 - 20 / 0.805 * 0.195)
        self.assertAlmostEqual(boil(syrup, SEA_LEVEL_KPA).boiling_c, 108.7, delta=0.06)


class Laws(unittest.TestCase):
    @given(temperatures, temperatures)
    def test_more_water_is_left_at_a_lower_end_temperature(self, first_c: float, second_c: float) -> None:
        low, high = sorted((first_c, second_c))
        left = [cook_to(FUDGE, to_c, SEA_LEVEL_KPA).water_left_g for to_c in (low, high)]
        self.assertGreaterEqual(left[0], left[1])

    @given(temperatures, altitudes)
    def test_what_is_left_boils_there(self, to_c: float, altitude_m: float) -> None:
        kpa = pressure_kpa(altitude_m)
        cooked = cook_to(FUDGE, to_c, kpa)
        self.assertAlmostEqual(boiling_c(cooked.water_left_g, boiling_solutes(FUDGE), kpa), to_c, places=6)
        self.assertAlmostEqual(cooked.finished_g + cooked.evaporated_g, FUDGE.mass_g)

    @given(st.floats(1, 3000))
    def test_the_same_solids_boil_lower_on_a_mountain(self, altitude_m: float) -> None:
        for name, (low, high) in STAGES_C.items():
            there = stage_at(name, pressure_kpa(altitude_m))
            if high < 155:
                self.assertLess(there[0], low)
                self.assertLess(there[1], high)
            if low >= 155:
                self.assertEqual(there, (low, high))

    @given(st.floats(1, 300))
    def test_fat_changes_nothing_at_the_boil(self, grams: float) -> None:
        fatter = FUDGE.plus(bowl(cocoa_butter=grams))
        self.assertAlmostEqual(
            cook_to(fatter, 115, SEA_LEVEL_KPA).water_left_g, cook_to(FUDGE, 115, SEA_LEVEL_KPA).water_left_g
        )


class MassLost(unittest.TestCase):
    @given(temperatures)
    def test_the_same_by_degrees_and_by_the_scale(self, to_c: float) -> None:
        by_degrees = cook_to(FUDGE, to_c, SEA_LEVEL_KPA)
        by_scale = cook_until_lost(FUDGE, by_degrees.evaporated_g, SEA_LEVEL_KPA)
        self.assertAlmostEqual(by_scale.to_c, to_c, places=5)
        self.assertAlmostEqual(by_scale.water_left_g, by_degrees.water_left_g, places=5)


class Refusals(unittest.TestCase):
    def test_by_what_cannot_be(self) -> None:
        for act, field in (
            (lambda: boil(bowl(cocoa_butter=100), SEA_LEVEL_KPA), "lines"),
            (lambda: boil(FUDGE, 20), "pressure_kpa"),
            (lambda: cook_to(FUDGE, 99, SEA_LEVEL_KPA), "to_c"),
            (lambda: cook_to(FUDGE, 101, SEA_LEVEL_KPA), "to_c"),
            (lambda: cook_to(FUDGE, 200, SEA_LEVEL_KPA), "to_c"),
            (lambda: cook_until_lost(FUDGE, 500, SEA_LEVEL_KPA), "lost_g"),
            (lambda: cook_until_lost(FUDGE, -1, SEA_LEVEL_KPA), "lost_g"),
            (lambda: cook_to(bowl(water=100, sunflower_oil=5), 110, SEA_LEVEL_KPA), "lines"),
            (lambda: cook_to(bowl(spirit40=100), 90, SEA_LEVEL_KPA), "lines"),
            (lambda: pressure_kpa(9000), "altitude_m"),
            (lambda: thermometer(94, SEA_LEVEL_KPA), "thermometer_in_boiling_water_c"),
            (lambda: stage_at("tender-ball", SEA_LEVEL_KPA), "stage"),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as refused:
                act()
            self.assertEqual(refused.exception.field[0], field)
