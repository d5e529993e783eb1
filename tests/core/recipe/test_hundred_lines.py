"""A hundred and twenty lines as people write them, of many kitchens: read right or marked, none wrong in silence."""

import csv
import unittest
from pathlib import Path

from hearth_bowl.core.card.card import read_card
from hearth_bowl.core.recipe.recipe import Line
from hearth_bowl.core.recipe.written.lines import WrittenLine, checked_line

HERE = Path(__file__).parent
LINES = list(csv.DictReader((HERE / "lines.csv").read_text().splitlines(), delimiter=";"))
FOREIGN = list(csv.DictReader((HERE / "foreign_lines.csv").read_text().splitlines(), delimiter=";"))
CARDS = (
    "Trüffel\nZutaten für ca. 30 Stück:\n200 g Zartbitterkuvertüre\n100 ml Sahne\nZum Wälzen:\n50 g Kakao\n"
    "Zubereitung:\nDie Sahne aufkochen.\nKuvertüre darin schmelzen.",
    "Truffes\nPour 30 truffes\nIngrédients :\n250 g de chocolat noir\n20 cl de crème liquide\nPour enrober :\n"
    "30 g de cacao\nPréparation :\n1. Faire bouillir la crème.",
    "Tartufi\nIngredienti\n200 g di cioccolato fondente\n80 ml di panna\nPer la copertura:\ncacao amaro q.b.\n"
    "Preparazione\nScaldare la panna.\nUnire il cioccolato.",
    "Trufas\nIngredientes (para 25 trufas):\n250 gr. de chocolate negro\n125 ml de nata para montar\nPara rebozar:\n"
    "50 g de cacao en polvo\nElaboración:\nCalentar la nata.\nVerter sobre el chocolate.",
)
NONE = "-"
"""What stands for the ingredient of a line that names nothing in the library: it must be doubtful or unread."""


def grams_of(text: str, measure: str) -> float:
    line: Line = read_card(text, measure).recipe.lines[0]
    return line.amount_g


def is_right(row: dict[str, str], read: WrittenLine) -> bool:
    if row["ingredient"] == NONE:
        return read.key is None
    if read.key != row["ingredient"]:
        return False
    if not row["grams"]:
        return True
    wanted = float(row["grams"])
    return read.amount is not None and abs(grams_of(row["text"], row["measure"]) - wanted) <= 0.06 * wanted + 0.3


class Hundred(unittest.TestCase):
    def test_none_is_wrong_in_silence_and_nearly_all_are_right(self) -> None:
        self.assertEqual(len(LINES), 120)
        wrong = []
        for row in LINES:
            read = checked_line(row["text"], row["measure"])
            if not is_right(row, read):
                wrong.append(row["text"])
                self.assertTrue(read.doubts, f"wrong in silence: {row['text']}")
        self.assertLessEqual(len(wrong), 6, wrong)

    def test_lines_of_five_other_kitchens_are_read(self) -> None:
        for row in FOREIGN:
            with self.subTest(row["text"]):
                read = checked_line(row["text"], "metric")
                self.assertTrue(is_right({**row, "measure": "metric"}, read), read)


class Amounts(unittest.TestCase):
    def test_a_stated_amount_is_read_wherever_it_stands_and_however_it_is_joined(self) -> None:
        for text, amount, unit in (
            ("Honey, 2 tbsp", 2, "tbsp"), ("Butter: 1 stick", 1, "stick"), ("egg yolks x 3", 3, "piece"),
            ("Condensed milk (2 x 397 g)", 2, "tin"), ("397g can of condensed milk x 2", 2, "tin"),
            ("dark chocolate, 2 bars of 100 g", 2, "bar"), ("1-1/2 cups sugar", 1.5, "cup"),
            ("1 000 g sugar", 1000, "g"),
            ("2-3/4 cups icing sugar", 2.75, "cup"), ("a cup and a half of sugar", 1.5, "cup"),
            ("1 qt milk", 2, "pint"),
            ("between 100 and 120 g sugar", 100, "g"), ("seeds of 2 vanilla pods", 2, "piece"),
            ("1 cup (8 oz) butter", 8, "oz"), ("2 100 g bars dark chocolate", 2, "bar"),
            ("100 g bar chocolate x 3", 3, "bar"),
        ):  # fmt: skip
            with self.subTest(text):
                read = checked_line(text, "us")
                self.assertEqual((read.amount, read.unit), (amount, unit))

    def test_two_amounts_that_do_not_agree_are_doubtful_and_two_that_do_are_not(self) -> None:
        for text in ("200 g butter (3 oz)", "10 g gelatine in 50 g water", "1 cup (60 g) cream", "1 tbsp (50 g) honey"):
            with self.subTest(text):
                self.assertIn("which is meant", " ".join(checked_line(text, "metric").doubts))
        for text in ("200 g (7 oz) butter", "2 tbsp (30 ml) rum", "2 x 100 g butter", "1 lb 2 oz (510 g) butter"):
            with self.subTest(text):
                self.assertEqual(checked_line(text, "metric").doubts, ())


class Cards(unittest.TestCase):
    def test_a_card_of_another_kitchen_is_taken_apart(self) -> None:
        for text in CARDS:
            found = read_card(text, "metric")
            with self.subTest(found.recipe.name):
                self.assertEqual(found.unread, ())
                self.assertEqual((found.recipe.family, found.recipe.use), ("cream-ganache", "roll"))
                self.assertEqual(len(found.recipe.lines), 2)
                assert found.confection is not None
                rolled = next(part for part in found.confection.parts if part.role == "rolling")
                self.assertEqual(getattr(rolled.of, "key", None), "cocoa_powder_21")
                self.assertGreaterEqual(len([*found.recipe.steps, *found.confection.steps]), 1)
                if "30" in text or "25 trufas" in text:
                    self.assertIn(found.confection.form.pieces, (25, 30))

    def test_how_many_it_makes_is_kept_and_is_no_ingredient(self) -> None:
        text = "Fudge\nMakes 36 squares | Chill 4 h\n1. 400 g sugar\n2. 200 ml milk\n3. 100 g butter\nMethod\nBoil it."
        found = read_card(text, "metric")
        self.assertEqual((found.unread, len(found.recipe.lines)), ((), 3))
        self.assertEqual([step.text for step in found.recipe.steps], ["Boil it."])
        self.assertEqual(found.makes and found.makes.pieces, 36)
        self.assertEqual(found.recipe.family, "boiled-fudge")


class WordsBeside(unittest.TestCase):
    def test_a_word_that_makes_another_thing_of_it_is_doubtful(self) -> None:
        for text in (
            "100 g butter beans", "10 cream puffs", "100 g light cream cheese", "100 g butter fudge",
            "20 sugar cubes", "100 g salted cashews", "200 g unsweetened chestnut purée",
            "50 g sweetened cocoa powder", "80 g sweetened coconut", "2 tbsp chocolate spread",
            "100 g white chocolate mousse", "50 ml sherry", "100 g figs",
        ):  # fmt: skip
            with self.subTest(text):
                self.assertTrue(checked_line(text, "metric").doubts)

    def test_what_a_thing_is_for_or_as_large_as_is_no_doubt_about_it(self) -> None:
        self.assertEqual(checked_line("200 g butter for the ganache", "metric").doubts, ())
        self.assertEqual(checked_line("butter the size of a walnut", "metric").key, "butter82")

    def test_of_two_alternatives_the_first_is_taken(self) -> None:
        self.assertEqual(checked_line("200 g butter or margarine", "metric").key, "butter82")
