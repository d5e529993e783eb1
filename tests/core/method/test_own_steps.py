"""The cook's own steps: in the place of an act, after it, or left out, and what they can never take away."""

import unittest
from collections.abc import Iterator
from dataclasses import replace
from itertools import product

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.mass.cooking import cook_plan
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.card import may_be_left_out
from hearth_bowl.core.method.chain import earlier, later, name_of, with_moves
from hearth_bowl.core.method.method import method_of_recipe
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.core.solve.starters import starter
from hearth_bowl.formats.recipe_file import recipe_from, recipe_record


def acts_of(recipe: Recipe, *steps: CardStep) -> tuple[Act, ...]:
    return method_of_recipe(replace(recipe, steps=steps), {}, Kitchen()).acts


class OwnSteps(unittest.TestCase):
    def families(self) -> Iterator[Recipe]:
        for family, particular in FAMILY.items():
            yield starter(family, particular.uses[0])

    def test_words_and_minutes_stand_in_the_act_they_name_and_nowhere_else(self) -> None:
        recipe = starter("cream-ganache", "cut")
        plain = acts_of(recipe)
        for act in plain:
            with self.subTest(act.id):
                own = CardStep(text="My own way.", place="instead", act=name_of(act), minutes=(40.0, 50.0))
                found = acts_of(recipe, own)
                self.assertEqual([one.id for one in found], [one.id for one in plain])
                changed = [one.id for one in found if one.do == "My own way."]
                self.assertEqual(changed, [act.id])
                self.assertEqual([one.card_steps for one in found if one.id == act.id], [(0,)])

    def test_a_step_without_words_changes_the_time_and_keeps_ours(self) -> None:
        recipe = starter("boiled-fudge", "cut")
        beat = next(act for act in acts_of(recipe) if act.kind == "beat")
        own = CardStep(text="", place="instead", act=name_of(beat), minutes=(20.0, 30.0))
        found = next(act for act in acts_of(recipe, own) if act.kind == "beat")
        self.assertEqual((found.do, found.minutes[0], found.minutes[2]), (beat.do, 20.0, 30.0))

    def test_an_added_step_comes_right_after_its_act_and_before_what_followed(self) -> None:
        for recipe in self.families():
            for at, act in enumerate(acts_of(recipe)):
                own = CardStep(text="Wipe the rim.", place="after", act=name_of(act))
                found = acts_of(recipe, own)
                self.assertEqual([one.do for one in found].index("Wipe the rim."), at + 1, (recipe.family, act.id))
                self.assertEqual(found[at + 1].minutes, (2.0, 5.0, 10.0))
                timed = acts_of(recipe, replace(own, minutes=(20.0, 30.0)))
                self.assertEqual((timed[at + 1].minutes, timed[at + 1].hands), ((20.0, 25.0, 30.0), True))
                there = {one.id for one in found}
                self.assertTrue(all(one.id in there for step in found for one in step.after))

    def test_only_what_can_hurt_nobody_is_left_out_and_no_gram_is_lost(self) -> None:
        left_out = 0
        for recipe in self.families():
            plain = acts_of(recipe)
            own = [CardStep(text="", place="left-out", act=name_of(act)) for act in plain]
            found = acts_of(recipe, *own)
            kept = {act.id for act in found}
            gone = [act for act in plain if act.id not in kept]
            left_out += len(gone)
            self.assertTrue(all(may_be_left_out(act) for act in gone), recipe.family)
            self.assertAlmostEqual(*(sum(take.g for act in acts for take in act.takes) for acts in (plain, found)))
            self.assertEqual(*({code for act in acts for code in act.cautions} for acts in (plain, found)))
            self.assertTrue(all(one.id in kept for act in found for one in act.after), recipe.family)
        self.assertGreater(left_out, 10)

    def test_what_is_moved_keeps_every_act_gram_and_check_and_comes_back_the_way_it_went(self) -> None:
        moved = 0
        for recipe in self.families():
            plain = acts_of(recipe)
            for at, act in enumerate(plain):
                for to, back in ((earlier, later), (later, earlier)):
                    after = to(plain, at, lambda one: True)
                    if after is None:
                        continue
                    moved += 1
                    where = (recipe.family, act.id, after)
                    found = acts_of(recipe, CardStep(text="", place="moved", act=name_of(act), after=after))
                    held = [sorted((a.id, a.target_c or (), str(a.takes)) for a in acts) for acts in (found, plain)]
                    self.assertEqual(*held)
                    names = [name_of(one) for one in found]
                    there = names.index(name_of(act))
                    self.assertEqual(names[there - 1], after, where)
                    self.assertNotEqual(names, [name_of(one) for one in plain])
                    self.assertIsNotNone(back(found, there, lambda one: True), where)
                    ids = [one.id for one in found]
                    self.assertTrue(all(ids.index(e.id) < k for k, a in enumerate(found) for e in a.after), where)
        self.assertGreater(moved, 3)

    def test_no_move_stirs_anything_in_after_the_beating_or_before_the_boil(self) -> None:
        for recipe in self.families():
            plain = acts_of(recipe)
            stirred = {act.id for act in plain if act.kind == "join" and act.takes}
            for name, after in product([name_of(act) for act in plain], repeat=2):
                found = with_moves(plain, [CardStep(text="", place="moved", act=name, after=after)], lambda act: True)
                for act in plain:
                    if act.kind in ("boil", "cook", "beat", "whip", "knead", "pour", "set"):
                        before = [[one.id for one in acts].index(act.id) for acts in (found, plain)]
                        in_before = [
                            stirred & {one.id for one in acts[:at]}
                            for acts, at in zip((found, plain), before, strict=True)
                        ]
                        self.assertEqual(*in_before, (recipe.family, name, after))

    def test_no_step_of_ones_own_lifts_a_ceiling_or_shortens_an_egg(self) -> None:
        recipe = starter("curd", None)
        cook = next(act for act in acts_of(recipe) if act.kind == "cook")
        own = CardStep(text="Warm it a little.", place="instead", act=name_of(cook), to_c=60.0, minutes=0.1)
        found = next(act for act in acts_of(recipe, own) if act.id == cook.id)
        self.assertEqual(
            (found.target_c, found.ceiling_c, found.cautions), (cook.target_c, cook.ceiling_c, cook.cautions)
        )
        self.assertGreaterEqual(found.gate_min or 0, cook.gate_min or 0)

    def test_the_card_ends_the_boil_in_the_pan_too_at_every_height(self) -> None:
        for family, end_c in (("caramel", 122.0), ("fruit-jelly", 105.0), ("aerated", 118.0), ("boiled-fudge", 112.0)):
            recipe = starter(family, None)
            carded = replace(recipe, steps=(CardStep(text="Boil it.", kind="boil", to_c=end_c),))
            left = [cook_plan(carded, Kitchen(altitude_m=height)) for height in (0.0, 1500.0)]
            self.assertAlmostEqual(left[0].cooked.to_c, end_c, delta=0.1)
            self.assertLess(left[1].cooked.to_c, end_c - 4)
            self.assertAlmostEqual(*(one.cooked.water_left_pct for one in left), places=6)
            drier = end_c > cook_plan(recipe, Kitchen()).cooked.to_c
            self.assertEqual(assess(carded).mixture.grams["water"] < assess(recipe).mixture.grams["water"], drier)
            never = replace(recipe, steps=(CardStep(text="Boil it.", kind="boil", to_c=70.0),))
            self.assertEqual(cook_plan(never, Kitchen()), cook_plan(recipe, Kitchen()))

    def test_they_go_through_files(self) -> None:
        steps = (
            CardStep(text="Mine.", place="instead", act="join", minutes=5.0),
            CardStep(text="Rest a little.", kind="rest", place="after", act="join"),
            CardStep(text="", place="left-out", act="tap"),
            CardStep(text="", place="moved", act="bloom", after="boil"),
        )
        recipe = replace(starter("cream-ganache", "cut"), steps=steps)
        self.assertEqual(recipe_from(recipe_record(recipe)).steps, steps)
