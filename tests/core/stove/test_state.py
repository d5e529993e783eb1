"""What a temperature means at a step, and what went wrong until it is answered."""

import unittest
from itertools import pairwise
from random import Random

from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.starters import starter
from hearth_bowl.core.stove.calls import held
from hearth_bowl.core.stove.mishaps import Mishap, mishaps
from hearth_bowl.core.stove.standing import standing
from hearth_bowl.core.stove.state import State, state_of
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.steps import run_steps
from tests.counts import trials

FUDGE = starter("boiled-fudge", "cut")
STEPS = run_steps(FUDGE, {}, Kitchen())
BOIL = next(at for at, step in enumerate(STEPS) if step.heat == "boil")


def state(step: Step, c: float, before: Step | None = None, dose_g: float | None = None) -> State:
    return state_of(step, standing(step, c), c, family="boiled-fudge", before=before, dose_g=dose_g)


def wrong(recipe: Recipe, steps: tuple[Step, ...], at: int, *readings: float) -> list[Mishap]:
    stretch = [(float(s), c) for s, c in enumerate(readings)]
    return mishaps([(at, 0.0, 1000.0)], steps, [stretch], recipe, 101.325)


class States(unittest.TestCase):
    def test_a_fudge_is_beaten_in_its_range_and_below_it_has_a_way_back(self) -> None:
        cool = next(step for step in STEPS if step.act == "cool-still")
        beat = next(step for step in STEPS if step.act == "beat")
        self.assertEqual([state(cool, c).kind for c in (80, 47, 42, 30)], ["approaching", "there", "there", "too-cold"])
        self.assertIn("43 to 50", state(cool, 30).then)
        self.assertEqual(state(beat, 30, before=cool).kind, "too-cold")
        self.assertNotEqual(state(beat, 40, before=cool).kind, "too-cold")

    def test_past_a_boil_is_a_dose_and_browned_sugar_is_ruined_but_in_a_caramel(self) -> None:
        boil = STEPS[BOIL]
        assert boil.target_c is not None
        self.assertEqual(state(boil, boil.target_c[0] - 5).kind, "approaching")
        self.assertEqual((state(boil, 125, dose_g=35.0).kind, state(boil, 125, dose_g=35.0).dose_g), ("past", 35.0))
        self.assertEqual(state(boil, 160).kind, "ruined")
        self.assertEqual(state_of(boil, standing(boil, 160), 160, family="caramel", dose_g=9.0).kind, "past")

    def test_without_a_reading_nothing_is_claimed(self) -> None:
        self.assertEqual(state_of(STEPS[BOIL], None, None).kind, "unknown")
        self.assertEqual(state_of(STEPS[BOIL], standing(STEPS[BOIL], 125.0), 125.0, is_silent=True).kind, "unknown")

    def test_a_wavering_reading_never_flips_its_state_within_ten_seconds(self) -> None:
        rng = Random(28)
        for step in (step for step in STEPS if step.target_c is not None):
            assert step.target_c is not None
            for edge in step.target_c:
                for _ in range(trials(5)):
                    found = [(float(s), edge + rng.uniform(-0.2, 0.2)) for s in range(120)]
                    stands = [held(step, found[:n]) for n in range(1, 121)]
                    kinds = [one.stand for one in stands if one is not None]
                    self.assertLessEqual(sum(a != b for a, b in pairwise(kinds)), 1, step.key)


class Mishaps(unittest.TestCase):
    def test_the_dose_brings_the_water_back_to_the_end(self) -> None:
        [one] = wrong(FUDGE, STEPS, BOIL, 110, 124, 125, 125, 118)
        self.assertEqual((one.code, one.hottest_c), ("past-end", 125))
        water_g = mix(FUDGE).grams["water"]
        self.assertTrue(0 < (one.dose_g or 0) < water_g)
        [hotter] = wrong(FUDGE, STEPS, BOIL, 130, 130)
        self.assertGreater(hotter.dose_g or 0, one.dose_g or 0)

    def test_one_reading_alone_is_a_slip_and_a_degree_is_nothing(self) -> None:
        assert STEPS[BOIL].target_c is not None
        end_c = STEPS[BOIL].target_c[1]
        self.assertEqual(wrong(FUDGE, STEPS, BOIL, 110, 140, 111), [])
        self.assertEqual(wrong(FUDGE, STEPS, BOIL, end_c + 0.8, end_c + 0.9), [])

    def test_egg_that_was_left_before_it_was_cooked_is_named_until_it_is(self) -> None:
        curd = starter("curd", None)
        steps = run_steps(curd, {}, Kitchen())
        at = next(i for i, step in enumerate(steps) if step.act == "cook-egg")
        low, high = steps[at].target_c or (0.0, 0.0)
        [one] = wrong(curd, steps, at, 60, low - 6, low - 5, low + 1)  # one reading alone is no holding
        self.assertEqual((one.code, one.hottest_c), ("egg-not-cooked", low - 5))
        self.assertIn(f"{low:.0f} to {high:.0f}", one.then)
        self.assertEqual(wrong(curd, steps, at, 60, low, low + 0.5), [])
        self.assertEqual(wrong(curd, steps, at, 60), [])  # nobody measured
        stretch = [(float(s), c) for s, c in enumerate((60, 70, 70, 70, low, low))]
        twice = [(at, 0.0, 3.0), (at + 1, 3.0, 3.5), (at, 3.5, 9.0)]
        self.assertEqual(mishaps(twice, steps, [stretch], curd, 101.325), [])
        again = [(at, 9.0, 3.0), (at, 0.0, 3.0)]  # what was answered is over
        self.assertEqual([one.code for one in mishaps(again, steps, [stretch], curd, 101.325)], ["egg-not-cooked"])
        self.assertEqual(mishaps(twice[:1], steps, [stretch], curd, 101.325, open_step=at), [])

    def test_every_ceiling_says_what_was_lost(self) -> None:
        for family, act, says in (("fondant", "enzyme", "invertase"), ("curd", "cook-egg", "sieve")):
            recipe = starter(family, None)
            steps = run_steps(recipe, {}, Kitchen())
            at = next(i for i, step in enumerate(steps) if step.act == act)
            over = (steps[at].ceiling_c or 0) + 2
            [one] = wrong(recipe, steps, at, over, over)
            self.assertEqual(one.code, "over-ceiling")
            self.assertIn(says, one.then)
