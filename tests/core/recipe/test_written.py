"""Lines as people write them: amounts, units, names and doubts."""

import unittest

from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.written.lines import checked_line
from hearth_bowl.core.recipe.written.names import NAMES, name_ingredient


class Lines(unittest.TestCase):
    def test_amounts_units_and_names(self) -> None:
        for text, measure, expected in (
            ("200g dark chocolate (70%), finely chopped", "metric", ("dark70", 200, "g")),
            ("- 1 1/2 cups heavy cream", "us", ("cream35", 1.5, "cup")),
            ("½ tsp salt", "metric", ("salt", 0.5, "tsp")),
            ("2½ tbsp honey", "metric", ("honey", 2.5, "tbsp")),
            ("225g/8oz caster sugar", "metric", ("sugar_caster", 225, "g")),
            ("8 oz (225 g) butter", "us", ("butter82", 225, "g")),
            ("1 cup (240 g) cream cheese", "us", ("cream_cheese", 240, "g")),
            ("300ml double cream", "imperial", ("cream48", 300, "ml")),
            ("4 fl oz whole milk", "imperial", ("milk_whole", 4, "floz")),
            ("1 stick salted butter", "us", ("butter_salted", 1, "stick")),
            ("a pinch of salt", "metric", ("salt", 1, "pinch")),
            ("1kg white chocolate 32 %", "metric", ("white32", 1, "kg")),
            ("3 drops vanilla", "metric", ("vanilla_extract", 3, "drop")),
            ("zest of 2 oranges", "metric", ("citrus_zest", 2, "piece")),
        ):
            with self.subTest(text):
                line = checked_line(text, measure)
                self.assertEqual((line.key, line.amount, line.unit), expected)

    def test_packs_carry_their_weight(self) -> None:
        for text, measure, expected in (
            ("1 x 397g tin condensed milk", "metric", (1, "tin", 397)),
            ("1 (14 oz) can sweetened condensed milk", "us", (1, "tin", 396.9)),
            ("1 tin condensed milk", "au", (1, "tin", 395)),
            ("300 ml can of condensed milk", "metric", (1, "tin", 390)),
            ("2 tubes of 185 g condensed milk", "metric", (2, "tin", 185)),
            ("2 bars dark chocolate 60 %", "us", (2, "bar", 113.4)),
            ("2 egg whites", "metric", (2, "piece", 35)),
        ):
            with self.subTest(text):
                line = checked_line(text, measure)
                size_g = line.pack_g if line.pack_g is not None else line.piece_g
                assert size_g is not None
                self.assertEqual((line.amount, line.unit), expected[:2])
                self.assertAlmostEqual(size_g, expected[2], delta=0.1)

    def test_what_is_doubtful_is_said(self) -> None:
        for text, words in (
            ("3 oz cream", "weight or fluid"),
            ("1 T rum", "threefold"),
            ("2 tbsp salt", "teaspoon"),
            ("200 g dark chocolate", "60 %"),
            ("200 g dark chocolate 90%", "taken as Dark chocolate 80 %"),
            ("vanilla", "no amount"),
            ("50 comet tails", "left out"),
            ("2 sticks of honey", "butter only"),
        ):
            with self.subTest(text):
                self.assertIn(words, " ".join(checked_line(text, "us").doubts))

    def test_a_plain_weight_raises_no_doubt(self) -> None:
        self.assertEqual(checked_line("14 oz can sweetened condensed milk", "us").doubts, ())
        self.assertEqual(checked_line("8 oz unsalted butter", "us").doubts, ())

    def test_every_name_leads_to_the_library_and_every_library_name_to_itself(self) -> None:
        for _, key, _ in NAMES:
            self.assertTrue(key == "" or key in LIBRARY, key)
        for key, row in LIBRARY.items():
            self.assertEqual(name_ingredient(row.name).key, key)
