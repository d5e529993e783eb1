"""Lines and cards of many kitchens: read as they were said, or doubtful; never another thing in silence."""

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.card.card import ReadCard, read_card
from hearth_bowl.core.ingredients.doses import USUAL_DOSE
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.proportions import BASES, CHOCOLATE
from hearth_bowl.core.recipe.written.lines import checked_line
from hearth_bowl.core.recipe.written.names import name_ingredient
from hearth_bowl.core.recipe.written.proposals import proposed_g
from hearth_bowl.core.recipe.written.recipe import WrittenRecipe, with_unread

SURE = (
    ("170 g tin evaporated milk", "evaporated", 1, "tin", 170),
    ("2 tins (170 g each) evaporated milk", "evaporated", 2, "tin", 170),
    ("2 x 170 g evaporated milk", "evaporated", 2, "tin", 170),
    ("a 14-oz can of sweetened condensed milk", "condensed_sweet", 1, "tin", 396.9),
    ("two 100g bars 70% dark chocolate", "dark70", 2, "bar", 100),
    ("40 ml cream liqueur 17 %", "cream_liqueur17", 40, "ml", None),
    ("2 tbsp hazelnut spread", "hazelnut_cocoa_spread", 2, "tbsp", None),
    ("250 g dry fondant", "fondant_dry", 250, "g", None),
    ("60 g pecans, toasted and chopped", "pecan_whole", 60, "g", None),
    ("100 ml rum (54 %)", "rum54", 100, "ml", None),
    ("1 tsp peppermint extract", "flavour_essence", 1, "tsp", None),
    ("3 drops of peppermint oil", "mint_oil", 3, "drop", None),
    ("30 g freeze-dried raspberries", "raspberry_freeze_dried", 30, "g", None),
    ("75 g vegan butter", "plant_butter", 75, "g", None),
    ("1 cup oat cream", "oat_cream", 1, "cup", None),
    ("200g/7oz icing sugar", "sugar_icing", 200, "g", None),
    ("300 ml double cream (48% fat)", "cream48", 300, "ml", None),
    ("2,5 dl Sahne", "cream30", 250, "ml", None),
    ("250 g Zartbitterschokolade (70 %)", "dark70", 250, "g", None),
    ("2 EL Honig", "honey", 2, "tbsp", None),
    ("1 cuillère à café de sel", "salt", 1, "tsp", None),
    ("100 g di burro", "butter82", 100, "g", None),
    ("2 cucharadas de miel", "honey", 2, "tbsp", None),
    ("1 xícara de açúcar", "sugar_granulated", 1, "cup", None),
    ("1 lb 2 oz granulated sugar", "sugar_granulated", 510.3, "g", None),
    ("1 kg 200 g sugar", "sugar_granulated", 1200, "g", None),
    ("small carton whipping cream (284 ml)", "cream35", 284, "ml", None),
    ("2 pots (150 ml each) double cream", "cream48", 2, "tin", 147.0),
    ("two thirds of a cup of sugar", "sugar_granulated", 0.6667, "cup", None),
    ("1 tblsp cocoa", "cocoa_powder_21", 1, "tbsp", None),
    ("3 dessertspoons honey", "honey", 30, "ml", None),
    ("3/4 cup plus 2 tbsp caster sugar", "sugar_caster", 186.3, "g", None),
)
"""(line, key, amount, unit, what a pack weighs [g]): read without a doubt, in US measures."""
DOUBTFUL = (
    ("1 small tin evaporated milk", "evaporated", "a tin is taken as 170 g"),
    ("butter the size of a walnut", "butter82", "20 g"),
    ("a knob of butter", "butter82", "15 g"),
    ("juice and zest of one lime", "citrus_zest", "a line of its own"),
    ("juice of 2 lemons", "lemon_juice", "45 g"),
    ("a miniature of whisky", "whisky40", "50 ml"),
    ("half a bar of dark chocolate 60 %", "dark60", "a bar is taken as"),
    ("scant cup of icing sugar", "sugar_icing", "one assumed"),
    ("4 squares unsweetened chocolate", "cocoa_mass", "a square is taken as 28 g"),
    ("1 Pck. Vanillezucker", "vanilla_sugar", "a sachet is taken as 8 g"),
    ("1 bag marshmallows", "marshmallows", "weighs is not stated"),
    ("a few drops of rose water", "rose_water", "taken as three"),
    ("1 sheet gelatine", "gelatine_leaf", "one is taken as 2 g"),
    ("zest of 1/2 lemon", "citrus_zest", "6 g"),
    ("5 cardamom pods", "cardamom_ground", "the unit is not stated"),
    ("3 parts chocolate to 1 part cream", "dark55", "parts of an unknown whole"),
    ("1 heaped tsp cocoa", "cocoa_powder_21", "taken as level"),
    ("1,000 g sugar", "sugar_granulated", "thousands"),
    ("vanilla essence or a pod", "vanilla_extract", "something else is said"),
    ("200 g butter plus extra for the tin", "butter82", "more of it is said"),
    ("40 ml rum 80 %", "rum54", "not in the table"),
    ("250 g cream 24 % vol", "cream24", ""),
    ("6 shortbread fingers", "shortbread", "one is taken as 12 g"),
    ("200 g smoked butter", "butter82", "not understood: smoked"),
    ("50 g hazelnut oil", None, "oil"),
    ("2 tbsp comet dust", None, "left out"),
)


class Words(unittest.TestCase):
    def test_what_is_clear_is_read_without_a_doubt(self) -> None:
        for text, key, amount, unit, pack_g in SURE:
            with self.subTest(text):
                line = checked_line(text, "us")
                self.assertEqual((line.key, line.unit, line.doubts), (key, unit, ()))
                self.assertAlmostEqual(line.amount or 0, amount, delta=0.1)
                self.assertAlmostEqual(line.pack_g or 0, pack_g or 0, delta=0.1)

    def test_what_is_not_clear_says_so(self) -> None:
        for text, key, words in DOUBTFUL:
            with self.subTest(text):
                line = checked_line(text, "us")
                if key is not None:
                    self.assertEqual(line.key, key)
                self.assertIn(words, " ".join(line.doubts))

    def test_a_figure_in_a_name_is_checked(self) -> None:
        self.assertEqual(name_ingredient("cream liqueur 17 %").doubt, None)
        self.assertIn("30 %", name_ingredient("cream liqueur 30 %").doubt or "")
        self.assertEqual(name_ingredient("cream 30 %").key, "cream30")
        self.assertEqual(name_ingredient("cocoa powder 11 %").key, "cocoa_powder_11")


def read(*lines: str) -> ReadCard:
    return read_card("\n".join(("Hill-top sweets", *lines)), "metric")


class Cards(unittest.TestCase):
    def grams(self, found: ReadCard) -> dict[str, float]:
        pairs = zip(found.recipe.lines, found.recipe.amounts_g, strict=True)
        return {line.ingredient.label: grams for line, grams in pairs}

    def test_what_no_amount_is_said_of_comes_from_the_familys_own_proportions(self) -> None:
        rows = ("sugar", "butter", "white chocolate", "biscuits", "cranberries")
        found = read("1 small tin evaporated milk", *rows)
        self.assertEqual(found.recipe.family, "simmered-fudge")
        grams = self.grams(found)
        self.assertEqual([grams[key] for key in ("evaporated", "sugar_granulated", "butter82")], [170, 400, 110])
        self.assertTrue(80 < grams["biscuit_crumbs"] < 200 and 80 < grams["cranberries_dried"] < 200)
        self.assertIn("gluten", {group for line in found.recipe.lines for group in line.ingredient.allergens})
        twice = self.grams(read("2 tins (170 g each) evaporated milk", *rows))
        self.assertEqual(twice["sugar_granulated"], 800)
        self.assertEqual([line.proposed for line in found.recipe.lines], [False] + 5 * [True])

    def test_a_line_that_cannot_be_read_stays_to_be_settled_and_the_allergens_are_not_complete(self) -> None:
        found = read("200 g cream 35 %", "300 g dark chocolate 60 %", "2 tbsp comet dust", "a scrap of moon")
        self.assertEqual(found.unread, ("2 tbsp comet dust", "a scrap of moon"))
        whole = with_unread(WrittenRecipe(recipe=found.recipe, unsure=found.unsure, unread=found.unread))
        self.assertEqual([line.ingredient.name for line in whole.lines[2:]], ["2 tbsp comet dust", "a scrap of moon"])
        self.assertAlmostEqual(mix(whole).mass_g, 500)
        told = {row.code: row for row in formula(whole, 20).readings}["contains"]
        self.assertIn("Not complete: 2 lines are not known yet, 2 tbsp comet dust", told.words)
        self.assertNotIn(
            "Not complete", {row.code: row for row in formula(found.recipe, 20).readings}["contains"].words
        )

    def test_a_dose_is_a_dose(self) -> None:
        grams = self.grams(read("400 g fondant", "invertase", "peppermint oil"))
        self.assertTrue(0.2 <= grams["invertase"] <= 2)
        self.assertLessEqual(grams["mint_oil"], 0.5)

    def test_stages_come_from_the_methods_own_words(self) -> None:
        method = (
            "Method",
            "Bring the cream to the boil.",
            "Pour the cream over the chocolate.",
            "Off the heat stir in the rum.",
        )
        found = read("200 g cream 35 %", "300 g dark chocolate 60 %", "20 ml rum", *method)
        self.assertEqual([line.stage for line in found.recipe.lines], ["warm", "pour-over", "stir-in-cool"])

    def test_what_stands_under_another_part_is_that_part(self) -> None:
        found = read("200 g cream 35 %", "300 g dark chocolate 60 %", "For the coating:", "150 g milk chocolate 33 %")
        assert found.confection is not None
        self.assertEqual([part.role for part in found.confection.parts], ["centre", "coat"])
        self.assertEqual(len(found.recipe.lines), 2)

    @settings(max_examples=150, deadline=None)
    @given(family=st.sampled_from(sorted(BASES)), key=st.sampled_from(sorted(LIBRARY)), grams=st.floats(100, 2000))
    def test_every_proposal_is_within_its_familys_proportions(self, family: str, key: str, grams: float) -> None:
        base_g, own = sum(row[1] for row in BASES[family]), {row[0] for row in BASES[family]}
        alone = proposed_g(key, family, {})
        self.assertTrue(0 < alone <= base_g or key in USUAL_DOSE)
        self.assertLessEqual(alone, base_g * (0.05 if key in USUAL_DOSE and key not in own else 1))
        part = "dark60" if BASES[family][0][0] == CHOCOLATE else BASES[family][0][0]
        once, twice = (proposed_g(key, family, {part: times * grams}) for times in (1, 2))
        self.assertAlmostEqual(twice / 2, once, delta=1 + 0.02 * once)


if __name__ == "__main__":
    unittest.main()
