"""The marking guide at true scale, the shopping list as files, and moments as a calendar."""

import csv
import io
import re
import unittest
from datetime import UTC, datetime
from typing import Any
from xml.etree import ElementTree

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.boxes.shopping import PackFor, Stock, shop
from hearth_bowl.core.cooling.chain import CHAINS, chain_of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.fit.marking import Guide, guide
from hearth_bowl.core.fit.slab import cut_of
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.quantities import plain
from hearth_bowl.formats.calendar_file import chain_ics
from hearth_bowl.formats.marking_guide import guide_pdf, guide_svg
from hearth_bowl.formats.shopping_file import shopping_csv, shopping_text
from tests.kitchen import R1, asked, recipe

MADE = recipe(**R1)
SVG = "{http://www.w3.org/2000/svg}"


def guide_of(pan: dict[str, Any], **ask: Any) -> Guide:
    shape = "round" if "diameter_mm" in pan else "rectangle"
    vessel: Any = checked_vessel("pan", shape, {"depth_mm": 30, **pan})
    given: Any = asked(vessel, **ask)
    return guide(vessel, cut_of(vessel, given), given.kerf_mm, fit(MADE, vessel, given).piece_g or 0.0)


def pages(pdf: bytes) -> int:
    return len(re.findall(rb"/Type /Page\b(?!s)", pdf))


class MarkingGuide(unittest.TestCase):
    @settings(max_examples=25, deadline=None)
    @given(
        length=st.integers(100, 400),
        width=st.integers(80, 300),
        pieces=st.integers(1, 60),
        trim=st.floats(0, 8),
        kerf=st.floats(0, 3),
    )
    def test_one_topping_sits_in_the_middle_of_every_piece(
        self, length: int, width: int, pieces: int, trim: float, kerf: float
    ) -> None:
        found = guide_of({"length_mm": length, "width_mm": width}, pieces=pieces, trim_mm=trim, kerf_mm=kerf)
        self.assertGreaterEqual(len(found.toppings), pieces)
        for x, y in found.toppings:
            self.assertTrue(trim < x < length - trim and trim < y < width - trim)
        along = [x0 for x0, y0, x1, y1 in found.marks if y0 == 0 and x0 == x1]
        self.assertAlmostEqual(min(along), trim, places=6)
        self.assertAlmostEqual(max(along), length - trim, places=6)

    def test_the_svg_is_as_large_as_the_pan_and_says_its_distances(self) -> None:
        found = guide_of({"length_mm": 230, "width_mm": 230}, pieces=36)
        root = ElementTree.fromstring(guide_svg(found, "Fudge <3"))
        self.assertEqual((root.get("width"), root.get("viewBox")), ("258mm", "0 0 258 280"))
        texts = [node.text or "" for node in root.iter(f"{SVG}text")]
        self.assertIn("38.3", texts)
        self.assertIn("Fudge <3: 36 pieces, 38.3 x 38.3 mm", plain(" ".join(texts)))
        self.assertEqual(len(list(root.iter(f"{SVG}circle"))), 36)

    def test_a_round_slab_has_its_circle_and_whole_pieces_only(self) -> None:
        root = ElementTree.fromstring(guide_svg(guide_of({"diameter_mm": 230}, piece_mm=(25.0, 25.0)), "Fudge"))
        self.assertEqual(len(list(root.iter(f"{SVG}circle"))), 1 + 52)

    def test_the_pdf_takes_as_many_sheets_as_the_pan_needs(self) -> None:
        for pan, sheets in (
            ({"length_mm": 150, "width_mm": 150}, 1),
            ({"length_mm": 230, "width_mm": 120}, 1),
            ({"length_mm": 230, "width_mm": 230}, 4),
            ({"length_mm": 420, "width_mm": 300}, 6),
        ):
            pdf = guide_pdf(guide_of(pan, pieces=20), "الحلوى 🍫 Fudge")
            self.assertEqual(pages(pdf), sheets, pan)
        small = guide_of({"diameter_mm": 100}, pieces=4)
        self.assertIn(b"/MediaBox [ 0 0 595.2756 841.8898 ]", guide_pdf(small, "x"))
        self.assertIn(b"/MediaBox [ 0 0 612 792 ]", guide_pdf(small, "x", "letter"))

    def test_an_uncut_slab_has_no_guide(self) -> None:
        with self.assertRaises(BadInput):
            guide_of({"length_mm": 100, "width_mm": 100})


class ShoppingFiles(unittest.TestCase):
    def setUp(self) -> None:
        packs = (PackFor(pack_g=1000, price=13.0), PackFor(pack_g=200, price=3.0))
        self.wanted = shop(
            {"dark60": 1350.0, "cream35": 100.0, "=cmd()": 5.0},
            {"dark60": "Dark chocolate", "cream35": "Cream"},
            {"dark60": Stock(in_house_g=200, packs=packs), "cream35": Stock(in_house_g=300)},
        )

    def test_the_csv_closes_and_runs_nothing(self) -> None:
        rows = list(csv.DictReader(io.StringIO(shopping_csv(self.wanted))))
        dark = [row for row in rows if row["ingredient"] == "Dark chocolate"]
        bought = sum(float(row["buy_g"]) for row in dark)
        self.assertAlmostEqual(200 + bought, 1350 + float(dark[0]["left_g"]))
        self.assertEqual(rows[-1]["ingredient"], "'=cmd()")

    def test_the_text_says_what_to_buy_and_what_is_there(self) -> None:
        text = shopping_text(self.wanted, "Open evening")
        self.assertIn("- Dark chocolate: 1 x 1000 g and 1 x 200 g (1350 g needed, 50 g left after), 16.00", text)
        self.assertIn("In stock\n- Cream: 100 g needed, 200 g left after", text)
        self.assertIn("Together 16.00 or more", text)


class Calendar(unittest.TestCase):
    def test_every_look_is_an_event_at_its_moment(self) -> None:
        began = datetime(2026, 8, 21, 18, 0, tzinfo=UTC)
        for kind in CHAINS:
            looks = chain_of(kind, 75)
            text = chain_ics(looks, "Fudge; with, signs", began).decode()
            self.assertEqual(text.count("BEGIN:VEVENT"), len(looks))
            self.assertEqual(len(set(re.findall(r"UID:(.*)", text))), len(looks))
            self.assertIn(r"Fudge\; with\, signs", text)


if __name__ == "__main__":
    unittest.main()
