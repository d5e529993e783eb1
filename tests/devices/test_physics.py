"""The stand-in's kitchen: heat is accounted for, water boils where it should, chocolate lags, seed cools."""

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.mass.boiling import pressure_kpa, water_boils_c
from hearth_bowl.devices.kitchen_physics import Hob, LaggingProbe, PanOfSomething
from hearth_bowl.devices.probe import StandInKitchen
from hearth_bowl.devices.scale import settled_g
from tests.kitchen import bowl, recipe_record

FUDGE = bowl(sugar_granulated=450, milk_whole=300, butter82=60)


def pan(mixture=FUDGE, **more) -> PanOfSomething:  # type: ignore[no-untyped-def]
    return PanOfSomething(mixture=mixture, kpa=pressure_kpa(more.pop("altitude_m", 0.0)), **more)


class Pan(unittest.TestCase):
    def test_it_rises_boils_at_its_plateau_and_then_climbs_as_water_leaves(self) -> None:
        cooked = pan()
        plateau = cooked.boiling_c
        for _ in range(1200):
            cooked.advance(1, 1.0)
            if cooked.boils:
                break
        self.assertAlmostEqual(cooked.mass_c, plateau, delta=0.3)
        before_g = cooked.mass_g
        cooked.advance(300, 1.0)
        self.assertLess(cooked.mass_g, before_g - 40)
        self.assertGreater(cooked.mass_c, plateau + 1)
        self.assertAlmostEqual(cooked.mass_c, cooked.boiling_c, delta=0.05)

    def test_on_a_mountain_it_boils_cooler_and_a_strong_ring_is_quicker(self) -> None:
        self.assertLess(pan(altitude_m=2000.0).boiling_c, pan().boiling_c - 6)
        weak, strong = pan(hob=Hob(power_w=600)), pan(hob=Hob(power_w=2200))
        for one in (weak, strong):
            one.advance(120, 1.0)
        self.assertGreater(strong.mass_c, weak.mass_c + 20)

    @settings(max_examples=15, deadline=None)
    @given(minutes=st.integers(1, 20), heat=st.floats(0, 1))
    def test_nothing_is_made_from_nothing(self, minutes: int, heat: float) -> None:
        cooked = pan()
        start_g = cooked.mass_g
        cooked.advance(60 * minutes, heat)
        self.assertLessEqual(cooked.mass_g, start_g + 1e-6)
        given_j = heat * cooked.hob.power_w * cooked.hob.arrives * 60 * minutes
        self.assertLessEqual((start_g - cooked.mass_g) * 2257, given_j + 60 * 60 * minutes)

    def test_chocolate_lags_while_it_melts_and_seed_cools_it(self) -> None:
        plain, melting = (pan(bowl(dark60=600), latent_j_per_g=latent, bath_c=60.0) for latent in (0.0, 45.0))
        for one in (plain, melting):
            one.advance(400, 0.12)
        self.assertLess(melting.mass_c, plain.mass_c - 1)
        warm = pan(bowl(dark60=600), latent_j_per_g=45.0, mass_c=45.0, pan_c=45.0)
        warm.stir_in(200, 20.0)
        self.assertLess(warm.mass_c, 34)
        self.assertAlmostEqual(warm.mass_g, 800)


class Probe(unittest.TestCase):
    def test_it_lags_is_off_and_drops_out(self) -> None:
        probe = LaggingProbe(offset_c=2.0, scatter_c=0.0, dropout_share=0.1)
        self.assertEqual(probe.read(20.0, 1, 0.5, 0.0), 22.0)
        lagging = probe.read(60.0, 1, 0.5, 0.0)
        assert lagging is not None
        self.assertLess(lagging, 40)
        for _ in range(60):
            lagging = probe.read(60.0, 1, 0.5, 0.0)
        self.assertAlmostEqual(lagging or 0, 62.0, places=2)
        self.assertIsNone(probe.read(60.0, 1, 0.05, 0.0))

    def test_a_scale_shows_its_steps(self) -> None:
        self.assertEqual(settled_g(212.44, 0.1, 0.0), round(212.4, 6))
        self.assertEqual(settled_g(0.3, 1.0, 0.0), 0)
        self.assertEqual(settled_g(-5.0, 1.0, 0.0), 0)


class StandIn(unittest.TestCase):
    def play(self, seconds: int, chocolate: str | None = None, by: str = "pan", **step: object) -> StandInKitchen:
        kitchen = StandInKitchen(LaggingProbe(scatter_c=0.0), Hob())
        self.go(kitchen, seconds, chocolate, by, **step)
        return kitchen

    def go(self, kitchen: StandInKitchen, seconds: int, chocolate: str | None, by: str = "pan", **step: object) -> None:
        said = {
            "batch_id": 1,
            "recipe": recipe_record(),
            "step": step,
            "heat": by,
            "chocolate": chocolate,
            "in_the_pan": [] if chocolate else [0, 1],
            "kitchen_c": 21.0,
            "pressure_kpa": 101.325,
        }
        for _ in range(seconds):
            kitchen.follow(said)
            kitchen.advance(1.0)

    def test_the_ring_is_turned_down_at_the_target(self) -> None:
        kitchen = self.play(900, key="warm", heat="warm", target_c=[80.0, 88.0])
        assert kitchen.pan is not None
        self.assertTrue(78 < kitchen.pan.mass_c < 95, kitchen.pan.mass_c)

    def test_chocolate_is_melted_and_seeded_to_its_work(self) -> None:
        kitchen = self.play(2400, "dark60", key="temper-melt", heat="melt", target_c=[45.0, 50.0])
        assert kitchen.pan is not None
        self.assertTrue(43 < kitchen.pan.mass_c < 55, kitchen.pan.mass_c)
        self.go(kitchen, 400, "dark60", key="temper-cool", heat="cool", target_c=[31.0, 32.5])
        self.assertTrue(28 < kitchen.pan.mass_c < 33.5, kitchen.pan.mass_c)
        self.assertGreater(kitchen.pan.mass_g, 650)

    def test_an_oven_works_in_bursts(self) -> None:
        kitchen = self.play(29, "milk38", "microwave", key="melt", heat="melt", target_c=[40.0, 45.0])
        assert kitchen.pan is not None
        after_burst = kitchen.pan.mass_c
        self.assertGreater(after_burst, 24)
        self.go(kitchen, 25, "milk38", "microwave", key="melt", heat="melt", target_c=[40.0, 45.0])
        self.assertLess(kitchen.pan.mass_c, after_burst + 1)
        self.go(kitchen, 900, "milk38", "microwave", key="melt", heat="melt", target_c=[40.0, 45.0])
        self.assertTrue(36 < kitchen.pan.mass_c < 48, kitchen.pan.mass_c)

    def test_water_boils_where_the_kitchen_is(self) -> None:
        self.assertAlmostEqual(water_boils_c(pressure_kpa(1500)), 94.98, places=1)


if __name__ == "__main__":
    unittest.main()
