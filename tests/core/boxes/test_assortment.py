"""Boxes of an assortment: pieces, shared recipes and chocolate, whole moulds, cost and the box itself."""

import unittest
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.boxes.assortment import Assortment, RowAsk, plan_boxes
from hearth_bowl.core.boxes.shopping import PackFor, Stock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import Box, checked_vessel
from hearth_bowl.core.ingredients.library import find
from tests.kitchen import R1, asked, recipe

GANACHE = recipe(**R1)
NUTS = recipe("nut-paste", "roll", hazelnut_paste=200, milk38=200)
EGGS = checked_vessel("mould", "weighed", {"water_g": 15, "cavities": 10})
CONES = checked_vessel("mould", "cone", {"rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20})
BALLS = checked_vessel("pieces", "", {"piece_g": 12})
HALVES = asked(EGGS, shell="dark60", halves=True)
DARK, BASIC = find("dark60"), find("compound_dark")
STOCK = {
    "dark60": Stock(in_house_g=200, packs=(PackFor(pack_g=1000, price=14.0),)),
    "compound_dark": Stock(packs=(PackFor(pack_g=1000, price=6.0),)),
    "cream38": Stock(packs=(PackFor(pack_g=500, price=2.4),)),
}


def rows(**changes: Any) -> list[RowAsk]:
    return [
        RowAsk(
            recipe=GANACHE,
            vessel=CONES,
            vessel_name="Signal cones",
            ask=asked(CONES, shell="dark60"),
            per_box=4,
            spares=2,
            **changes,
        ),
        RowAsk(recipe=GANACHE, vessel=EGGS, vessel_name="Egg mould", ask=HALVES, per_box=2),
        RowAsk(recipe=NUTS, vessel=BALLS, vessel_name="", ask=asked(BALLS, shell="dark60"), per_box=3),
    ]


def planned(boxes: int = 9, **more: Any) -> Assortment:
    return plan_boxes(rows(), boxes, STOCK, [DARK, BASIC, find("milk33")], **more)


class Boxes(unittest.TestCase):
    def test_pieces_are_of_all_boxes_and_spares(self) -> None:
        found = planned()
        self.assertEqual([row.pieces for row in found.rows], [38, 18, 27])
        self.assertEqual(found.pieces, 83)

    def test_a_shared_recipe_is_made_once(self) -> None:
        found = planned()
        ganache, nuts = found.recipes
        self.assertAlmostEqual(ganache.batch_g, found.rows[0].fit.batch_g + found.rows[1].fit.batch_g)
        self.assertAlmostEqual(nuts.batch_g, found.rows[2].fit.batch_g)

    def test_one_chocolate_has_one_plan_and_mould_turns_are_counted(self) -> None:
        found = planned()
        (plan,) = found.pours
        self.assertEqual(plan.turns, 2 + 4)
        kept = 0.0
        for row in found.rows:
            assert row.fit.shell is not None
            kept += row.fit.shell.total_g + row.fit.shell.pieces * row.fit.shell.seam_g
        self.assertAlmostEqual(plan.kept_g, kept)
        self.assertAlmostEqual(plan.melted_g, plan.kept_g + plan.back_g)

    def test_shopping_covers_recipes_and_what_is_melted(self) -> None:
        found = planned()
        items = {item.label: item for item in found.shopping.items}
        melted = found.pours[0].melted_g
        in_ganache = found.rows[0].fit.amounts_g[0] + found.rows[1].fit.amounts_g[0]
        self.assertAlmostEqual(items["dark60"].needed_g, melted + in_ganache)
        self.assertIn("Hazelnut paste", " ".join(found.shopping.unpriced))

    def test_whole_moulds_fill_the_last_one(self) -> None:
        found = plan_boxes(rows(whole_moulds=True), 9, STOCK)
        self.assertEqual((found.rows[0].pieces, found.rows[0].extra), (40, 2))

    def test_a_basic_chocolate_is_offered_with_its_cost(self) -> None:
        first = planned().rows[0]
        (other,) = first.other_shells
        self.assertEqual((other.label, other.needs_tempering), ("compound_dark", False))
        assert first.fit.shell is not None
        saved = (first.fit.shell.shell_g + first.fit.shell.cap_g) * (14 - 6) / 1000
        self.assertAlmostEqual((first.cost_per_piece or 0) - other.cost_per_piece, saved)

    def test_a_box_says_how_it_fills(self) -> None:
        found = planned(box=Box(length_mm=120, width_mm=80, depth_mm=30))
        assert found.box is not None
        self.assertGreater(found.box.covered_pct, 60)
        self.assertEqual(found.box.layers, 1 if found.box.covered_pct <= 100 else 2)

    def test_refused(self) -> None:
        none_in_a_box = [RowAsk(recipe=NUTS, vessel=BALLS, vessel_name="", ask=asked(BALLS), per_box=0)]
        for wanted, boxes, field in (
            ([], 3, ("rows",)),
            (rows(), 0, ("boxes",)),
            (none_in_a_box, 3, ("rows", 0, "per_box")),
            (rows(owned=0), 3, ("rows", 0, "owned")),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                plan_boxes(wanted, boxes, {})
            self.assertEqual(caught.exception.field, field)


@st.composite
def asked_rows(draw: st.DrawFn) -> list[RowAsk]:
    """Return one to three kinds of piece, from moulds, eggs and balls, with and without a coat."""
    kinds = ((GANACHE, CONES, False), (GANACHE, EGGS, True), (NUTS, BALLS, False))
    chosen = draw(st.lists(st.sampled_from(kinds), min_size=1, max_size=3))
    return [
        RowAsk(
            recipe=made,
            vessel=vessel,
            vessel_name=f"Vessel {number}",
            ask=asked(vessel, shell=draw(st.sampled_from(["dark60", "compound_dark"])), halves=halves),
            per_box=draw(st.integers(1, 6)),
            spares=draw(st.integers(0, 5)),
            owned=draw(st.integers(1, 3)),
            whole_moulds=draw(st.booleans()),
        )
        for number, (made, vessel, halves) in enumerate(chosen)
    ]


class ManyBoxes(unittest.TestCase):
    @settings(max_examples=60, deadline=None)
    @given(asked_rows(), st.integers(1, 40), st.sampled_from([None, 600.0, 1500.0]))
    def test_mass_and_money_close(self, asked: list[RowAsk], boxes: int, pot_g: float | None) -> None:
        found = plan_boxes(asked, boxes, STOCK, [DARK, BASIC], pot_g=pot_g)
        for row, ask in zip(found.rows, asked, strict=True):
            wanted = boxes * ask.per_box + ask.spares
            self.assertEqual(row.pieces - row.extra, wanted)
            self.assertEqual(row.extra == 0 or ask.whole_moulds, True)
        self.assertAlmostEqual(
            sum(total.batch_g for total in found.recipes), sum(row.fit.batch_g for row in found.rows), places=4
        )
        kept: dict[str, float] = {}
        for row, ask in zip(found.rows, asked, strict=True):
            assert row.fit.shell is not None
            assert ask.ask.shell is not None
            all_g = row.fit.shell.total_g + row.fit.shell.pieces * row.fit.shell.seam_g
            kept[ask.ask.shell] = kept.get(ask.ask.shell, 0.0) + all_g
        self.assertEqual(set(kept), {plan.chocolate for plan in found.pours})
        for plan in found.pours:
            self.assertAlmostEqual(plan.kept_g, kept[plan.chocolate], places=4)
            self.assertAlmostEqual(plan.start_g + plan.refilled_g, plan.kept_g + plan.back_g, places=4)
            self.assertAlmostEqual(sum(pour.kept_g for pour in plan.pours), plan.kept_g, places=4)
            for pour in plan.pours:
                self.assertGreaterEqual(pour.pot_before_g, pour.needs_g - 1e-6, "the pot holds what a pour needs")
                if pot_g is not None and not plan.notes:
                    self.assertLessEqual(pour.pot_before_g, pot_g + 1e-6)
        for item in found.shopping.items:
            packs_g = sum(buy.count * buy.pack_g for buy in item.buy)
            there_g = (item.in_house_g or 0.0) + (packs_g or item.buy_g)
            self.assertAlmostEqual(there_g - item.needed_g, item.left_g, places=4)
            self.assertGreaterEqual(item.left_g, -1e-6)
            if item.buy:
                smallest = min(buy.pack_g for buy in item.buy)
                self.assertLess(item.left_g, smallest + 1e-6, "no pack is bought that nothing needs")
        costs = [item.cost for item in found.shopping.items if item.cost is not None]
        self.assertAlmostEqual(found.shopping.cost, sum(costs), places=6)

    @settings(max_examples=40, deadline=None)
    @given(asked_rows(), st.integers(1, 20))
    def test_more_boxes_take_more_of_everything(self, asked: list[RowAsk], boxes: int) -> None:
        few, many = plan_boxes(asked, boxes, STOCK), plan_boxes(asked, boxes + 1, STOCK)
        self.assertGreaterEqual(many.pieces, few.pieces)
        self.assertGreaterEqual(sum(p.kept_g for p in many.pours), sum(p.kept_g for p in few.pours) - 1e-6)
        self.assertGreaterEqual(sum(p.turns for p in many.pours), sum(p.turns for p in few.pours))


if __name__ == "__main__":
    unittest.main()
