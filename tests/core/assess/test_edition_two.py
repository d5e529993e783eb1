"""Rules of the second edition: pieces keep their body, fat preserves nothing, little water seizes, what can split."""

import unittest

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.bench.offers import split_offer
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.little_water import little_water, rescue_g
from hearth_bowl.core.recipe.recipe import FAMILIES
from tests.kitchen import R1, recipe


def judged(family: str = "cream-ganache", **grams: float) -> Assessment:
    return assess(recipe(family, **grams))


class WaterActivity(unittest.TestCase):
    def test_worked_estimates(self) -> None:
        cases = (
            (R1, (0.841, 0.871, 0.901)),
            ({"dark60": 200, "butter82": 100}, (0.776, 0.806, 0.836)),
            ({"dark60": 100, "cream35": 60, "dextrose": 120}, (0.647, 0.756, 0.865)),
            ({"honey": 100}, (0.557, 0.587, 0.70)),
            ({"invert_syrup": 100}, (0.643, 0.673, 0.772)),
            ({"glucose_syrup60": 100}, (0.663, 0.693, 0.816)),
            ({"dark60": 100}, (0.30, 0.45, 0.60)),
        )
        for grams, expected in cases:
            found = judged(**grams).water_activity
            for value, printed in zip((found.low, found.estimate, found.high), expected, strict=True):
                self.assertAlmostEqual(value or 0, printed, delta=0.001, msg=str(grams))


class Pieces(unittest.TestCase):
    def test_whole_pieces_leave_the_binder_where_it_was(self) -> None:
        alone = judged(dark60=200, cream35=100)
        for key in ("hazelnut_whole", "biscuit_crumbs", "raisins", "marshmallows", "coconut_desiccated"):
            beside = judged(dark60=200, cream35=100, **{key: 90})
            for name in ("water_activity", "split", "undissolved_sugar_g"):
                self.assertEqual(getattr(alone, name), getattr(beside, name), (key, name))
            self.assertEqual(alone.set.index, beside.set.index)
            self.assertAlmostEqual(beside.mass_g, 390)
            self.assertGreater(beside.energy_kcal_per_100g, 100)

    def test_what_is_boiled_or_ground_with_the_mass_is_no_piece(self) -> None:
        dough = judged("marzipan", almond_whole=200, sugar_icing=200, honey=30)
        self.assertGreater(dough.mixture.fat_g, 90)
        self.assertIsNone(dough.mixture.pieces)


class LittleWater(unittest.TestCase):
    def test_zones_and_what_mends_them(self) -> None:
        cases = (
            ("filling", {"dark60": 200, "coffee_brewed": 10}, "seized"),
            ("filling", {"dark60": 200, "water": 0.5}, None),
            ("filling", {"dark60": 200, "water": 25}, "may-seize"),
            ("filling", {"dark60": 200, "water": 40}, None),
            ("filling", {"dark60": 200, "vanilla_extract": 5}, "seized"),
            ("filling", {"dark60": 200, "vanilla_extract": 5, "butter82": 100}, None),
            ("nut-paste", {"hazelnut_paste": 100, "honey": 10}, "dough"),
            ("nut-paste", {"hazelnut_paste": 100, "milk33": 60}, None),
            ("modelling", {"dark60": 200, "glucose_syrup40": 80}, None),
        )
        for family, grams, zone in cases:
            found = little_water(recipe(family, **grams))
            self.assertEqual(found.zone if found else None, zone, grams)
        seized = little_water(recipe("filling", dark60=200, coffee_brewed=10))
        assert seized is not None
        self.assertAlmostEqual(rescue_g(seized, find("cream35")), 51, delta=0.5)
        self.assertAlmostEqual(rescue_g(seized, find("water")), 30, delta=0.1)

    def test_a_seized_mass_has_no_class_and_its_rescue_ends_outside(self) -> None:
        for chocolate in ("dark60", "dark80", "milk33", "white28"):
            made = recipe("filling", **{chocolate: 200, "coffee_brewed": 12})
            found = little_water(made)
            assert found is not None
            self.assertIsNone(assess(made).set.class_)
            grams = rescue_g(found, find("cream35"))
            self.assertIsNone(
                little_water(recipe("filling", **{chocolate: 200, "coffee_brewed": 12, "cream35": grams}))
            )


class Split(unittest.TestCase):
    def test_only_emulsions_can_split(self) -> None:
        for family in ("marzipan", "nut-paste", "modelling", "fondant", "boiled-fudge", "dry-mix", "soft-cheese"):
            self.assertIsNone(judged(family, dark60=200, hazelnut_paste=100, cream35=40).split.band, family)
        self.assertEqual(judged(milk33=400, cream35=110).split.band, "fragile")
        self.assertIsNone(judged("filling", dark60=200, hazelnut_paste=100).split.band)

    def test_an_offer_is_worth_making(self) -> None:
        for family in FAMILIES:
            made = recipe(family, dark60=240, cream38=130, honey=20, butter82=15)
            self.assertIsNone(split_offer(made, assess(made)), family)
        fragile = recipe(milk33=400, cream35=110)
        offer = split_offer(fragile, assess(fragile))
        assert offer is not None and offer.add is not None
        self.assertAlmostEqual(offer.add.amount_g, 33, delta=1)


class Uses(unittest.TestCase):
    def test_warm_work_is_judged_by_how_it_rests(self) -> None:
        glaze = recipe(use="glaze", dark60=200, cream35=200)
        found = assess(glaze, 32).use
        assert found is not None
        self.assertEqual((found.state, found.rested), ("right", "right"))
        self.assertEqual([assess(glaze, at_c).use.state for at_c in (20, 38)], ["too-cool", "too-warm"])  # type: ignore[union-attr]
        self.assertTrue(formula(glaze, at_c=32).sentence.fits)
        firm = assess(recipe(use="glaze", dark60=300, cream35=120), 32).use
        self.assertEqual(firm.rested if firm else "", "firm")
        whipped = assess(recipe("whipped-ganache", use="whip", dark60=100, cream35=200), 10).use
        self.assertEqual((whipped.state, whipped.rested) if whipped else (), ("right", None))
        self.assertIsNone(assess(recipe(use="drink", dark60=100, cream35=200)).use)


class Words(unittest.TestCase):
    def test_all_liquid_counts_and_a_trace_is_no_drink(self) -> None:
        found = judged(white32=240, cream35=70, cream_liqueur17=41.8)
        self.assertAlmostEqual(found.ratios.chocolate_to_liquid or 0, 2.147, places=3)
        self.assertAlmostEqual(found.ratios.chocolate_to_cream or 0, 3.4286, places=3)
        self.assertIn("contains-alcohol", [caution.code for caution in found.warnings])
        cake = judged(dark60=250, cream35=195, vanilla_extract=5)
        codes = [caution.code for caution in cake.warnings]
        self.assertIn("alcohol-trace", codes)
        self.assertNotIn("contains-alcohol", codes)


if __name__ == "__main__":
    unittest.main()
