"""What the one who eats it is told: every allergen, what to be careful of, energy; and how it is kept."""

import contextlib
import unittest
from typing import Any

from hypothesis import given

from hearth_bowl.core.boxes.work_order import traces_of, work_order
from hearth_bowl.core.confection.confection import Part
from hearth_bowl.core.confection.declared import names_of
from hearth_bowl.core.confection.for_eater import energy_of, told_eater, what_it_is
from hearth_bowl.core.confection.label import label_of
from hearth_bowl.core.confection.lasting import lasting_of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import own_ingredient
from hearth_bowl.core.ingredients.library import LIBRARY, find
from tests.core.confection.test_confection import BALLS, BAR, CAKE, FUDGE, GANACHE, PAN, SPIRITED, made, parts
from tests.kitchen import recipe

SHELL = Part(role="shell", of=find("dark60"), wall_mm=2)


class Told(unittest.TestCase):
    @given(parts())
    def test_whatever_it_is_made_of_its_label_names_every_allergen_and_its_energy_is_that_of_food(
        self, drawn: tuple[Any, tuple[Part, ...], dict[str, Any]]
    ) -> None:
        form, given_parts, more = drawn
        try:
            worked = made(form, *given_parts, **more)
        except BadInput:
            return
        bold = " ".join(row.text.lower() for row in label_of(worked).ingredients if row.allergen)
        for row in worked.allergens_named:
            self.assertIn(row.name, bold)
        plain = [row.text for row in label_of(worked).ingredients if not row.allergen]
        holds = {one.name for one, _ in worked.ingredients if tuple(names_of(one))}
        self.assertFalse(holds & set(plain))
        energy = energy_of(worked)
        self.assertTrue(250 < energy.low <= energy.kcal <= energy.high < 900, energy)
        lasting = lasting_of(worked)
        self.assertEqual((lasting.where, lasting.days_low), (worked.keeping.where, worked.keeping.days_low))
        self.assertEqual(lasting.may_freeze, lasting.thaw != "")
        self.assertTrue(what_it_is(worked))

    def test_water_that_boils_off_makes_what_is_left_richer(self) -> None:
        fudge = energy_of(made(PAN, Part(role="layer", of=FUDGE), piece_mm=(25, 25)))
        raw = sum(grams * line.ingredient.energy_kcal_per_100g for line, grams in FUDGE.weighed) / FUDGE.mass_g
        self.assertGreater(fudge.kcal, 1.15 * raw)

    def test_cautions_are_for_the_one_who_eats_and_not_for_the_cook(self) -> None:
        worked = made(BAR, SHELL, Part(role="filling", of=SPIRITED))
        told = " ".join(told_eater(worked))
        self.assertIn("Not for children", told)
        self.assertNotIn("shell", told)
        honeyed = made(BALLS, Part(role="centre", of=recipe(dark60=200, cream35=80, honey=40)))
        self.assertIn("not for infants under one year", " ".join(told_eater(honeyed)))

    def test_what_a_packet_warns_of_is_on_the_label_beside_a_nut_as_other_nuts(self) -> None:
        drops = own_ingredient(
            name="Star drops", composition_pct={"sucrose": 98, "water": 2}, density_g_per_ml=0.9, allergens=(),
            may_contain=("nuts", "sesame"),
        )  # fmt: skip
        plain = made(
            BALLS, Part(role="centre", of=recipe(dark60=200, cream35=100)), Part(role="topping", of=drops, g_each=1)
        )
        self.assertEqual(label_of(plain).may_contain, ("nuts", "sesame"))
        nutty = recipe(dark60=200, cream35=100, hazelnut_paste=40)
        beside = made(BALLS, Part(role="centre", of=nutty), Part(role="topping", of=drops, g_each=1))
        self.assertEqual(label_of(beside).may_contain, ("other nuts", "sesame"))

    def test_no_row_of_the_library_is_on_a_label_without_its_word_in_a_mass_or_by_itself(self) -> None:
        for key, row in LIBRARY.items():
            words = {
                "not for infants, the pregnant": row.raw_egg is not None,
                "not for infants under one year": row.honey,
                "contains gelatine": row.gelatine,
                "in the fridge until": row.fresh_cheese,
                "not for children": row.composition_pct["ethanol"] > 0,
                "small children": row.choking and row.own_body,
            }
            mixed = made(PAN, Part(role="layer", of=recipe("filling", **{"dark60": 100, key: 30})), piece_mm=(25, 25))
            found = [mixed]
            with contextlib.suppress(BadInput):
                of = (Part(role="layer", of=GANACHE), Part(role="topping", of=row, g_each=1))
                found.append(made(PAN, *of, piece_mm=(25, 25)))
            for worked in found:
                label = label_of(worked)
                bold = " ".join(one.text.lower() for one in label.ingredients if one.allergen)
                told = " ".join([*told_eater(worked), *label.cautions]).lower()
                with self.subTest(key, alone=worked is not mixed):
                    for name, _ in names_of(row):
                        self.assertIn(name, bold)
                    for word, holds in words.items():
                        if not (row.extract and word == "not for children"):
                            self.assertEqual(word in told, bool(holds), word)

    def test_what_nobody_knows_of_an_ingredient_stops_its_label_and_nothing_else(self) -> None:
        curd = own_ingredient(
            name="Cellar curd", composition_pct={"water": 40, "sucrose": 60}, density_g_per_ml=1.2, allergens=("egg",),
            raw_egg="none", not_known=("raw_egg",),
        )  # fmt: skip
        worked = made(
            BALLS, Part(role="centre", of=recipe(dark60=200, cream35=100)), Part(role="topping", of=curd, g_each=1)
        )
        self.assertGreater(worked.piece_g, 0)
        with self.assertRaisesRegex(BadInput, "Nobody knows whether its egg is raw: Cellar curd"):
            label_of(worked)

    def test_a_shell_is_of_chocolate_and_a_coat_of_what_may_be_one(self) -> None:
        for part, refused in (
            (Part(role="shell", of=find("cream35")), True), (Part(role="shell", of=find("milk33")), False),
            (Part(role="shell", of=recipe(dark60=100, cream35=100)), True),
            (Part(role="shell", of=recipe("filling", dark60=95, cocoa_butter=5)), False),
        ):  # fmt: skip
            if refused:
                with self.assertRaisesRegex(BadInput, "parts.0..of"):
                    made(BAR, part, Part(role="filling", of=GANACHE))
            else:
                self.assertTrue(made(BAR, part, Part(role="filling", of=GANACHE)).piece_g)
        centre = Part(role="centre", of=GANACHE)
        for key, fine in (
            ("caramel_soft", True),
            ("compound_milk", True),
            ("raspberry_puree", False),
            ("honey", False),
        ):
            try:
                made(BALLS, centre, Part(role="coat", of=find(key)))
            except BadInput as problem:
                self.assertEqual((fine, problem.field), (False, ("parts", 1, "of")))
            else:
                self.assertTrue(fine, key)

    def test_what_it_is_names_inside_and_outside(self) -> None:
        self.assertEqual(
            what_it_is(made(BAR, SHELL, Part(role="filling", of=GANACHE))), "Cream ganache in dark chocolate 60 %"
        )


class Kept(unittest.TestCase):
    def test_what_freezing_spoils_is_not_frozen_and_says_why(self) -> None:
        cheese = recipe("soft-cheese", cream_cheese=200, sugar_icing=60)
        eggs = recipe("filling", egg_yolk=40, sugar_caster=80, butter82=60)
        for mass, word in ((cheese, "cheese"), (eggs, "egg")):
            with self.subTest(word):
                lasting = lasting_of(made(BALLS, Part(role="centre", of=mass)))
                self.assertFalse(lasting.may_freeze)
                self.assertIn(word, lasting.freeze)
        self.assertTrue(lasting_of(made(BALLS, Part(role="centre", of=GANACHE))).may_freeze)

    def test_what_lies_in_the_fridge_is_told_when_to_come_out_and_when_not_to_go_back(self) -> None:
        cold = lasting_of(made(BALLS, Part(role="centre", of=GANACHE)))
        self.assertEqual(cold.where, "fridge")
        self.assertIn("2 hours", cold.take_out)
        self.assertIn("closed box", cold.wrap)


class Traces(unittest.TestCase):
    def test_what_is_worked_before_may_be_in_it_and_nothing_after(self) -> None:
        nutty = made(BALLS, Part(role="centre", of=recipe(milk38=200, hazelnut_paste=60)))
        plain = made(BALLS, Part(role="centre", of=GANACHE))
        almond = made(
            PAN, Part(role="layer", of=recipe("marzipan", almond_whole=200, sugar_icing=200)), piece_mm=(25, 25)
        )
        worked = [nutty, plain, almond]
        self.assertEqual([step.row for step in work_order(worked)], [1, 0, 2])
        self.assertEqual(traces_of(worked, 1), ())
        self.assertEqual(traces_of(worked, 0), ())
        self.assertEqual(traces_of(worked, 2), ("hazelnut", "milk", "soya"))

    def test_a_cake_is_told_like_everything_else(self) -> None:
        worked = made(CAKE, Part(role="filling", of=GANACHE), Part(role="coat", of=GANACHE))
        self.assertIn("ganache", what_it_is(worked))
        self.assertGreater(energy_of(worked).kcal, 300)


if __name__ == "__main__":
    unittest.main()
