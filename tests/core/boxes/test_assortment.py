"""Boxes of an occasion: pieces, shared recipes and chocolate, whole moulds, cost and the box itself."""

import unittest
from dataclasses import replace
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.boxes.assortment import Assortment, RowAsk, plan_boxes
from hearth_bowl.core.boxes.shopping import PackFor, Stock, prices_of, shop
from hearth_bowl.core.confection.confection import Blend, Confection, Extra, Form, Part
from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.price import piece_cost
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import Ask
from hearth_bowl.core.fit.vessel import Box, Mould, Vessel, checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.recipe import Recipe
from tests.kitchen import R1, asked, recipe

GANACHE = recipe(**R1)
NUTS = recipe("nut-paste", "roll", hazelnut_paste=200, milk38=200)
EGGS = checked_vessel("mould", "weighed", {"water_g": 15, "cavities": 10})
CONES = checked_vessel("mould", "cone", {"rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20})
BALLS = checked_vessel("pieces", "", {"piece_g": 12})
CAKE = checked_vessel(
    "cake", "round", {"diameter_mm": 180, "height_mm": 80, "filling_mm": 5, "coat_mm": 4, "fillings": 2}
)
EXTRA = Extra(name="foil", each=2)
HALVES = asked(EGGS, shell="dark60", halves=True)
DARK, BASIC = find("dark60"), find("compound_dark")
STOCK = {
    "dark60": Stock(in_house_g=200, packs=(PackFor(pack_g=1000, price=14.0),)),
    "compound_dark": Stock(packs=(PackFor(pack_g=1000, price=6.0),)),
    "cream38": Stock(packs=(PackFor(pack_g=500, price=2.4),)),
}


def row(
    made: Recipe, vessel: Vessel, ask: Ask, per_box: int, vessel_name: str = "", owned: int = 1, **more: Any
) -> RowAsk:
    one = confection_of(made, vessel, ask)
    owned = owned if isinstance(vessel, Mould) else 1
    return RowAsk(
        confection=replace(one, form=replace(one.form, name=vessel_name, owned=owned)), per_box=per_box, **more
    )


def rows(**changes: Any) -> list[RowAsk]:
    return [
        row(GANACHE, CONES, asked(CONES, shell="dark60"), 4, "Signal cones", spares=2, **changes),
        row(GANACHE, EGGS, HALVES, 2, "Egg mould"),
        row(NUTS, BALLS, asked(BALLS, shell="dark60"), 3),
    ]


def worked_rows(boxes: int, wanted: list[RowAsk]) -> list[Worked]:
    """Work each row's confection out by itself, for so many pieces as the boxes take."""
    return [
        work_out(replace(one.confection, form=replace(one.confection.form, pieces=boxes * one.per_box + one.spares)))
        for one in wanted
    ]


def planned(boxes: int = 9, **more: Any) -> Assortment:
    return plan_boxes(rows(), boxes, STOCK, [DARK, BASIC, find("milk33")], **more)


class Boxes(unittest.TestCase):
    def test_pieces_are_of_all_boxes_and_spares(self) -> None:
        found = planned()
        self.assertEqual([row.pieces for row in found.rows], [38, 18, 27])
        self.assertEqual(found.pieces, 83)

    def test_a_shared_recipe_is_made_once(self) -> None:
        cones, eggs, balls = worked_rows(9, rows())
        ganache, nuts = planned().recipes
        self.assertAlmostEqual(ganache.batch_g, cones.batches[0].make_g + eggs.batches[0].make_g)
        self.assertAlmostEqual(nuts.batch_g, balls.batches[0].make_g)

    def test_one_chocolate_has_one_plan_and_mould_turns_are_counted(self) -> None:
        (plan,) = planned().pours
        self.assertEqual(plan.turns, 2 + 4)
        kept = sum(melt.kept_g for one in worked_rows(9, rows()) for melt in one.chocolate)
        self.assertAlmostEqual(plan.kept_g, kept)
        self.assertAlmostEqual(plan.melted_g, plan.kept_g + plan.back_g)

    def test_shopping_covers_recipes_and_what_is_melted(self) -> None:
        found = planned()
        items = {item.label: item for item in found.shopping.items}
        in_ganache = sum(
            weigh.amount_g
            for one in worked_rows(9, rows())[:2]
            for weigh in one.batches[0].weigh
            if weigh.ingredient.label == "dark60"
        )
        self.assertAlmostEqual(items["dark60"].needed_g, found.pours[0].melted_g + in_ganache)
        self.assertIn("Hazelnut paste", " ".join(found.shopping.unpriced))

    def test_a_row_costs_weighs_and_tells_what_its_confection_does(self) -> None:
        eggs = worked_rows(9, rows())[1]
        found = planned()
        told = found.rows[1]
        self.assertEqual((told.pieces, told.halves, told.pours), (eggs.pieces, eggs.laid.halves, eggs.laid.pours))
        self.assertEqual(
            (told.piece_g, told.allergens, told.keeping), (eggs.piece_g, eggs.allergens_named, eggs.keeping)
        )
        self.assertEqual(told.cost, piece_cost(eggs, {"dark60": 0.014, "compound_dark": 0.006, "cream38": 2.4 / 500}))
        self.assertEqual(found.allergens, ("milk", "nuts", "soya"))
        self.assertEqual(found.keeping.days_high, min(one.keeping.days_high for one in found.rows))

    def test_any_parts_go_into_a_box_and_all_of_them_are_bought(self) -> None:
        blend = Blend(parts=((find("milk38"), 3.0), (DARK, 2.0)))
        parts = (
            Part(role="shell", of=blend),
            Part(role="filling", of=GANACHE),
            Part(role="filling", of=find("hazelnut_whole"), g_each=1.5),
        )
        one = Confection(name="Comets", form=Form(vessel=CONES, name="Cones"), parts=parts, extras=(EXTRA,))
        found = plan_boxes([RowAsk(confection=one, per_box=3, spares=1)], 4, STOCK)
        (told,) = found.rows
        self.assertEqual([(extra.name, extra.count) for extra in told.extras], [("foil", 26)])
        self.assertEqual(told.other_shells, (), "a blend is not one chocolate")
        needed = {item.label: item.needed_g for item in found.shopping.items}
        self.assertAlmostEqual(needed["hazelnut_whole"], 13 * 1.5)
        (plan,) = found.pours
        self.assertAlmostEqual(needed["milk38"], plan.melted_g * 3 / 5)
        (worked,) = worked_rows(4, [RowAsk(confection=one, per_box=3, spares=1)])
        self.assertAlmostEqual(needed["dark60"] - plan.melted_g * 2 / 5, worked.batches[0].weigh[0].amount_g)

    def test_whole_moulds_fill_the_last_one(self) -> None:
        found = plan_boxes(rows(whole_moulds=True), 9, STOCK)
        self.assertEqual((found.rows[0].pieces, found.rows[0].extra), (40, 2))

    def test_a_basic_chocolate_is_offered_with_its_cost(self) -> None:
        first = planned().rows[0]
        (other,) = first.other_shells
        self.assertEqual((other.label, other.needs_tempering), ("compound_dark", False))
        assert first.cost is not None
        (shell,) = (part for part in worked_rows(9, rows())[0].parts if part.part.role == "shell")
        self.assertAlmostEqual(first.cost.per_piece - other.cost_per_piece, shell.each_g * (14 - 6) / 1000)

    def test_a_box_says_how_it_fills(self) -> None:
        found = planned(box=Box(length_mm=120, width_mm=80, depth_mm=30))
        assert found.box is not None
        self.assertGreater(found.box.covered_pct, 60)
        self.assertEqual(found.box.layers, 1 if found.box.covered_pct <= 100 else 2)

    def test_cakes_go_into_an_occasion_as_whole_cakes(self) -> None:
        one, three = (worked_rows(count, [row(GANACHE, CAKE, asked(CAKE), 1)])[0] for count in (1, 3))
        self.assertEqual((one.pieces, three.pieces), (1, 3))
        self.assertAlmostEqual(three.parts[0].make_g, 3 * one.parts[0].make_g)
        self.assertAlmostEqual(three.piece_g, one.piece_g)

    def test_refused(self) -> None:
        none_in_a_box = [row(NUTS, BALLS, asked(BALLS), 0)]
        for wanted, boxes, field in (
            ([], 3, ("rows",)),
            (rows(), 0, ("boxes",)),
            (none_in_a_box, 3, ("rows", 0, "per_box")),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                plan_boxes(wanted, boxes, {})
            self.assertEqual(caught.exception.field, field)


def rows_blend(found: Assortment) -> str:
    """Return the name that the pours give to what is not one chocolate."""
    return next(plan.chocolate for plan in found.pours if " and " in plan.chocolate)


@st.composite
def asked_rows(draw: st.DrawFn) -> list[RowAsk]:
    """Return one to three kinds of piece, from moulds, eggs and balls, with and without a coat."""
    kinds = ((GANACHE, CONES, False), (GANACHE, EGGS, True), (NUTS, BALLS, False))
    chosen = draw(st.lists(st.sampled_from(kinds), min_size=1, max_size=3))
    return [
        row(
            made,
            vessel,
            asked(vessel, shell=draw(st.sampled_from(["dark60", "compound_dark"])), halves=halves),
            draw(st.integers(1, 6)),
            f"Vessel {number}",
            draw(st.integers(1, 3)),
            spares=draw(st.integers(0, 5)),
            whole_moulds=draw(st.booleans()),
        )
        for number, (made, vessel, halves) in enumerate(chosen)
    ]


class WorkOrder(unittest.TestCase):
    def test_nut_free_comes_first_and_peanuts_last_with_a_change_over_between(self) -> None:
        peanut = recipe("nut-paste", "roll", peanut_butter=200, milk38=200)
        wanted = [row(made, BALLS, asked(BALLS, shell="dark60"), 2) for made in (peanut, NUTS, GANACHE)]
        order = plan_boxes(wanted, 5, STOCK).order
        self.assertEqual([step.row for step in order], [2, 1, 0])
        self.assertEqual([step.holds for step in order], [(), ("hazelnut",), ("peanut",)])
        self.assertIsNone(order[0].change_over)
        self.assertIn("there are nuts", order[1].change_over or "")
        self.assertIn("there are peanuts", order[2].change_over or "")

    def test_nuts_are_dipped_after_all_else_that_the_pot_serves(self) -> None:
        wanted = [
            row(NUTS, BALLS, asked(BALLS, shell="dark60"), 4),
            row(GANACHE, CONES, asked(CONES, shell="dark60"), 4, "Signal cones"),
            row(NUTS, EGGS, asked(EGGS, shell="dark60"), 2, "Egg mould"),
            row(GANACHE, EGGS, asked(EGGS, shell="dark60"), 2, "Egg mould"),
        ]
        names = ("with nuts, dipped", "plain", "with nuts, moulded", "plain too")
        named = [
            replace(one, confection=replace(one.confection, name=name)) for one, name in zip(wanted, names, strict=True)
        ]
        (plan,) = plan_boxes(named, 12, STOCK, pot_g=2000).pours
        made = [(pour.name, pour.task) for pour in plan.pours]
        nuts = [place for place, (name, task) in enumerate(made) if "nuts" in name and task != "shell"]
        others = [place for place, (name, _) in enumerate(made) if "nuts" not in name]
        self.assertLess(max(others), min(nuts))
        self.assertIn("What holds nuts comes last", " ".join(plan.notes))

    def test_packs_of_several_sizes_stand_beside_each_other(self) -> None:
        packs = (PackFor(pack_g=200, price=3.2), PackFor(pack_g=100, price=1.9))
        (item,) = shop({"dark60": 1050}, {"dark60": "Dark"}, {"dark60": Stock(packs=packs)}).items
        told = [(choice.count, choice.pack_g, round(choice.cost or 0, 2), choice.left_g) for choice in item.choices]
        self.assertEqual(told, [(11, 100, 20.9, 50), (6, 200, 19.2, 150)])
        self.assertEqual(item.cost, 5 * 3.2 + 1.9)
        alone = shop({"dark60": 1050}, {}, {"dark60": Stock(packs=packs[:1])}).items[0]
        self.assertEqual(alone.choices, ())


class Prices(unittest.TestCase):
    def test_the_usual_pack_counts_and_without_its_price_the_cheapest_other(self) -> None:
        kilo, big, small = PackFor(pack_g=1000, price=14), PackFor(pack_g=5000, price=50), PackFor(pack_g=100, price=2)
        self.assertEqual(Stock(packs=(kilo, big, small)).price_per_g, 0.014)
        self.assertEqual(Stock(packs=(PackFor(pack_g=1000), small, big)).price_per_g, 0.01)
        self.assertIsNone(Stock(packs=(PackFor(pack_g=1000),)).price_per_g)
        self.assertEqual(prices_of({"a": Stock(packs=(kilo,)), "b": Stock()}), {"a": 0.014})


class ManyBoxes(unittest.TestCase):
    @settings(max_examples=60, deadline=None)
    @given(asked_rows(), st.integers(1, 40), st.sampled_from([None, 600.0, 1500.0]))
    def test_mass_and_money_close(self, asked: list[RowAsk], boxes: int, pot_g: float | None) -> None:
        found = plan_boxes(asked, boxes, STOCK, [DARK, BASIC], pot_g=pot_g)
        for told, ask in zip(found.rows, asked, strict=True):
            wanted = boxes * ask.per_box + ask.spares
            self.assertEqual(told.pieces - told.extra, wanted)
            self.assertEqual(told.extra == 0 or ask.whole_moulds, True)
        made_for = [
            replace(ask, spares=told.pieces - boxes * ask.per_box) for told, ask in zip(found.rows, asked, strict=True)
        ]
        worked = worked_rows(boxes, made_for)
        self.assertAlmostEqual(
            sum(total.batch_g for total in found.recipes),
            sum(batch.make_g for one in worked for batch in one.batches),
            places=4,
        )
        kept: dict[str, float] = {}
        for melt in (melt for one in worked for melt in one.chocolate):
            kept[melt.ingredient.label] = kept.get(melt.ingredient.label, 0.0) + melt.kept_g
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

    @settings(max_examples=80, deadline=None)
    @given(st.integers(1, 5), st.integers(1, 12), st.booleans(), st.floats(0, 15), st.sampled_from([None, 1500.0]))
    def test_what_is_bought_is_what_all_confections_weigh_and_melt(
        self, per_box: int, boxes: int, halves: bool, loss_pct: float, pot_g: float | None
    ) -> None:
        blend = Blend(parts=((find("milk38"), 1.0), (DARK, 1.0)))
        moulded = Confection(
            name="Comets",
            form=Form(vessel=EGGS, name="Eggs", halves=halves, loss_pct=loss_pct),
            parts=(
                Part(role="shell", of=blend),
                Part(role="filling", of=NUTS, share_pct=20),
                Part(role="filling", of=GANACHE),
                Part(role="topping", of=find("pistachio_whole"), g_each=0.4),
            ),
        )
        rolled = Confection(
            name="Drops",
            form=Form(vessel=BALLS, loss_pct=loss_pct),
            parts=(
                Part(role="centre", of=GANACHE),
                Part(role="core", of=find("hazelnut_whole"), g_each=1.0),
                Part(role="coat", of=DARK, coated=1),
                Part(role="rolling", of=find("cocoa_powder_21")),
            ),
        )
        asked = [RowAsk(confection=one, per_box=per_box) for one in (moulded, rolled)]
        found = plan_boxes(asked, boxes, STOCK, pot_g=pot_g)
        pieces = boxes * per_box
        needed = sum(item.needed_g for item in found.shopping.items)
        made = sum(total.batch_g for total in found.recipes)
        melted = sum(plan.melted_g for plan in found.pours)
        dry = pieces * (0.4 + 1.0)
        rolled_g = next(item.needed_g for item in found.shopping.items if item.label == "cocoa_powder_21")
        self.assertAlmostEqual(needed, made + melted + dry + rolled_g, places=4)
        self.assertEqual([total.name for total in found.recipes].count(GANACHE.name), len(found.recipes))
        self.assertEqual({plan.chocolate for plan in found.pours}, {"dark60", rows_blend(found)})
        coat = next(plan for plan in found.pours if plan.chocolate == "dark60")
        (one_coat,) = (
            part.each_g
            for part in work_out(replace(rolled, form=replace(rolled.form, pieces=2))).parts
            if part.part.role == "coat"
        )
        self.assertAlmostEqual(coat.kept_g, pieces * one_coat, places=4, msg="all are coated, whatever was for now")

    @settings(max_examples=40, deadline=None)
    @given(asked_rows(), st.integers(1, 20))
    def test_more_boxes_take_more_of_everything(self, asked: list[RowAsk], boxes: int) -> None:
        few, many = plan_boxes(asked, boxes, STOCK), plan_boxes(asked, boxes + 1, STOCK)
        self.assertGreaterEqual(many.pieces, few.pieces)
        self.assertGreaterEqual(sum(p.kept_g for p in many.pours), sum(p.kept_g for p in few.pours) - 1e-6)
        self.assertGreaterEqual(sum(p.turns for p in many.pours), sum(p.turns for p in few.pours))


if __name__ == "__main__":
    unittest.main()
