"""Readings of every family: each says how it was worked out, in order of need, with nothing left to guess."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.bench.formula import Formula, formula
from hearth_bowl.core.bench.reading import STATES, Reading
from hearth_bowl.core.keep.texture import texture_words
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.quantities import plain
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES
from hearth_bowl.core.solve.starters import starter
from hearth_bowl.core.sources import SOURCES
from tests.kitchen import R1, recipe

PRICES = {"dark60": 0.014, "cream35": 0.005, "sugar_granulated": 0.001}
WITH_WHY = {"set", "split", "keeps", "sweetness", "energy", "crystals", "alcohol", "boil", "invertase"}


def bench(family: str, use: str | None = None, at_c: float = 20.0) -> Formula:
    return formula(starter(family, use or FAMILY[family].uses[0]), at_c, Kitchen(altitude_m=340), PRICES)


def codes(found: Formula) -> dict[str, Reading]:
    return {reading.code: reading for reading in found.readings}


class EveryFamily(unittest.TestCase):
    def test_has_a_sentence_and_the_readings_that_cooks_ask_for(self) -> None:
        for family in FAMILIES:
            with self.subTest(family):
                found = bench(family)
                self.assertTrue(found.sentence.lead)
                self.assertLessEqual({"set", "keeps", "sweetness", "energy", "contains"}, set(codes(found)))

    def test_what_needs_attention_stands_first(self) -> None:
        for family in FAMILIES:
            states = [STATES.index(reading.state) for reading in bench(family).readings]
            self.assertEqual(states, sorted(states), family)

    def test_every_estimate_says_formula_figures_source_band_and_what_would_narrow_it(self) -> None:
        for family in FAMILIES:
            for code, reading in codes(bench(family)).items():
                if code not in WITH_WHY or reading.shown in ("none", "–"):
                    continue
                with self.subTest(family=family, code=code):
                    assert reading.why is not None
                    for part in (reading.why.formula, reading.why.band, reading.why.narrower):
                        self.assertTrue(part)
                    self.assertTrue(reading.why.inputs)
                    self.assertTrue([text for text in SOURCES.values() if text in reading.why.source])

    def test_a_gauge_holds_its_value_within_its_band(self) -> None:
        for family in FAMILIES:
            for reading in bench(family).readings:
                if reading.gauge is not None:
                    self.assertLessEqual(reading.gauge.low, reading.gauge.value + 1e-9, (family, reading.code))
                    self.assertGreaterEqual(reading.gauge.high, reading.gauge.value - 1e-9, (family, reading.code))

    def test_boiling_families_warn_of_burns(self) -> None:
        for family in ("boiled-fudge",):
            self.assertIn("boiling-burns", codes(bench(family)))

    def test_egg_and_honey_carry_their_cautions(self) -> None:
        self.assertNotIn("raw-egg", codes(bench("marzipan")))
        self.assertIn(
            "raw-egg", codes(formula(recipe("marzipan", almond_whole=250, sugar_icing=200, egg_white=25), 20))
        )
        self.assertIn("honey-infants", codes(formula(recipe(**R1), 20)))


class Texture(unittest.TestCase):
    def test_crisp_things_soften_before_the_rest_spoils(self) -> None:
        made = recipe(dark60=200, cream35=100, biscuit_crumbs=40)
        self.assertIn("Biscuit crumbs soften", texture_words(made, 0.85))
        self.assertEqual(texture_words(made, 0.4), "")
        self.assertEqual(texture_words(recipe(**R1), 0.87), "")
        self.assertIn("dries", texture_words(recipe("boiled-fudge", sugar_caster=400, milk_whole=100), 0.7))

    def test_texture_and_safety_are_said_apart(self) -> None:
        keeps = codes(formula(recipe(dark60=200, cream35=100, biscuit_crumbs=40), 20))["keeps"]
        self.assertIn("Its texture goes sooner", keeps.words)
        self.assertIn("Water activity", keeps.words)
        self.assertIn("A guide for home use", keeps.words)


class Shares(unittest.TestCase):
    def test_nut_to_sugar_binder_to_dry_and_yolk(self) -> None:
        praline = codes(formula(recipe("nut-paste", praline_5050=200), 20))["nut-to-sugar"]
        self.assertAlmostEqual(float(praline.shown.split()[0]), 48 / 52, delta=0.01)
        crumbs = codes(formula(recipe("soft-cheese", biscuit_crumbs=300, cream_cheese=120), 20))["binder-to-dry"]
        self.assertEqual(crumbs.shown, "0.40 to 1")
        yolk = codes(formula(recipe(dark60=200, cream35=160, egg_yolk=40), 20))
        self.assertEqual(yolk["yolk"].shown, "10 %")
        self.assertIn("raw-egg", yolk)


class Money(unittest.TestCase):
    def test_no_prices_no_cost_and_some_prices_a_floor(self) -> None:
        self.assertNotIn("cost", codes(formula(recipe(**R1), 20)))
        shown = codes(formula(recipe(**R1), 20, None, {"dark60": 0.01}))["cost"]
        self.assertEqual(shown.shown, "2.40")
        self.assertIn("At least: no price for Heavy cream 38 %, Honey, Butter, unsalted.", shown.words)


class Alcohol(unittest.TestCase):
    @given(st.floats(0.5, 60))
    def test_grams_a_piece_are_the_share_of_the_piece(self, grams: float) -> None:
        reading = codes(formula(recipe(dark60=200, cream35=100, spirit40=grams), 20))["alcohol"]
        expected = 12 * 0.333 * grams / (300 + grams)
        self.assertIn(f"{expected:.2f} g in a piece of 12 g", plain(reading.words))
        self.assertIn("declare it", reading.words)


class ColdAndWarm(unittest.TestCase):
    def test_the_sentence_turns_where_the_curve_crosses(self) -> None:
        cold, warm = (formula(recipe(use="roll", **R1), at_c).sentence for at_c in (18.0, 27.0))
        self.assertTrue(cold.fits)
        self.assertFalse(warm.fits)
        self.assertIn("Too soft to roll at 27 °C", plain(warm.lead))

    def test_ripening_is_slower_in_the_cold(self) -> None:
        def days(at_c: float) -> str:
            return codes(bench("fondant", at_c=at_c))["ripening"].shown

        warm = int(days(20.0).split()[1])
        cold = days(8.0)
        self.assertTrue("over" in cold or int(cold.split()[1]) > warm)
