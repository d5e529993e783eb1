"""Several recipes in one text: which part of the piece each is, and of what vessel they speak."""

import unittest

from hearth_bowl.core.recipe.written.parts import WrittenParts, read_text_parts

BONBONS = """Comet bonbons

For the shell:
300 g dark chocolate 60 %

For the filling:
200 g milk chocolate 38 %
100 ml cream 35 %

Topping
30 g hazelnuts

Method
For the filling: warm the cream and pour it over the chocolate.
"""


def parts(text: str) -> WrittenParts:
    found = read_text_parts(text, "metric")
    assert found is not None
    return found


def roles(text: str) -> tuple[str, list[str]]:
    found = parts(text)
    return found.vessel_kind, [part.role for part in found.parts]


class Parts(unittest.TestCase):
    def test_shell_filling_and_topping_in_the_order_of_making(self) -> None:
        found = parts(BONBONS)
        self.assertEqual((found.name, found.vessel_kind), ("Comet bonbons", "mould"))
        said = [(part.role, part.ingredient, part.found.recipe.name) for part in found.parts]
        self.assertEqual(said[0][:2], ("shell", "dark60"))
        self.assertEqual(said[1], ("filling", None, "Comet bonbons, filling"))
        self.assertEqual(said[2][:2], ("topping", "hazelnut_whole"))
        self.assertEqual([line.ingredient.key for line in found.parts[1].found.recipe.lines], ["milk38", "cream35"])

    def test_layers_speak_for_a_pan_and_a_coat_of_cocoa_is_a_rolling(self) -> None:
        slab = "Slab\nDark layer\n200 g dark chocolate\n100 ml cream\nWhite layer\n200 g white chocolate\n80 ml cream"
        self.assertEqual(roles(slab), ("pan", ["layer", "layer"]))
        balls = "Balls\n200 g chocolate\n100 ml cream\nFor the coating:\n100 g cocoa powder"
        self.assertEqual(roles(balls), ("pieces", ["centre", "rolling"]))

    def test_one_mass_is_no_confection(self) -> None:
        self.assertIsNone(read_text_parts("Balls\n200 g chocolate\n100 ml cream\n20 g cocoa for rolling", "metric"))
        self.assertIsNone(read_text_parts("Balls\nFor the ganache:\n200 g chocolate\n100 ml cream", "metric"))
