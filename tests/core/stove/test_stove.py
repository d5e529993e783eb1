"""The stove's rules: steps by family and school, judge, forecast, trace, bursts, weighing, set clock and chains."""

import random
import unittest
from dataclasses import replace
from math import exp

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.cooling.chain import CHAINS, chain_of
from hearth_bowl.core.cooling.set_ask import STATES, SetAsk
from hearth_bowl.core.cooling.set_clock import Correction, set_clock, state_begins_c
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import ask_for
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.cooking import cook_plan
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.method.choices import CHOICES, checked_choices
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES, Line, Recipe, checked_recipe
from hearth_bowl.core.stove.bursts import first_burst, next_burst
from hearth_bowl.core.stove.forecast import forecast
from hearth_bowl.core.stove.standing import standing
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.steps import run_steps
from hearth_bowl.core.stove.trace import trace
from hearth_bowl.core.stove.weighed import follow, pan_weight, spilled
from tests.kitchen import bowl

BAR = checked_vessel("mould", "bar", {"cavities": 24, "length_mm": 30, "width_mm": 25, "depth_mm": 16})
BALLS = checked_vessel("pieces", "", {"piece_g": 12})


def staged(family: str, *lines: tuple[str, float, str]) -> Recipe:
    return checked_recipe(
        name="Test",
        family=family,
        use=None,
        lines=[Line(ingredient=find(key), amount=grams, stage=stage) for key, grams, stage in lines],
    )


GANACHE = staged(
    "cream-ganache",
    ("cream35", 200, "warm"),
    ("dark64", 380, "pour-over"),
    ("butter82", 20, "stir-in-cool"),
    ("spirit40", 20, "late"),
)
FUDGE = staged("boiled-fudge", ("sugar_granulated", 450, "warm"), ("milk_whole", 300, "warm"), ("butter82", 60, "warm"))


def moulded(mass: Recipe, shell: str = "dark60") -> Worked:
    return work_out(confection_of(mass, BAR, ask_for("mould", {"shell": shell})))


def rolled(mass: Recipe) -> Worked:
    return work_out(
        confection_of(mass, BALLS, ask_for("pieces", {"shell": "dark60", "core_g": 2.0, "rolling": "cocoa"}))
    )


def keys(made: tuple[Step, ...]) -> list[str]:
    return [step.key for step in made]


class Steps(unittest.TestCase):
    def test_every_family_by_every_school_lets_each_line_go_in_once(self) -> None:
        for family in FAMILIES:
            stages = FAMILY[family].stages
            made = staged(
                family,
                ("cream35", 100, stages[0]),
                ("dark60", 200, "melt"),
                ("butter82", 20, "stir-in-cool"),
                ("salt", 1, "late"),
                ("hazelnut_paste", 20, "fold-in"),
                ("honey", 5, "something else"),
            )
            for name, schools in CHOICES.items():
                for school in schools:
                    for method in FAMILY[family].methods:
                        own = replace(made, method=method.key)
                        worked = moulded(own) if school != "seed" else rolled(own)
                        found = run_steps(own, {name: school}, Kitchen(), worked)
                        positions = sorted(position for step in found for position in step.positions)
                        self.assertEqual(positions, list(range(6)), f"{family} {name}={school} {method.key}")
                        self.assertEqual(len(set(keys(found))), len(found), f"{family}: {keys(found)}")

    def test_gates_that_matter_are_asked(self) -> None:
        fudge = {step.key: step for step in run_steps(FUDGE, {}, Kitchen())}
        self.assertIn("grit", fudge["dissolve"].ask)
        self.assertIn("burns deep", fudge["boil"].caution)
        self.assertIn("never in the fridge", fudge["set"].do)
        self.assertIs(fudge["set"].in_fridge, False)
        fondant = staged("fondant", ("sugar_icing", 200, "warm"), ("invertase", 1, "late"))
        steps = {step.key: step for step in run_steps(fondant, {}, Kitchen())}
        self.assertEqual((steps["enzyme"].ceiling_c, steps["enzyme"].positions), (60, (1,)))
        shells = {step.key: step for step in run_steps(GANACHE, {}, Kitchen(), moulded(GANACHE))}
        self.assertIn("smear", shells["smear"].ask)
        self.assertIn("flame", {s.key: s for s in run_steps(GANACHE, {}, Kitchen())}["late"].caution)
        egg = staged("marzipan", ("egg_white", 30, "stir-in-cool"), ("sugar_icing", 200, "stir-in-cool"))
        self.assertIn("Raw egg", " ".join(step.caution for step in run_steps(egg, {}, Kitchen())))

    def test_the_end_of_a_boil_goes_by_the_altitude(self) -> None:
        def end(altitude_m: float) -> float:
            found = next(step for step in run_steps(FUDGE, {}, Kitchen(altitude_m=altitude_m)) if step.key == "boil")
            return (found.target_c or (0, 0))[0] + 0.5

        plan = cook_plan(FUDGE, Kitchen())
        self.assertAlmostEqual(plan.cooked.water_left_pct, 12.5)
        self.assertAlmostEqual(end(0), plan.cooked.to_c)
        self.assertLess(end(1500), 111)

    def test_schools_change_the_steps(self) -> None:
        self.assertIn("temper-warm", keys(run_steps(GANACHE, {"temper": "slab"}, Kitchen(), moulded(GANACHE))))
        machine = keys(run_steps(GANACHE, {"temper": "machine"}, Kitchen(), moulded(GANACHE)))
        self.assertNotIn("temper-cool", machine)
        compound = run_steps(GANACHE, {}, Kitchen(), moulded(GANACHE, "compound_dark"))
        self.assertNotIn("smear", keys(compound))
        self.assertIn("no tempering", next(step for step in compound if step.key == "temper-work").do)
        boil = next(step for step in run_steps(GANACHE, {"liquid": "full-boil"}, Kitchen()) if step.key == "warm")
        self.assertIn("weigh the cream again", boil.why)
        microwave = run_steps(GANACHE, {"heat": "microwave"}, Kitchen())
        self.assertIn("microwave", " ".join(step.caution for step in microwave))
        early = next(step for step in run_steps(GANACHE, {"butter": "early"}, Kitchen()) if step.key == "join")
        self.assertEqual(early.positions, (2,))

    def test_unknown_choices_are_refused(self) -> None:
        for given_choice in ({"heat": "volcano"}, {"hat": "pan"}):
            with self.assertRaises(BadInput) as caught:
                checked_choices(given_choice)
            self.assertEqual(caught.exception.field, tuple(given_choice))


class Judge(unittest.TestCase):
    def test_too_warm_loses_the_seed_and_too_cool_is_warmed(self) -> None:
        work = next(s for s in run_steps(GANACHE, {}, Kitchen(), moulded(GANACHE)) if s.key == "shell")
        for now_c, stand, word in (
            (35, "ceiling", "seed is lost"),
            (33, "over", "cooler"),
            (32, "in", "There"),
            (29, "below", "5 s"),
        ):
            found = standing(work, now_c)
            assert found is not None
            self.assertEqual(found.stand, stand)
            self.assertIn(word, found.says)
        self.assertIsNone(standing(Step(key="x", title="x", do="x"), 30))


class Forecasts(unittest.TestCase):
    def readings(self, course, seconds: int, scatter: float = 0.1) -> list[tuple[float, float]]:  # type: ignore[no-untyped-def]
        chance = random.Random(3)
        return [(float(t), course(t) + scatter * chance.gauss(0, 1)) for t in range(seconds)]

    def test_a_cooling_bowl_by_newton(self) -> None:
        found = forecast(self.readings(lambda t: 20 + 60 * exp(-t / 2000), 300), 45, cooling=True, ambient_c=20)
        assert found is not None
        assert found.in_s is not None
        truth = 2000 * 0.8754687 - 299  # ln(60/25)
        self.assertAlmostEqual(found.in_s, truth, delta=0.12 * truth)
        self.assertLess(found.low_s or 0, truth)
        self.assertGreater(found.high_s or 0, truth)

    def test_a_warming_pan_and_what_it_carries_over(self) -> None:
        found = forecast(self.readings(lambda t: 20 + 0.2 * t, 200), 85)
        assert found is not None
        self.assertAlmostEqual(found.rate_c_per_min, 12, delta=0.5)
        self.assertAlmostEqual(found.carry_c, 2.4, delta=0.2)
        self.assertAlmostEqual(found.in_s or 0, (85 - 2.4 - 59.8) / 0.2, delta=8)
        self.assertFalse(found.due)
        self.assertTrue(forecast(self.readings(lambda t: 20 + 0.2 * t, 330), 85).due)  # type: ignore[union-attr]

    def test_readings_by_hand_a_minute_apart_are_enough(self) -> None:
        found = forecast([(60.0 * i, 40.0 + 5 * i) for i in range(6)], 85)
        assert found is not None
        self.assertAlmostEqual(found.rate_c_per_min, 5, delta=0.3)
        self.assertAlmostEqual(found.in_s or 0, (85 - 65 - found.carry_c) / 5 * 60, delta=15)

    def test_nothing_is_said_without_enough_or_off_course(self) -> None:
        self.assertIsNone(forecast([], 85))
        self.assertIsNone(forecast([(0, 20), (1, 20.1)], 85))
        flat = forecast(self.readings(lambda _: 60.0, 120), 85)
        assert flat is not None
        self.assertIsNone(flat.in_s)
        away = forecast(self.readings(lambda t: 60 + 0.1 * t, 120), 45, cooling=True)
        assert away is not None
        self.assertIsNone(away.in_s)


class Traces(unittest.TestCase):
    def test_silence_and_a_dropped_sensor_are_gaps(self) -> None:
        rows = [(float(t), 20.0 + t) for t in range(20)] + [(60.0 + t, 50.0) for t in range(20)]
        self.assertEqual(len(trace(rows).stretches), 2)
        dropped = [*rows[:10], (10.0, None), *rows[10:20]]
        self.assertEqual(len(trace(dropped).stretches), 2)
        self.assertEqual(trace([]).stretches, ())

    @given(st.integers(3000, 30000))
    @settings(max_examples=10, deadline=None)
    def test_six_hours_are_thinned_without_losing_a_peak(self, count: int) -> None:
        rows = [(float(t), 99.0 if t == count // 2 else 20.0 + (t % 7) / 10) for t in range(count)]
        found = trace(rows, 900)
        points = [point for stretch in found.stretches for point in stretch]
        self.assertLess(len(points), 1000)
        self.assertEqual(max(c for _, c in points), 99.0)
        self.assertEqual((found.readings, points[0][0], points[-1][0]), (count, 0.0, count - 1.0))


class Bursts(unittest.TestCase):
    def test_worked_bursts(self) -> None:
        for grams, watts, kind, seconds in (
            (100, 800, "chocolate", 9),
            (100, 400, "chocolate", 19),
            (250, 800, "watery", 18),
            (1000, 800, "watery", 30),
        ):
            self.assertAlmostEqual(first_burst(grams, watts, kind).first_s, seconds, delta=0.5)
        carried = first_burst(371, 800, "watery", record_g=600, record_s=330)
        self.assertAlmostEqual(carried.look_s or 0, 163, delta=0.5)
        self.assertAlmostEqual(carried.expect_s or 0, 216, delta=1)
        more = first_burst(900, 800, "watery", record_g=600, record_s=330)
        assert more.expect_s and more.look_s
        self.assertAlmostEqual(more.look_s, 0.8 * more.expect_s)
        with self.assertRaises(BadInput) as caught:
            first_burst(900, 800, record_g=600)
        self.assertEqual(caught.exception.field, ("record_s",))

    def test_first_by_its_energy_then_shorter_and_stop_while_lumps_remain(self) -> None:
        def seconds(grams: float, *asked: float, record: tuple[float, float] | None = None) -> float:
            now_c, share, watts, before = asked
            return next_burst(bowl(dark60=grams), "chocolate", now_c, share, watts, int(before), record).seconds

        self.assertAlmostEqual(seconds(300, 20, 1.0, 800, 0), 21, delta=1)
        self.assertEqual(seconds(300, 20, 1.0, 800, 0, record=(300, 40)), 40)
        self.assertLess(seconds(150, 20, 1.0, 800, 0, record=(300, 40)), 20)
        self.assertGreaterEqual(seconds(300, 32, 0.6, 800, 2), seconds(300, 32, 0.25, 800, 2))
        self.assertLessEqual(seconds(300, 32, 0.6, 800, 2), 30)
        self.assertEqual(seconds(300, 34, 0.1, 800, 3), 0)
        self.assertGreaterEqual(seconds(900, 30, 0.5, 800, 1), seconds(200, 30, 0.5, 800, 1))


class Weighed(unittest.TestCase):
    def test_a_slip_moves_what_is_still_to_go_in_and_keeps_the_set(self) -> None:
        found = follow(GANACHE, {0: 240.0})
        assert found is not None
        after = GANACHE.with_amounts_g([240.0, *(found.amounts_g[p] for p in (1, 2, 3))])
        self.assertAlmostEqual(index_at(mix(after), 20), index_at(mix(GANACHE), 20), delta=0.03)
        self.assertGreater(found.amounts_g[1], 380)

    def test_within_two_per_cent_nothing_follows(self) -> None:
        self.assertIsNone(follow(GANACHE, {0: 202.0}))
        self.assertIsNone(follow(GANACHE, {0: 200.0, 1: 380.0, 2: 20.0, 3: 60.0}))

    def test_a_spill_scales_the_rest(self) -> None:
        found = spilled(GANACHE, (0,), 150.0)
        self.assertAlmostEqual(found.amounts_g[1], 0.75 * 380)
        with self.assertRaises(BadInput):
            spilled(GANACHE, (0,), 250.0)

    def test_the_pan_on_the_scale(self) -> None:
        found = pan_weight(1000, 900, 150, 600)
        self.assertEqual((found.lost_g, found.to_lose_g, found.add_back_g, found.about_s), (100, 50, 0, 300))
        self.assertEqual(pan_weight(1000, 838, 150).add_back_g, 12)
        with self.assertRaises(BadInput):
            pan_weight(1000, 1001, 150)


class SetClocks(unittest.TestCase):
    mixture = bowl(dark64=380, cream35=200)
    ask = SetAsk(state="cut", from_c=36, place="fridge", thickness_mm=16)

    def test_cool_and_set_are_told_apart(self) -> None:
        found = set_clock(self.mixture, self.ask)
        self.assertLess(found.cool_min[0], found.cool_min[1])
        self.assertAlmostEqual(found.cool_min[2] / found.cool_min[1], 1.45)
        self.assertGreater(found.set_min[0], found.cool_min[1] + 7 * 60)

    def test_thin_is_quicker_and_the_freezer_quickest_but_dull(self) -> None:
        def minutes(**change: object) -> float:
            return set_clock(self.mixture, replace(self.ask, **change)).cool_min[1]  # type: ignore[arg-type]

        self.assertLess(minutes(thickness_mm=8.0), minutes() / 2 * 1.02)
        self.assertLess(minutes(place="freezer"), minutes(place="fan-fridge"))
        self.assertLess(minutes(place="fan-fridge"), minutes())
        self.assertGreater(minutes(cover="lid"), minutes())
        self.assertIn("dull", " ".join(set_clock(self.mixture, replace(self.ask, place="freezer")).warnings))
        hot = set_clock(self.mixture, replace(self.ask, from_c=60.0))
        self.assertIn("hot into the fridge", " ".join(hot.warnings))

    def test_a_reading_corrects_at_once_and_narrows_the_band(self) -> None:
        before = set_clock(self.mixture, self.ask)
        slow = set_clock(self.mixture, self.ask, [Correction(after_s=40 * 60, now_c=28.0)])
        self.assertGreater(slow.cool_min[1], before.cool_min[1])
        self.assertAlmostEqual(slow.cool_min[2] / slow.cool_min[1], 1.10)
        self.assertIn("slower", slow.says)

    def test_a_cue_moves_the_band(self) -> None:
        passed = set_clock(self.mixture, self.ask, [Correction(after_s=600, passed=True)])
        self.assertEqual(passed.cool_min, (10, 10, 10))
        late = 60 * set_clock(self.mixture, self.ask).cool_min[2] + 600
        sticks = set_clock(self.mixture, self.ask, [Correction(after_s=late, passed=False)])
        self.assertAlmostEqual(sticks.cool_min[0], late / 60)

    def test_a_cue_counts_for_its_own_state_and_a_reading_for_each(self) -> None:
        rollable = [Correction(after_s=600, state="roll", passed=True)]
        cuttable = replace(self.ask, state="cut")
        self.assertEqual(set_clock(self.mixture, cuttable, rollable), set_clock(self.mixture, cuttable))
        reading = [Correction(after_s=40 * 60, state="roll", now_c=28.0)]
        self.assertIn("slower", set_clock(self.mixture, cuttable, reading).says)

    def test_a_bowl_is_slower_than_a_sheet(self) -> None:
        in_bowl = replace(self.ask, thickness_mm=None, bowl_kg=0.6)
        left_alone = set_clock(self.mixture, in_bowl).cool_min[1]
        stirred = set_clock(self.mixture, replace(in_bowl, stirred=True)).cool_min[1]
        sheet = set_clock(self.mixture, replace(self.ask, thickness_mm=8.0)).cool_min[1]
        self.assertGreater(stirred, 2 * sheet)
        self.assertGreater(left_alone, 1.5 * stirred)
        for clock in (set_clock(self.mixture, in_bowl), set_clock(self.mixture, replace(in_bowl, stirred=True))):
            self.assertGreater(len(clock.curve), 20)
            temperatures = [c for _, c in clock.curve]
            self.assertEqual(temperatures, sorted(temperatures, reverse=True))

    def test_a_soft_room_never_sets_it(self) -> None:
        with self.assertRaises(BadInput) as caught:
            set_clock(self.mixture, replace(self.ask, place="counter", ambient_c=27.0))
        self.assertEqual(caught.exception.field, ("place",))
        for name, value in (("state", "fly"), ("place", "moon"), ("from_c", 300.0)):
            with self.assertRaises(BadInput) as caught:
                set_clock(self.mixture, replace(self.ask, **{name: value}))  # type: ignore[arg-type]
            self.assertEqual(caught.exception.field, (name,))

    def test_softer_mixes_must_be_colder(self) -> None:
        soft = bowl(dark64=250, cream35=200)
        for state in STATES.values():
            self.assertLessEqual(state_begins_c(soft, state), state_begins_c(self.mixture, state))

    def test_chains_add_up(self) -> None:
        for kind, links in CHAINS.items():
            looks = chain_of(kind, 50)
            self.assertEqual(len(looks), len(links))
            self.assertAlmostEqual(looks[-1].after_min, sum(look.minutes for look in looks))


if __name__ == "__main__":
    unittest.main()
