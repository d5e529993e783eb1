"""A hundred and twenty lines as people write them, of many kitchens: read right or marked, none wrong in silence."""

import csv
import unittest
from pathlib import Path

from hearth_bowl.core.recipe.recipe import Line
from hearth_bowl.core.recipe.written.lines import WrittenLine, checked_line
from hearth_bowl.core.recipe.written.recipe import read_text

LINES = list(csv.DictReader((Path(__file__).parent / "lines.csv").read_text().splitlines(), delimiter=";"))
NONE = "-"
"""What stands for the ingredient of a line that names nothing in the library: it must be doubtful or unread."""


def grams_of(text: str, measure: str) -> float:
    line: Line = read_text(text, measure).recipe.lines[0]
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


class WordsBeside(unittest.TestCase):
    def test_a_word_that_makes_another_thing_of_it_is_doubtful(self) -> None:
        for text in (
            "100 g butter beans", "10 cream puffs", "100 g light cream cheese", "100 g butter fudge",
            "20 sugar cubes", "100 g white chocolate mousse", "50 ml sherry", "100 g figs",
        ):  # fmt: skip
            with self.subTest(text):
                self.assertTrue(checked_line(text, "metric").doubts)

    def test_what_a_thing_is_for_or_as_large_as_is_no_doubt_about_it(self) -> None:
        self.assertEqual(checked_line("200 g butter for the ganache", "metric").doubts, ())
        self.assertEqual(checked_line("butter the size of a walnut", "metric").key, "butter82")

    def test_of_two_alternatives_the_first_is_taken(self) -> None:
        self.assertEqual(checked_line("200 g butter or margarine", "metric").key, "butter82")
