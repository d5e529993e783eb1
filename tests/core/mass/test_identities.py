"""Identities that hold whatever the constants: properties over random recipes."""

import unittest
from itertools import pairwise

from hypothesis import assume, given, settings
from hypothesis import strategies as st

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import CLASS_BOUNDS, index_at, index_curve, is_water_free
from hearth_bowl.core.mass.water_activity import (
    WATER_G_PER_MOL,
    damped_activity,
    dissolved_solutes,
    model_water_activity,
    plain_activity,
)
from hearth_bowl.core.recipe.recipe import FAMILIES, Recipe
from tests.kitchen import recipe

GRAMS = st.floats(0.5, 800)
KEYS = st.sampled_from(sorted(LIBRARY))
MADE = st.builds(
    lambda family, grams: recipe(family, None, **grams),
    st.sampled_from(sorted(FAMILIES)),
    st.dictionaries(KEYS, GRAMS, min_size=1, max_size=8),
)
REAL_CHOCOLATE = st.sampled_from(["dark50", "dark60", "dark70", "dark80", "milk33", "milk38", "white28", "white32"])
CREAMS = st.sampled_from(["cream18", "cream30", "cream35", "cream38", "cream48"])
SOLUTES = st.sampled_from(["sugar_caster", "dextrose", "invert_syrup", "sorbitol_powder", "glycerol", "salt"])


class Masses(unittest.TestCase):
    @given(MADE)
    def test_masses_and_component_sums_close(self, made: Recipe) -> None:
        found = assess(made)
        self.assertAlmostEqual(sum(mix(made).grams.values()), made.mass_g, delta=1e-9 * made.mass_g)
        self.assertLessEqual(found.mass_g, made.mass_g * (1 + 1e-9))
        self.assertAlmostEqual(sum(found.composition_pct.values()), 100, places=9)
        self.assertAlmostEqual(
            sum(found.mixture.other_fat_g.values()), found.mixture.grams["other_fat"], delta=1e-9 * made.mass_g
        )

    @given(MADE, KEYS)
    def test_zero_grams_of_anything_change_nothing(self, made: Recipe, key: str) -> None:
        grams = {line.ingredient.key or "": amount for line, amount in zip(made.lines, made.amounts_g, strict=True)}
        assume(key not in grams)
        self.assertEqual(assess(recipe(made.family, None, **grams, **{key: 0.0})), assess(made))

    @given(MADE, st.floats(0.1, 10))
    def test_nothing_but_the_mass_depends_on_the_size_of_the_batch(self, made: Recipe, factor: float) -> None:
        before, after = assess(made), assess(made.with_amounts_g([g * factor for g in made.amounts_g]))
        self.assertAlmostEqual(after.mass_g, before.mass_g * factor, delta=1e-9 * after.mass_g)
        self.assertAlmostEqual(after.energy_kcal_per_100g, before.energy_kcal_per_100g, places=6)
        if before.set.index is not None:
            self.assertAlmostEqual(after.set.index or 0, before.set.index, places=6)
        if before.water_activity.model is not None:
            self.assertAlmostEqual(after.water_activity.model or 0, before.water_activity.model, places=6)

    @given(MADE)
    def test_every_figure_is_finite_and_within_its_range(self, made: Recipe) -> None:
        for at_c in (-18.0, 20.0, 45.0):
            found = assess(made, at_c)
            if found.set.index is not None:
                self.assertTrue(0 <= found.set.low <= found.set.index <= found.set.high <= 5)  # type: ignore[operator]
            if found.water_activity.estimate is not None:
                water = found.water_activity
                self.assertTrue(0 <= water.low <= water.estimate <= water.high <= 1)  # type: ignore[operator]
            self.assertGreater(found.density_g_per_ml, 0.7)
            self.assertLess(found.density_g_per_ml, 2.2)
            self.assertGreaterEqual(found.undissolved_sugar_g, -1e-9)


class Water(unittest.TestCase):
    def test_pure_water_has_activity_one(self) -> None:
        self.assertEqual(model_water_activity(mix(recipe(water=100))), 1.0)

    @given(MADE, st.sampled_from(["coconut_oil", "sunflower_oil", "cocoa_butter"]), GRAMS)
    def test_pure_fat_leaves_the_water_activity_unchanged(self, made: Recipe, fat: str, grams: float) -> None:
        before = model_water_activity(mix(made))
        assume(before is not None)
        assume(not all(line.ingredient.own_body for line in made.lines))  # pieces alone have no mass round them
        with_fat = mix(made).plus(mix(recipe(**{fat: grams})))
        self.assertAlmostEqual(model_water_activity(with_fat) or 0, before or 0, places=9)

    @given(MADE, SOLUTES, st.floats(0.5, 50))
    def test_any_solute_that_dissolves_lowers_it(self, made: Recipe, key: str, grams: float) -> None:
        before, after = mix(made), mix(made).plus(mix(recipe(**{key: grams})))
        assume(before.grams["water"] > 1)
        water_mol = before.grams["water"] / WATER_G_PER_MOL
        # all dissolved, and only what the solute brings: its own water would dilute
        old, new = dissolved_solutes(before, None), dissolved_solutes(after, None)
        moles = sum(solute.amount_mol for solute in new)
        assume(water_mol / (water_mol + moles) >= 0.75)
        self.assertLess(plain_activity(water_mol, new), plain_activity(water_mol, old))
        self.assertLess(damped_activity(water_mol, new), damped_activity(water_mol, old))


class Setting(unittest.TestCase):
    @given(MADE)
    @settings(max_examples=60)
    def test_warmer_never_sets_firmer(self, made: Recipe) -> None:
        temperatures = [float(at_c) for at_c in range(-18, 46, 3)]
        curve = index_curve(mix(made), temperatures)
        for colder, warmer in pairwise(curve):
            self.assertGreaterEqual(colder, warmer - 1e-9)

    @given(REAL_CHOCOLATE, CREAMS, st.floats(0.3, 3), st.floats(1.01, 1.5), st.sampled_from([5.0, 20.0, 28.0]))
    def test_more_of_one_real_chocolate_never_sets_softer(
        self, chocolate: str, cream: str, ratio: float, more: float, at_c: float
    ) -> None:
        before = mix(recipe(**{chocolate: 100 * ratio, cream: 100}))
        after = mix(recipe(**{chocolate: 100 * ratio * more, cream: 100}))
        assume(is_water_free(before) == is_water_free(after))
        self.assertGreaterEqual(index_at(after, at_c), index_at(before, at_c) - 1e-9)

    def test_class_bounds_rise(self) -> None:
        bounds = [bound for bound, _ in CLASS_BOUNDS]
        self.assertEqual(bounds, sorted(bounds))


class Alcohol(unittest.TestCase):
    @given(st.lists(st.floats(1, 500), min_size=1, max_size=12))
    def test_ethanol_in_is_ethanol_in_the_pieces(self, pieces_g: list[float]) -> None:
        made = recipe(dark60=300, cream35=120, spirit40=30)
        pct = assess(made).alcohol_pct
        total_g = sum(pieces_g)
        whole = made.with_amounts_g([g * total_g / made.mass_g for g in made.amounts_g])
        self.assertAlmostEqual(
            sum(piece * pct / 100 for piece in pieces_g), mix(whole).grams["ethanol"], delta=1e-9 * total_g
        )
