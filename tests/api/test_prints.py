"""Pages to print: each a PDF on the paper that is asked for; and a box as it is packed."""

import re
import unittest

from hearth_bowl.core.boxes.box_card import Lies, Packed, places_in
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import Box
from tests.api.app_case import AppCase
from tests.pdf_text import drawn_pages, page_count

PAPER_PT = {"a4": (595.28, 841.89), "letter": (612.0, 792.0)}
PAGES = (
    "/api/recipes/1/card.pdf",
    "/api/occasions/1/order.pdf",
    "/api/occasions/1/shopping.pdf",
    "/api/occasions/1/box-card.pdf",
    "/api/batches/26/page.pdf",
)


def overlap(one: Lies, other: Lies) -> bool:
    return (
        one.layer == other.layer
        and one.x_mm < other.x_mm + other.long_mm - 0.1
        and other.x_mm < one.x_mm + one.long_mm - 0.1
        and one.y_mm < other.y_mm + other.wide_mm - 0.1
        and other.y_mm < one.y_mm + one.wide_mm - 0.1
    )


class Packing(unittest.TestCase):
    """Each piece has a place of its own within the box."""

    def test_no_two_pieces_share_a_place_and_none_leaves_the_box(self) -> None:
        box = Box(length_mm=180, width_mm=120, depth_mm=40)
        kinds = [Packed(pieces=5, long_mm=30, wide_mm=30), Packed(pieces=7, long_mm=55, wide_mm=28)]
        kinds.append(Packed(pieces=3, long_mm=42, wide_mm=42))
        places = places_in(box, kinds)
        self.assertEqual([sum(place.kind == kind for place in places) for kind in range(3)], [5, 7, 3])
        for number, one in enumerate(places):
            self.assertLessEqual(one.x_mm + one.long_mm, 180.02)
            self.assertLessEqual(one.y_mm + one.wide_mm, 120.02)
            self.assertFalse(any(overlap(one, other) for other in places[:number]))

    def test_what_fills_a_layer_exactly_takes_one_and_a_larger_piece_is_named(self) -> None:
        box = Box(length_mm=120, width_mm=90, depth_mm=40)
        self.assertEqual({one.layer for one in places_in(box, [Packed(pieces=12, long_mm=30, wide_mm=30)])}, {0})
        self.assertEqual({one.layer for one in places_in(box, [Packed(pieces=13, long_mm=30, wide_mm=30)])}, {0, 1})
        with self.assertRaises(BadInput) as caught:
            places_in(box, [Packed(pieces=1, long_mm=130, wide_mm=100)])
        self.assertEqual(caught.exception.field, ("rows", 0))


class Prints(AppCase):
    demo = True
    season = True

    def test_every_page_is_on_the_paper_that_was_asked_for(self) -> None:
        for path in PAGES:
            for paper, (width, height) in PAPER_PT.items():
                with self.subTest(path, paper=paper):
                    answer = self.client.get(f"{path}?page={paper}")
                    self.assertEqual(answer.status_code, 200, answer.data[:300])
                    self.assertEqual(answer.content_type, "application/pdf")
                    size = re.search(rb"/MediaBox \[ 0 0 ([\d.]+) ([\d.]+) \]", answer.data)
                    assert size is not None
                    self.assertAlmostEqual(float(size[1]), width, delta=0.1)
                    self.assertAlmostEqual(float(size[2]), height, delta=0.1)
                    self.assertEqual(page_count(answer.data), len(drawn_pages(answer.data)))

    def test_one_sheet_holds_a_card_and_the_box_with_its_legend(self) -> None:
        for path in ("/api/recipes/1/card.pdf", "/api/occasions/1/box-card.pdf", "/api/occasions/1/shopping.pdf"):
            self.assertEqual(page_count(self.client.get(path).data), 1, path)

    def test_what_cannot_be_printed_says_why(self) -> None:
        problem = self.refused("GET", "/api/recipes/1/card.pdf?page=a3", 422)
        self.assertEqual(problem["errors"][0]["path"][-1], "page")
        self.refused("GET", "/api/recipes/999/card.pdf", 404)
        self.client.delete("/api/occasions/1/order")
        problem = self.refused("GET", "/api/occasions/1/order.pdf", 422)
        self.assertEqual(problem["errors"][0]["path"][-1], "order")
        stored = self.client.get("/api/occasions").get_json()["occasions"][0]
        without = {**stored["asked"], "box_vessel_id": None}
        self.client.put("/api/occasions/1", json={"revision": stored["revision"], "asked": without})
        problem = self.refused("GET", "/api/occasions/1/box-card.pdf", 422)
        self.assertEqual(problem["errors"][0]["path"][-1], "box_vessel_id")


if __name__ == "__main__":
    unittest.main()
