"""Cooling: the exact series, the handbook's table, the energy account, and what cannot be."""

import unittest
from math import pi

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.cooling.bowl import small_s, stirred_s
from hearth_bowl.core.cooling.places import PLACES, faces
from hearth_bowl.core.cooling.series import roots, unaccomplished
from hearth_bowl.core.cooling.slab import Slab, cool_slab, slab_s
from hearth_bowl.core.cooling.unstirred import Tub, cool_unstirred, unstirred_s
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.latent_heat import setting_kj_per_kg, solid_fat_kj_per_kg
from hearth_bowl.core.mass.thermal import Thermal, conductivity_w_per_mk, heat_capacity_j_per_kgk
from tests.kitchen import bowl

NO_LATENT = Thermal(latent_kj_per_kg=0)


class Series(unittest.TestCase):
    def test_published_roots(self) -> None:
        for biot, root in ((0.1, 0.3111), (1, 0.8603), (10, 1.4289), (0.5, 0.6533)):
            self.assertAlmostEqual(roots(biot, 1)[0], root, places=4)

    def test_worked_centre_and_face(self) -> None:
        self.assertAlmostEqual(unaccomplished(0.5, 1.2), 0.641, places=3)
        self.assertAlmostEqual(unaccomplished(0.5, 1.2, 1.0), 0.509, places=3)


class Solver(unittest.TestCase):
    def test_without_latent_heat_it_is_the_series(self) -> None:
        for h, mm in ((8, 16), (15, 40), (300, 20), (9, 5)):
            slab = Slab(thickness_mm=mm, h_top=h, h_base=h, thermal=NO_LATENT)
            half_m = mm / 2000
            biot, diffusivity = h * half_m / 0.26, 0.26 / (1180 * 2250)
            course = cool_slab(slab, 40.0, 5.0, to_c=8.0)
            for i in range(0, len(course.times_s), 25):
                fourier = diffusivity * course.times_s[i] / half_m**2
                if fourier > 0.05:
                    exact = unaccomplished(biot, fourier)
                    self.assertAlmostEqual((course.last_c[i] - 5) / 35, exact, delta=0.002, msg=f"{h} {mm} {fourier}")

    def test_worked_slab(self) -> None:
        slab = Slab(thickness_mm=16, h_top=8, h_base=8, thermal=NO_LATENT)
        self.assertAlmostEqual(slab_s(slab, 36, 20, 5) / 60, 36.6, delta=0.2)

    def test_handbook_table(self) -> None:
        cases = (
            (3, 8, 7, 5, 18, 12),
            (10, 8, 3, 5, 18, 61),
            (20, 15, 12, 5, 18, 60),
            (40, 3.5, 5, 5, 18, 346),
            (30, 9, 7, -18, 18, 72),
            (25, 8, 5, 16, 20, 241),
        )
        for mm, top, base, ambient, to, minutes in cases:
            found = slab_s(Slab(thickness_mm=mm, h_top=top, h_base=base), 35, to, ambient) / 60
            self.assertAlmostEqual(found, minutes, delta=0.7)

    def test_halving_the_grid_changes_little(self) -> None:
        slab = Slab(thickness_mm=25, h_top=15, h_base=3)
        coarse, fine = (cool_slab(slab, 40, 4, 15, nodes=nodes).times_s[-1] for nodes in (41, 81))
        self.assertLess(abs(coarse / fine - 1), 0.005)

    @settings(max_examples=20, deadline=None)
    @given(
        mm=st.floats(2, 60),
        top=st.floats(1, 300),
        base=st.floats(0, 20),
        latent=st.floats(0, 120),
        from_c=st.floats(25, 110),
        ambient=st.floats(-20, 18),
    )
    def test_heat_out_is_enthalpy_lost(
        self, mm: float, top: float, base: float, latent: float, from_c: float, ambient: float
    ) -> None:
        slab = Slab(thickness_mm=mm, h_top=top, h_base=base, thermal=Thermal(latent_kj_per_kg=latent))
        course = cool_slab(slab, from_c, ambient, for_s=1800)
        whole = max(1.0, course.enthalpy_lost_j_per_m2)
        self.assertLess(abs(course.heat_out_j_per_m2 - course.enthalpy_lost_j_per_m2) / whole, 1e-6)

    def test_a_frozen_slab_warms_at_its_middle_last(self) -> None:
        slab = Slab(thickness_mm=20, h_top=8, h_base=5)
        course = cool_slab(slab, -18, 20, to_c=12)
        self.assertGreater(course.top_c[-1], course.last_c[-1])
        self.assertGreaterEqual(course.last_c[-1], 12)

    def test_what_takes_longer(self) -> None:
        def minutes(mm: float = 20, top: float = 8, latent: float = 30) -> float:
            return slab_s(
                Slab(thickness_mm=mm, h_top=top, h_base=5, thermal=Thermal(latent_kj_per_kg=latent)), 40, 18, 5
            )

        self.assertLess(minutes(mm=10), minutes() / 2 * 1.01)
        self.assertLess(minutes(latent=0), minutes())
        self.assertLess(minutes(top=15), minutes())

    def test_refused(self) -> None:
        slab = Slab(thickness_mm=20, h_top=8, h_base=5)
        for from_c, to_c, ambient, field in (
            (40, 5, 5, "to_c"),
            (40, 2, 5, "to_c"),
            (40, 45, 5, "to_c"),
            (-18, 25, 20, "to_c"),
            (20, 20, 20, "to_c"),
            (900, 20, 5, "from_c"),
        ):
            with self.subTest(to_c=to_c, from_c=from_c), self.assertRaises(BadInput) as caught:
                slab_s(slab, from_c, to_c, ambient)
            self.assertEqual(caught.exception.field, (field,))
        with self.assertRaises(BadInput):
            Slab(thickness_mm=20, h_top=0, h_base=0)


class Bowl(unittest.TestCase):
    def test_worked_bowls(self) -> None:
        self.assertAlmostEqual(stirred_s(0.9, 0.045, 45, 32, 20) / 60, 61, delta=0.5)
        alone = Tub(mass_kg=0.9, h_top=9, h_side=9, h_base=7)
        self.assertAlmostEqual(unstirred_s(alone, 45, 32, 20) / 60, 112, delta=0.5)
        self.assertAlmostEqual(2000 * alone.radius_m, 148, delta=0.5)

    def test_the_table_of_bowls_left_alone(self) -> None:
        for kg, base, from_c, to_c, ambient, minutes in (
            (0.2, 7, 45, 18, 5, 133),
            (0.4, 3, 45, 18, 5, 224),
            (0.9, 7, 45, 18, 5, 260),
            (1.5, 5, 45, 32, 20, 162),
            (2.5, 5, 45, 28, 20, 294),
        ):
            found = unstirred_s(Tub(mass_kg=kg, h_base=base), from_c, to_c, ambient) / 60
            self.assertAlmostEqual(found / minutes, 1, delta=0.01, msg=f"{kg} {minutes}")

    @settings(max_examples=20, deadline=None)
    @given(kg=st.floats(0.05, 5), depth=st.floats(0.3, 2), h=st.floats(0.2, 15), latent=st.floats(0, 60))
    def test_left_alone_is_never_quicker_than_stirred(self, kg: float, depth: float, h: float, latent: float) -> None:
        mass = Thermal(latent_kj_per_kg=latent)
        tub = Tub(mass_kg=kg, depth_over_radius=depth, h_top=h, h_side=h, h_base=h, thermal=mass)
        stirred = stirred_s(kg, tub.area_m2, 40, 15, 5, h, mass)
        self.assertGreaterEqual(unstirred_s(tub, 40, 15, 5), stirred * (1 - 0.005))
        course = cool_unstirred(tub, 40, 5, for_s=1800)
        self.assertAlmostEqual(course.heat_out_j / course.enthalpy_lost_j, 1, places=6)

    def test_worked_small_bodies(self) -> None:
        self.assertAlmostEqual(small_s(7.07, 21.2, 35, 18, 4) / 60, 37.5, delta=0.1)
        ball_mm = 25.0
        volume_ml, area_cm2 = pi * ball_mm**3 / 6000, pi * ball_mm**2 / 100
        self.assertAlmostEqual(small_s(volume_ml, area_cm2, 24, 16, 5, 8) / 60, 37, delta=0.5)
        self.assertAlmostEqual(small_s(7.5, 2 * (6.25 + 3 + 3), 32, 20, 5, 7) / 60, 20, delta=0.5)
        with self.assertRaises(BadInput) as caught:
            small_s(700, 212, 35, 18, 4)
        self.assertEqual(caught.exception.field, ("volume_ml",))


class Places(unittest.TestCase):
    def test_faces(self) -> None:
        self.assertEqual(faces("fridge", None, "none"), (8, 7))
        self.assertEqual(faces("fan-fridge", "wire", "none"), (15, 12))
        self.assertEqual(faces("fridge", "wire", "lid"), (3.5, 5))
        self.assertEqual(faces("fridge", "glass", "film"), (7, 3))
        self.assertEqual(faces("counter", None, "none"), (8, 5))
        self.assertEqual(faces("freezer", "insulated", "none"), (9, 0))
        self.assertEqual(faces("freezer", "insulated", "none", both=True), (9, 9))
        self.assertEqual([PLACES[name].ambient_c for name in PLACES], [5, 4, -18, 20, 20, 14])


class Properties(unittest.TestCase):
    def test_worked_masses(self) -> None:
        for grams, cp, k in (
            ({"dark60": 100}, 1660, 0.20),
            ({"cream35": 100}, 3280, 0.37),
            ({"dark60": 200, "cream35": 100}, 2300, 0.25),
            ({"dark60": 100, "cream35": 100}, 2550, 0.28),
        ):
            mixture = bowl(**grams)
            self.assertAlmostEqual(heat_capacity_j_per_kgk(mixture), cp, delta=60, msg=str(grams))
            self.assertAlmostEqual(conductivity_w_per_mk(mixture), k, delta=0.012, msg=str(grams))

    def test_latent_heat_of_a_two_to_one(self) -> None:
        self.assertAlmostEqual(setting_kj_per_kg(bowl(dark60=200, cream35=100)), 30, delta=0.5)
        self.assertAlmostEqual(solid_fat_kj_per_kg(bowl(dark60=100), 20), 44.8, delta=0.05)


if __name__ == "__main__":
    unittest.main()
