"""Steps by form: the acts of the method as a run has them, for balls, slabs, moulded pieces, halves and cakes."""

import unittest
from typing import Any

from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.fit.ask import ask_for
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.stove.cold import cold_call, out_of_cold_s
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.steps import run_steps
from tests.kitchen import recipe

GANACHE = recipe(dark60=200, cream35=100)
CHEESE = recipe("soft-cheese", "roll", stage="fold-in", cream_cheese=250, biscuit_crumbs=180, sugar_icing=60)
PAN = ("pan", "rectangle", {"length_mm": 200, "width_mm": 200, "depth_mm": 25})
BAR = ("mould", "bar", {"cavities": 24, "length_mm": 30, "width_mm": 25, "depth_mm": 16})
BALLS = ("pieces", "", {"piece_g": 22})
CUP = ("cup", "", {"volume_ml": 12, "count": 30})
CAKE = ("cake", "round", {"diameter_mm": 180, "height_mm": 80, "filling_mm": 5, "coat_mm": 4, "fillings": 2})


def steps(form: tuple[str, str, dict[str, Any]], mass: Any = GANACHE, **asked: Any) -> dict[str, Step]:
    worked = work_out(confection_of(mass, checked_vessel(*form), ask_for(form[0], asked)))
    return {step.key: step for step in run_steps(mass, {}, Kitchen(), worked)}


def order(found: dict[str, Step], *keys: str) -> list[str]:
    return [key for key in found if key in keys]


class FormSteps(unittest.TestCase):
    def test_a_ball_is_portioned_cored_rolled_coated_and_rolled_in(self) -> None:
        keys = ("set", "portion", "roll", "balls-stand", "temper-melt", "dip", "roll-in")
        found = steps(BALLS, shell="dark60", core_g=3.0, rolling="cocoa")
        self.assertEqual(order(found, *keys), list(keys))
        self.assertIn("⟦22 g⟧ each", found["portion"].do)
        self.assertIn("core", found["portion"].do)
        self.assertEqual([take.name for take in found["roll-in"].takes], ["Cocoa powder (21 %)"])
        self.assertIn("before the coat sets", found["roll-in"].do)
        plain = steps(BALLS, shell="none")
        self.assertEqual(order(plain, *keys), ["set", "portion", "roll"])
        self.assertNotIn("core", plain["portion"].do)
        self.assertIn("scoop of 15 ml", steps(("scoop", "", {"volume_ml": 15}), shell="none")["portion"].do)

    def test_fresh_cheese_tells_its_two_hours_once_and_counts_the_steps_that_it_is_out(self) -> None:
        found = steps(BALLS, CHEESE, shell="compound_white")
        told = [key for key, step in found.items() if "two hours" in step.caution]
        self.assertEqual(told, ["fold-in"])
        out = [key for key, step in found.items() if step.out_of_cold]
        self.assertEqual(out, ["fold-in", "portion", "roll", "dip"])
        self.assertNotIn("two hours", " ".join(step.caution for step in steps(BALLS, shell="dark60").values()))

    def test_what_must_be_kept_cold_counts_all_its_steps_together_up_to_two_hours(self) -> None:
        made = list(steps(BALLS, CHEESE, shell="compound_white").values())
        at = {step.key: number for number, step in enumerate(made)}
        self.assertFalse(made[at["set"]].out_of_cold)
        begun = [(0.0, at["fold-in"]), (1500.0, at["set"]), (20_000.0, at["portion"])]
        self.assertEqual(out_of_cold_s(made, begun, 21_000.0), 2500.0)
        self.assertIsNone(out_of_cold_s(list(steps(BALLS).values()), begun[:1], 50.0))
        self.assertIsNone(cold_call(105 * 60 - 1, True))
        self.assertIsNone(cold_call(105 * 60, False))
        self.assertEqual(getattr(cold_call(105 * 60, True), "words", ""), "Back into the fridge")
        late = cold_call(120 * 60, False)
        assert late is not None
        self.assertIn("throw it away", late.words)
        self.assertTrue(late.urgent and late.wrong)

    def test_nuts_are_roasted_and_ground_before_a_paste_of_them(self) -> None:
        found = steps(PAN, recipe("nut-paste", "cut", hazelnut_whole=200, milk38=200, sugar_icing=60))
        self.assertEqual(order(found, "roast", "grind", "melt"), ["roast", "grind", "melt"])
        self.assertEqual(found["roast"].positions, (0,))
        self.assertIn("weigh again", found["roast"].do)
        self.assertNotIn("roast", steps(PAN, recipe("nut-paste", "cut", hazelnut_paste=200, milk38=200)))

    def test_raw_egg_in_marzipan_is_held_for_its_time_at_temperature(self) -> None:
        rows = {"almond_ground": 250, "sugar_icing": 200, "egg_white": 25}
        raw = steps(PAN, recipe("marzipan", "model", **rows))
        self.assertEqual((raw["hold"].target_c, raw["hold"].minutes, raw["hold"].positions), ((70, 75), 2, (2,)))
        self.assertIn("pregnant", raw["hold"].caution)
        self.assertTrue(raw["rest"].in_fridge)
        rows["egg_white_pasteurised"] = rows.pop("egg_white")
        self.assertNotIn("hold", steps(PAN, recipe("marzipan", "model", **rows)))

    def test_modelling_chocolate_and_its_syrup_meet_at_one_temperature(self) -> None:
        found = steps(PAN, recipe("modelling", "model", dark60=300, glucose_syrup40=120))
        self.assertEqual(found["melt"].target_c, found["join"].target_c)
        self.assertEqual((found["melt"].positions, found["join"].positions), ((0,), (1,)))
        self.assertEqual(order(found, "rest", "work", "pour"), ["rest", "work", "pour"])
        self.assertIn("oil beads", found["oil"].do)

    def test_a_step_takes_as_long_as_what_is_made_not_as_what_the_tin_could_hold(self) -> None:
        deep = ("pan", "rectangle", {"length_mm": 300, "width_mm": 300, "depth_mm": 60})
        large, small = (steps(form)["warm"].usual_min for form in (deep, PAN))
        self.assertEqual(large, small)

    def test_a_slab_is_cut_only_where_pieces_are_asked(self) -> None:
        cut = steps(PAN, piece_mm=(25.0, 25.0))
        self.assertEqual(order(cut, "pour", "set", "cut"), ["pour", "set", "cut"])
        self.assertIn("Line the tin", cut["pour"].do)
        self.assertNotIn("cut", steps(PAN))

    def test_shells_are_made_before_the_mix_and_capped_after_it_half_set(self) -> None:
        keys = ("smear", "shell", "warm", "fill", "half-set", "cap", "unmould")
        found = steps(BAR, shell="dark60")
        self.assertEqual(order(found, *keys), list(keys))
        self.assertIn("half set", found["cap"].ask)
        self.assertIn("smear.2", found)
        compound = steps(BAR, shell="compound_dark")
        self.assertFalse(any("seed" in step.do for step in compound.values()))
        self.assertEqual(order(steps(BAR, shell="none"), *keys), ["warm", "fill", "half-set", "unmould"])

    def test_halves_are_unmoulded_then_joined(self) -> None:
        found = steps(BAR, shell="dark60", halves=True, pieces=12)
        self.assertEqual(order(found, "half-set", "unmould", "halves", "cap"), ["half-set", "unmould", "halves"])

    def test_a_dry_mix_is_weighed_into_shells_that_are_out_and_is_loose_elsewhere(self) -> None:
        mix = recipe("dry-mix", cocoa_powder_21=120, sugar_caster=180)
        sphere = ("mould", "hemisphere", {"cavities": 6, "radius_mm": 30})
        found = steps(sphere, mix, shell="dark60", halves=True, pieces=3)
        self.assertEqual(order(found, "shell", "fill", "unmould", "halves"), ["shell", "unmould", "fill", "halves"])
        self.assertIn("room above", found["fill"].do)

    def test_every_line_goes_in_once_and_no_step_twice_whatever_the_form(self) -> None:
        for form in (PAN, BAR, BALLS, CAKE, CUP):
            for mass in (GANACHE, CHEESE):
                for shell in ("none", "dark60", "compound_white"):
                    found = list(steps(form, mass, **({} if form[0] == "cake" else {"shell": shell})).values())
                    with self.subTest(form=form[0], shell=shell):
                        positions = sorted(position for step in found for position in step.positions)
                        self.assertEqual(positions, list(range(len(mass.lines))))
                        self.assertTrue(all(step.usual_min for step in found))

    def test_a_cake_is_filled_and_coated(self) -> None:
        found = next(step for key, step in steps(CAKE).items() if key.startswith("spread"))
        self.assertIn("crumbs", found.do)
        self.assertTrue(found.ask)


if __name__ == "__main__":
    unittest.main()
