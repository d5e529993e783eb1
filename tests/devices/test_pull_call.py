"""The pull call on simulated boils: within 1 °C of the target at any ring, altitude, offset and with readings lost."""

import random
import unittest

from hearth_bowl.core.boiling import boil_curve, pressure_kpa, water_boils_c
from hearth_bowl.core.mixture import mix
from hearth_bowl.core.stove.forecast import forecast
from hearth_bowl.core.sugar_stages import thermometer
from hearth_bowl.devices.kitchen_physics import Hob, LaggingProbe, PanOfSomething
from tests.kitchen import recipe

FUDGE = recipe("boiled-fudge", "cut", sugar_granulated=450, milk_whole=300, butter82=60, glucose_syrup40=30)
SEED = 7


class Pulled:
    """One simulated boil: when it was called, where it ended, and what was said two minutes before."""

    def __init__(self, power_w: float, altitude_m: float, offset_c: float, dropouts: float, above_boil_c: float = 13.0):
        chance = random.Random(SEED)
        kpa = pressure_kpa(altitude_m)
        pan = PanOfSomething(mixture=mix(FUDGE), kpa=kpa, hob=Hob(power_w=power_w))
        self.target_c = pan.boiling_c + above_boil_c
        probe = LaggingProbe(offset_c=offset_c, dropout_share=dropouts)
        tested = thermometer(round(water_boils_c(kpa) + offset_c, 1), kpa)
        readings: list[tuple[float, float]] = []
        self.said: list[tuple[float, float, float]] = []
        curve = boil_curve(mix(FUDGE), kpa)
        second = 0.0
        while True:
            second += 1
            pan.advance(1, 1.0)
            shown = probe.read(pan.mass_c, 1, chance.random(), chance.gauss(0, 1))
            if shown is None:
                continue
            readings.append((second, shown - tested.offset_c))
            found = forecast(readings[-200:], self.target_c, boil_curve=curve)
            if found is not None and found.in_s is not None and not found.due:
                self.said.append((second, second + found.in_s, second + (found.high_s or 0)))
            if found is not None and found.due:
                break
            if second > 3 * 3600:
                raise AssertionError("never called")
        self.called_s = second
        self.highest_c = pan.mass_c
        for _ in range(120):
            pan.advance(1, 0.0)
            self.highest_c = max(self.highest_c, pan.mass_c)


class PullCall(unittest.TestCase):
    def test_it_lands_within_a_degree(self) -> None:
        for power_w in (600.0, 1200.0, 2200.0):
            for altitude_m in (0.0, 1500.0):
                for offset_c, dropouts in ((0.0, 0.0), (2.3, 0.1)):
                    with self.subTest(power_w=power_w, altitude_m=altitude_m, offset_c=offset_c):
                        found = Pulled(power_w, altitude_m, offset_c, dropouts)
                        self.assertAlmostEqual(found.highest_c, found.target_c, delta=1.0)

    def test_what_is_said_two_minutes_before_is_about_right(self) -> None:
        for power_w in (600.0, 1200.0, 2200.0):
            found = Pulled(power_w, 340.0, 0.0, 0.0)
            _, said_s, latest_s = min(found.said, key=lambda row: abs(row[0] - (found.called_s - 100)))
            with self.subTest(power_w=power_w):
                self.assertLess(abs(said_s - found.called_s), 20)
                self.assertLessEqual(found.called_s, latest_s)


if __name__ == "__main__":
    unittest.main()
