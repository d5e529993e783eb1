"""Fit: mass closes for every vessel and question, and what cannot be is refused with its limit."""

import unittest
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Fit, fit
from hearth_bowl.core.fit.vessel import Vessel, checked_vessel
from hearth_bowl.core.mass.mixture import mix
from tests.kitchen import R1, asked, recipe

TIN = checked_vessel("pan", "rectangle", {"length_mm": 230, "width_mm": 230, "depth_mm": 30})
ROUND_TIN = checked_vessel("pan", "round", {"diameter_mm": 180, "depth_mm": 30})
LOAF = checked_vessel(
    "pan", "loaf", {"length_mm": 210, "width_mm": 95, "rim_length_mm": 240, "rim_width_mm": 120, "depth_mm": 65}
)
HALVES = checked_vessel("mould", "hemisphere", {"radius_mm": 15, "cavities": 24})
MADE = recipe(**R1)
DENSITY = mix(MADE).density_g_per_ml
DARK = "dark60"


def fitted(vessel: Vessel, **ask: Any) -> Fit:
    return fit(MADE, vessel, asked(vessel, **ask))


class Slab(unittest.TestCase):
    def test_a_pan_without_a_target_is_filled_to_its_depth(self) -> None:
        found = fitted(TIN)
        self.assertAlmostEqual(found.fill_ml, 1587)
        self.assertAlmostEqual(found.filling_g, 1587 * DENSITY)
        self.assertAlmostEqual(found.batch_g, found.filling_g / 0.95)
        self.assertAlmostEqual(found.scale, found.batch_g / 405)
        self.assertEqual(found.thickness_mm, 30)
        self.assertIsNone(found.pieces)

    def test_thirty_six_toppings(self) -> None:
        found = fitted(TIN, thickness_mm=12.0, pieces=36)
        self.assertEqual(found.grid, (6, 6))
        self.assertAlmostEqual(found.piece_g or 0, (230 / 6) ** 2 * 12 * DENSITY / 1000)
        self.assertAlmostEqual(found.offcut_g or 0, 0, places=6)

    def test_a_cut_leaves_its_offcut(self) -> None:
        found = fitted(TIN, thickness_mm=12.0, piece_mm=(25.0, 25.0), loss_pct=0.0)
        self.assertEqual((found.grid, found.pieces), ((9, 9), 81))
        self.assertAlmostEqual(81 * (found.piece_g or 0) + (found.offcut_g or 0), found.filling_g)
        self.assertAlmostEqual(found.loss_g, 0)

    def test_a_mass_asks_how_deep(self) -> None:
        found = fitted(LOAF, mass_g=700.0)
        self.assertEqual(found.batch_g, 700)
        self.assertAlmostEqual(found.fill_ml, 700 * 0.95 / DENSITY)
        self.assertAlmostEqual(LOAF.volume_ml(found.thickness_mm or 0), found.fill_ml, places=6)  # type: ignore[union-attr]

    def test_a_mass_over_the_rim_is_left_over(self) -> None:
        found = fitted(ROUND_TIN, mass_g=3000.0)
        self.assertEqual(found.thickness_mm, 30)
        self.assertGreater(found.left_over_g, 1800)
        self.assertAlmostEqual(found.filling_g + found.loss_g + found.left_over_g, 3000)
        self.assertIn("left over", found.notes[0])


class Moulded(unittest.TestCase):
    def test_every_cavity_once(self) -> None:
        found = fitted(HALVES, shell=DARK)
        self.assertEqual((found.pieces, found.pours, found.halves), (24, 1, None))
        assert found.shell is not None
        assert found.cavity is not None
        self.assertAlmostEqual(found.shell.fill_g, found.cavity.fill_ml * DENSITY)
        self.assertAlmostEqual(found.batch_g, 24 * found.shell.fill_g / 0.95)
        self.assertAlmostEqual(found.shell.total_g, 24 * (found.shell.shell_g + found.shell.cap_g))
        flooded = 24 * found.cavity.cavity_ml * 1.24
        self.assertAlmostEqual(found.shell.melt_g, found.shell.total_g + flooded - 24 * found.shell.shell_g)
        self.assertAlmostEqual(found.fill_ml, 24 * found.cavity.fill_ml)

    def test_halves_have_no_caps_and_take_two_cavities(self) -> None:
        found = fitted(HALVES, shell=DARK, halves=True, pieces=36)
        single = fitted(HALVES, shell=DARK, cap_mm=0.0)
        assert found.shell is not None
        assert single.shell is not None
        self.assertEqual((found.halves, found.pours, found.shell.cap_g), (72, 3, 0))
        self.assertAlmostEqual(found.shell.shell_g, 2 * single.shell.shell_g)
        self.assertAlmostEqual(found.shell.fill_g, 2 * single.shell.fill_g)

    def test_without_a_shell_the_filling_takes_the_cavity_below_its_headroom(self) -> None:
        found = fitted(HALVES, headroom_mm=0.0)
        self.assertIsNone(found.shell)
        self.assertAlmostEqual(found.fill_ml, 24 * 2 / 3 * 3.14159265 * 15**3 / 1000, places=4)

    def test_a_mass_asks_how_many_and_what_is_left(self) -> None:
        found = fitted(HALVES, shell=DARK, mass_g=200.0)
        assert found.shell is not None
        self.assertEqual(found.pieces, int(190 / found.shell.fill_g))
        self.assertEqual(found.pours, 2)
        self.assertAlmostEqual(found.filling_g + found.left_over_g + found.loss_g, 200)

    def test_a_weighed_cavity_says_how_far_to_trust_it(self) -> None:
        star = checked_vessel("mould", "weighed", {"water_g": 9.4, "cavities": 15})
        self.assertIn("±7 %", fitted(star, shell=DARK).notes[0])


class Closing(unittest.TestCase):
    @given(
        st.sampled_from([TIN, ROUND_TIN, LOAF, HALVES]),
        st.floats(30, 5000) | st.none(),
        st.floats(0, 60),
        st.booleans(),
    )
    def test_what_is_made_is_filling_loss_and_left_over_and_lines_sum_to_it(
        self, vessel: Vessel, mass_g: float | None, loss_pct: float, shelled: bool
    ) -> None:
        found = fitted(vessel, mass_g=mass_g, loss_pct=loss_pct, shell=DARK if shelled else "none")
        self.assertAlmostEqual(found.filling_g + found.loss_g + found.left_over_g, found.batch_g, places=6)
        self.assertAlmostEqual(sum(found.amounts_g), found.batch_g, places=6)
        self.assertAlmostEqual(found.loss_g, found.batch_g * loss_pct / 100, places=6)


class Refused(unittest.TestCase):
    def test_by_the_question_that_cannot_be(self) -> None:
        cases: tuple[tuple[Vessel, dict[str, Any], str], ...] = (
            (TIN, {"thickness_mm": 31.0}, "thickness_mm"),
            (TIN, {"thickness_mm": 10.0, "mass_g": 500.0}, "mass_g"),
            (TIN, {"piece_mm": (240.0, 240.0)}, "piece_mm"),
            (TIN, {"piece_mm": (25.0, 25.0), "pieces": 82}, "pieces"),
            (TIN, {"pieces": 5, "trim_mm": 120.0}, "pieces"),
            (TIN, {"halves": True}, "halves"),
            (TIN, {"loss_pct": 100.0}, "loss_pct"),
            (TIN, {"mass_g": float("nan")}, "mass_g"),
            (HALVES, {"shell": DARK, "wall_mm": 15.0}, "wall_mm"),
            (HALVES, {"shell": DARK, "wall_mm": -1.0}, "wall_mm"),
            (HALVES, {"thickness_mm": 5.0}, "thickness_mm"),
            (HALVES, {"mass_g": 1.0, "shell": DARK}, "mass_g"),
            (HALVES, {"mass_g": 100.0, "pieces": 3}, "mass_g"),
            (HALVES, {"pieces": 0}, "pieces"),
            (HALVES, {"shell": "butter82"}, "shell"),
        )
        for vessel, ask, field in cases:
            with self.subTest(ask), self.assertRaises(BadInput) as caught:
                fitted(vessel, **ask)
            self.assertEqual(caught.exception.field, (field,))
            self.assertTrue(caught.exception.allowed)

    def test_by_the_measure_of_the_vessel(self) -> None:
        cases: tuple[tuple[str, str, dict[str, Any], str], ...] = (
            ("pan", "oval", {}, "shape"),
            ("bucket", "round", {}, "kind"),
            ("scoop", "", {}, "volume_ml"),
            ("cup", "", {"volume_ml": 20, "count": 0}, "count"),
            ("pieces", "", {"piece_g": -1}, "piece_g"),
            (
                "cake",
                "",
                {"diameter_mm": 180, "height_mm": 60, "fillings": 4, "filling_mm": 16, "coat_mm": 5},
                "filling_mm",
            ),
            ("pan", "round", {"diameter_mm": 180, "depth_mm": 20, "usable_depth_mm": 21}, "usable_depth_mm"),
            ("pan", "round", {"diameter_mm": 180, "depth_mm": 20, "lining_mm": 12}, "lining_mm"),
            ("pan", "round", {"diameter_mm": 180}, "depth_mm"),
            ("pan", "round", {"diameter_mm": -180, "depth_mm": 20}, "diameter_mm"),
            ("pan", "tube", {"diameter_mm": 180, "inner_diameter_mm": 180, "depth_mm": 20}, "inner_diameter_mm"),
            ("pan", "rectangle", {"length_mm": 50, "width_mm": 40, "depth_mm": 9, "corner_mm": 21}, "corner_mm"),
            ("mould", "dome", {"base_radius_mm": 10, "height_mm": 11}, "height_mm"),
            ("mould", "hemisphere", {"radius_mm": 15, "cavities": 0}, "cavities"),
            ("mould", "hemisphere", {"radius_mm": 15, "cavities": 2.5}, "cavities"),
            ("mould", "hemisphere", {"radius_mm": "15"}, "radius_mm"),
            ("mould", "weighed", {"water_g": 1e308}, "water_g"),
        )
        for kind, shape, measures, field in cases:
            with self.subTest(kind=kind, shape=shape, measures=measures), self.assertRaises(BadInput) as caught:
                checked_vessel(kind, shape, measures)
            self.assertEqual(caught.exception.field, (field,))
