"""Moves of a whole recipe: swap, scale to what there is, compare, cost, starters; and the doubts of measures."""

import unittest

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.assess.cost import cost
from hearth_bowl.core.bench.compare import compare
from hearth_bowl.core.bench.line_notes import line_notes
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY, find
from hearth_bowl.core.ingredients.packs import PACKS, is_same_tin
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES, Line, checked_recipe
from hearth_bowl.core.recipe.weighing import spread_pct
from hearth_bowl.core.solve.only_this_much import only_this_much
from hearth_bowl.core.solve.starters import BASES, starter
from hearth_bowl.core.solve.swap import shelf_of, swap
from hearth_bowl.core.solve.two_layers import share_tin
from tests.kitchen import R1, recipe


class Swap(unittest.TestCase):
    def test_less_than_a_scale_can_show_is_swapped_and_not_lost(self) -> None:
        found = swap(recipe(cream35=0.03), 0, find("cream48"), 20)
        self.assertAlmostEqual(found.recipe.amounts_g[0], 0.03, delta=0.01)

    def test_only_rich_cream_in_the_shop_keeps_set_and_mass(self) -> None:
        made = recipe(**R1)
        found = swap(made, 1, find("cream48"), 20)
        before, after = assess(made), assess(found.recipe)
        assert before.set.index is not None and after.set.index is not None
        self.assertAlmostEqual(after.set.index, before.set.index, delta=0.06)
        self.assertAlmostEqual(after.mass_g, before.mass_g, delta=2)
        self.assertEqual(found.recipe.lines[1].ingredient.key, "cream48")

    def test_says_what_cannot_be_kept(self) -> None:
        to_milk = swap(recipe(dark60=200, coconut_milk17=150), 0, find("milk33"), 20)
        self.assertIn("It now contains milk.", to_milk.not_kept)
        to_compound = swap(recipe(**R1), 0, find("compound_dark"), 20)
        self.assertTrue([words for words in to_compound.not_kept if "tempering" in words])
        self.assertTrue([words for words in to_compound.not_kept if "blooms sooner" in words])
        pinned = swap(recipe(pinned="dark60 cream38 honey butter82", **R1), 0, find("white28"), 20)
        self.assertTrue([words for words in pinned.not_kept if "softer" in words])

    def test_no_neighbour_is_gutted_and_what_is_not_kept_is_said(self) -> None:
        made = recipe("nut-paste", hazelnut_paste=300, milk38=60, cocoa_butter=37)
        found = swap(made, 2, find("sunflower_oil"), 20)
        for before, after in list(zip(made.amounts_g, found.recipe.amounts_g, strict=True))[:2]:
            self.assertTrue(0.66 * before < after < 1.51 * before, found.recipe.amounts_g)
        self.assertTrue([words for words in found.not_kept if words.startswith("It sets softer")], found.not_kept)
        self.assertAlmostEqual(found.recipe.mass_g, made.mass_g, delta=0.1 * made.mass_g)

    def test_what_may_stand_in_for_what(self) -> None:
        for first, second, alike in (
            ("dark60", "compound_milk", True),
            ("cream35", "cream48", True),
            ("cocoa_butter", "coconut_oil", True),
            ("spirit40", "liqueur25", True),
            ("hazelnut_paste", "almond_paste", True),
            ("honey", "glucose_syrup40", True),
            ("dark60", "cream35", False),
            ("honey", "spirit40", False),
        ):
            self.assertEqual(shelf_of(find(first)) == shelf_of(find(second)), alike, (first, second))

    def test_a_line_that_is_not_there(self) -> None:
        with self.assertRaises(BadInput) as refused:
            swap(recipe(**R1), 9, find("cream48"), 20)
        self.assertEqual(refused.exception.field, ("position",))


class OnlyThisMuch(unittest.TestCase):
    def test_everything_scales_and_what_is_short_is_said(self) -> None:
        found = only_this_much(recipe(pinned="honey", **R1), 0, 180, {"cream38": 50, "honey": 500})
        self.assertEqual(found.factor, 0.75)
        for before, after in zip(R1.values(), found.recipe.amounts_g, strict=True):
            self.assertAlmostEqual(after, before * 0.75)
        self.assertEqual([(short.position, short.there_g) for short in found.short], [(1, 50)])

    def test_a_tin_of_300_ml_is_the_tin_of_397_g(self) -> None:
        made = recipe(family="condensed-milk-fudge", condensed_sweet=397, dark55=420)
        same = only_this_much(made, 0, 300 * LIBRARY["condensed_sweet"].density_g_per_ml, {})
        self.assertEqual(same.recipe.amounts_g, made.amounts_g)
        self.assertIn("same tin", same.note)
        tubes = only_this_much(made, 0, 2 * 185, {})
        self.assertAlmostEqual(tubes.recipe.amounts_g[1], 420 * 370 / 397)
        condensed = [pack.net_g for pack in PACKS["condensed_sweet"].values()]
        self.assertTrue(is_same_tin(min(condensed), max(condensed)))

    def test_refusals(self) -> None:
        for position, there_g, field in ((0, 0, "there_g"), (7, 10, "position"), (0, float("inf"), "there_g")):
            with self.assertRaises(BadInput) as refused:
                only_this_much(recipe(**R1), position, there_g, {})
            self.assertEqual(refused.exception.field, (field,))


class TwoLayers(unittest.TestCase):
    def test_a_tin_is_split_by_each_layers_own_ratio_and_the_parts_close(self) -> None:
        dark = recipe(family="condensed-milk-fudge", condensed_sweet=397, dark55=400)
        white = recipe(family="condensed-milk-fudge", condensed_sweet=397, white28=700)
        first, second = share_tin(dark, white, 397)
        self.assertAlmostEqual(first.tin_g + second.tin_g, 397)
        self.assertAlmostEqual(first.recipe.mass_g, second.recipe.mass_g)
        self.assertAlmostEqual(first.recipe.amounts_g[0], first.tin_g)
        self.assertGreater(first.tin_g, second.tin_g)
        thirds = share_tin(dark, white, 397, 1 / 3)
        self.assertAlmostEqual(2 * thirds[0].recipe.mass_g, thirds[1].recipe.mass_g)
        with self.assertRaises(BadInput) as refused:
            share_tin(dark, recipe(**R1), 397)
        self.assertEqual(refused.exception.field, ("second",))

    def test_both_layers_of_a_tin_set_alike(self) -> None:
        dark = recipe(family="condensed-milk-fudge", use="cut", condensed_sweet=397, dark55=300)
        white = recipe(family="condensed-milk-fudge", condensed_sweet=397, white28=500)
        first, second = share_tin(dark, white, 397)
        assert first.index and second.index and first.index_before and second.index_before
        self.assertGreater(abs(first.index_before - second.index_before), 0.5)
        self.assertAlmostEqual(first.index, 3.8, delta=0.02)
        self.assertAlmostEqual(second.index, 3.8, delta=0.02)


class Compare(unittest.TestCase):
    def test_differences_in_words(self) -> None:
        found = compare(recipe(dark60=200, cream35=100), recipe(dark60=150, cream35=100, hazelnut_paste=20), 20)
        words = ", ".join(found.words)
        for expected in ("sets softer", "makes ⟦30 g⟧ less", "also contains nuts, hazelnut"):
            self.assertIn(expected, words)
        amounts = {pair.name: (pair.first, pair.second) for pair in found.amounts}
        self.assertEqual(amounts["Hazelnut paste"], (None, 20))

    def test_a_recipe_is_the_same_as_itself(self) -> None:
        self.assertEqual(compare(recipe(**R1), recipe(**R1), 20).words, ("is the same to the hand",))


class Cost(unittest.TestCase):
    def test_by_pack_prices_with_what_has_none(self) -> None:
        found = cost(recipe(**R1), {"dark60": 0.014, "cream38": 0.005})
        assert found is not None
        self.assertAlmostEqual(found.batch, 240 * 0.014 + 130 * 0.005)
        self.assertAlmostEqual(found.per_100g, found.batch / 4.05)
        self.assertEqual(found.unpriced, ("Honey", "Butter, unsalted"))
        self.assertIsNone(cost(recipe(**R1), {}))


class Starters(unittest.TestCase):
    def test_every_family_has_one(self) -> None:
        self.assertEqual(set(BASES), set(FAMILIES))
        self.assertEqual(set(FAMILY), set(FAMILIES))

    def test_stages_are_those_of_the_family(self) -> None:
        for family, particular in FAMILY.items():
            stages = {line.stage for line in starter(family, particular.uses[0]).lines}
            self.assertLessEqual(stages, set(particular.stages), family)

    def test_modelling_takes_more_syrup_for_more_cocoa(self) -> None:
        shares = [starter("modelling", "model", key).amounts_g[1] for key in ("dark60", "milk33", "white28")]
        self.assertEqual(shares, sorted(shares, reverse=True))

    def test_refusals(self) -> None:
        for family, chocolate, field in (("toffee", "dark60", "family"), ("marzipan", "butter82", "chocolate")):
            with self.assertRaises(BadInput) as refused:
                starter(family, None, chocolate)
            self.assertEqual(refused.exception.field[0], field)


class Doubts(unittest.TestCase):
    def test_how_far_a_measure_can_be_trusted(self) -> None:
        for key, unit, expected in (
            ("dark60", "g", 0),
            ("dark60", "cup", 7),
            ("sugar_icing", "cup", 15),
            ("cream35", "cup", 2),
            ("salt", "pinch", 50),
            ("honey", "tbsp", 5),
        ):
            self.assertEqual(spread_pct(Line(ingredient=find(key), amount=1, unit=unit)), expected, (key, unit))
        ranged = Line(ingredient=find("honey"), amount=2, amount_high=3, unit="tbsp")
        self.assertAlmostEqual(spread_pct(ranged), 20)

    def test_what_must_be_said_beside_an_amount(self) -> None:
        lines = [
            Line(ingredient=find("cream35"), amount=8, unit="oz"),
            Line(ingredient=find("dark60"), amount=400),
            Line(ingredient=find("salt"), amount=2, unit="tbsp"),
            Line(ingredient=find("lecithin"), amount=0.3),
        ]
        made = checked_recipe(name="Test", family="cream-ganache", use=None, lines=lines)
        ounces, dark, salt, lecithin = line_notes(made, Kitchen(), "metric")
        self.assertIn("fluid", " ".join(ounces.notes))
        self.assertEqual(dark.notes, ())
        self.assertIn("teaspoon", " ".join(salt.notes))
        self.assertIn("1 g scale", " ".join(lecithin.notes))
        fine = line_notes(made, Kitchen(scale_step_g=0.01), "metric")[3]
        self.assertEqual(fine.notes, ())
        self.assertIn("in parts", " ".join(line_notes(made, Kitchen(scale_most_g=300), "metric")[1].notes))
