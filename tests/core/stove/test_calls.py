"""Calls: honest before the boil, quiet about what is already so, held before they are made, loud when it is silent."""

import unittest

from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA, boil_curve
from hearth_bowl.core.mass.cooking import cook_plan, cooked_part
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.stove.calls import Call, held, next_call
from hearth_bowl.core.stove.forecast import Forecast, forecast
from hearth_bowl.core.stove.heating import Heating, ahead, heating_of
from hearth_bowl.core.stove.step import Step
from hearth_bowl.devices.kitchen_physics import PanOfSomething
from tests.kitchen import bowl, recipe

GRAMS = {"sugar_granulated": 450.0, "milk_whole": 300.0, "butter82": 60.0, "glucose_syrup40": 30.0}
FUDGE = recipe("boiled-fudge", stage="boil", **GRAMS)
Readings = list[tuple[float, float]]


def steady(from_c: float, to_c: float, seconds: int = 60) -> Readings:
    return [(float(s - seconds), from_c + (to_c - from_c) * s / seconds) for s in range(seconds + 1)]


def called(step: Step, readings: Readings, entered_c: float | None = None, silent_s: float = 0.0) -> Call:
    cooling = step.heat == "cool"
    target = (step.target_c or (0.0, 0.0))[1 if cooling else 0]
    found = forecast(readings, target, cooling=cooling)
    return next_call(step, readings, found, held(step, readings), entered_c=entered_c, silent_s=silent_s)


class BeforeTheBoil(unittest.TestCase):
    def test_worked_pan(self) -> None:
        boil_j = 198 * 2260 + 0.642 * 2800 * 11.5
        found = ahead(Heating(capacity_j_per_k=2852, boils_c=103.5, boil_j=boil_j), 40, 10 / 60)
        assert found is not None
        self.assertAlmostEqual(found.boil_s[1] / 60, 6.8, delta=0.05)
        self.assertAlmostEqual(found.boil_s[0] / 60, 5.8, delta=0.05)
        self.assertAlmostEqual(found.boil_s[2] / 60, 9.2, delta=0.05)
        self.assertAlmostEqual((found.end_s[1] - found.boil_s[1]) / 60, 19, delta=0.2)
        self.assertIsNone(ahead(Heating(capacity_j_per_k=2852, boils_c=103.5, boil_j=0), 40, 0.02))
        no_boil = ahead(Heating(capacity_j_per_k=2852, boils_c=103.5, boil_j=0), 40, 10 / 60)
        assert no_boil is not None
        self.assertEqual(no_boil.end_s, no_boil.boil_s)

    def test_the_stand_in_boils_and_ends_as_told_at_three_powers_and_two_altitudes(self) -> None:
        pan_mass = cooked_part(FUDGE)
        for power in (0.5, 0.75, 1.0):
            for altitude_m in (0.0, 1500.0):
                kitchen = Kitchen(altitude_m=altitude_m)
                end_c = cook_plan(FUDGE, kitchen).cooked.to_c
                heating = heating_of(pan_mass, kitchen.pressure_kpa, end_c)
                curve = boil_curve(pan_mass, kitchen.pressure_kpa)
                assert heating is not None
                pan = PanOfSomething(mixture=pan_mass, kpa=kitchen.pressure_kpa)
                readings: Readings = []
                told: list[tuple[int, Forecast]] = []
                boils_s = 0
                for second in range(1, 4000):
                    pan.advance(1, power)
                    readings.append((float(second), pan.mass_c))
                    boils_s = boils_s or (second if pan.mass_c > heating.boils_c - 0.1 else 0)
                    if pan.mass_c >= end_c:
                        break
                    if second % 30 == 0 and pan.mass_c > 60:
                        found = forecast(readings[-150:], end_c, boil_curve=curve, heating=heating)
                        assert found is not None
                        told.append((second, found))
                for at_s, found in told:
                    if found.phase != "to-boil" or not found.in_s:
                        continue
                    way_s = boils_s - at_s
                    self.assertLess(abs(found.in_s - way_s), 0.15 * way_s + 5, (power, altitude_m, found))
                    self.assertTrue((found.end_low_s or 0) < second - at_s < (found.end_high_s or 0), found)
                boiling = [(at_s, found) for at_s, found in told if found.phase == "boil" and found.in_s is not None]
                good = sum((f.low_s or 0) <= second - at_s <= (f.high_s or 0) for at_s, f in boiling)
                self.assertGreaterEqual(good, 0.8 * len(boiling), (power, altitude_m))

    def test_the_last_degrees_are_soon_and_too_little_heat_is_said(self) -> None:
        step = Step(key="boil", title="Boil", do="", heat="boil", target_c=(114.5, 115.5))
        mass = bowl(**GRAMS)
        curve, heating = boil_curve(mass, SEA_LEVEL_KPA), heating_of(mass, SEA_LEVEL_KPA, 115.0)

        def words(readings: Readings) -> tuple[str, bool]:
            found = forecast(readings, 115.0, boil_curve=curve, heating=heating)
            call = next_call(step, readings, found, held(step, readings))
            return call.words, call.timed

        self.assertEqual(words(steady(58.0, 60.0)), ("It boils", True))
        self.assertEqual(words(steady(60.0, 60.3)), ("More heat or a lid: so it never boils", False))
        self.assertEqual(words(steady(112.0, 112.4)), ("Soon: stay by it", False))


class Calls(unittest.TestCase):
    JOIN = Step(key="join", title="Stir it smooth", do="", heat="cool", target_c=(38, 50), ceiling_c=60)
    WARM = Step(key="warm", title="Warm it", do="", heat="warm", target_c=(80, 85), ceiling_c=90, cue="it steams")

    def test_what_is_already_so_is_not_alarmed(self) -> None:
        hot = called(self.JOIN, steady(72, 70))
        self.assertEqual((hot.urgent, hot.words), (False, "Let it come below ⟦60 °C⟧"))
        self.assertFalse(called(self.JOIN, steady(46, 45)).urgent)
        self.assertTrue(called(self.JOIN, steady(55, 49.5)).urgent)
        self.assertTrue(called(self.WARM, steady(84, 91), entered_c=84).urgent)
        self.assertTrue(called(self.WARM, steady(91, 95), entered_c=91).urgent)

    def test_what_goes_on_being_wrong_is_called_again(self) -> None:
        over = called(self.WARM, steady(91, 95), entered_c=70)
        self.assertTrue(over.is_quiet({over.words: -100.0}, 0.0))
        self.assertFalse(over.is_quiet({over.words: -130.0}, 0.0))
        there = called(self.WARM, steady(70, 84))
        self.assertTrue(there.is_quiet({there.words: -1300.0}, 0.0))
        self.assertFalse(there.is_quiet({over.words: -1.0}, 0.0))

    def test_a_state_counts_when_it_has_held(self) -> None:
        flicker: Readings = [(float(s), 85.05 if s % 2 else 84.95) for s in range(60)]
        stands = held(self.WARM, flicker)
        assert stands is not None
        self.assertEqual(stands.stand, "in")
        stays = held(self.WARM, [*flicker, *((60.0 + s, 86.0) for s in range(5))])
        self.assertEqual(stays.stand if stays else "", "over")

    def test_a_reading_by_hand_counts_at_once(self) -> None:
        by_hand = held(self.WARM, [(-120.0, 70.0), (-60.0, 78.0), (0.0, 93.0)])
        self.assertEqual(by_hand.stand if by_hand else "", "ceiling")
        self.assertTrue(called(self.WARM, [(-120.0, 70.0), (-60.0, 78.0), (0.0, 93.0)]).urgent)

    def test_calls_have_their_own_words(self) -> None:
        beat = Step(key="cool-still", title="Leave it still", do="", heat="cool", target_c=(43, 50))
        self.assertEqual(called(beat, steady(60, 49)).words, "Beat it")
        self.assertEqual(called(self.WARM, steady(70, 84)).words, "Off the heat")

    def test_a_silent_thermometer_is_an_alarm_with_a_cue(self) -> None:
        silent = called(self.WARM, steady(70, 72), silent_s=25)
        self.assertEqual((silent.urgent, silent.words), (True, "The thermometer is silent: go by the cue, it steams"))
        self.assertFalse(called(self.JOIN, steady(70, 66), silent_s=25).urgent)
        self.assertFalse(called(self.WARM, steady(70, 72), silent_s=5).urgent)


if __name__ == "__main__":
    unittest.main()
