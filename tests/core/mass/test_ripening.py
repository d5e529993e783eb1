"""Ripening by the handbook's worked figures and laws."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.bench.family_readings import family_readings
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.ripening import WORDS, after_days, invert, rate_per_day, ripen
from hearth_bowl.core.mass.water_activity import model_water_activity
from hearth_bowl.core.quantities import plain
from hearth_bowl.core.solve.starters import starter
from tests.kitchen import bowl, recipe

FONDANT = bowl(fondant_made=400)


class Worked(unittest.TestCase):
    def test_half_of_thirty_grams(self) -> None:
        before = bowl(sugar_granulated=30.015, water=100)
        grams = invert(before, 15).grams
        self.assertAlmostEqual(grams["sucrose"], 15.0, delta=0.01)
        self.assertAlmostEqual(grams["glucose"], 7.89, delta=0.006)
        self.assertAlmostEqual(grams["fructose"], 7.89, delta=0.006)
        self.assertAlmostEqual(before.grams["water"] - grams["water"], 0.79, delta=0.006)

    def test_half_times(self) -> None:
        self.assertAlmostEqual(0.6931 / rate_per_day(0.1, 20), 15.4, delta=0.05)
        self.assertAlmostEqual(0.6931 / rate_per_day(0.1, 22), 13.6, delta=0.06)
        for at_c, factor in ((4, 0.34), (12, 0.60), (16, 0.77), (25, 1.36), (30, 1.84)):
            self.assertAlmostEqual(rate_per_day(0.1, at_c) / rate_per_day(0.1, 20), factor, delta=0.006)
        self.assertEqual(rate_per_day(0.1, 20, 45), 0)
        self.assertEqual(rate_per_day(0.1, -18), 0)

    def test_days_to_each_word(self) -> None:
        table = {
            (16, 0.1): (5.7, 17, 40),
            (16, 0.3): (1.9, 5.8, 13),
            (20, 0.1): (4.2, 13, 31),
            (20, 0.2): (2.1, 6.7, 15),
            (25, 0.2): (1.4, 4.8, 11),
            (25, 0.3): (0.9, 3.2, 7),
        }
        for (at_c, dose_pct), wanted in table.items():
            days = ripen(FONDANT, dose_pct, at_c).days
            for word, middle in zip(WORDS, wanted, strict=True):
                low, found, high = days[word] or (0, 0, 0)
                self.assertAlmostEqual(found / middle, 1, delta=0.07, msg=f"{at_c} {dose_pct} {word}")
                self.assertEqual((low, high), (found / 2, found * 2))

    def test_a_cooked_fondant_ripens_by_its_finished_water(self) -> None:
        syrup = recipe("fondant", sugar_granulated=800, glucose_syrup40=200, water=300)
        found = ripen(finished_or_none(syrup, Kitchen(), 117.0) or FONDANT, 0.2, 20)
        self.assertAlmostEqual((found.days["creamy"] or (0, 0, 0))[1], 5.9, delta=0.05)
        self.assertEqual(ripen(bowl(sugar_granulated=60, water=40)).days["loose"], (0, 0, 0))
        self.assertIsNone(ripen(FONDANT, 0.2, -18).days["loose"])


class Laws(unittest.TestCase):
    @given(st.floats(0, 40), st.floats(0.02, 0.5))
    def test_mass_stays_and_water_activity_falls(self, days: float, dose_pct: float) -> None:
        now = after_days(FONDANT, days, dose_pct, 20)
        self.assertAlmostEqual(now.mass_g, FONDANT.mass_g, delta=0.1)
        before, after = model_water_activity(FONDANT), model_water_activity(now)
        assert before is not None and after is not None
        self.assertLessEqual(after, before + 1e-9)

    def test_more_of_it_and_warmth_are_quicker(self) -> None:
        once, twice, cold = (ripen(FONDANT, dose, at_c).days for dose, at_c in ((0.1, 20), (0.2, 20), (0.2, 5)))
        for word in WORDS:
            one, two, slow = once[word], twice[word], cold[word]
            assert one and two and slow
            self.assertAlmostEqual(one[1] / two[1], 2)
            self.assertLess(two[1], slow[1])


class Shown(unittest.TestCase):
    def shown(self, family: str, **grams: float) -> str:
        found = family_readings(recipe(family=family, **grams), Kitchen())
        return " ".join(f"{reading.title} {reading.shown} {reading.unit} {reading.words}" for reading in found)

    def test_a_fondant_says_when_it_is_loose(self) -> None:
        self.assertIn("Creamy centre about 13 days", self.shown("fondant", fondant_made=400, invertase=0.4))
        self.assertIn("dose 0.10 %", self.shown("fondant", fondant_made=400, invertase=0.4))

    def test_a_fudge_says_what_to_cook_to_here_and_on_the_dial(self) -> None:
        fudge = starter("boiled-fudge", "cut")
        sea = family_readings(fudge, Kitchen())[0]
        hill = family_readings(fudge, Kitchen(altitude_m=1500, thermometer_in_boiling_water_c=94.0))[0]
        self.assertEqual(plain(sea.shown), "115.0 °C")
        self.assertEqual(hill.unit, "here")
        self.assertLess(float(plain(hill.shown).split()[0]), 111)
        self.assertIn("On your dial", hill.words)

    def test_what_cannot_boil_says_why(self) -> None:
        self.assertIn("no water", self.shown("boiled-fudge", butter82=0, cocoa_butter=100))

    def test_a_whipped_ganache_counts_the_late_cream(self) -> None:
        made = family_readings(starter("whipped-ganache", "whip"), Kitchen())[0]
        self.assertEqual(made.shown, f"{140 / 360:.2f} to 1")
        self.assertIn(f"{140 / 110:.2f} to 1", made.words)

    def test_modelling_says_when_the_syrup_does_not_suit_the_chocolate(self) -> None:
        self.assertIn("About right", self.shown("modelling", dark60=300, glucose_syrup40=135))
        self.assertIn("sticky", self.shown("modelling", white28=300, glucose_syrup40=150))
        self.assertIn("crack", self.shown("modelling", dark60=300, glucose_syrup40=60))
