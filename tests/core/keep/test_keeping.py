"""How long a mass keeps: its water and each of its ingredients have a say, and the shortest decides."""

import unittest
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.keep.eggs import raw_eggs
from hearth_bowl.core.keep.keeping import shortest
from hearth_bowl.core.recipe.recipe import FAMILIES
from tests.counts import trials
from tests.kitchen import recipe

ORDER = {"fridge": 0, "cool": 1, "room": 2}


def judged(family: str = "cream-ganache", **grams: float) -> Assessment:
    return assess(recipe(family, **grams))


class Keeps(unittest.TestCase):
    def test_the_shortest_decides_in_the_coldest_place_that_one_asks_for(self) -> None:
        dry = judged("filling", dark60=100).keeping
        cold = replace(dry, where="fridge", days_low=20, days_high=40)
        short = replace(dry, days_low=5, days_high=9)
        self.assertEqual(dry.where, "room")
        found = shortest([dry, short, cold])
        self.assertEqual((found.days_low, found.days_high, found.where, found.use_by), (5, 9, "fridge", True))
        self.assertEqual(shortest([dry, short]).use_by, short.use_by)

    def test_raw_egg_of_no_weight_is_none(self) -> None:
        self.assertEqual(raw_eggs(recipe("filling", dark60=100, egg_yolk=20)), ("yolk",))
        self.assertEqual(raw_eggs(recipe("filling", dark60=100, egg_yolk=0)), ())

    def test_fat_preserves_nothing(self) -> None:
        before = judged(dark60=200, cream35=100)
        after = judged(dark60=200, cream35=100, ghee=80, cocoa_butter=60)
        self.assertAlmostEqual(before.water_activity.estimate or 0, after.water_activity.estimate or 0, delta=1e-3)
        self.assertEqual(before.keeping.where, after.keeping.where)
        for grams in ({"butter82": 100}, {"hazelnut_paste": 200, "milk_whole": 20}, {"dark60": 200, "butter82": 100}):
            self.assertNotEqual(judged("filling", **grams).keeping.where, "room")

    def test_raw_egg_is_eaten_within_two_days(self) -> None:
        for key, days in (("egg_white", 2), ("egg_yolk", 2), ("egg_white_pasteurised", 7)):
            kept = judged("marzipan", almond_whole=200, sugar_icing=200, **{key: 25}).keeping
            self.assertEqual((kept.where, kept.days_high), ("fridge", days))

    @settings(max_examples=trials(200), deadline=None)
    @given(
        st.dictionaries(st.sampled_from(sorted(LIBRARY)), st.floats(1, 400), min_size=1, max_size=6),
        st.sampled_from(sorted(FAMILIES)),
    )
    def test_no_mass_keeps_longer_than_the_shortest_rule_of_a_part(self, grams: dict[str, float], family: str) -> None:
        found = judged(family, **grams)
        high = found.water_activity.high
        limits = [
            (bound, place, days)
            for bound, place, days in (
                (0.92, "fridge", 7),
                (0.90, "fridge", 10),
                (0.85, "fridge", 14),
                (0.75, "cool", 21),
                (0.65, "cool", 42),
            )
            if high is not None and high >= bound
        ]
        if limits and family not in ("caramel", "fruit-jelly", "aerated", "hard-sugar"):
            self.assertLessEqual(found.keeping.days_high, limits[0][2])
            self.assertLessEqual(ORDER[found.keeping.where], ORDER[limits[0][1]])
        if family != "curd" and {"egg_white", "egg_yolk", "egg_whole"} & set(grams):
            self.assertLessEqual(found.keeping.days_high, 2)
        if {"cream_cheese", "mascarpone", "ricotta", "quark", "sour_cream", "yoghurt_greek"} & set(grams):
            self.assertLessEqual(found.keeping.days_high, 5)


if __name__ == "__main__":
    unittest.main()
