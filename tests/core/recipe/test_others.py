"""Other readings: a doubt that has another side offers it, with the amount as it was said."""

import unittest

from hearth_bowl.core.recipe.written.others import OtherReading, settled


def others(text: str, measure: str = "us") -> dict[str, OtherReading]:
    return {other.says: other for other in settled(text, measure)[1]}


class Others(unittest.TestCase):
    def test_of_two_amounts_that_do_not_agree_the_other_is_offered(self) -> None:
        taken, others = settled("200 g butter (3 oz)", "metric")
        self.assertEqual(taken.amount, 200)
        self.assertIn(("3 oz", 3, "oz"), [(one.says, one.line.amount, one.line.unit) for one in others])

    def test_each_doubt_has_its_other_side(self) -> None:
        for text, says, unit, amount in (
            ("8 oz whole milk", "fluid ounces", "floz", 8),
            ("1 T lecithin", "1 teaspoon", "tsp", 1),
            ("1 heaped tbsp honey", "half as much again, heaped", "tbsp", 1.5),
            ("scant 1/2 cup golden syrup", "a tenth less, as it is said", "cup", 0.45),
            ("1,000 g caster sugar", "1, with a decimal comma", "g", 1),
            ("200 g butter or margarine", "Margarine 80 %", "g", 200),
            ("100 g chocolate", "Milk chocolate 33 %", "g", 100),
            ("1 cup cream", "Double cream 48 %", "cup", 1),
            ("100 g hazelnutt spred", "Hazelnut and cocoa spread", "g", 100),
        ):
            with self.subTest(text):
                line = others(text)[says].line
                self.assertEqual((line.unit, line.doubts), (unit, ()))
                self.assertAlmostEqual(line.amount or 0.0, amount)

    def test_what_is_sure_has_no_other_reading(self) -> None:
        self.assertEqual(others("214 g whipping cream 35 %"), {})

    def test_milk_chocolate_stays_a_milk_chocolate(self) -> None:
        self.assertEqual(list(others("100 g milk chocolate")), ["Milk chocolate 38 %"])
