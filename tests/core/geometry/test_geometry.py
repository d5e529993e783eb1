"""Geometry: the worked examples, exact solids, and volumes that close for any measures."""

import unittest
from math import pi

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.cavities import (
    Cavity,
    Cone,
    Dome,
    HalfEgg,
    Hemisphere,
    Pyramid,
    Weighed,
    divide,
    weighed,
)
from hearth_bowl.core.geometry.pans import Pan, water_density_g_per_ml
from hearth_bowl.core.geometry.pieces import ball_coat_g, ball_diameter_mm, cut_by_count, cut_by_size, piece_coat_g
from tests.counts import trials

SLAB = Pan(shape="rectangle", length_mm=230, width_mm=230, depth_mm=30)
ROUND = Pan(shape="round", diameter_mm=230, depth_mm=30)
LOAF = Pan(shape="loaf", length_mm=210, width_mm=95, rim_length_mm=240, rim_width_mm=120, depth_mm=65)


class Pans(unittest.TestCase):
    def test_volumes(self) -> None:
        self.assertAlmostEqual(SLAB.volume_ml(12), 634.8, places=6)
        self.assertAlmostEqual(ROUND.volume_ml(30), pi * 230**2 * 30 / 4000, places=6)
        tube = Pan(shape="tube", diameter_mm=240, inner_diameter_mm=80, depth_mm=60)
        self.assertAlmostEqual(tube.volume_ml(60), pi * (240**2 - 80**2) * 60 / 4000, places=6)
        rounded = Pan(shape="rectangle", length_mm=100, width_mm=80, depth_mm=20, corner_mm=10)
        self.assertAlmostEqual(rounded.volume_ml(20), (100 * 80 - (4 - pi) * 100) * 20 / 1000, places=6)
        self.assertAlmostEqual(LOAF.volume_ml(30), 656, delta=0.5)

    @given(st.floats(0.01, 1))
    def test_depth_from_volume_is_the_way_back(self, share: float) -> None:
        for pan in (SLAB, ROUND, LOAF):
            depth_mm = share * pan.depth_mm
            self.assertAlmostEqual(pan.depth_from_ml(pan.volume_ml(depth_mm)), depth_mm, places=6)

    def test_water_weighs_what_the_table_says(self) -> None:
        for at_c, density in ((4, 0.99997), (20, 0.99821), (30, 0.99565)):
            self.assertAlmostEqual(water_density_g_per_ml(at_c), density, delta=0.00004)


class Cavities(unittest.TestCase):
    def test_hemisphere_as_worked(self) -> None:
        parts = divide(Hemisphere(16), 1.6, 1.4, 0.6)
        self.assertAlmostEqual(parts.cavity_ml, 8.58, delta=0.005)
        self.assertAlmostEqual(parts.shell_ml * 1.28, 2.98, delta=0.005)
        self.assertAlmostEqual(parts.fill_ml, 4.96, delta=0.005)
        self.assertAlmostEqual(parts.fill_ml * 1.15, 5.70, delta=0.005)
        self.assertAlmostEqual(parts.cap_ml * 1.28, 1.16, delta=0.005)

    def test_dome_cone_and_egg_as_worked(self) -> None:
        dome, cone, egg = Dome(15, 8), Cone(16, 12, 15), HalfEgg(25, 18, 15)
        self.assertAlmostEqual(dome.sphere_radius_mm, 18.06, delta=0.005)
        self.assertAlmostEqual(dome.void_ml(0, 0), 3.10, delta=0.005)
        self.assertAlmostEqual(dome.void_ml(1.5, 0), 1.91, delta=0.005)
        self.assertAlmostEqual(cone.void_ml(0, 0), 9.30, delta=0.005)
        self.assertAlmostEqual(cone.void_ml(1.5, 0), 6.83, delta=0.005)
        self.assertAlmostEqual(egg.void_ml(0, 0), 14.14, delta=0.005)
        self.assertAlmostEqual(egg.void_ml(2, 0), 9.97, delta=0.005)
        self.assertAlmostEqual(egg.void_ml(2, 2), 7.68, delta=0.005)
        flat = HalfEgg(27, 8, 24)
        self.assertAlmostEqual(flat.void_ml(1.85, 0), 6.81, delta=0.005)
        for step in (2.36, 2.38):
            self.assertAlmostEqual(flat.void_ml(step, 1), 5.417, delta=0.01)

    def test_limits_are_known_solids(self) -> None:
        self.assertAlmostEqual(Dome(15, 15).void_ml(1, 3), Hemisphere(15).void_ml(1, 3), places=9)
        self.assertAlmostEqual(HalfEgg(15, 15, 15).void_ml(2, 1), Hemisphere(15).void_ml(2, 1), places=9)
        self.assertAlmostEqual(Cone(10, 10, 20).void_ml(0, 0), pi * 100 * 20 / 1000, places=9)
        self.assertAlmostEqual(Cone(12, 0, 20).void_ml(0, 0), pi * 144 * 20 / 3000, places=9)
        bar = Pyramid(80, 24, 80, 24, 14)
        self.assertAlmostEqual(bar.void_ml(2, 1), 76 * 20 * 11 / 1000, places=9)
        pointed = Pyramid(20, 20, 0, 0, 30)
        self.assertAlmostEqual(pointed.void_ml(0, 0), 20 * 20 * 30 / 3000, places=9)

    def test_a_sharp_cone_keeps_a_similar_cone_inside_its_wall(self) -> None:
        wall, cone = 1.5, Cone(12, 0, 20)
        inset = wall * (1 + (12 / 20) ** 2) ** 0.5
        inner_radius = 12 - inset
        inner_height = inner_radius / 12 * 20
        self.assertAlmostEqual(cone.void_ml(wall, 0), pi * inner_radius**2 * inner_height / 3000, places=9)

    def test_weighed_is_the_hemisphere_of_equal_volume_with_a_thicker_wall(self) -> None:
        ball = Hemisphere(16)
        same = weighed(ball.void_ml(0, 0) * water_density_g_per_ml(20))
        self.assertAlmostEqual(same.void_ml(0, 0), ball.void_ml(0, 0), places=6)
        self.assertAlmostEqual(same.void_ml(2, 0), ball.void_ml(2 * 1.08, 0), places=6)

    @given(
        st.sampled_from(
            [
                Hemisphere(16),
                Dome(20, 9),
                HalfEgg(25, 18, 15),
                Cone(16, 12, 15),
                Pyramid(30, 25, 20, 15, 12),
                Pyramid(80, 24, 80, 24, 14),
                Weighed(9.0),
            ]
        ),
        st.floats(0, 3),
        st.floats(0, 3),
        st.floats(0, 2),
    )
    def test_shell_filling_headroom_and_cap_are_the_cavity(
        self, cavity: Cavity, wall: float, cap: float, headroom: float
    ) -> None:
        parts = divide(cavity, wall, cap, headroom)
        total = parts.shell_ml + parts.fill_ml + parts.headroom_ml + parts.cap_ml
        self.assertAlmostEqual(total, parts.cavity_ml, places=9)
        for part in (parts.shell_ml, parts.fill_ml, parts.headroom_ml, parts.cap_ml):
            self.assertGreaterEqual(part, -1e-12)

    def test_what_leaves_no_filling_is_refused_with_the_limit(self) -> None:
        for measures, field in (((16, 0, 0), "wall_mm"), ((2, 14, 0), "cap_mm"), ((2, 10, 4), "headroom_mm")):
            with self.subTest(field), self.assertRaises(BadInput) as caught:
                divide(Hemisphere(16), *measures)
            self.assertEqual(caught.exception.field, (field,))
            self.assertIn("less than", caught.exception.allowed)


class Pieces(unittest.TestCase):
    def test_balls_and_coats_as_worked(self) -> None:
        self.assertAlmostEqual(ball_diameter_mm(12, 1.2), 26.7, delta=0.05)
        self.assertAlmostEqual(ball_coat_g(26.7, 1, 1.28), 3.1, delta=0.05)
        self.assertAlmostEqual(piece_coat_g(25, 25, 12, 1, 1.28), 3.39, delta=0.005)

    def test_slab_as_worked(self) -> None:
        self.assertEqual(cut_by_size(SLAB, (25, 25), 0, 0).pieces, 81)
        self.assertEqual(cut_by_size(SLAB, (25, 25), 4, 0).pieces, 64)
        self.assertEqual(cut_by_size(ROUND, (25, 25), 0, 0).pieces, 52)

    def test_both_orientations_are_tried(self) -> None:
        tray = Pan(shape="rectangle", length_mm=100, width_mm=60, depth_mm=10)
        self.assertEqual(cut_by_size(tray, (20, 50), 0, 0).pieces, 6)
        self.assertEqual(cut_by_size(tray, (50, 20), 0, 0).pieces, 6)

    def test_an_exact_division_loses_no_piece_to_rounding(self) -> None:
        for pieces in range(1, 40):
            pan = Pan(shape="rectangle", length_mm=0.1 * pieces * 10, width_mm=10, depth_mm=10)
            self.assertEqual(cut_by_size(pan, (1.0, 10), 0, 0).pieces, pieces)

    def test_kerf_takes_its_room(self) -> None:
        strip = Pan(shape="rectangle", length_mm=103, width_mm=25, depth_mm=10)
        self.assertEqual(cut_by_size(strip, (25, 25), 0, 1).grid, (4, 1))
        self.assertEqual(cut_by_size(strip, (25, 25), 0, 1.1).pieces, 3)

    def test_count_gives_the_grid_nearest_to_squares(self) -> None:
        cut = cut_by_count(SLAB, 36, 0, 0)
        assert cut is not None
        self.assertEqual(cut.grid, (6, 6))
        self.assertAlmostEqual(cut.piece_mm[0], 230 / 6)
        tray = Pan(shape="rectangle", length_mm=300, width_mm=200, depth_mm=10)
        self.assertEqual((cut_by_count(tray, 24, 0, 0) or cut).grid, (6, 4))

    @settings(max_examples=trials(12), deadline=None)
    @given(st.integers(1, 120))
    def test_count_is_always_met(self, wanted: int) -> None:
        for pan in (SLAB, ROUND):
            cut = cut_by_count(pan, wanted, 0, 0)
            assert cut is not None
            self.assertGreaterEqual(cut.pieces, wanted)
