"""The confection: closed to the gram for every form and role, and what follows for the one who eats it."""

import unittest
from math import pi
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.confection.confection import ROLES_OF, Blend, Confection, Extra, Form, Part
from hearth_bowl.core.confection.label import label_of
from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.stuff import loses_the_usual
from hearth_bowl.core.confection.work_out import Worked, WorkedPart, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.fit.ask import MouldAsk, PanAsk, ask_for
from hearth_bowl.core.fit.vessel import Vessel, checked_vessel
from hearth_bowl.core.ingredients.ingredient import own_ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Recipe
from tests.kitchen import recipe

GANACHE = recipe(dark60=200, cream35=100)
WHITE = recipe(white28=250, cream35=100)
FUDGE = recipe("boiled-fudge", "cut", stage="boil", sugar_granulated=450, milk_whole=300, butter82=60)
MIX = recipe("dry-mix", cocoa_powder_21=120, sugar_caster=180, whole_powder=100)
SPIRITED = recipe(dark60=200, cream35=80, spirit40=40)
MARZIPAN = recipe("marzipan", almond_whole=200, sugar_icing=200)
HALF_EGG = ("mould", "half-egg", {"cavities": 10, "length_mm": 50, "width_mm": 36, "depth_mm": 18})
BAR = ("mould", "bar", {"cavities": 24, "length_mm": 30, "width_mm": 25, "depth_mm": 16})
SPHERE = ("mould", "hemisphere", {"cavities": 12, "radius_mm": 25})
PAN = ("pan", "rectangle", {"length_mm": 200, "width_mm": 200, "depth_mm": 30})
CUPS = ("cup", "", {"volume_ml": 12, "count": 30})
SCOOP = ("scoop", "", {"volume_ml": 15})
BALLS = ("pieces", "", {"piece_g": 22})
CAKE = ("cake", "round", {"diameter_mm": 180, "height_mm": 80, "filling_mm": 5, "coat_mm": 4, "fillings": 2})


def vessel(made: tuple[str, str, dict[str, Any]]) -> Vessel:
    return checked_vessel(*made)


def made(form: tuple[str, str, dict[str, Any]], *parts: Part, extras: tuple[Extra, ...] = (), **more: Any) -> Worked:
    asked = Confection(name="Comets", form=Form(vessel=vessel(form), **more), parts=parts, extras=extras)
    return work_out(asked)


def part_of(worked: Worked, role: str, number: int = 0) -> WorkedPart:
    return [part for part in worked.parts if part.part.role == role][number]


@st.composite
def parts(draw: st.DrawFn) -> tuple[tuple[str, str, dict[str, Any]], tuple[Part, ...], dict[str, Any]]:
    """Draw a form with parts that it may have, in amounts that fit."""
    form = draw(st.sampled_from([HALF_EGG, BAR, SPHERE, PAN, CUPS, SCOOP, BALLS, CAKE]))
    mass = st.sampled_from([GANACHE, WHITE, FUDGE, SPIRITED, MARZIPAN])
    bought = st.sampled_from(
        [find("dark60"), find("milk38"), Blend(parts=((find("milk38"), 3.0), (find("dark60"), 2)))]
    )
    loss = st.none() | st.floats(0, 20)
    found: list[Part] = []
    more: dict[str, Any] = {"loss_pct": draw(loss), "loss_g": draw(st.sampled_from([0.0, 12.0]))}
    kind = form[0]
    if kind in ("mould", "cup"):
        if draw(st.booleans()):
            found.append(Part(role="shell", of=draw(bought), wall_mm=draw(st.floats(1, 2))))
        more["halves"] = kind == "mould" and draw(st.booleans())
        if draw(st.booleans()):
            found.append(Part(role="filling", of=draw(mass), share_pct=draw(st.floats(5, 30))))
        if draw(st.booleans()):
            found.append(Part(role="filling", of=draw(mass), g_each=draw(st.floats(0.5, 1.5)), loss_pct=draw(loss)))
        found.append(Part(role="filling", of=draw(mass)))
        more["pieces"] = draw(st.none() | st.integers(1, 90))
    elif kind == "pan":
        if draw(st.booleans()):
            found.append(Part(role="layer", of=draw(mass), mm=draw(st.floats(2, 12))))
        if draw(st.booleans()):
            found.append(Part(role="layer", of=draw(mass), mass_g=draw(st.floats(100, 300))))
        found.append(Part(role="layer", of=draw(mass)))
        if draw(st.booleans()):
            more["piece_mm"] = (draw(st.floats(15, 60)), draw(st.floats(15, 60)))
            if draw(st.booleans()):
                found.append(Part(role="coat", of=draw(bought), mm=draw(st.floats(0.5, 2))))
    elif kind == "cake":
        found.append(Part(role="centre", of=draw(mass)))
    else:
        found.append(Part(role="centre", of=draw(mass), mass_g=draw(st.none() | st.floats(200, 900))))
        if found[0].mass_g is None:
            more["pieces"] = draw(st.integers(1, 200))
        if draw(st.booleans()):
            found.append(Part(role="core", of=find("hazelnut_whole"), g_each=draw(st.floats(0.5, 4))))
        if draw(st.booleans()):
            found.append(Part(role="coat", of=draw(bought)))
        if draw(st.booleans()):
            found.append(Part(role="rolling", of=find("cocoa_powder_21")))
    if draw(st.booleans()):
        found.append(Part(role="topping", of=find("pistachio_whole"), g_each=draw(st.floats(0.1, 2))))
    return form, tuple(found), more


class Closed(unittest.TestCase):
    @settings(max_examples=400, deadline=None)
    @given(parts())
    def test_what_is_made_is_in_pieces_cut_off_left_over_lost_or_boiled_off(
        self, drawn: tuple[tuple[str, str, dict[str, Any]], tuple[Part, ...], dict[str, Any]]
    ) -> None:
        form, asked, more = drawn
        worked = made(form, *asked, **more)
        self.assertAlmostEqual(worked.piece_g, sum(part.each_g for part in worked.parts), places=6)
        for part in worked.parts:
            self.assertAlmostEqual(part.total_g, part.pieces * part.each_g, places=6)
            rest = part.total_g + part.offcut_g + part.left_over_g + part.loss_g + part.evaporated_g
            self.assertAlmostEqual(part.make_g, rest, places=5)
            self.assertAlmostEqual(sum(row.amount_g for row in part.weigh), part.make_g, places=6)
            for grams in (part.each_g, part.offcut_g, part.left_over_g, part.evaporated_g, part.loss_g + 1e-6):
                self.assertGreaterEqual(grams, 0)
        for melt in worked.chocolate:
            self.assertAlmostEqual(melt.kept_g + melt.back_g, melt.melt_g)
        groups = {group for part in worked.parts for row in part.weigh for group in row.ingredient.allergens}
        self.assertEqual(set(worked.allergens), groups)
        self.assertEqual({one.group for one in worked.allergens_named}, groups)
        grams = [mass_g for _, mass_g in worked.ingredients]
        self.assertEqual(grams, sorted(grams, reverse=True))
        whole = sum(batch.make_g for batch in worked.batches)
        self.assertAlmostEqual(
            whole, sum(part.make_g for part in worked.parts if isinstance(part.part.of, Recipe)), places=5
        )

    def test_it_answers_as_the_fit_of_one_mass(self) -> None:
        one = fit(GANACHE, vessel(BAR), MouldAsk(pieces=60))
        worked = made(BAR, Part(role="shell", of=find("dark60")), Part(role="filling", of=GANACHE), pieces=60)
        assert one.shell is not None
        self.assertAlmostEqual(part_of(worked, "filling").make_g, one.batch_g)
        self.assertAlmostEqual(part_of(worked, "shell").total_g, one.shell.total_g)
        (melt,) = worked.chocolate
        self.assertAlmostEqual(melt.melt_g, one.shell.melt_g)
        self.assertEqual(worked.laid.pours, one.pours)
        slab = fit(FUDGE, vessel(PAN), PanAsk(piece_mm=(25, 25)), finished_or_none(FUDGE, Kitchen()))
        layer = part_of(made(PAN, Part(role="layer", of=FUDGE), piece_mm=(25, 25)), "layer")
        self.assertAlmostEqual(layer.make_g, slab.batch_g, places=6)

    @settings(max_examples=80, deadline=None)
    @given(
        st.sampled_from([BAR, HALF_EGG, PAN, CUPS, SCOOP, BALLS, CAKE]),
        st.sampled_from([GANACHE, FUDGE, MARZIPAN]),
        st.none() | st.integers(1, 120),
        st.floats(0, 15),
        st.booleans(),
        st.sampled_from(["none", "dark60", "milk38"]),
    )
    def test_a_fit_of_one_mass_makes_the_same_as_a_confection(
        self,
        form: tuple[str, str, dict[str, Any]],
        mass: Recipe,
        pieces: int | None,
        lost: float,
        halves: bool,
        shell: str,
    ) -> None:
        given: dict[str, Any] = {"loss_pct": lost}
        kind = form[0]
        if kind != "cake":
            given |= {"shell": shell, "pieces": 20 if pieces is None and kind in ("scoop", "pieces") else pieces}
        if kind == "mould":
            given["halves"] = halves
        if kind == "pieces":
            given |= {"core_g": 2.0, "rolling": "cocoa"}
        ask = ask_for(kind, given)
        found = fit(mass, vessel(form), ask, finished_or_none(mass, Kitchen()))
        worked = work_out(confection_of(mass, vessel(form), ask))
        inner = next(part for part in worked.parts if part.part.role in ("layer", "filling", "centre"))
        self.assertAlmostEqual(inner.make_g, found.batch_g, places=5)
        if found.pieces is not None:
            self.assertEqual(worked.pieces, found.pieces)
        if kind == "pan" and found.piece_g is not None:
            whole_g = found.shell.piece_g if found.shell else found.piece_g
            self.assertAlmostEqual(worked.piece_g, whole_g, places=5)
        if found.shell is not None:
            self.assertAlmostEqual(
                worked.chocolate[0].melt_g, found.shell.melt_g + found.shell.seam_g * worked.pieces, places=4
            )

    def test_a_core_comes_on_top_and_forty_balls_weigh_forty_times_as_much(self) -> None:
        worked = made(
            BALLS, Part(role="centre", of=GANACHE), Part(role="core", of=find("jam"), g_each=3), pieces=38, spares=2
        )
        self.assertEqual(worked.pieces, 40)
        self.assertAlmostEqual(worked.piece_g, 25)
        self.assertAlmostEqual(part_of(worked, "centre").make_g, 40 * 22 / 0.95)
        self.assertEqual(part_of(worked, "core").make_g, 120)

    def test_halves_take_one_amount_a_piece_and_a_seam(self) -> None:
        whole = made(
            HALF_EGG,
            Part(role="shell", of=find("dark60")),
            Part(role="filling", of=WHITE),
            Part(role="filling", of=GANACHE, g_each=5),
            extras=(Extra(name="foil", each=2),),
            pieces=36,
            halves=True,
        )
        self.assertEqual((whole.laid.halves, whole.laid.pours), (72, 8))
        self.assertEqual([(extra.name, extra.count) for extra in whole.extras], [("foil", 72)])
        self.assertAlmostEqual(part_of(whole, "filling", 1).total_g, 180)
        single = made(
            HALF_EGG, Part(role="shell", of=find("dark60"), cap_mm=0), Part(role="filling", of=WHITE), pieces=1
        )
        seam = part_of(whole, "shell").each_g - 2 * part_of(single, "shell").each_g
        self.assertTrue(0.05 < seam < 1.5, seam)

    def test_what_gives_way_takes_what_the_others_leave(self) -> None:
        fixed = (
            Part(role="shell", of=find("dark60")),
            Part(role="filling", of=MARZIPAN, g_each=2.5),
            Part(role="filling", of=find("hazelnut_whole"), g_each=0.8),
        )
        before = made(BAR, *fixed, Part(role="filling", of=GANACHE))
        after = made(
            BAR, *fixed[:1], Part(role="filling", of=MARZIPAN, g_each=3.5), fixed[2], Part(role="filling", of=GANACHE)
        )
        gives = part_of(after, "filling", 2)
        self.assertTrue(gives.gives_way)
        self.assertLess(gives.each_g, part_of(before, "filling", 2).each_g)
        self.assertEqual(part_of(after, "filling", 0).loss_g, 0, "marzipan is worked by hand")

    def test_a_blend_is_melted_by_its_parts(self) -> None:
        blend = Blend(parts=((find("compound_milk"), 3.0), (find("compound_dark"), 2.0)))
        worked = made(BAR, Part(role="shell", of=blend), Part(role="filling", of=GANACHE))
        melts = {melt.ingredient.label: melt.melt_g for melt in worked.chocolate}
        self.assertAlmostEqual(melts["compound_milk"] / melts["compound_dark"], 1.5)
        self.assertIn("shell: ", next(one for one in worked.allergens_named if one.group == "soya").brought_by[0])

    def test_a_sphere_takes_the_mix_of_a_cup_and_never_more(self) -> None:
        shell = Part(role="shell", of=find("milk38"), wall_mm=1.5)
        worked = made(SPHERE, shell, Part(role="filling", of=MIX, g_each=16), pieces=24, halves=True)
        self.assertAlmostEqual(part_of(worked, "filling").total_g, 24 * 16)
        self.assertTrue([note for note in worked.notes if "lower half" in note])
        open_shell = Part(role="shell", of=find("milk38"), wall_mm=1.5, cap_mm=0)
        alone = made(SPHERE, open_shell, Part(role="filling", of=MIX, g_each=16), pieces=24)
        self.assertEqual(part_of(worked, "filling").to_mm, part_of(alone, "filling").to_mm)
        full = made(SPHERE, shell, Part(role="filling", of=MIX), pieces=24, halves=True)
        self.assertGreater(part_of(full, "filling").each_g, 30)
        self.assertTrue([note for note in full.notes if "brim" in note])
        with self.assertRaises(BadInput) as refused:
            made(SPHERE, shell, Part(role="filling", of=MIX, g_each=70), pieces=24, halves=True)
        self.assertEqual(refused.exception.field, ("parts", 1, "g_each"))
        left = made(SPHERE, shell, Part(role="filling", of=MIX, mass_g=2000), pieces=24, halves=True)
        self.assertGreater(left.left_over[0].g, 100)

    def test_some_are_coated_now_and_the_rest_later(self) -> None:
        coat = Part(role="coat", of=find("compound_white"), coated=12, mm=1.0)
        worked = made(BALLS, Part(role="centre", of=GANACHE), coat, pieces=30)
        ball = (6 * 22 * 1000 / (pi * part_of(worked, "centre").each_g / part_of(worked, "centre").each_ml)) ** (1 / 3)
        coated = part_of(worked, "coat")
        self.assertEqual((coated.pieces, coated.part.coated), (12, 12))
        self.assertAlmostEqual(coated.each_g, 1.12 * pi / 6 * ((ball + 2) ** 3 - ball**3) * 1.28e-3)
        self.assertTrue([note for note in worked.notes if note.startswith("18 are coated later")])

    def test_sixty_four_pieces_are_cut_without_a_hidden_side_and_sixteen_roses_are_sixteen(self) -> None:
        worked = made(PAN, Part(role="layer", of=GANACHE), pieces=64)
        self.assertEqual((worked.pieces, worked.left_over), (64, ()))
        roses = made(BALLS, Part(role="centre", of=MARZIPAN, mass_g=16 * 22.0))
        self.assertEqual(roses.pieces, 16)


class WhatFollows(unittest.TestCase):
    def test_allergens_name_the_part_that_brings_them(self) -> None:
        worked = made(
            BALLS,
            Part(role="centre", of=recipe("filling", biscuit_crumbs=200, condensed_sweet=100)),
            Part(role="coat", of=find("compound_white")),
            Part(role="topping", of=find("hazelnut_whole"), g_each=1),
            pieces=20,
        )
        named = {one.name: (one.group, one.brought_by) for one in worked.allergens_named}
        self.assertEqual(worked.allergens, ("gluten", "milk", "nuts", "soya"))
        self.assertEqual(named["hazelnut"], ("nuts", ("topping: Hazelnuts",)))
        self.assertEqual(named["soya"], ("soya", ("coat: Compound coating, white",)))
        self.assertEqual(named["wheat"][0], "gluten")

    def test_the_part_that_spoils_first_decides_and_dry_nuts_do_not(self) -> None:
        cheese = recipe("soft-cheese", cream_cheese=200, sugar_icing=60)
        nut = Part(role="topping", of=find("walnut_whole"), g_each=2)
        worked = made(BALLS, Part(role="centre", of=cheese), Part(role="coat", of=find("dark60")), nut, pieces=20)
        self.assertEqual((worked.keeping.where, worked.keeping.days_high), ("fridge", 5))
        self.assertTrue(worked.keeping.part.startswith("centre: "))
        dry = made(
            BAR, Part(role="filling", of=find("dark60")), Part(role="topping", of=find("walnut_whole"), g_each=2)
        )
        self.assertEqual(dry.keeping.where, "room")

    def test_cautions(self) -> None:
        def codes(worked: Worked) -> set[str]:
            return {caution.code for caution in worked.cautions}

        thin = Part(role="shell", of=find("dark60"), wall_mm=1.2)
        strong = made(BAR, thin, Part(role="filling", of=SPIRITED))
        self.assertLessEqual({"alcohol", "alcohol-thin-shell", "fresh-cream-sealed"}, codes(strong))
        thick = made(BAR, Part(role="shell", of=find("dark60"), wall_mm=2.5), Part(role="filling", of=SPIRITED))
        self.assertNotIn("alcohol-thin-shell", codes(thick))
        self.assertAlmostEqual(
            strong.per_piece.alcohol_g, part_of(strong, "filling").each_g * 40 * 0.3329 / 320, delta=0.02
        )
        drink = made(SPHERE, thin, Part(role="filling", of=MIX, g_each=16), halves=True, extras=(Extra(name="stick"),))
        self.assertLessEqual({"hot-milk", "not-for-eating"}, codes(drink))
        crumbs = Part(role="filling", of=find("biscuit_crumbs"), g_each=1)
        beside = made(BAR, Part(role="filling", of=GANACHE, g_each=3), crumbs)
        self.assertIn("crisp-beside-wet", codes(beside))
        jam = made(BALLS, Part(role="centre", of=GANACHE), Part(role="core", of=find("jam"), g_each=3), pieces=4)
        self.assertIn("choking", codes(jam))
        egg = made(BAR, Part(role="filling", of=recipe(dark60=100, cream35=60, egg_yolk=20, honey=10)))
        self.assertLessEqual({"raw-egg", "honey-infants"}, codes(egg))

    def test_the_slowest_body(self) -> None:
        slab = made(PAN, Part(role="layer", of=GANACHE, mm=7), Part(role="layer", of=WHITE, mm=11), piece_mm=(25, 25))
        self.assertEqual((slab.body.kind, slab.body.thickness_mm), ("slab", 18))
        ball = made(BALLS, Part(role="centre", of=GANACHE), pieces=3).body
        assert ball.volume_ml and ball.area_cm2
        self.assertAlmostEqual(ball.area_cm2, (36 * pi) ** (1 / 3) * ball.volume_ml ** (2 / 3))
        dome = made(SPHERE, Part(role="filling", of=GANACHE)).body
        assert dome.area_cm2
        self.assertAlmostEqual(dome.area_cm2, 3 * pi * 2.5**2, delta=0.1)

    def test_a_label_says_what_is_in_it_and_is_refused_where_nobody_knows(self) -> None:
        label = label_of(made(BAR, Part(role="shell", of=find("dark60")), Part(role="filling", of=SPIRITED)), 9)
        self.assertEqual(label.ingredients[0].text, "Dark chocolate 60 % (soya)")
        self.assertIsNotNone(label.alcohol_each_g)
        self.assertIn(label.days, (3, 7, 10, 14))
        mystery = own_ingredient(
            name="Comet sprinkles", composition_pct={"sucrose": 100}, density_g_per_ml=0.8, allergens=None
        )
        worked = made(BAR, Part(role="filling", of=GANACHE), Part(role="topping", of=mystery, g_each=1))
        with self.assertRaises(BadInput) as refused:
            label_of(worked)
        self.assertEqual(refused.exception.field, ("parts", 1, "of"))
        self.assertIn("Comet sprinkles", refused.exception.message)


class Refused(unittest.TestCase):
    def test_what_a_form_has_not_is_named_with_what_it_has(self) -> None:
        shell, filling = Part(role="shell", of=find("dark60")), Part(role="filling", of=GANACHE)
        layer, centre = Part(role="layer", of=GANACHE), Part(role="centre", of=GANACHE)
        cases: tuple[tuple[Any, tuple[Part, ...], dict[str, Any], tuple[str | int, ...]], ...] = (
            (PAN, (shell, layer), {}, ("parts", 0, "role")),
            (BAR, (shell, shell, filling), {}, ("parts", 1, "role")),
            (BAR, (shell, filling, filling), {}, ("parts", 2, "role")),
            (PAN, (layer, layer), {}, ("parts", 1, "mm")),
            (PAN, (Part(role="layer", of=GANACHE, mm=40),), {}, ("parts", 0, "mm")),
            (PAN, (Part(role="layer", of=GANACHE, mm=4, mass_g=100),), {}, ("parts", 0, "mass_g")),
            (BAR, (Part(role="shell", of=find("dark60"), wall_mm=20), filling), {}, ("parts", 0, "wall_mm")),
            (BAR, (filling,), {"piece_mm": (25, 25)}, ("form", "piece_mm")),
            (BALLS, (Part(role="core", of=find("jam"), g_each=3),), {"pieces": 3}, ("parts",)),
            (BALLS, (centre, Part(role="rolling", of=find("butter82"))), {"pieces": 3}, ("parts", 1, "g_each")),
            (BALLS, (centre, Part(role="coat", of=find("dark60"), coated=9)), {"pieces": 3}, ("parts", 1, "coated")),
            (PAN, (layer, Part(role="coat", of=find("dark60"))), {}, ("parts", 1, "role")),
            (CAKE, (Part(role="centre", of=GANACHE, mass_g=50),), {}, ("parts", 0, "mass_g")),
        )
        for form, asked, more, field in cases:
            with self.subTest(field=field, form=form[0]), self.assertRaises(BadInput) as refused:
                made(form, *asked, **more)
            self.assertEqual(refused.exception.field, field)
            self.assertTrue(refused.exception.allowed)

    def test_every_form_has_something_to_fill(self) -> None:
        self.assertEqual(set(ROLES_OF), {"pan", "mould", "cup", "scoop", "pieces", "cake"})


class Waste(unittest.TestCase):
    def test_only_a_mix_that_is_poured_loses_the_usual_share(self) -> None:
        form, own = Form(vessel=vessel(SCOOP)), Form(vessel=vessel(SCOOP), loss_pct=8.0)
        self.assertTrue(loses_the_usual(Part(role="centre", of=GANACHE), form))
        self.assertFalse(loses_the_usual(Part(role="centre", of=GANACHE, loss_pct=3.0), form))
        self.assertFalse(loses_the_usual(Part(role="centre", of=GANACHE), own))
        self.assertFalse(loses_the_usual(Part(role="centre", of=MARZIPAN), form))
        self.assertFalse(loses_the_usual(Part(role="coat", of=find("dark60")), form))


if __name__ == "__main__":
    unittest.main()
