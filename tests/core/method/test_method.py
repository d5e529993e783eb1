"""The method: what must hold over all families, forms and schools; the cases that cooks stumbled on; the card's own."""

import unittest
from collections.abc import Iterator
from dataclasses import replace
from math import ceil
from unittest.mock import patch

from hearth_bowl.core.confection.confection import Confection, Form, Part, Role
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.method.act import WORKING, Act
from hearth_bowl.core.method.cautions import CAUTION
from hearth_bowl.core.method.choices import CHOICES
from hearth_bowl.core.method.families import METHODS, FamilyMethod
from hearth_bowl.core.method.method import Method, method_of_confection, method_of_recipe
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES, Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.steps import ACTS, CardStep
from hearth_bowl.core.solve.starters import starter

SEA, HILL = Kitchen(), Kitchen(altitude_m=1500)
VESSELS = {
    "mould": ("mould", "hemisphere", {"cavities": 24, "radius_mm": 15}),
    "pan": ("pan", "rectangle", {"length_mm": 200, "width_mm": 150, "depth_mm": 25}),
    "pieces": ("pieces", "", {"piece_g": 14}),
    "scoop": ("scoop", "", {"volume_ml": 15}),
    "cup": ("cup", "", {"volume_ml": 12, "count": 30}),
    "cake": ("cake", "round", {"diameter_mm": 180, "height_mm": 80, "filling_mm": 5, "coat_mm": 4, "fillings": 2}),
}
SUGAR = ("hot-sugar", "raw-egg", "egg-cooked", "gelatine", "microwave", "alcohol-flame")


def made(family: str, **grams: float | tuple[float, str]) -> Recipe:
    lines = []
    for key, value in grams.items():
        amount, stage = value if isinstance(value, tuple) else (value, "")
        lines.append(Line(ingredient=find(key), amount=amount, stage=stage))
    return checked_recipe(name="Test", family=family, use=None, lines=lines)


CARAMEL = replace(
    made(
        "caramel",
        sugar_caster=(400, "boil"),
        glucose_syrup40=(300, "boil"),
        cream48=(400, "boil"),
        butter82=(50, "boil"),
    ),
    use="cut",
)
CURD = made(
    "curd",
    egg_whole=(150, "warm"),
    lemon_juice=(100, "warm"),
    sugar_caster=(150, "warm"),
    butter82=(100, "stir-in-cool"),
)
GANACHE = made("cream-ganache", cream35=(200, "warm"), dark64=(380, "pour-over"), butter82=(20, "stir-in-cool"))


def carded(recipe: Recipe, *steps: CardStep) -> Recipe:
    return replace(recipe, steps=steps)


def worked(form: str, *parts: Part, **more: object) -> Worked:
    kind, shape, measures = VESSELS[form]
    vessel = checked_vessel(kind, shape, measures)
    return work_out(Confection(name="Test pieces", form=Form(vessel=vessel, **more), parts=parts))  # type: ignore[arg-type]


def forms_of(recipe: Recipe) -> Iterator[Worked]:
    """Return a confection of a recipe in every form, with as many other parts as the form has."""
    dark, nut = find("dark60"), find("hazelnut_whole")
    mix: dict[str, tuple[Role, ...]] = {"pan": ("layer",), "cake": ("centre", "filling"), "pieces": ("centre",)}
    for form in VESSELS:
        roles = mix.get(form, ("filling",) if form in ("mould", "cup") else ("centre",))
        parts = [Part(role=role, of=recipe) for role in roles]
        if form in ("mould", "cup"):
            parts.insert(0, Part(role="shell", of=dark, **({"wall_mm": 2} if form == "mould" else {})))
        if form == "pieces":
            parts += [Part(role="core", of=nut, g_each=1.2), Part(role="coat", of=dark)]
        if form == "scoop":
            parts += [Part(role="rolling", of=find("cocoa_powder_21"), g_each=0.8)]
        more: dict[str, object] = {"pieces": 60} if form in ("mould", "cup", "scoop", "pieces") else {}
        if form == "pan":
            more = {"piece_mm": (25.0, 25.0)}
            parts += [Part(role="topping", of=nut, g_each=1.0)]
        if form == "mould" and recipe.family == "dry-mix":
            more["halves"] = True
        yield worked(form, *parts, **more)


class Properties(unittest.TestCase):
    def check(self, method: Method, where: str) -> None:
        """Check what holds of every method."""
        acts, done = method.acts, set[str]()
        self.assertEqual(len({act.id for act in acts}), len(acts), where)
        for act in acts:
            self.assertTrue({one.id for one in act.after} <= done, f"{where}: {act.id} before {act.after}")
            done.add(act.id)
            self.assertIn(act.kind, ACTS, where)
            self.assertTrue(act.title and act.do and act.of, f"{where}: {act.id}")
            self.assertTrue(len(act.title.split()) >= 2 or act.from_card, f"{where}: {act.title}")
            self.assertTrue(0 < act.minutes[0] <= act.minutes[1] <= act.minutes[2], f"{where}: {act.id} {act.minutes}")
            if act.ceiling_c is not None and act.target_c is not None:
                self.assertLessEqual(act.target_c[1], act.ceiling_c, f"{where}: {act.id}")
            self.assertTrue(set(act.cautions) <= set(CAUTION), where)
        told = [(act.mass, code) for act in acts for code in act.cautions]
        self.assertEqual(len(told), len(set(told)), where)
        self.assertGreaterEqual(method.elapsed_min, method.hands_min - 1e-6, where)
        self.check_one_cook(method, where)

    def check_one_cook(self, method: Method, where: str) -> None:
        """Check that one cook can do the acts in their order without keeping anything waiting too long."""
        ends: dict[str, float] = {}
        free = 0.0
        for act in method.acts:
            starts = max((ends[one.id] + one.least_min for one in act.after), default=0.0)
            starts = max(starts, free) if act.hands else starts
            ends[act.id] = starts + act.usual_min
            free = ends[act.id] if act.hands else free
            for one in act.after:
                if one.most_min is not None:
                    self.assertLessEqual(starts - ends[one.id], one.most_min + 1e-6, f"{where}: {one.id} then {act.id}")
        self.assertAlmostEqual(method.elapsed_min, max(ends.values()), msg=where)

    def check_mix(self, acts: list[Act], grams: dict[str, float], where: str) -> None:
        taken: dict[str, float] = {}
        for act in acts:
            for take in act.takes:
                taken[take.ingredient.label] = taken.get(take.ingredient.label, 0.0) + take.g
        self.assertEqual(set(taken), {label for label, g in grams.items() if g > 0}, where)
        for label, g in taken.items():
            self.assertAlmostEqual(g, grams[label], delta=1e-6 * max(1.0, g), msg=f"{where}: {label}")
        last = max((at for at, act in enumerate(acts) if act.kind in WORKING), default=len(acts))
        late = [act.id for act in acts[last + 1 :] if any(take.position is not None for take in act.takes)]
        self.assertEqual(late, [], where)

    def test_of_every_family_use_way_and_school(self) -> None:
        for family in FAMILIES:
            for use in FAMILY[family].uses:
                recipe = starter(family, use)
                grams: dict[str, float] = {}
                for line, g in zip(recipe.lines, recipe.amounts_g, strict=True):
                    grams[line.ingredient.label] = grams.get(line.ingredient.label, 0.0) + g
                ways = [way.key for way in FAMILY[family].methods]
                choices = [{name: school} for name, schools in CHOICES.items() for school in schools]
                for way in ways:
                    for choice in choices if way == ways[0] and use == FAMILY[family].uses[0] else [{}]:
                        where = f"{family} {use} {way} {choice}"
                        method = method_of_recipe(replace(recipe, method=way), choice, HILL)
                        self.check(method, where)
                        self.check_mix(list(method.acts), grams, where)

    def test_of_every_family_in_every_form(self) -> None:
        for family in FAMILIES:
            recipe = starter(family, FAMILY[family].uses[0])
            for found in forms_of(recipe):
                for temper in CHOICES["temper"] if family == "cream-ganache" else ("seed",):
                    where = f"{family} {type(found.confection.form.vessel).__name__} {temper}"
                    method = method_of_confection(found, {"temper": temper}, SEA)
                    self.check(method, where)
                    for number, batch in enumerate(found.batches):
                        grams: dict[str, float] = {}
                        for row in batch.weigh:
                            grams[row.ingredient.label] = grams.get(row.ingredient.label, 0.0) + row.amount_g
                        own = [
                            replace(act, takes=tuple(take for take in act.takes if take.position is not None))
                            for act in method.acts
                            if act.id.startswith(f"m{number}.")
                        ]
                        self.check_mix(own, grams, where)
                    self.check_bought(found, method, where)

    def check_bought(self, found: Worked, method: Method, where: str) -> None:
        """Check that chocolate that is melted, and what is bought, is taken to the gram."""
        wanted = {melt.ingredient.label: melt.melt_g for melt in found.chocolate}
        for part in found.parts:
            if not part.is_chocolate and not isinstance(part.part.of, Recipe):
                for row in part.weigh:
                    wanted[row.ingredient.label] = wanted.get(row.ingredient.label, 0.0) + row.amount_g
        taken: dict[str, float] = {}
        for act in method.acts:
            for take in act.takes:
                if take.position is None:
                    taken[take.ingredient.label] = taken.get(take.ingredient.label, 0.0) + take.g
                    if take.seed_g is not None:
                        self.assertLess(take.seed_g, take.g, where)
        self.assertEqual(set(taken), set(wanted), where)
        for label, g in taken.items():
            self.assertAlmostEqual(g, wanted[label], delta=1e-6 * max(1.0, g), msg=f"{where}: {label}")

    def test_a_family_is_added_by_one_row(self) -> None:
        rows = METHODS["curd"].rows
        with patch.dict(METHODS, {"filling": FamilyMethod(rows=rows, ending="curd")}):
            found = method_of_recipe(starter("filling", "roll"), {}, SEA)
        self.assertIn("cook-egg", {act.id.split(".")[1] for act in found.acts})


class Cases(unittest.TestCase):
    def of(self, recipe: Recipe, **choices: str) -> dict[str, Act]:
        return {act.id.removeprefix("m0."): act for act in method_of_recipe(recipe, choices, SEA).acts}

    def test_a_caramel_is_poured_hot_and_never_beaten(self) -> None:
        found = self.of(CARAMEL)
        self.assertNotIn("beat", {act.kind for act in found.values()})
        self.assertEqual(found["boil"].target_c and round(sum(found["boil"].target_c) / 2, 1), 117.6)
        self.assertEqual(found["set"].uses, {})
        self.assertIn("wrap", found)

    def test_a_curd_is_cooked_sieved_and_chilled(self) -> None:
        found = self.of(CURD)
        self.assertEqual(found["cook-egg"].target_c, (82.0, 84.0))
        self.assertEqual(found["cook-egg"].ceiling_c, 85.0)
        self.assertEqual(list(found)[-3:], ["sieve", "chill", "set"])

    def test_a_beaten_fudge_is_flavoured_before_it_is_beaten_and_sets_in_the_room(self) -> None:
        nuts: dict[str, tuple[float, str]] = {"vanilla_extract": (5, "late"), "hazelnut_whole": (50, "fold-in")}
        fudge = made("boiled-fudge", sugar_granulated=(450, "boil"), cream35=(300, "boil"), **nuts)
        found = self.of(fudge)
        self.assertEqual([take.ingredient.label for take in found["beat"].takes], ["hazelnut_whole"])
        self.assertLess(list(found).index("late"), list(found).index("beat"))
        self.assertNotIn("fridge_shelves", found["set"].uses)
        self.assertIn("never in the fridge", found["set"].do)
        self.assertEqual(found["pour"].after[0].most_min, 3)

    def test_dough_is_pressed_and_fondant_with_its_enzyme_stays_out_of_the_fridge(self) -> None:
        marzipan = starter("marzipan", "cut")
        self.assertNotIn("pour", {act.kind for act in self.of(marzipan).values()})
        centre = made("fondant", fondant_made=(300, "warm"), invertase=(1, "late"))
        shells = worked("mould", Part(role="shell", of=find("dark60"), wall_mm=2), Part(role="filling", of=centre))
        acts = method_of_confection(shells, {}, SEA).acts
        dwell = next(act for act in acts if act.kind == "dwell")
        self.assertEqual(dwell.target_c, (18.0, 22.0))
        cold = [act.id for act in acts if act.mass == 0 and "fridge_shelves" in act.uses]
        self.assertEqual(cold, [])
        fill = next(act for act in acts if act.kind == "fill")
        assert fill.target_c is not None
        self.assertLessEqual(fill.target_c[1], WINDOWS[tempering_kind(find("dark60"))].work_c[0] - 2)

    def test_compound_is_not_tempered_and_chocolate_says_what_to_keep_back(self) -> None:
        compound = worked(
            "pieces", Part(role="centre", of=GANACHE), Part(role="coat", of=find("compound_dark")), pieces=40
        )
        self.assertNotIn("temper", {act.kind for act in method_of_confection(compound, {}, SEA).acts})
        dark = worked("pieces", Part(role="centre", of=GANACHE), Part(role="coat", of=find("dark60")), pieces=40)
        acts = method_of_confection(dark, {}, SEA).acts
        (take,) = next(act for act in acts if act.takes and act.kind == "temper").takes
        assert take.seed_g is not None
        melt = next(act for act in acts if act.id == "temper-melt")
        self.assertIn(f"⟦{take.g - take.seed_g:.0f} g⟧", melt.do)
        stand = next(act for act in acts if act.id == "balls-stand")
        self.assertEqual((stand.kind, stand.target_c), ("warm", (16.0, 20.0)))

    def test_each_filling_of_the_mould_is_an_act_and_shares_its_tempering_with_the_caps_before(self) -> None:
        shells = worked(
            "mould", Part(role="shell", of=find("dark60"), wall_mm=2), Part(role="filling", of=GANACHE), pieces=60
        )
        acts = method_of_confection(shells, {}, SEA).acts
        turns = ceil(60 / 24)
        for kind in ("shell", "fill", "cap", "unmould"):
            self.assertEqual(sum(act.kind == kind for act in acts), turns, kind)
        self.assertEqual(sum(act.id.startswith("smear") for act in acts), turns + 1)
        self.assertTrue(any(act.kind == "hold" for act in acts))

    def test_soft_cheese_is_out_of_the_cold_only_while_hands_are_on_it(self) -> None:
        cheese = starter("soft-cheese", "roll")
        acts = method_of_recipe(cheese, {}, SEA).acts
        self.assertTrue(any(act.out_of_cold for act in acts))
        self.assertTrue(all(act.hands for act in acts if act.out_of_cold))
        self.assertTrue(all("fridge_shelves" in act.uses for act in acts if act.kind in ("rest", "set")))

    def test_shells_of_cheese_or_curd_rest_in_the_fridge_and_others_in_a_cool_room(self) -> None:
        for family, place in (
            ("soft-cheese", "fridge_shelves"),
            ("curd", "fridge_shelves"),
            ("caramel", "cool_places"),
        ):
            shells = worked(
                "mould",
                Part(role="shell", of=find("dark60"), wall_mm=2),
                Part(role="filling", of=starter(family, None)),
            )
            rest = method_of_confection(shells, {}, SEA).acts[-1]
            self.assertEqual((rest.kind, list(rest.uses)), ("rest", [place]), family)

    def test_a_coat_over_cheese_sets_and_goes_back_into_the_fridge(self) -> None:
        coat = Part(role="coat", of=find("dark60"))
        for family, is_cold in {"soft-cheese": True, "cream-ganache": False}.items():
            balls = worked("scoop", Part(role="centre", of=starter(family, "roll")), coat)
            *_, sets, last = method_of_confection(balls, {}, SEA).acts
            cold = last.id == "back-cold" and (sets.id, dict(last.uses)) == ("coat-sets", {"fridge_shelves": 1})
            self.assertEqual(cold, is_cold, family)

    def test_a_step_of_the_piece_is_never_taken_for_an_act_of_a_mix(self) -> None:
        balls = worked("scoop", Part(role="centre", of=starter("cream-ganache", "roll")))
        leaf = CardStep(text="Press a leaf on.", kind="join")
        asked = replace(balls.confection, steps=(leaf,))
        found = method_of_confection(work_out(asked), {}, SEA).acts
        self.assertEqual([act.id for act in found if act.from_card and not act.id.endswith("card1")], [])

    def test_what_they_are_rolled_in_is_named_in_a_sentence(self) -> None:
        centre = Part(role="centre", of=starter("cream-ganache", "roll"))
        for count, words in (
            (1, "in salt while"),
            (2, "in salt and caster sugar while"),
            (3, "in salt, caster sugar and icing sugar while"),
        ):
            of = [find(key) for key in ("salt", "sugar_caster", "sugar_icing")[:count]]
            balls = worked("scoop", centre, *(Part(role="rolling", of=one, g_each=0.5) for one in of))
            act = next(act for act in method_of_confection(balls, {}, SEA).acts if act.id == "roll-in")
            self.assertIn(words, act.do)

    def test_a_whip_rests_before_the_shells_and_is_whipped_when_they_are_ready(self) -> None:
        whip = starter("whipped-ganache", "whip")
        shells = worked("mould", Part(role="shell", of=find("dark60"), wall_mm=2), Part(role="filling", of=whip))
        ids = [act.id for act in method_of_confection(shells, {}, SEA).acts]
        order = ["m0.rest-cold", "shell", "m0.whip", "m0.fill"]
        self.assertEqual(sorted(order, key=ids.index), order)

    def test_what_flows_is_poured_soon_and_what_rests_goes_to_rest_soon(self) -> None:
        cut, rolled = self.of(replace(GANACHE, use="cut")), self.of(replace(GANACHE, use="roll"))
        self.assertEqual((cut["pour"].after[0].most_min, cut["set"].after[0].most_min), (20, 5))
        self.assertEqual(rolled["set"].after[0].most_min, 15)
        self.assertEqual(cut["pour"].target_c, (32, 40))

    def test_on_a_slab_chocolate_is_cooled_then_warmed_below_where_its_seed_is_lost(self) -> None:
        dark = worked("pieces", Part(role="centre", of=GANACHE), Part(role="coat", of=find("dark60")), pieces=40)
        acts = {act.id: act for act in method_of_confection(dark, {"temper": "slab"}, SEA).acts}
        window = WINDOWS["dark"]
        self.assertEqual(acts["temper-cool"].target_c, window.cool_to_c)
        self.assertEqual(acts["temper-warm"].ceiling_c, window.seed_lost_above_c)
        self.assertEqual((acts["dip"].target_c, acts["dip"].ceiling_c), (window.work_c, window.seed_lost_above_c))

    def test_a_slab_sets_and_is_cut_as_its_larger_layer_asks(self) -> None:
        fudge = starter("boiled-fudge", "cut")
        for mm, kind in ((4.0, "m1.set"), (16.0, "m0.set")):
            layers = (Part(role="layer", of=fudge, mm=mm), Part(role="layer", of=GANACHE, mm=20 - mm))
            acts = method_of_confection(worked("pan", *layers, piece_mm=(25.0, 25.0)), {}, SEA).acts
            self.assertEqual([act.id for act in acts if act.id.endswith(".set")], [kind])

    def test_whites_and_gelatine_wait_aside(self) -> None:
        found = self.of(starter("aerated", "cut"))
        self.assertIn("m0.bloom", {one.id for one in found["beat"].after})
        self.assertNotIn("m0.bloom", {one.id for one in found["dissolve"].after})


class Card(unittest.TestCase):
    def test_its_words_and_its_end_are_kept_and_both_figures_told(self) -> None:
        step = CardStep(text="Boil everything to 112 °C, stirring.", kind="boil", to_c=112)
        method = method_of_recipe(carded(CARAMEL, step), {}, SEA)
        boil = next(act for act in method.acts if act.kind == "boil")
        self.assertEqual((boil.do, boil.from_card), (step.text, True))
        assert boil.target_c is not None
        self.assertAlmostEqual(sum(boil.target_c) / 2, 112, places=3)
        (found,) = method.differs
        self.assertEqual((found.act, found.card_c, round(found.book_c, 1)), ("m0.boil", 112, 117.6))
        self.assertIn("8.5 % water, firm", found.message)
        ours = method_of_recipe(carded(CARAMEL, step), {"target": "ours"}, SEA)
        target = next(act.target_c for act in ours.acts if act.kind == "boil")
        self.assertAlmostEqual(sum(target or ()) / 2, 117.6, places=1)

    def test_on_a_mountain_the_same_water_is_aimed_at(self) -> None:
        step = CardStep(text="Boil to 118 °C.", kind="boil", to_c=118)
        low = next(act for act in method_of_recipe(carded(CARAMEL, step), {}, SEA).acts if act.kind == "boil")
        high = next(act for act in method_of_recipe(carded(CARAMEL, step), {}, HILL).acts if act.kind == "boil")
        assert low.target_c is not None
        assert high.target_c is not None
        self.assertAlmostEqual(low.target_c[0] - high.target_c[0], 5.0, delta=0.6)

    def test_it_lifts_no_ceiling_and_no_egg(self) -> None:
        warm = CardStep(text="Cool to 20 °C.", place="instead", act="chill", to_c=20)
        chilled = method_of_recipe(carded(CURD, warm), {}, SEA)
        self.assertLessEqual(max(next(act.target_c or (99,) for act in chilled.acts if act.id == "m0.chill")), 10)
        self.assertIn("too warm", chilled.differs[0].message)
        for to_c, words in ((70, "not enough"), (90, "spoiled")):
            step = CardStep(text=f"Cook to {to_c} °C.", kind="cook", to_c=to_c)
            method = method_of_recipe(carded(CURD, step), {}, SEA)
            cook = next(act for act in method.acts if act.kind == "cook")
            self.assertEqual(cook.target_c, (82.0, 84.0))
            self.assertIn(words, method.differs[0].message)
        shells = worked("mould", Part(role="shell", of=find("milk33"), wall_mm=2), Part(role="filling", of=GANACHE))
        hot = replace(shells, confection=replace(shells.confection, steps=(
            CardStep(text="Temper at 38 °C.", kind="temper", to_c=38),)))  # fmt: skip
        method = method_of_confection(hot, {}, SEA)
        self.assertEqual(method.differs[0].card_c, 38)
        work = next(act for act in method.acts if act.kind == "temper")
        self.assertEqual(work.target_c, WINDOWS["milk"].work_c)

    def test_a_step_is_the_act_that_takes_what_it_names_and_scorches_nothing(self) -> None:
        step = CardStep(text="Beat the butter in.", kind="join", ingredients=("butter82",))
        acts = {act.id: act for act in method_of_recipe(carded(GANACHE, step), {}, SEA).acts}
        self.assertEqual((acts["m0.stir-in-cool"].do, acts["m0.join"].from_card), (step.text, False))
        hot = CardStep(text="Melt it at 70 °C.", kind="melt", to_c=70)
        melted = replace(GANACHE, method="into-melted")
        method = method_of_recipe(carded(melted, hot), {}, SEA)
        melt = next(act for act in method.acts if act.kind == "melt")
        self.assertEqual((melt.target_c, method.differs[0].card_c), ((40, 45), 70))
        self.assertIn("spoiled", method.differs[0].message)

    def test_a_temper_within_a_degree_is_the_cards_and_an_egg_is_held_its_whole_time(self) -> None:
        shells = worked("mould", Part(role="shell", of=find("dark60"), wall_mm=2), Part(role="filling", of=GANACHE))
        for to_c, kept in ((30.4, True), (29.5, False), (33.0, True), (34.0, False)):
            step = CardStep(text=f"Temper at {to_c} °C.", kind="temper", to_c=to_c)
            asked = replace(shells, confection=replace(shells.confection, steps=(step,)))
            method = method_of_confection(asked, {}, SEA)
            self.assertEqual([one.card_c for one in method.differs], [] if kept else [to_c])
        egg = made("marzipan", almond_ground=(250, ""), sugar_icing=(200, ""), egg_white=(25, ""))
        for minutes, held in ((1, 2), (5, 5)):
            step = CardStep(text="Warm the egg.", kind="cook", minutes=minutes)
            acts = method_of_recipe(carded(egg, step), {}, SEA).acts
            self.assertEqual(next(act.gate_min for act in acts if act.kind == "cook"), held)

    def test_an_act_of_its_own_comes_between_and_keeps_its_time(self) -> None:
        method = method_of_recipe(
            carded(
                GANACHE,
                CardStep(text="Bring the cream to a simmer.", kind="heat"),
                CardStep(text="Steep the tea for 10 minutes.", kind="bloom", minutes=10),
                CardStep(text="Pour it over the chocolate.", kind="join"),
            ),
            {},
            SEA,
        )
        ids = [act.id for act in method.acts]
        own = next(act for act in method.acts if act.kind == "bloom")
        self.assertEqual((own.minutes, own.from_card), ((10, 10, 10), True))
        self.assertTrue(ids.index("m0.warm") < ids.index(own.id) < ids.index("m0.join"))
        self.assertIn(own.id, {one.id for act in method.acts if act.id == "m0.join" for one in act.after})


if __name__ == "__main__":
    unittest.main()
