"""What a solver may move: roles by family, shares that stay within reason, and the set rule that holds."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.mixture import MixingTable, mix
from hearth_bowl.core.mass.set_index import is_water_free
from hearth_bowl.core.recipe.recipe import Line
from hearth_bowl.core.solve.aims import RANGES, aims_of, checked_aims
from hearth_bowl.core.solve.balance import balance
from hearth_bowl.core.solve.bounds import ROOMS, role_of
from tests.kitchen import R1, recipe


class Roles(unittest.TestCase):
    def test_what_a_line_is_for(self) -> None:
        for key, family, role in (
            ("dark60", "cream-ganache", "main"),
            ("cream35", "cream-ganache", "main"),
            ("butter82", "cream-ganache", "body"),
            ("butter82", "butter-ganache", "main"),
            ("honey", "cream-ganache", "syrup"),
            ("sugar_granulated", "boiled-fudge", "main"),
            ("sugar_granulated", "cream-ganache", "syrup"),
            ("spirit40", "cream-ganache", "spirit"),
            ("salt", "cream-ganache", "seasoning"),
            ("vanilla_extract", "cream-ganache", "seasoning"),
            ("hazelnut_paste", "nut-paste", "main"),
            ("hazelnut_paste", "cream-ganache", "body"),
        ):
            self.assertEqual(role_of(Line(ingredient=find(key), amount=1), family), role, (key, family))

    def test_seasonings_are_minded_most_and_mains_least(self) -> None:
        self.assertEqual(min(room.minded for room in ROOMS.values()), ROOMS["main"].minded)
        self.assertEqual(max(room.minded for room in ROOMS.values()), ROOMS["seasoning"].minded)
        for room in ROOMS.values():
            self.assertLess(room.least, 1)
            self.assertGreater(room.most, 1)


class WithinReason(unittest.TestCase):
    @given(st.floats(0.8, 4.2), st.floats(0.78, 0.92))
    def test_no_line_grows_past_its_share_or_its_bounds(self, index: float, water: float) -> None:
        made = recipe(dark60=240, cream38=130, honey=20, butter82=15, salt=1, spirit40=10)
        found = balance(made, {"set_index": index, "water_activity_max": water}, explain=False)
        total = sum(found.amounts_g)
        for line, before, after in zip(made.lines, made.amounts_g, found.amounts_g, strict=True):
            room = ROOMS[role_of(line, made.family)]
            self.assertLessEqual(after, before * room.most * (1 + 1e-6))
            self.assertGreaterEqual(after, before * room.least * (1 - 1e-6))
            if found.feasible:
                share = max(room.most_share, before / made.mass_g)
                self.assertLessEqual(after / total, share + 1e-4, line.ingredient.key)

    def test_a_paste_can_become_a_ganache_where_the_aim_asks_for_it(self) -> None:
        stiff = recipe(dark70=437, cream48=80)
        self.assertTrue(is_water_free(mix(stiff)))
        found = balance(stiff, {"set_index": 1.9, "at_c": 24})
        self.assertTrue(found.feasible)
        self.assertFalse(is_water_free(mix(stiff.with_amounts_g(found.amounts_g))))

    def test_a_water_free_paste_is_balanced_by_its_own_rule(self) -> None:
        found = balance(recipe("nut-paste", hazelnut_paste=200, dark60=200), {"set_index": 2.6, "mass_g": 500})
        self.assertTrue(found.feasible)
        self.assertAlmostEqual(sum(found.amounts_g), 500, delta=0.1)

    def test_sweetness_and_alcohol_are_kept_under_their_bounds(self) -> None:
        made = recipe(white28=300, cream35=150, honey=40, spirit40=40)
        found = balance(made, {"sweetness_pct_max": 34, "alcohol_pct_max": 1.5})
        self.assertTrue(found.feasible)
        after = mix(made.with_amounts_g(found.amounts_g))
        self.assertLessEqual(after.sweetness_pct, 34.02)
        self.assertLessEqual(100 * after.grams["ethanol"] / after.mass_g, 1.52)


class Aims(unittest.TestCase):
    def test_each_is_refused_outside_its_range_by_name(self) -> None:
        for name, (low, high, _) in RANGES.items():
            for value in (low - 1, high + 1, float("nan"), "much", True):
                with self.subTest(name=name, value=value), self.assertRaises(BadInput) as refused:
                    checked_aims({name: value, "ratio": 2.0} if name != "ratio" else {name: value})
                self.assertEqual(refused.exception.field, (name,))

    def test_a_temperature_alone_is_no_aim(self) -> None:
        with self.assertRaises(BadInput):
            checked_aims({"at_c": 20})

    def test_what_is_met_already_misses_by_nothing(self) -> None:
        made = recipe(**R1)
        mixture, amounts_g = mix(made), list(made.amounts_g)
        wanted = {"fat_to_water_max": 2.5, "sweetness_pct_max": 90.0, "mass_g": made.mass_g, "alcohol_pct_max": 1.0}
        for aim in aims_of(made, mixture, wanted, water_free=False):
            self.assertLess(aim.missed_by(mixture, amounts_g), 1e-9, aim.name)
            self.assertTrue(aim.is_met(mixture, amounts_g))


class Table(unittest.TestCase):
    @given(st.lists(st.floats(0, 500), min_size=6, max_size=6))
    def test_the_quick_table_mixes_as_the_recipe_does(self, amounts_g: list[float]) -> None:
        amounts_g[0] += 1.0
        keys = ("dark60", "cream35", "glucose_syrup40", "raspberry_puree", "compound_dark", "cocoa_powder_21")
        made = recipe(**dict.fromkeys(keys, 100.0))
        quick, slow = MixingTable(made).mix(amounts_g), mix(made.with_amounts_g(amounts_g))
        for name, grams in slow.grams.items():
            self.assertAlmostEqual(quick.grams[name], grams, places=9)
        for name in ("higher_mol", "fruit_solids_g", "powder_cocoa_g", "energy_kcal"):
            self.assertAlmostEqual(getattr(quick, name), getattr(slow, name), places=7)
        self.assertEqual(set(quick.other_fat_g), set(slow.other_fat_g))
