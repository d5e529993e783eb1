"""Tempering: the windows by kind, the seed by the heat balance, and what cannot be."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.latent_heat import solid_fat_kj_per_kg
from hearth_bowl.core.mass.tempering import WINDOWS, temper, tempering_kind
from tests.kitchen import bowl


class Windows(unittest.TestCase):
    def test_each_chocolate_has_its_kind(self) -> None:
        for key, kind in (
            ("dark80", "dark"),
            ("cocoa_mass", "dark"),
            ("milk38", "milk"),
            ("white28", "white"),
            ("gianduja", "gianduja"),
            ("compound_milk", "compound"),
        ):
            self.assertEqual(tempering_kind(find(key)), kind)

    def test_ceilings_are_the_books(self) -> None:
        for kind, above_c, lost_c in (
            ("dark", 55, 34),
            ("milk", 48, 32.5),
            ("white", 45, 31.5),
            ("gianduja", 48, 29),
            ("compound", 50, None),
        ):
            window = WINDOWS[kind]
            self.assertEqual((window.never_above_c, window.seed_lost_above_c), (above_c, lost_c), kind)

    def test_each_window_is_in_order(self) -> None:
        for window in WINDOWS.values():
            self.assertLess(window.melt_c[1], window.never_above_c + 0.1)
            if window.cool_to_c and window.seed_lost_above_c:
                self.assertLess(window.cool_to_c[1], window.work_c[0] + 0.1)
                self.assertLess(window.work_c[1], window.seed_lost_above_c)


class Seed(unittest.TestCase):
    def test_worked_shares(self) -> None:
        for key, from_c, to_c, share in (
            ("dark60", 45, 32, 25),
            ("dark60", 45, 34, 22),
            ("dark60", 48, 32, 30),
            ("milk33", 43, 30, 30),
            ("white28", 41, 29, 30),
        ):
            found = temper(find(key), from_c, to_c).seed
            assert found is not None
            self.assertAlmostEqual(found.share_pct, share, delta=0.51)

    @given(from_c=st.floats(40, 55), to_c=st.floats(30, 34), seed_c=st.floats(5, 26), mass=st.floats(50, 5000))
    def test_heat_given_is_heat_taken(self, from_c: float, to_c: float, seed_c: float, mass: float) -> None:
        found = temper(find("dark60"), from_c, to_c, seed_c, mass).seed
        assert found is not None
        assert found.seed_g is not None
        taken = found.seed_g * (1500 * (to_c - seed_c) + 1000 * solid_fat_kj_per_kg(bowl(dark60=100), seed_c))
        melt_c = from_c if found.come_down_c is None else found.come_down_c
        self.assertAlmostEqual(mass * 1650 * (melt_c - to_c), taken, delta=1e-6 * taken)
        self.assertAlmostEqual(found.share_pct, 100 * found.seed_g / (mass + found.seed_g))

    def test_compound_needs_none(self) -> None:
        found = temper(find("compound_dark"), mass_g=500)
        self.assertFalse(found.needs_tempering)
        self.assertEqual(found.window.work_c, (36, 42))

    def test_refused(self) -> None:
        for key, ask, field in (
            ("cream35", {}, "chocolate"),
            ("dark60", {"from_c": 60}, "from_c"),
            ("dark60", {"to_c": 36}, "to_c"),
            ("milk33", {"seed_c": 30.0}, "seed_c"),
            ("dark60", {"mass_g": 0.0}, "mass_g"),
            ("white28", {"from_c": float("nan")}, "from_c"),
        ):
            with self.subTest(key=key, ask=ask), self.assertRaises(BadInput) as caught:
                temper(find(key), **ask)  # type: ignore[arg-type]
            self.assertEqual(caught.exception.field, (field,))


class Cap(unittest.TestCase):
    def test_no_more_seed_than_can_be_stirred_in(self) -> None:
        for name, from_c, to_c in (("gianduja", 43, 27), ("milk33", 43, 30)):
            seed = temper(find(name), from_c, to_c).seed
            assert seed is not None and seed.come_down_c is not None
            self.assertAlmostEqual(seed.share_pct, 30)
            self.assertLess(seed.come_down_c, from_c)
            again = temper(find(name), seed.come_down_c, to_c).seed
            assert again is not None
            self.assertAlmostEqual(again.share_pct, 30, places=6)
        dark = temper(find("dark60"), 45, 32).seed
        assert dark is not None
        self.assertIsNone(dark.come_down_c)


if __name__ == "__main__":
    unittest.main()
