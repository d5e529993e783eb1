"""The pull call on simulated boils: what is said before it, and what pulling by a bare reading misses."""

import unittest

from tests.devices.boils import FUDGE, Boil


class PullCall(unittest.TestCase):
    def test_what_is_said_before_is_about_right_and_never_later_than_its_band(self) -> None:
        for power_w in (600.0, 1200.0, 2200.0):
            boil = Boil(FUDGE, power_w, 340.0, 0.0, 0.0)
            said_s, latest_s = boil.said_before(100)
            with self.subTest(power_w=power_w):
                self.assertLess(abs(said_s - boil.called_s), 20)
                self.assertLessEqual(boil.called_s, latest_s)

    def test_pulled_by_a_bare_reading_it_misses(self) -> None:
        self.assertGreater(abs(Boil(FUDGE, 600.0, 1500.0, 2.3, 0.1, by_reading=True).missed_c), 1.5)


if __name__ == "__main__":
    unittest.main()
