"""Steps by form: a ball, a cut slab, moulded pieces and halves, a cake; each after what its mass needs."""

import unittest
from dataclasses import replace
from typing import Any

from hearth_bowl.core.fit.ask import ask_for
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.stove.cold import cold_call, out_of_cold_s
from hearth_bowl.core.stove.form_steps import shaped_of
from hearth_bowl.core.stove.plan import run_steps
from hearth_bowl.core.stove.step import Step
from tests.kitchen import recipe

GANACHE = recipe(dark60=200, cream35=100)
CHEESE = recipe("soft-cheese", "roll", stage="fold-in", cream_cheese=250, biscuit_crumbs=180, sugar_icing=60)
PAN = ("pan", "rectangle", {"length_mm": 200, "width_mm": 200, "depth_mm": 25})
BAR = ("mould", "bar", {"cavities": 24, "length_mm": 30, "width_mm": 25, "depth_mm": 16})
BALLS = ("pieces", "", {"piece_g": 22})
CUP = ("cup", "", {"volume_ml": 12, "count": 30})
CAKE = ("cake", "round", {"diameter_mm": 180, "height_mm": 80, "filling_mm": 5, "coat_mm": 4, "fillings": 2})


def steps(form: tuple[str, str, dict[str, Any]], mass: Any = GANACHE, **asked: Any) -> dict[str, Step]:
    shaped = shaped_of(checked_vessel(*form), ask_for(form[0], asked))
    return {step.key: step for step in run_steps(mass, {}, Kitchen(), shaped=shaped)}


def order(found: dict[str, Step], *keys: str) -> list[str]:
    return [key for key in found if key in keys]


class FormSteps(unittest.TestCase):
    def test_a_ball_is_portioned_cored_rolled_coated_and_rolled_in(self) -> None:
        keys = ("set", "portion", "roll", "temper-melt", "dip", "roll-in")
        found = steps(BALLS, shell="dark60", core_g=3.0, rolling="cocoa")
        self.assertEqual(order(found, *keys), list(keys))
        self.assertIn("⟦22 g⟧ each", found["portion"].do)
        self.assertIn("core", found["portion"].do)
        self.assertIn("cocoa powder", found["roll-in"].do)
        self.assertIn("before the coat sets", found["roll-in"].do)
        plain = steps(BALLS, shell="none")
        self.assertEqual(order(plain, *keys), ["set", "portion", "roll"])
        self.assertNotIn("core", plain["portion"].do)
        self.assertIn("scoop of 15 ml", steps(("scoop", "", {"volume_ml": 15}), shell="none")["portion"].do)

    def test_fresh_cheese_is_told_its_two_hours_wherever_it_is_out(self) -> None:
        found = steps(BALLS, CHEESE, shell="compound_white")
        for key in ("pour", "portion", "roll"):
            self.assertIn("two hours", found[key].caution, key)
        self.assertNotIn("two hours", " ".join(step.caution for step in steps(BALLS, shell="dark60").values()))

    def test_what_must_be_kept_cold_counts_all_its_steps_together_up_to_two_hours(self) -> None:
        made = list(steps(BALLS, CHEESE, shell="compound_white").values())
        at = {step.key: number for number, step in enumerate(made)}
        self.assertFalse(made[at["set"]].out_of_cold)
        begun = [(0.0, at["pour"]), (1500.0, at["set"]), (20_000.0, at["portion"])]
        self.assertEqual(out_of_cold_s(made, begun, 21_000.0), 2500.0)
        self.assertIsNone(out_of_cold_s(list(steps(BALLS).values()), begun[:1], 50.0))
        self.assertIsNone(cold_call(105 * 60 - 1, True))
        self.assertIsNone(cold_call(105 * 60, False))
        self.assertEqual(getattr(cold_call(105 * 60, True), "words", ""), "Back into the fridge")
        late = cold_call(120 * 60, False)
        assert late is not None
        self.assertIn("throw it away", late.words)
        self.assertTrue(late.urgent and late.wrong)

    def test_toppings_go_onto_a_slab_while_it_holds_a_mark_by_the_set_clock(self) -> None:
        shaped = replace(shaped_of(checked_vessel(*PAN), ask_for("pan", {"pieces": 36})), toppings=("Almonds",))
        thin, thick = (replace(shaped, thickness_mm=mm) for mm in (8.0, 20.0))
        made = [run_steps(GANACHE, {}, Kitchen(), shaped=one) for one in (thin, thick)]
        for found in made:
            keys = [step.key for step in found]
            self.assertEqual(keys[keys.index("toppings") - 1 : keys.index("toppings") + 2], ["pour", "toppings", "set"])
        waits = [next(step for step in found if step.key == "toppings") for found in made]
        self.assertIn("almonds", waits[0].do)
        assert waits[0].usual_min and waits[1].usual_min
        self.assertLess(2 * waits[0].usual_min[0], waits[1].usual_min[0])
        dipped = replace(thin, shell=find("dark60"))
        last = run_steps(GANACHE, {}, Kitchen(), shaped=dipped)[-1]
        self.assertEqual((last.key, "almonds on each" in last.do), ("dip", True))

    def test_nuts_are_roasted_and_ground_before_a_paste_of_them(self) -> None:
        found = steps(PAN, recipe("nut-paste", "cut", hazelnut_whole=200, milk38=200, sugar_icing=60))
        self.assertEqual(order(found, "roast", "grind", "melt"), ["roast", "grind", "melt"])
        self.assertEqual(found["roast"].positions, (0,))
        self.assertIn("weigh again", found["roast"].do)
        bought = steps(PAN, recipe("nut-paste", "cut", hazelnut_paste=200, milk38=200))
        self.assertNotIn("roast", bought)

    def test_raw_egg_in_marzipan_is_held_for_its_time_at_temperature(self) -> None:
        rows = {"almond_ground": 250, "sugar_icing": 200, "egg_white": 25}
        raw = steps(PAN, recipe("marzipan", "model", **rows))
        self.assertEqual((raw["hold"].target_c, raw["hold"].minutes, raw["hold"].positions), ((70, 75), 2, (2,)))
        self.assertIn("pregnant", raw["hold"].caution)
        rows["egg_white_pasteurised"] = rows.pop("egg_white")
        self.assertNotIn("hold", steps(PAN, recipe("marzipan", "model", **rows)))

    def test_modelling_chocolate_and_its_syrup_meet_at_one_warmth(self) -> None:
        found = steps(PAN, recipe("modelling", "model", dark60=300, glucose_syrup40=120))
        self.assertEqual(found["melt"].target_c, found["join"].target_c)
        self.assertEqual((found["melt"].positions, found["join"].positions), ((0,), (1,)))
        self.assertIn("Beads of oil", found["oil"].do)

    def test_a_drizzle_is_run_over_a_few_at_a_time_and_sprinkled_before_it_sets(self) -> None:
        shaped = shaped_of(checked_vessel(*BAR), ask_for("mould", {"shell": "dark60"}))
        shaped = replace(shaped, toppings=("Sea salt",), drizzles=("White chocolate 32 %",))
        last = run_steps(GANACHE, {}, Kitchen(), shaped=shaped)[-1]
        self.assertEqual(last.key, "decorate")
        self.assertIn("white chocolate 32 % over a few pieces at a time; sea salt on each before it sets", last.do)

    def test_a_slab_is_cut_only_where_pieces_are_asked(self) -> None:
        cut = steps(PAN, piece_mm=(25.0, 25.0))
        self.assertEqual(order(cut, "pour", "set", "cut"), ["pour", "set", "cut"])
        self.assertIn("lining", cut["pour"].do)
        self.assertNotIn("cut", steps(PAN))

    def test_shells_are_made_before_the_mass_and_capped_after_it_half_set(self) -> None:
        keys = ("smear", "shell", "warm", "pour", "set", "cap", "unmould")
        found = steps(BAR, shell="dark60")
        self.assertEqual(order(found, *keys), list(keys))
        self.assertIn("half set", found["cap"].ask)
        self.assertIn("Temper it again", found["cap"].do)
        compound = steps(BAR, shell="compound_dark")
        self.assertNotIn("emper", compound["cap"].do)
        self.assertNotIn("seed", compound["temper-melt"].do)
        self.assertEqual(order(steps(BAR, shell="none"), *keys), ["warm", "pour", "set"])

    def test_halves_are_let_go_then_joined(self) -> None:
        found = steps(BAR, shell="dark60", halves=True)
        self.assertEqual(order(found, "set", "unmould", "halves", "cap"), ["set", "unmould", "halves"])

    def test_a_dry_mix_is_weighed_into_shells_that_let_go_and_is_loose_elsewhere(self) -> None:
        mix = recipe("dry-mix", cocoa_powder_21=120, sugar_caster=180)
        sphere = ("mould", "hemisphere", {"cavities": 6, "radius_mm": 30})
        found = steps(sphere, mix, shell="dark60", halves=True)
        self.assertEqual(order(found, "shell", "pour", "set", "halves"), ["shell", "pour", "halves"])
        self.assertIn("room above", found["pour"].do)
        self.assertNotIn("pour", steps(CUP, mix, shell="none"))

    def test_every_line_goes_in_once_and_no_step_twice_whatever_the_form(self) -> None:
        for form in (PAN, BAR, BALLS, CAKE, CUP):
            for mass in (GANACHE, CHEESE):
                for shell in ("none", "dark60", "compound_white"):
                    asked: dict[str, Any] = {} if form[0] == "cake" else {"shell": shell}
                    shaped = shaped_of(checked_vessel(*form), ask_for(form[0], asked))
                    found = run_steps(mass, {}, Kitchen(), shaped=shaped)
                    with self.subTest(form=form[0], shell=shell):
                        self.assertEqual(len({step.key for step in found}), len(found))
                        positions = sorted(position for step in found for position in step.positions)
                        self.assertEqual(positions, list(range(len(mass.lines))))
                        self.assertTrue(all(step.why and step.usual_min for step in found))

    def test_a_cake_is_filled_and_coated(self) -> None:
        found = steps(CAKE)
        self.assertIn("crumbs", found["pour"].do)
        self.assertTrue(found["pour"].ask)


if __name__ == "__main__":
    unittest.main()
