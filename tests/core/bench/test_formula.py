"""The bench: sentence, ratio rule, slide, readings and offers."""

import re
import unittest
from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.bench.offers import Offer, set_offer, split_offer
from hearth_bowl.core.bench.ratio_rule import zones_of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.alcohol import ethanol_g, mass_pct, retained_share
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at, set_class
from hearth_bowl.core.mass.split import fat_to_water
from hearth_bowl.core.quantities import plain
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, Recipe
from hearth_bowl.core.solve.slide import slide_to
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.formats.recipe_file import recipe_from
from tests.kitchen import recipe


def rolled(**grams: float) -> Recipe:
    return recipe(use="roll", **grams)


def tried(made: Recipe, offer: Offer) -> Recipe:
    grams = {line.ingredient.key or "": amount for line, amount in zip(made.lines, made.amounts_g, strict=True)}
    keys = list(grams)
    for change in offer.changes:
        grams[keys[change.position]] = change.amount_g
    if offer.add:
        grams[offer.add.ingredient] = offer.add.amount_g
    return recipe(made.family, made.use, **grams)


class Sentence(unittest.TestCase):
    def test_says_what_it_does_and_where_that_ends(self) -> None:
        sentence = formula(rolled(dark60=200, cream35=100), 20).sentence
        self.assertEqual(plain(sentence.lead), "Rolls cleanly at 20 °C")
        self.assertTrue(sentence.fits)
        turn_c = float(plain(sentence.turn).removeprefix("softens above ").removesuffix(" °C"))
        mass = mix(recipe(dark60=200, cream35=100))
        self.assertLessEqual(index_at(mass, turn_c), 2.5)
        self.assertGreater(index_at(mass, turn_c - 1), 2.5)

    def test_too_soft_says_how_cold_and_too_firm_how_warm(self) -> None:
        soft = formula(rolled(dark60=140, cream35=100), 20).sentence
        self.assertEqual((plain(soft.lead), soft.fits), ("Too soft to roll at 20 °C", False))
        self.assertIn("firm enough below", soft.turn)
        firm = formula(recipe(use="pipe", dark60=300, cream35=100), 20).sentence
        self.assertEqual(plain(firm.lead), "Too firm to pipe at 20 °C")
        self.assertIn("ready above", firm.turn)

    def test_says_so_where_the_set_is_not_modelled(self) -> None:
        bench = formula(recipe("marzipan", "roll", almond_whole=200, sugar_icing=200), 20)
        self.assertIsNone(bench.sentence.fits)
        self.assertIn("not computed", bench.sentence.turn)
        self.assertEqual(bench.temperature_zones, ())

    def test_what_is_cooked_down_says_where_to_stop_and_is_read_as_it_is_eaten(self) -> None:
        bench = formula(recipe("boiled-fudge", "cut", sugar_caster=450, milk_whole=300, butter82=60), 20)
        self.assertRegex(plain(bench.sentence.lead), r"Cook it to 115 °C")
        self.assertRegex(bench.sentence.turn, r"^⟦6\d\d g⟧ with 1[123] % water$")
        self.assertLess(bench.assessment.mass_g, 660)
        self.assertAlmostEqual(sum(layer.grams for layer in bench.bowl), 810)
        keeps = next(reading for reading in bench.readings if reading.code == "keeps")
        self.assertIn("cool", keeps.unit)


class RatioRule(unittest.TestCase):
    def test_zones_shift_when_white_replaces_dark(self) -> None:
        def roll_from(key: str) -> float:
            rule = formula(recipe(**{key: 200.0, "cream35": 100.0}), 20).rule
            assert rule is not None
            return next(zone.low for zone in rule.zones if zone.texture == "roll")

        self.assertGreater(roll_from("white28"), roll_from("dark60") + 0.6)

    def test_zone_bounds_are_where_the_class_changes(self) -> None:
        rule = formula(recipe(dark60=200, cream35=100), 20).rule
        assert rule is not None
        for zone in rule.zones:
            middle = (zone.low + zone.high) / 2
            index = index_at(mix(recipe(dark60=100 * middle, cream35=100)), 20)
            self.assertEqual(set_class(index), zone.texture)

    def test_zones_touch_and_cover_a_falling_curve_too(self) -> None:
        zones = zones_of([(0.0, 4.8), (10.0, 3.0), (20.0, 0.2)])
        self.assertEqual([zone.texture for zone in zones], ["hard", "cut", "roll", "pipe", "glaze", "sauce"])
        for before, after in pairwise(zones):
            self.assertEqual(before.high, after.low)

    def test_what_moves_depends_on_the_pins(self) -> None:
        free = formula(recipe(dark60=200, cream35=100), 20).rule
        held = formula(recipe(dark60=200, cream35=100, pinned="dark60"), 20).rule
        stuck = formula(recipe(dark60=200, cream35=100, pinned="dark60 cream35"), 20).rule
        self.assertEqual([rule.moves for rule in (free, held, stuck) if rule], ["chocolate", "liquid", None])


class Slide(unittest.TestCase):
    @given(st.floats(0.3, 5), st.sampled_from(["", "dark60", "cream35", "dark60 white28"]))
    def test_reaches_the_ratio_and_moves_only_what_is_free(self, ratio: float, pinned: str) -> None:
        made = recipe(dark60=150, white28=50, cream35=100, honey=10, pinned=pinned)
        try:
            slid = slide_to(made, ratio)
        except BadInput as problem:
            self.assertIn("pinned", problem.message)
            return
        dark, white, cream, honey = slid.amounts_g
        self.assertAlmostEqual((dark + white) / cream, ratio, places=9)
        self.assertEqual(honey, 10)
        for line, before, after in zip(made.lines, made.amounts_g, slid.amounts_g, strict=True):
            if line.pinned:
                self.assertEqual(before, after)

    def test_a_pin_in_the_way_is_named_with_the_limit(self) -> None:
        with self.assertRaises(BadInput) as caught:
            slide_to(recipe(dark60=200, white28=20, cream35=100, pinned="dark60"), 1.5)
        self.assertIn("Dark chocolate 60 %", caught.exception.message)
        self.assertIn("at least 2", caught.exception.allowed)


class Readings(unittest.TestCase):
    def test_what_needs_attention_comes_first_with_an_offer(self) -> None:
        found = formula(recipe(use="cut", milk33=400, cream35=110), 20).readings
        self.assertEqual((found[0].state, found[0].code), ("attend", "split"))
        self.assertIsNotNone(found[0].offer)
        order = ["attend", "look", "quiet"]
        self.assertEqual([r.state for r in found], sorted((r.state for r in found), key=order.index))

    def test_alcohol_is_declared_always_when_any_was_used(self) -> None:
        codes = [reading.code for reading in formula(rolled(dark60=300, cream35=150, vanilla_extract=1), 20).readings]
        self.assertIn("alcohol", codes)

    def test_nuts_and_cereals_are_named_within_their_group(self) -> None:
        found = formula(recipe(biscuit_crumbs=50, almond_paste=50, dark60=80), 20).readings
        shown = next(reading.shown for reading in found if reading.code == "contains")
        self.assertEqual(shown, "gluten (wheat), milk, nuts (almond), soya")

    def test_the_milk_offered_brings_fat_to_water_to_the_target(self) -> None:
        for extra in ({}, {"milk_whole": 5.0}):
            made = rolled(milk33=400, cream35=110, **extra)
            offer = split_offer(made, assess(made))
            assert offer is not None
            self.assertAlmostEqual(fat_to_water(mix(tried(made, offer))) or 0, 1.8, delta=0.02)

    @given(st.floats(0.9, 3.2), st.sampled_from(["roll", "pipe", "cut"]), st.sampled_from(["", "dark60"]))
    def test_the_chocolate_or_cream_offered_meets_the_aim(self, ratio: float, use: str, pinned: str) -> None:
        made = recipe(use=use, dark60=300 * ratio, cream35=300, pinned=pinned)
        offer = set_offer(made, assess(made))
        if offer is not None:
            index = index_at(mix(tried(made, offer)), 20)
            self.assertAlmostEqual(index, AIMED_INDEX[use] or 0, delta=0.05)

    def test_everything_pinned_makes_no_offer(self) -> None:
        made = recipe(use="cut", dark60=100, cream35=100, pinned="dark60 cream35")
        self.assertIsNone(set_offer(made, assess(made)))


class Keeping(unittest.TestCase):
    def test_the_shortest_lived_part_decides(self) -> None:
        cases = (
            ({"cream_cheese": 100, "sugar_icing": 400}, "fridge", 5, "soft cheese"),
            ({"egg_white": 30, "sugar_icing": 300}, "fridge", 2, "raw egg"),
            ({"egg_white_pasteurised": 30, "sugar_icing": 300}, "fridge", 7, "pasteurised egg"),
            ({"raspberry_puree": 60, "dark64": 300, "glucose_syrup40": 80}, "fridge", 7, "fresh fruit"),
            ({"cream35": 200, "dark60": 100}, "fridge", 7, "water activity"),
            ({"gianduja": 100}, "room", 120, "rancid"),
            ({"coconut_oil": 100}, "room", 120, "rancid"),
        )
        for grams, where, days_high, because in cases:
            with self.subTest(grams):
                kept = assess(recipe(**{key: float(value) for key, value in grams.items()})).keeping
                self.assertEqual((kept.where, kept.days_high), (where, days_high))
                self.assertIn(because, kept.because)


class Alcohol(unittest.TestCase):
    def test_worked(self) -> None:
        self.assertAlmostEqual(ethanol_g(35, 40), 11.05, delta=0.005)
        self.assertAlmostEqual(ethanol_g(35, 40) * retained_share("hot"), 9.39, delta=0.005)
        self.assertAlmostEqual(100 * 9.392 / 450, 2.09, delta=0.005)
        self.assertAlmostEqual(mass_pct(40), 33.3, delta=0.1)
        self.assertAlmostEqual(mass_pct(20), 16.2, delta=0.1)
        self.assertEqual(mass_pct(100), 100)

    def test_simmering_takes_some_and_never_all(self) -> None:
        for minutes, share in ((0, 0.85), (15, 0.40), (22.5, 0.375), (150, 0.05)):
            self.assertAlmostEqual(retained_share("simmered", minutes), share)
        for how, minutes, field in (("simmered", 151, "minutes"), ("frozen", 0, "how")):
            with self.assertRaises(BadInput) as caught:
                retained_share(how, minutes)
            self.assertEqual(caught.exception.field, (field,))


class DemoRecipes(unittest.TestCase):
    def test_each_does_what_it_is_for_and_none_is_fragile(self) -> None:
        families = set()
        for record in RECIPES:
            with self.subTest(record["name"]):
                bench = formula(recipe_from(record), 20)
                is_judged = AIMED_INDEX[record["use"]] is not None and record["family"] not in (
                    "soft-cheese",
                    "fondant",
                    "boiled-fudge",
                )
                self.assertIs(bench.sentence.fits, True if is_judged else None)
                self.assertNotIn("attend", [reading.state for reading in bench.readings])
                families.add(record["family"])
        self.assertGreaterEqual(len(RECIPES), 5)
        self.assertGreaterEqual(len(families), 3)


class Why(unittest.TestCase):
    def test_the_working_of_a_split_gives_its_ratio_also_with_whole_nuts_in_it(self) -> None:
        plain_mass = {"dark60": 200.0, "cream35": 100.0}
        for grams in (plain_mass, {**plain_mass, "hazelnut_whole": 120.0}):
            found = formula(recipe(**grams), 20.0)
            why = next(reading.why for reading in found.readings if reading.code == "split")
            assert why is not None
            fat_g, water_g = (float(plain(figure.value).split()[0]) for figure in why.inputs)
            self.assertAlmostEqual(fat_g / water_g, found.assessment.split.fat_to_water or 0, delta=0.005)


class OfAllThatIsThere(unittest.TestCase):
    def test_all_liquid_is_told_where_it_is_another_ratio(self) -> None:
        both = formula(recipe(white32=240, cream35=70, cream_liqueur17=41.8), 20.0).rule
        alone = formula(recipe(white32=240, cream35=70), 20.0).rule
        assert both is not None and alone is not None
        self.assertAlmostEqual(both.ratio, 3.43, delta=0.01)
        self.assertAlmostEqual(both.to_all_liquid or 0, 2.15, delta=0.01)
        self.assertIsNone(alone.to_all_liquid)

    def test_cost_per_100_g_is_of_what_is_left(self) -> None:
        fudge = recipe("boiled-fudge", sugar_granulated=450, milk_whole=300, butter82=60)
        prices = {"sugar_granulated": 0.001, "milk_whole": 0.001, "butter82": 0.01}
        found = formula(fudge, 20.0, price_per_g=prices)
        left_g = found.assessment.mass_g
        self.assertLess(left_g, 650)
        price = next(reading for reading in found.readings if reading.code == "cost")
        self.assertIn(f"{100 * 1.35 / left_g:.2f} for 100 g", price.unit)

    def test_a_turn_is_told_on_the_right_side_of_its_degree(self) -> None:
        for chocolate_g in range(120, 320, 20):
            made = recipe(use="roll", dark60=chocolate_g, cream35=100)
            for at_c in (16.0, 20.0, 22.0, 25.0):
                sentence = formula(made, at_c).sentence
                turns = re.search(r"(below|above) (-?\d+) °C", plain(sentence.turn))
                if turns is None:
                    continue
                turn_c = float(turns[2])
                self.assertTrue(turn_c < at_c if turns[1] == "below" else turn_c > at_c, (chocolate_g, at_c, sentence))
