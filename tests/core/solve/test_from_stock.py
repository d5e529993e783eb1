"""Recipes made with what is there: sound, as large as the stock allows, and never larger."""

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.from_stock import from_stock
from hearth_bowl.core.solve.starters import is_sound


def grams(recipe: Recipe, key: str) -> float:
    return sum(g for line, g in zip(recipe.lines, recipe.amounts_g, strict=True) if line.ingredient.key == key)


class FromStock(unittest.TestCase):
    def test_two_bars_and_a_carton_of_single_cream(self) -> None:
        stock = [(find("dark70"), 100.0), (find("dark55"), 200.0), (find("cream30"), 500.0)]
        made = from_stock("cream-ganache", "roll", stock)
        self.assertTrue(is_sound(made))
        self.assertEqual(grams(made, "cream35"), 0)
        self.assertGreater(grams(made, "dark55"), 190)
        self.assertAlmostEqual(grams(made, "dark55") / grams(made, "dark70"), 2, delta=0.1)
        self.assertLess(grams(made, "cream30"), 500)

    @given(
        dark=st.floats(20, 2000),
        cream=st.floats(20, 2000),
        family=st.sampled_from(["cream-ganache", "whipped-ganache", "butter-ganache", "condensed-milk-fudge"]),
    )
    @settings(max_examples=25, deadline=None)
    def test_it_never_takes_more_than_there_is_and_uses_one_of_them_up(
        self, dark: float, cream: float, family: str
    ) -> None:
        stock = [(find("dark60"), dark), (find("cream48"), cream)]
        made = from_stock(family, None, stock)
        used = [grams(made, one.key or "") / there for one, there in stock]
        self.assertLessEqual(max(used), 1 + 1e-9)
        self.assertGreater(max(used), 0.9)

    def test_what_the_recipe_does_not_take_is_refused_by_name(self) -> None:
        with self.assertRaisesRegex(BadInput, "Hazelnut paste"):
            from_stock("cream-ganache", "roll", [(find("hazelnut_paste"), 200.0)])


if __name__ == "__main__":
    unittest.main()
