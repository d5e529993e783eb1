"""What one batch teaches, the change that is worth trying next, and how two batches differ."""

import unittest
from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from hearth_bowl.core.cooling.set_ask import SetAsk, check_set_ask
from hearth_bowl.core.cooling.set_body import cool_s
from hearth_bowl.core.cooling.set_clock import Learned, set_clock
from hearth_bowl.core.learn.applied import corrected_steps, quantity_of_step
from hearth_bowl.core.learn.corrections import Entry, correction_of
from hearth_bowl.core.learn.differences import BatchFacts, differences
from hearth_bowl.core.learn.lessons import BatchSeen, Forecast, Lesson, lessons_of
from hearth_bowl.core.learn.next_change import next_changes
from hearth_bowl.core.learn.told import told_of
from hearth_bowl.core.mass.cooking import cook_plan, finished_or_none, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.events import (
    BurstGiven,
    Ended,
    Happening,
    Judgement,
    SetSeen,
    SetStarted,
    StepBegun,
    Yielded,
)
from hearth_bowl.core.stove.steps import run_steps
from tests.kitchen import recipe

HILL = Kitchen(altitude_m=340.0)
TRUFFLE = recipe("cream-ganache", "roll", cream35=210, dark64=390, butter82=20)
FUDGE = recipe(
    "boiled-fudge", "cut", stage="boil", sugar_granulated=450, milk_whole=300, butter82=60, glucose_syrup40=30
)
IN_FRIDGE = SetAsk(state="roll", from_c=36.0, place="fridge", thickness_mm=16.0, cover="film")


def batch(of: Recipe, *happened: tuple[float, Happening], **more: Any) -> BatchSeen:
    return BatchSeen(
        recipe=of,
        mixture=finished_or_none(of, HILL) or mix(of),
        choices=more.pop("choices", {}),
        steps=run_steps(of, {}, HILL),
        happened=happened,
        forecast=more.pop("forecast", Forecast()),
        kitchen=HILL,
        kitchen_c=21.0,
        probe="oven",
        offset_c=more.pop("offset_c", None),
    )


def taught(seen: BatchSeen) -> dict[str, Lesson]:
    return {lesson.what: lesson for lesson in lessons_of(seen)}


class Lessons(unittest.TestCase):
    def test_a_reading_while_it_sets_teaches_the_fridge_and_its_shape(self) -> None:
        mixture = mix(TRUFFLE)
        book_s = cool_s(mixture, IN_FRIDGE, 15.0, check_set_ask(IN_FRIDGE))
        seen = batch(
            TRUFFLE,
            (100.0, SetStarted(start=IN_FRIDGE)),
            (3000.0, SetSeen(after_s=1.3 * book_s, state="roll", now_c=15.0)),
        )
        lesson = taught(seen)["cooling:fridge/slab"]
        self.assertAlmostEqual(lesson.observed / lesson.predicted, 1.3, places=6)
        self.assertEqual((lesson.by, lesson.unit), ("instrument", "min"))
        self.assertNotIn("set:fridge", taught(seen))

    def test_a_cue_lies_between_not_yet_and_passed_and_counts_as_feel(self) -> None:
        seen = batch(
            TRUFFLE,
            (0.0, SetStarted(start=IN_FRIDGE)),
            (0.0, SetSeen(after_s=3600.0, state="roll", passed=False)),
            (0.0, SetSeen(after_s=14400.0, state="roll", passed=True)),
        )
        lesson = taught(seen)["set:fridge"]
        self.assertAlmostEqual(lesson.observed, 120.0)
        self.assertEqual(lesson.by, "feel")

    def test_bursts_teach_the_oven_only_where_the_mass_was_measured(self) -> None:
        known = batch(
            TRUFFLE,
            (0.0, BurstGiven(seconds=20.0, first=True, rated_w=850.0, from_c=21.0)),
            (60.0, BurstGiven(seconds=20.0, rated_w=850.0, from_c=26.0)),
        )
        self.assertIn("burst:850 W", taught(known))
        unknown = batch(
            TRUFFLE, (0.0, BurstGiven(seconds=20.0, rated_w=850.0)), (60.0, BurstGiven(seconds=20.0, rated_w=850.0))
        )
        self.assertNotIn("burst:850 W", taught(unknown))

    def test_steps_teach_their_times_and_what_was_passed_by_teaches_none(self) -> None:
        steps = run_steps(FUDGE, {}, HILL)
        boil = next(number for number, step in enumerate(steps) if step.key == "boil")
        low, high = steps[boil].usual_min or (0, 0)
        took_s = 60 * (low * high) ** 0.5 * 1.5
        told = ((0.0, StepBegun(step=boil)), (took_s, StepBegun(step=boil + 1)), (took_s + 5, Ended()))
        found = taught(batch(FUDGE, *told))
        lesson = found["boil-off:pan on the ring"]
        self.assertAlmostEqual(lesson.observed / lesson.predicted, 1.5, places=6)
        self.assertEqual(set(found), {"boil-off:pan on the ring"})
        late = (*told, (9e6, Judgement(words=("silky",))))
        self.assertAlmostEqual(taught(batch(FUDGE, *late))["boil-off:pan on the ring"].observed, lesson.observed)

    def test_weights_verdicts_and_the_thermometer_teach(self) -> None:
        seen = batch(
            TRUFFLE,
            (0.0, Yielded(made_g=600.0, filled_g=552.0, shell_each_g=4.4)),
            (1.0, Judgement(words=("too firm", "glossy"))),
            forecast=Forecast(form="mould", vessel="Cones", loss_g=30.0, shell_each_g=4.0),
            offset_c=0.8,
        )
        found = taught(seen)
        self.assertAlmostEqual(found["loss:mould"].observed, 48.0)
        self.assertAlmostEqual(found["shell:Cones"].observed / found["shell:Cones"].predicted, 1.1)
        self.assertGreater(found["set:dark64"].observed, found["set:dark64"].predicted + 0.3)
        self.assertAlmostEqual(found["thermometer:oven"].observed, 0.8)

    def test_just_right_within_what_its_use_wants_is_as_forecast(self) -> None:
        lesson = taught(batch(TRUFFLE, (0.0, Judgement(words=("just right",)))))["set:dark64"]
        self.assertAlmostEqual(lesson.observed, lesson.predicted)

    def test_a_boils_verdict_is_told_from_the_books_own_end(self) -> None:
        shifted = replace(FUDGE, end_shift_k=2.0)
        plain = taught(batch(FUDGE, (0.0, Judgement(words=("too soft",)))))["end:boiled-fudge"]
        after = taught(batch(shifted, (0.0, Judgement(words=("just right",)))))["end:boiled-fudge"]
        self.assertAlmostEqual(plain.observed - plain.predicted, 1.5, delta=0.1)
        self.assertAlmostEqual(after.observed - after.predicted, 2.0, delta=0.1)

    def test_a_slip_of_the_pen_is_no_lesson(self) -> None:
        seen = batch(TRUFFLE, (0.0, Yielded(made_g=600.0, filled_g=600.0)), forecast=Forecast(form="pan", loss_g=30.0))
        self.assertEqual(lessons_of(seen), ())


class Applied(unittest.TestCase):
    def learned(self, what: str, predicted: float, observed: float, count: int = 6) -> Any:
        return correction_of(what, [Entry(what=what, predicted=predicted, observed=observed)] * count)

    def test_a_runs_steps_take_ones_own_times_and_end_and_say_so(self) -> None:
        steps = run_steps(FUDGE, {}, HILL)
        learned = {
            "boil-off:pan on the ring": self.learned("boil-off:pan on the ring", 10, 15),
            "end:boiled-fudge": self.learned("end:boiled-fudge", 114, 116),
        }
        before = next(step for step in steps if step.key == "boil")
        after = next(step for step in corrected_steps(FUDGE, steps, {}, learned) if step.key == "boil")
        assert before.usual_min and after.usual_min and before.target_c and after.target_c
        self.assertGreater(after.usual_min[0], 1.25 * before.usual_min[0])
        self.assertTrue(0.8 < after.target_c[0] - before.target_c[0] <= 2.0, after.target_c)
        self.assertIn("by 6 batches", after.learned)
        own = replace(FUDGE, end_shift_k=1.0)
        kept = next(step for step in corrected_steps(own, run_steps(own, {}, HILL), {}, learned) if step.key == "boil")
        assert kept.target_c
        self.assertAlmostEqual(kept.target_c[0], before.target_c[0] + 1.0, delta=0.05)
        self.assertEqual(corrected_steps(FUDGE, steps, {}, {}), steps)

    def test_every_step_that_teaches_is_one_that_is_corrected(self) -> None:
        steps = run_steps(FUDGE, {}, HILL)
        named = {quantity_of_step(step, {}) for step in steps} - {None}
        self.assertIn("hands:beat", named)
        self.assertIn("boil-off:pan on the ring", named)

    def test_the_set_clock_tells_the_book_beside_ones_own_and_a_reading_counts_before_it(self) -> None:
        mixture = mix(TRUFFLE)
        book = set_clock(mixture, IN_FRIDGE)
        own = set_clock(mixture, IN_FRIDGE, learned=Learned(factor=1.3, low=1.1, high=1.5, batches=4))
        self.assertAlmostEqual(own.cool_min[1], 1.3 * book.cool_min[1])
        self.assertAlmostEqual(own.cool_min[2], 1.5 * book.cool_min[1])
        self.assertEqual((own.textbook_min, own.learned_batches), (book.cool_min[1], 4))
        self.assertGreater(own.set_min[0], book.set_min[0])
        self.assertIsNone(book.textbook_min)

    def test_it_is_told_in_words(self) -> None:
        title, says = told_of(self.learned("cooling:fridge/slab", 60, 78))
        self.assertEqual(title, "Cooling in your fridge, a slab")
        self.assertRegex(says, r"2\d % slower than usual \(6 batches\)\.")
        self.assertIn("firmer than usual", told_of(self.learned("set:dark60", 3.0, 3.8))[1])
        self.assertIn("our usual figure stands", told_of(correction_of("loss:pan", []))[1])


class Next(unittest.TestCase):
    def test_too_firm_takes_chocolate_off_or_adds_liquid_by_half_a_class(self) -> None:
        for change in next_changes(TRUFFLE, ("too firm",), HILL):
            grams = [change.amounts_g.get(p, g) for p, g in enumerate(TRUFFLE.amounts_g)]
            apart = index_at(mix(TRUFFLE.with_amounts_g(grams)), 20.0) - index_at(mix(TRUFFLE), 20.0)
            self.assertAlmostEqual(apart, -0.4, delta=0.02)
        self.assertEqual(len(next_changes(TRUFFLE, ("too firm",), HILL)), 2)
        pinned = recipe("cream-ganache", "roll", pinned="dark64", cream35=210, dark64=390)
        (only,) = next_changes(pinned, ("too soft",), HILL)
        self.assertIn("less whipping cream", only.words)

    def test_a_soft_fudge_ends_hotter_and_a_grainy_one_gets_its_syrup(self) -> None:
        (hotter,) = next_changes(FUDGE, ("too soft",), HILL)
        self.assertAlmostEqual(hotter.end_shift_k or 0, 1.5)
        plan = cook_plan(replace(FUDGE, end_shift_k=1.5), HILL)
        self.assertAlmostEqual(plan.cooked.to_c - cook_plan(FUDGE, HILL).cooked.to_c, 1.5, delta=0.05)
        self.assertLess(plan.water_pct, 12.5)
        bare = recipe("boiled-fudge", "cut", stage="boil", sugar_granulated=450, milk_whole=300, glucose_syrup40=5)
        (syrup,) = next_changes(bare, ("grainy",), HILL)
        self.assertAlmostEqual(syrup.amounts_g[2], 27, delta=1)
        self.assertEqual(next_changes(FUDGE, ("just right",), HILL), [])

    def test_oily_gets_milk_by_the_handbook_and_too_sweet_less_of_what_sweetens(self) -> None:
        fat = recipe("cream-ganache", "roll", milk33=400, milk_whole=20, cream35=100)
        (more,) = next_changes(fat, ("oily",), HILL)
        self.assertIn("whole milk", more.words)
        sweet = recipe("cream-ganache", "roll", dark64=300, cream35=150, honey=30)
        (less,) = next_changes(sweet, ("too sweet",), HILL)
        self.assertAlmostEqual(less.amounts_g[2], 24)


class Differences(unittest.TestCase):
    def facts(self, of: Recipe, words: Sequence[str], **more: Any) -> BatchFacts:
        usual: dict[str, Any] = {
            "weighed_g": {}, "choices": {}, "took_min": {}, "names": {}, "hottest_c": {}, "water_lost_g": None,
            "room_c": 21.0, "set_place": "fridge",
        }  # fmt: skip
        return BatchFacts(
            recipe=of, mixture=mix(of), words=tuple(words), cooked=is_cooked_down(of), **{**usual, **more}
        )

    def test_water_lost_explains_a_firmer_fudge(self) -> None:
        names = {"boil": "Boil to the end"}
        soft = self.facts(FUDGE, ["too soft"], took_min={"boil": 18.0}, water_lost_g=170.0, names=names)
        right = self.facts(FUDGE, ["just right"], took_min={"boil": 22.0}, water_lost_g=192.0, names=names)
        found = differences(soft, right)
        says = "The second boiled 4 min longer and lost ⟦22 g⟧ more water; that is why it turned out just right"
        self.assertTrue(found[0].says.startswith(says), found[0].says)
        self.assertEqual((found[1].source, found[1].makes), ("readings", "firmer"))
        back = differences(right, soft)
        self.assertIn("boiled 4 min less and lost ⟦22 g⟧ less water", back[0].says)

    def test_amounts_room_and_choices_are_traced_and_the_same_batch_differs_in_nothing(self) -> None:
        less = TRUFFLE.with_amounts_g([210, 360, 20])
        first = self.facts(TRUFFLE, ["too firm"], choices={"butter": "late"})
        second = self.facts(less, ["just right"], choices={"butter": "early"}, room_c=25.0, set_place="larder")
        found = differences(first, second)
        self.assertEqual({one.source for one in found}, {"verdict", "recipe", "choices", "room"})
        self.assertIn("30 g⟧ less dark chocolate 64 % in the recipe; that is why it", found[0].says)
        self.assertEqual([one.source for one in differences(first, first)], ["verdict"])

    def test_what_was_not_recorded_is_not_guessed(self) -> None:
        found = differences(self.facts(TRUFFLE, ["too firm"]), self.facts(TRUFFLE, ["too soft"]))
        self.assertEqual(len(found), 1)
        self.assertIn("nothing that was recorded tells why", found[0].says)


if __name__ == "__main__":
    unittest.main()
