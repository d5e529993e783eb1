"""Fits of several recipes: layers, stacked fillings, pours in the pot and shopping."""

import itertools
import unittest
from dataclasses import replace
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.boxes.pours import PourJob, plan_pours
from hearth_bowl.core.boxes.shopping import PackFor, Stock, cheapest_packs, shop
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.fit.layers import LayerAmount, LayerAsk, fit_layers
from hearth_bowl.core.fit.stacked import FillingAmount, FillingAsk, fit_stack
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.recipe import Recipe
from tests.kitchen import R1, asked, recipe

DARK_ONE = recipe(**R1)
FUDGE = recipe("condensed-milk-fudge", "cut", condensed_sweet=397, dark55=420)
NUTS = recipe("filling", hazelnut_paste=80, milk38=60)
SQUARE: Any = checked_vessel("pan", "rectangle", {"length_mm": 200, "width_mm": 200, "depth_mm": 40})
LOAF: Any = checked_vessel(
    "pan", "loaf", {"length_mm": 210, "width_mm": 95, "rim_length_mm": 240, "rim_width_mm": 120, "depth_mm": 65}
)
CONES: Any = checked_vessel(
    "mould", "cone", {"rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20}
)
DARK = "dark60"


def of_layer(of: Recipe, **amount: Any) -> LayerAsk:
    return LayerAsk(recipe=of, amount=LayerAmount(**amount))


def of_filling(of: Recipe, **amount: Any) -> FillingAsk:
    return FillingAsk(recipe=of, amount=FillingAmount(**amount))


class Layers(unittest.TestCase):
    def test_each_layer_has_its_own_recipe_and_thickness(self) -> None:
        asks = [of_layer(FUDGE, thickness_mm=15), of_layer(DARK_ONE, thickness_mm=6)]
        low, high = fit_layers(SQUARE, asks, asked(SQUARE, loss_pct=0))
        self.assertEqual((low.to_mm, high.from_mm, high.to_mm), (15, 15, 21))
        self.assertAlmostEqual(low.batch_g, 600 * mix(FUDGE).density_g_per_ml)
        self.assertAlmostEqual(high.batch_g, 240 * mix(DARK_ONE).density_g_per_ml)

    def test_shares_divide_what_a_fixed_layer_leaves(self) -> None:
        asks = [of_layer(FUDGE, share=2), of_layer(NUTS, thickness_mm=10), of_layer(DARK_ONE, share=1)]
        found = fit_layers(SQUARE, asks, asked(SQUARE), total_mm=25)
        self.assertAlmostEqual(found[0].thickness_mm, 10)
        self.assertAlmostEqual(found[2].thickness_mm, 5)
        self.assertAlmostEqual(found[2].to_mm, 25)

    @given(first=st.floats(50, 500), second=st.floats(50, 400), loss=st.floats(0, 20))
    def test_masses_close_in_a_sloping_pan(self, first: float, second: float, loss: float) -> None:
        asks = [of_layer(FUDGE, mass_g=first), of_layer(DARK_ONE, mass_g=second)]
        found = fit_layers(LOAF, asks, asked(LOAF, loss_pct=loss))
        self.assertAlmostEqual(sum(one.fill_ml for one in found), LOAF.volume_ml(found[-1].to_mm), places=6)
        for layer, grams in zip(found, (first, second), strict=True):
            self.assertEqual(layer.batch_g, grams)
            self.assertAlmostEqual(layer.filling_g + layer.loss_g, grams)
            self.assertAlmostEqual(layer.loss_g, grams * loss / 100, places=4)

    def test_over_the_rim_is_refused_at_the_layer(self) -> None:
        for second, field in (
            (of_layer(NUTS, thickness_mm=11), "thickness_mm"),
            (of_layer(NUTS, mass_g=5000), "mass_g"),
            (of_layer(NUTS), "thickness_mm"),
            (of_layer(NUTS, share=1, mass_g=10), "mass_g"),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                fit_layers(SQUARE, [of_layer(FUDGE, thickness_mm=30), second], asked(SQUARE))
            self.assertIn(caught.exception.field, [("layers", 1, field), ("layers", 1, "share")])
        full = [of_layer(FUDGE, thickness_mm=40), of_layer(NUTS, share=1)]
        with self.assertRaises(BadInput) as caught:
            fit_layers(SQUARE, full, asked(SQUARE))
        self.assertEqual(caught.exception.field, ("total_mm",))


class Stacked(unittest.TestCase):
    ask = asked(CONES, shell=DARK, wall_mm=1.5, loss_pct=0.0)

    def test_the_one_that_gives_way_takes_the_rest(self) -> None:
        asks = [of_filling(NUTS, ml=1.0), of_filling(DARK_ONE), of_filling(FUDGE, mm=4)]
        found = fit_stack(CONES, asks, self.ask)
        whole = fit(DARK_ONE, CONES, self.ask)
        assert whole.cavity is not None
        self.assertAlmostEqual(sum(filling.ml for filling in found.fillings), whole.cavity.fill_ml)
        self.assertAlmostEqual(found.fillings[0].ml, 1)
        self.assertAlmostEqual(found.fillings[2].from_mm - found.fillings[2].to_mm, 4, places=6)
        self.assertAlmostEqual(found.fillings[2].to_mm, 2.0, places=6)
        self.assertTrue(found.fillings[1].gives_way)
        self.assertAlmostEqual(found.fillings[1].batch_g, 20 * found.fillings[1].ml * mix(DARK_ONE).density_g_per_ml)

    @given(ml=st.floats(0.2, 2.0), mm=st.floats(1, 5), halves=st.booleans(), pieces=st.integers(1, 60))
    def test_levels_and_volumes_agree(self, ml: float, mm: float, halves: bool, pieces: int) -> None:
        asks = [of_filling(NUTS, mm=mm), of_filling(FUDGE, ml=ml), of_filling(DARK_ONE)]
        found = fit_stack(CONES, asks, replace(self.ask, halves=halves, pieces=pieces))
        for below, above in itertools.pairwise(found.fillings):
            self.assertAlmostEqual(below.to_mm, above.from_mm)
        for filling in found.fillings:
            room = CONES.cavity.void_ml(1.5, filling.to_mm) - CONES.cavity.void_ml(1.5, filling.from_mm)
            self.assertAlmostEqual(room, filling.ml, places=6)
            self.assertAlmostEqual(filling.batch_g - filling.loss_g, pieces * (1 + halves) * filling.each_g)

    def test_what_comes_on_lumps_runs_into_their_gaps(self) -> None:
        asks = [of_filling(NUTS, ml=2.0, lumps=True), of_filling(DARK_ONE, ml=1.0)]
        found = fit_stack(CONES, asks, self.ask)
        self.assertAlmostEqual(found.fillings[0].net_ml, 1.1)
        self.assertAlmostEqual(found.fillings[1].net_ml, 1.9)
        self.assertIn("55 %", " ".join(found.notes))

    def test_crunchy_beside_soft_and_a_soft_end_are_said(self) -> None:
        asks = [of_filling(NUTS, ml=1.0, texture="crunchy"), of_filling(DARK_ONE)]
        notes = " ".join(fit_stack(CONES, asks, self.ask).notes)
        self.assertIn("softens in days", notes)
        self.assertIn("skin over", notes)

    def test_cups_are_filled_by_shares_with_a_whipped_top_of_its_true_density(self) -> None:
        cups: Any = checked_vessel("cup", "", {"volume_ml": 20, "count": 12})
        asks = [
            of_filling(NUTS, share_pct=30),
            of_filling(DARK_ONE),
            of_filling(FUDGE, ml=8, on_top=True, overrun_pct=60),
        ]
        found = fit_stack(cups, asks, asked(cups, loss_pct=0))
        self.assertAlmostEqual(found.fillings[0].ml, 6)
        self.assertAlmostEqual(found.fillings[1].ml, 14)
        self.assertAlmostEqual(found.fillings[2].batch_g, 12 * 8 * mix(FUDGE).density_g_per_ml / 1.6)
        self.assertAlmostEqual(found.empty_ml, 0)
        for bad, field in (
            ([asks[2]], ("fillings",)),
            ([asks[0], of_filling(FUDGE, on_top=True)], ("fillings", 1, "ml")),
            ([asks[0], asks[2], asks[1]], ("fillings", 2, "on_top")),
            ([of_filling(NUTS, share_pct=30, ml=2)], ("fillings", 0, "share_pct")),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                fit_stack(cups, bad, asked(cups))
            self.assertEqual(caught.exception.field, field)

    def test_more_than_the_cavity_holds_is_refused(self) -> None:
        for asks, field in (
            ([of_filling(NUTS, ml=3), of_filling(FUDGE, ml=9)], ("fillings", 1, "ml")),
            ([of_filling(NUTS, mm=30), of_filling(FUDGE)], ("fillings", 0, "mm")),
            ([of_filling(NUTS), of_filling(FUDGE)], ("fillings", 1, "ml")),
            ([of_filling(NUTS, ml=1, mm=1)], ("fillings", 0, "mm")),
            ([of_filling(NUTS, ml=1)] * 5, ("fillings",)),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as caught:
                fit_stack(CONES, asks, self.ask)
            self.assertEqual(caught.exception.field, field)


def job(name: str, cavities: int, flood: float, kept: float, cap: float = 0.0, owned: int = 9) -> PourJob:
    return PourJob(
        name=name,
        chocolate="dark60",
        cavities=cavities,
        mould=name,
        mould_cavities=10,
        owned=owned,
        flood_g=flood,
        kept_g=kept,
        cap_g=cap,
    )


JOBS = st.lists(
    st.builds(
        job,
        name=st.uuids().map(str),
        cavities=st.integers(1, 25),
        flood=st.floats(5, 20),
        kept=st.floats(0.5, 5),
        cap=st.sampled_from([0.0, 1.0, 2.0]),
        owned=st.integers(1, 2),
    ),
    min_size=1,
    max_size=2,
)


def least_of_all_orders(jobs: list[PourJob]) -> float:
    """Return the least start of every way to interleave the jobs' own pours."""
    chains = [plan_pours([one]).pours for one in jobs]
    slots = [number for number, chain in enumerate(chains) for _ in chain]
    best = float("inf")
    for order in set(itertools.permutations(slots)):
        heads = [iter(chain) for chain in chains]
        kept = need = 0.0
        for number in order:
            pour = next(heads[number])
            need = max(need, kept + pour.needs_g)
            kept += pour.kept_g
        best = min(best, need)
    return best


class Pours(unittest.TestCase):
    def test_five_pours_of_ten_halves(self) -> None:
        found = plan_pours([job("egg", 50, 12, 3, owned=1)])
        self.assertEqual(found.turns, 5)
        self.assertEqual([pour.turn for pour in found.pours], [1, 2, 3, 4, 5])
        self.assertAlmostEqual(found.start_g, 4 * 30 + 120)
        self.assertAlmostEqual(found.kept_g + found.back_g, found.melted_g)

    def test_all_shells_come_before_any_cap_when_there_are_moulds_enough(self) -> None:
        found = plan_pours([job("cone", 20, 12, 3, 1), job("dome", 20, 8, 2, 1)])
        self.assertTrue(found.shell_first)
        self.assertEqual(found.pours[0].mould, "cone")
        one = plan_pours([job("cone", 20, 12, 3, 1, owned=1)])
        self.assertEqual([pour.task for pour in one.pours], ["shell", "cap", "shell", "cap"])

    @settings(max_examples=60, deadline=None)
    @given(jobs=JOBS)
    def test_no_other_order_needs_less(self, jobs: list[PourJob]) -> None:
        found = plan_pours(jobs)
        if len(found.pours) <= 8:
            self.assertAlmostEqual(found.start_g, least_of_all_orders(jobs), places=6)

    @settings(deadline=None)
    @given(jobs=JOBS, room=st.floats(1.0, 3.0))
    def test_a_small_pot_is_refilled_and_never_overfilled(self, jobs: list[PourJob], room: float) -> None:
        pot = room * max(pour.needs_g for pour in plan_pours(jobs).pours)
        found = plan_pours(jobs, pot)
        for pour in found.pours:
            self.assertLessEqual(pour.needs_g, pour.pot_before_g + 1e-6)
            self.assertLessEqual(pour.pot_before_g, pot + 1e-6)
        self.assertAlmostEqual(found.kept_g + found.back_g, found.melted_g)
        self.assertGreaterEqual(found.back_g, -1e-6)

    def test_dipping_stops_where_a_small_pot_is_refilled(self) -> None:
        dip = PourJob(name="balls", chocolate="dark60", dip_g=300, pool_g=250)
        self.assertAlmostEqual(plan_pours([dip]).start_g, 550)
        found = plan_pours([dip], pot_g=400)
        self.assertEqual([pour.kept_g for pour in found.pours], [150, 150])
        self.assertAlmostEqual(found.pours[1].refill_g, 150)
        self.assertAlmostEqual(found.back_g, 250)
        with self.assertRaises(BadInput):
            plan_pours([dip], pot_g=200)

    def test_two_kinds_of_piece_from_one_mould_take_turns(self) -> None:
        jobs = [job("cone", 10, 12, 3, 1, owned=1), replace(job("cone", 10, 9, 2, 1, owned=1), name="other")]
        found = plan_pours(jobs)
        self.assertEqual([(pour.name, pour.task) for pour in found.pours][:2], [("cone", "shell"), ("cone", "cap")])
        self.assertEqual(found.turns, 2)

    def test_a_pot_too_small_for_one_pour_says_how_many_cavities_it_takes(self) -> None:
        with self.assertRaises(BadInput) as caught:
            plan_pours([job("egg", 10, 12, 3)], pot_g=60)
        self.assertEqual(caught.exception.field, ("pot_g",))
        self.assertIn("5 cavities at a time", caught.exception.allowed)


class Shopping(unittest.TestCase):
    def test_packs_for_what_the_larder_lacks(self) -> None:
        found = shop(
            {"dark60": 900.0, "cream35": 200.0, "salt": 3.0},
            {"dark60": "Dark chocolate"},
            {
                "dark60": Stock(in_house_g=150, packs=(PackFor(pack_g=400, price=5.0),)),
                "cream35": Stock(in_house_g=300, packs=(PackFor(pack_g=500, price=2.0),)),
            },
        )
        dark, cream, salt = found.items
        self.assertEqual((dark.buy[0].count, dark.left_g, dark.cost), (2, 50, 10))
        self.assertEqual((cream.buy, cream.left_g, cream.cost), ((), 100, 0))
        self.assertEqual((salt.buy_g, salt.cost, found.unpriced), (3, None, ("salt",)))
        self.assertAlmostEqual(found.cost, 10)
        self.assertAlmostEqual(found.used_cost, 900 * 5 / 400 + 200 * 2 / 500)

    def test_of_two_sizes_the_cheapest_set_is_bought(self) -> None:
        packs = (PackFor(pack_g=1000, price=13.0), PackFor(pack_g=200, price=3.0))
        self.assertEqual([(b.pack_g, b.count) for b in cheapest_packs(1150, packs)], [(1000, 1), (200, 1)])
        self.assertEqual([(b.pack_g, b.count) for b in cheapest_packs(950, packs)], [(1000, 1)])
        self.assertEqual([(b.pack_g, b.count) for b in cheapest_packs(390, packs)], [(200, 2)])

    @given(
        need=st.floats(10, 5000), sizes=st.lists(st.floats(50, 1500), min_size=1, max_size=4), house=st.floats(0, 900)
    )
    def test_grams_close(self, need: float, sizes: list[float], house: float) -> None:
        packs = tuple(PackFor(pack_g=size, price=size / 100) for size in sizes)
        item = shop({"x": need}, {}, {"x": Stock(in_house_g=house, packs=packs)}).items[0]
        self.assertAlmostEqual(house + item.bought_g, need + item.left_g, delta=0.06)


if __name__ == "__main__":
    unittest.main()
