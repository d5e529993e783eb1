"""The forecast and the judge over many courses: the truth lies in the band, and nothing is promised that cannot be."""

import unittest
from collections.abc import Callable
from itertools import pairwise
from math import exp, log
from random import Random

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.mass.boiling import boil_curve
from hearth_bowl.core.stove.forecast import CARRY_S, FARTHEST_S, Forecast, forecast
from hearth_bowl.core.stove.standing import standing
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.trace import trace
from tests.kitchen import bowl

SCATTERS = st.floats(0.0, 0.25)
SEEDS = st.integers(0, 10_000)


def course(
    shape: Callable[[float], float], seconds: int, scatter_c: float = 0.0, seed: int = 0
) -> list[tuple[float, float]]:
    """Return readings once a second, up to 0 s, with a thermometer's scatter."""
    chance = Random(seed)
    return [(float(t), shape(float(t)) + chance.gauss(0, scatter_c)) for t in range(-seconds, 1)]


def answered(found: Forecast | None) -> tuple[float, float, float]:
    """Return a forecast's time and band, which must be there."""
    assert found is not None and found.in_s is not None and found.low_s is not None and found.high_s is not None
    return found.low_s, found.in_s, found.high_s


class Rising(unittest.TestCase):
    @settings(max_examples=150, deadline=None)
    @given(st.floats(0.05, 0.6), st.floats(20, 60), st.floats(15, 60), SCATTERS, SEEDS)
    def test_a_straight_rise_is_told_within_its_band(
        self, rate: float, now_c: float, gap_c: float, scatter_c: float, seed: int
    ) -> None:
        target_c = now_c + gap_c + rate * CARRY_S
        found = forecast(course(lambda t: now_c + rate * t, 120, scatter_c, seed), target_c)
        low_s, in_s, high_s = answered(found)
        truth_s = gap_c / rate
        self.assertLessEqual(low_s, in_s)
        self.assertLessEqual(in_s, high_s)
        if scatter_c < 0.05:
            self.assertAlmostEqual(in_s, truth_s, delta=0.03 * truth_s + 2)
        self.assertLess(low_s, 1.1 * truth_s + 3)
        self.assertGreater(high_s, 0.9 * truth_s - 3)

    @settings(max_examples=80, deadline=None)
    @given(st.floats(0.1, 0.5), st.floats(40, 80), SCATTERS, SEEDS)
    def test_nearer_is_sooner(self, rate: float, target_c: float, scatter_c: float, seed: int) -> None:
        readings = course(lambda t: target_c - 25 + rate * t, 120, scatter_c, seed)
        near, far = answered(forecast(readings, target_c))[1], answered(forecast(readings, target_c + 5))[1]
        self.assertLess(near, far)

    @settings(max_examples=80, deadline=None)
    @given(st.floats(0.05, 0.6), st.floats(0, 30), SEEDS)
    def test_at_or_past_the_target_it_is_due_and_the_hot_pan_is_reckoned(
        self, rate: float, past_c: float, seed: int
    ) -> None:
        found = forecast(course(lambda t: 84 + past_c + rate * t, 120, 0.1, seed), 84)
        assert found is not None
        self.assertTrue(found.due)
        self.assertEqual(found.in_s, 0)
        self.assertAlmostEqual(found.carry_c, rate * CARRY_S, delta=0.35 * rate * CARRY_S + 1)
        early = forecast(course(lambda t: 84 - 0.5 * rate * CARRY_S + rate * t, 120), 84)
        self.assertTrue(early is not None and early.due)

    def test_what_does_not_rise_promises_no_time(self) -> None:
        for shape in (lambda _: 60.0, lambda t: 60 - 0.05 * t, lambda t: 60 + 0.0005 * t):
            found = forecast(course(shape, 120), 85)
            assert found is not None
            self.assertIsNone(found.in_s)
            self.assertFalse(found.due)
        slow = forecast(course(lambda t: 20 + 0.002 * t, 120), 20 + 0.01 * FARTHEST_S)
        self.assertTrue(slow is not None and slow.in_s is None)

    def test_a_drop_out_and_a_jump_of_the_probe_leave_a_forecast(self) -> None:
        readings = [row for row in course(lambda t: 60 + 0.2 * t, 120, 0.1, 3) if not -60 < row[0] < -40]
        low_s, in_s, high_s = answered(forecast(readings, 85))
        self.assertTrue(low_s < 25 / 0.2 - CARRY_S < high_s, (low_s, in_s, high_s))


class Cooling(unittest.TestCase):
    @settings(max_examples=120, deadline=None)
    @given(st.floats(300, 4000), st.floats(5, 24), st.floats(35, 90), SEEDS)
    def test_newtons_law_is_followed(self, tau_s: float, air_c: float, now_c: float, seed: int) -> None:
        target_c = air_c + 0.6 * (now_c - air_c)
        readings = course(lambda t: air_c + (now_c - air_c) * exp(-t / tau_s), 120, 0.05, seed)
        low_s, in_s, high_s = answered(forecast(readings, target_c, cooling=True, ambient_c=air_c))
        truth_s = tau_s * log(1 / 0.6)
        self.assertLessEqual(low_s, truth_s * 1.05)
        self.assertGreaterEqual(high_s, truth_s * 0.95)
        self.assertAlmostEqual(in_s, truth_s, delta=0.25 * truth_s)

    @settings(max_examples=60, deadline=None)
    @given(st.floats(10, 25), st.floats(0, 5))
    def test_below_the_air_it_never_comes(self, air_c: float, under_c: float) -> None:
        readings = course(lambda t: air_c + 30 * exp(-t / 900), 120)
        found = forecast(readings, air_c - under_c, cooling=True, ambient_c=air_c)
        assert found is not None
        self.assertIsNone(found.in_s)


class Boiling(unittest.TestCase):
    CURVE = boil_curve(bowl(sugar_granulated=450, milk_whole=300), 101.325)

    def boil(
        self, loses_g_per_s: float, now_g: float, seconds: int = 120, scatter_c: float = 0.1
    ) -> list[tuple[float, float]]:
        """Return the readings of a boil that loses water evenly and has so much left now."""
        points = sorted((water, c) for c, water in self.CURVE)

        def at(t: float) -> float:
            water = now_g - loses_g_per_s * t
            for (w0, c0), (w1, c1) in pairwise(points):
                if w0 <= water <= w1:
                    return c0 + (c1 - c0) * (water - w0) / (w1 - w0)
            return points[-1][1]

        return course(at, seconds, scatter_c, 7)

    def test_a_boil_goes_by_its_water_and_not_by_a_line(self) -> None:
        points = sorted((c, water) for c, water in self.CURVE)
        target_c = 113.5
        (c0, w0), (c1, w1) = next(pair for pair in pairwise(points) if pair[0][0] <= target_c <= pair[1][0])
        target_g = w0 + (w1 - w0) * (target_c - c0) / (c1 - c0)
        for loses in (0.08, 0.15, 0.3):
            readings = self.boil(loses, target_g + 60 * loses * 2)
            low_s, in_s, high_s = answered(forecast(readings, target_c, boil_curve=self.CURVE, carry_s=0))
            self.assertTrue(low_s - 6 <= 120 <= high_s + 6, (loses, low_s, in_s, high_s))

    def test_a_boil_that_stands_still_promises_nothing(self) -> None:
        still = course(lambda _: 106.0, 120)
        found = forecast(still, 113.5, boil_curve=self.CURVE)
        assert found is not None
        self.assertIsNone(found.in_s)


class Judging(unittest.TestCase):
    def step(self, heat: str, ceiling_c: float | None = None, key: str = "x", target: bool = True) -> Step:
        return Step(
            key=key, title="T", do="D", heat=heat, target_c=(40.0, 45.0) if target else None, ceiling_c=ceiling_c,
            cue="glossy" if heat == "cool" else "",
        )  # fmt: skip

    def test_every_heat_has_words_for_below_in_and_over(self) -> None:
        for heat in ("none", "warm", "boil", "melt", "cool", "work"):
            step = self.step(heat)
            stands = [(standing(step, c).stand, bool(standing(step, c).says)) for c in (30, 40, 45, 50)]  # type: ignore[union-attr]
            self.assertEqual(stands, [("below", True), ("in", True), ("in", True), ("over", True)], heat)
        self.assertIn("cue", standing(self.step("cool"), 42).says)  # type: ignore[union-attr]

    def test_the_ceiling_comes_first_and_says_what_is_lost(self) -> None:
        self.assertEqual(standing(self.step("melt", 48.0), 48.1).stand, "ceiling")  # type: ignore[union-attr]
        self.assertEqual(standing(self.step("melt", 48.0), 48.0).stand, "over")  # type: ignore[union-attr]
        self.assertIn("seed is lost", standing(self.step("work", 48.0), 49).says)  # type: ignore[union-attr]
        self.assertIn("turn it down", standing(self.step("warm", 48.0, key="dissolve"), 49).says)  # type: ignore[union-attr]
        self.assertIsNone(standing(self.step("none", 48.0, target=False), 30))
        self.assertEqual(standing(self.step("none", 48.0, target=False), 49).stand, "ceiling")  # type: ignore[union-attr]


class Thinning(unittest.TestCase):
    @settings(max_examples=60, deadline=None)
    @given(st.integers(0, 4000), st.integers(10, 300), SEEDS)
    def test_a_trace_keeps_its_ends_extremes_and_gaps(self, count: int, most: int, seed: int) -> None:
        chance = Random(seed)
        readings: list[tuple[float, float | None]] = [
            (float(t), None if chance.random() < 0.01 else 20 + 60 * chance.random()) for t in range(count)
        ]
        found = trace(readings, most)
        known = [c for _, c in readings if c is not None]
        self.assertEqual((found.low_c, found.high_c), (min(known), max(known)) if known else (None, None))
        drawn = [point for stretch in found.stretches for point in stretch]
        self.assertEqual([s for s, _ in drawn], sorted(s for s, _ in drawn))
        lost = {t for t, c in readings if c is None}
        for stretch in found.stretches:
            first, last = stretch[0][0], stretch[-1][0]
            self.assertFalse(any(first < t < last for t in lost), "no line is drawn over a gap")


if __name__ == "__main__":
    unittest.main()
