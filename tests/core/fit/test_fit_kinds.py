"""Fit to scoops, cups, pieces and cakes, dipping, linings and dry mixes: mass closes and geometry is exact."""

import unittest
from math import pi
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Fit, fit
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.mass.cooking import cook_plan, finished
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from tests.kitchen import R1, asked, recipe

MADE = recipe(**R1)
DENSITY = mix(MADE).density_g_per_ml
DARK = "dark60"
EGGS = checked_vessel("mould", "weighed", {"water_g": 15 * 0.9982, "cavities": 10})
CAKE = {"diameter_mm": 180, "height_mm": 80, "fillings": 2, "filling_mm": 6, "coat_mm": 5}


def fitted(kind: str, measures: dict[str, Any], **ask: Any) -> Fit:
    vessel = checked_vessel(kind, "", measures)
    return fit(MADE, vessel, asked(vessel, **ask))


class Portioned(unittest.TestCase):
    def test_thirty_level_scoops(self) -> None:
        found = fitted("scoop", {"volume_ml": 12}, pieces=30)
        self.assertAlmostEqual(found.piece_g or 0, 12 * DENSITY)
        self.assertAlmostEqual(found.batch_g, 30 * 12 * DENSITY / 0.95)
        self.assertEqual(found.fill_ml, 12)

    def test_without_a_target_the_recipe_is_portioned_as_it_is(self) -> None:
        found = fitted("scoop", {"volume_ml": 12})
        self.assertAlmostEqual(found.batch_g, MADE.mass_g)
        self.assertEqual(found.pieces, int(MADE.mass_g * 0.95 / (12 * DENSITY)))
        self.assertAlmostEqual(found.filling_g + found.loss_g + found.left_over_g, found.batch_g)

    def test_a_baller_is_the_ball_that_it_cuts(self) -> None:
        found = fitted("scoop", {"diameter_mm": 25}, pieces=1)
        self.assertAlmostEqual(found.fill_ml, pi / 6 * 25**3 / 1000)
        self.assertAlmostEqual(found.ball_mm or 0, 25)

    def test_a_ball_of_a_weight_with_its_coat(self) -> None:
        found = fitted("pieces", {"piece_g": 12}, pieces=30, shell=DARK, coat_mm=1.0)
        assert found.shell is not None
        width = (6 * 12 / DENSITY / pi * 1000) ** (1 / 3)
        self.assertAlmostEqual(found.ball_mm or 0, width)
        self.assertAlmostEqual(found.shell.shell_g, pi / 6 * ((width + 2) ** 3 - width**3) * 1.28 / 1000)
        self.assertAlmostEqual(found.shell.total_g, 30 * (found.shell.shell_g + found.shell.foot_g))
        self.assertGreater(found.shell.melt_g, found.shell.total_g + 250)
        self.assertAlmostEqual(found.piece_g or 0, 12 + found.shell.shell_g + found.shell.foot_g)

    def test_a_nut_inside_is_part_of_a_pieces_weight_and_comes_on_top_of_a_scoop(self) -> None:
        piece = fitted("pieces", {"piece_g": 12}, pieces=10, core_g=2.0, loss_pct=0.0)
        self.assertAlmostEqual(piece.batch_g, 100)
        self.assertAlmostEqual(piece.piece_g or 0, 12)
        scoop = fitted("scoop", {"volume_ml": 8}, pieces=10, core_g=2.0, loss_pct=0.0)
        self.assertAlmostEqual(scoop.batch_g, 80 * DENSITY)
        self.assertAlmostEqual(scoop.piece_g or 0, 8 * DENSITY + 2)

    def test_fourteen_dipped_now_and_sixteen_frozen(self) -> None:
        found = fitted("pieces", {"piece_g": 11}, pieces=30, coated=14, shell=DARK)
        assert found.shell is not None
        assert found.later is not None
        self.assertEqual((found.shell.pieces, found.later.pieces), (14, 16))
        self.assertAlmostEqual(found.shell.total_g / 14, found.later.total_g / 16)
        self.assertAlmostEqual(found.filling_g, 30 * 11)
        self.assertIn("16 are kept back", " ".join(found.notes))

    def test_a_rolling_coat_stands_in_its_tray(self) -> None:
        found = fitted("pieces", {"piece_g": 12}, pieces=30, rolling="cocoa")
        self.assertAlmostEqual(found.rolling_g or 0, 0.015 * pi * ((found.ball_mm or 0) / 10) ** 2)
        self.assertIn("in the tray", found.notes[0])


class Cups(unittest.TestCase):
    def test_every_cup_once_to_the_brim(self) -> None:
        found = fitted("cup", {"volume_ml": 15, "count": 24})
        self.assertAlmostEqual(found.fill_ml, 360)
        self.assertEqual((found.pieces, found.shell), (24, None))
        self.assertAlmostEqual(found.batch_g, 360 * DENSITY / 0.95)

    def test_a_brushed_wall_leaves_less_room(self) -> None:
        found = fitted("cup", {"volume_ml": 15, "count": 24}, shell=DARK, wall_mm=1.5)
        assert found.shell is not None
        assert found.cavity is not None
        self.assertEqual(found.shell.cap_g, 0)
        self.assertAlmostEqual(found.cavity.shell_ml + found.cavity.fill_ml, 15)

    def test_whipping_makes_the_same_cups_lighter(self) -> None:
        flat, whipped = (fitted("cup", {"volume_ml": 15}, overrun_pct=pct) for pct in (0.0, 60.0))
        self.assertAlmostEqual(flat.batch_g / whipped.batch_g, 1.6)
        self.assertEqual(flat.fill_ml, whipped.fill_ml)


class Cakes(unittest.TestCase):
    def test_fillings_and_an_even_coat_are_exact(self) -> None:
        found = fitted("cake", CAKE, loss_pct=0.0)
        assert found.cake is not None
        self.assertAlmostEqual(found.cake.filling_g, 2 * 6 * pi * 90**2 / 1000 * DENSITY)
        self.assertAlmostEqual(found.cake.coat_g, pi * (95**2 * 85 - 90**2 * 80) / 1000 * DENSITY)
        self.assertAlmostEqual(found.batch_g, found.cake.filling_g + found.cake.coat_g)

    def test_a_mass_says_how_thick_the_coat_is(self) -> None:
        wanted = fitted("cake", CAKE)
        found = fitted("cake", CAKE, mass_g=wanted.batch_g)
        assert found.cake is not None
        self.assertAlmostEqual(found.cake.coat_mm, 5, places=6)

    def test_too_little_for_the_fillings_is_refused_with_the_least(self) -> None:
        with self.assertRaises(BadInput) as caught:
            fitted("cake", CAKE, mass_g=100.0)
        self.assertEqual(caught.exception.field, ("mass_g",))
        self.assertIn("g⟧ or more", caught.exception.allowed)


class Eggs(unittest.TestCase):
    def test_thirty_six_eggs_from_a_mould_of_ten_halves(self) -> None:
        found = fit(MADE, EGGS, asked(EGGS, pieces=36, halves=True, shell=DARK, wall_mm=2.0))
        self.assertEqual((found.halves, found.pours, found.spare_cavities), (72, 8, 8))
        assert found.shell is not None
        radius = (3 * 15000 / (2 * pi)) ** (1 / 3)
        inner = radius - 2 * 1.08
        half_shell = 2 / 3 * pi * (radius**3 - inner**3) / 1000 * 1.28
        self.assertAlmostEqual(found.shell.shell_g, 2 * half_shell, places=2)
        self.assertAlmostEqual(found.shell.seam_g, pi * (radius**2 - inner**2) * 0.5 / 1000 * 1.28, places=2)
        self.assertAlmostEqual(found.filling_g, 36 * found.shell.fill_g)

    def test_halves_of_each_colour_match(self) -> None:
        found = fit(MADE, EGGS, asked(EGGS, pieces=37, halves=True, shell=DARK, colours=3))
        self.assertEqual(found.halves_by_colour, (26, 24, 24))
        self.assertIn("halves match", " ".join(found.notes))

    def test_spares_are_made_too(self) -> None:
        found = fit(MADE, EGGS, asked(EGGS, pieces=36, spares=4, halves=True, shell=DARK))
        self.assertEqual((found.pieces, found.halves, found.pours, found.spare_cavities), (40, 80, 8, 0))


class DrinkSpheres(unittest.TestCase):
    def setUp(self) -> None:
        self.mix = recipe("dry-mix", "drink", cocoa_powder_11=165, sugar_icing=400)
        self.mould = checked_vessel("mould", "hemisphere", {"radius_mm": 30, "cavities": 6})

    def test_565_g_of_mix_fill_as_many_as_lie_loose_in_them(self) -> None:
        ask = asked(
            self.mould,
            mass_g=565.0,
            halves=True,
            shell=DARK,
            wall_mm=2.0,
            mix_g_per_cup=28.0,
            mug_mm=80.0,
            loss_pct=0.0,
        )
        found = fit(self.mix, self.mould, ask)
        loose = 565 / sum(grams / line.ingredient.density_g_per_ml for line, grams in self.mix.weighed)
        assert found.drink is not None
        assert found.cavity is not None
        self.assertAlmostEqual(found.drink.mix_g, 2 * found.cavity.fill_ml * loose)
        self.assertEqual(found.pieces, int(565 / found.drink.mix_g))
        self.assertAlmostEqual(found.drink.cups or 0, found.drink.mix_g / 28)
        self.assertTrue(found.drink.fits_mug)
        self.assertEqual(found.drink.diameter_mm, 60)

    def test_a_sphere_wider_than_the_mug_does_not_fit(self) -> None:
        found = fit(self.mix, self.mould, asked(self.mould, halves=True, shell=DARK, mug_mm=58.0))
        assert found.drink is not None
        self.assertIs(found.drink.fits_mug, False)

    def test_powder_fills_the_gaps_between_marshmallows_first(self) -> None:
        few, many = (
            fit(
                recipe("dry-mix", "drink", sugar_icing=grams, marshmallows=50),
                self.mould,
                asked(self.mould, halves=True, shell=DARK),
            )
            for grams in (1, 20)
        )
        self.assertGreater(many.filling_g, few.filling_g)
        self.assertAlmostEqual(few.density_g_per_ml / 51, many.density_g_per_ml / 70, places=6)


class Pans(unittest.TestCase):
    def test_a_lining_takes_its_thickness_all_round(self) -> None:
        lined = checked_vessel("pan", "rectangle", {"length_mm": 200, "width_mm": 150, "depth_mm": 30, "lining_mm": 1})
        self.assertAlmostEqual(fit(MADE, lined, asked(lined)).fill_ml, 198 * 148 * 29 / 1000)

    def test_a_pan_is_filled_to_its_usable_depth(self) -> None:
        loaf = {"length_mm": 210, "width_mm": 95, "rim_length_mm": 240, "rim_width_mm": 120, "depth_mm": 65}
        pan = checked_vessel("pan", "loaf", {**loaf, "usable_depth_mm": 30})
        found = fit(MADE, pan, asked(pan))
        self.assertEqual(found.thickness_mm, 30)
        self.assertAlmostEqual(found.fill_ml, 656, delta=0.5)

    def test_thirty_six_toppings_on_23_cm_are_told_with_their_spacing(self) -> None:
        pan = checked_vessel("pan", "rectangle", {"length_mm": 230, "width_mm": 230, "depth_mm": 30})
        found = fit(MADE, pan, asked(pan, pieces=36, thickness_mm=15.0, kerf_mm=2.0, trim_mm=4.0))
        assert found.marks is not None
        self.assertEqual(found.grid, (6, 6))
        side = (230 - 8 - 10) / 6
        self.assertAlmostEqual((found.spacing_mm or (0, 0))[0], side + 2)
        self.assertAlmostEqual(found.marks.along_mm[0], 4)
        self.assertAlmostEqual(found.marks.along_mm[-1], 226)
        self.assertEqual(len(found.marks.along_mm), 12)

    def test_pieces_of_a_round_slab_lie_within_it(self) -> None:
        pan = checked_vessel("pan", "round", {"diameter_mm": 230, "depth_mm": 30})
        found = fit(MADE, pan, asked(pan, piece_mm=(25.0, 25.0)))
        self.assertEqual((found.pieces, len(found.places_mm or ())), (52, 52))
        for left, top in found.places_mm or ():
            for x in (left, left + 25):
                for y in (top, top + 25):
                    self.assertLessEqual((x - 115) ** 2 + (y - 115) ** 2, 115.0001**2)

    def test_cut_pieces_are_dipped(self) -> None:
        pan = checked_vessel("pan", "rectangle", {"length_mm": 100, "width_mm": 100, "depth_mm": 30})
        found = fit(MADE, pan, asked(pan, piece_mm=(25.0, 25.0), thickness_mm=12.0, shell=DARK, coat_mm=1.0))
        assert found.shell is not None
        self.assertAlmostEqual(found.shell.shell_g, 3.39, delta=0.01)

    def test_a_boiled_mass_is_weighed_in_with_what_boils_off(self) -> None:
        fudge = recipe("boiled-fudge", "cut", sugar_granulated=400, milk_whole=160, butter82=40)
        pan = checked_vessel("pan", "rectangle", {"length_mm": 150, "width_mm": 150, "depth_mm": 30})
        eaten = finished(fudge, cook_plan(fudge, Kitchen()).cooked)
        found = fit(fudge, pan, asked(pan, thickness_mm=20.0), eaten)
        self.assertAlmostEqual(found.evaporated_g / found.batch_g, 1 - eaten.mass_g / fudge.mass_g)
        self.assertAlmostEqual(found.filling_g, 450 * eaten.density_g_per_ml)
        self.assertAlmostEqual(found.filling_g + found.loss_g + found.evaporated_g, found.batch_g)


VESSELS = st.sampled_from(
    [
        ("pan", "rectangle", {"length_mm": 200, "width_mm": 150, "depth_mm": 30, "lining_mm": 0.5}),
        ("pan", "round", {"diameter_mm": 180, "depth_mm": 30}),
        ("mould", "cone", {"rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20}),
        ("mould", "weighed", {"water_g": 9.4, "cavities": 15}),
        ("scoop", "", {"volume_ml": 12}),
        ("cup", "", {"volume_ml": 20, "count": 12}),
        ("pieces", "", {"piece_g": 14}),
        ("cake", "", CAKE),
    ]
)


class MassCloses(unittest.TestCase):
    @given(
        vessel=VESSELS,
        mass=st.one_of(st.none(), st.floats(800, 4000)),
        pct=st.floats(0, 40),
        loss=st.floats(0, 60),
        shell=st.sampled_from([None, DARK]),
        overrun=st.floats(0, 100),
    )
    def test_what_was_made_ends_somewhere(
        self, vessel: Any, mass: float | None, pct: float, loss: float, shell: Any, overrun: float
    ) -> None:
        kind, shape, measures = vessel
        shell = None if kind == "cake" else shell
        full = checked_vessel(kind, shape, measures)
        ask = asked(full, mass_g=mass, loss_pct=pct, loss_g=loss, shell=shell, overrun_pct=overrun)
        found = fit(MADE, full, ask)
        whole = found.filling_g + found.loss_g + found.left_over_g + found.evaporated_g
        self.assertAlmostEqual(whole, found.batch_g, delta=1e-6 * found.batch_g)
        self.assertAlmostEqual(sum(found.amounts_g), found.batch_g, delta=1e-6 * found.batch_g)
        self.assertGreaterEqual(found.left_over_g, 0)
        if found.pieces and found.shell and found.cavity:
            per_piece = found.shell.shell_g + found.shell.cap_g + found.shell.fill_g
            self.assertAlmostEqual(found.pieces * per_piece, found.filling_g + found.shell.total_g, delta=1e-6 * 4000)
            parts = (found.cavity.shell_ml, found.cavity.cap_ml, found.cavity.headroom_ml, found.cavity.fill_ml)
            self.assertAlmostEqual(sum(parts), found.cavity.cavity_ml, places=9)


if __name__ == "__main__":
    unittest.main()
