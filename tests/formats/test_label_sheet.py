"""A label of any size holds all of its words within its edge, or is refused with a size that does."""

import re
import unittest
from itertools import pairwise
from typing import Any
from xml.etree import ElementTree

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.confection_file import LabelAnswer
from hearth_bowl.formats.label_sheet import USUAL_SHEETS, Besides, Sheet, checked_sheet, label_svg, labels_pdf
from hearth_bowl.formats.letters import width_mm
from tests.pdf_text import page_count

TEXT = "{http://www.w3.org/2000/svg}text"
WORDS = st.text("abcdefghijklmnopqrstuvwxyzäéßŁő", min_size=1, max_size=14)
NAMES = st.lists(WORDS, min_size=1, max_size=4).map(" ".join)
ROWS = st.lists(st.tuples(NAMES, st.booleans()), min_size=1, max_size=14)


def label(name: str, rows: list[tuple[str, bool]], alcohol: bool = False) -> LabelAnswer:
    return {
        "name": name,
        "net_g": 153.0,
        "may_contain": ["peanut"],
        "ingredients": [{"text": text, "allergen": allergen} for text, allergen in rows],
        "contains_alcohol": {"g_each": 0.31} if alcohol else None,
        "keep": "Keep in the fridge, at 5 °C or colder.",
        "made": "2026-08-12",
        "best_before": "2026-08-15",
        "cautions": ["Contains honey: not for infants under one year."],
        "defer": "A guide for home use.",
    }


PLAIN = label("Comet eggs", [("Dark chocolate 60 % (soya)", True), ("Salt", False)])


class AnySize(unittest.TestCase):
    def rows(self, found: LabelAnswer, sheet: Sheet) -> list[ElementTree.Element]:
        return list(ElementTree.fromstring(label_svg(found, sheet, Besides(line="By the telescope club"))).iter(TEXT))

    def check(self, found: LabelAnswer, sheet: Sheet) -> None:
        rows = self.rows(found, sheet)
        said = re.sub(r"\s+", " ", " ".join(row.text or "" for row in rows))
        for row in found["ingredients"]:
            for word in row["text"].split():
                self.assertIn(word, said)
        for needed in (found["best_before"], found["net_g"], "peanut", "honey", "telescope"):
            self.assertIn(f"{needed:.0f}" if isinstance(needed, float) else needed, said)
        for row in rows:
            x, y, size, long = (float(row.attrib[name]) for name in ("x", "y", "font-size", "textLength"))
            self.assertGreaterEqual(size, 1.7)
            self.assertGreaterEqual(x, 1.9)
            self.assertLessEqual(x + long, sheet.width_mm - 1.9)
            self.assertLessEqual(y, sheet.height_mm - 1.9)

    @settings(max_examples=40, deadline=None)
    @given(NAMES, ROWS, st.sampled_from(("square", "round", "strip")), st.floats(25, 150), st.floats(15, 150))
    def test_it_fits_or_a_size_is_named_that_does(
        self, name: str, rows: list[tuple[str, bool]], shape: Any, wide: float, high: float
    ) -> None:
        found = label(name, rows)
        sheet = Sheet(shape=shape, width_mm=wide, height_mm=wide if shape == "round" else high, rows=1, columns=1)
        try:
            self.check(found, sheet)
        except BadInput as problem:
            self.assertEqual(problem.field, ("width_mm",))
            least = [float(figure) + 1 for figure in re.findall(r"\d+", problem.allowed)]
            larger = Sheet(shape=shape, width_mm=least[0], height_mm=least[1], rows=1, columns=1)
            if larger.width_mm <= 200 and larger.height_mm <= 280:
                self.check(found, larger)

    def test_lines_never_lie_on_each_other(self) -> None:
        for sheet in USUAL_SHEETS:
            lines: dict[tuple[int, float], float] = {}
            for row in self.rows(PLAIN, sheet):
                column = int(float(row.attrib["x"]) * 3 / sheet.width_mm) if sheet.shape == "strip" else 0
                lines[column, float(row.attrib["y"])] = float(row.attrib["font-size"])
            ordered = sorted(lines.items())
            for ((column, y), _), ((other, below), size) in pairwise(ordered):
                if column == other:
                    self.assertGreaterEqual(below - y, size * 0.95)


class Sheets(unittest.TestCase):
    def test_the_usual_ones_lie_on_their_pages_and_hold_an_ordinary_label(self) -> None:
        for sheet in USUAL_SHEETS:
            checked_sheet(sheet)
            each = sheet.rows * sheet.columns
            self.assertEqual(page_count(labels_pdf(PLAIN, sheet, each, Besides())), 1)
            self.assertEqual(page_count(labels_pdf(PLAIN, sheet, each + 1, Besides())), 2)

    def test_alcohol_is_told_in_grams_a_piece_and_energy_only_where_it_is_asked_for(self) -> None:
        sheet = USUAL_SHEETS[0]
        with_alcohol = label_svg(
            label("Cones", [("Cream", True)], alcohol=True), sheet, Besides(energy="Energy 480 kcal")
        )
        self.assertIn("0.31", with_alcohol)
        self.assertIn("Energy", with_alcohol)
        without = label_svg(PLAIN, sheet, Besides())
        self.assertNotIn(">Contains alcohol<", without)
        self.assertNotIn("Energy", without)

    def test_an_ampersand_and_a_bracket_are_words_and_no_markup(self) -> None:
        drawn = label_svg(label("Salt & <pepper>", [("Salt", False)]), USUAL_SHEETS[0], Besides())
        title = next(ElementTree.fromstring(drawn).iter(TEXT))
        self.assertEqual(title.text, "Salt & <pepper>")

    def test_bold_is_wider_than_plain(self) -> None:
        self.assertGreater(width_mm("Hazelnuts", 10, bold=True), width_mm("Hazelnuts", 10) * 1.02)


if __name__ == "__main__":
    unittest.main()
